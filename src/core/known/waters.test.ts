import { describe, expect, test } from '@jest/globals';
import { membersOf } from '../../catalogue/catalogue.ts';
import { AVAILABLE_WATER_MM, type Soil } from '../soil/soil.ts';
import { type Course } from '../stand/course.ts';
import { bearsWaters, watersUnder } from './waters.ts';

const soil = (texture: Soil['texture']): Soil => ({ texture, fertility: 'fair' });
const one = (...ids: string[]) => membersOf(ids.map((speciesId) => ({ speciesId, share: 1 / ids.length })));
/** A year whose root zone holds these shares of its water, day by day. */
const year = (...shares: number[]): Course =>
  ({ root_mm: Float64Array.from(shares, (s) => s * AVAILABLE_WATER_MM.loam) }) as unknown as Course;
const times = (id: string, waters: { dry: number; full: number }, texture: Soil['texture'] = 'loam') =>
  bearsWaters(one(id), waters, soil(texture)).map((f) => [f.code, Number(f.times.toFixed(3))]);

describe('how dry and how wet the ground was', () => {
  test('dry is what is missing under four tenths of the water, full is a root zone at its limit; means over days and years', () => {
    const courses = [year(1, 1, 0.2, 0), year(0.99, 0.5, 0.4, 0.1)];
    const { dry, full } = watersUnder(courses, soil('loam'), 0, 4);
    expect(dry).toBeCloseTo((0.5 + 1 + 0.75) / 8, 9);
    expect(full).toBeCloseTo(3 / 8, 9);
  });
  test('only the days of the stand count, and no days are neither dry nor wet', () => {
    expect(watersUnder([year(0, 0.6, 0.6, 1)], soil('loam'), 1, 3)).toEqual({ dry: 0, full: 0 });
    expect(watersUnder([year(0)], soil('loam'), 1, 1)).toEqual({ dry: 0, full: 0 });
  });
});

describe('what kinds bear', () => {
  test('on ground that is dry a third of the time sorghum gains on a usual plant and buckwheat loses', () => {
    const dry = { dry: 1 / 3, full: 0 };
    expect(times('sorghum-sudangrass', dry)).toEqual([['bears-drought', 1.1]]);
    expect(times('buckwheat', dry)).toEqual([['dry-ground', 0.917]]);
    expect(times('common-vetch', dry)).toEqual([['dry-ground', 0.983]]);
  });
  test('wet feet cost on clay, less on loam, nothing on sand, and nothing to a kind that bears them', () => {
    const wet = { dry: 0, full: 0.6 };
    expect(times('winter-field-pea', wet, 'clay')).toEqual([['wet-ground', 0.904]]);
    expect(times('winter-field-pea', wet, 'loam')).toEqual([['wet-ground', 0.962]]);
    expect(times('winter-field-pea', wet, 'sand')).toEqual([]);
    expect(times('alsike-clover', wet, 'clay')).toEqual([]);
  });
  test('a member of half a mix counts half', () => {
    const [pea] = bearsWaters(one('winter-field-pea', 'cereal-rye'), { dry: 0, full: 0.6 }, soil('clay'));
    const share = one('winter-field-pea', 'cereal-rye')[0]!.share;
    expect(pea!.times).toBeCloseTo(1 - 0.096 * share, 6);
    expect(pea!.facts.species).toBe('Winter field pea');
  });
  test('ground that is neither says nothing', () => {
    expect(times('buckwheat', { dry: 0.02, full: 0.05 })).toEqual([]);
  });
});
