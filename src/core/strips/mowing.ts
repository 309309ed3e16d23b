import { type Day } from '../calendar/day.ts';
import { AHEAD_D, YEARS_SEED } from '../plan/span.ts';
import { spreadOf, type Spread } from '../random/quantile.ts';
import { type Site } from '../site/site.ts';
import { startSoil, waterDay } from '../soil/day.ts';
import { type Soil } from '../soil/soil.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { type Species } from '../stand/species.ts';
import { warmthOf } from '../stand/thermal.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type Season } from '../weather/season.ts';

/** What a path is made of, as far as mowing asks. */
export interface Sward {
  thermal: Species['thermal'];
  /** Height in flower, and the warmth that it takes to get there. */
  heightFlower_m: number;
  flower_cd: number;
}

/**
 * A path of the grasses and herbs that come by themselves. Figures of perennial ryegrass, recalled: it grows from about 4 °C, best at 20; a sward rises about a
 * millimetre a degree-day, to half a metre.
 */
export const GRASSES: Sward = {
  thermal: { base_c: 4, opt_c: 20, max_c: 32, germMin_c: 4, germOpt_c: 20, emergence_cd: 110 },
  heightFlower_m: 0.5,
  flower_cd: 500,
};

/** What grows beside a path: its days, and the height that it reaches, m. */
export interface Neighbour {
  name: string;
  from: Day;
  to: Day;
  height_m: number;
}

/** Day, low °C, high °C, rain mm. */
type MeasuredDay = [Day, number, number, number];

export interface MowingInput {
  site: Site;
  soil: Soil;
  sward: Sward;
  /** Height to which it is mown, cm. */
  low_cm: number;
  /** Last mown; or sown, and then it comes up first. */
  cutOn: Day;
  sownOn: Day;
  today: Day;
  beside: Neighbour[];
  /** Measured days up to today, and forecast days after it. */
  observed: MeasuredDay[];
  ahead: MeasuredDay[];
  years: number;
}

export interface Mowing {
  /** Height today, cm. */
  height_cm: Spread;
  /** Height at which it is mown next, and the neighbour that sets that; undefined where nothing low grows beside it then. */
  limit_cm: number;
  under: string | undefined;
  /** Days of the cuts to come that at least half of the years see: the first is due next. */
  cuts: Spread[];
}

/** The core looks ahead over one growing season. */
const AHEAD_MOST_D = 240;
/** What grew before this is no matter: it stands at its height by then. */
const BACK_MOST_D = 150;
/** Where nothing small grows beside it, a path is walked on and not waded through. */
export const WALKED_CM = 20;
/** A mower cannot take less than this; and a path under half of what grows beside it takes none of its light. */
const LEAST_CUT_CM = 4;
const OF_NEIGHBOUR = 0.5;
/** A young crop has its height after this share of its time. */
const GROWN_AT = 0.6;
/** Under this much sun in a day leaves lengthen less: the dark months of the north, MJ/m² (judgement: in December a lawn at 50° stands nearly still). */
const PER_BRIGHT = 1 / 10;
/** A closed sward. */
const CATCHES = 0.9;

const heightOf_m = (n: Neighbour, day: Day): number =>
  n.height_m * Math.min(1, (day - n.from + 1) / Math.max(1, GROWN_AT * (n.to - n.from)));

/** Height at which a path is mown on a day, cm, and the neighbour that sets it. */
export function limitOn(
  beside: readonly Neighbour[],
  low_cm: number,
  day: Day,
): { limit_cm: number; under?: string } {
  let limit_cm = WALKED_CM;
  let under: string | undefined;
  for (const n of beside) {
    if (day < n.from || day >= n.to) continue;
    const here = OF_NEIGHBOUR * 100 * heightOf_m(n, day);
    if (here < limit_cm) {
      limit_cm = here;
      under = n.name;
    }
  }
  return { limit_cm: Math.max(limit_cm, low_cm + LEAST_CUT_CM), ...(under === undefined ? {} : { under }) };
}

/**
 * Answers: when does a living path want mowing? It rises from the cut as straight as the kind does to its height in flower, a degree-day at a time, less in dry
 * ground and dull weather, and is mown when it is half as high as the lowest that grows beside it, never over 20 cm.
 * Worked figure: grasses (4, 20 °C; 50 cm in 500 °C d) on bright moist days of 8 to 16 °C rise 8 x 0.1 = 0.8 cm a day: from 6 to 20 cm in 18 days.
 * Source: leaves of ryegrass lengthen about in step with warmth (Peacock 1975); half of the neighbour's height is judgement.
 */
export function mowing(input: MowingInput): Mowing {
  const { today, sward, low_cm, beside } = input;
  // A sowing comes up in its own time: the path begins at nothing then.
  const start = Math.max(Math.max(input.cutOn, input.sownOn), today - BACK_MOST_D);
  const fromDay = start - AHEAD_D;
  const known = new Map(
    [...input.ahead, ...input.observed].map(([day, tmin_c, tmax_c, rain_mm]) => [
      day,
      { day, tmin_c, tmax_c, rain_mm, lead_d: day > today ? day - today : undefined } as ObservedDay,
    ]),
  );
  const days = today + AHEAD_MOST_D - fromDay;
  const { seasons } = makeEnsemble(input.site, fromDay, days, input.years, YEARS_SEED, known);
  const limits = Float64Array.from({ length: days }, (_, d) => limitOn(beside, low_cm, fromDay + d).limit_cm);
  const mown = input.cutOn > input.sownOn;
  const years = seasons.map((s) =>
    cutsIn(s, input, { at: start - fromDay, todayAt: today - fromDay, limits, height_cm: mown ? low_cm : 0 }),
  );
  const cuts: Spread[] = [];
  for (let k = 0; ; k++) {
    const days_k = years.flatMap((y) => y.cuts.slice(k, k + 1)).map((d) => fromDay + d);
    if (days_k.length * 2 < years.length || days_k.length === 0) break;
    const { low, mid, high } = spreadOf(days_k);
    // Late cuts are seen by warm years alone: a day that is no later than the cut before says nothing.
    if (cuts.length > 0 && Math.round(mid) <= cuts.at(-1)!.mid) break;
    cuts.push({ low: Math.round(low), mid: Math.round(mid), high: Math.round(high) });
  }
  const { limit_cm, under } = limitOn(beside, low_cm, cuts[0]?.mid ?? today);
  return { height_cm: spreadOf(years.map((y) => y.height_cm)), limit_cm, under, cuts };

  /** One year's cuts from today on, day indices, and its height today. */
  function cutsIn(
    s: Season,
    { soil }: MowingInput,
    from: { at: number; todayAt: number; limits: Float64Array; height_cm: number },
  ): { cuts: number[]; height_cm: number } {
    const warmth = warmthOf(s, sward.thermal);
    const perDay_cm =
      ((100 * sward.heightFlower_m) / sward.flower_cd) * (sward.thermal.opt_c - sward.thermal.base_c);
    const most_cm = 100 * sward.heightFlower_m;
    const st = startSoil(soil);
    st.intercepted = CATCHES;
    let cm = from.height_cm;
    let stood = cm;
    const found: number[] = [];
    for (let d = 0; d < s.days; d++) {
      waterDay(st, s, d);
      if (d < from.at) continue;
      cm = Math.min(
        most_cm,
        cm + perDay_cm * warmth[d]! * st.stress * Math.min(1, s.radiation_MJ[d]! * PER_BRIGHT),
      );
      if (d === from.todayAt) stood = cm;
      // It cannot be mown before today any more; from today on it is mown whenever it is due.
      if (d < from.todayAt || cm < from.limits[d]!) continue;
      found.push(d);
      cm = low_cm;
    }
    return { cuts: found, height_cm: stood };
  }
}
