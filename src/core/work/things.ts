/** Things of which a garden has few: sizes in metres, one entry a thing. `of` is the tool's id in the kit. */

export const SHEET_SORTS = ['film', 'woven', 'rubber'] as const;
/** What comes through: nothing, a few points of light, mended holes, or a glow. */
export const SHEET_GRADES = ['sound', 'pinholes', 'patched', 'light-through'] as const;

export interface Sheet {
  of: 'opaque-sheet';
  width_m: number;
  length_m: number;
  sort: (typeof SHEET_SORTS)[number];
  grade: (typeof SHEET_GRADES)[number];
}
export interface ClearFilm {
  of: 'clear-film';
  width_m: number;
  length_m: number;
}
export interface Board {
  of: 'crimper-board';
  length_m: number;
  /** Edges that press at once. */
  edges: number;
}
export interface HenPen {
  of: 'hen-pen';
  width_m: number;
  length_m: number;
  hens: number;
  /** They sleep in it as well. */
  wholeDay: boolean;
}
/** Pigs, sheep or goats with their fence. */
export interface Flock {
  of: 'pig-fence' | 'stock-fence';
  heads: number;
}
export interface Machine {
  of: 'mower' | 'string-trimmer' | 'flail-mower' | 'tiller' | 'flame-weeder';
}
export type ThingFigures = Sheet | ClearFilm | Board | HenPen | Flock | Machine;
export type ThingKind = ThingFigures['of'];

/** One of a usual size, for a kit that says only that there is one. */
export const USUAL_THINGS: { [K in ThingKind]: Extract<ThingFigures, { of: K }> } = {
  'opaque-sheet': { of: 'opaque-sheet', width_m: 4, length_m: 10, sort: 'film', grade: 'sound' },
  'clear-film': { of: 'clear-film', width_m: 2, length_m: 10 },
  'crimper-board': { of: 'crimper-board', length_m: 0.65, edges: 1 },
  'hen-pen': { of: 'hen-pen', width_m: 1.2, length_m: 2.4, hens: 4, wholeDay: true },
  'pig-fence': { of: 'pig-fence', heads: 2 },
  'stock-fence': { of: 'stock-fence', heads: 4 },
  mower: { of: 'mower' },
  'string-trimmer': { of: 'string-trimmer' },
  'flail-mower': { of: 'flail-mower' },
  tiller: { of: 'tiller' },
  'flame-weeder': { of: 'flame-weeder' },
} as Record<ThingKind, ThingFigures> as { [K in ThingKind]: Extract<ThingFigures, { of: K }> };

export const isThingKind = (id: string): id is ThingKind => Object.hasOwn(USUAL_THINGS, id);

/** How practised someone is at a tool. */
export type Skill = 'beginner' | 'practised' | 'expert';
