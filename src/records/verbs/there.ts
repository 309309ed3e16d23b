import { isCut } from '../../core/bed/pieces.ts';
import { type Day, dayOf, isoOf } from '../../core/calendar/day.ts';
import { type Result, fail, ok } from '../../core/result/result.ts';
import { type KilimDatabase } from '../db.ts';

/**
 * Whether a bed is there as one ground from a day to another. Fails with `bed-cut` for a whole bed that is cut then, `piece-ends` for a piece that is joined by then.
 */
export async function isThere(db: KilimDatabase, bedId: string, from: Day, to: Day): Promise<Result<true>> {
  const bed = await db.beds.get(bedId);
  if (!bed) return ok(true);
  if (bed.piece?.until && to > dayOf(bed.piece.until))
    return fail('piece-ends', bed.name, { until: bed.piece.until });
  const beds = await db.beds.where({ gardenId: bed.gardenId }).toArray();
  const cut = beds.filter((b) => b.piece?.of === bedId).map((b) => dayOf(b.piece!.from));
  const days = [from, ...cut.filter((d) => d >= from && d < to)];
  const on = days.find((d) => isCut(bedId, beds, d));
  return on === undefined ? ok(true) : fail('bed-cut', bed.name, { on: isoOf(on) });
}
