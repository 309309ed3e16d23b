import ownSeedData from './data/ownSeed.json' with { type: 'json' };
import { madeFrom } from './catalogue.ts';
import type { OwnSeedEntry } from './schema.ts';

/** Apart from the catalogue proper, so that only screens of own seed load it. */
export const ownSeeds = ownSeedData as unknown as OwnSeedEntry[];
const index = new Map(ownSeeds.map((x) => [x.id, x]));
export const seedGivingOf = (speciesId: string): OwnSeedEntry | undefined =>
  index.get(madeFrom(speciesId) ?? speciesId);
