/**
 * Answers: how much nitrogen does this residue give the next crop in about ten warm weeks (or take from it)?
 * Equation: share = 0.225 N% - 0.29, between -0.25 and 0.60, of the residue's nitrogen; left on the surface it gives 0.68 of that.
 * Source: the straight line through the shape of Sullivan and Andrews 2012 (PNW 636); plus or minus 0.10.
 * Worked figure: 10 g N/m2 at 3.5 % N dug in gives 5.0 g/m2; on the surface 3.4.
 */
const SURFACE = 0.68;

export function availableNitrogen_g_m2(dm_g_m2: number, n_g_m2: number, buried: boolean): number {
  if (dm_g_m2 <= 0) return 0;
  const pct = (100 * n_g_m2) / dm_g_m2;
  const share = Math.max(-0.25, Math.min(0.6, 0.225 * pct - 0.29));
  return n_g_m2 * share * (buried || share < 0 ? (buried ? 1 : 0.5) : SURFACE);
}
