import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { z } from 'zod';
import { writeGardenFile } from '../records/files/gardenFile.ts';
import { readKept } from '../records/verbs/verbs.ts';
import { type CopyAge } from '../ui/copyWords.ts';
import { hands } from './garden.tsx';
import { isMadeUp } from './gardens.ts';

// What keeps a garden when the browser forgets: a promise of the browser, and copies outside of it.

let asked = false;

/** Asks the browser, once after the first save, not to clear what is kept here when room runs short. */
export function askToStay(): void {
  if (asked) return;
  asked = true;
  void navigator.storage?.persist?.().catch(() => false);
}

/** Whether the browser has promised to keep what is here; undefined where it does not say. */
export function useStays(): boolean | undefined {
  const [stays, setStays] = useState<boolean>();
  useEffect(() => {
    void navigator.storage
      ?.persisted?.()
      .then(setStays)
      .catch(() => undefined);
  }, []);
  return stays;
}

const copyKey = (gardenId: string): string => `copy ${gardenId}`;

/** Remembers that a copy of the garden was taken out just now. */
export const copyTaken = (gardenId: string): Promise<unknown> =>
  hands.db.drafts.put({ id: copyKey(gardenId), text: hands.now() }).catch(() => undefined);

const DAY_MS = 86_400_000;

/** How old the last copy of a garden is, and what is new since. */
export const useCopyAge = (gardenId: string): CopyAge | undefined =>
  useLiveQuery(async () => {
    const at = (await hands.db.drafts.get(copyKey(gardenId)))?.text;
    const log = await hands.db.log.where({ gardenId, undone: 0 }).toArray();
    const since = log.filter((e) => at === undefined || e.at > at);
    const from = at ?? since[0]?.at;
    const days = from ? Math.floor((Date.parse(hands.now()) - Date.parse(from)) / DAY_MS) : 0;
    return { at, days, entries: since.length };
  }, [gardenId]);

/** Whether the system can hand a garden file on to another device or person. */
export const canShareFiles = (): boolean =>
  navigator.canShare?.({ files: [new File(['{}'], 'garden.json', { type: 'application/json' })] }) ?? false;

const REMEMBERED_KEY = 'kilim.remembered';

/** What is known of the last garden apart from the garden itself, for the day on which the browser has cleared it. */
const rememberedSchema = z.object({ name: z.string(), on: z.string(), copy: z.string().nullable() });
export type Remembered = z.infer<typeof rememberedSchema>;

/** Notes that a garden of one's own was kept here today, and when its last copy was taken. */
export function remember(name: string, on: string, copy: string | null): void {
  try {
    localStorage.setItem(REMEMBERED_KEY, JSON.stringify({ name, on, copy } satisfies Remembered));
  } catch {
    // Where nothing can be remembered, nothing is.
  }
}

/** The garden that was kept here, where it no longer is. */
function lastRemembered(): Remembered | undefined {
  try {
    const read = rememberedSchema.safeParse(JSON.parse(localStorage.getItem(REMEMBERED_KEY) ?? 'null'));
    return read.success ? read.data : undefined;
  } catch {
    return undefined;
  }
}

/** The garden of one's own that this browser held and holds no more; undefined where one is here, or none ever was. */
export function useMissing(): Remembered | undefined {
  const own = useLiveQuery(() =>
    hands.db.gardens
      .toCollection()
      .primaryKeys()
      .then(
        (ids) => ids.filter((id) => !isMadeUp(id)).length,
        // What is wrong with the storage is said over every screen.
        () => undefined,
      ),
  );
  return own === 0 ? lastRemembered() : undefined;
}

/** A garden that was wiped on purpose is not missed. */
export function forget(): void {
  try {
    localStorage.removeItem(REMEMBERED_KEY);
  } catch {
    // Nothing was remembered then.
  }
}

// Where the browser can hold on to a folder, copies write themselves.

type Folder = FileSystemDirectoryHandle & {
  queryPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>;
  values(): AsyncIterable<{ kind: string; name: string }>;
};
declare global {
  interface Window {
    showDirectoryPicker?(how: { mode: 'readwrite'; id: string }): Promise<FileSystemDirectoryHandle>;
  }
}

const FOLDER_KEY = 'kilim.folder';
const ASKS_KEY = 'kilim.folder-asks';
const COPIES_KEPT = 7;

export const canHoldFolder = (): boolean => typeof window.showDirectoryPicker === 'function';

interface HeldFolder {
  id: string;
  text: string;
  folder: Folder;
}

/** Name of the folder that copies are written to; undefined when there is none. */
export const useFolder = (): string | undefined => useLiveQuery(() => hands.db.drafts.get(FOLDER_KEY))?.text;

/** Whether the browser wants to be asked again before it writes into the folder. */
export const useFolderAsks = (): boolean => useLiveQuery(() => hands.db.drafts.get(ASKS_KEY)) !== undefined;

/** Lets the gardener choose the folder. False when they did not, or the browser would not. */
export async function chooseFolder(): Promise<boolean> {
  try {
    const folder = (await window.showDirectoryPicker!({ mode: 'readwrite', id: 'kilim' })) as Folder;
    const held: HeldFolder = { id: FOLDER_KEY, text: folder.name || 'the folder you chose', folder };
    await hands.db.drafts.put(held);
    return true;
  } catch {
    return false;
  }
}

export const forgetFolder = (): Promise<unknown> => hands.db.drafts.delete(FOLDER_KEY);

/**
 * Writes a copy of the garden into the folder: at most one a day by itself, and whenever it is asked for. The last seven days stay. False when there is no
 * folder or it may not be written to.
 */
export async function copyToFolder(gardenId: string, stem: string, asked_for = false): Promise<boolean> {
  try {
    const held = (await hands.db.drafts.get(FOLDER_KEY)) as HeldFolder | undefined;
    if (!held) return false;
    const day = hands.now().slice(0, 10);
    const last = (await hands.db.drafts.get(copyKey(gardenId)))?.text;
    if (!asked_for && last?.slice(0, 10) === day) return false;
    const { folder } = held;
    let may = (await folder.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';
    if (may !== 'granted' && asked_for)
      may = (await folder.requestPermission?.({ mode: 'readwrite' })) ?? may;
    if (may !== 'granted') {
      // After a restart a browser wants to be asked again by a hand: Keep says so.
      await hands.db.drafts.put({ id: ASKS_KEY, text: day });
      return false;
    }
    const kept = await readKept(hands.db, gardenId);
    if (!kept) return false;
    const file = await folder.getFileHandle(`${stem}-${day}.kilim.json`, { create: true });
    const out = await file.createWritable();
    await out.write(writeGardenFile(kept));
    await out.close();
    await hands.db.drafts.delete(ASKS_KEY);
    await copyTaken(gardenId);
    await forgetOld(folder, stem);
    return true;
  } catch (error) {
    console.error(error);
    return false;
  }
}

async function forgetOld(folder: Folder, stem: string): Promise<void> {
  const names: string[] = [];
  const mine = new RegExp(`^${stem.replace(/[^a-z0-9-]/g, '')}-\\d{4}-\\d{2}-\\d{2}\\.kilim\\.json$`);
  for await (const entry of folder.values())
    if (entry.kind === 'file' && mine.test(entry.name)) names.push(entry.name);
  for (const name of names.sort().slice(0, -COPIES_KEPT)) await folder.removeEntry(name);
}

/** A garden's name as it stands in the names of its files. */
export const stemOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'garden';

const QUIET_MS = 4000;

/** Writes a day's copy into the folder a moment after something changed, where there is a folder. */
export function useCopies(garden: { id: string; name: string }): void {
  const newest = useLiveQuery(() => hands.db.log.where({ gardenId: garden.id }).last(), [garden.id])?.at;
  useEffect(() => {
    if (!newest) return;
    const timer = setTimeout(() => void copyToFolder(garden.id, stemOf(garden.name)), QUIET_MS);
    return () => clearTimeout(timer);
  }, [newest, garden.id, garden.name]);
}
