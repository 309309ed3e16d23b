import { asFractions } from '../units/shape.ts';
import { DECAY_BY_CN } from '../residue/decay.ts';
import { gainShare, SURFACE_GIVES } from '../residue/nitrogen.ts';
import { higher, lower } from '../units/bounds.ts';
import { lookUp } from '../units/table.ts';
import { type Traits } from './traits.ts';

/** Matter of a stand that cold or heat killed, as it stands or lies and rots; written over day by day. */
export interface DeadMatter {
  dm_g_m2: number;
  n_g_m2: number;
  /** Rate of decay at full warmth and wetness, 1/d. */
  rate: number;
  /** Nitrogen it gives for each gram of its nitrogen that rots. */
  gives: number;
}

export const noDeadMatter = (): DeadMatter => ({ dm_g_m2: 0, n_g_m2: 0, rate: 0, gives: 0 });
asFractions(noDeadMatter());

const CARBON_SHARE = 0.43;
/** Nitrogen that runs out of burst cells is soluble: this much of it is soon mineral. */
const SAP_FREES = 0.8;
/** Ten warm weeks, for which the share of nitrogen gained is stated, rot about this share of fresh residue. */
const ROTTED_IN_TEN_WEEKS = 0.75;

/**
 * Adds what a night killed. Watery tops lose half or more of their dry matter as they thaw (frost breaks every cell), and their nitrogen with it.
 * @returns nitrogen washed into the ground at once, g/m2
 */
export function addDead(dead: DeadMatter, t: Traits, dm_g_m2: number, n_g_m2: number): number {
  layDown(dead, dm_g_m2 * t.topsKeep, n_g_m2 * t.topsKeep, t.rotTimes, 1);
  return n_g_m2 * (1 - t.topsKeep) * SAP_FREES;
}

/**
 * Adds matter that was cut or pressed down, whole.
 * @param times how much faster than whole stems it rots
 * @param feeds share of what it frees that goes back to this stand's ground; 0 where it is followed apart
 */
export function layDown(dead: DeadMatter, dm: number, n: number, times: number, feeds: number): void {
  const mass = dead.dm_g_m2 + dm;
  if (mass <= 0) return;
  const cn = n > 0 ? (CARBON_SHARE * dm) / n : 60;
  const share = dm / mass;
  const gives = feeds * lower(1, (SURFACE_GIVES * higher(0, gainShare(cn))) / ROTTED_IN_TEN_WEEKS);
  dead.rate += (lookUp(DECAY_BY_CN, cn) * times - dead.rate) * share;
  dead.gives += (gives - dead.gives) * share;
  dead.dm_g_m2 = mass;
  dead.n_g_m2 += n;
}

/** @param decay today's decay, days' worth of full warmth and wetness; @returns nitrogen set free today, g/m2 */
export function rotDay(dead: DeadMatter, decay: number): number {
  const gone = lower(1, dead.rate * decay);
  const freed = dead.n_g_m2 * gone;
  dead.dm_g_m2 -= dead.dm_g_m2 * gone;
  dead.n_g_m2 -= freed;
  return freed * dead.gives;
}
