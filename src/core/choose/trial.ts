import { type AimStrands, serves } from '../aims/aims.ts';
import { type BestWay, bestWay } from '../plan/search.ts';
import { type CourseRoom, type GrownPlan, growPlan } from '../plan/grown.ts';
import { type EndingAnswer, type StandAnswer } from '../plan/answers.ts';
import { type Plan } from '../termination/plan.ts';
import { answerStand, standOdds } from '../plan/standAnswer.ts';
import { type SowingWay } from '../stand/emergence.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { type MethodHere } from '../termination/method.ts';
import { type Change } from './change.ts';
import { inSeason, wakesFrom } from './season.ts';

// What some years tell of one cover before it is judged on all of them: when to sow it, whether it has a hope, what another date would bring.

/** Undersowing is done at the last weeding, about this long before the crop leaves. */
const UNDERSOWN_D = 35;
/** Sowing is tried at the first possible day, this many weeks later, and this many weeks before planting; where the ground is still cold then, when it wakes. */
const LATER_WEEKS = [0, 3, 6];
const BEFORE_PLANTING_WEEKS = [14, 10];
const FROST_SOWING_WEEKS = [0, 4, 8, 12, 16, 20, 24];
const LEAST_GROWN_D = 42;
/** Years in which sowing days are compared. */
const SCREEN_YEARS = 10;
const EARLIER_D = [14, 28];
/** Within the days that are simulated past planting, with enough of them left for dying and mellowing. */
const LATER_D = [21, 42];
/** A stand this sure, this much in season and this much alive when its work is due is not made better by waiting. */
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
  sownAt: number;
  years: number;
  grown: GrownPlan;
  best: BestWay | undefined;
  stand: number;
  season: number;
  alive: number;
}

/** A few years of one sowing day: enough to tell good days from bad. */
function screen({ base, usable, aims, ensemble, room }: Trial, sownAt: number): Screened {
  const years = Math.min(SCREEN_YEARS, ensemble.variations.length);
  const grown = growPlan({ ...base, sownAt }, ensemble, years, room);
  const best = bestWay(grown, usable, aims);
  const end = best?.start ?? base.plantAt;
  const weather = usable.find((m) => m.id === best?.method)?.passes.some((p) => p.kind.startsWith('check'));
  return {
    sownAt,
    years,
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

const score = (s: Screened): number =>
  (s.best ? Math.max(0, s.best.worth) : 0) * s.season * (0.3 + 0.7 * s.stand) * (0.65 + 0.35 * s.alive);

/**
 * The earliest sowing among those tried that comes near the best for the aims; with what was tried on it, where that was the last one tried and
 * its courses can still be gone on from.
 */
export function bestSowing(trial: Trial, way: SowingWay): { sownAt: number; screened?: Screened } {
  const { base, ensemble } = trial;
  const free = base.freeAt!;
  if (way.undersown) return { sownAt: free - UNDERSOWN_D };
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
  if (tries.length === 1) return { sownAt: free };
  // The season alone rules most days out, and costs no growing.
  const inPlace = tries.map((d) => inSeason(base.members, ensemble, d, base.plantAt, frost, true).times);
  const most = Math.max(...inPlace);
  const open = tries.filter((_, i) => inPlace[i]! >= most * IN_PLACE);
  const first = screen(trial, open[0]!);
  if (
    open.length === 1 ||
    (first.stand >= GOOD_AT_ONCE.stand &&
      first.season >= GOOD_AT_ONCE.season &&
      first.alive >= GOOD_AT_ONCE.alive)
  )
    return { sownAt: first.sownAt, screened: first };
  const scored = open.map((sownAt, i) => ({ sownAt, score: score(i === 0 ? first : screen(trial, sownAt)) }));
  const top = Math.max(...scored.map((s) => s.score));
  return { sownAt: scored.find((s) => s.score >= top - WORTH_WAITING)!.sownAt };
}
/** A sowing day this far behind the best in season is not tried. */
const IN_PLACE = 0.65;

/** Nights freeze and days thaw around this day in most years: what works seed into the ground. */
function freezes(ensemble: Ensemble, d: number): boolean {
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
export function earlier(trial: Trial, sownAt: number): Change[] {
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
 */
export function later(trial: Trial, sownAt: number): Change[] {
  const { base, ensemble } = trial;
  for (const days of LATER_D) {
    const plantAt = base.plantAt + days;
    if (plantAt >= ensemble.days) break;
    const moved = { ...trial, base: { ...base, plantAt, growUntil: ensemble.days } };
    const best = screen(moved, sownAt).best;
    if (!best || best.inTime < 0.7) continue;
    const of = serves(base.members, base.next, best.figures);
    return [{ kind: 'plant-later', days, odds: best.inTime, method: best.method, serves: of }];
  }
  return [];
}

/** Of what the stand does, the days from which the ground is free: before them another crop covers it. */
export function standInGap(grown: GrownPlan, best: EndingAnswer | undefined): StandAnswer {
  const stand = answerStand(grown, best);
  return { ...stand, coverByDay: stand.coverByDay.slice(grown.plan.freeAt ?? 0) };
}
