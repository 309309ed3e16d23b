import { dayLength_h, sunAt } from '../calendar/sun.ts';
import { cos, sin, tan } from '../units/exact.ts';
import { boxOf, inside, type Lies, type Point, turned } from './shape.ts';

/** Something that throws shade: as high as it is all over its ground. */
export interface Caster extends Lies {
  id: string;
  width_m: number;
  length_m: number;
  round: boolean;
  height_m: number;
}

/** Sky over one place: latitude, and where north lies on the plan, degrees clockwise from its top. */
export interface Sky {
  latitude_deg: number;
  north_deg: number;
}

const RAD = Math.PI / 180;
/** The sun gives little once it is so low, degrees. */
const LOW_DEG = 3;
/** Steps of an hour in which the day is walked through. */
const STEP_H = 0.5;
/** Points along each side of the box round a bed. */
const POINTS = 4;

/** Points spread over a bed. */
export function pointsIn(ring: readonly Point[]): Point[] {
  const box = boxOf(ring);
  const points: Point[] = [];
  for (let i = 0; i < POINTS; i++)
    for (let k = 0; k < POINTS; k++) {
      const p: Point = [box.x + (box.width * (i + 0.5)) / POINTS, box.y + (box.height * (k + 0.5)) / POINTS];
      if (inside(p, ring)) points.push(p);
    }
  return points.length > 0 ? points : [[box.x + box.width / 2, box.y + box.height / 2]];
}

/** Metres along a ray until it is over a caster's ground; undefined where it misses. */
function meets([px, py]: Point, [dx, dy]: Point, c: Caster): number | undefined {
  const [ox, oy] = turned([px - c.x_m, py - c.y_m], -c.turn_deg);
  const [ux, uy] = turned([dx, dy], -c.turn_deg);
  const [a, b] = [c.width_m / 2, c.length_m / 2];
  if (c.round) {
    // An ellipse, stretched to the unit circle.
    const [x, y, u, v] = [ox / a, oy / b, ux / a, uy / b];
    const [qa, qb, qc] = [u * u + v * v, x * u + y * v, x * x + y * y - 1];
    if (qc <= 0) return 0;
    const root = qb * qb - qa * qc;
    if (root < 0 || qb > 0) return undefined;
    return (-qb - Math.sqrt(root)) / qa;
  }
  let [near, away] = [-Infinity, Infinity];
  for (const [o, u, half] of [
    [ox, ux, a],
    [oy, uy, b],
  ] as const) {
    if (Math.abs(u) < 1e-9) {
      if (Math.abs(o) > half) return undefined;
      continue;
    }
    const [t1, t2] = [(-half - o) / u, (half - o) / u];
    near = Math.max(near, Math.min(t1, t2));
    away = Math.min(away, Math.max(t1, t2));
  }
  return near <= away && away >= 0 ? Math.max(0, near) : undefined;
}

/** What stands between a point and the sun at an hour; null in the sun, undefined at night. */
export function shadedBy(
  point: Point,
  casters: readonly Caster[],
  sky: Sky,
  doy: number,
  hour: number,
): string | null | undefined {
  const sun = sunAt(sky.latitude_deg, doy, hour);
  if (sun.altitude_deg < LOW_DEG) return undefined;
  const to = (sun.azimuth_deg + sky.north_deg) * RAD;
  const ray: Point = [sin(to), -cos(to)];
  const rise = tan(sun.altitude_deg * RAD);
  for (const c of casters) {
    if (c.height_m <= 0) continue;
    const far = meets(point, ray, c);
    if (far !== undefined && far * rise < c.height_m) return c.id;
  }
  return null;
}

/** Light on a bed through one day. */
export interface DayOfLight {
  /** Mean hours of sun on its ground. */
  sun_h: number;
  /** From sunrise to sunset. */
  day_h: number;
  /** Casters that take more than a quarter of an hour, with the hours of the sun's day between which they do. */
  by: { id: string; from: number; to: number; lost_h: number }[];
}

/** Answers: how long does the sun reach this bed on a day of the year, and what takes the rest? */
export function dayOfLight(
  ring: readonly Point[],
  casters: readonly Caster[],
  sky: Sky,
  doy: number,
): DayOfLight {
  const points = pointsIn(ring);
  const share = STEP_H / points.length;
  const by = new Map<string, { id: string; from: number; to: number; lost_h: number }>();
  let sun_h = 0;
  for (let hour = STEP_H / 2; hour < 24; hour += STEP_H)
    for (const p of points) {
      const caster = shadedBy(p, casters, sky, doy, hour);
      if (caster === undefined) continue;
      if (caster === null) {
        sun_h += share;
        continue;
      }
      const known = by.get(caster);
      if (!known) by.set(caster, { id: caster, from: hour, to: hour, lost_h: share });
      else {
        known.from = Math.min(known.from, hour);
        known.to = Math.max(known.to, hour);
        known.lost_h += share;
      }
    }
  return {
    sun_h,
    day_h: dayLength_h(sky.latitude_deg, doy),
    by: [...by.values()].filter((b) => b.lost_h > 0.25).sort((a, b) => b.lost_h - a.lost_h),
  };
}

/** Hours of sun from which a bed counts as open to the sky, and as half shaded, on the mean day of its growing season. Common garden practice. */
const OPEN_H = 6;
const PART_H = 3;

/** The growing half of the year in this hemisphere, as days of year. */
export const growingDays = (latitude_deg: number): number[] =>
  latitude_deg >= 0 ? [80, 111, 141, 172, 202, 233, 264] : [264, 294, 325, 355, 20, 51, 80];

/** Light of a bed over its growing season, in the words the records keep. */
export function lightOf(
  ring: readonly Point[],
  casters: readonly Caster[],
  sky: Sky,
): { shade: 'open' | 'part' | 'deep'; sun_h: number } {
  const days = growingDays(sky.latitude_deg);
  const sun_h = days.reduce((s, d) => s + dayOfLight(ring, casters, sky, d).sun_h, 0) / days.length;
  return { shade: sun_h >= OPEN_H ? 'open' : sun_h >= PART_H ? 'part' : 'deep', sun_h };
}

/** The shadow of a caster on the ground at an hour: the corners of its ground and of the same thrown away from the sun; empty at night. */
export function shadowOf(c: Caster, sky: Sky, doy: number, hour: number): Point[] {
  const sun = sunAt(sky.latitude_deg, doy, hour);
  if (sun.altitude_deg < LOW_DEG || c.height_m <= 0) return [];
  const away = (sun.azimuth_deg + sky.north_deg + 180) * RAD;
  const long = c.height_m / tan(sun.altitude_deg * RAD);
  const [dx, dy] = [sin(away) * long, -cos(away) * long];
  const foot = footOf(c);
  return hull([...foot, ...foot.map(([x, y]) => [x + dx, y + dy] as const)]);
}

/** Corners of a caster's ground on the plan. */
export function footOf(c: Omit<Caster, 'id' | 'height_m'>): Point[] {
  const [a, b] = [c.width_m / 2, c.length_m / 2];
  const corners: Point[] = c.round
    ? Array.from(
        { length: 24 },
        (_, i) => [a * cos((i * Math.PI) / 12), b * sin((i * Math.PI) / 12)] as const,
      )
    : [
        [-a, -b],
        [a, -b],
        [a, b],
        [-a, b],
      ];
  return corners.map((p) => {
    const [x, y] = turned(p, c.turn_deg);
    return [x + c.x_m, y + c.y_m] as const;
  });
}

/** The ring round some points (Andrew's monotone chain, 1979). */
function hull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const side = (o: Point, a: Point, b: Point) =>
    (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const chain = (list: readonly Point[]): Point[] => {
    const out: Point[] = [];
    for (const p of list) {
      while (out.length >= 2 && side(out.at(-2)!, out.at(-1)!, p) <= 0) out.pop();
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...chain(sorted), ...chain([...sorted].reverse())];
}
