import { type DayIndex, type Day } from '../calendar/day.ts';
import { type Stage, STAGES } from '../stand/species.ts';
import { type GrownPlan } from './grown.ts';
import { yearOf } from './year.ts';
import { type Course, dryMatterOn } from '../stand/course.ts';
import { mostAlive } from '../termination/end.ts';
import { EXPECTED_CROWNS } from '../termination/work.ts';
import { exp, ln } from '../units/exact.ts';
import { fresh_kg_m2 } from '../stand/fresh.ts';

/** What a gardener saw, as far as it was entered. */
export interface LookSeen {
  day: Day;
  emergence?: 'none' | 'some' | 'even';
  cover?: number;
  height_m?: number;
  stage?: Stage;
  /** Share of plants alive after cold, 0..1. */
  alive?: number;
  weeds?: 'few' | 'some' | 'many';
  /** Cut in a frame and weighed fresh. */
  bulk?: { fresh_kg: number; area_m2: number } | undefined;
  /** Members of a mix one by one, by their place in it. */
  members?: MemberSeen[];
  /** Crowns looked at after a pass, and how many of them were green. */
  crowns?: { green: number; of: number };
}

export type Squeezed = 'milk' | 'paste' | 'hard';

export interface MemberSeen {
  index: number;
  stage?: Stage;
  alive?: number;
  /** Plants counted on so much ground. */
  count?: { plants: number; area_m2: number };
  /** What a kernel did between two nails: a white drop, a smear, no mark. */
  squeeze?: Squeezed;
  /** Plants of those looked at that had come to a stage. */
  tens?: { stage: Stage; reached: number; of: number };
}

/** Standard errors of a careful eye: stage units beyond the named span, cover, log height, survival, weed mass beyond its span. */
const ERROR = { stage: 0.35, cover: 0.12, height: 0.25, alive: 0.15, emergence_d: 3, weeds: 0.15 } as const;
/** Weights are tempered so that at least this share of the members keeps a say. */
const LEAST_SAY = 0.12;

/**
 * Answers: which of the plausible years look like what was seen?
 * Equation: weight = product over looks of normal likelihoods of stage, cover, height, survival and emergence, raised to a power
 * t <= 1 found by halving so that the effective number of members 1/sum(w^2) stays above a tenth of them (a tempered
 * importance weight; Gordon, Salmond and Smith 1993 for the idea).
 * @returns one weight per member, summing to 1
 */
export function weighByLooks(grown: GrownPlan, looks: LookSeen[]): Float64Array {
  const n = grown.courses.length;
  const log = new Float64Array(n);
  for (const look of looks) for (let y = 0; y < n; y++) log[y] = log[y]! + likelihood(grown, y, look);
  let low = 0;
  let high = 1;
  let weights = tempered(log, 1);
  if (effective(weights) >= LEAST_SAY * n) return weights;
  for (let round = 0; round < 20; round++) {
    const t = (low + high) / 2;
    weights = tempered(log, t);
    if (effective(weights) >= LEAST_SAY * n) low = t;
    else high = t;
  }
  return tempered(log, low);
}

/** Log likelihood of a look in every year: what asking it would do to the weights, before any tempering. */
export const likelihoods = (grown: GrownPlan, look: LookSeen): Float64Array =>
  Float64Array.from(grown.courses, (_, y) => likelihood(grown, y, look));

export const effective = (weights: Float64Array): number => 1 / weights.reduce((s, w) => s + w * w, 0);

function tempered(log: Float64Array, power: number): Float64Array {
  const top = log.reduce((a, b) => Math.max(a, b), -Infinity);
  const raw = log.map((l) => exp(power * (l - top)));
  const sum = raw.reduce((s, w) => s + w, 0);
  return raw.map((w) => w / sum);
}

function likelihood(grown: GrownPlan, y: number, look: LookSeen): number {
  const course = grown.courses[y]!;
  const d = Math.max(0, Math.min(course.days - 1, look.day - grown.ensemble.fromDay));
  let sum = 0;
  // What is said of a mix as a whole is said of what leads it.
  if (look.stage) sum += stageSeen(course, d, 0, look.stage);
  if (look.cover !== undefined) sum += square((course.cover[d]! - look.cover) / ERROR.cover);
  if (look.height_m !== undefined && look.height_m > 0)
    sum += square(ln(Math.max(0.005, course.height_m[d]!) / look.height_m) / ERROR.height);
  if (look.alive !== undefined) sum += square((course.alive[d * course.members]! - look.alive) / ERROR.alive);
  if (look.emergence) {
    const ahead = d - firstUp(course);
    const wrong = look.emergence === 'none' ? Math.max(0, ahead) : Math.max(0, -ahead);
    sum += square(Math.min(10, wrong) / ERROR.emergence_d);
  }
  for (const m of look.members ?? []) {
    if (m.stage) sum += stageSeen(course, d, m.index, m.stage);
    const alive = course.alive[d * course.members + m.index]!;
    if (m.alive !== undefined) sum += square((alive - m.alive) / ERROR.alive);
    if (m.squeeze) sum += within(course.stage[d * course.members + m.index]!, ...SQUEEZED[m.squeeze]);
    if (m.tens) sum += tensSeen(course.stage[d * course.members + m.index]!, m.tens);
    if (m.count) sum += countSeen(course.plants_m2[m.index]! * alive, m.count);
  }
  if (look.weeds && d > 0) {
    const mass = yearOf(grown, y).reading.weedMass[d - 1]!;
    const [low, high] = WEEDS[look.weeds];
    sum += square(Math.max(0, low - mass, mass - high) / ERROR.weeds);
  }
  if (look.bulk) sum += bulkSeen(course, d, look.bulk);
  if (look.crowns) sum += ln(crownOdds(course, d, look.crowns.green, look.crowns.of));
  return sum;
}

/**
 * A weighed frame against what stands there: no stand is even, a frame of a quarter of a square metre says it to a third (as quadrats of mixed stands do), a
 * larger one better, and fresh weight goes with the dew.
 */
function bulkSeen(
  course: Course,
  d: DayIndex,
  { fresh_kg, area_m2 }: { fresh_kg: number; area_m2: number },
): number {
  const stands = fresh_kg_m2(dryMatterOn(course, d), course.stage[d * course.members]!);
  const error = Math.sqrt(DEW * DEW + (FRAME_APART * FRAME_APART * FRAME_M2) / area_m2);
  return square(ln(Math.max(LEAST_KG_M2, stands) / (fresh_kg / area_m2)) / error);
}
const DEW = 0.15;
const FRAME_APART = 0.3;
const FRAME_M2 = 0.25;
const LEAST_KG_M2 = 0.01;

const square = (miss: number): number => -0.5 * miss * miss;

/** Weed mass as a share of a full stand that a gardener calls few, some and many. */
export const WEEDS = { few: [0, 0.2], some: [0.1, 0.55], many: [0.4, 1] } as const;

/** Day index on which the first member is up. */
const firstUp = (course: Course): number => course.emerged.reduce((a, b) => Math.min(a, b), Infinity);

function stageSeen(course: Course, d: DayIndex, s: number, seen: Stage): number {
  if (seen === 'sown') return 0;
  const stage = course.stage[d * course.members + s]!;
  const k = STAGES.indexOf(seen);
  return within(stage, k, k < 5 ? k + 1 : Infinity);
}

/** A stage seen to lie between two: what is outside counts by how far. */
const within = (stage: number, low: number, high: number): number =>
  square(Math.max(0, low - stage, stage - high) / ERROR.stage);

/** Stages at which a kernel gives milk, a paste, or no mark; seed that would grow is there from the paste on (Zadoks 73-77, 83-87, 91). */
const SQUEEZED: Record<Squeezed, [number, number]> = {
  milk: [3.9, 4.45],
  paste: [4.4, 5],
  hard: [5, Infinity],
};

/**
 * So many of ten at a stage: plants of one stand lie apart by a third of a stage, so that the share that has come to it tells how far the stand is between
 * stages (binomial; plants side by side are alike, ten count as some five).
 */
function tensSeen(stage: number, { stage: asked, reached, of }: NonNullable<MemberSeen['tens']>): number {
  const k = STAGES.indexOf(asked);
  const p = Math.max(LEAST_SHARE, Math.min(1 - LEAST_SHARE, normalShare((stage - k) / PLANTS_APART)));
  const alike = 1 / (1 + (of - 1) * PLANTS_ALIKE);
  return alike * (reached * ln(p) + (of - reached) * ln(1 - p));
}
const PLANTS_APART = 0.35;
const PLANTS_ALIKE = 0.1;

/** Share of a normal spread below `x` standard deviations (logistic form, within a hundredth). */
const normalShare = (x: number): number => 1 / (1 + exp(-1.702 * x));

/** A count against what was expected there: chance, and that no stand is even (a third of the count from place to place). */
function countSeen(plants_m2: number, { plants, area_m2 }: { plants: number; area_m2: number }): number {
  const expected = plants_m2 * area_m2;
  const spread = Math.sqrt(expected + PATCHY * PATCHY * expected * expected + 1);
  return square((plants - expected) / spread) - ln(spread);
}
const PATCHY = 0.3;

/**
 * Odds of so many green crowns of so many where this year left this share alive: beta-binomial, the share as sure as `EXPECTED_CROWNS` crowns (without
 * the number of ways to choose them, which is the same for all years).
 */
function crownOdds(course: Course, d: DayIndex, green: number, of: number): number {
  const met = course.deeds[0]?.met ?? 0;
  const alive = met > 0 ? Math.min(1, mostAlive(course, d) / met) : 0;
  const share = Math.max(LEAST_SHARE, Math.min(1 - LEAST_SHARE, alive));
  let odds = 1;
  for (let i = 0; i < green; i++) odds *= (EXPECTED_CROWNS * share + i) / (EXPECTED_CROWNS + i);
  for (let i = 0; i < of - green; i++)
    odds *= (EXPECTED_CROWNS * (1 - share) + i) / (EXPECTED_CROWNS + green + i);
  return odds;
}
/** A dead crown that looks green, or a live one overlooked: one in fifty (judgement). */
const LEAST_SHARE = 0.02;
