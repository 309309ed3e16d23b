import { type DayIndex } from '../calendar/day.ts';
import { higher, lower, share01 } from '../units/bounds.ts';
import { hardenDay, lethal50_c, plantTemperature_c, survival } from './cold.ts';
import { type Variation } from './variation.ts';
import { heightOf, leafShare, ownNitrogenPct, winterLoss } from './leaf.ts';
import { type Plant } from './plant.ts';
import { chillFactor, stageNumber } from './stage.ts';
import { type Today } from './today.ts';
import { type Traits } from './traits.ts';

/** Growth of a day whose night fell below -1 °C, as a share of what light allows (0.4-0.7 observed). */
const FROSTY_DAY = 0.55;
const FROSTY_NIGHT_C = -1;
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
/** An annual that has flowered this long is spent, ripe or not: each further day leaves nine plants in ten. */
const FLOWERS_AT_MOST_D = 110;
const SPENT_KEEPS = 0.9;
/** Share of plants that each further hot day leaves. */
const HEAT_KEEPS = 0.85;
/** Of what the plants want and the ground holds, a day brings this share to the roots at most. */
const UPTAKE_PER_D = 0.12;
/** A legume that finds neither soil nitrogen nor its usual share from the air makes up this much of the rest from the air. */
const EXTRA_FROM_AIR = 0.2;
/** Margin above which cold kills less than one plant in 200, so that nothing need be worked out. */
const SAFE_MARGIN_C = 4.5;
const LAST_PLANTS = 0.005;
/** Air minimum above which no cover is hurt. */
const FROST_FROM_C = 3;
/** Growth that a chilled night leaves to a warm-season kind. */
const CHILLED_DAY = 0.5;
/** Heights move slowly: they are worked out every fourth day, the days whose last two bits are nought. */
const HEIGHT_BITS = 3;

/** Dead leaves rot off the stand: of the leaf lost to winter, this share of dry matter goes with it. */
const WINTER_DM_SHARE = 0.85;

/** Share of a day's growth that a night this cold leaves. */
export const afterNight = (tmin_c: number): number => (tmin_c < FROSTY_NIGHT_C ? FROSTY_DAY : 1);

// Each step of a plant's day is a function of its own: an engine inlines only so much into one, and together they run a third slower. Figures
// go in and out by the fields of `Today`: a fraction handed to a function that is not inlined is put on the heap each time.

/** Degree-days, chilling, hardening and stage of one plant's day. */
export function ageDay(q: Plant, t: Traits, v: Variation, today: Today): void {
  const cd = today.warmth * t.span_c;
  q.plain_cd += cd;
  q.chilled_d += today.chill;
  q.effective_cd += cd * v.stageRate * today.daylength * chillFactor(t, q.chilled_d);
  q.hardening = hardenDay(q.hardening, today.mean_c);
  q.stage = stageNumber(t, q.effective_cd);
}

/** A cold night against what the plant can bear: the worst margin so far decides how many still stand. */
function frostDay(q: Plant, t: Traits, v: Variation, today: Today): void {
  const lt50 = lethal50_c(t, q.hardening, q.effective_cd, q.plain_cd) + v.hardiness_c;
  const margin = plantTemperature_c(t, today.tmin_c, today.tmax_c, today.snow_cm, q.plain_cd) - lt50;
  if (margin >= q.worstMargin_c) return;
  q.worstMargin_c = margin;
  if (margin < SAFE_MARGIN_C) today.stands = lower(today.stands, survival(margin));
}

/** Death by cold and heat, and leaf lost to frost. Writes the dry matter lost into `today`. */
export function lossDay(q: Plant, t: Traits, v: Variation, today: Today): void {
  const before = q.dm;
  const beforeN = q.n;
  const { tmin_c } = today;
  today.stands = q.alive;
  if (tmin_c < FROST_FROM_C) frostDay(q, t, v, today);
  if (t.heatKill_c < Infinity) {
    q.hot_d = today.tmax_c > t.heatKill_c ? q.hot_d + 1 : higher(0, q.hot_d - 1);
    if (q.hot_d > HOT_DAYS_TO_COLLAPSE) today.stands = lower(today.stands, q.alive * HEAT_KEEPS);
  }
  if (t.annual && q.stage >= 3 && ++q.flowered_d > FLOWERS_AT_MOST_D)
    today.stands = lower(today.stands, q.alive * SPENT_KEEPS);
  const { stands } = today;
  if (stands < q.alive) {
    if (stands < LAST_PLANTS) {
      q.alive = 0;
      q.lai = 0;
      q.n = 0;
      q.dm = 0;
      today.lost_g_m2 = before;
      today.lostN_g_m2 = beforeN;
      return;
    }
    const kept = stands / q.alive;
    q.lai *= kept;
    q.dm *= kept;
    q.n *= kept;
    q.alive = stands;
  }
  const loss = winterLoss(t, tmin_c, today.snow_cm);
  if (loss > 0) {
    q.lai *= 1 - loss;
    q.dm *= 1 - loss * WINTER_DM_SHARE;
    q.n *= 1 - loss * WINTER_DM_SHARE;
  }
  today.lost_g_m2 = before - q.dm;
  today.lostN_g_m2 = beforeN - q.n;
}

/** Hardened this far, a perennial has gone to rest; it shoots again from its crown when it is warm. */
const AT_REST = 0.5;
/** Of a shoot at bud and beyond, this share dies back to the crown at rest or after its seed. */
const DIES_BACK = 0.5;
/** Leaf that a crown pushes from its reserves on the first growing days, m2/m2. */
const CROWN_LEAF = 0.2;
const CROWN_WAKES_C = 4;

/**
 * A perennial begins a new shoot cycle when it has gone to rest after budding, and when its shoots have ripened: old shoots die back, the crown
 * lives. Awake, it keeps at least the leaf that its reserves push. Writes the dry matter lost into `today`.
 */
export function renewDay(q: Plant, t: Traits, today: Today): void {
  const budded = q.effective_cd >= t.bud_cd;
  if ((budded && q.hardening > AT_REST) || q.stage >= 5) {
    q.effective_cd = 0;
    q.stage = 1;
    q.height *= 1 - DIES_BACK;
    today.lost_g_m2 += q.dm * DIES_BACK;
    today.lostN_g_m2 += q.n * DIES_BACK;
    q.dm *= 1 - DIES_BACK;
    q.n *= 1 - DIES_BACK;
    q.lai *= 1 - DIES_BACK;
  }
  if (today.mean_c > CROWN_WAKES_C) q.lai = higher(q.lai, CROWN_LEAF * q.alive);
}

/** Warmth since coming up after which a legume that lives on has built its taproot and crown, °C d. */
const ESTABLISHED_CD = 600;
const PER_ESTABLISHED_CD = 1 / ESTABLISHED_CD;

/**
 * Share of new dry matter that goes into the tops. A kind that lives on builds root and crown first, and again as days shorten towards winter (autumn
 * dormancy of lucerne, red clover and sweetclover, whose roots swell until November: Willard 1927, Smith 1961; recalled).
 */
const topsShare = (t: Traits, plain_cd: number, rests: number): number =>
  t.firstTops < 1
    ? t.firstTops + (1 - t.firstTops) * lower(1 - rests, lower(1, plain_cd * PER_ESTABLISHED_CD))
    : 1;

/** Light to dry matter, leaf, nitrogen and height. Takes from `today.mineral_g_m2`; writes what it made and took into `today`. */
export function gainDay(q: Plant, t: Traits, v: Variation, today: Today, d: DayIndex): void {
  const { stage, dm, n } = q;
  const { warmth, perPull, brake } = today;
  const ownPct = ownNitrogenPct(t, stage, today.critical);
  const status = dm > 0 ? (n * 100) / (dm * ownPct) : 1;
  const fed = share01((status - NITROGEN_STOP) * PER_NITROGEN_SPAN);
  const vigour = (stage < 3 ? 1 : stage < 4 ? 0.6 : stage < 5 ? 0.3 : 0.05) * v.growth;
  const share = q.pull * perPull;
  const night = today.tmin_c < t.chilledBelow_c ? CHILLED_DAY : today.afterNight;
  const byLight = today.light_MJ * t.rue_g_MJ * lower(1, warmth * PER_WARM_ENOUGH) * night * share * fed;
  const made =
    vigour *
    topsShare(t, q.plain_cd, today.shortens * (1 - today.daylength)) *
    lower(byLight, t.cap_g_m2_d * brake * share);
  const shed = dm * t.turnover * today.airTempo;
  const mass = dm + made - shed;
  const leaf = lower(FULL_LEAF, q.lai + made * t.leafArea_m2_g * leafShare(t, stage));
  q.lai = stage > 3.5 ? leaf * (stage >= 5 ? 0.96 : 0.985) : leaf;
  q.dm = mass;

  // Nitrogen: half of it leaves old leaves before they fall; from the air as far as the kind can, from the soil as far as it holds.
  const left = dm > 0 ? n - (shed * 0.5 * n) / (dm + made) : n;
  const wish = higher(0, mass * ownPct * 0.01 - left);
  const fromAir = wish * q.fixes;
  const there = today.mineral_g_m2 * UPTAKE_PER_D * lower(1, warmth * 3 + 0.1);
  const fromSoil = lower(higher(0, wish - fromAir), there);
  const extra = t.legume ? lower(higher(0, wish - fromAir - fromSoil), wish * EXTRA_FROM_AIR) : 0;
  today.mineral_g_m2 -= fromSoil;
  q.n = left + fromAir + fromSoil + extra;
  if ((d & HEIGHT_BITS) === 0) q.height = higher(q.height, heightOf(t, stage, mass));
  today.made_g_m2 = made;
  today.taken_g_m2 = fromSoil;
  today.fixed_g_m2 = fromAir + extra;
}
