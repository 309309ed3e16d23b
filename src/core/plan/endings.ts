import { meanOf, quantile, shareOf, spreadOf } from '../random/quantile.ts';
import { carbonToNitrogen } from '../residue/decay.ts';
import { type Ending, endStand, newYearEnd, readyEnding } from '../termination/end.ts';
import { type MethodHere } from '../termination/method.ts';
import { type GrownPlan } from './grown.ts';
import { type EndingAnswer, type YearEnd } from './plan.ts';

/** Start dates are tried this many days apart, or further where the gap is long. */
const START_STEP_D = 5;
const MOST_STARTS = 26;
/** Good dates are looked for in this many of the years, spread evenly; the date found is then judged on all of them. */
const SEARCH_YEARS = 33;
/** Ways that the gardener has no tool for are shown too, worked out on fewer dates and years. */
const UNUSABLE_STARTS = 6;
const UNUSABLE_SEARCH_YEARS = 16;
const UNUSABLE_YEARS = 40;
/** A start date is inside the window when its odds come within this of the best. */
const WINDOW_SLACK = 0.05;
/** Least days of growth before an ending is worth anything. */
const LEAST_GROWTH_D = 35;

/** All ways of ending in `methods` on their best dates. Ways that never work in this gap come back with odds near zero, not missing. */
export const answerEndings = (grown: GrownPlan, methods: MethodHere[], notBefore = 0): EndingAnswer[] =>
  methods.map((method) => bestStart(grown, method, notBefore));

interface Tried {
  start: number;
  inTime: number;
}

function bestStart(grown: GrownPlan, method: MethodHere, notBefore: number): EndingAnswer {
  const { plan, ensemble } = grown;
  const ending = readyEnding(plan, method);
  const usable = method.missing.length === 0;
  const { starts, step } = startsToTry(grown, ending, notBefore, usable ? MOST_STARTS : UNUSABLE_STARTS);
  const every = searchYears(grown.courses.length, usable ? SEARCH_YEARS : UNUSABLE_SEARCH_YEARS);
  const odds = starts.length === 1 ? [0] : oddsInTime(grown, ending, starts, every);
  const tried: Tried[] = starts.map((start, k) => ({ start, inTime: odds[k]! }));
  let best = 0;
  for (const t of tried) if (t.inTime > best) best = t.inTime;
  const near = tried.filter((t) => t.inTime >= best - WINDOW_SLACK && t.inTime > 0);
  // Among equally safe days the latest leaves the cover most time; the list runs from late to early.
  const chosen = near[0] ?? tried[tried.length - 1]!;
  // Only the run of dates that hangs together with the chosen one is a window.
  let early = chosen.start;
  for (const t of near) if (early - t.start <= step) early = Math.min(early, t.start);
  return {
    ...summarise(usable ? grown : fewerYears(grown), method, ending, chosen.start),
    windowDays: [ensemble.fromDay + early, ensemble.fromDay + chosen.start],
    minutesPer100m2: method.minutesPer100m2,
  };
}

/** The first years only; where looks have weighed the years, all of them are kept. */
const fewerYears = (grown: GrownPlan): GrownPlan =>
  grown.weights ? grown : { ...grown, courses: grown.courses.slice(0, UNUSABLE_YEARS) };

function startsToTry(grown: GrownPlan, ending: Ending, notBefore: number, most: number) {
  const { plan } = grown;
  const first = Math.max(plan.sownAt + LEAST_GROWTH_D, (plan.freeAt ?? 0) + 1, notBefore);
  const step = Math.max(START_STEP_D, Math.ceil((plan.plantAt - first) / most));
  const starts: number[] = [];
  if (ending.course.waits) starts.push(Math.min(plan.plantAt, first));
  else for (let d = plan.plantAt - 1; d >= first; d -= step) starts.push(d);
  if (starts.length === 0) starts.push(Math.max(plan.sownAt, Math.min(first, plan.plantAt - 1)));
  return { starts, step };
}

const everyYear = new Map<number, number[]>();

/** Indices of about `wanted` of `n` years, spread evenly: those that dates are looked for in. */
function searchYears(n: number, wanted: number): number[] {
  const key = n * 1000 + wanted;
  let found = everyYear.get(key);
  if (!found) {
    const stride = Math.max(1, Math.floor(n / wanted));
    found = Array.from({ length: Math.ceil(n / stride) }, (_, i) => i * stride);
    everyYear.set(key, found);
  }
  return found;
}

const scratch = newYearEnd();

/** Ready when the crop wants the bed, and no seed shed on the way unless seed was wanted. */
const inTime = (end: YearEnd, grown: GrownPlan, ending: Ending): boolean =>
  end.readyAt <= grown.plan.plantAt && (end.stageAtEnd < 5 || ending.course.waits === 'seed');

/** Odds of being over in time for each start: year by year, so that one course at a time is read. */
function oddsInTime(grown: GrownPlan, ending: Ending, starts: number[], years: number[]): number[] {
  const { ensemble, courses, weights } = grown;
  const yes = new Array<number>(starts.length).fill(0);
  let total = 0;
  for (const y of years) {
    const w = weights ? weights[y]! : 1;
    total += w;
    const season = ensemble.seasons[y]!;
    const v = ensemble.variations[y]!;
    for (let k = 0; k < starts.length; k++) {
      const end = endStand(ending, starts[k]!, courses[y]!, season, v, scratch, false);
      if (inTime(end, grown, ending)) yes[k]! += w;
    }
  }
  return yes.map((n) => (total > 0 ? n / total : 0));
}

/** Room for the years of one ending; written over by the next. */
const room: YearEnd[] = [];

/** One method begun on one day, over all years. Take what you need before the next call. */
function tryStart({ ensemble, courses }: GrownPlan, ending: Ending, start: number): YearEnd[] {
  while (room.length < courses.length) room.push(newYearEnd());
  return courses.map((course, y) =>
    endStand(ending, start, course, ensemble.seasons[y]!, ensemble.variations[y]!, room[y]!),
  );
}

/** One way of ending begun on one day. */
export function answerEnding(grown: GrownPlan, method: MethodHere, start: number): EndingAnswer {
  const day = grown.ensemble.fromDay + start;
  return {
    ...summarise(grown, method, readyEnding(grown.plan, method), start),
    windowDays: [day, day],
    minutesPer100m2: method.minutesPer100m2,
  };
}

function summarise(
  grown: GrownPlan,
  method: MethodHere,
  ending: Ending,
  start: number,
): Omit<EndingAnswer, 'windowDays' | 'minutesPer100m2'> {
  const { ensemble, plan, weights, courses } = grown;
  const years = tryStart(grown, ending, start);
  const from = ensemble.fromDay;
  const { waits } = ending.course;
  const pick = (f: (y: YearEnd) => number) => spreadOf(years.map(f), weights);
  const mean = (f: (y: YearEnd) => number) => meanOf(years.map(f), weights);
  const share = (holds: (y: YearEnd) => boolean) => shareOf(years.length, (y) => holds(years[y]!), weights);
  const dead = pick((y) => from + y.deadAt);
  const at = Math.min(ensemble.days - 1, start);
  const lies = years.map((y) => (Number.isFinite(y.deadAt) ? Math.max(0, y.deadAt - start) : Infinity));
  const startDay = !waits
    ? from + start
    : Number.isFinite(dead.mid)
      ? Math.round(dead.mid)
      : from + plan.plantAt;
  return {
    method: method.id,
    startDay,
    odds: {
      inTime: share((y) => inTime(y, grown, ending)),
      dead: share((y) => y.deadAt <= plan.plantAt),
      noSeed: share((y) => y.stageAtEnd < 5),
    },
    dead,
    ready: pick((y) => from + y.readyAt),
    readyMostly: quantile(
      years.map((y) => from + y.readyAt),
      0.8,
      weights,
    ),
    plantable: pick((y) => from + y.plantableAt),
    lies_d: waits ? 0 : quantile(lies, 0.5, weights),
    nitrogen_g_m2: pick((y) => y.nitrogenNext_g_m2),
    residue_g_m2: pick((y) => y.residueAtPlanting_g_m2),
    dryMatter_g_m2: pick((y) => y.dm_g_m2),
    carbonToNitrogen: carbonToNitrogen(
      mean((y) => y.dm_g_m2),
      mean((y) => y.n_g_m2),
    ),
    stageAtStart: quantile(
      courses.map((c) => c.stage[at * c.members]!),
      0.5,
      weights,
    ),
    heightAtStart_m: quantile(
      courses.map((c) => c.height_m[at]!),
      0.5,
      weights,
    ),
    surviving: mean((y) => y.surviving),
  };
}
