import { findCrop, findSpecies, findWay, membersOf, methods, species } from '../catalogue/catalogue.ts';
import { plantingDays } from '../core/bed/timeline.ts';
import { dayOf } from '../core/calendar/day.ts';
import { type MethodHere } from '../core/termination/method.ts';
import { type ForecastInput } from '../core/plan/forecast.ts';
import { type NextCrop } from '../core/residue/wait.ts';
import { rateParts } from '../core/seed/rate.ts';
import { liveShare, USUAL_SEED, type WeightWorking, weightFor } from '../core/seed/weight.ts';
import { sowableArea_m2 } from '../core/area/area.ts';
import { latenessFactor } from '../core/seed/lateness.ts';
import { type SowTodayInput } from '../core/sowing/today.ts';
import type { Bed, Cover, Garden, Look, Planting, WeatherYear } from '../records/types.ts';

/** From records to what the core asks: the border where ids become figures. */
export function nextCropOf(cropId: string, way: 'transplant' | 'seed'): NextCrop {
  const c = findCrop(cropId) ?? findCrop('lettuce')!;
  return { ...c, way };
}

const RULE_WORDS = {
  plastic: ['noPlastic', 'no plastic'],
  animals: ['noAnimals', 'no animals on beds'],
  fire: ['noFire', 'no fire'],
  digging: ['noDigging', 'no digging'],
} as const;

/** Methods with their minutes, and what keeps each from being used in this garden, or on this bed when one is given. */
export function methodsHere(garden: Garden, bed?: Bed): MethodHere[] {
  return methods.map((m) => {
    const missing = m.needs
      .filter((any) => !any.some((k) => garden.kit.includes(k)))
      .map((any) => any.join(' or ').replaceAll('-', ' '));
    for (const use of m.uses) {
      const [rule, words] = RULE_WORDS[use];
      if (garden.rules[rule]) missing.push(`house rule: ${words}`);
    }
    if (m.footOnBed && garden.rules.noFootOnBed) missing.push('house rule: no foot on the bed');
    if (bed?.edged && m.edges === 'awkward') missing.push('the raised edges are in its way');
    if (bed?.keptPlants && m.keptPlants === 'killed') missing.push('plants kept in this bed would die');
    if (bed?.keptPlants && m.keptPlants === 'spoiled')
      missing.push('plants kept in this bed would be spoiled');
    return {
      id: m.id,
      passes: m.passes,
      minutesPer100m2: m.passes.reduce((s, p) => s + p.minutesPer100m2, 0),
      missing,
      sheetCap_d: garden.rules.sheetCap_d,
    };
  });
}

/** Ground that this cover is sown on, m²: its strips, or the bed less what stands in it. */
export const sownArea_m2 = (cover: Pick<Cover, 'strips'>, bed: Bed): number =>
  sowableArea_m2(bed.area_m2, bed.obstacles, cover.strips);

/** What lies between a planned cover and the scale, member by member. */
export function weightsOf(cover: Cover, bed: Bed): (WeightWorking & { speciesId: string })[] {
  const members = membersOf(cover.parts);
  const way = findWay(cover.wayId) ?? findWay('raked')!;
  const area_m2 = sownArea_m2(cover, bed);
  return rateParts(members).map((part, i) => {
    const speciesId = members[i]!.species.id;
    const seed = cover.seed.find((s) => s.speciesId === speciesId);
    return {
      speciesId,
      ...weightFor({
        area_m2,
        ...part,
        wayFactor: way.rateFactor * cover.rateTimes,
        lateFactor: latenessFactor(cover.weeksLate),
        germination: seed?.germination ?? USUAL_SEED.germination,
        hard: seed?.hard ?? USUAL_SEED.hard,
        purity: seed?.purity ?? USUAL_SEED.purity,
        coating: seed?.coating ?? USUAL_SEED.coating,
      }),
    };
  });
}

/** False where the cover comes from seed that is on the ground already. */
export const seedNeeded = (cover: Cover): boolean => findWay(cover.wayId)?.seedNeeded ?? true;

/** Viable seed on the ground: what was thrown where that is known, else what is planned. */
function seedOnGround(cover: Cover, bed: Bed): number[] {
  return weightsOf(cover, bed).map((w) => {
    const used = cover.seed.find((s) => s.speciesId === w.speciesId)?.used_g;
    return (used === null || used === undefined ? w.viable_g : used * liveShare(w)) / w.area_m2;
  });
}

const OPEN_END_D = 200;

export function plantBackDay(cover: Cover, plantings: Planting[]): number {
  const next = plantings.find((p) => p.id === cover.nextPlantingId);
  const iso = next ? (next.plantedOn ?? next.plantOn) : cover.plantBackOn;
  return iso ? dayOf(iso) : dayOf(cover.sownOn ?? cover.sowOn) + OPEN_END_D;
}

/** Measured days of a cover's season so far: what the generated years go on from. */
export const observedOf = (weather: WeatherYear[], cover: Cover, today: string): ForecastInput['observed'] =>
  weather
    .flatMap((w) => w.days)
    .filter((d) => d.on >= (cover.sownOn ?? cover.sowOn) && d.on <= today)
    .map((d) => [dayOf(d.on), d.tmin_c, d.tmax_c, d.rain_mm]);

/** Days that lie ahead in the garden's weather: a forecast, surest for tomorrow. */
export const aheadOf = (weather: WeatherYear[], today: string): ForecastInput['ahead'] =>
  weather
    .flatMap((w) => w.days)
    .filter((d) => d.on > today)
    .map((d) => [dayOf(d.on), d.tmin_c, d.tmax_c, d.rain_mm]);

/** Day on which the crop that a cover was sown under leaves the bed; undefined when it was sown on free ground. */
function clearedOver(cover: Cover, plantings: Planting[]): number | undefined {
  const sown = dayOf(cover.sownOn ?? cover.sowOn);
  const crop = plantings
    .filter((p) => p.bedId === cover.bedId)
    .map(plantingDays)
    .find((p) => p.from < sown && p.to > sown);
  return crop?.to;
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
    methods: methodsHere(garden, bed),
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
    cropUntil: clearedOver(cover, plantings),
    settled:
      method && first && !method.passes.some((p) => p.kind.startsWith('check'))
        ? { method: method.id, startDay: dayOf(first.doneOn ?? first.due) }
        : undefined,
    years,
  };
}

/** Records turned into the question whether today is a good day to sow this cover. `ahead` is a forecast, where one was fetched. */
export function sowTodayInput(
  garden: Garden,
  bed: Bed,
  cover: Cover,
  plantings: Planting[],
  weather: WeatherYear[],
  ahead: SowTodayInput['ahead'],
  today: string,
): SowTodayInput {
  const f = forecastInput(garden, bed, { ...cover, sownOn: null, sowOn: today }, plantings, [], today, 80);
  return {
    site: f.site,
    soil: f.soil,
    way: f.way,
    members: f.members,
    seed_g_m2: f.seed_g_m2,
    watered: cover.watered,
    today: f.today,
    plantDay: plantBackDay(cover, plantings),
    next: f.next,
    cropUntil: f.cropUntil,
    observed: weather
      .flatMap((w) => w.days)
      .filter((d) => d.on <= today)
      .map((d) => [dayOf(d.on), d.tmin_c, d.tmax_c, d.rain_mm]),
    ahead: ahead.length > 0 ? ahead : (aheadOf(weather, today) ?? []),
    years: f.years,
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
