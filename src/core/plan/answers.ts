import { type Day } from '../calendar/day.ts';
import { type Spread } from '../random/quantile.ts';
import { type Laying } from './outcome.ts';

/** Answer for one way of ending on its best date. Odds are 0..1; days are absolute (days since 1970). */
export interface EndingAnswer {
  method: string;
  /** Day of the first pass; for winterkill the middle day of death. */
  startDay: Day;
  /** First and last start days that still come near the best odds. */
  windowDays: [Day, Day];
  /** Out of the way by planting day; and the soil warm enough for the crop by then as well; dead by then; no seed shed. */
  odds: { inTime: number; warm: number; dead: number; noSeed: number };
  dead: Spread;
  /** The cover and what it left no longer stand in the way. */
  ready: Spread;
  /** Day by which the bed is ready in eight years of ten. */
  readyMostly: Day;
  /** Ready, and the soil has the warmth the crop wants; the site decides this as much as the cover. */
  plantable: Spread;
  lies_d: number;
  /** Days in soil of 20 °C that it mellows before this crop goes in; colder soil takes up to three times as long. */
  wait_d20: number;
  /** Days of the gap without living roots, before sowing and from the end of growth to planting, mean, weighed by what they cost (`idleDays`). */
  idle_d: number;
  /** Days from the ground being free to planting. */
  gap_d: number;
  /** Nitrogen the next crop can use above the same bed left bare. */
  nitrogen_g_m2: Spread;
  residue_g_m2: Spread;
  dryMatter_g_m2: Spread;
  /** Nitrogen out of the soil that plants hold at the end. */
  caught_g_m2: Spread;
  /** Weeds kept down at planting against the same bed left bare, 0..1. */
  weedsHeld: Spread;
  flowerDays: Spread;
  bareDays: Spread;
  /** Ground held over the gap, 0..1. */
  held: Spread;
  /** What leaves the bed, and the nitrogen in it. */
  leaves_g_m2: Spread;
  leavesN_g_m2: Spread;
  /** Water the next crop finds less than on bare ground, mm. */
  dryer_mm: Spread;
  /** How well it serves each aim, 0..1. */
  serves: Record<string, number>;
  /** What all else that is known of a cover ended so leaves of its worth, 0..1, where ways differ in that; 1 elsewhere. */
  keeps: number;
  laying: Laying;
  carbonToNitrogen: number;
  minutesPer100m2: number;
  /** Stage number of the first member at the start, middle year. */
  stageAtStart: number;
  heightAtStart_m: number;
  /** Share of plants left alive after the passes, of the member that holds out best; mean over years. */
  surviving: number;
}

/** The same ending begun so many days earlier (negative) or later: its odds, and what it gives more or less by planting. */
export interface WeekAway {
  days: number;
  startDay: Day;
  /** Odds of being ready in time, 0..1. */
  inTime: number;
  /** Share of the aims that is served, difference. */
  served: number;
  nitrogen_g_m2: number;
  residue_g_m2: number;
  flowerDays: number;
  /** Share of weeds held, difference. */
  weedsHeld: number;
}

/** What stands and happens before any ending. */
export interface StandAnswer {
  stand: number;
  emerged: Spread;
  closed: Spread;
  /** Odds that four fifths of the ground is covered before the first hard frost or, where none comes, within 60 days. */
  closedBeforeFrost: number;
  /** Mean cover by day from the first day of the span to planting; for weaving. */
  coverByDay: number[];
  /** Per member: days on which it is up, and of bud, flower, milk and viable seed; Infinity when a stage is not reached. */
  stages: {
    speciesId: string;
    up: Spread;
    bud: Spread;
    flower: Spread;
    milk: Spread;
    seed: Spread;
    survives: number;
  }[];
  weedsHeld: Spread;
  flowerDays: Spread;
  caught_g_m2: Spread;
  bareDays: Spread;
  rootDepth_m: number;
}
