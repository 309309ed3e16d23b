import { useEffect, useMemo, useState } from 'react';
import { type ShareAnswer } from '../core/share/types.ts';
import { type Failure } from '../core/result/result.ts';
import { shareInput } from '../questions/share.ts';
import { askInParts } from '../workers/core/client.ts';
import { useGarden } from './garden.tsx';

/** How few things are shared out over all beds: the board as soon as it is there, proposals as they are found. What stood before stays up meanwhile. */
export function useShare(): { answer: ShareAnswer | undefined; busy: boolean; failure: Failure | undefined } {
  const ring = useGarden();
  const key = useMemo(() => JSON.stringify(shareInput(ring, ring.today)), [ring]);
  const [state, setState] = useState<{ key: string; answer?: ShareAnswer; failure?: Failure }>({ key: '' });
  useEffect(() => {
    let gone = false;
    const job = askInParts('share', JSON.parse(key) as ReturnType<typeof shareInput>, (part) => {
      if (!gone) setState((s) => ({ ...s, answer: part }));
    });
    void job.answer.then((r) => {
      if (gone) return;
      if (r.ok) setState({ key, answer: r.value });
      else if (r.failure.code !== 'cancelled') setState({ key, failure: r.failure });
    });
    return () => {
      gone = true;
      job.cancel();
    };
  }, [key]);
  return { answer: state.answer, busy: state.key !== key, failure: state.failure };
}
