import { type Result, fail, ok } from '../../core/result/result.ts';
import { type Ground, parseGround } from '../../core/units/length.ts';
import { parseMass_g } from '../../core/units/mass.ts';
import { parseRate_g_m2 } from '../../core/units/rate.ts';
import { type Packet } from '../../questions/first.ts';

/** The page as it stands, half typed or whole. Figures stay as they were typed until they are used. */
export interface Typed {
  placeId: string | null;
  /** Frosts corrected by hand, ISO days of any year; empty as they come out. */
  lastFrost: string;
  firstFrost: string;
  imperial: boolean;
  size: string;
  before: string;
  free: string;
  nextId: string;
  plantOn: string;
  parts: { speciesId: string; printed: string }[];
  mixName: string;
  weight: string;
  price: string;
  rate: string;
  tools: string[];
  gardenName: string;
}

export const BLANK: Typed = {
  placeId: null,
  lastFrost: '',
  firstFrost: '',
  imperial: false,
  size: '',
  before: '',
  free: '',
  nextId: '',
  plantOn: '',
  parts: [],
  mixName: '',
  weight: '',
  price: '',
  rate: '',
  tools: ['shears', 'rake', 'spade'],
  gardenName: '',
};

export const groundOf = (t: Typed): Result<Ground> => parseGround(t.size, t.imperial ? 'ft' : 'm');

const figure = (text: string): number => Number(text.trim().replace('%', '').replace(',', '.'));

/**
 * Shares by weight as printed: what is left blank takes what is left of a hundred in equal parts, or as much as the others where nothing is left.
 * Fails with `share-unreadable`.
 */
export function sharesOf(parts: Typed['parts']): Result<number[]> {
  const given = parts.map((p) => (p.printed.trim() === '' ? null : figure(p.printed)));
  const wrong = given.findIndex((g) => g !== null && !(g > 0));
  if (wrong >= 0) return fail('share-unreadable', parts[wrong]!.printed);
  const said = given.filter((g): g is number => g !== null);
  const blanks = given.length - said.length;
  const sum = said.reduce((a, b) => a + b, 0);
  const left = 100 - sum;
  const each = blanks === 0 ? 0 : left > 0 ? left / blanks : sum / Math.max(1, said.length);
  return ok(given.map((g) => g ?? each));
}

/** The packet as it is printed. A ground that it is for, in place of a rate, is worth a rate once its weight is known. */
export function packetOf(t: Typed): Result<Packet> {
  const shares = sharesOf(t.parts);
  if (!shares.ok) return shares;
  const weight = t.weight.trim() ? parseMass_g(t.weight, t.imperial ? 'oz' : 'g') : ok(null);
  if (!weight.ok) return weight;
  const ground = groundOf(t);
  const rate = rateOf(t.rate, weight.value, ground.ok ? ground.value.area_m2 : undefined);
  if (!rate.ok) return rate;
  const price = t.price.trim() ? figure(t.price.replace(/[^\d.,]/g, '')) : null;
  return ok({
    name: t.parts.length > 1 ? t.mixName.trim() : '',
    parts: t.parts.map((p, i) => ({ speciesId: p.speciesId, share: shares.value[i]! })),
    weight_g: weight.value,
    price: price !== null && Number.isFinite(price) ? price : null,
    rate_g_m2: rate.value,
  });
}

function rateOf(text: string, weight_g: number | null, bed_m2: number | undefined): Result<number | null> {
  if (text.trim() === '') return ok(null);
  const ground = parseGround(text);
  if (!ground.ok) return parseRate_g_m2(text, { bed_m2, packet_g: weight_g ?? undefined });
  return weight_g === null
    ? fail('rate-wants-weight', text)
    : parseRate_g_m2(`${weight_g / ground.value.area_m2} g/m2`);
}
