import { type EndingAnswer } from '../plan/plan.ts';

/** An ending this much less sure is preferred when it saves work; one point of odds is worth 15 minutes per 100 m2. */
const MINUTES_PER_ODDS = 1500;

/** Where none is in time, one that at least kills comes before one that does not. */
const DEAD_AT_LEAST = 0.1;
/** A year in which it sheds seed counts half against it, in time or not. */
const SHED_SEED_COSTS = 0.5;

/** The ending that is put forward: sure to be over in time, and then least work. */
export function pickEnding(endings: EndingAnswer[]): EndingAnswer | undefined {
  const worth = (e: EndingAnswer) =>
    e.odds.inTime +
    DEAD_AT_LEAST * e.odds.dead -
    e.minutesPer100m2 / MINUTES_PER_ODDS -
    SHED_SEED_COSTS * (1 - e.odds.noSeed);
  return [...endings].sort((a, b) => worth(b) - worth(a))[0];
}
