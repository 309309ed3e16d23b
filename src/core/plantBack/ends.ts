import { answerEnding, answerLived } from '../plan/endings.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type YearEnd } from '../termination/plan.ts';
import { type Standing } from '../plan/standing.ts';
import { shareOf } from '../random/quantile.ts';
import { type NextCrop } from '../residue/wait.ts';
import { newYearEnd } from '../termination/yearEnd.ts';
import { endStand, readyEnding } from '../termination/end.ts';
import { livedEnd } from '../termination/lived.ts';
import { type MethodHere } from '../termination/method.ts';

/** The ending of a cover in every one of its years, with this crop to follow, this way of ending, begun on this day. */
export function endsOf(standing: Standing, method: MethodHere, start: number, next: NextCrop): YearEnd[] {
  const { plan, onward, begun } = standing;
  const { ensemble, courses } = onward;
  const ending = readyEnding({ ...plan, next }, method);
  return courses.map((course, y) => {
    const season = ensemble.seasons[y]!;
    const out = newYearEnd();
    return begun
      ? livedEnd(ending, course, season, out)
      : endStand(ending, start, course, season, ensemble.variations[y]!, out);
  });
}

/** The same as one answer, as every other screen has it. */
export const answerOf = (standing: Standing, method: MethodHere, start: number): EndingAnswer =>
  standing.begun
    ? answerLived(standing.onward, method, standing.begun.start)
    : answerEnding(standing.onward, method, start);

/** Odds that the bed is ready and warm enough on planting day. */
export const oddsOf = ({ plan, onward }: Standing, ends: YearEnd[]): number =>
  shareOf(ends.length, (y) => ends[y]!.plantableAt <= plan.plantAt, onward.weights);
