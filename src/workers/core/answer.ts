import { allCovers, climates } from '../../catalogue/catalogue.ts';
import { gapEnsemble, sampleFor } from '../../core/choose/choose.ts';
import { type ChooseInput } from '../../core/choose/input.ts';
import { roughSamples, settleSamples } from '../../core/choose/rounds.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { type CourseRoom } from '../../core/plan/grown.ts';
import { type Ensemble } from '../../core/stand/ensemble.ts';
import { lanes } from '../../core/plan/lanes.ts';
import { lastWeeks, tryEnding } from '../../core/plan/lastWeeks.ts';
import { type ForecastInput, type Standing, standOf } from '../../core/plan/standing.ts';
import { forecastCover } from '../../core/forecast/forecast.ts';
import { plantBack } from '../../core/plantBack/plantBack.ts';
import { mowing } from '../../core/strips/mowing.ts';
import { waterToday } from '../../core/watering/follow.ts';
import { sowToday } from '../../core/sowing/today.ts';
import { readCover } from '../../core/look/photo.ts';
import { roundsOf } from '../../core/rounds/rounds.ts';
import { shareOut } from '../../core/share/share.ts';
import { cameOf } from '../../core/learn/came.ts';
import { learnKills } from '../../core/learn/kills.ts';
import { learn } from '../../core/learn/learn.ts';
import { coversFor, coverThere } from '../../core/rotation/covers.ts';
import { planRotations } from '../../core/rotation/rotation.ts';
import { frostsOf, withFrosts } from '../../core/climate/corrected.ts';
import { siteFromNormals } from '../../core/climate/normals.ts';
import { siteFromPattern } from '../../core/climate/pattern.ts';
import { siteFromQuestions } from '../../core/climate/questions.ts';
import { type FromWorker, type Kind, type Questions, type ToWorker } from './protocol.ts';

type Ask = Extract<ToWorker, { type: 'ask' }>;

/** The weather last worked with: changing covers, dates or aims in the same gap asks for no new weather. */
let weather: { key: string; ensemble: Ensemble } | undefined;
const room: CourseRoom = new Map();

function weatherOf(input: ChooseInput): Ensemble {
  const { freeDay, plantDay } = input.gap;
  const key = JSON.stringify([input.site, freeDay, plantDay, input.years]);
  if (weather?.key !== key) weather = { key, ensemble: gapEnsemble(input) };
  return weather.ensemble;
}

/** The cover last held up against ways of ending it: a dragged knot asks for no new growing. Any other question writes over what it reads. */
let held: { key: string; standing: Standing } | undefined;

/** Covers among which a gap of a plan is given one. */
const PLAN_COVERS = 4;

/** Questions that are answered on the cover last grown. */
const ON_HELD = new Set<Ask['kind']>(['tryEnding', 'lastWeeks', 'variants', 'lanes']);

function standingOf(input: ForecastInput): Standing {
  const key = JSON.stringify(input);
  if (held?.key !== key) held = { key, standing: standOf(input) };
  return held.standing;
}

type OneAnswer = Exclude<Kind, 'choose' | 'settle' | 'share'>;

const wayOf = (asked: ForecastInput, id: string) => asked.methods.find((m) => m.id === id);

/** Questions that are answered in one piece. */
const ANSWERS: { [K in OneAnswer]: (input: Questions[K]['input']) => Questions[K]['answer'] } = {
  sample: (input) => sampleFor(input.candidates[0]!, input, weatherOf(input), room),
  forecast: forecastCover,
  rounds: ({ covers, today }) => roundsOf(covers, today),
  photo: ({ picture, shift }) => readCover(picture, shift),
  lastWeeks: ({ asked, method, inThirds }) =>
    lastWeeks(asked, method === null ? undefined : wayOf(asked, method), standingOf(asked), inThirds),
  lanes: ({ asked, method, aims, count, apart_d }) =>
    lanes(standingOf(asked), wayOf(asked, method)!, aims, count, apart_d, asked.today),
  variants: ({ asked, startDay, ways }) => ways.map((m) => tryEnding(standingOf(asked), m, startDay)),
  tryEnding: ({ asked, method, startDay, after_d }) =>
    tryEnding(standingOf(asked), wayOf(asked, method)!, startDay, after_d ?? undefined),
  plantBack,
  planCovers: ({ only, ...input }) => {
    const candidates = [...input.candidates, ...allCovers()];
    if (only === undefined) return coversFor({ ...input, candidates }, PLAN_COVERS);
    const one = candidates.find((c) => c.id === only);
    return one ? coverThere(input, one) : [];
  },
  learnKills,
  mowing,
  water: waterToday,
  sowToday,
  fitQuestions: (input) => siteFromQuestions(input, climates),
  fitNormals: siteFromNormals,
  learn,
  came: (input) => cameOf(input),
  rotate: planRotations,
  frosts: frostsOf,
  fitFrosts: ({ site, known }) => withFrosts(site, known),
  fitPattern: ({ patternId, latitude_deg }) =>
    siteFromPattern(climates.find((c) => c.id === patternId) ?? climates[0]!, latitude_deg),
};

/**
 * Works one question out, posting parts as they come. Between parts it lets other messages in, so that a cancel is heard.
 * The worker file is a few lines round this, and tests call it directly.
 */
export async function answer(
  ask: Ask,
  post: (m: FromWorker) => void,
  cancelled: () => boolean,
  pause: () => Promise<void>,
): Promise<void> {
  const { id } = ask;
  /** Posts every part; the answer is what `whole` makes of them, unless it was called off between two. */
  async function inParts<P>(parts: Iterable<P>, total: number, whole: (all: P[]) => unknown): Promise<void> {
    const all: P[] = [];
    for (const part of parts) {
      all.push(part);
      post({ type: 'part', id, done: total === 0 ? 0 : all.length, total, part });
      await pause();
      if (cancelled()) return post({ type: 'cancelled', id });
    }
    post({ type: 'answer', id, answer: whole(all) });
  }
  const samples = (all: Sample[]) => [...new Map(all.map((s) => [s.id, s])).values()];
  try {
    if (!ON_HELD.has(ask.kind)) held = undefined;
    switch (ask.kind) {
      case 'choose': {
        const { input } = ask;
        return await inParts(roughSamples(input, weatherOf(input), room), input.candidates.length, samples);
      }
      case 'settle': {
        const { asked, hints } = ask.input;
        return await inParts(settleSamples(asked, hints, weatherOf(asked), room), hints.length, samples);
      }
      case 'share':
        return await inParts(shareOut(ask.input), 0, (all) => all.at(-1));
      default:
        return post({
          type: 'answer',
          id,
          answer: (ANSWERS[ask.kind] as (input: unknown) => unknown)(ask.input),
        });
    }
  } catch (error) {
    // With its place in the code for whoever looks into it; the screen says it in a sentence.
    console.error(error);
    post({
      type: 'failed',
      id,
      failure: {
        code: 'core-failed',
        facts: { words: error instanceof Error ? error.message : String(error) },
      },
    });
  }
}
