import { describe, expect, test } from '@jest/globals';
import { climates, cropOf } from '../catalogue/catalogue.ts';
import { dayOf } from '../core/calendar/day.ts';
import { offerPlanting } from '../core/choose/begin.ts';
import { siteFromPattern } from '../core/climate/pattern.ts';
import { type ForecastInput } from '../core/plan/standing.ts';
import { insteadOf, plantBackInput, restMissing } from './plantBack.ts';
import type { Planting } from '../records/types.ts';

const site = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const JUNE = dayOf('2027-06-10');

describe('crops that could go in instead', () => {
  const found = insteadOf(cropOf('bush-bean'), site, JUNE, ['Solanaceae']);
  test('are of other families than the crop and than what stood here, one of each', () => {
    const families = found.map((c) => c.family);
    expect(families.length).toBeGreaterThan(2);
    expect(new Set(families).size).toBe(families.length);
    expect(families).not.toContain('Fabaceae');
    expect(families).not.toContain('Solanaceae');
  });
  test('are in season, and none that would stand for years', () => {
    for (const c of found) expect(c.days[1]).toBeLessThan(366);
    // Garlic goes in in autumn.
    expect(found.map((c) => c.id)).not.toContain('garlic');
    const days = (on: string) =>
      insteadOf(cropOf('bush-bean'), site, dayOf(on), []).map(
        (c) => offerPlanting(site, c, c.ways[0]!, dayOf(on) - 42)!.day - dayOf(on),
      );
    for (const on of ['2027-04-05', '2027-06-10', '2027-08-20'])
      for (const late of days(on)) expect(late).toBeLessThanOrEqual(10);
    const april = insteadOf(cropOf('bush-bean'), site, dayOf('2027-04-05'), []).map((c) => c.family);
    expect(april).not.toContain('Cucurbitaceae');
    expect(found.map((c) => c.family)).toContain('Cucurbitaceae');
  });
});

test('the other way of planting is told where a crop has one, and is another', () => {
  const forecast = { site, plantDay: JUNE } as ForecastInput;
  const asked = (id: string, way: 'seed' | 'transplant') =>
    plantBackInput(forecast, { method: 'cut', startDay: JUNE - 20 }, cropOf(id), way, []).otherWay?.way;
  expect([asked('leek', 'transplant'), asked('leek', 'seed')]).toEqual(
    cropOf('leek').ways.length > 1 ? ['seed', 'transplant'] : [undefined, 'transplant'],
  );
  expect(asked('carrot', 'seed')).toBeUndefined();
});

test('the family that stood here last is named where it wants more years than have passed', () => {
  const planting = { cropId: 'cabbage' } as Planting;
  const wants = cropOf('cabbage').setOut.rest_y;
  const stood = (yearsAgo: number) => [
    { family: 'Brassicaceae', yearsAgo },
    { family: 'Fabaceae', yearsAgo: 0 },
  ];
  expect(restMissing(planting, stood(wants - 1))).toEqual({
    family: 'Brassicaceae',
    yearsAgo: wants - 1,
    wanted_y: wants,
  });
  expect(restMissing(planting, stood(wants))).toBeUndefined();
});
