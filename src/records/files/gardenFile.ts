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
import { type Kept } from '../verbs/verbs.ts';
import { withoutLoosePointers } from '../references.ts';
import { type Stamp, stampSchema } from '../stamps.ts';
import { LARGEST } from './bytes.ts';
import { problemOf } from './problem.ts';
import { soundGarden } from './sound.ts';

/**
 * The garden file: one JSON document, described in docs/garden-file.md. `kilim` names the format, `version` its form; readers
 * accept every version up to their own and bring older ones forward.
 */
export const FILE_VERSION = NEWEST_FORM;
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
  /** Who wrote each field last, and when. */
  history: z.array(stampSchema),
  /** Where the file holds only what is newer than this moment: it can be merged and is no whole garden. */
  since: z.iso.datetime().optional(),
});

/** A garden of sixty beds over ten years is under 3 MB. */
export function writeGardenFile({ stamps, ...contents }: Kept, since?: string): string {
  const file = { kilim: 'garden', version: FILE_VERSION, ...contents, history: inOrder(stamps), since };
  // Through the schema, so that fields always stand in one order: the same garden gives the same bytes. What an older Kilim let in goes out as it is:
  // a copy with a fault is better than none.
  const sound = fileSchema.safeParse(file);
  return JSON.stringify(sound.success ? sound.data : file, null, 1);
}

/** The history in one order, whichever order its words came in. */
const inOrder = (stamps: Stamp[]): Stamp[] =>
  stamps
    .map((s) => ({
      ...s,
      fields: Object.fromEntries(Object.entries(s.fields).sort(([a], [b]) => (a < b ? -1 : 1))),
    }))
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/**
 * Reads a garden file. Nothing is stored here. Fails with `file-too-large`, `file-not-json`, `file-not-garden`, `file-newer`,
 * `file-version`, `file-invalid` (where names the place in the file) or `file-broken-link`.
 */
export function readGardenFile(text: string): Result<Kept & { since?: string }> {
  if (text.length > LARGEST.garden)
    return fail('file-too-large', undefined, { bytes: text.length, most: LARGEST.garden });
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return fail('file-not-json', undefined, { words: error instanceof Error ? error.message : '' });
  }
  if (typeof raw !== 'object' || raw === null || (raw as { kilim?: unknown }).kilim !== 'garden')
    return fail('file-not-garden');
  const version = (raw as { version?: unknown }).version;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return fail('file-version', undefined, { version: JSON.stringify(version ?? null).slice(0, 40) });
  if (version > FILE_VERSION) return fail('file-newer', undefined, { version, known: FILE_VERSION });
  const parsed = fileSchema.safeParse(broughtForward(raw as Record<string, unknown>, version));
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return fail('file-invalid', issue.path.join(' › ') || 'the top', { problem: problemOf(issue) });
  }
  const { garden, beds, plantings, covers, looks, notes, weather, lots, recipes, history, since } =
    parsed.data;
  const contents = { garden, beds, plantings, covers, looks, notes, weather, lots, recipes };
  const sound = soundGarden(contents);
  if (!sound.ok) return sound;
  // A pointer to what has been taken away since is no damage.
  return ok({
    ...withoutLoosePointers(contents),
    stamps: history.filter((s) => s.gardenId === garden.id),
    ...(since === undefined ? {} : { since }),
  });
}

/** An older file in today's form; anything that is not where it belongs is left for the schema to name. */
function broughtForward(raw: Record<string, unknown>, from: number): Record<string, unknown> {
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
    history: [],
  };
  for (const table of OWNED)
    if (Array.isArray(raw[table])) out[table] = (raw[table] as unknown[]).map((r) => row(table, r));
  return out;
}

/** Puts a read garden into the database, in place of one of the same id. All or nothing. */
export async function bringBack(db: KilimDatabase, { stamps, ...contents }: Kept): Promise<Result<true>> {
  try {
    await db.transaction(
      'rw',
      [db.gardens, ...OWNED.map((t) => db.table(t)), db.log, db.stamps],
      async () => {
        const gardenId = contents.garden.id;
        for (const t of OWNED) await db.table(t).where({ gardenId }).delete();
        await db.log.where({ gardenId }).delete();
        await db.stamps.where({ gardenId }).delete();
        await db.stamps.bulkPut(stamps);
        await db.gardens.put(contents.garden);
        for (const t of OWNED) await db.table(t).bulkPut(contents[t]);
      },
    );
    return ok(true);
  } catch (error) {
    return storageFailure(error);
  }
}
