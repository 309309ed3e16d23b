import { coverTitle, methods } from '../catalogue/catalogue.ts';
import { endingPasses } from '../core/bed/timeline.ts';
import { dayOf } from '../core/calendar/day.ts';
import { type Measured, type Verdict, verdictOf } from '../core/trial/verdict.ts';
import { type GardenContents } from '../records/verbs/verbs.ts';
import type { Cover } from '../records/types.ts';

// Covers of the records held beside each other after the fact: a hint for a trial, never more.

/** What records hold of many covers: minutes of ending on 100 m2, days from its first pass to dead, fresh weight on a square metre, harvest of the crop after it. */
export const COMPARED = ['minutes', 'dead', 'weight', 'harvest'] as const;
export type Compared = (typeof COMPARED)[number];

/** What covers are told apart by. */
export const TOLD_APART = ['way', 'kind'] as const;
export type ToldApart = (typeof TOLD_APART)[number];

/** Covers that are alike in one thing, with what was measured on each, oldest first. */
export interface Group {
  key: string;
  name: string;
  values: { coverId: string; on: string; value: number }[];
}

type Records = Pick<GardenContents, 'beds' | 'covers' | 'looks' | 'notes' | 'plantings'>;

function valueOf(c: Cover, of: Compared, { beds, looks, notes, plantings }: Records): number | undefined {
  const area = beds.find((b) => b.id === c.bedId)?.area_m2;
  const done = c.passes.filter((p) => p.doneOn && endingPasses(c).includes(p));
  if (area === undefined) return undefined;
  switch (of) {
    case 'minutes': {
      const timed = done.filter((p) => p.minutes !== undefined);
      // One pass without its time makes the sum say nothing.
      if (timed.length === 0 || timed.length < done.length) return undefined;
      return (timed.reduce((sum, p) => sum + p.minutes!, 0) / area) * 100;
    }
    case 'dead':
      return c.verdict === 'dead' && c.endedOn && done[0]
        ? dayOf(c.endedOn) - dayOf(done[0].doneOn!)
        : undefined;
    case 'weight': {
      const weighed = looks
        .filter((l) => l.coverId === c.id && l.bulk)
        .sort((a, b) => b.on.localeCompare(a.on))[0]?.bulk;
      return weighed && weighed.fresh_kg / weighed.area_m2;
    }
    case 'harvest': {
      const next = plantings.find((p) => p.id === c.nextPlantingId);
      if (!next?.plantedOn) return undefined;
      const until = next.clearedOn ?? '9999';
      const kg = notes
        .filter(
          (n) =>
            n.bedId === c.bedId && n.moved?.what === 'harvest' && n.on >= next.plantedOn! && n.on <= until,
        )
        .reduce((sum, n) => sum + n.moved!.kg, 0);
      return kg > 0 ? kg / area : undefined;
    }
  }
}

/** Groups of covers that have such a measure, the largest first; those with a single cover too. */
export function groupsOf(records: Records, of: Compared, by: ToldApart): Group[] {
  const groups = new Map<string, Group>();
  const covers = [...records.covers]
    .filter((c) => c.sownOn)
    .sort((a, b) => a.sownOn!.localeCompare(b.sownOn!) || a.id.localeCompare(b.id));
  for (const c of covers) {
    const value = valueOf(c, of, records);
    if (value === undefined) continue;
    const name = by === 'kind' ? coverTitle(c) : (methods.find((m) => m.id === c.method)?.name ?? c.method);
    const key = by === 'kind' ? name : c.method;
    const group = groups.get(key) ?? { key, name, values: [] };
    group.values.push({ coverId: c.id, on: c.endedOn ?? c.sownOn!, value });
    groups.set(key, group);
  }
  return [...groups.values()].sort(
    (a, b) => b.values.length - a.values.length || a.name.localeCompare(b.name),
  );
}

/** All lots are gone through: more covers than this on a side are years old. */
const LATEST = 6;

/**
 * Two groups held beside each other as if lots had been drawn, which they were not: the same exact test, capped at "likely". Undefined where a group is empty.
 */
export function compareGroups(a: Group, b: Group): Verdict | undefined {
  const side = (g: Group, treatment: number): Measured[] =>
    g.values.slice(-LATEST).map(({ value }) => ({ block: 0, treatment, value }));
  return verdictOf([...side(a, 0), ...side(b, 1)], 1, false);
}
