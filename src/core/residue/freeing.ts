import { type DayIndex } from '../calendar/day.ts';
import { decayWarmth, type Season } from '../weather/season.ts';
import { higher } from '../units/bounds.ts';
import { exp } from '../units/exact.ts';
import { BURIED_TIMES, carbonToNitrogen, decayRate } from './decay.ts';

/**
 * Answers: how much of the nitrogen in what lies is free, or tied up, on each day?
 * Microbes build the carbon that rots into themselves at a share y, take the nitrogen they need for it, and free it as they die:
 *   dC = C (1 - e^-k), dN = N (1 - e^-k);  dB = B (1 - e^(-0.016 fT/0.6));
 *   free += dN - y dC/6.5 + 0.67 dB/6.5;  humus += 0.33 dB/6.5;  B += y dC - dB;  y = max(0.15, 0.375 - 0.15 max(0, C:N - 20)/50)
 * k decay of the day by C:N, two and a half times as fast when buried · fT warmth after Stroo 1989.
 * Sources: the structure of Nicolardot, Recous and Mary 2001; constants fitted to incubations with the break-even at C:N 20-25 (Trinsoutrot 2000). N + B/6.5 +
 * humus + free = what was there, always.
 * Deviation: above C:N 40 real straw ties up more than this does. Plus or minus a third below 30.
 * Worked figure: dug in at C:N 12 and 20 °C, always moist, 0.35 of it is free in four weeks and 0.57 in ten; at C:N 30 it is 0.21 in debt after four.
 */
export interface Freeing {
  c: number;
  n: number;
  microbes: number;
  humus: number;
  /** Free so far, g/m2; below 0 while more is tied up. */
  free: number;
  /** Decay of a day at full warmth and wetness. */
  rate: number;
  builds: number;
}

const CARBON_SHARE = 0.43;
const MICROBE_CN = 6.5;
const TURNOVER = 0.016;
const AT_20_C = 0.6;
const TO_HUMUS = 0.33;
const BUILDS_MOST = 0.375;
const BUILDS_LEAST = 0.15;

/** @param times how much faster than whole stems it rots */
export function startFreeing(dm_g_m2: number, n_g_m2: number, buried: boolean, times = 1): Freeing {
  const cn = carbonToNitrogen(dm_g_m2, n_g_m2);
  return {
    c: dm_g_m2 * CARBON_SHARE,
    n: n_g_m2,
    microbes: 0,
    humus: 0,
    free: 0,
    rate: decayRate(cn) * times * (buried ? BURIED_TIMES : 1),
    builds: higher(BUILDS_LEAST, BUILDS_MOST - (0.15 * higher(0, cn - 20)) / 50),
  };
}

/** One day. @param decay share of full warmth and wetness for what rots; @param warmth fT for the microbes */
export function freeDay(f: Freeing, decay: number, warmth: number): void {
  const gone = 1 - exp(-f.rate * decay);
  const dC = f.c * gone;
  const dN = f.n * gone;
  const dies = f.microbes * (1 - exp((-TURNOVER * warmth) / AT_20_C));
  f.c -= dC;
  f.n -= dN;
  f.microbes += f.builds * dC - dies;
  f.humus += (TO_HUMUS * dies) / MICROBE_CN;
  f.free += dN - (f.builds * dC) / MICROBE_CN + ((1 - TO_HUMUS) * dies) / MICROBE_CN;
}

/** As `freeDay`, by the weather of day `d`. */
export const freeOn = (f: Freeing, season: Season, d: DayIndex): void =>
  freeDay(f, season.decay[d + 1]! - season.decay[d]!, decayWarmth(season.mean_c[d]!));

/** Nitrogen still in residue, microbes and humus, g/m2. */
export const heldBy = (f: Freeing): number => f.n + f.microbes / MICROBE_CN + f.humus;
