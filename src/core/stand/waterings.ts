import { type DayIndex } from '../calendar/day.ts';
import { type SoilState } from '../soil/day.ts';
import { SEED_ZONE_MM, TOP_MM } from '../soil/soil.ts';
import { type Given } from './input.ts';

/** A watering of the seed bed, and of a dry standing cover. */
const SPRINKLE_MM = 6;
const DRYING = 0.5;
export const IRRIGATION_MM = 15;
export const IRRIGATE_BELOW = 0.45;

/** What the gardener waters today: a drying seed bed while seed waits in it, and a standing cover in drought where that is wanted. */
export function waterings(st: SoilState, given: Given, d: DayIndex, waiting: boolean, onTop: boolean): void {
  st.watering_mm = 0;
  if (d < given.sownAt) return;
  if (d < given.loggedUntil) {
    st.watering_mm = given.logged_mm.get(d) ?? 0;
    return;
  }
  const drying = onTop ? st.top_mm < TOP_MM * DRYING : st.seedZone_mm < SEED_ZONE_MM * DRYING;
  if (waiting && given.watered && drying) st.watering_mm = SPRINKLE_MM;
  if (given.irrigated && st.root_mm < st.capacity_mm * IRRIGATE_BELOW) st.watering_mm = IRRIGATION_MM;
}
