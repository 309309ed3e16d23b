import { findCrop } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { type YearsPlan } from '../../core/rotation/yearsPlan.ts';
import { fail, ok } from '../../core/result/result.ts';
import { type Cover, type Planting } from '../types.ts';
import { noOverlap } from '../verbs/dates.ts';
import { checkCover, type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';
import { changeGarden } from './change.ts';

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

/** Plans a year's crops, and the covers before them, in one write, one undo. Fails with `crops-overlap` or `covers-overlap` for the first that cannot stand where it would. */
export const planYear = (
  hands: Hands,
  gardenId: string,
  year: number,
  plantings: readonly Planting[],
  covers: readonly Cover[] = [],
): Done =>
  writeFrom(hands.db, meta(hands, gardenId, 'plan-year', `the crops of ${year}`), async () => {
    const stand = await hands.db.plantings.where({ gardenId }).toArray();
    for (const p of plantings) {
      const free = noOverlap(p, stand, (o) => findCrop(o.cropId)?.name ?? o.cropId);
      if (!free.ok) return free;
    }
    for (const c of covers) {
      const checked = await checkCover(hands, c);
      if (!checked.ok) return checked;
    }
    return ok<Wish[]>([
      ...plantings.map((put): Wish => ({ table: 'plantings', put })),
      ...covers.map((put): Wish => ({ table: 'covers', put })),
    ]);
  });

/** The plan of the years that stands when it is one of the same years and beds as the one on the screen; else that one. */
function standing(kept: YearsPlan | undefined, shown: YearsPlan): YearsPlan {
  const same =
    kept?.first === shown.first &&
    shown.beds.every(({ bedId, years }) =>
      kept.beds.some((b) => b.bedId === bedId && b.years.length >= years.length),
    );
  return same ? kept : shown;
}

/** Changes the gardener's own plan of the years, or begins one (`anew` whatever was kept) from what is shown. Fails with `garden-gone`. */
export const changePlan = (
  hands: Hands,
  gardenId: string,
  shown: YearsPlan,
  change: (plan: YearsPlan) => YearsPlan,
  anew = false,
): Done =>
  changeGarden(hands, gardenId, 'the plan of the years', (g) => ({
    yearsPlan: change(anew ? shown : standing(g.yearsPlan, shown)),
  }));
