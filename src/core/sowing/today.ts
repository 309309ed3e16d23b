import { type Day } from '../calendar/day.ts';
import { standOdds } from '../plan/standAnswer.ts';
import { growPlan } from '../plan/grown.ts';
import { quantile } from '../random/quantile.ts';
import { AHEAD_D, YEARS_SEED } from '../plan/span.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { CROP_LETS_THROUGH } from '../stand/input.ts';
import { type Member } from '../stand/species.ts';
import { type ObservedDay } from '../weather/generate.ts';
import { type Season } from '../weather/season.ts';
import { freezeNights, frostOdds, meanOver, sumOver, topMoisture } from './skies.ts';

/** Whether to sow this seed on this bed today, and what is known of the weather. */
export interface SowTodayInput {
  site: Site;
  soil: Soil;
  way: SowingWay;
  /** Raking in, asked for where seed left on top does not do. */
  raked?: SowingWay;
  members: Member[];
  /** Viable seed to be sown, g/m². */
  seed_g_m2: number[];
  /** The gardener has water and will use it. */
  watered: boolean;
  /** The standing cover is watered through dry weeks. */
  irrigated?: boolean;
  today: Day;
  /** Day by which the stand must have shown what it can. */
  plantDay: Day;
  next: NextCrop;
  /** Day on which a crop over the seed leaves, when it is undersown. */
  cropUntil?: Day;
  /** Measured days up to today, and forecast days after it. */
  observed: [Day, number, number, number][];
  ahead: [Day, number, number, number][];
  years: number;
}

export type SowVerdict =
  | { code: 'sow' }
  | { code: 'water-first'; mm: number }
  | { code: 'wait'; until: Day; why: 'rain' | 'warmth' | 'heat' | 'drain' | 'frost' | 'shade' | 'season' }
  | { code: 'hold'; why: 'drought' | 'frost' | 'cold' | 'thawed' }
  /** Left on top it fails; raked in, a stand still comes in so many years. */
  | { code: 'rake-in'; odds: number }
  | { code: 'too-late' };

export interface SowToday {
  verdict: SowVerdict;
  /** Mean of the seed zone over today and the next four days, °C, middle year; and the least that this seed needs. */
  soil_c: number;
  needs_c: number;
  needsSpecies: string;
  /** Water in the top 5 cm, share of what they hold, today. */
  moisture: number;
  rainNext7_mm: number;
  hottestNext10_c: number;
  /** Odds that a night in the first 25 days kills seedlings of the most tender member, and which that is. */
  frostOdds: number;
  tenderSpecies: string;
  /** Nights of the next four weeks that freeze before a day that thaws, middle year: what works frost-sown seed in. */
  freezeNights: number;
  /** Odds of a stand when sown today, and when sown 7 days from now. */
  stand: number;
  standInWeek: number;
  /**
   * Last day on which a stand comes in eight years of ten, in six, and in three; undefined when not even today. Where every day that leaves the
   * cover its time does, it is the last of those and `asLongAs` says so: the gap ends it, not the season.
   */
  goodUntil: Day | undefined;
  worksUntil: Day | undefined;
  lastUntil: Day | undefined;
  asLongAs: boolean;
  /** First of the later days tried on which it works, when it does not work today. */
  opensOn: Day | undefined;
  /** How much of the answer rests on a forecast. */
  forecastDays: number;
}

/** Weather before today that sets how wet the ground is now. */
const BEFORE_D = AHEAD_D;
const LOOK_AHEAD_D = 10;
/** A stand is looked for within this many days of sowing, or until planting day where that is later. */
const STAND_WITHIN_D = 80;
const LONGEST_D = 260;
const TRY_LATER_D = [0, 7, 14, 21, 28, 42, 56, 77, 98];
const LEAST_GROWTH_D = 42;
/** The weather is simulated so far past today. */
const LONGEST_LOOK_D = 98;
const GOOD = 0.8;
const WORKS = 0.6;
/** Fewer years than this bring a stand: too late. */
const LAST_HOPE = 0.3;
const LATER_YEARS = 30;
const FROST_ODDS_MOST = 0.5;
/** Nobody waits longer than this for a better day of the same season. */
const LATEST_WAIT_D = 84;
const FREEZE_NIGHTS_LEAST = 5;
/** A week that raises the odds of a stand by this much is worth waiting for. */
const WORTH_A_WEEK = 0.15;
/** Dry top: under this share seed hardly swells. */
const DRY = 0.35;
const WET_RAIN_MM = 35;
const SOAK_MM = 12;
const ENOUGH_RAIN_MM = 8;
const HOT_C = 33;

/**
 * Answers: is today a good day to sow, and until when does it still work?
 * The ensemble goes on from measured days and the forecast where there are any. Marks: seed-bed temperature against what the slowest
 * member needs; top 5 cm under 0.35 of what they hold is dry; under 8 mm of rain in a week does not make up for it; 33 °C on dry
 * ground kills swelling seed; over 35 mm in three days washes it into drifts; half the years with a killing frost are too many. The
 * last day is the last whose sowing makes half-closed ground in six years of ten.
 * Sources: Tribouillois 2016, Wilson 2013 and Fisher 2011 for moisture and rain after sowing; frost marks from the catalogue.
 */
export function sowToday(input: SowTodayInput): SowToday {
  const { today, members } = input;
  const fromDay = today - BEFORE_D;
  const until = Math.min(LONGEST_D, Math.max(STAND_WITHIN_D, input.plantDay - today));
  const known = new Map(
    [...input.ahead, ...input.observed].map(([day, tmin_c, tmax_c, rain_mm]) => [
      day,
      { day, tmin_c, tmax_c, rain_mm, lead_d: day > today ? day - today : undefined } as ObservedDay,
    ]),
  );
  const last = TRY_LATER_D.at(-1)!;
  const ensemble = makeEnsemble(
    input.site,
    fromDay,
    BEFORE_D + Math.max(until, last + STAND_WITHIN_D),
    input.years,
    YEARS_SEED,
    known,
  );
  const { seasons } = ensemble;
  const at = BEFORE_D;
  const middle = (of: (s: Season) => number) => quantile(seasons.map(of), 0.5);
  const odds = (d: number, years: number, way = input.way) => {
    const sownAt = at + d;
    const shade = input.cropUntil === undefined ? 0 : Math.max(0, input.cropUntil - today - d);
    const grown = growPlan(
      {
        members,
        seed_g_m2: input.seed_g_m2,
        way,
        soil: input.soil,
        watered: input.watered,
        irrigated: input.irrigated,
        sownAt,
        plantAt: at + until,
        next: input.next,
        growUntil: Math.min(ensemble.days, Math.max(sownAt + STAND_WITHIN_D, at + until)),
        canopy: shade > 0 ? { until: sownAt + shade, lightThrough: CROP_LETS_THROUGH } : undefined,
      },
      ensemble,
      Math.min(years, input.years),
    );
    return standOdds(grown);
  };
  const slow = members.reduce((a, b) => (b.species.thermal.germMin_c > a.species.thermal.germMin_c ? b : a));
  const tender = members.reduce((a, b) => (b.species.cold.tender_c > a.species.cold.tender_c ? b : a));
  const warmOn = (d: number) => middle((s) => meanOver(s.soil_c, at + d, 5));
  const facts = {
    soil_c: warmOn(0),
    needs_c: slow.species.thermal.germMin_c,
    needsSpecies: slow.species.id,
    moisture: middle((s) => topMoisture(s, input.soil, at)),
    rainNext7_mm: middle((s) => sumOver(s.rain_mm, at, 7)),
    hottestNext10_c: middle((s) => Math.max(...s.tmax_c.subarray(at, at + LOOK_AHEAD_D))),
    frostOdds: frostOdds(seasons, at, members),
    tenderSpecies: tender.species.id,
    freezeNights: middle((s) => freezeNights(s, at)),
    forecastDays: input.ahead.length,
  };
  const latest = input.plantDay - LEAST_GROWTH_D - today;
  const worked = new Map<number, number>();
  const oddsOn = (d: number): number => {
    let found = worked.get(d);
    if (found === undefined) worked.set(d, (found = odds(d, d === 0 ? input.years : LATER_YEARS)));
    return found;
  };
  const days = TRY_LATER_D.filter((d) => d === 0 || d <= latest);
  if (latest > 0 && latest < LONGEST_LOOK_D && !days.includes(latest)) days.push(latest);
  const tries = days.map((d) => ({ d, odds: oddsOn(d) }));
  const lastOver = (least: number) => {
    // The run of days from today on; a good day after bad ones belongs to another season.
    const fails = tries.findIndex((t) => t.odds < least);
    if (fails === 0) return undefined;
    let holds = fails < 0 ? tries.at(-1)!.d : tries[fails - 1]!.d;
    if (fails < 0) return today + holds;
    // Between the last that holds and the first that fails, to the day or two.
    let beyond = tries[fails]!.d;
    while (beyond - holds > 2) {
      const mid = (holds + beyond) >> 1;
      if (oddsOn(mid) >= least) holds = mid;
      else beyond = mid;
    }
    return today + holds;
  };
  const answer = {
    ...facts,
    stand: oddsOn(0),
    standInWeek: tries[1]?.odds ?? 0,
    goodUntil: lastOver(GOOD),
    worksUntil: lastOver(WORKS),
    lastUntil: lastOver(LAST_HOPE),
    asLongAs: tries.every((t) => t.odds >= WORKS),
    opensOn: tries[0]!.odds >= WORKS ? undefined : openDay(tries, today),
  };
  const verdict = verdictOn(answer, input, seasons, at, warmOn, tries);
  const late = verdict.code === 'too-late' || (verdict.code === 'hold' && verdict.why === 'drought');
  if (late && input.raked && input.way.onTop) {
    const raked = odds(0, input.years, input.raked);
    if (raked >= WORKS) return { ...answer, verdict: { code: 'rake-in', odds: raked } };
  }
  return { ...answer, verdict };
}

function openDay(tries: { d: number; odds: number }[], today: Day): Day | undefined {
  const first = tries.find((t) => t.odds >= WORKS);
  return first && today + first.d;
}

function verdictOn(
  a: Omit<SowToday, 'verdict'>,
  input: SowTodayInput,
  seasons: Season[],
  at: number,
  warmOn: (d: number) => number,
  tries: { d: number; odds: number }[],
): SowVerdict {
  const { today } = input;
  const later = tries.find((t) => t.d > 0 && t.odds >= WORKS);
  if (input.way.hold === 'frost')
    return a.freezeNights < FREEZE_NIGHTS_LEAST
      ? { code: 'hold', why: 'thawed' }
      : a.stand >= WORKS || later
        ? { code: 'sow' }
        : { code: 'too-late' };
  if (a.stand < WORKS && !later) return { code: 'too-late' };
  if (a.frostOdds > FROST_ODDS_MOST) {
    // The first day from which most years are past their killing frosts, if a stand still comes of sowing then.
    for (let d = 3; d <= LATEST_WAIT_D; d += 3)
      if (
        frostOdds(seasons, at + d, input.members) <= FROST_ODDS_MOST &&
        tries.some((t) => t.d >= d - 6 && t.odds >= WORKS)
      )
        return { code: 'wait', until: today + d, why: 'frost' };
    return { code: 'hold', why: 'frost' };
  }
  if (a.soil_c < a.needs_c) {
    for (let d = 3; d <= LATEST_WAIT_D; d += 3)
      if (warmOn(d) >= a.needs_c) return { code: 'wait', until: today + d, why: 'warmth' };
    return { code: 'hold', why: 'cold' };
  }
  /** Rain of three days, middle year. */
  const wet = (d: number) =>
    quantile(
      seasons.map((s) => sumOver(s.rain_mm, at + d, 3)),
      0.5,
    );
  if (wet(0) > WET_RAIN_MM)
    for (let d = 1; d <= LOOK_AHEAD_D; d++)
      if (wet(d) <= WET_RAIN_MM / 2) return { code: 'wait', until: today + d + 1, why: 'drain' };
  const dry = a.moisture < DRY && a.rainNext7_mm < ENOUGH_RAIN_MM;
  if (dry && !input.watered) {
    if (a.forecastDays > 0)
      for (let d = 1; d <= LOOK_AHEAD_D; d++)
        if (wet(d) >= ENOUGH_RAIN_MM) return { code: 'wait', until: today + d, why: 'rain' };
    return { code: 'hold', why: 'drought' };
  }
  if (dry && a.hottestNext10_c >= HOT_C) {
    for (let d = 1; d <= LOOK_AHEAD_D; d++)
      if (
        quantile(
          seasons.map((s) => Math.max(...s.tmax_c.subarray(at + d, at + d + 3))),
          0.5,
        ) <
        HOT_C - 2
      )
        return { code: 'wait', until: today + d, why: 'heat' };
    if (a.standInWeek > a.stand + WORTH_A_WEEK) return { code: 'wait', until: today + 7, why: 'heat' };
  }
  if (dry) return { code: 'water-first', mm: SOAK_MM };
  // Warm and moist enough, and still too few years bring a stand: a crop above takes the light, or the season is not there yet.
  if (a.stand < WORKS && later)
    return {
      code: 'wait',
      until: today + later.d,
      why: (input.cropUntil ?? today) > today ? 'shade' : 'season',
    };
  return { code: 'sow' };
}
