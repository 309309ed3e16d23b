import { afterEach, beforeEach, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { KilimDatabase } from '../db.ts';
import { bringBack, readGardenFile } from '../files/gardenFile.ts';
import { type Bed } from '../types.ts';
import { type Hands } from '../verbs/verbs.ts';
import { undo } from '../write.ts';
import { changeBed } from './change.ts';
import { changeMark, orderBeds, placeBeds, placeInBed } from './ground.ts';

let n = 0;
let db: KilimDatabase;
let hands: Hands;
const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const base = read.value;
const gardenId = base.garden.id;
const [one, two] = base.beds as [Bed, Bed];
const place: [number, number] = [-1.5, 54.5];
const ring: [number, number][] = [
  [0, 0],
  [2, 0],
  [0, 4],
];
const told = { ...one, place, ring, width_m: null, length_m: null, at: { x_m: 0, y_m: 0, turn_deg: 0 } };

beforeEach(async () => {
  db = new KilimDatabase(`ground-${++n}`);
  let second = 0;
  hands = {
    db,
    now: () => new Date(Date.UTC(2027, 4, 5, 8, 0, ++second)).toISOString(),
    newId: () => 'x',
  };
  await bringBack(db, {
    ...base,
    garden: { ...base.garden, north_deg: 0 },
    beds: [told, ...base.beds.slice(1)],
  });
});
afterEach(async () => {
  db.close();
  await Dexie.delete(db.name);
});
const bed = async (id: string) => (await db.beds.get(id))!;
const move = (id: string, x_m: number, y_m: number, joins = false) =>
  placeBeds(hands, gardenId, [{ id, patch: { at: { x_m, y_m, turn_deg: 0 } } }], 'moved', joins);

test('a bed of which a file told moves on the earth as it moves on the plan: 20 m down is 20 m south', async () => {
  expect((await move(one.id, 0, 20)).ok).toBe(true);
  const there = await bed(one.id);
  expect(there.at).toEqual({ x_m: 0, y_m: 20, turn_deg: 0 });
  expect((54.5 - there.place![1]) * 111_320).toBeCloseTo(20, 6);
  expect(there.place![0]).toBeCloseTo(-1.5, 12);
  await undo(db, gardenId);
  expect((await bed(one.id)).place).toEqual(place);
});

test('turned or named anew it stays where it was; of another shape it lies where the plan says', async () => {
  await placeBeds(
    hands,
    gardenId,
    [{ id: one.id, patch: { at: { x_m: 0, y_m: 0, turn_deg: 45 } } }],
    'turned',
  );
  expect((await bed(one.id)).place![1]).toBeCloseTo(54.5, 12);
  await placeBeds(
    hands,
    gardenId,
    [{ id: one.id, patch: { ring: null, width_m: 2, length_m: 4, area_m2: 8 } }],
    'shape',
  );
  expect(await bed(one.id)).toMatchObject({ place: null, ring: null, area_m2: 8 });
});

test('a bed that nobody told of gets no place by being dragged, and steps of one drag are one entry', async () => {
  const before = await bed(two.id);
  await move(two.id, 1, 1);
  await move(two.id, 2, 1, true);
  await move(two.id, 3, 1, true);
  expect(await bed(two.id)).toMatchObject({ place: null, at: { x_m: 3, y_m: 1, turn_deg: 0 } });
  await undo(db, gardenId);
  expect((await bed(two.id)).at).toEqual(before.at);
});

test('several beds in one write are all moved or none', async () => {
  const at = { x_m: 9, y_m: 9, turn_deg: 0 };
  const r = await placeBeds(
    hands,
    gardenId,
    [
      { id: two.id, patch: { at } },
      { id: 'gone', patch: { at } },
    ],
    'both',
  );
  expect(r.ok ? '' : r.failure.code).toBe('bed-gone');
  expect((await bed(two.id)).at).not.toEqual(at);
});

test('beds are put in order, those not named behind as they stood, and what has its rank is not written', async () => {
  const ids = base.beds.map((b) => b.id);
  const wanted = [ids[2]!, ids[0]!];
  expect((await orderBeds(hands, gardenId, wanted)).ok).toBe(true);
  const now = (await db.beds.toArray()).sort((a, b) => a.order - b.order).map((b) => b.id);
  expect(now).toEqual([...wanted, ids[1]!, ...ids.slice(3)]);
  const stamps = await db.stamps.count();
  await orderBeds(hands, gardenId, wanted);
  expect(await db.stamps.count()).toBe(stamps);
});

test('a mark is put, changed and taken away, and the others stay', async () => {
  const marks = async () => (await db.gardens.get(gardenId))!.marks;
  const had = await marks();
  const wall = { ...had[0]!, id: 'wall', name: 'Wall', x_m: 1, y_m: 2 };
  await changeMark(hands, gardenId, 'wall', wall, 'wall');
  await changeMark(hands, gardenId, 'wall', { height_m: 3 }, 'wall');
  expect((await marks()).find((m) => m.id === 'wall')).toMatchObject({ name: 'Wall', height_m: 3, x_m: 1 });
  await changeMark(hands, gardenId, 'wall', null, 'wall');
  expect(await marks()).toEqual(had);
});

test('a thing in a bed is put where it stands; one that was taken away meanwhile is not put into another', async () => {
  const obstacles = [
    { name: 'Post', width_m: 0.3, length_m: 0.3, count: 2 },
    { name: 'Rosemary', width_m: 0.8, length_m: null, count: 1 },
  ];
  await changeBed(hands, two, () => ({ obstacles }));
  const stands = await bed(two.id);
  expect((await placeInBed(hands, stands, 1, [[0.2, -3]])).ok).toBe(true);
  expect((await bed(two.id)).obstacles).toEqual([obstacles[0], { ...obstacles[1], spots: [[0.2, -3]] }]);
  await changeBed(hands, two, (b) => ({ obstacles: b.obstacles.slice(1) }));
  const r = await placeInBed(hands, stands, 0, [[0, 0]]);
  expect(r.ok ? '' : r.failure.code).toBe('thing-gone');
  expect((await bed(two.id)).obstacles[0]!.spots).toEqual([[0.2, -3]]);
});

test('on a plan that is turned, down is not south: with north to the right, 20 m down are 20 m east', async () => {
  await db.gardens.update(gardenId, { north_deg: 90 });
  await move(one.id, 0, 20);
  const there = await bed(one.id);
  const metres = (deg: number) => deg * 111_320;
  expect(Math.abs(metres(there.place![1] - 54.5))).toBeLessThan(0.01);
  expect(Math.abs(metres(there.place![0] + 1.5) * Math.cos((54.5 * Math.PI) / 180))).toBeCloseTo(20, 1);
});
