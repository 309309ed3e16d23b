import { type DayIndex } from '../calendar/day.ts';
import { areaPerTonne } from '../residue/decay.ts';
import { lightLeft } from '../stand/leaf.ts';
import { type Course } from '../stand/course.ts';
import { groundOf, weedsGrow } from '../weeds/weeds.ts';
import { type Season } from '../weather/season.ts';
import { DEAD_BELOW, mostAlive } from '../termination/end.ts';
import { type Plan } from '../termination/plan.ts';

/** Ground is bare under this cover. */
export const BARE = 0.3;
/** Residue holds soil less surely than living roots with leaves over them: it shifts and blows (judgement; both hold far more than none). */
export const LYING_HOLDS = 0.75;
/** A sheet keeps rain and wind off, but nothing lives under it and water runs off its edges: half of what leaves and roots do (judgement). */
export const SHEET_HOLDS = 0.5;
/** A standing crop that is undersown covers about this much of the ground until it leaves. */
export const CROP_COVER = 0.7;
/** Flower-days count while between first flowers and the end of flowering. */
const FLOWERS_FROM = 2.7;
const FLOWERS_TO = 3.9;
const TONNE_G_M2 = 100;

/**
 * An uncut course as the aims read it. Sums have one entry more than days: sum[j] - sum[i] covers days i..j-1. Written over by the next course
 * that is read into it.
 */
export interface Reading {
  /** Ground held, days' worth of full cover, from the day the ground is free. */
  held: Float64Array;
  flowers: Float64Array;
  bare: Float64Array;
  /** Weeds at the end of each day. */
  weedMass: Float64Array;
  weedSeeds: Float64Array;
  /** Day index from which nothing lives any more, planting day where something still does. */
  livesUntil: DayIndex;
}

export const makeReading = (days: number): Reading => ({
  held: new Float64Array(days + 1),
  flowers: new Float64Array(days + 1),
  bare: new Float64Array(days + 1),
  weedMass: new Float64Array(days),
  weedSeeds: new Float64Array(days),
  livesUntil: 0,
});

/** Ground that residue of a plan's kinds covers for each g/m2 of it (exponent). */
export const spreadOfResidue = (plan: Plan): number => {
  const lead = plan.members[0]!.species;
  return areaPerTonne(lead.role, lead.growth.heightFlower_m) / TONNE_G_M2;
};

/** Reads a course to planting day. */
export function readCourse(plan: Plan, course: Course, season: Season, out: Reading): Reading {
  const { held, flowers, bare, weedMass, weedSeeds } = out;
  const { weedWarmth } = season;
  const spread = spreadOfResidue(plan);
  const freeAt = plan.freeAt ?? 0;
  const last = Math.min(plan.plantAt, course.days);
  const weeds = groundOf(plan.surface ?? 'clean');
  const touched = course.deeds.length > 0;
  for (let d = 0; d < last; d++) {
    const living = course.cover[d]!;
    const dead = course.dead_g_m2[d]!;
    const lying = dead > 0 ? 1 - lightLeft(spread * dead) : 0;
    let covered = living > lying ? living : lying;
    let holds = living > lying * LYING_HOLDS ? living : lying * LYING_HOLDS;
    if (plan.canopy && d < plan.canopy.until && covered < CROP_COVER) covered = holds = CROP_COVER;
    const under = touched && liesUnder(course, d);
    if (under) {
      covered = 1;
      holds = SHEET_HOLDS;
    }
    const counts = d >= freeAt;
    held[d + 1] = held[d]! + (counts ? holds : 0);
    bare[d + 1] = bare[d]! + (counts && covered < BARE ? 1 : 0);
    flowers[d + 1] = flowers[d]! + (inFlower(course, d) ? 1 : 0);
    if (under) weeds.mass = 0;
    else if (touched && course.turned.includes(d)) {
      weeds.mass = 0;
      weeds.seeds = 1;
    } else if (d >= plan.sownAt)
      weedsGrow(weeds, weedWarmth[d + 1]! - weedWarmth[d]!, living, dead / TONNE_G_M2);
    weedMass[d] = weeds.mass;
    weedSeeds[d] = weeds.seeds;
  }
  // Counted down in a variable of its own: an engine that counts down a field throws away what it had made of this function, every time.
  let lives = last;
  while (lives > plan.sownAt && mostAlive(course, lives - 1) <= DEAD_BELOW) lives -= 1;
  out.livesUntil = lives;
  return out;
}

const liesUnder = (course: Course, d: DayIndex): boolean =>
  course.covered.some(([from, to]) => d >= from && d < to);

function inFlower(course: Course, d: DayIndex): boolean {
  for (let s = 0; s < course.members; s++) {
    const i = d * course.members + s;
    if (course.alive[i]! > 0.2 && course.stage[i]! >= FLOWERS_FROM && course.stage[i]! <= FLOWERS_TO)
      return true;
  }
  return false;
}
