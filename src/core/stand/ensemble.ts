import { type Day } from '../calendar/day.ts';
import { type Stream, streamOf } from '../random/stream.ts';
import { dailyClimate } from '../site/daily.ts';
import { type Site } from '../site/site.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type Season, makeSeason } from '../weather/season.ts';
import { type Variation } from './grow.ts';

/** Many plausible seasons at one site over one span of days, shared by every candidate that is tried in it. */
export interface Ensemble {
  fromDay: Day;
  days: number;
  seasons: Season[];
  variations: Variation[];
}

/** Spreads between varieties, seed lots and gardens: standard deviations (log scale, and °C). */
const SPREAD = { stageRate: 0.045, growth: 0.16, emergence: 0.15, hardiness_c: 1 } as const;

export function drawVariation(stream: Stream): Variation {
  return {
    stageRate: Math.exp(SPREAD.stageRate * stream.normal()),
    growth: Math.exp(SPREAD.growth * stream.normal() - SPREAD.growth ** 2 / 2),
    emergence: Math.exp(SPREAD.emergence * stream.normal() - SPREAD.emergence ** 2 / 2),
    hardiness_c: SPREAD.hardiness_c * stream.normal(),
  };
}

/** The middle member: no deviation. For figures held against published means. */
export const NO_VARIATION: Variation = { stageRate: 1, growth: 1, emergence: 1, hardiness_c: 0 };

export function makeEnsemble(
  site: Site,
  fromDay: Day,
  days: number,
  years: number,
  seed: number,
  observed?: ReadonlyMap<Day, ObservedDay>,
): Ensemble {
  const climate = dailyClimate(site);
  const stream = streamOf(seed ^ 0x5eed);
  return {
    fromDay,
    days,
    seasons: Array.from({ length: years }, (_, y) =>
      makeSeason(climate, fromDay, days, seed + y * 7919, observed),
    ),
    variations: Array.from({ length: years }, () => drawVariation(stream)),
  };
}
