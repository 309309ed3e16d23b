import { meanOf, shareOf, spreadOf } from '../random/quantile.ts';
import { areaPerTonne, decayRate, WEED_B } from '../residue/decay.ts';
import { lightLeft } from '../stand/leaf.ts';
import { type Course, dryMatterOn } from '../stand/course.ts';
import { type Season } from '../weather/season.ts';
import { type GrownPlan } from './grown.ts';
import { type EndingAnswer, type Plan, type StandAnswer } from './plan.ts';

/** Ground counts as closed at this cover, and as bare under this. */
export const CLOSED = 0.8;
const BARE = 0.3;
/** Flower-days count while between first flowers and the end of flowering. */
const FLOWERS_FROM = 2.7;
const FLOWERS_TO = 3.9;
const HARD_FROST_C = -4;
/** A standing crop that is undersown covers about this much of the ground until it leaves. */
const CROP_COVER = 0.7;

interface YearSeen {
  closedAt: number;
  frostAt: number;
  weeds: number;
  flower_d: number;
  bare_d: number;
}

/** What the stand does between sowing and planting, with the residue of the chosen ending counted into cover and weeds. */
export function answerStand(grown: GrownPlan, ending: EndingAnswer | undefined): StandAnswer {
  const { plan, ensemble, courses, weights } = grown;
  const from = ensemble.fromDay;
  const last = Math.min(plan.plantAt, ensemble.days);
  const coverByDay = new Array<number>(last).fill(0);
  let totalWeight = 0;
  const endAt = ending ? ending.startDay - from : Infinity;
  const rate = decayRate(ending?.carbonToNitrogen ?? 25);
  const years = courses.map((course, y) => {
    const w = weights ? weights[y]! : 1;
    totalWeight += w;
    return seeYear(plan, course, ensemble.seasons[y]!, last, endAt, rate, w, coverByDay);
  });
  return {
    stand: shareOf(courses.length, (y) => peakCover(courses[y]!, plan.sownAt) >= 0.5, weights),
    emerged: spreadOf(
      courses.map((c) => from + c.emerged.reduce((a, b) => Math.min(a, b), Infinity)),
      weights,
    ),
    closed: spreadOf(
      years.map((y) => from + y.closedAt),
      weights,
    ),
    closedBeforeFrost: shareOf(
      years.length,
      (y) => years[y]!.closedAt <= Math.min(years[y]!.frostAt, plan.sownAt + 60),
      weights,
    ),
    coverByDay: coverByDay.map((c) => c / totalWeight),
    stages: stageSpreads(grown),
    weedsHeld: spreadOf(
      years.map((y) => y.weeds),
      weights,
    ),
    flowerDays: spreadOf(
      years.map((y) => y.flower_d),
      weights,
    ),
    caught_g_m2: spreadOf(
      courses.map((c) => c.soilNitrogen.taken_g_m2),
      weights,
    ),
    bareDays: spreadOf(
      years.map((y) => y.bare_d),
      weights,
    ),
    rootDepth_m: Math.max(...plan.members.map((m) => m.species.roots.depth_m)),
  };
}

function seeYear(
  plan: Plan,
  course: Course,
  season: Season,
  last: number,
  endAt: number,
  rate: number,
  weight: number,
  coverByDay: number[],
): YearSeen {
  const lead = plan.members[0]!.species;
  const am = areaPerTonne(lead.role, lead.growth.heightFlower_m) / 100;
  const seen: YearSeen = { closedAt: Infinity, frostAt: Infinity, weeds: 0, flower_d: 0, bare_d: 0 };
  const { decay, weedWarmth, tmin_c } = season;
  let lying = 0;
  let held = 0;
  let all = 0;
  for (let d = 0; d < last; d++) {
    if (d === endAt) lying = dryMatterOn(course, d);
    const living = d < endAt ? course.cover[d]! : 0;
    let covered = living;
    if (lying > 0) {
      lying *= 1 - rate * (decay[d + 1]! - decay[d]!);
      covered = Math.max(living, 1 - lightLeft(am * lying));
    }
    if (plan.canopy && d < plan.canopy.until) covered = Math.max(covered, CROP_COVER);
    coverByDay[d]! += covered * weight;
    if (covered < BARE && d >= (plan.freeAt ?? 0)) seen.bare_d++;
    if (d >= plan.sownAt) {
      const heat = weedWarmth[d + 1]! - weedWarmth[d]!;
      all += heat;
      held +=
        heat * (lying > 0 ? Math.min(1 - 0.7 * covered, lightLeft((WEED_B * lying) / 100)) : 1 - covered);
    }
    if (seen.closedAt === Infinity && living >= CLOSED) seen.closedAt = d;
    if (seen.frostAt === Infinity && d > plan.sownAt && tmin_c[d]! < HARD_FROST_C) seen.frostAt = d;
    if (d < endAt && inFlower(course, d)) seen.flower_d++;
  }
  seen.weeds = all > 0 ? 1 - held / all : 0;
  return seen;
}

/** Days on which each stage is reached, per species, over the years. A plant that has died reaches nothing more. */
function stageSpreads(grown: GrownPlan): StandAnswer['stages'] {
  const { plan, ensemble, courses, weights } = grown;
  const from = ensemble.fromDay;
  return plan.members.map((m, s) => {
    const marks = courses.map((c) => stageDays(c, s));
    const reached = (k: number) =>
      spreadOf(
        marks.map((days) => from + days[k]!),
        weights,
      );
    return {
      speciesId: m.species.id,
      up: spreadOf(
        courses.map((c) => from + c.emerged[s]!),
        weights,
      ),
      bud: reached(0),
      flower: reached(1),
      milk: reached(2),
      seed: reached(3),
      survives: meanOf(
        courses.map((c) => c.alive[(Math.min(plan.plantAt, c.days) - 1) * c.members + s]!),
        weights,
      ),
    };
  });
}

/** Day indices on which a member first stands at stages 2, 3, 4 and 5 alive. */
function stageDays(course: Course, s: number): number[] {
  const days = [Infinity, Infinity, Infinity, Infinity];
  let mark = 2;
  for (let d = course.sownAt; d < course.days && mark <= 5; d++) {
    const i = d * course.members + s;
    if (course.alive[i]! <= 0.05) continue;
    while (mark <= 5 && course.stage[i]! >= mark) days[mark++ - 2] = d;
  }
  return days;
}

function inFlower(course: Course, d: number): boolean {
  for (let s = 0; s < course.members; s++) {
    const i = d * course.members + s;
    if (course.alive[i]! > 0.2 && course.stage[i]! >= FLOWERS_FROM && course.stage[i]! <= FLOWERS_TO)
      return true;
  }
  return false;
}

function peakCover(course: Course, from: number): number {
  let best = 0;
  for (let d = from; d < course.days; d++) if (course.cover[d]! > best) best = course.cover[d]!;
  return best;
}
