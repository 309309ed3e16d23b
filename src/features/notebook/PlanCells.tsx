import { coverTitle, cropOf, speciesOf } from '../../catalogue/catalogue.ts';
import { PLAN_WORK, type PlanSums, type PlanWork } from '../../core/rotation/covers.ts';
import { showMass, type UnitChoice } from '../../core/units/show.ts';
import { Swatch } from '../../ui/Weave.tsx';
import { showMinutes } from '../../ui/workWords.ts';
import { type GapCell } from './usePlanCovers.ts';

const hundred = (share: number) => Math.round(share * 100);

/** The cover before a crop of the plan: tapped, it gives way to the next that would serve; dragged to another gap, the two change places. */
export function CoverCell({
  cell,
  bed,
  year,
  drag,
}: {
  cell: GapCell | undefined;
  bed: string;
  year: number;
  /** What makes it something to drag, and a place to drag to. */
  drag?: object;
}) {
  if (!cell) return null;
  const { gap, covers, cover, another, unfit } = cell;
  const before = `before ${cropOf(gap.cropId).name.toLowerCase()}, bed ${bed}, ${year}`;
  if (gap.known)
    return (
      <span className="text-bark flex w-36 items-center gap-1 truncate px-1 text-sm lg:w-40">
        <Swatch motif={speciesOf(gap.known.parts[0]!.speciesId).role} size={14} />
        {coverTitle(gap.known).toLowerCase()}
      </span>
    );
  if (!covers) return <span className="text-bark block w-36 px-1 text-sm lg:w-40">…</span>;
  if (!cover) return <span className="text-bark block w-36 truncate px-1 text-sm lg:w-40">nothing fits</span>;
  const { name, parts, best } = cover.sample;
  return (
    <button
      type="button"
      {...drag}
      title={unfit && `${unfit} does not fit here`}
      className={`data-over:bg-warp flex w-36 touch-none items-center gap-1 truncate px-1 py-2.5 text-left text-sm underline-offset-2 hover:underline sm:py-0.5 lg:w-40 ${unfit ? 'text-madder' : ''}`}
      aria-label={`${name} ${before}, in time in ${hundred(best!.odds.inTime)} of 100${covers.length > 1 ? '; tap for another' : ''}${unfit ? `; ${unfit} does not fit here` : ''}`}
      onClick={covers.length > 1 ? another : undefined}
    >
      <Swatch motif={speciesOf(parts[0]!.speciesId).role} size={14} />
      <span className="min-w-0 truncate">{name.toLowerCase()}</span>
      <span className="text-bark ml-auto shrink-0">{hundred(best!.odds.inTime)}</span>
    </button>
  );
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const MUCH = 0.4;

/** What the covers of a plan come to. */
export function PlanSumsList({
  sums,
  waiting,
  first,
  units,
}: {
  sums: PlanSums;
  waiting: number;
  first: number;
  units: UnitChoice;
}) {
  if (waiting > 0)
    return (
      <p role="status" className="mt-4">
        Working out covers: {sums.gaps - waiting} of {sums.gaps} gaps.
      </p>
    );
  const { most } = sums;
  return (
    <section aria-label="Its covers" className="mt-4">
      <h3 className="font-display text-lg font-bold">{Math.round(sums.bareDays)} bare days a bed and year</h3>
      <p>
        instead of {Math.round(sums.emptyDays)} were the {sums.gaps} gaps left open.
      </p>
      {most && most.times > 1 && most.times >= sums.gaps * MUCH && (
        <p className="text-madder mt-1 font-semibold">
          {most.name} hangs in {most.times} of {sums.gaps} gaps: its pests and diseases stay too. Tap some for
          another.
        </p>
      )}
      <h4 className="mt-2 font-bold">Nitrogen</h4>
      <ul>
        {sums.nitrogen.map((n, y) => (
          <li key={y}>
            {first + y}: covers leave {showMass(n.given_g, units)} of the {showMass(n.wanted_g, units)} that
            crops take
          </li>
        ))}
      </ul>
      <WorkByMonth minutes={sums.minutes} years={sums.nitrogen.length} />
    </section>
  );
}

const WORK: Record<PlanWork, { name: string; ink: string }> = {
  plant: { name: 'crops put in', ink: 'bg-madder' },
  sow: { name: 'covers sown', ink: 'bg-moss' },
  end: { name: 'covers ended', ink: 'bg-indigo' },
};
const BAR_PX = 56;

/** Minutes of work by month, the kinds of work on top of each other. */
function WorkByMonth({ minutes, years }: { minutes: PlanSums['minutes']; years: number }) {
  const all = MONTHS.map((_, i) => PLAN_WORK.reduce((sum, w) => sum + minutes[w][i]!, 0));
  const busiest = Math.max(...all);
  if (busiest === 0) return null;
  return (
    <>
      <h4 className="mt-2 font-bold">Work by month, the year round</h4>
      <ol className="mt-1 flex items-end gap-1" aria-label="Minutes by month">
        {MONTHS.map((month, i) => (
          <li key={month} className="flex w-5 flex-col items-center text-xs">
            <span className="sr-only">
              {month} {Math.round(all[i]!)}
            </span>
            {PLAN_WORK.map((w) => (
              <span
                key={w}
                aria-hidden="true"
                className={`block w-4 ${WORK[w].ink}`}
                style={{ height: `${(minutes[w][i]! / busiest) * BAR_PX}px` }}
              />
            ))}
            <span aria-hidden="true">{month.charAt(0)}</span>
          </li>
        ))}
      </ol>
      <ul className="mt-1 flex flex-wrap gap-x-4 text-sm">
        {PLAN_WORK.map((w) => (
          <li key={w} className="flex items-center gap-1.5">
            <span aria-hidden="true" className={`inline-block h-2.5 w-2.5 ${WORK[w].ink}`} />
            {WORK[w].name} {showMinutes(minutes[w].reduce((sum, m) => sum + m, 0) / years)} a year
          </li>
        ))}
      </ul>
      <p className="text-bark">
        Most in {MONTHS[all.indexOf(busiest)]}: {showMinutes(busiest / years)} in a usual year, by hand.
      </p>
    </>
  );
}
