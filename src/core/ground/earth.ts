import { cos } from '../units/exact.ts';
import { boxOf, type Lies, outlineOf, type Point, type Shape, turned } from './shape.ts';

// Between the plan of a garden (metres, y downwards, north wherever the gardener has put it) and the earth (degrees of longitude and latitude).

/** Metres per degree of latitude; longitude shrinks with the cosine. Good to a part in a thousand over a garden. */
export const METRES_PER_DEGREE = 111_320;
const RAD = Math.PI / 180;
/** Metres per degree of longitude at a latitude. */
export const eastOf = (latitude_deg: number): number => METRES_PER_DEGREE * cos(latitude_deg * RAD);

/** Longitude and latitude in degrees (WGS 84). */
export type OnEarth = readonly [number, number];

/** Something that lies on the earth and on the plan: everything else follows from it. */
export interface Anchor {
  earth: OnEarth;
  plan: Point;
  /** Where north lies on the plan, degrees clockwise from its top. */
  north_deg: number;
}

/** The middle of a bed whose outline a file told: its ring runs east and north from its place. */
export function middleOnEarth({ ring, place }: Pick<Shape, 'ring' | 'place'>): OnEarth | undefined {
  if (!ring || !place) return undefined;
  const box = boxOf(ring);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  return [place[0] + x / eastOf(place[1]), place[1] + y / METRES_PER_DEGREE];
}

/** A point of the earth on the plan. Worked figure: 10 m north of the anchor lies 10 m above it on a plan with north at its top. */
export function onPlan([lon, lat]: OnEarth, { earth, plan, north_deg }: Anchor): Point {
  const east = (lon - earth[0]) * eastOf(earth[1]);
  const north = (lat - earth[1]) * METRES_PER_DEGREE;
  const [x, y] = turned([east, -north], north_deg);
  return [plan[0] + x, plan[1] + y];
}

/** A point of the plan on the earth. */
export function onEarth([x, y]: Point, { earth, plan, north_deg }: Anchor): OnEarth {
  const [east, south] = turned([x - plan[0], y - plan[1]], -north_deg);
  return [earth[0] + east / eastOf(earth[1]), earth[1] - south / METRES_PER_DEGREE];
}

/** The first bed of which both is known, its place on the earth and where it lies on the plan. */
export function anchorOf(
  beds: readonly (Shape & { at: Lies | null })[],
  north_deg: number,
): Anchor | undefined {
  for (const bed of beds) {
    const earth = middleOnEarth(bed);
    if (earth && bed.at) return { earth, plan: [bed.at.x_m, bed.at.y_m], north_deg };
  }
  return undefined;
}

/** The outline of a bed on the earth, closed as files want it; undefined where nothing tells where it lies. */
export function outlineOnEarth(
  bed: Shape & { at: Lies | null },
  anchor: Anchor | undefined,
): OnEarth[] | undefined {
  const { ring, place, at } = bed;
  // Laid out anew beside something that is known, it lies where the plan says.
  if (anchor && at) {
    const outline = outlineOf(bed, at).map((p) => onEarth(p, anchor));
    const [first, last] = [outline[0]!, outline.at(-1)!];
    const closed = ring !== null && first[0] === last[0] && first[1] === last[1];
    return closed ? outline : [...outline, first];
  }
  if (!ring || !place) return undefined;
  return ring.map(([x, y]) => [place[0] + x / eastOf(place[1]), place[1] + y / METRES_PER_DEGREE]);
}
