import { type DayIndex } from '../calendar/day.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { type Canopy } from '../stand/input.ts';
import { type Member } from '../stand/species.ts';

/** A cover in a gap. Days are indices in the ensemble's span. */
export interface Plan {
  members: Member[];
  /** Viable seed on the ground, g/m2, per member. */
  seed_g_m2: number[];
  way: SowingWay;
  soil: Soil;
  watered: boolean;
  /** What was really watered before a day index, mm by day index. */
  logged?: { until: number; mm: ReadonlyMap<number, number> };
  irrigated?: boolean;
  /** Day index at which growing may stop. */
  growUntil?: DayIndex;
  /** Share of the sun that reaches the bed. */
  light?: number;
  /** What was on the ground before it was made ready. */
  surface?: 'clean' | 'weedy' | 'sod';
  /** A crop that still stands over the seed, when it is undersown. */
  canopy?: Canopy;
  sownAt: DayIndex;
  /** Day from which the ground is free; days before it are never bare. 0 when it is free from the start. */
  freeAt?: DayIndex;
  /** Day the next crop wants to go in. */
  plantAt: DayIndex;
  next: NextCrop;
}

/**
 * The same plan with its fields in one order, each of them there: plans are put together in many ways, and what is asked of them by the million looks
 * into objects of one shape several times faster.
 */
export const inShape = (p: Plan): Plan => ({
  members: p.members,
  seed_g_m2: p.seed_g_m2,
  way: p.way,
  soil: p.soil,
  watered: p.watered,
  logged: p.logged,
  irrigated: p.irrigated,
  growUntil: p.growUntil,
  light: p.light,
  surface: p.surface,
  canopy: p.canopy,
  sownAt: p.sownAt,
  freeAt: p.freeAt,
  plantAt: p.plantAt,
  next: p.next,
});

/** How one year went under one way of ending. Days are indices; Infinity means it did not happen in the span. */
export interface YearEnd {
  deadAt: DayIndex;
  /** Residue mellow enough for the crop. */
  readyAt: DayIndex;
  /** As readyAt, and the soil warm enough as well. */
  plantableAt: number;
  /** Day on which the hand, or death by the weather, ends the growth. */
  endsAt: DayIndex;
  /** Share of plants that come through, of the member that holds out best. */
  surviving: number;
  stageAtEnd: number;
  /** What stood there then, living and dead, and the nitrogen in it. */
  dm_g_m2: number;
  n_g_m2: number;
  /** Day from which what lies mellows: the last pass, where that surely kills, else death. */
  mellowsFrom: number;
  /** Days at 20 °C soil that it lies before this crop goes in. */
  wait_d20: number;
}
