import { describe, expect, test } from '@jest/globals';
import { climates } from '../../catalogue/catalogue.ts';
import { dayOf, monthOf } from '../calendar/day.ts';
import { frostsOf } from './corrected.ts';
import { type MeasuredDay, measuredAgainst, withMeasured } from './measured.ts';
import { siteFromPattern } from './pattern.ts';

const climate = climates.find((c) => c.id === 'cool-maritime')!;
const site = siteFromPattern(climate, climate.latitude_deg);
/** Days exactly as the site has them, moved by so much. */
const days = (
  months: number,
  by: { night?: number; afternoon?: number; rain?: number } = {},
): MeasuredDay[] =>
  Array.from({ length: Math.round(months * 30.5) }, (_, i) => {
    const day = dayOf('2025-01-01') + i;
    const m = monthOf(day);
    return {
      day,
      tmin_c: site.tmin_c[m]! + (by.night ?? 0),
      tmax_c: site.tmax_c[m]! + (by.afternoon ?? 0),
      rain_mm: (site.rain_mm[m]! / 30.4) * (by.rain ?? 1),
    };
  });

describe('measured weather against the figures of a site', () => {
  test('weather as the site has it moves nothing', () => {
    const same = measuredAgainst(site, days(24))!;
    expect(same.months).toBe(24);
    for (const off of [same.nights_c, same.afternoons_c]) {
      expect(off.seen).toBeCloseTo(0, 9);
      expect(off.here).toBeCloseTo(0, 9);
    }
    expect(same.rain_times.here).toBeCloseTo(1, 9);
  });
  test('two years of nights a degree colder: 0.87 °C of it is taken as the garden’s', () => {
    const cold = measuredAgainst(site, days(24, { night: -1 }))!;
    expect(cold.nights_c.seen).toBeCloseTo(-1, 9);
    const precision = 24 / (2 * 1.6 * 1.6);
    expect(cold.nights_c.here).toBeCloseTo(-precision / (precision + 1 / (1.2 * 1.2)), 9);
    expect(cold.nights_c.here).toBeCloseTo(-0.871, 3);
  });
  test('half a year says less than three, and under six whole months nothing is said', () => {
    const here = (months: number) => measuredAgainst(site, days(months, { night: -1 }))?.nights_c.here;
    expect(here(6.2)!).toBeGreaterThan(here(36)!);
    expect(here(6.2)!).toBeLessThan(-0.5);
    expect(here(5.5)).toBeUndefined();
  });
  test('months with few days are left out', () => {
    const thin = days(24, { night: -1 }).filter((d) => d.day % 2 === 0);
    expect(measuredAgainst(site, thin)).toBeUndefined();
  });
  test('rain is told as a factor, and half of it goes into more wet days', () => {
    const wet = measuredAgainst(site, days(36, { rain: 1.3 }))!;
    expect(wet.rain_times.seen).toBeCloseTo(1.3, 9);
    expect(wet.rain_times.here).toBeGreaterThan(1.05);
    expect(wet.rain_times.here).toBeLessThan(1.3);
    const moved = withMeasured(site, wet);
    expect(moved.rain_mm[5]! / site.rain_mm[5]!).toBeCloseTo(wet.rain_times.here, 9);
    expect(moved.wetShare[5]! / site.wetShare[5]!).toBeCloseTo(Math.sqrt(wet.rain_times.here), 9);
  });
});

describe('a site with it taken in', () => {
  test('has colder nights, later last frosts, and the same afternoons', () => {
    const moved = withMeasured(site, measuredAgainst(site, days(36, { night: -1.5 }))!);
    expect(moved.tmin_c[3]!).toBeLessThan(site.tmin_c[3]! - 1);
    expect(moved.coldestNight_c).toBeLessThan(site.coldestNight_c - 1);
    expect(moved.tmax_c).toEqual(site.tmax_c);
    expect(frostsOf(moved).lastFrost_doy!).toBeGreaterThan(frostsOf(site).lastFrost_doy! + 4);
  });
  test('nights never come nearer to the afternoons than two degrees', () => {
    const odd = withMeasured(site, {
      months: 12,
      nights_c: { seen: 9, here: 9 },
      afternoons_c: { seen: -9, here: -9 },
      rain_times: { seen: 1, here: 1 },
    });
    odd.tmin_c.forEach((t, m) => expect(odd.tmax_c[m]! - t).toBeGreaterThanOrEqual(2 - 1e-9));
  });
});
