import { fail, ok } from '../../core/result/result.ts';
import type { Cover, Lot, Planting, Recipe, Walk } from '../types.ts';
import { type Wish, write, writeFrom } from '../write.ts';
import { type Done, type Hands, checkCover, meta } from './verbs.ts';

/** A sowing that nobody has begun. The frame is a hand-sized square until another is named. */
export const FRESH_WALK: Walk = {
  prepared: [],
  portionsDone: 0,
  frame_m2: 0.04,
  counts: [],
  stopped: null,
  watered_mm: 0,
};

/**
 * One step of a sowing, kept at once: a tick, a portion thrown, a count, where the bag was empty. Only what the step changes is put into
 * the record as it then is: thumbs are faster than disks. Fails with `cover-gone`.
 */
export async function saveWalk(
  hands: Hands,
  coverId: string,
  part: Partial<Walk> | ((stands: Walk) => Partial<Walk>),
  label: string,
): Done {
  const known = await hands.db.covers.get(coverId);
  if (!known) return fail('cover-gone');
  return writeFrom(hands.db, meta(hands, known.gardenId, 'sowing-step', label), async () => {
    const cover = await hands.db.covers.get(coverId);
    if (!cover) return fail('cover-gone');
    const stands = cover.walk ?? FRESH_WALK;
    const walk = { ...stands, ...(typeof part === 'function' ? part(stands) : part) };
    return ok([{ table: 'covers', put: { ...cover, walk } }]);
  });
}

/** Ticks a step of the sowing's list, or takes the tick away; the other ticks stay as they stand. Fails with `cover-gone`. */
export const tickStep = (hands: Hands, coverId: string, step: string, done: boolean, label: string): Done =>
  saveWalk(
    hands,
    coverId,
    ({ prepared }) =>
      prepared.includes(step) === done
        ? {}
        : { prepared: done ? [...prepared, step] : prepared.filter((p) => p !== step) },
    label,
  );

/**
 * Logs a sowing, or corrects one: the cover with its day and what was really used, and the lots that it came from, less that much, in
 * one write. Undo gives the seed back to the shelf. `cleared` is a crop that went out of its way on the same day. Fails with `cover-gone`, as checking a
 * cover's dates does, or with `lot-short` when a lot holds less than was used.
 */
export const logSowing = (
  hands: Hands,
  of: Pick<Cover, 'id' | 'gardenId'>,
  sown: { on: string; seed: Cover['seed'] },
  bedName: string,
  cleared?: Pick<Planting, 'id'>,
): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'sow', `sowing bed ${bedName}`), async () => {
    const before = await hands.db.covers.get(of.id);
    if (!before) return fail('cover-gone');
    const cover = { ...before, sownOn: sown.on, seed: sown.seed };
    const checked = await checkCover(hands, cover);
    if (!checked.ok) return checked;
    const wishes: Wish[] = [{ table: 'covers', put: cover }];
    const crop = cleared && (await hands.db.plantings.get(cleared.id));
    if (crop) wishes.push({ table: 'plantings', put: { ...crop, clearedOn: sown.on } });
    for (const [lotId, used_g] of usedMore(before, cover)) {
      const lot = await hands.db.lots.get(lotId);
      if (!lot || used_g === 0) continue;
      if (used_g > lot.left_g + 0.05)
        return fail('lot-short', lot.label || lot.speciesId, { left_g: lot.left_g, used_g });
      wishes.push({ table: 'lots', put: { ...lot, left_g: Math.max(0, lot.left_g - used_g) } });
    }
    return ok(wishes);
  });

/** One of many sowings of a day. */
export interface DaysSowing {
  coverId: string;
  seed: Cover['seed'];
}

/**
 * Logs a day of sowing in one write: every cover with what was used, and what each lot is left with after all of them. Nothing is written where one of them
 * cannot be: fails as `logSowing` does, naming nothing but the first; `lot-short` counts all of the day.
 */
export const logSowings = (
  hands: Hands,
  gardenId: string,
  on: string,
  sowings: readonly DaysSowing[],
): Done =>
  writeFrom(
    hands.db,
    meta(hands, gardenId, 'sow', `sowing ${sowings.length} ${sowings.length === 1 ? 'bed' : 'beds'}`),
    async () => {
      const wishes: Wish[] = [];
      const taken = new Map<string, number>();
      for (const { coverId, seed } of sowings) {
        const before = await hands.db.covers.get(coverId);
        if (!before) return fail('cover-gone');
        const cover = { ...before, sownOn: on, seed };
        const checked = await checkCover(hands, cover);
        if (!checked.ok) return checked;
        wishes.push({ table: 'covers', put: cover });
        for (const [lotId, used_g] of usedMore(before, cover))
          taken.set(lotId, (taken.get(lotId) ?? 0) + used_g);
      }
      for (const [lotId, used_g] of taken) {
        const lot = await hands.db.lots.get(lotId);
        if (!lot || used_g === 0) continue;
        if (used_g > lot.left_g + 0.05)
          return fail('lot-short', lot.label || lot.speciesId, { left_g: lot.left_g, used_g });
        wishes.push({ table: 'lots', put: { ...lot, left_g: Math.max(0, lot.left_g - used_g) } });
      }
      return ok(wishes);
    },
  );

/** Grams that a sowing takes out of each lot beyond what it had taken before it was corrected. */
function usedMore(before: Cover, after: Cover): Map<string, number> {
  const change = new Map<string, number>();
  const count = (seed: Cover['seed'], sign: number) => {
    for (const s of seed)
      if (s.lotId && s.used_g) change.set(s.lotId, (change.get(s.lotId) ?? 0) + sign * s.used_g);
  };
  count(after.seed, 1);
  if (before.sownOn) count(before.seed, -1);
  return change;
}

export const saveLot = (hands: Hands, lot: Lot): Done =>
  write(hands.db, meta(hands, lot.gardenId, 'save-lot', 'seed on the shelf'), [{ table: 'lots', put: lot }]);
export const removeLot = (hands: Hands, lot: Lot): Done =>
  write(hands.db, meta(hands, lot.gardenId, 'remove-lot', 'taking seed off the shelf'), [
    { table: 'lots', remove: lot.id },
  ]);
export const saveRecipe = (hands: Hands, recipe: Recipe): Done =>
  write(hands.db, meta(hands, recipe.gardenId, 'save-recipe', recipe.name), [
    { table: 'recipes', put: recipe },
  ]);
export const removeRecipe = (hands: Hands, recipe: Recipe): Done =>
  write(hands.db, meta(hands, recipe.gardenId, 'remove-recipe', `taking ${recipe.name} away`), [
    { table: 'recipes', remove: recipe.id },
  ]);
