import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type ChooseInput } from '../core/choose/input.ts';
import { type Sample } from '../core/choose/sample.ts';
import { failureWords } from '../ui/failureWords.ts';
import { askChoose, askQuick } from '../workers/core/client.ts';
import { keepGap, recallGap } from './gapsDone.ts';
import { whenStill } from './stillness.ts';

interface Told {
  samples: Sample[];
  progress: [number, number] | null;
  problem: string;
}

interface Hanging extends Told {
  /** A sample on all plausible years: at once where it is, else when it has been worked out. What somebody looks at or puts on a bed is told from no few. */
  settled(sample: Sample): Promise<Sample>;
}

/** What was found in a gap, for which question, and what has been asked for beside it. */
interface Kept {
  gap: string;
  found: Map<string, Sample>;
  key: string;
  input: ChooseInput | null;
  /** Asked for by name, with the question they were asked under. */
  asked: Map<string, { key: string; sample: Promise<Sample> }>;
}

const NOTHING: Told = { samples: [], progress: null, problem: '' };
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
  const [hanging, setHanging] = useState<Told>(NOTHING);
  const kept = useRef<Kept>({ gap: '', found: new Map(), key: '', input: null, asked: new Map() });
  // Compared by value: a new object with the same content asks nothing new.
  const key = useMemo(() => (question ? JSON.stringify(question) : ''), [question]);
  useEffect(() => {
    if (!key) return setHanging(NOTHING);
    const input = JSON.parse(key) as ChooseInput;
    const gap = JSON.stringify({ ...input, aims: [] });
    if (kept.current.gap !== gap) kept.current = { gap, found: new Map(), key, input, asked: new Map() };
    Object.assign(kept.current, { key, input });
    const { found } = kept.current;
    const known = recallGap(key);
    if (known) {
      for (const sample of known) found.set(sample.id, sample);
      return setHanging({ samples: known, progress: null, problem: '' });
    }
    let left = false;
    const show = (now: Told) => whenStill(() => !left && setHanging(now));
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
        // What was asked for by name under this question stays.
        const byName = (s: Sample) =>
          kept.current.asked.get(s.id)?.key === key && found.get(s.id)!.years > s.years;
        for (const sample of r.value) if (!byName(sample)) found.set(sample.id, sample);
        keepGap(key, r.value);
        show({ samples: r.value.map((s) => found.get(s.id)!), progress: null, problem: '' });
      } else if (r.failure.code !== 'cancelled') show({ ...NOTHING, problem: failureWords(r.failure) });
    });
    return () => {
      left = true;
      job.cancel();
    };
  }, [key]);
  const settled = useCallback((sample: Sample): Promise<Sample> => {
    const { found, key: now, input, asked } = kept.current;
    const before = asked.get(sample.id);
    if (before?.key === now) return before.sample;
    const candidates = input?.candidates.filter((c) => c.id === sample.id) ?? [];
    if (!input || candidates.length === 0 || (!before && sample.years >= input.years))
      return Promise.resolve(sample);
    const { id, sowDay } = sample;
    const hints = [{ id, sowDay, years: input.years }];
    const answer = askQuick('settle', { asked: { ...input, candidates }, hints }).answer.then((r) => {
      const better = r.ok ? r.value[0] : undefined;
      if (!better) return sample;
      found.set(id, better);
      // Still the gap it was asked for.
      if (kept.current.found === found)
        setHanging((h) => ({ ...h, samples: h.samples.map((s) => (s.id === id ? better : s)) }));
      return better;
    });
    asked.set(id, { key: now, sample: answer });
    return answer;
  }, []);
  return { ...hanging, settled };
}
