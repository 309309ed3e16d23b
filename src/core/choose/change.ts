import { answerEndings } from '../plan/endings.ts';
import { type GrownPlan } from '../plan/grown.ts';
import { type EndingAnswer } from '../plan/plan.ts';
import { type MethodHere } from '../termination/method.ts';

/** One thing that would turn a failing plan into one that holds, with the odds it would then have. */
export type Change =
  | { kind: 'plant-later'; days: number; odds: number }
  | { kind: 'sow-earlier'; days: number; odds: number }
  | { kind: 'other-method'; method: string; missing: string[]; odds: number }
  | { kind: 'transplants'; odds: number };

/** A plan under these odds is failing; one over the second is worth naming as the way out. */
export const FAILING = 0.5;
const HOLDS = 0.7;
/** Waiting longer than this is another season, not a change of plan. */
const MOST_LATER_D = 60;
/** Eighty years in a hundred are ready by the day that is named. */
const LATER_ODDS = 0.8;

/** What would have to change for a failing plan. Days of sowing earlier are tried by the caller, who has the weather before the gap. */
export function changesFor(
  grown: GrownPlan,
  best: EndingAnswer | undefined,
  endings: EndingAnswer[],
  methods: MethodHere[],
): Change[] {
  const out: Change[] = [];
  const { plan, ensemble } = grown;
  const plantDay = ensemble.fromDay + plan.plantAt;
  const usable = new Set(methods.filter((m) => m.missing.length === 0).map((m) => m.id));
  const soonest = Math.min(...endings.filter((e) => usable.has(e.method)).map((e) => e.readyMostly));
  if (Number.isFinite(soonest)) {
    const days = Math.ceil(soonest - plantDay);
    if (days > 0 && days <= MOST_LATER_D) out.push({ kind: 'plant-later', days, odds: LATER_ODDS });
  }
  const other = endings
    .filter((e) => e.odds.inTime >= HOLDS && e.method !== best?.method)
    .sort((a, b) => b.odds.inTime - a.odds.inTime)[0];
  if (other) {
    const missing = methods.find((m) => m.id === other.method)?.missing ?? [];
    out.push({ kind: 'other-method', method: other.method, missing, odds: other.odds.inTime });
  }
  if (plan.next.way === 'seed') {
    const planted = { ...grown, plan: { ...plan, next: { ...plan.next, way: 'transplant' as const } } };
    // Good days of ending are another matter for transplants, which need not wait as small seed must.
    const odds = answerEndings(
      planted,
      methods.filter((m) => usable.has(m.id)),
    ).map((e) => e.odds.inTime);
    const most = Math.max(0, ...odds);
    if (most >= HOLDS) out.push({ kind: 'transplants', odds: most });
  }
  return out;
}
