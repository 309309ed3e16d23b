import { type NextCrop, type Handling, waitDays20 } from '../residue/wait.ts';
import { availableNitrogen_g_m2 } from '../residue/nitrogen.ts';
import { BURIED_TIMES, carbonToNitrogen, decayRate } from '../residue/decay.ts';
import { type Course, dryMatterOn, nitrogenOn } from '../stand/course.ts';
import { type Variation } from '../stand/grow.ts';
import { lookUp, type Table, tableOf } from '../units/table.ts';
import { type Season, between, reaches } from '../weather/season.ts';
import { type Plan, type YearEnd } from '../plan/plan.ts';
import { type MethodHere, type MethodParts, leftAlive, takeApart } from './method.ts';
import { FEWEST_SHEET_DAYS, coveringHeat, FILM_NEEDS } from './sheet.ts';
import { exp } from '../units/exact.ts';

/** A stand counts as dead when no more than this share of its plants lives. */
export const DEAD_BELOW = 0.1;
/** Soil must have held the crop's least warmth for this many days. */
const WARM_DAYS = 5;
/** A stand lighter than this leaves nothing to wait for, g/m2. */
const NOTHING_G_M2 = 40;
/** Tops killed by frost lose about a fifth at once by leaching and collapse (0.15-0.30). */
const FROST_KEEPS = 0.8;
/** Ripe stands stand dead about ten days after their first viable seed. */
const RIPENS_D = 10;

export const newYearEnd = (): YearEnd => ({
  deadAt: Infinity,
  readyAt: Infinity,
  plantableAt: Infinity,
  surviving: 1,
  stageAtEnd: 0,
  dm_g_m2: 0,
  n_g_m2: 0,
  nitrogenNext_g_m2: 0,
  residueAtPlanting_g_m2: 0,
});

/** A method made ready for one plan: what does not change from year to year and day to day. */
export interface Ending {
  plan: Plan;
  course: MethodParts;
  /** Days at 20 °C to wait by C:N of what lies there. */
  waits: Table;
}

export function readyEnding(plan: Plan, method: MethodHere): Ending {
  const course = takeApart(method);
  const small = Math.max(...plan.members.map((m) => m.species.smallSeedWait_d * m.share));
  return { plan, course, waits: waitByCn(course.handling, plan.next, small) };
}

const waits = new WeakMap<NextCrop, Map<string, Table>>();

/** The same wait is asked for by every candidate of a gap, so its table is made once. */
function waitByCn(handling: Handling, next: NextCrop, small: number): Table {
  let known = waits.get(next);
  if (!known) waits.set(next, (known = new Map<string, Table>()));
  const key = `${handling} ${small}`;
  let found = known.get(key);
  if (!found) known.set(key, (found = tableOf((cn) => waitDays20(handling, cn, next, small), 8, 60, 104)));
  return found;
}

/**
 * Answers: in this year, begun on this day by this method, when is the stand dead, when is the bed ready, and what lies there?
 * With `whole` false only what decides whether it is in time is worked out: a search over dates needs no more.
 */
export function endStand(
  ending: Ending,
  at: number,
  course: Course,
  season: Season,
  v: Variation,
  out: YearEnd,
  whole = true,
): YearEnd {
  never(out);
  if (at < 0 || at >= season.days) return out;
  const { waits, covering } = ending.course;
  if (waits === 'seed') return byRipening(ending, course, season, out);
  if (waits) return byWeather(ending, course, season, waits, out);
  const { plan } = ending;
  const n = course.members;
  const dm = dryMatterOn(course, at);
  let surviving = 0;
  let plants = 0;
  let stage = 0;
  for (let s = 0; s < n; s++) {
    const member = plan.members[s]!;
    const alive = course.alive[at * n + s]!;
    const stageHere = course.stage[at * n + s]!;
    plants += member.share;
    if (alive <= 0) continue;
    if (stageHere > stage) stage = stageHere;
    surviving +=
      alive * member.share * leftAlive(ending.course.kills, member.species, stageHere, dm, v.killOdds);
  }
  surviving /= plants || 1;
  out.stageAtEnd = stage;
  out.surviving = surviving;
  if (covering) {
    const dead = underCover(ending, at, course, season, v);
    if (Number.isFinite(dead)) out.surviving = Math.min(surviving, UNDER_COVER_LIVES);
    return afterDeath(ending, course, season, at, dead, at, out, whole);
  }
  const dead = surviving <= DEAD_BELOW ? at + ending.course.shows_d : Infinity;
  return afterDeath(ending, course, season, at, dead, at, out, whole);
}

/** What comes through darkness or heat that was long enough: creeping roots and the odd crown. */
const UNDER_COVER_LIVES = 0.02;

/** Day on which enough heat has added up under what was laid, or never when the house rule lifts it first. */
function underCover(ending: Ending, at: number, course: Course, season: Season, v: Variation): number {
  const { plan } = ending;
  const { covering, loweredFirst, cap_d, kills } = ending.course;
  const laid = at + (kills.at(-1)?.after_d ?? 0);
  if (laid >= season.days) return Infinity;
  let hardest = 0;
  const n = course.members;
  for (let s = 0; s < n; s++) {
    if (course.alive[at * n + s]! <= 0.02) continue;
    const sp = plan.members[s]!.species;
    const needs = covering === 'film' ? FILM_NEEDS[sp.ending.sheet] : coveringHeat(sp, covering!);
    if (needs > hardest) hardest = needs;
  }
  if (hardest === 0) return laid;
  const tall = !loweredFirst && course.height_m[at]! > TALL_M ? TALL_EXTRA_D20 : 0;
  const heat = (hardest + tall) * v.coverHeat;
  const dead = Math.max(
    laid + FEWEST_SHEET_DAYS,
    reaches(covering === 'film' ? season.filmHeat : season.sheetHeat, laid, heat),
  );
  return dead - laid > cap_d ? Infinity : dead;
}
const TALL_M = 0.4;
const TALL_EXTRA_D20 = 5;

/** Winterkill and summerkill: the stand is dead on the first day on which no member keeps a tenth of its plants, by that cause. */
function byWeather(
  ending: Ending,
  course: Course,
  season: Season,
  cause: 'frost' | 'heat',
  out: YearEnd,
): YearEnd {
  const { plan } = ending;
  const n = course.members;
  const last = Math.min(plan.plantAt, season.days - 1);
  const atLast = aliveOn(plan, course, last);
  if (atLast > DEAD_BELOW) {
    out.surviving = atLast;
    return out;
  }
  for (let d = plan.sownAt + 20; d <= last; d++) {
    const left = aliveOn(plan, course, d);
    if (left > DEAD_BELOW || !isUp(course, d)) continue;
    if (season.tmin_c[d]! < 2 !== (cause === 'frost')) break;
    // What stood before tells what now lies.
    const stood = Math.max(plan.sownAt, bestBefore(course, d));
    for (let s = 0; s < n; s++) out.stageAtEnd = Math.max(out.stageAtEnd, course.stage[stood * n + s]!);
    out.surviving = left;
    afterDeath(ending, course, season, stood, d, d, out);
    out.residueAtPlanting_g_m2 *= FROST_KEEPS;
    return out;
  }
  out.surviving = atLast;
  return out;
}

/** Let it seed: over when every annual member has ripe seed; kinds that live on never are. */
function byRipening(ending: Ending, course: Course, season: Season, out: YearEnd): YearEnd {
  const { plan } = ending;
  const n = course.members;
  if (plan.members.some((m) => m.species.life === 'perennial' || m.species.life === 'biennial')) return out;
  for (let d = plan.sownAt + 20; d + RIPENS_D < season.days; d++) {
    let ripe = true;
    for (let s = 0; s < n; s++) if (course.stage[d * n + s]! < 5) ripe = false;
    if (!ripe) continue;
    out.surviving = 0;
    out.stageAtEnd = 5;
    return afterDeath(ending, course, season, d, d + RIPENS_D, d, out);
  }
  return out;
}

function aliveOn(plan: Plan, course: Course, d: number): number {
  let left = 0;
  for (let s = 0; s < course.members; s++)
    left += course.alive[d * course.members + s]! * plan.members[s]!.share;
  return left;
}

function isUp(course: Course, d: number): boolean {
  for (let s = 0; s < course.members; s++) if (course.stage[d * course.members + s]! >= 1) return true;
  return false;
}

/** Day of greatest dry matter in the four weeks before `d`. */
function bestBefore(course: Course, d: number): number {
  let best = d;
  for (let k = Math.max(0, d - 28); k <= d; k++)
    if (dryMatterOn(course, k) > dryMatterOn(course, best)) best = k;
  return best;
}

function afterDeath(
  ending: Ending,
  course: Course,
  season: Season,
  at: number,
  deadAt: number,
  liesFrom: number,
  out: YearEnd,
  whole = true,
): YearEnd {
  const { plan } = ending;
  const { handling, stays, decayTimes, manure_g_m2 } = ending.course;
  const stood = dryMatterOn(course, at);
  const held = nitrogenOn(course, at);
  const cn = carbonToNitrogen(stood, held);
  out.deadAt = deadAt;
  out.dm_g_m2 = stood;
  out.n_g_m2 = held;
  if (deadAt < Infinity) {
    const wait = stood < NOTHING_G_M2 ? 2 : lookUp(ending.waits, cn);
    out.readyAt = reaches(season.mellowing, Math.min(deadAt, season.days), wait);
  }
  if (!whole) return out;
  if (out.readyAt < Infinity) out.plantableAt = warmFrom(season, out.readyAt, plan.next.soilMin_c);
  const dm = stood * stays;
  const n = held * stays;
  const until = Math.min(season.days, Math.max(liesFrom, plan.plantAt));
  const rate = decayRate(cn) * decayTimes * (handling === 'buried' ? BURIED_TIMES : 1);
  out.nitrogenNext_g_m2 = availableNitrogen_g_m2(dm, n, handling === 'buried') + manure_g_m2;
  out.residueAtPlanting_g_m2 =
    handling === 'buried' ? 0 : dm * exp(-rate * between(season.decay, liesFrom, until));
  return out;
}

function never(out: YearEnd): void {
  out.deadAt = Infinity;
  out.readyAt = Infinity;
  out.plantableAt = Infinity;
  out.surviving = 1;
  out.stageAtEnd = 0;
  out.dm_g_m2 = 0;
  out.n_g_m2 = 0;
  out.nitrogenNext_g_m2 = 0;
  out.residueAtPlanting_g_m2 = 0;
}

/** First day from `from` on which the last days' soil was warm enough for the crop; a season's answers are worked out once a crop. */
function warmFrom(season: Season, from: number, soilMin_c: number): number {
  let next = season.warmSoil.get(soilMin_c);
  if (!next) {
    next = new Float64Array(season.days + 1).fill(Infinity);
    let run = 0;
    const held = new Uint8Array(season.days);
    for (let d = 0; d < season.days; d++) {
      run = season.soil_c[d]! >= soilMin_c ? run + 1 : 0;
      held[d] = run >= Math.min(WARM_DAYS, d + 1) ? 1 : 0;
    }
    for (let d = season.days - 1; d >= 0; d--) next[d] = held[d] ? d : next[d + 1]!;
    season.warmSoil.set(soilMin_c, next);
  }
  return next[Math.max(0, from)]!;
}
