import { afterEach, beforeEach } from '@jest/globals';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { KilimDatabase } from './db.ts';
import { bringBack, readGardenFile } from './files/gardenFile.ts';
import { type Hands, type Kept } from './verbs/verbs.ts';

// For tests of commands: a store of its own for each, with a garden in it.

/** A demo garden as its file has it. */
export function demoKept(name = 'north-shore'): Kept {
  const read = readGardenFile(readFileSync(`demo/${name}.kilim.json`, 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  return read.value;
}

let stores = 0;

/** Opens a store with the garden in it before each test, hands whose clock goes on by a second and whose ids count up, and takes it away after. */
export function inStore(kept: Kept, opened: (hands: Hands) => void | Promise<void>): void {
  let db: KilimDatabase;
  beforeEach(async () => {
    db = new KilimDatabase(`test-${++stores}`);
    let made = 0;
    let second = 0;
    await bringBack(db, kept);
    await opened({
      db,
      now: () => new Date(Date.UTC(2027, 3, 13, 8, 0, ++second)).toISOString(),
      newId: () => `new-${++made}`,
    });
  });
  afterEach(async () => {
    db.close();
    await Dexie.delete(db.name);
  });
}
