import { quantile } from '../random/quantile.ts';
import { streamOf } from '../random/stream.ts';

// Whether one treatment did otherwise than the control, judged only by how the lots might have fallen.

/** A plot with what was measured on it; the control is treatment 0. */
export interface Measured {
  block: number;
  treatment: number;
  value: number;
}

/** Drawings of the lots that are all gone through; beyond it so many are drawn by chance. */
const MOST_EXACT = 40_000;
const DRAWN = 20_000;
const SEED = 90125;
/** One in twenty drawings or fewer shows it; one in five or fewer makes it likely. Common practice, said in plain words. */
export const SHOWN = 0.05;
const LIKELY = 0.2;
/** The interval holds the differences that nine of ten drawings would not speak against. */
const INTERVAL = 0.1;

export interface Verdict {
  /** Treatment minus control, by the middle of all pairs in a block (Hodges and Lehmann 1963), with an interval. */
  difference: number;
  low: number;
  high: number;
  /** Share of drawings of the lots in which so great a difference turns up by chance alone. */
  p: number;
  /** The least share that so few plots can ever come to. */
  leastP: number;
  says: 'shown' | 'likely' | 'no-sign' | 'cannot' | 'description';
  /** Blocks in which both were measured. */
  blocks: number;
}

/** Pairs of control and treatment in the same block, as differences. */
function blocksOf(plots: readonly Measured[], treatment: number): { a: number[]; b: number[] }[] {
  const blocks = new Map<number, { a: number[]; b: number[] }>();
  for (const p of plots) {
    if (p.treatment !== 0 && p.treatment !== treatment) continue;
    const at = blocks.get(p.block) ?? { a: [], b: [] };
    (p.treatment === 0 ? at.a : at.b).push(p.value);
    blocks.set(p.block, at);
  }
  return [...blocks.values()].filter((k) => k.a.length > 0 && k.b.length > 0);
}

/** Mean over blocks of treatment minus control. */
const statistic = (blocks: { a: number[]; b: number[] }[]): number =>
  blocks.reduce((s, k) => s + mean(k.b) - mean(k.a), 0) / blocks.length;
const mean = (x: readonly number[]): number => x.reduce((a, b) => a + b, 0) / x.length;

/** Every way of picking `k` of `n` places. */
function choose(n: number, k: number): number[][] {
  if (k === 0) return [[]];
  if (n < k) return [];
  return [...choose(n - 1, k - 1).map((c) => [...c, n - 1]), ...choose(n - 1, k)];
}

/** Differences of one block under every drawing that there might have been. */
function drawings({ a, b }: { a: number[]; b: number[] }): number[] {
  const all = [...a, ...b];
  return choose(all.length, b.length).map((places) => {
    const inB = new Set(places);
    const [x, y] = [all.filter((_, i) => !inB.has(i)), all.filter((_, i) => inB.has(i))];
    return mean(y) - mean(x);
  });
}

/** Share of drawings at least as far from nought as the one that was made (two-sided exact permutation test within blocks; Fisher 1935, Pitman 1937). */
export function permutationP(blocks: { a: number[]; b: number[] }[]): number {
  const each = blocks.map(drawings);
  const seen = Math.abs(each.length ? statistic(blocks) * blocks.length : 0);
  const total = each.reduce((n, d) => n * d.length, 1);
  const far = (sum: number) => Math.abs(sum) >= seen - 1e-9;
  if (total > MOST_EXACT) {
    const stream = streamOf(SEED);
    let hits = 0;
    for (let k = 0; k < DRAWN; k++) {
      let sum = 0;
      for (const d of each) sum += d[Math.floor(stream.uniform() * d.length)]!;
      if (far(sum)) hits++;
    }
    return (hits + 1) / (DRAWN + 1);
  }
  let sums = [0];
  for (const d of each) sums = sums.flatMap((s) => d.map((x) => s + x));
  return sums.filter(far).length / sums.length;
}

const shiftedBy = (blocks: { a: number[]; b: number[] }[], by: number) =>
  blocks.map((k) => ({ a: k.a, b: k.b.map((x) => x - by) }));

/** Differences that the lots do not speak against, by halving outwards from the middle. */
function interval(blocks: { a: number[]; b: number[] }[], middle: number): [number, number] {
  const values = blocks.flatMap((k) => [...k.a, ...k.b]);
  const reach = Math.max(1e-9, Math.max(...values) - Math.min(...values)) * 2;
  const edge = (side: 1 | -1): number => {
    if (permutationP(shiftedBy(blocks, middle + side * reach)) > INTERVAL) return side * Infinity;
    let [inner, outer] = [0, reach];
    for (let k = 0; k < 30; k++) {
      const mid = (inner + outer) / 2;
      if (permutationP(shiftedBy(blocks, middle + side * mid)) > INTERVAL) inner = mid;
      else outer = mid;
    }
    return middle + side * inner;
  };
  return [edge(-1), edge(1)];
}

/**
 * Answers: did a treatment do otherwise than the control? Only what the drawing of the lots allows is claimed: with one pair there is a description and no
 * verdict, and where even the plainest outcome of so few plots could not show it, that is said.
 * @param planned false for a comparison that nobody set before looking: it is never more than likely
 */
export function verdictOf(
  plots: readonly Measured[],
  treatment: number,
  planned = true,
): Verdict | undefined {
  const blocks = blocksOf(plots, treatment);
  if (blocks.length === 0) return undefined;
  const pairs = blocks.flatMap((k) => k.a.flatMap((x) => k.b.map((y) => y - x)));
  const difference = quantile(pairs, 0.5);
  const total = blocks.reduce((n, k) => n * drawings(k).length, 1);
  const leastP = Math.min(1, 2 / total);
  if (blocks.length === 1 && total <= 2)
    return {
      difference,
      low: -Infinity,
      high: Infinity,
      p: 1,
      leastP,
      says: 'description',
      blocks: blocks.length,
    };
  const p = permutationP(blocks);
  const [low, high] = interval(blocks, difference);
  const says =
    p <= SHOWN && planned ? 'shown' : p <= LIKELY ? 'likely' : leastP > LIKELY ? 'cannot' : 'no-sign';
  return { difference, low, high, p, leastP, says, blocks: blocks.length };
}

const MOST_BLOCKS = 12;
const TRIED = 300;
/** Eight times in ten is what people plan for. */
const POWER = 0.8;

/**
 * Answers: how many blocks would show a difference of this size eight times in ten? By drawing trials with the spread that was seen between differences
 * of blocks; undefined where twelve would not.
 */
export function blocksToShow(difference: number, spread: number, from = 2): number | undefined {
  if (!(Math.abs(difference) > 0)) return undefined;
  for (let n = Math.max(2, from); n <= MOST_BLOCKS; n++) {
    const stream = streamOf(SEED + n);
    let shown = 0;
    for (let k = 0; k < TRIED; k++) {
      const blocks = Array.from({ length: n }, () => ({
        a: [0],
        b: [difference + spread * stream.normal()],
      }));
      if (signP(blocks.map((b) => b.b[0]!)) <= SHOWN) shown++;
    }
    if (shown / TRIED >= POWER) return n;
  }
  return undefined;
}

/** As `permutationP` for one plot of each in every block, quickly. */
function signP(differences: readonly number[]): number {
  const seen = Math.abs(differences.reduce((a, b) => a + b, 0));
  const n = differences.length;
  let hits = 0;
  const total = 1 << n;
  for (let mask = 0; mask < total; mask++) {
    let sum = 0;
    for (let i = 0; i < n; i++) sum += mask & (1 << i) ? differences[i]! : -differences[i]!;
    if (Math.abs(sum) >= seen - 1e-9) hits++;
  }
  return hits / total;
}

/** Standard deviation of the differences between treatment and control from block to block. */
export function spreadOfBlocks(plots: readonly Measured[], treatment: number): number {
  const d = blocksOf(plots, treatment).map((k) => mean(k.b) - mean(k.a));
  const m = mean(d);
  return d.length < 2 ? NaN : Math.sqrt(d.reduce((s, x) => s + (x - m) * (x - m), 0) / (d.length - 1));
}
