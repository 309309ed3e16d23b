import { USUAL_AIMS } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { type LookSeen } from '../plan/weigh.ts';
import { bestWay } from '../plan/search.ts';
import { type Standing, standOf } from '../plan/standing.ts';
import { quantile } from '../random/quantile.ts';
import { STAGES } from '../stand/species.ts';
import { type MethodHere } from '../termination/method.ts';
import { CLOCK_ENDS_D, fixedChecks, FRESH_D, inPassing, lastSeen } from './checks.ts';
import { MINUTES, type Question, type QuestionKind, type RoundBed, type RoundCover } from './question.ts';
import { decisionOf, worthOfAsking } from './worth.ts';

// The walk past the beds: of every bed the questions whose answers would move its decision most, beside what has to be looked at on its day.

const MOST_A_BED = 2;
/** A question is worth its minutes from so many days narrower on; a hundredth of what a cover can be worth counts as a day. */
const LEAST_SCORE = 1.5;
const DAYS_PER_WORTH = 100;
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
