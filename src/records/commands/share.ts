import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { fail, ok } from '../../core/result/result.ts';
import { inOrder, noOverlap } from '../verbs/dates.ts';
import { findCrop } from '../../catalogue/catalogue.ts';
import type { Thing } from '../things.ts';
import type { Cover, Planting } from '../types.ts';
import { checkCover, type Done, type Hands, meta } from '../verbs/verbs.ts';
import { type Wish, writeFrom } from '../write.ts';
import { type ChosenEnding } from './ending.ts';

/** What a proposal changes about one cover: its way and days, things set aside for it, and by how much planting moves. */
export interface Taken {
  coverId: string;
  chosen: ChosenEnding;
  thingIds: string[];
  plantBy_d: number;
}

/** Most plans that are remembered of one cover. */
const REMEMBERED = 60;

/**
 * Takes a proposal for things that are few: all its changes in one write, so that undo takes all of them back. Fails with `cover-gone`, `ending-begun`, or as
 * checking dates does.
 */
export const takeProposal = (
  hands: Hands,
  gardenId: string,
  taken: Taken[],
  things: Thing[],
  today: string,
  label: string,
): Done =>
  writeFrom(hands.db, meta(hands, gardenId, 'share-things', label), async () => {
    const wishes: Wish[] = [];
    for (const t of taken) {
      const cover = await hands.db.covers.get(t.coverId);
      if (!cover) return fail('cover-gone');
      if (cover.passes.some((p) => p.doneOn)) return fail('ending-begun');
      const next = cover.nextPlantingId ? await hands.db.plantings.get(cover.nextPlantingId) : undefined;
      if (t.plantBy_d !== 0 && next && !next.plantedOn) {
        const put: Planting = {
          ...next,
          plantOn: isoOf(dayOf(next.plantOn) + t.plantBy_d),
          clearOn: isoOf(dayOf(next.clearOn) + t.plantBy_d),
        };
        const order = inOrder([['planting', put.plantOn, 'clearing', put.clearedOn ?? put.clearOn]]);
        if (!order.ok) return order;
        const others = await hands.db.plantings.where({ bedId: put.bedId }).toArray();
        const free = noOverlap(put, others, (p) => findCrop(p.cropId)?.name ?? p.cropId);
        if (!free.ok) return free;
        wishes.push({ table: 'plantings', put });
      }
      const put = withEnding(cover, t, today);
      const checked = await checkCover(hands, put);
      if (!checked.ok) return checked;
      wishes.push({ table: 'covers', put });
    }
    if (things.length > 0) {
      const garden = await hands.db.gardens.get(gardenId);
      if (!garden) return fail('garden-gone');
      wishes.push({ table: 'gardens', put: { ...garden, things: [...garden.things, ...things] } });
    }
    return ok(wishes);
  });

function withEnding(cover: Cover, t: Taken, today: string): Cover {
  const former = {
    until: today,
    method: cover.method,
    due: cover.passes.find((p) => !p.doneOn)?.due ?? null,
    why: 'shared' as const,
  };
  return {
    ...cover,
    method: t.chosen.method,
    passes: t.chosen.passes,
    predicted: t.chosen.predicted,
    thingIds: t.thingIds,
    plantBackOn:
      cover.plantBackOn && t.plantBy_d !== 0
        ? isoOf(dayOf(cover.plantBackOn) + t.plantBy_d)
        : cover.plantBackOn,
    formerPlans: [...cover.formerPlans, former].slice(-REMEMBERED),
  };
}
