import { Deal } from '../../core/choose/deal.ts';
import { type Hint, type Sample } from '../../core/choose/sample.ts';
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

/** One worker with what waits for it; started when first asked, started afresh after it is lost. */
class Bench {
  private worker: Worker | undefined;
  private readonly waiting = new Map<number, Waiting>();

  post(message: ToWorker, waits?: Waiting): void {
    if (waits) this.waiting.set(message.id, waits);
    this.wake();
    this.worker!.postMessage(message);
  }

  /** Starts it before it is asked, so that what it runs is there by then. */
  wake(): void {
    this.worker ??= this.start();
  }

  /** Parts that are under way already are not heard any more; the answer, that it was called off, still is. */
  callOff(id: number): void {
    const waits = this.waiting.get(id);
    if (!waits) return;
    waits.part = undefined;
    this.post({ type: 'cancel', id });
  }

  private start(): Worker {
    const made = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    made.onmessage = (event: MessageEvent<FromWorker>) => this.hear(event.data);
    made.onerror = (event) => {
      console.error('A worker was lost:', event?.message);
      // A worker that cannot load answers nobody: say so to all and start afresh with the next question.
      for (const w of this.waiting.values()) w.settle(fail('worker-lost'));
      this.waiting.clear();
      this.worker = undefined;
    };
    return made;
  }

  private hear(m: FromWorker): void {
    const w = this.waiting.get(m.id);
    if (!w) return;
    if (m.type === 'part') return w.part?.(m.part, m.done, m.total);
    this.waiting.delete(m.id);
    w.settle(
      m.type === 'answer'
        ? ok(m.answer)
        : m.type === 'failed'
          ? { ok: false, failure: m.failure }
          : fail('cancelled'),
    );
  }
}

/** Whole gaps are shared out over these; what is asked while dragging has a worker of its own and never waits behind them. */
const SHARED = [new Bench(), new Bench()];
const QUICK = new Bench();
let last = 0;
let turn = 0;

/** Starts the workers that screens ask first: they load beside the page and its records, not after them. */
export const wakeWorkers = (): void => SHARED.forEach((bench) => bench.wake());

function askBench<K extends Kind>(
  bench: Bench,
  kind: K,
  input: Questions[K]['input'],
  onPart?: Waiting['part'],
): Asked<K> {
  const id = ++last;
  const answer = new Promise<Result<Questions[K]['answer'], Failure>>((resolve) => {
    bench.post({ type: 'ask', id, kind, input } as ToWorker, {
      part: onPart,
      settle: resolve as Waiting['settle'],
    });
  });
  return { answer, cancel: () => bench.callOff(id) };
}

/** What is worked out ahead, while nobody asks. */
let ahead: { cancel(): void } | undefined;
function callOffAhead(): void {
  ahead?.cancel();
  ahead = undefined;
}

/** Asks the core off the main thread. */
export function ask<K extends Kind>(kind: K, input: Questions[K]['input']): Asked<K> {
  callOffAhead();
  return askBench(SHARED[turn++ % SHARED.length]!, kind, input);
}

/** As `ask`, for an answer that comes in parts, each replacing the one before. */
export const askInParts = <K extends Kind>(
  kind: K,
  input: Questions[K]['input'],
  onPart: (part: Questions[K]['part']) => void,
): Asked<K> => {
  callOffAhead();
  return askBench(SHARED[turn++ % SHARED.length]!, kind, input, (part) =>
    onPart(part as Questions[K]['part']),
  );
};

/** Asks what cannot wait, since a hand is on a slider or an edge. */
export const askQuick = <K extends Kind>(kind: K, input: Questions[K]['input']): Asked<K> => {
  callOffAhead();
  return askBench(QUICK, kind, input);
};

/** A worker has its next cover before it is done with this one, and never waits for the page. */
const IN_HAND = 2;

/**
 * Asks for a whole gap. Its covers are dealt out to all workers for a first round on few years; a worker that is done with its own takes what is to
 * be looked at again. Parts come as they are done, a later one replacing an earlier one of the same id.
 */
export function askChoose(
  input: Questions['choose']['input'],
  onPart: (part: Sample, done: number, total: number) => void,
): { answer: Promise<Result<Sample[]>>; cancel(): void } {
  callOffAhead();
  return wholeGap(input, onPart);
}

/** Works a whole gap out ahead; whatever else is asked calls it off. */
export function foresee(input: Questions['choose']['input']): Promise<Result<Sample[]>> {
  callOffAhead();
  const job = wholeGap(input, () => undefined);
  ahead = job;
  return job.answer;
}

function wholeGap(
  input: Questions['choose']['input'],
  onPart: (part: Sample, done: number, total: number) => void,
): { answer: Promise<Result<Sample[]>>; cancel(): void } {
  const deal = new Deal(input.aims, input.years);
  const hear = (part: unknown) => {
    const sample = part as Sample;
    deal.hear(sample);
    onPart(sample, deal.found.size + deal.done, input.candidates.length + deal.total);
  };
  const jobs = new Set<{ cancel(): void }>();
  let off = false;
  let lost: Result<Sample[]> | undefined;
  const wait = async (job: { answer: Promise<Result<Sample[]>>; cancel(): void }) => {
    jobs.add(job);
    const r = await job.answer;
    jobs.delete(job);
    if (!r.ok) lost ??= r;
  };
  const goesOn = () => !off && !lost;
  const settle = (bench: Bench, hint: Hint) => {
    const asked = { ...input, candidates: input.candidates.filter((c) => c.id === hint.id) };
    return wait(askBench(bench, 'settle', { asked, hints: [hint] }, hear));
  };
  async function work(): Promise<Result<Sample[]>> {
    await Promise.all(
      SHARED.map(async (bench, k) => {
        const candidates = input.candidates.filter((_, i) => i % SHARED.length === k);
        await wait(askBench(bench, 'choose', { ...input, candidates }, hear));
        await Promise.all(
          Array.from({ length: IN_HAND }, () => deal.work((hint) => settle(bench, hint), goesOn)),
        );
      }),
    );
    return lost ?? (off ? fail('cancelled') : ok([...deal.found.values()]));
  }
  return {
    answer: work(),
    cancel: () => {
      off = true;
      jobs.forEach((j) => j.cancel());
    },
  };
}
