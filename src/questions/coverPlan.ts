import { cropOf, findCrop, usualWay } from '../catalogue/catalogue.ts';
import { coverDays, plantingDays } from '../core/bed/timeline.ts';
import { type Day, dayOf, isoOf } from '../core/calendar/day.ts';
import { offerAims } from '../core/choose/begin.ts';
import { type AimStrands } from '../core/aims/aims.ts';
import { type ChooseInput } from '../core/choose/input.ts';
import { type Sample } from '../core/choose/sample.ts';
import { REST } from '../core/rotation/rules.ts';
import { type GardenContents } from '../records/verbs/verbs.ts';
import type { Bed, Cover, Planting } from '../records/types.ts';
import { coverOf } from './draft.ts';
import { offeredIn, seasonOf, standsFor_d } from './rotation.ts';
import { bedNotes, gapQuestion } from './gap.ts';
import { nextCropOf } from './methods.ts';

/** A gap before a crop of a plan, on one bed. */
export interface YearGap {
  bed: Bed;
  /** 0 is the first year of the plan. */
  year: number;
  freeDay: Day;
  plantDay: Day;
  cropId: string;
  way: 'transplant' | 'seed';
  /** The cover that stands there or is planned already. */
  known: Cover | undefined;
}

/** Shorter gaps carry no cover, longer ones are no gap: the core looks no further. */
const LEAST_GAP_D = 35;
const LONGEST_GAP_D = 500;

/** A crop of a plan on its day. */
export interface PlannedCrop {
  bedId: string;
  year: number;
  cropId: string;
  way: 'transplant' | 'seed';
  plantDay: Day;
  clearDay: Day;
  /** The record that it is already, where it is planned. */
  known: Planting | undefined;
}

/**
 * A plan laid out in time: each crop on the day that this garden's warmth and frosts offer once the bed is free, or on the day that is planned already; and
 * the gaps before them.
 */
export function layOut(
  { garden, plantings, covers }: Pick<GardenContents, 'garden' | 'plantings' | 'covers'>,
  beds: readonly Bed[],
  grid: readonly (readonly string[])[],
  first: number,
): { crops: PlannedCrop[]; gaps: YearGap[] } {
  const crops: PlannedCrop[] = [];
  const gaps: YearGap[] = [];
  beds.forEach((bed, b) => {
    const mine = plantings
      .filter((p) => p.bedId === bed.id && findCrop(p.cropId))
      .map((p) => ({ p, ...plantingDays(p) }))
      .sort((x, y) => x.from - y.from);
    const { begins } = seasonOf(garden, first);
    let free = Math.max(...mine.filter((m) => m.from < begins).map((m) => m.to), -Infinity);
    if (!Number.isFinite(free)) free = dayOf(`${first - 1}-10-01`);
    grid.forEach((row, year) => {
      const season = seasonOf(garden, first + year);
      // What is planned already in that year stays, whatever the plan would have there.
      const there = mine.filter((m) => m.from >= season.begins && m.from < season.until);
      const known = there[0];
      const cropId = known?.p.cropId ?? row[b]!;
      if (!known && (cropId === REST || !findCrop(cropId))) return;
      const crop = cropOf(cropId);
      const way = known?.p.way ?? crop.ways[0]!;
      const plantDay = known?.from ?? offeredIn(garden, crop, first + year, free);
      if (plantDay === undefined) return;
      const clearDay = known ? Math.max(...there.map((m) => m.to)) : plantDay + standsFor_d(crop);
      crops.push({ bedId: bed.id, year, cropId, way, plantDay, clearDay, known: known?.p });
      if (plantDay - free >= LEAST_GAP_D)
        gaps.push({
          bed,
          year,
          freeDay: Math.max(free, plantDay - LONGEST_GAP_D),
          plantDay,
          cropId,
          way,
          known: covers.find((c) => {
            const d = coverDays(c);
            return c.bedId === bed.id && c.verdict !== 'dead' && d.from < plantDay && d.endFrom > free;
          }),
        });
      free = clearDay;
    });
  });
  return { crops, gaps: gaps.sort((a, b) => a.year - b.year || a.bed.order - b.bed.order) };
}

/** Years over which covers of a plan are weighed. */
export const PLAN_YEARS = 24;

/** The question of a gap that a plan leaves; crops that the plan puts on the bed before it are known of. */
export function planGapQuestion(
  contents: GardenContents,
  gap: YearGap,
  crops: readonly PlannedCrop[],
): ChooseInput {
  const { garden } = contents;
  const { bed, freeDay, plantDay, cropId, way } = gap;
  const planned = crops
    .filter((c) => c.bedId === bed.id && !c.known && c.plantDay < freeDay)
    .map((c): Planting => ({
      id: `plan-${c.year}`,
      gardenId: garden.id,
      bedId: bed.id,
      cropId: c.cropId,
      way: c.way,
      plantOn: isoOf(c.plantDay),
      plantedOn: null,
      clearOn: isoOf(c.clearDay),
      clearedOn: null,
      note: '',
    }));
  const records = { ...contents, bed, plantings: [...contents.plantings, ...planned] };
  const notes = bedNotes(records, freeDay);
  const aims = offerAims(garden.site, nextCropOf(cropId, way), bed.soil, notes, freeDay, plantDay).map(
    ({ id, strands }) => ({ id, strands }),
  );
  const asked = gapQuestion(records, {
    wayId: usualWay.id,
    freeDay,
    plantDay,
    nextId: cropId,
    nextWay: way,
    aims,
    years: PLAN_YEARS,
  });
  // In one order, so that a gap is the same question before and after the year before it is planned.
  const families = [...asked.bed.families].sort(
    (a, b) => a.yearsAgo - b.yearsAgo || a.family.localeCompare(b.family),
  );
  // The catalogue's covers are with the core already, and a plan gives no reasons.
  return {
    ...asked,
    bed: { ...asked.bed, families },
    candidates: asked.candidates.filter((c) => c.from === 'mix' || c.from === 'packet'),
    hazards: {},
  };
}

/** A plan's choice of a gap as records: the cover, hung for the crop after it. */
export function planCover(
  { garden }: Pick<GardenContents, 'garden'>,
  gap: YearGap,
  { sample, aims }: { sample: Sample; aims: AimStrands[] },
  ids: { id: string; nextPlantingId: string | null },
  today: string,
): Cover {
  const form = { wayId: usualWay.id, plantOn: isoOf(gap.plantDay) };
  return { ...coverOf(sample, gap.bed, form, aims, garden, today), ...ids };
}
