import { isoOf, monthOf, yearOf } from '../calendar/day.ts';
import { type Result, fail, ok } from '../result/result.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type Site } from '../site/site.ts';

/** What a daily record holds and lacks, for the gardener to see before it is used. */
export interface DailyReport {
  days: number;
  from: string;
  to: string;
  /** Missing days inside the record. */
  gaps: number;
  longestGap_d: number;
  /** Days whose night was warmer than the afternoon, left out. */
  swapped: number;
}

const FEWEST_DAYS = 330;

/**
 * Answers: what is this station's ordinary year?
 * Monthly means of night, afternoon, rain and wet days (over 0.5 mm); spread is the standard deviation of daily means about their
 * month; the coldest night is averaged over years with at least 300 days. Gaps are allowed and reported.
 * Fails with `weather-short` under 330 days, `weather-month-missing` when a month has fewer than 15 days,
 * `weather-swapped` when nights are warmer than afternoons on over one day in fifty.
 */
export function siteFromDaily(
  latitude_deg: number,
  days: ObservedDay[],
  coastal: boolean,
): Result<{ site: Site; report: DailyReport }> {
  const sorted = [...days].sort((a, b) => a.day - b.day);
  const good = sorted.filter((d) => d.tmin_c <= d.tmax_c);
  const swapped = sorted.length - good.length;
  if (sorted.length > 0 && swapped > sorted.length / 50)
    return fail('weather-swapped', undefined, { days: swapped });
  if (good.length < FEWEST_DAYS)
    return fail('weather-short', undefined, { days: good.length, least: FEWEST_DAYS });
  const byMonth = Array.from({ length: 12 }, () => [] as ObservedDay[]);
  for (const d of good) byMonth[monthOf(d.day)]!.push(d);
  const thin = byMonth.findIndex((m) => m.length < 15);
  if (thin >= 0)
    return fail('weather-month-missing', undefined, { month: thin + 1, days: byMonth[thin]!.length });
  const mean = (m: ObservedDay[], f: (d: ObservedDay) => number) =>
    m.reduce((s, d) => s + f(d), 0) / m.length;
  const sd = byMonth.map((m) => {
    const centre = mean(m, (d) => (d.tmin_c + d.tmax_c) / 2);
    return Math.sqrt(
      mean(m, (d) => {
        const off = (d.tmin_c + d.tmax_c) / 2 - centre;
        return off * off;
      }),
    );
  });
  const warmth = byMonth.map((m) => mean(m, (d) => d.tmin_c + d.tmax_c));
  const at = (pick: (...v: number[]) => number) => sd[warmth.indexOf(pick(...warmth))]!;
  const site: Site = {
    latitude_deg,
    coastal,
    tmin_c: byMonth.map((m) => mean(m, (d) => d.tmin_c)),
    tmax_c: byMonth.map((m) => mean(m, (d) => d.tmax_c)),
    rain_mm: byMonth.map((m) => mean(m, (d) => d.rain_mm) * 30.4),
    wetShare: byMonth.map((m) => mean(m, (d) => (d.rain_mm > 0.5 ? 1 : 0))),
    coldestNight_c: coldestNight(good),
    sdCold_c: at(Math.min),
    sdWarm_c: at(Math.max),
  };
  return ok({ site, report: report(good, swapped) });
}

function coldestNight(days: ObservedDay[]): number {
  const years = new Map<number, { n: number; low: number }>();
  for (const d of days) {
    const y = years.get(yearOf(d.day)) ?? { n: 0, low: Infinity };
    years.set(yearOf(d.day), { n: y.n + 1, low: Math.min(y.low, d.tmin_c) });
  }
  const full = [...years.values()].filter((y) => y.n >= 300);
  const used = full.length > 0 ? full : [...years.values()];
  return used.reduce((s, y) => s + y.low, 0) / used.length;
}

function report(days: ObservedDay[], swapped: number): DailyReport {
  let gaps = 0;
  let longest = 0;
  for (let i = 1; i < days.length; i++) {
    const missing = Math.max(0, days[i]!.day - days[i - 1]!.day - 1);
    gaps += missing;
    longest = Math.max(longest, missing);
  }
  return {
    days: days.length,
    from: isoOf(days[0]!.day),
    to: isoOf(days.at(-1)!.day),
    gaps,
    longestGap_d: longest,
    swapped,
  };
}
