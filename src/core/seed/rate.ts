import { type Member } from '../stand/species.ts';

/**
 * Answers: how much viable seed belongs on a square metre, per member?
 * Equation: raked broadcast rate (low end in a good bed on time, midway by default) x way factor x share x mixture factor;
 * a mix with a legume is sown at m = 1.2 of simple replacement, and tall bullies at 0.4 of their share so that the share
 * describes the stand and not the bag (Murrell 2017, Hayden 2014, Poffenbarger 2015, Clark 1994).
 * Worked figure: rye and hairy vetch 40:60 on a raked bed comes to 3.0 g/m2 rye and 2.9 g/m2 vetch.
 */
const MIX_TOGETHER = 1.2;

export const viableRate_g_m2 = (members: Member[], wayFactor: number): number[] =>
  rateParts(members).map((p) => p.rate_g_m2 * p.share * p.mixFactor * wayFactor);

/** The factors of the rate, member by member, for showing the working. */
export function rateParts(members: Member[]): { rate_g_m2: number; share: number; mixFactor: number }[] {
  const mixed = members.length > 1;
  const withLegume = members.some((m) => m.species.role === 'legume');
  return members.map((m) => ({
    rate_g_m2: (m.species.seed.rateBroadcastLow_g_m2 + m.species.seed.rateBroadcastHigh_g_m2) / 2,
    share: mixed ? m.share : 1,
    mixFactor: mixed && withLegume ? MIX_TOGETHER * m.species.mixFactor : 1,
  }));
}

/**
 * Members with the shares of the stand that shares by weight come to: a mix sown at its usual rates has each part's weight in proportion to
 * rate x share x mixture factor. Worked figure: rye and hairy vetch half and half by weight make a stand of 41 and 59 in a hundred.
 */
export function standShares<M extends Member>(byWeight: M[]): M[] {
  const parts = rateParts(byWeight);
  const raw = byWeight.map((m, i) => m.share / (parts[i]!.rate_g_m2 * parts[i]!.mixFactor));
  const sum = raw.reduce((s, x) => s + x, 0);
  return byWeight.map((m, i) => ({ ...m, share: raw[i]! / sum }));
}
