import { useEffect, useMemo, useRef, useState } from 'react';
import { type ChooseInput } from '../core/choose/input.ts';
import { type Sample } from '../core/choose/sample.ts';
import { failureWords } from '../ui/failureWords.ts';
import { askChoose } from '../workers/core/client.ts';
import { whenStill } from './stillness.ts';

interface Hanging {
  samples: Sample[];
  progress: [number, number] | null;
  problem: string;
}

const NOTHING: Hanging = { samples: [], progress: null, problem: '' };
/**
 * The first sample shows at once, the next soon after; then ever more of them wait for one another, since painting takes time from the
 * working out on a small machine.
 */
const REPAINT_MS = [300, 600, 1200];

/**
 * Asks the core for a gap's samples, shows them as they come, and calls the old question off when a new one is asked. While only the aims have
 * changed, what hangs stays up and is ordered anew at once; the new answers replace it one by one.
 */
export function useSamples(question: ChooseInput | null): Hanging {
  const [hanging, setHanging] = useState<Hanging>(NOTHING);
  const kept = useRef<{ gap: string; found: Map<string, Sample> }>({ gap: '', found: new Map() });
  // Compared by value: a new object with the same content asks nothing new.
  const key = useMemo(() => (question ? JSON.stringify(question) : ''), [question]);
  useEffect(() => {
    if (!key) return setHanging(NOTHING);
    const input = JSON.parse(key) as ChooseInput;
    const gap = JSON.stringify({ ...input, aims: [] });
    if (kept.current.gap !== gap) kept.current = { gap, found: new Map() };
    const { found } = kept.current;
    let left = false;
    const show = (now: Hanging) => whenStill(() => !left && setHanging(now));
    let painted = 0;
    let times = 0;
    setHanging({ samples: [...found.values()], progress: [0, input.candidates.length], problem: '' });
    const job = askChoose(input, (sample, done, total) => {
      // What is settled for other aims is better than a first guess for these.
      if ((found.get(sample.id)?.years ?? 0) <= sample.years) found.set(sample.id, sample);
      const wait = times === 0 ? 0 : REPAINT_MS[Math.min(times, REPAINT_MS.length) - 1]!;
      if (Date.now() - painted < wait) return;
      painted = Date.now();
      times++;
      show({ samples: [...found.values()], progress: [done, total], problem: '' });
    });
    void job.answer.then((r) => {
      if (r.ok) {
        for (const sample of r.value) found.set(sample.id, sample);
        show({ samples: r.value, progress: null, problem: '' });
      } else if (r.failure.code !== 'cancelled') show({ ...NOTHING, problem: failureWords(r.failure) });
    });
    return () => {
      left = true;
      job.cancel();
    };
  }, [key]);
  return hanging;
}
