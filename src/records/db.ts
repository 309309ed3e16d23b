import Dexie, { type Table } from 'dexie';
import { migrations } from './migrations.ts';
import type { Bed, Cover, Garden, LogEntry, Look, Note, Planting, WeatherYear } from './types.ts';

/** The one place that speaks to the browser's database. */
export class KilimDatabase extends Dexie {
  gardens!: Table<Garden, string>;
  beds!: Table<Bed, string>;
  plantings!: Table<Planting, string>;
  covers!: Table<Cover, string>;
  looks!: Table<Look, string>;
  notes!: Table<Note, string>;
  weather!: Table<WeatherYear, string>;
  log!: Table<LogEntry, number>;

  constructor(name = 'kilim') {
    super(name);
    for (const m of migrations) {
      const version = this.version(m.version).stores(m.stores);
      if (m.upgrade) version.upgrade(m.upgrade);
    }
  }
}
