import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cleanGround, fallOn, groundOf, heldAgainst, weedsGrow } from './weeds.ts';

/** So many days at 17 °C (14 degree-days above 3 °C each), in steps of `step` days. */
function after(days: number, cover: number | ((d: number) => number), residue_t_ha = 0, step = 1): number {
  const w = cleanGround();
  for (let d = 0; d < days; d += step)
    weedsGrow(w, 14 * step, typeof cover === 'number' ? cover : cover(d), residue_t_ha);
  return w.mass;
}

describe('weeds', () => {
  test('six bare weeks at 17 °C give a quarter of a full stand, ten most of it', () => {
    expect(after(42, 0)).toBeCloseTo(0.28, 2);
    expect(after(70, 0)).toBeGreaterThan(0.8);
  });
  test('a canopy that closes in three weeks holds nine tenths of them; one that closes in six, hardly a half', () => {
    const closing = (days: number) => (d: number) => Math.min(0.95, (0.95 * d) / days);
    expect(heldAgainst(after(60, closing(20)), after(60, 0))).toBeGreaterThan(0.9);
    const late = heldAgainst(
      after(42, (d) => (d < 38 ? 0.1 : 0.95)),
      after(42, 0),
    );
    expect(late).toBeLessThan(0.6);
  });
  test('once overtopped they stand still; late ones under it hardly come', () => {
    const w = { seeds: 0.2, mass: 0.05 };
    for (let d = 0; d < 40; d++) weedsGrow(w, 14, 0.98, 0);
    expect(w.mass).toBeLessThan(0.055);
  });
  test('more residue, more cover or fewer days never give more weeds; nothing leaves 0..1', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        share,
        share,
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.integer({ min: 1, max: 90 }),
        (a, b, t, days) => {
          const [thin, thick] = [Math.min(a, b), Math.max(a, b)];
          const more = after(days, thin, t);
          expect(after(days, thick, t)).toBeLessThanOrEqual(more + 1e-9);
          expect(after(days, thin, t + 1)).toBeLessThanOrEqual(more + 1e-9);
          expect(after(days + 1, 0, t)).toBeGreaterThanOrEqual(after(days, 0, t) - 1e-9);
          expect(more).toBeGreaterThanOrEqual(0);
          expect(more).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 60, seed: 5 },
    );
  });
  test('weekly steps come out as daily ones do, within what a flush counted a few days early adds', () => {
    expect(Math.abs(after(56, 0, 0, 7) - after(56, 0))).toBeLessThan(0.08);
    expect(Math.abs(after(56, 0, 0, 2) - after(56, 0))).toBeLessThan(0.015);
  });
  test('a weedy bed starts with weeds, sod with more; a stand that falls on them presses them', () => {
    expect(groundOf('clean').mass).toBe(0);
    expect(groundOf('sod').mass).toBeGreaterThan(groundOf('weedy').mass);
    const w = { seeds: 1, mass: 0.4 };
    fallOn(w, 5);
    expect(w.mass).toBeCloseTo(0.4 * Math.exp(-0.75), 6);
  });
});
