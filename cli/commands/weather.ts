import { climates } from '../../src/catalogue/catalogue.ts';
import { dayOf, monthOf } from '../../src/core/calendar/day.ts';
import { streamOf } from '../../src/core/random/stream.ts';
import { dailyClimate } from '../../src/core/site/daily.ts';
import { frostChances, frostRecord } from '../../src/core/climate/frost.ts';
import { siteFromPattern } from '../../src/core/climate/pattern.ts';
import { generateWeather } from '../../src/core/weather/generate.ts';
import { type Typed, yearsOf } from '../args.ts';

const FROM = dayOf('2001-01-01');

/** `weather`: what the generated years of each climate pattern give back, beside what was put in. */
export function weather(typed: Typed): string {
  const years = yearsOf(typed);
  const rows = climates.map((pattern) => {
    const site = siteFromPattern(pattern);
    const climate = dailyClimate(site);
    const days = Math.round(365.25 * years);
    const w = generateWeather(climate, FROM, days, streamOf(2024));
    const sums = Array.from({ length: 12 }, () => ({ n: 0, max: 0, min: 0, sq: 0, rain: 0, wet: 0 }));
    let wetRun = 0;
    let dryRun = 0;
    let longestWet = 0;
    const dryOfYears: number[] = [];
    let dryBest = 0;
    for (let i = 0; i < days; i++) {
      const m = sums[monthOf(FROM + i)]!;
      const mean = (w.tmax_c[i]! + w.tmin_c[i]!) / 2;
      m.n++;
      m.max += w.tmax_c[i]!;
      m.min += w.tmin_c[i]!;
      m.sq += mean * mean;
      m.rain += w.rain_mm[i]!;
      const wet = w.rain_mm[i]! > 0;
      if (wet) m.wet++;
      wetRun = wet ? wetRun + 1 : 0;
      dryRun = wet ? 0 : dryRun + 1;
      longestWet = Math.max(longestWet, wetRun);
      dryBest = Math.max(dryBest, dryRun);
      if (i % 365 === 364) {
        dryOfYears.push(dryBest);
        dryBest = 0;
      }
    }
    const off = (f: (k: number) => number) => Math.max(...sums.map((_, k) => Math.abs(f(k)))).toFixed(2);
    const frost = frostRecord(climate, frostChances(climate, years, 77));
    const sd = sums.map((m) => Math.sqrt(Math.max(0, m.sq / m.n - ((m.max + m.min) / 2 / m.n) ** 2)));
    const rainYear = sums.reduce((s, m) => s + m.rain, 0) / years;
    const rainIn = site.rain_mm.reduce((s, r) => s + r, 0);
    dryOfYears.sort((a, b) => a - b);
    return [
      pattern.id,
      off((k) => sums[k]!.max / sums[k]!.n - site.tmax_c[k]!),
      off((k) => sums[k]!.min / sums[k]!.n - site.tmin_c[k]!),
      `${Math.min(...sd).toFixed(1)}-${Math.max(...sd).toFixed(1)} (${site.sdWarm_c.toFixed(1)}-${site.sdCold_c.toFixed(1)})`,
      `${rainYear.toFixed(0)} (${rainIn.toFixed(0)})`,
      off((k) => sums[k]!.wet / sums[k]!.n - site.wetShare[k]!),
      `${dryOfYears[dryOfYears.length >> 1]} / ${longestWet}`,
      `${frost.coldestNight_c.toFixed(1)} (${pattern.coldestNight_c})`,
      `${frost.lastFrost_doy ?? 'none'} / ${frost.firstFrost_doy ?? 'none'}`,
    ];
  });
  const head = [
    'pattern',
    'worst month Tmax, °C off',
    'worst month Tmin, °C off',
    'sd of daily mean, °C (put in)',
    'rain a year, mm (put in)',
    'worst month wet share off',
    'longest dry spell a year / wettest run ever, days',
    'coldest night, °C (put in)',
    'median last / first frost, day of year',
  ];
  const line = (cells: string[]) => `| ${cells.join(' | ')} |`;
  return [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');
}
