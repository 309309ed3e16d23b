import { USUAL_AIMS } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { type LookSeen } from '../plan/weigh.ts';
import { bestWay } from '../plan/search.ts';
import { type ForecastInput, type Standing, standOf } from '../plan/standing.ts';
import { quantile } from '../random/quantile.ts';
import { STAGES } from '../stand/species.ts';
import { type MethodHere } from '../termination/method.ts';
import { LOOKED_AT, lookDays } from '../work/crowns.ts';
import { decisionOf, worthOfAsking, type Worth } from './worth.ts';

// The walk past the beds: of every bed the questions whose answers would move its decision most, beside what has to be looked at on its day.

export type QuestionKind =
  | 'stage'
  | 'cover'
  | 'height'
  | 'weeds'
  | 'alive'
  | 'emergence'
  | 'frame'
  | 'washed'
  | 'crowns'
  | 'edges'
  | 'peek'
  | 'seed'
  | 'gaps'
  | 'pests'
  | 'soil';

/** Why it is asked: for what it is worth, or since its day has come. */
export type Why =
  | { is: 'worth'; worth: Worth; method: string | undefined }
  | { is: 'clock'; sownDays: number; at: number }
  | { is: 'frost'; low_c: number; bears_c: number; day: Day }
  | { is: 'after-pass'; pass: string; day: Day; from: Day; sure: Day }
  | { is: 'under-sheet'; laid: Day; from: Day; done: Day }
  | { is: 'seed-near'; early: Day }
  | { is: 'mulch'; dead: Day }
  | { is: 'stand'; sownDays: number }
  | { is: 'rain'; mm: number; day: Day }
  | { is: 'surge'; times: number }
  | { is: 'edges'; pass: string; day: Day }
  | { is: 'seedlings'; sownDays: number }
  | { is: 'before-crop'; plant: Day }
  | { is: 'yearly'; last: Day | undefined }
  | { is: 'regular'; last: Day | undefined };

export interface Question {
  kind: QuestionKind;
  /** Member it is asked of; absent where it is asked of the whole. */
  speciesId?: string;
  why: Why;
  minutes: number;
}

export interface RoundBed {
  coverId: string;
  bedId: string;
  questions: Question[];
}

/** A cover as it is met on the walk. */
export interface RoundCover {
  id: string;
  bedId: string;
  asked: ForecastInput;
  sownDay: Day;
  /** Passes of its ending with their days. */
  passes: { kind: string; day: Day; done: boolean }[];
  deadDay: Day | undefined;
  /** Looks so far: their days and what was looked at. */
  seen: { day: Day; kinds: QuestionKind[] }[];
  /** Last day on which a spade went into this bed to look at its soil. */
  soilSeen?: Day;
  /** Whether the one spadeful of the walk is for this bed; left out where nobody has dealt it. */
  spade?: boolean;
  /** A look is due by the calendar, whatever it is worth. */
  lookDue: boolean;
  /** Mean temperature of this month, °C. */
  mean_c: number;
}

const MINUTES: Record<QuestionKind, number> = {
  stage: 4,
  cover: 2,
  height: 1,
  weeds: 2,
  alive: 5,
  emergence: 2,
  frame: 4,
  washed: 2,
  edges: 3,
  pests: 3,
  soil: 6,
  crowns: 6,
  peek: 3,
  seed: 3,
  gaps: 2,
};
const MOST_A_BED = 2;
/** A question is worth its minutes from so many days narrower on; a hundredth of what a cover can be worth counts as a day. */
const LEAST_SCORE = 1.5;
const DAYS_PER_WORTH = 100;
/** A look is not asked for again within so many days. */
const FRESH_D = 4;

/** Days after sowing on which emergence is looked at. */
const CLOCK_D = [4, 7, 10, 14];
const CLOCK_ENDS_D = 21;
/** Hard frost: how long ago it still matters, and how long hurt tissue takes to show. */
const FROST_MATTERS_D = 30;
const FROST_SHOWS_D = 10;
/** Within this of what it bears, a night may have killed. */
const NEAR_LIMIT_C = 2;
const SEED_NEAR_D = 10;
/** Seedlings stand still to be counted, and gaps can still be sown, between these days. */
const FRAME_D = [12, 28] as const;
/** Rain that moves seed and seals ground, mm in two days; looked at within so many days. */
const WASHES_MM = 25;
const WASHED_WITHIN_D = 4;
/** The weeks in which seedlings are eaten, and those before a crop goes in, whose pests then live in it. */
const SEEDLINGS_D = [8, 21] as const;
const BEFORE_CROP_D = 21;
/** A spade once a year, in ground that is neither cold nor parched. */
const YEARLY_D = 330;
const SPADE_FROM_C = 7;
const SPADE_TO_C = 18;
/** Growing so many times heavier in three weeks, a stand changes from look to look. */
const SURGES = 1.5;
/** Less than this on average is seedlings, which have checks of their own, g/m2. */
const STANDS_G_M2 = 30;
const SURGE_D = 21;
const SURGE_LOOK_D = 8;
const MULCH_EVERY_D = 14;

/**
 * Answers: what is due on this bed today, and what would it settle? Nothing where neither a day has come nor an answer would change anything.
 */
export function questionsOf(cover: RoundCover, today: Day, standing?: Standing): Question[] {
  const fixed = fixedChecks(cover, today, standing);
  if (!standing || cover.asked.lived !== undefined)
    return [...fixed, ...inPassing(cover, today)].slice(0, MOST_A_BED);
  const asked = byWorth(cover, standing, today);
  const all = [
    ...fixed,
    ...asked.filter((q) => !fixed.some((f) => f.kind === q.kind && f.speciesId === q.speciesId)),
    ...inPassing(cover, today),
  ];
  return all.slice(0, MOST_A_BED);
}

const lastSeen = (cover: RoundCover, kind: QuestionKind): Day =>
  cover.seen.filter((s) => s.kinds.includes(kind)).reduce((d, s) => Math.max(d, s.day), -Infinity);

function fixedChecks(cover: RoundCover, today: Day, standing: Standing | undefined): Question[] {
  const out: Question[] = [];
  const add = (kind: QuestionKind, why: Why, speciesId?: string) =>
    out.push({ kind, why, minutes: MINUTES[kind], ...(speciesId ? { speciesId } : {}) });
  const since = today - cover.sownDay;
  if (since <= CLOCK_ENDS_D) {
    const due = CLOCK_D.filter((d) => d <= since).at(-1);
    if (due !== undefined && lastSeen(cover, 'emergence') < cover.sownDay + due)
      add('emergence', { is: 'clock', sownDays: since, at: due });
    const rain = heavyRain(cover, today);
    if (rain && lastSeen(cover, 'washed') < rain.day) add('washed', { is: 'rain', ...rain });
    if (isUp(cover) && since >= FRAME_D[0] && lastSeen(cover, 'frame') < cover.sownDay)
      add('frame', { is: 'stand', sownDays: since }, cover.asked.members[0]!.species.id);
    return out;
  }
  if (cover.deadDay !== undefined) {
    if (
      today - Math.max(cover.deadDay, lastSeen(cover, 'gaps')) >= MULCH_EVERY_D &&
      cover.asked.plantDay >= today
    )
      add('gaps', { is: 'mulch', dead: cover.deadDay });
    return out;
  }
  const last = [...cover.passes].reverse().find((p) => p.done);
  if (last) {
    const sheet = cover.passes.find((p) => p.done && /^lay-/.test(p.kind));
    const lifted = cover.passes.some((p) => p.done && p.kind === 'lift-sheet');
    if (sheet && !lifted) {
      const [from, done] = standing ? deadDays(standing) : [sheet.day + 12, sheet.day + 25];
      if (today >= from && lastSeen(cover, 'peek') < today - FRESH_D)
        add('peek', { is: 'under-sheet', laid: sheet.day, from, done });
      return out;
    }
    const way = LOOKED_AT[last.kind];
    if (way) {
      const [first, sure] = lookDays(way, cover.mean_c).map((d) => last.day + d) as [Day, Day];
      if (today >= first && lastSeen(cover, 'crowns') < Math.max(first, today - FRESH_D))
        add('crowns', { is: 'after-pass', pass: last.kind, day: last.day, from: first, sure });
      // A blade, a board and a beak miss the edges, pipes and corners.
      if (today >= sure && lastSeen(cover, 'edges') < sure)
        add('edges', { is: 'edges', pass: last.kind, day: last.day });
    }
    return out;
  }
  if (since <= FRAME_D[1] && isUp(cover) && lastSeen(cover, 'frame') < cover.sownDay)
    add('frame', { is: 'stand', sownDays: since }, cover.asked.members[0]!.species.id);
  const times = standing && surge(standing, today);
  if (times !== undefined && times >= SURGES && lastSeen(cover, 'stage') < today - SURGE_LOOK_D)
    add('stage', { is: 'surge', times }, cover.asked.members[0]!.species.id);
  const frost = hardFrost(cover, today);
  if (frost && today - frost.day >= FROST_SHOWS_D && lastSeen(cover, 'alive') < frost.day + FROST_SHOWS_D)
    add(
      'alive',
      { is: 'frost', low_c: frost.low_c, bears_c: frost.bears_c, day: frost.day },
      frost.speciesId,
    );
  if (standing) {
    const early = earlySeed(standing);
    if (early - today <= SEED_NEAR_D && lastSeen(cover, 'seed') < today - FRESH_D)
      add('seed', { is: 'seed-near', early });
  }
  return out;
}

/** Somebody has seen it up. */
const isUp = (cover: RoundCover): boolean =>
  cover.asked.looks.some((l) => l.emergence && l.emergence !== 'none');

/** What is looked at in passing, where nothing presses: what lives in it, and once a year the soil. */
function inPassing(cover: RoundCover, today: Day): Question[] {
  const out: Question[] = [];
  const lies = cover.passes.some((p) => p.done && /^lay-/.test(p.kind));
  if (cover.deadDay !== undefined || lies) return out;
  const add = (kind: QuestionKind, why: Why) => out.push({ kind, why, minutes: MINUTES[kind] });
  const since = today - cover.sownDay;
  const seen = lastSeen(cover, 'pests');
  const left = cover.asked.plantDay - today;
  if (since >= SEEDLINGS_D[0] && since <= SEEDLINGS_D[1] && seen < cover.sownDay)
    add('pests', { is: 'seedlings', sownDays: since });
  else if (left >= 0 && left <= BEFORE_CROP_D && seen < cover.asked.plantDay - BEFORE_CROP_D)
    add('pests', { is: 'before-crop', plant: cover.asked.plantDay });
  const { soilSeen, mean_c } = cover;
  if (
    since > CLOCK_ENDS_D &&
    mean_c >= SPADE_FROM_C &&
    mean_c <= SPADE_TO_C &&
    (soilSeen ?? -Infinity) < today - YEARLY_D
  )
    add('soil', { is: 'yearly', last: soilSeen });
  return out;
}

/** The heaviest two days of rain that were measured within the last days, where they move seed. */
function heavyRain(cover: RoundCover, today: Day): { mm: number; day: Day } | undefined {
  const rain = new Map((cover.asked.observed ?? []).map(([day, , , mm]) => [day, mm]));
  let worst: { mm: number; day: Day } | undefined;
  for (let day = Math.max(cover.sownDay, today - WASHED_WITHIN_D); day <= today; day++) {
    const mm = (rain.get(day) ?? 0) + (rain.get(day - 1) ?? 0);
    if (mm >= WASHES_MM && (!worst || mm > worst.mm)) worst = { mm, day };
  }
  return worst;
}

/** How many times heavier the stand is three weeks from today, mean over its years; nothing where it is not growing through a spring yet. */
function surge({ soFar, fromDay }: Standing, today: Day): number | undefined {
  const { courses, weights } = soFar;
  const at = today - fromDay;
  let now = 0;
  let then = 0;
  let total = 0;
  for (const [y, c] of courses.entries()) {
    const w = weights ? weights[y]! : 1;
    total += w;
    const to = Math.min(c.days - 1, at + SURGE_D);
    for (let s = 0; s < c.members; s++) {
      now += w * c.dm_g_m2[at * c.members + s]!;
      then += w * c.dm_g_m2[to * c.members + s]!;
    }
  }
  return now > STANDS_G_M2 * total ? then / now : undefined;
}

/** The hardest night of the last month that came near what a member bears, as far as it was measured. */
function hardFrost(cover: RoundCover, today: Day) {
  let worst: { day: Day; low_c: number; bears_c: number; speciesId: string } | undefined;
  for (const [day, low_c] of cover.asked.observed ?? []) {
    if (day > today || day < today - FROST_MATTERS_D || low_c > -2) continue;
    for (const { species } of cover.asked.members) {
      const bears_c = species.cold.hardened_c;
      if (low_c <= bears_c + NEAR_LIMIT_C && (!worst || low_c - bears_c < worst.low_c - worst.bears_c))
        worst = { day, low_c, bears_c, speciesId: species.id };
    }
  }
  return worst;
}

/** Under a sheet: the day from which one year in ten is dead, and by which nine are. */
function deadDays({ onward, fromDay }: Standing): [Day, Day] {
  const days = onward.courses.map((c) => {
    for (let d = c.days - 1; d > 0; d--)
      for (let s = 0; s < c.members; s++) if (c.alive[d * c.members + s]! > 0.1) return fromDay + d + 1;
    return fromDay;
  });
  return [Math.round(quantile(days, 0.1)), Math.round(quantile(days, 0.9))];
}

function earlySeed({ soFar, fromDay }: Standing): Day {
  const days = soFar.courses.map((c) => {
    for (let d = c.sownAt; d < c.days; d++)
      for (let s = 0; s < c.members; s++) {
        const i = d * c.members + s;
        if (c.alive[i]! > 0.05 && c.stage[i]! >= 5) return fromDay + d;
      }
    return Infinity;
  });
  return quantile(days, 0.1, soFar.weights);
}

const COVERS = [0.15, 0.35, 0.55, 0.75, 0.92];
const ALIVES = [0, 0.35, 0.7, 1];
/** Alive is worth asking of what may have died. */
const DOUBTFUL = [0.05, 0.95] as const;

function byWorth(cover: RoundCover, standing: Standing, today: Day): Question[] {
  const { asked } = cover;
  const { soFar, fromDay } = standing;
  const aims = asked.aims && asked.aims.length > 0 ? asked.aims : USUAL_AIMS;
  const able = asked.methods.filter((m) => m.missing.length === 0 && m.proposed !== false);
  const ways = leading(cover, standing, able, today);
  if (ways.length === 0) return [];
  const decision = decisionOf(standing, ways, aims, today);
  const n = soFar.courses.length;
  const weights = soFar.weights ?? new Float64Array(n).fill(1 / n);
  const at = today - fromDay;
  const found: { q: Question; score: number }[] = [];
  const ask = (kind: QuestionKind, answers: Omit<LookSeen, 'day'>[], speciesId?: string) => {
    if (lastSeen(cover, kind) >= today - FRESH_D) return;
    const worth = worthOfAsking(
      standing,
      decision,
      answers.map((a) => ({ ...a, day: today })),
      weights,
    );
    const score = worth.widthNow_d - worth.widthAfter_d + worth.gain * DAYS_PER_WORTH;
    if (score >= LEAST_SCORE || cover.lookDue)
      found.push({
        q: {
          kind,
          ...(speciesId ? { speciesId } : {}),
          why: { is: 'worth', worth, method: decision.method },
          minutes: MINUTES[kind],
        },
        score,
      });
  };
  asked.members.forEach(({ species }, index) => {
    ask('stage', stageAnswers(soFar.courses, at, index), species.id);
    const alive = soFar.courses.reduce((s, c, y) => s + weights[y]! * c.alive[at * c.members + index]!, 0);
    if (alive > DOUBTFUL[0] && alive < DOUBTFUL[1])
      ask(
        'alive',
        ALIVES.map((a) => ({ members: [{ index, alive: a }] })),
        species.id,
      );
  });
  ask(
    'cover',
    COVERS.map((c) => ({ cover: c })),
  );
  const heights = soFar.courses.map((c) => c.height_m[at]!);
  ask(
    'height',
    [0.1, 0.3, 0.5, 0.7, 0.9].map((p) => ({ height_m: Math.max(0.01, quantile(heights, p, weights)) })),
  );
  ask('weeds', [{ weeds: 'few' }, { weeds: 'some' }, { weeds: 'many' }]);
  const sorted = found.sort((a, b) => b.score - a.score);
  const worthy = sorted.filter((f) => f.score >= LEAST_SCORE).map((f) => f.q);
  if (worthy.length > 0 || !cover.lookDue) return worthy;
  // Nothing would move much, yet a week without a look is long: how far the lead is, or while the ground is open, how much is covered.
  const open = soFar.courses.reduce((s, c, y) => s + weights[y]! * c.cover[at]!, 0) < CLOSED;
  const last = cover.seen.reduce((d, s) => Math.max(d, s.day), -Infinity);
  return [
    {
      kind: open ? 'cover' : 'stage',
      ...(open ? {} : { speciesId: asked.members[0]!.species.id }),
      why: { is: 'regular', last: Number.isFinite(last) ? last : undefined },
      minutes: MINUTES[open ? 'cover' : 'stage'],
    },
  ];
}
const CLOSED = 0.8;

/** What a count of ten may say today: so many of them come to the stage that is next, over the range that the years allow. */
function stageAnswers(
  courses: Standing['soFar']['courses'],
  at: number,
  index: number,
): Omit<LookSeen, 'day'>[] {
  const stages = courses.map((c) => c.stage[at * c.members + index]!).filter((s) => s >= 1);
  if (stages.length === 0) return STAGES.slice(1).map((stage) => ({ members: [{ index, stage }] }));
  const low = Math.max(1, Math.floor(Math.min(...stages)));
  const high = Math.min(5, Math.ceil(Math.max(...stages) + 0.01));
  const answers: Omit<LookSeen, 'day'>[] = [];
  for (let k = Math.max(2, low); k <= high; k++)
    for (const reached of k === high ? [0, 2, 5, 8, 10] : [2, 5, 8])
      answers.push({ members: [{ index, tens: { stage: STAGES[k]!, reached, of: 10 } }] });
  return answers;
}

/** The way that is settled on; where none is, the one that leads. */
function leading(cover: RoundCover, standing: Standing, able: MethodHere[], today: Day): MethodHere[] {
  const settled = able.find((m) => m.id === cover.asked.settled?.method);
  if (settled) return [settled];
  const aims = cover.asked.aims && cover.asked.aims.length > 0 ? cover.asked.aims : USUAL_AIMS;
  const best = bestWay(standing.soFar, able, aims, undefined, Math.max(0, today - standing.fromDay));
  return able.filter((m) => m.id === best?.method);
}

/** The walk: beds with something due, in the order in which they are passed. What is asked of a bed hangs on no other, so that they can be asked apart. */
export function roundsOf(covers: readonly RoundCover[], today: Day): RoundBed[] {
  return covers.flatMap((cover) => {
    // Seed that is still coming up, and what is dead, ask nothing of the years.
    const needs = cover.deadDay === undefined && today - cover.sownDay > CLOCK_ENDS_D;
    const questions = questionsOf(cover, today, needs ? standOf(cover.asked) : undefined).filter(
      (q) => q.kind !== 'soil' || cover.spade !== false,
    );
    return questions.length > 0 ? [{ coverId: cover.id, bedId: cover.bedId, questions }] : [];
  });
}
