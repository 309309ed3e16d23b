import { type Turn } from './rules.ts';

// The gardener's own plan of the years to come: a proposal that was changed by hand, and the covers that were hung in it.

/** A cover that was hung by hand: it holds as long as its gap is the same. */
export interface HungCover {
  bedId: string;
  /** Day on which the bed is free, and on which its next crop goes in: ISO dates. */
  freeOn: string;
  plantOn: string;
  cropId: string;
  coverId: string;
  /** Its name, for when it cannot hang there after all. */
  name: string;
}

export interface YearsPlan {
  /** The first year that it plans. */
  first: number;
  /** What each bed brings from that year on. */
  beds: { bedId: string; years: Turn[] }[];
  hung: HungCover[];
}

/** A grid of years and beds as a plan that can be kept. */
export const planFrom = (
  bedIds: readonly string[],
  grid: readonly (readonly Turn[])[],
  first: number,
  hung: readonly HungCover[] = [],
): YearsPlan => ({
  first,
  beds: bedIds.map((bedId, b) => ({ bedId, years: grid.map((row) => row[b]!) })),
  hung: [...hung],
});

/**
 * The grid of a kept plan in the years and on the beds that are asked for now: what is planned already comes first, then what was kept, and where neither
 * says anything what is proposed.
 */
export function gridOf(
  { first, beds }: YearsPlan,
  bedIds: readonly string[],
  asked: number,
  proposed: readonly (readonly Turn[])[],
  fixed: readonly (readonly (Turn | null)[])[] = [],
): Turn[][] {
  const kept = new Map(beds.map((b) => [b.bedId, b.years]));
  return proposed.map((row, y) =>
    bedIds.map((id, b) => fixed[y]?.[b] ?? kept.get(id)?.[asked + y - first] ?? row[b]!),
  );
}

/** The same plan with the turns of two beds in each other's place. */
export function swapTurns(plan: YearsPlan, year: number, a: string, b: string): YearsPlan {
  const at = (id: string) => plan.beds.find((bed) => bed.bedId === id)?.years[year - plan.first];
  const [one, other] = [at(a), at(b)];
  return one && other
    ? changeTurn(
        changeTurn(plan, year, a, () => other),
        year,
        b,
        () => one,
      )
    : plan;
}

/** The same plan with what a bed brings in a year changed. */
export const changeTurn = (
  plan: YearsPlan,
  year: number,
  bedId: string,
  change: (turn: Turn) => Turn,
): YearsPlan => ({
  ...plan,
  beds: plan.beds.map((bed) =>
    bed.bedId === bedId
      ? { ...bed, years: bed.years.map((t, y) => (y === year - plan.first ? change(t) : t)) }
      : bed,
  ),
});

/** The crop at a place of a turn changed, one added behind its last, or, without a crop, taken away. */
export const cropAt = (turn: Turn, at: number, cropId: string | undefined): Turn => [
  ...turn.slice(0, at),
  ...(cropId === undefined ? [] : [cropId]),
  ...turn.slice(at + 1),
];

const sameGap = (a: HungCover) => `${a.bedId} ${a.freeOn} ${a.plantOn} ${a.cropId}`;

/** The same plan with covers hung by hand, each in place of what hung in its gap before. */
export function hangCovers(plan: YearsPlan, covers: readonly HungCover[]): YearsPlan {
  const anew = new Set(covers.map(sameGap));
  return { ...plan, hung: [...plan.hung.filter((h) => !anew.has(sameGap(h))), ...covers] };
}
