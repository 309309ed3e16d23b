import { type WaterToday } from '../core/watering/follow.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import type { Cover } from '../records/types.ts';
import { useAnswer } from './answers.ts';
import { useGarden } from './garden.tsx';
import { keyOf } from './useForecast.ts';

/** Whether the seed bed of a sowing wants water today; undefined while it is not known. */
export function useWater(cover: Cover | undefined): WaterToday | undefined {
  const ring = useGarden();
  const key = cover?.sownOn ? keyOf(ring, cover, PLAUSIBLE_YEARS) : '';
  return useAnswer('water', key).answer;
}
