import { type Ground } from './walk.ts';

/** Seeds in every square of a grid over the bed, row by row along its length. */
export interface Grid {
  columns: number;
  rows: number;
  square_m2: number;
  counts: Uint32Array;
  /** Seeds that fell outside. */
  outside: number;
}

/** Squares of about `side_m` that fill the bed exactly, with what landed in each. */
export function countSquares(places: ArrayLike<number>, ground: Ground, side_m: number): Grid {
  const columns = Math.max(1, Math.round(ground.length_m / side_m));
  const rows = Math.max(1, Math.round(ground.width_m / side_m));
  const counts = new Uint32Array(columns * rows);
  let outside = 0;
  for (let i = 0; i + 1 < places.length; i += 2) {
    const c = Math.floor((places[i]! / ground.length_m) * columns);
    const r = Math.floor((places[i + 1]! / ground.width_m) * rows);
    if (c < 0 || r < 0 || c >= columns || r >= rows) outside++;
    else counts[r * columns + c]!++;
  }
  return { columns, rows, counts, outside, square_m2: (ground.length_m * ground.width_m) / (columns * rows) };
}

export interface Evenness {
  /** Seeds a square metre, mean over the bed. */
  mean_m2: number;
  /** Coefficient of variation between quarter-square-metre squares. */
  cv: number;
  /** The least any hand or machine can reach: counting noise alone, 1/sqrt(mean count). */
  leastCv: number;
  /** Share of hand-sized squares (10 cm) without a seed. */
  bareShare: number;
  /** Share of quarter-metre squares with under half of the mean. */
  thinShare: number;
  /** Share of the seed that fell beside the bed. */
  lostShare: number;
}

/** Side of the squares that evenness is told in, m: a quarter of a square metre, as field trials count. */
export const FIELD_SIDE_M = 0.5;
/** ... and of those that are called bare. */
export const HAND_SIDE_M = 0.1;

/** Answers: how evenly does it lie? Definitions as in `Evenness`; spreaders are judged the same way (ASABE S341). */
export function evennessOf(places: ArrayLike<number>, ground: Ground): Evenness {
  const field = countSquares(places, ground, FIELD_SIDE_M);
  const fine = countSquares(places, ground, HAND_SIDE_M);
  const n = field.counts.length;
  const mean = field.counts.reduce((s, c) => s + c, 0) / n;
  const variance = field.counts.reduce((s, c) => s + (c - mean) * (c - mean), 0) / Math.max(1, n - 1);
  return {
    mean_m2: mean / field.square_m2,
    cv: mean > 0 ? Math.sqrt(variance) / mean : 0,
    leastCv: mean > 0 ? 1 / Math.sqrt(mean) : 0,
    bareShare: fine.counts.filter((c) => c === 0).length / fine.counts.length,
    thinShare: field.counts.filter((c) => c < mean / 2).length / n,
    lostShare: places.length > 0 ? (field.outside * 2) / places.length : 0,
  };
}

/**
 * Share of the stand's bulk that unevenness costs: CV² r / (1 + r)², r the mean density over the density of half yield, from
 * W = Wmax D/(D + K) to second order. Worked figure: CV 0.5 at r 2 costs 5.6 %.
 */
export const lostToUnevenness = (cv: number, r: number): number => (cv * cv * r) / ((1 + r) * (1 + r));

/** CV of several independent throws over the same bed: what differs each time shrinks with their number, what is built in does not. */
export const cvOfPasses = (builtIn: number, eachTime: number, passes: number): number =>
  Math.sqrt(builtIn * builtIn + (eachTime * eachTime) / passes);

export type Verdict = 'even' | 'fair' | 'patchy' | 'poor';
/** Spreaders are called good under 20 %; a hand does well under 35. */
export const verdictOf = (cv: number): Verdict =>
  cv <= 0.25 ? 'even' : cv <= 0.38 ? 'fair' : cv <= 0.55 ? 'patchy' : 'poor';
