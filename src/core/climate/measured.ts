import { type Day, monthOf, yearOf } from '../calendar/day.ts';
import { type Site } from '../site/site.ts';
import { exp, ln } from '../units/exact.ts';

/** Low, high and rain of a day that was measured in the garden. */
export interface MeasuredDay {
  day: Day;
  tmin_c: number;
  tmax_c: number;
  rain_mm: number;
}

/** How a garden lies from its site's figures: as it was measured, and as much of that as is taken for the garden's own. */
export interface Off {
  seen: number;
  here: number;
}

export interface MeasuredSite {
  /** Whole months behind it. */
  months: number;
  nights_c: Off;
  afternoons_c: Off;
  /** Rain against the site's, as a factor. */
  rain_times: Off;
}

/** A month with fewer days is none. */
const MONTH_LEAST_D = 20;
/** Fewer months say more of the year than of the place. */
const MONTHS_LEAST = 6;
/** Gardens lie about so far from figures for their place, standard deviations: nights in hollows and by walls, rain behind hills. Judgement. */
const PLACE_NIGHT_C = 1.2;
const PLACE_DAY_C = 0.9;
const PLACE_RAIN_LOG = 0.25;
/** A month's mean lies so far from the month's usual, and months that follow each other are alike: as many count as half. */
const MONTH_C = 1.6;
const MONTH_RAIN_LOG = 0.55;
const ALIKE = 2;

/** Share of what was measured that is the place's and not the months': normal-normal. */
const own = (place: number, month: number, months: number): number => {
  const precision = months / (ALIKE * month * month);
  return precision / (precision + 1 / (place * place));
};

/**
 * Answers: how far does the weather that was measured here lie from the site's figures, and how much of that is the place? Monthly means against the site's;
 * a few mild months say little, years say most. Undefined under six whole months.
 * Worked figure: 24 months with nights 1 °C colder: precision 24 / (2 x 2.56) = 4.7 against 1 / 1.44 = 0.69 of the book: 0.87 °C is taken as the garden's.
 */
export function measuredAgainst(site: Site, days: readonly MeasuredDay[]): MeasuredSite | undefined {
  const byMonth = new Map<number, MeasuredDay[]>();
  for (const d of days) {
    const key = yearOf(d.day) * 12 + monthOf(d.day);
    byMonth.set(key, [...(byMonth.get(key) ?? []), d]);
  }
  const months = [...byMonth].filter(([, all]) => all.length >= MONTH_LEAST_D);
  const n = months.length;
  if (n < MONTHS_LEAST) return undefined;
  let night = 0;
  let afternoon = 0;
  let rain = 0;
  let usualRain = 0;
  for (const [key, all] of months) {
    const m = key % 12;
    const mean = (of: (d: MeasuredDay) => number) => all.reduce((s, d) => s + of(d), 0) / all.length;
    night += mean((d) => d.tmin_c) - site.tmin_c[m]!;
    afternoon += mean((d) => d.tmax_c) - site.tmax_c[m]!;
    rain += mean((d) => d.rain_mm);
    usualRain += site.rain_mm[m]! / DAYS_A_MONTH;
  }
  const off = (seen: number, place: number): Off => ({ seen, here: seen * own(place, MONTH_C, n) });
  const times = usualRain > 0 && rain > 0 ? rain / usualRain : 1;
  return {
    months: n,
    nights_c: off(night / n, PLACE_NIGHT_C),
    afternoons_c: off(afternoon / n, PLACE_DAY_C),
    rain_times: { seen: times, here: exp(ln(times) * own(PLACE_RAIN_LOG, MONTH_RAIN_LOG, n)) },
  };
}
const DAYS_A_MONTH = 30.4;
/** Nights stay at least so far under the afternoons, °C. */
const LEAST_RANGE_C = 2;
const WET_MOST = 0.9;

/** The site with what this garden measured taken in; frost days move with the nights. */
export function withMeasured(site: Site, { nights_c, afternoons_c, rain_times }: MeasuredSite): Site {
  const tmax_c = site.tmax_c.map((t) => t + afternoons_c.here);
  return {
    ...site,
    tmax_c,
    tmin_c: site.tmin_c.map((t, m) => Math.min(tmax_c[m]! - LEAST_RANGE_C, t + nights_c.here)),
    coldestNight_c: site.coldestNight_c + nights_c.here,
    rain_mm: site.rain_mm.map((r) => r * rain_times.here),
    // More rain falls on more days and more a day: half of it each.
    wetShare: site.wetShare.map((w) => Math.min(WET_MOST, w * Math.sqrt(rain_times.here))),
  };
}
