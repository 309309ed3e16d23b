import { afterEach, beforeEach, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { KilimDatabase } from '../db.ts';
import { bringBack, readGardenFile } from '../files/gardenFile.ts';
import { usualThing } from '../things.ts';
import { type Cover, type Prediction } from '../types.ts';
import { type Hands } from '../verbs/verbs.ts';
import { undo } from '../write.ts';
import { logPass, notePass } from './ending.ts';
import { takeProposal, type Taken } from './share.ts';

let n = 0;
let db: KilimDatabase;
let hands: Hands;
const garden = 'north-shore';
const one = 'north-shore-cover-1-2026-09';
const two = 'north-shore-cover-2-2026-08';

beforeEach(async () => {
  db = new KilimDatabase(`share-${++n}`);
  let id = 0;
  hands = { db, now: () => '2027-04-13T08:00:00.000Z', newId: () => `id-${++id}` };
  const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  await bringBack(db, read.value);
});
afterEach(async () => {
  db.close();
  await Dexie.delete(db.name);
});

const cover = async (id: string) => (await db.covers.get(id))!;
const passes: Cover['passes'] = [
  { kind: 'flatten', due: '2027-04-17', doneOn: null },
  { kind: 'lay-sheet', due: '2027-04-17', doneOn: null },
  { kind: 'lift-sheet', due: '2027-05-26', doneOn: null },
];
const predicted = async (): Promise<Prediction> => (await cover(two)).predicted!;
const taken = async (coverId: string, more: Partial<Taken> = {}): Promise<Taken> => ({
  coverId,
  chosen: { method: 'sheet', passes, predicted: await predicted() },
  thingIds: ['long-sheet'],
  plantBy_d: 0,
  ...more,
});
const take = async (list: Taken[], things: Parameters<typeof takeProposal>[3] = []) =>
  takeProposal(hands, garden, list, things, '2027-04-13', 'one sheet over both');

test('a proposal changes all its beds in one write: ways, days, things set aside, the plan before remembered; undo takes all of it back', async () => {
  const before = [await cover(one), await cover(two)];
  expect(await take([await taken(one), await taken(two)])).toMatchObject({ ok: true });
  for (const [i, id] of [one, two].entries()) {
    const now = await cover(id);
    expect(now.passes).toEqual(passes);
    expect(now.thingIds).toEqual(['long-sheet']);
    expect(now.formerPlans.at(-1)).toMatchObject({
      why: 'shared',
      until: '2027-04-13',
      method: before[i]!.method,
    });
  }
  await undo(db, garden);
  expect([await cover(one), await cover(two)]).toEqual(before);
});
test('planting later moves the crop, its clearing and the day the cover is planned for', async () => {
  const before = await cover(two);
  const crop = (await db.plantings.get(before.nextPlantingId!))!;
  expect(await take([await taken(two, { plantBy_d: 7 })])).toMatchObject({ ok: true });
  const now = (await db.plantings.get(crop.id))!;
  const days = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / 86_400_000;
  expect([days(crop.plantOn, now.plantOn), days(crop.clearOn, now.clearOn)]).toEqual([7, 7]);
  expect(days(before.plantBackOn!, (await cover(two)).plantBackOn!)).toBe(7);
  await undo(db, garden);
  expect(await db.plantings.get(crop.id)).toEqual(crop);
});
test('a crop that was planted already is not moved, and none is where planting stays as it is', async () => {
  const crop = (await db.plantings.get((await cover(two)).nextPlantingId!))!;
  const planted = { ...crop, plantedOn: crop.plantOn };
  await db.plantings.put(planted);
  await take([await taken(two, { plantBy_d: 7 })]);
  expect(await db.plantings.get(crop.id)).toEqual(planted);
  await db.plantings.put(crop);
  await take([await taken(two)]);
  expect(await db.plantings.get(crop.id)).toEqual(crop);
});
test('a borrowed thing is there afterwards, and gone with undo', async () => {
  const sheet = { ...usualThing('opaque-sheet', 'b1'), borrowed: true };
  await take([await taken(two)], [sheet]);
  expect((await db.gardens.get(garden))!.things.at(-1)).toEqual(sheet);
  await undo(db, garden);
  expect((await db.gardens.get(garden))!.things.some((t) => t.id === 'b1')).toBe(false);
});
test('where one of the endings has begun meanwhile nothing at all is changed', async () => {
  await logPass(hands, await cover(one), 0, '2027-04-13', 'flatten');
  const before = [await cover(one), await cover(two)];
  expect(await take([await taken(two), await taken(one)])).toMatchObject({
    ok: false,
    failure: { code: 'ending-begun' },
  });
  expect([await cover(one), await cover(two)]).toEqual(before);
});
test('what is said of a step joins what stands: minutes, hands and kilograms one by one, also at the same moment', async () => {
  const of = await cover(two);
  await logPass(hands, of, 0, '2027-04-13', 'flatten');
  await Promise.all([
    notePass(hands, of, 0, { minutes: 25, expected: 20 }, 'flatten, afterwards'),
    notePass(hands, of, 0, { by: 'you' }, 'flatten, afterwards'),
  ]);
  expect((await cover(two)).passes[0]).toMatchObject({
    minutes: 25,
    expected: 20,
    by: 'you',
    doneOn: '2027-04-13',
  });
  expect(await notePass(hands, of, 9, { minutes: 1 }, 'x')).toMatchObject({ failure: { code: 'pass-gone' } });
});
