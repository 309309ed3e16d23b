import { type Day, dayOfYear } from '../calendar/day.ts';
import { streamOf } from '../random/stream.ts';
import { type DailyClimate } from '../site/daily.ts';
import { type ObservedDay, type Weather, generateWeather, sunOfYear } from './generate.ts';

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
  /** Days' worth of 20 °C under an opaque sheet: 2^((T-20)/10), nothing below 4.5 °C. */
  sheetHeat: Float64Array;
  /** Days' worth of 20 °C soil while residue mellows; a cold day counts at least a third (the wait is at most tripled). */
  mellowing: Float64Array;
  /** Surface decay: sum of min(fT, fW) after Stroo and others 1989. */
  decay: Float64Array;
  /** Warmth for weeds above 3 °C. */
  weedWarmth: Float64Array;
}

/** Enough days before the season that soil temperature and snow have forgotten where they began. */
const SPIN_UP_D = 45;
const SHEET_FLOOR_C = 4.5;
const WEED_BASE_C = 3;
/** Share of the step from yesterday's soil temperature to today's air that the top few centimetres take. */
const SOIL_STEP = 0.3;

export function makeSeason(
  climate: DailyClimate,
  fromDay: Day,
  days: number,
  seed: number,
  observed?: ReadonlyMap<Day, ObservedDay>,
): Season {
  const all = generateWeather(climate, fromDay - SPIN_UP_D, days + SPIN_UP_D, streamOf(seed), observed);
  const cut = (a: Float64Array) => a.subarray(SPIN_UP_D);
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
    dayLength_h: new Float64Array(days),
    sheetHeat: new Float64Array(days + 1),
    mellowing: new Float64Array(days + 1),
    decay: new Float64Array(days + 1),
    weedWarmth: new Float64Array(days + 1),
  };
  fillDerived(season, all, sunOfYear(climate.site.latitude_deg));
  return season;
}

function fillDerived(season: Season, all: Weather, sun: { hours: Float64Array; ra_MJ: Float64Array }): void {
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
    const i = j - SPIN_UP_D;
    if (i < 0) continue;
    const doy = (first + j) % 366;
    season.mean_c[i] = mean;
    season.soil_c[i] = soil;
    season.snow_cm[i] = snow_mm * 0.4;
    season.dayLength_h[i] = sun.hours[doy]!;
    season.et0_mm[i] = hargreaves_mm(mean, all.tmax_c[j]! - all.tmin_c[j]!, sun.ra_MJ[doy]!);
    season.sheetHeat[i + 1] =
      season.sheetHeat[i]! + (mean < SHEET_FLOOR_C ? 0 : Math.pow(2, (mean - 20) / 10));
    season.mellowing[i + 1] = season.mellowing[i]! + Math.max(1 / 3, Math.pow(2, (soil - 20) / 10));
    season.decay[i + 1] = season.decay[i]! + Math.min(decayWarmth(mean), wetness);
    season.weedWarmth[i + 1] = season.weedWarmth[i]! + Math.max(0, mean - WEED_BASE_C);
  }
}

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
export const between = (sum: Float64Array, i: number, j: number): number => sum[j]! - sum[i]!;

/** First day index at which the running sum since `from` reaches `amount`, or Infinity when the season ends before. */
export function reaches(sum: Float64Array, from: number, amount: number): number {
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
