import { type DayIndex } from '../calendar/day.ts';
import { type AimStrands, IDLE_FREE_D, serves } from '../aims/aims.ts';
import { asBest, type BestWay, bestWay, type Effort, GLANCE, PEEK } from '../plan/search.ts';
import { type CourseRoom, type GrownPlan, growOn, growPlan } from '../plan/grown.ts';
import { type EndingAnswer, type StandAnswer } from '../plan/answers.ts';
import { type Plan } from '../termination/plan.ts';
import { answerStand, standOdds } from '../plan/standAnswer.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { type MethodHere } from '../termination/method.ts';
import { type Change } from './change.ts';
import { inSeason } from '../known/season.ts';
import { wakesFrom } from '../known/usual.ts';
import { byWeather, RELIED_ON } from '../known/ways.ts';

// What some years tell of one cover before it is judged on all of them: when to sow it, whether it has a hope, what another date would bring.

/** Undersowing is done at the last weeding, about this long before the crop leaves. */
const UNDERSOWN_D = 35;
/** Sowing is tried at the first possible day, this many weeks later, and this many weeks before planting; where the ground is still cold then, when it wakes. */
const LATER_WEEKS = [0, 3, 6];
const BEFORE_PLANTING_WEEKS = [14, 10];
const FROST_SOWING_WEEKS = [0, 4, 8, 12, 16, 20, 24];
const LEAST_GROWN_D = 42;
/** Years in which sowing days are compared: all of them in a few, those that come near the best of these in more. */
const FIRST_SIGHT_YEARS = 5;
const SCREEN_YEARS = 10;
/** Share of the best at first sight that a day may lack and still be looked at again: what five years leave in doubt. */
const IN_DOUBT = 0.15;
/** Odds that a settled cover names are told from so many years: ten would promise a hundred of a hundred too often. */
export const NAMED_YEARS = 60;
const EARLIER_D = [14, 28];
/** Within the days that are simulated past planting, with enough of them left for dying and mellowing. */
const LATER_D = [21, 42];
/** A stand this sure, this much in season and this much alive when its work is due, that is not done with long before planting, is not made better by waiting. */
const GOOD_AT_ONCE = { stand: 0.8, season: 0.85, alive: 0.5 };
/** A later sowing must be worth this much more: every day of delay is a bare day. */
const WORTH_WAITING = 0.03;

export interface Trial {
  base: Omit<Plan, 'sownAt'>;
  /** Ways that can be used here. */
  usable: MethodHere[];
  aims: AimStrands[];
  ensemble: Ensemble;
  room: CourseRoom;
}

/** What a few years tell of one sowing day, with the stand as it grew in them. */
export interface Screened {
  sownAt: DayIndex;
  years: number;
  grown: GrownPlan;
  best: BestWay | undefined;
  stand: number;
  season: number;
  alive: number;
  /** Days from its ending by hand to planting; none where it is left to the weather. */
  idle_d: number;
  /** Frost or heat is to end it, and spares it in some of the years: sown on another day it may live. */
  spared: boolean;
}

/** A few years of one sowing day: enough to tell good days from bad. */
const screen = (trial: Trial, sownAt: DayIndex, years = SCREEN_YEARS, effort = GLANCE): Screened =>
  judged(
    trial,
    growPlan({ ...trial.base, sownAt }, trial.ensemble, yearsOf(trial, years), trial.room),
    effort,
  );

const yearsOf = ({ ensemble }: Trial, wanted: number): number => Math.min(wanted, ensemble.variations.length);

/** The same sowing day on all years that days are compared in. Its courses must not have been written over since. */
function lookAgain(trial: Trial, { grown }: Screened): Screened {
  // Another day's stand was read into the room of its readings.
  const on = growOn({ ...grown, readings: [] }, yearsOf(trial, SCREEN_YEARS), trial.room);
  return judged(trial, on, GLANCE);
}

function judged(trial: Trial, grown: GrownPlan, effort: Effort): Screened {
  const best = bestWay(grown, trial.usable, trial.aims, effort);
  const byHand = endedBy(trial, grown, best);
  // What frost or heat surely ends counts as it is left to them, where that is better than cutting what is dead by then.
  const relied = best?.looked.find((f) => byWeather(f.method) && f.inTime >= RELIED_ON);
  if (!best || !relied || relied.method.id === best.method) return byHand;
  const left = endedBy(trial, grown, asBest(relied, best.looked));
  return score(left) > score(byHand) ? left : byHand;
}

function endedBy({ base, usable, ensemble }: Trial, grown: GrownPlan, best: BestWay | undefined): Screened {
  const { sownAt } = grown.plan;
  const end = best?.start ?? base.plantAt;
  const weather = byWeather(usable.find((m) => m.id === best?.method));
  return {
    sownAt,
    years: grown.courses.length,
    grown,
    best,
    stand: standOdds(grown),
    season: inSeason(
      base.members,
      ensemble,
      sownAt,
      weather ? base.plantAt : end,
      base.way.hold === 'frost',
      weather,
    ).times,
    alive: weather ? 1 : aliveOn(grown, end),
    idle_d: weather ? 0 : base.plantAt - end,
    spared: weather && best!.inTime < 1,
  };
}

/** Share of its plants alive on a day, by the shares of the members, mean over years. */
function aliveOn({ courses, plan }: GrownPlan, at: number): number {
  let sum = 0;
  for (const c of courses)
    for (let s = 0; s < c.members; s++)
      sum += c.alive[Math.max(0, at - 1) * c.members + s]! * plan.members[s]!.share;
  return sum / courses.length;
}

/** What a day is told from others by. */
export type Seen = Pick<Screened, 'sownAt' | 'stand' | 'season' | 'alive' | 'spared'> & {
  best: { worth: number } | undefined;
};

const score = (s: Seen): number =>
  (s.best ? Math.max(0, s.best.worth) : 0) * s.season * (0.3 + 0.7 * s.stand) * (0.65 + 0.35 * s.alive);

/**
 * The earliest sowing among those tried that comes near the best for the aims, with what was tried on it: its courses can be gone on from as long
 * as nothing else is grown into the trial's room.
 * @param hopeful whether a cover of this score at first sight is worth a second look at all
 */
export function bestSowing(
  trial: Trial,
  way: SowingWay,
  hopeful: (score: number) => boolean = () => true,
): { sownAt: DayIndex; screened?: Screened } {
  const { base } = trial;
  if (way.undersown) return { sownAt: base.freeAt! - UNDERSOWN_D };
  const open = daysInSeason(trial, way);
  if (open.length === 1) return { sownAt: open[0]! };
  // Every day has a room of its own, so that one that is in doubt can be gone on with.
  const glance = (sownAt: DayIndex, nth: number) =>
    screen({ ...trial, room: roomOf(nth) }, sownAt, FIRST_SIGHT_YEARS, PEEK);
  const again = (seen: Screened) => lookAgain({ ...trial, room: roomOf(open.indexOf(seen.sownAt)) }, seen);
  const first = glance(open[0]!, 0);
  if (goodAtOnce(first)) return chosen(hopeful(score(first)) ? again(first) : first);
  const seen = [first];
  for (const [i, d] of open.entries())
    if (i > 0 && !onlyLater(seen, open[i - 1]!, d)) seen.push(glance(d, i));
  const most = Math.max(...seen.map(score));
  if (!hopeful(most)) return chosen(seen.find((s) => score(s) >= most - WORTH_WAITING)!);
  // Of no use on any day.
  if (most === 0) return chosen(again(first));
  const inDoubt = seen.filter((s) => score(s) >= most * (1 - IN_DOUBT)).map(again);
  const top = Math.max(...inDoubt.map(score));
  return chosen(inDoubt.find((s) => score(s) >= top - WORTH_WAITING)!);
}

/**
 * Whether a day can be left out: the one before it was seen to lack much, though it is in season and its stand comes up, or though waiting for it had
 * bettered neither. What it lacks is time, and a later day has less of it. Spring is not autumn's later day: there a run begins anew.
 */
export function onlyLater(seen: Seen[], before: DayIndex, sownAt: DayIndex): boolean {
  const [last, prior] = [seen.at(-1)!, seen.at(-2)];
  if (!prior || last.sownAt !== before || sownAt - before > A_RUN_D || last.spared) return false;
  const sound = last.stand >= GOOD_AT_ONCE.stand && last.season >= GOOD_AT_ONCE.season;
  const waited = before - prior.sownAt <= A_RUN_D;
  const inVain = waited && last.season <= prior.season && last.stand <= prior.stand;
  return (sound || inVain) && score(last) < Math.max(...seen.map(score)) * LACKS_TIME;
}
/** Days so far apart are tried for reasons of their own. */
const A_RUN_D = 35;
/** Share of the best below which a day lacks too much for the next one to make it good. */
const LACKS_TIME = 0.67;

/** Readings were written over where more than one day was looked at. */
const chosen = (screened: Screened) => ({
  sownAt: screened.sownAt,
  screened: { ...screened, grown: { ...screened.grown, readings: [] } },
});

const goodAtOnce = (s: Screened): boolean =>
  s.stand >= GOOD_AT_ONCE.stand &&
  s.season >= GOOD_AT_ONCE.season &&
  s.alive >= GOOD_AT_ONCE.alive &&
  s.idle_d <= IDLE_FREE_D &&
  !s.spared;

/** Rooms of the days that are compared; written over by the next cover's. */
const rooms: CourseRoom[] = [];
const roomOf = (nth: number): CourseRoom => (rooms[nth] ??= new Map());

/** The sowing days worth growing: the season alone rules most out, and costs no growing. */
function daysInSeason({ base, ensemble }: Trial, way: SowingWay): number[] {
  const free = base.freeAt!;
  const frost = way.hold === 'frost';
  const weeks = frost ? FROST_SOWING_WEEKS : LATER_WEEKS;
  const tries = [
    ...weeks.map((w) => free + w * 7),
    ...(frost ? [] : BEFORE_PLANTING_WEEKS.map((w) => base.plantAt - w * 7)),
  ]
    // Seed for spring waits until the ground wakes.
    .map((d, i) => (i === 0 || frost || d <= free ? d : wakesFrom(ensemble, d, base.plantAt)))
    .filter((d, i, all) => all.indexOf(d) === i)
    .filter((d, i) => i === 0 || (d > free && base.plantAt - d >= LEAST_GROWN_D))
    .filter((d, i) => i === 0 || !frost || freezes(ensemble, d))
    .sort((a, b) => a - b);
  if (tries.length === 1) return [free];
  const inPlace = tries.map((d) => inSeason(base.members, ensemble, d, base.plantAt, frost, true).times);
  const most = Math.max(...inPlace);
  return tries.filter((_, i) => inPlace[i]! >= most * IN_PLACE);
}
/** A sowing day this far behind the best in season is not tried. */
const IN_PLACE = 0.65;

/** Nights freeze and days thaw around this day in most years: what works seed into the ground. */
function freezes(ensemble: Ensemble, d: DayIndex): boolean {
  ensemble.upTo(SCREEN_YEARS);
  const years = ensemble.seasons.slice(0, SCREEN_YEARS);
  const fit = years.filter((s) => {
    let nights = 0;
    for (let i = d; i < Math.min(d + 21, s.days); i++) if (s.tmin_c[i]! < 0 && s.tmax_c[i]! > 1) nights++;
    return nights >= 5;
  });
  return fit.length >= years.length / 2;
}

/** Whether a start two or four weeks earlier would hold where this one fails; the first that does. */
export function earlier(trial: Trial, sownAt: DayIndex): Change[] {
  for (const days of EARLIER_D) {
    if (sownAt - days < 0) break;
    const odds = screen({ ...trial, base: { ...trial.base, canopy: undefined } }, sownAt - days).best?.inTime;
    if (odds !== undefined && odds >= 0.7) return [{ kind: 'sow-earlier', days, odds }];
  }
  return [];
}

/**
 * Whether a planting day three or six weeks later would let the cover reach the stage at which the gardener's own tools kill it; the
 * first that does. A grass that shears cannot end at boot is ended by them once it has flowered.
 * @param years how many the odds are told from
 */
export function later(trial: Trial, sownAt: DayIndex, years = SCREEN_YEARS): Change[] {
  const { base, ensemble } = trial;
  for (const days of LATER_D) {
    const plantAt = base.plantAt + days;
    if (plantAt >= ensemble.days) break;
    const moved = { ...trial, base: { ...base, plantAt, growUntil: ensemble.days } };
    const best = screen(moved, sownAt, years, { ...GLANCE, years }).best;
    if (!best || best.inTime < 0.7) continue;
    return [
      {
        kind: 'plant-later',
        days,
        odds: best.inTime,
        method: best.method,
        startDay: ensemble.fromDay + best.start,
        serves: serves(base.members, base.next, best.figures),
      },
    ];
  }
  return [];
}

/** Of what the stand does, the days from which the ground is free: before them another crop covers it. */
export function standInGap(grown: GrownPlan, best: EndingAnswer | undefined): StandAnswer {
  const stand = answerStand(grown, best);
  return { ...stand, coverByDay: stand.coverByDay.slice(grown.plan.freeAt ?? 0) };
}
