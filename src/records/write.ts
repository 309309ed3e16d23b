import { type Result, fail, ok } from '../core/result/result.ts';
import { type KilimDatabase } from './db.ts';
import { type AnyRecord, type Change, type LogEntry } from './history.ts';
import { type TableName, schemas, TABLES } from './types.ts';

/** What a verb wants to be true afterwards: a record to put, or an id to take away. */
export type Wish = { table: TableName; put: AnyRecord } | { table: TableName; remove: string };

export interface WriteMeta {
  gardenId: string;
  verb: string;
  label: string;
  /** Now, as the caller's clock tells it. */
  at: string;
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
    const entry = await db.transaction('rw', [...TABLES.map((t) => db.table(t)), db.log], async (tx) => {
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
    changes.push({ table: w.table, id, before, after });
  }
  // A new write forgets what had been undone: there is one line of history.
  await db.log.where({ gardenId: meta.gardenId, undone: 1 }).delete();
  const entry: LogEntry = { ...meta, changes, undone: 0 };
  entry.seq = await db.log.add(entry);
  const old = await db.log.where({ gardenId: meta.gardenId }).count();
  if (old > KEPT_WRITES)
    await db.log
      .where({ gardenId: meta.gardenId })
      .limit(old - KEPT_WRITES)
      .delete();
  return entry;
}

/** Takes back the last write of a garden that has not been taken back. `nothing-to-undo` when there is none. */
export const undo = (db: KilimDatabase, gardenId: string): Promise<Result<LogEntry>> => turn(db, gardenId, 0);

/** Does again the earliest write that was taken back. `nothing-to-redo` when there is none. */
export const redo = (db: KilimDatabase, gardenId: string): Promise<Result<LogEntry>> => turn(db, gardenId, 1);

async function turn(db: KilimDatabase, gardenId: string, undone: 0 | 1): Promise<Result<LogEntry>> {
  try {
    const entry = await db.transaction('rw', [...TABLES.map((t) => db.table(t)), db.log], async () => {
      const line = db.log.where({ gardenId, undone });
      const found = undone === 0 ? await line.last() : await line.first();
      if (!found) return null;
      const changes = undone === 0 ? [...found.changes].reverse() : found.changes;
      for (const c of changes) {
        const target = undone === 0 ? c.before : c.after;
        if (target) await db.table(c.table).put(target);
        else await db.table(c.table).delete(c.id);
      }
      await db.log.update(found.seq!, { undone: undone === 0 ? 1 : 0 });
      return found;
    });
    return entry ? ok(entry) : fail(undone === 0 ? 'nothing-to-undo' : 'nothing-to-redo');
  } catch (error) {
    return storageFailure(error);
  }
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
