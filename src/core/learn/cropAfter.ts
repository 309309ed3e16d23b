import { type PlantingSpan, plantingDays } from '../bed/timeline.ts';
import { type Day, dayOf } from '../calendar/day.ts';
import { type MovedNote } from '../years/ledger.ts';

// What the crop after a cover brought, beside the same crop elsewhere and in other years.

/** A harvest may be weighed so long after the crop was cleared, days. */
const WEIGHED_AFTER_D = 30;

export interface CropAfter {
  kg_m2: number;
  /** What the same crop brought on other beds and in other years, kg/m2. */
  others: number[];
}

/**
 * Answers: what did a crop bring that was weighed, beside the others of its kind? Undefined where nothing of it was weighed.
 * @param area_m2 of a bed, by its id
 */
export function cropAfter(
  planting: PlantingSpan,
  plantings: readonly PlantingSpan[],
  notes: readonly MovedNote[],
  area_m2: (bedId: string) => number | undefined,
): CropAfter | undefined {
  const own = broughtBy(planting, plantings, notes, area_m2);
  if (own === undefined) return undefined;
  const others = plantings
    .filter((p) => p.id !== planting.id && p.cropId === planting.cropId)
    .flatMap((p) => broughtBy(p, plantings, notes, area_m2) ?? []);
  return { kg_m2: own, others };
}

/** Harvests weighed from planting until a while after clearing, or until the bed's next crop goes in, kg/m2. */
function broughtBy(
  p: PlantingSpan,
  plantings: readonly PlantingSpan[],
  notes: readonly MovedNote[],
  area_m2: (bedId: string) => number | undefined,
): number | undefined {
  const area = area_m2(p.bedId);
  if (!area || p.plantedOn === null) return undefined;
  const { from, to } = plantingDays(p);
  const next = plantings
    .filter((o) => o.bedId === p.bedId && o.id !== p.id)
    .map((o) => plantingDays(o).from)
    .filter((day): day is Day => day >= to);
  const until = Math.min(to + WEIGHED_AFTER_D, ...next);
  const kg = notes
    .filter(
      (n) =>
        n.bedId === p.bedId && n.moved?.what === 'harvest' && dayOf(n.on) >= from && dayOf(n.on) <= until,
    )
    .reduce((sum, n) => sum + n.moved!.kg, 0);
  return kg > 0 ? kg / area : undefined;
}
