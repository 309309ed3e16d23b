import { type Day } from '../calendar/day.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type ForecastInput, standOf } from '../plan/standing.ts';
import { quantile, type Spread, spreadOf } from '../random/quantile.ts';
import { takeApart } from '../termination/method.ts';
import { answerOf, endsOf, oddsOf } from './ends.ts';
import { type Feeding, feedingOf } from './feeding.ts';
import { liesOn } from './lying.ts';
import { type OtherCrops, type Remedy, remediesFor } from './remedies.ts';
import { type Strands, strandsOf } from './strands.ts';
import { type Uptake } from './uptake.ts';

/** A cover, how it is ended, and the crop after it. */
export interface PlantBackInput extends OtherCrops {
  /** The question of the forecast, so that both stand on the same years. */
  forecast: ForecastInput;
  /** The way of ending that counts, and the day it begins. */
  ending: { method: string; startDay: Day };
  uptake: Uptake;
}

export interface PlantBack extends Strands {
  ending: EndingAnswer;
  /** Ready and warm enough. */
  ready: Spread;
  readyMostly: Day;
  /** Odds of being ready and warm enough on planting day. */
  odds: number;
  feeding: Feeding;
  /** What lies on planting day, g/m2 and share of ground covered; and the day on which the mulch shows gaps. */
  lies_g_m2: Spread;
  covers: Spread;
  gapsOn: Spread;
  /** How much cooler the ground is under it than bare ground, °C. */
  cooler_c: Spread;
  /** Day on which weeds ask for the first hoeing, where the crop does not shade them yet: through what lies, and on ground raked bare on planting day. */
  weeds: { through: Spread; bare: Spread };
  remedies: Remedy[];
}

/** The crop is followed for so long past planting. */
export const FOLLOWED_D = 120;

/** Answers: when can this crop, planted this way, go into the bed, what holds it back, what does it find there, and what would bring it forward? */
export function plantBack(input: PlantBackInput): PlantBack {
  const { forecast, ending, uptake } = input;
  const standing = standOf(forecast, Math.max(FOLLOWED_D, uptake.end_d + 1));
  const { plan, fromDay, onward } = standing;
  const { weights } = onward;
  const method = forecast.methods.find((m) => m.id === ending.method)!;
  const start = ending.startDay - fromDay;
  const ends = endsOf(standing, method, start, plan.next);
  const parts = takeApart(method);
  const lying = ends.map((e, y) => liesOn(standing, y, e, parts));
  const of = (f: (y: number) => number) =>
    spreadOf(
      ends.map((_, y) => f(y)),
      weights,
    );
  const plantable = ends.map((e) => fromDay + e.plantableAt);
  const feeding = feedingOf(standing, ends, parts, uptake, plan.next.fixesShare);
  return {
    ending: answerOf(standing, method, start),
    ...strandsOf(standing, ends, parts, feeding.backAt),
    ready: spreadOf(plantable, weights),
    readyMostly: quantile(plantable, 0.8, weights),
    odds: oddsOf(standing, ends),
    feeding,
    lies_g_m2: of((y) => lying[y]!.mass_g_m2),
    covers: of((y) => lying[y]!.cover),
    gapsOn: of((y) => fromDay + lying[y]!.gapsAt),
    cooler_c: of((y) => lying[y]!.cooler_c),
    weeds: {
      through: of((y) => fromDay + lying[y]!.weedsAt),
      bare: of((y) => fromDay + lying[y]!.weedsBareAt),
    },
    remedies: remediesFor(input, standing, method, start, ends),
  };
}
