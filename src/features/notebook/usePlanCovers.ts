import { useMemo, useState } from 'react';
import { cropOf, usualWay } from '../../catalogue/catalogue.ts';
import { type PlanCover, type PlanSums, sumsOf, variedPicks } from '../../core/rotation/covers.ts';
import { plantingMinutes } from '../../core/rotation/work.ts';
import { layOut, planCover, planGapQuestion, type YearGap } from '../../questions/coverPlan.ts';
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
  sums: PlanSums;
  /** Gaps that are still worked out. */
  waiting: number;
  /** Puts the covers of two gaps in each other's place, by the keys of their cells. */
  exchange(a: string, b: string): void;
  /** Covers of the first year as records, each before the crop that follows it. */
  coversFor(plantings: readonly Planting[]): Cover[];
}

export const cellKey = (bedId: string, year: number): string => `${bedId} ${year}`;
/** A pick holds as long as its gap is the same. */
const sameGap = (g: YearGap): string => `${g.bed.id} ${g.freeDay} ${g.plantDay} ${g.cropId}`;
const NO_GRID: string[][] = [];

/** The covers of a plan's gaps, worked out gap by gap; one that the gardener picked stays while its gap does. */
export function usePlanCovers(beds: readonly Bed[], grid: string[][] | undefined, first: number): PlanCovers {
  const ring = useGarden();
  const [picked, setPicked] = useState<ReadonlyMap<string, { id: string; name: string }>>(new Map());
  const laid = useMemo(() => layOut(ring, beds, grid ?? NO_GRID, first), [ring, beds, grid, first]);
  const open = useMemo(() => laid.gaps.filter((g) => !g.known), [laid]);
  const asked = useMemo(() => open.map((g) => planGapQuestion(ring, g, laid.crops)), [ring, open, laid]);
  const texts = useMemo(() => asked.map((a) => JSON.stringify(a)), [asked]);
  const answers = useAnswers('planCovers', texts);
  // What was dragged to a gap whose own best it is not among is asked for by itself.
  const strangers = useMemo(
    () =>
      open.flatMap((g, i) => {
        const hung = picked.get(sameGap(g));
        const known = answers[i]?.answer;
        return !hung || !known || known.some((c) => c.sample.id === hung.id)
          ? []
          : [{ gap: g, text: JSON.stringify({ ...asked[i]!, only: hung.id }) }];
      }),
    [open, asked, answers, picked],
  );
  const brought = useAnswers(
    'planCovers',
    useMemo(() => strangers.map((s) => s.text), [strangers]),
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
    const pick = (gap: YearGap, cover: PlanCover) =>
      [sameGap(gap), { id: cover.sample.id, name: cover.sample.name }] as const;
    open.forEach((gap, i) => {
      const { covers } = options[i]!;
      const key = cellKey(gap.bed.id, gap.year);
      const hung = picked.get(sameGap(gap));
      const wanted = covers.findIndex((c) => c.sample.id === hung?.id);
      const at = wanted >= 0 ? wanted : usual[i];
      const asking = strange.has(gap) && strange.get(gap) === undefined;
      cells.set(key, {
        gap,
        covers: asking ? undefined : answers[i]?.answer && covers,
        cover: at === undefined ? undefined : covers[at],
        another: () => {
          const next = covers[((at ?? -1) + 1) % covers.length];
          if (next) setPicked((p) => new Map([...p, pick(gap, next)]));
        },
        unfit: strange.get(gap)?.length === 0 ? hung?.name : undefined,
      });
    });
    const exchange = (a: string, b: string) => {
      const [from, to] = [cells.get(a), cells.get(b)];
      if (!from?.cover || !to || a === b || from.gap.known || to.gap.known) return;
      const moved = [pick(to.gap, from.cover), ...(to.cover ? [pick(from.gap, to.cover)] : [])];
      setPicked((p) => new Map([...p, ...moved]));
    };
    for (const gap of laid.gaps.filter((g) => g.known))
      cells.set(cellKey(gap.bed.id, gap.year), {
        gap,
        covers: [],
        cover: undefined,
        another: () => undefined,
      });
    const areas = new Map(beds.map((b) => [b.id, b.area_m2]));
    return {
      cells,
      exchange,
      waiting: answers.filter((a) => a.answer === undefined && a.failure === undefined).length,
      sums: sumsOf(
        [...cells.values()]
          .filter((c) => !c.gap.known)
          .map(({ gap, cover }) => ({
            year: gap.year,
            area_m2: gap.bed.area_m2,
            freeDay: gap.freeDay,
            plantDay: gap.plantDay,
            cover,
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
          const next = plantings.find((p) => p.bedId === gap.bed.id && p.cropId === gap.cropId);
          const { cover } = cells.get(cellKey(gap.bed.id, gap.year))!;
          if (gap.year !== 0 || !next || !cover) return [];
          const ids = { id: ring.hands.newId(), nextPlantingId: next.id };
          return [planCover(ring, gap, { sample: cover.sample, aims: asked[i]!.aims }, ids, ring.today)];
        }),
    };
  }, [ring, beds, grid, laid, open, asked, answers, strangers, brought, picked]);
}
