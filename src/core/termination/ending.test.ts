import { describe, expect, test } from '@jest/globals';
import { crops, species } from '../../catalogue/catalogue.ts';
import { decayRate, residueCover } from '../residue/decay.ts';
import { availableNitrogen_g_m2 } from '../residue/nitrogen.ts';
import { waitDays20 } from '../residue/wait.ts';
import { crimpKills, cutKills } from './kill.ts';
import { coveringHeat } from './sheet.ts';

const rye = species.find((s) => s.id === 'cereal-rye')!;
const squash = { ...crops.find((c) => c.id === 'winter-squash')!, way: 'transplant' as const };

describe('ending and residue', () => {
  test('rye crimped at half anthesis dies in 19 stems of 20, at boot in 6', () => {
    expect(crimpKills(rye, 3)).toBeCloseTo(0.95, 6);
    expect(crimpKills(rye, 2)).toBeCloseTo(0.3, 6);
  });
  test('no cut or crimp kills less at a later stage', () => {
    for (const s of species)
      for (let k = 1; k < 4.6; k += 0.2) {
        expect(cutKills(s, k + 0.2)).toBeGreaterThanOrEqual(cutKills(s, k) - 1e-9);
        expect(crimpKills(s, k + 0.2)).toBeGreaterThanOrEqual(crimpKills(s, k) - 1e-9);
      }
  });
  test('rye needs 21 days at 20 °C under an opaque sheet, three tenths more under cardboard', () => {
    expect(coveringHeat(rye, 'sheet')).toBe(21);
    expect(coveringHeat(rye, 'cardboard')).toBeCloseTo(27.3, 6);
  });
  test('3 t/ha of straw covers 0.79; 10 g N/m2 at 3.5 % gives 5.0 buried and 3.4 on top; vetch rots faster than straw', () => {
    expect(residueCover(300, 0.52)).toBeCloseTo(0.79, 2);
    expect(availableNitrogen_g_m2(1000 / 3.5, 10, true)).toBeCloseTo(4.98, 1);
    expect(availableNitrogen_g_m2(1000 / 3.5, 10, false)).toBeCloseTo(3.38, 1);
    expect(decayRate(12)).toBeGreaterThan(decayRate(50) * 2.5);
  });
  test('transplants wait 4 warm days on a fresh vetch mat, small seed 24', () => {
    expect(waitDays20('surface', 12, squash, 0)).toBe(4);
    expect(waitDays20('surface', 12, { ...squash, way: 'seed', seedSize: 'small' }, 14)).toBe(24);
  });
});
