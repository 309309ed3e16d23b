import { type KilimDatabase } from './db.ts';
import { storageFailure } from './write.ts';

/**
 * Trouble with the browser's database that no single write can report: another tab holds an older form open, so that this one
 * waits (`storage-blocked`); a newer Kilim in another tab has moved the garden on and this one may no longer write
 * (`storage-outdated`); the browser shut the database (`storage-closed`).
 */
export type StorageTrouble = 'storage-blocked' | 'storage-outdated' | 'storage-closed';

/** Whether the database was refused because it is of a newer form than this page knows. */
export function isOutdated(error: unknown): boolean {
  const failed = storageFailure(error);
  return !failed.ok && failed.failure.code === 'storage-outdated';
}

/** Opens a database and watches it for as long as the page lives. `heard` gets null once the garden is open again. */
export function watchStorage(db: KilimDatabase, heard: (trouble: StorageTrouble | null) => void): void {
  // A garden that has moved on is also shut; the reason outranks the fact.
  let outdated = false;
  const movedOn = () => {
    outdated = true;
    heard('storage-outdated');
  };
  db.on('blocked', () => heard('storage-blocked'));
  db.on('ready', () => heard(null), true);
  db.on('versionchange', () => {
    movedOn();
    // Let go at once: whoever asks for the newer form waits for this connection to close.
    db.close({ disableAutoOpen: true });
    return false;
  });
  db.on('close', () => {
    if (!outdated) heard('storage-closed');
  });
  db.open().then(undefined, (error: unknown) => {
    if (isOutdated(error)) movedOn();
  });
}
