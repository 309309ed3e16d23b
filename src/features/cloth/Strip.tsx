import { memo } from 'react';
import { coverTitle, findCrop, speciesOf } from '../../catalogue/catalogue.ts';
import { type StripLife } from '../../core/strips/life.ts';
import { type PieceUse } from '../../core/bed/pieces.ts';
import { type Segment } from '../../core/bed/timeline.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { Woven } from '../../ui/Weave.tsx';
import { LivingPath, NOT_SOWN, UseMark } from './LastingStrip.tsx';

export const PREFIX = 'cloth';
/** Share of a strip's width that an undersown cover takes beside the crop above it. */
const UNDER_SHARE = 0.3;

interface StripProps {
  segments: Segment[];
  /** What a piece is called, and what it is for; undefined for a whole bed. */
  name?: string | undefined;
  use?: PieceUse | undefined;
  /** What a strip that lives for years is made of, and what was done to it. */
  life?: StripLife | undefined;
  /** Covers that grow beneath a crop, shown as a narrow weave along its side. */
  under: Segment[];
  x: number;
  width: number;
  from: number;
  to: number;
  y(day: Day): number;
  now: number;
  forecasts: ReadonlyMap<string, Forecast>;
}

/** One bed's strip, woven where something grew or will. `forecasts` packs a cover's weave by how closely it covers the ground. */
export const Strip = memo(function Strip({
  segments,
  name,
  use,
  life,
  under,
  x,
  width,
  from,
  to,
  y,
  now,
  forecasts,
}: StripProps) {
  return (
    <g>
      <rect
        x={x}
        y={y(from)}
        width={width}
        height={y(to) - y(from)}
        fill={use && use !== 'bed' && use !== 'seed' ? NOT_SOWN[use] : `url(#${PREFIX}-warp)`}
      />
      {life && use === 'path' && (
        <LivingPath life={life} prefix={PREFIX} x={x} width={width} y={y} from={from} to={to} now={now} />
      )}
      {use && use !== 'bed' && (
        <UseMark use={use} x={x} width={width} y={y} from={Math.max(from, now - 60)} to={to} />
      )}
      {segments.flatMap((s) => {
        // A stretch that crosses today is fast above it and a sketch below.
        const parts =
          s.from < now && s.to > now
            ? [
                { ...s, to: now },
                { ...s, from: now },
              ]
            : [s];
        return parts.map((p) => (
          <Piece
            key={`${p.kind}${p.from}`}
            s={p}
            x={x}
            width={width}
            y={y}
            sketch={p.from >= now}
            forecasts={forecasts}
          />
        ));
      })}
      {under.map((s) => (
        <Piece
          key={`u${s.refId}${s.from}`}
          s={s}
          x={x + width * (1 - UNDER_SHARE)}
          width={width * UNDER_SHARE}
          y={y}
          sketch={s.from >= now}
          forecasts={forecasts}
        />
      ))}
      {name && width > name.length * 7 && from <= now && to > now + 20 && (
        <text
          x={x + width / 2}
          y={y(now) + 18}
          fontSize={12}
          fontWeight={700}
          textAnchor="middle"
          fill="var(--color-walnut)"
          stroke="var(--color-wool)"
          strokeWidth={4}
          paintOrder="stroke"
        >
          {name}
        </text>
      )}
      {segments
        .filter(
          (s) =>
            s.refId && (s.kind === 'crop' || s.kind === 'cover') && width > 34 && y(s.to) - y(s.from) > 34,
        )
        .map((s) => (
          <Label key={`${s.refId}${s.from}`} s={s} x={x + width / 2} y={labelAt(s, y, now)} width={width} />
        ))}
    </g>
  );
});

const labelAt = (s: Segment, y: (d: number) => number, now: number): number => {
  const middle = (s.from + s.to) / 2;
  return y(Math.abs(y(middle) - y(now)) < 16 ? (s.from + now) / 2 : middle);
};

function Piece({
  s,
  x,
  width,
  y,
  sketch,
  forecasts,
}: {
  s: Segment;
  x: number;
  width: number;
  y(d: number): number;
  sketch: boolean;
  forecasts: ReadonlyMap<string, Forecast>;
}) {
  const { covers } = useGarden();
  const cover = s.kind === 'cover' ? covers.find((c) => c.id === s.refId) : undefined;
  const top = y(s.from);
  const height = y(s.to) - top;
  if (s.kind === 'bare') return null;
  if (s.planned && !sketch) return <NotKnown x={x} y={top} width={width} height={height} />;
  if (cover)
    return (
      <CoverPiece
        cover={cover}
        s={s}
        x={x}
        width={width}
        y={y}
        sketch={sketch}
        forecast={forecasts.get(cover.id)}
      />
    );
  return (
    <g>
      <Woven
        prefix={PREFIX}
        x={x}
        y={top}
        width={width}
        height={height}
        bands={[{ motif: s.kind === 'crop' ? 'crop' : s.kind === 'sheet' ? 'sheet' : 'residue', share: 1 }]}
        faint={sketch}
      />
      {sketch && <SketchEdge x={x} y={top} width={width} height={height} />}
    </g>
  );
}

/** A cover's stretch, as closely woven as its ground is covered on each day. */
function CoverPiece({
  cover,
  s,
  x,
  width,
  y,
  sketch,
  forecast,
}: {
  forecast: Forecast | undefined;
  cover: Cover;
  s: Segment;
  x: number;
  width: number;
  y(d: number): number;
  sketch: boolean;
}) {
  const sown = dayOf(cover.sownOn ?? cover.sowOn);
  const bands = cover.parts.map((p) => ({ motif: speciesOf(p.speciesId).role, share: p.share }));
  const top = y(s.from);
  const height = y(s.to) - top;
  const perDay = (y(s.to) - y(s.from)) / Math.max(1, s.to - s.from);
  const coverAt = forecast
    ? (at: number) => forecast.stand.coverByDay[Math.round(s.from + (at - top) / perDay - sown)] ?? 1
    : undefined;
  return (
    <g>
      <Woven
        prefix={PREFIX}
        x={x}
        y={top}
        width={width}
        height={height}
        bands={bands}
        faint={sketch}
        coverAt={coverAt}
      />
      {sketch && <SketchEdge x={x} y={top} width={width} height={height} />}
    </g>
  );
}

/** A past that was planned and nobody logged: bare warp, dotted, with a question mark. */
const NotKnown = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) => (
  <g>
    <rect
      x={x}
      y={y}
      width={width}
      height={height}
      fill="none"
      stroke="var(--color-bark)"
      strokeWidth={2}
      strokeDasharray="1 5"
      strokeLinecap="round"
    />
    {height > 18 && (
      <text
        x={x + width / 2}
        y={y + Math.min(height / 2, 30) + 6}
        fontSize={18}
        fontWeight={700}
        fill="var(--color-bark)"
        textAnchor="middle"
      >
        ?
      </text>
    )}
  </g>
);

/** What is only planned has a dashed edge. */
const SketchEdge = (box: { x: number; y: number; width: number; height: number }) => (
  <rect {...box} fill="none" stroke="var(--color-bark)" strokeDasharray="3 3" />
);

function Label({ s, x, y, width }: { s: Segment; x: number; y: number; width: number }) {
  const { covers, plantings } = useGarden();
  const cover = covers.find((c) => c.id === s.refId);
  const full = cover
    ? coverTitle(cover).toLowerCase()
    : (findCrop(plantings.find((p) => p.id === s.refId)?.cropId ?? '')?.name.toLowerCase() ?? '');
  const room = Math.floor((width - 4) / 5.9);
  const short = (name: string) => {
    const word = name.length > room ? lastWord(name) : name;
    return word.length > room ? `${word.slice(0, room - 1)}…` : word;
  };
  const lines =
    cover && cover.parts.length > 1
      ? cover.parts.map((p) => short(lastWord(speciesOf(p.speciesId).name)))
      : [short(full)];
  const w = Math.max(...lines.map((l) => l.length)) * 6 + 8;
  const top = y - lines.length * 7 - 1;
  return (
    <g>
      <rect x={x - w / 2} y={top} width={w} height={lines.length * 14 + 2} fill="var(--color-paper)" />
      <title>{full}</title>
      {lines.map((line, i) => (
        <text
          key={i}
          x={x}
          y={top + 12 + i * 14}
          fontSize={12}
          fontWeight={600}
          textAnchor="middle"
          fill="var(--color-walnut)"
        >
          {line}
        </text>
      ))}
    </g>
  );
}

const lastWord = (name: string): string =>
  name
    // What a crop is, not how it is raised.
    .replace(/[,(].*| (transplants|from seed).*/, '')
    .trim()
    .toLowerCase()
    .split(' ')
    .at(-1)!;
