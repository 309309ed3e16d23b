import { fail, ok } from '../../core/result/result.ts';
import { type KilimDatabase } from '../db.ts';
import { type AnyRecord } from '../history.ts';
import { type Clash, merge } from '../merge.ts';
import { brokenLink, bedsNamed, withNewIds, withoutLoosePointers } from '../references.ts';
import { type Overlap, overlapsIn } from '../overlaps.ts';
import { changedFields, type Stamp, stampId, type Word } from '../stamps.ts';
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
  /** Crops, or covers, that would stand on one bed at the same time once both are one, and do not here. */
  overlaps: Overlap[];
}

/** Holds a read file against what is here. Nothing is touched. */
export async function beside(db: KilimDatabase, there: Kept): Promise<Beside> {
  const here = await readKept(db, there.garden.id);
  const merged = here && merge(here, there);
  const mine = new Set(here ? overlapsIn(here).map((o) => o.ids.join(' ')) : []);
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
    clashes: merged?.clashes ?? [],
    overlaps: merged ? overlapsIn(merged).filter((o) => !mine.has(o.ids.join(' '))) : [],
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
 * another garden of this browser are given new ones. Fails with `file-broken-link`, `file-part` or as writing does.
 */
export const takeIn = (hands: Hands, file: Kept & { since?: string }, how: 'replace' | 'merge'): Done => {
  const m: WriteMeta = meta(
    hands,
    file.garden.id,
    'take-in',
    `${how === 'merge' ? 'merging' : 'bringing back'} ${file.garden.name}`,
  );
  return writeFrom(hands.db, m, async () => {
    const { since, ...kept } = file;
    const there = await apart(hands, kept);
    const here = await readKept(hands.db, there.garden.id);
    // A part of a garden can only be put to the rest of it.
    if (since !== undefined && (!here || how === 'replace'))
      return fail('file-part', undefined, { since: since.slice(0, 10), garden: kept.garden.name });
    const whole = here && how === 'merge' ? merge(here, there) : there;
    const wanted: Kept = { ...withoutLoosePointers(whole), stamps: whole.stamps };
    const lost = brokenLink(wanted);
    if (lost) return fail('file-broken-link', `${lost.table} › ${lost.id}`);
    // What two devices said stays what they said; putting an older word in place of a newer one is this device's word.
    m.stamps =
      !here || how === 'merge' ? wanted.stamps : replacing(here, wanted, { at: m.at, by: m.by ?? '' });
    return ok(wishesFrom(here, wanted));
  });
};

/**
 * Words on the fields of a copy that is put in place of another: the file's own where it has the last word, else `now`, so that no older word comes back
 * with the next merge. What the file lacks is taken away now.
 */
function replacing(here: Kept, there: Kept, now: Word): Stamp[] {
  const index = (stamps: Stamp[]) => new Map(stamps.map((s) => [s.id, s]));
  const [mine, theirs] = [index(here.stamps), index(there.stamps)];
  const out: Stamp[] = [];
  const rows = (kept: Kept): [TableName, AnyRecord][] => [
    ['gardens', kept.garden],
    ...OWNED.flatMap((t) => kept[t].map((r): [TableName, AnyRecord] => [t, r])),
  ];
  const stays = new Set<string>();
  const known = new Map(rows(here).map(([t, r]) => [stampId(t, r.id), r]));
  for (const [table, row] of rows(there)) {
    const id = stampId(table, row.id);
    stays.add(id);
    const [old, given] = [mine.get(id), theirs.get(id)];
    const changed = new Set(changedFields(table, known.get(id) ?? null, row));
    const fields: Record<string, Word> = {};
    for (const f of new Set([
      ...Object.keys(old?.fields ?? {}),
      ...Object.keys(given?.fields ?? {}),
      ...changed,
    ])) {
      const [a, b] = [wordOn(old, f), wordOn(given, f)];
      if (!changed.has(f)) fields[f] = (laterOf(a, b) ?? now) as Word;
      else fields[f] = b && laterOf(a, b) === b ? b : now;
    }
    out.push({ id, gardenId: there.garden.id, fields, gone: null });
  }
  for (const [id, row] of known)
    if (!stays.has(id))
      out.push({
        id,
        gardenId: there.garden.id,
        fields: mine.get(id)?.fields ?? {},
        gone: { ...now, was: row as unknown as Record<string, unknown> },
      });
  // What neither holds any more stays taken away.
  for (const s of [...here.stamps, ...there.stamps])
    if (s.gone && !stays.has(s.id) && !known.has(s.id) && !out.some((o) => o.id === s.id)) out.push(s);
  return out;
}

/** The last word on a field, or on its record's going. */
const wordOn = (s: Stamp | undefined, f: string): Word | undefined =>
  laterOf(s?.fields[f] ?? s?.fields[f.split('.')[0]!], s?.gone ?? undefined);

const laterOf = (a: Word | undefined, b: Word | undefined): Word | undefined =>
  !a || !b ? (a ?? b) : a.at > b.at || (a.at === b.at && a.by > b.by) ? a : b;

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
      | AnyRecord
      | undefined
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
  return { ...withNewIds(file, newIds), garden: bedsNamed(file.garden, newIds.beds), stamps };
}
