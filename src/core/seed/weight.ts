/** What the packet says or a test showed. Fractions 0..1. */
export interface SeedLot {
  /** Share that lives, hard seed counted. */
  germination: number;
  /** Share that is alive but hard, of all seeds: it sleeps on. */
  hard: number;
  purity: number;
  /** Mass share of a coating. */
  coating: number;
}

/** What seed from a bag is taken for until a label or a test says better: middle of what seed laws ask and merchants print. */
export const USUAL_SEED: SeedLot = { germination: 0.9, hard: 0, purity: 0.98, coating: 0 };

/** Share of a weight of seed that is living seed and comes up this season (pure live seed, less what is hard). */
export const liveShare = (lot: SeedLot): number =>
  (lot.germination - lot.hard) * lot.purity * (1 - lot.coating);

/** Every number on the way from a viable rate to the weight on the scale, in the order it is worked. */
export interface WeightWorking extends SeedLot {
  area_m2: number;
  /** Raked rate for viable seed, before the way of sowing, g/m2. */
  rate_g_m2: number;
  share: number;
  wayFactor: number;
  /** More seed for sowing past the best time; 1 when in time. */
  lateFactor?: number;
  mixFactor: number;
  viable_g: number;
  weigh_g: number;
}

/**
 * Answers: how much of this seed goes on the scale for this area?
 * Equation: weigh = area x rate x share x way factor x lateness x mixture factor / ((germination - hard) x purity x (1 - coating)).
 * Source: pure live seed as in NRCS 340; hard seed is taken off, since it is not up this season; mixture factor as in `viableRate_g_m2`.
 * Worked figure: 9.6 m2 of rye alone at 15.5 g/m2 raked, germination 0.92, purity 0.98, uncoated: 165.0 g.
 */
export function weightFor(parts: Omit<WeightWorking, 'viable_g' | 'weigh_g'>): WeightWorking {
  const viable_g =
    parts.area_m2 *
    parts.rate_g_m2 *
    parts.share *
    parts.wayFactor *
    (parts.lateFactor ?? 1) *
    parts.mixFactor;
  return { ...parts, viable_g, weigh_g: viable_g / liveShare(parts) };
}

/** Equal throws that add up to the weight exactly: whole tenths of a gram, any remainder in the first ones. */
export function portions(weigh_g: number, throws: number): number[] {
  const tenths = Math.round(weigh_g * 10);
  const each = Math.floor(tenths / throws);
  return Array.from({ length: throws }, (_, i) => (each + (i < tenths - each * throws ? 1 : 0)) / 10);
}

/** Seeds whose sizes differ over five times part in one bag and are thrown apart. */
const SORTS_APART = 5;

/** Groups of member indices that can be thrown together, heaviest seed first. */
export function throwGroups(thousandSeed_g: number[]): number[][] {
  const order = thousandSeed_g.map((_, i) => i).sort((a, b) => thousandSeed_g[b]! - thousandSeed_g[a]!);
  const groups: number[][] = [];
  for (const i of order) {
    const last = groups.at(-1);
    if (last && thousandSeed_g[last[0]!]! / thousandSeed_g[i]! <= SORTS_APART) last.push(i);
    else groups.push([i]);
  }
  return groups;
}
