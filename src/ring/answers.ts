import { notifyManager, QueryClient, queryOptions, useQueries, useQuery } from '@tanstack/react-query';
import { type Failure } from '../core/result/result.ts';
import { ask, askQuick } from '../workers/core/client.ts';
import { whenStill } from './stillness.ts';
import { type Kind, type Questions } from '../workers/core/protocol.ts';

/**
 * Answers of the core by their questions. The same question has the same answer for ever, so none grows stale; those that no screen shows any more are
 * kept for a while. The core needs no network.
 */
export const answers = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: Infinity,
      gcTime: 20 * 60_000,
      retry: false,
      networkMode: 'always',
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
      structuralSharing: false,
    },
  },
});

/** Answers that arrive within this time are shown together: a screen with many is drawn once for all of them, not once for each. */
const TOGETHER_MS = 40;
let waiting: (() => void)[] = [];
notifyManager.setScheduler((tell) => {
  if (waiting.push(tell) > 1) return;
  setTimeout(
    () =>
      whenStill(() => {
        const all = waiting;
        waiting = [];
        for (const each of all) each();
      }),
    TOGETHER_MS,
  );
});

/** What came back in place of an answer. */
class Unanswered extends Error {
  constructor(readonly failure: Failure) {
    super(failure.code);
  }
}

/** An answer, or why there is none; neither while it is being worked out. */
export interface Answered<K extends Kind> {
  answer: Questions[K]['answer'] | undefined;
  failure: Failure | undefined;
  /** What stands is the answer to the question before. */
  busy: boolean;
}

interface How {
  /** A hand waits for it: asked of the worker that never stands behind whole gaps. */
  quick?: boolean;
  /** The answer to an earlier question of the same subject stands until the new one is there, so that nothing jumps under a thumb. */
  subject?: string;
}

const question = <K extends Kind>(kind: K, text: string, { quick, subject }: How = {}) =>
  queryOptions({
    queryKey: [kind, text, subject] as const,
    enabled: text !== '',
    queryFn: async ({ signal }) => {
      const job = (quick ? askQuick : ask)(kind, JSON.parse(text) as Questions[K]['input']);
      // Nobody looks any more: it need not be worked out.
      signal.addEventListener('abort', () => job.cancel());
      const r = await job.answer;
      if (!r.ok) throw new Unanswered(r.failure);
      return r.value as NonNullable<Questions[K]['answer']>;
    },
    placeholderData: (before, from) =>
      subject !== undefined && from?.queryKey[2] === subject ? before : undefined,
  });

const told = <K extends Kind>(q: {
  data: Questions[K]['answer'] | undefined;
  error: Error | null;
  isPlaceholderData: boolean;
}): Answered<K> => ({
  answer: q.data,
  failure: q.error instanceof Unanswered ? q.error.failure : undefined,
  busy: q.isPlaceholderData,
});

/** The answer to one question of the core, worked out off the main thread. `text` is the question as JSON; nothing is asked while it is empty. */
export const useAnswer = <K extends Kind>(kind: K, text: string, how: How = {}): Answered<K> =>
  told<K>(useQuery(question(kind, text, how)));

/** As `useAnswer`, for many questions at once, in their order. */
export const useAnswers = <K extends Kind>(kind: K, texts: string[], how: How = {}): Answered<K>[] =>
  useQueries({
    queries: texts.map((text) => question(kind, text, how)),
    combine: (all) => all.map((q) => told<K>(q)),
  });
