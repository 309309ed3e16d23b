import area from '@turf/area';
import { type Feature, type Polygon } from 'geojson';
import { parseLength_m, parseSize_m } from '../../core/units/length.ts';
import { type Result, fail, ok } from '../../core/result/result.ts';
import { readTable } from './weatherCsv.ts';

/** A bed read from a file, before it has an id. */
export interface ReadBed {
  name: string;
  block: string;
  width_m: number | null;
  length_m: number | null;
  area_m2: number;
  ring: [number, number][] | null;
}

const MOST_BEDS = 500;

/**
 * Beds from CSV with headers `name`, optionally `block`, and either `size` ("45 in x 50 ft") or `width` and `length`.
 * All or nothing: fails with `beds-header`, or with the first row that cannot be read (`bed-size`, `bed-name`, `bed-twice`), naming the line.
 */
export function bedsFromCsv(text: string, defaultUnit: 'm' | 'ft'): Result<ReadBed[]> {
  const table = readTable(text);
  if (!table.ok) return table;
  const at = (...names: string[]) => table.value.headers.findIndex((h) => names.includes(h.toLowerCase()));
  const [name, block, size, width, length] = [
    at('name', 'bed'),
    at('block'),
    at('size'),
    at('width'),
    at('length'),
  ];
  if (name < 0 || (size < 0 && (width < 0 || length < 0)))
    return fail('beds-header', undefined, { headers: table.value.headers.join(', ') });
  if (table.value.rows.length > MOST_BEDS)
    return fail('beds-too-many', undefined, { rows: table.value.rows.length, most: MOST_BEDS });
  const beds: ReadBed[] = [];
  for (const [i, row] of table.value.rows.entries()) {
    const where = `line ${i + 2}`;
    const title = (row[name] ?? '').trim();
    if (!title) return fail('bed-name', where);
    if (beds.some((b) => b.name === title)) return fail('bed-twice', where, { name: title });
    const read =
      size >= 0
        ? parseSize_m(row[size] ?? '', defaultUnit)
        : parsePair(row[width] ?? '', row[length] ?? '', defaultUnit);
    if (!read.ok)
      return fail('bed-size', where, {
        given: size >= 0 ? (row[size] ?? '') : `${row[width]} × ${row[length]}`,
      });
    const { width_m, length_m } = read.value;
    beds.push({
      name: title,
      block: (row[block] ?? '').trim(),
      width_m,
      length_m,
      area_m2: width_m * length_m,
      ring: null,
    });
  }
  return ok(beds);
}

function parsePair(
  width: string,
  length: string,
  unit: 'm' | 'ft',
): Result<{ width_m: number; length_m: number }> {
  const w = parseLength_m(width, unit);
  if (!w.ok) return w;
  const l = parseLength_m(length, unit);
  return l.ok ? ok({ width_m: w.value, length_m: l.value }) : l;
}

/** Metres per degree of latitude; longitude shrinks with the cosine. Good to a part in a thousand over a garden. */
const METRES_PER_DEGREE = 111_320;

/** Beds from a GeoJSON FeatureCollection of polygons (WGS 84); `properties.name` and `properties.block` are used. */
export function bedsFromGeoJson(text: string): Result<ReadBed[]> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return fail('geojson-unreadable');
  }
  const features = (raw as { features?: unknown[] } | null)?.features;
  if (!Array.isArray(features) || features.length === 0) return fail('geojson-no-features');
  if (features.length > MOST_BEDS)
    return fail('beds-too-many', undefined, { rows: features.length, most: MOST_BEDS });
  const beds: ReadBed[] = [];
  for (const [i, f] of features.entries()) {
    const feature = f as Feature<Polygon, { name?: unknown; block?: unknown } | null>;
    const outer = feature?.geometry?.type === 'Polygon' ? feature.geometry.coordinates?.[0] : undefined;
    const sound =
      Array.isArray(outer) &&
      outer.length >= 4 &&
      outer.every((p) => Array.isArray(p) && p.slice(0, 2).every(Number.isFinite));
    if (!sound) return fail('geojson-shape', `feature ${i + 1}`);
    const m2 = area(feature);
    if (!(m2 > 0.05 && m2 < 100_000)) return fail('bed-area', `feature ${i + 1}`, { m2: Math.round(m2) });
    const [x0, y0] = outer[0] as [number, number];
    const east = METRES_PER_DEGREE * Math.cos((y0 * Math.PI) / 180);
    beds.push({
      name: String(feature.properties?.name ?? i + 1).slice(0, 60),
      block: String(feature.properties?.block ?? '').slice(0, 60),
      width_m: null,
      length_m: null,
      area_m2: m2,
      ring: outer.map((p) => [(p[0]! - x0) * east, (p[1]! - y0) * METRES_PER_DEGREE]),
    });
  }
  return ok(beds);
}
