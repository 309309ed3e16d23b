import { describe, expect, test } from '@jest/globals';
import { crops } from '../../catalogue/catalogue.ts';
import { availableNitrogen_g_m2 } from './nitrogen.ts';
import { areaPerTonne, carbonToNitrogen, decayRate, residueCover } from './decay.ts';
import { type Handling, waitDays20 } from './wait.ts';

const squash = crops.find((c) => c.id === 'winter-squash')!;
const carrot = crops.find((c) => c.id === 'carrot')!;
const HANDLINGS: Handling[] = ['surface', 'buried', 'sheet', 'winterkilled', 'compost', 'removed', 'animals'];

describe('waiting', () => {
  test('transplants never wait longer than large seed, nor large seed longer than small', () => {
    for (const h of HANDLINGS)
      for (const cn of [10, 20, 35, 60]) {
        const t = waitDays20(h, cn, { ...squash, way: 'transplant' }, 10);
        const large = waitDays20(h, cn, { ...squash, way: 'seed' }, 10);
        const small = waitDays20(h, cn, { ...carrot, way: 'seed' }, 10);
        expect(t).toBeLessThanOrEqual(large);
        expect(large).toBeLessThanOrEqual(small);
      }
  });
  test('buried straw waits longer than buried vetch; after a sheet or under compost hardly at all', () => {
    const wait = (h: Handling, cn: number) => waitDays20(h, cn, { ...squash, way: 'transplant' }, 0);
    expect(wait('buried', 12)).toBe(8);
    expect(wait('buried', 50)).toBe(35);
    expect(wait('buried', 26)).toBeGreaterThan(wait('buried', 20));
    expect(wait('sheet', 40)).toBeLessThanOrEqual(3);
    expect(wait('compost', 40)).toBe(1);
  });
  test('a kind that holds seedlings back sets the least wait for small seed on a mat', () => {
    expect(waitDays20('surface', 12, { ...carrot, way: 'seed' }, 40)).toBe(40);
    expect(waitDays20('surface', 12, { ...squash, way: 'transplant' }, 40)).toBe(4);
  });
});

describe('residue', () => {
  test('straw rots slower than vetch, and within the bounds of the table', () => {
    for (let cn = 9; cn < 70; cn++) {
      expect(decayRate(cn + 1)).toBeLessThanOrEqual(decayRate(cn));
      expect(decayRate(cn)).toBeGreaterThanOrEqual(0.009);
      expect(decayRate(cn)).toBeLessThanOrEqual(0.055);
    }
  });
  test('tall stalks cover less ground a tonne than fine stems', () => {
    expect(residueCover(300, areaPerTonne('grass', 2.5))).toBeLessThan(
      residueCover(300, areaPerTonne('legume', 0.6)),
    );
  });
  test('residue under 1.3 % nitrogen takes nitrogen from the crop, most when dug in; none of it gives none', () => {
    expect(availableNitrogen_g_m2(500, 5, true)).toBeLessThan(availableNitrogen_g_m2(500, 5, false));
    expect(availableNitrogen_g_m2(500, 5, false)).toBeLessThan(0);
    expect(availableNitrogen_g_m2(0, 0, true)).toBe(0);
    expect(carbonToNitrogen(100, 4.3)).toBeCloseTo(10, 6);
  });
});
