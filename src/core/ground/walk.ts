import { type Point } from './shape.ts';

const far = (a: Point, b: Point): number => {
  const [x, y] = [a[0] - b[0], a[1] - b[1]];
  return Math.sqrt(x * x + y * y);
};

/** Metres from stop to stop. */
export const walkLength_m = (stops: readonly Point[]): number =>
  stops.slice(1).reduce((sum, p, i) => sum + far(stops[i]!, p), 0);

const MOST_ROUNDS = 40;

/**
 * Answers: in which order are these places walked past with few steps? The nearest next from where the walk begins, then crossings taken out until none is
 * left (2-opt, Croes 1958): short, not always the shortest.
 * @returns indices into `places`
 */
export function walkOrder(places: readonly Point[], from: Point): number[] {
  const left = new Set(places.keys());
  const order: number[] = [];
  let at = from;
  while (left.size > 0) {
    let best = -1;
    for (const i of left) if (best < 0 || far(at, places[i]!) < far(at, places[best]!)) best = i;
    left.delete(best);
    order.push(best);
    at = places[best]!;
  }
  const p = (k: number): Point => (k < 0 ? from : places[order[k]!]!);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let shorter = false;
    for (let i = 0; i < order.length - 1; i++)
      for (let k = i + 1; k < order.length; k++) {
        const before = far(p(i - 1), p(i)) + (k + 1 < order.length ? far(p(k), p(k + 1)) : 0);
        const after = far(p(i - 1), p(k)) + (k + 1 < order.length ? far(p(i), p(k + 1)) : 0);
        if (after < before - 1e-9) {
          order.splice(i, k - i + 1, ...order.slice(i, k + 1).reverse());
          shorter = true;
        }
      }
    if (!shorter) break;
  }
  return order;
}
