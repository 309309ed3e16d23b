import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { packetUse } from './packet.ts';

describe('a packet against a bed', () => {
  test('two packets do where one sows half; half is sown well, not all of it thin', () => {
    const use = packetUse(48, 25, 2);
    expect(use).toMatchObject({ verdict: 'part', packets: 2, sow_g: 25, left_g: 0, density: 1 });
    expect(use.sown).toBeCloseTo(0.5208, 4);
    expect(use.throws_g).toEqual([12.5, 12.5]);
  });
  test('a fifth short is thrown over all of the bed, a third short is not', () => {
    expect(packetUse(100, 80, 2)).toMatchObject({ verdict: 'thin', sown: 1, density: 0.8, packets: 2 });
    expect(packetUse(100, 66, 2)).toMatchObject({ verdict: 'part', density: 1 });
  });
  test('exactly enough is enough, in one packet', () => {
    expect(packetUse(24, 200, 2)).toMatchObject({ verdict: 'enough', left_g: 176, sow_g: 24 });
    expect(packetUse(30, 30, 2)).toMatchObject({ verdict: 'enough', packets: 1, left_g: 0 });
  });
  test('an unweighed packet is asked for what the bed takes', () => {
    expect(packetUse(30, null, 2)).toMatchObject({ verdict: 'open', sow_g: 30, packets: undefined });
  });
  test('what is sown and what is left is never more than there was, and throws add up', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 5000, noNaN: true }),
        fc.double({ min: 0.2, max: 5000, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        (need, has, throws) => {
          const use = packetUse(need, has, throws);
          expect(use.sow_g + use.left_g).toBeLessThanOrEqual(has + 1e-9);
          expect(use.throws_g.reduce((a, b) => a + b, 0)).toBeCloseTo(use.sow_g, 0);
          expect(use.packets! * has).toBeGreaterThanOrEqual(need - 1e-6);
          expect(use.sown * use.density).toBeCloseTo(Math.min(1, has / need), 9);
        },
      ),
    );
  });
});
