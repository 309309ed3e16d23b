import { fail, ok } from '../../core/result/result.ts';
import { type KilimDatabase } from '../db.ts';
import { type AnyRecord } from '../history.ts';
import { type Clash, merge } from '../merge.ts';
import { brokenLink, trialsOn, withNewIds, withoutLoosePointers } from '../references.ts';
import { changedFields, type Stamp } from '../stamps.ts';
import { OWNED, type TableName } from '../types.ts';
import { type Done, type Hands, type Kept, meta, readKept } from '../verbs/verbs.ts';
import { type Wish, type WriteMeta, writeFrom } from '../write.ts';

type Owned = (typeof OWNED)[number];

/** What a file holds of one kind of record beside what is here. */
export interface TableBeside {
  table: Owned;
  here: number;
  there: number;
  onlyHere: number;
  onlyThere: number;
  differ: number;
}

/** A file held against the garden of the same identity, before anything changes. */
export interface Beside {
  /** The garden is not in this browser yet. */
  isNew: boolean;
  name: { here: string | undefined; there: string };
  /** What is said of the garden itself (tools, rules, prices) is not the same. */
  gardenDiffers: boolean;
  tables: TableBeside[];
  /** Newest day that either side knows of: a word's, or what happened in the garden. */
  newest: { here: string | undefined; there: string | undefined };
  /** Fields written on both sides, and whose word merging takes. */
  clashes: Clash[];
}

/** Holds a read file against what is here. Nothing is touched. */
export async function beside(db: KilimDatabase, there: Kept): Promise<Beside> {
  const here = await readKept(db, there.garden.id);
  return {
    isNew: !here,
    name: { here: here?.garden.name, there: there.garden.name },
    gardenDiffers: changedFields('gardens', here?.garden ?? null, there.garden).length > 0,
    tables: OWNED.map((table) => {
      const known = new Map<string, AnyRecord>((here?.[table] ?? []).map((r) => [r.id, r]));
      const given = new Map<string, AnyRecord>(there[table].map((r) => [r.id, r]));
      return {
        table,
        here: known.size,
        there: given.size,
        onlyHere: [...known.keys()].filter((id) => !given.has(id)).length,
        onlyThere: [...given.keys()].filter((id) => !known.has(id)).length,
        differ: [...given].filter(
          ([id, r]) => known.has(id) && changedFields(table, known.get(id)!, r).length > 0,
        ).length,
      };
    }),
    newest: { here: here && newestOf(here), there: newestOf(there) },
    clashes: here ? merge(here, there).clashes : [],
  };
}

function newestOf(kept: Kept): string | undefined {
  const days = [
    ...kept.stamps.flatMap((s) =>
      [...Object.values(s.fields), ...(s.gone ? [s.gone] : [])].map((w) => w.at.slice(0, 10)),
    ),
    ...kept.looks.map((l) => l.on),
    ...kept.notes.map((n) => n.on),
    ...kept.covers.flatMap((c) =>
      [c.sownOn, ...c.passes.map((p) => p.doneOn)].flatMap((d) => (d ? [d] : [])),
    ),
    ...kept.plantings.flatMap((p) => (p.plantedOn ? [p.plantedOn] : [])),
  ];
  return days.length > 0 ? days.reduce((a, b) => (a > b ? a : b)) : undefined;
}

/**
 * Brings a garden in from a file: new, in place of the one of the same identity, or merged with it. One write, taken back by one undo. Ids that belong to
 * another garden of this browser are given new ones. Fails with `file-broken-link` or as writing does.
 */
export const takeIn = (hands: Hands, file: Kept, how: 'replace' | 'merge'): Done => {
  const m: WriteMeta = meta(
    hands,
    file.garden.id,
    'take-in',
    `${how === 'merge' ? 'merging' : 'bringing back'} ${file.garden.name}`,
  );
  return writeFrom(hands.db, m, async () => {
    const there = await apart(hands, file);
    const here = await readKept(hands.db, there.garden.id);
    const whole = here && how === 'merge' ? merge(here, there) : there;
    const wanted: Kept = { ...withoutLoosePointers(whole), stamps: whole.stamps };
    const lost = brokenLink(wanted);
    if (lost) return fail('file-broken-link', `${lost.table} › ${lost.id}`);
    // What two devices said stays what they said; only putting one copy in place of another is this device's word.
    if (!here || how === 'merge') m.stamps = wanted.stamps;
    return ok(wishesFrom(here, wanted));
  });
};

function wishesFrom(here: Kept | undefined, wanted: Kept): Wish[] {
  const wishes: Wish[] = [];
  const wish = (table: TableName, known: AnyRecord | undefined, put: AnyRecord) => {
    const changed = new Set(changedFields(table, known ?? null, put).map((f) => f.split('.')[0]));
    if (changed.size === 0) return;
    // What says the same stays as it stands, in the order in which its things were put there.
    const fields = Object.entries(known ?? {}).filter(([f]) => !changed.has(f));
    wishes.push({ table, put: { ...put, ...Object.fromEntries(fields) } as AnyRecord });
  };
  wish('gardens', here?.garden, wanted.garden);
  for (const table of OWNED) {
    const known = new Map<string, AnyRecord>((here?.[table] ?? []).map((r) => [r.id, r]));
    for (const put of wanted[table]) wish(table, known.get(put.id), put);
    const stays = new Set(wanted[table].map((r) => r.id));
    for (const id of known.keys()) if (!stays.has(id)) wishes.push({ table, remove: id });
  }
  return wishes;
}

/** The file with new ids for records whose ids another garden of this browser holds. */
async function apart(hands: Hands, file: Kept): Promise<Kept> {
  const newIds: Partial<Record<Owned, Map<string, string>>> = {};
  for (const table of OWNED) {
    const held = (await hands.db.table(table).bulkGet(file[table].map((r) => r.id))) as (
      AnyRecord | undefined
    )[];
    const taken = held.filter((r): r is AnyRecord & { gardenId: string } =>
      Boolean(r && 'gardenId' in r && r.gardenId !== file.garden.id),
    );
    if (taken.length > 0) newIds[table] = new Map(taken.map((r) => [r.id, hands.newId()]));
  }
  if (Object.keys(newIds).length === 0) return file;
  const renamed = new Set(
    Object.entries(newIds).flatMap(([t, ids]) => [...ids!.keys()].map((id) => `${t} ${id}`)),
  );
  const stamps: Stamp[] = file.stamps.filter((s) => !renamed.has(s.id));
  return { ...withNewIds(file, newIds), garden: trialsOn(file.garden, newIds.beds), stamps };
}
