/** What follows the cover. */
export interface NextCrop {
  id: string;
  name: string;
  family: string;
  /** What it asks of the ground: less what it takes from the air itself. */
  nitrogenNeed_g_m2: number;
  /** Share of all its nitrogen that it takes from the air. */
  fixesShare: number;
  /** Grown for its root. */
  root: boolean;
  seedSize: 'tiny' | 'small' | 'medium' | 'large';
  soilMin_c: number;
  residueTolerance: number;
  way: 'transplant' | 'seed';
}

export type Handling = 'surface' | 'buried' | 'sheet' | 'winterkilled' | 'compost' | 'removed' | 'animals';

/**
 * Answers: how long must the bed lie before this crop planted this way, in days at 20 °C soil? It counts from the last pass that surely kills a stand
 * left on top (a crop can go in while it browns), from death under a sheet or by frost, from the turning where it is dug in.
 * Table: middles of the usual advice by handling, C:N and seed. Warmth scales it (see Season.mellowing), cold at most triples it.
 * Sources: Clark (SARE) 2007; Dabney 1996; Teasdale 2012; grower practice. Green-bridge pests want ten days before any seed, and
 * kinds whose residue holds seedlings back name their own least wait for small seed.
 * Small seed after straw left on top: two to four weeks (Teasdale 2012; Rice 2012: what rye gives off is gone in 10-14 days).
 * Worked figure: transplants through a fresh vetch mat, 4 days; small seed after it, 24.
 */
export function waitDays20(handling: Handling, cn: number, crop: NextCrop, smallSeedWait_d: number): number {
  const { rots, check } = waitParts20(handling, cn, crop, smallSeedWait_d);
  return Math.max(rots, check);
}

/**
 * The two waits behind it, which run at the same time: until what lies has rotted or dried enough for this crop (with it go the pests of green residue and
 * the worst of the tie-up), and until what the residue gives off no longer holds small seed back. Days at 20 °C soil.
 */
export function waitParts20(
  handling: Handling,
  cn: number,
  crop: NextCrop,
  smallSeedWait_d: number,
): { rots: number; check: number } {
  const kind =
    crop.way === 'transplant' ? 0 : crop.seedSize === 'large' || crop.seedSize === 'medium' ? 1 : 2;
  const small = kind === 2 ? smallSeedWait_d : 0;
  if (handling === 'winterkilled') return { rots: [0, 0, 2][kind]!, check: small * 0.15 };
  if (handling === 'sheet') return { rots: [2, 3, 5][kind]!, check: small * 0.4 };
  if (handling === 'compost') return { rots: [1, 2, 4][kind]!, check: 0 };
  if (handling === 'removed') return { rots: [2, 5, 7][kind]!, check: small * 0.3 };
  if (handling === 'animals') return { rots: [7, 14, 24][kind]!, check: small };
  // A crop that feeds itself does not feel what straw ties up: it waits as after soft residue.
  const felt = crop.fixesShare >= FEEDS_ITSELF ? Math.min(cn, TIES_FROM_CN) : cn;
  const rots =
    handling === 'surface'
      ? betweenRows(felt, ON_TOP.at, ON_TOP.rows)
      : betweenRows(cn, DUG_IN.at, DUG_IN.rows);
  return { rots: rots[kind]!, check: small };
}

/** Days at 20 °C by C:N for transplants, large seed and small seed. */
const ON_TOP = {
  at: [20, 30],
  rows: [
    [4, 9, 24],
    [4, 12, 30],
  ],
};
const DUG_IN = {
  at: [12, 20, 32, 50],
  rows: [
    [8, 12, 18],
    [12, 16, 21],
    [21, 24, 32],
    [35, 42, 49],
  ],
};

/** Share from the air above which a crop counts as feeding itself, and C:N from which residue ties nitrogen up. */
const FEEDS_ITSELF = 0.4;
const TIES_FROM_CN = 20;

function betweenRows(cn: number, at: number[], rows: number[][]): number[] {
  if (cn <= at[0]!) return rows[0]!;
  for (let i = 1; i < at.length; i++) {
    if (cn > at[i]!) continue;
    const share = (cn - at[i - 1]!) / (at[i]! - at[i - 1]!);
    return rows[i]!.map((v, k) => rows[i - 1]![k]! + share * (v - rows[i - 1]![k]!));
  }
  return rows.at(-1)!;
}
