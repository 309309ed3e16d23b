import { useMemo, useState } from 'react';
import { coverTitle, findCrop, findSpecies } from '../../catalogue/catalogue.ts';
import { type Segment, stripOf } from '../../core/bed/timeline.ts';
import { type Day, dayOf, yearOf } from '../../core/calendar/day.ts';
import { type Stood, windowsOf } from '../../core/years/alike.ts';
import { useGarden } from '../../ring/garden.tsx';
import { monthName } from '../../ui/dates.ts';
import { SelectField } from '../../ui/fields.tsx';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';

const PX_A_DAY = 0.92;
const WIDE = 92;
const LEFT = 44;
const TOP = 24;
const PREFIX = 'years';
const MONTHS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];

/** One kind of cover, or one crop, on all beds and in all years on which it stood. */
export function AlikeStrips({ by }: { by: 'cover' | 'crop' }) {
  const { beds, plantings, covers, today } = useGarden();
  const stood = useMemo(() => {
    const out = new Map<string, Stood[]>();
    const add = (kind: string, refId: string, bedId: string, from: string) =>
      out.set(kind, [...(out.get(kind) ?? []), { refId, bedId, from: dayOf(from) }]);
    if (by === 'crop') for (const p of plantings) if (p.plantedOn) add(p.cropId, p.id, p.bedId, p.plantedOn);
    if (by === 'cover')
      for (const c of covers)
        if (c.sownOn) for (const { speciesId } of c.parts) add(speciesId, c.id, c.bedId, c.sownOn);
    return out;
  }, [by, plantings, covers]);
  const nameOf = (id: string) => (by === 'crop' ? findCrop(id) : findSpecies(id))?.name ?? id;
  const kinds = [...stood.keys()].sort(
    (a, b) => stood.get(b)!.length - stood.get(a)!.length || nameOf(a).localeCompare(nameOf(b)),
  );
  const [kind, setKind] = useState(kinds[0] ?? '');
  if (kinds.length === 0)
    return <p className="mt-3">Nothing was {by === 'crop' ? 'planted' : 'sown'} yet.</p>;
  const columns = windowsOf(stood.get(kind) ?? []).map(({ refId, bedId, from, start }) => ({
    key: refId,
    title: `${beds.find((b) => b.id === bedId)?.name ?? '?'} · ${yearOf(from)}`,
    from: start,
    segments: stripOf(bedId, plantings, covers, start, Math.min(start + YEAR_D, dayOf(today))),
  }));
  return (
    <>
      <div className="mt-3 w-56">
        <SelectField
          label={by === 'crop' ? 'Crop' : 'Cover'}
          value={kind}
          options={kinds.map((k) => [k, `${nameOf(k)} (${stood.get(k)!.length})`] as const)}
          onChange={setKind}
        />
      </div>
      <YearStrips
        label={`${nameOf(kind)} on ${columns.length} ${columns.length === 1 ? 'bed and year' : 'beds and years'}`}
        columns={columns}
      />
    </>
  );
}
const YEAR_D = 365;

/** A year's length of a bed. */
export interface Column {
  key: string;
  title: string;
  /** First day that is shown. */
  from: Day;
  segments: readonly Segment[];
}

/** A year's length of a bed each, side by side, woven from the record. */
export function YearStrips({ label, columns }: { label: string; columns: readonly Column[] }) {
  const height = 366 * PX_A_DAY;
  const total = LEFT + columns.length * (WIDE + 14);
  const line = (d: number) => TOP + d * PX_A_DAY;
  return (
    <div
      className="max-sm:runs-on mt-3 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="Strips of past years"
    >
      <svg width={total} height={height + 40} role="img" aria-label={label}>
        <WeaveDefs prefix={PREFIX} />
        {MONTHS.map((d, m) => (
          <g key={m}>
            <line x1={LEFT - 6} x2={total} y1={line(d)} y2={line(d)} stroke="var(--color-linen)" />
            <text x={2} y={line(d) + 13} fontSize={14} fill="var(--color-bark)">
              {monthName(columns[0]!.from + d + 3)}
            </text>
          </g>
        ))}
        {columns.map(({ key, title, from, segments }, i) => {
          const x = LEFT + i * (WIDE + 14);
          return (
            <g key={key}>
              <text
                x={x + WIDE / 2}
                y={16}
                textAnchor="middle"
                fontSize={16}
                fontWeight={700}
                fill="var(--color-walnut)"
              >
                {title}
              </text>
              <rect x={x} y={TOP} width={WIDE} height={height} fill={`url(#${PREFIX}-warp)`} />
              {segments.map((s) => (
                <Piece key={s.from} s={s} x={x} y={line(s.from - from)} h={(s.to - s.from) * PX_A_DAY} />
              ))}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

function Piece({ s, x, y, h }: { s: Segment; x: number; y: number; h: number }) {
  const { covers, plantings } = useGarden();
  if (s.kind === 'bare') return null;
  const cover = covers.find((c) => c.id === s.refId);
  const planting = plantings.find((p) => p.id === s.refId);
  const kinds = cover?.parts.map((p) =>
    (findSpecies(p.speciesId)?.name ?? p.speciesId).split(/[ ,]/).at(-1)!,
  );
  const words = cover
    ? cover.called || (kinds!.length > 1 ? kinds!.join(', ').toLowerCase() : coverTitle(cover))
    : (findCrop(planting?.cropId ?? '')?.name ?? planting?.cropId ?? '');
  const short = words.length > 14 ? `${words.slice(0, 13)}…` : words;
  return (
    <g>
      <title>{words}</title>
      {s.kind === 'cover' && cover ? (
        <Woven
          prefix={PREFIX}
          x={x}
          y={y}
          width={WIDE}
          height={h}
          bands={cover.parts.map((p) => ({
            motif: findSpecies(p.speciesId)?.role ?? 'broadleaf',
            share: p.share,
          }))}
        />
      ) : (
        <rect x={x} y={y} width={WIDE} height={h} fill={`url(#${PREFIX}-${s.kind})`} />
      )}
      {h > 26 && (s.kind === 'cover' || s.kind === 'crop') && (
        <>
          <rect x={x + 4} y={y + h / 2 - 10} width={WIDE - 8} height={20} fill="var(--color-paper)" />
          <text
            x={x + WIDE / 2}
            y={y + h / 2 + 5}
            textAnchor="middle"
            fontSize={12.5}
            fontWeight={600}
            fill="var(--color-walnut)"
          >
            {short}
          </text>
        </>
      )}
    </g>
  );
}
