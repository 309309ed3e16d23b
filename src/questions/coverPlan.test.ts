import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { methods, allCovers } from '../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { chooseAll } from '../core/choose/rounds.ts';
import { hang, rankSamples } from '../core/choose/rank.ts';
import { coversFor, coverThere } from '../core/rotation/covers.ts';
import { planRotation } from '../core/rotation/rotation.ts';
import { REST, type Turn } from '../core/rotation/rules.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { rotationQuestion } from './rotation.ts';
import { knownSummed, layOut, planCover, planGapQuestion, plantingsFor } from './coverPlan.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;
const bed = (name: string) => c.beds.find((b) => b.name === name)!;
/** A bed's years: a crop, several one after the other, or a rest. */
const layIn = (records: typeof c, name: string, ...years: (string | Turn)[]) =>
  layOut(
    records,
    [bed(name)],
    years.map((y) => [typeof y === 'string' ? [y] : y]),
    2028,
  );
const lay = (name: string, ...years: (string | Turn)[]) => layIn(c, name, ...years);

describe('a plan laid out in time', () => {
  test('each crop goes in once the bed is free and its season has come, and stands its own time; between lies a gap', () => {
    const { crops, gaps } = lay('1', 'leek', 'tomato');
    const squash = c.plantings.find((p) => p.bedId === bed('1').id && p.plantOn.startsWith('2027'))!;
    expect(crops.map((k) => [k.cropId, k.year])).toEqual([
      ['leek', 0],
      ['tomato', 1],
    ]);
    expect(gaps[0]).toMatchObject({ year: 0, freeDay: dayOf(squash.clearOn), plantDay: crops[0]!.plantDay });
    expect(gaps[1]).toMatchObject({ year: 1, freeDay: crops[0]!.clearDay, plantDay: crops[1]!.plantDay });
    expect(isoOf(crops[0]!.plantDay).slice(0, 4)).toBe('2028');
    // Tomatoes wait for the last frost.
    expect(isoOf(crops[1]!.plantDay) > '2029-05-01').toBe(true);
    expect(crops[0]!.clearDay - crops[0]!.plantDay).toBeGreaterThan(80);
  });
  test('a crop goes into the records on the day on which the plan shows it, and hangs its cover for that day', () => {
    const asked = rotationQuestion(c, '2027-04-13', 1);
    const beds = asked.beds.map((k) => c.beds.find((b) => b.id === k.id)!);
    const [row] = planRotation(asked, 'fewest-bent').grid;
    const laid = layOut(c, beds, [row!], 2028);
    let n = 0;
    const made = plantingsFor(c, beds, row!, 2028, () => `n${++n}`);
    expect(made.length).toBeGreaterThan(8);
    expect(made.map((p) => [p.bedId, p.plantOn, p.clearOn])).toEqual(
      laid.crops.filter((k) => !k.known).map((k) => [k.bedId, isoOf(k.plantDay), isoOf(k.clearDay)]),
    );
  });
  test('what is planned already in a year stays, whatever the plan would have there', () => {
    const base = c.plantings[0]!;
    const other = { ...base, id: 'x', bedId: bed('1').id, cropId: 'cabbage', plantOn: '2028-05-02' };
    const plantings = [...c.plantings, { ...other, plantedOn: null, clearOn: '2028-09-01', clearedOn: null }];
    const { crops, gaps } = layIn({ ...c, plantings }, '1', 'leek', 'tomato');
    expect(crops.map((k) => k.cropId)).toEqual(['cabbage', 'tomato']);
    expect(gaps[0]).toMatchObject({ cropId: 'cabbage', plantDay: dayOf('2028-05-02') });
    expect(gaps[1]!.freeDay).toBe(dayOf('2028-09-01'));
  });
  test('a crop that lives for years is planted once, and what was meant for its second year waits until it is out', () => {
    const { crops, gaps } = lay('1', 'strawberry', 'strawberry', 'leek');
    expect(crops.map((k) => [k.cropId, k.year])[0]).toEqual(['strawberry', 0]);
    expect(crops.filter((k) => k.year === 1)).toEqual([]);
    expect(lay('1', 'strawberry', 'strawberry').leftOut).toEqual([]);
    expect(lay('1', 'strawberry', 'tomato').leftOut).toEqual([
      { bedId: bed('1').id, year: 1, cropId: 'tomato' },
    ]);
    expect(gaps.filter((g) => g.year === 1)).toEqual([]);
    for (const k of crops.slice(1)) expect(k.plantDay).toBeGreaterThanOrEqual(crops[0]!.clearDay);
  });
  test('crops of one year go in one after the other, each with its own gap and its own place', () => {
    const kale = { ...c.plantings[0]!, id: 'k', bedId: 'elsewhere', cropId: 'kale', plantOn: '2026-08-10' };
    const records = {
      ...c,
      plantings: [...c.plantings.filter((p) => p.cropId !== 'kale'), { ...kale, plantedOn: null }],
    };
    const { crops, gaps, leftOut } = layIn(records, '1', ['spinach', 'kale'], ['tomato']);
    expect(crops.map((k) => [k.cropId, k.year, k.place])).toEqual([
      ['spinach', 0, 0],
      ['kale', 0, 1],
      ['tomato', 1, 0],
    ]);
    // Kale waits for the day on which it was last put in; between lies a summer gap.
    expect(isoOf(crops[1]!.plantDay)).toBe('2028-08-10');
    expect(gaps.map((g) => [g.cropId, g.year, g.place])).toEqual([
      ['spinach', 0, 0],
      ['kale', 0, 1],
      ['tomato', 1, 0],
    ]);
    expect(gaps[1]).toMatchObject({ freeDay: crops[0]!.clearDay, plantDay: crops[1]!.plantDay });
    expect(gaps[2]!.freeDay).toBe(crops[1]!.clearDay);
    expect(leftOut).toEqual([]);
    const made = plantingsFor(records, [bed('1')], [['spinach', 'kale']], 2028, () => 'n');
    expect(made.map((p) => [p.cropId, p.plantOn, p.clearOn])).toEqual(
      crops.slice(0, 2).map((k) => [k.cropId, isoOf(k.plantDay), isoOf(k.clearDay)]),
    );
    // The cover between two crops of a year knows the first of them.
    const asked = planGapQuestion(records, gaps[1]!, crops);
    expect(asked.bed.families).toContainEqual({ family: 'Amaranthaceae', yearsAgo: 0 });
  });
  test('a crop for which its year has no time left is told, and leaves no gap', () => {
    const { crops, gaps, leftOut } = lay('1', ['winter-squash', 'tomato'], ['leek']);
    expect(crops.map((k) => k.cropId)).toEqual(['winter-squash', 'leek']);
    expect(gaps.map((g) => g.cropId)).toEqual(['winter-squash', 'leek']);
    expect(leftOut).toEqual([{ bedId: bed('1').id, year: 0, cropId: 'tomato' }]);
  });
  test('all that is planned in a year is laid out by its own days', () => {
    const base = { ...c.plantings[0]!, bedId: bed('1').id, plantedOn: null, clearedOn: null };
    const two = [
      { ...base, id: 'b', cropId: 'kale', plantOn: '2028-07-20', clearOn: '2028-11-01' },
      { ...base, id: 'a', cropId: 'lettuce', plantOn: '2028-04-10', clearOn: '2028-06-01' },
    ];
    const { crops, gaps } = layIn({ ...c, plantings: [...c.plantings, ...two] }, '1', 'leek', 'tomato');
    expect(crops.map((k) => [k.cropId, k.year, k.place, k.known?.id])).toEqual([
      ['lettuce', 0, 0, 'a'],
      ['kale', 0, 1, 'b'],
      ['tomato', 1, 0, undefined],
    ]);
    expect(gaps[1]).toMatchObject({ place: 1, freeDay: dayOf('2028-06-01'), plantDay: dayOf('2028-07-20') });
    expect(gaps[2]!.freeDay).toBe(dayOf('2028-11-01'));
  });
  test('a bed of which nothing is known is free from the autumn before', () => {
    const bare = { ...bed('1'), id: 'bare' };
    const { gaps } = layOut(c, [bare], [[['tomato']]], 2028);
    expect(gaps[0]!.freeDay).toBe(dayOf('2027-10-01'));
  });
  test('a year of rest leaves one long gap for the crop after it', () => {
    const { gaps } = lay('1', REST, 'tomato');
    expect(gaps).toHaveLength(1);
    expect(gaps[0]!.year).toBe(1);
    expect(gaps[0]!.plantDay - gaps[0]!.freeDay).toBe(500);
  });
  test('a crop that is planned already keeps its day, a cover that is there is known', () => {
    const base = c.plantings[0]!;
    const planted = { ...base, id: 'x', bedId: bed('1').id, cropId: 'leek', plantOn: '2028-06-10' };
    const plantings = [
      ...c.plantings,
      { ...planted, plantedOn: null, clearOn: '2028-10-10', clearedOn: null },
    ];
    const cover = { ...c.covers[0]!, id: 'k', bedId: bed('1').id, sowOn: '2027-11-01', sownOn: null };
    const covers = [
      ...c.covers,
      { ...cover, verdict: null, endedOn: null, passes: [], plantBackOn: '2028-06-10' },
    ];
    const { crops, gaps } = layIn({ ...c, plantings, covers }, '1', 'leek');
    expect(crops[0]).toMatchObject({ plantDay: dayOf('2028-06-10'), clearDay: dayOf('2028-10-10') });
    expect(crops[0]!.known?.id).toBe('x');
    // Planted on the very day on which the bed is free, it is that crop too, and leaves no gap.
    const at = (on: string) => plantings.map((p) => (p.id === 'x' ? { ...p, plantOn: on } : p));
    const squash = c.plantings.find((p) => p.bedId === bed('1').id && p.plantOn.startsWith('2027'))!;
    const stays = plantings.map((p) => (p.id === squash.id ? { ...p, clearOn: '2028-06-10' } : p));
    const same = layIn({ ...c, plantings: stays }, '1', 'leek');
    expect(same.crops[0]!.known?.id).toBe('x');
    expect(same.gaps).toEqual([]);
    const later = layIn({ ...c, plantings: at('2028-07-01') }, '1', 'leek');
    expect(later.crops[0]!.plantDay).toBe(dayOf('2028-07-01'));
    expect(gaps[0]!.known?.id).toBe('k');
    // It counts for what was predicted of it, and for the days before it is sown.
    const counted = knownSummed(c, gaps[0]!)!;
    expect(counted).toMatchObject({
      sowDay: dayOf('2027-11-01'),
      nitrogen_g_m2: covers.at(-1)!.predicted!.nitrogen_g_m2.mid,
      bare_d: dayOf('2027-11-01') - gaps[0]!.freeDay,
      endDay: dayOf('2028-06-10'),
    });
    expect(counted.bare_d).toBeGreaterThan(0);
    const way = methods.find((m) => m.id === gaps[0]!.known!.method)!;
    expect(counted.ending_min_100m2).toBe(way.passes.reduce((s, p) => s + p.minutesPer100m2, 0));
    expect(counted.ending_min_100m2).toBeGreaterThan(0);
    expect(knownSummed(c, { ...gaps[0]!, known: undefined })).toBeUndefined();
    expect(lay('1', 'leek').gaps[0]!.known).toBeUndefined();
  });
});

describe('the cover of a gap', () => {
  const { crops, gaps } = lay('3', 'winter-squash', 'cabbage');
  const asked = planGapQuestion(c, gaps[1]!, crops);
  test('knows the crop that the plan puts before it', () => {
    expect(asked.bed.families).toContainEqual({ family: 'Cucurbitaceae', yearsAgo: 0 });
    expect(planGapQuestion(c, gaps[0]!, crops).bed.families).not.toContainEqual({
      family: 'Cucurbitaceae',
      yearsAgo: 0,
    });
    expect(asked.gap).toMatchObject({ freeDay: gaps[1]!.freeDay, plantDay: gaps[1]!.plantDay });
    // The catalogue's covers are not sent along.
    expect(asked.candidates.every((k) => k.from !== undefined)).toBe(true);
  });
  // Some of the covers are enough to tell.
  const candidates = allCovers().filter((_, i) => i % 3 === 0);
  test('is asked in the same words before and after the year before it is planned: nothing is worked out again', () => {
    const leek = crops[0]!;
    const made = { ...c.plantings[0]!, id: 'new', bedId: leek.bedId, cropId: leek.cropId, way: leek.way };
    const planned = {
      ...made,
      plantOn: isoOf(leek.plantDay),
      plantedOn: null,
      clearOn: isoOf(leek.clearDay),
      clearedOn: null,
    };
    const after = { ...c, plantings: [planned, ...c.plantings] };
    const again = layIn(after, '3', 'winter-squash', 'cabbage');
    expect(again.crops[0]!.known?.id).toBe('new');
    expect(planGapQuestion(after, again.gaps[1]!, again.crops)).toEqual(asked);
  });
  const input = { ...planGapQuestion(c, gaps[0]!, crops), candidates };
  const found = coversFor(input, 4);
  test('asked for by its name it comes with the odds that it has beside the others, and one that is of no use there not at all', () => {
    const [first] = found;
    const known = (id: string) =>
      candidates.find((k) => k.id === id) ?? allCovers().find((k) => k.id === id)!;
    const [alone] = coverThere(input, known(first!.sample.id));
    expect(alone!.sample.id).toBe(first!.sample.id);
    expect(alone!.sample.best!.method).toBe(first!.sample.best!.method);
    expect(Math.abs(alone!.sample.best!.odds.inTime - first!.sample.best!.odds.inTime)).toBeLessThan(0.15);
    // A kind of the tropics, north of fifty.
    const tropical = coverThere(input, known('velvet-bean'));
    for (const { fit } of tropical) expect(fit).toBeLessThan(first!.fit / 2);
  });
  test('is one that Choose would put among its first, with about the same odds, each kind of answer once', () => {
    const full = hang(rankSamples(chooseAll({ ...input, years: 24 }), input.aims)).slice(0, 8);
    expect(found.length).toBe(4);
    for (const { sample, fit } of found.slice(0, 2)) {
      const there = full.find((f) => f.sample.id === sample.id);
      expect(there).toBeDefined();
      expect(Math.abs(there!.fit - fit)).toBeLessThan(0.06);
    }
    expect(new Set(found.map((f) => `${f.sample.lead} ${f.sample.best!.method}`)).size).toBe(4);
    for (let i = 1; i < 4; i++) expect(found[i]!.fit).toBeLessThanOrEqual(found[i - 1]!.fit);
  });
  test('becomes a record that hangs in the gap before its crop', () => {
    const gap = gaps[0]!;
    const record = planCover(
      c,
      gap,
      { sample: found[0]!.sample, aims: input.aims },
      { id: 'new', nextPlantingId: 'crop' },
      '2027-04-13',
    );
    expect(record).toMatchObject({
      id: 'new',
      bedId: gap.bed.id,
      nextPlantingId: 'crop',
      method: found[0]!.sample.best!.method,
      plantBackOn: isoOf(gap.plantDay),
      sownOn: null,
      aims: input.aims,
    });
    expect(dayOf(record.sowOn)).toBeGreaterThanOrEqual(gap.freeDay);
    expect(record.passes.length).toBeGreaterThan(0);
    for (const p of record.passes) expect(dayOf(p.due)).toBeLessThanOrEqual(gap.plantDay);
  });
});
