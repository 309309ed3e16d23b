import { coverDays, plantingDays } from '../core/bed/timeline.ts';
import { type GardenContents } from './verbs/verbs.ts';

/** Two crops, or two covers, that stand on one bed at the same time. */
export interface Overlap {
  table: 'plantings' | 'covers';
  bedId: string;
  /** Ids, the earlier first. */
  ids: [string, string];
}

/** Every pair that could not have been written on one device and may come of two. */
export function overlapsIn({ plantings, covers }: Pick<GardenContents, 'plantings' | 'covers'>): Overlap[] {
  return [
    ...pairs(
      'plantings',
      plantings.map((p) => ({ ...p, ...plantingDays(p) })),
    ),
    ...pairs(
      'covers',
      covers.map((c) => {
        const { from, endFrom } = coverDays(c);
        return { ...c, from, to: endFrom };
      }),
    ),
  ];
}

function pairs(
  table: Overlap['table'],
  spans: { id: string; bedId: string; from: number; to: number }[],
): Overlap[] {
  const sorted = [...spans].sort((a, b) => a.from - b.from || (a.id < b.id ? -1 : 1));
  return sorted.flatMap((a, i) =>
    sorted
      .slice(i + 1)
      .filter((b) => b.bedId === a.bedId && b.from < a.to)
      .map((b): Overlap => ({ table, bedId: a.bedId, ids: [a.id, b.id] })),
  );
}
