import { dailyClimate } from '../site/daily.ts';
import { frostChances, frostRecord } from './frost.ts';
import { type Site } from '../site/site.ts';

/** Warm-season day-to-day spread as a share of the cold-season one, with a floor in °C. */
const WARM_SHARE = 0.55;
const WARM_FLOOR_C = 1.8;

export const spreadFrom = (sdCold_c: number) => ({
  sdCold_c,
  sdWarm_c: Math.max(Math.min(WARM_FLOOR_C, sdCold_c), WARM_SHARE * sdCold_c),
});

/**
 * Finds the day-to-day spread at which generated years have the wanted mean coldest night (halving search, 0.2 to 12 °C).
 * @returns the site with `sdCold_c` and `sdWarm_c` set
 */
export function fitSpread(site: Site, years = 60, seed = 7): Site {
  const chances = frostChances(dailyClimate({ ...site, ...spreadFrom(1) }), years, seed);
  let low = 0.2;
  let high = 12;
  for (let round = 0; round < 12; round++) {
    const mid = (low + high) / 2;
    const record = frostRecord(dailyClimate({ ...site, ...spreadFrom(mid) }), chances);
    if (record.coldestNight_c > site.coldestNight_c) low = mid;
    else high = mid;
  }
  return { ...site, ...spreadFrom((low + high) / 2) };
}
