import { firstOfYear } from '../calendar/day.ts';
import { quantile } from '../random/quantile.ts';
import { streamOf } from '../random/stream.ts';
import { type Chances, drawChances, nightsOf } from '../weather/generate.ts';
import { type DailyClimate, YEAR_DAYS, warmestDay } from '../site/daily.ts';

/** What a site's years look like at the cold end. Days are days of year (0..365) and may be undefined where frost is rare. */
export interface FrostRecord {
  /** Median last frost (Tmin below 0 °C) before the warmest day. */
  lastFrost_doy: number | undefined;
  /** After this day four springs in five are free of frost. */
  lateFrost_doy: number | undefined;
  /** Median first frost after the warmest day. */
  firstFrost_doy: number | undefined;
  /** Mean over years of the coldest night. */
  coldestNight_c: number;
}

/** What is known of the frosts of a place, days of year 0..365; null leaves that end of the winter as it is. */
export interface KnownFrosts {
  lastFrost_doy: number | null;
  firstFrost_doy: number | null;
}

/** Days between two days of the year, given their difference, the shorter way round: -183..183. */
export const daysOff = (d: number): number => {
  const round = ((d % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS;
  return round > YEAR_DAYS / 2 ? round - YEAR_DAYS : round;
};

/** The start year of the simulated years matters to nothing; it is fixed so that the same site gives the same answer. */
const FROST_YEARS_FROM = 2001;

/** The chances of `years` years from warm season to warm season, to be used for every climate with the same rain. */
export const frostChances = (climate: DailyClimate, years: number, seed: number): Chances => {
  const from = firstOfYear(FROST_YEARS_FROM);
  return drawChances(climate, from, firstOfYear(FROST_YEARS_FROM + years + 1) - from, streamOf(seed));
};

/** Share of springs in which a gardener who waits for the late frost loses nothing. */
const SAFE_SHARE = 0.8;

/** Frost dates and coldest night over the generated years of the site. A date is undefined when over half the years have none. */
export function frostRecord(climate: DailyClimate, chances: Chances): FrostRecord {
  const centre = warmestDay(climate);
  const nights = nightsOf(climate, chances);
  const last: number[] = [];
  const first: number[] = [];
  let coldest = 0;
  for (let y = FROST_YEARS_FROM; ; y++) {
    const from = firstOfYear(y) + centre - chances.fromDay;
    const until = firstOfYear(y + 1) + centre - chances.fromDay;
    if (until > nights.length) break;
    let low = Infinity;
    let firstAt = Infinity;
    let lastAt = Infinity;
    for (let i = from; i < until; i++) {
      const t = nights[i]!;
      if (t < low) low = t;
      if (t >= 0) continue;
      if (firstAt === Infinity) firstAt = i - from;
      lastAt = i - from;
    }
    first.push(firstAt);
    last.push(lastAt);
    coldest += low;
  }
  const back = (d: number) => (Number.isFinite(d) ? Math.round(centre + d) % YEAR_DAYS : undefined);
  return {
    lastFrost_doy: back(quantile(last, 0.5)),
    lateFrost_doy: back(quantile(last, SAFE_SHARE)),
    firstFrost_doy: back(quantile(first, 0.5)),
    coldestNight_c: coldest / last.length,
  };
}
