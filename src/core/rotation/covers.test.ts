import { describe, expect, test } from '@jest/globals';
import { dayOf } from '../calendar/day.ts';
import { type Sample } from '../choose/sample.ts';
import { asSummed, type PlanCover, sumsOf, variedPicks } from './covers.ts';

/** A cover of a plan, as far as picks and sums look at it. */
const cover = (
  id: string,
  fit: number,
  best: { bare?: number; nitrogen?: number; minutes?: number; start?: string } = {},
): PlanCover => ({
  fit,
  sample: {
    id,
    name: id,
    sowDay: dayOf('2027-09-05'),
    best: {
      bareDays: { mid: best.bare ?? 10 },
      nitrogen_g_m2: { mid: best.nitrogen ?? 2 },
      minutesPer100m2: best.minutes ?? 120,
      startDay: dayOf(best.start ?? '2028-05-02'),
    },
  } as unknown as Sample,
});
const picked = (...gaps: [bed: string, year: number, ...covers: [string, number][]][]) => {
  const all = gaps.map(([bedId, year, ...covers]) => ({
    bedId,
    year,
    covers: covers.map(([id, fit]) => cover(id, fit)),
  }));
  return variedPicks(all).map((at, i) => (at === undefined ? undefined : all[i]!.covers[at]!.sample.id));
};

describe('which cover each gap takes', () => {
  test('the best, and none where nothing fits', () =>
    expect(picked(['a', 0, ['rye', 0.5], ['vetch', 0.4]], ['b', 0])).toEqual(['rye', undefined]));
  test('not twice running on a bed, unless the other is much worse', () => {
    expect(picked(['a', 0, ['rye', 0.5]], ['a', 1, ['rye', 0.5], ['vetch', 0.42]])).toEqual(['rye', 'vetch']);
    expect(picked(['a', 0, ['rye', 0.5]], ['a', 1, ['rye', 0.5], ['vetch', 0.37]])).toEqual(['rye', 'rye']);
  });
  test('of two that are about as good, the one that hangs in fewer gaps', () => {
    const near: [string, number][] = [
      ['rye', 0.5],
      ['vetch', 0.47],
    ];
    expect(picked(['a', 0, ...near], ['b', 0, ...near], ['c', 0, ...near], ['d', 0, ...near])).toEqual([
      'rye',
      'rye',
      'vetch',
      'rye',
    ]);
  });
});

describe('what the covers of a plan come to', () => {
  const gap = (year: number, days: number, taken?: PlanCover) => ({
    year,
    area_m2: 10,
    freeDay: 0,
    plantDay: days,
    cover: taken && asSummed(taken),
    sowing_min_100m2: 90,
  });
  test('bare days a bed and year, nitrogen by year, work by month, and what hangs most', () => {
    const rye = cover('rye', 0.5, { bare: 20, nitrogen: 3, minutes: 90, start: '2028-04-20' });
    const drain = cover('oats', 0.4, { bare: 10, nitrogen: -1, minutes: 60, start: '2029-10-05' });
    const sums = sumsOf(
      [gap(0, 200, rye), gap(0, 100), gap(1, 150, rye), gap(1, 50, drain)],
      [
        { year: 0, area_m2: 10, takes_g_m2: 18, plantDay: dayOf('2028-05-20'), minutes: 12 },
        { year: 1, area_m2: 10, takes_g_m2: 6, plantDay: dayOf('2029-05-02'), minutes: 5 },
        { year: 1, area_m2: 10, takes_g_m2: 0, plantDay: dayOf('2029-07-02'), minutes: 4 },
      ],
      2,
      2,
    );
    expect(sums.gaps).toBe(4);
    expect(sums.emptyDays).toBe(500 / 4);
    expect(sums.bareDays).toBe((20 + 100 + 20 + 10) / 4);
    // What a cover costs the next crop is no gift, and is told where covers are chosen.
    expect(sums.nitrogen).toEqual([
      { given_g: 30, wanted_g: 180 },
      { given_g: 30, wanted_g: 60 },
    ]);
    expect(sums.minutes.end).toEqual([0, 0, 0, 18, 0, 0, 0, 0, 0, 6, 0, 0]);
    expect(sums.minutes.plant).toEqual([0, 0, 0, 0, 17, 0, 4, 0, 0, 0, 0, 0]);
    // Three covers sown, nine minutes each.
    expect(sums.minutes.sow).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 27, 0, 0, 0]);
    expect(sums.most).toEqual({ name: 'rye', times: 2 });
  });
  test('a plan without gaps', () =>
    expect(sumsOf([], [], 3, 1)).toMatchObject({ gaps: 0, bareDays: 0, emptyDays: 0, most: undefined }));
});
