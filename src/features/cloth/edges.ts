import { coverTitle, cropOf } from '../../catalogue/catalogue.ts';
import { coverDays, endingBegun } from '../../core/bed/timeline.ts';
import { type Day, dayOf, isoOf } from '../../core/calendar/day.ts';
import type { Cover, Planting } from '../../records/types.ts';

/** A planned edge of a strip that can be dragged. */
export type Edge = { day: Day; least: Day; most: Day; key: string; words: string; bedId: string } & (
  | { kind: 'sow' | 'end'; cover: Cover }
  | { kind: 'plant' | 'clear'; planting: Planting }
);

const LEAST_GROWTH_D = 20;
const FURTHEST_D = 400;

/** What is only planned on a bed and can still move. What has been done stands fast. */
export function edgesOf(bedId: string, covers: Cover[], plantings: Planting[], now: Day): Edge[] {
  const out: Edge[] = [];
  for (const cover of covers.filter((c) => c.bedId === bedId && c.verdict !== 'dead')) {
    const name = coverTitle(cover).toLowerCase();
    const days = coverDays(cover);
    const back = cover.plantBackOn ? dayOf(cover.plantBackOn) : now + FURTHEST_D;
    if (!cover.sownOn)
      out.push({
        kind: 'sow',
        cover,
        bedId,
        key: `${cover.id}:sow`,
        words: `Sowing of ${name}`,
        day: days.from,
        least: now,
        most: days.endFrom - LEAST_GROWTH_D,
      });
    if (cover.passes.length > 0 && !endingBegun(cover))
      out.push({
        kind: 'end',
        cover,
        bedId,
        key: `${cover.id}:end`,
        words: `Ending of ${name}`,
        day: days.endFrom,
        least: Math.max(now, days.from + LEAST_GROWTH_D),
        most: back - 1,
      });
  }
  for (const planting of plantings.filter((p) => p.bedId === bedId && !p.clearedOn)) {
    const name = cropOf(planting.cropId).name.toLowerCase();
    const from = dayOf(planting.plantedOn ?? planting.plantOn);
    const to = dayOf(planting.clearOn);
    if (!planting.plantedOn)
      out.push({
        kind: 'plant',
        planting,
        bedId,
        key: `${planting.id}:plant`,
        words: `Planting of ${name}`,
        day: from,
        least: now,
        most: to - 1,
      });
    if (to >= now)
      out.push({
        kind: 'clear',
        planting,
        bedId,
        key: `${planting.id}:clear`,
        words: `Clearing of ${name}`,
        day: to,
        least: Math.max(now, from + 1),
        most: from + FURTHEST_D,
      });
  }
  return out.filter((e) => e.least <= e.most);
}

const shift = (iso: string, by: number): string => isoOf(dayOf(iso) + by);

/** The cover as it would be with one edge moved to a day. Undone passes keep their distances. */
export function coverMoved(cover: Cover, kind: 'sow' | 'end', day: Day): Cover {
  if (kind === 'sow') return { ...cover, sowOn: isoOf(day) };
  const by = day - coverDays(cover).endFrom;
  return { ...cover, passes: cover.passes.map((p) => (p.doneOn ? p : { ...p, due: shift(p.due, by) })) };
}
