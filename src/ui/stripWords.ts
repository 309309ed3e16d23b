import { findSpecies } from '../catalogue/catalogue.ts';
import { type LastingUse, type StripDeed } from '../core/strips/life.ts';
import { type SHEET_SORTS } from '../core/work/things.ts';

/** Sorts of film in words. */
export const FILM_WORDS: Record<(typeof SHEET_SORTS)[number], string> = {
  film: 'black film',
  woven: 'woven sheet',
  rubber: 'rubber',
};
const isFilm = (what: string): what is keyof typeof FILM_WORDS => what in FILM_WORDS;

/** What a strip is, in words: "path of white clover", "black film", "rhubarb". */
export function stripTitle(use: LastingUse, what: string): string {
  if (use === 'film') return isFilm(what) ? FILM_WORDS[what] : what;
  if (use === 'kept') return what;
  return `path of ${what === 'grass' ? 'grass and herbs' : (findSpecies(what)?.name.toLowerCase() ?? what)}`;
}

/** What is done to strips: as something to do, and as something done. */
export const DEED_WORDS: Record<StripDeed, { todo: string; done: string }> = {
  mow: { todo: 'Mow', done: 'Mown' },
  trim: { todo: 'Trim', done: 'Trimmed' },
  straw: { todo: 'Straw on', done: 'Straw put on' },
  mend: { todo: 'Look over', done: 'Looked over and mended' },
};
