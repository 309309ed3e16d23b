import { type DayIndex } from '../calendar/day.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from './emergence.ts';
import { type Member } from './species.ts';

// What a stand is grown from, and the same as its daily loop asks for it.

/** A crop that still stands over the seed and lets this share of light through until it is cleared. */
export interface Canopy {
  until: number;
  lightThrough: number;
}

/** Light on the ground under a crop at its last weeding until it leaves: leaf area 2 to 2.5 passes a quarter. */
export const CROP_LETS_THROUGH = 0.3;

export interface StandInput {
  members: Member[];
  /** Viable seed actually on the ground, g/m2, per member. */
  seed_g_m2: number[];
  way: SowingWay;
  soil: Soil;
  /** Day index in the season on which it is sown. */
  sownAt: DayIndex;
  /** The gardener keeps the seed bed moist until plants stand. */
  watered: boolean;
  /** What was really watered: before day index `until` the ground got these waterings (mm by day index) and no other. */
  logged?: { until: number; mm: ReadonlyMap<number, number> };
  /** The gardener also waters the standing cover in drought. */
  irrigated?: boolean;
  canopy?: Canopy;
  /** Share of the sun that reaches the bed past houses and trees; all of it when absent. */
  light?: number;
  /** Day index at which growing may stop; the end of the season when absent. */
  growUntil?: DayIndex;
}

/** What the daily loop asks of its input, flat and in one shape: inputs come in many, and an engine that has met many looks each field up anew every day. */
export interface Given {
  sownAt: DayIndex;
  watered: boolean;
  irrigated: boolean;
  /** Waterings that were logged count before this day; -1 where none were. */
  loggedUntil: DayIndex;
  logged_mm: ReadonlyMap<number, number>;
  /** A crop stands over the bed before this day and lets this share of light through; -1 and all of it where none does. */
  canopyUntil: DayIndex;
  canopyLets: number;
  light: number;
}

const NONE_LOGGED: ReadonlyMap<number, number> = new Map();
const NEVER = -1;

export const givenBy = (input: StandInput): Given => ({
  sownAt: input.sownAt,
  watered: input.watered,
  irrigated: input.irrigated === true,
  loggedUntil: input.logged?.until ?? NEVER,
  logged_mm: input.logged?.mm ?? NONE_LOGGED,
  canopyUntil: input.canopy?.until ?? NEVER,
  canopyLets: input.canopy?.lightThrough ?? 1,
  light: input.light ?? 1,
});
