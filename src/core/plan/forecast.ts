import { type Day } from '../calendar/day.ts';
import { seedOf } from '../random/stream.ts';
import { type Spread, spreadOf } from '../random/quantile.ts';
import { type LookSeen, effective, weighByLooks } from '../look/weigh.ts';
import { type MethodHere, pickEnding } from '../choose/choose.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { type Member } from '../stand/species.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type EndingAnswer, type MethodId, type StandAnswer } from './plan.ts';
import { answerEnding, answerEndings, answerStand, growPlan } from './run.ts';

/** A cover that is planned or already stands, and what is known of it. */
export interface ForecastInput {
  site: Site;
  soil: Soil;
  way: SowingWay;
  watered: boolean;
  members: Member[];
  seed_g_m2: number[];
  sowDay: Day;
  plantDay: Day;
  next: NextCrop;
  methods: MethodHere[];
  looks: LookSeen[];
  /** Endings are not begun before this day. */
  today: Day;
  /** A method and start the gardener has settled on. */
  settled?: { method: MethodId; startDay: Day };
  observed?: [Day, number, number, number][];
  years: number;
}

export interface Forecast {
  stand: StandAnswer;
  endings: EndingAnswer[];
  best: EndingAnswer | undefined;
  /** The settled way on its settled day, when one is given. */
  settled: EndingAnswer | undefined;
  /** Every fifth day from sowing: cover, height and dry matter as spreads, for the growth picture. */
  growth: { day: Day; cover: Spread; height_m: Spread; dryMatter_g_m2: Spread; stage: Spread }[];
  /** How many of the years still have a say after the looks. */
  effectiveYears: number;
  years: number;
}

const AFTER_PLANTING_D = 75;
const GROWTH_STEP_D = 5;

export function forecastCover(input: ForecastInput): Forecast {
  const plantAt = Math.max(20, input.plantDay - input.sowDay);
  const observed = new Map(
    (input.observed ?? []).map(([day, tmin_c, tmax_c, rain_mm]) => [
      day,
      { day, tmin_c, tmax_c, rain_mm } as ObservedDay,
    ]),
  );
  const ensemble = makeEnsemble(
    input.site,
    input.sowDay,
    plantAt + AFTER_PLANTING_D,
    input.years,
    seedOf(`sown ${input.sowDay}`),
    observed,
  );
  const plan = {
    members: input.members,
    seed_g_m2: input.seed_g_m2,
    way: input.way,
    soil: input.soil,
    watered: input.watered,
    sownAt: 0,
    plantAt,
    next: input.next,
  };
  const even = growPlan(plan, ensemble);
  const weights = input.looks.length > 0 ? weighByLooks(even, input.looks) : undefined;
  const grown = { ...even, weights };
  const minutes = Object.fromEntries(input.methods.map((m) => [m.id, m.minutesPer100m2]));
  const endings = answerEndings(
    grown,
    input.methods.map((m) => m.id),
    minutes,
    input.today - input.sowDay,
  );
  const usable = new Set(input.methods.filter((m) => m.missing.length === 0).map((m) => m.id));
  const best = pickEnding(endings.filter((e) => usable.has(e.method)));
  const settled =
    input.settled &&
    answerEnding(
      grown,
      input.settled.method,
      input.settled.startDay - input.sowDay,
      minutes[input.settled.method] ?? 0,
    );
  const growth = [];
  for (let d = 0; d < ensemble.days; d += GROWTH_STEP_D) {
    const of = (f: (c: (typeof grown.courses)[number]) => number) => spreadOf(grown.courses.map(f), weights);
    growth.push({
      day: input.sowDay + d,
      cover: of((c) => c.cover[d]!),
      height_m: of((c) => c.height_m[d]!),
      dryMatter_g_m2: of((c) => {
        let sum = 0;
        for (let s = 0; s < c.members; s++) sum += c.dm_g_m2[d * c.members + s]!;
        return sum;
      }),
      stage: of((c) => c.stage[d * c.members]!),
    });
  }
  return {
    stand: answerStand(grown, settled ?? best),
    endings,
    best,
    settled,
    growth,
    effectiveYears: weights ? effective(weights) : input.years,
    years: input.years,
  };
}
