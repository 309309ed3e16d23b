import { type DayIndex, type Day } from '../calendar/day.ts';
import { shareOf } from '../random/quantile.ts';
import { type Course } from '../stand/course.ts';
import { type Season } from '../weather/season.ts';
import { diggingDay } from '../termination/workable.ts';
import { type GrownPlan } from './grown.ts';

// The weeks in which the weather may decide: a frost or a drought that thins the stand, ground on which no spade can be used.

/** One week until planting, as shares of the years. */
export interface DecidingWeek {
  from: Day;
  to: Day;
  /** Cold thins the stand that stands uncut. */
  frost: number;
  /** Heat or drought thins it. */
  heat: number;
  /** No day of it is fit for a spade: frozen, or so wet that it smears. */
  wet: number;
}

const WEEK_D = 7;
/** A stand that loses this share of the plants it had is thinned. */
const THINNED = 0.1;
/** A night this cold in the days before a loss makes it the frost's. */
const COLD_NIGHT_C = 0;
const LOOKED_BACK_D = 3;

/**
 * Answers: in which weeks from `first` to the eve of planting may the weather decide?
 * Losses are those of the uncut course: what dies of age once its seed is ripe is no loss.
 * @param first day index of the ensemble
 */
export function decidingWeeks(
  { plan, ensemble, courses, weights }: GrownPlan,
  first: number,
): DecidingWeek[] {
  const end = Math.min(plan.plantAt, ensemble.days);
  const out: DecidingWeek[] = [];
  for (let from = first; from < end; from += WEEK_D) {
    const to = Math.min(end, from + WEEK_D);
    const share = (f: (c: Course, s: Season) => boolean) =>
      shareOf(courses.length, (y) => f(courses[y]!, ensemble.seasons[y]!), weights);
    out.push({
      from: ensemble.fromDay + from,
      to: ensemble.fromDay + to,
      frost: share((c, s) => thinned(c, s, from, to) === 'frost'),
      heat: share((c, s) => thinned(c, s, from, to) === 'heat'),
      wet: share((c, s) => diggingDay(plan.soil, c, s, from) >= to),
    });
  }
  return out;
}

/** What thinned the stand between two days; undefined where nothing did, or only age. */
function thinned(c: Course, season: Season, from: DayIndex, to: DayIndex): 'frost' | 'heat' | undefined {
  for (let m = 0; m < c.members; m++)
    for (let d = Math.max(from, c.sownAt + 1); d < Math.min(to, c.days); d++) {
      const [before, now] = [c.alive[(d - 1) * c.members + m]!, c.alive[d * c.members + m]!];
      if (before - now < THINNED * Math.max(before, 0.01) || before < 0.05) continue;
      // Ripe plants die of themselves.
      if (c.stage[d * c.members + m]! >= 5) continue;
      let cold = false;
      for (let k = Math.max(0, d - LOOKED_BACK_D); k <= d; k++)
        if (season.tmin_c[k]! <= COLD_NIGHT_C) cold = true;
      return cold ? 'frost' : 'heat';
    }
  return undefined;
}
