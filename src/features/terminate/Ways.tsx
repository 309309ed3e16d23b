import { methods } from '../../catalogue/catalogue.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { worthOfEnding } from '../../core/plan/endings.ts';
import { type EndingAnswer } from '../../core/plan/plan.ts';
import { type MethodHere, takeApart } from '../../core/termination/method.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { showDay, showSpan } from '../../ui/dates.ts';
import { stageWord } from '../../ui/methodWords.ts';
import { Odds } from '../../ui/parts.tsx';

interface Props {
  endings: EndingAnswer[];
  here: MethodHere[];
  chosen: string;
  aims: AimStrands[];
  plantDay: number;
  area_m2: number;
  units: UnitChoice;
  choose(e: EndingAnswer): void;
}

/** Ways to end this cover, those that serve its aims best first; those that cannot be done here are folded away with what is in their way. */
export function Ways({ endings, here, aims, ...rest }: Props) {
  const missing = (e: EndingAnswer) => here.find((h) => h.id === e.method)?.missing ?? [];
  const sorted = [...endings].sort((a, b) => worthOfEnding(b, aims) - worthOfEnding(a, aims));
  const usable = sorted.filter((e) => missing(e).length === 0);
  const others = sorted.filter((e) => missing(e).length > 0);
  return (
    <>
      <ul className="mt-2 grid gap-x-8 sm:grid-cols-2">
        {usable.map((e) => (
          <Way key={e.method} e={e} missing={[]} {...rest} />
        ))}
      </ul>
      {others.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer font-semibold">
            {others.length} more ways that something here rules out
          </summary>
          <ul className="mt-2 grid gap-x-8 sm:grid-cols-2">
            {others.map((e) => (
              <Way key={e.method} e={e} missing={missing(e)} {...rest} />
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function Way({
  e,
  missing,
  chosen,
  plantDay,
  area_m2,
  units,
  choose,
}: Omit<Props, 'endings' | 'here' | 'aims'> & { e: EndingAnswer; missing: string[] }) {
  const m = methods.find((x) => x.id === e.method)!;
  const waits = takeApart(m).waits !== null;
  const no = whyNot(e, plantDay, missing);
  return (
    <li className={`border-warp border-t py-3 ${chosen === e.method ? 'border-walnut border-t-4' : ''}`}>
      <h3 className="font-display text-lg font-bold">{m.name}</h3>
      <p className="text-bark">{m.how}</p>
      <div className="my-1 grid grid-cols-3 gap-3">
        <div>
          <span className="text-bark text-sm">In time</span>
          <Odds odds={e.odds.inTime} strong />
        </div>
        <div>
          <span className="text-bark text-sm">Begin</span>
          <br />
          {waits ? 'by itself' : showSpan(e.windowDays[0], e.windowDays[1])}
        </div>
        <div>
          <span className="text-bark text-sm">Dead by</span>
          <br />
          {showSpan(e.dead.low, e.dead.high)}
        </div>
      </div>
      <p className="text-sm">
        Leaves {showPerArea(e.residue_g_m2.mid, units)} of residue and{' '}
        {showPerArea(e.nitrogen_g_m2.mid, units)} nitrogen; {Math.round((e.minutesPer100m2 * area_m2) / 100)}{' '}
        min of work; {disturbance(m.disturbance)}; {stageWord(e.stageAtStart)} by then.
        {m.materials.length > 0 && ` You need ${m.materials.join(', ')}.`}
        {m.keptPlants === 'killed' && ' Nothing you want to keep may stand in the bed.'}
      </p>
      {no && <p className="text-madder font-semibold">{no}</p>}
      {missing.length === 0 && (
        <button
          type="button"
          className="btn mt-1"
          aria-pressed={chosen === e.method}
          onClick={() => choose(e)}
        >
          {chosen === e.method ? 'Work out the days again' : 'End it this way'}: {m.name.toLowerCase()}
        </button>
      )}
    </li>
  );
}

const disturbance = (share: number): string =>
  share < 0.12
    ? 'soil untouched'
    : share < 0.4
      ? 'soil scuffed'
      : share < 0.7
        ? 'soil loosened'
        : 'soil turned';

function whyNot(e: EndingAnswer, plantDay: number, missing: string[]): string {
  if (missing.length > 0) return `Cannot be done: ${missing.join('; ')}.`;
  if (e.odds.inTime >= 0.5) return '';
  const waits = takeApart(methods.find((m) => m.id === e.method)!).waits;
  if (waits === 'heat') return 'Heat does not end it in most years.';
  if (waits === 'seed') return 'It does not ripen in time, or lives on.';
  if (waits === 'frost')
    return `Frost does not end it: alive on planting day in ${Math.round((1 - e.odds.dead) * 100)} years of 100.`;
  if (e.surviving > 0.1)
    return `Does not kill at this stage (${stageWord(e.stageAtStart)}): about ${Math.round(e.surviving * 100)} % of the plants would grow on.`;
  if (e.odds.noSeed < 0.5) return 'By then it has set seed.';
  const late = e.ready.mid - plantDay;
  return Number.isFinite(late) && late > 0
    ? `Too late: ready about ${showDay(e.ready.mid)}, ${Math.round(late)} days after planting day.`
    : 'Too late for planting day in most years.';
}
