import { type Day, type DayIndex, dayOfYear } from '../calendar/day.ts';
import { partStream } from '../random/stream.ts';
import { type DailyClimate } from '../site/daily.ts';
import { chillOfDay } from './chill.ts';
import { blockStart, type ObservedDay, type Weather, generateWeather, sunOfYear } from './generate.ts';
import { exp } from '../units/exact.ts';
import { lookUp, tableOf } from '../units/table.ts';

/**
 * A plausible season with everything that plans ask of the weather worked out once, so that all candidates share it.
 * Running sums have one entry more than days: sum[j] - sum[i] covers days i..j-1.
 */
export interface Season extends Weather {
  days: number;
  mean_c: Float64Array;
  /** Soil at seed depth, bare, daily mean. */
  soil_c: Float64Array;
  /** Reference evapotranspiration, mm. */
  et0_mm: Float64Array;
  snow_cm: Float64Array;
  dayLength_h: Float64Array;
  /** Days' worth of 20 °C under an opaque sheet: 2^((T-20)/10), nothing under 1.5 °C. */
  sheetHeat: Float64Array;
  /** Days' worth of 20 °C soil while residue mellows; a cold day counts at least a third (the wait is at most tripled). */
  mellowing: Float64Array;
  /** Surface decay: sum of min(fT, fW) after Stroo and others 1989. */
  decay: Float64Array;
  /** Warmth for weeds above 3 °C. */
  weedWarmth: Float64Array;
  /** Days on which cool-season plants grow: warmer than 5 °C on average. */
  growing: Float64Array;
  /** Days' worth of a bright 32 °C day under clear film tight on the ground (see `filmDay`). */
  filmHeat: Float64Array;
  /** 2^((T - 20)/10) of the air's daily mean, 0 in frost: what doubles every ten degrees above ground. */
  airTempo: Float64Array;
  /** 2^((T - 15)/10) of the soil at seed depth, 0 when frozen. */
  soilTempo: Float64Array;
  /** Chilling earned in the day, 0..1. */
  chill: Float64Array;
  /** Warmth of each day for each kind of thermal response asked so far, 0..1; filled on demand and shared by all plans. */
  warmth: Map<string, Float32Array>;
  /** First day from each day on which soil has kept a crop's least warmth, by that warmth; filled on demand. */
  warmSoil: Map<number, Float64Array>;
}

/** ln 2 over ten degrees. */
const TEMPO_PER_C = Math.LN2 / 10;
/** 2^(T/10): what doubles every ten degrees. */
const TEMPO = tableOf((t) => exp(TEMPO_PER_C * t), -70, 40, 11_000);
/** 2^((15 - 20)/10): from a 15 °C to a 20 °C reference. */
const HALF_DECADE = Math.SQRT1_2;
/** Enough days before the season that soil temperature and snow have forgotten where they began. */
const SPIN_UP_D = 45;
const SHEET_FLOOR_C = 1.5;
const WEED_BASE_C = 3;
const GROWS_OVER_C = 5;
/** Share of the step from yesterday's soil temperature to today's air that the top few centimetres take. */
const SOIL_STEP = 0.3;

export function makeSeason(
  climate: DailyClimate,
  fromDay: Day,
  days: number,
  seed: number,
  observed?: ReadonlyMap<Day, ObservedDay>,
  dayLength_h: Float64Array = dayLengths(climate, fromDay, days),
): Season {
  const start = blockStart(fromDay - SPIN_UP_D);
  const before = fromDay - start;
  const luck = (block: number) => partStream(seed, block);
  const all = generateWeather(climate, start, before + days, luck, observed);
  const cut = (a: Float64Array) => a.subarray(before);
  const season: Season = {
    fromDay,
    days,
    tmin_c: cut(all.tmin_c),
    tmax_c: cut(all.tmax_c),
    rain_mm: cut(all.rain_mm),
    radiation_MJ: cut(all.radiation_MJ),
    mean_c: new Float64Array(days),
    soil_c: new Float64Array(days),
    et0_mm: new Float64Array(days),
    snow_cm: new Float64Array(days),
    dayLength_h,
    sheetHeat: new Float64Array(days + 1),
    mellowing: new Float64Array(days + 1),
    decay: new Float64Array(days + 1),
    weedWarmth: new Float64Array(days + 1),
    filmHeat: new Float64Array(days + 1),
    growing: new Float64Array(days + 1),
    airTempo: new Float64Array(days),
    soilTempo: new Float64Array(days),
    chill: new Float64Array(days),
    warmth: new Map(),
    warmSoil: new Map(),
  };
  fillDerived(season, all, before, sunOfYear(climate.site.latitude_deg).ra_MJ);
  return season;
}

/** Day length of each day of a span; the same for every season of an ensemble, which shares one array. */
export function dayLengths(climate: DailyClimate, fromDay: Day, days: number): Float64Array {
  const hours = sunOfYear(climate.site.latitude_deg).hours;
  const first = dayOfYear(fromDay);
  return Float64Array.from({ length: days }, (_, i) => hours[(first + i) % 366]!);
}

function fillDerived(season: Season, all: Weather, before: number, ra_MJ: Float64Array): void {
  const first = dayOfYear(all.fromDay);
  let soil = (all.tmin_c[0]! + all.tmax_c[0]!) / 2;
  let snow_mm = 0;
  let wetness = 0.5;
  for (let j = 0; j < all.tmin_c.length; j++) {
    const mean = (all.tmin_c[j]! + all.tmax_c[j]!) / 2;
    const rain = all.rain_mm[j]!;
    // Snow: falls below 0.5 °C, melts 3 mm of water per degree and day, lies at a quarter of the density of water.
    snow_mm = Math.max(0, snow_mm + (mean < 0.5 ? rain : 0) - Math.max(0, mean) * 3);
    const above = snow_mm > 10 ? Math.max(mean, -1) : mean;
    soil += SOIL_STEP * (above + radiationWarmth(all.radiation_MJ[j]!) - soil);
    wetness = rain > 4 ? 1 : Math.max(0.05, wetness * 0.6);
    const i = j - before;
    if (i < 0) continue;
    const doy = (first + j) % 366;
    season.mean_c[i] = mean;
    season.soil_c[i] = soil;
    season.snow_cm[i] = snow_mm * 0.4;
    season.et0_mm[i] = hargreaves_mm(mean, all.tmax_c[j]! - all.tmin_c[j]!, ra_MJ[doy]!);
    const tempo = lookUp(TEMPO, mean - 20);
    const soilTempo = lookUp(TEMPO, soil - 15);
    season.airTempo[i] = mean <= 0 ? 0 : tempo;
    season.soilTempo[i] = soil <= 0 ? 0 : soilTempo;
    season.chill[i] = chillOfDay(mean);
    season.sheetHeat[i + 1] = season.sheetHeat[i]! + (mean < SHEET_FLOOR_C ? 0 : tempo);
    season.filmHeat[i + 1] = season.filmHeat[i]! + filmDay(all.tmax_c[j]!, all.radiation_MJ[j]!);
    season.mellowing[i + 1] = season.mellowing[i]! + Math.max(1 / 3, soilTempo * HALF_DECADE);
    season.decay[i + 1] = season.decay[i]! + Math.min(decayWarmth(mean), wetness);
    season.growing[i + 1] = season.growing[i]! + (mean > GROWS_OVER_C ? 1 : 0);
    season.weedWarmth[i + 1] = season.weedWarmth[i]! + Math.max(0, mean - WEED_BASE_C);
  }
}

/**
 * A day under clear film counts 1 at 32 °C in full sun and nothing under 20 °C, where film grows weeds instead; cloud (under
 * 10 MJ/m2) halves it. Solarization guides (Elmore 1997; Stapleton 2008) ask about 4 weeks at 32 °C and over, 6 at 27-32, 8 or more at 22-27.
 */
const filmDay = (tmax_c: number, radiation_MJ: number): number =>
  tmax_c < 20 ? 0 : Math.min(1.3, 0.35 + (tmax_c - 20) * 0.054) * (radiation_MJ < 10 ? 0.5 : 1);

/** Sun on bare soil adds up to about 2 °C to its daily mean; 25 MJ/m2 stands for a bright summer day. */
const radiationWarmth = (radiation_MJ: number): number => Math.min(2, (2 * radiation_MJ) / 25);

/** ET0 = 0.0023 (Tmean + 17.8) sqrt(Tmax - Tmin) Ra, Ra as mm by 0.408 (Hargreaves and Samani 1985). */
export const hargreaves_mm = (mean_c: number, range_c: number, ra_MJ: number): number =>
  Math.max(0, 0.0023 * (mean_c + 17.8) * Math.sqrt(Math.max(0, range_c)) * ra_MJ * 0.408);

/** fT = (2 T^2 Tm^2 - T^4)/Tm^4 with Tm = 33 °C (Stroo and others 1989). */
export function decayWarmth(mean_c: number): number {
  if (mean_c <= 0 || mean_c >= 33 * Math.SQRT2) return 0;
  const t2 = mean_c * mean_c;
  const m2 = 33 * 33;
  return Math.max(0, (2 * t2 * m2 - t2 * t2) / (m2 * m2));
}

/** Days' worth of a running sum from day index i to j, both inside the season. */
export const between = (sum: Float64Array, i: DayIndex, j: DayIndex): number => sum[j]! - sum[i]!;

/** First day index at which the running sum since `from` reaches `amount`, or Infinity when the season ends before. */
export function reaches(sum: Float64Array, from: DayIndex, amount: number): DayIndex {
  const target = sum[from]! + amount;
  let low = from;
  let high = sum.length - 1;
  if (sum[high]! < target) return Infinity;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (sum[mid]! >= target) high = mid;
    else low = mid + 1;
  }
  return low;
}
