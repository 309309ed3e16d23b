import { type Stream } from '../random/stream.ts';
import { cos, exp, sin } from '../units/exact.ts';

/** How somebody walks and throws. Lengths in metres. */
export interface Hand {
  /** Walked between one handful and the next. */
  stride_m: number;
  /** Width of the fan that a handful makes, outside edges to outside edges (holds about nine seeds of ten). */
  reach_m: number;
  /** Between neighbouring walking lines. */
  lane_m: number;
  /** 0 a machine, 0.3 a careful hand on marked strips, 0.5 a first day. Spreads the size of handfuls and where they are aimed. */
  unsteadiness: number;
  wind_m_s: number;
  /** Where the wind blows to, degrees from the bed's long side towards its width. */
  windTo_deg: number;
}

export const CAREFUL_HAND: Hand = {
  stride_m: 0.7,
  reach_m: 1.3,
  lane_m: 1,
  unsteadiness: 0.3,
  wind_m_s: 0,
  windTo_deg: 90,
};

/** Fan: landing places of one handful are normal across and along the walk; the reach holds nine in ten across. */
const SD_PER_REACH = 1 / (2 * 1.6449);
/** Along the walk a handful lies less wide than across it. */
const ALONG_SHARE = 0.8;
/** Spread of the size of handfuls per unsteadiness (log scale), and of the aim as a share of the reach. */
const SIZE_PER_UNSTEADY = 1.2;
const AIM_PER_UNSTEADY = 0.35;
/** Seconds that seed is in the air, thrown low with a bent back as wind makes people do. */
const FLIGHT_S = 0.25;
/** Gusts: the wind of one throw differs from the mean by this share (standard deviation). */
const GUSTS = 0.4;
/** Seed of this mass, mg, is carried half as far as the air itself moves; heavier seed less, with the root of its mass. */
const HALF_CARRIED_MG = 5;

/** Standard deviation of where seeds of one handful land across the walk, m. */
export const fanSd_m = (hand: Hand): number => hand.reach_m * SD_PER_REACH;

/** How far the wind carries seed sideways, m. Worked figure: clover (2 mg) in 3 m/s goes 0.46 m, beans (450 mg) 0.07 m. */
export const drift_m = (wind_m_s: number, seed_mg: number): number =>
  (wind_m_s * FLIGHT_S) / (1 + Math.sqrt(seed_mg / HALF_CARRIED_MG));

/** Where one handful is thrown from and to. */
export interface Cast {
  x_m: number;
  y_m: number;
  seeds: number;
  /** Walking along the bed's length, or across it. */
  along: boolean;
}

/**
 * Lands one handful: writes x, y of every seed into `out` from entry `at` on. Seeds may land outside the bed.
 * Model: place = where it was aimed + aim error of the handful + fan of the seeds + wind. All normal, independent.
 * @returns the entry after the last one written
 */
export function land(
  cast: Cast,
  hand: Hand,
  seed_mg: number,
  stream: Stream,
  out: Float32Array,
  at: number,
): number {
  const fan = fanSd_m(hand);
  const aim = hand.unsteadiness * AIM_PER_UNSTEADY * hand.reach_m;
  const blown = drift_m(hand.wind_m_s * (1 + GUSTS * stream.normal()), seed_mg);
  const angle = (hand.windTo_deg * Math.PI) / 180;
  const cx = cast.x_m + aim * stream.normal() + (hand.wind_m_s > 0 ? blown * cos(angle) : 0);
  const cy = cast.y_m + aim * stream.normal() + (hand.wind_m_s > 0 ? blown * sin(angle) : 0);
  const sx = cast.along ? fan * ALONG_SHARE : fan;
  const sy = cast.along ? fan : fan * ALONG_SHARE;
  const most = Math.min(cast.seeds, (out.length - at) >> 1);
  for (let i = 0; i < most; i++) {
    out[at++] = cx + sx * stream.normal();
    out[at++] = cy + sy * stream.normal();
  }
  return at;
}

/** A share of what a handful should be: lognormal with mean 1, wider the less steady. */
export function handfulFactor(hand: Hand, stream: Stream): number {
  const sd = hand.unsteadiness * SIZE_PER_UNSTEADY;
  return exp(sd * stream.normal() - (sd * sd) / 2);
}
