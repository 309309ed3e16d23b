import { type DayIndex } from '../calendar/day.ts';
import { AVAILABLE_WATER_MM, type Soil } from '../soil/soil.ts';
import { type Course } from '../stand/course.ts';
import { type Season } from '../weather/season.ts';

// What the weather must allow for a pass to do its work.

/** Ground at seed depth under this is frozen to a spade, °C. */
const FROZEN_C = 1;
/**
 * Ground that holds more than this share of the water it can hold, after more than this much rain in two days, smears under a spade: clay for
 * longest, sand hardly (judgement).
 */
const TOO_WET = {
  sand: { full: 0.99, rain_mm: 20 },
  loam: { full: 0.95, rain_mm: 5 },
  clay: { full: 0.9, rain_mm: 1 },
} as const;

/**
 * Pressed stems are not cut: they die because they dry out, and green ones on cold, wet ground root and rise again. The air must take this much water
 * in the days after the last pass (judgement: more than an English midwinter, less than any April).
 */
const DRIES_MM = 12;
const DRYING_D = 12;
export const UNDRIED_LIVES = 0.5;

export function dries(season: Season, from: DayIndex): boolean {
  let mm = 0;
  for (let d = from; d < Math.min(from + DRYING_D, season.days); d++) mm += season.et0_mm[d]!;
  return mm >= DRIES_MM;
}

/** First day from `at` on which the ground is neither frozen nor so wet that turning smears it; never when none comes in a fortnight. */
export function diggingDay(soil: Soil, course: Course, season: Season, at: DayIndex): number {
  const { full, rain_mm } = TOO_WET[soil.texture];
  const most = AVAILABLE_WATER_MM[soil.texture] * full;
  for (let d = at; d < Math.min(at + WAITS_TO_DIG_D, season.days); d++) {
    const rain = season.rain_mm[d]! + (d > 0 ? season.rain_mm[d - 1]! : 0);
    if (thawed(season, d) && (course.root_mm[d]! <= most || rain <= rain_mm)) return d;
  }
  return Infinity;
}
const WAITS_TO_DIG_D = 14;

/** A day's thaw softens the top; a spit deep takes most of a week. */
function thawed(season: Season, d: DayIndex): boolean {
  for (let k = Math.max(0, d - THAW_D); k <= d; k++) if (season.soil_c[k]! < FROZEN_C) return false;
  return true;
}
const THAW_D = 5;
