import { parentPort, workerData } from 'node:worker_threads';
import { chooseSamples } from '../src/core/choose/choose.ts';
import { halfOf } from './gap.ts';

/** One of the two workers of a gap: weather and half of the covers each time it is asked; says when its first sample is there. */
const half = halfOf(workerData as number);
parentPort!.on('message', () => {
  let first = true;
  for (const sample of chooseSamples(half)) {
    if (first) parentPort!.postMessage({ first: sample.id });
    first = false;
  }
  parentPort!.postMessage({ done: true });
});
