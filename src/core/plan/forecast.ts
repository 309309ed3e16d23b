import { type Day } from '../calendar/day.ts';
import { type Spread, spreadOf } from '../random/quantile.ts';
import { type LookSeen, effective, weighByLooks } from '../look/weigh.ts';
import { type AimStrands, USUAL_AIMS } from '../aims/aims.ts';
import { type MethodHere } from '../termination/method.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { CROP_LETS_THROUGH } from '../stand/grow.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { type Member } from '../stand/species.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type EndingAnswer, type Plan, type StandAnswer, type WeekAway } from './plan.ts';
import { SHADE_LIGHT, spanOf, YEARS_SEED } from './span.ts';
import { answerEnding, answerEndings, answerLived, pickEnding, weeksAway } from './endings.ts';
import { growLived, type LivedSoFar } from './lived.ts';
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
  /** What the cover was sown for; it decides which way and day are put forward. */
  aims?: AimStrands[];
  looks: LookSeen[];
  /** First day on which the ground was free; the day of sowing when that is not known. */
  freeDay?: Day;
  /** Day on which a crop that stands over the seed is cleared, when it is undersown. */
  cropUntil?: Day;
  shade?: keyof typeof SHADE_LIGHT;
  surface?: Plan['surface'];
  /** Endings are not begun before this day. */
  today: Day;
  /** A method and start the gardener has settled on. */
  settled?: { method: string; startDay: Day };
  /** What was done and seen once the ending had begun. */
  lived?: LivedSoFar;
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
  /** The settled ending, or the best, a week earlier and a week later. */
  weeks: WeekAway[];
  /** How many of the years still have a say after the looks. */
  effectiveYears: number;
  years: number;
}

const GROWTH_STEP_D = 5;
/** A stand is followed for so long at least. */
const SHORTEST_D = 20;

export function forecastCover(input: ForecastInput): Forecast {
  const { sowDay } = input;
  const plantDay = Math.max(sowDay + SHORTEST_D, input.plantDay);
  const undersown = input.cropUntil !== undefined && input.cropUntil > sowDay;
  const freeDay = undersown ? input.cropUntil! : Math.min(sowDay, input.freeDay ?? sowDay);
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
  const span = spanOf(freeDay, plantDay);
  // Seed that went under a crop long before it left begins the span.
  const fromDay = Math.min(span.fromDay, sowDay);
  const ensemble = makeEnsemble(
    input.site,
    fromDay,
    span.days + span.fromDay - fromDay,
    input.years,
    YEARS_SEED,
    observed,
  );
  const sownAt = sowDay - fromDay;
  const freeAt = freeDay - fromDay;
  const plan: Plan = {
    members: input.members,
    seed_g_m2: input.seed_g_m2,
    way: input.way,
    soil: input.soil,
    watered: input.watered,
    light: SHADE_LIGHT[input.shade ?? 'open'],
    surface: input.surface,
    sownAt,
    plantAt: plantDay - fromDay,
    next: input.next,
    freeAt,
    canopy: undersown ? { until: freeAt, lightThrough: CROP_LETS_THROUGH } : undefined,
  };
  const chosen = input.settled && input.methods.find((m) => m.id === input.settled!.method);
  const lived = input.lived && growLived(plan, ensemble, input.lived, input.today, chosen);
  const even = lived ? lived.soFar : growPlan(plan, ensemble);
  const weights = input.looks.length > 0 ? weighByLooks(even, input.looks) : undefined;
  const soFar = { ...even, weights };
  const grown = lived ? { ...lived.onward, weights } : soFar;
  const aims = input.aims && input.aims.length > 0 ? input.aims : USUAL_AIMS;
  // What was seen dead needs no other way.
  const endings =
    input.lived?.deadOn === undefined
      ? answerEndings(soFar, input.methods, Math.max(input.today - fromDay, lived?.after ?? 0), aims)
      : [];
  const usable = input.methods.filter((m) => m.missing.length === 0 && m.proposed !== false);
  const best = pickEnding(
    endings,
    usable.map((m) => m.id),
    aims,
  );
  const settled =
    chosen &&
    (lived
      ? answerLived(grown, chosen, lived.start)
      : answerEnding(grown, chosen, input.settled!.startDay - fromDay));
  const growth = [];
  for (let d = sownAt; d < ensemble.days; d += GROWTH_STEP_D) {
    const of = (f: (c: (typeof grown.courses)[number]) => number) => spreadOf(grown.courses.map(f), weights);
    growth.push({
      day: fromDay + d,
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
  const shown = settled ?? best;
  const method = shown && input.methods.find((m) => m.id === shown.method);
  const stand = answerStand(grown, lived ? undefined : shown);
  return {
    stand: { ...stand, coverByDay: stand.coverByDay.slice(sownAt) },
    endings,
    best,
    settled,
    weeks:
      method && !lived ? weeksAway(grown, method, shown, aims).filter((w) => w.startDay >= input.today) : [],
    growth,
    effectiveYears: weights ? effective(weights) : input.years,
    years: input.years,
  };
}
