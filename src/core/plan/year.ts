import { type DayIndex } from '../calendar/day.ts';
import { bareTwin } from './bare.ts';
import { type GrownPlan } from './grown.ts';
import { type Ending } from '../termination/end.ts';
import {
  figuresOf,
  type Laying,
  outcomeByHand,
  outcomeByWeather,
  type YearOfPlan,
  type YearOutcome,
} from './outcome.ts';
import { type Plan, type YearEnd } from '../termination/plan.ts';
import { between } from '../weather/season.ts';
import { makeReading, readCourse, type Reading } from './reading.ts';

/** Room for readings by length of the span and year: written over by the next plan that is read, as its courses are. */
const rooms = new Map<number, Reading[]>();

/** One year of a grown plan with all that its outcome is told from; read once however often it is asked for. */
export function yearOf(grown: GrownPlan, y: number): YearOfPlan {
  const { plan, ensemble, courses } = grown;
  const readings = (grown.readings ??= []);
  const course = courses[y]!;
  const season = ensemble.seasons[y]!;
  let reading = readings[y];
  if (!reading) {
    let room = rooms.get(ensemble.days);
    if (!room) rooms.set(ensemble.days, (room = []));
    reading = readings[y] = readCourse(plan, course, season, (room[y] ??= makeReading(ensemble.days)));
  }
  const bare = (grown.twin ??= bareTwin(ensemble, plan)).year(y);
  const figures = (grown.figures ??= figuresOf(plan));
  return { plan, course, season, bare, reading, figures };
}

/** Ready when the crop wants the bed, and no seed shed on the way unless seed was wanted. */
export const inTime = (end: YearEnd, plantAt: DayIndex, ending: Ending): boolean =>
  end.readyAt <= plantAt && (end.stageAtEnd < 5 || ending.course.waits === 'seed');

/** What a year yields when it is ended so: by hand on the day, by ripening on its own day, or as the weather leaves it. */
export function yieldOf(
  year: YearOfPlan,
  ending: Ending,
  laying: Laying,
  end: YearEnd,
  day: DayIndex,
  out: YearOutcome,
): YearOutcome {
  const { waits } = ending.course;
  if (waits === null) return outcomeByHand(year, day, laying, out);
  if (waits === 'seed' && end.endsAt < Math.min(year.plan.plantAt, year.course.days))
    return outcomeByHand(year, end.endsAt, laying, out);
  return outcomeByWeather(year, out);
}

export interface ReadYear extends YearOfPlan {
  variation: GrownPlan['ensemble']['variations'][number];
  weight: number;
}

/** The uncut courses as the aims read them; of all years, or of some. */
export function readYears(grown: GrownPlan, only?: number[]): ReadYear[] {
  const { ensemble, courses, weights } = grown;
  return (only ?? courses.map((_, y) => y)).map((y) => {
    // Field by field: what is spread gets a shape of its own each time, and every look into it is then slow.
    const { plan, course, season, bare, reading, figures } = yearOf(grown, y);
    const variation = ensemble.variations[y]!;
    return { plan, course, season, bare, reading, figures, variation, weight: weights ? weights[y]! : 1 };
  });
}

/** Days from the ground being free, or from sowing where that is not known, to planting. */
export const gapOf = (plan: Plan): number => plan.plantAt - (plan.freeAt ?? plan.sownAt);

/**
 * Days of the gap without living roots: from the end of growth to planting, by a hand or before one came, none of these while something lives on; and
 * those on which ground waits to be sown, each counted for more, since no ending calls for them. So is what is left over of a growing season in which
 * another cover could have stood.
 */
export const idleDays = (
  end: YearEnd,
  { plan, reading, season }: Pick<YearOfPlan, 'plan' | 'reading' | 'season'>,
): number => {
  const livedUntil = end.endsAt < reading.livesUntil ? end.endsAt : reading.livesUntil;
  const waiting = WAITING_TIMES * waitDays(plan);
  if (livedUntil >= plan.plantAt) return waiting;
  const wasted = between(season.growing, livedUntil, Math.min(plan.plantAt, season.days)) - ANOTHER_COVER_D;
  return waiting + (plan.plantAt - livedUntil) + (wasted > 0 ? WASTED_TIMES * wasted : 0);
};
/** Growing days in which a quick cover closes the ground and comes to something. */
const ANOTHER_COVER_D = 60;
/** A growing day past those is lost to the bed for good (judgement). */
const WASTED_TIMES = 4;
/** A day of waiting is a hole that nothing needs; one after the cover is part of ending it (judgement). */
const WAITING_TIMES = 2.5;

const waitDays = ({ sownAt, freeAt = sownAt }: Plan): number => (sownAt > freeAt ? sownAt - freeAt : 0);
