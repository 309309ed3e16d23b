import { type Transaction } from 'dexie';
import { upgradeRow } from './upgrade.ts';

/**
 * Numbered steps from each form of the database to the next. Append only: a published step is never edited, since somewhere a
 * garden still stands on the step before it. `fixtures/v1.json` holds the first form frozen; its test opens it with today's code.
 */
export interface Migration {
  version: number;
  stores: Record<string, string>;
  upgrade?: (tx: Transaction) => Promise<void>;
}

/** Forms that changed rows. The log is emptied: its differences are of the old form and must not be put back. */
const rowsTo = (form: number) => async (tx: Transaction) => {
  for (const table of ['gardens', 'beds', 'covers', 'looks'])
    await tx
      .table(table)
      .toCollection()
      .modify((row: Record<string, unknown>, ref: { value: unknown }) => {
        ref.value = upgradeRow(table, row, form - 1, form);
      });
  await tx.table('log').clear();
};

export const migrations: Migration[] = [
  {
    version: 1,
    stores: {
      gardens: 'id',
      beds: 'id, gardenId',
      plantings: 'id, gardenId, bedId',
      covers: 'id, gardenId, bedId',
      looks: 'id, gardenId, coverId',
      notes: 'id, gardenId, bedId',
      weather: 'id, gardenId',
      log: '++seq, gardenId, [gardenId+undone]',
    },
  },
  { version: 2, stores: {}, upgrade: rowsTo(2) },
  {
    version: 3,
    // Drafts are what is being typed: kept through a flat battery, in no file and under no undo.
    stores: { lots: 'id, gardenId', recipes: 'id, gardenId', drafts: 'id' },
    upgrade: rowsTo(3),
  },
  { version: 4, stores: {}, upgrade: rowsTo(4) },
  { version: 5, stores: {}, upgrade: rowsTo(5) },
  // Who wrote each field last, and when: begins empty, for what was written before no word is known.
  { version: 6, stores: { stamps: 'id, gardenId' }, upgrade: rowsTo(6) },
  // Small copies of pictures stay beside the looks they belong to: in no file, and under no undo.
  { version: 7, stores: { pictures: 'id, gardenId, coverId' }, upgrade: rowsTo(7) },
];
