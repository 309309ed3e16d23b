import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { endingPasses } from '../../core/bed/timeline.ts';
import { KilimDatabase } from '../db.ts';
import { bringBack, readGardenFile } from '../files/gardenFile.ts';
import { type Cover } from '../types.ts';
import { type Hands, saveCover } from '../verbs/verbs.ts';
import { undo } from '../write.ts';
import { addPass, chooseEnding, countCrowns, logPass, seeAlive, seeDead } from './ending.ts';
import { changeCrop } from './planting.ts';
import { settle } from './settle.ts';

let n = 0;
let db: KilimDatabase;
let hands: Hands;
let cover: Cover;

beforeEach(async () => {
  db = new KilimDatabase(`ending-${++n}`);
  let id = 0;
  hands = { db, now: () => '2027-05-20T08:00:00.000Z', newId: () => `id-${++id}` };
  const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  await bringBack(db, read.value);
  const before = read.value.covers.find((c) => c.sownOn && c.verdict === null && c.formerPlans.length === 0)!;
  cover = {
    ...before,
    method: 'sheet',
    passes: [
      { kind: 'flatten', due: '2027-05-01', doneOn: null },
      { kind: 'lay-sheet', due: '2027-05-01', doneOn: null },
      { kind: 'lift-sheet', due: '2027-05-29', doneOn: null },
    ],
  };
  expect(await saveCover(hands, cover, 'test', 'test')).toMatchObject({ ok: true });
});
afterEach(async () => {
  db.close();
  await Dexie.delete(db.name);
});
const now = async () => (await db.covers.get(cover.id))!;

describe('deeds at the end of a cover', () => {
  test('a step done nine days late moves the steps after it by nine days, and undo puts all of them back', async () => {
    await logPass(hands, cover, 0, '2027-05-10', 'flatten');
    expect((await now()).passes).toEqual([
      { kind: 'flatten', due: '2027-05-01', doneOn: '2027-05-10' },
      { kind: 'lay-sheet', due: '2027-05-10', doneOn: null },
      { kind: 'lift-sheet', due: '2027-06-07', doneOn: null },
    ]);
    // Put right the day after: only the difference moves.
    await logPass(hands, cover, 0, '2027-05-08', 'flatten');
    expect((await now()).passes.map((p) => p.due)).toEqual(['2027-05-01', '2027-05-08', '2027-06-05']);
    await undo(db, cover.gardenId);
    await undo(db, cover.gardenId);
    expect((await now()).passes).toEqual(cover.passes);
  });
  test('hay that nobody had planned is written down in its place, with its weight; the plan stays, and it ends nothing', async () => {
    await logPass(hands, cover, 0, '2027-05-10', 'flatten');
    const hay = { kind: 'take-hay', on: '2027-05-02', took_kg: 14 };
    expect(await addPass(hands, cover, hay, 'take hay')).toMatchObject({ ok: true });
    const { passes } = await now();
    expect(passes.map((p) => [p.kind, p.due, p.doneOn])).toEqual([
      ['take-hay', '2027-05-02', '2027-05-02'],
      ['flatten', '2027-05-01', '2027-05-10'],
      ['lay-sheet', '2027-05-10', null],
      ['lift-sheet', '2027-06-07', null],
    ]);
    expect(passes[0]!.took_kg).toBe(14);
    expect(endingPasses({ passes }).map((p) => p.kind)).not.toContain('take-hay');
    expect(await addPass(hands, cover, { kind: 'cut', on: '2020-01-01' }, 'cut')).toMatchObject({
      ok: false,
      failure: { code: 'dates-out-of-order' },
    });
    await undo(db, cover.gardenId);
    expect((await now()).passes).toHaveLength(3);
  });
  test('green crowns under a sheet that still lies are a look and no regrowth; once it is lifted they are', async () => {
    await logPass(hands, cover, 0, '2027-05-01', 'flatten');
    await logPass(hands, cover, 1, '2027-05-01', 'lay');
    await countCrowns(hands, cover, { on: '2027-05-12', green: 4, of: 10 });
    expect((await now()).verdict).toBeNull();
    expect(await db.looks.filter((l) => l.coverId === cover.id && l.crowns?.green === 4).count()).toBe(1);
    await logPass(hands, cover, 2, '2027-05-18', 'lift');
    await countCrowns(hands, cover, { on: '2027-05-20', green: 4, of: 10 });
    expect((await now()).verdict).toBe('regrew');
  });
  test('two deeds at the same moment both stay', async () => {
    await Promise.all([
      logPass(hands, cover, 0, '2027-05-01', 'flatten'),
      logPass(hands, cover, 1, '2027-05-01', 'lay the sheet'),
    ]);
    expect((await now()).passes.map((p) => p.doneOn)).toEqual(['2027-05-01', '2027-05-01', null]);
  });
  test('a step before the one that was done, one that is not there, and a cover that is gone are refused and nothing is touched', async () => {
    await logPass(hands, cover, 0, '2027-05-10', 'flatten');
    const stands = await now();
    expect(await logPass(hands, cover, 1, '2027-05-02', 'x')).toMatchObject({
      ok: false,
      failure: { code: 'dates-out-of-order' },
    });
    expect(await logPass(hands, cover, 7, '2027-05-12', 'x')).toMatchObject({
      ok: false,
      failure: { code: 'pass-gone' },
    });
    expect(await seeDead(hands, { ...cover, id: 'nobody' }, '2027-05-12')).toMatchObject({
      ok: false,
      failure: { code: 'cover-gone' },
    });
    expect(await now()).toEqual(stands);
    expect(await db.log.count()).toBe(2);
  });
  test('green crowns are a look of their own and say that it grew again; none green is a look and no verdict', async () => {
    const before = await db.looks.count();
    await countCrowns(hands, cover, { on: '2027-05-20', green: 2, of: 10 });
    expect((await now()).verdict).toBe('regrew');
    await seeDead(hands, cover, '2027-05-28');
    await countCrowns(hands, cover, { on: '2027-05-21', green: 0, of: 10 });
    expect(await now()).toMatchObject({ verdict: 'dead', endedOn: '2027-05-28' });
    const looks = (await db.looks.where({ coverId: cover.id }).toArray()).filter((l) => l.crowns);
    expect(looks.map((l) => [l.on, l.coverId, l.crowns])).toEqual([
      ['2027-05-20', cover.id, { green: 2, of: 10 }],
      ['2027-05-21', cover.id, { green: 0, of: 10 }],
    ]);
    expect(await db.looks.count()).toBe(before + 2);
    expect(await countCrowns(hands, cover, { on: '2027-05-21', green: 11, of: 10 })).toMatchObject({
      ok: false,
      failure: { code: 'record-invalid' },
    });
    await seeAlive(hands, cover);
    expect(await now()).toMatchObject({ verdict: null, endedOn: null });
  });
  test('another way keeps what was done, remembers the plan that was given up and why, and what is predicted now', async () => {
    await logPass(hands, cover, 0, '2027-05-01', 'flatten');
    const predicted = {
      on: '2027-05-20',
      model: 2,
      method: 'cut',
      startOn: '2027-05-21',
      inTime: 0.7,
      dead: { low: '2027-05-25', mid: '2027-05-25', high: null },
      ready: { low: '2027-05-30', mid: '2027-06-01', high: null },
      dryMatter_g_m2: { low: 300, mid: 400, high: 500 },
      nitrogen_g_m2: { low: 1, mid: 2, high: 3 },
    };
    const passes = [{ kind: 'cut', due: '2027-05-21', doneOn: null }];
    await chooseEnding(
      hands,
      cover,
      { method: 'cut', passes, predicted },
      '2027-05-20',
      'grew-again',
      'ending by a cut',
    );
    expect(await now()).toMatchObject({
      method: 'cut',
      predicted,
      passes: [{ kind: 'flatten', due: '2027-05-01', doneOn: '2027-05-01' }, ...passes],
      formerPlans: [{ until: '2027-05-20', method: 'sheet', due: '2027-05-01', why: 'grew-again' }],
    });
  });
});

describe('did this happen?', () => {
  test('one tap logs it on its planned day and nothing else; undo takes it back; what was logged meanwhile stays', async () => {
    await settle(
      hands,
      cover.gardenId,
      { kind: 'pass', on: '2027-01-01', refId: cover.id, pass: 0 },
      'flatten: bed 1',
    );
    expect((await now()).passes).toEqual([
      { ...cover.passes[0], doneOn: '2027-05-01' },
      cover.passes[1],
      cover.passes[2],
    ]);
    await logPass(hands, cover, 1, '2027-05-03', 'lay the sheet');
    await settle(
      hands,
      cover.gardenId,
      { kind: 'pass', on: '2027-01-01', refId: cover.id, pass: 1 },
      'lay the sheet: bed 1',
    );
    expect((await now()).passes[1]!.doneOn).toBe('2027-05-03');
    // The second tap said what stood already: no deed.
    for (let i = 0; i < 2; i++) await undo(db, cover.gardenId);
    expect((await now()).passes).toEqual(cover.passes);
  });
  test('a sowing, a planting and a clearing too; a sowing after its own ending is refused', async () => {
    const planned = (await db.covers.toArray()).find((c) => c.sownOn === null)!;
    await settle(hands, cover.gardenId, { kind: 'sow', on: '2027-01-01', refId: planned.id }, 'sow');
    expect((await db.covers.get(planned.id))!.sownOn).toBe(planned.sowOn);
    const crop = (await db.plantings.toArray()).find((p) => p.plantedOn === null)!;
    await settle(hands, cover.gardenId, { kind: 'plant', on: '2027-01-01', refId: crop.id }, 'plant');
    await settle(hands, cover.gardenId, { kind: 'clear', on: '2027-01-01', refId: crop.id }, 'clear');
    expect(await db.plantings.get(crop.id)).toMatchObject({
      plantedOn: crop.plantOn,
      clearedOn: crop.clearOn,
    });
    expect(
      await settle(hands, cover.gardenId, { kind: 'plant', on: '2027-01-01', refId: 'nobody' }, 'x'),
    ).toMatchObject({
      ok: false,
      failure: { code: 'cover-gone' },
    });
    expect(
      await settle(hands, cover.gardenId, { kind: 'pass', on: '2027-01-01', refId: cover.id, pass: 9 }, 'x'),
    ).toMatchObject({ ok: false, failure: { code: 'pass-gone' } });
  });
});

describe('another crop in its place', () => {
  test('keeps the day, takes its own way and time, and is refused once the first is planted', async () => {
    const crop = (await db.plantings.toArray()).find((p) => p.plantedOn === null && p.cropId !== 'lettuce')!;
    await changeCrop(hands, crop.gardenId, crop.id, 'lettuce');
    const put = (await db.plantings.get(crop.id))!;
    expect(put).toMatchObject({ cropId: 'lettuce', plantOn: crop.plantOn, way: 'transplant' });
    expect(put.clearOn > put.plantOn && put.clearOn < crop.clearOn).toBe(true);
    await undo(db, crop.gardenId);
    expect(await db.plantings.get(crop.id)).toEqual(crop);
    await settle(hands, crop.gardenId, { kind: 'plant', on: '2027-01-01', refId: crop.id }, 'plant');
    expect(await changeCrop(hands, crop.gardenId, crop.id, 'lettuce')).toMatchObject({
      ok: false,
      failure: { code: 'planting-done' },
    });
    expect(await changeCrop(hands, crop.gardenId, 'nobody', 'lettuce')).toMatchObject({
      ok: false,
      failure: { code: 'planting-gone' },
    });
  });
});
