import { coverTitle, speciesOf } from '../catalogue/catalogue.ts';
import { type BedNeed, type ShelfLot } from '../core/seed/shelf.ts';
import { germinationNow } from '../core/seed/viability.ts';
import type { Bed, Cover, Lot, Planting } from '../records/types.ts';
import { seedNeeded, weightsOf } from './weights.ts';

/** Years since a lot was tested, or since the year on its bag. */
export const yearsSince = (lot: Lot, today: string): number => {
  const now = Number(today.slice(0, 4)) + Number(today.slice(5, 7)) / 12;
  const then = lot.test
    ? Number(lot.test.on.slice(0, 4)) + Number(lot.test.on.slice(5, 7)) / 12
    : lot.year + 0.7;
  return Math.max(0, now - then);
};

/** Germination to reckon with today, 0..1. */
export const germinationOf = (lot: Lot, today: string): number =>
  germinationNow(speciesOf(lot.speciesId), yearsSince(lot, today), lot.test ?? undefined);

export const shelfLot = (lot: Lot, today: string): ShelfLot => ({
  id: lot.id,
  speciesId: lot.speciesId,
  left_g: lot.left_g,
  live: germinationOf(lot, today) * lot.purity * (1 - lot.coating),
  treated: lot.treated,
});

/** A sowing that is planned and not done, with its weights. */
export interface PlannedSowing {
  cover: Cover;
  bed: Bed;
  name: string;
  weights: ReturnType<typeof weightsOf>;
  total_g: number;
}

/** Soonest first. Covers that come from seed on the ground need none. */
export function plannedSowings(covers: Cover[], beds: Bed[]): PlannedSowing[] {
  return covers
    .filter((c) => !c.sownOn && seedNeeded(c))
    .sort((a, b) => a.sowOn.localeCompare(b.sowOn) || a.id.localeCompare(b.id))
    .flatMap((cover) => {
      const bed = beds.find((b) => b.id === cover.bedId);
      if (!bed) return [];
      const weights = weightsOf(cover, bed);
      return [
        {
          cover,
          bed,
          name: coverTitle(cover),
          weights,
          total_g: weights.reduce((s, w) => s + w.weigh_g, 0),
        },
      ];
    });
}

/** Why a sowing must be asked about before it is logged: a crop that stands there by the record, or a planting that was to come before it; null where nothing is in its way. */
export function inTheWay(
  { cover }: Pick<PlannedSowing, 'cover'>,
  plantings: readonly Planting[],
  on: string,
): 'crop' | 'late' | null {
  const stands = plantings.some(
    (p) => p.bedId === cover.bedId && p.plantedOn !== null && p.plantedOn <= on && !p.clearedOn,
  );
  if (stands) return 'crop';
  return cover.plantBackOn !== null && on >= cover.plantBackOn ? 'late' : null;
}

export const bedNeeds = (sowings: PlannedSowing[]): BedNeed[] =>
  sowings.flatMap((s) =>
    s.weights.map((w) => ({
      bedId: s.bed.id,
      coverId: s.cover.id,
      speciesId: w.speciesId,
      viable_g: w.viable_g,
      untreatedOnly: s.cover.eaten,
    })),
  );
