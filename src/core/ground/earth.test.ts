import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Anchor, anchorOf, middleOnEarth, onEarth, onPlan, outlineOnEarth } from './earth.ts';
import { layOut, toldPlaces } from './layOut.ts';
import { boxOf, outlineOf, type Point } from './shape.ts';

/** About 100 m west to east and north to south at 54.5° north. */
const anchor: Anchor = { earth: [-1.5, 54.5], plan: [10, 20], north_deg: 0 };
const ringed = (
  id: string,
  place: [number, number],
  ring: Point[],
  at: { x_m: number; y_m: number; turn_deg: number } | null = null,
) => ({
  id,
  block: '',
  order: 0,
  width_m: null,
  length_m: null,
  area_m2: 8,
  ring,
  place,
  at,
});
/** A right angle at its south-west corner, pointing north. */
const TRIANGLE: Point[] = [
  [0, 0],
  [4, 0],
  [0, 4],
  [0, 0],
];

describe('between plan and earth', () => {
  test('north is up where north is at the top, and to the right where the plan is turned a quarter', () => {
    const north: [number, number] = [-1.5, 54.5 + 10 / 111_320];
    const up = onPlan(north, anchor);
    expect(up[0]).toBeCloseTo(10, 6);
    expect(up[1]).toBeCloseTo(10, 6);
    const right = onPlan(north, { ...anchor, north_deg: 90 });
    expect(right[0]).toBeCloseTo(20, 6);
    expect(right[1]).toBeCloseTo(20, 6);
  });
  test('a degree of longitude is shorter by the cosine of the latitude: 64.6 km at 54.5°', () => {
    expect(onPlan([-0.5, 54.5], anchor)[0] - 10).toBeCloseTo(111_320 * 0.580703, 0);
  });
  test('there and back is where one was, however the plan is turned', () => {
    const metre = fc.double({ min: -300, max: 300, noNaN: true });
    fc.assert(
      fc.property(metre, metre, fc.double({ min: -180, max: 180, noNaN: true }), (x, y, north_deg) => {
        const a = { ...anchor, north_deg };
        const [bx, by] = onPlan(onEarth([x, y], a), a);
        expect(Math.hypot(bx - x, by - y)).toBeLessThan(1e-6);
      }),
    );
  });
});

describe('beds that a file tells of', () => {
  const west = ringed('west', [-1.5, 54.5], TRIANGLE);
  const east = ringed('east', [-1.5 + 10 / (111_320 * 0.580703), 54.5], TRIANGLE);
  test('lie beside each other as they do on the earth, north of them up: a triangle is not mirrored', () => {
    const places = layOut([west, east]);
    const [a, b] = [places.get('west')!, places.get('east')!];
    expect(b.x_m - a.x_m).toBeCloseTo(10, 3);
    expect(b.y_m - a.y_m).toBeCloseTo(0, 6);
    // The tip of the triangle lies north of its base: above it on the plan, over its western corner.
    const outline = outlineOf(west, a);
    const top = outline.reduce((t, p) => (p[1] < t[1] ? p : t));
    expect(top[0]).toBeCloseTo(boxOf(outline).x, 9);
  });
  test('turn with the plan: where north lies to the right, so does the tip', () => {
    const places = layOut([west, east], 90);
    const outline = outlineOf(west, places.get('west')!);
    const tip = outline.reduce((t, p) => (p[0] > t[0] ? p : t));
    expect(tip[1]).toBeCloseTo(boxOf(outline).y, 6);
    expect(places.get('east')!.y_m - places.get('west')!.y_m).toBeCloseTo(10, 3);
  });
  test('beside one that was laid out by hand, the others keep their distance from it', () => {
    const at = { x_m: 50, y_m: 60, turn_deg: 0 };
    const places = layOut([{ ...west, at }, east]);
    expect(places.get('east')!.x_m).toBeCloseTo(60, 3);
    expect(places.get('east')!.y_m).toBeCloseTo(60, 6);
  });
  test('brought in beside beds of which nothing is known they keep their distance, clear of what is laid out', () => {
    const drawn = {
      ...west,
      id: 'drawn',
      ring: null,
      place: null,
      width_m: 3,
      length_m: 6,
      area_m2: 18,
      at: { x_m: 20, y_m: 5, turn_deg: 0 },
    };
    const places = layOut([drawn, west, east]);
    const [a, b] = [places.get('west')!, places.get('east')!];
    expect(b.x_m - a.x_m).toBeCloseTo(10, 3);
    expect(places.get('drawn')).toEqual(drawn.at);
    const box = boxOf(outlineOf(west, a));
    expect([box.x, box.y].map((x) => Number(x.toFixed(6)))).toEqual([18.5, 9]);
  });
  test('are kept there where it follows where that is, and not where it was guessed beside a plan drawn by hand', () => {
    const drawn = {
      ...west,
      id: 'drawn',
      ring: null,
      place: null,
      width_m: 3,
      length_m: 6,
      area_m2: 18,
      at: { x_m: 20, y_m: 5, turn_deg: 0 },
    };
    expect([...toldPlaces([drawn], [west, east], 0)]).toEqual([]);
    expect([...toldPlaces([], [west, east], 0).keys()]).toEqual(['west', 'east']);
    expect([...toldPlaces([{ ...drawn, at: null }], [west, east], 0).keys()]).toEqual(['west', 'east']);
    const known = { ...west, at: { x_m: 50, y_m: 60, turn_deg: 0 } };
    expect(toldPlaces([drawn, known], [east], 0).get('east')!.x_m).toBeCloseTo(60, 3);
  });
  test('beds without a place lie clear of them', () => {
    const plain = { ...west, id: 'plain', ring: null, place: null, width_m: 1.2, length_m: 8, area_m2: 9.6 };
    const places = layOut([west, east, plain]);
    const under = boxOf([west, east].flatMap((b) => outlineOf(b, places.get(b.id)!)));
    expect(boxOf(outlineOf(plain, places.get('plain')!)).y).toBeGreaterThan(under.y + under.height);
  });
});

describe('beds of the plan on the earth', () => {
  const known = ringed('known', [-1.5, 54.5], TRIANGLE, { x_m: 0, y_m: 0, turn_deg: 0 });
  const drawn = {
    ...known,
    id: 'drawn',
    ring: null,
    place: null,
    width_m: 2,
    length_m: 6,
    area_m2: 12,
    at: { x_m: 10, y_m: 0, turn_deg: 0 },
  };
  test('a bed drawn beside one that is known lies as far east of it', () => {
    const a = anchorOf([drawn, known], 0)!;
    const outline = outlineOnEarth(drawn, a)!;
    expect(outline).toHaveLength(5);
    expect(outline[0]).toEqual(outline[4]);
    const middle = middleOnEarth(known)!;
    const lons = outline.map((p) => (p[0] - middle[0]) * 111_320 * Math.cos((middle[1] * Math.PI) / 180));
    expect([Math.min(...lons), Math.max(...lons)].map((x) => Number(x.toFixed(3)))).toEqual([9, 11]);
  });
  test('the known one comes out where it came in', () => {
    const outline = outlineOnEarth(known, anchorOf([known], 0))!;
    outline.slice(0, 3).forEach((p, i) => {
      expect(p[1] - 54.5).toBeCloseTo(TRIANGLE[i]![1] / 111_320, 9);
    });
  });
  test('where nothing tells, there is no outline', () => {
    expect(anchorOf([drawn], 0)).toBeUndefined();
    expect(outlineOnEarth(drawn, undefined)).toBeUndefined();
    expect(outlineOnEarth({ ...known, at: null }, undefined)).toHaveLength(4);
  });
});
