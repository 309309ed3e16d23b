import { higher, lower, share01 } from '../units/bounds.ts';
import { exp } from '../units/exact.ts';
import { SEEDLING_CD, type Traits } from './traits.ts';

/**
 * Answers: how cold can this plant get today before half of its kind die, and how cold does it get?
 * Hardening h goes 0..1 by (10 - T)/130 a day below 10 °C (about four weeks at 5 °C) and is lost four times as fast above;
 * LT50 = tender + h (hardened - tender), raised up to 3.5 °C for seedlings under 275 °C d and set to tender once stems shoot.
 * Survival of a population is logistic in its worst margin: 1/(1 + exp(1.8 (LT50 - T))), nine tenths to one tenth within 2.4 °C.
 * Crown temperature is air minimum + 4 °C, plus a fifth of what the air falls below -10 °C (the ground gives heat), plus a quarter
 * of a degree per cm of snow up to 10 cm. Exposed tops lose heat to a clear sky and stand up to 2 °C below the screen (a day's range of 12 °C
 * and more stands for a clear night, 4 °C for an overcast one). Peas and beans whose seed leaves stay in the ground shoot again from nodes there while they
 * are seedlings, as cold as a crown (extension guides on frosted field peas; recalled); the leaf of their first tops is not taken off. A perennial's crown hardens every autumn, whatever stage its shoots reached.
 * Sources: Snyder and de Melo-Abreu 2005 (leaves 1-3 °C below screen on frost nights); Fowler, Limin and Ritchie 1999; Bergjord, Bonesmo and Skjelvag 2008. Deviation: one linear rate for all species.
 * Worked figure: rye fully hardened (-29 °C) at a crown temperature of -29 °C keeps half of its plants.
 */
const HARDEN_BELOW_C = 10;
const HARDEN_RATE = 1 / 130;
const DEHARDEN_TIMES = 4;
const PER_SEEDLING_CD = 1 / SEEDLING_CD;
const SEEDLING_PENALTY_C = 3.5;

export function hardenDay(hardening: number, mean_c: number): number {
  const pull = (HARDEN_BELOW_C - mean_c) * HARDEN_RATE;
  return share01(hardening + (pull > 0 ? pull : pull * DEHARDEN_TIMES));
}

export function lethal50_c(t: Traits, hardening: number, effective_cd: number, plain_cd: number): number {
  if (effective_cd >= t.bud_cd && !t.perennial) return t.tender_c;
  const youth = plain_cd < SEEDLING_CD ? SEEDLING_PENALTY_C * (1 - plain_cd * PER_SEEDLING_CD) : 0;
  return lower(t.tender_c, t.tender_c + hardening * (t.hardened_c - t.tender_c) + youth);
}

const CLEAR_SKY_C = 2;
const OVERCAST_RANGE_C = 4;
const PER_CLEARING_C = 1 / 8;

export function plantTemperature_c(
  t: Traits,
  tmin_c: number,
  tmax_c: number,
  snow_cm: number,
  plain_cd: number,
): number {
  if (t.topsExposed && plain_cd >= t.nodesUntil_cd)
    return (
      tmin_c -
      CLEAR_SKY_C * share01((tmax_c - tmin_c - OVERCAST_RANGE_C) * PER_CLEARING_C) +
      lower(5, snow_cm * 0.25)
    );
  return tmin_c + 4 + higher(0, -10 - tmin_c) * 0.2 + lower(10, snow_cm) * 0.25;
}

/** Share of plants that come through a worst margin (plant temperature minus LT50) in °C. */
export const survival = (margin_c: number): number => 1 / (1 + exp(-SLOPE_PER_C * margin_c));
const SLOPE_PER_C = 1.8;
