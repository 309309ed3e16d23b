import { type KilimDatabase } from './db.ts';

/**
 * Trouble with the browser's database that no single write can report: another tab holds an older form open, so that this one
 * waits (`storage-blocked`); a newer Kilim in another tab has moved the garden on and this one may no longer write
 * (`storage-outdated`); the browser shut the database (`storage-closed`).
 */
export type StorageTrouble = 'storage-blocked' | 'storage-outdated' | 'storage-closed';

/** Watches a database for as long as the page lives. `heard` gets null once the garden is open again. */
export function watchStorage(db: KilimDatabase, heard: (trouble: StorageTrouble | null) => void): void {
  db.on('blocked', () => heard('storage-blocked'));
  db.on('ready', () => heard(null), true);
  db.on('versionchange', () => {
    // Let go at once: whoever asks for the newer form waits for this connection to close.
    db.close({ disableAutoOpen: true });
    heard('storage-outdated');
    return false;
  });
  db.on('close', () => heard('storage-closed'));
}
