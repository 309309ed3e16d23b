import { type AnyRecord } from './history.ts';
import { REFERENCES, type Tables } from './references.ts';
import { partOf, splitOf } from './parts.ts';
import { same, type Stamp, stampId, type Word } from './stamps.ts';
import { OWNED, type TableName } from './types.ts';
import { type GardenContents, type Kept } from './verbs/verbs.ts';

/** A field that was written on both sides, and whose word was taken. */
export interface Clash {
  table: TableName;
  id: string;
  field: string;
  here: unknown;
  there: unknown;
  taken: 'here' | 'there';
}

export type Merged = Kept & { clashes: Clash[] };

type Row = Record<string, unknown>;
interface Side {
  row: Row | undefined;
  stamp: Stamp | undefined;
}

const NEVER: Word = { at: '', by: '' };
const later = (a: Word, b: Word): number =>
  a.at !== b.at ? (a.at < b.at ? -1 : 1) : a.by < b.by ? -1 : a.by > b.by ? 1 : 0;
const latest = (words: Word[]): Word => words.reduce((a, b) => (later(a, b) < 0 ? b : a), NEVER);

/**
 * Two copies of one garden made one: record by record and field by field, the later word counts. What was taken away stays away unless something in it was
 * written later, or something that still stands cannot be without it. Who merges with whom, and in which order, does not matter.
 */
export function merge(here: Kept, there: Kept): Merged {
  const [h, t] = [indexOf(here), indexOf(there)];
  const clashes: Clash[] = [];
  const rows = new Map<string, { row: Row; stamp: Stamp | undefined; lives: boolean }>();
  const gardenId = here.garden.id;
  for (const key of [...new Set([...h.keys(), ...t.keys()])].sort()) {
    const [a, b] = [h.get(key) ?? NOTHING, t.get(key) ?? NOTHING];
    const gone = goneOf(a.stamp, b.stamp);
    const { row, fields, contested } = mergedRow(place(key).table, a, b);
    const lives = Boolean(a.row ?? b.row) && (!gone || later(latest(Object.values(fields)), gone) > 0);
    if (a.row && b.row && lives) clashes.push(...contested.map((c) => ({ ...place(key), ...c })));
    const stamp =
      Object.keys(fields).length > 0 || gone
        ? { id: key, gardenId, fields, gone: lives ? null : { ...(gone ?? NEVER), was: row } }
        : undefined;
    rows.set(key, { row, stamp, lives });
  }
  revive(rows);
  return { ...asKept(rows, here.garden.id), clashes };
}

const NOTHING: Side = { row: undefined, stamp: undefined };

const place = (key: string): { table: TableName; id: string } => {
  const at = key.indexOf(' ');
  return { table: key.slice(0, at) as TableName, id: key.slice(at + 1) };
};

function indexOf({ stamps, ...contents }: Kept): Map<string, Side> {
  const out = new Map<string, Side>();
  for (const s of stamps) out.set(s.id, { row: undefined, stamp: s });
  const add = (table: TableName, r: AnyRecord) => {
    const key = stampId(table, r.id);
    out.set(key, { row: r as unknown as Row, stamp: out.get(key)?.stamp });
  };
  add('gardens', contents.garden);
  for (const table of OWNED) for (const r of contents[table]) add(table, r);
  return out;
}

const goneOf = (a: Stamp | undefined, b: Stamp | undefined): Word | undefined => {
  const all = [a?.gone, b?.gone].flatMap((g) => (g ? [{ at: g.at, by: g.by }] : []));
  return all.length > 0 ? latest(all) : undefined;
};

/** Lists to which each side only adds, by what tells their parts apart: both sides' parts stay. */
const GATHERED: Partial<Record<TableName, Record<string, (part: Row) => string>>> = {
  weather: { days: (d) => String(d.on) },
  covers: { waterings: (w) => JSON.stringify(w), formerPlans: (p) => JSON.stringify(p) },
};

/** What a record holds, alive or taken away, with the later word for every field; equal words are told apart by what they say, so that both sides agree. */
function mergedRow(table: TableName, a: Side, b: Side) {
  const [x, y] = [a.row ?? a.stamp?.gone?.was, b.row ?? b.stamp?.gone?.was];
  const row: Row = {};
  const fields: Record<string, Word> = {};
  const contested: Pick<Clash, 'field' | 'here' | 'there' | 'taken'>[] = [];
  const word = (side: Side, field: string): Word => side.stamp?.fields[field] ?? NEVER;
  const partWords = (side: Side, field: string): [string, Word][] =>
    Object.entries(side.stamp?.fields ?? {}).filter(([f]) => f.startsWith(`${field}.`));
  /** The latest word on a field, or on any part of it. */
  const anyWord = (side: Side, field: string): Word =>
    latest([word(side, field), ...partWords(side, field).map(([, w]) => w)]);
  /** Whether the first side's word counts. What both said by words of their own, and said differently, is contested. */
  const mine = (
    field: string,
    [wx, vx]: [Word, unknown],
    [wy, vy]: [Word, unknown],
    own: boolean,
  ): boolean => {
    const order = later(wx, wy) || tied(vx, vy);
    if (own && !same(vx, vy) && wx.by !== wy.by)
      contested.push({ field, here: vx, there: vy, taken: order > 0 ? 'here' : 'there' });
    return order > 0;
  };
  const say = (field: string, w: Word) => {
    if (w.at !== '') fields[field] = w;
  };
  for (const field of [...new Set([...Object.keys(x ?? {}), ...Object.keys(y ?? {})])].sort()) {
    const inX = x !== undefined && field in x;
    const inY = y !== undefined && field in y;
    if (!inX || !inY) {
      const side = inX ? a : b;
      row[field] = inX ? x![field] : y![field];
      say(field, word(side, field));
      for (const [f, w] of partWords(side, field)) say(f, w);
      continue;
    }
    const [vx, vy] = [x![field], y![field]];
    say(field, latest([word(a, field), word(b, field)]));
    const keyOf = GATHERED[table]?.[field];
    if (keyOf && Array.isArray(vx) && Array.isArray(vy)) {
      row[field] = gathered(vx as Row[], vy as Row[], keyOf, later(word(a, field), word(b, field)));
      continue;
    }
    const split = splitOf(table, field, vx, vy);
    if (!split) {
      const [wx, wy] = [anyWord(a, field), anyWord(b, field)];
      const first = mine(field, [wx, vx], [wy, vy], wx.at !== '' && wy.at !== '');
      row[field] = first ? vx : vy;
      for (const [f, w] of partWords(first ? a : b, field)) say(f, w);
      continue;
    }
    // Part by part, each by its own word or, where it has none, by that on the whole.
    const [px, py] = [split.of(vx), split.of(vy)];
    const written = [...partWords(a, field), ...partWords(b, field)].map(([f]) => f.slice(field.length + 1));
    const parts = new Map<string, unknown>();
    for (const k of [...new Set([...px.keys(), ...py.keys(), ...written])].sort()) {
      const f = partOf(field, k);
      const own = word(a, f).at !== '' && word(b, f).at !== '';
      const wx = latest([word(a, f), word(a, field)]);
      const wy = latest([word(b, f), word(b, field)]);
      const value = mine(f, [wx, px.get(k)], [wy, py.get(k)], own) ? px.get(k) : py.get(k);
      if (value !== undefined) parts.set(k, value);
      say(f, latest([word(a, f), word(b, f)]));
    }
    row[field] = split.from(parts);
  }
  return { row, fields, contested };
}

/** Where neither word is later: what is there before what is not, then by what it says, so that both sides agree. */
const tied = (x: unknown, y: unknown): number => {
  if (x === undefined || y === undefined) return x === undefined ? -1 : 1;
  return text(x) < text(y) ? -1 : 1;
};

const text = (x: unknown): string => JSON.stringify(x ?? null);

/** Parts of both lists in the order of what tells them apart; where both have one, that of the list with the later word (`order` above 0: the first). */
function gathered(a: Row[], b: Row[], keyOf: (part: Row) => string, order: number): Row[] {
  const all = new Map<string, Row>(a.map((part) => [keyOf(part), part]));
  for (const part of b) {
    const known = all.get(keyOf(part));
    if (!known || (order || (text(known) < text(part) ? -1 : 1)) < 0) all.set(keyOf(part), part);
  }
  return [...all].sort(([k], [l]) => (k < l ? -1 : 1)).map(([, part]) => part);
}

/** What something that stands cannot be without stands again. */
function revive(rows: Map<string, { row: Row; stamp: Stamp | undefined; lives: boolean }>): void {
  for (let again = true; again;) {
    again = false;
    for (const [key, { row, lives }] of rows) {
      if (!lives) continue;
      const { table } = place(key);
      for (const ref of REFERENCES) {
        if (!ref.needed || ref.from !== table) continue;
        for (const id of ref.ids(row as unknown as AnyRecord)) {
          const other = rows.get(stampId(ref.to, id));
          if (!other || other.lives) continue;
          other.lives = true;
          if (other.stamp) other.stamp = { ...other.stamp, gone: null };
          again = true;
        }
      }
    }
  }
}

function asKept(
  rows: Map<string, { row: Row; stamp: Stamp | undefined; lives: boolean }>,
  gardenId: string,
): Kept {
  const tables = Object.fromEntries(OWNED.map((t) => [t, [] as AnyRecord[]])) as Tables;
  let garden: Row = {};
  const stamps: Stamp[] = [];
  for (const [key, { row, stamp, lives }] of rows) {
    const { table, id } = place(key);
    if (stamp && (stamp.gone || Object.keys(stamp.fields).length > 0)) stamps.push(stamp);
    if (!lives) continue;
    if (table === 'gardens') {
      if (id === gardenId) garden = row;
    } else if (table in tables) tables[table as keyof Tables].push(row as unknown as AnyRecord);
  }
  return {
    ...({ garden, ...tables } as unknown as GardenContents),
    stamps: stamps.sort((a, b) => (a.id < b.id ? -1 : 1)),
  };
}
