import { type PassKind } from './method.ts';

/**
 * What a pass leaves on a plant that lives through it: share of leaf and of dry matter, height of the stubble (m) and whether the growing tips are gone.
 * Judgement: some 15-20 % of the mass of a grown stand stands in its lowest 6 cm, about half below half its height; cattle leave a hand, so does hay; the tender
 * ends of shoots are an eighth of a leafy stand.
 */
export interface Stubble {
  leaf: number;
  matter: number;
  height_m: number;
  /** It is left at this share of its height where that is more. */
  heightShare?: number;
  tipsGone: boolean;
}
const CLOSE: Stubble = { leaf: 0.03, matter: 0.06, height_m: 0.02, tipsGone: true };
const MOWN: Stubble = { leaf: 0.1, matter: 0.18, height_m: 0.06, tipsGone: true };
const BENT: Stubble = { leaf: 0.6, matter: 1, height_m: 0.15, tipsGone: false };
const GONE: Stubble = { leaf: 0, matter: 0.05, height_m: 0.02, tipsGone: true };
export const STUBBLE: Partial<Record<PassKind, Stubble>> = {
  cut: CLOSE,
  hoe: CLOSE,
  mow: MOWN,
  flail: MOWN,
  hens: MOWN,
  graze: { leaf: 0.2, matter: 0.3, height_m: 0.07, tipsGone: true },
  'mow-high': { leaf: 0.45, matter: 0.6, height_m: 0.15, heightShare: 0.5, tipsGone: false },
  'take-hay': { leaf: 0.15, matter: 0.3, height_m: 0.09, tipsGone: true },
  'pick-shoots': { leaf: 0.75, matter: 0.88, height_m: 0.1, heightShare: 0.85, tipsGone: false },
  crimp: BENT,
  flatten: BENT,
  flame: { leaf: 0, matter: 0.4, height_m: 0.05, tipsGone: true },
  pigs: GONE,
  dig: GONE,
  bury: GONE,
  pull: GONE,
  'compost-over': GONE,
};
