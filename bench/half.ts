import { parentPort, workerData } from 'node:worker_threads';
import { roughSamples, settleSamples } from '../src/core/choose/rounds.ts';
import { type Hint } from '../src/core/choose/sample.ts';
import { type CourseRoom } from '../src/core/plan/grown.ts';
import { type Ensemble } from '../src/core/stand/ensemble.ts';
import { gapEnsemble } from '../src/core/choose/choose.ts';
import { halfOf, input } from './gap.ts';

/** One of the two workers of a gap: weather and half of the covers each time it is asked, then the covers it is handed to settle. */
const half = halfOf(workerData as number);
let ensemble: Ensemble | undefined;
const room: CourseRoom = new Map();
parentPort!.on('message', ({ id, hint }: { id: number; hint?: Hint }) => {
  if (!hint) ensemble = gapEnsemble(half);
  const parts = hint ? settleSamples(input, [hint], ensemble!, room) : roughSamples(half, ensemble!, room);
  for (const sample of parts) parentPort!.postMessage({ id, sample });
  parentPort!.postMessage({ id, done: true });
});
