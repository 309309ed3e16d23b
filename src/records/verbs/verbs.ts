import { coverTitle, findCrop } from '../../catalogue/catalogue.ts';
import { coverDays, plantingDays } from '../../core/bed/timeline.ts';
import { type Result, ok } from '../../core/result/result.ts';
import { type KilimDatabase } from '../db.ts';
import { type LogEntry, type RecordOf } from '../history.ts';
import {
  OWNED,
  type Bed,
  type Cover,
  type Garden,
  type Look,
  type Note,
  type Planting,
  type WeatherYear,
} from '../types.ts';
import { type Stamp } from '../stamps.ts';
import { type Wish, type WriteMeta, storageFailure, write, writeFrom } from '../write.ts';
import { inOrder, noCoverOverlap, noOverlap } from './dates.ts';
import { isThere } from './there.ts';

/** A clock and a source of ids, so that a test can hold both still. */
export interface Hands {
  db: KilimDatabase;
  now(): string;
  newId(): string;
  /** This device, as it is told apart from others of the same gardener. */
  device?: string;
}

export type Done = Promise<Result<LogEntry>>;

export const meta = (hands: Hands, gardenId: string, verb: string, label: string): WriteMeta => ({
  gardenId,
  verb,
  label,
  at: hands.now(),
  by: hands.device,
});

const cropName = (p: Planting): string => findCrop(p.cropId)?.name ?? p.cropId;

export const saveGarden = (hands: Hands, garden: Garden, label = 'changing the garden'): Done =>
  write(hands.db, meta(hands, garden.id, 'save-garden', label), [{ table: 'gardens', put: garden }]);

/** A new garden with its measured weather, if any, in one write. */
export const makeGarden = (hands: Hands, garden: Garden, weather: WeatherYear[] = []): Done =>
  write(hands.db, meta(hands, garden.id, 'make-garden', `making ${garden.name}`), [
    { table: 'gardens', put: garden },
    ...weather.map((w): Wish => ({ table: 'weather', put: w })),
  ]);

export const saveBeds = (hands: Hands, beds: Bed[]): Done =>
  write(
    hands.db,
    meta(
      hands,
      beds[0]!.gardenId,
      'save-beds',
      beds.length === 1 ? `bed ${beds[0]!.name}` : `${beds.length} beds`,
    ),
    beds.map((put) => ({ table: 'beds', put })),
  );

/** Takes a bed away with its pieces and everything that happened on them; undo brings all of it back. */
export function removeBed(hands: Hands, bed: Bed): Done {
  const { db } = hands;
  return writeFrom(db, meta(hands, bed.gardenId, 'remove-bed', `taking bed ${bed.name} away`), async () => {
    const pieces = await db.beds.filter((b) => b.piece?.of === bed.id).toArray();
    const gone = [bed.id, ...pieces.map((b) => b.id)];
    const wishes: Wish[] = gone.map((id) => ({ table: 'beds', remove: id }));
    for (const table of ['plantings', 'covers', 'notes'] as const)
      for (const r of await db.table(table).where('bedId').anyOf(gone).toArray())
        wishes.push({ table, remove: (r as { id: string }).id });
    for (const l of await db.looks.filter((l) => gone.includes(l.bedId)).toArray())
      wishes.push({ table: 'looks', remove: l.id });
    return ok(wishes);
  });
}

/** Plans or changes a crop. Fails with `dates-out-of-order` or `crops-overlap`. */
export const savePlanting = (hands: Hands, planting: Planting, verb = 'save-planting'): Done =>
  writeFrom(hands.db, meta(hands, planting.gardenId, verb, cropName(planting).toLowerCase()), async () => {
    const order = inOrder([
      [
        'planting',
        planting.plantedOn ?? planting.plantOn,
        'clearing',
        planting.clearedOn ?? planting.clearOn,
      ],
    ]);
    if (!order.ok) return order;
    const days = plantingDays(planting);
    const there = await isThere(hands.db, planting.bedId, days.from, days.to);
    if (!there.ok) return there;
    const others = await hands.db.plantings.where({ bedId: planting.bedId }).toArray();
    const free = noOverlap(planting, others, cropName);
    return free.ok ? ok([{ table: 'plantings', put: planting }]) : free;
  });

/** Puts a cover on a bed, with the crops before and after it when they are new. One write. */
export const putCover = (hands: Hands, cover: Cover, plantings: Planting[] = []): Done =>
  writeFrom(hands.db, meta(hands, cover.gardenId, 'put-cover', coverTitle(cover).toLowerCase()), () =>
    wishesFor(hands, cover, plantings),
  );

async function wishesFor(hands: Hands, cover: Cover, plantings: Planting[]): Promise<Result<Wish[]>> {
  const checked = await checkCover(hands, cover);
  if (!checked.ok) return checked;
  const others = await hands.db.plantings.where({ bedId: cover.bedId }).toArray();
  for (const p of plantings) {
    const days = plantingDays(p);
    const there = await isThere(hands.db, p.bedId, days.from, days.to);
    if (!there.ok) return there;
    const free = noOverlap(
      p,
      [...others.filter((o) => !plantings.some((q) => q.id === o.id)), ...plantings],
      cropName,
    );
    if (!free.ok) return free;
  }
  return {
    ok: true,
    value: [...plantings.map((put): Wish => ({ table: 'plantings', put })), { table: 'covers', put: cover }],
  };
}

/** What is put on one bed of a block. */
export interface BlockPart {
  cover: Cover;
  plantings: Planting[];
}

/** Puts a cover on every bed of a block in one write: all of them or none. Fails as `putCover` does, for the first bed that cannot. */
export function putCoverOnBlock(hands: Hands, parts: BlockPart[]): Done {
  const { cover } = parts[0]!;
  const beds = new Set(parts.map((p) => p.cover.bedId)).size;
  const label = `${coverTitle(cover).toLowerCase()} on ${beds} ${beds === 1 ? 'bed' : 'beds'}`;
  return writeFrom(hands.db, meta(hands, cover.gardenId, 'put-cover', label), async () => {
    const wishes: Wish[] = [];
    for (const part of parts) {
      const wished = await wishesFor(hands, part.cover, part.plantings);
      if (!wished.ok) return wished;
      wishes.push(...wished.value);
    }
    return ok(wishes);
  });
}

export async function saveCover(hands: Hands, cover: Cover, verb: string, label: string): Done {
  const checked = await checkCover(hands, cover);
  if (!checked.ok) return checked;
  return write(hands.db, meta(hands, cover.gardenId, verb, label), [{ table: 'covers', put: cover }]);
}

export async function checkCover(hands: Hands, cover: Cover): Promise<Result<true>> {
  const done = cover.passes.filter((p) => p.doneOn).map((p) => p.doneOn!);
  const order = inOrder([
    ['sowing', cover.sownOn ?? cover.sowOn, 'ending', done[0] ?? cover.passes[0]?.due ?? cover.endedOn],
    ...done
      .slice(1)
      .map((d, i): [string, string, string, string] => [`step ${i + 1}`, done[i]!, `step ${i + 2}`, d]),
    ['last step', done.at(-1) ?? null, 'death', cover.endedOn],
  ]);
  if (!order.ok) return order;
  const days = coverDays(cover);
  const there = await isThere(hands.db, cover.bedId, days.from, days.endFrom);
  if (!there.ok) return there;
  const others = await hands.db.covers.where({ bedId: cover.bedId }).toArray();
  return noCoverOverlap(cover, others, (c) => coverTitle(c));
}

/** Takes a cover and its looks away. */
export const removeCover = (hands: Hands, cover: Cover): Done =>
  writeFrom(
    hands.db,
    meta(hands, cover.gardenId, 'remove-cover', `taking ${coverTitle(cover).toLowerCase()} away`),
    async () => {
      const looks = await hands.db.looks.where({ coverId: cover.id }).toArray();
      return ok([
        { table: 'covers', remove: cover.id },
        ...looks.map((l): Wish => ({ table: 'looks', remove: l.id })),
      ]);
    },
  );

/** Takes a crop away; the cover before it keeps its plant-back day and points to no crop. */
export const removePlanting = (hands: Hands, planting: Planting): Done =>
  writeFrom(
    hands.db,
    meta(hands, planting.gardenId, 'remove-planting', `taking ${cropName(planting).toLowerCase()} away`),
    async () => {
      const before = await hands.db.covers.filter((c) => c.nextPlantingId === planting.id).toArray();
      return ok([
        { table: 'plantings', remove: planting.id },
        ...before.map((c): Wish => ({ table: 'covers', put: { ...c, nextPlantingId: null } })),
      ]);
    },
  );

/** A look in which nothing was said yet. */
export const BLANK_LOOK = {
  emergence: null,
  cover: null,
  height_m: null,
  stage: null,
  alive: null,
  weeds: null,
  members: [],
  crowns: null,
  note: '',
} satisfies Partial<Look>;

export const removeLook = (hands: Hands, look: Look): Done =>
  write(hands.db, meta(hands, look.gardenId, 'remove-look', 'taking a look away'), [
    { table: 'looks', remove: look.id },
  ]);

export const saveNote = (hands: Hands, note: Note): Done =>
  write(hands.db, meta(hands, note.gardenId, 'save-note', 'a note'), [{ table: 'notes', put: note }]);

export const removeNote = (hands: Hands, note: Note): Done =>
  write(hands.db, meta(hands, note.gardenId, 'remove-note', 'taking a note away'), [
    { table: 'notes', remove: note.id },
  ]);

/**
 * Clears a garden and all that belongs to it, its undo history too. Not undoable: the screen offers the export first.
 */
export async function wipeGarden(hands: Hands, gardenId: string): Promise<Result<true>> {
  const { db } = hands;
  try {
    await db.transaction(
      'rw',
      [db.gardens, ...OWNED.map((t) => db.table(t)), db.log, db.drafts, db.stamps, db.pictures],
      async () => {
        // Drafts carry the id of their garden or cover at the end of their own.
        const ends = [gardenId, ...(await db.covers.where({ gardenId }).primaryKeys())];
        await db.pictures.where({ gardenId }).delete();
        await db.drafts.filter((d) => ends.some((id) => d.id.endsWith(` ${id}`))).delete();
        for (const t of OWNED) await db.table(t).where({ gardenId }).delete();
        await db.gardens.delete(gardenId);
        await db.log.where({ gardenId }).delete();
        await db.stamps.where({ gardenId }).delete();
      },
    );
    return { ok: true, value: true };
  } catch (error) {
    return storageFailure(error);
  }
}

/** Everything of one garden, in a stable order. Undefined when there is no such garden. */
export async function readGarden(db: KilimDatabase, gardenId: string): Promise<GardenContents | undefined> {
  return db.transaction('r', [db.gardens, ...OWNED.map((t) => db.table(t))], async () => {
    const garden = await db.gardens.get(gardenId);
    if (!garden) return undefined;
    const out: Record<string, unknown[]> = {};
    for (const t of OWNED) out[t] = await db.table(t).where({ gardenId }).sortBy('id');
    return { garden, ...(out as Omit<GardenContents, 'garden'>) };
  });
}

/** A garden with the history of its fields, as it goes into a file. */
export async function readKept(db: KilimDatabase, gardenId: string): Promise<Kept | undefined> {
  return db.transaction('r', [db.gardens, ...OWNED.map((t) => db.table(t)), db.stamps], async () => {
    const contents = await readGarden(db, gardenId);
    return contents && { ...contents, stamps: await db.stamps.where({ gardenId }).sortBy('id') };
  });
}

/** A garden with the history of its fields. */
export type Kept = GardenContents & { stamps: Stamp[] };

export type GardenContents = { garden: Garden } & { [T in (typeof OWNED)[number]]: RecordOf[T][] };
