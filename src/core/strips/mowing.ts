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
  /** Nitrogen of its young leaves, % of dry matter. */
  leafyPct: number;
}

/**
 * A path of the grasses and herbs that come by themselves. Figures of perennial ryegrass, recalled: it grows from about 4 °C, best at 20; a sward rises about a
 * millimetre a degree-day, to half a metre; mown young it holds 2.5 to 4 % nitrogen.
 */
export const GRASSES: Sward = {
  thermal: { base_c: 4, opt_c: 20, max_c: 32, germMin_c: 4, germOpt_c: 20, emergence_cd: 110 },
  heightFlower_m: 0.5,
  flower_cd: 500,
  leafyPct: 3,
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
  /** Days on which it was mown, in any order. */
  mownOn: Day[];
  /** It comes up first, and then rises. */
  sownOn: Day;
  today: Day;
  beside: Neighbour[];
  /** Measured days up to today, and forecast days after it. */
  observed: MeasuredDay[];
  ahead: MeasuredDay[];
  years: number;
}

/** One mowing of the season as a pass: what stood, and what came off. */
export interface MowingPass {
  on: Day;
  /** Height before it, cm. */
  height_cm: Spread;
  /** What came off: dry matter and the nitrogen in it, g/m2. */
  dm_g_m2: Spread;
  n_g_m2: number;
}

export interface Mowing {
  /** Height today, cm. */
  height_cm: Spread;
  /** Height at which it is mown next, and the neighbour that sets that; undefined where nothing low grows beside it then. */
  limit_cm: number;
  under: string | undefined;
  /** Days of the cuts to come that at least half of the years see: the first is due next. */
  cuts: Spread[];
  /** What a mowing today would take off, g/m2 of dry matter and of the nitrogen in it. */
  now: { dm_g_m2: Spread; n_g_m2: number };
  /** The mowings of the season behind, in the order of their days. */
  passes: MowingPass[];
  /** Height night by night from a day on to today, cm, in the middle year. */
  course: { from: Day; height_cm: number[] };
}

/** The core looks over one growing season ahead, and over one behind: what grew before that is no matter. */
export const SEASON_D = 240;
/** Dry matter between two heights of a mown sward, g on a square metre for each centimetre (1 to 1.5 kg in a cubic metre; recalled). */
const SWARD_G_M2_CM = 12.5;
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

/** What lies between two heights of a sward. */
const between = (from_cm: number, to_cm: number): number => SWARD_G_M2_CM * Math.max(0, from_cm - to_cm);

/**
 * Answers: when does a living path want mowing, and what did its mowings take off? It rises from the cut as straight as the kind does to its height in flower, a
 * degree-day at a time, less in dry ground and dull weather, and is mown when it is half as high as the lowest that grows beside it, never over 20 cm. Each
 * mowing that was done brings it down to its height and takes off what lay between.
 * Worked figures: grasses (4, 20 °C; 50 cm in 500 °C d) on bright moist days of 8 to 16 °C rise 8 x 0.1 = 0.8 cm a day: from 6 to 20 cm in 18 days; mown
 * there, 14 cm x 12.5 = 175 g/m² come off with 3 % of it, 5.3 g/m² of nitrogen.
 * Source: leaves of ryegrass lengthen about in step with warmth (Peacock 1975); half of the neighbour's height is judgement.
 */
export function mowing(input: MowingInput): Mowing {
  const { today, sward, low_cm, beside, sownOn } = input;
  const mown = [...new Set(input.mownOn)].filter((d) => d >= sownOn && d <= today).sort((a, b) => a - b);
  // A sowing comes up in its own time: the path begins at nothing then.
  const start = Math.max(sownOn, today - SEASON_D);
  const fromDay = start - AHEAD_D;
  const known = new Map(
    [...input.ahead, ...input.observed].map(([day, tmin_c, tmax_c, rain_mm]) => [
      day,
      { day, tmin_c, tmax_c, rain_mm, lead_d: day > today ? day - today : undefined } as ObservedDay,
    ]),
  );
  const days = today + SEASON_D - fromDay;
  const { seasons } = makeEnsemble(input.site, fromDay, days, input.years, YEARS_SEED, known);
  const limits = Float64Array.from({ length: days }, (_, d) => limitOn(beside, low_cm, fromDay + d).limit_cm);
  const course = {
    at: start - fromDay,
    todayAt: today - fromDay,
    limits,
    height_cm: mown.some((d) => d <= start) ? low_cm : 0,
    mown: mown.filter((d) => d >= start).map((d) => d - fromDay),
  };
  const years = seasons.map((s) => rise(s, input, course));
  const cuts = cutsAhead(years, fromDay);
  const { limit_cm, under } = limitOn(beside, low_cm, cuts[0]?.mid ?? today);
  const took = (stood_cm: readonly number[]) => {
    const dm_g_m2 = spreadOf(stood_cm.map((cm) => between(cm, low_cm)));
    return { dm_g_m2, n_g_m2: (dm_g_m2.mid * sward.leafyPct) / 100 };
  };
  const heights = (at: number) => years.map((y) => y.heights_cm.at(at)!);
  return {
    height_cm: spreadOf(heights(-1)),
    limit_cm,
    under,
    cuts,
    now: took(heights(-1)),
    passes: course.mown.map((at, k) => {
      const stood_cm = years.map((y) => y.stood_cm[k]!);
      return { on: fromDay + at, height_cm: spreadOf(stood_cm), ...took(stood_cm) };
    }),
    course: {
      from: start,
      height_cm: Array.from({ length: today - start + 1 }, (_, i) => spreadOf(heights(i)).mid),
    },
  };
}

/** Days of the cuts to come that at least half of the years see. */
function cutsAhead(years: readonly Risen[], fromDay: Day): Spread[] {
  const cuts: Spread[] = [];
  for (let k = 0; ; k++) {
    const days_k = years.flatMap((y) => y.cuts.slice(k, k + 1)).map((d) => fromDay + d);
    if (days_k.length * 2 < years.length || days_k.length === 0) return cuts;
    const { low, mid, high } = spreadOf(days_k);
    // Late cuts are seen by warm years alone: a day that is no later than the cut before says nothing.
    if (cuts.length > 0 && Math.round(mid) <= cuts.at(-1)!.mid) return cuts;
    cuts.push({ low: Math.round(low), mid: Math.round(mid), high: Math.round(high) });
  }
}

/** How a path rose in one year, by day indices. */
interface Risen {
  /** Cuts from today on, as they are due. */
  cuts: number[];
  /** Height every night from the start to today, cm. */
  heights_cm: number[];
  /** Height before each of the mowings that were done. */
  stood_cm: number[];
}

interface From {
  /** Day indices on which it begins and of today, and the height at which it begins. */
  at: number;
  todayAt: number;
  height_cm: number;
  /** Height at which it is mown, day by day. */
  limits: Float64Array;
  /** Day indices on which it was mown, in their order. */
  mown: number[];
}

function rise(s: Season, { soil, sward, low_cm }: MowingInput, from: From): Risen {
  const warmth = warmthOf(s, sward.thermal);
  const perDay_cm =
    ((100 * sward.heightFlower_m) / sward.flower_cd) * (sward.thermal.opt_c - sward.thermal.base_c);
  const most_cm = 100 * sward.heightFlower_m;
  const st = startSoil(soil);
  st.intercepted = CATCHES;
  let cm = from.height_cm;
  const out: Risen = { cuts: [], heights_cm: [], stood_cm: [] };
  for (let d = 0; d < s.days; d++) {
    waterDay(st, s, d);
    if (d < from.at) continue;
    if (d === from.mown[out.stood_cm.length]) {
      out.stood_cm.push(cm);
      // Who mows has seen it stand higher than that, whatever the weather lets expect.
      cm = low_cm;
    }
    cm = Math.min(
      most_cm,
      cm + perDay_cm * warmth[d]! * st.stress * Math.min(1, s.radiation_MJ[d]! * PER_BRIGHT),
    );
    if (d <= from.todayAt) out.heights_cm.push(cm);
    // It cannot be mown before today any more; from today on it is mown whenever it is due.
    if (d < from.todayAt || cm < from.limits[d]!) continue;
    out.cuts.push(d);
    cm = low_cm;
  }
  return out;
}
