import { type Site } from './site.ts';

export const YEAR_DAYS = 366;

/** A site's ordinary year, day by day. Index 0 is 1 January. */
export interface DailyClimate {
  site: Site;
  tmin_c: Float64Array;
  tmax_c: Float64Array;
  wetShare: Float64Array;
  /** Mean rain on a wet day, mm. */
  wetAmount_mm: Float64Array;
  sd_c: Float64Array;
  /** 0 in the coldest part of the year, 1 in the warmest. */
  warmth: Float64Array;
}

const MONTH_START = [0, 31, 60, 91, 121, 152, 182, 213, 244, 274, 305, 335, 366];

/**
 * A smooth daily course whose monthly means are the given ones: straight lines between mid-months, the mid-month values nudged
 * until each month's mean comes out (six rounds leave under 0.01 of the unit).
 */
export function smoothYear(monthly: number[]): Float64Array {
  const knots = [...monthly];
  const out = new Float64Array(YEAR_DAYS);
  for (let round = 0; round < 6; round++) {
    for (let d = 0; d < YEAR_DAYS; d++) out[d] = between(knots, d);
    for (let m = 0; m < 12; m++) {
      let sum = 0;
      for (let d = MONTH_START[m]!; d < MONTH_START[m + 1]!; d++) sum += out[d]!;
      knots[m] = knots[m]! + monthly[m]! - sum / (MONTH_START[m + 1]! - MONTH_START[m]!);
    }
  }
  return out;
}

function between(knots: number[], d: number): number {
  const at = (d / YEAR_DAYS) * 12 - 0.5;
  const m = Math.floor(at);
  const share = at - m;
  return knots[(m + 12) % 12]! * (1 - share) + knots[(m + 13) % 12]! * share;
}

export function dailyClimate(site: Site): DailyClimate {
  const tmin_c = smoothYear(site.tmin_c);
  const tmax_c = smoothYear(site.tmax_c);
  const wetShare = smoothYear(site.wetShare).map((w) => Math.min(0.9, Math.max(0, w)));
  const rain = smoothYear(site.rain_mm);
  const mean = tmin_c.map((t, d) => (t + tmax_c[d]!) / 2);
  const lowest = Math.min(...mean);
  const range = Math.max(0.1, Math.max(...mean) - lowest);
  const warmth = mean.map((t) => (t - lowest) / range);
  const [coldest, warmest] = [warmth.indexOf(0), warmth.indexOf(Math.max(...warmth))];
  const rises = (d: number) => daysAfter(d, coldest) < daysAfter(warmest, coldest);
  const wider = (w: number, d: number) =>
    4 * w * (1 - w) * ((rises(d) ? site.springWider_c : site.autumnWider_c) ?? 0);
  return {
    site,
    tmin_c,
    tmax_c,
    wetShare,
    wetAmount_mm: rain.map((mm, d) => Math.max(1.3, Math.max(0, mm) / 30.4 / Math.max(0.01, wetShare[d]!))),
    sd_c: warmth.map((w, d) =>
      Math.max(LEAST_SD_C, site.sdCold_c + (site.sdWarm_c - site.sdCold_c) * w + wider(w, d)),
    ),
    warmth,
  };
}
/** No climate is steadier from day to day. */
const LEAST_SD_C = 0.1;

const daysAfter = (d: number, from: number): number => (d - from + YEAR_DAYS) % YEAR_DAYS;

/** Day of year (0..365) on which the ordinary year is warmest or coldest; works in both hemispheres. */
export function warmestDay(climate: DailyClimate): number {
  let best = 0;
  for (let d = 0; d < YEAR_DAYS; d++) if (climate.warmth[d]! > climate.warmth[best]!) best = d;
  return best;
}
