import { type Species } from '../stand/species.ts';
import { type Covering } from './method.ts';

/**
 * Answers: how much heat must add up under an opaque sheet before this kind is dead?
 * Equation: H = 21 h days at 20 °C mean air temperature, h 0.7 easy, 1 medium, 1.8 hard; a day counts 2^((T - 20)/10) and nothing below
 * 1.5 °C (plants in the dark use themselves up at any temperature over freezing); tall stands flattened but not cut or crimped need 5 more; never under 10 calendar days. A mix needs what its toughest
 * living member needs. So a medium stand takes 15 days at 25 °C, 21 at 20, 30 at 15, 42 at 10: the fixed weeks that growers quote
 * are one curve. Cardboard lets light in at its joints and asks 30 % more.
 * Sources: Rylander 2020; Lounsbury 2020 (form: fitted here to their totals).
 */
const HEAT_D20 = 21;
const HARDNESS = { easy: 0.7, medium: 1, hard: 1.8 } as const;
const CARDBOARD_TIMES = 1.3;
export const FEWEST_SHEET_DAYS = 10;

/** Heat in days at 20 °C. */
export const coveringHeat = (sp: Species, covering: Exclude<Covering, null>): number =>
  HEAT_D20 * HARDNESS[sp.ending.sheet] * (covering === 'cardboard' ? CARDBOARD_TIMES : 1);

/**
 * Bright 32 °C days that clear film needs to kill low-cut tops: 8 for tender kinds, 14, and 30 for kinds that come from crowns (tops
 * die in 3-10 days with leaves above 45-50 °C; survivors sprout).
 */
export const FILM_NEEDS = { easy: 8, medium: 14, hard: 30 } as const;
