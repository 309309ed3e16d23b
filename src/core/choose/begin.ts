import { type AimStrands } from '../aims/aims.ts';
import { type Day, dayOfYear } from '../calendar/day.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type DailyClimate, dailyClimate, YEAR_DAYS } from '../site/daily.ts';
import { type FrostRecord, frostChances, frostRecord } from '../climate/frost.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { sunOfYear } from '../weather/generate.ts';
import { hargreaves_mm } from '../weather/season.ts';
import { type BedNotes } from '../known/known.ts';

// How a gardener begins at a gap: when the next crop can go in, and what a cover might be asked to do there.

/** What is known of a crop's place in the year. */
export interface CropSeason {
  soilMin_c: number;
  /** Days from planting to harvest. */
  days: [number, number];
  frost: 'tender' | 'half-hardy' | 'hardy';
  /** Weeks from the usual last frost to planting or sowing outside in spring; null for crops that are not planted by it. */
  fromLastFrost_wk: { transplant: number | null; seed: number | null };
}

/** A planting day with what decided it. */
export interface PlantingOffer {
  day: Day;
  why: 'warm-soil' | 'mild-nights' | 'last-frost' | 'autumn' | 'as-soon';
  soil_c: number;
  /** Mean of the nights about then. */
  night_c: number;
  /** Usual last frost of that season, where there is one. */
  lastFrost: Day | undefined;
}

const RECORD_YEARS = 40;
const RECORD_SEED = 7;
/** A cover needs this long to come to anything. */
const LEAST_COVER_D = 42;
const LOOKED_AHEAD_D = 420;
/** Bare ground at seed depth is about this much warmer than the air when it is spring, °C. */
const GROUND_OVER_AIR_C = 1;
/**
 * Nights from which tender crops go out, °C: below them they stand still (judgement, between the 8 and 12 that are taught). Where no frost drives the
 * season there is no hurry, and milder ones are waited for.
 */
const MILD_NIGHT_C = 9;
const MILD_NIGHT_FROST_FREE_C = 10.5;
/** A crop must have this share of its shortest time before the season ends it. */
const LEAST_SEASON = 0.85;
/** Days past the first frost that half-hardy crops still grow, and mean temperature at which hardy ones stop. */
const HALF_HARDY_D = 14;
const STOPS_C = 6;
/** What is planted in autumn goes in when the year has cooled to this. */
const AUTUMN_C = 12.5;
const WEEK = 7;

const records = new WeakMap<Site, { climate: DailyClimate; frost: FrostRecord }>();

function recordOf(site: Site): { climate: DailyClimate; frost: FrostRecord } {
  let known = records.get(site);
  if (!known) {
    const climate = dailyClimate(site);
    const frost = frostRecord(climate, frostChances(climate, RECORD_YEARS, RECORD_SEED));
    records.set(site, (known = { climate, frost }));
  }
  return known;
}

/**
 * Answers: on which day after the bed is free might this crop go in? The first that leaves a cover six weeks, on which the ground has the warmth the
 * crop wants in the ordinary year, frost that would hurt it is past and nights are mild where it is tender, and enough of the season is left for it to bear.
 */
export function offerPlanting(
  site: Site,
  crop: CropSeason,
  way: 'transplant' | 'seed',
  freeDay: Day,
): PlantingOffer | undefined {
  const { climate, frost } = recordOf(site);
  const at = (values: ArrayLike<number>, day: Day) => values[dayOfYear(day) % YEAR_DAYS]!;
  const night = (day: Day) => at(climate.tmin_c, day);
  const air = (day: Day) => (night(day) + at(climate.tmax_c, day)) / 2;
  const soil = (day: Day) => air(day) + GROUND_OVER_AIR_C;
  const weeks = crop.fromLastFrost_wk[way] ?? crop.fromLastFrost_wk.transplant ?? crop.fromLastFrost_wk.seed;
  // What lives for years has only to root before its first winter.
  const needs_d = livesOn(crop) ? ROOTS_D : crop.days[0] * LEAST_SEASON;
  const tender = crop.frost === 'tender';
  const frostFree = frost.lastFrost_doy === undefined;
  const mild_c = frostFree ? MILD_NIGHT_FROST_FREE_C : MILD_NIGHT_C;
  const rising = (day: Day) => air(day) <= air(day + 20);
  const lastFrost = (day: Day) => nearest(frost.lastFrost_doy, day);
  /** The day from which frost is no longer to be feared, in spring. */
  const safeFrom = (day: Day, weeksAfter: number) =>
    Math.max(
      (lastFrost(day) ?? -Infinity) + weeksAfter * WEEK,
      tender ? (nearest(frost.lateFrost_doy, day) ?? -Infinity) : -Infinity,
    );
  /** Nights stay mild until the crop has borne; where frost ends the season, that is counted instead. */
  const staysMild = (day: Day) => {
    for (let d = day; d <= day + (frostFree ? needs_d : 0); d += WEEK) if (night(d) < mild_c) return false;
    return true;
  };
  /** What a day still wants, nothing when the crop may go in. */
  const wants = (day: Day): Exclude<PlantingOffer['why'], 'as-soon'> | 'season' | undefined => {
    if (weeks === null) return air(day) <= AUTUMN_C && air(day) < air(day - 20) ? undefined : 'autumn';
    if (soil(day) < crop.soilMin_c) return 'warm-soil';
    if (tender && !staysMild(day)) return 'mild-nights';
    // In spring the last frost rules; after the warmest day what is left of the season does.
    if (rising(day) && day < safeFrom(day, weeks)) return 'last-frost';
    return seasonLeft(day, crop, frost, air) < needs_d ? 'season' : undefined;
  };
  const first = freeDay + LEAST_COVER_D;
  for (let day = first; day < freeDay + LOOKED_AHEAD_D; day++) {
    if (wants(day) !== undefined) continue;
    const waited = day === first ? 'as-soon' : wants(day - 1)!;
    return {
      day,
      why: waited === 'season' ? 'warm-soil' : waited,
      soil_c: soil(day),
      night_c: night(day),
      lastFrost: weeks !== null && rising(day) ? lastFrost(day) : undefined,
    };
  }
  return undefined;
}

const ROOTS_D = 75;

/** Whether a crop stands for more than a year. */
export const livesOn = ({ days }: { days?: readonly number[] }): boolean => (days?.[1] ?? 0) > YEAR_DAYS;

/** Days from `day` until frost or cold ends this crop in the ordinary year. */
function seasonLeft(day: Day, crop: CropSeason, frost: FrostRecord, air: (day: Day) => number): number {
  if (crop.frost !== 'hardy' && frost.firstFrost_doy !== undefined) {
    const spring = frost.lastFrost_doy === undefined ? Infinity : following(frost.lastFrost_doy, day);
    // Between the first frost and the last: going into the cold there is no season left, going out of it the coming one.
    const inFrost = spring < following(frost.firstFrost_doy, day);
    if (inFrost && air(day) > air(day + 20)) return 0;
    const gone = following(frost.firstFrost_doy, inFrost ? spring : day) - day;
    return gone + (crop.frost === 'half-hardy' ? HALF_HARDY_D : 0);
  }
  // Hardy crops may stand over winter: only one that is planted into the cold has no season.
  if (air(day) >= STOPS_C) {
    for (let d = day; d < day + YEAR_DAYS; d++)
      if (air(d) < STOPS_C) return Math.max(d - day, HARDY_STANDS_D);
    return YEAR_DAYS;
  }
  return air(day + 20) > air(day) ? YEAR_DAYS : 0;
}
const HARDY_STANDS_D = 60;

/** The day of this day of year that lies closest to `day`. */
function nearest(doy: number | undefined, day: Day): Day | undefined {
  if (doy === undefined) return undefined;
  const start = day - dayOfYear(day);
  const options = [start - YEAR_DAYS + 1 + doy, start + doy, start + YEAR_DAYS - 1 + doy];
  return options.reduce((a, b) => (Math.abs(b - day) < Math.abs(a - day) ? b : a));
}

function following(doy: number, day: Day): Day {
  const start = day - dayOfYear(day);
  return start + doy >= day ? start + doy : start + doy + YEAR_DAYS - 1;
}

/** What rain brings over a gap and what a closed cover drinks in it, in the ordinary year, mm. */
export interface Thirst {
  rain_mm: number;
  drinks_mm: number;
  /** Rain alone would let a cover starve here: where there is a hose, gardeners water it as they do a crop. */
  dry: boolean;
}

/** Under this share of its thirst a cover hardly grows on rain alone, in grounds that keep less than a month of it (judgement). */
const DRY_SHARE = 0.25;
/** A gap that asks for less than this is lived through on what the ground holds, mm. */
const GROUND_HOLDS_MM = 120;

export function thirstOf(site: Site, freeDay: Day, plantDay: Day): Thirst {
  const { climate } = recordOf(site);
  const { ra_MJ } = sunOfYear(site.latitude_deg);
  let [rain_mm, drinks_mm] = [0, 0];
  for (let day = freeDay; day < plantDay; day++) {
    const doy = dayOfYear(day) % YEAR_DAYS;
    const [low, high] = [climate.tmin_c[doy]!, climate.tmax_c[doy]!];
    rain_mm += climate.wetShare[doy]! * climate.wetAmount_mm[doy]!;
    drinks_mm += hargreaves_mm((low + high) / 2, high - low, ra_MJ[doy]!);
  }
  return {
    rain_mm,
    drinks_mm,
    dry: drinks_mm - rain_mm > GROUND_HOLDS_MM && rain_mm < DRY_SHARE * drinks_mm,
  };
}

/** An aim that this gap suggests, and why. */
export interface AimOffer extends AimStrands {
  why: 'hungry' | 'winter' | 'small-seed' | 'weedy' | 'long' | 'leftover' | 'dry' | 'short' | 'bare';
}

const HUNGRY_G_M2 = 14;
const SHORT_GAP_D = 80;
const OFFERED = 3;
/** Rain in the cold part of a gap that washes bare ground and takes nitrogen along: about what fills a loam (judgement). */
const WASHES_MM = 100;
const COLD_MONTH_C = 9;

/** What a cover might be asked to do in this gap, from what follows, the bed and the season; at most three. */
export function offerAims(
  site: Site,
  next: NextCrop,
  soil: Soil,
  bed: Pick<BedNotes, 'surface' | 'troubles'>,
  freeDay: Day,
  plantDay: Day,
): AimOffer[] {
  const { climate } = recordOf(site);
  let cold = false;
  let coldRain_mm = 0;
  let dry = 0;
  for (let day = freeDay; day < plantDay; day++) {
    const doy = dayOfYear(day) % YEAR_DAYS;
    const mean = (climate.tmin_c[doy]! + climate.tmax_c[doy]!) / 2;
    const rain = climate.wetShare[doy]! * climate.wetAmount_mm[doy]!;
    if (mean < COLD_MONTH_C) {
      cold = true;
      coldRain_mm += rain;
    }
    if (rain < 1 && mean > 18) dry++;
  }
  const out: AimOffer[] = [];
  const weedy =
    bed.surface !== 'clean' || bed.troubles.some((t) => t === 'annual-weeds' || t === 'running-weeds');
  // Where a crop stands for years nothing can be turned any more.
  const long = livesOn(next);
  if (weedy) out.push({ id: 'smother', strands: 3, why: 'weedy' });
  else if (long) out.push({ id: 'smother', strands: 3, why: 'long' });
  // Rich ground feeds it already.
  const feeds = soil.fertility === 'rich' ? 1 : 3;
  if (next.nitrogenNeed_g_m2 >= HUNGRY_G_M2) out.push({ id: 'feed', strands: feeds, why: 'hungry' });
  if (coldRain_mm >= WASHES_MM) out.push({ id: 'hold', strands: 2, why: 'winter' });
  if (coldRain_mm >= WASHES_MM && soil.fertility === 'rich')
    out.push({ id: 'catch', strands: 2, why: 'leftover' });
  const small = next.way === 'seed' && (next.seedSize === 'tiny' || next.seedSize === 'small');
  if (small && !weedy && !long) out.push({ id: 'smother', strands: 2, why: 'small-seed' });
  if (small) out.push({ id: 'ease', strands: 1, why: 'small-seed' });
  if (dry > SHORT_GAP_D / 2 && next.way === 'transplant') out.push({ id: 'bulk', strands: 2, why: 'dry' });
  if (!cold && plantDay - freeDay <= SHORT_GAP_D && !out.some((a) => a.id === 'smother'))
    out.push({ id: 'smother', strands: 2, why: 'short' });
  return (out.length > 0 ? out : [{ id: 'hold', strands: 2, why: 'bare' as const }]).slice(0, OFFERED);
}
