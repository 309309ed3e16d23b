import { type Species } from './species.ts';

/** New leaf per gram of leaf made, middle of 0.018-0.025 for field crops (Monteith 1977 and after). */
export const SPECIFIC_LEAF_AREA_M2_G = 0.022;

/** Share of new dry matter that becomes leaf: high when young, low once stems and heads take it. Straight lines between stages. */
export function leafShare(sp: Species, stage: number): number {
  const [young, bud, flower] = sp.role === 'grass' ? [0.7, 0.4, 0.15] : [0.6, 0.5, 0.35];
  if (stage < 2) return young! + (bud! - young!) * (stage - 1);
  if (stage < 3) return bud! + (flower! - bud!) * (stage - 2);
  return flower! * Math.max(0, 1 - (stage - 3) / 1.5);
}

/**
 * Daily share of leaf lost to hard frost: for a night of -10 °C 2 % in legumes and broad leaves and 0.7 % in grasses (1-3 and 0.3-1
 * observed), growing with cold to three times that; snow over 4 cm halves it.
 */
export function winterLoss(sp: Species, tmin_c: number, snow_cm: number): number {
  if (tmin_c >= -4) return 0;
  const hardness = Math.min(3, (-4 - tmin_c) / 6) * (snow_cm > 4 ? 0.5 : 1);
  return hardness * (sp.role === 'grass' ? 0.007 : 0.02);
}

/**
 * Daily share of dry matter given up by old leaves, shaded out or spent: 0.55 % for broad leaves and 0.3 % for grasses at 20 °C,
 * doubling every 10 °C. Radiation-use figures are for young closed stands; over a winter and spring this is what keeps them true.
 */
export const turnover = (sp: Species, mean_c: number): number =>
  mean_c <= 0 ? 0 : (sp.role === 'grass' ? 0.003 : 0.0055) * Math.pow(2, (mean_c - 20) / 10);

/**
 * Critical nitrogen of a canopy, % of dry matter: 4.8 W^-0.32 for C3 and 3.6 W^-0.34 for C4 plants, W in t/ha, level below 1 t/ha.
 * Source: Lemaire and Gastal 1997. Worked figure: 4 t/ha of a C3 stand needs 3.08 %.
 */
function criticalNitrogenPct(sp: Species, totalDm_g_m2: number): number {
  const w = Math.max(1, totalDm_g_m2 / 100);
  return sp.role === 'grass' && sp.season === 'warm' ? 3.6 * Math.pow(w, -0.34) : 4.8 * Math.pow(w, -0.32);
}

/** Nitrogen the plant would hold if the soil gave it: the catalogue's course for legumes, the critical curve for the rest. */
export function ownNitrogenPct(sp: Species, stage: number, totalDm_g_m2: number): number {
  const { leafyPct, flowerPct, seedPct } = sp.nitrogen;
  const course =
    stage < 3
      ? leafyPct + ((flowerPct - leafyPct) * (stage - 1)) / 2
      : flowerPct + ((seedPct - flowerPct) * Math.min(2, stage - 3)) / 2;
  if (sp.role === 'legume') return course;
  return Math.min(criticalNitrogenPct(sp, totalDm_g_m2), course * 1.25);
}

/** Exponent of ground cover: leaves of broad plants lie flatter and cover more per area. */
export const coverOf = (sp: Species, lai: number): number => lai * (sp.role === 'grass' ? 0.62 : 0.85);

/** Height follows stage (grasses shoot late) and how well the stand has grown. */
export function heightOf(sp: Species, stage: number, dm_g_m2: number): number {
  const climb =
    stage < 2
      ? 0.06 + (sp.role === 'grass' ? 0.3 : 0.42) * (stage - 1) ** 1.5
      : stage < 3
        ? 0.48 + 0.52 * (stage - 2)
        : 1;
  const vigour = Math.min(
    1.25,
    Math.max(0.25, Math.pow(Math.max(1, dm_g_m2) / sp.growth.typical_g_m2, 0.35)),
  );
  return sp.growth.heightFlower_m * (stage < 2 ? Math.min(climb, 0.06 + climb * vigour) : climb * vigour);
}
