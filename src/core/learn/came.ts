import { type Day } from '../calendar/day.ts';
import { type LookSeen } from '../plan/weigh.ts';
import { type ForecastInput, standOf } from '../plan/standing.ts';
import { type Spread, spreadOf } from '../random/quantile.ts';
import { dryMatterOn } from '../stand/course.ts';
import { STAGES } from '../stand/species.ts';

/** A cover that has been lived through, as a question, and the day on which it was planned to be sown. */
export interface LivedThrough {
  asked: ForecastInput;
  plannedSowDay: Day;
  /** Living seed that was planned, g/m2 by member: what was thrown may be another weight. */
  plannedSeed_g_m2: number[];
  /** Of what was thrown, the seed that its lot's age and test let come up; what the bag or the plan said may be more. */
  wokeSeed_g_m2: number[];
  /** Day of the first pass by hand, up to which it grew; null where the weather ended it and nobody knows the day. */
  endDay: Day | null;
}

/** What came of one thing: what was to be expected when it was planned, what was seen, and what made the difference. */
export interface CameOf {
  what: 'up' | 'flower' | 'bulk';
  /** In the years that were plausible when it was planned: days, or g/m2. */
  expected: Spread;
  /** What was seen: a day between two looks, or the mass that fits what was seen. */
  seen: number;
  /** By so much each moved it: more or less seed, seed that had aged, another sowing day, the weather that came, and all else (kind, ground, hand, chance). */
  causes: { rate: number; age: number; date: number; weather: number; rest: number };
}

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
 * seed that was thrown, how much of it still woke, the real day, the real weather; what is left is the kind's, the ground's and chance.
 */
export function cameOf({
  asked: thrown,
  plannedSowDay,
  plannedSeed_g_m2,
  wokeSeed_g_m2,
  endDay,
}: LivedThrough): CameOf[] {
  const asked = { ...thrown, seed_g_m2: wokeSeed_g_m2 };
  const bare = { ...asked, looks: [], lived: undefined, settled: undefined, learnt: undefined, years: YEARS };
  const usual = { ...bare, observed: [], ahead: [] };
  const onPlan = { ...usual, sowDay: plannedSowDay, freeDay: undefined, waterings: undefined };
  const runs = {
    planned: standOf({ ...onPlan, seed_g_m2: plannedSeed_g_m2 }).soFar,
    rate: standOf({ ...onPlan, seed_g_m2: thrown.seed_g_m2 }).soFar,
    age: standOf(onPlan).soFar,
    date: standOf({ ...usual, waterings: undefined }).soFar,
    weather: standOf(bare).soFar,
    seen: standOf({ ...bare, looks: asked.looks }).soFar,
  };
  type Run = (typeof runs)['planned'];
  const of = (run: Run, f: (c: Run['courses'][number]) => number): Spread =>
    spreadOf(run.courses.map(f), run.weights);
  const out: CameOf[] = [];
  const tell = (
    what: CameOf['what'],
    f: (run: Run) => (c: Run['courses'][number]) => number,
    seen: number | undefined,
  ) => {
    if (seen === undefined) return;
    const middle = (run: Run) => of(run, f(run)).mid;
    const planned = of(runs.planned, f(runs.planned));
    const [rate, age] = [middle(runs.rate), middle(runs.age)];
    const [date, weather] = [middle(runs.date), middle(runs.weather)];
    if (![planned.mid, rate, age, date, weather, seen].every(Number.isFinite)) return;
    out.push({
      what,
      expected: planned,
      seen,
      causes: {
        rate: rate - planned.mid,
        age: age - rate,
        date: date - age,
        weather: weather - date,
        rest: seen - weather,
      },
    });
  };
  tell(
    'up',
    (run) => (c) => run.ensemble.fromDay + c.emerged.reduce((a, b) => Math.min(a, b), Infinity),
    dayBetween(asked.looks, (l) =>
      l.emergence === undefined ? (l.cover ?? 0) > 0.03 || undefined : l.emergence !== 'none',
    ),
  );
  tell(
    'flower',
    (run) => (c) => run.ensemble.fromDay + firstAt(c, FLOWER),
    dayBetween(asked.looks, (l) => l.stage && STAGES.indexOf(l.stage) >= FLOWER),
  );
  if (endDay === null || !runs.seen.weights) return out;
  const standing = (run: Run) => (c: Run['courses'][number]) =>
    dryMatterOn(c, Math.max(0, Math.min(c.days - 1, endDay - run.ensemble.fromDay)));
  tell('bulk', standing, of(runs.seen, standing(runs.seen)).mid);
  return out;
}

/** Day index on which the lead comes to a stage; Infinity where it never does. */
function firstAt(
  c: { days: number; members: number; stage: Float64Array | Float32Array },
  stage: number,
): number {
  for (let d = 0; d < c.days; d++) if (c.stage[d * c.members]! >= stage) return d;
  return Infinity;
}
