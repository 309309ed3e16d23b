import { endingPasses } from '../core/bed/timeline.ts';
import { dayOf } from '../core/calendar/day.ts';
import { type LivedThrough } from '../core/learn/came.ts';
import { byBlows, type EndedBy } from '../core/learn/kills.ts';
import { type LookedAt } from '../core/learn/learn.ts';
import { type GardenContents } from '../records/verbs/verbs.ts';
import type { Bed, Cover, Look, Lot } from '../records/types.ts';
import { findWay, unknownKinds } from '../catalogue/catalogue.ts';
import { methodsHere } from './methods.ts';
import { germinationOf } from './needs.ts';
import { seedOnGround } from './weights.ts';
import { forecastInput, leadOf, observedOf } from './cover.ts';

const YEAR_D = 365.25;

/** Day on which a cover's ending began or it was found dead; none while it stands. */
const endOf = (c: Cover): string | null => endingPasses(c).find((p) => p.doneOn)?.doneOn ?? c.endedOn;

/** Looks from before a bed was cut are with every piece; told of once, with the first of them. */
function looksOnce({ covers, beds, looks }: GardenContents, bed: Bed, cover: Cover): Look[] {
  const mine = looks.filter((l) => l.coverId === cover.id);
  const { piece } = bed;
  if (!piece || !cover.sownOn || cover.sownOn >= piece.from) return mine;
  const orders = covers
    .filter((c) => c.sownOn === cover.sownOn)
    .flatMap((c) => beds.filter((b) => b.id === c.bedId))
    .filter((b) => b.piece?.of === piece.of && b.piece.from === piece.from)
    .map((b) => b.order);
  return bed.order <= Math.min(...orders) ? mine : mine.filter((l) => l.on >= piece.from);
}

/** Covers that were sown and looked at, as questions by the book: with their measured weather, without what was learnt before. */
export function lookedAt(contents: GardenContents, today: string, years: number): LookedAt[] {
  const { garden, beds, covers, plantings, weather } = contents;
  return covers.flatMap((c) => {
    const bed = beds.find((b) => b.id === c.bedId);
    if (!bed || !c.sownOn || c.sownOn > today || unknownKinds(c.parts).length > 0) return [];
    const looks = looksOnce(contents, bed, c);
    if (looks.length === 0) return [];
    const until = endOf(c) ?? today;
    // What was done to it says of the ending, not of how it grew.
    const standing = { ...c, passes: [], verdict: null, endedOn: null };
    const seen = looks.filter((l) => l.on <= until);
    return [
      {
        coverId: c.id,
        kind: leadOf(c.parts),
        asked: {
          ...forecastInput({ ...garden, learnt: null }, bed, standing, plantings, seen, until, years),
          observed: observedOf(weather, c, until),
          methods: [],
        },
        ago_y: Math.max(0, (dayOf(today) - dayOf(until)) / YEAR_D),
      },
    ];
  });
}

/** Passes that end a stand, once each however often the way asks for it; looks and covers that are laid are none. */
const blowsOf = (passes: { kind: string }[]): number =>
  passes.filter((p) => !p.kind.startsWith('check')).length;

/** Covers that were ended by blows and of which somebody said what came of it, as they stood on the day of the first. */
export function endedBy(contents: GardenContents, today: string, years: number): EndedBy[] {
  const { garden, beds, covers } = contents;
  return covers.flatMap((cover) => {
    const bed = beds.find((b) => b.id === cover.bedId);
    const done = endingPasses(cover).filter((p) => p.doneOn);
    const [first] = done;
    if (!bed || !first || cover.verdict === null) return [];
    const method = methodsHere({ ...garden, learnt: null }, bed).find((m) => m.id === cover.method);
    const asked = lookedAt({ ...contents, covers: [cover] }, first.doneOn!, years)[0]?.asked;
    if (!method || !asked || !byBlows(method)) return [];
    return [
      {
        coverId: cover.id,
        asked,
        method,
        startDay: dayOf(first.doneOn!),
        killed: cover.verdict === 'dead' && blowsOf(done) <= blowsOf(method.passes),
        ago_y: Math.max(0, (dayOf(today) - dayOf(first.doneOn!)) / YEAR_D),
      },
    ];
  });
}

/** Share of the seed reckoned with that its lot let come up by its age and its test; 1 where nobody knows the lot. */
function wokeOf(cover: Cover, speciesId: string, lots: readonly Lot[]): number {
  const sown = cover.seed.find((s) => s.speciesId === speciesId);
  const lot = lots.find((l) => l.id === sown?.lotId);
  return sown && lot ? germinationOf(lot, cover.sownOn!) / sown.germination : 1;
}

/** A cover that has begun to end, as the question what came of it. */
export function livedThrough(
  contents: GardenContents,
  cover: Cover,
  today: string,
): LivedThrough | undefined {
  const asked = lookedAt({ ...contents, covers: [cover] }, today, 0)[0]?.asked;
  const bed = contents.beds.find((b) => b.id === cover.bedId);
  const end = endOf(cover);
  if (!asked || !bed || !end) return undefined;
  const plannedWay = cover.plannedWayId === undefined ? undefined : findWay(cover.plannedWayId);
  const planned = {
    ...cover,
    wayId: plannedWay?.id ?? cover.wayId,
    seed: cover.seed.map((s) => ({ ...s, used_g: null })),
  };
  const byHand = endingPasses(cover).some((p) => p.doneOn && !p.kind.startsWith('check'));
  return {
    asked,
    plannedSowDay: dayOf(cover.sowOn),
    plannedSeed_g_m2: seedOnGround(planned, bed),
    plannedWay,
    wokeSeed_g_m2: asked.seed_g_m2.map((g, i) => g * wokeOf(cover, cover.parts[i]!.speciesId, contents.lots)),
    endDay: byHand ? dayOf(end) : null,
  };
}
