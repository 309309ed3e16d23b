import { type DayIndex } from '../calendar/day.ts';
import { type Soil } from '../soil/soil.ts';
import { higher, lower } from '../units/bounds.ts';
import { asFractions } from '../units/shape.ts';
import { type Course } from './course.ts';
import { moistureRate, moistureShare, temperatureShare } from './emergence.ts';
import { type Today } from './today.ts';
import { type Member } from './species.ts';
import { type Traits } from './traits.ts';

/** State of one member between days; made once a plan and reset for each year. */
export interface Plant {
  /** Progress to emergence, 1 when up. */
  emergence: number;
  moistSum: number;
  waited_d: number;
  soilSum: number;
  /** Share of viable seed that can still come up. */
  potential: number;
  /** Degree-days that count for stages, and all of them. */
  effective_cd: number;
  plain_cd: number;
  chilled_d: number;
  hardening: number;
  worstMargin_c: number;
  /** Stage number, 1 emerged .. 5 viable seed. */
  stage: number;
  alive: number;
  lai: number;
  dm: number;
  n: number;
  height: number;
  hot_d: number;
  /** Days in flower and after it. */
  flowered_d: number;
  /** Its pull on the light of the day against the others'. */
  pull: number;
  /** Share of its wanted nitrogen that it takes from the air on this ground. */
  fixes: number;
}

/** No frost this side of the coldest record leaves a margin this wide. */
const NO_COLD_YET_C = 60;

export const makePlant = (): Plant => ({
  emergence: 0,
  moistSum: 0,
  waited_d: 0,
  soilSum: 0,
  potential: 0,
  effective_cd: 0,
  plain_cd: 0,
  chilled_d: 0,
  hardening: 0,
  worstMargin_c: NO_COLD_YET_C,
  stage: 0,
  alive: 0,
  lai: 0,
  dm: 0,
  n: 0,
  height: 0,
  hot_d: 0,
  flowered_d: 0,
  pull: 0,
  fixes: 0,
});

asFractions(makePlant());

// Field by field: a copy of a fresh plant costs the daily loop half its speed, since an engine then loses sight of the fields' shapes.
export function resetPlant(q: Plant, potential: number, fixes: number): void {
  q.emergence = 0;
  q.moistSum = 0;
  q.waited_d = 0;
  q.soilSum = 0;
  q.potential = potential;
  q.effective_cd = 0;
  q.plain_cd = 0;
  q.chilled_d = 0;
  q.hardening = 0;
  q.worstMargin_c = NO_COLD_YET_C;
  q.stage = 0;
  q.alive = 0;
  q.lai = 0;
  q.dm = 0;
  q.n = 0;
  q.height = 0;
  q.hot_d = 0;
  q.flowered_d = 0;
  q.pull = 0;
  q.fixes = fixes;
}

/**
 * Seed that lies warm and waiting is eaten and rots: about a tenth a fortnight in the ground, two fifths on top, where birds, mice and slugs find
 * it; in near-frozen ground a tenth of that.
 */
const LOST_PER_D = 0.007;
const LOST_ON_TOP_PER_D = 0.03;
const COLD_GROUND_C = 2;

/** One day of swelling and rooting in the seed zone; true on the day half are up. */
export function swell(q: Plant, t: Traits, today: Today, onTop: boolean): boolean {
  const { soil_c } = today;
  const rate = moistureRate(today.seedbed);
  q.emergence += higher(0, lower(soil_c, t.opt_c) - t.base_c) * rate * t.perEmergence_cd;
  q.moistSum += rate;
  q.waited_d += 1;
  q.soilSum += soil_c;
  const lost = onTop ? LOST_ON_TOP_PER_D : LOST_PER_D;
  q.potential *= 1 - (soil_c > COLD_GROUND_C ? lost : lost / 10);
  return q.emergence >= 1;
}

const MOST_UP = 0.95;
/** Leaf area of seedlings by seed that came up, m2 per g, and of cotyledons of small seed, m2 a plant. */
const LEAF_PER_SEED = 0.012;
const COTYLEDON_M2 = 0.0008;
const COTYLEDONS_MOST = 0.08;
const SEEDLING_LEAF_SHARE = 0.7;

export function emerge(
  q: Plant,
  t: Traits,
  s: number,
  m: Member,
  seed_g_m2: number,
  luck: number,
  out: Course,
  d: DayIndex,
): void {
  const came =
    q.potential *
    temperatureShare(m.species, q.soilSum / q.waited_d) *
    moistureShare(q.moistSum / q.waited_d) *
    luck;
  const share = Math.min(MOST_UP, came);
  const plants = (seed_g_m2 / m.species.seed.thousandSeed_g) * 1000 * share;
  out.plants_m2[s] = plants;
  out.emerged[s] = plants > 0 ? d : Infinity;
  q.alive = plants > 0 ? 1 : 0;
  q.lai = Math.max(LEAF_PER_SEED * seed_g_m2 * share, Math.min(COTYLEDONS_MOST, plants * COTYLEDON_M2));
  q.dm = q.lai / (t.leafArea_m2_g * SEEDLING_LEAF_SHARE);
  q.n = (q.dm * m.species.nitrogen.leafyPct) / 100;
  q.height = 0.02;
  out.dmSown_g_m2 += q.dm;
  out.nSown_g_m2 += q.n;
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
