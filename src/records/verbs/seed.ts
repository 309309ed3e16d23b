import { fail } from '../../core/result/result.ts';
import type { Cover, Lot, Planting, Recipe, Walk } from '../types.ts';
import { type Wish, write } from '../write.ts';
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

let walking: Promise<unknown> = Promise.resolve();

/**
 * One step of a sowing, kept at once: a tick, a portion thrown, a count, where the bag was empty. Only what the step changes is put into
 * the record as it then is, one step after the other: thumbs are faster than disks. Fails with `cover-gone`.
 */
export function saveWalk(hands: Hands, coverId: string, part: Partial<Walk>, label: string): Done {
  const step = walking.then(async () => {
    const cover = await hands.db.covers.get(coverId);
    if (!cover) return fail('cover-gone');
    const walk = { ...(cover.walk ?? FRESH_WALK), ...part };
    return write(hands.db, meta(hands, cover.gardenId, 'sowing-step', label), [
      { table: 'covers', put: { ...cover, walk } },
    ]);
  });
  walking = step.catch(() => undefined);
  return step;
}

/**
 * Logs a sowing, or corrects one: the cover with its day and what was really used, and the lots that it came from, less that much, in
 * one write. Undo gives the seed back to the shelf. `cleared` is a crop that went out of its way on the same day. Fails as `saveCover` does, or with
 * `lot-short` when a lot holds less than was used.
 */
export async function logSowing(hands: Hands, cover: Cover, bedName: string, cleared?: Planting): Done {
  const checked = await checkCover(hands, cover);
  if (!checked.ok) return checked;
  const before = await hands.db.covers.get(cover.id);
  const change = new Map<string, number>();
  const count = (seed: Cover['seed'], sign: number) => {
    for (const s of seed)
      if (s.lotId && s.used_g) change.set(s.lotId, (change.get(s.lotId) ?? 0) + sign * s.used_g);
  };
  count(cover.seed, 1);
  if (before?.sownOn) count(before.seed, -1);
  const wishes: Wish[] = [{ table: 'covers', put: cover }];
  if (cleared) wishes.push({ table: 'plantings', put: { ...cleared, clearedOn: cover.sownOn } });
  for (const [lotId, used_g] of change) {
    const lot = await hands.db.lots.get(lotId);
    if (!lot || used_g === 0) continue;
    if (used_g > lot.left_g + 0.05)
      return fail('lot-short', lot.label || lot.speciesId, { left_g: lot.left_g, used_g });
    wishes.push({ table: 'lots', put: { ...lot, left_g: Math.max(0, lot.left_g - used_g) } });
  }
  return write(hands.db, meta(hands, cover.gardenId, 'sow', `sowing bed ${bedName}`), wishes);
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
