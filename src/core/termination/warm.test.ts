import { describe, expect, test } from '@jest/globals';
import { type Season } from '../weather/season.ts';
import { type Ending, whenWarm } from './end.ts';
import { coolerUnder, warmFrom } from './warm.ts';
import { newYearEnd } from './yearEnd.ts';

/** A season with this soil, day by day, and the same sun every day. */
const season = (soil_c: number[], sun_MJ = 15): Season =>
  ({
    days: soil_c.length,
    soil_c: Float32Array.from(soil_c),
    radiation_MJ: Float32Array.from(soil_c, () => sun_MJ),
    warmSoil: new Map<number, Float64Array>(),
  }) as unknown as Season;
const days = (n: number, c: number) => Array.from({ length: n }, () => c);

describe('the day on which the ground is warm enough', () => {
  const s = season([...days(10, 8), ...days(3, 14), ...days(4, 8), ...days(12, 14), ...days(4, 8)]);
  test('is the fifth of five days on end, and each day after it while it stays warm; a warm spell of three counts for nothing', () => {
    expect([0, 9, 13, 20, 21, 22, 28].map((d) => warmFrom(s, d, 12))).toEqual([21, 21, 21, 21, 21, 22, 28]);
    expect(warmFrom(s, 29, 12)).toBe(Infinity);
    expect(warmFrom(s, 0, 15)).toBe(Infinity);
    expect(warmFrom(s, 0, 14)).toBe(21);
  });
  test('where the record begins warm it is warm from its first day', () => {
    expect(warmFrom(season(days(6, 14)), 0, 12)).toBe(0);
    expect(warmFrom(season(days(6, 14)), -3, 12)).toBe(0);
  });
});

describe('ground under a mat', () => {
  const rising = Array.from({ length: 80 }, (_, d) => 5 + 0.2 * d);
  const ended = (dm_g_m2: number, liesOnTop: boolean, readyAt = 10) =>
    whenWarm({ plan: { next: { soilMin_c: 12 } }, liesOnTop } as unknown as Ending, season(rising), {
      ...newYearEnd(),
      deadAt: 5,
      readyAt,
      dm_g_m2,
    });
  test('is warm later, by as many days as it takes to make up for what it is cooler', () => {
    const bare = ended(600, false);
    // 12 °C is reached on day 35, and held for five days on day 39.
    expect(bare.plantableAt).toBe(39);
    const cooler = coolerUnder(season(rising), { ...newYearEnd(), deadAt: 5, dm_g_m2: 600 });
    expect(cooler).toBeGreaterThanOrEqual(1);
    expect(ended(600, true).plantableAt).toBe(39 + cooler / 0.2);
    expect(ended(0, true).plantableAt).toBe(39);
  });
  test('is not asked of a bed that does not get ready, and never before it is ready', () => {
    const before = newYearEnd().plantableAt;
    expect(ended(600, false, Infinity).plantableAt).toBe(before);
    expect(ended(600, false, 60).plantableAt).toBe(60);
  });
});
