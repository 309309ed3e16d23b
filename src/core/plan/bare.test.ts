import { expect, test } from '@jest/globals';
import { climates, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { nitrogenDay, startSoil, waterDay } from '../soil/day.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { cleanGround, weedsGrow } from '../weeds/weeds.ts';
import { growStand } from '../stand/grow.ts';
import { makeCourse } from '../stand/course.ts';
import { bareTwin } from './bare.ts';

const ensemble = makeEnsemble(siteFromPattern(climates[0]!), dayOf('2026-08-01'), 300, 4, 3);
const soil = { texture: 'loam', fertility: 'fair' } as const;

test('covers begin from the ground as it is on the morning it is free, days of bare weather behind it', () => {
  const { free } = bareTwin(ensemble, { soil, freeAt: 35 }).year(2);
  const st = startSoil(soil);
  for (let d = 0; d < 35; d++) {
    waterDay(st, ensemble.seasons[2]!, d);
    nitrogenDay(st, ensemble.seasons[2]!.soilTempo, d);
  }
  expect(free).toEqual(st);
  expect(free).not.toEqual(startSoil(soil));
});

test('weeds start when the ground is free, from what is on it: a weedy bed is ahead of a clean one', () => {
  const clean = bareTwin(ensemble, { soil, freeAt: 35 }).year(0).weeds;
  const weedy = bareTwin(ensemble, { soil, freeAt: 35, surface: 'weedy' }).year(0).weeds;
  expect([clean[34], weedy[34]]).toEqual([0, 0.05]);
  expect(weedy[60]).toBeGreaterThan(clean[60]!);
  expect(clean[120]).toBeGreaterThan(clean[60]!);
});

test('nothing shades the weeds of bare ground, and nothing lies on it', () => {
  const { weeds } = bareTwin(ensemble, { soil, freeAt: 35 }).year(3);
  const { weedWarmth } = ensemble.seasons[3]!;
  const open = cleanGround();
  for (let d = 35; d < 100; d++) weedsGrow(open, weedWarmth[d + 1]! - weedWarmth[d]!, 0, 0);
  expect(weeds[99]).toBe(open.mass);
  expect(weeds[99]).toBeGreaterThan(0.1);
});

test('what stays of the first nitrogen only falls, and the twin of a gap is worked out once', () => {
  const twin = bareTwin(ensemble, { soil, freeAt: 35 });
  const { kept, drained_mm } = twin.year(1);
  for (let d = 1; d < kept.length; d++) {
    expect(kept[d]).toBeLessThanOrEqual(kept[d - 1]!);
    expect(drained_mm[d]).toBeGreaterThanOrEqual(drained_mm[d - 1]!);
  }
  expect(kept.at(-1)).toBeLessThan(0.9);
  expect(bareTwin(ensemble, { soil: { ...soil }, freeAt: 35 })).toBe(twin);
  expect(bareTwin(ensemble, { soil, freeAt: 36 })).not.toBe(twin);
});

test('what is sown later grows the same from the morning of its sowing as from the day the ground was free', () => {
  const twin = bareTwin(ensemble, { soil, freeAt: 35 });
  const members = membersOf([{ speciesId: 'hairy-vetch', share: 1 }]);
  const stand = { members, seed_g_m2: [4], way: findWay('raked')!, soil, watered: true, sownAt: 84 };
  const grown = (day: number) => {
    const course = makeCourse(ensemble.days, members);
    const before = { day, soil: twin.morning(1, day) };
    return growStand(stand, ensemble.seasons[1]!, ensemble.variations[1]!, course, undefined, before);
  };
  const late = grown(84);
  const whole = grown(35);
  for (const k of ['dm_g_m2', 'n_g_m2', 'stage', 'alive', 'cover'] as const)
    expect(late[k]).toEqual(whole[k]);
  expect(late.root_mm.subarray(84)).toEqual(whole.root_mm.subarray(84));
  expect(late.mineral_g_m2.subarray(84)).toEqual(whole.mineral_g_m2.subarray(84));
  expect([late.water, late.soilNitrogen]).toEqual([whole.water, whole.soilNitrogen]);
  expect(Math.max(...late.dm_g_m2)).toBeGreaterThan(50);
  // Asked in any order, a morning is the same.
  const other = bareTwin(ensemble, { soil: { ...soil, fertility: 'rich' }, freeAt: 35 });
  const before = other.morning(1, 60);
  expect(other.morning(1, 84)).toEqual(
    bareTwin(ensemble, { soil: { ...soil, fertility: 'rich' }, freeAt: 0 }).morning(1, 84),
  );
  expect(other.morning(1, 60)).toBe(before);
});
