import { dayOf, isIsoDate } from '../../core/calendar/day.ts';
import { coverDays, endingPasses, plantingDays } from '../../core/bed/timeline.ts';
import { type Result, fail, ok } from '../../core/result/result.ts';
import type { Cover, Planting } from '../types.ts';

/** Fails with `date-missing`, `dates-out-of-order` (where says which pair) or passes. */
export function inOrder(pairs: [string, string | null, string, string | null][]): Result<true> {
  for (const [aName, a, bName, b] of pairs) {
    if (a !== null && !isIsoDate(a)) return fail('date-missing', aName);
    if (b !== null && !isIsoDate(b)) return fail('date-missing', bName);
    if (a !== null && b !== null && dayOf(b) < dayOf(a))
      return fail('dates-out-of-order', `${aName} and ${bName}`, { first: a, second: b });
  }
  return ok(true);
}

/** Two food crops may not stand on a bed at once. Fails with `crops-overlap`. A day in common (out in the morning, in at noon) is allowed. */
export function noOverlap(
  candidate: Planting,
  others: Planting[],
  nameOf: (p: Planting) => string,
): Result<true> {
  const mine = plantingDays(candidate);
  for (const other of others) {
    if (other.id === candidate.id || other.bedId !== candidate.bedId) continue;
    const theirs = plantingDays(other);
    if (mine.from < theirs.to && theirs.from < mine.to)
      return fail('crops-overlap', nameOf(other), {
        from: other.plantedOn ?? other.plantOn,
        to: other.clearedOn ?? other.clearOn,
      });
  }
  return ok(true);
}

/** Two covers may not stand on a bed at once. Fails with `covers-overlap`. */
export function noCoverOverlap(
  candidate: Cover,
  others: Cover[],
  nameOf: (c: Cover) => string,
): Result<true> {
  const mine = coverDays(candidate);
  for (const other of others) {
    if (other.id === candidate.id || other.bedId !== candidate.bedId) continue;
    const theirs = coverDays(other);
    if (mine.from < theirs.endFrom && theirs.from < mine.endFrom)
      return fail('covers-overlap', nameOf(other), {
        from: other.sownOn ?? other.sowOn,
        to: other.endedOn ?? endingPasses(other)[0]?.due ?? '',
      });
  }
  return ok(true);
}
