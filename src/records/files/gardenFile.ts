import { z } from 'zod';
import { type Result, fail, ok } from '../../core/result/result.ts';
import { type KilimDatabase } from '../db.ts';
import {
  OWNED,
  bedSchema,
  coverSchema,
  gardenSchema,
  lookSchema,
  lotSchema,
  noteSchema,
  plantingSchema,
  recipeSchema,
  weatherYearSchema,
} from '../types.ts';
import { NEWEST_FORM, upgradeRow } from '../upgrade.ts';
import { storageFailure } from '../write.ts';
import { type GardenContents } from '../verbs/verbs.ts';

/**
 * The garden file: one JSON document, described in docs/garden-file.md. `kilim` names the format, `version` its form; readers
 * accept every version up to their own and bring older ones forward.
 */
export const FILE_VERSION = NEWEST_FORM;
/** A garden of sixty beds over ten years is under 3 MB; beyond this the file is not a garden. */
const LARGEST_BYTES = 64_000_000;

const fileSchema = z.object({
  kilim: z.literal('garden'),
  version: z.number().int().min(1),
  garden: gardenSchema,
  beds: z.array(bedSchema),
  plantings: z.array(plantingSchema),
  covers: z.array(coverSchema),
  looks: z.array(lookSchema),
  notes: z.array(noteSchema),
  weather: z.array(weatherYearSchema),
  lots: z.array(lotSchema),
  recipes: z.array(recipeSchema),
});

export function writeGardenFile(contents: GardenContents): string {
  // Through the schema, so that fields always stand in one order: the same garden gives the same bytes.
  return JSON.stringify(fileSchema.parse({ kilim: 'garden', version: FILE_VERSION, ...contents }), null, 1);
}

/**
 * Reads a garden file. Nothing is stored here. Fails with `file-too-large`, `file-not-json`, `file-not-garden`, `file-newer`,
 * `file-invalid` (where names the place in the file) or `file-broken-link`.
 */
export function readGardenFile(text: string): Result<GardenContents> {
  if (text.length > LARGEST_BYTES)
    return fail('file-too-large', undefined, { bytes: text.length, most: LARGEST_BYTES });
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return fail('file-not-json', undefined, { words: error instanceof Error ? error.message : '' });
  }
  if (typeof raw !== 'object' || raw === null || (raw as { kilim?: unknown }).kilim !== 'garden')
    return fail('file-not-garden');
  const version = (raw as { version?: unknown }).version;
  if (typeof version === 'number' && version > FILE_VERSION)
    return fail('file-newer', undefined, { version, known: FILE_VERSION });
  const parsed = fileSchema.safeParse(broughtForward(raw as Record<string, unknown>));
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return fail('file-invalid', issue.path.join(' › '), { problem: issue.message });
  }
  const { garden, beds, plantings, covers, looks, notes, weather, lots, recipes } = parsed.data;
  return linked({ garden, beds, plantings, covers, looks, notes, weather, lots, recipes });
}

/** An older file in today's form; anything that is not where it belongs is left for the schema to name. */
function broughtForward(raw: Record<string, unknown>): Record<string, unknown> {
  const from = typeof raw.version === 'number' ? raw.version : FILE_VERSION;
  if (from >= FILE_VERSION) return raw;
  const isRow = (r: unknown): r is Record<string, unknown> => typeof r === 'object' && r !== null;
  const row = (table: string, r: unknown) => (isRow(r) ? upgradeRow(table, r, from) : r);
  const out: Record<string, unknown> = {
    ...raw,
    version: FILE_VERSION,
    garden: row('gardens', raw.garden),
    // Tables of later forms begin empty.
    lots: raw.lots ?? [],
    recipes: raw.recipes ?? [],
  };
  for (const table of OWNED)
    if (Array.isArray(raw[table])) out[table] = (raw[table] as unknown[]).map((r) => row(table, r));
  return out;
}

/** Every record must belong to this garden and name beds and covers that are in the file. */
function linked(contents: GardenContents): Result<GardenContents> {
  const beds = new Set(contents.beds.map((b) => b.id));
  const covers = new Set(contents.covers.map((c) => c.id));
  for (const table of OWNED)
    for (const r of contents[table]) {
      const lost =
        r.gardenId !== contents.garden.id ||
        ('bedId' in r && !beds.has(r.bedId)) ||
        ('coverId' in r && !covers.has((r as { coverId: string }).coverId));
      if (lost) return fail('file-broken-link', `${table} › ${r.id}`);
    }
  return ok(contents);
}

/** Puts a read garden into the database, in place of one of the same id. All or nothing. */
export async function bringBack(db: KilimDatabase, contents: GardenContents): Promise<Result<true>> {
  try {
    await db.transaction('rw', [db.gardens, ...OWNED.map((t) => db.table(t)), db.log], async () => {
      const gardenId = contents.garden.id;
      for (const t of OWNED) await db.table(t).where({ gardenId }).delete();
      await db.log.where({ gardenId }).delete();
      await db.gardens.put(contents.garden);
      for (const t of OWNED) await db.table(t).bulkPut(contents[t]);
    });
    return ok(true);
  } catch (error) {
    return storageFailure(error);
  }
}
