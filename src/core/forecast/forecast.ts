import { type Day } from '../calendar/day.ts';
import { USUAL_AIMS } from '../aims/aims.ts';
import { hereOf, keptWays } from '../known/ways.ts';
import { effective } from '../plan/weigh.ts';
import { meanOf, shareOf, type Spread, spreadOf } from '../random/quantile.ts';
import { answerEnding, answerEndings, answerLived, pickEnding, weeksAway } from '../plan/endings.ts';
import { type EndingAnswer, type StandAnswer, type WeekAway } from '../plan/answers.ts';
import { type GrownPlan } from '../plan/grown.ts';
import { type GrowthDay, growthDays } from '../plan/growth.ts';
import { type LivedSoFar, nextCutAgain } from '../plan/lived.ts';
import { answerStand } from '../plan/standAnswer.ts';
import { type ForecastInput, standOf } from '../plan/standing.ts';
import { type WaterThrough, waterThrough } from '../watering/through.ts';

export interface Forecast {
  stand: StandAnswer;
  endings: EndingAnswer[];
  best: EndingAnswer | undefined;
  /** The settled way on its settled day, when one is given. */
  settled: EndingAnswer | undefined;
  /** Every fifth day from sowing, for the growth picture. */
  growth: GrowthDay[];
  /** The settled ending, or the best, a week earlier and a week later. */
  weeks: WeekAway[];
  /** What lies on it now: since when, and of the heat that kills under it (days at 20 °C, under film bright days at 32 °C) how much came and is needed. */
  under?: { since: Day; film: boolean; soFar: number; needs: Spread };
  /** Where it is watered through dry weeks and stands untouched: when next, and how often. */
  waters?: WaterThrough;
  /** Share of years in which the next cut of a stand that was cut before is needed. */
  cutAgain?: number;
  /** How many of the years still have a say after the looks. */
  effectiveYears: number;
  years: number;
}

export function forecastCover(input: ForecastInput): Forecast {
  const { plan, fromDay, soFar, onward, begun } = standOf(input);
  const { weights } = onward;
  const { sownAt } = plan;
  const chosen = input.settled && input.methods.find((m) => m.id === input.settled!.method);
  const aims = input.aims && input.aims.length > 0 ? input.aims : USUAL_AIMS;
  // What was seen dead needs no other way.
  const endings =
    input.lived?.deadOn === undefined
      ? keptWays(
          soFar,
          answerEndings(soFar, input.methods, Math.max(input.today - fromDay, begun?.after ?? 0), aims),
          input.methods,
          hereOf(input),
        )
      : [];
  const usable = input.methods.filter((m) => m.missing.length === 0 && m.proposed !== false);
  const best = pickEnding(
    endings,
    usable.map((m) => m.id),
    aims,
  );
  const settled =
    chosen &&
    (begun
      ? answerLived(onward, chosen, begun.start)
      : {
          ...answerEnding(onward, chosen, input.settled!.startDay - fromDay),
          // It stands beside the other ways as they are held against each other.
          keeps: endings.find((e) => e.method === chosen.id)?.keeps ?? 1,
        });
  const shown = settled ?? best;
  const method = shown && input.methods.find((m) => m.id === shown.method);
  const stand = answerStand(onward, begun ? undefined : shown);
  return {
    stand: { ...stand, coverByDay: stand.coverByDay.slice(sownAt) },
    endings,
    best,
    settled,
    weeks:
      method && !begun ? weeksAway(onward, method, shown, aims).filter((w) => w.startDay >= input.today) : [],
    growth: growthDays(onward),
    ...(input.lived
      ? {
          under: underNow(onward, fromDay, input.today),
          cutAgain: cutAgain(onward, input.lived, input.today - fromDay),
        }
      : {}),
    ...(input.irrigated && !begun
      ? { waters: waterThrough(onward, input.today, shown ? shown.startDay : fromDay + plan.plantAt) }
      : {}),
    effectiveYears: weights ? effective(weights) : input.years,
    years: input.years,
  };
}

/** The covering that lies on the bed today and the heat under it; middles over years, since what was measured is the same in all. */
function underNow({ courses, ensemble, weights }: GrownPlan, fromDay: Day, today: Day): Forecast['under'] {
  const now = today - fromDay;
  const last = courses[0]!.covered.at(-1);
  if (!last || last[0] > now || last[1] <= now) return undefined;
  const heats = courses.map((c) => c.coverHeat.find((h) => h.day === last[0]));
  if (heats.some((h) => !h)) return undefined;
  const film = heats[0]!.film;
  const gathered = ensemble.seasons.map((s) => {
    const sum = film ? s.filmHeat : s.sheetHeat;
    return sum[Math.min(now, s.days)]! - sum[last[0]]!;
  });
  return {
    since: fromDay + last[0],
    film,
    soFar: meanOf(gathered, weights),
    needs: spreadOf(
      heats.map((h) => h!.needs),
      weights,
    ),
  };
}

function cutAgain({ courses, weights }: GrownPlan, lived: LivedSoFar, now: number): number | undefined {
  const next = nextCutAgain(lived);
  if (!next) return undefined;
  return shareOf(
    courses.length,
    (y) => courses[y]!.deeds.some((k) => k.kind === next.kind && k.day >= now),
    weights,
  );
}
