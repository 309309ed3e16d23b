import { type Day } from '../calendar/day.ts';
import { seedOf } from '../random/stream.ts';
import { answerEnding, answerEndings } from '../plan/endings.ts';
import { type CourseRoom, type GrownPlan, growPlan } from '../plan/grown.ts';
import { type EndingAnswer, type Plan, type StandAnswer } from '../plan/plan.ts';
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
import {
  AHEAD_D,
  bestSowing,
  earlier,
  HOPELESS_STAND,
  HOPELESS_YEARS,
  hopeless,
  later,
  standInGap,
  type Trial,
} from './trial.ts';
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
