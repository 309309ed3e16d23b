/**
 * Weighted quantile of a sample: the smallest value whose cumulative weight reaches `p`, interpolated between neighbours
 * at mid-weights (Hazen plotting position). Infinite values sort last and are returned as they are.
 */
export function quantile(values: ArrayLike<number>, p: number, weights?: ArrayLike<number>): number {
  const n = values.length;
  if (n === 0) return Number.POSITIVE_INFINITY;
  const order = Array.from({ length: n }, (_, i) => i).sort((a, b) => values[a]! - values[b]!);
  let total = 0;
  for (let i = 0; i < n; i++) total += weights ? weights[i]! : 1;
  let before = 0;
  let lastAt = 0;
  let lastValue = values[order[0]!]!;
  for (const i of order) {
    const w = weights ? weights[i]! : 1;
    if (w <= 0) continue;
    const at = (before + w / 2) / total;
    const value = values[i]!;
    if (at >= p) {
      if (before === 0 || !Number.isFinite(value) || at === lastAt) return value;
      return lastValue + ((value - lastValue) * (p - lastAt)) / (at - lastAt);
    }
    before += w;
    lastAt = at;
    lastValue = value;
  }
  return lastValue;
}

/** Low, middle and high of a spread: the 10th, 50th and 90th percentiles. */
export interface Spread {
  low: number;
  mid: number;
  high: number;
}

export const spreadOf = (values: ArrayLike<number>, weights?: ArrayLike<number>): Spread => ({
  low: quantile(values, 0.1, weights),
  mid: quantile(values, 0.5, weights),
  high: quantile(values, 0.9, weights),
});

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
