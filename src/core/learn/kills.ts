import { type Day } from '../calendar/day.ts';
import { tryEnding } from '../plan/lastWeeks.ts';
import { type ForecastInput, standOf } from '../plan/standing.ts';
import { type MethodHere, takeApart } from '../termination/method.ts';
import { power } from '../units/exact.ts';
import { HALF_LIFE_Y } from './pool.ts';

// What a garden's own endings say of its ways: blades, boards and hands differ, and so does what the book calls a cut.

/** A cover that was ended by hand, as it stood on the day, and what came of the first go. */
export interface EndedBy {
  coverId: string;
  asked: ForecastInput;
  method: MethodHere;
  startDay: Day;
  /** Dead by it, without a pass beyond those of the way. */
  killed: boolean;
  ago_y: number;
}

export interface KillLesson {
  method: string;
  covers: number;
  killed: number;
  /** Mean odds that the book gave these endings, and the odds drawn by both together, 0..1. */
  book: number;
  here: number;
  /** What that makes of the odds (p over 1 - p) of every killing pass. */
  times: number;
}

/** The book counts as so many endings: judgement, as much as a garden of four years may have of a way. */
const BOOK_COUNTS = 8;
/** Fewer endings of a way move nothing. */
const LEAST = 2;
/** However many, the odds move by no more. */
const MOST_TIMES = 6;
/** What the book is quite sure of can still fail. */
const SUREST = 0.98;

const oddsOf = (p: number): number => p / (1 - p);
const within = (p: number): number => Math.min(SUREST, Math.max(1 - SUREST, p));

/** Whether blows alone end the stand: sheets and frost have their own doses. */
export const byBlows = (method: MethodHere): boolean => {
  const { covering, waits, keeps, kills } = takeApart(method);
  return covering === null && waits === null && !keeps && kills.length > 0;
};

/**
 * Answers: how often does a way kill at the first go in this garden? Beta-binomial: the book's odds for these stands on those days are a beta prior that weighs
 * as eight endings; what came updates it, old results by half every six years.
 * Worked figure: the book gave 0.8 and four of four came again, this year: (8 x 0.8 + 0) / (8 + 4) = 0.53; the odds move by (0.53/0.47) / (0.8/0.2) = 0.29.
 */
export function learnKills(
  ended: readonly EndedBy[],
  bookOf: (e: EndedBy) => number = bookOdds,
): KillLesson[] {
  const ways = [...new Set(ended.map((e) => e.method.id))].sort();
  return ways.flatMap((method) => {
    const own = ended.filter((e) => e.method.id === method);
    if (own.length < LEAST) return [];
    let weight = 0;
    let killed = 0;
    let odds = 0;
    for (const e of own) {
      const w = power(0.5, e.ago_y / HALF_LIFE_Y);
      weight += w;
      killed += e.killed ? w : 0;
      odds += w * bookOf(e);
    }
    const book = within(odds / weight);
    const here = within((BOOK_COUNTS * book + killed) / (BOOK_COUNTS + weight));
    const times = Math.min(MOST_TIMES, Math.max(1 / MOST_TIMES, oddsOf(here) / oddsOf(book)));
    return [{ method, covers: own.length, killed: own.filter((e) => e.killed).length, book, here, times }];
  });
}

/** Odds that the way kills, begun on the day on which it was, in the years that fit what was seen until then. */
const bookOdds = ({ asked, method, startDay }: EndedBy): number =>
  tryEnding(standOf(asked), method, startDay).odds.dead;
