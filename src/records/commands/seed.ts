import { fail, ok } from '../../core/result/result.ts';
import { same } from '../stamps.ts';
import { type Cover, type Look, type Lot, type Recipe } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';
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

/** The cover with no treated seed set aside for it: it is poisonous, and what is eaten or grazed is never sown with it. What is in the ground stays as it was. */
const withoutTreated = (cover: Cover, treated: (lotId: string) => boolean): Cover =>
  cover.sownOn === null && cover.eaten
    ? { ...cover, seed: cover.seed.map((s) => (s.lotId && treated(s.lotId) ? { ...s, lotId: null } : s)) }
    : cover;

/** Changes what is known of a lot on the shelf; found to be treated, it is taken off sowings of what will be eaten. Fails with `lot-gone`. */
export const changeLot = (hands: Hands, of: Named, patch: Patch<Lot>): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'save-lot', 'seed on the shelf'), async () => {
    const stands = await hands.db.lots.get(of.id);
    if (!stands) return fail('lot-gone');
    const put = { ...stands, ...patch(stands) };
    const covers = put.treated
      ? (await hands.db.covers.where({ gardenId: of.gardenId }).toArray()).filter(
          (c) => c.sownOn === null && c.eaten && c.seed.some((s) => s.lotId === of.id),
        )
      : [];
    return ok([
      { table: 'lots', put },
      ...covers.map((c): Wish => ({ table: 'covers', put: withoutTreated(c, (id) => id === of.id) })),
    ]);
  });

/** Says whether anything of a cover will be eaten or grazed; treated seed that was set aside for it goes back on the shelf. Fails with `cover-gone`. */
export const setEaten = (hands: Hands, of: Named, eaten: boolean): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'seed', 'what a cover is for'), async () => {
    const cover = await hands.db.covers.get(of.id);
    if (!cover) return fail('cover-gone');
    const lots = await hands.db.lots.where({ gardenId: of.gardenId }).toArray();
    const treated = new Set(lots.filter((l) => l.treated).map((l) => l.id));
    return ok([{ table: 'covers', put: withoutTreated({ ...cover, eaten }, (id) => treated.has(id)) }]);
  });

/** Another way of sowing; the one that was planned is kept beside it, until it is taken again. Fails with `cover-gone`. */
export const changeWay = (hands: Hands, of: Named, wayId: string): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'way', 'the way of sowing'), async () => {
    const cover = await hands.db.covers.get(of.id);
    if (!cover) return fail('cover-gone');
    const { plannedWayId = cover.wayId, ...rest } = cover;
    return ok([
      { table: 'covers', put: { ...rest, wayId, ...(wayId === plannedWayId ? {} : { plannedWayId }) } },
    ]);
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
