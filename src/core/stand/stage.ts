import { lower } from '../units/bounds.ts';
import { type Species } from './species.ts';
import { type Traits } from './traits.ts';

/**
 * Answers: how far along is the plant?
 * Effective degree-days are the day's sum times a day-length factor times a chilling factor:
 * long-day fP = clip((P - Pb)/(Pc - Pb), floor, 1); short-day fP = clip((Pb - P)/(Pb - Pc), floor, 1);
 * fV = floor + (1 - floor) min(1, VD/Vreq), where a day counts fully for chilling between 1 and 7 °C, falling to none at -4 and 14 °C.
 * A stage is a number: 1 emerged, 2 bud or boot, 3 half in flower, 4 milk or full pod, 5 first viable seed.
 * Source: factors as stated in the catalogue, fitted to flowering windows (see docs/methods/stages.md).
 */
export function daylengthFactor(species: Species, hours: number): number {
  const d = species.daylength;
  if (!d) return 1;
  const share =
    d.response === 'long'
      ? (hours - d.floorAt_h) / (d.fullAt_h - d.floorAt_h)
      : (d.floorAt_h - hours) / (d.floorAt_h - d.fullAt_h);
  return Math.max(d.floor, Math.min(1, share));
}

export const chillFactor = (t: Traits, chilled_d: number): number =>
  t.chillFloor + (1 - t.chillFloor) * lower(1, chilled_d * t.perChilled_d);

/** Stage number 1..5 from effective degree-days since emergence, straight between the catalogue's marks. */
export function stageNumber(t: Traits, effective_cd: number): number {
  if (effective_cd < t.bud_cd) return 1 + effective_cd / t.bud_cd;
  if (effective_cd < t.flower_cd) return 2 + (effective_cd - t.bud_cd) / (t.flower_cd - t.bud_cd);
  if (effective_cd < t.milk_cd) return 3 + (effective_cd - t.flower_cd) / (t.milk_cd - t.flower_cd);
  if (effective_cd < t.seed_cd) return 4 + (effective_cd - t.milk_cd) / (t.seed_cd - t.milk_cd);
  return 5;
}

const factors = new WeakMap<Float64Array, Map<Species, Float64Array>>();

/** Day-length factor of every day; day lengths are shared by the seasons of an ensemble, and so is this. */
export function daylengthFactors(species: Species, hours: Float64Array): Float64Array {
  let known = factors.get(hours);
  if (!known) factors.set(hours, (known = new Map<Species, Float64Array>()));
  let found = known.get(species);
  if (!found) known.set(species, (found = hours.map((h) => daylengthFactor(species, h))));
  return found;
}
