import Papa from 'papaparse';
import { dayOf, isoOf, yearOf } from '../../core/calendar/day.ts';
import { type Result, fail, ok } from '../../core/result/result.ts';
import { type ObservedDay } from '../../core/weather/generate.ts';
import type { WeatherYear } from '../types.ts';

/** Which column holds what, and in which unit. */
export interface WeatherColumns {
  date: number;
  dateOrder: 'ymd' | 'dmy' | 'mdy';
  tmin: number;
  tmax: number;
  rain: number;
  temperature: 'c' | 'f';
  rainUnit: 'mm' | 'in';
}

export interface CsvTable {
  headers: string[];
  rows: string[][];
}

const LARGEST_ROWS = 60_000;

/** Reads any separated text into headers and rows. Fails with `csv-empty` or `csv-too-long`. */
export function readTable(text: string): Result<CsvTable> {
  const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const [headers, ...rows] = parsed.data;
  if (!headers || headers.length < 2 || rows.length === 0) return fail('csv-empty');
  if (rows.length > LARGEST_ROWS)
    return fail('csv-too-long', undefined, { rows: rows.length, most: LARGEST_ROWS });
  return ok({ headers: headers.map((h) => h.trim()), rows });
}

/** A first guess at the columns from their headers; the gardener sees and corrects it. */
export function guessColumns(table: CsvTable): WeatherColumns {
  const find = (...patterns: RegExp[]) => {
    for (const p of patterns) {
      const at = table.headers.findIndex((h) => p.test(h));
      if (at >= 0) return at;
    }
    return -1;
  };
  const tmin = find(/t.?min|min.?t|low|minimum/i);
  const tmax = find(/t.?max|max.?t|high|maximum/i);
  const rain = find(/rain|prec|prcp/i);
  const date = Math.max(0, find(/date|^day$|time/i));
  const warmest = Math.max(...table.rows.slice(0, 800).map((r) => Number(r[tmax]) || 0));
  return {
    date,
    dateOrder: guessOrder(table.rows.map((r) => r[date] ?? '')),
    tmin,
    tmax,
    rain,
    temperature: /f\b|fahr/i.test(table.headers[tmax] ?? '') || warmest > 55 ? 'f' : 'c',
    rainUnit: /\bin\b|inch|_in/i.test(table.headers[rain] ?? '') ? 'in' : 'mm',
  };
}

function guessOrder(dates: string[]): WeatherColumns['dateOrder'] {
  if (dates.some((d) => /^\s*\d{4}\D/.test(d))) return 'ymd';
  // Most rows decide: one broken date must not turn the others round.
  let dayFirst = 0;
  for (const text of dates) {
    const [, a, b] = /^\s*(\d{1,2})\D(\d{1,2})\D/.exec(text) ?? [];
    if (Number(a) > 12 && Number(b) <= 12) dayFirst++;
    if (Number(b) > 12 && Number(a) <= 12) dayFirst--;
  }
  return dayFirst > 0 ? 'dmy' : 'mdy';
}

function readDay(text: string, order: WeatherColumns['dateOrder']): number {
  const parts = text.trim().split(/[T ]/)[0]!.split(/\D+/).filter(Boolean);
  if (parts.length === 1 && /^\d{8}$/.test(parts[0]!))
    return dayOf(`${parts[0]!.slice(0, 4)}-${parts[0]!.slice(4, 6)}-${parts[0]!.slice(6)}`);
  if (parts.length !== 3) return Number.NaN;
  const [a, b, c] = parts as [string, string, string];
  const [y, m, d] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b];
  return dayOf(`${y.length === 2 ? `20${y}` : y}-${m.padStart(2, '0')}-${d.padStart(2, '0')}`);
}

/** A row that could not be used, by its line in the file. */
export interface BadRow {
  line: number;
  why: 'date' | 'temperature' | 'range' | 'swapped' | 'twice';
}

/** Between the coldest and hottest air ever measured, with room for a poor thermometer. */
const COLDEST_C = -70;
const HOTTEST_C = 60;
const MOST_RAIN_MM = 700;

const FIRST_DAY = dayOf('1900-01-01');
const LAST_DAY = dayOf('2100-12-31');

/** What stations write where nothing was measured. */
const MISSING = /^(-|--|na|n\/a|nan|null|none|m|missing|[-+]?9{2,}(\.9+|\.0+)?)$/i;

/** A figure of a cell, with a point or a comma; NaN where nothing was measured. */
function numberIn(cell: string): number {
  const text = cell.trim();
  if (text === '' || (MISSING.test(text) && !/^[-+]?99$/.test(text))) return Number.NaN;
  return /^[-+]?(\d+([.,]\d*)?|[.,]\d+)(e[-+]?\d+)?$/i.test(text)
    ? Number(text.replace(',', '.'))
    : Number.NaN;
}

/** Reads rows into days; rain left empty counts as none. Bad rows are listed, never guessed. Fails with `weather-columns`, `weather-swapped` or `weather-no-days`. */
export function readDays(
  table: CsvTable,
  columns: WeatherColumns,
): Result<{ days: ObservedDay[]; bad: BadRow[] }> {
  if (columns.tmin < 0 || columns.tmax < 0 || columns.rain < 0) return fail('weather-columns');
  const toC = (v: number) => (columns.temperature === 'f' ? (v - 32) / 1.8 : v);
  const seen = new Set<number>();
  const days: ObservedDay[] = [];
  const bad: BadRow[] = [];
  table.rows.forEach((row, i) => {
    const line = i + 2;
    const day = readDay(row[columns.date] ?? '', columns.dateOrder);
    if (Number.isNaN(day) || day < FIRST_DAY || day > LAST_DAY) return void bad.push({ line, why: 'date' });
    const number = (at: number) => numberIn(row[at] ?? '');
    const tmin_c = toC(number(columns.tmin));
    const tmax_c = toC(number(columns.tmax));
    const rain = number(columns.rain);
    const rain_mm = Number.isNaN(rain) ? 0 : rain * (columns.rainUnit === 'in' ? 25.4 : 1);
    if (Number.isNaN(tmin_c) || Number.isNaN(tmax_c)) return void bad.push({ line, why: 'temperature' });
    const air = (c: number) => c >= COLDEST_C && c <= HOTTEST_C;
    if (!air(tmin_c) || !air(tmax_c) || !(rain_mm >= 0 && rain_mm <= MOST_RAIN_MM))
      return void bad.push({ line, why: 'range' });
    if (tmin_c > tmax_c) return void bad.push({ line, why: 'swapped' });
    if (seen.has(day)) return void bad.push({ line, why: 'twice' });
    seen.add(day);
    days.push({ day, tmin_c, tmax_c, rain_mm });
  });
  const swapped = bad.filter((b) => b.why === 'swapped').length;
  if (swapped > days.length) return fail('weather-swapped', undefined, { days: swapped });
  return days.length === 0
    ? fail('weather-no-days', undefined, { rows: table.rows.length })
    : ok({ days, bad });
}

/** Days as records, one a calendar year. */
export function weatherYears(gardenId: string, days: ObservedDay[]): WeatherYear[] {
  const years = new Map<number, WeatherYear>();
  for (const d of [...days].sort((a, b) => a.day - b.day)) {
    const year = yearOf(d.day);
    const record = years.get(year) ?? { id: `${gardenId}-weather-${year}`, gardenId, year, days: [] };
    record.days.push({ on: isoOf(d.day), tmin_c: d.tmin_c, tmax_c: d.tmax_c, rain_mm: d.rain_mm });
    years.set(year, record);
  }
  return [...years.values()];
}

/** Measured years with newer days put in: a day given again replaces what was there, years that gain nothing are left out. */
export function mergedYears(known: WeatherYear[], gardenId: string, days: ObservedDay[]): WeatherYear[] {
  return weatherYears(gardenId, days).map((fresh) => {
    const old = known.find((k) => k.year === fresh.year);
    const given = new Set(fresh.days.map((d) => d.on));
    const kept = old?.days.filter((d) => !given.has(d.on)) ?? [];
    return {
      ...fresh,
      id: old?.id ?? fresh.id,
      days: [...kept, ...fresh.days].sort((a, b) => a.on.localeCompare(b.on)),
    };
  });
}
