import { dayOf, isIsoDate, isoOf } from './day.ts';

/** No day outside these is taken: a slip of a finger in the year is no date of a garden. */
export const FIRST_DAY = '1990-01-01';
export const LAST_DAY = '2100-12-31';

export type DayOrder = 'dmy' | 'mdy' | 'ymd';

/** In which order whoever reads this language writes day, month and year. */
export function orderOf(locale: string | undefined): DayOrder {
  const parts = new Intl.DateTimeFormat(locale).formatToParts(new Date(2027, 4, 14)).map((p) => p.type);
  const at = (t: string) => parts.indexOf(t as Intl.DateTimeFormatPartTypes);
  if (at('year') < at('day')) return 'ymd';
  return at('day') < at('month') ? 'dmy' : 'mdy';
}

/** How a day may be typed, for the hint of a field. */
export const EXAMPLE: Record<DayOrder, string> = {
  dmy: '14 May 2027 or 14/5/2027',
  mdy: 'May 14, 2027 or 5/14/2027',
  ymd: '2027-05-14 or 14 May 2027',
};

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * The day that was typed, as an ISO date: figures in the order of the language with anything between them or nothing at all, or with the month's name; the
 * year may be two figures or left out, then it is the one nearest to `near`. Undefined for what is no day, or lies outside 1990 to 2100.
 */
export function readDay(text: string, order: DayOrder, near: string): string | undefined {
  const typed = text.trim().toLowerCase();
  const iso = /^(\d{4})\D(\d{1,2})\D(\d{1,2})$/.exec(typed);
  if (iso) return sound(iso[1]!, iso[2]!, iso[3]!);
  const name = /[a-z]{3,}/.exec(typed)?.[0].slice(0, 3);
  const figures = typed.match(/\d+/g) ?? [];
  if (name) {
    const month = MONTHS.indexOf(name) + 1;
    if (month === 0 || figures.length === 0 || figures.length > 2) return undefined;
    const yearFirst = figures[0]!.length === 4;
    const day = yearFirst ? figures[1] : figures[0];
    return inYear(yearFirst ? figures[0] : figures[1], String(month), day ?? '', near);
  }
  if (figures.length === 1) return together(figures[0]!, order, near);
  if (figures.length === 2) {
    const [a, b] = figures as [string, string];
    return order === 'dmy' ? inYear(undefined, b, a, near) : inYear(undefined, a, b, near);
  }
  if (figures.length !== 3) return undefined;
  const [a, b, c] = figures as [string, string, string];
  if (order === 'ymd') return inYear(a, b, c, near);
  return order === 'dmy' ? inYear(c, b, a, near) : inYear(c, a, b, near);
}

/** Figures without anything between them: two for the day, two for the month, two or four for the year. */
function together(figures: string, order: DayOrder, near: string): string | undefined {
  if (figures.length === 8 && order === 'ymd')
    return sound(figures.slice(0, 4), figures.slice(4, 6), figures.slice(6));
  if (figures.length !== 8 && figures.length !== 6 && figures.length !== 4) return undefined;
  const [a, b, year] = [figures.slice(0, 2), figures.slice(2, 4), figures.slice(4) || undefined];
  return order === 'dmy' ? inYear(year, b, a, near) : inYear(year, a, b, near);
}

function inYear(year: string | undefined, month: string, day: string, near: string): string | undefined {
  if (year !== undefined && year.length !== 2 && year.length !== 4) return undefined;
  if (year !== undefined) return sound(year.length === 2 ? `20${year}` : year, month, day);
  const around = Number(near.slice(0, 4));
  const options = [around - 1, around, around + 1].flatMap((y) => sound(String(y), month, day) ?? []);
  const from = dayOf(near);
  return options.sort((a, b) => Math.abs(dayOf(a) - from) - Math.abs(dayOf(b) - from))[0];
}

function sound(year: string, month: string, day: string): string | undefined {
  const iso = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  return isIsoDate(iso) && iso >= FIRST_DAY && iso <= LAST_DAY ? isoOf(dayOf(iso)) : undefined;
}
