import { fail, ok, type Result } from '../result/result.ts';

/** Reads a plain number with a point or a comma, between bounds. Fails with `number-unreadable` or `number-range`. */
export function parseNumber(text: string, least: number, most: number): Result<number> {
  const value = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value)) return fail('number-unreadable', text);
  if (value < least || value > most) return fail('number-range', text, { least, most });
  return ok(value);
}
