import { temperatureShare } from '../stand/emergence.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { answerEndings } from '../plan/endings.ts';
import { type CourseRoom, type GrownPlan, growPlan } from '../plan/grown.ts';
import { type EndingAnswer, type Plan, type StandAnswer } from '../plan/plan.ts';
import { answerStand } from '../plan/standAnswer.ts';
import { type MethodHere } from '../termination/method.ts';
import { type Change } from './change.ts';
import { type Candidate, type ChooseInput } from './choose.ts';
import { pickEnding } from './pick.ts';

// What a dozen years tell of one cover before it is judged on all of them: when to sow it, whether it has a hope, what another date would bring.

/** Days of weather before the gap, for seed that goes under the standing crop and for asking what an earlier start would bring. */
export const AHEAD_D = 35;
/** Undersowing is done at the last weeding, about this long before the crop leaves. */
const UNDERSOWN_D = 35;
/** Sowing is tried at the first possible day and this many weeks later. */
const LATER_WEEKS = [0, 3, 6];
const FROST_SOWING_WEEKS = [0, 4, 8, 12, 16, 20, 24];
const LEAST_GAP_D = 28;
const SCREEN_YEARS = 12;
const EARLIER_D = [14, 28];
/** Within the days that are simulated past planting, with enough of them left for dying and mellowing. */
const LATER_D = [21, 42];

export interface Trial {
  base: Omit<Plan, 'sownAt'>;
  usable: MethodHere[];
  ensemble: Ensemble;
  room: CourseRoom;
  /** What has been tried, by sowing day. */
  screened: Map<number, Screened>;
}

interface Screened {
  best: EndingAnswer | undefined;
  stand: StandAnswer;
}

/** A few years of one sowing day: enough to tell good days from bad. */
function screen({ base, usable, ensemble, room, screened }: Trial, sownAt: number): Screened {
  const grown = growPlan(
    { ...base, sownAt },
    ensemble,
    Math.min(SCREEN_YEARS, ensemble.seasons.length),
    room,
  );
  const best = pickEnding(answerEndings(grown, usable));
  const found = { best, stand: standInGap(grown, best) };
  screened.set(sownAt, found);
  return found;
}

/** The earliest sowing among those tried whose odds of being over in time and of closing the ground come near the best. */
export function bestSowing(trial: Trial, input: ChooseInput): number {
  const { base, ensemble } = trial;
  const free = base.freeAt!;
  if (input.way.id === 'standing-crop') return free - UNDERSOWN_D;
  const weeks = input.way.id === 'frost-sown' ? FROST_SOWING_WEEKS : LATER_WEEKS;
  const tries = weeks
    .map((w) => free + w * 7)
    .filter((d) => d === free || base.plantAt - d >= LEAST_GAP_D + 14)
    .filter((d, i) => i === 0 || input.way.id !== 'frost-sown' || freezes(ensemble, d));
  const score = (sownAt: number) => {
    const soil = ensemble.seasons[0]!.soil_c[Math.min(sownAt + 3, ensemble.days - 1)]!;
    const cold = Math.min(...base.members.map((m) => temperatureShare(m.species, soil)));
    const { best, stand } = screen(trial, sownAt);
    const cover = stand.coverByDay.reduce((s, c) => s + c, 0) / Math.max(1, stand.coverByDay.length);
    return {
      sownAt,
      stand: stand.stand,
      cold,
      score: (best?.odds.inTime ?? 0) * (0.5 + stand.stand) + cover + (cold > 0.3 ? 0.2 : 0),
    };
  };
  const first = score(tries[0]!);
  // A stand that makes it when sown at once is not made better by waiting: every day of delay is a bare day.
  if (tries.length === 1 || (first.stand >= 0.8 && first.cold > 0.5)) return free;
  const scored = [first, ...tries.slice(1).map(score)];
  const top = Math.max(...scored.map((s) => s.score));
  return scored.find((s) => s.score >= top - 0.04)!.sownAt;
}

/** Nights freeze and days thaw around this day in most years: what works seed into the ground. */
function freezes(ensemble: Ensemble, d: number): boolean {
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
    const odds = screen({ ...trial, base: { ...trial.base, canopy: undefined } }, sownAt - days).best?.odds
      .inTime;
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
    const moved = { ...trial, base: { ...base, plantAt, growUntil: ensemble.days }, screened: new Map() };
    const odds = screen(moved, sownAt).best?.odds.inTime;
    if (odds !== undefined && odds >= 0.7) return [{ kind: 'plant-later', days, odds }];
  }
  return [];
}

/** Covers that hardly a year of the screen brings to a stand, or ends in time, are ruled out on fewer years than the rest. */
export const HOPELESS_YEARS = 50;
export const HOPELESS_STAND = 0.1;
/** One of the dozen years of the screen at most. */
const HOPELESS_ODDS = 0.1;

export function hopeless(trial: Trial, sownAt: number, candidate: Candidate): boolean {
  if (candidate.sowDay !== undefined || candidate.method !== undefined) return false;
  const { best, stand } = trial.screened.get(sownAt) ?? screen(trial, sownAt);
  return stand.stand <= HOPELESS_STAND || (best?.odds.inTime ?? 0) <= HOPELESS_ODDS;
}

/** Of what the stand does, the days from which the ground is free: before them another crop covers it. */
export function standInGap(grown: GrownPlan, best: EndingAnswer | undefined): StandAnswer {
  const stand = answerStand(grown, best);
  return { ...stand, coverByDay: stand.coverByDay.slice(AHEAD_D) };
}
