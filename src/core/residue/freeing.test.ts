import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { freeDay, heldBy, startFreeing } from './freeing.ts';

/** Share of its nitrogen that is free after so many days at 20 °C, always moist: residue of 500 g/m2 at a C:N. */
function after(cn: number, days: number, buried: boolean): number {
  const n = (500 * 0.43) / cn;
  const f = startFreeing(500, n, buried);
  for (let d = 0; d < days; d++) freeDay(f, 0.6, 0.6);
  return f.free / n;
}

describe('nitrogen by the day', () => {
  test.each([
    // Dug in: half of soft stuff is out in two months, straw ties up for a season; within what incubations and litter bags show.
    [10, 28, true, 0.45, 0.06],
    [10, 70, true, 0.65, 0.06],
    [12, 28, true, 0.35, 0.06],
    [15, 70, true, 0.44, 0.06],
    [20, 28, true, 0.01, 0.05],
    [25, 28, true, -0.12, 0.05],
    [30, 28, true, -0.21, 0.05],
    [30, 70, true, -0.05, 0.05],
    [40, 56, true, -0.31, 0.06],
    // On top it is slower and shallower.
    [12, 28, false, 0.21, 0.05],
    [12, 70, false, 0.44, 0.05],
    [20, 70, false, 0.14, 0.05],
    [30, 28, false, -0.11, 0.05],
  ])('C:N %d after %d days, buried %s: %d of it', (cn, days, buried, share, within) => {
    expect(Math.abs(after(cn, days, buried) - share)).toBeLessThan(within);
  });
  test('none is lost or made: residue, microbes, humus and what is free add up to what was there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 1500, noNaN: true }),
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.boolean(),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 200 }),
        (dm, n, buried, days) => {
          const f = startFreeing(dm, n, buried);
          for (const x of days) freeDay(f, x, x);
          expect(heldBy(f) + f.free).toBeCloseTo(n, 8);
          expect(f.n).toBeGreaterThanOrEqual(0);
          expect(f.c).toBeGreaterThanOrEqual(0);
          expect(f.microbes).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
    );
  });
  test('no warmth, no change', () => {
    const f = startFreeing(400, 10, false);
    freeDay(f, 0, 0);
    expect([f.free, heldBy(f)]).toEqual([0, 10]);
  });
});
