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
import { type ShareAnswer } from '../../core/share/types.ts';
import { cameOf } from '../../core/learn/came.ts';
import { learnKills } from '../../core/learn/kills.ts';
import { learn } from '../../core/learn/learn.ts';
import { coversFor, coverThere } from '../../core/rotation/covers.ts';
import { planRotations } from '../../core/rotation/rotation.ts';
import { frostsOf, withFrosts } from '../../core/climate/corrected.ts';
import { siteFromNormals } from '../../core/climate/normals.ts';
import { siteFromPattern } from '../../core/climate/pattern.ts';
import { siteFromQuestions } from '../../core/climate/questions.ts';
import { type FromWorker, type ToWorker } from './protocol.ts';

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
  async function inParts(parts: Generator<Sample, unknown>, total: number): Promise<void> {
    const found = new Map<string, Sample>();
    for (const sample of parts) {
      found.set(sample.id, sample);
      post({ type: 'part', id, done: found.size, total, part: sample });
      await pause();
      if (cancelled()) return post({ type: 'cancelled', id });
    }
    post({ type: 'answer', id, answer: [...found.values()] });
  }
  try {
    if (!ON_HELD.has(ask.kind)) held = undefined;
    switch (ask.kind) {
      case 'choose': {
        const total = ask.input.candidates.length;
        return await inParts(roughSamples(ask.input, weatherOf(ask.input), room), total);
      }
      case 'settle': {
        const { asked, hints } = ask.input;
        return await inParts(settleSamples(asked, hints, weatherOf(asked), room), hints.length);
      }
      case 'sample':
        return post({
          type: 'answer',
          id,
          answer: sampleFor(ask.input.candidates[0]!, ask.input, weatherOf(ask.input), room),
        });
      case 'forecast':
        return post({ type: 'answer', id, answer: forecastCover(ask.input) });
      case 'share': {
        const parts = shareOut(ask.input);
        let shared: ShareAnswer | undefined;
        for (let step = parts.next(); !step.done; step = parts.next()) {
          shared = step.value;
          post({ type: 'part', id, done: 0, total: 0, part: shared });
          await pause();
          if (cancelled()) return post({ type: 'cancelled', id });
        }
        return post({ type: 'answer', id, answer: shared });
      }
      case 'rounds':
        return post({ type: 'answer', id, answer: roundsOf(ask.input.covers, ask.input.today) });
      case 'photo':
        return post({ type: 'answer', id, answer: readCover(ask.input.picture, ask.input.shift) });
      case 'lastWeeks': {
        const { asked, method, inThirds } = ask.input;
        const way = asked.methods.find((m) => m.id === method);
        return post({ type: 'answer', id, answer: lastWeeks(asked, way, standingOf(asked), inThirds) });
      }
      case 'lanes': {
        const { asked, method, aims, count, apart_d } = ask.input;
        const way = asked.methods.find((m) => m.id === method)!;
        return post({
          type: 'answer',
          id,
          answer: lanes(standingOf(asked), way, aims, count, apart_d, asked.today),
        });
      }
      case 'variants': {
        const { asked, startDay, ways } = ask.input;
        const standing = standingOf(asked);
        return post({ type: 'answer', id, answer: ways.map((m) => tryEnding(standing, m, startDay)) });
      }
      case 'tryEnding': {
        const { asked, method, startDay, after_d } = ask.input;
        const way = asked.methods.find((m) => m.id === method)!;
        const answered = tryEnding(standingOf(asked), way, startDay, after_d ?? undefined);
        return post({ type: 'answer', id, answer: answered });
      }
      case 'plantBack':
        return post({ type: 'answer', id, answer: plantBack(ask.input) });
      case 'planCovers': {
        const candidates = [...ask.input.candidates, ...allCovers()];
        const { only, ...input } = ask.input;
        const one = candidates.find((c) => c.id === only);
        if (only !== undefined)
          return post({ type: 'answer', id, answer: one ? coverThere(input, one) : [] });
        return post({ type: 'answer', id, answer: coversFor({ ...ask.input, candidates }, PLAN_COVERS) });
      }
      case 'learnKills':
        return post({ type: 'answer', id, answer: learnKills(ask.input) });
      case 'mowing':
        return post({ type: 'answer', id, answer: mowing(ask.input) });
      case 'water':
        return post({ type: 'answer', id, answer: waterToday(ask.input) });
      case 'sowToday':
        return post({ type: 'answer', id, answer: sowToday(ask.input) });
      case 'fitQuestions':
        return post({ type: 'answer', id, answer: siteFromQuestions(ask.input, climates) });
      case 'fitNormals':
        return post({ type: 'answer', id, answer: siteFromNormals(ask.input) });
      case 'learn':
        return post({ type: 'answer', id, answer: learn(ask.input) });
      case 'came':
        return post({ type: 'answer', id, answer: cameOf(ask.input) });
      case 'rotate':
        return post({ type: 'answer', id, answer: planRotations(ask.input) });
      case 'frosts':
        return post({ type: 'answer', id, answer: frostsOf(ask.input) });
      case 'fitFrosts':
        return post({ type: 'answer', id, answer: withFrosts(ask.input.site, ask.input.known) });
      case 'fitPattern': {
        const pattern = climates.find((c) => c.id === ask.input.patternId) ?? climates[0]!;
        return post({ type: 'answer', id, answer: siteFromPattern(pattern, ask.input.latitude_deg) });
      }
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
