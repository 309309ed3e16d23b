import { type Chances } from '../weather/generate.ts';
import { dailyClimate } from '../site/daily.ts';
import { type FrostRecord, type KnownFrosts, daysOff, frostChances, frostRecord } from './frost.ts';
import { type Site } from '../site/site.ts';

const YEARS = 120;
const SEED = 11;
/** A garden is not further from its town than this, °C at night. */
const MOST_C = 9;
const HALVINGS = 9;
/** Correcting one end of the winter touches the other a little. */
const ROUNDS = 2;
/** Nights nearer to each other than this share of the half year move together, days. */
const REACH_D = 75;
/** Nights stay at least this far under the afternoons, °C. */
const LEAST_RANGE_C = 2;

/** Last and first frost and the coldest night that a site's plausible years come to. */
export const frostsOf = (site: Site): FrostRecord => {
  const climate = dailyClimate(site);
  return frostRecord(climate, frostChances(climate, YEARS, SEED));
};

/**
 * Answers: which site has this place's climate, and the frosts that this garden knows?
 * Equation: nights of the months round the date are moved by one amount, fading to none over 75 days, until the middle year of 120 has its last
 * (first) frost on that day; found by halving, since warmer nights end frost sooner. Afternoons and rain stay.
 */
export function withFrosts(site: Site, known: KnownFrosts): Site {
  const climate = dailyClimate(site);
  const chances = frostChances(climate, YEARS, SEED);
  let best = site;
  for (let round = 0; round < ROUNDS; round++) {
    if (known.lastFrost_doy !== null) best = moved(best, known.lastFrost_doy, 'lastFrost_doy', chances);
    if (known.firstFrost_doy !== null) best = moved(best, known.firstFrost_doy, 'firstFrost_doy', chances);
  }
  return best;
}

function moved(site: Site, doy: number, end: 'lastFrost_doy' | 'firstFrost_doy', chances: Chances): Site {
  let [low, high] = [-MOST_C, MOST_C];
  for (let k = 0; k < HALVINGS; k++) {
    const mid = (low + high) / 2;
    const got = frostRecord(dailyClimate(shifted(site, doy, mid)), chances)[end];
    // Warmer nights bring the last frost forward and put the first one off; without any frost it is too warm.
    const off = got === undefined ? undefined : daysOff(got - doy);
    const tooWarm = off === undefined || (end === 'lastFrost_doy' ? off < 0 : off > 0);
    if (tooWarm) high = mid;
    else low = mid;
  }
  return shifted(site, doy, (low + high) / 2);
}

function shifted(site: Site, doy: number, by_c: number): Site {
  const tmin_c = site.tmin_c.map((t, m) => {
    const far = Math.abs(daysOff(30.5 * m + 15 - doy));
    return Math.min(site.tmax_c[m]! - LEAST_RANGE_C, t + by_c * Math.max(0, 1 - far / REACH_D));
  });
  return { ...site, tmin_c };
}
