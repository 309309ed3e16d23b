import { afterEach, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { KilimDatabase } from './db.ts';
import { type StorageTrouble, isOutdated, watchStorage } from './trouble.ts';

let n = 0;
let name = '';
afterEach(() => Dexie.delete(name));

/** A database as a Kilim of some form leaves it open. */
const holdOpen = (version: number) =>
  new Promise<IDBDatabase>((resolve, reject) => {
    const opening = indexedDB.open(name, version);
    opening.onsuccess = () => resolve(opening.result);
    opening.onerror = () => reject(new Error(opening.error?.message));
  });

function watched() {
  const heard: (StorageTrouble | null)[] = [];
  const db = new KilimDatabase(name);
  watchStorage(db, (t) => heard.push(t));
  return { db, heard };
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 50));

test('a garden of a newer form is named as such, whoever asks first, and is not touched', async () => {
  name = `trouble-${++n}`;
  (await holdOpen(900)).close();
  const { db, heard } = watched();
  const asked = await Promise.allSettled([db.gardens.toArray(), db.drafts.get('x'), db.beds.count()]);
  await settled();
  expect(heard.at(-1)).toBe('storage-outdated');
  for (const a of asked) expect(a.status === 'rejected' && isOutdated(a.reason)).toBe(true);
  const raw = await holdOpen(900);
  expect(raw.objectStoreNames).toHaveLength(0);
  raw.close();
});

test('a newer form that another tab asks for is let through: this page closes, says so, and stays closed', async () => {
  name = `trouble-${++n}`;
  const { db, heard } = watched();
  await db.open();
  expect(heard).toEqual([null]);
  const newer = await holdOpen(900);
  await settled();
  expect(heard.at(-1)).toBe('storage-outdated');
  await expect(db.gardens.count()).rejects.toThrow();
  expect(heard.at(-1)).toBe('storage-outdated');
  newer.close();
});

test('an older tab that holds on is named while this one waits, and the waiting ends with it', async () => {
  name = `trouble-${++n}`;
  const older = await holdOpen(1);
  const { db, heard } = watched();
  await settled();
  expect(heard).toEqual(['storage-blocked']);
  older.close();
  await db.open();
  expect(heard.at(-1)).toBe(null);
  db.close();
});

test('a database that the browser shuts is named, and opens again with the next question', async () => {
  name = `trouble-${++n}`;
  const { db, heard } = watched();
  await db.open();
  db.close({ disableAutoOpen: false });
  await settled();
  expect(heard.at(-1)).toBe('storage-closed');
  expect(await db.gardens.count()).toBe(0);
  expect(heard.at(-1)).toBe(null);
});
test('only a newer form is called so: a full disk or a shut database is another trouble', () => {
  const named = (name: string) => Object.assign(new Error(name), { name });
  expect(isOutdated(named('VersionError'))).toBe(true);
  for (const name of ['QuotaExceededError', 'DatabaseClosedError', 'BlockedError', 'TypeError'])
    expect(isOutdated(named(name))).toBe(false);
});
