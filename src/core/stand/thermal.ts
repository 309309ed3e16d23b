import { type Season } from '../weather/season.ts';
import { type Species } from './species.ts';

/**
 * Answers: how much does one day's warmth do, 0..1 of the best?
 * Equation: mean over eight equal times of day of the triangle (T - base)/(opt - base) up to the optimum and (max - T)/(max - opt)
 * above it, temperature following a sine between the night's low and the afternoon's high.
 * Degree-days of the day are the result times (opt - base).
 * Source: Angus and others 1981 for the linear response; the eight-part sine is the usual sub-daily approximation.
 * Worked figure: rye (0, 20, 31 °C) on a steady 10 °C day gives 0.5, that is 10 °C d.
 */
const HALF_SINES = [0.195, 0.556, 0.831, 0.981];

export function warmthOfDay(thermal: Species['thermal'], tmin_c: number, tmax_c: number): number {
  const mean = (tmin_c + tmax_c) / 2;
  const half = (tmax_c - tmin_c) / 2;
  const widest = half * HALF_SINES[3]!;
  // All of the day on the rising side: its highs and lows even out.
  if (mean - widest >= thermal.base_c && mean + widest <= thermal.opt_c)
    return (mean - thermal.base_c) / (thermal.opt_c - thermal.base_c);
  let sum = 0;
  for (let i = 0; i < 4; i++) {
    const swing = half * HALF_SINES[i]!;
    sum += triangle(thermal, mean + swing) + triangle(thermal, mean - swing);
  }
  return sum / 8;
}

function triangle(t: Species['thermal'], temperature_c: number): number {
  if (temperature_c <= t.base_c || temperature_c >= t.max_c) return 0;
  if (temperature_c <= t.opt_c) return (temperature_c - t.base_c) / (t.opt_c - t.base_c);
  return (t.max_c - temperature_c) / (t.max_c - t.opt_c);
}

/** Warmth of every day of a season for one kind of response; worked out once, whatever number of plans asks. */
export function warmthOf(season: Season, thermal: Species['thermal']): Float32Array {
  const key = `${thermal.base_c},${thermal.opt_c},${thermal.max_c}`;
  let found = season.warmth.get(key);
  if (!found) {
    found = new Float32Array(season.days);
    for (let d = 0; d < season.days; d++)
      found[d] = warmthOfDay(thermal, season.tmin_c[d]!, season.tmax_c[d]!);
    season.warmth.set(key, found);
  }
  return found;
}
