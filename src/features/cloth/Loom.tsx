import { useMemo, useRef, useState, useLayoutEffect } from 'react';
import { Link } from 'react-router';
import { coverName, findCrop, findSpecies } from '../../catalogue/catalogue.ts';
import { type Segment, stripOf } from '../../core/bed/timeline.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { showArea } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useForecast } from '../../ring/useForecast.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { monthName, showDay } from '../../ui/dates.ts';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';

const LEFT = 56;
const TOP = 4;
const PREFIX = 'cloth';
/** Years behind the density of a strip; it is a picture, the answer screens use more. */
const STRIP_YEARS = 16;

/** The cloth: one strip a bed, time running downward. */
export function Loom({ from, to }: { from: number; to: number }) {
  const { beds, garden, today } = useGarden();
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(900);
  useLayoutEffect(() => {
    const el = box.current;
    if (!el) return;
    const observer = new ResizeObserver(([e]) => setWidth(e!.contentRect.width));
    observer.observe(el);
    return () => observer.disconnect();
  }, []);
  const column = Math.max(58, Math.min(120, (width - LEFT - 8) / beds.length));
  const height = 640;
  const y = (day: number) => TOP + ((day - from) / (to - from)) * height;
  const now = dayOf(today);
  const months: number[] = [];
  for (let d = from; d < to; d++) if (new Date(d * 86_400_000).getUTCDate() === 1) months.push(d);
  const total = LEFT + column * beds.length;
  return (
    <div ref={box} className="relative w-full">
      <div
        className="overflow-x-auto px-2 pt-3"
        tabIndex={0}
        role="region"
        aria-label="All beds, time running downward"
      >
        <div className="flex" style={{ width: total, paddingLeft: LEFT }}>
          {beds.map((b) => (
            <Link
              key={b.id}
              to={`/bed/${b.id}`}
              className="block text-center leading-tight hover:underline"
              style={{ width: column }}
            >
              <span className="font-display block truncate text-lg font-bold">{b.name}</span>
              <span className="text-bark block text-xs">{showArea(b.area_m2, garden.units)}</span>
            </Link>
          ))}
        </div>
        <svg
          width={total}
          height={TOP + height + 8}
          role="img"
          aria-label={`Cloth of ${beds.length} beds from ${showDay(from)} to ${showDay(to)}; each bed's page tells it in words`}
        >
          <WeaveDefs prefix={PREFIX} />
          {months.map((m) => (
            <g key={m}>
              <line x1={LEFT - 8} x2={total} y1={y(m)} y2={y(m)} stroke="#e0cfb2" />
              {Math.abs(m - now) * (height / (to - from)) > 14 && (
                <text x={6} y={y(m) + 4} fontSize={13} fontWeight={600} fill="#6b5646">
                  {monthName(m)}
                </text>
              )}
            </g>
          ))}
          {beds.map((b, i) => (
            <Strip
              key={b.id}
              bed={b}
              x={LEFT + i * column + 5}
              width={column - 10}
              from={from}
              to={to}
              y={y}
              now={now}
            />
          ))}
          <path d={`M${LEFT - 6} ${y(now)}H${total}`} stroke="#3c2a20" strokeWidth={3} />
          <path
            d={Array.from(
              { length: Math.floor((total - LEFT) / 8) },
              (_, k) => `M${LEFT + k * 8} ${y(now)}v5`,
            ).join('')}
            stroke="#3c2a20"
          />
          <rect x={0} y={y(now) - 11} width={LEFT - 4} height={22} fill="#3c2a20" />
          <text
            x={(LEFT - 4) / 2}
            y={y(now) + 4}
            fontSize={12}
            fontWeight={700}
            fill="#fbf6ec"
            textAnchor="middle"
          >
            {showDay(now)}
          </text>
        </svg>
      </div>
    </div>
  );
}

interface StripProps {
  bed: Bed;
  x: number;
  width: number;
  from: number;
  to: number;
  y(day: number): number;
  now: number;
}

function Strip({ bed, x, width, from, to, y, now }: StripProps) {
  const { plantings, covers } = useGarden();
  const segments = useMemo(
    () => stripOf(bed.id, plantings, covers, from, to),
    [bed.id, plantings, covers, from, to],
  );
  return (
    <g>
      <rect x={x} y={y(from)} width={width} height={y(to) - y(from)} fill={`url(#${PREFIX}-warp)`} />
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
          <Piece key={`${p.kind}${p.from}`} s={p} x={x} width={width} y={y} sketch={p.from >= now} />
        ));
      })}
      {segments
        .filter((s) => s.refId && (s.kind === 'crop' || s.kind === 'cover') && y(s.to) - y(s.from) > 34)
        .map((s) => (
          <Label key={`${s.refId}${s.from}`} s={s} x={x + width / 2} y={labelAt(s, y, now)} width={width} />
        ))}
    </g>
  );
}

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
}: {
  s: Segment;
  x: number;
  width: number;
  y(d: number): number;
  sketch: boolean;
}) {
  const { covers } = useGarden();
  const cover = s.kind === 'cover' ? covers.find((c) => c.id === s.refId) : undefined;
  const top = y(s.from);
  const height = y(s.to) - top;
  if (s.kind === 'bare') return null;
  const edge = sketch && (
    <rect x={x} y={top} width={width} height={height} fill="none" stroke="#6b5646" strokeDasharray="3 3" />
  );
  if (cover) return <CoverPiece cover={cover} s={s} x={x} width={width} y={y} sketch={sketch} />;
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
      {edge}
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
}: {
  cover: Cover;
  s: Segment;
  x: number;
  width: number;
  y(d: number): number;
  sketch: boolean;
}) {
  const { forecast } = useForecast(cover.verdict === 'dead' ? undefined : cover, STRIP_YEARS);
  const sown = dayOf(cover.sownOn ?? cover.sowOn);
  const bands = cover.parts.map((p) => ({ motif: findSpecies(p.speciesId)!.role, share: p.share }));
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
      {sketch && (
        <rect
          x={x}
          y={top}
          width={width}
          height={height}
          fill="none"
          stroke="#6b5646"
          strokeDasharray="3 3"
        />
      )}
    </g>
  );
}

function Label({ s, x, y, width }: { s: Segment; x: number; y: number; width: number }) {
  const { covers, plantings } = useGarden();
  const cover = covers.find((c) => c.id === s.refId);
  const full = cover
    ? coverName(cover.parts).toLowerCase()
    : (findCrop(plantings.find((p) => p.id === s.refId)?.cropId ?? '')?.name.toLowerCase() ?? '');
  const room = Math.floor((width - 4) / 5.9);
  const short = (name: string) => {
    const word = name.length > room ? lastWord(name) : name;
    return word.length > room ? `${word.slice(0, room - 1)}…` : word;
  };
  const lines =
    cover && cover.parts.length > 1
      ? cover.parts.map((p) => short(lastWord(findSpecies(p.speciesId)!.name)))
      : [short(full)];
  const w = Math.max(...lines.map((l) => l.length)) * 6 + 8;
  const top = y - lines.length * 7 - 1;
  return (
    <g>
      <rect x={x - w / 2} y={top} width={w} height={lines.length * 14 + 2} fill="#fbf6ec" />
      <title>{full}</title>
      {lines.map((line, i) => (
        <text
          key={i}
          x={x}
          y={top + 12 + i * 14}
          fontSize={12}
          fontWeight={600}
          textAnchor="middle"
          fill="#3c2a20"
        >
          {line}
        </text>
      ))}
    </g>
  );
}

const lastWord = (name: string): string => name.toLowerCase().split(' ').at(-1)!;
