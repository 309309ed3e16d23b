import { type Handling } from '../residue/wait.ts';

/** What is done in one pass over the bed. A method is a sequence of these. */
export const PASS_KINDS = [
  'cut',
  'mow',
  'flail',
  'crimp',
  'flatten',
  'lay-sheet',
  'lay-cardboard',
  'lay-film',
  'lift-sheet',
  'flame',
  'hens',
  'pigs',
  'graze',
  'dig',
  'bury',
  'compost-over',
  'pull',
  'rake-off',
  'hoe',
  'mow-high',
  'take-hay',
  'pick-shoots',
  'set-plants',
  'check',
  'check-heat',
  'check-seed',
] as const;
export type PassKind = (typeof PASS_KINDS)[number];

/** Passes after which the stand lives on: they trim or harvest it and do not begin its ending. */
export const TRIMS: ReadonlySet<string> = new Set<PassKind>(['mow-high', 'take-hay', 'pick-shoots']);

/** Passes after which the ground lies open: what stood there is under it or gone. */
export const OPENS: ReadonlySet<string> = new Set<PassKind>(['dig', 'bury', 'pull', 'rake-off']);

/** A way to end a cover: its passes with days from the first one; null waits for the stand to be dead. */
export interface Method {
  id: string;
  passes: { kind: PassKind; after_d: number | null }[];
}

/** A pass as it is done here: hens take days for a round, and what they do is done when it is over. */
type PassHere = Method['passes'][number] & {
  lasts_d?: number;
  minutesPer100m2?: number;
};

/** A method with what it costs here, what keeps it from being used, and the house rule for sheets. */
export interface MethodHere extends Method {
  passes: PassHere[];
  minutesPer100m2: number;
  missing: string[];
  /** Longest time a sheet may lie, days. */
  sheetCap_d?: number;
  /** How much longer than under a sound dark sheet it takes under the one at hand. */
  coverTimes?: number;
  /** What this garden's own results make of the odds that it kills; 1 by the book. */
  killTimes?: number;
  /** False for ways that a gardener may choose and that are never proposed. */
  proposed?: boolean;
}

/** What waits for the weather instead of a hand. */
export type Waits = 'frost' | 'heat' | 'seed' | null;
export type Covering = 'sheet' | 'cardboard' | 'film' | null;

/** A method taken apart once, so that thousands of trials need not do it again. */
export interface MethodParts {
  waits: Waits;
  covering: Covering;
  /** Passes that kill, in order. */
  kills: { kind: PassKind; after_d: number }[];
  /** The stand is down before a sheet goes on. */
  loweredFirst: boolean;
  /** The next crop is set into the cut stand at once: for transplants alone. */
  plantsAtOnce: boolean;
  /** Nothing in it ends the stand: it is trimmed and lives on. */
  keeps: boolean;
  /** The ground is turned, which frost and wet forbid. */
  digs: boolean;
  /** It is turned with the stand upright on it, which a spade can only do while that is short. */
  turnsStanding: boolean;
  handling: Handling;
  /** Share of the residue that stays on the bed. */
  stays: number;
  /** How much faster than whole stems it rots. */
  decayTimes: number;
  /** Plant-available nitrogen that animals bring from their feed, g/m2. */
  manure_g_m2: number;
  /** It ends with stems that are pressed and must dry to die. */
  presses: boolean;
  /** Days after the last pass until death shows. */
  shows_d: number;
  /** Days from the first pass to the last that kills. */
  lastPass_d: number;
  cap_d: number;
  coverTimes: number;
  /** Multiplies the odds of every killing pass. */
  killTimes: number;
}

/** Days from a pass until a killed stand is seen to be dead (practice). */
export const SHOWS_D: Partial<Record<PassKind, number>> = {
  cut: 4,
  mow: 4,
  flail: 4,
  crimp: 12,
  flame: 4,
  hens: 3,
  pigs: 3,
  graze: 5,
  dig: 2,
  bury: 2,
  'compost-over': 14,
  pull: 0,
  hoe: 2,
};
export const COVERING: Partial<Record<PassKind, Covering>> = {
  'lay-sheet': 'sheet',
  'lay-cardboard': 'cardboard',
  'lay-film': 'film',
};
const WAITS: Partial<Record<PassKind, Waits>> = {
  check: 'frost',
  'check-heat': 'heat',
  'check-seed': 'seed',
};
const TURNS = new Set<PassKind>(['dig', 'bury']);
const LOWERS = new Set<PassKind>(['cut', 'mow', 'flail', 'crimp']);
/** Shares of the tops that stay on the bed: hens eat and scratch in about half, ruminants leave two fifths, a rake leaves stubble and crumbs. */
export const STAYS: Partial<Record<PassKind, number>> = {
  hens: 0.5,
  pigs: 0.4,
  graze: 0.4,
  pull: 0,
  'rake-off': 0.12,
  // Leaves crumble as hay is turned and carried.
  'take-hay': 0.1,
  'pick-shoots': 0,
};
/** Useful nitrogen from feed: 7 hen-days a square metre at 1.6 g, part in the pen, part lost (about 4); pigs about 5; grazers bring none. */
const MANURE: Partial<Record<PassKind, number>> = { hens: 4, pigs: 5 };
/** Flailed pieces rot this much faster than whole stems (1.3-1.6). */
export const SHREDDED_TIMES = 1.45;

export function takeApart(
  method: Omit<Method, 'passes'> & {
    passes: PassHere[];
    sheetCap_d?: number;
    coverTimes?: number;
    killTimes?: number;
  },
): MethodParts {
  const kinds = method.passes.map((p) => p.kind);
  const covering = kinds.map((k) => COVERING[k]).find((c) => c) ?? null;
  const waits = kinds.map((k) => WAITS[k]).find((w) => w) ?? null;
  const kills = method.passes.flatMap((p) =>
    p.after_d !== null && SHOWS_D[p.kind] !== undefined
      ? [{ kind: p.kind, after_d: p.after_d + (p.lasts_d ?? 0) }]
      : [],
  );
  const last = kills.at(-1);
  return {
    waits,
    covering,
    kills,
    loweredFirst: kinds.some((k) => LOWERS.has(k)),
    plantsAtOnce: kinds.includes('set-plants'),
    keeps: kinds.every((k) => TRIMS.has(k)),
    digs: kinds.some((k) => TURNS.has(k)),
    turnsStanding: TURNS.has(kinds[0]!),
    handling: handlingOf(kinds, covering, waits),
    stays: Math.min(1, ...kinds.map((k) => STAYS[k] ?? 1)),
    decayTimes: kinds.includes('flail') ? SHREDDED_TIMES : 1,
    manure_g_m2: Math.max(0, ...kinds.map((k) => MANURE[k] ?? 0)),
    presses: covering === null && last?.kind === 'crimp',
    shows_d: last ? last.after_d + SHOWS_D[last.kind]! : 0,
    lastPass_d: last ? last.after_d : 0,
    cap_d: method.sheetCap_d ?? Infinity,
    coverTimes: method.coverTimes ?? 1,
    killTimes: method.killTimes ?? 1,
  };
}

function handlingOf(kinds: PassKind[], covering: Covering, waits: Waits): Handling {
  if (waits === 'frost') return 'winterkilled';
  if (covering) return 'sheet';
  if (kinds.some((k) => TURNS.has(k))) return 'buried';
  if (kinds.includes('compost-over')) return 'compost';
  if (kinds.includes('pull') || kinds.includes('rake-off')) return 'removed';
  if (kinds.some((k) => k === 'hens' || k === 'pigs' || k === 'graze')) return 'animals';
  return 'surface';
}
