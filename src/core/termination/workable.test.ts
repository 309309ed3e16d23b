import { describe, expect, test } from '@jest/globals';
import { type Course } from '../stand/course.ts';
import { type Standing } from '../stand/work.ts';
import { type Season } from '../weather/season.ts';
import { lose, mostOf, takeOff, turnUnder } from './matter.ts';
import { diggingDay, dries } from './workable.ts';

// Made days, so that each figure that decides can be seen to decide.

const DAYS = 40;
const days = (usual: number, other: Record<number, number> = {}) =>
  Float64Array.from({ length: DAYS }, (_, d) => other[d] ?? usual);
const season = (more: Partial<Record<'rain_mm' | 'soil_c' | 'et0_mm', Float64Array>> = {}) =>
  ({ days: DAYS, rain_mm: days(0), soil_c: days(8), et0_mm: days(2), ...more }) as unknown as Season;
const wet = (root_mm: Float64Array) => ({ root_mm }) as unknown as Course;
const loam = { texture: 'loam', fertility: 'fair' } as const;

describe('a day on which a bed can be dug', () => {
  const FULL = days(1000);
  const DRY = days(10);
  test('is the day asked about, where the ground is thawed and not full, however much it rains', () => {
    expect(diggingDay(loam, wet(DRY), season({ rain_mm: days(30) }), 12)).toBe(12);
  });
  test('where the ground is full, it is one on which and before which it hardly rained', () => {
    const rain = (other: Record<number, number>) => season({ rain_mm: days(0, other) });
    expect(diggingDay(loam, wet(FULL), rain({}), 12)).toBe(12);
    // The rain of yesterday counts as that of today does; what falls tomorrow does not.
    expect(diggingDay(loam, wet(FULL), rain({ 11: 6 }), 12)).toBe(13);
    expect(diggingDay(loam, wet(FULL), rain({ 12: 6 }), 12)).toBe(14);
    expect(diggingDay(loam, wet(FULL), rain({ 13: 6 }), 12)).toBe(12);
    expect(diggingDay(loam, wet(FULL), rain({ 11: 3, 12: 3 }), 12)).toBe(13);
    expect(diggingDay(loam, wet(FULL), rain({ 11: 2, 12: 3 }), 12)).toBe(12);
    expect(diggingDay(loam, wet(FULL), rain({}), 0)).toBe(0);
  });
  test('clay smears after a millimetre, and sand bears twenty', () => {
    const after = (texture: 'sand' | 'clay', mm: number) =>
      diggingDay({ texture, fertility: 'fair' }, wet(FULL), season({ rain_mm: days(0, { 12: mm }) }), 12);
    expect([after('clay', 1), after('clay', 2), after('sand', 20), after('sand', 21)]).toEqual([
      12, 14, 12, 14,
    ]);
  });
  test('frost in the ground keeps a spade out until it has been thawed for most of a week; no such day in a fortnight is none', () => {
    expect(diggingDay(loam, wet(DRY), season({ soil_c: days(8, { 12: 0.5 }) }), 12)).toBe(18);
    expect(diggingDay(loam, wet(DRY), season({ soil_c: days(0) }), 12)).toBe(Infinity);
    expect(diggingDay(loam, wet(FULL), season({ rain_mm: days(9) }), 12)).toBe(Infinity);
  });
});

test('pressed stems dry where the air takes twelve millimetres in twelve days', () => {
  expect(dries(season({ et0_mm: days(1) }), 5)).toBe(true);
  expect(dries(season({ et0_mm: days(1, { 8: 0.9 }) }), 5)).toBe(false);
  // Days before, and after, are no help.
  expect(dries(season({ et0_mm: days(0, { 4: 20, 17: 20 }) }), 5)).toBe(false);
  expect(dries(season({ et0_mm: days(0, { 16: 12 }) }), 5)).toBe(true);
});

describe('matter of a stand', () => {
  const plant = (alive: number, dm: number, n: number) => ({ alive, dm, n, lai: 2 });
  const made = (...plants: ReturnType<typeof plant>[]) => ({
    stand: {
      plants,
      dead: { dm_g_m2: 0, n_g_m2: 0, rate: 0, gives: 0 },
    } as unknown as Standing,
    course: { laid: [], exported_g_m2: 0, exportedN_g_m2: 0 } as unknown as Course,
  });
  test('what is lost lies by member, and what lives keeps its share of tops, nitrogen and leaf', () => {
    const { stand, course } = made(plant(1, 200, 6), plant(0, 90, 2), plant(0.5, 100, 4));
    lose(0.25, 9, stand, course);
    expect(course.laid.map((l) => [l.member, l.dm_g_m2, l.n_g_m2, l.day])).toEqual([
      [0, 150, 4.5, 9],
      [2, 75, 3, 9],
    ]);
    expect(stand.plants.map((q) => [q.alive, q.dm, q.n, q.lai])).toEqual([
      [0.25, 50, 1.5, 0.5],
      [0, 90, 2, 2],
      [0.125, 25, 1, 0.5],
    ]);
    expect([stand.dead.dm_g_m2, stand.dead.n_g_m2]).toEqual([225, 7.5]);
    expect(mostOf(stand.plants)).toBe(0.25);
  });
  test('what is turned under is all that lay on top: what passes laid by its own entry, what frost had killed by one more', () => {
    const { stand, course } = made(plant(1, 200, 6));
    lose(0.5, 9, stand, course);
    Object.assign(stand.dead, { dm_g_m2: 140, n_g_m2: 5 });
    turnUnder(12, stand, course);
    expect(course.laid.map((l) => [l.dm_g_m2, l.n_g_m2, l.buried, l.day])).toEqual([
      [100, 3, true, 9],
      [40, 2, true, 12],
    ]);
    expect([stand.dead.dm_g_m2, stand.dead.n_g_m2]).toEqual([0, 0]);
    // Once under, it is not turned under again.
    Object.assign(stand.dead, { dm_g_m2: 10, n_g_m2: 0.2 });
    turnUnder(20, stand, course);
    expect(course.laid.map((l) => l.dm_g_m2)).toEqual([100, 40, 10]);
  });
  test('what is carried off leaves a share of what lay on top, and is written down with its nitrogen', () => {
    const { stand, course } = made(plant(1, 200, 6));
    lose(0.5, 9, stand, course);
    Object.assign(stand.dead, { dm_g_m2: 140, n_g_m2: 5 });
    takeOff(0.1, stand, course);
    expect(course.laid[0]!.dm_g_m2).toBeCloseTo(10, 9);
    expect([stand.dead.dm_g_m2, course.exported_g_m2]).toEqual([
      expect.closeTo(14, 9),
      expect.closeTo(126, 9),
    ]);
    expect(course.exportedN_g_m2).toBeCloseTo(4.5, 9);
  });
});
