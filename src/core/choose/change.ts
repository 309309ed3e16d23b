import { type AimStrands } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { bestWay } from '../plan/search.ts';
import { type GrownPlan } from '../plan/grown.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type MethodHere } from '../termination/method.ts';

/** One thing that would turn a failing plan into one that holds, with the odds it would then have. */
export type Change =
  /** With planting so many days later, ended this way from that day on; `serves` as then. */
  | {
      kind: 'plant-later';
      days: number;
      odds: number;
      method: string;
      startDay: Day;
      serves: Record<string, number>;
    }
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
  aims: AimStrands[],
): Change[] {
  const out: Change[] = [];
  const { plan } = grown;
  const usable = methods.filter((m) => m.missing.length === 0);
  out.push(...plantLater(grown, best));
  const proposed = new Set(methods.filter((m) => m.proposed !== false).map((m) => m.id));
  const other = endings
    .filter((e) => e.odds.inTime >= HOLDS && e.method !== best?.method && proposed.has(e.method))
    .sort((a, b) => b.odds.inTime - a.odds.inTime)[0];
  if (other) {
    const missing = methods.find((m) => m.id === other.method)?.missing ?? [];
    out.push({ kind: 'other-method', method: other.method, missing, odds: other.odds.inTime });
  }
  if (plan.next.way === 'seed') {
    const planted = { ...grown, plan: { ...plan, next: { ...plan.next, way: 'transplant' as const } } };
    // Good days of ending are another matter for transplants, which need not wait as small seed must.
    const odds = bestWay(planted, usable, aims)?.inTime ?? 0;
    if (odds >= HOLDS) out.push({ kind: 'transplants', odds });
  }
  return out;
}

/** The planting day by which the way that is put forward is ready in eight years of ten, when it comes within two months. */
export function plantLater({ plan, ensemble }: GrownPlan, best: EndingAnswer | undefined): Change[] {
  if (!best || !Number.isFinite(best.readyMostly)) return [];
  const days = Math.ceil(best.readyMostly - ensemble.fromDay - plan.plantAt);
  const { method, startDay, serves } = best;
  return days > 0 && days <= MOST_LATER_D
    ? [{ kind: 'plant-later', days, odds: LATER_ODDS, method, startDay, serves }]
    : [];
}
