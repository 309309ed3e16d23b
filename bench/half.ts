import { parentPort, workerData } from 'node:worker_threads';
import { roughSamples, settleSamples } from '../src/core/choose/rounds.ts';
import { type Hint } from '../src/core/choose/sample.ts';
import { type Ensemble } from '../src/core/stand/ensemble.ts';
import { gapEnsemble } from '../src/core/choose/choose.ts';
import { halfOf, input } from './gap.ts';

/** One of the two workers of a gap: weather and half of the covers each time it is asked, then the covers it is told to settle. */
const half = halfOf(workerData as number);
let ensemble: Ensemble | undefined;
parentPort!.on('message', (hints: Hint[] | null) => {
  if (!hints) ensemble = gapEnsemble(half);
  const parts = hints ? settleSamples(input, hints, ensemble!) : roughSamples(half, ensemble!);
  for (const sample of parts) parentPort!.postMessage({ sample });
  parentPort!.postMessage({ done: true });
});
