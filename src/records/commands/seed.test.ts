import { afterEach, beforeEach, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { KilimDatabase } from '../db.ts';
import { bringBack, readGardenFile } from '../files/gardenFile.ts';
import { type Cover, type Lot, type Recipe } from '../types.ts';
import { type Hands } from '../verbs/verbs.ts';
import { saveLot, saveRecipe } from '../verbs/seed.ts';
import { undo } from '../write.ts';
import { changeLot, changeRecipe, changeWay, logLook, setEaten, typedAnew } from './seed.ts';

let n = 0;
let db: KilimDatabase;
let hands: Hands;
const read = readGardenFile(readFileSync('demo/two-gums.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const base = read.value;
const lot: Lot = {
  id: 'rye-26',
  gardenId: base.garden.id,
  speciesId: 'cereal-rye',
  label: 'rye',
  year: 2026,
  left_g: 900,
  treated: false,
  free: false,
  purity: 0.98,
  coating: 0,
  test: null,
};
const mix: Recipe = {
  id: 'mine',
  gardenId: base.garden.id,
  name: 'Mine',
  parts: [
    { speciesId: 'spring-oats', share: 0.5 },
    { speciesId: 'common-vetch', share: 0.5 },
  ],
  ready: false,
  packs: [],
  rate_g_m2: null,
};

beforeEach(async () => {
  db = new KilimDatabase(`seed-${++n}`);
  hands = { db, now: () => '2027-05-20T08:00:00.000Z', newId: () => 'x' };
  await bringBack(db, base);
  await saveLot(hands, lot);
  await saveRecipe(hands, mix);
});
afterEach(async () => {
  db.close();
  await Dexie.delete(db.name);
});

test('seed that a sowing took while the form lay open stays taken: only what was typed anew is written', async () => {
  const opened = lot;
  await changeLot(hands, lot, (l) => ({ left_g: l.left_g - 250 }));
  await changeLot(hands, lot, () => typedAnew(opened, { ...opened, label: 'winter rye', year: 2025 }));
  expect(await db.lots.get('rye-26')).toMatchObject({ left_g: 650, label: 'winter rye', year: 2025 });
  await undo(db, base.garden.id);
  expect(await db.lots.get('rye-26')).toMatchObject({ left_g: 650, label: 'rye', year: 2026 });
});

test('a rate typed here and shares changed there both stay in one mix', async () => {
  await changeRecipe(hands, mix, () => typedAnew(mix, { ...mix, rate_g_m2: 12 }));
  const parts = mix.parts.map((p, i) => ({ ...p, share: i === 0 ? 0.7 : 0.3 }));
  await changeRecipe(hands, mix, () => typedAnew(mix, { ...mix, parts }));
  expect(await db.recipes.get('mine')).toMatchObject({ rate_g_m2: 12, parts });
});

test('what has been taken away is said to be gone, and nothing comes back by being saved', async () => {
  await db.lots.delete('rye-26');
  await db.recipes.delete('mine');
  expect(await changeLot(hands, lot, () => ({ year: 2020 }))).toMatchObject({
    failure: { code: 'lot-gone' },
  });
  expect(await changeRecipe(hands, mix, () => ({ name: 'x' }))).toMatchObject({
    failure: { code: 'recipe-gone' },
  });
  expect(await db.lots.count()).toBe(base.lots.length);
  expect(await db.recipes.get('mine')).toBeUndefined();
});

test('a look is held to the sowing as it stands when it is written, not to the one on the screen', async () => {
  const cover = base.covers.find((c) => c.sownOn)!;
  const look = {
    id: 'l-1',
    gardenId: base.garden.id,
    bedId: cover.bedId,
    coverId: cover.id,
    on: cover.sownOn!,
    emergence: 'some' as const,
    cover: null,
    height_m: null,
    stage: null,
    alive: null,
    weeds: null,
    members: [],
    crowns: null,
    note: '',
  };
  expect((await logLook(hands, look)).ok).toBe(true);
  expect(await hands.db.looks.get(look.id)).toEqual(look);
  await db.covers.update(cover.id, { sownOn: null });
  expect(await logLook(hands, { ...look, id: 'l-2' })).toMatchObject({
    failure: { code: 'look-before-sowing' },
  });
  await db.covers.delete(cover.id);
  expect(await logLook(hands, { ...look, id: 'l-3' })).toMatchObject({ failure: { code: 'cover-gone' } });
  expect(
    await logLook(hands, {
      ...look,
      coverId: base.covers.find((c) => c.sownOn && c.id !== cover.id)!.id,
      on: '2099-01-01',
      id: 'l-4',
      emergence: null,
    }),
  ).toMatchObject({ failure: { code: 'look-empty' } });
});

test('treated seed is never set aside for what is eaten: not when that is said later, nor when the seed is found to be treated', async () => {
  const [first, second] = base.covers;
  const planned = (id: string, more: Partial<Cover>): Cover => ({
    ...first!,
    id,
    sownOn: null,
    passes: [],
    verdict: null,
    endedOn: null,
    eaten: false,
    seed: [{ ...first!.seed[0]!, lotId: 'rye-26' }],
    ...more,
  });
  await db.covers.bulkPut([
    planned('mulch', {}),
    planned('salad', { eaten: true }),
    planned('sown', { sownOn: second!.sownOn ?? '2027-03-01', eaten: true }),
  ]);
  const lotOf = async (id: string) => (await db.covers.get(id))!.seed[0]!.lotId;
  const all = () => Promise.all(['mulch', 'salad', 'sown'].map(lotOf));
  await changeLot(hands, lot, () => ({ label: 'rye of 26' }));
  expect(await all()).toEqual(['rye-26', 'rye-26', 'rye-26']);
  await changeLot(hands, lot, () => ({ treated: true }));
  // What is in the ground is in the ground.
  expect(await all()).toEqual(['rye-26', null, 'rye-26']);
  // What nobody eats may be sown with it.
  await setEaten(hands, planned('mulch', {}), false);
  expect(await lotOf('mulch')).toBe('rye-26');
  await setEaten(hands, planned('mulch', {}), true);
  expect(await db.covers.get('mulch')).toMatchObject({ eaten: true, seed: [{ lotId: null }] });
  await undo(db, base.garden.id);
  expect(await db.covers.get('mulch')).toMatchObject({ eaten: false, seed: [{ lotId: 'rye-26' }] });
  expect(await setEaten(hands, { id: 'nowhere', gardenId: base.garden.id }, true)).toMatchObject({
    failure: { code: 'cover-gone' },
  });
});

test('another way of sowing keeps the one that was planned, however often it is changed; taken again, nothing is kept', async () => {
  const cover = base.covers[0]!;
  const ways = async () => {
    const { wayId, plannedWayId } = (await db.covers.get(cover.id))!;
    return [wayId, plannedWayId];
  };
  const planned = cover.wayId;
  await changeWay(hands, cover, 'furrow');
  expect(await ways()).toEqual(['furrow', planned]);
  await changeWay(hands, cover, 'surface');
  expect(await ways()).toEqual(['surface', planned]);
  await changeWay(hands, cover, planned);
  expect(await db.covers.get(cover.id)).toEqual(cover);
  expect(await changeWay(hands, { id: 'nowhere', gardenId: base.garden.id }, 'raked')).toMatchObject({
    failure: { code: 'cover-gone' },
  });
});
