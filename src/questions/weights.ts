import { findSpecies, findWay, membersOf, usualWay } from '../catalogue/catalogue.ts';
import { sowableArea_m2 } from '../core/area/area.ts';
import { latenessFactor } from '../core/seed/lateness.ts';
import { rateParts } from '../core/seed/rate.ts';
import { liveShare, USUAL_SEED, type WeightWorking, weightFor } from '../core/seed/weight.ts';
import type { Bed, Cover, Garden } from '../records/types.ts';

/** Ground that this cover is sown on, m²: its strips, or the bed less what stands in it. */
export const sownArea_m2 = (cover: Pick<Cover, 'strips'>, bed: Bed): number =>
  sowableArea_m2(bed.area_m2, bed.obstacles, cover.strips);

/** What lies between a planned cover and the scale, member by member. */
export function weightsOf(cover: Cover, bed: Bed): (WeightWorking & { speciesId: string })[] {
  const members = membersOf(cover.parts);
  const way = findWay(cover.wayId) ?? usualWay;
  const area_m2 = sownArea_m2(cover, bed);
  return rateParts(members).map((part, i) => {
    const speciesId = members[i]!.species.id;
    const seed = cover.seed.find((s) => s.speciesId === speciesId);
    return {
      speciesId,
      ...weightFor({
        area_m2,
        ...part,
        wayFactor: way.rateFactor * cover.rateTimes,
        lateFactor: latenessFactor(cover.weeksLate),
        germination: seed?.germination ?? USUAL_SEED.germination,
        hard: seed?.hard ?? USUAL_SEED.hard,
        purity: seed?.purity ?? USUAL_SEED.purity,
        coating: seed?.coating ?? USUAL_SEED.coating,
      }),
    };
  });
}

/** False where the cover comes from seed that is on the ground already. */
export const seedNeeded = (cover: Cover): boolean => findWay(cover.wayId)?.seedNeeded ?? true;

/** Viable seed on the ground: what was thrown where that is known, else what is planned. */
export function seedOnGround(cover: Cover, bed: Bed): number[] {
  return weightsOf(cover, bed).map((w) => {
    const used = cover.seed.find((s) => s.speciesId === w.speciesId)?.used_g;
    return (used === null || used === undefined ? w.viable_g : used * liveShare(w)) / w.area_m2;
  });
}

/** Rough price of seed per kg in no currency in particular: dear small packs at the top. Marked as a guess wherever shown. */
const GUESS_PER_KG = [0, 3, 5, 9, 16, 30];

/** Cost of the seed for an area, with the gardener's own prices where given. */
export function seedCost(
  garden: Garden,
  grams: { speciesId: string; weigh_g: number }[],
): { cost: number; guessed: boolean } {
  let guessed = false;
  const cost = grams.reduce((sum, g) => {
    const own = garden.seedPrices[g.speciesId];
    if (own === undefined) guessed = true;
    return sum + (g.weigh_g / 1000) * (own ?? GUESS_PER_KG[findSpecies(g.speciesId)?.seed.priceIndex ?? 3]!);
  }, 0);
  return { cost, guessed };
}
