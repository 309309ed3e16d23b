import { type DayIndex } from '../calendar/day.ts';
import { type Course } from './course.ts';
import { type DeadMatter } from './dead.ts';
import { type Plant } from './plant.ts';
import { type Traits } from './traits.ts';

/** What a stand is while it grows, open to whatever is done to it. */
export interface Standing {
  plants: Plant[];
  traits: Traits[];
  /** Matter that lies or stands dead on the ground. */
  dead: DeadMatter;
  /** A sheet lies over it: no light. */
  covered: boolean;
}

/**
 * What is done to a stand on some of its days: cut, pressed, covered, grazed, dug, or seen. It acts at the end of a day, so that what the course says of
 * that day is what the hand met.
 */
export interface Work {
  /** First day index on which something is still to be done; Infinity when nothing is. */
  next: number;
  /** Does what is due at the end of day `d` and sets `next`. */
  act(d: DayIndex, stand: Standing, course: Course): void;
}
