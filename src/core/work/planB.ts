import { type Day } from '../calendar/day.ts';
import { type EndingAnswer } from '../plan/answers.ts';
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
/** No way ends a living stand and leaves a bed ready in less. */
const LEAST_D = 3;

export interface PlanB {
  method: string;
  /** Days it takes here from its first pass to a bed that is ready in eight years of ten. */
  takes_d: number;
  /** Last day on which it can begin and still be in time. */
  latest: Day;
  /** False where none can wait for the look that would call for it: then it stands here for what it would have been from the outset. */
  fits: boolean;
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
  /** Days from which a look after the last pass is worth something, and on which it is sure. */
  looks: readonly [Day, Day];
  /** Measured and forecast rain by day, mm. */
  rain_mm: ReadonlyMap<Day, number>;
}

/**
 * Answers: what else would still do, until when can it be begun, and what says that it must be? The day of decision leaves the other way the time it takes;
 * where waiting longer tells nothing more, it comes sooner. A way that takes hardly a day leans on what the first has killed, and is none. Undefined where
 * no other way is ever ready.
 */
export function planBOf(asked: Asked): PlanB | undefined {
  const { ending, passes, others, plantDay, today, looks, rain_mm } = asked;
  const trigger = triggerOf(passes);
  const [tellsFrom, sureFrom] = looks;
  const known = Math.max(
    today,
    trigger === 'green-crowns'
      ? tellsFrom
      : trigger === 'green-under'
        ? Math.floor(finite(ending.dead.low, today))
        : today,
  );
  const takes = (e: EndingAnswer) => Math.ceil(e.readyMostly) - e.startDay;
  const able = others.filter(
    (e) => e.method !== ending.method && Number.isFinite(e.readyMostly) && takes(e) >= LEAST_D,
  );
  const other = able.find((e) => plantDay - takes(e) >= known) ?? able[0];
  if (!other) return undefined;
  const takes_d = takes(other);
  const latest = plantDay - takes_d;
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
    fits: latest >= known,
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
