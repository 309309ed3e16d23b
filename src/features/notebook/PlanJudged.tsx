import { cropOf } from '../../catalogue/catalogue.ts';
import { type Judged } from '../../core/rotation/rules.ts';
import { plantingsFor } from '../../questions/coverPlan.ts';
import { planYear } from '../../records/commands/planting.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { familyName, inkOf } from './familyInk.ts';
import { PlanSumsList } from './PlanCells.tsx';
import { bentWords, PlanRules } from './PlanRules.tsx';
import { type PlanCovers } from './usePlanCovers.ts';

/** How a plan is judged, what its covers come to, its rules, and its first year taken into the records. */
export function PlanJudged({
  plan,
  ground,
  covers,
  names,
  families,
  first,
}: {
  plan: Judged;
  ground: readonly Bed[];
  covers: PlanCovers;
  names: ReadonlyMap<string, string>;
  families: readonly string[];
  first: number;
}) {
  const ring = useGarden();
  const { garden, hands, run } = ring;
  const plantings = (newId: () => string) => plantingsFor(ring, ground, plan.grid[0]!, first, newId);
  let draft = 0;
  const drafted = plantings(() => `draft-${++draft}`);
  const made = drafted.length;
  const hung = covers.coversFor(drafted).length;
  const take = () => {
    const crops = plantings(hands.newId);
    void run(planYear(hands, garden.id, first, crops, covers.coversFor(crops)));
  };
  return (
    <aside aria-label="How it is judged">
      <h2 className="font-display text-xl font-bold">
        {plan.bent.length === 0
          ? 'No rule bent'
          : `${plan.bent.length} ${plan.bent.length === 1 ? 'rule' : 'rules'} bent`}
      </h2>
      <ul className="mt-1">
        {plan.bent.slice(0, 12).map((b, i) => (
          <li key={i} className="border-linen border-t py-1.5">
            <b>
              Bed {names.get(b.bedId)}, {first + b.year}:
            </b>{' '}
            {bentWords(b, names)}
          </li>
        ))}
        {plan.bent.length > 12 && <li>and {plan.bent.length - 12} more</li>}
      </ul>
      {covers.leftOut.length > 0 && (
        <ul aria-label="No time left for" className="mt-2">
          {covers.leftOut.map((l) => (
            <li key={`${l.bedId}${l.year}${l.cropId}`} className="border-linen border-t py-1.5">
              <b>
                Bed {names.get(l.bedId)}, {first + l.year}:
              </b>{' '}
              no time left in that year for {cropOf(l.cropId).name.toLowerCase()}.
            </li>
          ))}
        </ul>
      )}
      <p className="mt-2">
        {plan.fed} hungry {plan.fed === 1 ? 'crop follows' : 'crops follow'} beans, peas or a year of clover.
      </p>
      <PlanSumsList sums={covers.sums} waiting={covers.waiting} first={first} units={garden.units} />
      <PlanRules beds={ground} cropIds={plan.grid.flat(2)} />
      <ul className="mt-3 grid grid-cols-2 gap-x-3 gap-y-1">
        {families.map((f) => (
          <li key={f} className="flex items-center gap-2">
            <span className="h-4 w-2" style={{ background: inkOf(families, f) }} /> {familyName(f)}
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-primary mt-4 h-auto w-full py-2"
        disabled={made === 0}
        onClick={take}
      >
        {made === 0
          ? `${first} is planned already`
          : `Plan ${made} ${made === 1 ? 'crop' : 'crops'}${hung > 0 ? ` and ${hung} ${hung === 1 ? 'cover' : 'covers'}` : ''} for ${first}`}
      </button>
      <p className="text-bark mt-2">
        Each crop on the day that your warmth and frosts offer, with the cover that is shown before it.
      </p>
    </aside>
  );
}
