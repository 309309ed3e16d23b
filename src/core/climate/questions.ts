import { type Result, fail, ok } from '../result/result.ts';
import { dailyClimate, YEAR_DAYS } from '../site/daily.ts';
import { frostChances, frostRecord } from './frost.ts';
import { type Chances } from '../weather/generate.ts';
import { type ClimatePattern } from './pattern.ts';
import { type Site, shiftHemisphere, wetShareFrom } from '../site/site.ts';
import { fitSpread, spreadFrom } from './spread.ts';
import { cos } from '../units/exact.ts';

/** What most gardeners know by heart. Frost days are days of year (0..365); null where frost does not come in a usual year. */
export interface FourQuestions {
  latitude_deg: number;
  lastFrost_doy: number | null;
  firstFrost_doy: number | null;
  coldestNight_c: number;
  summerAfternoon_c: number;
}

/** The answer and how well it gives back what was put in. */
export interface FittedSite {
  site: Site;
  /** Pattern whose rain was borrowed, since the four questions say nothing of rain. */
  rainFrom: string;
  gaveBack: { lastFrost_doy: number | undefined; firstFrost_doy: number | undefined; coldestNight_c: number };
}

/**
 * Answers: which ordinary year, with which spread, has these frost dates, this coldest night and this summer afternoon?
 * Equation: night temperature is m - a cos(2 pi (d - c)/366); its day-to-day spread follows the yearly range,
 * sd = 0.9 + 0.165 R (R the yearly range of monthly means; a line through the generic patterns). m, a and c are moved
 * until 200 generated years give back the answers (Gauss-Newton on simulated years with common random numbers).
 * The afternoon sets the daily range in the warm season; in the cold season the range is 0.65 of it.
 * Fails with `frost-order` or `site-range` when the answers cannot belong to one place.
 */
const COLD_RANGE_SHARE = 0.65;
const YEARS = 200;
const SEED = 11;
const NEWTON_ROUNDS = 8;
const MOST_TRIES = 120;
/** Strides of the search, °C of mean and swing; the coldest day moves eight days a degree. */
const FIRST_STRIDE = 1.2;
const LAST_STRIDE = 0.03;
const DAYS_PER_STRIDE = 8;
/** Half of what may be missed: a day, half a degree. */
const GOOD_ENOUGH = 0.4;
/** Warmest time of year lags the longest day by about a month. */
const WARM_LAG_D = 30;

interface Shape {
  nightMean_c: number;
  nightSwing_c: number;
  coldest_doy: number;
}

export function siteFromQuestions(q: FourQuestions, patterns: ClimatePattern[]): Result<FittedSite> {
  if (!(Math.abs(q.latitude_deg) <= 66)) return fail('latitude-range', 'latitude', { given: q.latitude_deg });
  if (!(q.summerAfternoon_c > q.coldestNight_c + 4)) return fail('site-range', 'summer afternoon');
  const south = q.latitude_deg < 0;
  const frosty = q.lastFrost_doy !== null && q.firstFrost_doy !== null;
  const warmest = (south ? 355 - 366 : 172) + WARM_LAG_D;
  if (frosty) {
    const free = (q.firstFrost_doy! - q.lastFrost_doy! + YEAR_DAYS) % YEAR_DAYS;
    const middle = (((q.lastFrost_doy! + free / 2 - warmest) % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS;
    if (Math.min(middle, YEAR_DAYS - middle) > 60) return fail('frost-order', 'frost dates');
  }
  const days = frosty
    ? (q.lastFrost_doy! + ((q.firstFrost_doy! - q.lastFrost_doy! + YEAR_DAYS) % YEAR_DAYS) / 2) % YEAR_DAYS
    : warmest;
  let shape: Shape = {
    nightMean_c: (q.coldestNight_c + q.summerAfternoon_c) / 2 - 2,
    nightSwing_c: (q.summerAfternoon_c - q.coldestNight_c) / 4,
    coldest_doy: (days + YEAR_DAYS / 2) % YEAR_DAYS,
  };
  const rain = nearestRain(q, patterns, shape);
  const build = (s: Shape) => siteOf(s, q, rain);
  const chances = frostChances(dailyClimate(build(shape)), YEARS, SEED);
  if (frosty) {
    let best = { shape, off: Infinity };
    const tryOut = (s: Shape): [number, number, number] => {
      const error = miss(build(s), q, chances);
      const off = Math.max(Math.abs(error[0]) / 2, Math.abs(error[1]) / 2, Math.abs(error[2]));
      if (off < best.off) best = { shape: s, off };
      return error;
    };
    for (let round = 0; round < NEWTON_ROUNDS && best.off >= GOOD_ENOUGH; round++)
      shape = step(shape, tryOut(shape), (s) => miss(build(s), q, chances));
    // Where frost is rare the dates jump and slopes mislead: from the best so far, feel the way in ever smaller strides.
    let stride = FIRST_STRIDE;
    for (let left = MOST_TRIES; left > 0 && best.off >= GOOD_ENOUGH && stride > LAST_STRIDE; left -= 10) {
      const from = best;
      for (const s of around(from.shape, stride)) tryOut(s);
      if (best === from) stride /= 2;
    }
    shape = best.shape;
  } else {
    // Without frost dates the afternoon and the coldest night alone set level and swing.
    for (let round = 0; round < 20; round++) {
      const record = frostRecord(dailyClimate(build(shape)), chances);
      shape = {
        ...shape,
        nightSwing_c: Math.max(0.5, shape.nightSwing_c + 0.35 * (record.coldestNight_c - q.coldestNight_c)),
      };
      shape.nightMean_c = q.summerAfternoon_c - 11 - shape.nightSwing_c;
    }
  }
  const site = frosty ? build(shape) : fitSpread(build(shape));
  const gaveBack = frostRecord(dailyClimate(site), chances);
  return ok({ site: { ...site, coldestNight_c: q.coldestNight_c }, rainFrom: rain.name, gaveBack });
}

/** Signed error in days, days and °C: positive when the built site is too late, too late, too warm. */
function miss(site: Site, q: FourQuestions, chances: Chances): [number, number, number] {
  const r = frostRecord(dailyClimate(site), chances);
  const days = (got: number | undefined, want: number, absent: number) => {
    if (got === undefined) return absent;
    const d = (((got - want) % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS;
    return d > YEAR_DAYS / 2 ? d - YEAR_DAYS : d;
  };
  return [
    days(r.lastFrost_doy, q.lastFrost_doy!, -60),
    days(r.firstFrost_doy, q.firstFrost_doy!, 60),
    r.coldestNight_c - q.coldestNight_c,
  ];
}

/** The shapes one stride away in mean, swing, both together, both against each other (the valley runs there), and coldest day. */
const around = (s: Shape, stride: number): Shape[] =>
  [stride, -stride].flatMap((by) => [
    { ...s, nightMean_c: s.nightMean_c + by },
    { ...s, nightSwing_c: Math.max(0.5, s.nightSwing_c + by) },
    { ...s, nightMean_c: s.nightMean_c + by, nightSwing_c: Math.max(0.5, s.nightSwing_c + by) },
    { ...s, nightMean_c: s.nightMean_c - by, nightSwing_c: Math.max(0.5, s.nightSwing_c + by) },
    { ...s, coldest_doy: (s.coldest_doy + by * DAYS_PER_STRIDE + YEAR_DAYS) % YEAR_DAYS },
  ]);

const DAMPING = 0.8;

/** One damped Gauss-Newton step on (mean, swing, coldest day). */
function step(s: Shape, e: [number, number, number], f: (s: Shape) => [number, number, number]): Shape {
  const h = [0.4, 0.4, 3] as const;
  const moved: Shape[] = [
    { ...s, nightMean_c: s.nightMean_c + h[0] },
    { ...s, nightSwing_c: s.nightSwing_c + h[1] },
    { ...s, coldest_doy: s.coldest_doy + h[2] },
  ];
  const j = moved.map((m, i) => f(m).map((v, k) => (v - e[k]!) / h[i]!));
  const [dm, da, dc] = solve3(
    [0, 1, 2].map((k) => [j[0]![k]!, j[1]![k]!, j[2]![k]!]),
    e.map((v) => -v),
  );
  const cap = (v: number, most: number) => (Number.isFinite(v) ? Math.max(-most, Math.min(most, v)) : 0);
  return {
    nightMean_c: s.nightMean_c + cap(dm! * DAMPING, 3),
    nightSwing_c: Math.max(0.5, s.nightSwing_c + cap(da! * DAMPING, 3)),
    coldest_doy: (s.coldest_doy + cap(dc! * DAMPING, 12) + YEAR_DAYS) % YEAR_DAYS,
  };
}

/** Cramer's rule for three unknowns. */
function solve3(a: number[][], b: number[]): number[] {
  const det = (m: number[][]) =>
    m[0]![0]! * (m[1]![1]! * m[2]![2]! - m[1]![2]! * m[2]![1]!) -
    m[0]![1]! * (m[1]![0]! * m[2]![2]! - m[1]![2]! * m[2]![0]!) +
    m[0]![2]! * (m[1]![0]! * m[2]![1]! - m[1]![1]! * m[2]![0]!);
  const d = det(a);
  return [0, 1, 2].map((c) => det(a.map((row, r) => row.map((v, k) => (k === c ? b[r]! : v)))) / d);
}

function siteOf(s: Shape, q: FourQuestions, rain: { rain_mm: number[]; coastal: boolean }): Site {
  const night = (doy: number) =>
    s.nightMean_c - s.nightSwing_c * cos((2 * Math.PI * (doy - s.coldest_doy)) / YEAR_DAYS);
  const tmin_c = Array.from({ length: 12 }, (_, m) => night(30.5 * m + 15));
  const warmNight = Math.max(...tmin_c);
  const warmRange = Math.max(4, Math.min(20, q.summerAfternoon_c - warmNight));
  const low = Math.min(...tmin_c);
  const tmax_c = tmin_c.map((t) => {
    const warmth = (t - low) / Math.max(0.1, warmNight - low);
    return t + warmRange * (COLD_RANGE_SHARE + (1 - COLD_RANGE_SHARE) * warmth);
  });
  const mean = tmin_c.map((t, i) => (t + tmax_c[i]!) / 2);
  const range = Math.max(...mean) - Math.min(...mean);
  return {
    latitude_deg: q.latitude_deg,
    coastal: rain.coastal,
    tmax_c,
    tmin_c,
    rain_mm: rain.rain_mm,
    wetShare: wetShareFrom(rain.rain_mm),
    coldestNight_c: q.coldestNight_c,
    ...spreadFrom(0.9 + 0.165 * range),
  };
}

function nearestRain(q: FourQuestions, patterns: ClimatePattern[], shape: Shape) {
  const south = q.latitude_deg < 0;
  const distance = (p: ClimatePattern) =>
    Math.abs(p.coldestNight_c - q.coldestNight_c) +
    Math.abs(Math.max(...p.tmax_c) - q.summerAfternoon_c) * 1.5 +
    Math.abs(Math.abs(q.latitude_deg) - p.latitude_deg) / 2 +
    Math.abs(shape.nightSwing_c - (Math.max(...p.tmin_c) - Math.min(...p.tmin_c)) / 2) / 2;
  const best = [...patterns].sort((a, b) => distance(a) - distance(b))[0]!;
  return {
    name: best.name,
    coastal: best.coastal,
    rain_mm: south ? shiftHemisphere(best.rain_mm) : best.rain_mm,
  };
}
