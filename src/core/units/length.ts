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

/** Reads "45 in x 50 ft", "1.2 × 8 m", "4ft6in by 20ft": two lengths; a missing unit on the first is taken from the second. */
export function parseSize_m(
  text: string,
  defaultUnit?: 'm' | 'ft',
): Result<{ width_m: number; length_m: number }> {
  const parts = text.split(/\s*(?:[x×*]|\bby\b)\s*/i).filter(Boolean);
  if (parts.length !== 2) return fail('size-unreadable', text);
  const second = parts[1]!;
  const borrowed = /[a-z'"]/i.test(parts[0]!)
    ? parts[0]!
    : `${parts[0]} ${/([a-z]+|'|")\s*$/i.exec(second)?.[1] ?? ''}`;
  const width = parseLength_m(borrowed, defaultUnit);
  if (!width.ok) return width;
  const length = parseLength_m(second, defaultUnit);
  if (!length.ok) return length;
  return ok({ width_m: width.value, length_m: length.value });
}
