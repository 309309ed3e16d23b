import { type Result, fail, ok } from '../result/result.ts';
import { G_PER_LB, G_PER_OZ } from './show.ts';

/** Grams in one unit, by every spelling that packets use. */
const GRAMS: Record<string, number> = {
  mg: 0.001,
  g: 1,
  gram: 1,
  grams: 1,
  gr: 1,
  kg: 1000,
  kilo: 1000,
  kilos: 1000,
  t: 1e6,
  oz: G_PER_OZ,
  ounce: G_PER_OZ,
  ounces: G_PER_OZ,
  lb: G_PER_LB,
  lbs: G_PER_LB,
  pound: G_PER_LB,
  pounds: G_PER_LB,
};
const MOST_G = 1e7;
const PART = /^(\d+(?:[.,]\d+)?)\s*([a-z]+)?[\s,]*/;

/**
 * Reads a weight as it is printed: "100 g", "1/4 lb", "1 lb 4 oz", "0,5 kg".
 * @returns grams. Fails with `mass-unreadable` or `mass-range`.
 */
export function parseMass_g(text: string, defaultUnit: 'g' | 'oz'): Result<number> {
  // A quarter or a half, as packets like to print it.
  let rest = text
    .trim()
    .toLowerCase()
    .replace('½', ' 1/2')
    .replace('¼', ' 1/4')
    .replace('¾', ' 3/4')
    .trim()
    .replace(/(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)/, (_, whole: string | undefined, a: string, b: string) =>
      String(Number(whole ?? 0) + Number(a) / Number(b)),
    );
  let sum = 0;
  if (!rest) return fail('mass-unreadable', text);
  while (rest) {
    const m = PART.exec(rest);
    const grams = m && GRAMS[m[2] ?? defaultUnit];
    if (!m || !grams) return fail('mass-unreadable', text);
    sum += Number(m[1]!.replace(',', '.')) * grams;
    rest = rest.slice(m[0].length);
  }
  return sum > 0 && sum <= MOST_G ? ok(sum) : fail('mass-range', text);
}
