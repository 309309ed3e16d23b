import { type DayIndex } from '../calendar/day.ts';
import { type AimFigures, type AimStrands, serves, worthOf } from '../aims/aims.ts';
import { newYearEnd } from '../termination/yearEnd.ts';
import { type Ending, endGrowth, readyEnding } from '../termination/end.ts';
import { type MethodHere } from '../termination/method.ts';
import { type GrownPlan } from './grown.ts';
import { type Laying, layingKey, layingOf, newOutcome } from './outcome.ts';
import { gapOf, idleDays, inTime, readYears, type ReadYear, yieldOf } from './year.ts';

// The day of every way of ending that serves the aims best: coarsely over the time there is, then ever closer round the best few.

/** How hard good days are looked for: in how many years, on how many days at first, and how many of the best ways are then followed ever closer. */
export interface Effort {
  years: number;
  starts: number;
  refined: number;
}
/** What is found is then judged on all years. */
export const FULL: Effort = { years: 32, starts: 15, refined: 4 };
/** Enough to tell one cover, or one sowing day, from another. */
export const QUICK: Effort = { years: 20, starts: 10, refined: 2 };
export const GLANCE: Effort = { years: 10, starts: 9, refined: 2 };
export const PEEK: Effort = { years: 5, starts: 9, refined: 1 };
/** Ways that the gardener has no tool for, or that are never proposed, are shown too. */
export const ASIDE: Effort = { years: 10, starts: 5, refined: 0 };
/** The best ways are followed to within so many days: to the day where the time is short. */
const SHORT_D = 130;
const LONG_GAP_STEP_D = 3;
/** An ending is worth trying once this share of the ground is covered, or this much stands; a stand that never gets there, after this long. */
const HALF_COVERED = 0.5;
const WORTH_ENDING_G_M2 = 60;
const LEAST_TRIED_D = 20;
/** A day is inside the window when what it is worth comes within this share of the best. */
const WINDOW_SLACK = 0.07;

/** The best of `methods` alone, from a few years: enough to tell one sowing day, or one cover, from another. */
export function bestWay(
  grown: GrownPlan,
  methods: MethodHere[],
  aims: AimStrands[],
  effort: Effort = GLANCE,
  notBefore = 0,
): BestWay | undefined {
  const able = searchDays(
    grown,
    methods.filter((m) => m.proposed !== false),
    notBefore,
    aims,
    effort,
  );
  const hopeful = able.filter((f) => f.inTime >= HOPELESS);
  const best = [...(hopeful.length > 0 ? hopeful : able)].sort((a, b) => b.worth - a.worth)[0];
  return best && asBest(best, able);
}

/** One of the ways that were looked at, taken for the best of them. */
export const asBest = ({ method, best, worth, inTime, figures }: Found, looked: Found[]): BestWay => ({
  method: method.id,
  start: best,
  worth,
  inTime,
  figures,
  looked,
});

export interface BestWay {
  method: string;
  /** Day index of the first pass. */
  start: DayIndex;
  worth: number;
  inTime: number;
  figures: AimFigures;
  /** All ways it is the best of, each on its own best day. */
  looked: Found[];
}

/** Ways under these odds are put forward only where no other has better. */
export const HOPELESS = 0.08;

interface Way {
  method: MethodHere;
  ending: Ending;
  laying: Laying;
  /** Which outcome it shares with other ways that do the same with what stands there. */
  group: number;
  tried: Map<number, Tried>;
}

interface Tried {
  worth: number;
  inTime: number;
  figures: AimFigures;
}

export interface Found extends Way, Tried {
  best: DayIndex;
  early: DayIndex;
  late: DayIndex;
}

/** The best day of each way: coarsely over the time there is, then ever closer round the best few. */
export function searchDays(
  grown: GrownPlan,
  methods: MethodHere[],
  notBefore: DayIndex,
  aims: AimStrands[],
  effort: Effort,
): Found[] {
  if (methods.length === 0) return [];
  const { plan } = grown;
  const years = readYears(grown, searchYears(grown, effort.years));
  const groups = new Map<string, number>();
  const ways: Way[] = methods.map((method) => {
    const ending = readyEnding(plan, method);
    const laying = layingOf(ending.course);
    const key = ending.course.waits ? 'weather' : layingKey(laying);
    if (!groups.has(key)) groups.set(key, groups.size);
    return { method, ending, laying, group: groups.get(key)!, tried: new Map<number, Tried>() };
  });
  const { first, last } = daysToTry(grown, years, notBefore);
  const step = Math.max(1, Math.ceil((last - first) / effort.starts));
  // Ways that lay the same stand next to each other share its outcome.
  const byHand = ways.filter((w) => w.ending.course.waits === null).sort((a, b) => a.group - b.group);
  // What is planted into on the day it is cut is cut on the eve of planting.
  const eve = byHand.filter((w) => w.ending.course.plantsAtOnce);
  const free = byHand.filter((w) => !w.ending.course.plantsAtOnce);
  if (eve.length > 0) tryDay(grown, years, eve, last, aims);
  for (let d = last; d >= first; d -= step) tryDay(grown, years, free, d, aims);
  for (const way of ways) if (way.ending.course.waits !== null) tryDay(grown, years, [way], last, aims);
  // Ever closer round the best day of the ways that lead.
  const finest = plan.plantAt - plan.sownAt <= SHORT_D ? 1 : LONG_GAP_STEP_D;
  const leading = [...free].sort((a, b) => bestOf(b).worth - bestOf(a).worth).slice(0, effort.refined);
  for (const way of leading)
    for (let near = Math.ceil(step / 2); near >= finest; near = Math.floor(near / 2)) {
      const { day } = bestOf(way);
      for (const d of [day - near, day + near])
        if (d >= first && d <= last && !way.tried.has(d)) tryDay(grown, years, [way], d, aims);
      if (near === 1) break;
    }
  return ways.map((way) => {
    const { day, worth, inTime, figures } = bestOf(way);
    const slack = Math.max(0.01, Math.abs(worth) * WINDOW_SLACK);
    // Only the run of days that hangs together with the best is a window.
    const days = [...way.tried.keys()].sort((a, b) => a - b);
    const at = days.indexOf(day);
    const good = (i: number) => way.tried.get(days[i]!)!.worth >= worth - slack;
    let i = at;
    while (i > 0 && good(i - 1)) i--;
    let k = at;
    while (k + 1 < days.length && good(k + 1)) k++;
    const { method, ending, laying, group, tried } = way;
    const [early, late] = [days[i]!, days[k]!];
    return { method, ending, laying, group, tried, worth, inTime, figures, best: day, early, late };
  });
}

/** The day worth most; of days worth the same, the latest leaves the cover most time. */
function bestOf(way: Way): Tried & { day: DayIndex } {
  let best: (Tried & { day: DayIndex }) | undefined;
  for (const [day, tried] of way.tried)
    if (
      !best ||
      tried.worth > best.worth + SAME ||
      (Math.abs(tried.worth - best.worth) <= SAME && day > best.day)
    )
      best = { day, worth: tried.worth, inTime: tried.inTime, figures: tried.figures };
  return best!;
}
const SAME = 1e-9;

export const lastStart = ({ plan, ensemble }: GrownPlan): DayIndex =>
  Math.min(plan.plantAt, ensemble.days) - 1;

/** From the day there is something to end until the day before planting. */
function daysToTry(
  grown: GrownPlan,
  years: ReadYear[],
  notBefore: DayIndex,
): { first: DayIndex; last: DayIndex } {
  const { plan, ensemble } = grown;
  const last = lastStart(grown);
  let first = Math.min(last, plan.sownAt + LEAST_TRIED_D);
  for (let d = first; d <= last; d++) {
    let cover = 0;
    let dm = 0;
    for (const { course } of years) {
      cover += course.cover[d]!;
      for (let s = 0; s < course.members; s++) dm += course.dm_g_m2[d * course.members + s]!;
    }
    first = d;
    if (cover >= HALF_COVERED * years.length || dm >= WORTH_ENDING_G_M2 * years.length) break;
  }
  if (first === last) first = Math.min(last, plan.sownAt + LEAST_TRIED_D);
  first = Math.max(first, (plan.freeAt ?? 0) + 1, notBefore);
  // A stand that is ended after its planting day is still ended.
  const until = Math.max(last, Math.min(notBefore, ensemble.days - 1));
  return { first: Math.min(first, until), last: until };
}

const scratchEnd = newYearEnd();
const scratchOutcome = newOutcome();

/** Several ways begun on one day, over the years of the search: year by year, so that one course at a time is read. */
function tryDay(grown: GrownPlan, years: ReadYear[], ways: Way[], day: DayIndex, aims: AimStrands[]): void {
  const sums = ways.map(() => ({ ...NO_SUM }));
  let total = 0;
  for (const year of years) {
    const { weight: w } = year;
    total += w;
    let group = -1;
    for (let k = 0; k < ways.length; k++) {
      const way = ways[k]!;
      const end = endGrowth(way.ending, day, year.course, year.season, year.variation, scratchEnd);
      if (way.group !== group) {
        group = way.group;
        yieldOf(year, way.ending, way.laying, end, day, scratchOutcome);
      }
      const o = scratchOutcome;
      const sum = sums[k]!;
      if (inTime(end, grown.plan.plantAt, way.ending)) sum.inTime += w;
      if (end.deadAt <= grown.plan.plantAt) sum.dead += w;
      if (end.stageAtEnd < 5) sum.noSeed += w;
      sum.nitrogen += w * o.nitrogenNext_g_m2;
      sum.held += w * o.held;
      sum.weeds += w * o.smothers;
      sum.residue += w * o.residueAtPlanting_g_m2;
      sum.flower += w * o.flower_d;
      sum.dm += w * end.dm_g_m2;
      sum.caught += w * o.caught_g_m2;
      sum.idle += w * idleDays(end, year);
    }
  }
  const { members, next } = grown.plan;
  ways.forEach((way, k) => {
    const sum = sums[k]!;
    const figures: AimFigures = {
      nitrogenNext_g_m2: sum.nitrogen / total,
      held: sum.held / total,
      smothers: sum.weeds / total,
      residueAtPlanting_g_m2: sum.residue / total,
      flower_d: sum.flower / total,
      dm_g_m2: sum.dm / total,
      caught_g_m2: sum.caught / total,
      minutesPer100m2: way.method.minutesPer100m2,
    };
    const odds = { inTime: sum.inTime / total, dead: sum.dead / total, noSeed: sum.noSeed / total };
    way.tried.set(day, {
      worth: worthOf(
        serves(members, next, figures),
        aims,
        odds,
        way.method.minutesPer100m2,
        sum.idle / total,
        gapOf(grown.plan),
      ),
      inTime: odds.inTime,
      figures,
    });
  });
}

const NO_SUM = {
  inTime: 0,
  dead: 0,
  noSeed: 0,
  nitrogen: 0,
  held: 0,
  weeds: 0,
  residue: 0,
  flower: 0,
  dm: 0,
  caught: 0,
  idle: 0,
};

/** Years that dates are looked for in: the first ones or, where looks have spoken, those that they spoke for most. */
function searchYears({ courses, weights }: GrownPlan, wanted: number): number[] {
  const all = courses.map((_, y) => y);
  if (all.length <= wanted) return all;
  if (!weights) return all.slice(0, wanted);
  return all.sort((a, b) => weights[b]! - weights[a]!).slice(0, wanted);
}
