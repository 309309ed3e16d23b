import { type Day } from '../core/calendar/day.ts';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { showDay } from './dates.ts';

/** Soil warmth is spoken of when it keeps the crop waiting in this share of years. */
const WARMTH_SPEAKS = 0.02;

/** How sure a bed is ready on planting day, the cover and the warmth of the soil told apart: the same sentence on every screen. */
export function readyWords(e: Pick<EndingAnswer, 'odds'>, plantDay: Day): string {
  const of100 = (share: number) => Math.round(share * 100);
  const { inTime, warm } = e.odds;
  return inTime - warm < WARMTH_SPEAKS
    ? `Out of the way by ${showDay(plantDay)} in ${of100(inTime)} years of 100.`
    : `Out of the way by ${showDay(plantDay)} in ${of100(inTime)} years of 100, and the soil warm enough by then in ${of100(warm)}.`;
}
