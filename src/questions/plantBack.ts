import { crops, findCrop } from '../catalogue/catalogue.ts';
import { type CropEntry } from '../catalogue/schema.ts';
import { type Day } from '../core/calendar/day.ts';
import { livesOn, offerPlanting } from '../core/choose/begin.ts';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { type ForecastInput } from '../core/plan/standing.ts';
import { type PlantBackInput } from '../core/plantBack/plantBack.ts';
import { type Site } from '../core/site/site.ts';
import type { Planting } from '../records/types.ts';
import { bedNotes, type GapRecords } from './gap.ts';
import { nextCropOf } from './methods.ts';

/** Planting is offered from this long after the ground is free. */
const OFFERED_AFTER_D = 42;
/** A crop is in season when a gardener would plant it within so many days. */
const IN_SEASON_D = 10;

/** Crops that could go in instead: for a season, in season on that day, of other families than the crop and than what stood here, one of each family. */
export function insteadOf(
  crop: CropEntry,
  site: Site,
  plantDay: Day,
  families: readonly string[],
): CropEntry[] {
  const seen = new Set([crop.family, ...families]);
  return crops.filter((c) => {
    if (seen.has(c.family) || livesOn(c)) return false;
    const offer = offerPlanting(site, c, c.ways[0]!, plantDay - OFFERED_AFTER_D);
    if (!offer || offer.day > plantDay + IN_SEASON_D) return false;
    seen.add(c.family);
    return true;
  });
}

/** The question when a crop can go in after a cover. */
export function plantBackInput(
  forecast: ForecastInput,
  ending: Pick<EndingAnswer, 'method' | 'startDay'>,
  crop: CropEntry,
  way: 'transplant' | 'seed',
  families: readonly string[],
): PlantBackInput {
  const other = crop.ways.find((w) => w !== way);
  return {
    forecast,
    ending: { method: ending.method, startDay: ending.startDay },
    uptake: crop.uptake,
    otherWay: other && nextCropOf(crop.id, other),
    instead: insteadOf(crop, forecast.site, forecast.plantDay, families).map((c) =>
      nextCropOf(c.id, c.ways[0]!),
    ),
  };
}

/** Families that stood on a bed in the years before a planting, the planting itself left out. */
export const familiesBefore = (
  records: Pick<GapRecords, 'bed' | 'plantings' | 'covers'>,
  planting: Planting,
  on: Day,
): { family: string; yearsAgo: number }[] =>
  bedNotes({ ...records, plantings: records.plantings.filter((p) => p.id !== planting.id) }, on).families;

/** How long ago the crop's own family stood here, where that is less than it wants. */
export function restMissing(
  planting: Planting,
  families: readonly { family: string; yearsAgo: number }[],
): { family: string; yearsAgo: number; wanted_y: number } | undefined {
  const crop = findCrop(planting.cropId);
  const last = families.filter((f) => f.family === crop?.family).sort((a, b) => a.yearsAgo - b.yearsAgo)[0];
  return crop && last && last.yearsAgo < crop.setOut.rest_y
    ? { ...last, wanted_y: crop.setOut.rest_y }
    : undefined;
}
