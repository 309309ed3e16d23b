import { type Sheet } from './things.ts';

// Opaque sheets: which cover a bed, how they lie, and what holds them. Coefficients of wind are engineering judgement; the totals agree with 4-6 kg a
// metre of edge in sheltered gardens and 8-12 in exposed ones.

export type Exposure = 'open' | 'garden' | 'sheltered';
const AT_GROUND: Record<Exposure, number> = { open: 0.8, garden: 0.6, sheltered: 0.45 };
/** What an edge asks for each Pa of wind pressure, kg/m (strip of 0.5 m, coefficient 0.8, safety 1.5), and never less than this. */
const EDGE_PER_PA = (0.5 * 0.8 * 1.5) / 9.81;
const LEAST_EDGE_KG_M = 2;
const INNER = 0.2;
const FILM_KG_M2 = 0.14;
/** From this on an edge is better buried in a slot than weighted. */
export const BURY_FROM_KG_M = 15;

/** Gust over the sheet, m/s, of a forecast gust at 10 m, km/h. */
export const localGust_m_s = (gust_km_h: number, exposure: Exposure): number =>
  (gust_km_h / 3.6) * AT_GROUND[exposure];

export interface Weights {
  perimeter_m: number;
  edge_kg_m: number;
  /** Points along the edge, no further apart than wind allows, and what each holds. */
  points: number;
  each_kg: number;
  gap_m: number;
  /** On the sheet itself, away from the edge. */
  inner_kg: number;
  total_kg: number;
  bury: boolean;
}

/** Pressure of moving air, Pa. */
const pressure_Pa = (v: number): number => 0.613 * v * v;

export function weightsFor(
  width_m: number,
  length_m: number,
  gust_km_h: number,
  exposure: Exposure,
): Weights {
  const v = localGust_m_s(gust_km_h, exposure);
  const q = pressure_Pa(v);
  const edge_kg_m = Math.max(LEAST_EDGE_KG_M, q * EDGE_PER_PA);
  const gap_m = v < 8 ? 1.5 : v < 12 ? 1.2 : v < 16 ? 1 : 0.75;
  const perimeter_m = 2 * (width_m + length_m);
  const points = Math.ceil(perimeter_m / gap_m - 1e-9);
  const edge = perimeter_m * edge_kg_m;
  const inside = Math.max(0, width_m - 1) * Math.max(0, length_m - 1);
  const inner_kg = inside * Math.max(0, (INNER * q) / 9.81 - FILM_KG_M2);
  return {
    perimeter_m,
    edge_kg_m,
    points,
    each_kg: edge / points,
    gap_m,
    inner_kg,
    total_kg: edge + inner_kg,
    bury: edge_kg_m > BURY_FROM_KG_M,
  };
}

/** How much longer what lies under it takes than under a sound dark film. */
export const sheetTimes = ({ sort, grade }: Pick<Sheet, 'sort' | 'grade'>): number => {
  const base = sort === 'woven' ? 1.3 : 1;
  const worn = { sound: 1, patched: 1.05, pinholes: 1.1, 'light-through': 1.4 }[grade];
  return base * worn;
};

/** Over the edge of the bed on every side, m; where sheets lap, m. */
export const HANG_M = 0.3;
export const LAP_M = 0.5;
const MOST_IN_A_ROW = 3;

export interface Laid<T> {
  sheets: T[];
  /** The sheet's length lies across the bed. */
  turned: boolean;
  /** Where two of them lap, m; 0 for one alone. */
  lap_m: number;
  /** What lies over on each side along and across, at least. */
  hang_m: number;
  /** What it covers in all. */
  width_m: number;
  length_m: number;
}

type Sized = { width_m: number; length_m: number };

/** One sheet over a bed, either way round; undefined when it is too small. */
function one<T extends Sized>(bed: Sized, s: T, hang: number): Laid<T> | undefined {
  const [w, l] = [bed.width_m + 2 * hang, bed.length_m + 2 * hang];
  const ways = [
    { turned: false, across: s.width_m, along: s.length_m },
    { turned: true, across: s.length_m, along: s.width_m },
  ].filter((x) => x.across >= w - 1e-9 && x.along >= l - 1e-9);
  const best = ways[0];
  return (
    best && {
      sheets: [s],
      turned: best.turned,
      lap_m: 0,
      hang_m: Math.min((best.across - bed.width_m) / 2, (best.along - bed.length_m) / 2),
      width_m: best.across,
      length_m: best.along,
    }
  );
}

/** Several in a row along the bed, each wide enough, lapping like tiles. */
function inARow<T extends Sized>(bed: Sized, row: T[], hang: number): Laid<T> | undefined {
  const need = bed.length_m + 2 * hang;
  const across = bed.width_m + 2 * hang;
  const pieces = row.map((s) => {
    const ways = [
      [s.width_m, s.length_m],
      [s.length_m, s.width_m],
    ].filter(([w]) => w! >= across - 1e-9);
    return ways.sort((a, b) => b[1]! - a[1]!)[0];
  });
  if (pieces.some((p) => !p)) return undefined;
  const total = pieces.reduce((sum, p) => sum + p![1]!, 0);
  const joints = row.length - 1;
  const lap = (total - need) / joints;
  if (lap < LAP_M - 1e-9) return undefined;
  // What is over beyond a metre of lap hangs over the ends.
  const lap_m = Math.min(lap, 1);
  const length = total - joints * lap_m;
  const width = Math.min(...pieces.map((p) => p![0]!));
  return {
    sheets: row,
    turned: pieces[0]![0] !== row[0]!.width_m,
    lap_m,
    hang_m: Math.min((width - bed.width_m) / 2, (length - bed.length_m) / 2),
    width_m: width,
    length_m: length,
  };
}

function* choices<T>(from: readonly T[], n: number, start = 0): Generator<T[]> {
  if (n === 0) return yield [];
  for (let i = start; i <= from.length - n; i++)
    for (const rest of choices(from, n - 1, i + 1)) yield [from[i]!, ...rest];
}

const areaOf = (s: Sized): number => s.width_m * s.length_m;

/** All ways to cover a bed with sheets of these: the fewest first, then the least cloth. */
export function layings<T extends Sized>(bed: Sized, sheets: readonly T[], hang = HANG_M): Laid<T>[] {
  const found: Laid<T>[] = [];
  for (const s of sheets) {
    const laid = one(bed, s, hang);
    if (laid) found.push(laid);
  }
  for (let n = 2; n <= MOST_IN_A_ROW && found.length === 0; n++)
    for (const row of choices(sheets, n)) {
      const laid = inARow(bed, row, hang);
      if (laid) found.push(laid);
    }
  const cloth = (l: Laid<T>) => l.sheets.reduce((sum, s) => sum + areaOf(s), 0);
  return found.sort((a, b) => a.sheets.length - b.sheets.length || cloth(a) - cloth(b));
}

/** Sheet that a bed asks for, m. */
export const neededFor = (bed: Sized, hang = HANG_M): Sized => ({
  width_m: bed.width_m + 2 * hang,
  length_m: bed.length_m + 2 * hang,
});

/** Two beds side by side with their path as one piece of ground. */
export const together = (a: Sized, b: Sized, path_m: number): Sized => ({
  width_m: a.width_m + b.width_m + path_m,
  length_m: Math.max(a.length_m, b.length_m),
});
