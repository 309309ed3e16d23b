import { type Species } from '../stand/species.ts';

/**
 * Answers: how much heat must add up under an opaque sheet before this stand is dead?
 * Equation: H = 21 h days at 20 °C mean air temperature, h 0.7 easy, 1 medium, 1.8 hard; a day counts 2^((T - 20)/10) and nothing below
 * 4.5 °C; tall stands flattened but not mown need 5 more; never under 10 calendar days.
 * So a medium stand takes 15 days at 25 °C, 21 at 20, 30 at 15, 42 at 10: the fixed weeks that growers quote are one curve.
 * Sources: Rylander 2020; Lounsbury 2020 (form: fitted here to their totals).
 */
const HEAT_D20 = 21;
const HARDNESS = { easy: 0.7, medium: 1, hard: 1.8 } as const;
const TALL_M = 0.4;
const TALL_EXTRA_D20 = 5;
export const FEWEST_SHEET_DAYS = 10;

/** Heat in days at 20 °C; a mix needs what its toughest living member needs. */
export function sheetHeatNeeded(species: Species[], height_m: number): number {
  const h = Math.max(...species.map((s) => HARDNESS[s.ending.sheet]));
  return HEAT_D20 * h + (height_m > TALL_M ? TALL_EXTRA_D20 : 0);
}
