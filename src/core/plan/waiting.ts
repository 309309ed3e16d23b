import { type AimStrands } from '../aims/aims.ts';
import { type Day, type DayIndex } from '../calendar/day.ts';
import { quantile } from '../random/quantile.ts';
import { type MethodHere, takeApart } from '../termination/method.ts';
import { type EndingAnswer, type StandAnswer } from './answers.ts';
import { answerEnding, answerLived, worthOfEnding } from './endings.ts';
import { growLived } from './lived.ts';
import { lastStart } from './search.ts';
import { type ForecastInput, type Standing } from './standing.ts';

// Plans for waiting: kinds that ripen apart, bloom left in thirds, and one way today, on its best day and at the last.

export interface ApartPlan {
  id: 'first' | 'last' | 'two-stages';
  /** Member that sets the day. */
  speciesId: string;
  day: Day;
  /** Second step of a plan in two. */
  then?: Day;
  ending: EndingAnswer;
}

export interface Timing {
  method: string;
  now: EndingAnswer;
  best: EndingAnswer;
  latest: EndingAnswer;
  /** What is lost soon after the latest sensible day. */
  afterwards: 'time' | 'seed' | 'stage' | 'aims' | 'planting';
}

/** A strip of the bed that is cut on its own day. */
export interface Third {
  day: Day;
  ending: EndingAnswer;
}

/** Stages of two kinds this far apart are two plans. */
const APART_D = 7;
/** Part of the bed that stays in bloom while the rest is cut: three strips. */
const CUTS = new Set(['cut', 'mow', 'flail']);
/** A seed this far along may ripen on a stem that lies cut. */
const RIPENS_CUT = 4.6;
const WEEK_D = 7;

/** The blade among the ways at hand: the one put forward where it cuts, otherwise the first that does. */
export const bladeOf = (ways: MethodHere[], chosen: MethodHere | undefined): MethodHere | undefined => {
  const cuts = (m: MethodHere) => m.passes.every((p) => CUTS.has(p.kind) && p.after_d !== null);
  return chosen && cuts(chosen) ? chosen : ways.find(cuts);
};

/** Plans by the member that flowers first, by the last, and in two steps. */
export function apart(
  input: ForecastInput,
  standing: Standing,
  stages: StandAnswer['stages'],
  blade: MethodHere | undefined,
): ApartPlan[] {
  const { plan, fromDay, onward } = standing;
  const lasting = stages.filter((s) => s.survives > 0.3 && Number.isFinite(s.flower.mid));
  if (!blade || lasting.length < 2) return [];
  const order = [...lasting].sort((a, b) => a.flower.mid - b.flower.mid);
  const [early, late] = [order[0]!, order.at(-1)!];
  const clip = (day: number) =>
    Math.round(
      Math.max(Math.max(plan.sownAt + 1, input.today - fromDay), Math.min(lastStart(onward), day - fromDay)),
    );
  const [a, b] = [clip(early.flower.mid), clip(late.flower.mid)];
  if (b - a < APART_D) return [];
  const plans: ApartPlan[] = [
    { id: 'first', speciesId: early.speciesId, day: fromDay + a, ending: answerEnding(onward, blade, a) },
    { id: 'last', speciesId: late.speciesId, day: fromDay + b, ending: answerEnding(onward, blade, b) },
  ];
  const lived = growLived(
    plan,
    onward.ensemble,
    {
      passes: [
        { kind: 'mow-high', on: fromDay + a, done: false },
        ...blade.passes.map((p) => ({ kind: p.kind, on: fromDay + b + (p.after_d ?? 0), done: false })),
      ],
      crowns: [],
    },
    input.today,
    blade,
  );
  const two = answerLived({ ...lived.onward, weights: onward.weights }, blade, b);
  plans.push({
    id: 'two-stages',
    speciesId: early.speciesId,
    day: fromDay + a,
    then: fromDay + b,
    ending: two,
  });
  return plans;
}

/** Three strips across the bed: the first at half flower, the second between, the last before any seed that could ripen on a cut stem. */
export function thirds(
  { plan, fromDay, onward }: Standing,
  stages: StandAnswer['stages'],
  blade: MethodHere | undefined,
): Third[] {
  const worth = plan.members
    .map((m, i) => ({ worth: m.species.worth.flowers * m.share, i }))
    .sort((x, y) => y.worth - x.worth)[0];
  if (!blade || !worth || worth.worth <= 0) return [];
  const flower = stages[worth.i]!.flower;
  // Whichever member comes first to seed that could ripen on a cut stem ends it.
  const safe = onward.courses.map((c) => {
    for (let d = c.sownAt; d < c.days; d++)
      for (let m = 0; m < c.members; m++) {
        const at = d * c.members + m;
        if (c.alive[at]! > 0.05 && c.stage[at]! >= RIPENS_CUT) return d;
      }
    return c.days;
  });
  const end = Math.min(lastStart(onward), Math.floor(quantile(safe, 0.1, onward.weights)));
  const start = Math.round(flower.mid) - fromDay;
  if (!Number.isFinite(start) || end - start < 4) return [];
  return [start, Math.round((start + end) / 2), end].map((d) => ({
    day: fromDay + d,
    ending: answerEnding(onward, blade, d),
  }));
}

/** The same way today, on its best day and on the last that is worth nearly as much, with what is lost afterwards. */
export function timing(
  standing: Standing,
  method: MethodHere,
  aims: AimStrands[],
  first: number,
): Timing | undefined {
  if (takeApart(method).waits !== null) return undefined;
  const { onward } = standing;
  const last = lastStart(onward);
  if (last < first) return undefined;
  const at = (d: DayIndex) => answerEnding(onward, method, d);
  const step = Math.max(1, Math.ceil((last - first) / 20));
  const tried: EndingAnswer[] = [];
  for (let d = first; d <= last; d += step) tried.push(at(d));
  if ((last - first) % step !== 0) tried.push(at(last));
  const worth = (e: EndingAnswer) => worthOfEnding(e, aims);
  const best = tried.reduce((a, b) => (worth(b) > worth(a) ? b : a));
  const slack = Math.max(0.01, Math.abs(worth(best)) * 0.07);
  let k = tried.indexOf(best);
  while (k + 1 < tried.length && worth(tried[k + 1]!) >= worth(best) - slack) k++;
  const latest = tried[k]!;
  const next = at(Math.min(last, latest.startDay - onward.ensemble.fromDay + WEEK_D));
  const lost = {
    time: latest.odds.inTime - next.odds.inTime,
    seed: latest.odds.noSeed - next.odds.noSeed,
    stage: next.surviving - latest.surviving,
  };
  const [why, by] = (Object.entries(lost) as ['time' | 'seed' | 'stage', number][]).sort(
    (a, b) => b[1] - a[1],
  )[0]!;
  return {
    method: method.id,
    now: tried[0]!,
    best,
    latest,
    afterwards: k === tried.length - 1 ? 'planting' : by > 0.05 ? why : 'aims',
  };
}
