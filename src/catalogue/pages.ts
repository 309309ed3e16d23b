import sourcesData from './data/sources.json' with { type: 'json' };
import pagesData from './data/speciesPages.json' with { type: 'json' };
import { madeFrom } from './catalogue.ts';
import type { SpeciesPage } from './schema.ts';

/** Apart from the catalogue proper, so that only screens which show sources and drawings load them. */
const pages = pagesData as Record<string, SpeciesPage>;
export const pageOf = (speciesId: string): SpeciesPage => pages[madeFrom(speciesId) ?? speciesId]!;
export const sources = sourcesData as Record<string, string>;
