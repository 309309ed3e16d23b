import { type Result, fail, ok } from '../result/result.ts';
import { G_PER_OZ, M2_PER_FT2 } from './show.ts';

/** Units in which people quote seeding rates, as grams per square metre. An acre is 4046.8564224 m², a pound 453.59237 g. */
export const RATE_UNITS = {
  'g/m²': 1,
  'kg/ha': 0.1,
  'lb/acre': 453.59237 / 4046.8564224,
  'oz/100 ft²': G_PER_OZ / (100 * M2_PER_FT2),
  'oz/1000 ft²': G_PER_OZ / (1000 * M2_PER_FT2),
  'lb/1000 ft²': (16 * G_PER_OZ) / (1000 * M2_PER_FT2),
} as const;
export type RateUnit = keyof typeof RATE_UNITS;
export const RATE_UNIT_NAMES = Object.keys(RATE_UNITS) as RateUnit[];

/** @returns the rate in `unit`. Worked figure: 120 lb/acre is 13.45 g/m². */
export const rateIn = (g_m2: number, unit: RateUnit): number => g_m2 / RATE_UNITS[unit];
export const rateFrom_g_m2 = (value: number, unit: RateUnit): number => value * RATE_UNITS[unit];

/** No seed is thrown thicker than this. */
const MOST_G_M2 = 200;

/**
 * Reads a rate as people write it: "120 lb/acre", "15 g/m2", "2 oz per 100 sq ft".
 * @returns g/m². Fails with `rate-unreadable`, `rate-unit` (known here: the names in RATE_UNITS) or `rate-range`.
 */
export function parseRate_g_m2(text: string): Result<number> {
  const m = /^\s*([\d.,]+)\s*(.*)$/.exec(text.toLowerCase());
  const value = m ? Number(m[1]!.replace(',', '.')) : Number.NaN;
  if (!m || !Number.isFinite(value)) return fail('rate-unreadable', text);
  const unit = unitOf(m[2]!);
  if (!unit) return fail('rate-unit', text);
  const g_m2 = rateFrom_g_m2(value, unit);
  if (!(g_m2 > 0) || g_m2 > MOST_G_M2) return fail('rate-range', text, { g_m2, most: MOST_G_M2 });
  return ok(g_m2);
}

function unitOf(text: string): RateUnit | undefined {
  const t = text
    .replace(/\s*per\s*/g, '/')
    .replace(/sq\.?\s*ft|ft\^?2|square feet/g, 'ft²')
    .replace(/\s+/g, '');
  if (/^g\/(m2|m²|sqm)$/.test(t)) return 'g/m²';
  if (/^kg\/ha$/.test(t)) return 'kg/ha';
  if (/^lbs?\/(ac|acre)$/.test(t)) return 'lb/acre';
  if (/^oz\/100ft²$/.test(t)) return 'oz/100 ft²';
  if (/^oz\/1,?000ft²$/.test(t)) return 'oz/1000 ft²';
  if (/^lbs?\/1,?000ft²$/.test(t)) return 'lb/1000 ft²';
  return undefined;
}
