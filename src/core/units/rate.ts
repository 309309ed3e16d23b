import { type Result, fail, ok } from '../result/result.ts';
import { parseGround } from './length.ts';
import { parseMass_g } from './mass.ts';
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

/** What a rate may be quoted by, where it is known: the bed that is sown, and what a whole packet weighs. */
export interface QuotedBy {
  bed_m2?: number | undefined;
  packet_g?: number | undefined;
}

/** The mark between what is sown and the ground it is for; a slash inside a fraction is none. */
const FOR = /^(.*?[a-z½¼¾)])\s*(?:\/|\b(?:per|for|on|to|sows|covers)\b)\s*(?:an?\s+|each\s+)?(.+)$/;
const PACKETS = /^(?:an?|one|(\d+(?:[.,]\d+)?))?\s*(?:packets?|packs?|bags?|sachets?)$/;
const BEDS = /^(\d+)?\s*beds?$/;

/**
 * Reads a rate as people write it: "120 lb/acre", "15 g/m2", "2 oz per 100 sq ft", "40 g per bed", "a packet for 5 m²".
 * @returns g/m². Fails with `rate-unreadable`, `rate-unit` (a word for ground or weight that is none), `rate-wants-bed` or `rate-wants-packet` where it
 * is quoted by what is not known here, or `rate-range`.
 */
export function parseRate_g_m2(text: string, by: QuotedBy = {}): Result<number> {
  const clean = text.trim().toLowerCase();
  if (!/^(\d|[½¼¾]|an?\s|one\s|packet|bag)/.test(clean)) return fail('rate-unreadable', text);
  const [, what, where] = FOR.exec(clean) ?? [];
  if (!what || !where) return fail('rate-unit', text);
  const packets = PACKETS.exec(what);
  if (packets && by.packet_g === undefined) return fail('rate-wants-packet', text);
  const seed = packets ? figure(packets[1]) * by.packet_g! : massOf(what);
  const beds = BEDS.exec(where);
  if (beds && by.bed_m2 === undefined) return fail('rate-wants-bed', text);
  const ground = beds ? figure(beds[1]) * by.bed_m2! : groundOf(where);
  if (seed === undefined || ground === undefined) return fail('rate-unit', text);
  const g_m2 = seed / ground;
  if (!(g_m2 > 0) || g_m2 > MOST_G_M2) return fail('rate-range', text, { g_m2, most: MOST_G_M2 });
  return ok(g_m2);
}

const figure = (given: string | undefined): number => (given ? Number(given.replace(',', '.')) : 1);

/** Grams; a weight without its unit says nothing. */
function massOf(text: string): number | undefined {
  if (!/[a-z]/.test(text)) return undefined;
  const mass = parseMass_g(text, 'g');
  return mass.ok ? mass.value : undefined;
}

/** Square metres: "m²", "100 sq ft", "1,000 ft²", "4 x 8 ft". */
function groundOf(text: string): number | undefined {
  const whole = text.replace(/(\d),(\d{3})(?!\d)/g, '$1$2');
  const ground = parseGround(/^\d/.test(whole) ? whole : `1 ${whole}`);
  return ground.ok ? ground.value.area_m2 : undefined;
}
