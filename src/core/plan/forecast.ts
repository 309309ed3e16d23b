import { type Day } from '../calendar/day.ts';
import { seedOf } from '../random/stream.ts';
import { type Spread, spreadOf } from '../random/quantile.ts';
import { type LookSeen, effective, weighByLooks } from '../look/weigh.ts';
import { pickEnding } from '../choose/pick.ts';
import { type MethodHere } from '../termination/method.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { CROP_LETS_THROUGH } from '../stand/grow.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { type Member } from '../stand/species.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type EndingAnswer, type StandAnswer } from './plan.ts';
import { answerEnding, answerEndings } from './endings.ts';
import { growPlan } from './grown.ts';
import { answerStand } from './standAnswer.ts';

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
  /** Day on which a crop that stands over the seed is cleared, when it is undersown. */
  cropUntil?: Day;
  /** Endings are not begun before this day. */
  today: Day;
  /** A method and start the gardener has settled on. */
  settled?: { method: string; startDay: Day };
  /** Measured days: day, lowest, highest, rain. */
  observed?: [Day, number, number, number][];
  /** Days forecast from `today` on, in the same form; generated years go on from the last of them. */
  ahead?: [Day, number, number, number][];
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
    [...(input.ahead ?? []), ...(input.observed ?? [])].map(([day, tmin_c, tmax_c, rain_mm]) => [
      day,
      {
        day,
        tmin_c,
        tmax_c,
        rain_mm,
        lead_d: day > input.today ? day - input.today : undefined,
      } as ObservedDay,
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
  const underCrop = Math.max(0, (input.cropUntil ?? input.sowDay) - input.sowDay);
  const plan = {
    members: input.members,
    seed_g_m2: input.seed_g_m2,
    way: input.way,
    soil: input.soil,
    watered: input.watered,
    sownAt: 0,
    plantAt,
    next: input.next,
    freeAt: underCrop,
    canopy: underCrop > 0 ? { until: underCrop, lightThrough: CROP_LETS_THROUGH } : undefined,
  };
  const even = growPlan(plan, ensemble);
  const weights = input.looks.length > 0 ? weighByLooks(even, input.looks) : undefined;
  const grown = { ...even, weights };
  const endings = answerEndings(grown, input.methods, input.today - input.sowDay);
  const usable = new Set(input.methods.filter((m) => m.missing.length === 0).map((m) => m.id));
  const best = pickEnding(endings.filter((e) => usable.has(e.method)));
  const chosen = input.settled && input.methods.find((m) => m.id === input.settled!.method);
  const settled = chosen && answerEnding(grown, chosen, input.settled!.startDay - input.sowDay);
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
