import { type Species } from './species.ts';
import { power } from '../units/exact.ts';

/** How seed goes onto the ground; figures from the catalogue. */
export interface SowingWay {
  id: string;
  /** Share of viable seed that comes up when warm and moist. */
  emergedShare: number;
  /** Seed lies on the ground and nothing covers it: it drinks from the top centimetre and is found by birds. */
  onTop?: boolean;
  /** What gives it its hold: soil over it, the surface alone, or frost that works it in. */
  hold: 'covered' | 'surface' | 'frost';
  /** Thrown under a crop that still stands. */
  undersown?: boolean;
  /** Multiplies the rate for raked seed. */
  rateFactor: number;
}

/** Frost works small seed in and leaves large seed on top: heavier than this, a thousand seeds in grams, it mostly fails. */
const FROST_SOWN_MOST_G = 8;
const FROST_SOWN_FAILS = 0.05;
const SURFACE_TAKE = { easy: 1.15, fair: 0.75, hard: 0.3 } as const;

export const wayShare = (species: Species, way: SowingWay): number => {
  if (way.hold === 'frost')
    return species.seed.thousandSeed_g > FROST_SOWN_MOST_G || species.season === 'warm'
      ? FROST_SOWN_FAILS
      : way.emergedShare;
  // Ways that leave seed uncovered suffer with seed that does not take on the surface.
  return way.hold === 'surface'
    ? Math.min(0.6, way.emergedShare * SURFACE_TAKE[species.seed.takesOnSurface])
    : way.emergedShare;
};

/**
 * Answers: what share of seed comes up at this seed-bed temperature?
 * 1 between germMin + 4 and germOpt + 4, 0.6 at germMin, 0.2 two below, none four below; falling to 0.5 at germOpt + 8 and to
 * 0.2 beyond germOpt + 14. Sources: Angus 1981, Covell 1986, Moot 2000, Tribouillois 2016 (straight lines between their marks).
 */
export function temperatureShare(species: Species, soil_c: number): number {
  const { germMin_c: low, germOpt_c: best } = species.thermal;
  if (soil_c < low - 2) return Math.max(0, 0.2 - (low - 2 - soil_c) * 0.1);
  if (soil_c < low) return 0.6 - (low - soil_c) * 0.2;
  if (soil_c < low + 4) return 0.6 + ((soil_c - low) / 4) * 0.4;
  if (soil_c <= best + 4) return 1;
  return Math.max(0.2, 1 - (soil_c - best - 4) * 0.125);
}

/** Speed of swelling and rooting by seed-zone moisture (share of what it can hold): full at half, half at 0.3, none under 0.15. */
export function moistureRate(share: number): number {
  if (share >= 0.5) return 1;
  if (share >= 0.3) return 0.5 + ((share - 0.3) / 0.2) * 0.5;
  return share <= 0.15 ? 0 : ((share - 0.15) / 0.15) * 0.5;
}

/** Share of the possible stand that comes up when moisture during emergence averaged `mean` (0..1); a dry week keeps about a fifth. */
export const moistureShare = (mean: number): number =>
  0.15 + 0.85 * power(Math.max(0, Math.min(1, mean)), 0.8);
