import { type Question } from '../../core/rounds/question.ts';

/** A question on the walk. */
export interface Stop {
  coverId: string;
  bedId: string;
  question: Question;
}
