import { cropOf } from '../catalogue/catalogue.ts';
import { USUAL_SEED } from '../core/seed/weight.ts';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { type Sample } from '../core/choose/sample.ts';
import { type AimStrands } from '../core/aims/aims.ts';
import { datedPasses } from '../core/plan/passes.ts';
import type { Bed, Cover, Planting } from '../records/types.ts';
import { type BlockPart } from '../records/verbs/verbs.ts';
import { choicesHere, type KitAndRules, methodsHere } from './methods.ts';
import { predictedOf } from './predicted.ts';

/** What the gardener said of a gap, as far as a cover's records need it. */
export interface GapSaid {
  wayId: string;
  plantOn: string;
  /** Day on which the ground is free, and the crop that leaves then, where the records do not say. */
  free: string;
  before: string;
  nextId: string;
  way: 'transplant' | 'seed';
}

/** The crops that the records already have on either side of a gap. */
export interface GapCrops {
  before?: Planting;
  next?: Planting;
}

/** As the records allow. */
const LEAST_TIMES = 0.2;
const MOST_TIMES = 4;

/** Seed against the usual rate, so that the scale is asked for what the bag says: parts of a poured packet keep their proportions by weight at any rate. */
const timesUsual = (sample: Sample): number =>
  sample.usualRate_g_m2 === undefined
    ? sample.rateTimes
    : Math.min(
        MOST_TIMES,
        Math.max(LEAST_TIMES, sample.seed_g_m2.reduce((a, b) => a + b, 0) / sample.usualRate_g_m2),
      );

/** A sample as it would stand in the records of a bed. */
export function coverOf(
  sample: Sample,
  bed: Bed,
  form: Pick<GapSaid, 'wayId' | 'plantOn'>,
  aims: AimStrands[],
  garden: KitAndRules,
  today: string,
): Cover {
  const method = methodsHere(garden, bed).find((m) => m.id === sample.best?.method);
  return {
    id: 'draft',
    gardenId: bed.gardenId,
    bedId: bed.id,
    parts: sample.parts,
    called: sample.from === 'packet' || sample.from === 'mix' ? sample.name : '',
    aims,
    wayId: form.wayId,
    rateTimes: timesUsual(sample),
    weeksLate: 0,
    strips: null,
    // Where the garden eats from its covers, seed is asked for untreated from the start.
    eaten: choicesHere(garden, bed).eating === 'table-too',
    walk: null,
    watered: garden.kit.includes('hose'),
    ...(sample.irrigated ? { irrigated: true } : {}),
    sowOn: isoOf(sample.sowDay),
    sownOn: null,
    seed: sample.parts.map((p) => ({
      speciesId: p.speciesId,
      ...USUAL_SEED,
      used_g: null,
      lotId: null,
    })),
    throws: 2,
    method: method?.id ?? 'cut',
    passes: method && sample.best ? datedPasses(method.passes, sample.best, dayOf(form.plantOn)) : [],
    thingIds: [],
    nextPlantingId: null,
    plantBackOn: form.plantOn,
    verdict: null,
    endedOn: null,
    predicted: sample.best ? predictedOf(sample.best, today) : null,
    formerPlans: [],
    waterings: [],
    note: '',
  };
}

/** The cover that stands first where two follow each other: its own record, ended for the second, on the bed without a crop between them. */
export function firstOf(
  sample: Sample,
  second: Cover,
  bed: Bed,
  garden: KitAndRules,
  newId: () => string,
): BlockPart[] {
  const { first } = sample;
  if (!first) return [];
  const method = methodsHere(garden, bed).find((m) => m.id === first.best.method);
  const cover: Cover = {
    ...second,
    id: newId(),
    parts: first.parts,
    called: '',
    sowOn: isoOf(first.sowDay),
    seed: first.parts.map((p) => ({ speciesId: p.speciesId, ...USUAL_SEED, used_g: null, lotId: null })),
    method: method?.id ?? 'cut',
    passes: method ? datedPasses(method.passes, first.best, sample.sowDay) : [],
    predicted: second.predicted && predictedOf(first.best, second.predicted.on),
    nextPlantingId: null,
    plantBackOn: second.sowOn,
  };
  return [{ cover, plantings: [] }];
}

/** The next crop, where it is not planned yet, and the one before, where the gardener only now says what it was. */
export function onBed(
  cover: Cover,
  bed: Bed,
  gap: GapCrops,
  form: Omit<GapSaid, 'wayId'>,
  today: string,
  newId: () => string,
): BlockPart {
  const crop = cropOf(form.nextId);
  const planned = gap.next && gap.next.plantOn === form.plantOn && gap.next.cropId === form.nextId;
  const nextId = planned ? gap.next!.id : newId();
  const planting = (part: Partial<Planting>): Planting => ({
    id: newId(),
    gardenId: bed.gardenId,
    bedId: bed.id,
    cropId: form.nextId,
    way: form.way,
    plantOn: form.plantOn,
    plantedOn: null,
    clearOn: isoOf(dayOf(form.plantOn) + Math.round((crop.days[0] + crop.days[1]) / 2)),
    clearedOn: null,
    note: '',
    ...part,
  });
  const plantings = planned ? [] : [planting({ id: nextId })];
  if (form.before && !gap.before) {
    const began = isoOf(dayOf(form.free) - 90);
    plantings.push(
      planting({
        cropId: form.before,
        plantOn: began,
        plantedOn: began <= today ? began : null,
        clearOn: form.free,
        clearedOn: form.free <= today ? form.free : null,
      }),
    );
  }
  return { cover: { ...cover, id: newId(), bedId: bed.id, nextPlantingId: nextId }, plantings };
}
