import type { Bed, Cover, Garden, Lot, Planting, Recipe } from '../types.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, write } from '../write.ts';

/** A whole beginning in one write: garden, bed, the packet as it is kept, the cover and the crops on either side of it. */
export const beginGarden = (
  hands: Hands,
  made: {
    garden: Garden;
    bed: Bed;
    recipe: Recipe | null;
    lot: Lot | null;
    cover: Cover;
    plantings: Planting[];
  },
): Done =>
  write(hands.db, meta(hands, made.garden.id, 'make-garden', `making ${made.garden.name}`), [
    { table: 'gardens', put: made.garden },
    { table: 'beds', put: made.bed },
    ...(made.recipe ? [{ table: 'recipes', put: made.recipe } as Wish] : []),
    ...(made.lot ? [{ table: 'lots', put: made.lot } as Wish] : []),
    ...made.plantings.map((put): Wish => ({ table: 'plantings', put })),
    { table: 'covers', put: made.cover },
  ]);
