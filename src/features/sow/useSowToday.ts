import { useEffect, useState } from 'react';
import { type SowToday, type SowTodayInput } from '../../core/sowing/today.ts';
import { askQuick } from '../../workers/core/client.ts';

/**
 * Whether to sow this cover today, worked out off the main thread; no answer until it is there. While a changed question is worked out
 * (`busy`) the last answer for the same cover stands, so that nothing jumps under a thumb.
 */
export function useSowToday(
  input: SowTodayInput | undefined,
  coverId = '',
): { answer: SowToday | undefined; busy: boolean } {
  const key = input && JSON.stringify(input);
  const [found, setFound] = useState<{ key: string; coverId: string; answer: SowToday }>();
  useEffect(() => {
    if (!key) return;
    const job = askQuick('sowToday', JSON.parse(key) as SowTodayInput);
    void job.answer.then((r) => r.ok && setFound({ key, coverId, answer: r.value }));
    return () => job.cancel();
  }, [key, coverId]);
  return { answer: found?.coverId === coverId ? found.answer : undefined, busy: found?.key !== key };
}
