import { exp, power } from '../units/exact.ts';
import { higher, lower } from '../units/bounds.ts';
import { lookUp, tableOf } from '../units/table.ts';
import { type Traits } from './traits.ts';

/** Share of new dry matter that becomes leaf: high when young, low once stems and heads take it. Straight lines between stages. */
export function leafShare(t: Traits, stage: number): number {
  if (stage < 2) return t.leafYoung + (t.leafBud - t.leafYoung) * (stage - 1);
  if (stage < 3) return t.leafBud + (t.leafFlower - t.leafBud) * (stage - 2);
  return t.leafFlower * higher(0, 1 - (stage - 3) * (2 / 3));
}

/** (degrees below -4 / 6)^1.5, at most six: 1 at -10 °C, 2.8 at -16, 6 at -24. */
const HARSHNESS = tableOf((below) => lower(6, power(below / 6, 1.5)), 0, 24, 480);

/**
 * Daily share of leaf lost to hard frost, rising faster than the cold below -4 °C; snow over 4 cm halves it. In a continental winter
 * little green is left by spring.
 */
export function winterLoss(t: Traits, tmin_c: number, snow_cm: number): number {
  if (tmin_c >= -4) return 0;
  return lookUp(HARSHNESS, -4 - tmin_c) * (snow_cm > 4 ? 0.5 : 1) * t.leafLoss;
}

/**
 * Critical nitrogen of a canopy, % of dry matter: 4.8 W^-0.32 for C3 and 3.6 W^-0.34 for C4 plants, W in t/ha, level below 1 t/ha.
 * Source: Lemaire and Gastal 1997. Worked figure: 4 t/ha of a C3 stand needs 3.08 %.
 */
const C3_PCT = 4.8;
const C4_PCT = 3.6;
/** C4 falls a little faster: the exponent differs by 0.02, which this share of the C3 fall stands for. */
const C4_EXTRA = 0.34 / 0.32;
const CRITICAL_FROM_G = 100;
const CRITICAL = tableOf((g) => power(g / CRITICAL_FROM_G, -0.32), CRITICAL_FROM_G, 4000, 3900);

/** W^-0.32 for a canopy above 1 t/ha: the fall that both curves share, worked out once a day for all members. */
export const criticalShare = (dm_g_m2: number): number =>
  dm_g_m2 > CRITICAL_FROM_G ? lookUp(CRITICAL, dm_g_m2) : 1;

/** Well-fed plants hold this much more than the catalogue's usual content. */
const LUXURY = 1.1;
/** Legumes feed themselves and stay this far above the critical curve, but they dilute with mass like all (Lemaire and Gastal 1997; pea, vetch and clovers hold 1.0-1.3 of critical). */
const LEGUME_ABOVE = 1.15;

/** Nitrogen the plant would hold if the soil gave it: the catalogue's course for legumes, the critical curve for the rest. */
export function ownNitrogenPct(t: Traits, stage: number, critical: number): number {
  const course =
    stage < 3
      ? t.leafyPct + (t.flowerPct - t.leafyPct) * (stage - 1) * 0.5
      : t.flowerPct + (t.seedPct - t.flowerPct) * lower(2, stage - 3) * 0.5;
  if (t.legume) return lower(course, LEGUME_ABOVE * C3_PCT * critical);
  const canopy = t.c4 ? C4_PCT * (1 - (1 - critical) * C4_EXTRA) : C3_PCT * critical;
  return lower(canopy, course * LUXURY);
}

/** (growth against typical)^0.35, between a quarter and five quarters. */
const VIGOUR = tableOf((share) => lower(1.25, higher(0.25, power(share, 0.35))), 0, 2, 2000);
/** Young stems climb slowly, then fast. */
const CLIMB = tableOf((x) => power(x, 1.5), 0, 1, 500);
const LIGHT_LEFT = tableOf((x) => exp(-x), 0, 12, 6000);

/** What is left of light under this much leaf area times extinction (Beer's law). */
export const lightLeft = (leaf: number): number => lookUp(LIGHT_LEFT, leaf);

/** Height follows stage (grasses shoot late) and how well the stand has grown. */
export function heightOf(t: Traits, stage: number, dm_g_m2: number): number {
  const climb =
    stage < 2 ? 0.06 + t.youngClimb * lookUp(CLIMB, stage - 1) : stage < 3 ? 0.48 + 0.52 * (stage - 2) : 1;
  const vigour = lookUp(VIGOUR, dm_g_m2 * t.perTypical_g_m2);
  return t.heightFlower_m * (stage < 2 ? lower(climb, 0.06 + climb * vigour) : climb * vigour);
}
