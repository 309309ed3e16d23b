import { type DayIndex } from '../calendar/day.ts';
import { type NextCrop, type Handling, waitDays20 } from '../residue/wait.ts';
import { carbonToNitrogen } from '../residue/decay.ts';
import { type Course, dryMatterOn, nitrogenOn } from '../stand/course.ts';
import { type Variation } from '../stand/variation.ts';
import { higher } from '../units/bounds.ts';
import { never } from './yearEnd.ts';
import { lookUp, type Table, tableOf } from '../units/table.ts';
import { type Season, reaches } from '../weather/season.ts';
import { type Plan, type YearEnd } from './plan.ts';
import { diesRipe } from './kill.ts';
import { GROWN_G_M2, type KillTables, killTables, leftAlive, leftOf } from './left.ts';
import { type MethodHere, type MethodParts, takeApart } from './method.ts';
import { deadUnder, heatNeeded } from './sheet.ts';
import { coolerUnder, warmFrom } from './warm.ts';
import { diggingDay, dries, UNDRIED_LIVES } from './workable.ts';

/** A member counts as dead when no more than this share of its plants lives; a stand when its worst member does. */
export const DEAD_BELOW = 0.1;
/** A stand lighter than this leaves nothing to wait for, g/m2. */
const NOTHING_G_M2 = 40;
/** Ripe stands stand dead about ten days after their first viable seed. */
const RIPENS_D = 10;
/** A method made ready for one plan: what does not change from year to year and day to day. */
export interface Ending {
  plan: Plan;
  course: MethodParts;
  /** Days at 20 °C to wait by C:N of what lies there; and where frost or heat had killed the stand before any hand did. */
  waits: Table;
  waitsDead: Table;
  /** What was laid still lies on the ground when the crop goes in, and keeps it cool. */
  liesOnTop: boolean;
  /** False when this crop cannot go in this way. */
  fits: boolean;
  /** What its passes kill of each member. */
  kills: KillTables[];
}

const LIES_ON_TOP = new Set<Handling>(['surface', 'sheet', 'winterkilled']);

export function readyEnding(plan: Plan, method: MethodHere): Ending {
  const course = takeApart(method);
  const small = Math.max(...plan.members.map((m) => m.species.smallSeedWait_d * m.share));
  const dead = course.handling === 'surface' ? 'winterkilled' : course.handling;
  return {
    plan,
    course,
    waits: waitByCn(course.handling, plan.next, small),
    waitsDead: waitByCn(dead, plan.next, small),
    kills: plan.members.map((m) => killTables(course.kills, m.species)),
    liesOnTop: LIES_ON_TOP.has(course.handling),
    fits: !course.plantsAtOnce || plan.next.way === 'transplant',
  };
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
 * Answers: in this year, begun on this day by this method, when is the stand dead, when is the bed ready and warm, and what stood there at the end?
 * A mix is as dead as its worst living member: one that had died before is no reason to call the rest killed.
 */
export const endStand = (
  ending: Ending,
  at: DayIndex,
  course: Course,
  season: Season,
  v: Variation,
  out: YearEnd,
): YearEnd => whenWarm(ending, season, endGrowth(ending, at, course, season, v, out));

/** As `endStand`, but does not say when the ground is warm: who compares days need not know. */
export function endGrowth(
  ending: Ending,
  at: DayIndex,
  course: Course,
  season: Season,
  v: Variation,
  out: YearEnd,
): YearEnd {
  never(out);
  if (at < 0 || at >= season.days || !ending.fits) return out;
  const { waits, covering, keeps, turnsStanding } = ending.course;
  if (waits === 'seed') return byRipening(ending, course, season, out);
  if (waits) return byWeather(ending, course, season, waits, out);
  stoodOn(course, at, out);
  if (keeps || (turnsStanding && course.height_m[at]! > SPADE_M)) return out;
  const turnedAt = ending.course.digs ? diggingDay(ending.plan.soil, course, season, at) : at;
  if (turnedAt === Infinity) return out;
  const { plan } = ending;
  const n = course.members;
  let surviving = 0;
  let living = false;
  for (let s = 0; s < n; s++) {
    const alive = course.alive[at * n + s]!;
    const stage = course.stage[at * n + s]!;
    // What has died of itself has shed what it ripened before.
    if (stage > out.stageAtEnd) out.stageAtEnd = stage;
    if (alive <= DEAD_BELOW) continue;
    living = true;
    const killOdds = v.killOdds * ending.course.killTimes;
    const left =
      alive *
      (out.dm_g_m2 >= GROWN_G_M2
        ? leftOf(ending.course.kills, ending.kills[s]!, stage, killOdds)
        : leftAlive(ending.course.kills, plan.members[s]!.species, stage, out.dm_g_m2, killOdds));
    if (left > surviving) surviving = left;
  }
  out.surviving = surviving;
  if (!living) return ready(ending, season, at, ending.waitsDead, out);
  if (ending.course.presses && !dries(season, turnedAt + ending.course.lastPass_d)) {
    out.surviving = higher(surviving, UNDRIED_LIVES);
    return out;
  }
  if (covering) {
    const dead = underCover(ending, at, course, season, v);
    if (dead < Infinity && surviving > UNDER_COVER_LIVES) out.surviving = UNDER_COVER_LIVES;
    return ready(ending, season, dead, ending.waits, out);
  }
  if (surviving > DEAD_BELOW) return out;
  return ready(
    ending,
    season,
    turnedAt + ending.course.shows_d,
    ending.waits,
    out,
    turnedAt + ending.course.lastPass_d,
  );
}

/** The blade of a spade: what stands higher cannot be turned under whole (practice). */
const SPADE_M = 0.3;

/** What comes through darkness or heat that was long enough: creeping roots and the odd crown. */
export const UNDER_COVER_LIVES = 0.02;

/** Day on which enough heat has added up under what was laid, or never when the house rule lifts it first. */
function underCover(ending: Ending, at: DayIndex, course: Course, season: Season, v: Variation): number {
  const { plan } = ending;
  const { covering, loweredFirst, cap_d, coverTimes, kills } = ending.course;
  const laid = at + (kills.at(-1)?.after_d ?? 0);
  if (laid >= season.days) return Infinity;
  const needs = heatNeeded(
    plan.members,
    course.alive,
    at * course.members,
    covering!,
    course.height_m[at]!,
    loweredFirst,
  );
  if (needs === 0) return laid;
  const dead = deadUnder(season, covering!, laid, needs * v.coverHeat * coverTimes);
  return dead - laid > cap_d ? Infinity : dead;
}

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
  out.surviving = mostAlive(course, last);
  if (out.surviving > DEAD_BELOW) return out;
  for (let d = plan.sownAt + 1; d <= last; d++) {
    const left = mostAlive(course, d);
    if (left > DEAD_BELOW || !isUp(course, d)) continue;
    if (season.tmin_c[d]! < KILLING_NIGHT_C !== (cause === 'frost')) break;
    // What stood before tells what now lies.
    const stood = Math.max(plan.sownAt, bestBefore(course, d));
    for (let s = 0; s < n; s++) out.stageAtEnd = Math.max(out.stageAtEnd, course.stage[stood * n + s]!);
    out.surviving = left;
    stoodOn(course, stood, out);
    out.endsAt = d;
    return ready(ending, season, d, ending.waits, out);
  }
  return out;
}
/** A night over this killed nothing by cold, °C. */
const KILLING_NIGHT_C = 3;

/** Let it seed: over when every member has ripe seed and dies of it; kinds that live past their seed never are. */
function byRipening(ending: Ending, course: Course, season: Season, out: YearEnd): YearEnd {
  const { plan } = ending;
  const n = course.members;
  if (!plan.members.every((m) => diesRipe(m.species))) return out;
  for (let d = plan.sownAt + 20; d + RIPENS_D < season.days; d++) {
    let ripe = true;
    for (let s = 0; s < n; s++) if (course.stage[d * n + s]! < 5) ripe = false;
    if (!ripe) continue;
    out.surviving = 0;
    out.stageAtEnd = 5;
    stoodOn(course, d, out);
    return ready(ending, season, d + RIPENS_D, ending.waits, out);
  }
  return out;
}

/** Share of plants alive of the member that holds out best. */
export function mostAlive(course: Course, d: DayIndex): number {
  let most = 0;
  for (let s = 0; s < course.members; s++) {
    const alive = course.alive[d * course.members + s]!;
    if (alive > most) most = alive;
  }
  return most;
}

function isUp(course: Course, d: DayIndex): boolean {
  for (let s = 0; s < course.members; s++) if (course.stage[d * course.members + s]! >= 1) return true;
  return false;
}

/** Day of greatest dry matter in the four weeks before `d`. */
function bestBefore(course: Course, d: DayIndex): number {
  let best = d;
  for (let k = Math.max(0, d - 28); k <= d; k++)
    if (dryMatterOn(course, k) > dryMatterOn(course, best)) best = k;
  return best;
}

/** What stands there on the day the ending begins, living and dead. */
function stoodOn(course: Course, at: DayIndex, out: YearEnd): void {
  out.endsAt = at;
  out.dm_g_m2 = dryMatterOn(course, at) + course.dead_g_m2[at]!;
  out.n_g_m2 = nitrogenOn(course, at) + course.deadN_g_m2[at]!;
}

/** Writes when the bed is dead and ready. @param waitsFrom day from which the bed mellows, when that is not the day of death */
export function ready(
  ending: Ending,
  season: Season,
  deadAt: DayIndex,
  waits: Table,
  out: YearEnd,
  waitsFrom = deadAt,
): YearEnd {
  out.deadAt = deadAt;
  if (deadAt === Infinity) return out;
  const { plantsAtOnce } = ending.course;
  const wait = plantsAtOnce
    ? 0
    : out.dm_g_m2 < NOTHING_G_M2
      ? 2
      : lookUp(waits, carbonToNitrogen(out.dm_g_m2, out.n_g_m2));
  out.wait_d20 = wait;
  out.mellowsFrom = waitsFrom;
  out.readyAt = plantsAtOnce ? out.endsAt : reaches(season.mellowing, Math.min(waitsFrom, season.days), wait);
  return out;
}

/** Writes when a bed that gets ready is warm enough for the crop as well. */
export function whenWarm(ending: Ending, season: Season, out: YearEnd): YearEnd {
  if (out.readyAt === Infinity) return out;
  const cooler = ending.liesOnTop ? coolerUnder(season, out) : 0;
  out.plantableAt = warmFrom(season, out.readyAt, ending.plan.next.soilMin_c + cooler);
  return out;
}
