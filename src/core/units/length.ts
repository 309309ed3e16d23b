import { type Result, fail, ok } from '../result/result.ts';

/** Metres in one unit, by every spelling that gardeners use. */
const METRES: Record<string, number> = {
  m: 1,
  metre: 1,
  metres: 1,
  meter: 1,
  meters: 1,
  cm: 0.01,
  mm: 0.001,
  ft: 0.3048,
  foot: 0.3048,
  feet: 0.3048,
  "'": 0.3048,
  in: 0.0254,
  inch: 0.0254,
  inches: 0.0254,
  '"': 0.0254,
  yd: 0.9144,
  yard: 0.9144,
  yards: 0.9144,
};

const PART = /(\d+(?:[.,]\d+)?)\s*([a-z]+|'|")?/giy;
/** Beds are between a hand and a long field row. */
const SHORTEST_M = 0.1;
const LONGEST_M = 500;

/**
 * Reads one length in any mix of units ("4 ft 6 in", "1.2 m", `4'6"`).
 * @returns metres. Fails with `length-unreadable`, `length-unit` (number without unit and no default) or `length-range`.
 */
export function parseLength_m(text: string, defaultUnit?: 'm' | 'ft'): Result<number> {
  const clean = text.trim().toLowerCase().replace(/[’′]/g, "'").replace(/[”″]/g, '"').replace(/''/g, '"');
  if (!clean) return fail('length-unreadable', text);
  let at = 0;
  let sum = 0;
  PART.lastIndex = 0;
  while (at < clean.length) {
    PART.lastIndex = at;
    const m = PART.exec(clean);
    if (!m || m.index !== at) return fail('length-unreadable', text);
    const unit = m[2] ?? defaultUnit;
    if (!unit) return fail('length-unit', text);
    const metres = METRES[unit];
    if (!metres) return fail('length-unreadable', text);
    sum += Number(m[1]!.replace(',', '.')) * metres;
    at = PART.lastIndex;
    while (/[\s,]/.test(clean[at] ?? '')) at++;
  }
  if (sum < SHORTEST_M || sum > LONGEST_M)
    return fail('length-range', text, { metres: sum, least: SHORTEST_M, most: LONGEST_M });
  return ok(sum);
}

const BY = /\s*(?:[x×*]|\bby\b)\s*/i;
const LAST_UNIT = /([a-z]+|'|")\s*$/i;

/** Reads "45 in x 50 ft", "1.2 m × 8", "4ft6in by 20ft": two lengths; a unit that is missing on one is taken from the other. */
export function parseSize_m(
  text: string,
  defaultUnit?: 'm' | 'ft',
): Result<{ width_m: number; length_m: number }> {
  const parts = text.split(BY).filter(Boolean);
  if (parts.length !== 2) return fail('size-unreadable', text);
  const unitOf = (part: string) => LAST_UNIT.exec(part.trim())?.[1];
  const [a, b] = parts as [string, string];
  const lend = (to: string, from: string) => (unitOf(to) ? to : `${to} ${unitOf(from) ?? ''}`);
  const width = parseLength_m(lend(a, b), defaultUnit);
  if (!width.ok) return width;
  const length = parseLength_m(lend(b, a), defaultUnit);
  if (!length.ok) return length;
  return ok({ width_m: width.value, length_m: length.value });
}

/** Square metres in one unit of area, by every spelling that gardeners use. */
const AREAS: [RegExp, number][] = [
  [/^(m2|m²|sqm|sq\.?\s*m\.?|square\s*met(re|er)s?)$/, 1],
  [/^(ft2|ft²|sqft|sq\.?\s*ft\.?|square\s*(feet|foot))$/, 0.09290304],
  [/^(yd2|yd²|sqyd|sq\.?\s*yd\.?|square\s*yards?)$/, 0.83612736],
  [/^(a|ar|are|ares)$/, 100],
  [/^(ha|hectares?)$/, 10_000],
  [/^(ac|acres?)$/, 4046.8564224],
];
const SMALLEST_M2 = 0.01;
const LARGEST_M2 = 100_000;

/** Ground as a gardener writes it: two sides, or an area alone. */
export interface Ground {
  /** Null where only the area is known. */
  width_m: number | null;
  length_m: number | null;
  area_m2: number;
}

/**
 * Reads the size of a bed: "4 x 8", "1.2 m x 8", "6 m²", "100 sq ft".
 * @returns metres and m². Fails as `parseSize_m` does, with `size-one-side` for a length alone, or `area-range`.
 */
export function parseGround(text: string, defaultUnit?: 'm' | 'ft'): Result<Ground> {
  if (text.split(BY).filter(Boolean).length === 2) {
    const size = parseSize_m(text, defaultUnit);
    return size.ok ? ok({ ...size.value, area_m2: size.value.width_m * size.value.length_m }) : size;
  }
  const m = /^\s*(\d+(?:[.,]\d+)?)\s*(.+?)\s*$/.exec(text.toLowerCase());
  const per = m && AREAS.find(([spelling]) => spelling.test(m[2]!));
  if (m && per) {
    const area_m2 = Number(m[1]!.replace(',', '.')) * per[1];
    if (area_m2 < SMALLEST_M2 || area_m2 > LARGEST_M2) return fail('area-range', text, { m2: area_m2 });
    return ok({ width_m: null, length_m: null, area_m2 });
  }
  return parseLength_m(text, defaultUnit).ok ? fail('size-one-side', text) : fail('size-unreadable', text);
}
