import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { cropOf } from '../../catalogue/catalogue.ts';
import { dayOf, isIsoDate, isoOf } from '../../core/calendar/day.ts';
import type { Bed } from '../../records/types.ts';
import { gapAsSaid, type Said } from '../../questions/gapAsSaid.ts';
import { openGapOf } from '../../questions/openGap.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';

const NOTHING_SAID: Said = {};

/**
 * What the gardener says of a gap, begun from what is planned on the bed or from the address, and the question it makes. What was said stays
 * with this gap until a cover is put into it, through other screens and a closed page.
 */
export function useGapForm(bed: Bed) {
  const { garden, beds, plantings, covers, looks, recipes, lots, today } = useGarden();
  const [search] = useSearchParams();
  const { freeDay } = useMemo(() => {
    const from = search.get('from');
    const start = from && isIsoDate(from) ? dayOf(from) : dayOf(today);
    return openGapOf(bed, beds, { plantings, covers }, start);
  }, [bed, beds, plantings, covers, today, search]);
  const [kept, keep, forget] = useDraft<Said>(`choose ${bed.id} ${isoOf(freeDay)}`, NOTHING_SAID);
  const said = kept ?? NOTHING_SAID;
  const saying =
    <K extends keyof Said>(field: K) =>
    (value: Said[K]) =>
      keep({ ...said, [field]: value });
  const now = useMemo(
    () => gapAsSaid({ garden, beds, plantings, covers, looks, recipes, lots }, bed, freeDay, said),
    [garden, beds, plantings, covers, looks, recipes, lots, bed, freeDay, said],
  );
  return {
    ...now,
    crop: cropOf(now.nextId),
    setBefore: saying('before'),
    setFree: saying('free'),
    setNextId: saying('nextId'),
    setNextWay: saying('nextWay'),
    setPlantOn: saying('plantOn'),
    setWayId: saying('wayId'),
    setIrrigated: saying('irrigated'),
    setAims: saying('aims'),
    /** Something is said otherwise than planned; and a way to take it back. */
    changed: Object.keys(said).length > 0,
    forget,
    valid: now.question !== null,
    // What was said earlier is not known yet.
    question: kept === undefined ? null : now.question,
  };
}

export type GapForm = ReturnType<typeof useGapForm>;
