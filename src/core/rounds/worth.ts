import { type AimFigures, type AimStrands, served, serves } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { likelihoods, type LookSeen } from '../plan/weigh.ts';
import { yearEnds } from '../plan/endings.ts';
import { layingOf, newOutcome } from '../plan/outcome.ts';
import { lastStart } from '../plan/search.ts';
import { type Standing } from '../plan/standing.ts';
import { readYears, yieldOf } from '../plan/year.ts';
import { quantile } from '../random/quantile.ts';
import { readyEnding } from '../termination/end.ts';
import { type MethodHere, takeApart } from '../termination/method.ts';
import { exp } from '../units/exact.ts';

// What an answer is worth: how far it would narrow the day on which a cover is best ended, and how much better the decision would be for knowing it.

/** What each way on each day would come to, year by year. */
export interface Decision {
  /** Of every option its worth in every year. */
  options: Float64Array[];
  /** The day that is best in each year, by the way that leads; absent for ways that wait for the weather. */
  bestDay: Float64Array | undefined;
  method: string | undefined;
}

const DAYS_TRIED = 14;
/** What a cover that is late still serves, and what shedding seed leaves of it. */
const LATE_KEEPS = 0.05;
const SEEDED_KEEPS = 0.5;

/** @param ways the one that leads first, then its rivals */
export function decisionOf(standing: Standing, ways: MethodHere[], aims: AimStrands[], today: Day): Decision {
  const { soFar, fromDay, plan } = standing;
  const years = readYears(soFar);
  const options: Float64Array[] = [];
  let bestDay: Float64Array | undefined;
  const last = lastStart(soFar);
  const first = Math.max(plan.sownAt + 1, plan.freeAt ?? 0, today - fromDay);
  for (const [k, method] of ways.entries()) {
    const waits = takeApart(method).waits !== null;
    const tried = k === 0 ? DAYS_TRIED : DAYS_TRIED / 2;
    const step = Math.max(1, Math.ceil((last - first) / tried));
    const starts: number[] = [];
    if (waits) starts.push(last);
    else for (let d = last; d >= first; d -= step) starts.push(d);
    const ending = readyEnding(plan, method);
    const laying = layingOf(ending.course);
    const rows = starts.map((start) => {
      const ends = yearEnds(soFar, method, start);
      return Float64Array.from(years, (y, i) => {
        const end = ends[i]!;
        const o = yieldOf(y, ending, laying, end, start, newOutcome());
        const figures: AimFigures = { ...o, dm_g_m2: end.dm_g_m2, minutesPer100m2: method.minutesPer100m2 };
        const share = served(serves(plan.members, plan.next, figures), aims);
        const ready = end.readyAt <= plan.plantAt ? 1 : LATE_KEEPS;
        const clean = end.stageAtEnd < 5 ? 1 : SEEDED_KEEPS;
        return share > 0 ? share * ready * clean : share;
      });
    });
    options.push(...rows);
    if (k === 0 && !waits)
      bestDay = Float64Array.from(years, (_, i) => {
        let best = 0;
        for (let r = 1; r < rows.length; r++) if (rows[r]![i]! > rows[best]![i]! + 1e-9) best = r;
        return fromDay + starts[best]!;
      });
  }
  return { options, bestDay, method: ways[0]?.id };
}

const mean = (values: Float64Array, weights: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]! * weights[i]!;
  return sum;
};

/** Worth of the option that is best on the whole, under these weights. */
const bestOf = (options: Float64Array[], weights: Float64Array): number =>
  options.reduce((most, o) => Math.max(most, mean(o, weights)), -Infinity);

/** Days from the early tenth to the late one of the best day. */
const width = (days: Float64Array, weights: Float64Array): number =>
  quantile(days, 0.9, weights) - quantile(days, 0.1, weights);

export interface Worth {
  /** Days by which the best day is uncertain now, and on average after the answer. */
  widthNow_d: number;
  widthAfter_d: number;
  /** How much more the best decision is worth for knowing the answer, on average. */
  gain: number;
}

/**
 * Answers: what would asking this be worth? Each possible answer is weighed by how often the years would give it, and the decision is taken anew under the
 * weights it leaves: the same likelihoods that weigh a look that was taken.
 */
export function worthOfAsking(
  standing: Standing,
  decision: Decision,
  answers: readonly LookSeen[],
  weights: Float64Array,
): Worth {
  const { soFar } = standing;
  const n = weights.length;
  const logs = answers.map((a) => likelihoods(soFar, a));
  // Of each year, how likely it gives each of the answers.
  const shares = logs.map(() => new Float64Array(n));
  for (let y = 0; y < n; y++) {
    let top = -Infinity;
    for (const l of logs) top = Math.max(top, l[y]!);
    let sum = 0;
    for (const [a, l] of logs.entries()) sum += shares[a]![y] = exp(l[y]! - top);
    for (const s of shares) s[y]! /= sum;
  }
  const before = bestOf(decision.options, weights);
  const days = decision.bestDay;
  const widthNow_d = days ? width(days, weights) : 0;
  let after = 0;
  let widthAfter_d = 0;
  for (const s of shares) {
    let p = 0;
    for (let y = 0; y < n; y++) p += weights[y]! * s[y]!;
    if (p < 1e-6) continue;
    const w = s.map((x, y) => (x * weights[y]!) / p);
    after += p * bestOf(decision.options, w);
    if (days) widthAfter_d += p * width(days, w);
  }
  return { widthNow_d, widthAfter_d, gain: Math.max(0, after - before) };
}
