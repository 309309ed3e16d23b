import { type DayIndex } from '../calendar/day.ts';
import { type YearEnd } from './plan.ts';
import { coolerUnder_c } from '../residue/warmth.ts';
import { type Season } from '../weather/season.ts';

// When the ground is warm enough for a crop, as it lies.

/** Soil must have held the crop's least warmth for this many days. */
const WARM_DAYS = 5;

/** Of what lay at the end, about this much lies there while the crop waits for warmth (a few weeks of spring). */
const STILL_LIES = 0.85;
const TONNE_G_M2 = 100;
/** Steps of cooler ground that are told apart, °C: each needs a table of its own. */
const COOLER_STEP_C = 0.5;

/** How much warmer bare ground has to be for the ground under this mat to be warm enough, by the sun of the days on which it is waited for. */
export function coolerUnder(season: Season, out: YearEnd): number {
  const from = Math.min(out.deadAt, season.days - 1);
  const to = Math.min(season.days, from + SUN_OF_D);
  let sun = 0;
  for (let d = from; d < to; d++) sun += season.radiation_MJ[d]!;
  const cooler = coolerUnder_c((out.dm_g_m2 / TONNE_G_M2) * STILL_LIES, sun / Math.max(1, to - from));
  return Math.round(cooler / COOLER_STEP_C) * COOLER_STEP_C;
}
const SUN_OF_D = 14;

/** First day from `from` on which the last days' soil was warm enough for the crop; a season's answers are worked out once a crop. */
export function warmFrom(season: Season, from: DayIndex, soilMin_c: number): number {
  let next = season.warmSoil.get(soilMin_c);
  if (!next) {
    next = new Float64Array(season.days + 1).fill(Infinity);
    let run = 0;
    const held = new Uint8Array(season.days);
    for (let d = 0; d < season.days; d++) {
      run = season.soil_c[d]! >= soilMin_c ? run + 1 : 0;
      held[d] = run >= Math.min(WARM_DAYS, d + 1) ? 1 : 0;
    }
    for (let d = season.days - 1; d >= 0; d--) next[d] = held[d] ? d : next[d + 1]!;
    season.warmSoil.set(soilMin_c, next);
  }
  return next[Math.max(0, from)]!;
}
