import { exp, power } from '../units/exact.ts';
import { tableOf } from '../units/table.ts';

/**
 * Answers: how fast does residue of this C:N go, and how much ground does it cover?
 * dM/dt = -k min(fT, fW) M, k by C:N (a smooth line through 0.046 at 12, 0.031 at 20, 0.017 at 32, 0.012 at 50);
 * buried residue goes 2.5 times as fast. Ground cover = 1 - exp(-Am M), M in t/ha.
 * Sources: Stroo 1989 and Steiner 1999 (factors); Thapa 2022 (order by C:N); Gregory 1982 (cover; straw Am 0.5-0.8).
 * Worked figure: 3 t/ha of rye straw (Am 0.68) covers 0.87 of the ground.
 */
const CARBON_PCT = 43;
export const BURIED_TIMES = 2.5;

export const carbonToNitrogen = (dm_g_m2: number, n_g_m2: number): number =>
  n_g_m2 > 0 ? (dm_g_m2 * CARBON_PCT) / 100 / n_g_m2 : 100;

export const decayRate = (cn: number): number =>
  Math.max(0.009, Math.min(0.055, 0.31 / power(Math.max(8, cn), 0.8)));

/** `decayRate` by C:N as a table. */
export const DECAY_BY_CN = tableOf(decayRate, 6, 100, 188);

export const residueCover = (dm_g_m2: number, am_ha_t: number): number => 1 - exp((-am_ha_t * dm_g_m2) / 100);

/** Area covered per tonne by kind of stem: straw, soft vines, brassica stems, tall stalks. */
export function areaPerTonne(role: string, height_m: number): number {
  if (height_m > 1.7) return 0.3;
  return { grass: 0.68, legume: 0.75, brassica: 0.4, broadleaf: 0.55 }[role] ?? 0.5;
}
