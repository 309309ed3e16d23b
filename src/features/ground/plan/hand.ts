import { type Point } from '../../../core/ground/shape.ts';

export const PREFIX = 'plan';

/** Where a hand has something just now, m and degrees from where it lies. */
export interface Hand {
  id: string;
  x: number;
  y: number;
  turn: number;
  /** Corners about the middle while the shape is being pulled. */
  corners?: Point[];
}
