import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cornersOf, outlineOf, type Shape } from './shape.ts';
import { pulledCorner, pulledSide, reshaped, rest, type Side, SIDES, turnedBy } from './pull.ts';

const bed: Shape = { width_m: 1.2, length_m: 8, area_m2: 9.6, ring: null };
const at = (turn_deg = 0) => ({ x_m: 10, y_m: 20, turn_deg });

describe('a side that is pulled', () => {
  test.each<[Side, [number, number], object]>([
    ['right', [0.5, 9], { width_m: 1.7, length_m: 8, at: { x_m: 10.25, y_m: 20 } }],
    ['left', [0.5, 9], { width_m: 0.7, length_m: 8, at: { x_m: 10.25, y_m: 20 } }],
    ['left', [-0.5, 0], { width_m: 1.7, length_m: 8, at: { x_m: 9.75, y_m: 20 } }],
    ['bottom', [9, 1], { width_m: 1.2, length_m: 9, at: { x_m: 10, y_m: 20.5 } }],
    ['top', [0, 1], { width_m: 1.2, length_m: 7, at: { x_m: 10, y_m: 20.5 } }],
  ])('%s by %j', (side, by, want) => {
    const got = pulledSide(bed, at(), side, by);
    expect(got).toMatchObject(want);
    expect(got.area_m2).toBeCloseTo(got.width_m * got.length_m, 9);
  });
  test('of a bed that is turned it goes with the hand on the plan', () => {
    // Turned by a quarter, its right side looks down.
    const got = pulledSide(bed, at(90), 'right', [0, 0.5]);
    expect(got.width_m).toBeCloseTo(1.7, 9);
    expect(got.at.x_m).toBeCloseTo(10, 9);
    expect(got.at.y_m).toBeCloseTo(20.25, 9);
  });
  test('the side across from the hand stays where it is, however it is turned and pulled', () => {
    const across: Record<Side, number> = { right: 0, left: 1, bottom: 0, top: 2 };
    fc.assert(
      fc.property(
        fc.constantFrom(...SIDES),
        fc.integer({ min: -180, max: 180 }),
        fc.tuple(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: -3, max: 3, noNaN: true })),
        (side, turn, by) => {
          const before = outlineOf(bed, at(turn))[across[side]]!;
          const got = pulledSide(bed, at(turn), side, by);
          const after = outlineOf({ ...got, ring: null }, got.at)[across[side]]!;
          expect(Math.hypot(after[0] - before[0], after[1] - before[1])).toBeLessThan(1e-6);
        },
      ),
    );
  });
  test('it is never pulled to nothing, and comes to rest on five centimetres', () => {
    expect(pulledSide(bed, at(), 'right', [-50, 0]).width_m).toBe(0.2);
    expect(pulledSide(bed, at(), 'right', [0.13, 0]).width_m).toBe(1.35);
    expect([rest(0.024), rest(0.026), rest(-0.08)]).toEqual([0, 0.05, -0.1]);
    expect(pulledSide({ ...bed, width_m: null, length_m: null }, at(), 'right', [0, 0]).area_m2).toBeCloseTo(
      rest(Math.sqrt(9.6)) * Math.sqrt(9.6),
      0,
    );
  });
});

describe('a corner that is pulled', () => {
  test('moves alone, and the bed lies where its corners are', () => {
    const corners = pulledCorner(bed, at(), 2, [1, 2]);
    expect(corners).toEqual([
      [-0.6, -4],
      [0.6, -4],
      [1.6, 6],
      [-0.6, 4],
    ]);
    const shape = reshaped(corners, at());
    expect(shape.at).toEqual({ x_m: 10.5, y_m: 21, turn_deg: 0 });
    expect(shape.ring).toEqual([
      [0, 0],
      [1.2, 0],
      [2.2, 10],
      [0, 8],
    ]);
    // Shoelace: 9.6 m² and what the corner took in.
    expect(shape.area_m2).toBeCloseTo(14.8, 9);
    const place = outlineOf(shape, shape.at);
    outlineOf(bed, at()).forEach(([x, y], i) => {
      const [dx, dy] = i === 2 ? [1, 2] : [0, 0];
      expect(place[i]![0]).toBeCloseTo(x + dx, 9);
      expect(place[i]![1]).toBeCloseTo(y + dy, 9);
    });
  });
  test('of a turned bed it goes with the hand', () => {
    const corners = pulledCorner(bed, at(90), 0, [0, 1]);
    expect(corners[0]![0]).toBeCloseTo(0.4, 9);
    expect(corners[0]![1]).toBeCloseTo(-4, 9);
  });
  test('corners that fall together leave a little ground', () => {
    expect(
      reshaped(
        [
          [0, 0],
          [1, 0],
          [2, 0],
        ],
        at(),
      ).area_m2,
    ).toBe(0.05);
    expect(reshaped(cornersOf(bed), at()).area_m2).toBeCloseTo(9.6, 9);
  });
});

test('the grip that turns: straight up is no turn, to the right a quarter, in steps of five degrees, from the turn it has', () => {
  expect(turnedBy(at(), [0, -5])).toBe(0);
  expect(turnedBy(at(), [5, 0])).toBe(90);
  expect(turnedBy(at(), [0, 5])).toBe(180);
  expect(turnedBy(at(30), [5, 0])).toBe(60);
  expect(turnedBy(at(), [Math.sin(0.2), -Math.cos(0.2)])).toBe(10);
});
