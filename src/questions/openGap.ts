import { asOn } from '../core/bed/pieces.ts';
import { coverDays, plantingDays } from '../core/bed/timeline.ts';
import { type Day, dayOf } from '../core/calendar/day.ts';
import type { Bed, Cover, Planting } from '../records/types.ts';

/** The next stretch of a bed that no crop and no cover has taken yet, and the crops on either side of it. */
export interface OpenGap {
  freeDay: Day;
  before: Planting | undefined;
  next: Planting | undefined;
}

/** The gap that begins on this day: the crop that was there last, and the one that is planned to follow. */
export function gapFrom(plantings: Planting[], freeDay: Day): OpenGap {
  const crops = [...plantings].sort((a, b) => plantingDays(a).from - plantingDays(b).from);
  return {
    freeDay,
    before: crops.filter((p) => plantingDays(p).from <= freeDay).at(-1),
    next: crops.find((p) => plantingDays(p).from > freeDay),
  };
}

export const LEAST_GAP_D = 28;
export const LONGEST_GAP_D = 500;

/** The next open gap of a bed or a piece, told by what was on the same ground; a piece has none before it was cut. */
export const openGapOf = (
  bed: Bed,
  beds: readonly Bed[],
  { plantings, covers }: { plantings: readonly Planting[]; covers: readonly Cover[] },
  start: Day,
): OpenGap =>
  firstOpenGap(
    asOn(bed.id, beds, plantings),
    asOn(bed.id, beds, covers),
    bed.piece ? Math.max(start, dayOf(bed.piece.from)) : start,
  );

export function firstOpenGap(plantings: Planting[], covers: Cover[], today: Day): OpenGap {
  const crops = [...plantings].sort((a, b) => plantingDays(a).from - plantingDays(b).from);
  const taken = covers.map(coverDays);
  let free = today;
  let before: Planting | undefined;
  for (const crop of crops) {
    const { from, to } = plantingDays(crop);
    if (to <= free) {
      before = crop;
      continue;
    }
    const covered = taken.some((t) => t.from < from && t.endFrom > free);
    if (from - free >= LEAST_GAP_D && !covered) return { freeDay: free, before, next: crop };
    before = crop;
    free = Math.max(free, to);
  }
  // After the last crop: behind any cover that already follows it.
  for (const t of taken.sort((a, b) => a.from - b.from)) if (t.to > free) free = Math.max(free, t.to);
  return { freeDay: free, before, next: undefined };
}
