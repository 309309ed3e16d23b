import { type SetOut } from '../plantBack/onTheDay.ts';

// Minutes by hand that the crops of a plan ask on the day they go in; judgement of what one person does at a steady pace.

/** Making a hole a hand wide, setting, firming and watering one plant; wider holes take as many times more as they have more soil. */
const SET_MIN = 0.35;
const HAND_CM = 12;
/** Drawing, sowing and closing a metre of row. */
const ROW_MIN_M = 0.5;

/**
 * Minutes that setting a crop out, or sowing it, takes on a bed.
 * @param area_m2 of the bed
 */
export function plantingMinutes(
  s: Pick<SetOut, 'row_m' | 'between_m' | 'perPlace' | 'hole_cm'>,
  way: 'transplant' | 'seed',
  area_m2: number,
): number {
  if (way === 'seed') return (area_m2 / s.between_m) * ROW_MIN_M;
  const wider = Math.max(1, (s.hole_cm ?? HAND_CM) / HAND_CM);
  return (area_m2 / (s.row_m * s.between_m)) * s.perPlace * SET_MIN * wider * wider;
}
