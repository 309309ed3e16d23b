import { type Day, dayOf, monthOf, yearOf } from '../calendar/day.ts';

// The same cover, or the same crop, of several beds and years laid next to each other.

/** Something that stood on a bed from a day on. */
export interface Stood {
  refId: string;
  bedId: string;
  from: Day;
}

/** A year's length of a bed, in which it stood. */
export interface Window extends Stood {
  /** First day of the year that is shown, the same day of the year for all of them. */
  start: Day;
}

const JULY = 6;

/**
 * Years in which the same thing stood, oldest first: from January where most of them began in the first half of a year, from July where most began in the
 * second, so that what stands over winter is not cut in two.
 */
export function windowsOf(all: readonly Stood[]): Window[] {
  const late = all.filter((s) => monthOf(s.from) >= JULY).length;
  const july = late * 2 > all.length;
  return all
    .map((s) => {
      const year = yearOf(s.from) - (july && monthOf(s.from) < JULY ? 1 : 0);
      return { ...s, start: dayOf(`${year}-${july ? '07' : '01'}-01`) };
    })
    .sort((a, b) => a.start - b.start || a.from - b.from || a.bedId.localeCompare(b.bedId));
}
