import { isGrown } from '../../core/bed/pieces.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type Day } from '../../core/calendar/day.ts';
import type { Bed, Cover, Planting } from '../../records/types.ts';
import { type OpenGap, openGapOf } from '../../questions/openGap.ts';

/** A bed that has about the same gap. */
export interface Sharer {
  bed: Bed;
  gap: OpenGap;
}

/** Gaps that begin within this many days of each other count as one. */
const SAME_D = 10;

/** Other beds whose next gap begins about then and whose next crop, if planned, goes in about the same day. */
export function bedsThatShare(
  bed: Bed,
  beds: Bed[],
  plantings: Planting[],
  covers: Cover[],
  freeDay: Day,
  plantDay: Day,
  today: Day,
): Sharer[] {
  return beds.flatMap((b) => {
    if (b.id === bed.id || !isGrown(b)) return [];
    const gap = openGapOf(b, beds, { plantings, covers }, today);
    const begins = Math.abs(gap.freeDay - freeDay) <= SAME_D;
    const ends = !gap.next || Math.abs(dayOf(gap.next.plantOn) - plantDay) <= SAME_D;
    return begins && ends ? [{ bed: b, gap }] : [];
  });
}

/** Ticks the beds that a chosen sample goes on at once. */
export function BlockTicks({
  sharers,
  ticked,
  setTicked,
}: {
  sharers: Sharer[];
  ticked: ReadonlySet<string>;
  setTicked(ids: Set<string>): void;
}) {
  if (sharers.length === 0) return null;
  const all = sharers.every((s) => ticked.has(s.bed.id));
  return (
    <fieldset className="border-linen mt-4 border-t pt-2">
      <legend className="font-bold">
        {sharers.length} more {sharers.length === 1 ? 'bed shares' : 'beds share'} this gap
      </legend>
      <label className="flex items-center gap-2 py-0.5">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={all}
          onChange={(e) => setTicked(new Set(e.target.checked ? sharers.map((s) => s.bed.id) : []))}
        />
        all of them
      </label>
      <div className="flex flex-wrap gap-x-5">
        {sharers.map(({ bed }) => (
          <label key={bed.id} className="flex items-center gap-2 py-0.5">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={ticked.has(bed.id)}
              onChange={(e) => {
                const next = new Set(ticked);
                if (e.target.checked) next.add(bed.id);
                else next.delete(bed.id);
                setTicked(next);
              }}
            />
            bed {bed.name}
          </label>
        ))}
      </div>
      <p className="text-bark text-sm">
        Odds are for the bed of this screen; put on others, the soil they have is used from then on.
      </p>
    </fieldset>
  );
}
