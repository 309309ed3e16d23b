import { type Day } from '../calendar/day.ts';
import { type MethodHere, type PassKind } from '../termination/method.ts';
import { type Task, workOf } from '../termination/work.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { growPlan, type GrownPlan } from './grown.ts';
import { type Plan } from '../termination/plan.ts';

/** A pass of a cover's ending as it was done, or as it is still to come. Days are absolute. */
export interface PassLived {
  kind: PassKind;
  /** Day it was done, or from which it is due. */
  on: Day;
  done: boolean;
  /** Comes off when the stand under it is dead. */
  whenDead?: boolean;
}

/** What was done to a cover so far and what was seen of it since. */
export interface LivedSoFar {
  passes: PassLived[];
  /** Day on which it was seen dead. */
  deadOn?: Day;
  /** Crowns looked at after a pass: so many green of so many. */
  crowns: { day: Day; green: number; of: number }[];
}

/** The years of a cover whose ending has begun. */
export interface LivedYears {
  /** With what was done and seen, and nothing more: what stands there now and where it would go. */
  soFar: GrownPlan;
  /** With the passes still to come. */
  onward: GrownPlan;
  /** Day index of the first pass, and the first day after all that was done and seen. */
  start: number;
  after: number;
}

/** Passes that are made again where the stand came again. */
const AGAIN: ReadonlySet<string> = new Set<PassKind>(['cut', 'mow', 'flail', 'graze']);

/** Whether a pass is one that is made again only where the stand came again. */
export const madeAgain = (passes: readonly { kind: string }[], i: number): boolean =>
  AGAIN.has(passes[i]!.kind) && passes.slice(0, i).some((before) => before.kind === passes[i]!.kind);

/** The look before a second cut: it is made where more than one crown in ten is green. */
export const CUT_AGAIN_ABOVE = 0.1;

/** A pass is done once: what is still to come comes after what was done, and not before today. */
export function tasksOf(lived: LivedSoFar, fromDay: Day, today: Day, done: 'done' | 'all'): Task[] {
  const tasks: Task[] = lived.crowns.map((c) => ({
    kind: 'crowns',
    at: c.day - fromDay,
    green: c.green,
    of: c.of,
  }));
  if (lived.deadOn !== undefined) tasks.push({ kind: 'seen-dead', at: lived.deadOn - fromDay });
  for (const [i, p] of lived.passes.entries()) {
    if (p.done) tasks.push({ kind: p.kind, at: p.on - fromDay, done: true });
    else if (done === 'all')
      tasks.push({
        kind: p.kind,
        at: Math.max(p.on, today) - fromDay,
        done: false,
        whenDead: p.whenDead,
        ...(madeAgain(lived.passes, i) ? { ifGreen: CUT_AGAIN_ABOVE } : {}),
      });
  }
  // What was seen on the day of a pass was seen after it, and before what is still to come.
  const turn = (t: Task) => ('done' in t ? (t.done ? 0 : 2) : 1);
  return tasks.sort((a, b) => a.at - b.at || turn(a) - turn(b));
}

/** The next pass that is only made where the stand came again. */
export function nextCutAgain({ passes }: LivedSoFar): PassLived | undefined {
  const i = passes.findIndex((p) => !p.done);
  const next = passes[i];
  return next && madeAgain(passes, i) ? next : undefined;
}

/** Grows the years of a cover through the passes that were done, and through those still to come. */
export function growLived(
  plan: Plan,
  ensemble: Ensemble,
  lived: LivedSoFar,
  today: Day,
  method: MethodHere | undefined,
): LivedYears {
  const ground = {
    members: plan.members,
    soil: plan.soil,
    cap_d: method?.sheetCap_d ?? Infinity,
    coverTimes: method?.coverTimes ?? 1,
    killTimes: method?.killTimes ?? 1,
  };
  const grow = (which: 'done' | 'all'): GrownPlan => {
    const tasks = tasksOf(lived, ensemble.fromDay, today, which);
    return growPlan(plan, ensemble, ensemble.variations.length, undefined, (y) =>
      workOf(tasks, ground, ensemble.seasons[y]!, ensemble.variations[y]!),
    );
  };
  const soFar = grow('done');
  const pending = lived.passes.some((p) => !p.done) && lived.deadOn === undefined;
  const first = Math.min(...lived.passes.filter((p) => p.done).map((p) => p.on), lived.deadOn ?? Infinity);
  const past = tasksOf(lived, ensemble.fromDay, today, 'done').at(-1);
  const after = past ? past.at + 1 : 0;
  return { soFar, after, onward: pending ? grow('all') : soFar, start: first - ensemble.fromDay };
}
