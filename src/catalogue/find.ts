import { crops, species } from './catalogue.ts';
import { folded } from './places.ts';
import type { CropEntry, SpeciesEntry } from './schema.ts';

/** Entries whose name begins with what is typed, then those with a word that does, then those that hold it. */
function byName<T extends { id: string; name: string }>(
  list: readonly T[],
  typed: string,
  most: number,
  also: (one: T) => string[] = () => [],
): T[] {
  const wanted = folded(typed);
  if (wanted === '') return [];
  const rank = (one: T): number => {
    const name = folded(one.name);
    if (name.startsWith(wanted)) return 0;
    if (name.split(/[\s-]/).some((w) => w.startsWith(wanted))) return 1;
    if (also(one).some((a) => folded(a).startsWith(wanted))) return 2;
    return name.includes(wanted) ? 3 : 9;
  };
  return list
    .map((one) => ({ one, r: rank(one) }))
    .filter((x) => x.r < 9)
    .sort((a, b) => a.r - b.r || a.one.name.localeCompare(b.one.name))
    .slice(0, most)
    .map((x) => x.one);
}

/** Kinds found by their English or botanical name. */
export const findKinds = (typed: string, most = 8): SpeciesEntry[] =>
  byName(species, typed, most, (s) => [s.latin]);

/** Crops found by their name. */
export const findCrops = (typed: string, most = 8): CropEntry[] => byName(crops, typed, most);
