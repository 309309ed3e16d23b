import { exp, ln, power } from '../units/exact.ts';

// How far a count of crowns proves that a stand is dead, and what to do at each count.

export type LookedAt = 'cut' | 'crimped' | 'flamed' | 'sheet' | 'grazed' | 'frost' | 'dug';

/** Pass of an ending, and how its traces are looked at. */
export const LOOKED_AT: Record<string, LookedAt> = {
  cut: 'cut',
  mow: 'cut',
  flail: 'cut',
  'rake-off': 'cut',
  hoe: 'cut',
  pull: 'cut',
  crimp: 'crimped',
  flame: 'flamed',
  'lay-sheet': 'sheet',
  'lay-cardboard': 'sheet',
  'lay-film': 'sheet',
  'lift-sheet': 'sheet',
  hens: 'grazed',
  pigs: 'grazed',
  graze: 'grazed',
  dig: 'dug',
  bury: 'dug',
  'compost-over': 'dug',
  check: 'frost',
};

/** Days after the pass at which it pays to look, at 19 °C mean; colder, they stretch. */
const LOOKS_D: Record<LookedAt, [number, number]> = {
  cut: [7, 14],
  crimped: [7, 14],
  flamed: [4, 9],
  sheet: [12, 20],
  grazed: [5, 12],
  frost: [10, 21],
  dug: [10, 20],
};
/** Chance that a dying crown looks alive, and that a living one shows, on days 3, 7, 14 and 21 (judgement). */
const FALSE_GREEN: Partial<Record<LookedAt, [number, number][]>> = {
  cut: [
    [0.15, 0.35],
    [0.1, 0.7],
    [0.03, 0.95],
    [0.02, 0.98],
  ],
  crimped: [
    [0.8, 0.6],
    [0.45, 0.75],
    [0.1, 0.92],
    [0.03, 0.97],
  ],
  flamed: [
    [0.05, 0.4],
    [0.05, 0.85],
    [0.02, 0.97],
    [0.02, 0.98],
  ],
  sheet: [
    [0.95, 1],
    [0.5, 1],
    [0.2, 0.95],
    [0.08, 0.92],
  ],
  frost: [
    [0.3, 0.6],
    [0.15, 0.8],
    [0.05, 0.95],
    [0.03, 0.97],
  ],
};
const MARKS_D = [3, 7, 14, 21];

/** How many times longer things take at this mean temperature than at 19 °C. */
export const clock = (mean_c: number): number => power(2, (19 - Math.max(2, mean_c)) / 10);

/** Days after the pass on which to look, at this warmth. */
export const lookDays = (way: LookedAt, mean_c: number): [number, number] => {
  const times = clock(mean_c);
  return [Math.round(LOOKS_D[way][0] * times), Math.round(LOOKS_D[way][1] * times)];
};

/** False green and shown living on a day, counted at 19 °C. Green is never a sign of death: a living crown looks alive at least as often as a dying one. */
export function sureness(way: LookedAt, days19: number): [falseGreen: number, shows: number] {
  const [falseGreen, shows] = table(way, days19);
  return [falseGreen, Math.max(falseGreen, shows)];
}

function table(way: LookedAt, days19: number): [number, number] {
  const rows = FALSE_GREEN[way] ?? FALSE_GREEN.cut!;
  if (days19 <= MARKS_D[0]!) return rows[0]!;
  for (let i = 1; i < MARKS_D.length; i++)
    if (days19 <= MARKS_D[i]!) {
      const t = (days19 - MARKS_D[i - 1]!) / (MARKS_D[i]! - MARKS_D[i - 1]!);
      const [a, b] = [rows[i - 1]!, rows[i]!];
      return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
    }
  return rows.at(-1)!;
}

/** Crowns close to each other fare alike: ten count as some five. */
const ALIKE = 0.1;
const GRID = 200;
/** How much a forecast of survivors counts, in crowns. */
const PRIOR_CROWNS = 8;

/**
 * Answers: how likely is it that more than `limit` of the plants live, when `green` of `of` crowns looked alive?
 * Prior Beta(p0 n0, (1 - p0) n0) with n0 = 8 from what had been worked out; a crown looks alive with r = p s + (1 - p) f; crowns of a patch are alike
 * (n / (1 + (n - 1) 0.1)). Worked figure: prior 0.10, a sure look, 3 of ten alive: over a tenth with 0.9 of surety when crowns are not alike.
 */
export function oddsOver(
  limit: number,
  prior: number,
  green: number,
  of: number,
  [falseGreen, shows]: readonly [number, number],
  alike = ALIKE,
): number {
  const p0 = Math.max(0.01, Math.min(0.99, prior));
  const [a, b] = [p0 * PRIOR_CROWNS, (1 - p0) * PRIOR_CROWNS];
  const scale = of > 0 ? 1 / (1 + (of - 1) * alike) : 0;
  let over = 0;
  let all = 0;
  for (let i = 0; i < GRID; i++) {
    const p = (i + 0.5) / GRID;
    const r = Math.max(1e-9, Math.min(1 - 1e-9, p * shows + (1 - p) * falseGreen));
    const log = (a - 1) * ln(p) + (b - 1) * ln(1 - p) + scale * (green * ln(r) + (of - green) * ln(1 - r));
    const w = exp(log);
    all += w;
    if (p > limit) over += w;
  }
  return all > 0 ? over / all : 0;
}

export type AtCount = 'dead' | 'look-again' | 'plan-b' | 'too-late';

/** Share of plants alive over which a way has failed. */
const FAILED = 0.1;

const NO_HURRY_D = 8;
/** Surety asked before the plan is changed: the less time there is for another look, the less. */
const askedSurety = (slack_d: number): number =>
  slack_d > 14 ? 0.8 : slack_d > 7 ? 0.6 : slack_d > 3 ? 0.4 : 0.25;

/**
 * What to do at a count.
 * @param slack_d days to planting that are left when plan B has had the days it takes; below nothing it no longer fits
 */
export function atCount(
  green: number,
  of: number,
  prior: number,
  sure: readonly [number, number],
  slack_d: number,
): AtCount {
  const failed = oddsOver(FAILED, prior, green, of, sure);
  // Where no other way fits any more, nothing is won by deciding early.
  if (failed >= askedSurety(slack_d < 0 ? NO_HURRY_D : slack_d)) return slack_d < 0 ? 'too-late' : 'plan-b';
  // No dying crown looks alive any more, and none was: done as far as ten can tell.
  return green === 0 && sure[0] <= 0.15 && failed < 0.25 ? 'dead' : 'look-again';
}

/** Where ten crowns are pulled: zigzag along the bed, two of them within a hand of an edge. Shares of length and width. */
export const tenPlaces = (): { along: number; across: number; edge: boolean }[] =>
  Array.from({ length: 10 }, (_, i) => ({
    along: (i + 0.5) / 10,
    across: i === 3 || i === 7 ? (i === 3 ? 0.03 : 0.97) : i % 2 === 0 ? 0.28 : 0.72,
    edge: i === 3 || i === 7,
  }));
