import { endingFiguresOf, findCrop, methods, unknownKinds } from '../catalogue/catalogue.ts';
import { USUAL_AIMS } from '../core/aims/aims.ts';
import { type Day, dayOf } from '../core/calendar/day.ts';
import { datedClashes } from '../core/share/deal.ts';
import { LAYS } from '../core/share/lays.ts';
import { type Clash, type ShareCover, type ShareInput, type ShareThing } from '../core/share/types.ts';
import type { Thing } from '../records/things.ts';
import type { Bed, Cover, Garden, Look, Planting, WeatherYear } from '../records/types.ts';
import { aheadOf, forecastInput, plantBackDay } from './cover.ts';
import { boxOf } from './methods.ts';
import { workAsk } from './work.ts';

/** Plausible years in which things are shared out: forty where few beds want them, fewer where many do, so that the first word comes within a second. */
const MOST_YEARS = 40;
const FEWEST_YEARS = 16;
const COVER_YEARS = 320;
const yearsFor = (wanting: number): number =>
  Math.max(FEWEST_YEARS, Math.min(MOST_YEARS, Math.round(COVER_YEARS / Math.max(1, wanting))));
/** So far ahead plans are looked at, days. */
const AHEAD_D = 240;

interface Contents {
  garden: Garden;
  beds: Bed[];
  covers: Cover[];
  plantings: Planting[];
  looks: Look[];
  weather: WeatherYear[];
}

export const shareThing = (t: Thing): ShareThing => ({
  id: t.id,
  name: t.name,
  of: t.of,
  ...(t.of === 'opaque-sheet' || t.of === 'clear-film' ? { width_m: t.width_m, length_m: t.length_m } : {}),
  ...(t.of === 'opaque-sheet' ? { sheet: { sort: t.sort, grade: t.grade } } : {}),
});

/** Weather before today that all beds have in common, days. */
const BEFORE_D = 700;

/** Records turned into the question how few things are shared out over all beds. */
export function shareInput(c: Contents, today: string, given?: number): ShareInput {
  const now = dayOf(today);
  const until = now + AHEAD_D;
  const observed: ShareInput['weather']['observed'] = c.weather
    .flatMap((w) => w.days)
    .filter((d) => d.on <= today && dayOf(d.on) >= now - BEFORE_D)
    .map((d) => [dayOf(d.on), d.tmin_c, d.tmax_c, d.rain_mm]);
  const lays = (id: string) => methods.find((m) => m.id === id)?.passes.some((p) => p.kind in LAYS) ?? false;
  const years = given ?? yearsFor(c.covers.filter((k) => k.verdict !== 'dead' && lays(k.method)).length);
  const covers = c.covers.flatMap((cover): ShareCover[] => {
    const bed = c.beds.find((b) => b.id === cover.bedId);
    const plantDay = plantBackDay(cover, c.plantings);
    const due = cover.passes.find((p) => !p.doneOn)?.due;
    if (!bed || cover.verdict === 'dead' || plantDay < now || unknownKinds(cover.parts).length > 0) return [];
    if (!due || dayOf(due) > until) return [];
    return [shareCover(c, bed, cover, today, years)];
  });
  const base = { site: c.garden.site, today: now, observed, ahead: aheadOf(c.weather, today) };
  return {
    covers,
    things: c.garden.things.map(shareThing),
    weather: base,
    hoursAWeek: c.garden.people.reduce((s, p) => s + p.hoursAWeek, 0),
    today: now,
    until,
    years,
  };
}

function shareCover(c: Contents, bed: Bed, cover: Cover, today: string, years: number): ShareCover {
  const asked = forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, years);
  const method = asked.methods.find((m) => m.id === cover.method);
  const next = c.plantings.find((p) => p.id === cover.nextPlantingId);
  const start = asked.settled?.startDay;
  // The stand and the steps are the core's to say, day by day.
  const work = workAsk(
    c.garden,
    bed,
    cover,
    c.covers,
    { id: cover.method, passes: [] },
    { startDay: 0, dryMatter_g_m2: { low: 0, mid: 0, high: 0 }, heightAtStart_m: 0, stageAtStart: 0 },
    [],
  );
  return {
    id: cover.id,
    bed: bed.name,
    box: boxOf(bed),
    block: bed.block,
    order: bed.order,
    // Years and weather are those that all beds share.
    asked: { ...asked, observed: undefined, ahead: undefined },
    plan:
      method && start !== undefined
        ? { method: method.id, startDay: start, after_d: plannedAfter(cover, method.passes, start) }
        : null,
    passes: cover.passes.map((p) => ({
      kind: p.kind,
      day: dayOf(p.doneOn ?? p.due),
      done: p.doneOn !== null,
    })),
    thingIds: cover.thingIds,
    crop: {
      name: next ? (findCrop(next.cropId)?.name ?? next.cropId) : 'what follows',
      movable: next !== undefined && !next.plantedOn,
    },
    aims: cover.aims.length > 0 ? cover.aims : USUAL_AIMS,
    work,
    figures: cover.parts.map((p) => endingFiguresOf(p.speciesId)),
  };
}

/** Clashes by the dates as they stand in the plans, for a glance over all beds; nothing is grown for them. */
export function clashesByDates(
  c: Pick<Contents, 'garden' | 'beds' | 'covers'>,
): { clash: Clash; cover: Cover; thing: Thing | undefined; holder: string }[] {
  const live = c.covers.filter((k) => k.verdict !== 'dead' && c.beds.some((b) => b.id === k.bedId));
  const bedOf = (k: Cover) => c.beds.find((b) => b.id === k.bedId)!;
  const clashes = datedClashes(
    live.map((k) => ({
      id: k.id,
      bed: bedOf(k).name,
      box: boxOf(bedOf(k)),
      block: bedOf(k).block,
      order: bedOf(k).order,
      thingIds: k.thingIds,
      passes: k.passes.map((p) => ({ kind: p.kind, day: dayOf(p.doneOn ?? p.due), done: p.doneOn !== null })),
    })),
    c.garden.things.map(shareThing),
  );
  return clashes.flatMap((clash) => {
    const cover = live.find((k) => k.id === clash.wants)!;
    const holder = live.find((k) => k.id === clash.holder)!;
    // A size that is only taken for granted is no reason to say that nothing fits.
    if (clash.thingId === null && c.garden.things.some((t) => t.of === clash.of && !t.asked)) return [];
    return [
      {
        clash,
        cover,
        thing: c.garden.things.find((t) => t.id === clash.thingId),
        holder: bedOf(holder).name,
      },
    ];
  });
}

/** Days of the passes after the first as they stand in the plan; what waits until the stand is dead keeps waiting. */
function plannedAfter(
  cover: Cover,
  passes: { kind: string; after_d: number | null }[],
  startDay: Day,
): (number | null)[] {
  const mine = cover.passes.slice(-passes.length);
  const fits = mine.length === passes.length && mine.every((p, i) => p.kind === passes[i]!.kind);
  const first = fits && mine[0] ? dayOf(mine[0].doneOn ?? mine[0].due) : startDay;
  return passes.map((p, i) =>
    p.after_d === null || !fits ? p.after_d : Math.max(0, dayOf(mine[i]!.doneOn ?? mine[i]!.due) - first),
  );
}
