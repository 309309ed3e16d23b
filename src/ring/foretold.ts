import { type ForecastInput } from '../core/plan/standing.ts';
import { type Forecast, forecastCover } from '../core/forecast/forecast.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import { type Cover } from '../records/types.ts';
import { type Kept } from '../records/verbs/verbs.ts';
import { type Ring } from './garden.tsx';
import { keyOf } from './useForecast.ts';

// For tests of screens: what the core says of a cover of a garden, to hold what is shown against.

/** The question that every screen puts of this cover, and its answer. */
export function foretold(kept: Kept, cover: Cover): { asked: ForecastInput; forecast: Forecast } {
  const ring = { ...kept, today: kept.garden.seasonClock! } as unknown as Ring;
  const asked = JSON.parse(keyOf(ring, cover, PLAUSIBLE_YEARS)) as ForecastInput;
  return { asked, forecast: forecastCover(asked) };
}
