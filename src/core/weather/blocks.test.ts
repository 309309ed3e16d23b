import { expect, test } from '@jest/globals';
import { climates } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { lazyEnsemble, makeEnsemble } from '../stand/ensemble.ts';

const site = siteFromPattern(climates.find((c) => c.id === 'humid-temperate')!);

test('two spans that overlap meet the same weather on the same days, to a hundredth of a degree', () => {
  const early = makeEnsemble(site, dayOf('2026-08-01'), 200, 12, 7);
  const later = makeEnsemble(site, dayOf('2026-09-20'), 120, 12, 7);
  const shift = later.fromDay - early.fromDay;
  for (let y = 0; y < 12; y++)
    for (let d = 0; d < 120; d++) {
      expect(later.seasons[y]!.tmin_c[d]!).toBeCloseTo(early.seasons[y]!.tmin_c[d + shift]!, 2);
      expect(later.seasons[y]!.rain_mm[d]!).toBeCloseTo(early.seasons[y]!.rain_mm[d + shift]!, 6);
    }
});

test('years differ from each other, and a year made late is the year made at once', () => {
  const all = makeEnsemble(site, dayOf('2026-08-01'), 60, 6, 7);
  const lazy = lazyEnsemble(site, dayOf('2026-08-01'), 60, 6, 7);
  expect(lazy.seasons).toHaveLength(0);
  lazy.upTo(2);
  lazy.upTo(6);
  expect(lazy.seasons[5]!.tmax_c).toEqual(all.seasons[5]!.tmax_c);
  expect(all.seasons[0]!.tmax_c[30]).not.toBe(all.seasons[1]!.tmax_c[30]);
});

test('growing days are those over 5 °C on average, counted up day by day', () => {
  for (const { growing, mean_c, days } of makeEnsemble(site, dayOf('2026-10-01'), 180, 4, 7).seasons) {
    const warm = (upTo: number) => mean_c.subarray(0, upTo).filter((t) => t > 5).length;
    expect([0, 40, 111, days].map((d) => growing[d])).toEqual([0, 40, 111, days].map(warm));
    expect(growing[days]!).toBeLessThan(days - 30);
  }
});
