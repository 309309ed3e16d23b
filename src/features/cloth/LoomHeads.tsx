import { Link } from 'react-router';
import { type Day } from '../../core/calendar/day.ts';
import { showArea } from '../../core/units/show.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { monthName, showDay } from '../../ui/dates.ts';
import { LEFT, TOP, ROOMY, type LoomProps } from './loomFrame.ts';

/** Blocks and names over the strips; a block folds its beds to slivers. */
export function Heads({
  beds,
  widths,
  total,
  folded,
  fold,
  sought,
}: {
  beds: readonly Bed[];
  widths: readonly number[];
  total: number;
} & Pick<LoomProps, 'folded' | 'fold' | 'sought'>) {
  const { garden } = useGarden();
  const blocks = beds.reduce<{ block: string; width: number }[]>((runs, b, i) => {
    const last = runs.at(-1);
    if (last?.block === b.block) last.width += widths[i]!;
    else runs.push({ block: b.block, width: widths[i]! });
    return runs;
  }, []);
  return (
    <div className="bg-wool no-print sticky top-0 z-30 pt-2" style={{ width: total, paddingLeft: LEFT }}>
      {blocks.some((b) => b.block !== '') && (
        <div className="flex">
          {blocks.map((b, i) => (
            <button
              key={`${b.block}${i}`}
              type="button"
              className="border-warp text-bark truncate border-b px-1 text-left hover:underline"
              style={{ width: b.width - 4, marginRight: 4 }}
              aria-expanded={!folded.has(b.block)}
              title={folded.has(b.block) ? `Unfold ${b.block}` : `Fold ${b.block}`}
              onClick={() => fold(b.block)}
            >
              {folded.has(b.block) ? '▸ ' : '▾ '}
              {b.block || 'other beds'}
            </button>
          ))}
        </div>
      )}
      <div className="flex">
        {beds.map((b, i) =>
          widths[i]! < ROOMY ? (
            <Link
              key={b.id}
              to={`/bed/${b.id}`}
              aria-label={`Bed ${b.name}`}
              title={`Bed ${b.name}`}
              className={`font-display block h-11 truncate text-center leading-tight font-bold hover:underline ${b.id === sought ? 'bg-warp' : ''}`}
              style={{ width: widths[i], writingMode: 'vertical-rl' }}
            >
              {b.name}
            </Link>
          ) : (
            <Link
              key={b.id}
              to={`/bed/${b.id}`}
              className={`block text-center leading-tight hover:underline ${b.id === sought ? 'bg-warp' : ''}`}
              style={{ width: widths[i] }}
            >
              <span className="font-display block truncate text-lg font-bold">{b.name}</span>
              <span className="text-bark block text-xs">{showArea(b.area_m2, garden.units)}</span>
            </Link>
          ),
        )}
      </div>
    </div>
  );
}

const MS_PER_DAY = 86_400_000;

const dateOf = (day: Day): Date => new Date(day * MS_PER_DAY);

/** A line for the first of each month, named where there is room, and the year at each January. */
export function Months({
  from,
  to,
  now,
  y,
  perDay,
  total,
}: {
  from: Day;
  to: Day;
  now: Day;
  y(day: Day): number;
  perDay: number;
  total: number;
}) {
  const months = Array.from({ length: to - from }, (_, i) => from + i).filter(
    (d) => dateOf(d).getUTCDate() === 1,
  );
  const named = (m: Day) =>
    Math.abs(m - now) * perDay > 14 && (perDay > 0.5 || dateOf(m).getUTCMonth() % 6 === 0);
  return months.map((m) => (
    <g key={m}>
      <line x1={LEFT - 8} x2={total} y1={y(m)} y2={y(m)} stroke="var(--color-linen)" />
      {named(m) && (
        <text x={6} y={y(m) + 4} fontSize={13} fontWeight={600} fill="var(--color-bark)">
          {monthName(m)}
          {dateOf(m).getUTCMonth() === 0 && (
            <tspan x={6} dy={14} fontSize={12}>
              {dateOf(m).getUTCFullYear()}
            </tspan>
          )}
        </text>
      )}
    </g>
  ));
}

/** The weft of today. */
export function Now({ day, y, total }: { day: Day; y: number; total: number }) {
  const fringe = Array.from({ length: Math.floor((total - LEFT) / 8) }, (_, k) => `M${LEFT + k * 8} ${y}v5`);
  return (
    <>
      <path d={`M${LEFT - 6} ${y}H${total}`} stroke="var(--color-walnut)" strokeWidth={3} />
      <path d={fringe.join('')} stroke="var(--color-walnut)" />
      <rect x={0} y={y - 11} width={LEFT - 4} height={22} fill="var(--color-walnut)" />
      <text
        x={(LEFT - 4) / 2}
        y={y + 4}
        fontSize={12}
        fontWeight={700}
        fill="var(--color-paper)"
        textAnchor="middle"
      >
        {showDay(day)}
      </text>
    </>
  );
}

/** Names on the strips themselves, since the heads are not printed. */
export const PrintedNames = ({ columns }: { columns: readonly { bed: Bed; x: number; width: number }[] }) => (
  <g className="print-only">
    {columns.map(({ bed, x, width }) => (
      <text
        key={bed.id}
        x={x + width / 2}
        y={TOP + 16}
        fontSize={15}
        fontWeight={700}
        textAnchor="middle"
        fill="#000"
        stroke="#fff"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {bed.name}
      </text>
    ))}
  </g>
);
