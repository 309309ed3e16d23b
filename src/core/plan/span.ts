import { type Day } from '../calendar/day.ts';
import { seedOf } from '../random/stream.ts';

// Every question about the same bed looks at the same plausible years over the same span, so that all screens give the same answer.

/** Days of weather before the ground is free: for wet and dry ground to be forgotten, for undersowing, for asking what an earlier start would bring. */
export const AHEAD_D = 35;
/** Days past planting that are simulated so that late endings can still be dated. */
export const AFTER_PLANTING_D = 60;
/** Every garden's years are drawn from one seed. */
export const YEARS_SEED = seedOf('plausible years');
/** Light that reaches a bed in the shade of houses and trees for part of the day, or most of it (judgement: two thirds and a third). */
export const SHADE_LIGHT = { open: 1, part: 0.65, deep: 0.35 } as const;

/** First day and length of the span of a gap. */
export const spanOf = (freeDay: Day, plantDay: Day): { fromDay: Day; days: number } => ({
  fromDay: freeDay - AHEAD_D,
  days: AHEAD_D + plantDay - freeDay + AFTER_PLANTING_D,
});
