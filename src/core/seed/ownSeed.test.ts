import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type GrowthDay } from '../plan/growth.ts';
import { ownSeedOf, type SeedGiving, selfSown } from './ownSeed.ts';

const flat = (x: number) => ({ low: x * 0.5, mid: x, high: x * 1.5 });
const day = (d: number, dm: number): GrowthDay => ({
  day: d,
  warmth_cd: 0,
  cover: flat(1),
  height_m: flat(1),
  dryMatter_g_m2: flat(dm),
  coverExpected: flat(1),
  stages: [],
});
const growth = [day(100, 200), day(105, 300), day(110, 500)];
const holds: SeedGiving = { share: [0.2, 0.4], crosses: 'seldom', apart_m: 3, shatters: false };
const drops: SeedGiving = { ...holds, shatters: true };
/** Days from which its seed can grow. */
const viable = { low: 104, mid: 107.5, high: 110 };

describe('own seed', () => {
  test('what stands when it ripens, the share of seed and what hands keep: 400 g/m2 on 2 m2 come to 156 g in the middle', () => {
    const own = ownSeedOf(holds, { thousandSeed_g: 30 }, viable, growth, 1, 2);
    expect(own.grams.mid).toBeCloseTo(400 * 2 * 0.3 * 0.65, 9);
    expect(own.grams.low).toBeCloseTo(200 * 2 * 0.2 * 0.5, 9);
    expect(own.grams.high).toBeCloseTo(600 * 2 * 0.4 * 0.8, 9);
    expect([own.cut, own.dry_d]).toEqual([[121.5, 131.5], 10]);
  });
  test('what drops is cut a week before it is ripe, and less of it is won; large seed dries twice as long', () => {
    const own = ownSeedOf(drops, { thousandSeed_g: 180 }, viable, growth, 0.5, 2);
    expect(own.cut).toEqual([112.5, 121.5]);
    expect(own.grams.mid).toBeCloseTo(400 * 1 * 0.3 * 0.45, 9);
    expect(own.dry_d).toBe(21);
  });
  test('what ripens in less than half of the years is not put forward', () => {
    const own = ownSeedOf(
      holds,
      { thousandSeed_g: 30 },
      { low: 109, mid: Infinity, high: Infinity },
      growth,
      1,
      2,
    );
    expect([own.cut, own.grams.high]).toEqual([undefined, 0]);
  });
  test('before and after the picture the first and the last day hold, and twice the ground gives twice the seed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 160 }),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        (mid, area) => {
          const at = (m2: number) =>
            ownSeedOf(holds, { thousandSeed_g: 30 }, { low: mid, mid, high: mid }, growth, 1, m2).grams.mid;
          expect(at(area * 2)).toBeCloseTo(at(area) * 2, 6);
          if (mid <= 100) expect(at(1)).toBeCloseTo(200 * 0.3 * 0.65, 9);
          if (mid >= 110) expect(at(1)).toBeCloseTo(500 * 0.3 * 0.65, 9);
        },
      ),
    );
  });
});

describe('what comes by itself', () => {
  const kinds = (id: string) =>
    ({
      a: { selfSeeding: 0.6, hardSeed: false },
      b: { selfSeeding: 0.3, hardSeed: true },
      c: { selfSeeding: 0.29, hardSeed: false },
    })[id];
  test('each kind once, from its newest seed, as readily as it comes', () => {
    expect(
      selfSown(
        [
          { speciesId: 'a', on: 900 },
          { speciesId: 'a', on: 950 },
          { speciesId: 'c', on: 990 },
          { speciesId: 'unknown', on: 990 },
        ],
        kinds,
        1000,
      ),
    ).toEqual([
      { speciesId: 'c', on: 990, comes: 'few', sleeps: false },
      { speciesId: 'a', on: 950, comes: 'stand', sleeps: false },
    ]);
  });
  test.each([
    ['a', 365, true],
    ['a', 366, false],
    ['b', 3 * 365, true],
    ['b', 3 * 365 + 1, false],
    ['a', -1, false],
  ])('%s, %d days after it fell: %s', (speciesId, ago, want) => {
    expect(selfSown([{ speciesId, on: 5000 - ago }], kinds, 5000).length).toBe(want ? 1 : 0);
  });
});
