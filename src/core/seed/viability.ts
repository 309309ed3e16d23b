import { type Species } from '../stand/species.ts';
import { power } from '../units/exact.ts';

/** A sprouting test: how many of how many seeds grew. */
export interface SproutTest {
  sown: number;
  sprouted: number;
}

/** Normal quantile of a range that holds nine times in ten. */
const Z90 = 1.6449;

/**
 * Answers: between which shares does the true germination lie, nine times in ten, after this test?
 * Equation: Wilson's score interval for a binomial share. Source: Wilson 1927, Journal of the American Statistical Association 22:209.
 * Worked figure: 40 of 50 sprouted: 0.80, between 0.69 and 0.88.
 */
export function germinationRange(test: SproutTest): { low: number; mid: number; high: number } {
  const n = test.sown;
  const p = test.sprouted / n;
  const z2 = Z90 * Z90;
  const centre = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z90 / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  return { low: Math.max(0, centre - half), mid: p, high: Math.min(1, centre + half) };
}

/** Germination of fresh, untested seed, middle of what seed laws and merchants see. */
const FRESH: Record<Species['role'], number> = { grass: 0.92, legume: 0.85, brassica: 0.88, broadleaf: 0.8 };

/**
 * Answers: what share of this seed will come up, as far as can be known without sowing it?
 * Equation: the test's share, or that of fresh seed of its kind, times keeping^(years since). Hard seed sleeps on and is taken off
 * by the caller as part of the test (only what sprouted counts).
 * Source: keeping by kind as in the catalogue's notes on old seed; low confidence, a test is always better.
 */
export function germinationNow(
  species: Pick<Species, 'role' | 'seed'>,
  years: number,
  test?: SproutTest,
): number {
  const start = test ? germinationRange(test).mid : FRESH[species.role];
  return start * power(species.seed.keepsPerYear, Math.max(0, years));
}
