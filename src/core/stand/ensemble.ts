import { type Day } from '../calendar/day.ts';
import { type Stream, streamOf } from '../random/stream.ts';
import { dailyClimate } from '../site/daily.ts';
import { type Site } from '../site/site.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type Season, dayLengths, makeSeason } from '../weather/season.ts';
import { type Variation } from './variation.ts';
import { exp } from '../units/exact.ts';

/** Many plausible seasons at one site over one span of days, shared by every candidate that is tried in it. */
export interface Ensemble {
  fromDay: Day;
  days: number;
  /** Seasons made so far; one is made when it is first needed, since a search over few years needs few. */
  seasons: Season[];
  /** One a year, for all years. */
  variations: Variation[];
  /** Makes sure that the first `years` seasons are there. */
  upTo(years: number): void;
}

/** Spreads between varieties, seed lots and gardens: standard deviations (log scale, and °C). */
export const SPREAD = { stageRate: 0.045, growth: 0.16, emergence: 0.15, hardiness_c: 1 } as const;

/** Luck in killing goes with hardiness: a degree softer raises the odds of a kill by e^0.25 and lowers the heat needed by e^0.12. */
export const KILL_PER_C = 0.25;
export const HEAT_PER_C = 0.12;

export function drawVariation(stream: Stream): Variation {
  const spread = (sd: number, centred: boolean) => exp(sd * stream.normal() - (centred ? (sd * sd) / 2 : 0));
  const stageRate = spread(SPREAD.stageRate, false);
  const growth = spread(SPREAD.growth, true);
  const emergence = spread(SPREAD.emergence, true);
  const hardiness_c = SPREAD.hardiness_c * stream.normal();
  return {
    stageRate,
    growth,
    emergence,
    hardiness_c,
    killOdds: exp(KILL_PER_C * hardiness_c),
    coverHeat: exp(-HEAT_PER_C * hardiness_c),
  };
}

/** The middle member: no deviation. For figures held against published means. */
export const NO_VARIATION: Variation = {
  stageRate: 1,
  growth: 1,
  emergence: 1,
  hardiness_c: 0,
  killOdds: 1,
  coverHeat: 1,
};

/** All seasons at once. */
export function makeEnsemble(...asked: Parameters<typeof lazyEnsemble>): Ensemble {
  const ensemble = lazyEnsemble(...asked);
  ensemble.upTo(ensemble.variations.length);
  return ensemble;
}

/** Seasons made as they are asked for; year y is the same whatever was asked before. */
export function lazyEnsemble(
  site: Site,
  fromDay: Day,
  days: number,
  years: number,
  seed: number,
  observed?: ReadonlyMap<Day, ObservedDay>,
): Ensemble {
  const climate = dailyClimate(site);
  const stream = streamOf(seed ^ 0x5eed);
  const hours = dayLengths(climate, fromDay, days);
  const seasons: Season[] = [];
  return {
    fromDay,
    days,
    seasons,
    variations: Array.from({ length: years }, () => drawVariation(stream)),
    upTo(wanted) {
      for (let y = seasons.length; y < Math.min(wanted, years); y++)
        seasons.push(makeSeason(climate, fromDay, days, seed + y * 7919, observed, hours));
    },
  };
}
