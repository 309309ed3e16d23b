import { type Day } from '../calendar/day.ts';
import { type EndingAnswer, type StandAnswer, type WeekAway } from '../plan/answers.ts';
import { type Member } from '../stand/species.ts';
import { type Change } from './change.ts';
import { type Factor } from '../known/factor.ts';
import { type Reason } from './reason.ts';

/** A cover that might be hung in the gap, with whatever the gardener has already fixed of it. */
export interface Candidate {
  id: string;
  name: string;
  members: Member[];
  /** Multiplies the usual rate. */
  rateTimes?: number;
  /** Seed on the ground, g/m2 by member, where it is poured as it is: a bought packet at the rate on its bag, or a kept mix. */
  poured_g_m2?: number[];
  /** Where it comes from, when it is the gardener's own. */
  from?: 'mix' | 'packet' | 'shelf';
  sowDay?: Day;
  method?: string;
  /** Day of the first pass of `method`; found when absent. */
  endDay?: Day;
  /** A cover that stands before this one in the same gap, sown when the ground is free. */
  first?: { id: string; name: string; members: Member[] };
}

/** The cover that stands first where two follow each other. */
export interface FirstCover {
  id: string;
  name: string;
  parts: { speciesId: string; share: number }[];
  sowDay: Day;
  seed_g_m2: number[];
  best: EndingAnswer;
}

/** One cover hung in the gap, with everything the screen shows of it. */
export interface Sample {
  id: string;
  name: string;
  from: Candidate['from'];
  parts: { speciesId: string; share: number }[];
  /** The kind with the greatest share; another's form counts as that. */
  lead: string;
  rateTimes: number;
  /** It was reckoned with water through dry weeks. */
  irrigated: boolean | undefined;
  sowDay: Day;
  seed_g_m2: number[];
  /** What stood before it in this gap, when two follow each other. */
  first: FirstCover | undefined;
  stand: StandAnswer;
  endings: EndingAnswer[];
  /** The ending that is put forward; undefined when none can be done with the kit at hand. */
  best: EndingAnswer | undefined;
  /** Ways the gardener can use, of which the aims pick. */
  usable: string[];
  /** The gardener has fixed the way of ending. */
  fixed: boolean;
  /** What is known of the season and the bed, as factors of the fit, under `best`. */
  factors: Factor[];
  reasons: Reason[];
  /** What would make it hold, when it does not. */
  changes: Change[];
  /** The ending a week earlier and a week later, once it is settled. */
  weeks: WeekAway[];
  /** What this mix is usually sown at, g/m2 of viable seed, where it is poured at another rate. */
  usualRate_g_m2: number | undefined;
  /** Plausible years behind it: few where it could not come among the first, all where it might. */
  years: number;
}

/** A cover to look at again: the sowing day found for it in the rounds before, and on how many years. */
export interface Hint {
  id: string;
  sowDay: Day;
  /** All of them when absent. */
  years?: number;
}
