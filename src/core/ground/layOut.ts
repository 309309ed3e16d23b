import { cos, sin } from '../units/exact.ts';
import { anchorOf, middleOnEarth, onPlan } from './earth.ts';
import { type Box, boxOf, type Lies, outlineOf, type Shape } from './shape.ts';

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
  const boxOfAll = () => {
    const laid = beds.filter((b) => places.has(b.id));
    return laid.length > 0 ? boxOf(laid.flatMap((b) => outlineOf(b, places.get(b.id)!))) : undefined;
  };
  placeOnEarth(beds, places, north_deg, boxOfAll());
  const used = boxOfAll();
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

/**
 * Where beds lie of which a file tells, as far as it follows: beside a bed that is known on the plan and on the earth, or where nothing is laid out
 * yet. Else nobody has said how file and plan lie to one another, and where they are drawn is a guess that no file may carry on.
 */
export function toldPlaces(
  beds: readonly Bedlike[],
  fresh: readonly Bedlike[],
  north_deg: number,
): Map<string, Lies> {
  if (beds.some((b) => b.at) && !anchorOf(beds, north_deg)) return new Map();
  const all = layOut([...beds, ...fresh], north_deg);
  return new Map(fresh.filter(middleOnEarth).map((b) => [b.id, all.get(b.id)!]));
}

/** Beds of which a file told lie beside one that is laid out and on the earth or, where there is none, beside each other under all that is laid out. */
function placeOnEarth<T extends Bedlike>(
  beds: readonly T[],
  places: Map<string, Lies>,
  north_deg: number,
  used: Box | undefined,
): void {
  const told = beds.flatMap((b) => {
    const earth = b.at ? undefined : middleOnEarth(b);
    return earth ? [{ bed: b, earth }] : [];
  });
  const [first] = told;
  if (!first) return;
  const known = anchorOf(beds, north_deg);
  const anchor = known ?? { earth: first.earth, plan: [0, 0] as const, north_deg };
  const lies = told.map(({ bed, earth }) => {
    const [x_m, y_m] = onPlan(earth, anchor);
    return { bed, at: { x_m, y_m, turn_deg: north_deg } };
  });
  const box = boxOf(lies.flatMap(({ bed, at }) => outlineOf(bed, at)));
  const [dx, dy] = known || !used ? [0, 0] : [used.x - box.x, used.y + used.height + BLOCK_PATH_M - box.y];
  for (const { bed, at } of lies) places.set(bed.id, { ...at, x_m: at.x_m + dx, y_m: at.y_m + dy });
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
