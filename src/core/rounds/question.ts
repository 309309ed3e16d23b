import { type Day } from '../calendar/day.ts';
import { type ForecastInput } from '../plan/standing.ts';
import { type Worth } from './worth.ts';

// What is asked on the walk, of whom, why, and how long it takes.

export type QuestionKind =
  | 'stage'
  | 'cover'
  | 'height'
  | 'weeds'
  | 'alive'
  | 'emergence'
  | 'frame'
  | 'washed'
  | 'crowns'
  | 'edges'
  | 'peek'
  | 'seed'
  | 'gaps'
  | 'pests'
  | 'soil';

/** Why it is asked: for what it is worth, or since its day has come. */
export type Why =
  | { is: 'worth'; worth: Worth; method: string | undefined }
  | { is: 'clock'; sownDays: number; at: number }
  | { is: 'frost'; low_c: number; bears_c: number; day: Day }
  | { is: 'after-pass'; pass: string; day: Day; from: Day; sure: Day }
  | { is: 'under-sheet'; laid: Day; from: Day; done: Day }
  | { is: 'seed-near'; early: Day }
  | { is: 'mulch'; dead: Day }
  | { is: 'stand'; sownDays: number }
  | { is: 'rain'; mm: number; day: Day }
  | { is: 'surge'; times: number }
  | { is: 'edges'; pass: string; day: Day }
  | { is: 'seedlings'; sownDays: number }
  | { is: 'before-crop'; plant: Day }
  | { is: 'yearly'; last: Day | undefined }
  | { is: 'regular'; last: Day | undefined };

export interface Question {
  kind: QuestionKind;
  /** Member it is asked of; absent where it is asked of the whole. */
  speciesId?: string;
  why: Why;
  minutes: number;
}

export interface RoundBed {
  coverId: string;
  bedId: string;
  questions: Question[];
}

/** A cover as it is met on the walk. */
export interface RoundCover {
  id: string;
  bedId: string;
  asked: ForecastInput;
  sownDay: Day;
  /** Passes of its ending with their days. */
  passes: { kind: string; day: Day; done: boolean }[];
  deadDay: Day | undefined;
  /** Looks so far: their days and what was looked at. */
  seen: { day: Day; kinds: QuestionKind[] }[];
  /** Last day on which a spade went into this bed to look at its soil. */
  soilSeen?: Day;
  /** Whether the one spadeful of the walk is for this bed; left out where nobody has dealt it. */
  spade?: boolean;
  /** A look is due by the calendar, whatever it is worth. */
  lookDue: boolean;
  /** Mean temperature of this month, °C. */
  mean_c: number;
}

/** Minutes that a question takes, card and all. */
export const MINUTES: Record<QuestionKind, number> = {
  stage: 4,
  cover: 2,
  height: 1,
  weeds: 2,
  alive: 5,
  emergence: 2,
  frame: 4,
  washed: 2,
  edges: 3,
  pests: 3,
  soil: 6,
  crowns: 6,
  peek: 3,
  seed: 3,
  gaps: 2,
};
