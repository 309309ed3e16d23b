import { type Day } from '../calendar/day.ts';

/** How a crop is set out on a bed worked by hand, as the catalogue gives it. */
export interface SetOut {
  row_m: number;
  between_m: number;
  perPlace: number;
  raise_wk: [number, number, number] | null;
  strip_cm: number | null;
  hole_cm: number | null;
  touchesSoil: 'yes' | 'splash' | 'no';
}

/** Plants that a bed holds: rows fill its width, places its length, half a spacing from the edges; by area where it is no rectangle. */
export function plantsFor(
  s: SetOut,
  bed: { area_m2: number; width_m: number | null; length_m: number | null },
): { rows: number | null; plants: number } {
  const { width_m: w, length_m: l } = bed;
  if (w === null || l === null)
    return {
      rows: null,
      plants: Math.max(1, Math.floor(bed.area_m2 / (s.row_m * s.between_m))) * s.perPlace,
    };
  // A bed narrower than two spacings still carries a row.
  const rows = Math.max(1, Math.floor(w / s.between_m + EDGE));
  const places = Math.max(1, Math.floor(l / s.row_m + EDGE));
  return { rows, plants: rows * places * s.perPlace };
}
/** What a hand allows itself at the edge. */
const EDGE = 0.1;
const WEEK_D = 7;

/** Day on which plants are sown to be of the usual size on planting day, and the last that still makes it. */
export const startPlants = (s: SetOut, plantDay: Day): { usual: Day; last: Day } | null =>
  s.raise_wk && {
    usual: plantDay - Math.round(s.raise_wk[1] * WEEK_D),
    last: plantDay - Math.round(s.raise_wk[0] * WEEK_D),
  };

/**
 * Days from raw manure to harvest: 120 where the part that is eaten touches the ground or is splashed from it, 90 where it does not (the interval of organic
 * standards in the United States; many national schemes ask longer, and local rules come first).
 */
export const rawManureWait_d = (s: SetOut): number => (s.touchesSoil === 'no' ? 90 : 120);

/** Mulch that was laid settles to about 30 kg of dry matter in a cubic metre within four weeks. */
const SETTLED_KG_M3 = 30;
/** Straw shaken out of the bale, kg in a cubic metre; a mulch of this depth holds annual weeds. */
const STRAW_KG_M3 = 20;
const HOLDS_WEEDS_M = 0.07;

/** Depth of a settled mulch, m. */
export const depthOf_m = (lies_g_m2: number): number => lies_g_m2 / 1000 / SETTLED_KG_M3;

/** Loose straw that brings a mulch back to a depth that holds weeds, litres for an area. */
export function strawToAdd_l(lies_g_m2: number, area_m2: number): number {
  const wanted_g = HOLDS_WEEDS_M * STRAW_KG_M3 * 1000;
  return Math.max(0, ((wanted_g - lies_g_m2) / 1000 / STRAW_KG_M3) * 1000 * area_m2);
}
