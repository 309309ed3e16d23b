import { useMemo } from 'react';
import { findCrop } from '../catalogue/catalogue.ts';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { type ForecastInput } from '../core/plan/standing.ts';
import { type PlantBack } from '../core/plantBack/plantBack.ts';
import { familiesBefore, plantBackInput } from '../questions/plantBack.ts';
import { PLAUSIBLE_YEARS } from '../questions/years.ts';
import type { Bed, Cover, Planting } from '../records/types.ts';
import { useAnswer } from './answers.ts';
import { useGarden } from './garden.tsx';
import { keyOf } from './useForecast.ts';

/** When the crop after a cover can go in, worked out off the main thread; undefined while it is not there yet. */
export function usePlantBack(
  cover: Cover | undefined,
  bed: Bed | undefined,
  next: Planting | undefined,
  ending: EndingAnswer | undefined,
): PlantBack | undefined {
  const ring = useGarden();
  const key = useMemo(() => {
    const crop = next && findCrop(next.cropId);
    if (!cover || !bed || !next || !crop || !ending) return '';
    const text = keyOf(ring, cover, PLAUSIBLE_YEARS);
    if (!text) return '';
    const forecast = JSON.parse(text) as ForecastInput;
    const { plantings, covers } = ring;
    const families = familiesBefore({ bed, plantings, covers }, next, forecast.plantDay);
    return JSON.stringify(
      plantBackInput(
        forecast,
        ending,
        crop,
        next.way,
        families.map((f) => f.family),
      ),
    );
  }, [ring, cover, bed, next, ending]);
  return useAnswer('plantBack', key).answer;
}
