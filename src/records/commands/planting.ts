import { findCrop } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { fail, ok } from '../../core/result/result.ts';
import { noOverlap } from '../verbs/dates.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { writeFrom } from '../write.ts';

/**
 * Plans another crop in place of one that is not planted yet, on the same day and in its own usual way; it is cleared when its own time is over. Fails with
 * `planting-gone`, `planting-done` or `crops-overlap`.
 */
export const changeCrop = (hands: Hands, gardenId: string, plantingId: string, cropId: string): Done => {
  const crop = findCrop(cropId)!;
  const label = `${crop.name.toLowerCase()} instead`;
  return writeFrom(hands.db, meta(hands, gardenId, 'change-crop', label), async () => {
    const p = await hands.db.plantings.get(plantingId);
    if (!p) return fail('planting-gone');
    if (p.plantedOn) return fail('planting-done');
    const days = Math.round((crop.days[0] + crop.days[1]) / 2);
    const put = { ...p, cropId, way: crop.ways[0]!, clearOn: isoOf(dayOf(p.plantOn) + days) };
    const others = await hands.db.plantings.where({ bedId: p.bedId }).toArray();
    const free = noOverlap(put, others, (o) => findCrop(o.cropId)?.name ?? o.cropId);
    return free.ok ? ok([{ table: 'plantings', put }]) : free;
  });
};
