import { ringArea_m2 } from '../area/area.ts';
import { boxOf, cornersOf, type Lies, type Point, type Shape, turned } from './shape.ts';

/** Ground of a piece, as the records keep it. */
export interface PieceShape {
  width_m: number | null;
  length_m: number | null;
  area_m2: number;
  ring: [number, number][] | null;
  at: Lies | null;
}

const toMm = (m: number): number => Math.round(m * 1000) / 1000;

/** What of a ring lies on one side of a line across an axis (Sutherland and Hodgman 1974). */
function keptBeside(ring: readonly Point[], axis: 0 | 1, at: number, beyond: boolean): Point[] {
  const within = (p: Point) => (beyond ? p[axis] >= at : p[axis] <= at);
  return ring.flatMap((p, i): Point[] => {
    const q = ring[(i + 1) % ring.length]!;
    const kept: Point[] = within(p) ? [p] : [];
    if (within(p) !== within(q)) {
      const share = (at - p[axis]) / (q[axis] - p[axis]);
      kept.push([p[0] + share * (q[0] - p[0]), p[1] + share * (q[1] - p[1])]);
    }
    return kept;
  });
}

/**
 * A piece of a bed: `share` from and to of the side across which it is cut. Cut along, the pieces are strips as long as the bed's longer side. A bed known by
 * its area alone is cut as the square that it is drawn as.
 */
export function cutShape(
  shape: Shape & { at?: Lies | null },
  side: 'along' | 'across',
  [from, to]: readonly [number, number],
): PieceShape {
  const corners = cornersOf(shape);
  const { axis, start, size } = sideOf(shape, side);
  const [a, b] = [start + from * size, start + to * size];
  const kept: Point[] = keptBeside(keptBeside(corners, axis, a, true), axis, b, false);
  const mine = boxOf(kept);
  const moved = turned([mine.x + mine.width / 2, mine.y + mine.height / 2], shape.at?.turn_deg ?? 0);
  const at = shape.at && { ...shape.at, x_m: shape.at.x_m + moved[0], y_m: shape.at.y_m + moved[1] };
  const area_m2 = shape.area_m2 * (ringArea_m2(kept) / ringArea_m2(corners));
  return shape.ring
    ? { width_m: null, length_m: null, area_m2, ring: kept.map(([x, y]) => [x, y]), at: at ?? null }
    : { width_m: toMm(mine.width), length_m: toMm(mine.height), area_m2, ring: null, at: at ?? null };
}

/** The side across which a bed is cut: its axis, where it begins and how long it is. */
function sideOf(shape: Shape, side: 'along' | 'across'): { axis: 0 | 1; start: number; size: number } {
  const box = boxOf(cornersOf(shape));
  const axis = (side === 'along') === box.height >= box.width ? 0 : 1;
  const [start, size] = axis === 0 ? [box.x, box.width] : [box.y, box.height];
  return { axis, start, size };
}

/** Middle of a piece, seen from the middle of its bed before that is turned, m. */
export function middleOf(shape: Shape, side: 'along' | 'across', share: readonly [number, number]): Point {
  const { at } = cutShape({ ...shape, at: { x_m: 0, y_m: 0, turn_deg: 0 } }, side, share);
  return [at!.x_m, at!.y_m];
}

/** Where something that stands in a bed lies on the side across which that is cut: 0 at its beginning, 1 at its end. */
export function shareAt(shape: Shape, side: 'along' | 'across', spot: Point): number {
  const { axis, start, size } = sideOf(shape, side);
  return Math.min(1, Math.max(0, (spot[axis] - start) / size));
}
