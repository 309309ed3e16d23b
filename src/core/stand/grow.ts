import { type Season } from '../weather/season.ts';
import {
  AVAILABLE_WATER_MM,
  MINERALISED_G_M2_D,
  SEED_ZONE_MM,
  type Soil,
  START_NITROGEN_G_M2,
  mineralisationFactor,
} from '../soil/soil.ts';
import { hardenDay, lethal50_c, plantTemperature_c, survival } from './cold.ts';
import { type Course } from './course.ts';
import { type SowingWay, moistureRate, moistureShare, temperatureShare, wayShare } from './emergence.ts';
import {
  coverOf,
  heightOf,
  leafShare,
  ownNitrogenPct,
  SPECIFIC_LEAF_AREA_M2_G,
  turnover,
  winterLoss,
} from './leaf.ts';
import { type Member } from './species.ts';
import { chillFactor, chillOfDay, daylengthFactor, stageNumber } from './stage.ts';
import { warmthOfDay } from './thermal.ts';

/** What makes one plausible year differ from the next besides weather: variety, seed, soil, all that is not known. */
export interface Variation {
  stageRate: number;
  growth: number;
  emergence: number;
  /** Shift of the killing temperature, °C. */
  hardiness_c: number;
}

export interface StandInput {
  members: Member[];
  /** Viable seed actually on the ground, g/m2, per member. */
  seed_g_m2: number[];
  way: SowingWay;
  soil: Soil;
  /** Day index in the season on which it is sown. */
  sownAt: number;
  /** The gardener keeps the seed bed moist until plants stand. */
  watered: boolean;
}

/** State of one species between days; kept in one object per member so that the daily loop allocates nothing. */
interface Plant {
  emergence: number;
  moistSum: number;
  moistDays: number;
  potential: number;
  effective_cd: number;
  plain_cd: number;
  chilled_d: number;
  hardening: number;
  worstMargin_c: number;
  alive: number;
  lai: number;
  dm: number;
  n: number;
  height: number;
  hot: number;
  intercept: number;
}

/** Growth of a day whose night fell below -1 °C, as a share of what light allows (0.4-0.7 observed). */
const FROSTY_DAY = 0.55;
/** Response above which warmth no longer limits photosynthesis. */
const WARM_ENOUGH = 0.52;
/** Nitrogen status (actual over wanted) below which growth falls in proportion. */
const NITROGEN_ENOUGH = 0.9;
/** Nitrogen status at which growth stops. */
const NITROGEN_STOP = 0.4;
/** New leaves stop adding ground when this much leaf hangs over it. */
const FULL_LEAF = 6;
const HOT_DAYS_TO_COLLAPSE = 5;
const LEACH_SCALE_MM = 220;
const LIGHT_TO_PAR = 0.48;

/**
 * Answers: what stands on the bed, day by day, in this one season?
 * Light: fi = 1 - exp(-sum k LAI), shared by k LAI and height. Growth = RUE x PAR x fi x warmth x frost x water x nitrogen, capped
 * at the crop growth rate of a closed stand. Nitrogen: critical content after Lemaire and Gastal 1997; soil supply from what was
 * left, what the soil frees and what drains away; legumes fix the rest. Water: a seed zone inside one root zone, FAO-56 style.
 * Sources: Monteith 1977; Kiniry 1989; Lemaire and Gastal 1997; FAO-56. Deviations are listed in docs/methods/growth.md.
 */
export function growStand(input: StandInput, season: Season, v: Variation, out: Course): Course {
  const { members, soil } = input;
  const n = members.length;
  const plants = members.map((m) => newPlant(wayShare(m.species, input.way)));
  out.stage.fill(0);
  out.alive.fill(0);
  out.dm_g_m2.fill(0);
  out.n_g_m2.fill(0);
  out.cover.fill(0);
  out.height_m.fill(0);
  out.emerged.fill(Infinity);
  out.plants_m2.fill(0);

  const capacity_mm = AVAILABLE_WATER_MM[soil.texture];
  let root_mm = capacity_mm * 0.7;
  let seedZone_mm = SEED_ZONE_MM;
  let mineral = START_NITROGEN_G_M2[soil.fertility];
  const water = out.water;
  const nb = out.soilNitrogen;
  Object.assign(water, { start_mm: root_mm, rain_mm: 0, watered_mm: 0, used_mm: 0, drained_mm: 0 });
  Object.assign(nb, {
    start_g_m2: mineral,
    mineralised_g_m2: 0,
    taken_g_m2: 0,
    fixed_g_m2: 0,
    leached_g_m2: 0,
  });
  let crowding = 1;

  for (let d = 0; d < season.days; d++) {
    const tmin = season.tmin_c[d]!;
    const tmax = season.tmax_c[d]!;
    const mean = season.mean_c[d]!;
    const et0 = season.et0_mm[d]!;

    // Water
    const before = root_mm;
    const wantsWater =
      input.watered && d >= input.sownAt && seedZone_mm < SEED_ZONE_MM * 0.5 && anyWaiting(plants);
    const watering = wantsWater ? 6 : 0;
    const wetIn = season.rain_mm[d]! + watering;
    let fi = 0;
    for (let s = 0; s < n; s++) fi += plants[s]!.lai * members[s]!.species.growth.extinction;
    const intercepted = (1 - Math.exp(-fi)) * crowding;
    const soilDemand = et0 * (1 - 0.8 * intercepted) * 0.6 * Math.min(1, seedZone_mm / (SEED_ZONE_MM * 0.6));
    const waterStress = Math.min(1, root_mm / (capacity_mm * 0.4));
    const use = Math.min(
      root_mm + wetIn,
      et0 * intercepted * 1.05 * waterStress + Math.min(soilDemand, root_mm),
    );
    const full = root_mm + wetIn - use;
    const drained = Math.max(0, full - capacity_mm);
    root_mm = full - drained;
    seedZone_mm = Math.max(
      0,
      Math.min(SEED_ZONE_MM, seedZone_mm + wetIn - soilDemand - et0 * intercepted * 0.15),
    );
    water.rain_mm += season.rain_mm[d]!;
    water.watered_mm += watering;
    water.used_mm += before + wetIn - drained - root_mm;
    water.drained_mm += drained;

    // Nitrogen in the soil
    const freed =
      MINERALISED_G_M2_D[soil.fertility] *
      mineralisationFactor(season.soil_c[d]!) *
      Math.max(0.3, waterStress);
    const leached = mineral * (1 - Math.exp(-drained / LEACH_SCALE_MM));
    mineral += freed - leached;
    nb.mineralised_g_m2 += freed;
    nb.leached_g_m2 += leached;

    if (d < input.sownAt) continue;
    let totalDm = 0;
    let lightPull = 0;
    for (let s = 0; s < n; s++) {
      const p = plants[s]!;
      totalDm += p.dm;
      p.intercept = p.lai * members[s]!.species.growth.extinction * (0.6 + p.height);
      lightPull += p.intercept;
    }
    const par = season.radiation_MJ[d]! * LIGHT_TO_PAR;
    let tallest = 0;
    let coverLeaf = 0;
    for (let s = 0; s < n; s++) {
      const p = plants[s]!;
      const m = members[s]!;
      const sp = m.species;
      const at = d * n + s;
      const warmth = warmthOfDay(sp.thermal, tmin, tmax);
      const cd = warmth * (sp.thermal.opt_c - sp.thermal.base_c);

      if (p.emergence < 1) {
        if (d >= input.sownAt) swell(p, sp, season.soil_c[d]!, seedZone_mm / SEED_ZONE_MM, v);
        if (p.emergence >= 1) {
          emerge(p, m, input.seed_g_m2[s]!, out, s, d);
          crowding = crowdingOf(members, out.plants_m2);
        }
        out.stage[at] = Math.min(0.99, p.emergence);
        continue;
      }
      // Stage, hardening, death by cold and heat
      p.plain_cd += cd;
      p.chilled_d += chillOfDay(mean);
      p.effective_cd +=
        cd * v.stageRate * daylengthFactor(sp, season.dayLength_h[d]!) * chillFactor(sp, p.chilled_d);
      const stage = stageNumber(sp, p.effective_cd);
      p.hardening = hardenDay(p.hardening, mean);
      const lt50 = lethal50_c(sp, p.hardening, p.effective_cd, p.plain_cd) + v.hardiness_c;
      const margin = plantTemperature_c(sp, tmin, season.snow_cm[d]!) - lt50;
      if (margin < p.worstMargin_c) p.worstMargin_c = margin;
      p.hot = sp.heatKill_c !== null && tmax > sp.heatKill_c ? p.hot + 1 : Math.max(0, p.hot - 1);
      const heatLoss = p.hot > HOT_DAYS_TO_COLLAPSE ? 0.85 : 1;
      const stands = Math.min(p.alive * heatLoss, survival(p.worstMargin_c));
      if (stands < p.alive) {
        const kept = stands / p.alive;
        p.lai *= kept;
        p.dm *= kept;
        p.n *= kept;
        p.alive = stands < 0.005 ? 0 : stands;
      }
      // Light, growth
      if (p.alive > 0) {
        const loss = winterLoss(sp, tmin, season.snow_cm[d]!);
        if (loss > 0) {
          p.lai *= 1 - loss;
          p.dm *= 1 - loss * 0.6;
          p.n *= 1 - loss * 0.6;
        }
        const light = lightPull > 0 ? (intercepted * p.intercept) / lightPull : 0;
        const status = p.dm > 0 ? ((p.n / p.dm) * 100) / ownNitrogenPct(sp, stage, totalDm) : 1;
        const fed = Math.min(1, (status - NITROGEN_STOP) / (NITROGEN_ENOUGH - NITROGEN_STOP));
        const aging = stage < 3 ? 1 : stage < 4 ? 0.6 : stage < 5 ? 0.3 : 0.05;
        const frost = tmin < -1 ? FROSTY_DAY : 1;
        const light_g =
          sp.growth.rue_g_MJ *
          par *
          light *
          Math.min(1, warmth / WARM_ENOUGH) *
          frost *
          waterStress *
          Math.max(0, fed) *
          aging *
          v.growth;
        const made = Math.min(
          light_g,
          sp.growth.cap_g_m2_d * v.growth * aging * (lightPull > 0 ? p.intercept / lightPull : 1),
        );
        const shed = p.dm * turnover(sp, mean);
        p.dm += made - shed;
        p.n -= shed * (p.dm > 0 ? (0.5 * p.n) / (p.dm + shed) : 0);
        p.lai += made * SPECIFIC_LEAF_AREA_M2_G * leafShare(sp, stage);
        if (p.lai > FULL_LEAF) p.lai = FULL_LEAF;
        if (stage > 3.5) p.lai *= stage >= 5 ? 0.96 : 0.985;
        // Nitrogen uptake: what the leaf would like, from the air as far as the kind can, from the soil as far as it holds.
        const wish = Math.max(0, (p.dm * ownNitrogenPct(sp, stage, totalDm)) / 100 - p.n);
        const fromAir = wish * fixation(sp.nitrogen.fixedShare, soil);
        const fromSoil = Math.min(wish - fromAir, mineral * 0.12 * Math.min(1, warmth * 3 + 0.1));
        const extra = sp.role === 'legume' ? Math.min(wish - fromAir - fromSoil, wish * 0.2) : 0;
        mineral -= fromSoil;
        p.n += fromAir + fromSoil + extra;
        nb.taken_g_m2 += fromSoil;
        nb.fixed_g_m2 += fromAir + extra;
        p.height = Math.max(p.height, heightOf(sp, stage, p.dm));
      }
      out.stage[at] = stage;
      out.alive[at] = p.alive;
      out.dm_g_m2[at] = p.dm;
      out.n_g_m2[at] = p.n;
      if (p.alive > 0.02 && p.height > tallest) tallest = p.height;
      coverLeaf += coverOf(sp, p.lai);
    }
    out.cover[d] = (1 - Math.exp(-coverLeaf)) * Math.min(1, crowding);
    out.height_m[d] = tallest;
  }
  water.end_mm = root_mm;
  nb.end_g_m2 = mineral;
  return out;
}

const newPlant = (potential: number): Plant => ({
  emergence: 0,
  moistSum: 0,
  moistDays: 0,
  potential,
  effective_cd: 0,
  plain_cd: 0,
  chilled_d: 0,
  hardening: 0,
  worstMargin_c: 60,
  alive: 0,
  lai: 0,
  dm: 0,
  n: 0,
  height: 0,
  hot: 0,
  intercept: 0,
});

const anyWaiting = (plants: Plant[]): boolean => plants.some((p) => p.emergence < 1);

/** Rich ground lowers fixation; the share in the catalogue is for modest ground. */
const fixation = (share: number, soil: Soil): number =>
  share * (soil.fertility === 'rich' ? 0.65 : soil.fertility === 'lean' ? 1.1 : 1);

function swell(p: Plant, sp: Member['species'], soil_c: number, moisture: number, v: Variation): void {
  const t = sp.thermal;
  const warm = Math.max(0, Math.min(soil_c, t.opt_c) - t.base_c);
  const rate = moistureRate(moisture);
  p.emergence += (warm * rate) / t.emergence_cd;
  p.moistSum += rate;
  p.moistDays += 1;
  // Seed that lies cold or dry is eaten and rots: about a tenth a fortnight.
  p.potential *= 0.993;
  p.plain_cd += soil_c;
  if (p.emergence >= 1)
    p.potential *=
      temperatureShare(sp, p.plain_cd / p.moistDays) * moistureShare(p.moistSum / p.moistDays) * v.emergence;
}

function emerge(p: Plant, m: Member, seed_g_m2: number, out: Course, s: number, d: number): void {
  const share = Math.min(0.95, p.potential);
  const plants = (seed_g_m2 / m.species.seed.thousandSeed_g) * 1000 * share;
  out.plants_m2[s] = plants;
  out.emerged[s] = plants > 0 ? d : Infinity;
  p.plain_cd = 0;
  p.alive = plants > 0 ? 1 : 0;
  // Seedling leaf area: 0.012 m2 per g of seed that came up, and no less than cotyledons of a small seed.
  p.lai = Math.max(0.012 * seed_g_m2 * share, Math.min(0.08, plants * 0.0008));
  p.dm = p.lai / (SPECIFIC_LEAF_AREA_M2_G * 0.7);
  p.n = (p.dm * m.species.nitrogen.leafyPct) / 100;
  p.height = 0.02;
}

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
