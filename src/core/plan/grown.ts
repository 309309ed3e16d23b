import { type BareTwin, bareTwin } from './bare.ts';
import { type Course, makeCourse } from '../stand/course.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { growStand, makeGrowRoom } from '../stand/grow.ts';
import { type Work } from '../stand/work.ts';
import { type PlanFigures } from './outcome.ts';
import { inShape, type Plan } from '../termination/plan.ts';
import { type Reading } from './reading.ts';

/** Grown years of one plan: the courses of all members of the ensemble, kept so that any ending can be tried on them. */
export interface GrownPlan {
  plan: Plan;
  ensemble: Ensemble;
  courses: Course[];
  /** The courses as the aims read them, filled when first asked for. */
  readings?: (Reading | undefined)[];
  figures?: PlanFigures;
  /** The same bed left bare. */
  twin?: BareTwin;
  /** What is done to the stand in year `y`, where passes have begun. */
  work?: (y: number) => Work;
  /** One weight a year where looks have spoken; even otherwise. */
  weights?: Float64Array;
}

/** Courses that can be written over by the next plan of the same number of members; keyed by that number. */
export type CourseRoom = Map<number, Course[]>;

/**
 * Grows a plan through the first `years` years of an ensemble. With `room`, its courses are used and written over by the next plan
 * that is given it: take what you need from the result before.
 */
export function growPlan(
  plan: Plan,
  ensemble: Ensemble,
  years = ensemble.variations.length,
  room?: CourseRoom,
  work?: GrownPlan['work'],
): GrownPlan {
  return growOn({ plan: inShape(plan), ensemble, courses: [], readings: [], work }, years, room);
}

/** Grows the years that a plan lacks of the first `years`, as long as no other plan has used the room since. */
export function growOn(grown: GrownPlan, years: number, room?: CourseRoom): GrownPlan {
  const { plan, ensemble, courses } = grown;
  const n = plan.members.length;
  const kept = room?.get(n) ?? [];
  room?.set(n, kept);
  ensemble.upTo(years);
  const growing = makeGrowRoom(plan);
  // Until it is sown the bed lies bare, as its twin does.
  const bareUntil = plan.freeAt && plan.sownAt >= plan.freeAt ? plan.sownAt : plan.freeAt;
  const twin = bareUntil ? bareTwin(ensemble, plan) : undefined;
  for (let y = courses.length; y < years; y++) {
    let course = kept[y];
    if (!course || course.days !== ensemble.days) {
      course = makeCourse(ensemble.days, plan.members);
      if (room) kept[y] = course;
    }
    const before = twin && { day: bareUntil!, soil: twin.morning(y, bareUntil!) };
    const season = ensemble.seasons[y]!;
    courses.push(growStand(plan, season, ensemble.variations[y]!, course, growing, before, grown.work?.(y)));
  }
  return grown;
}
