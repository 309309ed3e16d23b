import { z } from 'zod';
import { type Failure, type Result } from '../core/result/result.ts';
import { parseMass_g } from '../core/units/mass.ts';
import { parseNumber } from '../core/units/number.ts';
import { failureWords } from '../ui/failureWords.ts';

/** What is wrong with what was typed. @param range said instead where nothing is there or a number lies outside its bounds */
function wrong(text: string, failure: Failure, range?: string): string {
  const empty = text.trim() === '';
  if (range !== undefined && (empty || failure.code === 'number-range')) return range;
  // Of nothing there is no need to say that it cannot be read.
  return empty ? failureWords(failure).replace(/^"\s*" [^.]*\. /, '') : failureWords(failure);
}

/** What is typed, read by one of the core's readers; what it cannot read is said at the field. */
export const readBy = <T>(read: (text: string) => Result<T>, range?: string) =>
  z.string().transform((text, ctx) => {
    const got = read(text);
    if (got.ok) return got.value;
    ctx.addIssue({ code: 'custom', message: wrong(text, got.failure, range) });
    return z.NEVER;
  });

/** The same, or nothing typed: undefined. */
const readByOrNone = <T>(read: (text: string) => Result<T>, range?: string) =>
  z.string().transform((text, ctx) => {
    if (text.trim() === '') return undefined;
    const got = read(text);
    if (got.ok) return got.value;
    ctx.addIssue({ code: 'custom', message: wrong(text, got.failure, range) });
    return z.NEVER;
  });

/** A number with a point or a comma, between bounds. */
export const figure = (least: number, most: number, range?: string) =>
  readBy((text) => parseNumber(text, least, most), range);

export const figureOrNone = (least: number, most: number, range?: string) =>
  readByOrNone((text) => parseNumber(text, least, most), range);

/** A number alone is in kilograms or pounds: nobody weighs compost by the gram. */
const barrow_g = (imperial: boolean) => (text: string) =>
  parseMass_g(/^[\d.,\s]+$/.test(text) ? `${text} ${imperial ? 'lb' : 'kg'}` : text, 'g');

/** What a barrow or a crate weighs, g. */
export const barrow = (imperial: boolean) => readBy(barrow_g(imperial));
export const barrowOrNone = (imperial: boolean) => readByOrNone(barrow_g(imperial));

/** A line of words that must not be empty. */
export const someWords = (words: string) => z.string().trim().min(1, words);
