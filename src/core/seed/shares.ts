/** Shares of a mix by weight from its shares by number of seeds; both add up to 1. */
export const massShares = (countShares: readonly number[], thousandSeed_g: readonly number[]): number[] =>
  scaled(countShares.map((c, i) => c * thousandSeed_g[i]!));

/** Shares by number of seeds from shares by weight. Worked figure: rye (25 g) and vetch (30 g) half and half by weight: 55 : 45 seeds. */
export const countShares = (massShare: readonly number[], thousandSeed_g: readonly number[]): number[] =>
  scaled(massShare.map((m, i) => m / thousandSeed_g[i]!));

function scaled(parts: number[]): number[] {
  const sum = parts.reduce((s, p) => s + p, 0);
  return sum > 0 ? parts.map((p) => p / sum) : parts.map(() => 1 / parts.length);
}

/** Sets one share and moves the others in proportion, so that all still add up to 1. */
export function withShare(shares: readonly number[], at: number, share: number): number[] {
  const rest = shares.reduce((s, p, i) => (i === at ? s : s + p), 0);
  return shares.map((p, i) =>
    i === at ? share : rest > 0 ? (p / rest) * (1 - share) : (1 - share) / (shares.length - 1),
  );
}
