import { type HenPen } from './things.ts';

// Hens in a pen that moves. Practice; nitrogen in manure 1.5-1.7 g a hen and day.

/** Hen-days on each square metre that make a round, and that the year's manure allows (17 g N/m2). */
export const ROUND_HEN_DAYS_M2 = 7.5;
const N_PER_HEN_DAY_G = 1.6;
export const MANURE_CAP_G_M2 = 17;
/** By day only, hens leave about this share of their work and their manure. */
const DAY_ONLY = 0.62;
/** Moved pens overlap by a tenth. */
const USED = 0.9;
export const LEAST_M2_A_HEN = 0.36;

export interface PenPlan {
  spots: number;
  m2AHen: number;
  daysASpot: number;
  /** From the first spot to the last. */
  roundDays: number;
  /** Hen-days on a square metre each day. */
  henDays_m2_d: number;
  nitrogen_g_m2: number;
  overManure: boolean;
  crowded: boolean;
  minutesADay: number;
  minutesAMove: number;
}

/** Daily care, and one move with its look behind the ramp. */
const CARE_MIN = 15;
const MOVE_MIN = 6;

/** @param target hen-days a square metre of one round */
export function penPlan(area_m2: number, pen: HenPen, target = ROUND_HEN_DAYS_M2): PenPlan {
  const pen_m2 = pen.width_m * pen.length_m;
  const spots = Math.max(1, Math.ceil(area_m2 / (pen_m2 * USED) - 1e-9));
  const day = (pen.hens / pen_m2) * (pen.wholeDay ? 1 : DAY_ONLY);
  const daysASpot = target / day;
  const nitrogen = target * N_PER_HEN_DAY_G;
  return {
    spots,
    m2AHen: pen_m2 / pen.hens,
    daysASpot,
    roundDays: spots * daysASpot,
    henDays_m2_d: day,
    nitrogen_g_m2: nitrogen,
    overManure: nitrogen > MANURE_CAP_G_M2,
    crowded: pen_m2 / pen.hens < LEAST_M2_A_HEN - 1e-9,
    minutesADay: CARE_MIN,
    minutesAMove: MOVE_MIN,
  };
}

/** The spots of a round with the day each begins, for someone else to follow. Days whole, from day 0. */
export function moveList(plan: PenPlan): { spot: number; day: number; days: number }[] {
  return Array.from({ length: plan.spots }, (_, i) => {
    const day = Math.round(i * plan.daysASpot);
    return { spot: i + 1, day, days: Math.max(1, Math.round((i + 1) * plan.daysASpot) - day) };
  });
}
