import { type DayIndex } from '../calendar/day.ts';
import { BURIED_TIMES, carbonToNitrogen, DECAY_BY_CN } from '../residue/decay.ts';
import { availableNitrogen_g_m2, gainShare } from '../residue/nitrogen.ts';
import { type Course } from '../stand/course.ts';
import { lightLeft } from '../stand/leaf.ts';
import { type MethodParts } from '../termination/method.ts';
import { higher } from '../units/bounds.ts';
import { asFractions } from '../units/shape.ts';
import { lookUp } from '../units/table.ts';
import { fallOn, heldAgainst, type Weeds, weedsGrow } from '../weeds/weeds.ts';
import { between, type Season } from '../weather/season.ts';
import { type BareYear } from './bare.ts';
import { type Plan } from '../termination/plan.ts';
import { BARE, LYING_HOLDS, type Reading, SHEET_HOLDS, spreadOfResidue } from './reading.ts';

/** What one year brought by planting day, in the quantities the aims are measured in. */
export interface YearOutcome {
  /** Nitrogen the next crop can use above the same bed left bare, g/m2; below 0 when the cover took more than it gives in time. */
  nitrogenNext_g_m2: number;
  residueAtPlanting_g_m2: number;
  /** Nitrogen out of the soil that plants held at the end, less what drained away after it, g/m2. */
  caught_g_m2: number;
  /** Ground held from the day it is free to planting, 0..1. */
  held: number;
  /** Weeds kept down at planting against the same bed left bare, 0..1. */
  weedsHeld: number;
  /** What of that is the cover's doing: of the time after a sheet was laid or the ground dug, half, 0..1. */
  smothers: number;
  flower_d: number;
  bare_d: number;
  /** What is taken off the bed, and the nitrogen in it, g/m2. */
  leaves_g_m2: number;
  leavesN_g_m2: number;
  /** Water the next crop finds less than in the same bed left bare, mm. */
  dryer_mm: number;
}

export const newOutcome = (): YearOutcome => ({
  nitrogenNext_g_m2: 0,
  residueAtPlanting_g_m2: 0,
  caught_g_m2: 0,
  held: 0,
  weedsHeld: 0,
  smothers: 0,
  flower_d: 0,
  bare_d: 0,
  leaves_g_m2: 0,
  leavesN_g_m2: 0,
  dryer_mm: 0,
});
asFractions(newOutcome());

/** What a way of ending does with what stands there; ways that do the same share their outcome on a day. */
export interface Laying {
  buried: boolean;
  /** A sheet, cardboard or film lies on it: nothing grows, and the ground is not bare. */
  covered: boolean;
  stays: number;
  decayTimes: number;
  manure_g_m2: number;
}

export const layingOf = (m: MethodParts): Laying => ({
  buried: m.handling === 'buried',
  covered: m.covering !== null,
  stays: m.stays,
  decayTimes: m.decayTimes,
  manure_g_m2: m.manure_g_m2,
});

export const layingKey = (l: Laying): string =>
  `${l.buried} ${l.covered} ${l.stays} ${l.decayTimes} ${l.manure_g_m2}`;

/** Roots of legumes at about C:N 17, dug in by nature (Peoples 2009: 12-20). */
export const LEGUME_ROOT_CN = 17;
const ROOT_GAIN = gainShare(LEGUME_ROOT_CN);
/** Nitrogen that the roots of a grass tie up for each gram of its tops (0.3-0.8 g/m2 under 5-9 t/ha of rye). */
const GRASS_ROOT_TIES = 0.0008;
/** Of the mineral nitrogen of the whole root zone on planting day a crop finds about this much: part lies deep, part drains on (0.5-0.7). */
export const SOIL_FOUND = 0.55;
const TONNE_G_M2 = 100;
/** What lies is followed to planting in no more steps than this. */
const MOST_STEPS = 16;

const weeds: Weeds = { seeds: 1, mass: 0 };

/** Yield of a plan by planting day; all that stays the same between days and ways of one year. */
export interface YearOfPlan {
  plan: Plan;
  course: Course;
  season: Season;
  bare: BareYear;
  reading: Reading;
  figures: PlanFigures;
}

/**
 * What the outcome asks of the kinds of a plan, flat and in one shape: the same reason as for `Traits`, entries of a data file slow a hot loop down.
 */
export interface PlanFigures {
  /** Nitrogen that roots bring for each gram of nitrogen in the tops, by member. */
  rootGain: Float64Array;
  /** Nitrogen that roots tie up for each gram of tops, by member. */
  rootTies: Float64Array;
  /** Ground that each g/m2 of residue covers (exponent). */
  spread: number;
}

export const figuresOf = (plan: Plan): PlanFigures => ({
  rootGain: Float64Array.from(plan.members, ({ species }) =>
    species.role === 'legume' ? species.nitrogen.belowShare * ROOT_GAIN : 0,
  ),
  rootTies: Float64Array.from(plan.members, ({ species }) =>
    species.role === 'grass' ? GRASS_ROOT_TIES : 0,
  ),
  spread: spreadOfResidue(plan),
});

/** Ended by hand on day `at`. */
export function outcomeByHand(year: YearOfPlan, at: DayIndex, laying: Laying, out: YearOutcome): YearOutcome {
  const { plan, course, season, bare, reading, figures } = year;
  const last = lastDay(plan, course);
  const n = course.members;
  let dm = course.dead_g_m2[at]!;
  let nitrogen = course.deadN_g_m2[at]!;
  let fromSoil = nitrogen * course.soilShare[at]!;
  let roots = 0;
  let gives = availableNitrogen_g_m2(dm * laying.stays, nitrogen * laying.stays, laying.buried);
  for (let s = 0; s < n; s++) {
    const dmHere = course.dm_g_m2[at * n + s]!;
    const nHere = course.n_g_m2[at * n + s]!;
    dm += dmHere;
    nitrogen += nHere;
    // Member by member: what a soft one frees is not all lost on the straw beside it.
    gives += availableNitrogen_g_m2(dmHere * laying.stays, nHere * laying.stays, laying.buried);
    fromSoil += nHere * course.soilShare[at]!;
    roots += nHere * figures.rootGain[s]! - dmHere * figures.rootTies[s]!;
  }
  const lies = dm * laying.stays;
  const cn = carbonToNitrogen(dm, nitrogen);
  const rate = dm > 0 ? lookUp(DECAY_BY_CN, cn) * laying.decayTimes * (laying.buried ? BURIED_TIMES : 1) : 0;
  const { spread } = figures;
  const onTop = laying.buried ? 0 : lies;
  weeds.mass = at > 0 ? reading.weedMass[at - 1]! : 0;
  weeds.seeds = at > 0 ? reading.weedSeeds[at - 1]! : 1;
  const worked = laying.covered || laying.buried;
  if (onTop > 0) fallOn(weeds, onTop / TONNE_G_M2);
  // What lies: how much is left, what it frees and how much of that drains away before planting.
  let left = 1;
  let drained = 0;
  let held = 0;
  let bareDays = 0;
  const step = Math.max(1, Math.ceil((last - at) / MOST_STEPS));
  for (let d = at; d < last; d += step) {
    const to = d + step < last ? d + step : last;
    const before = left;
    left *= lightLeft(rate * between(season.decay, d, to));
    drained += (before - left) * (1 - bare.kept[last - 1]! / bare.kept[d]!);
    const cover = onTop > 0 ? 1 - lightLeft(spread * onTop * left) : 0;
    held += (laying.covered ? SHEET_HOLDS : cover * LYING_HOLDS) * (to - d);
    if (!laying.covered && cover < BARE) bareDays += to - d;
    if (!worked) {
      weedsGrow(weeds, between(season.weedWarmth, d, to), 0, (onTop * left) / TONNE_G_M2);
    }
  }
  // What ties nitrogen up is over the worst when much of it has rotted before planting; what frees it loses what drained.
  const inTime = gives > 0 ? gives * (1 - drained) : gives * left;
  const keptSince = bare.kept[last - 1]! / bare.kept[at]!;
  out.nitrogenNext_g_m2 =
    inTime +
    roots +
    laying.manure_g_m2 +
    (course.mineral_g_m2[at]! - bare.mineral_g_m2[at]!) * keptSince * SOIL_FOUND;
  out.residueAtPlanting_g_m2 = onTop * left;
  out.caught_g_m2 = fromSoil * (1 - drained * gainOf(cn));
  const freeAt = plan.freeAt ?? 0;
  out.held = (reading.held[at]! + held) / higher(1, last - freeAt);
  out.bare_d = reading.bare[at]! + bareDays;
  // A sheet or a spade ends the weeds of bare ground as well: there the cover is held to what it had done by then.
  out.weedsHeld = worked
    ? heldAgainst(reading.weedMass[Math.max(0, at - 1)]!, bare.weeds[Math.max(0, at - 1)]!)
    : heldAgainst(weeds.mass, bare.weeds[last - 1]!);
  out.smothers = worked ? out.weedsHeld * dueToCover(year, at) : out.weedsHeld;
  out.flower_d = reading.flowers[at]!;
  out.leaves_g_m2 = laying.manure_g_m2 > 0 ? 0 : dm - lies;
  out.leavesN_g_m2 = laying.manure_g_m2 > 0 ? 0 : nitrogen * (1 - laying.stays);
  out.dryer_mm = higher(
    0,
    bare.root_mm[at]! - course.root_mm[at]! - (bare.drained_mm[last - 1]! - bare.drained_mm[at]!),
  );
  return out;
}

/** What keeps weeds down after a sheet was laid or the ground was dug is the sheet's and the spade's doing: half of it counts (judgement). */
const NOT_ITS_DOING = 0.5;

/** Share of the weeds' season that counts for a cover over whose ground a sheet was laid, or which was dug, on day `at`. */
export function dueToCover({ plan, course, season }: YearOfPlan, at: DayIndex): number {
  const from = plan.freeAt ?? 0;
  const all = between(season.weedWarmth, from, lastDay(plan, course));
  return all > 0 ? 1 - (NOT_ITS_DOING * between(season.weedWarmth, at, lastDay(plan, course))) / all : 1;
}

/** Share of a residue's nitrogen that rots free rather than into microbes, never below nothing. */
export const gainOf = (cn: number): number => higher(0, gainShare(cn));

/** Left to the weather, or standing when the crop goes in: the course itself tells. */
export function outcomeByWeather(year: YearOfPlan, out: YearOutcome): YearOutcome {
  const { plan, course, bare, reading } = year;
  const last = lastDay(plan, course);
  const at = last - 1;
  const dead = course.dead_g_m2[at]!;
  const deadN = course.deadN_g_m2[at]!;
  const gives = availableNitrogen_g_m2(dead, deadN, false);
  out.nitrogenNext_g_m2 =
    gives + rootsLeft(year, at) + (course.mineral_g_m2[at]! - bare.mineral_g_m2[at]!) * SOIL_FOUND;
  out.residueAtPlanting_g_m2 = dead;
  let living = 0;
  for (let s = 0; s < course.members; s++) living += course.n_g_m2[at * course.members + s]!;
  out.caught_g_m2 = (deadN + living) * course.soilShare[at]!;
  out.held = reading.held[last]! / higher(1, last - (plan.freeAt ?? 0));
  out.bare_d = reading.bare[last]!;
  out.weedsHeld = out.smothers = heldAgainst(reading.weedMass[at]!, bare.weeds[at]!);
  out.flower_d = reading.flowers[last]!;
  out.leaves_g_m2 = 0;
  out.leavesN_g_m2 = 0;
  out.dryer_mm = higher(0, bare.root_mm[at]! - course.root_mm[at]!);
  return out;
}

/**
 * Nitrogen from the roots of members that cold, heat or age has killed by day `at`, by the most their tops held while they lived; what is freed
 * drains away from their last living day on.
 */
export function rootsLeft({ plan, course, bare, figures }: YearOfPlan, at: DayIndex): number {
  const n = course.members;
  let sum = 0;
  for (let s = 0; s < n; s++) {
    if (course.alive[at * n + s]! > 0) continue;
    let lived = -1;
    let most = 0;
    let dm = 0;
    for (let d = plan.sownAt; d < at; d++) {
      if (course.alive[d * n + s]! > 0) lived = d;
      if (course.n_g_m2[d * n + s]! > most) most = course.n_g_m2[d * n + s]!;
      if (course.dm_g_m2[d * n + s]! > dm) dm = course.dm_g_m2[d * n + s]!;
    }
    if (lived >= 0)
      sum += (most * figures.rootGain[s]! * bare.kept[at]!) / bare.kept[lived]! - dm * figures.rootTies[s]!;
  }
  return sum;
}

export const lastDay = (plan: Plan, course: Course): DayIndex => Math.min(plan.plantAt, course.days);
