import { findCrop, findSpecies, findWay, membersOf, methods, species } from '../catalogue/catalogue.ts';
import { dayOf } from '../core/calendar/day.ts';
import { type MethodHere } from '../core/choose/choose.ts';
import { type ForecastInput } from '../core/plan/forecast.ts';
import { type NextCrop } from '../core/residue/wait.ts';
import { rateParts } from '../core/seed/rate.ts';
import { type WeightWorking, weightFor } from '../core/seed/weight.ts';
import type { Bed, Cover, Garden, Look, Planting } from '../records/types.ts';

/** From records to what the core asks: the border where ids become figures. */
export function nextCropOf(cropId: string, way: 'transplant' | 'seed'): NextCrop {
  const c = findCrop(cropId) ?? findCrop('lettuce')!;
  return { ...c, way };
}

/** Methods with their minutes, and what keeps each from being used in this garden. */
export function methodsHere(garden: Garden): MethodHere[] {
  return methods.map((m) => {
    const missing = m.needs
      .filter((any) => !any.some((k) => garden.kit.includes(k)))
      .map((any) => any.join(' or ').replaceAll('-', ' '));
    if (m.footOnBed && garden.rules.noFootOnBed) missing.push('house rule: no foot on the bed');
    if (m.id === 'dig' && garden.rules.noDigging) missing.push('house rule: no digging');
    return { id: m.id, minutesPer100m2: m.passes.reduce((s, p) => s + p.minutesPer100m2, 0), missing };
  });
}

/** What lies between a planned cover and the scale, member by member. */
export function weightsOf(cover: Cover, bed: Bed): (WeightWorking & { speciesId: string })[] {
  const members = membersOf(cover.parts);
  const way = findWay(cover.wayId) ?? findWay('raked')!;
  return rateParts(members).map((part, i) => {
    const speciesId = members[i]!.species.id;
    const lot = cover.seed.find((s) => s.speciesId === speciesId);
    return {
      speciesId,
      ...weightFor({
        area_m2: bed.area_m2,
        ...part,
        wayFactor: way.rateFactor,
        germination: lot?.germination ?? 0.9,
        purity: lot?.purity ?? 0.98,
        coating: lot?.coating ?? 0,
      }),
    };
  });
}

/** Viable seed on the ground: what was thrown where that is known, else what is planned. */
function seedOnGround(cover: Cover, bed: Bed): number[] {
  return weightsOf(cover, bed).map((w) => {
    const used = cover.seed.find((s) => s.speciesId === w.speciesId)?.used_g;
    return (
      (used === null || used === undefined ? w.viable_g : used * w.germination * w.purity * (1 - w.coating)) /
      bed.area_m2
    );
  });
}

const OPEN_END_D = 200;

export function plantBackDay(cover: Cover, plantings: Planting[]): number {
  const next = plantings.find((p) => p.id === cover.nextPlantingId);
  const iso = next ? (next.plantedOn ?? next.plantOn) : cover.plantBackOn;
  return iso ? dayOf(iso) : dayOf(cover.sownOn ?? cover.sowOn) + OPEN_END_D;
}

export function forecastInput(
  garden: Garden,
  bed: Bed,
  cover: Cover,
  plantings: Planting[],
  looks: Look[],
  today: string,
  years: number,
): ForecastInput {
  const next = plantings.find((p) => p.id === cover.nextPlantingId);
  const first = cover.passes[0];
  const method = methods.find((m) => m.id === cover.method);
  return {
    site: garden.site,
    soil: bed.soil,
    way: findWay(cover.wayId) ?? findWay('raked')!,
    watered: cover.watered,
    members: membersOf(cover.parts),
    seed_g_m2: seedOnGround(cover, bed),
    sowDay: dayOf(cover.sownOn ?? cover.sowOn),
    plantDay: plantBackDay(cover, plantings),
    next: next ? nextCropOf(next.cropId, next.way) : nextCropOf('lettuce', 'transplant'),
    methods: methodsHere(garden),
    looks: looks
      .filter((l) => l.coverId === cover.id)
      .map((l) => ({
        day: dayOf(l.on),
        emergence: l.emergence ?? undefined,
        cover: l.cover ?? undefined,
        height_m: l.height_m ?? undefined,
        stage: l.stage ?? undefined,
        alive: l.alive ?? undefined,
      })),
    today: dayOf(today),
    settled:
      method && first && method.id !== 'winterkill'
        ? { method: method.id, startDay: dayOf(first.doneOn ?? first.due) }
        : undefined,
    years,
  };
}

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

/** Rough price of seed per kg in no currency in particular: dear small packs at the top. Marked as a guess wherever shown. */
const GUESS_PER_KG = [0, 3, 5, 9, 16, 30];

/** Cost of the seed for an area, with the gardener's own prices where given. */
export function seedCost(
  garden: Garden,
  grams: { speciesId: string; weigh_g: number }[],
): { cost: number; guessed: boolean } {
  let guessed = false;
  const cost = grams.reduce((sum, g) => {
    const own = garden.seedPrices[g.speciesId];
    if (own === undefined) guessed = true;
    return sum + (g.weigh_g / 1000) * (own ?? GUESS_PER_KG[findSpecies(g.speciesId)?.seed.priceIndex ?? 3]!);
  }, 0);
  return { cost, guessed };
}
