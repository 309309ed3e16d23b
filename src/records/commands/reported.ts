import { fail, ok } from '../../core/result/result.ts';
import { type Reported } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { writeFrom } from '../write.ts';

// Seasons of other gardens: kept beside this garden's own results, and never among them.

/** Keeps a season of another garden. Fails with `garden-gone`, or `story-twice` where the same one is kept already. */
export const keepReported = (hands: Hands, gardenId: string, told: Reported, on: string): Done =>
  writeFrom(hands.db, meta(hands, gardenId, 'keep-reported', 'a season of another garden'), async () => {
    const garden = await hands.db.gardens.get(gardenId);
    if (!garden) return fail('garden-gone');
    const known = garden.reported ?? [];
    const same = known.some(
      (r) => r.title === told.title && JSON.stringify(r.covers) === JSON.stringify(told.covers),
    );
    if (same) return fail('story-twice', told.title);
    const reported = [...known, { ...told, id: hands.newId(), readOn: on }];
    return ok([{ table: 'gardens', put: { ...garden, reported } }]);
  });

/** Puts a season of another garden away. Fails with `garden-gone`. */
export const removeReported = (hands: Hands, gardenId: string, id: string): Done =>
  writeFrom(
    hands.db,
    meta(hands, gardenId, 'remove-reported', 'putting a season of another garden away'),
    async () => {
      const garden = await hands.db.gardens.get(gardenId);
      if (!garden) return fail('garden-gone');
      const reported = (garden.reported ?? []).filter((r) => r.id !== id);
      return ok([{ table: 'gardens', put: { ...garden, reported } }]);
    },
  );
