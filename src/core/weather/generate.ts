import { type Day, firstOfYear, yearOf } from '../calendar/day.ts';
import { dayLength_h, extraterrestrial_MJ } from '../calendar/sun.ts';
import { type Stream } from '../random/stream.ts';
import { type DailyClimate, YEAR_DAYS } from '../site/daily.ts';
import { exp } from '../units/exact.ts';

/** One plausible course of weather. Every array has one entry a day, from `fromDay` on. */
export interface Weather {
  fromDay: Day;
  tmin_c: Float64Array;
  tmax_c: Float64Array;
  rain_mm: Float64Array;
  /** Global radiation, MJ/m2/d. */
  radiation_MJ: Float64Array;
}

/** A measured day. Missing days are simply absent. */
export interface ObservedDay {
  day: Day;
  tmin_c: number;
  tmax_c: number;
  /** NaN where only temperatures are known: chance brings the rain then. */
  rain_mm: number;
  /** Days ahead when it was forecast; absent for what was measured. */
  lead_d?: number;
}

/** Standard error of a temperature forecast a day ahead and its growth per day of lead, °C (usual of public forecasts). */
const FORECAST_ERROR_C = 1;
const FORECAST_ERROR_PER_D = 0.3;

/**
 * Answers: what might the weather be, day by day, at this site?
 * Equations: rain occurrence is a two-state Markov chain with P(wet|dry) = 0.75 w and P(wet|wet) = 0.25 + 0.75 w for a wet-day
 * share w; amounts are gamma with scale beta = 1.83 m - 2.16 mm for a mean wet-day amount m (Geng 1986). Mean temperature
 * is the ordinary year plus sd times an AR(1) series, lag-one correlation 0.65, shifted on wet days; the daily range
 * is narrower on wet days. Radiation is Hargreaves: Rs = k sqrt(Tmax - Tmin) Ra, k 0.16 inland, 0.19 coastal.
 * Sources: Richardson 1981; Geng, Penning de Vries and Supit 1986; Hargreaves and Samani 1985; FAO-56 eq. 50.
 * Deviation: one AR(1) for mean temperature and white noise for the range stand for Richardson's three-variable process.
 */
const LAG_ONE = 0.65;
const RANGE_NOISE = 0.22;
const WET_RANGE = 0.78;

/** Chance by blocks of days: each block has a stream of its own, so that a day draws the same whatever the span it is asked in. */
export type Luck = (block: number) => Stream;
export const BLOCK_D = 32;

/** Last day at or before `day` on which a block begins. */
export const blockStart = (day: Day): Day => Math.floor(day / BLOCK_D) * BLOCK_D;

/**
 * @param chance one stream for the whole span, or one for each block of `BLOCK_D` days; then two spans that overlap agree from about six
 * weeks after the later one begins, when what came before is forgotten (0.65^45 is 4e-9)
 */
export function generateWeather(
  climate: DailyClimate,
  fromDay: Day,
  days: number,
  chance: Stream | Luck,
  observed: ReadonlyMap<Day, ObservedDay> = new Map(),
): Weather {
  const out: Weather = {
    fromDay,
    tmin_c: new Float64Array(days),
    tmax_c: new Float64Array(days),
    rain_mm: new Float64Array(days),
    radiation_MJ: new Float64Array(days),
  };
  const sun = sunOfYear(climate.site.latitude_deg);
  const k = climate.site.coastal ? 0.19 : 0.16;
  const luck = typeof chance === 'function' ? chance : undefined;
  let stream = typeof chance === 'function' ? chance(Math.floor(fromDay / BLOCK_D)) : chance;
  const c = startChance(stream);
  const doys = daysOfYear(fromDay, days);
  for (let i = 0; i < days; i++) {
    if (luck && (fromDay + i) % BLOCK_D === 0) stream = luck((fromDay + i) / BLOCK_D);
    const doy = doys[i]!;
    drawDay(climate, doy, stream, c);
    const mean = mean_c(climate, doy, c.wet, c.z);
    const range = range_c(climate, doy, c.narrow);
    const seen = observed.get(fromDay + i);
    if (seen)
      c.z =
        ((seen.tmin_c + seen.tmax_c) / 2 - (climate.tmin_c[doy]! + climate.tmax_c[doy]!) / 2) /
        Math.max(0.5, climate.sd_c[doy]!);
    // A forecast is missed by more the further ahead it looks, the same way at night as by day; rain forecast as such is taken as it is.
    const off = seen?.lead_d
      ? (FORECAST_ERROR_C + FORECAST_ERROR_PER_D * (seen.lead_d - 1)) * stream.normal()
      : 0;
    out.tmin_c[i] = seen ? seen.tmin_c + off : mean - range / 2;
    out.tmax_c[i] = seen ? seen.tmax_c + off : mean + range / 2;
    out.rain_mm[i] = seen && !Number.isNaN(seen.rain_mm) ? seen.rain_mm : c.rain_mm;
    out.radiation_MJ[i] = k * Math.sqrt(Math.max(0.5, out.tmax_c[i]! - out.tmin_c[i]!)) * sun.ra_MJ[doy]!;
  }
  return out;
}

/** What chance brings to a day, whatever the temperatures of the ordinary year; written over day by day. */
interface Chance {
  wet: boolean;
  /** Standing of the day's mean temperature, in standard deviations. */
  z: number;
  /** Daily range as a share of the ordinary one. */
  narrow: number;
  rain_mm: number;
}

const startChance = (stream: Stream): Chance => ({
  z: stream.normal(),
  wet: stream.uniform() < 0.3,
  narrow: 1,
  rain_mm: 0,
});

const INNOVATION = Math.sqrt(1 - LAG_ONE * LAG_ONE);

function drawDay(climate: DailyClimate, doy: number, stream: Stream, c: Chance): void {
  const w = climate.wetShare[doy]!;
  c.wet = stream.uniform() < (c.wet ? 0.25 : 0) + 0.75 * w;
  c.z = LAG_ONE * c.z + INNOVATION * stream.normal();
  c.narrow =
    (c.wet ? WET_RANGE : (1 - w * WET_RANGE) / (1 - w)) *
    exp(RANGE_NOISE * stream.normal() - (RANGE_NOISE * RANGE_NOISE) / 2);
  const m = climate.wetAmount_mm[doy]!;
  const scale = Math.max(0.3, 1.83 * m - 2.16);
  c.rain_mm = c.wet ? stream.gamma(m / scale) * scale : 0;
}

/** Wet days are cool in summer and mild in winter; the dry-day shift keeps the mean where it belongs. */
function mean_c(climate: DailyClimate, doy: number, wet: boolean, z: number): number {
  const w = climate.wetShare[doy]!;
  const sd = climate.sd_c[doy]!;
  const wetShift = sd * (0.2 - 0.7 * climate.warmth[doy]!);
  return (
    (climate.tmin_c[doy]! + climate.tmax_c[doy]!) / 2 + sd * z + (wet ? wetShift * (1 - w) : -wetShift * w)
  );
}

const range_c = (climate: DailyClimate, doy: number, narrow: number): number =>
  (climate.tmax_c[doy]! - climate.tmin_c[doy]!) * narrow;

/** Day of year (0..365) of every day of a span. */
function daysOfYear(fromDay: Day, days: number): Uint16Array {
  const out = new Uint16Array(days);
  let year = yearOf(fromDay);
  let newYear = firstOfYear(year + 1);
  let doy = fromDay - firstOfYear(year);
  for (let i = 0; i < days; i++, doy++) {
    if (fromDay + i === newYear) {
      newYear = firstOfYear(++year + 1);
      doy = 0;
    }
    out[i] = doy;
  }
  return out;
}

/** The chances of a whole span, kept: sites that share their rain share them, and differ in temperatures alone. */
export interface Chances {
  fromDay: Day;
  doy: Uint16Array;
  wet: Uint8Array;
  z: Float64Array;
  narrow: Float64Array;
}

/** The chances that `generateWeather` would draw from the same stream. */
export function drawChances(climate: DailyClimate, fromDay: Day, days: number, stream: Stream): Chances {
  const out: Chances = {
    fromDay,
    doy: daysOfYear(fromDay, days),
    wet: new Uint8Array(days),
    z: new Float64Array(days),
    narrow: new Float64Array(days),
  };
  const c = startChance(stream);
  for (let i = 0; i < days; i++) {
    drawDay(climate, out.doy[i]!, stream, c);
    out.wet[i] = c.wet ? 1 : 0;
    out.z[i] = c.z;
    out.narrow[i] = c.narrow;
  }
  return out;
}

/** The night's low of every day, °C, when these chances fall on this climate: the same as `generateWeather` gives. */
export function nightsOf(climate: DailyClimate, chances: Chances): Float64Array {
  const { doy, wet, z, narrow } = chances;
  return z.map((zi, i) => {
    const d = doy[i]!;
    return mean_c(climate, d, wet[i] === 1, zi) - range_c(climate, d, narrow[i]!) / 2;
  });
}

/** Day length and extraterrestrial radiation for each day of a leap year at a latitude. */
export interface SunYear {
  hours: Float64Array;
  ra_MJ: Float64Array;
}

const suns = new Map<number, SunYear>();

/** The same latitude is asked for in every candidate of every gap, so its year is worked out once. */
export function sunOfYear(latitude_deg: number): SunYear {
  let sun = suns.get(latitude_deg);
  if (!sun) {
    sun = {
      hours: Float64Array.from({ length: YEAR_DAYS }, (_, d) => dayLength_h(latitude_deg, d)),
      ra_MJ: Float64Array.from({ length: YEAR_DAYS }, (_, d) => extraterrestrial_MJ(latitude_deg, d)),
    };
    suns.set(latitude_deg, sun);
  }
  return sun;
}
