import { type CropEntry } from '../catalogue/schema.ts';
import { cropOf, findCrop } from '../catalogue/catalogue.ts';
import { asOn, isGrown, worked } from '../core/bed/pieces.ts';
import { plantingDays } from '../core/bed/timeline.ts';
import { type Day, dayOf, isoOf } from '../core/calendar/day.ts';
import { offerPlanting } from '../core/choose/begin.ts';
import { type RotationInput } from '../core/rotation/rotation.ts';
import { REST, type Wanted } from '../core/rotation/rules.ts';
import { type GardenContents } from '../records/verbs/verbs.ts';
import type { Bed, Garden, Planting } from '../records/types.ts';

/** Families that a trouble of a bed keeps away from it: what the trouble lives on. */
const BARS: Partial<Record<Bed['troubles'][number], string[]>> = {
  clubroot: ['Brassicaceae'],
  'white-mould': ['Asteraceae', 'Fabaceae'],
};

/** What a crop asks of rotation. */
export const wantedOf = (crop: CropEntry): Wanted => ({
  cropId: crop.id,
  family: crop.family,
  rest_y: crop.setOut.rest_y,
  hungry: crop.appetite === 'heavy',
  gives: crop.family === 'Fabaceae',
  tender: crop.frost === 'tender',
  stays_y: crop.days[1] > YEAR_D ? Math.round(crop.days[1] / YEAR_D) : undefined,
});
const YEAR_D = 365;

/** The year that is planned next. */
export const comingYear = (today: string): number => Number(today.slice(0, 4)) + 1;

/** The crop that a bed is known by in a year: the one that stands on it longest. */
function mainCrop(plantings: readonly Planting[], bedId: string, year: number): Planting | undefined {
  const from = dayOf(`${year}-01-01`);
  const to = dayOf(`${year + 1}-01-01`);
  const stands = (p: Planting) => {
    const d = plantingDays(p);
    return Math.min(d.to, to) - Math.max(d.from, from);
  };
  return plantings
    .filter((p) => p.bedId === bedId && findCrop(p.cropId) && stands(p) > 0)
    .sort((a, b) => stands(b) - stands(a))[0];
}

/** What is grown where no crop is known yet. */
const USUAL = 'lettuce';
const YEARS_BACK = 6;

/** This year's crops change places over the coming years: the question of rotation, from the records. */
export function rotationQuestion(
  { garden, beds: all, plantings }: Pick<GardenContents, 'garden' | 'beds' | 'plantings'>,
  today: string,
  years: number,
  seed = 1,
): RotationInput {
  const now = comingYear(today) - 1;
  // Ground as it will be worked in that year; paths, film and what is kept take no crop.
  const sorted = worked(all, dayOf(`${now + 1}-01-01`))
    .filter(isGrown)
    .sort((a, b) => a.order - b.order);
  const here = new Map(sorted.map((b) => [b.id, asOn(b.id, all, plantings)]));
  const mine = sorted.map((b) => mainCrop(here.get(b.id)!, b.id, now));
  return {
    beds: sorted.map((bed, i) => ({
      id: bed.id,
      block: bed.block,
      past: here.get(bed.id)!.flatMap((p) => {
        const family = findCrop(p.cropId)?.family;
        const yearsAgo = now - Number((p.plantedOn ?? p.plantOn).slice(0, 4));
        return family && yearsAgo >= 0 && yearsAgo <= YEARS_BACK ? [{ family, yearsAgo }] : [];
      }),
      cropNow: mine[i]?.cropId,
      stood_y: mine[i] && now - Number((mine[i].plantedOn ?? mine[i].plantOn).slice(0, 4)) + 1,
      hungryNow: cropOf(mine[i]?.cropId ?? USUAL).appetite === 'heavy',
      barred: bed.troubles.flatMap((t) => BARS[t] ?? []),
      shaded: bed.shade === 'deep',
    })),
    own: garden.rotationRules ?? [],
    wanted: mine.map((p) => wantedOf(cropOf(p?.cropId ?? USUAL))),
    years,
    seed,
  };
}

/** A cover is given so long before the first planting of a year is looked for. */
const LEAST_COVER_D = 42;

/** The days on which a crop of a year may go in: from its cover's six weeks before the year wakes, to its end. */
export function seasonOf({ site }: Pick<Garden, 'site'>, year: number): { begins: Day; until: Day } {
  const wakes = dayOf(site.latitude_deg < 0 ? `${year}-08-01` : `${year}-02-01`);
  return { begins: wakes - LEAST_COVER_D, until: dayOf(`${year + 1}-01-01`) };
}

/** The day of a year on which a crop can go in once the ground is free; undefined where that year has none. */
export function offeredIn(
  { site }: Pick<Garden, 'site'>,
  crop: CropEntry,
  year: number,
  free: Day,
): Day | undefined {
  const { begins, until } = seasonOf({ site }, year);
  const day = offerPlanting(site, crop, crop.ways[0]!, Math.max(begins, free))?.day;
  return day !== undefined && day < until ? day : undefined;
}

/** From planting to clearing, days. */
export const standsFor_d = ({ days }: CropEntry): number => Math.round((days[0] + days[1]) / 2);

/** The coming year's crops as plantings: each on the day that this garden's warmth and frosts offer. A bed that rests, or is planned already, gets none. */
export function plantingsFor(
  { garden, plantings }: Pick<GardenContents, 'garden' | 'plantings'>,
  bedIds: readonly string[],
  row: readonly string[],
  year: number,
  newId: () => string,
): Planting[] {
  const { begins, until } = seasonOf(garden, year);
  return bedIds.flatMap((bedId, i) => {
    const crop = findCrop(row[i]!);
    if (row[i] === REST || !crop) return [];
    const stand = plantings.filter((p) => p.bedId === bedId).map(plantingDays);
    if (stand.some((d) => d.from >= begins && d.from < until)) return [];
    const day = offeredIn(garden, crop, year, Math.max(...stand.map((d) => d.to), -Infinity));
    if (day === undefined) return [];
    return [
      {
        id: newId(),
        gardenId: garden.id,
        bedId,
        cropId: crop.id,
        way: crop.ways[0]!,
        plantOn: isoOf(day),
        plantedOn: null,
        clearOn: isoOf(day + standsFor_d(crop)),
        clearedOn: null,
        note: '',
      },
    ];
  });
}
