import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inside, cornersOf, type Shape, triangle } from './shape.ts';
import { movedTo, spotsOf, within } from './spots.ts';

const bed: Shape = { width_m: 1.2, length_m: 8, area_m2: 9.6, ring: null };
const post = { width_m: 0.3, length_m: 0.3, count: 2 };
const tub = { width_m: 0.5, length_m: null, count: 1 };

describe('what stands in a bed', () => {
  test('stands in a row along its middle while nobody has placed it, all as far from one another', () => {
    const spots = spotsOf(bed, [post, tub]);
    expect(spots.map((s) => [s.of, s.nth, s.at[0], Number(s.at[1].toFixed(3)), s.guessed])).toEqual([
      [0, 0, 0, -2, true],
      [0, 1, 0, 0, true],
      [1, 0, 0, 2, true],
    ]);
    expect(spots[2]).toMatchObject({ width_m: 0.5, length_m: null });
    const across = spotsOf({ ...bed, width_m: 8, length_m: 1.2 }, [tub]);
    expect(across[0]!.at).toEqual([0, 0]);
    expect(spotsOf({ ...bed, width_m: 8, length_m: 1.2 }, [post]).map((s) => s.at[1])).toEqual([0, 0]);
  });
  test('stands where it was put, and the others share the row among themselves', () => {
    const spots = spotsOf(bed, [{ ...post, spots: [[0.3, 1]] }, tub]);
    expect(spots.map((s) => [s.guessed, s.at[0], Number(s.at[1].toFixed(3))])).toEqual([
      [false, 0.3, 1],
      [true, 0, expect.closeTo(-1.333, 3)],
      [true, 0, expect.closeTo(1.333, 3)],
    ]);
  });
  test('the second one moved keeps the first where it was drawn; the third stays without a place', () => {
    const spots = spotsOf(bed, [{ ...post, count: 3 }]);
    expect(movedTo(spots, 0, 1, [0.2, 3])).toEqual([
      [0, -2],
      [0.2, 3],
    ]);
    const placed = spotsOf(bed, [
      {
        ...post,
        count: 3,
        spots: [
          [0, -1],
          [0, 1],
          [0, 2],
        ],
      },
    ]);
    expect(movedTo(placed, 0, 0, [0.1, 0])).toEqual([
      [0.1, 0],
      [0, 1],
      [0, 2],
    ]);
  });
  test('nothing is put outside of its bed: the nearest edge holds it', () => {
    expect(within(bed, [0.2, 1])).toEqual([0.2, 1]);
    expect(within(bed, [5, 1])).toEqual([0.6, 1]);
    expect(within(bed, [0, -9])).toEqual([0, -4]);
    const corner: Shape = { width_m: null, length_m: null, area_m2: 6, ring: triangle(3, 4) };
    fc.assert(
      fc.property(
        fc.double({ min: -9, max: 9, noNaN: true }),
        fc.double({ min: -9, max: 9, noNaN: true }),
        (x, y) => {
          const [a, b] = within(corner, [x, y]);
          const middle: [number, number] = [a + (-0.5 - a) * 1e-6, b + (-0.66 - b) * 1e-6];
          expect(inside(middle, cornersOf(corner))).toBe(true);
        },
      ),
    );
  });
});
