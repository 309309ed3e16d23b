import { z } from 'zod';
import { type AnyRecord } from './history.ts';
import { partOf, splitOf } from './parts.ts';
import { type TableName } from './types.ts';

const word = z.object({
  /** Time of the write, ISO with time of day. */
  at: z.string().max(40),
  /** The device that wrote it. */
  by: z.string().max(80),
});

/** Who wrote each field of a record last, and when; of a record that was taken away, when that was and what it held. */
export const stampSchema = z.object({
  /** Table and id of the record, with a space between. */
  id: z.string().min(1).max(120),
  gardenId: z.string().min(1).max(80),
  fields: z.record(z.string().max(120), word),
  gone: word.extend({ was: z.record(z.string(), z.unknown()) }).nullable(),
});
export type Stamp = z.infer<typeof stampSchema>;
export type Word = z.infer<typeof word>;

type Row = Record<string, unknown>;

export const stampId = (table: TableName, id: string): string => `${table} ${id}`;

/** Whether two values say the same, whatever order their fields stand in; what is missing says nothing. */
export function same(a: unknown, b: unknown): boolean {
  const [x, y] = [a ?? null, b ?? null];
  if (x === y) return true;
  if (typeof x !== 'object' || typeof y !== 'object' || x === null || y === null) return false;
  if (Array.isArray(x) || Array.isArray(y))
    return Array.isArray(x) && Array.isArray(y) && x.length === y.length && x.every((v, i) => same(v, y[i]));
  const [p, q] = [x as Row, y as Row];
  return [...new Set([...Object.keys(p), ...Object.keys(q)])].every((k) => same(p[k], q[k]));
}

/** Fields of a record whose value a write changed, and parts of those that are written part by part; all fields of a new record. */
export function changedFields(table: TableName, before: AnyRecord | null, after: AnyRecord | null): string[] {
  const [b, a] = [before ?? {}, after ?? {}] as unknown as [Row, Row];
  return [...new Set([...Object.keys(b), ...Object.keys(a)])].flatMap((field) => {
    if (same(b[field], a[field])) return [];
    const split = splitOf(table, field, b[field], a[field]);
    if (!split) return [field];
    const [from, to] = [split.of(b[field]), split.of(a[field])];
    return [...new Set([...from.keys(), ...to.keys()])]
      .filter((k) => !same(from.get(k), to.get(k)))
      .map((k) => partOf(field, k));
  });
}

/** A record's stamp after a write that made `after` of `before`. */
export function stamped(
  old: Stamp | undefined,
  change: { table: TableName; id: string; before: AnyRecord | null; after: AnyRecord | null },
  gardenId: string,
  word: Word,
): Stamp {
  const fields = { ...old?.fields };
  const { before, after } = change;
  if (after)
    for (const f of changedFields(change.table, before, after)) {
      // A value that is written whole says all of its parts anew.
      if (!f.includes('.')) for (const k of Object.keys(fields)) if (k.startsWith(`${f}.`)) delete fields[k];
      fields[f] = word;
    }
  const was = (before ?? {}) as unknown as Record<string, unknown>;
  return {
    id: stampId(change.table, change.id),
    gardenId,
    fields,
    gone: after ? null : { ...word, was },
  };
}
