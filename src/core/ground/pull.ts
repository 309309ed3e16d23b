import { boxOf, cornersOf, type Lies, type Point, type Shape, turned } from './shape.ts';

// What a hand makes of a bed that it pulls: a side, a corner, or the grip that turns it.

/** Dragged and nudged things come to rest on five centimetres. */
const STEP_M = 0.05;
export const rest = (m: number): number => Math.round(Math.round(m / STEP_M) * STEP_M * 1000) / 1000;

export const SIDES = ['left', 'right', 'top', 'bottom'] as const;
export type Side = (typeof SIDES)[number];

/** Beds are turned by so much at a time, degrees. */
export const TURN_DEG = 5;
/** No side is pulled shorter than this, m. */
const LEAST_SIDE_M = 0.2;
/** A bed whose corners meet still has some ground, m2. */
const LEAST_AREA_M2 = 0.05;

export interface Pulled {
  width_m: number;
  length_m: number;
  area_m2: number;
  at: Lies;
}

/**
 * A rectangle with one side pulled; the side across from the hand stays where it is.
 * @param by how far the hand has moved on the plan, m
 */
export function pulledSide(shape: Shape, at: Lies, side: Side, by: Point): Pulled {
  // In the bed's own directions.
  const [dx, dy] = turned(by, -at.turn_deg);
  const across = side === 'left' || side === 'right';
  const sign = side === 'right' || side === 'bottom' ? 1 : -1;
  const square = Math.sqrt(shape.area_m2);
  const [w0, l0] = [shape.width_m ?? square, shape.length_m ?? square];
  const width_m = Math.max(LEAST_SIDE_M, rest(w0 + (across ? dx * sign : 0)));
  const length_m = Math.max(LEAST_SIDE_M, rest(l0 + (across ? 0 : dy * sign)));
  const [x, y] = turned(
    across ? [((width_m - w0) / 2) * sign, 0] : [0, ((length_m - l0) / 2) * sign],
    at.turn_deg,
  );
  return {
    width_m,
    length_m,
    area_m2: width_m * length_m,
    at: { ...at, x_m: at.x_m + x, y_m: at.y_m + y },
  };
}

/** Its corners with one of them pulled. @param by how far the hand has moved on the plan, m */
export function pulledCorner(shape: Shape, at: Lies, index: number, by: Point): Point[] {
  const [dx, dy] = turned(by, -at.turn_deg);
  return cornersOf(shape).map((c, i) => (i === index ? [c[0] + dx, c[1] + dy] : c));
}

/** A bed of these corners about the middle it had: its middle may have moved with them. */
export function reshaped(corners: readonly Point[], at: Lies) {
  const box = boxOf(corners);
  const [x, y] = turned([box.x + box.width / 2, box.y + box.height / 2], at.turn_deg);
  let twice = 0;
  corners.forEach(([x1, y1], i) => {
    const [x2, y2] = corners[(i + 1) % corners.length]!;
    twice += x1 * y2 - x2 * y1;
  });
  return {
    ring: corners.map(([cx, cy]): [number, number] => [rest(cx - box.x), rest(cy - box.y)]),
    width_m: null,
    length_m: null,
    area_m2: Math.max(LEAST_AREA_M2, Math.abs(twice) / 2),
    at: { ...at, x_m: at.x_m + x, y_m: at.y_m + y },
  };
}

/** How far a bed is turned by a hand that stands there, seen from its middle: in steps, from the turn that it has. Up is no turn. */
export function turnedBy(at: Lies, from: Point): number {
  let turn = 0;
  let nearest = -Infinity;
  for (let t = -90; t < 270; t += TURN_DEG) {
    const up = turned([0, -1], t);
    const along = up[0] * from[0] + up[1] * from[1];
    if (along <= nearest) continue;
    nearest = along;
    turn = t;
  }
  return turn - at.turn_deg;
}
