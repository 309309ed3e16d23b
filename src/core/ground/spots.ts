import { type Obstacle } from '../area/area.ts';
import { boxOf, cornersOf, inside, type Point, type Shape } from './shape.ts';

// Where the things stand that are in a bed: posts, tubs, plants that are kept. Metres from the bed's middle, before it is turned.

/** Something in a bed, with the spots of those of its kind that somebody has placed. */
export interface Standing extends Obstacle {
  spots?: readonly Point[] | undefined;
}

export interface Spot {
  /** Which of the bed's things it is, and which one of its kind. */
  of: number;
  nth: number;
  at: Point;
  width_m: number;
  /** Null for something round. */
  length_m: number | null;
  /** Nobody has placed it: it stands in a row with the others along the middle of the bed. */
  guessed: boolean;
}

/** Every single thing in a bed and where it stands. */
export function spotsOf(shape: Shape, things: readonly Standing[]): Spot[] {
  const all = things.flatMap(({ count, width_m, length_m, spots }, of) =>
    Array.from({ length: count }, (_, nth) => ({ of, nth, width_m, length_m, known: spots?.[nth] })),
  );
  const box = boxOf(cornersOf(shape));
  const along = box.height >= box.width;
  const side = along ? box.height : box.width;
  const unknown = all.filter((s) => !s.known).length;
  let row = 0;
  return all.map(({ known, ...s }) => {
    if (known) return { ...s, at: known, guessed: false };
    const far = side * (++row / (unknown + 1) - 0.5);
    return { ...s, at: along ? ([0, far] as const) : ([far, 0] as const), guessed: true };
  });
}

/** The spots of one kind of thing once its `nth` is moved to `at`: those before it that nobody had placed stay where they were drawn. */
export function movedTo(spots: readonly Spot[], of: number, nth: number, at: Point): Point[] {
  const mine = spots.filter((s) => s.of === of);
  const last = Math.max(
    nth,
    mine.findLastIndex((s) => !s.guessed),
  );
  return mine.slice(0, last + 1).map((s) => (s.nth === nth ? at : s.at));
}

/** The nearest point of a bed to one that a hand lets go of: what stands in a bed stays in it. */
export function within(shape: Shape, [x, y]: Point): Point {
  const corners = cornersOf(shape);
  if (inside([x, y], corners)) return [x, y];
  let best: Point = corners[0]!;
  let least = Infinity;
  for (const [i, [ax, ay]] of corners.entries()) {
    const [bx, by] = corners[(i + 1) % corners.length]!;
    const length2 = (bx - ax) * (bx - ax) + (by - ay) * (by - ay);
    const share =
      length2 > 0 ? Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2)) : 0;
    const p: Point = [ax + share * (bx - ax), ay + share * (by - ay)];
    const d2 = (x - p[0]) * (x - p[0]) + (y - p[1]) * (y - p[1]);
    if (d2 < least) [best, least] = [p, d2];
  }
  return best;
}
