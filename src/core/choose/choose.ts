import { type Day } from '../calendar/day.ts';
import { seedOf } from '../random/stream.ts';
import { type EndingAnswer, type MethodId, type Plan, type StandAnswer } from '../plan/plan.ts';
import { answerEndings, answerStand, growPlan } from '../plan/run.ts';
import { type NextCrop } from '../residue/wait.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { type Site } from '../site/site.ts';
import { type Soil } from '../soil/soil.ts';
import { type SowingWay, temperatureShare } from '../stand/emergence.ts';
import { type Ensemble, makeEnsemble } from '../stand/ensemble.ts';
import { type Member } from '../stand/species.ts';
import { type Reason, reasonsFor } from './reasons.ts';

/** A cover that might be hung in the gap. */
export interface Candidate {
  id: string;
  name: string;
  members: Member[];
}

/** A way of ending with what it costs here, and the kit that is missing for it, if any. */
export interface MethodHere {
  id: MethodId;
  minutesPer100m2: number;
  missing: string[];
}

export interface Gap {
  /** First day on which seed can go on the ground. */
  freeDay: Day;
  plantDay: Day;
  next: NextCrop;
}

export interface ChooseInput {
  site: Site;
  soil: Soil;
  way: SowingWay;
  watered: boolean;
  gap: Gap;
  candidates: Candidate[];
  methods: MethodHere[];
  /** Families grown on the bed in the last years, latest first. */
  familiesBefore: string[];
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
  sowDay: Day;
  seed_g_m2: number[];
  stand: StandAnswer;
  endings: EndingAnswer[];
  /** The ending that is put forward; undefined when none can be done with the kit at hand. */
  best: EndingAnswer | undefined;
  /** How well it serves each aim, 0..1. */
  serves: Record<string, number>;
  reasons: Reason[];
}

/** Days past planting that are simulated so that late endings can still be dated. */
const AFTER_PLANTING_D = 75;
/** Sowing is tried at the first possible day and this many weeks later. */
const LATER_WEEKS = [0, 2, 4, 7];
const LEAST_GAP_D = 28;
const SCREEN_YEARS = 12;
/** An ending this much less sure is preferred when it saves work; one point of odds is worth 15 minutes per 100 m2. */
const MINUTES_PER_ODDS = 1500;

/** Grows and judges candidates one by one, so that a screen can show the first while the rest are worked out. */
export function* chooseSamples(input: ChooseInput): Generator<Sample, void> {
  const { gap, site } = input;
  const days = gap.plantDay - gap.freeDay + AFTER_PLANTING_D;
  const ensemble = makeEnsemble(site, gap.freeDay, days, input.years, seedOf(`gap ${gap.freeDay}`));
  for (const candidate of input.candidates) yield sampleFor(candidate, input, ensemble);
}

export function sampleFor(candidate: Candidate, input: ChooseInput, ensemble: Ensemble): Sample {
  const { gap } = input;
  const plantAt = gap.plantDay - gap.freeDay;
  const base: Omit<Plan, 'sownAt'> = {
    members: candidate.members,
    seed_g_m2: viableRate_g_m2(candidate.members, input.way.rateFactor),
    way: input.way,
    soil: input.soil,
    watered: input.watered,
    plantAt,
    next: gap.next,
  };
  const usable = input.methods.filter((m) => m.missing.length === 0);
  const minutes = Object.fromEntries(input.methods.map((m) => [m.id, m.minutesPer100m2]));
  const ids = usable.map((m) => m.id);
  const sownAt = bestSowing(base, ids, minutes, ensemble, plantAt);
  const grown = growPlan({ ...base, sownAt }, ensemble);
  const endings = answerEndings(
    grown,
    input.methods.map((m) => m.id),
    minutes,
  );
  const best = pickEnding(endings.filter((e) => ids.includes(e.method)));
  const stand = answerStand(grown, best);
  const parts = candidate.members.map((m) => ({ speciesId: m.species.id, share: m.share }));
  const draft = {
    id: candidate.id,
    name: candidate.name,
    parts,
    sowDay: gap.freeDay + sownAt,
    seed_g_m2: base.seed_g_m2,
    stand,
    endings,
    best,
  };
  return {
    ...draft,
    serves: serves(candidate.members, stand, best, gap),
    reasons: reasonsFor(draft, candidate.members, input),
  };
}

/** The earliest sowing among those tried whose odds of being over in time and of closing the ground come near the best. */
function bestSowing(
  base: Omit<Plan, 'sownAt'>,
  methods: MethodId[],
  minutes: Record<string, number>,
  ensemble: Ensemble,
  plantAt: number,
): number {
  const tries = LATER_WEEKS.map((w) => w * 7).filter((d) => d === 0 || plantAt - d >= LEAST_GAP_D + 14);
  const score = (sownAt: number) => {
    const soil = ensemble.seasons[0]!.soil_c[Math.min(sownAt + 3, ensemble.days - 1)]!;
    const cold = Math.min(...base.members.map((m) => temperatureShare(m.species, soil)));
    const grown = growPlan({ ...base, sownAt }, ensemble, SCREEN_YEARS);
    const endings = answerEndings(grown, methods, minutes);
    const best = pickEnding(endings);
    const stand = answerStand(grown, best);
    const cover = stand.coverByDay.reduce((s, c) => s + c, 0) / Math.max(1, stand.coverByDay.length);
    return {
      sownAt,
      stand: stand.stand,
      cold,
      score: (best?.odds.inTime ?? 0) * (0.5 + stand.stand) + cover + (cold > 0.3 ? 0.2 : 0),
    };
  };
  const first = score(0);
  // A stand that makes it when sown at once is not made better by waiting: every day of delay is a bare day.
  if (first.stand >= 0.8 && first.cold > 0.5) return 0;
  const scored = [first, ...tries.slice(1).map(score)];
  const top = Math.max(...scored.map((s) => s.score));
  return scored.find((s) => s.score >= top - 0.04)!.sownAt;
}

export function pickEnding(endings: EndingAnswer[]): EndingAnswer | undefined {
  const worth = (e: EndingAnswer) => e.odds.inTime - e.minutesPer100m2 / MINUTES_PER_ODDS;
  return [...endings].sort((a, b) => worth(b) - worth(a))[0];
}

/** How well the outcome serves each aim, 0..1; each is a computed quantity over what would be plenty of it. */
function serves(
  members: Member[],
  stand: StandAnswer,
  best: EndingAnswer | undefined,
  gap: Gap,
): Record<string, number> {
  const clip = (x: number) => Math.max(0, Math.min(1, x));
  const weigh = (f: (m: Member) => number) => members.reduce((s, m) => s + f(m) * m.share, 0);
  const cover = stand.coverByDay.reduce((s, c) => s + c, 0) / Math.max(1, stand.coverByDay.length);
  const grown = clip((best?.dryMatter_g_m2.mid ?? 0) / 300);
  return {
    feed: clip((best?.nitrogen_g_m2.mid ?? 0) / Math.max(4, gap.next.nitrogenNeed_g_m2 * 0.6)),
    hold: clip(cover),
    smother: clip(stand.weedsHeld.mid),
    bulk: clip((best?.residue_g_m2.mid ?? 0) / 450),
    flowers: clip((stand.flowerDays.mid / 25) * weigh((m) => m.species.worth.flowers)),
    loosen: grown * weigh((m) => m.species.worth.loosening),
    catch: clip(stand.caught_g_m2.mid / 8),
    ease: clip(1 - (best?.minutesPer100m2 ?? 400) / 250),
  };
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
