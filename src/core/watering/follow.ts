import { type Day } from '../calendar/day.ts';
import { type ForecastInput, observedDays } from '../plan/standing.ts';
import { AHEAD_D, YEARS_SEED } from '../plan/span.ts';
import { quantile, shareOf } from '../random/quantile.ts';
import { startSoil, waterDay } from '../soil/day.ts';
import { SEED_ZONE_MM, TOP_MM } from '../soil/soil.ts';
import { makeEnsemble } from '../stand/ensemble.ts';

/** Does the seed bed want water today? */
export interface WaterToday {
  /** Share of the water it can hold that is in the seed bed tonight, middle of the years; where seed lies on top, in the top centimetre. */
  wet: number;
  verdict: 'water' | 'rain-comes' | 'look-tomorrow';
  /** Depth that brings the seed bed back to full, whole millimetres. */
  mm: number;
  /** Rain expected today and tomorrow, mm: the forecast where there is one, else the middle of the years. */
  rainAhead_mm: number;
  /** Odds that it gets through tomorrow without drying too far. */
  holds: number;
}

/** Under this share of its water a seed bed checks seed that has begun to swell. */
const DRY_BELOW = 0.5;
/** Rain that saves a watering, mm. */
const ENOUGH_RAIN_MM = 4;
/** Less than this is not worth unrolling the hose; more floats seed. */
const LEAST_MM = 4;
const MOST_MM = 12;
/** A few years tell a water balance of weeks. */
const YEARS = 60;

/**
 * Answers: how wet is the seed bed after what rained, dried and was watered, and what is to be done today?
 * The soil's own balance (see soil/day.ts) on bare ground from before the sowing to tomorrow: measured days, then the forecast, then plausible ones. Recorded rain
 * takes a watering off by itself.
 */
export function waterToday(input: ForecastInput): WaterToday {
  const { sowDay, today } = input;
  const fromDay: Day = sowDay - AHEAD_D;
  const last = today - fromDay;
  const ensemble = makeEnsemble(
    input.site,
    fromDay,
    last + 3,
    Math.min(YEARS, input.years),
    YEARS_SEED,
    observedDays(input),
  );
  const watered = new Map((input.waterings ?? []).map(([day, mm]) => [day - fromDay, mm]));
  const onTop = input.way.onTop === true;
  const full = onTop ? TOP_MM : SEED_ZONE_MM;
  const years = ensemble.seasons.map((season) => {
    const st = startSoil(input.soil);
    const held = () => (onTop ? st.top_mm : st.seedZone_mm) / full;
    let now = 1;
    for (let d = 0; d <= last + 1; d++) {
      st.watering_mm = d <= last ? (watered.get(d) ?? 0) : 0;
      waterDay(st, season, d);
      if (d === last) now = held();
    }
    return { now, next: held(), rain_mm: season.rain_mm[last]! + season.rain_mm[last + 1]! };
  });
  const wet = quantile(
    years.map((y) => y.now),
    0.5,
  );
  const rainAhead_mm = quantile(
    years.map((y) => y.rain_mm),
    0.5,
  );
  const holds = shareOf(years.length, (y) => years[y]!.next >= DRY_BELOW);
  const verdict =
    wet >= DRY_BELOW ? 'look-tomorrow' : rainAhead_mm >= ENOUGH_RAIN_MM ? 'rain-comes' : 'water';
  const lack = Math.ceil((1 - wet) * SEED_ZONE_MM);
  return { wet, verdict, mm: Math.max(LEAST_MM, Math.min(MOST_MM, lack)), rainAhead_mm, holds };
}
