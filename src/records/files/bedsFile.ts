import area from '@turf/area';
import { type Feature, type Polygon } from 'geojson';
import { anchorOf, eastOf, METRES_PER_DEGREE, outlineOnEarth } from '../../core/ground/earth.ts';
import { type Lies } from '../../core/ground/shape.ts';
import { type Result, fail, ok } from '../../core/result/result.ts';

/** A bed read from a file, before it has an id. */
export interface ReadBed {
  name: string;
  block: string;
  width_m: number | null;
  length_m: number | null;
  area_m2: number;
  ring: [number, number][] | null;
  /** Longitude and latitude of the ring's first corner, where the file tells. */
  place: [number, number] | null;
}

const MOST_BEDS = 500;

const SMALLEST_M2 = 0.05;
const LARGEST_M2 = 100_000;
const LONGEST_NAME = 60;

/** A bed has a name of its own, short enough for its label. */
function namedRight(name: string, block: string, where: string, before: ReadBed[]): Result<true> {
  if (!name) return fail('bed-name', where);
  if (name.length > LONGEST_NAME || block.length > LONGEST_NAME)
    return fail('bed-name-long', where, { most: LONGEST_NAME });
  return before.some((b) => b.name === name) ? fail('bed-twice', where, { name }) : ok(true);
}

const MOST_CORNERS = 2000;

type Properties = Record<string, unknown> | null | undefined;

/**
 * Beds from a GeoJSON FeatureCollection (WGS 84): polygons with their place, or, without a geometry, the width and length in their properties. Names and
 * blocks are properties too. All or nothing: fails with the first feature that cannot be read, naming it.
 */
export function bedsFromGeoJson(text: string): Result<ReadBed[]> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return fail('geojson-unreadable');
  }
  const features = (raw as { features?: unknown } | null)?.features;
  if (!Array.isArray(features) || features.length === 0) return fail('geojson-no-features');
  if (features.length > MOST_BEDS)
    return fail('beds-too-many', undefined, { rows: features.length, most: MOST_BEDS });
  const beds: ReadBed[] = [];
  for (const [i, f] of features.entries()) {
    const where = `feature ${i + 1}`;
    const feature = f as Feature<Polygon | null, Properties> | null;
    const properties = (typeof feature === 'object' && feature?.properties) || {};
    const name = wordOf(properties.name) || String(i + 1);
    const block = wordOf(properties.block);
    const named = namedRight(name, block, where, beds);
    if (!named.ok) return named;
    const shape =
      feature && feature.geometry === null ? unplaced(properties, where) : placed(feature?.geometry, where);
    if (!shape.ok) return shape;
    beds.push({ name, block, ...shape.value });
  }
  return ok(beds);
}

const wordOf = (x: unknown): string =>
  typeof x === 'string' || typeof x === 'number' ? String(x).trim() : '';

type Shape = Omit<ReadBed, 'name' | 'block'>;

/** A bed that is known by its sides alone. */
function unplaced(properties: Record<string, unknown>, where: string): Result<Shape> {
  const { width_m, length_m } = properties;
  const side = (x: unknown): x is number => typeof x === 'number' && x >= 0.1 && x <= 500;
  if (!side(width_m) || !side(length_m)) return fail('geojson-shape', where);
  return ok({ width_m, length_m, area_m2: width_m * length_m, ring: null, place: null });
}

function placed(geometry: unknown, where: string): Result<Shape> {
  const polygon = geometry as { type?: unknown; coordinates?: unknown } | null | undefined;
  const outer =
    polygon?.type === 'Polygon' && Array.isArray(polygon.coordinates) ? polygon.coordinates[0] : null;
  const corner = (p: unknown): p is [number, number] =>
    Array.isArray(p) && Math.abs(p[0]) <= 180 && Math.abs(p[1]) <= 90 && p.slice(0, 2).every(Number.isFinite);
  if (!Array.isArray(outer) || outer.length < 4 || outer.length > MOST_CORNERS || !outer.every(corner))
    return fail('geojson-shape', where);
  const m2 = area({ type: 'Polygon', coordinates: [outer] });
  if (!(m2 > SMALLEST_M2 && m2 < LARGEST_M2)) return fail('bed-area', where, { m2: Math.round(m2) });
  const [x0, y0] = outer[0]!;
  const east = eastOf(y0);
  return ok({
    width_m: null,
    length_m: null,
    area_m2: m2,
    ring: outer.map((p) => [(p[0] - x0) * east, (p[1] - y0) * METRES_PER_DEGREE]),
    place: [x0, y0],
  });
}

/**
 * Beds as a GeoJSON FeatureCollection: with their outline where it is known where they lie, by a file or by the plan beside a bed of which a file told;
 * else without a geometry and with their sides.
 * @param north_deg where north lies on the plan, degrees clockwise from its top
 */
export function bedsToGeoJson(beds: readonly (ReadBed & { at?: Lies | null })[], north_deg = 0): string {
  const laid = beds.map((b) => ({ ...b, at: b.at ?? null }));
  const anchor = anchorOf(laid, north_deg);
  const feature = (b: (typeof laid)[number]) => {
    const { name, block, width_m, length_m, area_m2 } = b;
    const outline = outlineOnEarth(b, anchor);
    const geometry = outline ? { type: 'Polygon', coordinates: [outline] } : null;
    return { type: 'Feature', properties: { name, block, width_m, length_m, area_m2 }, geometry };
  };
  return JSON.stringify({ type: 'FeatureCollection', features: laid.map(feature) }, null, 1);
}
