import { describe, expect, test } from '@jest/globals';
import { crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { makeCourse } from '../stand/course.ts';
import { type Variation } from '../stand/variation.ts';
import { type Season } from '../weather/season.ts';
import { newYearEnd } from './yearEnd.ts';
import { endGrowth, readyEnding, UNDER_COVER_LIVES } from './end.ts';
import { type MethodHere } from './method.ts';
import { type Plan } from './plan.ts';

// A season by hand: every day is a day at 20 °C under a sheet.
const DAYS = 120;
const AT = 40;
const members = membersOf([
  { speciesId: 'spring-oats', share: 0.5 },
  { speciesId: 'red-clover', share: 0.5 },
]);
const plan = {
  members,
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  sownAt: 0,
  plantAt: 110,
  next: { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' },
} as unknown as Plan;
const rising = () => Float64Array.from({ length: DAYS + 1 }, (_, d) => d);
const season = {
  days: DAYS,
  sheetHeat: rising(),
  filmHeat: rising(),
  mellowing: rising(),
  rain_mm: new Float64Array(DAYS),
} as unknown as Season;
const plain = {
  killOdds: 1,
  coverHeat: 1,
  stageRate: 1,
  growth: 1,
  emergence: 1,
  hardiness_c: 0,
} as Variation;
const sheet = methods.find((m) => m.id === 'sheet')! as unknown as MethodHere;
/** Days from the first step to the sheet. */
const LAID = sheet.passes.find((p) => p.kind === 'lay-sheet')!.after_d!;

/** Oats alive all along; clover until a day. */
function laid(at: number, cloverUntil: number, v = plain, height_m = 0.2) {
  const course = makeCourse(DAYS, members);
  course.stage.fill(2);
  course.dm_g_m2.fill(150);
  course.n_g_m2.fill(4);
  course.height_m.fill(height_m);
  for (let d = 0; d < DAYS; d++) course.alive.set([1, d < cloverUntil ? 1 : 0], d * 2);
  return { ...endGrowth(readyEnding(plan, sheet), at, course, season, v, newYearEnd()) };
}

describe('under a sheet', () => {
  const from = AT + LAID;
  test('a mix is dead when the toughest that lives on the day it is laid is: clover after 38 days, oats alone after 15', () => {
    expect(laid(AT, DAYS).deadAt).toBe(from + Math.ceil(1.8 * 21));
    expect(laid(AT, AT).deadAt).toBe(from + Math.ceil(0.7 * 21));
    // Alive until the day before is dead on the day.
    expect(laid(AT, AT + 1).deadAt).toBe(from + Math.ceil(1.8 * 21));
  });
  test('a year whose plants are tougher takes that much longer; two in a hundred come through', () => {
    expect(laid(AT, AT, { ...plain, coverHeat: 1.5 }).deadAt).toBe(from + Math.ceil(1.5 * 0.7 * 21));
    expect(laid(AT, DAYS).surviving).toBe(UNDER_COVER_LIVES);
  });
  test('where the season is too short for it nothing is dead, and what the hand left alive lives', () => {
    const late = laid(DAYS - 20, DAYS);
    expect(late.deadAt).toBe(Infinity);
    expect(late.surviving).toBeGreaterThan(0.5);
    expect(laid(DAYS - 20, 0).deadAt).toBe(DAYS - 20 + LAID + Math.ceil(0.7 * 21));
  });
});
