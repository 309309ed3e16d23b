import { firstOfYear } from '../calendar/day.ts';
import { quantile } from '../random/quantile.ts';
import { streamOf } from '../random/stream.ts';
import { generateWeather } from '../weather/generate.ts';
import { type DailyClimate, YEAR_DAYS, warmestDay } from './daily.ts';

/** What a site's years look like at the cold end. Days are days of year (0..365) and may be undefined where frost is rare. */
export interface FrostRecord {
  /** Median last frost (Tmin below 0 °C) before the warmest day. */
  lastFrost_doy: number | undefined;
  /** Median first frost after the warmest day. */
  firstFrost_doy: number | undefined;
  /** Mean over years of the coldest night. */
  coldestNight_c: number;
}

/** The start year of the simulated years matters to nothing; it is fixed so that the same site gives the same answer. */
const FROST_YEARS_FROM = 2001;

/** Frost dates and coldest night over `years` generated years of the site. A date is undefined when over half the years have none. */
export function frostRecord(climate: DailyClimate, years: number, seed: number): FrostRecord {
  const centre = warmestDay(climate);
  const starts = Array.from({ length: years + 1 }, (_, y) => firstOfYear(FROST_YEARS_FROM + y) + centre);
  const weather = generateWeather(climate, starts[0]!, starts[years]! - starts[0]!, streamOf(seed));
  const last: number[] = [];
  const first: number[] = [];
  let coldest = 0;
  for (let y = 0; y < years; y++) {
    let low = Infinity;
    let firstAt = Infinity;
    let lastAt = Infinity;
    const from = starts[y]! - starts[0]!;
    const days = starts[y + 1]! - starts[y]!;
    for (let d = 0; d < days; d++) {
      const t = weather.tmin_c[from + d]!;
      if (t < low) low = t;
      if (t >= 0) continue;
      if (firstAt === Infinity) firstAt = d;
      lastAt = d;
    }
    first.push(firstAt);
    last.push(lastAt);
    coldest += low / years;
  }
  const back = (d: number) => (Number.isFinite(d) ? Math.round(centre + d) % YEAR_DAYS : undefined);
  return {
    lastFrost_doy: back(quantile(last, 0.5)),
    firstFrost_doy: back(quantile(first, 0.5)),
    coldestNight_c: coldest,
  };
}
