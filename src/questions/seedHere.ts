import { type Candidate } from '../core/choose/sample.ts';
import { packetUse, type SeedHere, type ShelfUse } from '../core/seed/packet.ts';
import { liveShare, USUAL_SEED } from '../core/seed/weight.ts';
import type { Bed, Cover, Lot, Recipe } from '../records/types.ts';
import { shelfLot } from './needs.ts';
import { weightsOf } from './weights.ts';

/**
 * Answers: does the packet, or the seed on the shelf, do for these beds?
 * @param on the cover as it would be sown on each of the beds
 */
export function seedHere(
  of: Pick<Candidate, 'id'>,
  on: readonly { cover: Cover; bed: Bed }[],
  { recipes, lots }: { recipes: readonly Recipe[]; lots: readonly Lot[] },
  today: string,
): SeedHere {
  const weights = on.flatMap(({ cover, bed }) => weightsOf(cover, bed));
  const throws = Math.max(1, ...on.map(({ cover }) => cover.throws));
  const packet = recipes.find((r) => r.ready && `own-${r.id}` === of.id);
  const pack = packet && [...packet.packs].sort((a, b) => a.size_g - b.size_g)[0];
  if (packet)
    return {
      packet: packetUse(
        weights.reduce((s, w) => s + w.weigh_g, 0),
        pack?.size_g ?? null,
        throws,
      ),
      shelf: [],
    };
  const kinds = [...new Set(weights.map((w) => w.speciesId))];
  return {
    shelf: kinds.flatMap((speciesId): ShelfUse[] => {
      const mine = lots
        .filter((l) => l.speciesId === speciesId && l.left_g > 0)
        .map((l) => shelfLot(l, today));
      if (mine.length === 0) return [];
      const asked = weights.filter((w) => w.speciesId === speciesId);
      const wants = asked.reduce((s, w) => s + w.viable_g, 0);
      const lives = mine.reduce((s, l) => s + l.left_g * l.live, 0);
      const has_g = mine.reduce((s, l) => s + l.left_g, 0);
      return [
        {
          speciesId,
          need_g: lives > 0 ? (wants * has_g) / lives : asked.reduce((s, w) => s + w.weigh_g, 0),
          has_g,
          buy_g: Math.max(0, wants - lives) / liveShare(USUAL_SEED),
        },
      ];
    }),
  };
}
