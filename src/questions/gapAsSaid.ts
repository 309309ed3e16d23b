import { cropOf, crops, usualWay } from '../catalogue/catalogue.ts';
import { type AimStrands } from '../core/aims/aims.ts';
import { asOn } from '../core/bed/pieces.ts';
import { type Day, dayOf, isIsoDate, isoOf } from '../core/calendar/day.ts';
import {
  type AimOffer,
  offerAims,
  offerPlanting,
  type PlantingOffer,
  type Thirst,
  thirstOf,
} from '../core/choose/begin.ts';
import { type ChooseInput } from '../core/choose/input.ts';
import type { Bed } from '../records/types.ts';
import { type GardenContents } from '../records/verbs/verbs.ts';
import { bedNotes, gapQuestion } from './gap.ts';
import { nextCropOf } from './methods.ts';
import { gapFrom, LEAST_GAP_D, LONGEST_GAP_D, type OpenGap, openGapOf } from './openGap.ts';
import { PLAUSIBLE_YEARS } from './years.ts';

/** Crops offered to follow when nothing is planned, the first whose family has not been on the bed lately. */
const OFFERED_NEXT = ['tomato', 'winter-squash', 'cabbage', 'leek', 'lettuce', 'beet'];
/** Where this crop has no season here, a gap of this many days is begun with. */
const NO_SEASON_GAP_D = 120;

/** What the gardener has said of a gap otherwise than it is planned. */
export interface Said {
  free?: string;
  before?: string;
  nextId?: string;
  nextWay?: 'transplant' | 'seed';
  plantOn?: string;
  wayId?: string;
  irrigated?: boolean;
  aims?: AimStrands[];
}

/** A gap with what was said of it; the rest follows from what is planned round the day on which the ground is free. Dates are ISO. */
export interface GapSaid {
  gap: OpenGap;
  before: string;
  free: string;
  nextId: string;
  way: 'transplant' | 'seed';
  plantOn: string;
  /** The offered day, while none is planned or said. */
  offer: PlantingOffer | undefined;
  wayId: string;
  /** What rain leaves wanting, where there is a hose to give it. */
  thirst: Thirst | undefined;
  irrigated: boolean;
  aims: AimStrands[];
  /** Aims with the reasons for which they are offered, while none are said. */
  offeredAims: AimOffer[];
  /** What Choose asks; nothing while the gap is none. */
  question: ChooseInput | null;
}

/** A gap of a bed as the records and the gardener tell of it. @param freeDay on which it begins by the records */
export function gapAsSaid(
  contents: Pick<GardenContents, 'garden' | 'beds' | 'plantings' | 'covers' | 'looks' | 'recipes' | 'lots'>,
  bed: Bed,
  begins: Day,
  said: Said = {},
): GapSaid {
  const { garden, beds, looks, recipes, lots } = contents;
  const { site } = garden;
  // A piece goes by what was on its bed before it was cut, a bed by what was on its pieces.
  const plantings = asOn(bed.id, beds, contents.plantings);
  const covers = asOn(bed.id, beds, contents.covers);
  const free = said.free ?? isoOf(begins);
  const freeDay = isIsoDate(free) ? dayOf(free) : begins;
  const gap = gapFrom(plantings, freeDay);
  const before = said.before ?? gap.before?.cropId ?? '';
  const notes = bedNotes({ bed, plantings, covers, looks }, freeDay, before);
  const nextId = said.nextId ?? gap.next?.cropId ?? offeredNext(notes.families.map((f) => f.family));
  const nextWay = said.nextWay ?? gap.next?.way ?? 'transplant';
  const crop = cropOf(nextId);
  const way = crop.ways.includes(nextWay) ? nextWay : crop.ways[0]!;
  const offer = offerPlanting(site, crop, way, freeDay);
  // Where nothing is planned, the crop, the frosts and the warmth of this garden say when.
  const plannedOn = said.plantOn ?? gap.next?.plantOn;
  const plantOn = plannedOn ?? isoOf(offer?.day ?? freeDay + NO_SEASON_GAP_D);
  const wayId = said.wayId ?? usualWay.id;
  const plantDay = dayOf(plantOn);
  const length = plantDay - dayOf(free);
  const valid = isIsoDate(free) && isIsoDate(plantOn) && length >= LEAST_GAP_D && length <= LONGEST_GAP_D;
  // Where there is a hose, what rain leaves wanting can be given; a dry gap asks for it.
  const thirst = valid && garden.kit.includes('hose') ? thirstOf(site, freeDay, plantDay) : undefined;
  const irrigated = thirst !== undefined && (said.irrigated ?? thirst.dry);
  const offeredAims = valid
    ? offerAims(site, nextCropOf(nextId, way), bed.soil, notes, freeDay, plantDay)
    : [];
  const aims = said.aims ?? offeredAims.map(({ id, strands }) => ({ id, strands }));
  return {
    gap,
    before,
    free,
    nextId,
    way,
    plantOn,
    offer: plannedOn === undefined ? offer : undefined,
    wayId,
    thirst,
    irrigated,
    aims,
    offeredAims: said.aims === undefined ? offeredAims : [],
    question: valid
      ? gapQuestion(
          { garden, bed, plantings, covers, looks, recipes, lots },
          { wayId, freeDay, plantDay, nextId, nextWay: way, before, irrigated, aims, years: PLAUSIBLE_YEARS },
        )
      : null,
  };
}

/** A crop that no family of the last years speaks against. */
const offeredNext = (families: string[]): string =>
  OFFERED_NEXT.find((id) => !families.includes(crops.find((c) => c.id === id)!.family)) ?? OFFERED_NEXT[0]!;

/** What Choose asks of the gap that opens first on these beds, while nobody has said otherwise; nothing where none does. */
export function nextGap(
  contents: Parameters<typeof gapAsSaid>[0],
  ground: readonly Bed[],
  today: string,
): ChooseInput | null {
  const open = ground.map((bed) => ({
    bed,
    from: openGapOf(bed, contents.beds, contents, dayOf(today)).freeDay,
  }));
  for (const { bed, from } of open.sort((a, b) => a.from - b.from)) {
    const { question } = gapAsSaid(contents, bed, from);
    if (question) return question;
  }
  return null;
}
