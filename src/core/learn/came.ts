import { type Day } from '../calendar/day.ts';
import { type GrownPlan } from '../plan/grown.ts';
import { type LookSeen, WEEDS } from '../plan/weigh.ts';
import { type ForecastInput, standOf } from '../plan/standing.ts';
import { yearOf } from '../plan/year.ts';
import { meanOf, type Spread, spreadOf } from '../random/quantile.ts';
import { type Course, dryMatterOn } from '../stand/course.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { STAGES } from '../stand/species.ts';
import { type Season } from '../weather/season.ts';

/** A cover that has been lived through, as a question, and the day on which it was planned to be sown. */
export interface LivedThrough {
  asked: ForecastInput;
  plannedSowDay: Day;
  /** Living seed that was planned, g/m2 by member: what was thrown may be another weight. */
  plannedSeed_g_m2: number[];
  /** The way of sowing that was planned, where another was taken. */
  plannedWay?: SowingWay | undefined;
  /** Of what was thrown, the seed that its lot's age and test let come up; what the bag or the plan said may be more. */
  wokeSeed_g_m2: number[];
  /** Day of the first pass by hand, up to which it grew; null where the weather ended it and nobody knows the day. */
  endDay: Day | null;
}

/** What came of one thing: what was to be expected when it was planned, what was seen, and what made the difference. */
export interface CameOf {
  what: 'up' | 'closed' | 'flower' | 'weeds' | 'bulk';
  /** In the years that were plausible when it was planned: days, g/m2, or weeds as a share of a full stand. */
  expected: Spread;
  /** What was seen: a day between two looks, the mass that fits what was seen, or the middle of what is called few, some or many weeds. */
  seen: number;
  /**
   * By so much each moved it: more or less seed, seed that had aged, another way of sowing, another sowing day, warmth that was not the usual, rain that was not, and all else (kind,
   * ground, hand, chance).
   */
  causes: {
    rate: number;
    age: number;
    way: number;
    date: number;
    warmth: number;
    rain: number;
    rest: number;
  };
  /** The weather from sowing to that day against the usual: °C warmer, and rain as so many times it. */
  weather: { warmer_c: number; rainTimes: number };
}

/** A cover has closed when so much of the ground is under its leaves. */
const CLOSED = 0.8;
const FLOWER = STAGES.indexOf('flower');
/** Looks further apart than this tell no day. */
const TELLS_WITHIN_D = 28;
const YEARS = 60;

/** Day between the last look before something and the first look with it; undefined where looks do not tell. */
export function dayBetween(
  looks: readonly LookSeen[],
  has: (l: LookSeen) => boolean | undefined,
): Day | undefined {
  const sorted = [...looks].sort((a, b) => a.day - b.day);
  const first = sorted.find((l) => has(l) === true);
  if (!first) return undefined;
  const before = sorted.filter((l) => l.day < first.day && has(l) === false).at(-1);
  return before && first.day - before.day <= TELLS_WITHIN_D
    ? Math.round((first.day + before.day) / 2)
    : undefined;
}

/**
 * Answers: what came of a cover beside what was expected, and why? The core runs again with one thing changed at a time: as planned in usual weather, the
 * seed that was thrown, how much of it still woke, the way it was sown, the real day, the real warmth, the real rain; what is left is the kind's, the ground's and chance.
 */
export function cameOf(
  { asked: thrown, plannedSowDay, plannedSeed_g_m2, plannedWay, wokeSeed_g_m2, endDay }: LivedThrough,
  years = YEARS,
): CameOf[] {
  const asked = { ...thrown, seed_g_m2: wokeSeed_g_m2 };
  const bare = { ...asked, looks: [], lived: undefined, settled: undefined, learnt: undefined, years };
  const usual = { ...bare, observed: [], ahead: [] };
  const onDay = { ...usual, sowDay: plannedSowDay, freeDay: undefined, waterings: undefined };
  const onPlan = plannedWay ? { ...onDay, way: plannedWay } : onDay;
  const warm = { ...bare, observed: asked.observed?.map(withoutRain), ahead: asked.ahead?.map(withoutRain) };
  const runs = {
    planned: standOf({ ...onPlan, seed_g_m2: plannedSeed_g_m2 }).soFar,
    rate: standOf({ ...onPlan, seed_g_m2: thrown.seed_g_m2 }).soFar,
    age: standOf(onPlan).soFar,
    way: standOf(onDay).soFar,
    date: standOf({ ...usual, waterings: undefined }).soFar,
    warmth: standOf({ ...warm, waterings: undefined }).soFar,
    weather: standOf(bare).soFar,
    seen: standOf({ ...bare, looks: asked.looks }).soFar,
  };
  const out: CameOf[] = [];
  /** @param until day up to which the weather can have mattered */
  const tell = (
    what: CameOf['what'],
    of: (run: GrownPlan) => number[],
    seen: number | undefined,
    until: Day,
  ) => {
    if (seen === undefined) return;
    const middle = (run: GrownPlan) => spreadOf(of(run), run.weights).mid;
    const planned = spreadOf(of(runs.planned), runs.planned.weights);
    const [rate, age, way] = [middle(runs.rate), middle(runs.age), middle(runs.way)];
    const [date, warmth, weather] = [middle(runs.date), middle(runs.warmth), middle(runs.weather)];
    if (![planned.mid, rate, age, way, date, warmth, weather, seen].every(Number.isFinite)) return;
    out.push({
      what,
      expected: planned,
      seen,
      causes: {
        rate: rate - planned.mid,
        age: age - rate,
        way: way - age,
        date: date - way,
        warmth: warmth - date,
        rain: weather - warmth,
        rest: seen - weather,
      },
      weather: against(runs.weather, runs.date, asked.sowDay, until),
    });
  };
  /** Tells of a day between two looks. */
  const tellDay = (
    what: CameOf['what'],
    at: (c: Course) => number,
    has: (l: LookSeen) => boolean | undefined,
  ) => {
    const seen = dayBetween(asked.looks, has);
    tell(what, (run) => run.courses.map((c) => run.ensemble.fromDay + at(c)), seen, seen ?? 0);
  };
  tellDay(
    'up',
    (c) => c.emerged.reduce((a, b) => Math.min(a, b), Infinity),
    (l) => (l.emergence === undefined ? (l.cover ?? 0) > 0.03 || undefined : l.emergence !== 'none'),
  );
  tellDay(
    'closed',
    (c) => firstDay(c, (d) => c.cover[d]! >= CLOSED),
    (l) => (l.cover === undefined ? undefined : l.cover >= CLOSED),
  );
  tellDay(
    'flower',
    (c) => firstDay(c, (d) => c.stage[d * c.members]! >= FLOWER),
    (l) => l.stage && STAGES.indexOf(l.stage) >= FLOWER,
  );
  const weedy = [...asked.looks].sort((a, b) => a.day - b.day).findLast((l) => l.weeds);
  if (weedy?.weeds) {
    const [few, many] = WEEDS[weedy.weeds];
    tell('weeds', (run) => weedsOn(run, weedy.day), (few + many) / 2, weedy.day);
  }
  if (endDay === null || !runs.seen.weights) return out;
  const standing = (run: GrownPlan) =>
    run.courses.map((c) => dryMatterOn(c, Math.max(0, Math.min(c.days - 1, endDay - run.ensemble.fromDay))));
  tell('bulk', standing, spreadOf(standing(runs.seen), runs.seen.weights).mid, endDay);
  return out;
}

type Observed = [Day, number, number, number];
const withoutRain = ([day, low, high]: Observed): Observed => [day, low, high, NaN];

/** Weeds on a day in every year, as a share of a full stand. Read anew: readings of other runs are written into the same room. */
function weedsOn(run: GrownPlan, day: Day): number[] {
  const fresh = { ...run, readings: [] };
  const d = day - run.ensemble.fromDay;
  return run.courses.map(
    (c, y) => yearOf(fresh, y).reading.weedMass[Math.max(0, Math.min(c.days - 1, d - 1))]!,
  );
}

/** The weather that came against the usual, from one day to another. */
function against(came: GrownPlan, usual: GrownPlan, from: Day, until: Day): CameOf['weather'] {
  const over = ({ ensemble }: GrownPlan, of: (s: Season) => Float64Array): number => {
    const [a, b] = [from, until].map((day) => Math.max(0, Math.min(ensemble.days, day - ensemble.fromDay)));
    const sums = ensemble.seasons.map((s) =>
      of(s)
        .subarray(a, b)
        .reduce((sum, x) => sum + x, 0),
    );
    return meanOf(sums);
  };
  const days = Math.max(1, until - from);
  const [rain, usualRain] = [over(came, (s) => s.rain_mm), over(usual, (s) => s.rain_mm)];
  return {
    warmer_c: (over(came, (s) => s.mean_c) - over(usual, (s) => s.mean_c)) / days,
    rainTimes: usualRain > 0 ? rain / usualRain : 1,
  };
}

/** First day index on which something holds; Infinity where it never does. */
function firstDay(c: Course, holds: (d: number) => boolean): number {
  for (let d = 0; d < c.days; d++) if (holds(d)) return d;
  return Infinity;
}
