import { useEffect, useState } from 'react';
import { type ForecastInput } from '../core/plan/standing.ts';
import { type WaterToday } from '../core/watering/follow.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import type { Cover } from '../records/types.ts';
import { ask } from '../workers/core/client.ts';
import { useGarden } from './garden.tsx';
import { keyOf } from './useForecast.ts';

/** Whether the seed bed of a sowing wants water today; undefined while it is not known. */
export function useWater(cover: Cover | undefined): WaterToday | undefined {
  const ring = useGarden();
  const key = cover?.sownOn ? keyOf(ring, cover, PLAUSIBLE_YEARS) : '';
  const [state, setState] = useState<{ key: string; answer?: WaterToday }>({ key: '' });
  useEffect(() => {
    if (!key) return;
    const job = ask('water', JSON.parse(key) as ForecastInput);
    void job.answer.then((r) => r.ok && setState({ key, answer: r.value }));
    return () => job.cancel();
  }, [key]);
  return state.key === key ? state.answer : undefined;
}
