import { format } from 'date-fns';
import { type Day, dayOf } from '../core/calendar/day.ts';

const local = (day: Day): Date => {
  const d = new Date(Math.round(day) * 86_400_000);
  return new Date(d.getUTCFullYear(), d.getUTCMonth(), d.getUTCDate());
};

/** "14 May" of a day number; an em-free "not in this span" for days that never come. */
export const showDay = (day: Day): string =>
  Number.isFinite(day) ? format(local(day), 'd MMM') : 'not in time';
export const showDayYear = (day: Day): string =>
  Number.isFinite(day) ? format(local(day), 'd MMM yyyy') : 'not in time';
export const showIso = (iso: string): string => showDay(dayOf(iso));
export const showIsoYear = (iso: string): string => showDayYear(dayOf(iso));
export const showWeekday = (iso: string): string => format(local(dayOf(iso)), 'EEE');
export const monthName = (day: Day): string => format(local(day), 'MMM');
/** "10 to 24 May", or one day when the spread is none. */
export function showSpan(low: number, high: number): string {
  if (!Number.isFinite(low)) return 'not in time';
  if (!Number.isFinite(high)) return `${showDay(low)} or later`;
  return Math.round(low) === Math.round(high) ? showDay(low) : `${showDay(low)} to ${showDay(high)}`;
}
