import { type Day } from '../calendar/day.ts';
import { seedOf } from '../random/stream.ts';
import { answerEnding, answerEndings } from '../plan/endings.ts';
import { type CourseRoom, type GrownPlan, growPlan } from '../plan/grown.ts';
import { type EndingAnswer, type Plan, type StandAnswer } from '../plan/plan.ts';
import { answerStand } from '../plan/standAnswer.ts';
import { type NextCrop } from '../residue/wait.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay, temperatureShare } from '../stand/emergence.ts';
import { CROP_LETS_THROUGH } from '../stand/grow.ts';
import { type Ensemble, makeEnsemble } from '../stand/ensemble.ts';
import { type Member } from '../stand/species.ts';
import { type MethodHere } from '../termination/method.ts';
import { type Change, changesFor, FAILING } from './change.ts';
import { pickEnding } from './pick.ts';
import { type Reason, reasonsFor } from './reasons.ts';
import { serves } from './serves.ts';
import { type Trouble } from './troubles.ts';

/** A cover that might be hung in the gap, with whatever the gardener has already fixed of it. */
export interface Candidate {
  id: string;
  name: string;
  members: Member[];
  /** Multiplies the usual rate. */
  rateTimes?: number;
  sowDay?: Day;
  method?: string;
  /** Day of the first pass of `method`; found when absent. */
  endDay?: Day;
}

export interface Gap {
  /** First day on which the ground is free. */
  freeDay: Day;
  plantDay: Day;
  next: NextCrop;
}

/** What is known of the bed beside its soil. */
export interface BedNotes {
  /** Families grown on the bed in the last years, latest first. */
  familiesBefore: string[];
  troubles: Trouble[];
  shade: 'open' | 'part' | 'deep';
}

export interface ChooseInput {
  site: Site;
  soil: Soil;
  way: SowingWay;
  watered: boolean;
  gap: Gap;
  candidates: Candidate[];
  methods: MethodHere[];
  bed: BedNotes;
  /** Who must be kept from harm: words used in the catalogue's hazards. */
  keepsSafe: string[];
  hazards: Record<string, { to: string; text: string }[]>;
  years: number;
}

/** One cover hung in the gap, with everything the screen shows of it. */
export interface Sample {
  id: string;
  name: string;
  parts: { speciesId: string; share: number }[];
  rateTimes: number;
  sowDay: Day;
  seed_g_m2: number[];
  stand: StandAnswer;
  endings: EndingAnswer[];
  /** The ending that is put forward; undefined when none can be done with the kit at hand. */
  best: EndingAnswer | undefined;
  /** How well it serves each aim, 0..1. */
  serves: Record<string, number>;
  reasons: Reason[];
  /** What would make it hold, when it does not. */
  changes: Change[];
}

/** Days past planting that are simulated so that late endings can still be dated. */
const AFTER_PLANTING_D = 60;
/** No ending begins after planting day; a stand is followed a little longer, to say what it would have come to. */
const GROWN_AFTER_D = 21;
/** Days of weather before the gap, for seed that goes under the standing crop and for asking what an earlier start would bring. */
const AHEAD_D = 35;
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

/** The weather of a gap, shared by all covers tried in it. */
export const gapEnsemble = (input: Pick<ChooseInput, 'gap' | 'site' | 'years'>): Ensemble =>
  makeEnsemble(
    input.site,
    input.gap.freeDay - AHEAD_D,
    AHEAD_D + input.gap.plantDay - input.gap.freeDay + AFTER_PLANTING_D,
    input.years,
    seedOf(`gap ${input.gap.freeDay}`),
  );

/** Grows and judges candidates one by one, likely ones first, so that a screen can show them while the rest are worked out. */
export function* chooseSamples(
  input: ChooseInput,
  ensemble = gapEnsemble(input),
  room: CourseRoom = new Map(),
): Generator<Sample, void> {
  const soil_c = ensemble.seasons[0]!.soil_c.slice(AHEAD_D, AHEAD_D + 14).reduce((s, t) => s + t / 14, 0);
  const likely = (c: Candidate) => Math.min(...c.members.map((m) => temperatureShare(m.species, soil_c)));
  const ordered = [...input.candidates].sort((a, b) => likely(b) - likely(a));
  for (const candidate of ordered) yield sampleFor(candidate, input, ensemble, room);
}

/** One cover in a gap: a good sowing day found unless it is fixed, every way of ending on its best day, reasons, ways out. */
export function sampleFor(
  candidate: Candidate,
  input: ChooseInput,
  ensemble: Ensemble,
  room: CourseRoom = new Map(),
): Sample {
  const { gap } = input;
  const rateTimes = candidate.rateTimes ?? 1;
  const undersown = input.way.id === 'standing-crop';
  const base: Omit<Plan, 'sownAt'> = {
    members: candidate.members,
    seed_g_m2: viableRate_g_m2(candidate.members, input.way.rateFactor * rateTimes),
    way: input.way,
    soil: input.soil,
    watered: input.watered,
    freeAt: AHEAD_D,
    plantAt: gap.plantDay - ensemble.fromDay,
    growUntil: gap.plantDay - ensemble.fromDay + GROWN_AFTER_D,
    next: gap.next,
    canopy: undersown ? { until: AHEAD_D, lightThrough: CROP_LETS_THROUGH } : undefined,
  };
  const usable = input.methods.filter((m) => m.missing.length === 0);
  const trial: Trial = { base, usable, ensemble, room, screened: new Map() };
  const sownAt =
    candidate.sowDay !== undefined ? candidate.sowDay - ensemble.fromDay : bestSowing(trial, input);
  const years = hopeless(trial, sownAt, candidate) ? Math.min(HOPELESS_YEARS, input.years) : input.years;
  const grown = growPlan({ ...base, sownAt }, ensemble, years, room);
  const endings = answerEndings(grown, input.methods);
  const best = chosenEnding(candidate, grown, endings, input.methods);
  const stand = standInGap(grown, best);
  const changes = (best?.odds.inTime ?? 0) < FAILING ? changesFor(grown, best, endings, input.methods) : [];
  if ((best?.odds.inTime ?? 0) < FAILING) {
    if (stand.stand > HOPELESS_STAND && !changes.some((c) => c.kind === 'plant-later'))
      changes.push(...later(trial, sownAt));
    changes.push(...earlier(trial, sownAt));
  }
  const draft = {
    id: candidate.id,
    name: candidate.name,
    parts: candidate.members.map((m) => ({ speciesId: m.species.id, share: m.share })),
    rateTimes,
    sowDay: ensemble.fromDay + sownAt,
    seed_g_m2: base.seed_g_m2,
    stand,
    endings,
    best,
    changes,
  };
  return {
    ...draft,
    serves: serves(candidate.members, stand, best, gap.next),
    reasons: reasonsFor(draft, candidate.members, input),
  };
}

/** Covers that hardly a year of the screen brings to a stand, or ends in time, are ruled out on fewer years than the rest. */
const HOPELESS_YEARS = 50;
const HOPELESS_STAND = 0.1;
/** One of the dozen years of the screen at most. */
const HOPELESS_ODDS = 0.1;

function hopeless(trial: Trial, sownAt: number, candidate: Candidate): boolean {
  if (candidate.sowDay !== undefined || candidate.method !== undefined) return false;
  const { best, stand } = trial.screened.get(sownAt) ?? screen(trial, sownAt);
  return stand.stand <= HOPELESS_STAND || (best?.odds.inTime ?? 0) <= HOPELESS_ODDS;
}

/** Of what the stand does, the days from which the ground is free: before them another crop covers it. */
function standInGap(grown: GrownPlan, best: EndingAnswer | undefined): StandAnswer {
  const stand = answerStand(grown, best);
  return { ...stand, coverByDay: stand.coverByDay.slice(AHEAD_D) };
}

/** The gardener's own ending where one is fixed, else the one that is put forward. */
function chosenEnding(
  candidate: Candidate,
  grown: GrownPlan,
  endings: EndingAnswer[],
  methods: MethodHere[],
): EndingAnswer | undefined {
  const own = methods.find((m) => m.id === candidate.method);
  if (own && candidate.endDay !== undefined)
    return answerEnding(grown, own, candidate.endDay - grown.ensemble.fromDay);
  if (own) return endings.find((e) => e.method === own.id);
  const usable = new Set(methods.filter((m) => m.missing.length === 0).map((m) => m.id));
  return pickEnding(endings.filter((e) => usable.has(e.method)));
}

interface Trial {
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
function bestSowing(trial: Trial, input: ChooseInput): number {
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
function earlier(trial: Trial, sownAt: number): Change[] {
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
function later(trial: Trial, sownAt: number): Change[] {
  const { base, ensemble } = trial;
  for (const days of LATER_D) {
    const plantAt = base.plantAt + days;
    const moved = { ...trial, base: { ...base, plantAt, growUntil: ensemble.days }, screened: new Map() };
    const odds = screen(moved, sownAt).best?.odds.inTime;
    if (odds !== undefined && odds >= 0.7) return [{ kind: 'plant-later', days, odds }];
  }
  return [];
}

export interface AimStrands {
  id: string;
  /** One to three strands. */
  strands: number;
}

/** Orders samples by how well they serve the aims, times the odds that they are over in time. Changing aims recomputes nothing else. */
export function rankSamples(samples: Sample[], aims: AimStrands[]): { sample: Sample; fit: number }[] {
  const total = aims.reduce((s, a) => s + a.strands, 0);
  return samples
    .map((sample) => {
      const served =
        total > 0
          ? aims.reduce((s, a) => s + a.strands * (sample.serves[a.id] ?? 0), 0) / total
          : sample.serves.hold!;
      const sure = sample.best ? 0.15 + 0.85 * sample.best.odds.inTime : 0.05;
      return { sample, fit: served * sure * (0.3 + 0.7 * sample.stand.stand) };
    })
    .sort((a, b) => b.fit - a.fit);
}
