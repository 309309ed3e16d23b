import Dexie, { type Table } from 'dexie';
import { type LogEntry } from './history.ts';
import { type Stamp } from './stamps.ts';
import { migrations } from './migrations.ts';
import type { Bed, Cover, Garden, Look, Lot, Note, Planting, Recipe, WeatherYear } from './types.ts';

/** Something half typed on a garden screen. */
export interface Draft {
  id: string;
  text: string;
}

/** A small copy of a picture that a look was read from; its id is the look's. */
export interface LookPicture {
  id: string;
  gardenId: string;
  coverId: string;
  /** Day of the look, ISO. */
  on: string;
  /** A JPEG as a data address, a few tens of kilobytes. */
  jpeg: string;
}

const NEWEST = Math.max(...migrations.map((m) => m.version));
/** Dexie counts ten of the browser's version numbers for each of its own. */
const DEXIE_STEP = 10;

/** The one place that speaks to the browser's database. */
export class KilimDatabase extends Dexie {
  gardens!: Table<Garden, string>;
  beds!: Table<Bed, string>;
  plantings!: Table<Planting, string>;
  covers!: Table<Cover, string>;
  looks!: Table<Look, string>;
  notes!: Table<Note, string>;
  weather!: Table<WeatherYear, string>;
  lots!: Table<Lot, string>;
  recipes!: Table<Recipe, string>;
  drafts!: Table<Draft, string>;
  pictures!: Table<LookPicture, string>;
  log!: Table<LogEntry, number>;
  stamps!: Table<Stamp, string>;

  constructor(name = 'kilim') {
    // Strict: a write that is reported done is on the disk, and outlives a flat battery.
    super(name, { chromeTransactionDurability: 'strict' });
    for (const m of migrations) {
      const version = this.version(m.version).stores(m.stores);
      if (m.upgrade) version.upgrade(m.upgrade);
    }
    // Dexie opens a database of a newer form than it was told of. An older Kilim must not write into what it does not know.
    this.on(
      'ready',
      () => {
        if (this.backendDB().version > NEWEST * DEXIE_STEP)
          throw new DOMException(
            `The garden is of form ${this.backendDB().version / DEXIE_STEP}`,
            'VersionError',
          );
      },
      true,
    );
  }
}
