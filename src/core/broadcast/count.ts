import { exp } from '../units/exact.ts';

/** What the gardener counted: seeds in a frame laid down in several places. */
export interface FrameCounts {
  /** Inside area of the frame, m². */
  frame_m2: number;
  counts: number[];
}

export interface CountedRate {
  /** Seeds a square metre: estimate and the range that holds the truth about nine times in ten. */
  seeds_m2: { low: number; mid: number; high: number };
  /** Coefficient of variation between the places counted; undefined under three counts. */
  cv: number | undefined;
}

/** Between frames the density of hand-thrown seed differs by about this share beyond counting noise, before anything is counted. */
const USUAL_CV = 0.5;
/** That expectation counts as much as this many places. */
const USUAL_WEIGHT = 4;
/** Student's t for nine times in ten, by degrees of freedom 1..12; beyond, the normal's. */
const T90 = [6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782];
const t90 = (df: number): number => T90[Math.min(T90.length, Math.floor(df)) - 1] ?? 6.314;

/**
 * Answers: how thick was it thrown, and how sure is that?
 * Equation: mean count over frame area, times or over exp(t s / (mean sqrt(n))): thick spots are few and far over the mean, so that the
 * truth lies above a sample's mean more often than below. The variance s² between frames blends what was counted with what hands usually
 * do, counting noise plus (0.5 mean)², worth four places, so that three lucky counts do not feign certainty.
 * Source: quasi-Poisson sampling with a prior variance (Gelman and others 2013, Bayesian Data Analysis, chapter 3); its coverage is
 * held by simulation in broadcast.test.ts.
 * Worked figure: 5, 9 and 7 seeds in frames of 0.01 m²: 700 a square metre, between 380 and 1280.
 */
export function countedRate({ frame_m2, counts }: FrameCounts): CountedRate | undefined {
  const n = counts.length;
  if (n === 0 || !(frame_m2 > 0)) return undefined;
  const mean = counts.reduce((s, c) => s + c, 0) / n;
  const between = counts.reduce((s, c) => s + (c - mean) * (c - mean), 0);
  // A count of nothing still says that there is little: half a seed keeps the range open.
  const usual = Math.max(mean, 0.5 / n) + USUAL_CV * USUAL_CV * mean * mean;
  const df = USUAL_WEIGHT + n - 1;
  const half = t90(df) * Math.sqrt((USUAL_WEIGHT * usual + between) / df / n);
  const times = exp(half / Math.max(mean, 1 / n));
  return {
    seeds_m2: {
      low: mean / times / frame_m2,
      mid: mean / frame_m2,
      high: (Math.max(mean, 0.5 / n) * times) / frame_m2,
    },
    cv: n >= 3 && mean > 0 ? Math.sqrt(between / (n - 1)) / mean : undefined,
  };
}

export interface ThrowAdvice {
  /** Thrown over meant so far, with its range. */
  ratio: { low: number; mid: number; high: number };
  say: 'on-the-mark' | 'heavy' | 'light' | 'too-unsure';
  /** What the next handfuls should be against those so far. */
  handful: number;
}

/** Hands that were not checked miss what they meant by about this share (standard deviation). */
const USUAL_MISS = 0.3;
/** Within this of the mark nothing is changed. */
const ON_THE_MARK = 0.12;
const LEAST_HANDFUL = 0.4;
const MOST_HANDFUL = 2;

/**
 * Answers: what to do with the rest of the bag, given the counts?
 * The ratio is drawn towards 1 by how unsure it is against how far hands usually miss, 0.3 (shrinkage); the rest of the bag is thrown
 * so that the bed comes to what was meant, as far as the portions left can put it right.
 * @param share_done portions thrown over all portions, more than 0
 */
export function throwAdvice(rate: CountedRate, meant_m2: number, share_done: number): ThrowAdvice {
  const soFar = meant_m2 * share_done;
  const of = (x: number) => x / soFar;
  const ratio = { low: of(rate.seeds_m2.low), mid: of(rate.seeds_m2.mid), high: of(rate.seeds_m2.high) };
  const sd = (ratio.high - ratio.low) / (2 * 1.6449);
  const trust = (USUAL_MISS * USUAL_MISS) / (USUAL_MISS * USUAL_MISS + sd * sd);
  const likely = 1 + (ratio.mid - 1) * trust;
  const rest = 1 - share_done;
  // What is still to come, over what these same handfuls would throw in the rest.
  const wanted = rest > 0 ? (1 - likely * share_done) / (likely * rest) : 1;
  const handful = Math.max(LEAST_HANDFUL, Math.min(MOST_HANDFUL, wanted));
  const off = Math.abs(likely - 1);
  const say =
    off <= ON_THE_MARK
      ? ratio.high - ratio.low > 1
        ? 'too-unsure'
        : 'on-the-mark'
      : likely > 1
        ? 'heavy'
        : 'light';
  return { ratio, say, handful: say === 'heavy' || say === 'light' ? handful : 1 };
}
