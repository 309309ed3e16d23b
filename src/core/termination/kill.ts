import { type Species } from '../stand/species.ts';

/**
 * Answers: what share of plants dies from one pass of this kind at this stage?
 * Table: share killed three weeks after one operation by a competent gardener, at stage numbers 1.0 leafy, 2.0 bud or boot, 2.6 heading or
 * first flowers, 3.0 half in flower, 3.5 end of flowering, 4.0 milk or early pod, 4.6 soft dough or full pod. Straight lines between.
 * Sources: Mirsky 2009; Ashford and Reeves 2003; Kornecki 2006; Mischler 2010; Creamer and Dabney 2002; Keene 2017 (middles of ranges).
 * Other species: a cut kills 90 % at the catalogue's stage and above, and before it what the kind's regrowth leaves; a leafy plant that means to live
 * a second year shoots again from a crown that no blade reaches.
 * Rye pressed at first anthesis is killed consistently (Mirsky 2009); forages that are cut several times a year come again from one cut in flower.
 * Worked figure: rye crimped at half anthesis, 0.95; at boot, 0.30.
 */
const MARKS = [1, 2, 2.6, 3, 3.5, 4, 4.6];
const PRESSED = {
  rye: [0.02, 0.3, 0.77, 0.95, 0.97, 0.98, 0.99],
  grass: [0.02, 0.2, 0.42, 0.7, 0.83, 0.94, 0.98],
  vetch: [0.08, 0.38, 0.6, 0.8, 0.9, 0.96, 0.98],
  legume: [0.12, 0.45, 0.7, 0.89, 0.95, 0.98, 0.99],
} as const;
const CUT = {
  'small-grain': [0.05, 0.55, 0.79, 0.93, 0.96, 0.975, 0.98],
  tillering: [0.02, 0.15, 0.28, 0.42, 0.58, 0.78, 0.88],
  vetch: [0.45, 0.75, 0.86, 0.94, 0.965, 0.98, 0.98],
  clover: [0.62, 0.9, 0.945, 0.975, 0.98, 0.99, 0.99],
  'multi-cut': [0.1, 0.25, 0.42, 0.6, 0.72, 0.85, 0.92],
} as const;

export function cutKills(sp: Species, stage: number): number {
  const { chopStage, regrowth, cutCurve } = sp.ending;
  if (chopStage === 'never') return Math.min(0.45, 1 - regrowth * 0.9);
  if (cutCurve) return along(CUT[cutCurve], stage);
  if (sp.role === 'legume' && chopStage === 'bud') return along(CUT.clover, stage);
  const sure = stageOf(chopStage);
  const fromCrown = sp.role === 'grass' || sp.life === 'biennial' || sp.life === 'perennial';
  const early = 1 - regrowth * (fromCrown ? 0.9 : 0.5);
  if (stage >= sure) return Math.min(0.98, 0.92 + 0.04 * (stage - sure));
  return early + (0.92 - early) * Math.max(0, (stage - 1) / Math.max(0.5, sure - 1));
}

export function crimpKills(sp: Species, stage: number): number {
  const { crimpStage, crimpCurve } = sp.ending;
  if (crimpStage === 'never') return 0.25;
  if (crimpCurve) return along(PRESSED[crimpCurve], stage);
  if (sp.role === 'grass') return along(PRESSED.grass, stage);
  if (sp.role === 'legume') return along(PRESSED.legume, stage);
  const sure = stageOf(crimpStage);
  return stage >= sure ? 0.85 : 0.15 + (0.7 * Math.max(0, stage - 1)) / Math.max(0.5, sure - 1);
}

/**
 * Digging in kills at any stage (Creamer and Dabney 2002: 60-98 %): crowns on a taproot that are turned under nine in ten, kinds that come again from
 * every piece of crown or runner fewer.
 */
export const digKills = (sp: Species): number =>
  sp.ending.sheet !== 'hard' ? 0.95 : sp.ending.regrowth >= FROM_EVERY_PIECE ? 0.84 : 0.92;
const FROM_EVERY_PIECE = 0.95;

/**
 * Mowing leaves some 5 cm of stubble: 15 points less than a cut at soil level in grasses before they flower, 10 in others that can
 * sprout again (10-20 points per 5 cm observed); past flowering the height no longer matters.
 */
export function mowKills(sp: Species, stage: number): number {
  const loss = stage >= 3 ? 0.02 : sp.role === 'grass' ? 0.15 : 0.1 * Math.min(1, sp.ending.regrowth * 2);
  return Math.max(0.02, cutKills(sp, stage) - loss);
}

/** Ruminants leave 5 to 8 cm and bring the crowns light: what mowing kills, less a quarter of it. */
export const grazeKills = (sp: Species, stage: number): number => 0.75 * mowKills(sp, stage);

/** Stands this light are seedlings to a flame or a hen, g/m2. */
const SEEDLING_G_M2 = 25;

/**
 * A flame at walking speed (40 kg/ha): tender broad seedlings 92 %, grass seedlings 55 %; established stands sprout again: winter grasses
 * 25 %, others 35 %; dry, ripe or crimped stems burn through (Ascard 1994, 1995; Ulloa 2010: middles).
 */
export function flameKills(sp: Species, stage: number, dm_g_m2: number): number {
  const grass = sp.role === 'grass';
  if (dm_g_m2 < SEEDLING_G_M2 && stage < 1.5) return grass ? 0.55 : 0.92;
  return grass ? 0.25 : 0.35;
}

/**
 * One round of hens at 6 to 10 hen-days a square metre on a topped or trodden stand: seedlings 90 %, annual clovers, pea and
 * buckwheat 65 %, other broad plants 55 %, grasses 18 %, perennials 12 % (regrowth observed: 5-15, 20-50 and 70-95 %).
 */
/** Broad plants that hardly sprout again are as soft to hens as clover. */
const SOFT_REGROWTH = 0.36;

export function henKills(sp: Species, stage: number, dm_g_m2: number): number {
  if (dm_g_m2 < SEEDLING_G_M2 && stage < 1.5) return 0.9;
  if (sp.life === 'perennial' || sp.ending.chopStage === 'never') return 0.12;
  if (sp.role === 'grass') return stage >= 3 ? 0.45 : 0.18;
  return sp.role === 'legume' || sp.ending.regrowth < SOFT_REGROWTH ? 0.65 : 0.55;
}

/** Pigs root crowns out: 0.9, grasses and creeping kinds 0.8 (practice). */
export const pigKills = (sp: Species): number =>
  sp.role === 'grass' || sp.ending.sheet === 'hard' ? 0.8 : 0.9;

/** Pulled with the root: annuals come whole, perennials and thick sods leave pieces. */
export const pullKills = (sp: Species): number =>
  sp.life === 'perennial' || sp.ending.sheet === 'hard' ? 0.75 : 0.96;

/** Ten centimetres of compost on a cut stand smothers by how well the kind comes back from darkness. */
export const smotherKills = (sp: Species): number =>
  ({ easy: 0.97, medium: 0.92, hard: 0.65 })[sp.ending.sheet];

const stageOf = (s: Species['ending']['chopStage']): number =>
  ({ vegetative: 1, bud: 2, flower: 3, milk: 4, never: 9 })[s];

function along(row: readonly number[], stage: number): number {
  if (stage <= 1) return stage < 1 ? 0.95 : row[0]!;
  for (let i = 1; i < MARKS.length; i++) {
    if (stage <= MARKS[i]!) {
      const share = (stage - MARKS[i - 1]!) / (MARKS[i]! - MARKS[i - 1]!);
      return row[i - 1]! + share * (row[i]! - row[i - 1]!);
    }
  }
  return row.at(-1)!;
}

/**
 * A sharp hoe through a stand: seedlings with a few leaves 0.9, grass seedlings 0.8; established plants are cut as by a blade at soil level and
 * do what they do after a cut (practice; Kurstjens and Kropff 2001 for seedlings).
 */
export function hoeKills(sp: Species, stage: number, dm_g_m2: number): number {
  if (dm_g_m2 < HOED_G_M2 && stage < 1.6) return sp.role === 'grass' ? 0.8 : 0.93;
  return cutKills(sp, stage);
}
const HOED_G_M2 = 60;

/** Trimmed above half its height a stand lives on: the odd plant is lost. */
export const TRIM_KILLS = 0.03;

/** Whether a ripe plant of this kind is a dead one: kinds that go on flowering, or shoot again from a crown, live past their first seed. */
export const diesRipe = (sp: Species): boolean =>
  (sp.life === 'annual' || sp.life === 'winter-annual') &&
  sp.ending.chopStage !== 'never' &&
  sp.ending.cutCurve !== 'multi-cut' &&
  !(sp.season === 'warm' && sp.ending.regrowth >= 0.5);

/** Passes that follow the first leave survivors weaker: each keeps this share of them alive (0.3-0.5 observed for crimping). */
export const SECOND_PASS_KEEPS = 0.4;
