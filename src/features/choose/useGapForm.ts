import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { cropOf, crops, usualWay } from '../../catalogue/catalogue.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { asOn } from '../../core/bed/pieces.ts';
import { dayOf, isIsoDate, isoOf } from '../../core/calendar/day.ts';
import {
  type AimOffer,
  offerAims,
  offerPlanting,
  type PlantingOffer,
  thirstOf,
} from '../../core/choose/begin.ts';
import { type ChooseInput } from '../../core/choose/input.ts';
import type { Bed } from '../../records/types.ts';
import { bedNotes, gapQuestion } from '../../questions/gap.ts';
import { nextCropOf } from '../../questions/methods.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { gapFrom, openGapOf, LEAST_GAP_D, LONGEST_GAP_D } from './gap.ts';

/** Crops offered to follow when nothing is planned, the first whose family has not been on the bed lately. */
const OFFERED_NEXT = ['tomato', 'winter-squash', 'cabbage', 'leek', 'lettuce', 'beet'];
/** Where this crop has no season here, a gap of this many days is begun with. */
const NO_SEASON_GAP_D = 120;

/** What the gardener has said of a gap otherwise than it is planned. */
interface Said {
  free?: string;
  before?: string;
  nextId?: string;
  nextWay?: 'transplant' | 'seed';
  plantOn?: string;
  wayId?: string;
  irrigated?: boolean;
  aims?: AimStrands[];
}
const NOTHING_SAID: Said = {};

/**
 * What the gardener says of a gap, begun from what is planned on the bed or from the address, and the question it makes. What was said stays
 * with this gap until a cover is put into it, through other screens and a closed page.
 */
export function useGapForm(bed: Bed) {
  const { garden, beds, plantings: all, covers: allCovers, looks, recipes, lots, today } = useGarden();
  const [search] = useSearchParams();
  // A piece goes by what was on its bed before it was cut, a bed by what was on its pieces.
  const plantings = useMemo(() => asOn(bed.id, beds, all), [bed.id, beds, all]);
  const covers = useMemo(() => asOn(bed.id, beds, allCovers), [bed.id, beds, allCovers]);
  const first = useMemo(() => {
    const from = search.get('from');
    const start = from && isIsoDate(from) ? dayOf(from) : dayOf(today);
    return openGapOf(bed, beds, { plantings: all, covers: allCovers }, start);
  }, [bed, beds, all, allCovers, today, search]);
  const [kept, keep, forget] = useDraft<Said>(`choose ${bed.id} ${isoOf(first.freeDay)}`, NOTHING_SAID);
  const said = kept ?? NOTHING_SAID;
  const saying =
    <K extends keyof Said>(field: K) =>
    (value: Said[K]) =>
      keep({ ...said, [field]: value });
  const free = said.free ?? isoOf(first.freeDay);
  const freeDay = isIsoDate(free) ? dayOf(free) : first.freeDay;
  // What the gardener has said stays said; the rest follows from what is planned round the day on which the ground is free.
  const gap = useMemo(() => gapFrom(plantings, freeDay), [plantings, freeDay]);
  const before = said.before ?? gap.before?.cropId ?? '';
  const notes = useMemo(
    () => bedNotes({ bed, plantings, covers, looks }, freeDay, before),
    [bed, plantings, covers, looks, freeDay, before],
  );
  const nextId = said.nextId ?? gap.next?.cropId ?? offeredNext(notes.families.map((f) => f.family));
  const nextWay = said.nextWay ?? gap.next?.way ?? 'transplant';
  const crop = cropOf(nextId);
  const way = crop.ways.includes(nextWay) ? nextWay : crop.ways[0]!;
  const offer: PlantingOffer | undefined = useMemo(
    () => offerPlanting(garden.site, crop, way, freeDay),
    [garden.site, crop, way, freeDay],
  );
  // Where nothing is planned, the crop, the frosts and the warmth of this garden say when.
  const plannedOn = said.plantOn ?? gap.next?.plantOn;
  const plantOn = plannedOn ?? isoOf(offer?.day ?? freeDay + NO_SEASON_GAP_D);
  const wayId = said.wayId ?? usualWay.id;
  const length = dayOf(plantOn) - dayOf(free);
  const valid = isIsoDate(free) && isIsoDate(plantOn) && length >= LEAST_GAP_D && length <= LONGEST_GAP_D;
  // Where there is a hose, what rain leaves wanting can be given; a dry gap asks for it.
  const thirst = useMemo(
    () => (valid && garden.kit.includes('hose') ? thirstOf(garden.site, freeDay, dayOf(plantOn)) : undefined),
    [valid, garden.kit, garden.site, freeDay, plantOn],
  );
  const irrigated = thirst !== undefined && (said.irrigated ?? thirst.dry);
  const offeredAims: AimOffer[] = useMemo(
    () =>
      valid ? offerAims(garden.site, nextCropOf(nextId, way), bed.soil, notes, freeDay, dayOf(plantOn)) : [],
    [valid, garden.site, nextId, way, bed.soil, notes, freeDay, plantOn],
  );
  const aims = useMemo(
    () => said.aims ?? offeredAims.map(({ id, strands }) => ({ id, strands })),
    [said.aims, offeredAims],
  );
  const known = kept !== undefined;
  const question = useMemo<ChooseInput | null>(
    () =>
      valid && known
        ? gapQuestion(
            { garden, bed, plantings, covers, looks, recipes, lots },
            {
              wayId,
              freeDay,
              plantDay: dayOf(plantOn),
              nextId,
              nextWay: way,
              before,
              irrigated,
              aims,
              years: PLAUSIBLE_YEARS,
            },
          )
        : null,
    [
      valid,
      known,
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
      irrigated,
      aims,
    ],
  );
  return {
    gap,
    before,
    setBefore: saying('before'),
    free,
    setFree: saying('free'),
    nextId,
    setNextId: saying('nextId'),
    way,
    setNextWay: saying('nextWay'),
    plantOn,
    setPlantOn: saying('plantOn'),
    /** The offered day, while none is planned or said. */
    offer: plannedOn === undefined ? offer : undefined,
    wayId,
    setWayId: saying('wayId'),
    thirst,
    irrigated,
    setIrrigated: saying('irrigated'),
    crop,
    aims,
    setAims: saying('aims'),
    offeredAims: said.aims === undefined ? offeredAims : [],
    /** Something is said otherwise than planned; and a way to take it back. */
    changed: Object.keys(said).length > 0,
    forget,
    valid,
    question,
  };
}

/** A crop that no family of the last years speaks against. */
const offeredNext = (families: string[]): string =>
  OFFERED_NEXT.find((id) => !families.includes(crops.find((c) => c.id === id)!.family)) ?? OFFERED_NEXT[0]!;

export type GapForm = ReturnType<typeof useGapForm>;
