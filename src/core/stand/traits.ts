import { asFractions } from '../units/shape.ts';
import { type Species } from './species.ts';

/** Warmth since it came up through which a plant is a seedling: four to five leaves, °C d. */
export const SEEDLING_CD = 275;

/**
 * What the daily loop asks of a kind: figures and yes-or-no, flat and in one shape. Entries read from a data file differ in shape to an
 * engine (whole and broken numbers, nulls, texts to compare), and a daily loop over many of them then runs at half its speed.
 * Names and units are those of `Species`; `per...` are reciprocals.
 */
export interface Traits {
  grass: boolean;
  legume: boolean;
  /** Fixes carbon the way of warm-season grasses, with less nitrogen. */
  c4: boolean;
  /** The tops are killed by frost, not a crown near the ground. */
  topsExposed: boolean;
  /** Up to this warmth since it came up frost decides on nodes in the ground, not on the tops, °C d; 0 where it is the tops from the first day. */
  nodesUntil_cd: number;
  /** Lives on from a crown that hardens every autumn. */
  perennial: boolean;
  /** Flowers once and is done. */
  annual: boolean;
  base_c: number;
  opt_c: number;
  span_c: number;
  perEmergence_cd: number;
  bud_cd: number;
  flower_cd: number;
  milk_cd: number;
  seed_cd: number;
  chillFloor: number;
  perChilled_d: number;
  extinction: number;
  /** Ground covered per leaf area: leaves of broad plants lie flatter. */
  coverPerLeaf: number;
  rue_g_MJ: number;
  /** Share of new dry matter that goes into tops on the first day; the rest builds a taproot and a crown. */
  firstTops: number;
  cap_g_m2_d: number;
  /** Share of dry matter that old leaves give up in a day at 20 °C. */
  turnover: number;
  perTypical_g_m2: number;
  heightFlower_m: number;
  /** Rise of a young stem towards bud, as a share of its height in flower. */
  youngClimb: number;
  /** Share of new dry matter that becomes leaf at stages 1, 2 and 3. */
  leafYoung: number;
  leafBud: number;
  leafFlower: number;
  /** Climbs on taller neighbours. */
  climbs: boolean;
  /** New leaf per gram of leaf, m2. */
  leafArea_m2_g: number;
  /** Night below which a warm-season kind works at half pace the day after, °C. */
  chilledBelow_c: number;
  /** Share of dry matter that tops killed by cold keep after the thaw. */
  topsKeep: number;
  /** How much faster than other residue killed tops of this kind rot. */
  rotTimes: number;
  /** Leaf lost in a night of -10 °C. */
  leafLoss: number;
  leafyPct: number;
  flowerPct: number;
  seedPct: number;
  hardened_c: number;
  tender_c: number;
  /** Infinity for kinds that heat does not end. */
  heatKill_c: number;
}

/** Middle of 0.018-0.025 m2/g for field crops (Monteith 1977 and after). */
const USUAL_LEAF_AREA_M2_G = 0.022;
/** Warm-season kinds lose about half of the next day's photosynthesis after a night under 6 °C (Long 1983; Allen and Ort 2001: 0.3-0.7). */
const CHILLED_BELOW_C = 6;
/** Watery tops (radish, mustard, phacelia) collapse and rot about half as fast again as straw of the same C:N (Lawley 2011; Dean and Weil 2009). */
const WATERY_KEEPS = 0.6;
const WATERY_ROTS_TIMES = 1.6;

/** Ground that a broad leaf covers goes with the light it keeps: 0.85 of its area at the usual extinction of 0.7; narrow, upright leaves such as flax's cover less. */
const COVER_BY_EXTINCTION = 0.85 / 0.7;

const known = new WeakMap<Species, Traits>();
let shaped = false;

export function traitsOf(sp: Species): Traits {
  let found = known.get(sp);
  if (!found) {
    if (!shaped) asFractions(readTraits(sp));
    shaped = true;
    known.set(sp, (found = readTraits(sp)));
  }
  return found;
}

/**
 * Legumes that live on put nearly half of what they make below ground while they establish (lucerne after seeding: Khaiti and Lemaire 1992;
 * recalled), so that a clover sown in late summer goes small into its first winter.
 */
const FIRST_TOPS = 0.45;

/**
 * Per role: old leaves give up 0.55 % of dry matter a day at 20 °C in broad leaves and 0.3 % in grasses (radiation-use figures are for
 * young closed stands; over a winter and spring this is what keeps them true); a night of -10 °C takes 2 % and 0.7 % of the leaf (1-3
 * and 0.3-1 observed); new dry matter goes to leaf by 0.7, 0.4, 0.15 in grasses and 0.6, 0.5, 0.35 in others when young, at bud, in flower.
 */
function readTraits(sp: Species): Traits {
  const grass = sp.role === 'grass';
  const { thermal, stages, chilling, growth, nitrogen, cold } = sp;
  return {
    grass,
    legume: sp.role === 'legume',
    c4: grass && sp.season === 'warm',
    topsExposed: cold.exposed === 'tops',
    nodesUntil_cd: cold.shootsAgain ? SEEDLING_CD : 0,
    perennial: sp.life === 'perennial',
    annual: sp.life === 'annual' || sp.life === 'winter-annual',
    base_c: thermal.base_c,
    opt_c: thermal.opt_c,
    span_c: thermal.opt_c - thermal.base_c,
    perEmergence_cd: 1 / thermal.emergence_cd,
    bud_cd: stages.bud_cd,
    flower_cd: stages.flower_cd,
    milk_cd: stages.milk_cd,
    seed_cd: stages.seed_cd,
    chillFloor: chilling ? chilling.floor : 1,
    perChilled_d: chilling ? 1 / chilling.required_d : 0,
    extinction: growth.extinction,
    coverPerLeaf: grass ? 0.62 : growth.extinction * COVER_BY_EXTINCTION,
    rue_g_MJ: growth.rue_g_MJ,
    firstTops: sp.role === 'legume' && (sp.life === 'perennial' || sp.life === 'biennial') ? FIRST_TOPS : 1,
    cap_g_m2_d: growth.cap_g_m2_d,
    turnover: grass ? 0.003 : 0.0055,
    perTypical_g_m2: 1 / growth.typical_g_m2,
    heightFlower_m: growth.heightFlower_m,
    youngClimb: grass ? 0.3 : 0.42,
    leafYoung: grass ? 0.7 : 0.6,
    leafBud: grass ? 0.4 : 0.5,
    leafFlower: grass ? 0.15 : 0.35,
    climbs: growth.climbs === true,
    leafArea_m2_g: growth.leafArea_m2_g ?? USUAL_LEAF_AREA_M2_G,
    chilledBelow_c: sp.season === 'warm' ? CHILLED_BELOW_C : -Infinity,
    topsKeep: cold.topsKeep,
    rotTimes: cold.topsKeep < WATERY_KEEPS ? WATERY_ROTS_TIMES : 1,
    leafLoss: grass ? 0.007 : 0.02,
    leafyPct: nitrogen.leafyPct,
    flowerPct: nitrogen.flowerPct,
    seedPct: nitrogen.seedPct,
    hardened_c: cold.hardened_c,
    tender_c: cold.tender_c,
    heatKill_c: sp.heatKill_c ?? Infinity,
  };
}
