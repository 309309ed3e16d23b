import { type Season } from '../weather/season.ts';
import { hardenDay, lethal50_c, plantTemperature_c, survival } from './cold.ts';
import { type Variation } from './grow.ts';
import { heightOf, leafShare, ownNitrogenPct, SPECIFIC_LEAF_AREA_M2_G, winterLoss } from './leaf.ts';
import { type Plants } from './plant.ts';
import { type Species } from './species.ts';
import { chillFactor, stageNumber } from './stage.ts';

/** Growth of a day whose night fell below -1 °C, as a share of what light allows (0.4-0.7 observed). */
const FROSTY_DAY = 0.55;
/** Response above which warmth no longer limits photosynthesis. */
const WARM_ENOUGH = 0.58;
/** Nitrogen status (actual over wanted) below which growth falls in proportion, and at which it stops. */
const NITROGEN_ENOUGH = 0.9;
const NITROGEN_STOP = 0.4;
const PER_NITROGEN_SPAN = 1 / (NITROGEN_ENOUGH - NITROGEN_STOP);
const PER_WARM_ENOUGH = 1 / WARM_ENOUGH;
/** New leaves stop adding ground when this much leaf hangs over it. */
const FULL_LEAF = 6;
const HOT_DAYS_TO_COLLAPSE = 5;
/** Share of plants that each further hot day leaves. */
const HEAT_KEEPS = 0.85;
/** Of what the plants want and the ground holds, a day brings this share to the roots at most. */
const UPTAKE_PER_D = 0.12;
/** A legume that finds neither soil nitrogen nor its usual share from the air makes up this much of the rest from the air. */
const EXTRA_FROM_AIR = 0.2;
/** Margin above which cold kills less than one plant in 200, so that nothing need be worked out. */
const SAFE_MARGIN_C = 4.5;
const LAST_PLANTS = 0.005;
/** Heights move slowly: they are worked out every third day. */
const HEIGHT_EVERY_D = 3;

/** Dead leaves rot off the stand: of the leaf lost to winter, this share of dry matter goes with it. */
const WINTER_DM_SHARE = 0.85;
/** What the daily loop asks of a species, flat, so that a day reads one object. */
export interface Traits {
  species: Species;
  extinction: number;
  span_c: number;
  rue_g_MJ: number;
  cap_g_m2_d: number;
  turnover: number;
  fixation: number;
  legume: boolean;
  /** Infinity for kinds that heat does not end. */
  heatKill_c: number;
}

/** What a day offers to every member alike; written over day by day. */
export interface Offer {
  /** Photosynthetically active light on the stand, MJ/m2. */
  par_MJ: number;
  intercepted: number;
  /** Sum of the members' pulls on it. */
  pull: number;
  /** Fall of the critical nitrogen of a canopy this heavy, 0..1. */
  critical: number;
  thawed: number;
  brake: number;
  waterStress: number;
  mineral_g_m2: number;
  /** Of the member whose turn it is: its stage, its warmth of the day. */
  stage: number;
  warmth: number;
  frosty: boolean;
  airTempo: number;
}

/** What a day's gain took and brought, for the balances. */
export interface Gain {
  made_g_m2: number;
  taken_g_m2: number;
  fixed_g_m2: number;
  /** Dry matter that cold and heat took. */
  lost_g_m2: number;
}

// Each step of a plant's day is a function of its own: an engine inlines only so much into one, and together they run a third slower. Figures
// go in and out by the fields of `Offer` and `Gain`: a fraction handed to a function that is not inlined is put on the heap each time.

/** Degree-days, chilling and hardening of one plant's day. @returns its stage number */
export function ageDay(
  p: Plants,
  s: number,
  t: Traits,
  v: Variation,
  warmth: number,
  daylength: number,
  chill: number,
  mean_c: number,
): number {
  const cd = warmth * t.span_c;
  p.plain_cd[s]! += cd;
  p.chilled_d[s]! += chill;
  p.effective_cd[s]! += cd * v.stageRate * daylength * chillFactor(t.species, p.chilled_d[s]!);
  p.hardening[s] = hardenDay(p.hardening[s]!, mean_c);
  return stageNumber(t.species, p.effective_cd[s]!);
}

/** Death by cold and heat, and leaf lost to frost. Writes the dry matter lost into `gain`. */
export function lossDay(
  p: Plants,
  s: number,
  t: Traits,
  v: Variation,
  season: Season,
  d: number,
  gain: Gain,
): void {
  const before = p.dm[s]!;
  const tmin_c = season.tmin_c[d]!;
  const sp = t.species;
  let stands = p.alive[s]!;
  if (tmin_c < 2) {
    const lt50 = lethal50_c(sp, p.hardening[s]!, p.effective_cd[s]!, p.plain_cd[s]!) + v.hardiness_c;
    const margin = plantTemperature_c(sp, tmin_c, season.snow_cm[d]!) - lt50;
    if (margin < p.worstMargin_c[s]!) {
      p.worstMargin_c[s] = margin;
      if (margin < SAFE_MARGIN_C) stands = Math.min(stands, survival(margin));
    }
  }
  if (t.heatKill_c < Infinity) {
    p.hot_d[s] = season.tmax_c[d]! > t.heatKill_c ? p.hot_d[s]! + 1 : Math.max(0, p.hot_d[s]! - 1);
    if (p.hot_d[s]! > HOT_DAYS_TO_COLLAPSE) stands = Math.min(stands, p.alive[s]! * HEAT_KEEPS);
  }
  if (stands < p.alive[s]!) {
    if (stands < LAST_PLANTS) {
      p.alive[s] = 0;
      p.lai[s] = 0;
      p.n[s] = 0;
      p.dm[s] = 0;
      gain.lost_g_m2 = before;
      return;
    }
    const kept = stands / p.alive[s]!;
    p.lai[s]! *= kept;
    p.dm[s]! *= kept;
    p.n[s]! *= kept;
    p.alive[s] = stands;
  }
  const loss = winterLoss(sp, tmin_c, season.snow_cm[d]!);
  if (loss > 0) {
    p.lai[s]! *= 1 - loss;
    p.dm[s]! *= 1 - loss * WINTER_DM_SHARE;
    p.n[s]! *= 1 - loss * WINTER_DM_SHARE;
  }
  gain.lost_g_m2 = before - p.dm[s]!;
}

/** Light to dry matter, leaf, nitrogen and height. Takes from `offer.mineral_g_m2`; writes what it made and took into `gain`. */
export function gainDay(
  p: Plants,
  s: number,
  t: Traits,
  v: Variation,
  offer: Offer,
  d: number,
  gain: Gain,
): void {
  const sp = t.species;
  const { stage, warmth, frosty, airTempo } = offer;
  const ownPct = ownNitrogenPct(sp, stage, offer.critical);
  const share = offer.pull > 0 ? p.pull[s]! / offer.pull : 0;
  const status = p.dm[s]! > 0 ? (p.n[s]! * 100) / (p.dm[s]! * ownPct) : 1;
  const fed = Math.max(0, Math.min(1, (status - NITROGEN_STOP) * PER_NITROGEN_SPAN));
  const aging = stage < 3 ? 1 : stage < 4 ? 0.6 : stage < 5 ? 0.3 : 0.05;
  const vigour = aging * v.growth;
  const byLight =
    t.rue_g_MJ *
    offer.par_MJ *
    offer.intercepted *
    share *
    Math.min(1, warmth * PER_WARM_ENOUGH) *
    (frosty ? FROSTY_DAY : 1) *
    offer.thawed *
    offer.brake *
    offer.waterStress *
    fed *
    vigour;
  const made = Math.min(byLight, t.cap_g_m2_d * vigour * offer.brake * (offer.pull > 0 ? share : 1));
  const shed = p.dm[s]! * t.turnover * airTempo;
  const mass = p.dm[s]! + made - shed;
  if (p.dm[s]! > 0) p.n[s]! -= (shed * 0.5 * p.n[s]!) / (p.dm[s]! + made);
  p.dm[s] = mass;
  const leaf = Math.min(FULL_LEAF, p.lai[s]! + made * SPECIFIC_LEAF_AREA_M2_G * leafShare(sp, stage));
  p.lai[s] = stage > 3.5 ? leaf * (stage >= 5 ? 0.96 : 0.985) : leaf;

  // Nitrogen: from the air as far as the kind can, from the soil as far as it holds.
  const wish = Math.max(0, mass * ownPct * 0.01 - p.n[s]!);
  const fromAir = wish * t.fixation;
  const fromSoil = Math.min(
    Math.max(0, wish - fromAir),
    offer.mineral_g_m2 * UPTAKE_PER_D * Math.min(1, warmth * 3 + 0.1),
  );
  const extra = t.legume ? Math.min(Math.max(0, wish - fromAir - fromSoil), wish * EXTRA_FROM_AIR) : 0;
  offer.mineral_g_m2 -= fromSoil;
  p.n[s]! += fromAir + fromSoil + extra;
  if (d % HEIGHT_EVERY_D === 0) {
    const height = heightOf(sp, stage, mass);
    if (height > p.height[s]!) p.height[s] = height;
  }
  gain.made_g_m2 = made;
  gain.taken_g_m2 = fromSoil;
  gain.fixed_g_m2 = fromAir + extra;
}
