/** A size in which seed is sold, and its price in the gardener's own money. */
export interface Pack {
  size_g: number;
  price: number;
}

export interface PackChoice {
  /** How many of each pack, in the order given. */
  counts: number[];
  bought_g: number;
  cost: number;
  left_g: number;
}

/** Weights are counted in steps no finer than this share of what is needed, so that a tonne takes no longer than a packet. */
const MOST_STEPS = 4000;

/**
 * Answers: which packs hold at least this much for the least money, and among equals with the least left over?
 * Method: cheapest cover by dynamic programming over weight in steps of the packs' common measure (integer covering problem, as in
 * Martello and Toth 1990, Knapsack Problems, chapter 3). Packs without a size are left out; with none, nothing can be bought.
 * Worked figure: 1200 g from packs of 250 g at 4 and 1000 g at 11 comes to one of each: 1250 g for 15, 50 g left.
 */
export function cheapestPacks(need_g: number, packs: readonly Pack[]): PackChoice | undefined {
  if (!packs.some((p) => p.size_g > 0)) return undefined;
  if (need_g <= 0) return { counts: packs.map(() => 0), bought_g: 0, cost: 0, left_g: 0 };
  const unit = Math.max(
    packs
      .map((p) => Math.round(p.size_g))
      .filter(Boolean)
      .reduce(gcd),
    need_g / MOST_STEPS,
  );
  const steps = Math.ceil(need_g / unit - 1e-9);
  const sizes = packs.map((p) => Math.floor(p.size_g / unit + 1e-9));
  // best[s]: cheapest way to hold at least s steps; more[s] breaks ties by the weight bought.
  const best = new Float64Array(steps + 1).fill(Infinity);
  const more = new Float64Array(steps + 1);
  const by = new Int32Array(steps + 1).fill(-1);
  best[0] = 0;
  for (let s = 1; s <= steps; s++)
    packs.forEach((p, k) => {
      if (sizes[k]! <= 0) return;
      const before = Math.max(0, s - sizes[k]!);
      const cost = best[before]! + p.price;
      const weight = more[before]! + p.size_g;
      if (cost < best[s]! - 1e-9 || (Math.abs(cost - best[s]!) < 1e-9 && weight < more[s]!)) {
        best[s] = cost;
        more[s] = weight;
        by[s] = k;
      }
    });
  const counts = packs.map(() => 0);
  for (let s = steps; s > 0 && by[s]! >= 0; s = Math.max(0, s - sizes[by[s]!]!)) counts[by[s]!]!++;
  const bought_g = counts.reduce((sum, n, k) => sum + n * packs[k]!.size_g, 0);
  return { counts, bought_g, cost: best[steps]!, left_g: bought_g - need_g };
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
