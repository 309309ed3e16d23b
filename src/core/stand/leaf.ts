import { tableOf } from '../units/table.ts';
import { type Species } from './species.ts';
import { exp, power } from '../units/exact.ts';

/** New leaf per gram of leaf made, middle of 0.018-0.025 for field crops (Monteith 1977 and after). */
export const SPECIFIC_LEAF_AREA_M2_G = 0.022;

/** Share of new dry matter that becomes leaf: high when young, low once stems and heads take it. Straight lines between stages. */
export function leafShare(sp: Species, stage: number): number {
  const grass = sp.role === 'grass';
  const young = grass ? 0.7 : 0.6;
  const bud = grass ? 0.4 : 0.5;
  const flower = grass ? 0.15 : 0.35;
  if (stage < 2) return young + (bud - young) * (stage - 1);
  if (stage < 3) return bud + (flower - bud) * (stage - 2);
  return flower * Math.max(0, 1 - (stage - 3) / 1.5);
}

/** (degrees below -4 / 6)^1.5, at most six: 1 at -10 °C, 2.8 at -16, 6 at -24. */
const harshness = tableOf((below) => Math.min(6, power(below / 6, 1.5)), 0, 24, 480);

/**
 * Daily share of leaf lost to hard frost: for a night of -10 °C 2 % in legumes and broad leaves and 0.7 % in grasses (1-3 and 0.3-1
 * observed), rising faster than the cold; snow over 4 cm halves it. In a continental winter little green is left by spring.
 */
export function winterLoss(sp: Species, tmin_c: number, snow_cm: number): number {
  if (tmin_c >= -4) return 0;
  const hardness = harshness(-4 - tmin_c) * (snow_cm > 4 ? 0.5 : 1);
  return hardness * (sp.role === 'grass' ? 0.007 : 0.02);
}

/**
 * Daily share of dry matter given up by old leaves, shaded out or spent: 0.55 % for broad leaves and 0.3 % for grasses at 20 °C,
 * doubling every 10 °C. Radiation-use figures are for young closed stands; over a winter and spring this is what keeps them true.
 */
export const turnoverAt20 = (sp: Species): number => (sp.role === 'grass' ? 0.003 : 0.0055);

/**
 * Critical nitrogen of a canopy, % of dry matter: 4.8 W^-0.32 for C3 and 3.6 W^-0.34 for C4 plants, W in t/ha, level below 1 t/ha.
 * Source: Lemaire and Gastal 1997. Worked figure: 4 t/ha of a C3 stand needs 3.08 %.
 */
const C3_PCT = 4.8;
const C4_PCT = 3.6;
/** C4 falls a little faster: the exponent differs by 0.02, which this share of the C3 fall stands for. */
const C4_EXTRA = 0.34 / 0.32;

/** W^-0.32 for a canopy above 1 t/ha: the fall that both curves share, worked out once a day for all members. */
export const criticalShare = tableOf((g) => power(g / 100, -0.32), 100, 4000, 3900);

function criticalNitrogenPct(sp: Species, critical: number): number {
  return sp.role === 'grass' && sp.season === 'warm'
    ? C4_PCT * (1 - (1 - critical) * C4_EXTRA)
    : C3_PCT * critical;
}

/** Well-fed plants hold this much more than the catalogue's usual content. */
const LUXURY = 1.1;

/** Nitrogen the plant would hold if the soil gave it: the catalogue's course for legumes, the critical curve for the rest. */
export function ownNitrogenPct(sp: Species, stage: number, critical: number): number {
  const { leafyPct, flowerPct, seedPct } = sp.nitrogen;
  const course =
    stage < 3
      ? leafyPct + ((flowerPct - leafyPct) * (stage - 1)) / 2
      : flowerPct + ((seedPct - flowerPct) * Math.min(2, stage - 3)) / 2;
  if (sp.role === 'legume') return course;
  return Math.min(criticalNitrogenPct(sp, critical), course * LUXURY);
}

/** Exponent of ground cover: leaves of broad plants lie flatter and cover more per area. */
export const coverOf = (sp: Species, lai: number): number => lai * (sp.role === 'grass' ? 0.62 : 0.85);

/** (growth against typical)^0.35, between a quarter and five quarters. */
const vigourOf = tableOf((share) => Math.min(1.25, Math.max(0.25, power(share, 0.35))), 0, 2, 2000);
/** Young stems climb slowly, then fast. */
const climbOf = tableOf((x) => power(x, 1.5), 0, 1, 500);
/** What is left of light under this much leaf area times extinction (Beer's law). */
export const lightLeft = tableOf((x) => exp(-x), 0, 12, 6000);

/** Height follows stage (grasses shoot late) and how well the stand has grown. */
export function heightOf(sp: Species, stage: number, dm_g_m2: number): number {
  const climb =
    stage < 2
      ? 0.06 + (sp.role === 'grass' ? 0.3 : 0.42) * climbOf(stage - 1)
      : stage < 3
        ? 0.48 + 0.52 * (stage - 2)
        : 1;
  const vigour = vigourOf(dm_g_m2 / sp.growth.typical_g_m2);
  return sp.growth.heightFlower_m * (stage < 2 ? Math.min(climb, 0.06 + climb * vigour) : climb * vigour);
}
