import { type Failure, type Result, fail, ok } from '../../core/result/result.ts';
import { type FromWorker, type Kind, type Questions, type ToWorker } from './protocol.ts';

interface Waiting {
  part?: (part: unknown, done: number, total: number) => void;
  settle: (result: Result<unknown>) => void;
}

/** A question under way: its answer, and a way to call it off. */
export interface Asked<K extends Kind> {
  answer: Promise<Result<Questions[K]['answer']>>;
  cancel(): void;
}

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, Waiting>();

function start(): Worker {
  const made = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  made.onmessage = (event: MessageEvent<FromWorker>) => {
    const m = event.data;
    const w = waiting.get(m.id);
    if (!w) return;
    if (m.type === 'part') return w.part?.(m.part, m.done, m.total);
    waiting.delete(m.id);
    w.settle(
      m.type === 'answer'
        ? ok(m.answer)
        : m.type === 'failed'
          ? { ok: false, failure: m.failure }
          : fail('cancelled'),
    );
  };
  made.onerror = () => {
    // A worker that cannot load answers nobody: say so to all and start afresh with the next question.
    for (const w of waiting.values()) w.settle(fail('worker-lost'));
    waiting.clear();
    worker = undefined;
  };
  return made;
}

/** Asks the core off the main thread. */
export function ask<K extends Kind>(
  kind: K,
  input: Questions[K]['input'],
  onPart?: (part: Questions[K]['part'], done: number, total: number) => void,
): Asked<K> {
  worker ??= start();
  const id = ++last;
  const answer = new Promise<Result<Questions[K]['answer'], Failure>>((resolve) => {
    waiting.set(id, { part: onPart as Waiting['part'], settle: resolve as Waiting['settle'] });
  });
  worker.postMessage({ type: 'ask', id, kind, input } as ToWorker);
  return { answer, cancel: () => worker?.postMessage({ type: 'cancel', id } satisfies ToWorker) };
}
