import { exp } from '../units/exact.ts';

/**
 * Answers: how much cooler is the soil at 5 cm under what lies, as a daily mean, in spring and early summer?
 * Equation: the daily maximum falls by 6.5 (1 - e^(-0.35 M)) in full sun of 20 MJ/m2 and in proportion to the sun, the minimum rises by 1.2 (1 - e^(-0.25 M));
 * the mean falls by half their difference. M dry residue on top, t/ha.
 * Source: Teasdale and Mohler 1993 (maximum 2-6 °C lower, mean 1-3 in spring); set here inside those ranges.
 * Deviation: those trials compared with dry, dark ground. Bare ground here takes up to 2 °C from the sun (see the season), as damp beds do, and what lies cannot keep
 * off much more than that: 0.65 of the difference (0.6 for damp ground and old residue).
 * Worked figure: 4 t/ha under 20 MJ/m2 keep the ground 1.3 °C cooler.
 */
const DAMP_GROUND = 0.65;
const MAX_FALLS_C = 6.5;
const MIN_RISES_C = 1.2;
const BRIGHT_MJ = 20;

export const coolerUnder_c = (residue_t_ha: number, radiation_MJ: number): number =>
  Math.max(
    0,
    (DAMP_GROUND *
      (MAX_FALLS_C * (radiation_MJ / BRIGHT_MJ) * (1 - exp(-0.35 * residue_t_ha)) -
        MIN_RISES_C * (1 - exp(-0.25 * residue_t_ha)))) /
      2,
  );
