import { climates } from '../../catalogue/catalogue.ts';
import { chooseSamples, type Sample } from '../../core/choose/choose.ts';
import { forecastCover } from '../../core/plan/forecast.ts';
import { siteFromPattern } from '../../core/site/pattern.ts';
import { siteFromQuestions } from '../../core/site/questions.ts';
import { type FromWorker, type ToWorker } from './protocol.ts';

type Ask = Extract<ToWorker, { type: 'ask' }>;

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
  try {
    switch (ask.kind) {
      case 'choose': {
        const samples: Sample[] = [];
        const total = ask.input.candidates.length;
        for (const sample of chooseSamples(ask.input)) {
          samples.push(sample);
          post({ type: 'part', id, done: samples.length, total, part: sample });
          await pause();
          if (cancelled()) return post({ type: 'cancelled', id });
        }
        return post({ type: 'answer', id, answer: samples });
      }
      case 'forecast':
        return post({ type: 'answer', id, answer: forecastCover(ask.input) });
      case 'fitQuestions':
        return post({ type: 'answer', id, answer: siteFromQuestions(ask.input, climates) });
      case 'fitPattern': {
        const pattern = climates.find((c) => c.id === ask.input.patternId) ?? climates[0]!;
        return post({ type: 'answer', id, answer: siteFromPattern(pattern, ask.input.latitude_deg) });
      }
    }
  } catch (error) {
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
