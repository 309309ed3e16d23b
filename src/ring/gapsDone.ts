import { type Sample } from '../core/choose/sample.ts';

// Whole gaps that were worked out in this visit, by their question: who comes back to one finds it as it was left.

const MOST = 8;
const done = new Map<string, Sample[]>();

export const recallGap = (key: string): Sample[] | undefined => done.get(key);

/** Keeps a gap that was worked out to its end; the one that was kept longest ago gives way. */
export function keepGap(key: string, samples: Sample[]): void {
  done.delete(key);
  done.set(key, samples);
  for (const oldest of done.keys()) if (done.size > MOST) done.delete(oldest);
}
