import { type AimStrands } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { type MethodHere, takeApart } from '../termination/method.ts';
import { answerEnding, worthOfEnding } from './endings.ts';
import { type EndingAnswer } from './answers.ts';
import { type Standing } from './standing.ts';

/** A lane across the bed with its own planting day, and the day on which it is best ended for that. */
export interface Lane {
  plantDay: Day;
  ending: EndingAnswer;
}

/** Days that are tried for each lane. */
const TRIED = 16;
const LAST_WEEKS_D = 70;

/**
 * Answers: planted in waves so many days apart, when is the ground of each lane best cleared? The first lane keeps the planting day; a later one lets its
 * part of the cover stand for longer. Empty for ways that wait for the weather.
 */
export function lanes(
  { onward, fromDay }: Standing,
  method: MethodHere,
  aims: AimStrands[],
  count: number,
  apart_d: number,
  notBefore: Day,
): Lane[] {
  if (takeApart(method).waits !== null) return [];
  return Array.from({ length: count }, (_, k) => {
    const plantAt = Math.min(onward.ensemble.days - 2, onward.plan.plantAt + k * apart_d);
    // Readings belong to a planting day: this lane has its own.
    const grown = { ...onward, plan: { ...onward.plan, plantAt }, readings: undefined };
    const first = Math.max(notBefore - fromDay, onward.plan.sownAt + 1, plantAt - LAST_WEEKS_D);
    const step = Math.max(1, Math.ceil((plantAt - 1 - first) / TRIED));
    let best: EndingAnswer | undefined;
    for (let d = plantAt - 1; d >= first; d -= step) {
      const e = answerEnding(grown, method, d);
      if (!best || worthOfEnding(e, aims) > worthOfEnding(best, aims)) best = e;
    }
    return { plantDay: fromDay + plantAt, ending: best ?? answerEnding(grown, method, plantAt - 1) };
  });
}
