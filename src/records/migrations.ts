import { type Transaction } from 'dexie';

/**
 * Numbered steps from each form of the database to the next. Append only: a published step is never edited, since somewhere a
 * garden still stands on the step before it. `fixtures/v1.json` holds the first form frozen; its test opens it with today's code.
 */
export interface Migration {
  version: number;
  stores: Record<string, string>;
  upgrade?: (tx: Transaction) => Promise<void>;
}

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
];
