import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf } from '../core/calendar/day.ts';
import { cropOf, findCrop } from '../catalogue/catalogue.ts';
import { planRotation } from '../core/rotation/rotation.ts';
import { REST } from '../core/rotation/rules.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { comingYear, offeredIn, plantingsFor, rotationQuestion, seasonOf, standsFor_d } from './rotation.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const garden = read.value;
const TODAY = '2027-04-13';

describe('rotation from the records', () => {
  const asked = rotationQuestion(garden, TODAY, 3);
  const bed = (name: string) => asked.beds.findIndex((b) => b.id === `north-shore-bed-${name}`);
  test('each bed brings the crop that stands longest this year, in the order of the walk', () => {
    expect(comingYear(TODAY)).toBe(2028);
    expect(asked.beds.map((b) => b.id.slice(16))).toEqual(
      [...garden.beds].sort((a, b) => a.order - b.order).map((b) => b.name),
    );
    expect(asked.wanted[bed('1')]!.cropId).toBe('winter-squash');
    expect(asked.wanted[bed('3')]).toMatchObject({ cropId: 'tomato', family: 'Solanaceae', hungry: true });
  });
  test('of two crops in a year the longer one, whichever comes first in the records', () => {
    const bedId = 'north-shore-bed-1';
    const crop = (id: string, cropId: string, plantOn: string, clearOn: string) => ({
      ...garden.plantings[0]!,
      ...{ id, bedId, cropId, plantOn, clearOn, plantedOn: null, clearedOn: null },
    });
    const two = [
      crop('x', 'radish', '2027-04-15', '2027-05-20'),
      crop('y', 'cabbage', '2027-06-01', '2027-10-10'),
    ];
    const others = garden.plantings.filter((p) => p.bedId !== bedId);
    for (const mine of [two, [...two].reverse()]) {
      const q = rotationQuestion({ ...garden, plantings: [...others, ...mine] }, TODAY, 3);
      expect(q.wanted[q.beds.findIndex((b) => b.id === bedId)]!.cropId).toBe('cabbage');
    }
  });
  test('what stood there counts by its years: this year is nought', () => {
    const past = asked.beds[bed('3')]!.past;
    expect(past).toContainEqual({ family: 'Solanaceae', yearsAgo: 0 });
    // The potatoes of 2026.
    expect(past).toContainEqual({ family: 'Solanaceae', yearsAgo: 1 });
    expect(asked.beds[bed('3')]!.hungryNow).toBe(true);
  });
  test('a bed that is cut takes a crop for each piece that is planted, each after what stood on the whole bed', () => {
    const whole = garden.beds.find((b) => b.name === '3')!;
    const piece = (id: string, share: [number, number], use: 'bed' | 'path') => ({
      ...whole,
      id,
      order: whole.order + share[1] / 100,
      piece: { of: whole.id, from: '2027-03-01', until: null, side: 'along' as const, share, use },
    });
    const beds = [
      ...garden.beds,
      piece('a', [0, 0.5], 'bed'),
      piece('b', [0.5, 0.6], 'path'),
      piece('c', [0.6, 1], 'bed'),
    ];
    const cut = rotationQuestion({ ...garden, beds }, TODAY, 3);
    const ids = cut.beds.map((b) => b.id);
    expect([ids.includes(whole.id), ids.includes('b'), ids.indexOf('c') - ids.indexOf('a')]).toEqual([
      false,
      false,
      1,
    ]);
    expect(cut.beds[ids.indexOf('c')]!.past).toEqual(asked.beds[bed('3')]!.past);
    // Joined before the year begins, it is one bed again.
    const joined = beds.map((b) => (b.piece ? { ...b, piece: { ...b.piece, until: '2027-12-01' } } : b));
    expect(rotationQuestion({ ...garden, beds: joined }, TODAY, 3).beds.length).toBe(garden.beds.length);
  });
  test('clubroot keeps the cabbage family off its bed', () => {
    const ill = {
      ...garden,
      beds: garden.beds.map((b) => (b.name === '5' ? { ...b, troubles: ['clubroot' as const] } : b)),
    };
    expect(rotationQuestion(ill, TODAY, 1).beds[bed('5')]!.barred).toEqual(['Brassicaceae']);
    expect(asked.beds[bed('5')]!.barred).toEqual([]);
  });
  test('a crop is offered six weeks after the bed is free, or six weeks into the year that wakes on 1 February', () => {
    const kale = cropOf('kale');
    const { begins, until } = seasonOf(garden.garden, 2028);
    expect([begins, until]).toEqual([dayOf('2027-12-21'), dayOf('2029-01-01')]);
    const south = { site: { ...garden.garden.site, latitude_deg: -38 } };
    expect(seasonOf(south, 2028).begins).toBe(dayOf('2028-06-20'));
    const free = dayOf('2028-06-01');
    expect(offeredIn(garden.garden, kale, 2028, free)).toBe(free + 42);
    expect(offeredIn(garden.garden, kale, 2028, dayOf('2028-12-20'))).toBeUndefined();
    expect(standsFor_d(kale)).toBe(Math.round((kale.days[0] + kale.days[1]) / 2));
  });
  test('a year becomes plantings inside it, each in its season, none on a bed that rests, none twice', () => {
    const plan = planRotation(asked, 'with-rest');
    let n = 0;
    const made = plantingsFor(
      garden,
      asked.beds.map((b) => b.id),
      plan.grid[0]!,
      2028,
      () => `n${++n}`,
    );
    expect(made.length).toBeGreaterThan(8);
    for (const p of made) {
      expect(p.plantOn >= '2028-02-01' && p.plantOn < '2029-01-01').toBe(true);
      const at = asked.beds.findIndex((b) => b.id === p.bedId);
      expect(plan.grid[0]![at]).toBe(p.cropId);
      expect(plan.grid[0]![at]).not.toBe(REST);
      if (findCrop(p.cropId)!.frost === 'tender') expect(p.plantOn > '2028-04-15').toBe(true);
    }
    const again = plantingsFor(
      { ...garden, plantings: [...garden.plantings, ...made] },
      made.map((p) => p.bedId),
      made.map((p) => p.cropId),
      2028,
      () => 'x',
    );
    expect(again).toEqual([]);
  });
});
