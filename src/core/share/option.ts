import { served } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { yearEnds } from '../plan/endings.ts';
import { hereOf, keptWay } from '../known/ways.ts';
import { answerEnding, answerLived, keptWorth, worthOfEnding } from '../plan/endings.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type Standing } from '../plan/standing.ts';
import { dryMatterOn } from '../stand/course.ts';
import { newYearEnd } from '../termination/yearEnd.ts';
import { readyEnding } from '../termination/end.ts';
import { livedEnd } from '../termination/lived.ts';
import { type MethodHere, takeApart } from '../termination/method.ts';
import { quantile } from '../random/quantile.ts';
import { workPlan } from '../work/workPlan.ts';
import { LAYS } from './lays.ts';
import { LYING, type LyingKind, type PlannedEnding, type ShareCover, type Told, type Use } from './types.ts';

/** One way of ending one cover on one day: what it comes to, and what it keeps busy meanwhile. */
export interface Option {
  cover: ShareCover;
  method: MethodHere;
  plan: PlannedEnding;
  plantBy_d: number;
  ending: EndingAnswer;
  worth: number;
  /** By year: ready when the crop wants the bed. */
  ready: Uint8Array;
  uses: Use[];
  minutes: { day: Day; minutes: number }[];
  told: Told;
  begun: boolean;
}

/** A cover with its grown years, held for as long as its plans are weighed. */
export interface GrownCover {
  cover: ShareCover;
  standing: Standing;
  /** Frost or heat ends it in most years: its ways are held against each other by what is known of it ended so. */
  relied: boolean;
}

/** Readings of courses are written over by the next cover of the same span: they are made anew whenever another cover is looked at. */
export function freshly({ standing }: GrownCover): void {
  standing.onward.readings = undefined;
  standing.soFar.readings = undefined;
}

/** Animals stay so long where nobody has said how many there are. */
const STAY_D = 7;

/** Whether a way keeps one of the lying things busy. */
export const keepsBusy = (method: Pick<MethodHere, 'passes'>): LyingKind[] => [
  ...new Set(method.passes.flatMap((p) => (LAYS[p.kind] ? [LAYS[p.kind]!] : []))),
];

const withDays = (method: MethodHere, after_d: (number | null)[]): MethodHere => ({
  ...method,
  passes: method.passes.map((p, i) => ({ ...p, after_d: after_d[i] === undefined ? p.after_d : after_d[i] })),
});

/** A way on a day, for a planting day moved by so many days. */
export function optionOf(
  grown: GrownCover,
  base: MethodHere,
  startDay: Day,
  after_d: (number | null)[],
  plantBy_d = 0,
): Option {
  const { cover, standing, relied } = grown;
  const method = withDays(base, after_d);
  const { fromDay, onward } = standing;
  const moved =
    plantBy_d === 0
      ? onward
      : {
          ...onward,
          plan: {
            ...onward.plan,
            plantAt: Math.min(onward.ensemble.days - 1, onward.plan.plantAt + plantBy_d),
          },
          readings: undefined,
        };
  const start = startDay - fromDay;
  const answered = answerEnding(moved, method, start);
  const ending = relied ? keptWay(moved, answered, cover.asked.methods, hereOf(cover.asked)) : answered;
  const ends = yearEnds(moved, method, start);
  const { plantAt } = moved.plan;
  const waits = takeApart(method).waits;
  const ready = Uint8Array.from(ends, (y) =>
    y.readyAt <= plantAt && (y.stageAtEnd < 5 || waits === 'seed') ? 1 : 0,
  );
  const uses: Use[] = [];
  for (const of of LYING) {
    const passes = method.passes.filter((p) => LAYS[p.kind] === of && p.after_d !== null);
    if (passes.length === 0) continue;
    const first = startDay + passes[0]!.after_d!;
    const last = passes.at(-1)!;
    const lies = of === 'opaque-sheet' || of === 'clear-film';
    const over = startDay + last.after_d! + (last.lasts_d ?? STAY_D);
    uses.push({
      coverId: cover.id,
      of,
      from: first,
      to: Float64Array.from(ends, (y) =>
        lies ? Math.min(fromDay + plantAt, Number.isFinite(y.deadAt) ? fromDay + y.deadAt : Infinity) : over,
      ),
      begun: false,
    });
  }
  const minutes = minutesOf(grown, method, startDay, ending);
  return {
    cover,
    method,
    plan: { method: method.id, startDay, after_d: method.passes.map((p) => p.after_d) },
    plantBy_d,
    ending,
    worth: keptWorth(ending, cover.aims),
    ready,
    uses,
    minutes,
    told: toldOf(
      cover,
      ending,
      minutes.reduce((s, m) => s + m.minutes, 0),
    ),
    begun: false,
  };
}

const toldOf = (cover: ShareCover, e: EndingAnswer, minutes: number): Told => ({
  inTime: e.odds.inTime,
  served: served(e.serves, cover.aims),
  nitrogen_g_m2: e.nitrogen_g_m2.mid,
  residue_g_m2: e.residue_g_m2.mid,
  minutes,
});

/** A cover whose ending has begun: what lies on it stays until it is dead, and nothing of it can be moved. */
export function begunOption({ cover, standing }: GrownCover, method: MethodHere): Option {
  const { fromDay, onward, begun } = standing;
  const ending = answerLived(onward, method, begun!.start);
  const ready = readyEnding(onward.plan, method);
  const ends = onward.courses.map((c, y) => livedEnd(ready, c, onward.ensemble.seasons[y]!, newYearEnd()));
  const { plantAt } = onward.plan;
  const uses: Use[] = [];
  const passes = cover.asked.lived?.passes ?? [];
  for (const of of LYING) {
    const laid = passes.filter((p) => LAYS[p.kind] === of);
    if (laid.length === 0) continue;
    const lies = of === 'opaque-sheet' || of === 'clear-film';
    const lifted = passes.find((p) => p.kind === 'lift-sheet' && p.done);
    const last = laid.at(-1)!;
    const stay = method.passes.find((p) => p.kind === last.kind)?.lasts_d ?? STAY_D;
    const from = laid[0]!.on;
    const to = Float64Array.from(ends, (y) =>
      lies
        ? lifted
          ? lifted.on
          : Math.min(fromDay + plantAt, Number.isFinite(y.deadAt) ? fromDay + y.deadAt : Infinity)
        : last.on + stay,
    );
    if (cover.asked.lived?.deadOn === undefined)
      uses.push({ coverId: cover.id, of, from, to, begun: laid[0]!.done });
  }
  return {
    cover,
    method,
    plan: {
      method: method.id,
      startDay: fromDay + begun!.start,
      after_d: method.passes.map((p) => p.after_d),
    },
    plantBy_d: 0,
    ending,
    worth: worthOfEnding(ending, cover.aims),
    ready: Uint8Array.from(ends, (y) => (y.readyAt <= plantAt ? 1 : 0)),
    uses,
    minutes: [],
    told: toldOf(cover, ending, 0),
    begun: true,
  };
}

function minutesOf(
  { cover, standing }: GrownCover,
  method: MethodHere,
  startDay: Day,
  ending: EndingAnswer,
): Option['minutes'] {
  const { onward, fromDay } = standing;
  const at = Math.max(0, Math.min(onward.ensemble.days - 1, startDay - fromDay));
  const middle = (f: (c: (typeof onward.courses)[number]) => number) =>
    quantile(onward.courses.map(f), 0.5, onward.weights);
  const work = workPlan({
    ...cover.work,
    passes: method.passes.map((p) => ({
      kind: p.kind,
      minutesPer100m2: p.minutesPer100m2 ?? 0,
    })),
    stand: cover.figures.flatMap((figures, s) =>
      figures ? [{ figures, stage: middle((c) => c.stage[at * c.members + s]!) }] : [],
    ),
    dm_g_m2: middle((c) => dryMatterOn(c, at)),
    height_m: middle((c) => c.height_m[at]!),
  });
  const over = Number.isFinite(ending.dead.mid) ? Math.round(ending.dead.mid) : startDay;
  return work.map((w, i) => {
    const after = method.passes[i]!.after_d;
    return { day: after === null ? over : startDay + after, minutes: w.minutes };
  });
}
