import { fail, ok } from '../../core/result/result.ts';
import { same } from '../stamps.ts';
import { type Look, type Lot, type Recipe } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { writeFrom } from '../write.ts';
import { type Patch } from './change.ts';

// Deeds on seed, mixes and looks: each reads what stands when it is written.

type Named = { id: string; gardenId: string };

/** What of a record differs between the form as it was opened and as it was saved: what somebody else changed meanwhile stays theirs. */
export function typedAnew<T extends object>(opened: T, saved: T): Partial<T> {
  const keys = Object.keys(saved) as (keyof T)[];
  return Object.fromEntries(
    keys.filter((k) => !same(opened[k], saved[k])).map((k) => [k, saved[k]]),
  ) as Partial<T>;
}

/** Changes what is known of a lot on the shelf. Fails with `lot-gone`. */
export const changeLot = (hands: Hands, of: Named, patch: Patch<Lot>): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'save-lot', 'seed on the shelf'), async () => {
    const stands = await hands.db.lots.get(of.id);
    return stands ? ok([{ table: 'lots', put: { ...stands, ...patch(stands) } }]) : fail('lot-gone');
  });

/** Changes a kept mix. Fails with `recipe-gone`. */
export const changeRecipe = (hands: Hands, of: Named & { name: string }, patch: Patch<Recipe>): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'save-recipe', of.name), async () => {
    const stands = await hands.db.recipes.get(of.id);
    return stands ? ok([{ table: 'recipes', put: { ...stands, ...patch(stands) } }]) : fail('recipe-gone');
  });

/**
 * Writes down a look at a cover as it stands now. Fails with `cover-gone`, `look-before-sowing` where nothing was sown by then, `look-empty` where nothing
 * was said.
 */
export const logLook = (hands: Hands, look: Look): Done =>
  writeFrom(hands.db, meta(hands, look.gardenId, 'save-look', 'a look'), async () => {
    const cover = await hands.db.covers.get(look.coverId);
    if (!cover) return fail('cover-gone');
    if (!cover.sownOn || look.on < cover.sownOn)
      return fail('look-before-sowing', undefined, { sown: cover.sownOn ?? '', look: look.on });
    const seen = [
      look.emergence,
      look.cover,
      look.height_m,
      look.stage,
      look.alive,
      look.weeds,
      look.crowns,
      look.soil ?? null,
      look.about ?? null,
      look.bulk ?? null,
    ];
    if (seen.every((s) => s === null) && look.members.length === 0 && look.note.trim() === '')
      return fail('look-empty');
    return ok([{ table: 'looks', put: look }]);
  });

/** Own seed, clean and dry, goes onto the shelf: cleaned by hand, it is a little less pure than bought seed. */
const OWN_PURITY = 0.95;

/** Puts seed won on a bed onto the shelf as a lot, with a note on the bed, in one write. Fails with `bed-gone`. */
export const shelveOwnSeed = (
  hands: Hands,
  of: Named,
  won: { speciesId: string; name: string; grams: number; on: string },
): Done =>
  writeFrom(
    hands.db,
    meta(hands, of.gardenId, 'own-seed', `own seed of ${won.name.toLowerCase()}`),
    async () => {
      const bed = await hands.db.beds.get(of.id);
      if (!bed) return fail('bed-gone');
      return ok([
        {
          table: 'lots',
          put: {
            id: hands.newId(),
            gardenId: of.gardenId,
            speciesId: won.speciesId,
            label: `own, bed ${bed.name}`,
            year: Number(won.on.slice(0, 4)),
            left_g: won.grams,
            treated: false,
            purity: OWN_PURITY,
            coating: 0,
            test: null,
            free: true,
          },
        },
        {
          table: 'notes',
          put: {
            id: hands.newId(),
            gardenId: of.gardenId,
            bedId: of.id,
            on: won.on,
            text: `Own seed of ${won.name.toLowerCase()}: ${Math.round(won.grams)} g, clean.`,
          },
        },
      ]);
    },
  );
