import { fail, ok } from '../../core/result/result.ts';
import { type Cover } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { writeFrom } from '../write.ts';

/** Writes down a watering after sowing. Fails with `cover-gone` or `look-before-sowing`. */
export const logWatering = (
  hands: Hands,
  of: Pick<Cover, 'id' | 'gardenId'>,
  watering: { on: string; mm: number },
): Done =>
  writeFrom(hands.db, meta(hands, of.gardenId, 'log-watering', 'a watering'), async () => {
    const cover = await hands.db.covers.get(of.id);
    if (!cover) return fail('cover-gone');
    if (!cover.sownOn || watering.on < cover.sownOn)
      return fail('look-before-sowing', undefined, { sown: cover.sownOn ?? '', look: watering.on });
    return ok([{ table: 'covers', put: { ...cover, waterings: [...cover.waterings, watering] } }]);
  });
