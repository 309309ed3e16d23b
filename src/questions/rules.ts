import type { Garden } from '../records/types.ts';

/** House rules of a garden that has said nothing yet: nothing is forbidden; a sheet may lie for half a year, clear film for two hot weeks. */
export const USUAL_RULES: Garden['rules'] = {
  noFootOnBed: false,
  noDigging: false,
  noPlastic: false,
  noAnimals: false,
  noFire: false,
  sheetCap_d: 180,
  filmCap_d: 14,
};

/** House rules that forbid nothing, for questions that name only a kit. */
export const FREE_RULES: Garden['rules'] = { ...USUAL_RULES, sheetCap_d: 400 };
