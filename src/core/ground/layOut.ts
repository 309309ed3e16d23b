import { cos, sin } from '../units/exact.ts';
import { anchorOf, middleOnEarth, onPlan } from './earth.ts';
import { boxOf, type Lies, outlineOf, type Shape } from './shape.ts';

export interface Bedlike extends Shape {
  id: string;
  block: string;
  order: number;
  at: Lies | null;
}

/** Between beds of a block, and between blocks, m. */
const PATH_M = 0.45;
const BLOCK_PATH_M = 1;
/** A row of beds is broken once it is this long, m. */
const ROW_M = 24;

/**
 * Answers: where might beds lie that nobody has laid out yet? Block by block in rows, side by side with a path between, under what is laid out
 * already. Beds with a place keep it; those of which a file told where they lie on the earth lie so beside each other.
 * @param north_deg where north lies on the plan, degrees clockwise from its top
 */
export function layOut<T extends Bedlike>(beds: readonly T[], north_deg = 0): Map<string, Lies> {
  const places = new Map<string, Lies>();
  for (const b of beds) if (b.at) places.set(b.id, b.at);
  const onEarth = beds.filter((b) => !b.at && middleOnEarth(b));
  const anchor =
    anchorOf(beds, north_deg) ??
    (onEarth[0] && places.size === 0
      ? { earth: middleOnEarth(onEarth[0])!, plan: [0, 0] as const, north_deg }
      : undefined);
  if (anchor)
    for (const b of onEarth) {
      const [x_m, y_m] = onPlan(middleOnEarth(b)!, anchor);
      places.set(b.id, { x_m, y_m, turn_deg: north_deg });
    }
  const laid = beds.filter((b) => places.has(b.id));
  const corners = laid.flatMap((b) => outlineOf(b, places.get(b.id)!));
  const used = corners.length > 0 ? boxOf(corners) : undefined;
  let y = used ? used.y + used.height + BLOCK_PATH_M : 0;
  const left = used?.x ?? 0;
  const rest = beds.filter((b) => !places.has(b.id)).sort((a, b) => a.order - b.order);
  const blocks = [...new Set(rest.map((b) => b.block))];
  for (const block of blocks) {
    let x = left;
    let deep = 0;
    for (const b of rest.filter((r) => r.block === block)) {
      const box = boxOf(outlineOf(b, { x_m: 0, y_m: 0, turn_deg: 0 }));
      if (x > left && x + box.width - left > ROW_M) {
        y += deep + PATH_M;
        x = left;
        deep = 0;
      }
      places.set(b.id, { x_m: x + box.width / 2, y_m: y + box.height / 2, turn_deg: 0 });
      x += box.width + PATH_M;
      deep = Math.max(deep, box.height);
    }
    y += deep + BLOCK_PATH_M;
  }
  return places;
}

/** Copies of a bed in a row: `times` more, each one path further, to the right or downwards in the bed's own turn. */
export function inARow(shape: Shape, at: Lies, times: number, path_m: number, down: boolean): Lies[] {
  const box = boxOf(outlineOf(shape, { ...at, turn_deg: 0 }));
  const step = (down ? box.height : box.width) + path_m;
  const a = ((at.turn_deg + (down ? 90 : 0)) * Math.PI) / 180;
  return Array.from({ length: times }, (_, k) => ({
    ...at,
    x_m: at.x_m + cos(a) * step * (k + 1),
    y_m: at.y_m + sin(a) * step * (k + 1),
  }));
}
