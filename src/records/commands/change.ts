import { findCrop } from '../../catalogue/catalogue.ts';
import { plantingDays } from '../../core/bed/timeline.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { fail, ok, type Result } from '../../core/result/result.ts';
import { type Bed, type Cover, type Garden, type Look, type Note, type Planting } from '../types.ts';
import { inOrder, noOverlap } from '../verbs/dates.ts';
import { checkCover, type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';
import { isThere } from '../verbs/there.ts';
import { piecesAfter } from './pieces.ts';

// Deeds on one record. Each takes an id and what changes, and reads the record as it stands when it is written: two ticks within a moment, or in two tabs,
// both stay.

/** What changes, told from the record as it stands. */
export type Patch<T> = (stands: T) => Partial<T>;

type Named = { id: string; gardenId: string };
const cropName = (p: Planting): string => findCrop(p.cropId)?.name ?? p.cropId;

/** Changes something of the garden itself. `joins` makes one entry of a slider's steps. Fails with `garden-gone`. */
export const changeGarden = (
  hands: Hands,
  gardenId: string,
  label: string,
  patch: Patch<Garden>,
  joins = false,
): Done =>
  writeFrom(hands.db, { ...meta(hands, gardenId, 'change-garden', label), joins }, async () => {
    const stands = await hands.db.gardens.get(gardenId);
    if (!stands) return fail('garden-gone');
    return ok([{ table: 'gardens', put: { ...stands, ...patch(stands) } }]);
  });

/** Changes what is known of a bed; its pieces take the shape that follows. Fails with `bed-gone`. */
export const changeBed = (hands: Hands, of: Named & { name: string }, patch: Patch<Bed>): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'change-bed', `bed ${of.name}`), async () => {
    const stands = await hands.db.beds.get(of.id);
    if (!stands) return fail('bed-gone');
    const put = { ...stands, ...patch(stands) };
    return ok([{ table: 'beds', put }, ...(await piecesAfter(hands, put))]);
  });

/** Changes a cover. Fails with `cover-gone`, or as checking its dates does. */
export const changeCover = (
  hands: Hands,
  of: Named,
  verb: string,
  label: string,
  patch: Patch<Cover>,
  joins = false,
): Done =>
  writeFrom(hands.db, { ...meta(hands, of.gardenId, verb, label), joins }, async () => {
    const stands = await hands.db.covers.get(of.id);
    if (!stands) return fail('cover-gone');
    const put = { ...stands, ...patch(stands) };
    const checked = await checkCover(hands, put);
    return checked.ok ? ok([{ table: 'covers', put }]) : checked;
  });

/** Changes a crop's plan or record. Fails with `planting-gone`, `dates-out-of-order` or `crops-overlap`. */
export const changePlanting = (hands: Hands, of: Named, verb: string, patch: Patch<Planting>): Done =>
  writePlanting(hands, of, verb, patch, () => Promise.resolve([]));

async function writePlanting(
  hands: Hands,
  of: Named,
  verb: string,
  patch: Patch<Planting>,
  more: (put: Planting) => Promise<Wish[]>,
): Done {
  // The label is written before the record is read: a crop that is gone is called by what it was.
  const known = await hands.db.plantings.get(of.id).catch(() => undefined);
  const label = known ? cropName(known).toLowerCase() : 'a crop';
  return writeFrom(hands.db, meta(hands, of.gardenId, verb, label), async () => {
    const stands = await hands.db.plantings.get(of.id);
    if (!stands) return fail('planting-gone');
    const put = { ...stands, ...patch(stands) };
    const sound = await soundPlanting(hands, put);
    return sound.ok ? ok([{ table: 'plantings', put }, ...(await more(put))]) : sound;
  });
}

async function soundPlanting(hands: Hands, p: Planting): Promise<Result<true>> {
  const order = inOrder([['planting', p.plantedOn ?? p.plantOn, 'clearing', p.clearedOn ?? p.clearOn]]);
  if (!order.ok) return order;
  const days = plantingDays(p);
  const there = await isThere(hands.db, p.bedId, days.from, days.to);
  if (!there.ok) return there;
  const others = await hands.db.plantings.where({ bedId: p.bedId }).toArray();
  return noOverlap(p, others, cropName);
}

/** A crop is cleared at least so long after it was planted. */
const LEAST_STANDS_D = 20;

/** Logs that the crop went in; the time it stands stays as planned. Logged again for the same day it changes nothing. */
export const plantBack = (hands: Hands, of: Named, on: string): Done =>
  changePlanting(hands, of, 'plant', (p) => {
    const from = dayOf(p.plantedOn ?? p.plantOn);
    const stands = Math.max(dayOf(p.clearOn) - from, LEAST_STANDS_D);
    return { plantedOn: on, clearOn: isoOf(dayOf(on) + stands) };
  });

/** Moves a planned crop by days, its clearing and the plant-back day of the cover before it with it, in one write. Fails as `changePlanting` does. */
export const movePlanting = (hands: Hands, of: Named, by_d: number): Done =>
  writePlanting(
    hands,
    of,
    'move-planting',
    (p) => ({ plantOn: isoOf(dayOf(p.plantOn) + by_d), clearOn: isoOf(dayOf(p.clearOn) + by_d) }),
    async (put) =>
      (await hands.db.covers.filter((c) => c.nextPlantingId === put.id).toArray())
        .filter((c) => c.verdict !== 'dead')
        .map((c): Wish => ({ table: 'covers', put: { ...c, plantBackOn: put.plantOn } })),
  );

/** A date that was written down and is corrected. */
export type DatedThing =
  | { kind: 'look' | 'note'; id: string }
  | { kind: 'planted' | 'cleared'; id: string }
  | { kind: 'sown' | 'ended'; id: string }
  | { kind: 'pass' | 'watering'; id: string; index: number };

/** Corrects the day of something that was written down. Fails where that day cannot be. */
export const correctDate = (hands: Hands, gardenId: string, what: DatedThing, on: string): Done => {
  const of = { id: what.id, gardenId };
  switch (what.kind) {
    case 'look':
    case 'note':
      return correctSeen(hands, of, what.kind, on);
    case 'planted':
      return changePlanting(hands, of, 'correct-date', () => ({ plantedOn: on }));
    case 'cleared':
      return changePlanting(hands, of, 'correct-date', () => ({ clearedOn: on }));
    case 'sown':
      return changeCover(hands, of, 'correct-date', 'a date', () => ({ sownOn: on }));
    case 'ended':
      return changeCover(hands, of, 'correct-date', 'a date', () => ({ endedOn: on }));
    case 'pass':
      return changeCover(hands, of, 'correct-date', 'a date', (c) => ({
        passes: c.passes.map((p, k) => (k === what.index ? { ...p, doneOn: on } : p)),
      }));
    case 'watering':
      return changeCover(hands, of, 'correct-date', 'a date', (c) => ({
        waterings: c.waterings.map((w, k) => (k === what.index ? { ...w, on } : w)),
      }));
  }
};

const correctSeen = (hands: Hands, of: Named, kind: 'look' | 'note', on: string): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'correct-date', 'a date'), async () => {
    const table = kind === 'look' ? 'looks' : 'notes';
    const stands = (await hands.db.table(table).get(of.id)) as Look | Note | undefined;
    if (!stands) return fail('entry-gone');
    if ('coverId' in stands) {
      const cover = await hands.db.covers.get(stands.coverId);
      if (!cover?.sownOn || on < cover.sownOn)
        return fail('look-before-sowing', undefined, { sown: cover?.sownOn ?? '', look: on });
    }
    return ok([{ table, put: { ...stands, on } } as Wish]);
  });
