import { type Day } from '../calendar/day.ts';

// Ground that will lie under film or carry one plant for years is fed once, before: nothing is dug in or laid on there again.

/** A cover that stood on the ground. */
export interface Stood {
  from: Day;
  to: Day;
  /** Its legumes fix nitrogen. */
  feeds: boolean;
}

export interface Built {
  /** Days in the years before on which a cover stood, and on which one with legumes did. */
  covered_d: number;
  fed_d: number;
  /** Whether that is a year's rest under legumes. */
  rested: boolean;
}

/** Years that are looked back over. */
export const BUILDS_OVER_Y = 3;
/** A ley of one growing season; growers who rest ground before a long crop give it one to three years (recalled, judgement). */
const RESTED_D = 300;

/**
 * Answers: was this ground rested and fed before it was taken for years? Days on which covers stood in the three years before, overlapping ones once.
 * Worked figure: a clover ley from 1 March to the next 1 March is 365 days and a rest; two winter covers of 180 days with vetch are 360 and one too.
 */
export function builtBefore(covers: readonly Stood[], takenOn: Day): Built {
  const from = takenOn - Math.round(BUILDS_OVER_Y * 365.25);
  const days = (some: readonly Stood[]): number => {
    let sum = 0;
    let until = from;
    for (const c of [...some].sort((a, b) => a.from - b.from)) {
      const begins = Math.max(c.from, until);
      const ends = Math.min(c.to, takenOn);
      if (ends <= begins) continue;
      sum += ends - begins;
      until = ends;
    }
    return sum;
  };
  const fed_d = days(covers.filter((c) => c.feeds));
  return { covered_d: days(covers), fed_d, rested: fed_d >= RESTED_D };
}
