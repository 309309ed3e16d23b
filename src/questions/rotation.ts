import { type CropEntry } from '../catalogue/schema.ts';
import { cropOf, crops, findCrop } from '../catalogue/catalogue.ts';
import { asOn, isGrown, worked } from '../core/bed/pieces.ts';
import { plantingDays } from '../core/bed/timeline.ts';
import { type Day, dayOf } from '../core/calendar/day.ts';
import { offerPlanting } from '../core/choose/begin.ts';
import { type RotationInput } from '../core/rotation/rotation.ts';
import { type Turn, type Wanted } from '../core/rotation/rules.ts';
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

/** Two that stand together for more than this share of the shorter one's time are companions and not one after the other: judgement. */
const TOGETHER = 0.5;

/**
 * What a bed brings in a year, in the order in which it goes in from the year's waking: what has most of its time in that year. Of companions the one that
 * stands longer is named.
 */
function turnOf(
  { site }: Pick<Garden, 'site'>,
  plantings: readonly Planting[],
  bedId: string,
  year: number,
): Planting[] {
  const from = dayOf(`${year}-01-01`);
  const to = dayOf(`${year + 1}-01-01`);
  const { begins } = seasonOf({ site }, year);
  const days = new Map(plantings.map((p) => [p, plantingDays(p)]));
  const stands = (p: Planting) => days.get(p)!.to - days.get(p)!.from;
  const within = (p: Planting) => Math.min(days.get(p)!.to, to) - Math.max(days.get(p)!.from, from);
  /** One that went in last autumn goes in in autumn, after the others. */
  const intoSeason = (p: Planting) => (((days.get(p)!.from - begins) % YEAR_D) + YEAR_D) % YEAR_D;
  const kept: Planting[] = [];
  const mine = plantings.filter((p) => p.bedId === bedId && findCrop(p.cropId));
  for (const p of mine
    .filter((p) => within(p) > 0 && within(p) >= Math.min(stands(p) / 2, YEAR_D / 2))
    .sort((a, b) => within(b) - within(a))) {
    const { from: begun, to: cleared } = days.get(p)!;
    const together = kept.some((k) => {
      const shared = Math.min(cleared, days.get(k)!.to) - Math.max(begun, days.get(k)!.from);
      return shared > TOGETHER * Math.min(stands(p), stands(k));
    });
    if (!together) kept.push(p);
  }
  return kept.sort((a, b) => intoSeason(a) - intoSeason(b));
}

/** What is planned on a bed already in a year, or stands there all through it. */
function plannedIn(
  garden: Pick<Garden, 'site'>,
  plantings: readonly Planting[],
  bedId: string,
  year: number,
): Turn | null {
  const { begins, until } = seasonOf(garden, year);
  const mine = plantings
    .filter((p) => p.bedId === bedId && findCrop(p.cropId))
    .map((p) => ({ id: p.cropId, ...plantingDays(p) }))
    .filter((p) => (p.from >= begins && p.from < until) || (p.from < begins && p.to >= until))
    .sort((a, b) => a.from - b.from);
  return mine.length > 0 ? mine.map((p) => p.id) : null;
}

/** What is grown where no crop is known yet. */
const USUAL = 'lettuce';
const YEARS_BACK = 6;

/** What beds bring this year changes places over the coming years: the question of rotation, from the records. */
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
  const mine = sorted.map((b) => turnOf(garden, here.get(b.id)!, b.id, now));
  return {
    beds: sorted.map((bed, i) => {
      const last = mine[i]!.at(-1);
      return {
        id: bed.id,
        block: bed.block,
        past: here.get(bed.id)!.flatMap((p) => {
          const family = findCrop(p.cropId)?.family;
          const yearsAgo = now - Number((p.plantedOn ?? p.plantOn).slice(0, 4));
          return family && yearsAgo >= 0 && yearsAgo <= YEARS_BACK ? [{ family, yearsAgo }] : [];
        }),
        cropNow: last?.cropId,
        stood_y: last && now - Number((last.plantedOn ?? last.plantOn).slice(0, 4)) + 1,
        hungryNow: cropOf(last?.cropId ?? USUAL).appetite === 'heavy',
        barred: bed.troubles.flatMap((t) => BARS[t] ?? []),
        shaded: bed.shade === 'deep',
      };
    }),
    own: garden.rotationRules ?? [],
    forces: garden.rotationForces,
    fixed: Array.from({ length: years }, (_, y) =>
      sorted.map((bed) => plannedIn(garden, plantings, bed.id, now + 1 + y)),
    ),
    turns: mine.map((ps) => (ps.length > 0 ? ps.map((p) => p.cropId) : [USUAL])),
    crops: crops.map(wantedOf),
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

/** The day of a year on which a crop can go in once the ground is free and a cover had its six weeks; undefined where that year has none. */
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

/**
 * The day of a year on which a crop follows another of that year: at once, but not before the day on which this garden last put it in; undefined where its
 * season is over by then.
 */
export function followsIn(
  { garden, plantings }: Pick<GardenContents, 'garden' | 'plantings'>,
  crop: CropEntry,
  year: number,
  free: Day,
): Day | undefined {
  const days = plantings.filter((p) => p.cropId === crop.id).map((p) => p.plantedOn ?? p.plantOn);
  const own = days
    .filter((d) => d < `${year}`)
    .sort()
    .at(-1);
  const usual = own ? dayOf(`${year}-03-01`) + dayOfSpring(own) : -Infinity;
  return offeredIn(garden, crop, year, Math.max(free, usual) - LEAST_COVER_D);
}
/** Days since the first of March, which no leap day moves. */
const dayOfSpring = (iso: string): number => dayOf(iso) - dayOf(`${iso.slice(0, 4)}-03-01`);

/** From planting to clearing, days. */
export const standsFor_d = ({ days }: CropEntry): number => Math.round((days[0] + days[1]) / 2);
