import { type AnyRecord } from './history.ts';
import { OWNED } from './types.ts';

type Owned = (typeof OWNED)[number];

/** How a record names another: what it cannot be without, or what it only points to. */
interface Reference {
  from: Owned;
  to: Owned;
  needed: boolean;
  /** All ids it names, and the record with other ids in their place; null takes the pointer away. */
  ids(r: AnyRecord): string[];
  renamed(r: AnyRecord, to: (id: string) => string | null): AnyRecord;
}

const field = (from: Owned, name: string, to: Owned, needed: boolean): Reference => ({
  from,
  to,
  needed,
  ids: (r) => {
    const id = (r as unknown as Record<string, unknown>)[name];
    return typeof id === 'string' ? [id] : [];
  },
  renamed: (r, other) => {
    const id = (r as unknown as Record<string, unknown>)[name];
    return typeof id === 'string' ? ({ ...r, [name]: other(id) } as AnyRecord) : r;
  },
});

interface WithPiece {
  piece?: { of: string };
}

interface WithLife {
  life?: { done: { to?: string }[] };
}

interface WithSeed {
  seed: { lotId: string | null }[];
}

/** Every way in which records name each other: import, removal and merging all go by this one table. */
export const REFERENCES: readonly Reference[] = [
  field('plantings', 'bedId', 'beds', true),
  field('covers', 'bedId', 'beds', true),
  field('looks', 'bedId', 'beds', true),
  field('notes', 'bedId', 'beds', true),
  {
    from: 'beds',
    to: 'beds',
    needed: true,
    ids: (r) => {
      const { piece } = r as unknown as WithPiece;
      return piece ? [piece.of] : [];
    },
    renamed: (r, other) => {
      const { piece } = r as unknown as WithPiece;
      const of = piece && other(piece.of);
      return piece && of ? ({ ...r, piece: { ...piece, of } } as AnyRecord) : r;
    },
  },
  {
    from: 'beds',
    to: 'beds',
    needed: false,
    ids: (r) => (r as unknown as WithLife).life?.done.flatMap((d) => (d.to ? [d.to] : [])) ?? [],
    renamed: (r, other) => {
      const { life } = r as unknown as WithLife;
      const carried = ({ to, ...deed }: { to?: string }) => {
        const bed = to && other(to);
        return bed ? { ...deed, to: bed } : deed;
      };
      return life ? ({ ...r, life: { ...life, done: life.done.map(carried) } } as unknown as AnyRecord) : r;
    },
  },
  field('looks', 'coverId', 'covers', true),
  field('covers', 'nextPlantingId', 'plantings', false),
  {
    from: 'covers',
    to: 'lots',
    needed: false,
    ids: (r) => (r as unknown as WithSeed).seed.flatMap((s) => (s.lotId ? [s.lotId] : [])),
    renamed: (r, other) =>
      ({
        ...r,
        seed: (r as unknown as WithSeed).seed.map((s) => ({ ...s, lotId: s.lotId && other(s.lotId) })),
      }) as AnyRecord,
  },
];

export type Tables = { [T in Owned]: AnyRecord[] };

/** The first record that cannot be without another that is not there. */
export function brokenLink(tables: Tables): { table: Owned; id: string; misses: Owned } | undefined {
  for (const ref of REFERENCES) {
    if (!ref.needed) continue;
    const there = new Set(tables[ref.to].map((r) => r.id));
    for (const r of tables[ref.from])
      if (ref.ids(r).some((id) => !there.has(id))) return { table: ref.from, id: r.id, misses: ref.to };
  }
  return undefined;
}

/** The same tables without pointers to what is not there. */
export function withoutLoosePointers<T extends Tables>(tables: T): T {
  const out: Tables = { ...tables };
  for (const ref of REFERENCES) {
    if (ref.needed) continue;
    const there = new Set(out[ref.to].map((r) => r.id));
    const loose = (r: AnyRecord) => ref.ids(r).some((id) => !there.has(id));
    out[ref.from] = out[ref.from].map((r) =>
      loose(r) ? ref.renamed(r, (id) => (there.has(id) ? id : null)) : r,
    );
  }
  return { ...tables, ...out };
}

/** The same tables with some ids changed wherever they stand. `newIds` holds a map per table. */
export function withNewIds<T extends Tables>(
  tables: T,
  newIds: Partial<Record<Owned, Map<string, string>>>,
): T {
  const out: Tables = { ...tables };
  for (const table of OWNED)
    out[table] = tables[table].map((r) => {
      const id = newIds[table]?.get(r.id);
      return id ? ({ ...r, id } as AnyRecord) : r;
    });
  for (const ref of REFERENCES) {
    const map = newIds[ref.to];
    if (map) out[ref.from] = out[ref.from].map((r) => ref.renamed(r, (id) => map.get(id) ?? id));
  }
  return { ...tables, ...out };
}

interface NamesBeds {
  trials: { plots: { bedId: string }[] }[];
  rotationRules?: { kind: string; than: string }[] | undefined;
  yearsPlan?: { beds: { bedId: string }[]; hung: { bedId: string }[] } | undefined;
}

/** A garden whose trials, rules and plan name beds that got other ids. */
export function bedsNamed<G extends NamesBeds>(garden: G, beds: ReadonlyMap<string, string> | undefined): G {
  if (!beds) return garden;
  const named = (id: string) => beds.get(id) ?? id;
  const { trials, rotationRules, yearsPlan } = garden;
  const ofBed = <T extends { bedId: string }>(t: T): T => ({ ...t, bedId: named(t.bedId) });
  return {
    ...garden,
    trials: trials.map((t) => ({ ...t, plots: t.plots.map(ofBed) })),
    ...(rotationRules && {
      rotationRules: rotationRules.map((r) => (r.kind === 'not-on' ? { ...r, than: named(r.than) } : r)),
    }),
    ...(yearsPlan && {
      yearsPlan: { ...yearsPlan, beds: yearsPlan.beds.map(ofBed), hung: yearsPlan.hung.map(ofBed) },
    }),
  };
}
