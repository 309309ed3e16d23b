import type {
  Bed,
  Cover,
  Garden,
  Look,
  Lot,
  Note,
  Planting,
  Recipe,
  TableName,
  WeatherYear,
} from './types.ts';

export type RecordOf = {
  gardens: Garden;
  beds: Bed;
  plantings: Planting;
  covers: Cover;
  looks: Look;
  notes: Note;
  weather: WeatherYear;
  lots: Lot;
  recipes: Recipe;
};
export type AnyRecord = RecordOf[TableName];

/** One record before and after; null for not there. A list of these undoes and redoes a write. */
export interface Change {
  table: TableName;
  id: string;
  before: AnyRecord | null;
  after: AnyRecord | null;
}

/** A write that was done, kept so that it can be taken back, on this tab or another, today or next week. */
export interface LogEntry {
  seq?: number;
  gardenId: string;
  /** Time of the write, ISO with time of day. */
  at: string;
  verb: string;
  /** What it did, for the undo button ("sowing bed 3"). */
  label: string;
  changes: Change[];
  undone: 0 | 1;
}
