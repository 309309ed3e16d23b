import { type Day } from '../calendar/day.ts';
import { quantile } from '../random/quantile.ts';
import { NEEDS_THING } from '../work/workPlan.ts';
import { layings, together } from '../work/sheets.ts';
import { LAYS } from './lays.ts';
import {
  type Clash,
  type DealtUse,
  LYING,
  type ShareCover,
  type ShareThing,
  type ThingBoard,
  type Use,
} from './types.ts';

/** A cover with what it keeps busy. */
export interface Wanting {
  cover: Pick<ShareCover, 'id' | 'bed' | 'box' | 'block' | 'order' | 'thingIds'>;
  uses: Use[];
}

// What lies where: things dealt out to the covers that want them, and where two want the same one.

/** Two uses clash when they want the same thing in more than this share of years. */
const CLASH_ODDS = 0.1;
/** Path between two beds that lie side by side, m. */
export const PATH_M = 0.5;

/** Share of years in which both uses want their thing on the same day. */
export function overlap(a: Use, b: Use): number {
  let both = 0;
  for (let y = 0; y < a.to.length; y++) if (a.from < b.to[y]! && b.from < a.to[y]!) both++;
  return both / a.to.length;
}

type Sized = ShareThing & { width_m: number; length_m: number };
const sized = (t: ShareThing): t is Sized => t.width_m !== undefined && t.length_m !== undefined;

/** Sets of things that serve a use: sheets alone, turned or lapping; of others any one. */
export function servings(use: Use, option: Wanting, things: readonly ShareThing[]): string[][] {
  const kind = things.filter((t) => t.of === use.of);
  if (use.of !== 'opaque-sheet') return kind.map((t) => [t.id]);
  return layings(option.cover.box, kind.filter(sized)).map((l) => l.sheets.map((s) => s.id));
}

/** One sheet lies over two beds side by side: it is wanted by both at once and by neither from the other. */
function sharesOne(
  a: DealtUse,
  b: DealtUse,
  options: ReadonlyMap<string, Wanting>,
  things: readonly ShareThing[],
): boolean {
  const [x, y] = [options.get(a.coverId)!.cover, options.get(b.coverId)!.cover];
  const aside = (c: typeof x) => c.thingIds.some((id) => a.thingIds.includes(id));
  if (a.of !== 'opaque-sheet' || !neighbours(x, y) || !aside(x) || !aside(y) || a.from !== b.from)
    return false;
  return (
    layings(together(x.box, y.box, PATH_M), things.filter((t) => a.thingIds.includes(t.id)).filter(sized))
      .length > 0
  );
}

/** Beds that lie side by side: next in the order of their block, and of one length. */
export const neighbours = (
  a: { block: string; order: number; box: { length_m: number } },
  b: { block: string; order: number; box: { length_m: number } },
): boolean =>
  a.block === b.block && Math.abs(a.order - b.order) === 1 && Math.abs(a.box.length_m - b.box.length_m) < 1;

export interface Dealt {
  uses: DealtUse[];
  clashes: Clash[];
}

/**
 * Deals things out in the order in which they are wanted: what was set aside for a cover first, then the smallest that serves and is free. Where none is free
 * the use takes what clashes in the fewest years, and says so.
 */
export function deal(options: ReadonlyMap<string, Wanting>, things: readonly ShareThing[]): Dealt {
  const dealt: DealtUse[] = [];
  const clashes: Clash[] = [];
  const all = [...options.values()].flatMap((o) => o.uses.map((use) => ({ use, option: o })));
  all.sort(
    (a, b) =>
      Number(b.use.begun) - Number(a.use.begun) ||
      a.use.from - b.use.from ||
      (a.use.coverId < b.use.coverId ? -1 : 1),
  );
  for (const { use, option } of all) {
    const ways = servings(use, option, things);
    const aside = ways.filter((w) => w.every((id) => option.cover.thingIds.includes(id)));
    const open = aside.length > 0 ? aside : ways;
    if (open.length === 0) {
      // What is on the bed already is there, whatever its size is said to be.
      if (!use.begun)
        clashes.push({
          thingId: null,
          of: use.of,
          holder: use.coverId,
          wants: use.coverId,
          day: use.from,
          odds: 1,
        });
      dealt.push({ ...use, thingIds: [] });
      continue;
    }
    let best: { ids: string[]; worst: number; clash: Clash | undefined } | undefined;
    for (const ids of open) {
      let worst = 0;
      let clash: Clash | undefined;
      for (const other of dealt) {
        const shared = other.thingIds.find((id) => ids.includes(id));
        if (!shared) continue;
        const mine = { ...use, thingIds: ids };
        if (sharesOne(mine, other, options, things)) continue;
        const odds = overlap(use, other);
        if (odds > worst) {
          worst = odds;
          clash = {
            thingId: shared,
            of: use.of,
            holder: other.coverId,
            wants: use.coverId,
            day: Math.max(use.from, other.from),
            odds,
          };
        }
      }
      if (!best || worst < best.worst - 1e-9) best = { ids, worst, clash };
      if (worst <= CLASH_ODDS) break;
    }
    dealt.push({ ...use, thingIds: best!.ids });
    if (best!.worst > CLASH_ODDS) clashes.push(best!.clash!);
  }
  return { uses: dealt, clashes };
}

/** The board: one strip a thing, where it lies and until when, or on which days it is in somebody's hands. */
export function boardOf(
  { uses }: Dealt,
  things: readonly ShareThing[],
  options: ReadonlyMap<string, Wanting>,
  covers: readonly Pick<ShareCover, 'id' | 'bed' | 'passes'>[],
): ThingBoard[] {
  const lying = new Set<string>(LYING);
  const firstOf = new Map<string, string>();
  for (const t of things) if (!firstOf.has(t.of)) firstOf.set(t.of, t.id);
  return things.map((thing) => ({
    thing,
    stretches: uses
      .filter((u) => u.thingIds.includes(thing.id))
      .sort((a, b) => a.from - b.from)
      .map((u) => ({
        coverId: u.coverId,
        bed: options.get(u.coverId)!.cover.bed,
        from: u.from,
        until: untilOf(u.to),
        begun: u.begun,
      })),
    // Of two alike the first is taken: they hinder nobody.
    days:
      lying.has(thing.of) || firstOf.get(thing.of) !== thing.id
        ? []
        : covers.flatMap((c) =>
            c.passes
              .filter((p) => !p.done && NEEDS_THING[p.kind]?.includes(thing.of))
              .map((p) => ({ coverId: c.id, bed: c.bed, day: p.day })),
          ),
  }));
}

const untilOf = (to: Float64Array): { low: Day; mid: Day; high: Day } => ({
  low: Math.round(quantile(to, 0.1)),
  mid: Math.round(quantile(to, 0.5)),
  high: Math.round(quantile(to, 0.9)),
});

/** A sheet that nobody has dated a lifting for lies so long. */
const LIES_D = 35;
const STAYS_D = 7;

/** Clashes by the dates as they stand in the plans, without growing anything: for a glance over all beds. */
export function datedClashes(
  covers: readonly (Wanting['cover'] & Pick<ShareCover, 'passes'>)[],
  things: readonly ShareThing[],
): Clash[] {
  const wanting = new Map<string, Wanting>();
  for (const cover of covers) {
    const lift = cover.passes.find((p) => p.kind === 'lift-sheet');
    if (lift?.done) continue;
    const uses = cover.passes.flatMap((p): Use[] => {
      const of = LAYS[p.kind];
      if (!of) return [];
      const lies = of === 'opaque-sheet' || of === 'clear-film';
      // An animal that was there is gone again.
      if (!lies && p.done) return [];
      const to = lies ? (lift?.day ?? p.day + LIES_D) : p.day + STAYS_D;
      return [{ coverId: cover.id, of, from: p.day, to: Float64Array.of(to), begun: p.done }];
    });
    if (uses.length > 0) wanting.set(cover.id, { cover, uses });
  }
  return deal(wanting, things).clashes;
}
