import { useMemo } from 'react';
import { cropOf, usualWay } from '../../catalogue/catalogue.ts';
import { asSummed, type PlanCover, type PlanSums, sumsOf, variedPicks } from '../../core/rotation/covers.ts';
import { plantingMinutes } from '../../core/rotation/work.ts';
import { isoOf } from '../../core/calendar/day.ts';
import { type Turn } from '../../core/rotation/rules.ts';
import { type HungCover } from '../../core/rotation/yearsPlan.ts';
import {
  knownSummed,
  type LeftOut,
  layOut,
  planCover,
  planGapQuestion,
  type PlannedCrop,
  type YearGap,
} from '../../questions/coverPlan.ts';
import type { Bed, Cover, Planting } from '../../records/types.ts';
import { useAnswers } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';

/** A gap of a plan with what could hang in it. */
export interface GapCell {
  gap: YearGap;
  /** Best first; undefined while it is worked out. */
  covers: readonly PlanCover[] | undefined;
  /** The one that is taken. */
  cover: PlanCover | undefined;
  /** Takes the next of them. */
  another(): void;
  /** A cover that was hung here by hand and cannot be: its name. */
  unfit?: string | undefined;
}

/** The covers of a plan. */
export interface PlanCovers {
  cells: ReadonlyMap<string, GapCell>;
  /** Crops on their days, and those that their year had no time for. */
  crops: readonly PlannedCrop[];
  leftOut: readonly LeftOut[];
  sums: PlanSums;
  /** Gaps that are still worked out. */
  waiting: number;
  /** Puts the covers of two gaps in each other's place, by the keys of their cells. */
  exchange(a: string, b: string): void;
  /** Covers of the first year as records, each before the crop that follows it. */
  coversFor(plantings: readonly Planting[]): Cover[];
}

/** The gap before a crop of a plan: `place` is which of its year on that bed. */
export const cellKey = (bedId: string, year: number, place: number): string => `${bedId} ${year} ${place}`;
const keyOf = (g: YearGap): string => cellKey(g.bed.id, g.year, g.place);
/** A cover in a gap, as it is kept. */
const hungIn = (g: YearGap, { sample }: PlanCover): HungCover => ({
  bedId: g.bed.id,
  freeOn: isoOf(g.freeDay),
  plantOn: isoOf(g.plantDay),
  cropId: g.cropId,
  coverId: sample.id,
  name: sample.name,
});
const handHung = (picked: ReadonlyMap<string, HungCover>, g: YearGap): HungCover | undefined =>
  picked.get(`${g.bed.id} ${isoOf(g.freeDay)} ${isoOf(g.plantDay)} ${g.cropId}`);
const NO_GRID: Turn[][] = [];
const UNDER_A_HAND = { quick: true };

/**
 * The covers of a plan's gaps, worked out gap by gap; one that the gardener hung stays while its gap does.
 * @param hung by hand
 * @param hang keeps what is hung by hand
 */
export function usePlanCovers(
  beds: readonly Bed[],
  grid: Turn[][] | undefined,
  first: number,
  hung: readonly HungCover[],
  hang: (covers: HungCover[]) => void,
): PlanCovers {
  const ring = useGarden();
  const picked = useMemo(
    () => new Map(hung.map((h) => [`${h.bedId} ${h.freeOn} ${h.plantOn} ${h.cropId}`, h])),
    [hung],
  );
  const laid = useMemo(() => layOut(ring, beds, grid ?? NO_GRID, first), [ring, beds, grid, first]);
  const open = useMemo(() => laid.gaps.filter((g) => !g.known), [laid]);
  const asked = useMemo(() => open.map((g) => planGapQuestion(ring, g, laid.crops)), [ring, open, laid]);
  const texts = useMemo(() => asked.map((a) => JSON.stringify(a)), [asked]);
  const answers = useAnswers('planCovers', texts);
  // What was dragged to a gap whose own best it is not among is asked for by itself, ahead of all gaps that still wait: a hand let go of it there.
  const strangers = useMemo(
    () =>
      open.flatMap((g, i) => {
        const there = handHung(picked, g);
        const known = answers[i]?.answer;
        return !there || known?.some((c) => c.sample.id === there.coverId)
          ? []
          : [{ gap: g, text: JSON.stringify({ ...asked[i]!, only: there.coverId }) }];
      }),
    [open, asked, answers, picked],
  );
  const brought = useAnswers(
    'planCovers',
    useMemo(() => strangers.map((s) => s.text), [strangers]),
    UNDER_A_HAND,
  );
  return useMemo(() => {
    const strange = new Map(strangers.map((s, i) => [s.gap, brought[i]?.answer]));
    const options = open.map((g, i) => ({
      bedId: g.bed.id,
      year: g.year,
      covers: [...(strange.get(g) ?? []), ...(answers[i]?.answer ?? [])],
    }));
    const usual = variedPicks(options);
    const cells = new Map<string, GapCell>();
    open.forEach((gap, i) => {
      const { covers } = options[i]!;
      const own = answers[i]?.answer;
      const there = handHung(picked, gap);
      const wanted = covers.findIndex((c) => c.sample.id === there?.coverId);
      const at = wanted >= 0 ? wanted : usual[i];
      const brings = strange.get(gap);
      const asking = strange.has(gap) && brings === undefined;
      cells.set(keyOf(gap), {
        gap,
        covers: !asking && (own || brings?.length) ? covers : undefined,
        cover: at === undefined ? undefined : covers[at],
        another: () => {
          const next = covers[((at ?? -1) + 1) % covers.length];
          if (next) hang([hungIn(gap, next)]);
        },
        unfit: brings?.length === 0 ? there?.name : undefined,
      });
    });
    const exchange = (a: string, b: string) => {
      const [from, to] = [cells.get(a), cells.get(b)];
      if (!from?.cover || !to || a === b || from.gap.known || to.gap.known) return;
      hang([hungIn(to.gap, from.cover), ...(to.cover ? [hungIn(from.gap, to.cover)] : [])]);
    };
    for (const gap of laid.gaps.filter((g) => g.known))
      cells.set(keyOf(gap), {
        gap,
        covers: [],
        cover: undefined,
        another: () => undefined,
      });
    const areas = new Map(beds.map((b) => [b.id, b.area_m2]));
    return {
      cells,
      crops: laid.crops,
      leftOut: laid.leftOut,
      exchange,
      waiting: answers.filter((a) => a.answer === undefined && a.failure === undefined).length,
      sums: sumsOf(
        [...cells.values()].map(({ gap, cover }) => ({
          year: gap.year,
          area_m2: gap.bed.area_m2,
          freeDay: gap.freeDay,
          plantDay: gap.plantDay,
          cover: cover ? asSummed(cover) : knownSummed(ring, gap),
          sowing_min_100m2: usualWay.minutesPer100m2,
        })),
        laid.crops.map((c) => {
          const crop = cropOf(c.cropId);
          const area_m2 = areas.get(c.bedId)!;
          return {
            year: c.year,
            area_m2,
            plantDay: c.plantDay,
            takes_g_m2: crop.nitrogenNeed_g_m2 * (1 - crop.fixesShare),
            minutes: plantingMinutes(crop.setOut, c.way, area_m2),
          };
        }),
        beds.length,
        grid?.length ?? 1,
      ),
      coversFor: (plantings) =>
        open.flatMap((gap, i) => {
          const plantOn = isoOf(gap.plantDay);
          const next = plantings.find((p) => p.bedId === gap.bed.id && p.plantOn === plantOn);
          const { cover } = cells.get(keyOf(gap))!;
          if (gap.year !== 0 || !next || !cover) return [];
          const ids = { id: ring.hands.newId(), nextPlantingId: next.id };
          return [planCover(ring, gap, { sample: cover.sample, aims: asked[i]!.aims }, ids, ring.today)];
        }),
    };
  }, [ring, beds, grid, laid, open, asked, answers, strangers, brought, picked, hang]);
}
