import { type Day } from '../../core/calendar/day.ts';

/** Room for the months beside the strips, and over the first day, px. */
export const LEFT = 56;
export const TOP = 4;

/** Names of the beds above the strips, and what is left under them, px. */
export const HEAD_PX = 96;

/** Under this a strip has no room for handles and words. */
export const ROOMY = 44;

export interface LoomProps {
  from: Day;
  to: Day;
  /** All of the time on one screen, woven coarser. */
  whole: boolean;
  /** All beds in the width of the window. */
  fitted: boolean;
  /** Blocks whose beds are slivers. */
  folded: ReadonlySet<string>;
  fold(block: string): void;
  /** A bed that was looked for. */
  sought: string | null;
}
