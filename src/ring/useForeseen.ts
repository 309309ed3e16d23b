import { useEffect, useRef } from 'react';
import { nextGap } from '../questions/gapAsSaid.ts';
import { foresee } from '../workers/core/client.ts';
import { useGarden } from './garden.tsx';
import { keepGap, recallGap } from './gapsDone.ts';

/** Nothing is asked on a screen that has stood for so long, ms: there is time to work ahead. */
const QUIET_MS = 3000;

/**
 * Works the gap out that is open next, while nobody asks for anything: whoever opens it finds it done, and whoever opens another finds the workers run in. It
 * is called off by the first question that somebody waits for.
 */
export function useForeseen(): void {
  const ring = useGarden();
  const latest = useRef(ring);
  latest.current = ring;
  const { garden, plantings, covers, today } = ring;
  useEffect(() => {
    const later = setTimeout(() => {
      if (document.visibilityState === 'hidden') return;
      const question = nextGap(latest.current, latest.current.ground, latest.current.today);
      const key = question && JSON.stringify(question);
      if (!key || recallGap(key)) return;
      void foresee(question).then((r) => r.ok && keepGap(key, r.value));
    }, QUIET_MS);
    return () => clearTimeout(later);
  }, [garden, plantings, covers, today]);
}
