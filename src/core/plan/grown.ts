import { type Course, makeCourse } from '../stand/course.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { growStand, makeGrowRoom } from '../stand/grow.ts';
import { type Plan } from './plan.ts';

/** Grown years of one plan: the courses of all members of the ensemble, kept so that any ending can be tried on them. */
export interface GrownPlan {
  plan: Plan;
  ensemble: Ensemble;
  courses: Course[];
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
  years = ensemble.seasons.length,
  room?: CourseRoom,
): GrownPlan {
  const n = plan.members.length;
  const kept = room?.get(n) ?? [];
  room?.set(n, kept);
  const growing = makeGrowRoom(plan);
  const courses: Course[] = [];
  for (let y = 0; y < years; y++) {
    let course = kept[y];
    if (!course || course.days !== ensemble.days) {
      course = makeCourse(ensemble.days, plan.members);
      if (room) kept[y] = course;
    }
    courses.push(growStand(plan, ensemble.seasons[y]!, ensemble.variations[y]!, course, growing));
  }
  return { plan, ensemble, courses };
}
