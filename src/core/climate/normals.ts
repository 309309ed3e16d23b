import { type Result, fail, ok } from '../result/result.ts';
import { YEAR_DAYS } from '../site/daily.ts';
import { type Site, wetShareFrom } from '../site/site.ts';
import { fitShoulders, fitSpread, fitWarmSpread, spreadFrom } from './spread.ts';

/** Monthly means as a weather service prints them, January to December in both hemispheres. */
export interface Normals {
  latitude_deg: number;
  coastal: boolean;
  tmax_c: number[];
  tmin_c: number[];
  rain_mm: number[];
  /** Mean over years of the coldest night; null when it is not printed. */
  coldestNight_c: number | null;
  /** Usual last and first frost (Tmin below 0 °C), days of year 0..365, where they are known. */
  lastFrost_doy?: number | null;
  firstFrost_doy?: number | null;
}

const HOTTEST_C = 55;
const COLDEST_C = -60;
const WETTEST_MM = 2500;

/**
 * Answers: which site has these monthly means? Its generated years keep the means; their day-to-day spread is fitted to the coldest
 * night and, in spring, autumn and summer, to the frosts at both ends of the winter, or follows the yearly range when those are not known.
 * Fails with `normals-missing`, `normals-range` or `normals-swapped` (where names the month), `date-missing` for a frost that is no day of the year, or `latitude-range`.
 */
export function siteFromNormals(n: Normals): Result<Site> {
  if (!(Math.abs(n.latitude_deg) <= 66)) return fail('latitude-range', 'latitude', { given: n.latitude_deg });
  for (let m = 0; m < 12; m++) {
    const [high, low, rain] = [n.tmax_c[m], n.tmin_c[m], n.rain_mm[m]];
    const month = { month: m + 1 };
    if (![high, low, rain].every((v) => Number.isFinite(v))) return fail('normals-missing', undefined, month);
    if (high! > HOTTEST_C || low! < COLDEST_C || rain! < 0 || rain! > WETTEST_MM)
      return fail('normals-range', undefined, month);
    if (low! >= high!) return fail('normals-swapped', undefined, month);
  }
  const { lastFrost_doy = null, firstFrost_doy = null } = n;
  for (const doy of [lastFrost_doy, firstFrost_doy])
    if (doy !== null && !(doy >= 0 && doy < YEAR_DAYS)) return fail('date-missing', 'the frosts');
  const mean = n.tmin_c.map((t, m) => (t + n.tmax_c[m]!) / 2);
  const base: Site = {
    latitude_deg: n.latitude_deg,
    coastal: n.coastal,
    tmax_c: n.tmax_c,
    tmin_c: n.tmin_c,
    rain_mm: n.rain_mm,
    wetShare: wetShareFrom(n.rain_mm),
    coldestNight_c: n.coldestNight_c ?? Math.min(...n.tmin_c),
    ...spreadFrom(0.9 + 0.165 * (Math.max(...mean) - Math.min(...mean))),
  };
  if (n.coldestNight_c === null) return ok(base);
  if (n.coldestNight_c > Math.min(...n.tmin_c)) return fail('normals-coldest', 'coldest night');
  const known = { lastFrost_doy, firstFrost_doy };
  return ok(fitShoulders(fitWarmSpread(fitSpread(base), known), known));
}
