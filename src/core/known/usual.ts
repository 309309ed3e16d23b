import { type DayIndex } from '../calendar/day.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { type Season } from '../weather/season.ts';

// A gap's usual year, as means over a few of its plausible ones: how warm, how cold, how long under snow, and when its winter is.

/** Years that the means are taken over. */
const YEARS = 10;
/** Snow this deep keeps frost out and light off, cm. */
const SNOW_CM = 5;
/** Warmth that makes roots is counted over this, °C. */
const GROWS_OVER_C = 3;
/** Seed that is raked in as the year warms wants this much of it in its first month, °C d over 3 °C; in colder ground it rots or is found by mice and slugs. */
export const WAKES_CD = 60;
/** A coldest month milder than this is no winter to a seedling. */
const WINTER_C = 6;
const MONTH_D = 30;
export const WINTER_WITHIN_D = 150;

/** Mean air temperature, chilling and days of snow, means over years, as sums of all days before a day index: what is asked between two days is one difference. */
export interface Usual {
  days: number;
  warmth: Float64Array;
  chill: Float64Array;
  snow: Float64Array;
}

const usuals = new WeakMap<Ensemble, Usual>();

export function usualIn(ensemble: Ensemble): Usual {
  const known = usuals.get(ensemble);
  if (known) return known;
  ensemble.upTo(YEARS);
  const seasons = ensemble.seasons.slice(0, YEARS);
  const { days } = ensemble;
  const sumOf = (of: (s: Season, d: DayIndex) => number) => {
    const sums = new Float64Array(days + 1);
    for (let d = 0; d < days; d++)
      sums[d + 1] = sums[d]! + seasons.reduce((sum, s) => sum + of(s, d), 0) / seasons.length;
    return sums;
  };
  const usual = {
    days,
    warmth: sumOf((s, d) => s.mean_c[d]!),
    chill: sumOf((s, d) => s.chill[d]!),
    snow: sumOf((s, d) => (s.snow_cm[d]! >= SNOW_CM ? 1 : 0)),
  };
  usuals.set(ensemble, usual);
  return usual;
}

/** Days between two day indices that are usually warmer than this on average, °C. */
export function warmerThan({ warmth }: Usual, from: DayIndex, to: DayIndex, limit_c: number): number {
  let days = 0;
  for (let d = from; d < to; d++) if (warmth[d + 1]! - warmth[d]! > limit_c) days++;
  return days;
}

/** As `warmerThan`, for days that are colder. */
export function colderThan({ warmth }: Usual, from: DayIndex, to: DayIndex, limit_c: number): number {
  let days = 0;
  for (let d = from; d < to; d++) if (warmth[d + 1]! - warmth[d]! < limit_c) days++;
  return days;
}

/** Warmth over 3 °C until the coldest month, and in the month after sowing where the year only warms from there; °C d, means over years. */
export interface Winter {
  before_cd: number;
  /** The coldest month begins with the sowing: what follows is spring. */
  warming: boolean;
  firstMonth_cd: number;
  /** Day index on which the coldest month ends. */
  overAt: number;
}

/** The winter between sowing and `until`; undefined where none comes. */
export function winterAhead(usual: Usual, sownAt: DayIndex, until: DayIndex): Winter | undefined {
  const last = Math.min(until, usual.days);
  if (last - sownAt < MONTH_D) return undefined;
  const sums = usual.warmth;
  let [coldest, at] = [Infinity, 0];
  for (let i = 0; sownAt + i + MONTH_D <= last; i++) {
    const sum = sums[sownAt + i + MONTH_D]! - sums[sownAt + i]!;
    if (sum < coldest) [coldest, at] = [sum, i];
  }
  if (coldest / MONTH_D >= WINTER_C) return undefined;
  const warmth = (days: number) => {
    let cd = 0;
    for (let d = sownAt; d < sownAt + days; d++) cd += Math.max(0, sums[d + 1]! - sums[d]! - GROWS_OVER_C);
    return cd;
  };
  return {
    before_cd: warmth(at),
    warming: at < WARMS_WITHIN_D,
    firstMonth_cd: warmth(MONTH_D),
    overAt: sownAt + at + MONTH_D,
  };
}
const WARMS_WITHIN_D = 10;

/**
 * The day, no earlier than `day`, on which ground that winter has left cold has the warmth that wakes seed: `day` itself where none lies cold then.
 * @param until day index past which it is of no use
 */
export function wakesFrom(ensemble: Ensemble, day: DayIndex, until: DayIndex): number {
  let known = wakings.get(ensemble);
  if (!known) wakings.set(ensemble, (known = new Map<string, number>()));
  const asked = `${day} ${until}`;
  const before = known.get(asked);
  if (before !== undefined) return before;
  const usual = usualIn(ensemble);
  let d = day;
  for (; d < until; d++) {
    const winter = winterAhead(usual, d, Math.min(until + MONTH_D, d + WINTER_WITHIN_D));
    if (!winter?.warming || winter.firstMonth_cd >= WAKES_CD) break;
  }
  known.set(asked, d);
  return d;
}
/** A gap's covers ask for the same days. */
const wakings = new WeakMap<Ensemble, Map<string, number>>();
