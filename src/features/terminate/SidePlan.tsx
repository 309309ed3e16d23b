import { type Day, isoOf } from '../../core/calendar/day.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { methods } from '../../catalogue/catalogue.ts';
import { showIso, showSpan } from '../../ui/dates.ts';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { readyWords } from '../../ui/readyWords.ts';
import { showMinutes } from '../../ui/workWords.ts';
import { Facts } from './Facts.tsx';
import { type Hung } from './useHung.ts';

interface Props {
  hung: Hung;
  plantDay: Day;
  chosen: boolean;
  choose(): void;
}

/** A way that was picked out: its steps with days and arithmetic, and the button that settles on it. */
export function SidePlan({ hung, plantDay, chosen, choose }: Props) {
  const { method, ending, work } = hung;
  const entry = methods.find((m) => m.id === method.id)!;
  const passes = datedPasses(method.passes, ending, plantDay);
  const window = ending.windowDays[1] > ending.windowDays[0] && !hung.moved;
  return (
    <section aria-label={`Plan: ${entry.name}`}>
      <h2 className="font-display text-xl font-bold">{entry.name}</h2>
      <p className="text-bark">{readyWords(ending, plantDay)}</p>
      <button type="button" className="btn btn-primary my-2 w-full" aria-pressed={chosen} onClick={choose}>
        {chosen ? 'Work out the days again' : 'End it this way'}: {entry.name.toLowerCase()}
      </button>
      <ol className="border-warp border-l-2 pl-4">
        {passes.map((p, i) => (
          <li key={i} className="relative pb-3">
            <span
              className="border-walnut bg-paper absolute top-1.5 -left-[1.45rem] h-2.5 w-2.5 rotate-45 border-2"
              aria-hidden="true"
            />
            <span className="text-bark text-sm">
              {i === 0 && window ? showSpan(ending.windowDays[0], ending.windowDays[1]) : showIso(p.due)}
            </span>
            <h3 className="font-bold">{PASS_WORDS[p.kind]?.title ?? p.kind}</h3>
            <Facts work={work[i]} />
          </li>
        ))}
        <li className="relative">
          <span
            className="border-walnut bg-paper absolute top-1.5 -left-[1.45rem] h-2.5 w-2.5 rotate-45 border-2"
            aria-hidden="true"
          />
          <span className="text-bark text-sm">until {showIso(isoOf(plantDay))}</span>
          <h3 className="font-bold">
            {Number.isFinite(ending.dead.mid)
              ? `Dead ${showSpan(ending.dead.low, ending.dead.high)}`
              : 'In most years not dead by then'}
          </h3>
          <p>
            {showMinutes(hung.minutes)} of work in all
            {work.some((w) => w.facts.some((f) => f.is === 'sheets')) ? '' : materials(entry.materials)}.{' '}
            {entry.how}
          </p>
        </li>
      </ol>
    </section>
  );
}

const materials = (list: string[]): string => (list.length > 0 ? `; you need ${list.join(', ')}` : '');
