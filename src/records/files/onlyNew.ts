import { type AnyRecord } from '../history.ts';
import { REFERENCES } from '../references.ts';
import { stampId } from '../stamps.ts';
import { OWNED } from '../types.ts';
import { type Kept } from '../verbs/verbs.ts';

/**
 * What of a garden is newer than a moment: records with a word written since, those taken away since, and whatever they cannot be without or point to.
 * Merging it into an older copy gives what merging the whole garden gives.
 * @param since ISO moment
 */
export function onlyNew(kept: Kept, since: string): Kept {
  const stamps = kept.stamps.filter((s) =>
    [...Object.values(s.fields), ...(s.gone ? [s.gone] : [])].some((w) => w.at > since),
  );
  const fresh = new Set(stamps.map((s) => s.id));
  const wanted = new Map(OWNED.map((t) => [t, new Set<string>()] as const));
  for (const table of OWNED)
    for (const r of kept[table]) if (fresh.has(stampId(table, r.id))) wanted.get(table)!.add(r.id);
  // What is named is taken along, until nothing more is.
  for (let before = -1; before !== count(wanted);) {
    before = count(wanted);
    for (const ref of REFERENCES)
      for (const r of kept[ref.from])
        if (wanted.get(ref.from)!.has(r.id)) for (const id of ref.ids(r)) wanted.get(ref.to)!.add(id);
  }
  const part = { ...kept } as Kept & Record<string, AnyRecord[]>;
  for (const table of OWNED)
    (part as Record<string, AnyRecord[]>)[table] = kept[table].filter((r) => wanted.get(table)!.has(r.id));
  const along = new Set(OWNED.flatMap((t) => [...wanted.get(t)!].map((id) => stampId(t, id))));
  return {
    ...part,
    stamps: kept.stamps.filter(
      (s) => fresh.has(s.id) || along.has(s.id) || s.id === stampId('gardens', kept.garden.id),
    ),
  };
}

const count = (wanted: ReadonlyMap<string, ReadonlySet<string>>): number =>
  [...wanted.values()].reduce((n, ids) => n + ids.size, 0);
