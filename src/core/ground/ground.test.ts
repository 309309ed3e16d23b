import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ringArea_m2 } from '../area/area.ts';
import { sunAt } from '../calendar/sun.ts';
import { inARow, layOut } from './layOut.ts';
import { type Caster, dayOfLight, lightOf, shadedBy, shadowOf } from './shade.ts';
import { boxOf, circle, ell, inside, outlineOf, rounded, type Shape, triangle } from './shape.ts';
import { walkLength_m, walkOrder } from './walk.ts';

const rect = (width_m: number, length_m: number): Shape => ({
  width_m,
  length_m,
  area_m2: width_m * length_m,
  ring: null,
});
const lying = (x_m: number, y_m: number, turn_deg = 0) => ({ x_m, y_m, turn_deg });

describe('shapes', () => {
  test('a circle of corners holds the ground of the circle; a triangle, an L', () => {
    expect(ringArea_m2(circle(2))).toBeCloseTo(Math.PI, 6);
    expect(ringArea_m2(triangle(3, 2))).toBe(3);
    expect(ringArea_m2(triangle(3, 2, 0.5))).toBe(3);
    expect(ringArea_m2(ell(3, 4, 1, 2))).toBe(10);
  });
  test('turning and moving change no area, and a bed turned by ninety degrees lies across', () => {
    const box = boxOf(outlineOf(rect(1.2, 8), lying(5, 5, 90)));
    expect([box.width, box.height].map((x) => Number(x.toFixed(6)))).toEqual([8, 1.2]);
    fc.assert(
      fc.property(
        fc.double({ min: -360, max: 360, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (turn, at) => {
          const ring = outlineOf({ ...rect(1, 1), ring: ell(3, 4, 1, 2) }, lying(at, -at, turn));
          expect(ringArea_m2(ring)).toBeCloseTo(10, 6);
        },
      ),
    );
  });
  test('a bed known by its area alone is drawn as a square of it', () => {
    const ring = outlineOf({ width_m: null, length_m: null, area_m2: 9, ring: null }, lying(0, 0));
    expect(boxOf(ring)).toEqual({ x: -1.5, y: -1.5, width: 3, height: 3 });
  });
  test('a rounded ring stays inside its corners, with less ground and more points', () => {
    const square = [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ] as const;
    const curve = rounded(square);
    expect(curve).toHaveLength(32);
    for (const [x, y] of curve) expect(x >= 0 && x <= 4 && y >= 0 && y <= 4).toBe(true);
    expect(ringArea_m2(curve)).toBeGreaterThan(12);
    expect(ringArea_m2(curve)).toBeLessThan(16);
    expect(inside([0.1, 0.1], curve)).toBe(false);
    expect(inside([2, 2], curve)).toBe(true);
  });
});

describe('laying out', () => {
  const bed = (id: string, block: string, order: number, at: ReturnType<typeof lying> | null = null) => ({
    id,
    block,
    order,
    at,
    ...rect(1.2, 8),
  });
  test('block by block, with paths between, and none over another; what has a place keeps it', () => {
    const beds = [
      ...Array.from({ length: 30 }, (_, i) => bed(`e${i}`, 'East', i)),
      ...Array.from({ length: 4 }, (_, i) => bed(`w${i}`, 'West', 30 + i)),
      bed('known', 'West', 40, lying(3, -20)),
    ];
    const places = layOut(beds);
    expect(places.get('known')).toEqual(lying(3, -20));
    const boxes = beds.map((b) => boxOf(outlineOf(b, places.get(b.id)!)));
    for (const [i, a] of boxes.entries())
      for (const b of boxes.slice(i + 1)) {
        const apart =
          a.x + a.width <= b.x + 1e-9 ||
          b.x + b.width <= a.x + 1e-9 ||
          a.y + a.height <= b.y + 1e-9 ||
          b.y + b.height <= a.y + 1e-9;
        expect(apart).toBe(true);
      }
  });
  test('copies go on in the row of a turned bed, one path apart', () => {
    const [one, two] = inARow(rect(1, 4), lying(0, 0, 90), 2, 0.5, false);
    expect([one!.x_m, one!.y_m, two!.y_m].map((x) => Number(x.toFixed(6)))).toEqual([0, 1.5, 3]);
    expect(one!.turn_deg).toBe(90);
    expect(inARow(rect(1, 4), lying(0, 0), 1, 0.5, true)[0]!.y_m).toBeCloseTo(4.5, 9);
  });
});

describe('the walk', () => {
  test('two rows are walked up and down, not zigzag', () => {
    const places = [0, 1, 2, 3].flatMap((x) => [
      [x, 0],
      [x, 10],
    ]) as [number, number][];
    const order = walkOrder(places, [0, -1]);
    expect(walkLength_m(order.map((i) => places[i]!))).toBeCloseTo(16, 9);
    expect([...order].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
  });
  test('no stretch of the walk can be turned round and make it shorter', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 })), {
          minLength: 3,
          maxLength: 9,
        }),
        (places) => {
          const order = walkOrder(places, [0, 0]);
          const long = (o: number[]) => walkLength_m([[0, 0], ...o.map((i) => places[i]!)]);
          for (let i = 0; i < order.length; i++)
            for (let k = i + 1; k < order.length; k++) {
              const turned = [
                ...order.slice(0, i),
                ...order.slice(i, k + 1).reverse(),
                ...order.slice(k + 1),
              ];
              expect(long(turned)).toBeGreaterThanOrEqual(long(order) - 1e-6);
            }
        },
      ),
    );
  });
  test('every place once, whatever lies where', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 })), {
          maxLength: 14,
        }),
        (places) => {
          const order = walkOrder(places, [0, 0]);
          expect([...order].sort((a, b) => a - b)).toEqual(places.map((_, i) => i));
        },
      ),
    );
  });
});

describe('sun and shade', () => {
  test('stands in the south at noon in the north, in the north at noon in the south, east in the morning', () => {
    expect(sunAt(50, 172, 12).altitude_deg).toBeCloseTo(63.4, 0);
    expect(sunAt(50, 172, 12).azimuth_deg).toBeCloseTo(180, 3);
    expect(sunAt(-37, 355, 12).azimuth_deg % 360).toBeCloseTo(0, 3);
    expect(sunAt(50, 80, 8).azimuth_deg).toBeGreaterThan(90);
    expect(sunAt(50, 80, 8).azimuth_deg).toBeLessThan(140);
    expect(sunAt(50, 355, 3).altitude_deg).toBeLessThan(0);
  });
  const sky = { latitude_deg: 50, north_deg: 0 };
  const wall: Caster = { id: 'wall', ...lying(0, 3), width_m: 40, length_m: 0.2, round: false, height_m: 2 };
  const bed = outlineOf(rect(1.2, 2), lying(0, 0));
  test('a wall to the south takes the winter sun and leaves the summer noon', () => {
    expect(shadedBy([0, 0], [wall], sky, 355, 12)).toBe('wall');
    expect(shadedBy([0, 0], [wall], sky, 172, 12)).toBeNull();
    expect(shadedBy([0, 0], [wall], sky, 172, 0)).toBeUndefined();
    // The same wall where the plan lies the other way round stands in the north and takes nothing at noon.
    expect(shadedBy([0, 0], [wall], { ...sky, north_deg: 180 }, 355, 12)).toBeNull();
    // North to the right of the plan: south lies to its left.
    const left = { ...wall, x_m: -3, y_m: 0, turn_deg: 90 };
    expect(shadedBy([0, 0], [left], { ...sky, north_deg: 90 }, 355, 12)).toBe('wall');
    expect(shadedBy([0, 0], [left], { ...sky, north_deg: -90 }, 355, 12)).toBeNull();
    expect(dayOfLight(bed, [wall], sky, 355).sun_h).toBeLessThan(dayOfLight(bed, [], sky, 355).sun_h - 4);
  });
  test('a tree in the west takes the afternoon, and says from when to when', () => {
    const tree: Caster = { id: 'pear', ...lying(-4, 0), width_m: 3, length_m: 3, round: true, height_m: 5 };
    const day = dayOfLight(bed, [tree], sky, 172);
    expect(day.by[0]!.id).toBe('pear');
    expect(day.by[0]!.from).toBeGreaterThan(13);
    expect(day.sun_h + day.by[0]!.lost_h).toBeLessThanOrEqual(day.day_h + 0.01);
    expect(shadedBy([-4, 0], [tree], sky, 172, 12)).toBe('pear');
  });
  test('an open bed is open, one between two high walls is not', () => {
    expect(lightOf(bed, [], sky).shade).toBe('open');
    const high = [
      { ...wall, y_m: 1.6, height_m: 9 },
      { ...wall, id: 'north', y_m: -1.6, height_m: 9 },
    ];
    expect(lightOf(bed, high, sky).shade).toBe('deep');
    expect(lightOf(bed, [], { latitude_deg: -37, north_deg: 25 }).shade).toBe('open');
  });
  test('a shadow falls away from the sun, as long as height over its tangent', () => {
    const post: Caster = {
      id: 'post',
      ...lying(0, 0),
      width_m: 0.1,
      length_m: 0.1,
      round: false,
      height_m: 2,
    };
    const ring = shadowOf(post, sky, 80, 12);
    const box = boxOf(ring);
    // Equinox, 50 degrees north: the sun stands about 40 degrees high.
    expect(-box.y).toBeGreaterThan(2.2);
    expect(-box.y).toBeLessThan(2.6);
    expect(Math.abs(box.width - 0.1)).toBeLessThan(0.01);
    expect(shadowOf(post, sky, 80, 1)).toEqual([]);
  });
});
