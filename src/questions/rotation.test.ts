import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf } from '../core/calendar/day.ts';
import { cropOf, findCrop } from '../catalogue/catalogue.ts';
import { planRotation } from '../core/rotation/rotation.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { plantingsFor } from './coverPlan.ts';
import { comingYear, followsIn, offeredIn, rotationQuestion, seasonOf, standsFor_d } from './rotation.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const garden = read.value;
const TODAY = '2027-04-13';

describe('rotation from the records', () => {
  const asked = rotationQuestion(garden, TODAY, 3);
  const bed = (name: string) => asked.beds.findIndex((b) => b.id === `north-shore-bed-${name}`);
  test('each bed brings what stands on it this year, in the order of the walk', () => {
    expect(comingYear(TODAY)).toBe(2028);
    expect(asked.beds.map((b) => b.id.slice(16))).toEqual(
      [...garden.beds].sort((a, b) => a.order - b.order).map((b) => b.name),
    );
    expect(asked.turns[bed('1')]).toEqual(['winter-squash']);
    expect(asked.turns[bed('3')]).toEqual(['tomato']);
    expect(asked.crops.find((k) => k.cropId === 'tomato')).toMatchObject({
      family: 'Solanaceae',
      hungry: true,
    });
  });
  describe('what a bed brings', () => {
    const bedId = 'north-shore-bed-1';
    const crop = (cropId: string, plantOn: string, clearOn: string) => ({
      ...garden.plantings[0]!,
      ...{ id: `${cropId} ${plantOn}`, bedId, cropId, plantOn, clearOn, plantedOn: null, clearedOn: null },
    });
    const others = garden.plantings.filter((p) => p.bedId !== bedId);
    type Sown = ReturnType<typeof crop>;
    const question = (...mine: Sown[]) => {
      const q = rotationQuestion({ ...garden, plantings: [...others, ...mine] }, TODAY, 3);
      const at = q.beds.findIndex((b) => b.id === bedId);
      return { turn: q.turns[at], bed: q.beds[at]!, fixed: q.fixed!.map((row) => row[at]) };
    };
    const radish = crop('radish', '2027-04-15', '2027-05-20');
    const cabbage = crop('cabbage', '2027-06-01', '2027-10-10');
    test('are crops one after the other as they go in, whichever comes first in the records; the last is what next year finds', () => {
      for (const mine of [
        [radish, cabbage],
        [cabbage, radish],
      ]) {
        const { turn, bed } = question(...mine);
        expect(turn).toEqual(['radish', 'cabbage']);
        expect(bed).toMatchObject({ cropNow: 'cabbage', hungryNow: true, stood_y: 1 });
      }
      expect(
        question(crop('cabbage', '2027-04-01', '2027-07-01'), crop('radish', '2027-07-10', '2027-08-20')).bed
          .hungryNow,
      ).toBe(false);
    });
    test('what went in last autumn goes in in autumn, after the others; what has most of its time in another year is that year’s', () => {
      const garlic = crop('garlic', '2026-10-20', '2027-07-10');
      const spinach = crop('spinach', '2027-07-20', '2027-09-10');
      expect(question(garlic, spinach).turn).toEqual(['spinach', 'garlic']);
      const leftover = crop('kale', '2026-07-20', '2027-02-10');
      expect(question(leftover, cabbage).turn).toEqual(['cabbage']);
      expect(question(cabbage, crop('garlic', '2027-10-20', '2028-07-10')).turn).toEqual(['cabbage']);
    });
    test('of companions the one that stands longer is named', () => {
      const leek = crop('leek', '2027-05-01', '2027-10-01');
      expect(question(leek, crop('carrot', '2027-04-20', '2027-08-01')).turn).toEqual(['leek']);
      // Together for a fortnight only, one takes over from the other.
      expect(question(leek, crop('lettuce', '2027-04-01', '2027-05-16')).turn).toEqual(['lettuce', 'leek']);
    });
    test('what is planned in a coming year is fixed there, in its order; what stands for years in each of them', () => {
      const planned = [crop('kale', '2028-07-01', '2028-11-01'), crop('lettuce', '2028-04-01', '2028-06-10')];
      expect(question(cabbage, ...planned).fixed).toEqual([['lettuce', 'kale'], null, null]);
      const berries = crop('strawberry', '2027-04-01', '2029-12-31');
      expect(question(berries).fixed).toEqual([['strawberry'], null, null]);
      expect(question(crop('strawberry', '2027-04-01', '2030-02-01')).fixed).toEqual([
        ['strawberry'],
        ['strawberry'],
        null,
      ]);
      expect(question(cabbage).fixed).toEqual([null, null, null]);
    });
    test('a crop follows another at once, but not before the day on which this garden last put it in', () => {
      const kale = cropOf('kale');
      const free = dayOf('2028-06-10');
      const ours = { garden: garden.garden, plantings: [cabbage] };
      expect(followsIn(ours, kale, 2028, free)).toBe(free);
      const sown = [crop('kale', '2027-07-05', '2027-11-01'), crop('kale', '2026-05-01', '2026-11-01')];
      expect(followsIn({ ...ours, plantings: sown }, kale, 2028, free)).toBe(dayOf('2028-07-05'));
      expect(followsIn({ ...ours, plantings: sown }, kale, 2028, dayOf('2028-07-20'))).toBe(
        dayOf('2028-07-20'),
      );
      // Nothing tender is put in with frost before it bears.
      expect(followsIn(ours, cropOf('tomato'), 2028, dayOf('2028-09-20'))).toBeUndefined();
    });
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
    const ground = (beds: { id: string }[]) => beds.map((b) => garden.beds.find((k) => k.id === b.id)!);
    let n = 0;
    const made = plantingsFor(garden, ground(asked.beds), plan.grid[0]!, 2028, () => `n${++n}`);
    expect(made.length).toBeGreaterThan(8);
    for (const p of made) {
      expect(p.plantOn >= '2028-02-01' && p.plantOn < '2029-01-01').toBe(true);
      const at = asked.beds.findIndex((b) => b.id === p.bedId);
      expect(plan.grid[0]![at]).toContain(p.cropId);
      if (findCrop(p.cropId)!.frost === 'tender') expect(p.plantOn > '2028-04-15').toBe(true);
    }
    const again = plantingsFor(
      { ...garden, plantings: [...garden.plantings, ...made] },
      ground(made.map((p) => ({ id: p.bedId }))),
      made.map((p) => [p.cropId]),
      2028,
      () => 'x',
    );
    expect(again).toEqual([]);
  });
});
