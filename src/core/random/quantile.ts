/**
 * Weighted quantile of a sample: the smallest value whose cumulative weight reaches `p`, interpolated between neighbours
 * at mid-weights (Hazen plotting position). Infinite values sort last and are returned as they are.
 */
export const quantile = (values: ArrayLike<number>, p: number, weights?: ArrayLike<number>): number =>
  quantiles(values, [p], weights)[0]!;

/** Several quantiles for one sorting; `at` ascending. */
function quantiles(values: ArrayLike<number>, at: number[], weights?: ArrayLike<number>): number[] {
  const n = values.length;
  if (n === 0) return at.map(() => Number.POSITIVE_INFINITY);
  return weights ? weighted(values, at, weights) : even(inOrder(values), at);
}

let sorting = new Float64Array(256);

/** The values from low to high, in room that the next call writes over. */
function inOrder(values: ArrayLike<number>): Float64Array {
  if (sorting.length < values.length) sorting = new Float64Array(2 * values.length);
  sorting.set(values);
  return sorting.subarray(0, values.length).sort();
}

function even(sorted: Float64Array, at: number[]): number[] {
  const n = sorted.length;
  return at.map((p) => {
    const x = p * n - 0.5;
    if (x <= 0) return sorted[0]!;
    const i = Math.floor(x);
    if (i >= n - 1) return sorted[n - 1]!;
    const low = sorted[i]!;
    const high = sorted[i + 1]!;
    if (x === i || low === high) return low;
    return Number.isFinite(high) ? low + (high - low) * (x - i) : high;
  });
}

function weighted(values: ArrayLike<number>, at: number[], weights: ArrayLike<number>): number[] {
  const order = Array.from({ length: values.length }, (_, i) => i)
    .filter((i) => weights[i]! > 0)
    .sort((a, b) => values[a]! - values[b]!);
  let total = 0;
  for (const i of order) total += weights[i]!;
  return at.map((p) => {
    let before = 0;
    let lastAt = 0;
    let lastValue = values[order[0]!]!;
    for (const i of order) {
      const w = weights[i]!;
      const here = (before + w / 2) / total;
      const value = values[i]!;
      if (here >= p) {
        if (before === 0 || !Number.isFinite(value) || here === lastAt) return value;
        return lastValue + ((value - lastValue) * (p - lastAt)) / (here - lastAt);
      }
      before += w;
      lastAt = here;
      lastValue = value;
    }
    return lastValue;
  });
}

/** Low, middle and high of a spread: the 10th, 50th and 90th percentiles. */
export interface Spread {
  low: number;
  mid: number;
  high: number;
}

const SPREAD_AT = [0.1, 0.5, 0.9];

export function spreadOf(values: ArrayLike<number>, weights?: ArrayLike<number>): Spread {
  const [low, mid, high] = quantiles(values, SPREAD_AT, weights);
  return { low: low!, mid: mid!, high: high! };
}

/** Weighted share of members for which `holds` is true, 0..1. */
export function shareOf(n: number, holds: (i: number) => boolean, weights?: ArrayLike<number>): number {
  let yes = 0;
  let total = 0;
  for (let i = 0; i < n; i++) {
    const w = weights ? weights[i]! : 1;
    total += w;
    if (holds(i)) yes += w;
  }
  return total > 0 ? yes / total : 0;
}

export function meanOf(values: ArrayLike<number>, weights?: ArrayLike<number>): number {
  let sum = 0;
  let total = 0;
  for (let i = 0; i < values.length; i++) {
    const w = weights ? weights[i]! : 1;
    sum += w * values[i]!;
    total += w;
  }
  return total > 0 ? sum / total : 0;
}
