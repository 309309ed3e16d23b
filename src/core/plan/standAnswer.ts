import { type DayIndex } from '../calendar/day.ts';
import { meanOf, shareOf, spreadOf } from '../random/quantile.ts';
import { carbonToNitrogen, DECAY_BY_CN } from '../residue/decay.ts';
import { lightLeft } from '../stand/leaf.ts';
import { type Course, dryMatterOn, nitrogenOn } from '../stand/course.ts';
import { lookUp } from '../units/table.ts';
import { type Season } from '../weather/season.ts';
import { type GrownPlan } from './grown.ts';
import { type Laying, newOutcome, outcomeByHand, outcomeByWeather, type YearOutcome } from './outcome.ts';
import { CROP_COVER, spreadOfResidue } from './reading.ts';
import { yearOf } from './year.ts';
import { type EndingAnswer, type StandAnswer } from './answers.ts';
import { type Plan } from '../termination/plan.ts';

/** Ground counts as closed at this cover. */
export const CLOSED = 0.8;
const HARD_FROST_C = -4;

/** A stand has come when this much of the ground was covered at some time before planting. */
const A_STAND = 0.5;

/** Share of years in which a stand comes. */
export const standOdds = ({ courses, plan, weights }: GrownPlan): number =>
  shareOf(
    courses.length,
    (y) => covers(courses[y]!, plan.sownAt, Math.min(plan.plantAt, courses[y]!.days)),
    weights,
  );

function covers(course: Course, from: DayIndex, to: DayIndex): boolean {
  for (let d = from; d < to; d++) if (course.cover[d]! >= A_STAND) return true;
  return false;
}

interface YearSeen {
  closedAt: number;
  frostAt: number;
}

/** An ending as far as the stand's own answer needs it; what it does with what stands there is a mat on the ground unless it says otherwise. */
type Ended = Pick<EndingAnswer, 'startDay'> & Partial<Pick<EndingAnswer, 'laying' | 'method'>>;

const ON_TOP: Laying = { buried: false, covered: false, stays: 1, decayTimes: 1, manure_g_m2: 0 };

/** What the stand does between sowing and planting, with the residue of the chosen ending counted into cover and weeds. */
export function answerStand(grown: GrownPlan, ending: Ended | undefined): StandAnswer {
  const { plan, ensemble, courses, weights } = grown;
  const from = ensemble.fromDay;
  const last = Math.min(plan.plantAt, ensemble.days);
  const coverByDay = new Array<number>(last).fill(0);
  let totalWeight = 0;
  const endAt = ending && ending.startDay - from < last ? ending.startDay - from : Infinity;
  const laying = ending?.laying ?? ON_TOP;
  const outcomes: YearOutcome[] = [];
  const years = courses.map((course, y) => {
    const w = weights ? weights[y]! : 1;
    totalWeight += w;
    const year = yearOf(grown, y);
    const out = newOutcome();
    outcomes.push(endAt < Infinity ? outcomeByHand(year, endAt, laying, out) : outcomeByWeather(year, out));
    return seeYear(plan, course, year.season, last, endAt, laying, w, coverByDay);
  });
  const outcome = (f: (o: YearOutcome) => number) => spreadOf(outcomes.map(f), weights);
  return {
    stand: standOdds(grown),
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
    stages: stageSpreads(grown, endAt),
    weedsHeld: outcome((o) => o.weedsHeld),
    flowerDays: outcome((o) => o.flower_d),
    caught_g_m2: outcome((o) => o.caught_g_m2),
    bareDays: outcome((o) => o.bare_d),
    rootDepth_m: Math.max(...plan.members.map((m) => m.species.roots.depth_m)),
  };
}

function seeYear(
  plan: Plan,
  course: Course,
  season: Season,
  last: number,
  endAt: number,
  laying: Laying,
  weight: number,
  coverByDay: number[],
): YearSeen {
  const spread = spreadOfResidue(plan);
  const seen: YearSeen = { closedAt: Infinity, frostAt: Infinity };
  const { decay, tmin_c } = season;
  let lying = 0;
  let rate = 0;
  for (let d = 0; d < last; d++) {
    if (d === endAt) {
      const dm = dryMatterOn(course, d) + course.dead_g_m2[d]!;
      const n = nitrogenOn(course, d) + course.deadN_g_m2[d]!;
      lying = laying.buried ? 0 : dm * laying.stays;
      rate = lookUp(DECAY_BY_CN, carbonToNitrogen(dm, n)) * laying.decayTimes;
    }
    const living = d < endAt ? course.cover[d]! : 0;
    if (d >= endAt) lying *= 1 - rate * (decay[d + 1]! - decay[d]!);
    const onGround = d < endAt ? course.dead_g_m2[d]! : lying;
    let covered = onGround > 0 ? Math.max(living, 1 - lightLeft(spread * onGround)) : living;
    if (plan.canopy && d < plan.canopy.until) covered = Math.max(covered, CROP_COVER);
    coverByDay[d]! += covered * weight;
    if (seen.closedAt === Infinity && living >= CLOSED) seen.closedAt = d;
    if (seen.frostAt === Infinity && d > plan.sownAt && tmin_c[d]! < HARD_FROST_C) seen.frostAt = d;
  }
  return seen;
}

/** Share of each member's plants alive on the eve of day `endAt`, or of planting where that comes first; means over years. */
export function survivors({ plan, courses, weights }: GrownPlan, endAt: number): number[] {
  const at = (c: Course) => Math.max(0, Math.min(endAt, plan.plantAt, c.days) - 1) * c.members;
  return plan.members.map((_, s) =>
    meanOf(
      courses.map((c) => c.alive[at(c) + s]!),
      weights,
    ),
  );
}

/** Days on which each stage is reached, per species, over the years. A plant that has died reaches nothing more. */
function stageSpreads(grown: GrownPlan, endAt: number): StandAnswer['stages'] {
  const { plan, ensemble, courses, weights } = grown;
  const from = ensemble.fromDay;
  const survives = survivors(grown, endAt);
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
      survives: survives[s]!,
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
