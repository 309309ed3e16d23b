import { describe, expect, test } from '@jest/globals';
import { worked } from '../../core/bed/pieces.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { neighboursOf, mowingInput } from '../../questions/strips.ts';
import { type KilimDatabase } from '../db.ts';
import { readGardenFile, writeGardenFile } from '../files/gardenFile.ts';
import { type Bed } from '../types.ts';
import { type Hands, readKept } from '../verbs/verbs.ts';
import { demoKept, inStore } from '../testStore.ts';
import { undo } from '../write.ts';
import { cutBed } from './pieces.ts';
import { settle } from './settle.ts';
import { endStrip, logStrip, setStrip, unlogStrip } from './strips.ts';

let db: KilimDatabase;
let hands: Hands;
const base = demoKept();
const gardenId = base.garden.id;
const bed = base.beds.find((b) => b.name === '3')!;
const ON = '2027-04-13';
const CLOVER = { what: 'white-clover', since: '2026-09-01', years: 4, low_cm: 6 };
let path: Bed;

inStore(base, async (h) => {
  hands = h;
  db = h.db;
  await cutBed(hands, bed, {
    on: ON,
    today: ON,
    side: 'along',
    pieces: [
      { name: '3 left', use: 'bed', share: 1 },
      { name: '3 path', use: 'path', share: 0.5 },
      { name: '3 right', use: 'bed', share: 1 },
    ],
  });
  path = (await db.beds.toArray()).find((b) => b.name === '3 path')!;
});
const now = async () => (await db.beds.get(path.id))!;
const kept = async () => {
  const all = await readKept(db, gardenId);
  return all!;
};

describe('what is done to a strip', () => {
  test('is kept in the order of days, once a day and kind, and what the strip is said to be anew keeps it', async () => {
    await setStrip(hands, path, CLOVER);
    await logStrip(hands, path, { kind: 'mow', on: '2027-05-20', minutes: 6 });
    await logStrip(hands, path, { kind: 'mow', on: '2027-05-01' });
    await logStrip(hands, path, { kind: 'mow', on: '2027-05-20', minutes: 8 });
    await setStrip(hands, path, { ...CLOVER, low_cm: 8 });
    expect((await now()).life).toEqual({
      ...CLOVER,
      low_cm: 8,
      done: [
        { kind: 'mow', on: '2027-05-01' },
        { kind: 'mow', on: '2027-05-20', minutes: 8 },
      ],
    });
    await unlogStrip(hands, path, { kind: 'mow', on: '2027-05-01' });
    expect((await now()).life!.done).toHaveLength(1);
    await undo(db, gardenId);
    expect((await now()).life!.done).toHaveLength(2);
  });
  test('two ticks in the same moment both stay', async () => {
    await setStrip(hands, path, CLOVER);
    await Promise.all([
      logStrip(hands, path, { kind: 'mow', on: '2027-05-01' }),
      logStrip(hands, path, { kind: 'mend', on: '2027-05-01' }),
    ]);
    expect((await now()).life!.done.map((d) => d.kind).sort()).toEqual(['mend', 'mow']);
  });
  test('asked whether it happened, yes logs it on its day', async () => {
    await setStrip(hands, path, CLOVER);
    await settle(hands, gardenId, { kind: 'mend', refId: path.id, on: '2027-04-01' }, 'mending');
    expect((await now()).life!.done).toEqual([{ kind: 'mend', on: '2027-04-01' }]);
  });
  test('goes into the file and comes back', async () => {
    await setStrip(hands, path, CLOVER);
    await logStrip(hands, path, { kind: 'mow', on: '2027-05-01', minutes: 6 });
    const again = readGardenFile(writeGardenFile(await kept(), '2027-06-01T00:00:00.000Z'));
    expect(again.ok && again.value.beds.find((b) => b.id === path.id)!.life).toEqual({
      ...CLOVER,
      done: [{ kind: 'mow', on: '2027-05-01', minutes: 6 }],
    });
  });
  test('on ground that is gone, or no piece, nothing is written', async () => {
    expect(await setStrip(hands, { ...path, id: 'gone' }, CLOVER)).toMatchObject({
      failure: { code: 'bed-gone' },
    });
    const whole = base.beds.find((b) => b.name === '4')!;
    expect(await logStrip(hands, whole, { kind: 'mow', on: ON })).toMatchObject({
      failure: { code: 'bed-gone' },
    });
  });
});

describe('a strip that ends', () => {
  test('is a bed from that day on, in the same place, and what it was stays', async () => {
    await setStrip(hands, path, CLOVER);
    expect(await endStrip(hands, path, '2028-03-01')).toMatchObject({ ok: true });
    const beds = await db.beds.toArray();
    const after = beds.find((b) => b.name === '3 path2')!;
    expect(after.piece).toEqual({ ...path.piece!, from: '2028-03-01', use: 'bed' });
    expect(after.life).toBeUndefined();
    expect([after.area_m2, after.ring]).toEqual([path.area_m2, path.ring]);
    expect(await now()).toMatchObject({ life: CLOVER, piece: { until: '2028-03-01' } });
    const on = (day: string) => worked(beds, dayOf(day)).map((b) => b.name);
    expect(on('2028-02-29')).toContain('3 path');
    expect(on('2028-03-01')).toContain('3 path2');
    expect(on('2028-03-01')).not.toContain('3 path');
    await undo(db, gardenId);
    expect((await db.beds.toArray()).some((b) => b.name === '3 path2')).toBe(false);
  });
  test('not on the day it began, nor before', async () => {
    expect(await endStrip(hands, path, ON)).toMatchObject({ failure: { code: 'piece-ends' } });
  });
});

describe('what is asked of the core about a path', () => {
  test('grows from its last mowing, beside what stands and is planned on the pieces that touch it', async () => {
    await setStrip(hands, path, CLOVER);
    await logStrip(hands, path, { kind: 'mow', on: '2027-04-10' });
    await logStrip(hands, path, { kind: 'mow', on: '2027-09-10' });
    const c = await kept();
    const input = mowingInput(await now(), c, ON, 20)!;
    expect([input.mownOn, input.sownOn, input.low_cm]).toEqual([
      [dayOf('2027-04-10')],
      dayOf('2026-09-01'),
      6,
    ]);
    const left = c.beds.find((b) => b.name === '3 left')!;
    const names = neighboursOf(await now(), c, dayOf(ON)).map((x) => x.name);
    const stood = [...c.plantings, ...c.covers].filter((r) => r.bedId === left.id);
    expect(stood.length).toBeGreaterThan(1);
    // Both sides carry the same.
    expect(names).toHaveLength(2 * stood.length);
    expect(mowingInput(left, c, ON, 20)).toBeUndefined();
  });
});
