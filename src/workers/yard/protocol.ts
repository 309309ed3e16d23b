import { type Evenness } from '../../core/broadcast/evenness.ts';
import { type Hand } from '../../core/broadcast/hand.ts';
import { type Ground, type Portion } from '../../core/broadcast/walk.ts';

/** What the page tells the yard's worker, which owns the canvas and every seed on it. */
export type ToYard =
  | { type: 'canvas'; canvas: OffscreenCanvas; ratio: number }
  | { type: 'ground'; ground: Ground; seed_mg: number; colour: string }
  /** One handful flung by hand, game or not. */
  | { type: 'cast'; hand: Hand; x_m: number; y_m: number; seeds: number; along: boolean; luck: number }
  /** All portions thrown by a simulated walk, drawn over `seconds`, at once when 0. */
  | { type: 'run'; portions: Portion[]; hand: Hand; luck: number; seconds: number }
  | { type: 'measure' };

export type FromYard =
  | { type: 'evenness'; evenness: Evenness; seeds: number }
  | { type: 'done'; evenness: Evenness; seeds: number; frames: Frames };

/** Times between the frames of a run, ms. */
export interface Frames {
  count: number;
  median_ms: number;
  slowestTenth_ms: number;
}
