import { useMemo } from 'react';
import { type LastWeeks } from '../core/plan/lastWeeks.ts';
import { type ForecastInput } from '../core/plan/standing.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import type { Cover } from '../records/types.ts';
import { useAnswer } from './answers.ts';
import { useGarden } from './garden.tsx';
import { keyOf } from './useForecast.ts';

/** What waiting buys for a cover, for the way put forward; worked out where dragging is answered, so that the first drag finds its years grown. */
export function useLastWeeks(
  cover: Cover | undefined,
  method: string | undefined,
  inThirds: boolean,
): { asked: ForecastInput | undefined; last: LastWeeks | undefined } {
  const ring = useGarden();
  const key = useMemo(() => (cover ? keyOf(ring, cover, PLAUSIBLE_YEARS) : ''), [ring, cover]);
  const asked = useMemo(() => (key ? (JSON.parse(key) as ForecastInput) : undefined), [key]);
  const text = asked && method !== undefined ? JSON.stringify({ asked, method, inThirds }) : '';
  const { answer } = useAnswer('lastWeeks', text, { quick: true, subject: cover?.id });
  return { asked, last: answer };
}
