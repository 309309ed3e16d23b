import { BURIED_TIMES, carbonToNitrogen, DECAY_BY_CN } from '../residue/decay.ts';
import { availableNitrogen_g_m2 } from '../residue/nitrogen.ts';
import { type Laid } from '../stand/course.ts';
import { lightLeft } from '../stand/leaf.ts';
import { type YearEnd } from '../termination/plan.ts';
import { higher } from '../units/bounds.ts';
import { lookUp } from '../units/table.ts';
import { heldAgainst } from '../weeds/weeds.ts';
import { between } from '../weather/season.ts';
import {
  dueToCover,
  gainOf,
  lastDay,
  type Laying,
  rootsLeft,
  SOIL_FOUND,
  type YearOfPlan,
  type YearOutcome,
} from './outcome.ts';

/** What lies is followed to planting in steps of so many days. */
const STEP_D = 5;

/** Yield by planting day of a year whose passes acted in its course. */
export function outcomeLived(year: YearOfPlan, end: YearEnd, laying: Laying, out: YearOutcome): YearOutcome {
  const { plan, course, bare, reading, figures } = year;
  const last = lastDay(plan, course);
  // What the stand took from the ground it took by the day it died, or it goes on taking.
  const at = Math.max(0, Math.min(last, end.deadAt) - 1);
  // Roots of what winter or heat had killed before the first pass; those that passes killed come with what they laid.
  const first = course.deeds[0];
  let gives = laying.manure_g_m2 + (first ? rootsLeft(year, Math.min(first.day, last - 1)) : 0);
  let caught = 0;
  for (const l of course.laid) {
    if (l.day >= last) continue;
    const { left, drained } = rots(year, l, last);
    const free = availableNitrogen_g_m2(l.dm_g_m2, l.n_g_m2, l.buried);
    gives += free > 0 ? free * (1 - drained) : free * left;
    gives += l.killedN_g_m2 * figures.rootGain[l.member]! - l.killedDm_g_m2 * figures.rootTies[l.member]!;
    caught +=
      l.n_g_m2 * course.soilShare[l.day]! * (1 - drained * gainOf(carbonToNitrogen(l.dm_g_m2, l.n_g_m2)));
  }
  const n = course.members;
  for (let s = 0; s < n; s++) caught += course.n_g_m2[(last - 1) * n + s]! * course.soilShare[last - 1]!;
  const keptSince = bare.kept[last - 1]! / bare.kept[at]!;
  out.nitrogenNext_g_m2 =
    gives + (course.mineral_g_m2[at]! - bare.mineral_g_m2[at]!) * keptSince * SOIL_FOUND;
  out.residueAtPlanting_g_m2 = course.dead_g_m2[last - 1]!;
  out.caught_g_m2 = caught;
  out.held = reading.held[last]! / higher(1, last - (plan.freeAt ?? 0));
  out.bare_d = reading.bare[last]!;
  // A sheet or a spade ends the weeds of bare ground as well: there the cover is held to what it had done by then.
  const worked = Math.min(course.covered[0]?.[0] ?? Infinity, course.turned[0] ?? Infinity, last) - 1;
  out.weedsHeld = heldAgainst(reading.weedMass[Math.max(0, worked)]!, bare.weeds[Math.max(0, worked)]!);
  out.smothers = worked + 1 < last ? out.weedsHeld * dueToCover(year, worked + 1) : out.weedsHeld;
  out.flower_d = reading.flowers[last]!;
  out.leaves_g_m2 = laying.manure_g_m2 > 0 ? 0 : course.exported_g_m2;
  out.leavesN_g_m2 = laying.manure_g_m2 > 0 ? 0 : course.exportedN_g_m2;
  out.dryer_mm = higher(0, bare.root_mm[last - 1]! - course.root_mm[last - 1]!);
  return out;
}

/** What is left on planting day of what one pass laid, and the share of what it freed that had drained away by then. */
function rots({ season, bare }: YearOfPlan, l: Laid, last: number): { left: number; drained: number } {
  const rate =
    lookUp(DECAY_BY_CN, carbonToNitrogen(l.dm_g_m2, l.n_g_m2)) * l.times * (l.buried ? BURIED_TIMES : 1);
  let left = 1;
  let drained = 0;
  for (let d = l.day; d < last; d += STEP_D) {
    const to = Math.min(last, d + STEP_D);
    const before = left;
    left *= lightLeft(rate * between(season.decay, d, to));
    drained += (before - left) * (1 - bare.kept[last - 1]! / bare.kept[d]!);
  }
  return { left, drained };
}
