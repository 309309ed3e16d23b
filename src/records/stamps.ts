import { z } from 'zod';
import { type AnyRecord } from './history.ts';
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
  fields: z.record(z.string().max(60), word),
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

/** Where a part of a list stands: "passes.1". */
export const partOf = (field: string, index: number): string => `${field}.${index}`;

/** Whether two lists are the same but for what some of their parts hold: steps of one plan, seed of one mix. */
export const alike = (a: unknown, b: unknown): boolean =>
  Array.isArray(a) &&
  Array.isArray(b) &&
  a.length === b.length &&
  a.length > 0 &&
  a.every((x, i) => isRow(x) && isRow(b[i]) && x.kind === b[i].kind && x.speciesId === b[i].speciesId);

const isRow = (x: unknown): x is Row => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Fields of a record whose value a write changed, and parts of lists where the list itself stayed; all fields of a new record. */
export function changedFields(before: AnyRecord | null, after: AnyRecord | null): string[] {
  const [b, a] = [before ?? {}, after ?? {}] as unknown as [Row, Row];
  return [...new Set([...Object.keys(b), ...Object.keys(a)])].flatMap((k) => {
    if (same(b[k], a[k])) return [];
    if (!alike(b[k], a[k])) return [k];
    const [from, to] = [b[k], a[k]] as [unknown[], unknown[]];
    return to.flatMap((x, i) => (same(x, from[i]) ? [] : [partOf(k, i)]));
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
    for (const f of changedFields(before, after)) {
      // A new list says all of its parts anew.
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
