import { type Day } from '../calendar/day.ts';
import { type LookSeen, weighByLooks } from './weigh.ts';
import { type AimStrands } from '../aims/aims.ts';
import { type MethodHere } from '../termination/method.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { CROP_LETS_THROUGH } from '../stand/input.ts';
import { type Ensemble, makeEnsemble } from '../stand/ensemble.ts';
import { type Member } from '../stand/species.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { asLearnt, type Shift } from '../stand/shift.ts';
import { growLived, type LivedSoFar } from './lived.ts';
import { growPlan, type GrownPlan } from './grown.ts';
import { type Plan } from '../termination/plan.ts';
import { AFTER_PLANTING_D, SHADE_LIGHT, spanOf, YEARS_SEED } from './span.ts';

/** A cover that is planned or already stands, and what is known of it. */
export interface ForecastInput {
  site: Site;
  soil: Soil;
  way: SowingWay;
  watered: boolean;
  /** It is watered through dry weeks as it stands. */
  irrigated?: boolean;
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
  /** Waterings since sowing that were logged, mm by day, where those decide how wet the seed bed was until today. */
  waterings?: [Day, number][];
  /** What was done and seen once the ending had begun. */
  lived?: LivedSoFar;
  /** Measured days: day, lowest, highest, rain. */
  observed?: [Day, number, number, number][];
  /** Days forecast from `today` on, in the same form; generated years go on from the last of them. */
  ahead?: [Day, number, number, number][];
  /** What this garden has shown of the kind, where its gardener lets it move forecasts. */
  learnt?: Shift;
  years: number;
}

/** A cover grown through its plausible years, with what was done to it and seen of it. Days of the arrays count from `fromDay`. */
export interface Standing {
  plan: Plan;
  fromDay: Day;
  /** With what was done and seen so far. */
  soFar: GrownPlan;
  /** With the passes still to come. */
  onward: GrownPlan;
  /** Where the ending has begun: day index of the first pass, and the first day after all that was done and seen. */
  begun?: { start: number; after: number };
}

/** A stand is followed for so long at least. */
const SHORTEST_D = 20;

/** Measured days, and days of a forecast with how far ahead they lie. */
export const observedDays = (
  input: Pick<ForecastInput, 'observed' | 'ahead' | 'today'>,
): Map<Day, ObservedDay> =>
  new Map(
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

/** @param after_d days past planting that are followed */
export const standOf = (input: ForecastInput, after_d = AFTER_PLANTING_D): Standing =>
  stand(input, after_d, undefined);

/** As `standOf`, through years that other covers are grown in as well; they must span it. */
export const standIn = (input: ForecastInput, years: Ensemble): Standing =>
  stand(input, AFTER_PLANTING_D, years);

function stand(input: ForecastInput, after_d: number, shared: Ensemble | undefined): Standing {
  const { sowDay } = input;
  const plantDay = Math.max(sowDay + SHORTEST_D, input.plantDay);
  const undersown = input.cropUntil !== undefined && input.cropUntil > sowDay;
  const freeDay = undersown ? input.cropUntil! : Math.min(sowDay, input.freeDay ?? sowDay);
  const observed = observedDays(input);
  const span = spanOf(freeDay, plantDay);
  // Seed that went under a crop long before it left begins the span.
  const fromDay = shared?.fromDay ?? Math.min(span.fromDay, sowDay);
  const drawn =
    shared ??
    makeEnsemble(
      input.site,
      fromDay,
      span.days + span.fromDay - fromDay + after_d - AFTER_PLANTING_D,
      input.years,
      YEARS_SEED,
      observed,
    );
  const ensemble = asLearnt(drawn, input.learnt);
  const sownAt = sowDay - fromDay;
  const freeAt = freeDay - fromDay;
  const plan: Plan = {
    members: input.members,
    seed_g_m2: input.seed_g_m2,
    way: input.way,
    soil: input.soil,
    watered: input.watered,
    irrigated: input.irrigated,
    logged: input.waterings && {
      until: input.today - fromDay,
      mm: new Map(input.waterings.map(([day, mm]) => [day - fromDay, mm])),
    },
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
  const soFar = lived ? lived.soFar : growPlan(plan, ensemble);
  const weights = input.looks.length > 0 ? weighByLooks(soFar, input.looks) : undefined;
  return {
    plan,
    fromDay,
    soFar: { ...soFar, weights },
    onward: { ...(lived ? lived.onward : soFar), weights },
    begun: lived && { start: lived.start, after: lived.after },
  };
}
