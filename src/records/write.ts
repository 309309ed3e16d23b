import { type Result, fail, ok } from '../core/result/result.ts';
import { type KilimDatabase } from './db.ts';
import { type AnyRecord, type Change, type LogEntry } from './history.ts';
import { changedFields, same, type Stamp, stamped, stampId, type Word } from './stamps.ts';
import { type TableName, schemas, TABLES } from './types.ts';

/** What a verb wants to be true afterwards: a record to put, or an id to take away. */
export type Wish = { table: TableName; put: AnyRecord } | { table: TableName; remove: string };

export interface WriteMeta {
  gardenId: string;
  verb: string;
  label: string;
  /** Now, as the caller's clock tells it. */
  at: string;
  /** The device that writes; it tells words of the same moment apart. */
  by?: string;
  /** A step of a slider: taken back together with the step before it, when that was a moment ago. */
  joins?: boolean;
  /** Words on fields that are to stand as they are, where two histories have become one. */
  stamps?: Stamp[];
}

/** Undo keeps this many writes per garden. */
const KEPT_WRITES = 500;

/**
 * The only way data is written: one transaction that checks every record, puts it, and logs the reversible difference.
 * Either all of it happens or none. Fails with `record-invalid`, or a storage failure from `storageFailure`.
 */
export const write = (db: KilimDatabase, meta: WriteMeta, wishes: Wish[]): Promise<Result<LogEntry>> =>
  writeFrom(db, meta, () => Promise.resolve(ok(wishes)));

/**
 * As `write`, with wishes made from what stands in the database: read and written in one transaction, so that two deeds at the same moment both stay.
 * What `make` refuses is refused here, and nothing is touched.
 */
export async function writeFrom(
  db: KilimDatabase,
  meta: WriteMeta,
  make: () => Promise<Result<Wish[]>>,
): Promise<Result<LogEntry>> {
  let refused: Result<never> | undefined;
  try {
    const entry = await db.transaction('rw', everything(db), async (tx) => {
      const wishes = await make();
      refused = wishes.ok ? invalid(wishes.value) : wishes;
      if (refused || !wishes.ok) return tx.abort();
      return put(db, meta, wishes.value);
    });
    return ok(entry!);
  } catch (error) {
    return refused ?? storageFailure(error);
  }
}

const said = ({ gardenId, verb, label, at }: WriteMeta) => ({ gardenId, verb, label, at });

/** Steps of one slider no further apart than this are one deed. */
const JOINED_MS = 3000;

/** The last write of the garden with this step put into it, where it was a step of the same slider a moment ago. */
async function joinedTo(
  db: KilimDatabase,
  { gardenId, verb, label, at }: WriteMeta,
  changes: Change[],
): Promise<LogEntry | undefined> {
  const last = await db.log.where({ gardenId, undone: 0 }).last();
  const [now, before] = [changes[0]!, last?.changes[0]];
  const fits =
    last &&
    last.verb === verb &&
    last.label === label &&
    changes.length === 1 &&
    last.changes.length === 1 &&
    before!.id === now.id &&
    before!.table === now.table &&
    Date.parse(at) - Date.parse(last.at) <= JOINED_MS;
  if (!fits) return undefined;
  const entry: LogEntry = { ...last, at, changes: [{ ...before!, after: now.after }] };
  await db.log.put(entry);
  return entry;
}

const everything = (db: KilimDatabase) => [...TABLES.map((t) => db.table(t)), db.log, db.stamps];
const HERE = 'here';

/** Puts the word of a write on every field that it changed. */
async function stamp(db: KilimDatabase, gardenId: string, changes: Change[], word: Word): Promise<void> {
  const known = await db.stamps.bulkGet(changes.map((c) => stampId(c.table, c.id)));
  const now = new Map(known.flatMap((s) => (s ? [[s.id, s] as const] : [])));
  for (const c of changes) {
    const next = stamped(now.get(stampId(c.table, c.id)), c, gardenId, word);
    now.set(next.id, next);
  }
  await db.stamps.bulkPut([...now.values()]);
}

function invalid(wishes: Wish[]): Result<never> | undefined {
  for (const w of wishes) {
    if (!('put' in w)) continue;
    const checked = schemas[w.table].safeParse(w.put);
    if (!checked.success) {
      const issue = checked.error.issues[0]!;
      return fail('record-invalid', `${w.table} ${issue.path.join('.')}`, { problem: issue.message });
    }
  }
  return undefined;
}

async function put(db: KilimDatabase, meta: WriteMeta, wishes: Wish[]): Promise<LogEntry> {
  const changes: Change[] = [];
  for (const w of wishes) {
    const id = 'put' in w ? w.put.id : w.remove;
    const before = ((await db.table(w.table).get(id)) as AnyRecord | undefined) ?? null;
    const after = 'put' in w ? w.put : null;
    if (after) await db.table(w.table).put(after);
    else await db.table(w.table).delete(id);
    if (!same(before, after)) changes.push({ table: w.table, id, before, after });
  }
  // What says what stands already is no deed: a second tap saves nothing twice.
  if (changes.length === 0) {
    if (meta.stamps) await db.stamps.bulkPut(meta.stamps);
    return { ...said(meta), changes, undone: 0 };
  }
  if (meta.stamps) await db.stamps.bulkPut(meta.stamps);
  else await stamp(db, meta.gardenId, changes, { at: meta.at, by: meta.by ?? HERE });
  // A new write forgets what had been undone: there is one line of history.
  await db.log.where({ gardenId: meta.gardenId, undone: 1 }).delete();
  const joined = meta.joins ? await joinedTo(db, meta, changes) : undefined;
  if (joined) return joined;
  const entry: LogEntry = { ...said(meta), changes, undone: 0 };
  entry.seq = await db.log.add(entry);
  const old = await db.log.where({ gardenId: meta.gardenId }).count();
  if (old > KEPT_WRITES)
    await db.log
      .where({ gardenId: meta.gardenId })
      .limit(old - KEPT_WRITES)
      .delete();
  return entry;
}

/** A write that was taken back or done again, and the fields that stayed as they are since somebody wrote a newer word there. */
export interface Turned extends LogEntry {
  stayed: string[];
}

/** Who takes back, and when. */
interface Turning {
  at?: string;
  by?: string;
}

/** Takes back the last write of a garden that has not been taken back. `nothing-to-undo` when there is none. */
export const undo = (db: KilimDatabase, gardenId: string, who: Turning = {}): Promise<Result<Turned>> =>
  turn(db, gardenId, 0, who);

/** Does again the earliest write that was taken back. `nothing-to-redo` when there is none. */
export const redo = (db: KilimDatabase, gardenId: string, who: Turning = {}): Promise<Result<Turned>> =>
  turn(db, gardenId, 1, who);

async function turn(
  db: KilimDatabase,
  gardenId: string,
  undone: 0 | 1,
  { at = new Date().toISOString(), by = HERE }: Turning,
): Promise<Result<Turned>> {
  try {
    const entry = await db.transaction('rw', everything(db), async () => {
      const line = db.log.where({ gardenId, undone });
      const found = undone === 0 ? await line.last() : await line.first();
      if (!found) return null;
      const stayed: string[] = [];
      const made: Change[] = [];
      const changes = undone === 0 ? [...found.changes].reverse() : found.changes;
      for (const c of changes) {
        const [from, to] = undone === 0 ? [c.after, c.before] : [c.before, c.after];
        const stands = ((await db.table(c.table).get(c.id)) as AnyRecord | undefined) ?? null;
        const next = turned(c.table, stands, from, to, stayed);
        if (next) await db.table(c.table).put(next);
        else await db.table(c.table).delete(c.id);
        made.push({ table: c.table, id: c.id, before: stands, after: next });
      }
      await stamp(db, gardenId, made, { at, by });
      await db.log.update(found.seq!, { undone: undone === 0 ? 1 : 0 });
      return { ...found, stayed };
    });
    return entry ? ok(entry) : fail(undone === 0 ? 'nothing-to-undo' : 'nothing-to-redo');
  } catch (error) {
    return storageFailure(error);
  }
}

/** A record turned from one state to another, but for fields that no longer hold what the write had put there. */
function turned(
  table: TableName,
  stands: AnyRecord | null,
  from: AnyRecord | null,
  to: AnyRecord | null,
  stayed: string[],
): AnyRecord | null {
  if (!stands || !from || !to) return to;
  const [now, was, wanted] = [stands, from, to] as unknown as Record<string, unknown>[];
  const next = { ...now! };
  for (const f of new Set(changedFields(table, from, to).map((k) => k.split('.')[0]!))) {
    if (same(now![f], was![f])) next[f] = wanted![f];
    else stayed.push(f);
  }
  return next as unknown as AnyRecord;
}

/**
 * Names what the browser refused: `storage-full`, `storage-outdated` (the database is of a newer form than this page knows),
 * `storage-closed` (shut or broken off in the middle), `storage-blocked`, or `storage-failed` with the browser's words.
 */
export function storageFailure(error: unknown): Result<never> {
  const names = namesOf(error);
  if (names.some((n) => n.includes('QuotaExceeded'))) return fail('storage-full');
  if (names.some((n) => /VersionError/.test(n))) return fail('storage-outdated');
  if (names.some((n) => /DatabaseClosed|InvalidState|AbortError/.test(n))) return fail('storage-closed');
  if (names.some((n) => /Blocked|VersionChange|Timeout/.test(n))) return fail('storage-blocked');
  return fail('storage-failed', undefined, { words: error instanceof Error ? error.message : String(error) });
}

function namesOf(error: unknown): string[] {
  const names: string[] = [];
  let at: unknown = error;
  for (let depth = 0; depth < 4 && at && typeof at === 'object'; depth++) {
    const e = at as { name?: string; message?: string; inner?: unknown };
    names.push(`${e.name ?? ''} ${e.message ?? ''}`);
    at = e.inner;
  }
  return names;
}
