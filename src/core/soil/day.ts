import {
  AVAILABLE_WATER_MM,
  MINERALISED_G_M2_D,
  SEED_ZONE_MM,
  type Soil,
  START_NITROGEN_G_M2,
  TOP_MM,
} from './soil.ts';
import { higher, lower } from '../units/bounds.ts';
import { exp } from '../units/exact.ts';
import { asFractions } from '../units/shape.ts';
import { lookUp, tableOf } from '../units/table.ts';

/** Water and mineral nitrogen of a bed between days, with the sums that close their balances. Written over day by day. */
export interface SoilState {
  capacity_mm: number;
  /** Reciprocals of it, and of the water under which drought is felt. */
  perCapacity: number;
  perStress: number;
  root_mm: number;
  seedZone_mm: number;
  /** Water in the top centimetre, where seed lies that nobody covers. */
  top_mm: number;
  /** Water stress of today, 1 none, 0 full. */
  stress: number;
  drainedToday_mm: number;
  /** Share of the evaporation of bare ground that what lies on it lets through: 1 where nothing lies. */
  lets: number;
  /** Watering of today, and the share of light that leaves keep from the ground: set before the day is worked out. */
  watering_mm: number;
  intercepted: number;
  mineral_g_m2: number;
  /** Nitrogen that moist soil at 15 °C frees in a day. */
  frees_g_m2_d: number;
  rain_mm: number;
  watered_mm: number;
  used_mm: number;
  drained_mm: number;
  mineralised_g_m2: number;
  leached_g_m2: number;
  /** Given back by dead plants. */
  returned_g_m2: number;
}

/** Share of its water a bed holds when a season begins. */
const START_SHARE = 0.7;
/** Root-zone share under which plants begin to feel drought (FAO-56 depletion fraction 0.6). */
export const STRESS_SHARE = 0.4;
/** Drainage that carries off about two thirds of the mineral nitrogen. */
const LEACH_SCALE_MM = 220;
const PER_LEACH = 1 / LEACH_SCALE_MM;
/** Crop coefficient of a closed cover (FAO-56: 1.0-1.1). */
const CLOSED_COVER = 1.05;
/** Evaporation from bare, evenly wetted ground against ET0 (FAO-56 gives 0.3-0.9 by wetting). */
const BARE_SOIL = 0.6;

/** The top dries as evenly wet ground does until three fifths of its water are left. */
const PER_WET_TOP = 1 / (SEED_ZONE_MM * 0.6);
/** Share of what the top 5 cm lack that rises into them overnight from moist ground below (a drying seed bed is wet at dawn). */
const RISE_PER_D = 0.1;
/** Less rises into the top centimetre, which an afternoon of sun dries. */
const TOP_RISE_PER_D = 0.1;
const PER_SEED_ZONE = 1 / SEED_ZONE_MM;

const newSoil = (): SoilState => ({
  capacity_mm: 0,
  perCapacity: 0,
  perStress: 0,
  root_mm: 0,
  seedZone_mm: 0,
  top_mm: 0,
  stress: 1,
  drainedToday_mm: 0,
  lets: 1,
  watering_mm: 0,
  intercepted: 0,
  mineral_g_m2: 0,
  frees_g_m2_d: 0,
  rain_mm: 0,
  watered_mm: 0,
  used_mm: 0,
  drained_mm: 0,
  mineralised_g_m2: 0,
  leached_g_m2: 0,
  returned_g_m2: 0,
});
asFractions(newSoil());

export function startSoil(soil: Soil, st = newSoil()): SoilState {
  const capacity = AVAILABLE_WATER_MM[soil.texture];
  st.capacity_mm = capacity;
  st.perCapacity = 1 / capacity;
  st.perStress = 1 / (capacity * STRESS_SHARE);
  st.root_mm = capacity * START_SHARE;
  st.seedZone_mm = SEED_ZONE_MM;
  st.top_mm = TOP_MM;
  st.stress = 1;
  st.mineral_g_m2 = START_NITROGEN_G_M2[soil.fertility];
  st.frees_g_m2_d = MINERALISED_G_M2_D[soil.fertility];
  st.drainedToday_mm = 0;
  st.lets = 1;
  st.watering_mm = 0;
  st.intercepted = 0;
  st.rain_mm = 0;
  st.watered_mm = 0;
  st.used_mm = 0;
  st.drained_mm = 0;
  st.mineralised_g_m2 = 0;
  st.leached_g_m2 = 0;
  st.returned_g_m2 = 0;
  return st;
}

/** Rain and reference evapotranspiration by day, mm. */
export interface Sky {
  rain_mm: Float64Array;
  et0_mm: Float64Array;
}

/**
 * Answers: how much water is left tonight, and how dry do plants feel it?
 * Balance: W' = min(capacity, W + rain + watering - use); use = ET0 (1.05 fi stress + 0.6 (1 - 0.8 fi) wetness), never more than
 * there is; the seed zone is the top 5 cm inside it. Source: FAO-56 chapters 7 and 8. Deviation: one root zone of fixed depth.
 */
export function waterDay(st: SoilState, sky: Sky, d: number): void {
  const { watering_mm, intercepted } = st;
  const rain_mm = sky.rain_mm[d]!;
  const et0_mm = sky.et0_mm[d]!;
  const wetIn = rain_mm + watering_mm;
  const before = st.root_mm;
  const soilDemand =
    et0_mm * (1 - 0.8 * intercepted) * BARE_SOIL * st.lets * lower(1, st.seedZone_mm * PER_WET_TOP);
  st.stress = lower(1, before * st.perStress);
  const use = lower(
    before + wetIn,
    et0_mm * intercepted * CLOSED_COVER * st.stress + lower(soilDemand, before),
  );
  const full = before + wetIn - use;
  const drained = full > st.capacity_mm ? full - st.capacity_mm : 0;
  st.root_mm = full - drained;
  const rise = RISE_PER_D * (SEED_ZONE_MM - st.seedZone_mm) * (st.root_mm * st.perCapacity);
  const seedZone = st.seedZone_mm + wetIn + rise - soilDemand - et0_mm * intercepted * 0.15;
  st.seedZone_mm = seedZone < 0 ? 0 : seedZone > SEED_ZONE_MM ? SEED_ZONE_MM : seedZone;
  const top =
    st.top_mm + wetIn + TOP_RISE_PER_D * (TOP_MM - st.top_mm) * st.seedZone_mm * PER_SEED_ZONE - soilDemand;
  st.top_mm = top < 0 ? 0 : top > TOP_MM ? TOP_MM : top;
  st.drainedToday_mm = drained;
  st.rain_mm += rain_mm;
  st.watered_mm += watering_mm;
  st.used_mm += use;
  st.drained_mm += drained;
}

/**
 * What residue of so many t/ha lets through of the evaporation of bare, wet ground: 1 - 0.85 (1 - e^(-0.3 M)). 4 to 6 t/ha of straw cut that of the first two weeks by
 * 30 to 60 % (Bond and Willis 1969; Unger and Parker 1976; Steiner 1989).
 */
const LETS = tableOf((t_ha) => 1 - 0.85 * (1 - exp(-0.3 * t_ha)), 0, 20, 400);
export const letsThrough = (residue_t_ha: number): number => lookUp(LETS, residue_t_ha);

/** Nitrogen freed by the soil today (doubling every 10 °C, less in dry ground) and carried off by what drained. */
export function nitrogenDay(st: SoilState, soilTempo: Float64Array, d: number): void {
  const freed = st.frees_g_m2_d * soilTempo[d]! * higher(0.3, st.stress);
  const leached = st.drainedToday_mm > 0 ? st.mineral_g_m2 * (1 - exp(-st.drainedToday_mm * PER_LEACH)) : 0;
  st.mineral_g_m2 += freed - leached;
  st.mineralised_g_m2 += freed;
  st.leached_g_m2 += leached;
}
