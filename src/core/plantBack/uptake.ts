import { exp } from '../units/exact.ts';

/** How a crop takes nitrogen up: a logistic in days from planting, as the catalogue gives it. */
export interface Uptake {
  total_g_m2: number;
  half_d: number;
  spread_d: number;
  end_d: number;
  /** Mineral nitrogen that must be left in the root zone for full yield. */
  leaves_g_m2: number;
}

/**
 * Answers: what share of its nitrogen has a crop taken up after so many days?
 * Equation: L(t) = 1/(1 + e^(-(t - half)/spread)); share = (L(t) - L(0))/(L(end) - L(0)).
 * Source: the shape of Fink 1999 and Feller 2011, whose totals and times the catalogue carries.
 * Worked figure: squash (half 50, spread 11, end 110 days) has 0.11 after four weeks, 0.63 after eight.
 */
export function takenUp(u: Uptake, day: number): number {
  const at = (t: number) => 1 / (1 + exp(-(t - u.half_d) / u.spread_d));
  const t = Math.max(0, Math.min(u.end_d, day));
  return (at(t) - at(0)) / (at(u.end_d) - at(0));
}
