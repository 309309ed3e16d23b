import { type Day } from '../calendar/day.ts';
import { type EndingAnswer } from '../plan/plan.ts';
import { type PassKind } from '../termination/method.ts';

/** What shows that a way is failing. */
export type Trigger =
  /** Frost, or heat, has not killed it by the day. */
  | 'no-frost'
  | 'no-heat'
  /** No seed is ripe on the day. */
  | 'not-ripe'
  /** Not far enough on the day to die of a board. */
  | 'not-in-flower'
  /** Green is found under a corner of what lies on it. */
  | 'green-under'
  /** The ground has not been fit to turn. */
  | 'ground-unfit'
  /** More than one crown in ten is green when a look is sure. */
  | 'green-crowns';

/** Passes that rain soon after sets back: what is cut off or pressed roots or lives on. */
const RAIN_SPOILS: Partial<Record<PassKind, number>> = { hoe: 3, crimp: 6, flame: 2, cut: 8, mow: 8 };
/** So many days after the pass, this sum. */
const RAIN_WITHIN_D = 3;
/** A way that comes off as surely as this needs no other beside it. */
export const SURE = 0.97;

export interface PlanB {
  method: string;
  /** Days it takes here from its first pass to a bed that is ready in eight years of ten. */
  takes_d: number;
  /** Last day on which it can begin and still be in time. */
  latest: Day;
  /** Odds of being ready by planting day when it begins on its own best day. */
  odds: number;
  trigger: Trigger;
  /** Day on which the trigger is looked at. */
  decideOn: Day;
  /** Rain that fell, or is forecast, within three days after the pass, mm, and the days sooner to look for it. */
  rained_mm: number;
}

interface Asked {
  /** The way that is settled on. */
  ending: EndingAnswer;
  /** Its passes: what was done and what is to come, in order. */
  passes: readonly { kind: string; on: Day; done: boolean }[];
  /** Other ways from here, best first. */
  others: readonly EndingAnswer[];
  plantDay: Day;
  today: Day;
  /** Day on which a look after the last pass is sure. */
  sureFrom: Day;
  /** Measured and forecast rain by day, mm. */
  rain_mm: ReadonlyMap<Day, number>;
}

/**
 * Answers: what else would still do, until when can it be begun, and what says that it must be? The day of decision leaves the other way the time it takes;
 * where waiting longer tells nothing more, it comes sooner. Undefined where no other way can be in time at all.
 */
export function planBOf(asked: Asked): PlanB | undefined {
  const { ending, passes, others, plantDay, today, sureFrom, rain_mm } = asked;
  const other = others.find((e) => e.method !== ending.method && Number.isFinite(e.readyMostly));
  if (!other) return undefined;
  const takes_d = Math.max(0, Math.ceil(other.readyMostly) - other.startDay);
  const latest = plantDay - takes_d;
  const trigger = triggerOf(passes);
  const tells = {
    'no-frost': finite(ending.dead.high, latest),
    'no-heat': finite(ending.dead.high, latest),
    'not-ripe': finite(ending.dead.high, latest),
    'not-in-flower': latest,
    'green-under': finite(ending.dead.high, latest),
    'ground-unfit': latest,
    'green-crowns': sureFrom,
  }[trigger];
  const last = passes.findLast((p) => p.done && RAIN_SPOILS[p.kind as PassKind] !== undefined);
  let rained_mm = 0;
  for (let d = 0; last && d < RAIN_WITHIN_D; d++) rained_mm += rain_mm.get(last.on + d) ?? 0;
  const spoilt = last !== undefined && rained_mm >= RAIN_SPOILS[last.kind as PassKind]!;
  return {
    method: other.method,
    takes_d,
    latest,
    odds: other.odds.inTime,
    trigger,
    decideOn: Math.max(today, Math.min(Math.ceil(tells), latest)),
    rained_mm: spoilt ? rained_mm : 0,
  };
}

function triggerOf(passes: Asked['passes']): Trigger {
  const next = passes.find((p) => !p.done);
  const kinds = passes.map((p) => p.kind);
  if (kinds.includes('check')) return 'no-frost';
  if (kinds.includes('check-heat')) return 'no-heat';
  if (kinds.includes('check-seed')) return 'not-ripe';
  if (next?.kind === 'crimp' && !passes.some((p) => p.done)) return 'not-in-flower';
  if (kinds.some((k) => k.startsWith('lay-'))) return 'green-under';
  if (next?.kind === 'dig' || next?.kind === 'bury') return 'ground-unfit';
  return 'green-crowns';
}

const finite = (day: number, otherwise: Day): number => (Number.isFinite(day) ? day : otherwise);
