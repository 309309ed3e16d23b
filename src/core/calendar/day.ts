/** A day is an integer: whole days since 1 January 1970. Records keep ISO dates, the core computes on days. */
export type Day = number & { readonly counts?: 'days since 1970' };

/**
 * A day of a span: whole days since its first, an index into its weather and courses. A plain number may be given for either, since sums of days
 * are plain numbers; what is one of the two is never taken for the other.
 */
export type DayIndex = number & { readonly counts?: 'days since the first of a span' };

const MS_PER_DAY = 86_400_000;
const ISO = /^(\d{4})-(\d{2})-(\d{2})$/;

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const isLeap = (y: number): boolean => y % 4 === 0 && (y % 100 !== 0 || y % 400 === 0);
const daysIn = (y: number, month: number): number => (month === 2 && isLeap(y) ? 29 : DAYS[month - 1]!);

/** Day of an ISO date, or NaN when the text names no real date (31 February, letters). Use `isIsoDate` at borders. */
export function dayOf(iso: string): Day {
  const m = ISO.exec(iso);
  if (!m) return Number.NaN;
  const y = Number(m[1]);
  const mo = Number(m[2]);
  const d = Number(m[3]);
  return mo >= 1 && mo <= 12 && d >= 1 && d <= daysIn(y, mo)
    ? Date.UTC(y, mo - 1, d) / MS_PER_DAY
    : Number.NaN;
}

export const isIsoDate = (text: string): boolean => !Number.isNaN(dayOf(text));

export const isoOf = (day: Day): string => new Date(Math.round(day) * MS_PER_DAY).toISOString().slice(0, 10);

export const yearOf = (day: Day): number => new Date(day * MS_PER_DAY).getUTCFullYear();

/** Month 0..11. */
export const monthOf = (day: Day): number => new Date(day * MS_PER_DAY).getUTCMonth();

/** 0 on 1 January, 364 or 365 on 31 December. */
export const dayOfYear = (day: Day): number => day - Date.UTC(yearOf(day), 0, 1) / MS_PER_DAY;

export const firstOfYear = (year: number): Day => Date.UTC(year, 0, 1) / MS_PER_DAY;
