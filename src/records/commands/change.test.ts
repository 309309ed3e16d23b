import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { KilimDatabase } from '../db.ts';
import { bringBack, readGardenFile, writeGardenFile } from '../files/gardenFile.ts';
import { type Hands, readGarden, readKept, removePlanting, saveNote } from '../verbs/verbs.ts';
import { redo, undo } from '../write.ts';
import {
  changeBed,
  changeCover,
  changeGarden,
  changePlanting,
  correctDate,
  movePlanting,
  plantBack,
} from './change.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const base = { ...read.value, weather: [] };
const g = base.garden.id;
let n = 0;
let db: KilimDatabase;
let hands: Hands;
let second = 0;

beforeEach(async () => {
  db = new KilimDatabase(`change-${++n}`);
  let id = 0;
  second = 0;
  hands = {
    db,
    device: 'here',
    now: () => new Date(Date.UTC(2027, 3, 13, 8, 0, second)).toISOString(),
    newId: () => `id-${++id}`,
  };
  await bringBack(db, base);
});
afterEach(async () => {
  db.close();
  await Dexie.delete(db.name);
});
const garden = async () => (await db.gardens.get(g))!;
const deeds = () => db.log.count();

describe('deeds on one record', () => {
  test('two changes within a moment are two entries, unless they are steps of one movement', async () => {
    const cover = base.covers.find((c) => c.sownOn && c.verdict === null)!;
    const before = await deeds();
    const change = (note: string, joins?: boolean) =>
      changeCover(hands, cover, 'note', joins ? 'a slider' : 'a note', () => ({ note }), joins);
    await change('a');
    await change('ab');
    expect(await deeds()).toBe(before + 2);
    await change('abc', true);
    await change('abcd', true);
    expect(await deeds()).toBe(before + 3);
    await undo(db, g);
    expect((await db.covers.get(cover.id))!.note).toBe('ab');
  });
  test('ticks faster than the screen all stay: each reads what stands when it is written', async () => {
    const tick = (id: string) =>
      changeGarden(hands, g, 'the tools at hand', (x) => ({ kit: [...x.kit, id] }));
    const wanted = ['scythe', 'mower', 'hoe', 'flame-weeder', 'straw', 'compost'];
    await Promise.all(wanted.map(tick));
    expect((await garden()).kit.slice(-6).sort()).toEqual([...wanted].sort());
    expect(await deeds()).toBe(6);
    const bed = base.beds[0]!;
    await Promise.all([
      changeBed(hands, bed, (b) => ({ troubles: [...b.troubles, 'clubroot'] })),
      changeBed(hands, bed, (b) => ({ troubles: [...b.troubles, 'root-knot'] })),
      changeBed(hands, bed, () => ({ shade: 'part' })),
    ]);
    expect(await db.beds.get(bed.id)).toMatchObject({ troubles: ['clubroot', 'root-knot'], shade: 'part' });
  });
  test('what was really done stands before what was planned: a cover is not ended before the day on which it was sown', async () => {
    const cover = base.covers.find(
      (c) => c.sownOn && c.passes.length > 0 && c.passes.every((p) => !p.doneOn) && !c.endedOn,
    )!;
    const due = cover.passes[0]!.due;
    const late = dayOf(due) + 1;
    const sown = (sownOn: string | null, sowOn: string) =>
      changeCover(hands, cover, 'sowing', 'the sowing', () => ({ sownOn, sowOn }));
    expect(await sown(isoOf(late), cover.sowOn)).toMatchObject({
      ok: false,
      failure: { code: 'dates-out-of-order', where: 'sowing and ending' },
    });
    // The day that was planned no longer matters once it was sown.
    expect(await sown(cover.sownOn, isoOf(late))).toMatchObject({ ok: true });
  });
  test('steps of a slider are one deed; after a pause, or of another record, they are two', async () => {
    const cover = base.covers.find((c) => c.sownOn === null)!;
    const slide = (rateTimes: number) =>
      changeCover(hands, cover, 'seed', 'the rate', () => ({ rateTimes }), true);
    for (const [i, r] of [1.1, 1.2, 1.3].entries()) {
      second = i;
      await slide(r);
    }
    expect(await deeds()).toBe(1);
    second = 30;
    await slide(1.5);
    expect(await deeds()).toBe(2);
    await undo(db, g);
    expect((await db.covers.get(cover.id))!.rateTimes).toBe(1.3);
    await undo(db, g);
    expect((await db.covers.get(cover.id))!.rateTimes).toBe(cover.rateTimes);
    await redo(db, g);
    expect((await db.covers.get(cover.id))!.rateTimes).toBe(1.3);
  });
  test('planted twice by a double click is planted once, and the time it stands stays as planned', async () => {
    const p = base.plantings.find((x) => x.plantedOn === null && x.cropId === 'winter-squash')!;
    const twice = await Promise.all([plantBack(hands, p, '2027-06-10'), plantBack(hands, p, '2027-06-10')]);
    expect(twice.map((r) => r.ok)).toEqual([true, true]);
    expect(await deeds()).toBe(1);
    // 128 days from 6 June to 12 October, from 10 June on.
    expect(await db.plantings.get(p.id)).toMatchObject({ plantedOn: '2027-06-10', clearOn: '2027-10-16' });
  });
  test('a crop that is moved takes its clearing and the cover before it along, in one write', async () => {
    const cover = base.covers.find((c) => c.id === 'north-shore-cover-1-2026-09')!;
    const p = base.plantings.find((x) => x.id === cover.nextPlantingId)!;
    await movePlanting(hands, p, 9);
    expect(await db.plantings.get(p.id)).toMatchObject({ plantOn: '2027-06-15', clearOn: '2027-10-21' });
    expect((await db.covers.get(cover.id))!.plantBackOn).toBe('2027-06-15');
    await undo(db, g);
    expect(await readGarden(db, g)).toEqual(await sorted());
    expect(await movePlanting(hands, p, -300)).toMatchObject({
      ok: false,
      failure: { code: 'crops-overlap' },
    });
  });
  test('a date is corrected where it stands: of a pass, a sowing, a planting, a look; not to a day that cannot be', async () => {
    const cover = base.covers.find((c) => c.verdict === 'dead' && c.passes.length === 2)!;
    const at = (k: number) => db.covers.get(cover.id).then((c) => c!.passes[k]!.doneOn);
    const [first, last] = cover.passes.map((p) => p.doneOn!);
    expect((await correctDate(hands, g, { kind: 'pass', id: cover.id, index: 0 }, cover.sownOn!)).ok).toBe(
      true,
    );
    expect([await at(0), await at(1)]).toEqual([cover.sownOn, last]);
    expect(await correctDate(hands, g, { kind: 'pass', id: cover.id, index: 1 }, '2020-01-01')).toMatchObject(
      {
        ok: false,
        failure: { code: 'dates-out-of-order' },
      },
    );
    expect(await at(1)).toBe(last);
    expect(first).not.toBe(cover.sownOn);
    const look = base.looks.find((l) => l.coverId === cover.id)!;
    const sown = (await db.covers.get(look.coverId))!.sownOn!;
    expect((await correctDate(hands, g, { kind: 'look', id: look.id }, sown)).ok).toBe(true);
    expect((await db.looks.get(look.id))!.on).toBe(sown);
    expect(await correctDate(hands, g, { kind: 'look', id: look.id }, '2019-01-01')).toMatchObject({
      ok: false,
      failure: { code: 'look-before-sowing' },
    });
    await saveNote(hands, { id: 'n', gardenId: g, bedId: base.beds[0]!.id, on: '2027-04-01', text: 'x' });
    await correctDate(hands, g, { kind: 'note', id: 'n' }, '2027-04-03');
    expect((await db.notes.get('n'))!.on).toBe('2027-04-03');
  });
  test('what is gone is said, and nothing is made of it', async () => {
    const gone = { id: 'nobody', gardenId: g };
    const codes = await Promise.all([
      changeCover(hands, gone, 'x', 'x', () => ({ note: 'x' })),
      changePlanting(hands, gone, 'x', () => ({ note: 'x' })),
      changeBed(hands, { ...gone, name: 'x' }, () => ({ note: 'x' })),
      changeGarden(hands, 'nobody', 'x', () => ({ name: 'x' })),
      correctDate(hands, g, { kind: 'note', id: 'nobody' }, '2027-04-03'),
    ]);
    expect(codes.map((r) => (r.ok ? 'ok' : r.failure.code))).toEqual([
      'cover-gone',
      'planting-gone',
      'bed-gone',
      'garden-gone',
      'entry-gone',
    ]);
    expect(await deeds()).toBe(0);
  });
  test('a crop that is taken away leaves no cover pointing to it, and one undo brings both back', async () => {
    const cover = base.covers.find((c) => c.nextPlantingId && c.verdict === null)!;
    const p = base.plantings.find((x) => x.id === cover.nextPlantingId)!;
    await removePlanting(hands, p);
    expect((await db.covers.get(cover.id))!.nextPlantingId).toBeNull();
    await undo(db, g);
    expect(await readGarden(db, g)).toEqual(await sorted());
  });
});

/** The garden as it came, in the order in which it is read. */
async function sorted() {
  const kept = (await readGarden(db, g))!;
  const file = JSON.parse(writeGardenFile({ ...base, stamps: [] })) as typeof base;
  for (const t of ['beds', 'plantings', 'covers', 'looks', 'notes', 'lots', 'recipes'] as const)
    expect(new Set(kept[t].map((r) => JSON.stringify(r)))).toEqual(
      new Set(file[t].map((r) => JSON.stringify(r))),
    );
  return kept;
}

test('any deeds, undone and redone in any order, leave what a plain list of them leaves', async () => {
  const bed = base.beds[3]!;
  const deed = fc.oneof(
    fc.record({ what: fc.constant('note' as const), text: fc.constantFrom('a', 'b', 'c') }),
    fc.record({ what: fc.constant('shade' as const), text: fc.constantFrom('open', 'part', 'deep') }),
    fc.record({ what: fc.constantFrom('undo' as const, 'redo' as const), text: fc.constant('') }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(deed, { maxLength: 14 }), async (all) => {
      await bringBack(db, base);
      const states = [{ note: bed.note, shade: bed.shade as string }];
      let at = 0;
      for (const d of all) {
        second += 10;
        if (d.what === 'undo') {
          const r = await undo(db, g);
          expect(r.ok).toBe(at > 0);
          at = Math.max(0, at - 1);
        } else if (d.what === 'redo') {
          const r = await redo(db, g);
          expect(r.ok).toBe(at < states.length - 1);
          at = Math.min(states.length - 1, at + 1);
        } else {
          await changeBed(hands, bed, () => ({ [d.what]: d.text }));
          const next = { ...states[at]!, [d.what]: d.text };
          // What stands already is no deed, and what was undone stays to be done again.
          if (JSON.stringify(next) !== JSON.stringify(states[at])) states.splice(++at, Infinity, next);
        }
        expect(await db.beds.get(bed.id)).toMatchObject(states[at]!);
      }
      const file = readGardenFile(writeGardenFile((await readKept(db, g))!));
      expect(file.ok && file.value.beds.find((b) => b.id === bed.id)).toMatchObject(states[at]!);
    }),
    { numRuns: 12 },
  );
}, 60_000);
