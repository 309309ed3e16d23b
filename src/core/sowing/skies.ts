import { plantTemperature_c } from '../stand/cold.ts';
import { type Member } from '../stand/species.ts';
import { traitsOf } from '../stand/traits.ts';
import { startSoil, waterDay } from '../soil/day.ts';
import { SEED_ZONE_MM, type Soil } from '../soil/soil.ts';
import { type Season } from '../weather/season.ts';

// What plausible seasons hold for seed and seedlings from a day index on.

/** Seedlings are out of the worst of a frost after this many days. */
const SEEDLING_D = 25;
const JUST_UP_CD = 0;
const FREEZE_WITHIN_D = 28;

/** Nights that freeze and days that thaw within four weeks: what works seed into the ground. */
export function freezeNights(s: Season, at: number): number {
  let nights = 0;
  for (let d = at; d < at + FREEZE_WITHIN_D; d++) if (s.tmin_c[d]! < 0 && s.tmax_c[d]! > 1) nights++;
  return nights;
}

/** Share of years in which a night of the first 25 days falls under what tender seedlings bear. */
export function frostOdds(seasons: Season[], at: number, members: Member[]): number {
  const kinds = members.map((m) => ({ t: traitsOf(m.species), kills_c: m.species.cold.tender_c }));
  const hit = seasons.filter((s) => {
    for (let d = at; d < at + SEEDLING_D; d++)
      for (const { t, kills_c } of kinds)
        if (plantTemperature_c(t, s.tmin_c[d]!, s.tmax_c[d]!, s.snow_cm[d]!, JUST_UP_CD) < kills_c)
          return true;
    return false;
  });
  return hit.length / seasons.length;
}

/** Water in the top 5 cm of bare ground on a day, share of what they hold. */
export function topMoisture(season: Season, soil: Soil, at: number): number {
  const st = startSoil(soil);
  for (let d = 0; d < at; d++) waterDay(st, season, d);
  return st.seedZone_mm / SEED_ZONE_MM;
}

export function sumOver(values: ArrayLike<number>, from: number, days: number): number {
  let sum = 0;
  for (let d = from; d < from + days; d++) sum += values[d]!;
  return sum;
}

export const meanOver = (values: ArrayLike<number>, from: number, days: number): number =>
  sumOver(values, from, days) / days;
