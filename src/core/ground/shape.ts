import { cos, sin } from '../units/exact.ts';

// Shapes on the plan of a garden: metres, x to the right, y downwards; turns are clockwise.

export type Point = readonly [number, number];

/** Where something lies: its middle and its turn. */
export interface Lies {
  x_m: number;
  y_m: number;
  turn_deg: number;
}

/** Ground as the records keep it. */
export interface Shape {
  width_m: number | null;
  length_m: number | null;
  area_m2: number;
  /** Corners of what is no rectangle, from any first corner: y downwards as on the plan or, where it has a place on the earth, northwards. */
  ring: readonly Point[] | null;
  /** Longitude and latitude of the ring's first corner, where a file told. */
  place?: readonly [number, number] | null;
}

const RAD = Math.PI / 180;

export const turned = ([x, y]: Point, turn_deg: number): Point => {
  const [c, s] = [cos(turn_deg * RAD), sin(turn_deg * RAD)];
  return [x * c - y * s, x * s + y * c];
};

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The upright box round some points. */
export function boxOf(points: readonly Point[]): Box {
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

/** Corners about the middle of a shape, before it is placed; a bed known by its area alone is a square. */
export function cornersOf(shape: Shape): Point[] {
  if (shape.ring && shape.ring.length >= 3) {
    const box = boxOf(shape.ring);
    const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
    const down = shape.place ? -1 : 1;
    return shape.ring.map(([x, y]) => [x - cx, down * (y - cy)] as const);
  }
  const side = Math.sqrt(shape.area_m2);
  const [w, l] = [(shape.width_m ?? side) / 2, (shape.length_m ?? side) / 2];
  return [
    [-w, -l],
    [w, -l],
    [w, l],
    [-w, l],
  ];
}

/** Corners of a shape where it lies on the plan. */
export const outlineOf = (shape: Shape, at: Lies): Point[] =>
  cornersOf(shape).map((p) => {
    const [x, y] = turned(p, at.turn_deg);
    return [x + at.x_m, y + at.y_m] as const;
  });

/** Whether a point lies inside a ring (even-odd rule). */
export function inside([x, y]: Point, ring: readonly Point[]): boolean {
  let within = false;
  for (let i = 0, k = ring.length - 1; i < ring.length; k = i++) {
    const [x1, y1] = ring[i]!;
    const [x2, y2] = ring[k]!;
    if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) within = !within;
  }
  return within;
}

const CIRCLE_CORNERS = 32;

/** A round bed as a ring of 32 corners, with the area of the circle it stands for. */
export const circle = (diameter_m: number): Point[] =>
  Array.from({ length: CIRCLE_CORNERS }, (_, i) => {
    const a = (2 * Math.PI * i) / CIRCLE_CORNERS;
    // A little outside the circle, so that the ring holds as much ground.
    const r =
      (diameter_m / 2) * Math.sqrt((2 * Math.PI) / CIRCLE_CORNERS / sin((2 * Math.PI) / CIRCLE_CORNERS));
    return [r * cos(a), r * sin(a)] as const;
  });

/** A triangle on its base; `shift` says how far along the base its tip stands, 0..1 (0 makes a right angle). */
export const triangle = (base_m: number, height_m: number, shift = 0): Point[] => [
  [0, 0],
  [base_m, 0],
  [base_m * shift, height_m],
];

/** An L: a rectangle less the rectangle of its far right corner. */
export const ell = (width_m: number, length_m: number, cutWidth_m: number, cutLength_m: number): Point[] => [
  [0, 0],
  [width_m - cutWidth_m, 0],
  [width_m - cutWidth_m, cutLength_m],
  [width_m, cutLength_m],
  [width_m, length_m],
  [0, length_m],
];

/** Corners cut off again and again until they are a curve (Chaikin 1974). */
export function rounded(ring: readonly Point[], times = 3): Point[] {
  let at = [...ring];
  for (let k = 0; k < times; k++)
    at = at.flatMap((p, i) => {
      const q = at[(i + 1) % at.length]!;
      return [
        [p[0] * 0.75 + q[0] * 0.25, p[1] * 0.75 + q[1] * 0.25],
        [p[0] * 0.25 + q[0] * 0.75, p[1] * 0.25 + q[1] * 0.75],
      ] as Point[];
    });
  return at;
}
