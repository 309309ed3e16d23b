import { dailyClimate } from '../site/daily.ts';
import { daysOff, frostChances, frostRecord, type KnownFrosts } from './frost.ts';
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

/** Bounds of the warm-season spread as a share of the cold-season one: a continental summer is steadier than its winter, a mild coast is not. */
const WARM_LEAST = 0.35;
const WARM_MOST = 1.5;
const WARM_STEPS = 9;
/** Where the middle of the years has no frost, it is as if it came this much too late in autumn, or went this much too early in spring, days. */
const NO_FROST_OFF_D = 60;

/**
 * Finds the warm-season spread at which the middle of the generated years has its last frost as much too early as its first too late, so that
 * neither end of the winter is favoured (halving search, 0.35 to 1.5 of the cold-season spread). A wider spread brings frosts that come nearer to
 * summer; the means of the months are kept.
 * @returns the site with `sdWarm_c` set; the same site where neither frost is known
 */
export function fitWarmSpread(site: Site, known: KnownFrosts, years = 120, seed = 11): Site {
  const { lastFrost_doy, firstFrost_doy } = known;
  if (lastFrost_doy === null && firstFrost_doy === null) return site;
  const chances = frostChances(dailyClimate(site), years, seed);
  let low = WARM_LEAST;
  let high = WARM_MOST;
  for (let step = 0; step < WARM_STEPS; step++) {
    const mid = (low + high) / 2;
    const got = frostRecord(dailyClimate({ ...site, sdWarm_c: mid * site.sdCold_c }), chances);
    const frostier =
      (lastFrost_doy === null ? 0 : laterBy(got.lastFrost_doy, lastFrost_doy, -NO_FROST_OFF_D)) -
      (firstFrost_doy === null ? 0 : laterBy(got.firstFrost_doy, firstFrost_doy, NO_FROST_OFF_D));
    if (frostier > 0) high = mid;
    else low = mid;
  }
  return { ...site, sdWarm_c: ((low + high) / 2) * site.sdCold_c };
}

const laterBy = (got: number | undefined, known: number, none: number): number =>
  got === undefined ? none : daysOff(got - known);

/** No shoulder of the year is taken further from a straight line than this, °C: judgement; of 136 towns whose frosts are known 122 want less than 2, and four as much. */
const WIDER_MOST_C = 3;
const WIDER_STEPS = 8;

const SHOULDERS = [
  ['springWider_c', 'lastFrost_doy', -1],
  ['autumnWider_c', 'firstFrost_doy', 1],
] as const;

/**
 * Finds by how much the spread of spring (autumn) leaves the straight line between winter and summer for the middle of the generated years to have its last
 * (first) frost on its day: springs of dry uplands and of cold seas are steadier than that line, those under southern mountains less so. One end after the other, twice,
 * since where frost is rare each has a hand in which years know it; halving search, up to 3 °C either way. The means of the months, the coldest night and the summer are kept.
 */
export function fitShoulders(site: Site, known: KnownFrosts, years = 200, seed = 11): Site {
  const chances = frostChances(dailyClimate(site), years, seed);
  let fitted = site;
  for (const [field, end, sooner] of [...SHOULDERS, ...SHOULDERS]) {
    const wanted = known[end];
    if (wanted === null) continue;
    let low = -WIDER_MOST_C;
    let high = WIDER_MOST_C;
    for (let step = 0; step < WIDER_STEPS; step++) {
      const mid = (low + high) / 2;
      const got = frostRecord(dailyClimate({ ...fitted, [field]: mid }), chances)[end];
      // Too much of spread brings the last frost too late, and the first too early.
      if (sooner * laterBy(got, wanted, sooner * NO_FROST_OFF_D) < 0) high = mid;
      else low = mid;
    }
    fitted = { ...fitted, [field]: (low + high) / 2 };
  }
  return fitted;
}
