import { findWay, membersOf, methods, usualWay } from '../catalogue/catalogue.ts';
import { tellsOf } from '../core/bed/pieces.ts';
import { endingPasses, plantingDays } from '../core/bed/timeline.ts';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { type ForecastInput } from '../core/plan/standing.ts';
import { type PassKind } from '../core/termination/method.ts';
import { type SowTodayInput } from '../core/sowing/today.ts';
import { shiftFor } from '../core/stand/shift.ts';
import type { Bed, Cover, Garden, Look, Planting, WeatherYear } from '../records/types.ts';
import { methodsHere, nextCropOf } from './methods.ts';
import { seedOnGround } from './weights.ts';

const OPEN_END_D = 200;

export function plantBackDay(cover: Cover, plantings: Planting[]): number {
  const next = plantings.find((p) => p.id === cover.nextPlantingId);
  const iso = next ? (next.plantedOn ?? next.plantOn) : cover.plantBackOn;
  return iso ? dayOf(iso) : dayOf(cover.sownOn ?? cover.sowOn) + OPEN_END_D;
}

/** Weather before sowing that still tells: how wet the ground was, how cold. */
const BEFORE_SOWING_D = 120;

export const measured = (d: WeatherYear['days'][number]): [number, number, number, number] => [
  dayOf(d.on),
  d.tmin_c,
  d.tmax_c,
  d.rain_mm,
];

/** Measured days of a cover's season so far: what the generated years go on from. */
export function observedOf(weather: WeatherYear[], cover: Cover, today: string): ForecastInput['observed'] {
  const from = isoOf(dayOf(cover.sownOn ?? cover.sowOn) - BEFORE_SOWING_D);
  return weather.flatMap((w) => w.days.filter((d) => d.on >= from && d.on <= today).map(measured));
}

/** Days that lie ahead in the garden's weather: a forecast, surest for tomorrow. */
export const aheadOf = (weather: WeatherYear[], today: string): ForecastInput['ahead'] =>
  weather.flatMap((w) => w.days.filter((d) => d.on > today).map(measured));

/** Day on which the crop that a cover was sown under leaves the bed; undefined when it was sown on free ground. */
function clearedOver(bed: Bed, cover: Cover, plantings: Planting[]): number | undefined {
  const sown = dayOf(cover.sownOn ?? cover.sowOn);
  const crop = plantings
    .filter((p) => tellsOf(bed, p.bedId))
    .map(plantingDays)
    .find((p) => p.from < sown && p.to > sown);
  return crop?.to;
}

/** First day on which the ground was free for a cover: the clearing of the crop before it, where the records tell of one. */
function freeBefore(bed: Bed, cover: Cover, plantings: Planting[]): number | undefined {
  const sown = dayOf(cover.sownOn ?? cover.sowOn);
  const cleared = plantings
    .filter((p) => tellsOf(bed, p.bedId))
    .map((p) => plantingDays(p).to)
    .filter((to) => to <= sown && sown - to < LONGEST_BARE_D);
  return cleared.length > 0 ? Math.max(...cleared) : undefined;
}
/** Ground that lay longer than this before sowing is another story. */
const LONGEST_BARE_D = 200;

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
  const members = membersOf(cover.parts);
  return {
    site: garden.site,
    soil: bed.soil,
    way: findWay(cover.wayId) ?? usualWay,
    watered: cover.watered,
    irrigated: cover.irrigated,
    waterings: wateringsOf(cover, today),
    members,
    seed_g_m2: seedOnGround(cover, bed),
    sowDay: dayOf(cover.sownOn ?? cover.sowOn),
    plantDay: plantBackDay(cover, plantings),
    next: next ? nextCropOf(next.cropId, next.way) : nextCropOf('lettuce', 'transplant'),
    methods: methodsHere(garden, bed),
    aims: cover.aims,
    freeDay: freeBefore(bed, cover, plantings),
    shade: bed.shade,
    surface: bed.surface,
    looks: looks
      .filter((l) => l.coverId === cover.id)
      .map((l) => ({
        day: dayOf(l.on),
        emergence: l.emergence ?? undefined,
        cover: l.cover ?? undefined,
        height_m: l.height_m ?? undefined,
        stage: l.stage ?? undefined,
        alive: l.alive ?? undefined,
        weeds: l.weeds ?? undefined,
        members: l.members.flatMap((m) => {
          const index = members.findIndex((k) => k.species.id === m.speciesId);
          return index < 0
            ? []
            : [
                {
                  index,
                  stage: m.stage ?? undefined,
                  alive: m.alive ?? undefined,
                  count: m.count ?? undefined,
                  tens: m.tens,
                  squeeze: m.squeeze,
                },
              ];
        }),
        crowns: l.crowns ?? undefined,
        ...(l.bulk ? { bulk: l.bulk } : {}),
      })),
    today: dayOf(today),
    cropUntil: clearedOver(bed, cover, plantings),
    ...endingOf(cover, looks, today),
    learnt: learntOf(garden, leadOf(cover.parts), cover.wayId),
    years,
  };
}

/** The kind with the greatest share. */
export const leadOf = (parts: Cover['parts']): string =>
  parts.reduce((a, b) => (b.share > a.share ? b : a)).speciesId;

/** What the garden has shown of a kind and a way of sowing, where its gardener let it into forecasts. */
const learntOf = (garden: Pick<Garden, 'learnt'>, kind: string, wayId: string): ForecastInput['learnt'] =>
  shiftFor(garden.learnt?.shifts, kind, wayId);

/** Seed that went in so long ago is up or lost: how wet it lay is no question any more. */
const COMING_UP_D = 40;

export const comingUp = (cover: Pick<Cover, 'sownOn'>, today: string): boolean =>
  cover.sownOn !== null && cover.sownOn <= today && dayOf(today) - dayOf(cover.sownOn) <= COMING_UP_D;

/** Waterings of a sowing that is still coming up: what was logged, and no other. A hose in the kit has watered nothing by itself. */
function wateringsOf(cover: Cover, today: string): ForecastInput['waterings'] {
  if (!cover.sownOn || dayOf(today) - dayOf(cover.sownOn) > COMING_UP_D || cover.sownOn > today)
    return undefined;
  const days = new Map<number, number>();
  const add = (day: number, mm: number) => mm > 0 && days.set(day, (days.get(day) ?? 0) + mm);
  add(dayOf(cover.sownOn), cover.walk?.watered_mm ?? 0);
  for (const w of cover.waterings) add(dayOf(w.on), w.mm);
  return [...days];
}

const isCheck = (kind: string): boolean => kind.startsWith('check');

/** The way of ending a cover that was settled on, and what was done and seen since it began. A pass that is overdue begins today at the earliest. */
function endingOf(cover: Cover, looks: Look[], today: string): Pick<ForecastInput, 'settled' | 'lived'> {
  const method = methods.find((m) => m.id === cover.method);
  const passes = cover.passes.filter((p) => !isCheck(p.kind));
  const begun = passes.some((p) => p.doneOn);
  const deadOn = cover.verdict === 'dead' && cover.endedOn ? dayOf(cover.endedOn) : undefined;
  if (!begun && deadOn === undefined) {
    const first = passes[0];
    if (!method || !first || method.passes.some((p) => isCheck(p.kind))) return {};
    const startDay = cover.sownOn ? Math.max(dayOf(first.due), dayOf(today)) : dayOf(first.due);
    return { settled: { method: method.id, startDay } };
  }
  const counted = looks
    .filter((l) => l.coverId === cover.id && l.crowns)
    .map((l) => ({ day: dayOf(l.on), ...l.crowns! }));
  const lastDone = passes.filter((p) => p.doneOn).at(-1)?.doneOn;
  // "Some grew again" without a count is taken for three crowns of ten, seen when the look afterwards was due.
  if (cover.verdict === 'regrew' && counted.length === 0 && lastDone)
    counted.push({ day: Math.min(dayOf(today), dayOf(lastDone) + LOOKED_AFTER_D), ...SOME_GREW });
  const own = endingPasses({ passes });
  const first = own.find((p) => p.doneOn)?.doneOn ?? own.find((p) => !p.doneOn)?.due;
  return {
    settled: { method: method?.id ?? 'cut', startDay: first ? dayOf(first) : deadOn! },
    lived: {
      passes: passes.map((p) => ({
        kind: p.kind as PassKind,
        on: dayOf(p.doneOn ?? p.due),
        done: p.doneOn !== null,
        whenDead: p.kind === 'lift-sheet' && p.doneOn === null,
      })),
      deadOn,
      crowns: counted,
    },
  };
}
const LOOKED_AFTER_D = 14;
const SOME_GREW = { green: 3, of: 10 } as const;

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
    raked: usualWay,
    members: f.members,
    seed_g_m2: f.seed_g_m2,
    watered: cover.watered,
    irrigated: cover.irrigated,
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
