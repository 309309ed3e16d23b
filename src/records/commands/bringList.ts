import { findCrop } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { ok } from '../../core/result/result.ts';
import { USUAL_SEED } from '../../core/seed/weight.ts';
import { type List } from '../files/listIn.ts';
import type { Bed, Lot, Planting } from '../types.ts';
import { noOverlap } from '../verbs/dates.ts';
import { type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';

/** A crop of which nothing is known is taken to stand so long, days. */
const UNKNOWN_CROP_D = 90;

/**
 * Puts what a list holds into the garden: beds with their crops, seed on the shelf; all of it or nothing, one undo. A planting that is in the garden
 * already is left as it is. Fails with `crops-overlap` for the first that cannot stand where it would.
 * @param freshBed a bed from its name and size @param today what was planted by then is done
 */
export const bringList = (
  hands: Hands,
  gardenId: string,
  list: List,
  freshBed: (of: List['beds'][number], order: number) => Bed,
  today: string,
): Done =>
  writeFrom(hands.db, meta(hands, gardenId, 'bring-list', listWords(list)), async () => {
    const beds = await hands.db.beds.where({ gardenId }).toArray();
    const made = list.beds
      .filter((b) => !beds.some((x) => x.name === b.name))
      .map((b, i) => freshBed(b, beds.length + i));
    const idOf = new Map([...beds, ...made].map((b) => [b.name, b.id]));
    const stand = await hands.db.plantings.where({ gardenId }).toArray();
    const plantings: Planting[] = [];
    for (const c of list.crops) {
      const bedId = idOf.get(c.bed);
      if (!bedId) continue;
      if (
        stand.some(
          (p) => p.bedId === bedId && p.cropId === c.cropId && (p.plantedOn ?? p.plantOn) === c.plantOn,
        )
      )
        continue;
      const crop = findCrop(c.cropId);
      const days = crop ? Math.round((crop.days[0] + crop.days[1]) / 2) : UNKNOWN_CROP_D;
      const next = [
        ...stand.filter((p) => p.bedId === bedId).map((p) => p.plantOn),
        ...list.crops.filter((o) => o.bed === c.bed).map((o) => o.plantOn),
      ]
        .filter((on) => on > c.plantOn)
        .sort()[0];
      const usual = isoOf(dayOf(c.plantOn) + days);
      // Where the list does not say when it went out, it made room for what came next.
      const clearOn = c.clearOn ?? (next && next < usual ? next : usual);
      const planting: Planting = {
        id: hands.newId(),
        gardenId,
        bedId,
        cropId: c.cropId,
        way: crop?.ways[0] ?? 'transplant',
        plantOn: c.plantOn,
        plantedOn: c.plantOn <= today ? c.plantOn : null,
        clearOn,
        clearedOn: clearOn <= today ? clearOn : null,
        note: '',
      };
      const free = noOverlap(planting, [...stand, ...plantings], (p) => findCrop(p.cropId)?.name ?? p.cropId);
      if (!free.ok) return free;
      plantings.push(planting);
    }
    const lots = list.seed.map((s): Lot => ({
      id: hands.newId(),
      gardenId,
      ...s,
      treated: false,
      purity: USUAL_SEED.purity,
      coating: 0,
      test: null,
      free: false,
    }));
    return ok([
      ...made.map((put): Wish => ({ table: 'beds', put })),
      ...plantings.map((put): Wish => ({ table: 'plantings', put })),
      ...lots.map((put): Wish => ({ table: 'lots', put })),
    ]);
  });

/** "24 beds and 31 crops". */
export const listWords = ({ beds, crops, seed }: Pick<List, 'beds' | 'crops' | 'seed'>): string => {
  const words = [
    [beds.length, 'bed'],
    [crops.length, 'crop'],
    [seed.length, 'bag'],
  ].flatMap(([n, word]) => ((n as number) > 0 ? [`${n} ${word}${n === 1 ? '' : 's'}`] : []));
  return words.length > 0 ? words.join(' and ') : 'nothing';
};
