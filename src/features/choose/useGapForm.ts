import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { cropOf, crops } from '../../catalogue/catalogue.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { dayOf, isIsoDate, isoOf } from '../../core/calendar/day.ts';
import { type AimOffer, offerAims, offerPlanting, type PlantingOffer } from '../../core/choose/begin.ts';
import { type ChooseInput } from '../../core/choose/input.ts';
import type { Bed } from '../../records/types.ts';
import { bedNotes, gapQuestion } from '../../questions/gap.ts';
import { nextCropOf } from '../../questions/methods.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { useGarden } from '../../ring/garden.tsx';
import { firstOpenGap, gapFrom, LEAST_GAP_D, LONGEST_GAP_D } from './gap.ts';

/** Crops offered to follow when nothing is planned, the first whose family has not been on the bed lately. */
const OFFERED_NEXT = ['tomato', 'winter-squash', 'cabbage', 'leek', 'lettuce', 'beet'];
/** Where this crop has no season here, a gap of this many days is begun with. */
const NO_SEASON_GAP_D = 120;

/** What the gardener says of a gap, begun from what is planned on the bed or from the address, and the question it makes. */
export function useGapForm(bed: Bed) {
  const { garden, plantings, covers, looks, recipes, lots, today } = useGarden();
  const [search] = useSearchParams();
  const mine = useMemo(() => plantings.filter((p) => p.bedId === bed.id), [plantings, bed.id]);
  const first = useMemo(() => {
    const from = search.get('from');
    const start = from && isIsoDate(from) ? dayOf(from) : dayOf(today);
    return firstOpenGap(
      mine,
      covers.filter((c) => c.bedId === bed.id),
      start,
    );
  }, [mine, covers, bed.id, today, search]);
  const [free, setFree] = useState(isoOf(first.freeDay));
  const freeDay = isIsoDate(free) ? dayOf(free) : first.freeDay;
  // What the gardener has said stays said; the rest follows from what is planned round the day on which the ground is free.
  const gap = useMemo(() => gapFrom(mine, freeDay), [mine, freeDay]);
  const [saidBefore, setBefore] = useState<string>();
  const before = saidBefore ?? gap.before?.cropId ?? '';
  const notes = useMemo(
    () => bedNotes({ bed, plantings, covers, looks }, freeDay, before),
    [bed, plantings, covers, looks, freeDay, before],
  );
  const [saidNext, setNextId] = useState<string>();
  const nextId = saidNext ?? gap.next?.cropId ?? offeredNext(notes.families.map((f) => f.family));
  const [saidWay, setNextWay] = useState<'transplant' | 'seed'>();
  const nextWay = saidWay ?? gap.next?.way ?? 'transplant';
  const crop = cropOf(nextId);
  const way = crop.ways.includes(nextWay) ? nextWay : crop.ways[0]!;
  const [saidPlantOn, setPlantOn] = useState<string>();
  const offer: PlantingOffer | undefined = useMemo(
    () => offerPlanting(garden.site, crop, way, freeDay),
    [garden.site, crop, way, freeDay],
  );
  // Where nothing is planned, the crop, the frosts and the warmth of this garden say when.
  const plannedOn = saidPlantOn ?? gap.next?.plantOn;
  const plantOn = plannedOn ?? isoOf(offer?.day ?? freeDay + NO_SEASON_GAP_D);
  const [wayId, setWayId] = useState('raked');
  const length = dayOf(plantOn) - dayOf(free);
  const valid = isIsoDate(free) && isIsoDate(plantOn) && length >= LEAST_GAP_D && length <= LONGEST_GAP_D;
  const offeredAims: AimOffer[] = useMemo(
    () =>
      valid ? offerAims(garden.site, nextCropOf(nextId, way), bed.soil, notes, freeDay, dayOf(plantOn)) : [],
    [valid, garden.site, nextId, way, bed.soil, notes, freeDay, plantOn],
  );
  const [saidAims, setAims] = useState<AimStrands[] | null>(null);
  const aims = useMemo(
    () => saidAims ?? offeredAims.map(({ id, strands }) => ({ id, strands })),
    [saidAims, offeredAims],
  );
  const question = useMemo<ChooseInput | null>(
    () =>
      valid
        ? gapQuestion(
            { garden, bed, plantings, covers, looks, recipes, lots },
            {
              wayId,
              freeDay,
              plantDay: dayOf(plantOn),
              nextId,
              nextWay: way,
              before,
              aims,
              years: PLAUSIBLE_YEARS,
            },
          )
        : null,
    [
      valid,
      garden,
      bed,
      plantings,
      covers,
      looks,
      recipes,
      lots,
      wayId,
      freeDay,
      plantOn,
      nextId,
      way,
      before,
      aims,
    ],
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
    /** The offered day, while none is planned or said. */
    offer: plannedOn === undefined ? offer : undefined,
    wayId,
    setWayId,
    crop,
    aims,
    setAims,
    offeredAims: saidAims === null ? offeredAims : [],
    valid,
    question,
  };
}

/** A crop that no family of the last years speaks against. */
const offeredNext = (families: string[]): string =>
  OFFERED_NEXT.find((id) => !families.includes(crops.find((c) => c.id === id)!.family)) ?? OFFERED_NEXT[0]!;

export type GapForm = ReturnType<typeof useGapForm>;
