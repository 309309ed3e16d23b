import { type Day, dayOf } from '../calendar/day.ts';
import { type EndingAnswer } from './answers.ts';

/** When a step of an ending falls due, as things stand today. */
export interface Step {
  index: number;
  due: Day;
  /** It was due before today and waits. */
  late: boolean;
  /** Day from which it is worth looking whether it is time, where the weather decides. */
  lookFrom?: Day;
}

interface PassPlanned {
  kind: string;
  due: string;
  doneOn: string | null;
}

/**
 * Days of the steps that are still to be done. One that is overdue falls on today and moves those after it along. What lies comes off once the stand
 * under it is dead in nine years of ten, which moves with the weather and with the day it was laid; a look pays from the day it is dead in one of ten.
 */
export function stepsAhead(
  passes: readonly PassPlanned[],
  ending: Pick<EndingAnswer, 'dead'> | undefined,
  today: Day,
): Step[] {
  const steps: Step[] = [];
  let moved = 0;
  passes.forEach((p, index) => {
    if (p.doneOn) return;
    const planned = dayOf(p.due) + moved;
    const late = planned < today;
    if (late) moved += today - planned;
    const step: Step = { index, due: Math.max(planned, today), late };
    if (p.kind === 'lift-sheet' && ending && Number.isFinite(ending.dead.low)) {
      step.lookFrom = Math.max(today, Math.floor(ending.dead.low));
      step.due = Number.isFinite(ending.dead.high) ? Math.max(today, Math.ceil(ending.dead.high)) : step.due;
      step.late = step.due <= today && late;
    }
    steps.push(step);
  });
  return steps;
}
