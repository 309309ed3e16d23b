import { type Day, isoOf } from '../calendar/day.ts';
import { type EndingAnswer } from './answers.ts';

/** A step of an ending with its day. */
export interface DatedPass {
  kind: string;
  due: string;
  doneOn: string | null;
}

/** Days for winterkill: looked at when four of five years have seen it happen, with time for another way. */
const LEAST_LEAD_D = 21;

/**
 * Dates the passes of a method begun on a day. A pass without a fixed distance (lifting the sheet) falls on the day by which the
 * stand is dead in the slow tenth of years, or the middle day when that never comes.
 */
export function datedPasses(
  passes: { kind: string; after_d: number | null }[],
  answer: Pick<EndingAnswer, 'startDay' | 'dead' | 'method'>,
  plantDay: Day,
): DatedPass[] {
  const start = passes.some((p) => p.kind.startsWith('check'))
    ? Math.min(plantDay - LEAST_LEAD_D, finite(answer.dead.high, plantDay - LEAST_LEAD_D))
    : answer.startDay;
  return passes.map((p) => ({
    kind: p.kind,
    due: isoOf(
      p.after_d === null
        ? Math.min(plantDay, finite(answer.dead.high, finite(answer.dead.mid, plantDay)))
        : start + p.after_d,
    ),
    doneOn: null,
  }));
}

const finite = (x: number, otherwise: number): number => (Number.isFinite(x) ? Math.round(x) : otherwise);
