import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { membersOf } from '../../catalogue/catalogue.ts';
import { rateParts, viableRate_g_m2 } from './rate.ts';
import { portions, throwGroups, weightFor } from './weight.ts';

describe('seed', () => {
  test('9.6 m2 of rye alone comes to 165.0 g on the scale', () => {
    const [part] = rateParts(membersOf([{ speciesId: 'cereal-rye', share: 1 }]));
    const w = weightFor({
      area_m2: 9.6,
      ...part!,
      wayFactor: 1,
      germination: 0.92,
      hard: 0,
      purity: 0.98,
      coating: 0,
    });
    expect(w.weigh_g).toBeCloseTo(165.04, 1);
  });
  test('vetch of which the bag counts 90 % alive and 20 points hard is weighed as seed of 70 %, to the gram', () => {
    const [part] = rateParts(membersOf([{ speciesId: 'hairy-vetch', share: 1 }]));
    const tag = { area_m2: 12, ...part!, wayFactor: 1, purity: 0.97, coating: 0 };
    const hard = weightFor({ ...tag, germination: 0.9, hard: 0.2 });
    expect(hard.weigh_g).toBeCloseTo(weightFor({ ...tag, germination: 0.7, hard: 0 }).weigh_g, 9);
    expect(hard.weigh_g).toBeCloseTo(hard.viable_g / 0.7 / 0.97, 9);
  });
  test('rye and vetch 40:60 come to 3.0 and 2.9 g/m2', () => {
    const rates = viableRate_g_m2(
      membersOf([
        { speciesId: 'cereal-rye', share: 0.4 },
        { speciesId: 'hairy-vetch', share: 0.6 },
      ]),
      1,
    );
    expect(rates.map((r) => Math.round(r * 10) / 10)).toEqual([3, 2.9]);
  });
  test('portions add up to the weight to a tenth of a gram', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 9000, noNaN: true }), fc.integer({ min: 1, max: 8 }), (g, n) => {
        const sum = portions(g, n).reduce((s, p) => s + p, 0);
        return Math.abs(sum - Math.round(g * 10) / 10) < 1e-6;
      }),
    );
  });
  test('fava and vetch seed are thrown apart, rye and vetch together', () => {
    expect(throwGroups([450, 30])).toEqual([[0], [1]]);
    expect(throwGroups([25, 30])).toEqual([[1, 0]]);
  });
});
