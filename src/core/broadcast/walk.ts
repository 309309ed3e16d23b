import { type Stream } from '../random/stream.ts';
import { type Cast, type Hand, handfulFactor, land } from './hand.ts';

/** A bed for walking: x along its length from 0 to `length_m`, y across it from 0 to `width_m`. */
export interface Ground {
  length_m: number;
  width_m: number;
}

/** One portion of seed and the way it is walked. */
export interface Portion {
  seeds: number;
  along: boolean;
}

/** Equal portions, every other one crosswise. */
export const crossedPortions = (seeds: number, passes: number): Portion[] =>
  Array.from({ length: passes }, (_, k) => ({
    seeds: Math.floor(seeds / passes) + (k < seeds % passes ? 1 : 0),
    along: k % 2 === 0,
  }));

/** Where a portion is thrown from, step by step: lanes spread evenly over the bed, walked to and fro. */
export function placesOf(ground: Ground, hand: Hand, along: boolean): { x_m: number; y_m: number }[] {
  const [far, wide] = along ? [ground.length_m, ground.width_m] : [ground.width_m, ground.length_m];
  const lanes = Math.max(1, Math.round(wide / hand.lane_m));
  const steps = Math.max(1, Math.round(far / hand.stride_m));
  const places = [];
  for (let l = 0; l < lanes; l++)
    for (let s = 0; s < steps; s++) {
      const u = ((l % 2 === 0 ? s : steps - 1 - s) + 0.5) * (far / steps);
      const v = (l + 0.5) * (wide / lanes);
      places.push(along ? { x_m: u, y_m: v } : { x_m: v, y_m: u });
    }
  return places;
}

/** Handfuls of one portion in the order they are thrown. An unsteady hand empties its bag early or comes back with seed in it. */
export function castsOf(portion: Portion, ground: Ground, hand: Hand, stream: Stream): Cast[] {
  const places = placesOf(ground, hand, portion.along);
  const each = portion.seeds / places.length;
  let left = portion.seeds;
  const casts: Cast[] = [];
  for (const [i, place] of places.entries()) {
    const last = i === places.length - 1;
    const seeds = last ? left : Math.min(left, Math.round(each * handfulFactor(hand, stream)));
    left -= seeds;
    casts.push({ ...place, seeds, along: portion.along });
  }
  return casts;
}

/**
 * Answers: where does every seed of these portions land?
 * @returns x, y pairs in metres, one pair a seed, outside the bed too
 */
export function throwAll(
  portions: readonly Portion[],
  ground: Ground,
  hand: Hand,
  seed_mg: number,
  stream: Stream,
): Float32Array {
  const out = new Float32Array(2 * portions.reduce((s, p) => s + p.seeds, 0));
  let at = 0;
  for (const portion of portions)
    for (const cast of castsOf(portion, ground, hand, stream))
      at = land(cast, hand, seed_mg, stream, out, at);
  return out.subarray(0, at);
}
