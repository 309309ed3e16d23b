import { streamOf } from '../random/stream.ts';

/** A plot of a trial: its block along the gradient, and what was drawn for it. */
export interface Plot {
  block: number;
  treatment: number;
}

/**
 * Draws the lots: every treatment once in every block, in an order that chance gives (randomised complete blocks, Fisher 1926). Blocks lie one behind the
 * other along the gradient that is named, so that wet end and dry end meet every treatment.
 */
export function drawLots(treatments: number, blocks: number, seed: number): Plot[] {
  const stream = streamOf(mixed(seed));
  return Array.from({ length: blocks }, (_, block) => {
    const order = Array.from({ length: treatments }, (_, t) => t);
    for (let i = order.length - 1; i > 0; i--) {
      const k = Math.floor(stream.uniform() * (i + 1));
      [order[i], order[k]] = [order[k]!, order[i]!];
    }
    return order.map((treatment) => ({ block, treatment }));
  }).flat();
}

/** Neighbouring seeds begin alike in the generator; a mixed seed does not (finaliser of MurmurHash3). */
function mixed(seed: number): number {
  let h = seed | 0;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}
