import { type Day } from '../calendar/day.ts';
import { type GrownPlan } from '../plan/grown.ts';
import { shareOf, type Spread, spreadOf } from '../random/quantile.ts';
import { AVAILABLE_WATER_MM } from '../soil/soil.ts';
import { IRRIGATE_BELOW, IRRIGATION_MM } from '../stand/waterings.ts';

/** Watering a standing cover through dry weeks, from today on. */
export interface WaterThrough {
  /** Day of the next watering; Infinity where most years need none. */
  next: Spread;
  /** How often until it is ended or dead. */
  times: Spread;
  /** Depth of each. */
  mm: number;
}

/**
 * Answers: when does a cover that is watered through dry weeks want water next, and how often until it is ended? The daily loop's own rule on the courses that
 * it grew: on the evening before less than so much of what the root zone can hold.
 * @param until day on which its ending begins
 */
export function waterThrough(
  { plan, ensemble, courses, weights }: GrownPlan,
  today: Day,
  until: Day,
): WaterThrough {
  const from = Math.max(today - ensemble.fromDay, plan.sownAt + 1);
  const to = Math.min(until - ensemble.fromDay, ensemble.days);
  const dry_mm = AVAILABLE_WATER_MM[plan.soil.texture] * IRRIGATE_BELOW;
  const years = courses.map((c) => {
    let next = Infinity;
    let times = 0;
    for (let d = from; d < to; d++) {
      let alive = 0;
      for (let s = 0; s < c.members; s++) alive += c.alive[d * c.members + s]!;
      if (alive === 0 || c.root_mm[d - 1]! >= dry_mm) continue;
      times++;
      if (next === Infinity) next = ensemble.fromDay + d;
    }
    return { next, times };
  });
  const most = shareOf(years.length, (y) => years[y]!.times > 0, weights) > 0.5;
  const none = { low: Infinity, mid: Infinity, high: Infinity };
  return {
    next: most
      ? spreadOf(
          years.map((y) => y.next),
          weights,
        )
      : none,
    times: spreadOf(
      years.map((y) => y.times),
      weights,
    ),
    mm: IRRIGATION_MM,
  };
}
