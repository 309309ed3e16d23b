import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { allCovers, findCrop, findWay } from '../../catalogue/catalogue.ts';
import { dayOf, isIsoDate, isoOf } from '../../core/calendar/day.ts';
import { type ChooseInput } from '../../core/choose/choose.ts';
import type { Bed } from '../../records/types.ts';
import { hazardsBySpecies, keepsSafe, methodsHere, nextCropOf } from '../../ring/asked.ts';
import { useGarden } from '../../ring/garden.tsx';
import { firstOpenGap, LEAST_GAP_D, LONGEST_GAP_D } from './gap.ts';

/** Plausible years behind every sample. */
export const YEARS = 200;
/** When nothing is planned to follow, planting is supposed about this long after. */
const SUPPOSED_GAP_D = 220;

/** Every kind and mix of the catalogue is tried in a gap, unless it cannot come by that way of sowing. */
function candidatesFor(wayId: string): ChooseInput['candidates'] {
  const all = allCovers();
  // What has never stood here cannot come from its own seed; kinds that hardly shed are left out.
  return wayId === 'self-sown'
    ? all.filter((c) => c.members.every((m) => m.species.selfSeeding >= 0.4))
    : all;
}

/** What the gardener says of a gap, begun from what is planned on the bed or from the address, and the question it makes. */
export function useGapForm(bed: Bed) {
  const { garden, plantings, covers, today } = useGarden();
  const [search] = useSearchParams();
  const mine = useMemo(() => plantings.filter((p) => p.bedId === bed.id), [plantings, bed.id]);
  const gap = useMemo(() => {
    const from = search.get('from');
    const start = from && isIsoDate(from) ? dayOf(from) : dayOf(today);
    return firstOpenGap(
      mine,
      covers.filter((c) => c.bedId === bed.id),
      start,
    );
  }, [mine, covers, bed.id, today, search]);
  const [before, setBefore] = useState(gap.before?.cropId ?? '');
  const [free, setFree] = useState(isoOf(gap.freeDay));
  const [nextId, setNextId] = useState(gap.next?.cropId ?? 'tomato');
  const [nextWay, setNextWay] = useState<'transplant' | 'seed'>(gap.next?.way ?? 'transplant');
  const [plantOn, setPlantOn] = useState(gap.next?.plantOn ?? isoOf(gap.freeDay + SUPPOSED_GAP_D));
  const [wayId, setWayId] = useState('raked');
  const crop = findCrop(nextId)!;
  const way = crop.ways.includes(nextWay) ? nextWay : crop.ways[0]!;
  const length = dayOf(plantOn) - dayOf(free);
  const valid = isIsoDate(free) && isIsoDate(plantOn) && length >= LEAST_GAP_D && length <= LONGEST_GAP_D;
  const question = useMemo<ChooseInput | null>(
    () =>
      valid
        ? {
            site: garden.site,
            soil: bed.soil,
            way: findWay(wayId)!,
            watered: garden.kit.includes('hose'),
            gap: { freeDay: dayOf(free), plantDay: dayOf(plantOn), next: nextCropOf(nextId, way) },
            candidates: candidatesFor(wayId),
            methods: methodsHere(garden, bed),
            bed: {
              familiesBefore: [...new Set([before, ...mine.map((p) => p.cropId)])].map(
                (c) => findCrop(c)?.family ?? '',
              ),
              troubles: bed.troubles,
              shade: bed.shade,
            },
            keepsSafe: keepsSafe(garden),
            hazards: hazardsBySpecies(),
            years: YEARS,
          }
        : null,
    [valid, garden, bed, wayId, free, plantOn, nextId, way, before, mine],
  );
  return {
    gap,
    before,
    setBefore,
    free,
    setFree,
    nextId,
    setNextId,
    way,
    setNextWay,
    plantOn,
    setPlantOn,
    wayId,
    setWayId,
    crop,
    valid,
    question,
  };
}

export type GapForm = ReturnType<typeof useGapForm>;
