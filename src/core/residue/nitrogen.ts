/**
 * Answers: how much nitrogen does this residue give the next crop in about ten warm weeks (or take from it)?
 * Equation: share = 0.85 (1 - C:N/30), between -0.25 and 0.60, of the residue's nitrogen: microbes keep what they need for its carbon. Left on
 * the surface it gives 0.68 of that and ties up half as much.
 * Sources: the break-even of 20-25 in incubations and about 40 over a field season (Trinsoutrot 2000; Vigil and Kissel 1991); Sullivan and
 * Andrews 2012 (PNW 636) for 0.43-0.55 at 3.5 % nitrogen.
 * Deviation: a straight line in C:N for a curve; plus or minus 0.10.
 * Worked figure: 10 g N/m2 at 3.5 % N (C:N 12.3) dug in gives 5.0 g/m2; on the surface 3.4.
 */
export const SURFACE_GIVES = 0.68;
const SURFACE_TIES = 0.5;
const FRESH_GAIN = 0.85;
const BREAK_EVEN_CN = 30;
const CARBON_PCT = 43;

/** Share of the residue's nitrogen gained (or tied up, below 0) in ten warm weeks when it is dug in. */
export const gainShare = (cn: number): number =>
  Math.max(-0.25, Math.min(0.6, FRESH_GAIN * (1 - cn / BREAK_EVEN_CN)));

export function availableNitrogen_g_m2(dm_g_m2: number, n_g_m2: number, buried: boolean): number {
  if (dm_g_m2 <= 0 || n_g_m2 <= 0) return 0;
  const share = gainShare((CARBON_PCT * dm_g_m2) / 100 / n_g_m2);
  return n_g_m2 * share * (buried ? 1 : share < 0 ? SURFACE_TIES : SURFACE_GIVES);
}
