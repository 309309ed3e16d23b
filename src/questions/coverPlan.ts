import { coverTitle, findCrop, usualWay } from '../catalogue/catalogue.ts';
import { coverDays, plantingDays } from '../core/bed/timeline.ts';
import { type Day, dayOf, isoOf } from '../core/calendar/day.ts';
import { offerAims } from '../core/choose/begin.ts';
import { type AimStrands } from '../core/aims/aims.ts';
import { type ChooseInput } from '../core/choose/input.ts';
import { type Sample } from '../core/choose/sample.ts';
import { type GapCover } from '../core/rotation/covers.ts';
import { type Turn } from '../core/rotation/rules.ts';
import { type GardenContents } from '../records/verbs/verbs.ts';
import type { Bed, Cover, Planting } from '../records/types.ts';
import { coverOf } from './draft.ts';
import { followsIn, offeredIn, seasonOf, standsFor_d } from './rotation.ts';
import { bedNotes, gapQuestion } from './gap.ts';
import { methodsHere, nextCropOf } from './methods.ts';

/** A gap before a crop of a plan, on one bed. */
export interface YearGap {
  bed: Bed;
  /** 0 is the first year of the plan. */
  year: number;
  /** Which of the crops of its year is next, 0 the first. */
  place: number;
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
  /** 0 for the first crop of its year on the bed. */
  place: number;
  cropId: string;
  way: 'transplant' | 'seed';
  plantDay: Day;
  clearDay: Day;
  /** The record that it is already, where it is planned. */
  known: Planting | undefined;
}

/** A crop for which its year had no time left. */
export interface LeftOut {
  bedId: string;
  year: number;
  cropId: string;
}

type Laid = Pick<PlannedCrop, 'cropId' | 'way' | 'plantDay' | 'clearDay' | 'known'>;

/**
 * A plan laid out in time: each crop on the day that this garden's warmth and frosts offer once the bed is free, or on the day that is planned already; the
 * gaps before them; and crops that do not fit in their year any more.
 */
export function layOut(
  contents: Pick<GardenContents, 'garden' | 'plantings' | 'covers'>,
  beds: readonly Bed[],
  grid: readonly (readonly Turn[])[],
  first: number,
): { crops: PlannedCrop[]; gaps: YearGap[]; leftOut: LeftOut[] } {
  const { garden, plantings, covers } = contents;
  const crops: PlannedCrop[] = [];
  const gaps: YearGap[] = [];
  const leftOut: LeftOut[] = [];
  beds.forEach((bed, b) => {
    const mine = plantings
      .filter((p) => p.bedId === bed.id && findCrop(p.cropId))
      .map((p) => ({ p, ...plantingDays(p) }))
      .sort((x, y) => x.from - y.from);
    const { begins } = seasonOf(garden, first);
    let free = Math.max(...mine.filter((m) => m.from < begins).map((m) => m.to), -Infinity);
    let standing = mine.findLast((m) => m.from < begins)?.p.cropId;
    if (!Number.isFinite(free)) free = dayOf(`${first - 1}-10-01`);
    const put = (year: number, place: number, crop: Laid) => {
      const { cropId, way, plantDay } = crop;
      crops.push({ bedId: bed.id, year, place, ...crop });
      if (plantDay - free >= LEAST_GAP_D)
        gaps.push({
          bed,
          year,
          place,
          freeDay: Math.max(free, plantDay - LONGEST_GAP_D),
          plantDay,
          cropId,
          way,
          known: covers.find((c) => {
            const d = coverDays(c);
            return c.bedId === bed.id && c.verdict !== 'dead' && d.from < plantDay && d.endFrom > free;
          }),
        });
      free = Math.max(free, crop.clearDay);
      standing = cropId;
    };
    grid.forEach((row, year) => {
      const season = seasonOf(garden, first + year);
      // What is planned already in that year stays, whatever the plan would have there.
      const there = mine.filter((m) => m.from >= season.begins && m.from < season.until);
      there.forEach(({ p, from, to }, place) =>
        put(year, place, { cropId: p.cropId, way: p.way, plantDay: from, clearDay: to, known: p }),
      );
      if (there.length > 0) return;
      let place = 0;
      for (const cropId of row[b]!) {
        const crop = findCrop(cropId);
        if (!crop) continue;
        const plantDay =
          place === 0
            ? offeredIn(garden, crop, first + year, free)
            : followsIn(contents, crop, first + year, free);
        if (plantDay === undefined) {
          // What lives for years is there already.
          if (cropId !== standing || free < season.until) leftOut.push({ bedId: bed.id, year, cropId });
          continue;
        }
        const clearDay = plantDay + standsFor_d(crop);
        put(year, place++, { cropId, way: crop.ways[0]!, plantDay, clearDay, known: undefined });
      }
    });
  });
  return {
    crops,
    gaps: gaps.sort((a, b) => a.year - b.year || a.bed.order - b.bed.order || a.place - b.place),
    leftOut,
  };
}

/** The coming year's crops as plantings, each on the day on which the plan shows it. A bed that rests, or is planned already, gets none. */
export const plantingsFor = (
  contents: Pick<GardenContents, 'garden' | 'plantings' | 'covers'>,
  beds: readonly Bed[],
  row: readonly Turn[],
  year: number,
  newId: () => string,
): Planting[] =>
  layOut(contents, beds, [row], year).crops.flatMap((c) =>
    c.known ? [] : [plantingOf(c, contents.garden.id, newId())],
  );

const plantingOf = (c: PlannedCrop, gardenId: string, id: string): Planting => ({
  id,
  gardenId,
  bedId: c.bedId,
  cropId: c.cropId,
  way: c.way,
  plantOn: isoOf(c.plantDay),
  plantedOn: null,
  clearOn: isoOf(c.clearDay),
  clearedOn: null,
  note: '',
});

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
    .map((c) => plantingOf(c, garden.id, `plan-${c.year}-${c.place}`));
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

/**
 * A cover that is planned or stands already, as sums ask for it: by what was predicted of it when its way was settled. Of its bare days only those before it is
 * sown are known.
 */
export function knownSummed({ garden }: Pick<GardenContents, 'garden'>, gap: YearGap): GapCover | undefined {
  const { known, bed, freeDay } = gap;
  if (!known) return undefined;
  const { from, endFrom } = coverDays(known);
  const method = methodsHere(garden, bed).find((m) => m.id === known.method);
  return {
    name: coverTitle(known),
    sowDay: from,
    bare_d: Math.max(0, from - freeDay),
    nitrogen_g_m2: known.predicted?.nitrogen_g_m2.mid ?? 0,
    endDay: endFrom,
    ending_min_100m2: method?.minutesPer100m2 ?? 0,
  };
}
