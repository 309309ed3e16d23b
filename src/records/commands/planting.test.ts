import { describe, expect, test } from '@jest/globals';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { changeTurn, planFrom, swapTurns } from '../../core/rotation/yearsPlan.ts';
import { type KilimDatabase } from '../db.ts';
import { demoKept, inStore } from '../testStore.ts';
import { type Cover, type Planting } from '../types.ts';
import { type Hands, removeLook } from '../verbs/verbs.ts';
import { undo } from '../write.ts';
import { changePlan, planYear } from './planting.ts';

let db: KilimDatabase;
let hands: Hands;
const base = demoKept();
const gardenId = base.garden.id;
const bed = base.beds.find((b) => !b.piece)!;
const YEAR = 2031;
const crop = (id: string, plantOn: string, clearOn: string): Planting => ({
  ...base.plantings[0]!,
  id,
  bedId: bed.id,
  cropId: 'leek',
  plantOn,
  plantedOn: null,
  clearOn,
  clearedOn: null,
});
const leek = crop('plan-leek', `${YEAR}-05-20`, `${YEAR}-10-01`);
const pattern = base.covers.find((c) => c.passes.length > 0)!;
/** A cover of the plan, sown and to be over so many days before its crop. */
const cover = (id: string, sowOn: string, plantBackOn: string): Cover => {
  const moved = dayOf(sowOn) - dayOf(pattern.sowOn);
  return {
    ...pattern,
    id,
    bedId: bed.id,
    sowOn,
    sownOn: null,
    plantBackOn,
    nextPlantingId: null,
    verdict: null,
    endedOn: null,
    passes: pattern.passes.map((p) => ({ ...p, doneOn: null, due: isoOf(dayOf(p.due) + moved) })),
  };
};

inStore(base, (h) => {
  hands = h;
  db = h.db;
});
const counts = async () => [await db.plantings.count(), await db.covers.count()];

describe('a year that is planned', () => {
  test('brings its crops and covers in one write, and one undo takes all of them back', async () => {
    const [plantings, covers] = await counts();
    const hung = cover('plan-cover', `${YEAR - 1}-09-01`, leek.plantOn);
    expect(await planYear(hands, gardenId, YEAR, [leek], [hung])).toMatchObject({ ok: true });
    expect(await counts()).toEqual([plantings! + 1, covers! + 1]);
    expect(await db.plantings.get('plan-leek')).toMatchObject({ cropId: 'leek', plantOn: leek.plantOn });
    expect(await db.covers.get('plan-cover')).toMatchObject({ sowOn: hung.sowOn, bedId: bed.id });
    await undo(db, gardenId);
    expect(await counts()).toEqual([plantings, covers]);
  });
  test('is refused as a whole where one crop stands on another, or one cover on another', async () => {
    const before = await counts();
    const late = crop('plan-late', `${YEAR}-09-01`, `${YEAR}-12-01`);
    await planYear(hands, gardenId, YEAR, [late]);
    expect(await planYear(hands, gardenId, YEAR, [leek])).toMatchObject({
      ok: false,
      failure: { code: 'crops-overlap' },
    });
    await undo(db, gardenId);
    const stands = cover('stands', `${YEAR}-03-01`, `${YEAR}-12-20`);
    expect(await planYear(hands, gardenId, YEAR, [], [stands])).toMatchObject({ ok: true });
    const other = cover('other', `${YEAR}-03-10`, `${YEAR}-12-24`);
    const spring = crop('plan-spring', `${YEAR + 1}-05-01`, `${YEAR + 1}-08-01`);
    expect(await planYear(hands, gardenId, YEAR + 1, [spring], [other])).toMatchObject({
      ok: false,
      failure: { code: 'covers-overlap' },
    });
    expect(await db.plantings.get('plan-spring')).toBeUndefined();
    await undo(db, gardenId);
    expect(await counts()).toEqual(before);
  });
});

test('a look that is taken away is that one and no other, and comes back with one undo', async () => {
  const look = base.looks[0]!;
  expect(await removeLook(hands, look)).toMatchObject({ ok: true });
  expect(await db.looks.get(look.id)).toBeUndefined();
  expect(await db.looks.count()).toBe(base.looks.length - 1);
  expect(await undo(db, gardenId)).toMatchObject({ ok: true, value: { verb: 'remove-look' } });
  expect(await db.looks.get(look.id)).toEqual(look);
});

describe('the gardener’s own plan of the years', () => {
  const shown = planFrom(
    ['a', 'b'],
    [
      [['leek'], ['kale']],
      [['bean'], ['tomato']],
    ],
    YEAR,
  );
  const kept = async () => (await db.gardens.get(gardenId))!.yearsPlan;
  const turns = async () => (await kept())!.beds.map((b) => b.years.map((t) => t.join('+')));

  test('begins as what is shown with its first change; two changes at the same moment both stay; one undo takes back one', async () => {
    const both = await Promise.all([
      changePlan(hands, gardenId, shown, (p) => swapTurns(p, YEAR, 'a', 'b')),
      changePlan(hands, gardenId, shown, (p) => changeTurn(p, YEAR + 1, 'b', (t) => [...t, 'garlic'])),
    ]);
    expect(both).toMatchObject([{ ok: true }, { ok: true }]);
    expect(await turns()).toEqual([
      ['kale', 'bean'],
      ['leek', 'tomato+garlic'],
    ]);
    await undo(db, gardenId);
    expect(await turns()).toEqual([
      ['kale', 'bean'],
      ['leek', 'tomato'],
    ]);
    await undo(db, gardenId);
    expect(await kept()).toBeUndefined();
  });
  test('what is shown of other years, of beds that it has not or of another plan takes its place', async () => {
    const same = <T>(p: T) => p;
    await changePlan(hands, gardenId, shown, (p) => changeTurn(p, YEAR, 'a', () => ['okra']));
    await changePlan(hands, gardenId, shown, same);
    expect((await turns())[0]).toEqual(['okra', 'bean']);
    await changePlan(hands, gardenId, shown, same, true);
    expect(await kept()).toEqual(shown);
    const more = planFrom(['a', 'b', 'c'], [[['x'], ['y'], ['z']]], YEAR);
    await changePlan(hands, gardenId, more, same);
    expect(await kept()).toEqual(more);
    // A longer plan stays whole while fewer of its years are shown.
    await changePlan(hands, gardenId, shown, same, true);
    const short = planFrom(['a', 'b'], [[['leek'], ['kale']]], YEAR);
    await changePlan(hands, gardenId, short, same);
    expect(await kept()).toEqual(shown);
    const later = planFrom(['a'], [[['x']]], YEAR + 1);
    await changePlan(hands, gardenId, later, same);
    expect(await kept()).toEqual(later);
  });
  test('a garden that is gone has no plan', async () =>
    expect(await changePlan(hands, 'none', shown, (p) => p)).toMatchObject({
      ok: false,
      failure: { code: 'garden-gone' },
    }));
});
