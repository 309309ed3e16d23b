import { type SowToday, type SowTodayInput } from '../../core/sowing/today.ts';
import { useAnswer } from '../../ring/answers.ts';

/**
 * Whether to sow this cover today, worked out off the main thread; no answer until it is there. While a changed question is worked out
 * (`busy`) the last answer for the same cover stands, so that nothing jumps under a thumb.
 */
export function useSowToday(
  input: SowTodayInput | undefined,
  coverId = '',
): { answer: SowToday | undefined; busy: boolean } {
  const { answer, busy } = useAnswer('sowToday', input ? JSON.stringify(input) : '', {
    quick: true,
    subject: coverId,
  });
  return { answer, busy: busy || answer === undefined };
}
