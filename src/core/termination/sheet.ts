import { type DayIndex } from '../calendar/day.ts';
import { type Member, type Species } from '../stand/species.ts';
import { power } from '../units/exact.ts';
import { type Season, reaches } from '../weather/season.ts';
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

const TALL_M = 0.4;
const TALL_EXTRA_D20 = 5;
/** A kind with fewer plants alive than this does not lengthen the wait. */
const HARDLY_ANY = 0.02;

/**
 * Heat that what was laid must gather before the toughest living member is dead: days at 20 °C, under film bright 32 °C days; 0 when nothing lives.
 * @param alive share of plants alive of each member, laid out from `first` on
 */
export function heatNeeded(
  members: Member[],
  alive: ArrayLike<number>,
  first: number,
  covering: Exclude<Covering, null>,
  height_m: number,
  loweredFirst: boolean,
): number {
  let hardest = 0;
  for (let s = 0; s < members.length; s++) {
    if (alive[first + s]! <= HARDLY_ANY) continue;
    const sp = members[s]!.species;
    const needs = covering === 'film' ? FILM_NEEDS[sp.ending.sheet] : coveringHeat(sp, covering);
    if (needs > hardest) hardest = needs;
  }
  if (hardest === 0) return 0;
  return hardest + (!loweredFirst && height_m > TALL_M ? TALL_EXTRA_D20 : 0);
}

/** Day on which a covering laid on day `laid` has gathered the heat, or never in this season. */
export const deadUnder = (
  season: Season,
  covering: Exclude<Covering, null>,
  laid: DayIndex,
  heat: number,
): number =>
  Math.max(
    laid + FEWEST_SHEET_DAYS,
    reaches(covering === 'film' ? season.filmHeat : season.sheetHeat, laid, heat),
  );

/**
 * Share of plants dead when a covering comes off after this share of the heat they need: reserves run out late, so most die in the last third
 * (judgement: 0.02 at a quarter, 0.25 at half, 0.62 at three quarters, 0.9 at the full heat, where a stand counts as dead).
 */
export const deadAfter = (share: number): number => 1 - power(10, -(share * share * share));
