import { type Soil } from '../soil/soil.ts';
import { type Course } from './course.ts';
import { moistureRate, moistureShare, temperatureShare } from './emergence.ts';
import { SPECIFIC_LEAF_AREA_M2_G } from './leaf.ts';
import { type Member, type Species } from './species.ts';

/** State of every member between days, one entry a member; made once a plan and reset for each year. */
export interface Plants {
  /** Progress to emergence, 1 when up. */
  emergence: Float64Array;
  moistSum: Float64Array;
  waited_d: Float64Array;
  soilSum: Float64Array;
  /** Share of viable seed that can still come up. */
  potential: Float64Array;
  /** Degree-days that count for stages, and all of them. */
  effective_cd: Float64Array;
  plain_cd: Float64Array;
  chilled_d: Float64Array;
  hardening: Float64Array;
  worstMargin_c: Float64Array;
  alive: Float64Array;
  lai: Float64Array;
  dm: Float64Array;
  n: Float64Array;
  height: Float64Array;
  hot_d: Float64Array;
  pull: Float64Array;
}

export function makePlants(members: number): Plants {
  const row = () => new Float64Array(members);
  return {
    emergence: row(),
    moistSum: row(),
    waited_d: row(),
    soilSum: row(),
    potential: row(),
    effective_cd: row(),
    plain_cd: row(),
    chilled_d: row(),
    hardening: row(),
    worstMargin_c: row(),
    alive: row(),
    lai: row(),
    dm: row(),
    n: row(),
    height: row(),
    hot_d: row(),
    pull: row(),
  };
}

/** No frost this side of the coldest record leaves a margin this wide. */
const NO_COLD_YET_C = 60;

export function resetPlants(p: Plants, potential: ArrayLike<number>): void {
  for (const row of Object.values(p) as Float64Array[]) row.fill(0);
  p.worstMargin_c.fill(NO_COLD_YET_C);
  p.potential.set(potential);
}

/** Seed that lies warm and waiting is eaten and rots: about a tenth a fortnight; in near-frozen ground a tenth of that. */
const LOST_PER_D = 0.007;
const COLD_GROUND_C = 2;

/** One day of swelling and rooting in the seed zone; true on the day half are up. */
export function swell(
  p: Plants,
  s: number,
  sp: Species,
  soil_c: number,
  moisture: number,
  emergenceLuck: number,
): boolean {
  const t = sp.thermal;
  const rate = moistureRate(moisture);
  p.emergence[s]! += (Math.max(0, Math.min(soil_c, t.opt_c) - t.base_c) * rate) / t.emergence_cd;
  p.moistSum[s]! += rate;
  p.waited_d[s]! += 1;
  p.soilSum[s]! += soil_c;
  p.potential[s]! *= 1 - (soil_c > COLD_GROUND_C ? LOST_PER_D : LOST_PER_D / 10);
  if (p.emergence[s]! < 1) return false;
  p.potential[s]! *=
    temperatureShare(sp, p.soilSum[s]! / p.waited_d[s]!) *
    moistureShare(p.moistSum[s]! / p.waited_d[s]!) *
    emergenceLuck;
  return true;
}

const MOST_UP = 0.95;
/** Leaf area of seedlings by seed that came up, m2 per g, and of cotyledons of small seed, m2 a plant. */
const LEAF_PER_SEED = 0.012;
const COTYLEDON_M2 = 0.0008;
const COTYLEDONS_MOST = 0.08;
const SEEDLING_LEAF_SHARE = 0.7;

export function emerge(p: Plants, s: number, m: Member, seed_g_m2: number, out: Course, d: number): void {
  const share = Math.min(MOST_UP, p.potential[s]!);
  const plants = (seed_g_m2 / m.species.seed.thousandSeed_g) * 1000 * share;
  out.plants_m2[s] = plants;
  out.emerged[s] = plants > 0 ? d : Infinity;
  p.alive[s] = plants > 0 ? 1 : 0;
  p.lai[s] = Math.max(LEAF_PER_SEED * seed_g_m2 * share, Math.min(COTYLEDONS_MOST, plants * COTYLEDON_M2));
  p.dm[s] = p.lai[s]! / (SPECIFIC_LEAF_AREA_M2_G * SEEDLING_LEAF_SHARE);
  p.n[s] = (p.dm[s]! * m.species.nitrogen.leafyPct) / 100;
  p.height[s] = 0.02;
  out.dmSown_g_m2 += p.dm[s]!;
  out.nSown_g_m2 += p.n[s]!;
}

/** Share of its wanted nitrogen that a legume takes from the air; rich ground lowers it, the catalogue's share is for modest ground. */
export const fixation = (share: number, soil: Soil): number =>
  share * (soil.fertility === 'rich' ? 0.65 : soil.fertility === 'lean' ? 1.1 : 1);

/** Yield-density saturation D/(D + K), added up over members and set against a full stand of the same members. */
export function crowdingOf(members: Member[], plants_m2: ArrayLike<number>): number {
  let here = 0;
  let full = 0;
  for (let s = 0; s < members.length; s++) {
    const sp = members[s]!.species;
    const k = sp.growth.density50_m2;
    here += plants_m2[s]! / k;
    full += (((sp.seed.rateBroadcastLow_g_m2 / sp.seed.thousandSeed_g) * 600) / k) * members[s]!.share;
  }
  return full > 0 ? Math.min(1.05, here / (1 + here) / (full / (1 + full))) : 0;
}
