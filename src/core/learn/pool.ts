import { power } from '../units/exact.ts';

/**
 * One result of one cover: how far it lay from the book, with its own error. `kind` and `bed` are what it shares with others.
 */
export interface Result {
  kind: string;
  y: number;
  /** Variance of the result itself: what was seen was seen roughly. */
  variance: number;
  /** Years since; old results count for less. */
  ago_y: number;
}

/** How the spread that the book allows is shared out: between gardens, between kinds in one garden, and between covers of a kind. Shares of its variance. */
export interface Split {
  garden: number;
  kind: number;
  cover: number;
}

export interface Pooled {
  mean: number;
  sd: number;
}

/** A result of so many years ago counts half. Seed, soil and hands change. */
export const HALF_LIFE_Y = 6;

/**
 * Answers: how far does this garden lie from the book, and each kind in it?
 * Equation: y = g + k + e with normal g, k and e of known variance (normal-normal with partial pooling; Gelman and Hill 2007, chapter 12): the joint
 * posterior of g and all k is exact, by elimination, since each kind is tied to the garden alone. A result weighs less by half every six years.
 * @param spread standard deviation that the book allows one cover
 */
export function pool(
  results: readonly Result[],
  spread: number,
  split: Split,
): {
  garden: Pooled;
  kind(id: string): Pooled;
  /** What a next cover of a kind is to be expected to do: its middle, and its spread with chance in it. */
  next(id: string): Pooled;
} {
  const v = spread * spread;
  const [vg, vk, ve] = [v * split.garden, v * split.kind, v * split.cover];
  const kinds = new Map<string, { precision: number; sum: number }>();
  for (const r of results) {
    const weight = power(0.5, r.ago_y / HALF_LIFE_Y);
    const precision = weight / (ve + r.variance);
    const at = kinds.get(r.kind) ?? { precision: 0, sum: 0 };
    at.precision += precision;
    at.sum += precision * r.y;
    kinds.set(r.kind, at);
  }
  // Each kind tells of the garden what is left once its own deviation is integrated out.
  let gardenPrecision = 1 / vg;
  let gardenSum = 0;
  for (const k of kinds.values()) {
    const mean = k.sum / k.precision;
    const p = 1 / (vk + 1 / k.precision);
    gardenPrecision += p;
    gardenSum += p * mean;
  }
  const garden = { mean: gardenSum / gardenPrecision, sd: Math.sqrt(1 / gardenPrecision) };
  const kind = (id: string): Pooled => {
    const k = kinds.get(id);
    const vGarden = garden.sd * garden.sd;
    if (!k) return { mean: garden.mean, sd: Math.sqrt(vGarden + vk) };
    // Given the garden: the kind's deviation has its prior and its own results. Then the garden's own doubt is put back.
    const within = 1 / (1 / vk + k.precision);
    const slope = 1 - within * k.precision;
    const mean = garden.mean * slope + within * k.sum;
    return { mean, sd: Math.sqrt(within + slope * slope * vGarden) };
  };
  return {
    garden,
    kind,
    next: (id) => {
      const k = kind(id);
      return { mean: k.mean, sd: Math.sqrt(k.sd * k.sd + ve) };
    },
  };
}
