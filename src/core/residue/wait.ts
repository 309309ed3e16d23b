import { type DayIndex } from '../calendar/day.ts';
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
  /** Days from planting to clearing, least and most. */
  days?: readonly number[];
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
  const { flat, pests, rots, check } = waitParts20(handling, cn, crop, smallSeedWait_d);
  return Math.max(flat, pests, rots, check);
}

/** Waits that run at the same time, days at 20 °C soil; 0 where one does not arise. */
export interface WaitParts {
  /** Tops that were laid on the bed wilt and settle, so that plants stand in soil and not in a springy mat. */
  flat: number;
  /** What lives in green residue and eats seed, above all the maggot of the bean seed fly, has come out and gone. */
  pests: number;
  /** What lies has rotted or dried enough for this crop; with it goes the worst of the tie-up. */
  rots: number;
  /** What the residue gives off no longer holds small seed back. */
  check: number;
}

/** The waits behind it. The longest of them is the wait; the flies of green residue take ten days, a fresh mat four to settle. */
export function waitParts20(
  handling: Handling,
  cn: number,
  crop: NextCrop,
  smallSeedWait_d: number,
): WaitParts {
  const kind =
    crop.way === 'transplant' ? 0 : crop.seedSize === 'large' || crop.seedSize === 'medium' ? 1 : 2;
  const small = kind === 2 ? smallSeedWait_d : 0;
  const softens = (d20: readonly number[], check: number): WaitParts => ({
    flat: 0,
    pests: 0,
    rots: d20[kind]!,
    check,
  });
  if (handling === 'winterkilled') return softens([0, 0, 2], small * 0.15);
  if (handling === 'sheet') return softens([2, 3, 5], small * 0.4);
  if (handling === 'compost') return softens([1, 2, 4], 0);
  if (handling === 'removed') return softens([2, 5, 7], small * 0.3);
  if (handling === 'animals') return softens([7, 14, 24], small);
  // A crop that feeds itself does not feel what straw ties up: it waits as after soft residue.
  const felt = crop.fixesShare >= FEEDS_ITSELF ? Math.min(cn, TIES_FROM_CN) : cn;
  const rots =
    handling === 'surface'
      ? betweenRows(felt, ON_TOP.at, ON_TOP.rows)
      : betweenRows(cn, DUG_IN.at, DUG_IN.rows);
  const whole = rots[kind]!;
  const flat = handling === 'surface' ? Math.min(whole, SETTLES_D20) : 0;
  const pests = kind > 0 ? Math.min(whole, FLIES_GONE_D20) : 0;
  // What is no longer than those is they.
  return { flat, pests, rots: whole > Math.max(flat, pests) ? whole : 0, check: small };
}

/** A fresh mat settles in so many days at 20 °C; the generation of seed flies that green residue feeds is through in so many (practice; Hammond 1990 in warmth). */
const SETTLES_D20 = 4;
const FLIES_GONE_D20 = 10;
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

function betweenRows(cn: number, at: DayIndex[], rows: number[][]): number[] {
  if (cn <= at[0]!) return rows[0]!;
  for (let i = 1; i < at.length; i++) {
    if (cn > at[i]!) continue;
    const share = (cn - at[i - 1]!) / (at[i]! - at[i - 1]!);
    return rows[i]!.map((v, k) => rows[i - 1]![k]! + share * (v - rows[i - 1]![k]!));
  }
  return rows.at(-1)!;
}
