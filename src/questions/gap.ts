import {
  allCovers,
  findCrop,
  findSpecies,
  findWay,
  membersOf,
  species,
  usualWay,
} from '../catalogue/catalogue.ts';
import { type AimStrands } from '../core/aims/aims.ts';
import { endingPasses, plantingDays } from '../core/bed/timeline.ts';
import { type Day, dayOf } from '../core/calendar/day.ts';
import { thirstOf } from '../core/choose/begin.ts';
import { type ChooseInput } from '../core/choose/input.ts';
import { type BedNotes } from '../core/known/known.ts';
import { type Candidate } from '../core/choose/sample.ts';
import { standShares } from '../core/seed/rate.ts';
import { liveShare, USUAL_SEED } from '../core/seed/weight.ts';
import type { Bed, Cover, Garden, Look, Lot, Planting, Recipe } from '../records/types.ts';
import { methodsHere, nextCropOf } from './methods.ts';
import { turnsFor } from './turns.ts';

/** What the gardener says of a gap, beside what the records hold. */
export interface GapAsked {
  wayId: string;
  freeDay: Day;
  plantDay: Day;
  nextId: string;
  nextWay: 'transplant' | 'seed';
  /** Crop that stood there before, where the records do not say. */
  before?: string;
  /** The cover is watered through dry weeks; where nothing is said, as the climate asks. */
  irrigated?: boolean;
  aims: AimStrands[];
  years: number;
}

/** Records of a garden that a gap's question is made from. */
export interface GapRecords {
  garden: Garden;
  bed: Bed;
  plantings: Planting[];
  covers: Cover[];
  looks?: Look[];
  recipes: Recipe[];
  lots: Lot[];
}

const YEAR_D = 365;
/** Families fade out of a bed over this many years. */
const REMEMBERED_Y = 4;
/** Many weeds seen in a cover are still the bed's trouble a season later; by then a crop has been hoed. */
const WEEDS_LAST_D = 240;

/** The question of a gap: the one place where records become what Choose asks, on the screen and in the shell alike. */
export function gapQuestion(records: GapRecords, asked: GapAsked): ChooseInput {
  const { garden, bed } = records;
  return {
    site: garden.site,
    soil: bed.soil,
    way: findWay(asked.wayId) ?? usualWay,
    watered: garden.kit.includes('hose'),
    irrigated: asked.irrigated ?? watersThrough(garden, asked.freeDay, asked.plantDay),
    gap: {
      freeDay: asked.freeDay,
      plantDay: asked.plantDay,
      next: nextCropOf(asked.nextId, asked.nextWay),
    },
    aims: asked.aims,
    candidates: candidatesFor(asked, records),
    methods: methodsHere(garden, bed),
    bed: bedNotes(records, asked.freeDay, asked.before),
    keepsSafe: keepsSafe(garden),
    hazards: hazardsBySpecies(),
    learnt: garden.learnt?.shifts,
    years: asked.years,
  };
}

/** Whether covers of a gap are watered through dry weeks while nobody says otherwise: where rain alone would starve them and there is a hose. */
export const watersThrough = (
  { kit, site }: Pick<Garden, 'kit' | 'site'>,
  freeDay: Day,
  plantDay: Day,
): boolean => kit.includes('hose') && thirstOf(site, freeDay, plantDay).dry;

/** What the records tell of a bed by a day: families of the last years, crops and covers alike, troubles, shade, what is on the ground. */
export function bedNotes(
  { bed, plantings, covers, looks = [] }: Pick<GapRecords, 'bed' | 'plantings' | 'covers' | 'looks'>,
  on: Day,
  before?: string,
): BedNotes {
  const left = (family: string | undefined, to: Day) =>
    family !== undefined && to <= on + YEAR_D / 2 && on - to < REMEMBERED_Y * YEAR_D
      ? [{ family, yearsAgo: Math.max(0, Math.floor((on - to) / YEAR_D)) }]
      : [];
  const ofCrops = plantings
    .filter((p) => p.bedId === bed.id && plantingDays(p).from < on)
    .flatMap((p) => left(findCrop(p.cropId)?.family, plantingDays(p).to));
  const ofCovers = covers
    .filter((c) => c.bedId === bed.id && c.sownOn !== null && dayOf(c.sownOn) < on)
    .flatMap((c) => {
      const end = c.endedOn ?? endingPasses(c).find((p) => p.doneOn)?.doneOn ?? c.sownOn!;
      return c.parts.flatMap((p) => left(findSpecies(p.speciesId)?.family, dayOf(end)));
    });
  // What the last look on this bed said of weeds: they have seeded by the time somebody saw many.
  const mine = new Set(covers.filter((c) => c.bedId === bed.id).map((c) => c.id));
  const seen = looks
    .filter((l) => mine.has(l.coverId) && l.weeds !== null && dayOf(l.on) <= on)
    .sort((a, b) => b.on.localeCompare(a.on))[0];
  const weedy = seen?.weeds === 'many' && on - dayOf(seen.on) <= WEEDS_LAST_D;
  return {
    families: [...left(before && findCrop(before)?.family, on), ...ofCrops, ...ofCovers],
    troubles:
      weedy && !bed.troubles.includes('annual-weeds') ? [...bed.troubles, 'annual-weeds'] : bed.troubles,
    shade: bed.shade,
    surface: bed.surface,
  };
}

/** The gardener's kept mixes and bought packets, then every kind and mix of the catalogue, then two in turn where there is time for both. */
function candidatesFor(asked: GapAsked, { recipes, lots }: GapRecords): Candidate[] {
  const shelf = new Set(lots.filter((l) => l.left_g > 0).map((l) => l.speciesId));
  const own: Candidate[] = recipes
    .filter((r) => r.parts.every((p) => findSpecies(p.speciesId)))
    .map((r) => {
      const parts = membersOf(r.parts);
      const rate = r.rate_g_m2;
      return {
        id: `own-${r.id}`,
        name: r.name,
        members: standShares(parts),
        poured_g_m2: r.ready && rate !== null ? poured(parts, rate) : undefined,
        from: r.ready ? ('packet' as const) : ('mix' as const),
      };
    });
  const all: Candidate[] = allCovers().map((c) =>
    c.members.every((m) => shelf.has(m.species.id)) ? { ...c, from: 'shelf' as const } : c,
  );
  const turns = asked.wayId === usualWay.id ? turnsFor(asked.freeDay, asked.plantDay) : [];
  const some = [...own, ...all, ...turns];
  // What has never stood here cannot come from its own seed; kinds that hardly shed are left out.
  return findWay(asked.wayId)?.seedNeeded === false
    ? some.filter((c) => !c.poured_g_m2 && c.members.every((m) => m.species.selfSeeding >= SHEDS))
    : some;
}
const SHEDS = 0.4;

/** Living seed by member, g/m2, where a packet is poured whole: its parts fall as they are in it, at the rate on the bag. */
export const poured = (parts: { share: number }[], rate_g_m2: number): number[] =>
  parts.map((p) => rate_g_m2 * p.share * liveShare(USUAL_SEED));

/** Words in hazards for those the garden keeps. */
export function keepsSafe(garden: Garden): string[] {
  const words: Record<Garden['keeps'][number], string[]> = {
    children: ['people'],
    dogs: ['dogs', 'pets'],
    poultry: ['poultry'],
    horses: ['horses'],
    stock: ['stock', 'cattle', 'ruminants', 'pigs', 'ewes'],
  };
  return garden.keeps.flatMap((k) => words[k]);
}

export const hazardsBySpecies = (): Record<string, { to: string; text: string }[]> =>
  Object.fromEntries(species.map((s) => [s.id, s.hazards]));
