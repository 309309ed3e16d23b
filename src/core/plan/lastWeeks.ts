import { type AimFigures, serves, USUAL_AIMS } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { meanOf, quantile, shareOf, type Spread, spreadOf } from '../random/quantile.ts';
import { dryMatterOn } from '../stand/course.ts';
import { type MethodHere } from '../termination/method.ts';
import { type DecidingWeek, decidingWeeks } from './deciding.ts';
import { answerEnding } from './endings.ts';
import { type Laying, newOutcome, outcomeByHand } from './outcome.ts';
import { type EndingAnswer, type StandAnswer } from './answers.ts';
import { lastStart } from './search.ts';
import { answerStand } from './standAnswer.ts';
import { type ForecastInput, type Standing, standOf } from './standing.ts';
import { apart, type ApartPlan, bladeOf, type Third, thirds, type Timing, timing } from './waiting.ts';
import { readYears } from './year.ts';

// What waiting buys: the stand day by day until planting, with what ending it on that day would bring, and the days that may decide.

/** Figures of one day on which the stand would be laid down. */
export interface WaitingDay {
  day: Day;
  /** All that stands or has fallen, living and dead. */
  dryMatter_g_m2: Spread;
  /** Share of it that lives, over the years. */
  living: number;
  /** Nitrogen the next crop can use above the same bed left bare. */
  nitrogen_g_m2: Spread;
  residue_g_m2: Spread;
  caught_g_m2: Spread;
  weedsHeld: Spread;
  flowerDays: Spread;
  held: Spread;
  /** How well it serves each aim by then, 0..1. */
  serves: Record<string, number>;
}

export interface LastWeeks {
  days: WaitingDay[];
  /** Days on which each member reaches a stage, were it left standing. */
  stages: StandAnswer['stages'];
  /** Share of years in which some member has viable seed by a day: one of ten, and one of two. */
  seed: { early: Day; usual: Day };
  /** What may decide it before planting, as shares of years: killed by frost, killed by heat or drought. */
  weather: { frost: number; heat: number };
  /** The weeks until planting, each with what the weather may do in it. */
  weeks: DecidingWeek[];
  /** Members that ripen apart, with what each plan would bring; empty where they ripen together or there is one. */
  apart: ApartPlan[];
  /** Bloom left for bees in thirds: the last safe day of each; empty where bees are not an aim, or nothing flowers. */
  thirds: Third[];
  /** The way put forward, begun today, on its best day and on the last sensible one; absent for ways that wait. */
  timing: Timing | undefined;
}

/** Points of the first strip. */
const POINTS = 18;
const ON_TOP: Laying = { buried: false, covered: false, stays: 1, decayTimes: 1, manure_g_m2: 0 };

/**
 * Answers: what does each week of waiting bring, and until when is it safe?
 * @param method the way put forward, whose day is told earlier and later
 * @param inThirds bloom is left in thirds though bees are no aim of this cover
 */
export function lastWeeks(
  input: ForecastInput,
  method: MethodHere | undefined,
  standing: Standing = standOf(input),
  inThirds = false,
): LastWeeks {
  const { plan, fromDay } = standing;
  // Nothing more is done to it while one waits.
  const onward = standing.soFar;
  const aims = input.aims && input.aims.length > 0 ? input.aims : USUAL_AIMS;
  const { courses, weights, ensemble } = onward;
  const first = Math.max(plan.sownAt + 1, plan.freeAt ?? 0, input.today - fromDay);
  const last = lastStart(onward);
  const step = Math.max(1, Math.ceil((last - first) / POINTS));
  const years = readYears(onward);
  const days: WaitingDay[] = [];
  for (let d = first; d <= last; d = d === last ? last + 1 : Math.min(last, d + step)) days.push(dayOf(d));
  function dayOf(d: number): WaitingDay {
    const out = years.map((y) => outcomeByHand(y, d, ON_TOP, newOutcome()));
    const green = courses.map((c) => dryMatterOn(c, d));
    const dm = courses.map((c, y) => green[y]! + c.dead_g_m2[d]!);
    const spread = (f: (o: (typeof out)[number]) => number) => spreadOf(out.map(f), weights);
    const mean = (f: (o: (typeof out)[number]) => number) => meanOf(out.map(f), weights);
    const figures: AimFigures = {
      nitrogenNext_g_m2: mean((o) => o.nitrogenNext_g_m2),
      held: mean((o) => o.held),
      smothers: mean((o) => o.smothers),
      residueAtPlanting_g_m2: mean((o) => o.residueAtPlanting_g_m2),
      flower_d: mean((o) => o.flower_d),
      dm_g_m2: meanOf(dm, weights),
      caught_g_m2: mean((o) => o.caught_g_m2),
      minutesPer100m2: method?.minutesPer100m2 ?? 0,
    };
    return {
      day: fromDay + d,
      dryMatter_g_m2: spreadOf(dm, weights),
      living: meanOf(green, weights) / Math.max(meanOf(dm, weights), 1e-9),
      nitrogen_g_m2: spread((o) => o.nitrogenNext_g_m2),
      residue_g_m2: spread((o) => o.residueAtPlanting_g_m2),
      caught_g_m2: spread((o) => o.caught_g_m2),
      weedsHeld: spread((o) => o.weedsHeld),
      flowerDays: spread((o) => o.flower_d),
      held: spread((o) => o.held),
      serves: serves(plan.members, plan.next, figures),
    };
  }
  const { stages } = answerStand(onward, undefined);
  const seedAt = courses.map((c) => fromDay + firstAt(c, 5));
  const cutting = input.methods.filter((m) => m.missing.length === 0 && m.proposed !== false);
  return {
    days,
    stages,
    seed: { early: quantile(seedAt, 0.1, weights), usual: quantile(seedAt, 0.5, weights) },
    weather: {
      frost: shareOf(courses.length, (y) => diedOf(standing, y, 'cold'), weights),
      heat: shareOf(courses.length, (y) => diedOf(standing, y, 'heat'), weights),
    },
    weeks: decidingWeeks(onward, first),
    apart: input.lived ? [] : apart(input, standing, stages, bladeOf(cutting, method)),
    thirds:
      input.lived || !(inThirds || aims.some((a) => a.id === 'flowers'))
        ? []
        : thirds(standing, stages, bladeOf(cutting, method)),
    timing: method && !input.lived ? timing(standing, method, aims, first) : undefined,
  };

  function firstAt(course: (typeof courses)[number], stage: number): number {
    for (let d = course.sownAt; d < Math.min(course.days, ensemble.days); d++)
      for (let s = 0; s < course.members; s++) {
        const i = d * course.members + s;
        if (course.alive[i]! > 0.05 && course.stage[i]! >= stage) return d;
      }
    return Infinity;
  }
}

/** A year in which the weather kills the whole stand between now and planting. */
function diedOf({ plan, soFar: onward }: Standing, y: number, by: 'cold' | 'heat'): boolean {
  const c = onward.courses[y]!;
  const season = onward.ensemble.seasons[y]!;
  const end = Math.min(plan.plantAt, c.days) - 1;
  const lives = (d: number) => {
    for (let s = 0; s < c.members; s++) if (c.alive[d * c.members + s]! > 0.1) return true;
    return false;
  };
  if (lives(end)) return false;
  let d = end;
  while (d > plan.sownAt && !lives(d)) d--;
  const cold = season.tmin_c[Math.min(d + 1, season.days - 1)]! < 2;
  return by === 'cold' ? cold : !cold && dryMatterOn(c, d) > 0;
}

/** One way begun on a day that a hand has moved it to, its later passes so many days after the first. */
export function tryEnding(
  { onward, fromDay }: Standing,
  method: MethodHere,
  startDay: Day,
  after_d?: (number | null)[],
): EndingAnswer {
  const passes = method.passes.map((p, i) =>
    p.after_d === null || after_d?.[i] === undefined || after_d[i] === null
      ? p
      : { ...p, after_d: after_d[i] },
  );
  return answerEnding(onward, { ...method, passes }, startDay - fromDay);
}
