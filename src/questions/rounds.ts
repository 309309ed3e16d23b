import { unknownKinds } from '../catalogue/catalogue.ts';
import { tellsOf } from '../core/bed/pieces.ts';
import { endingPasses } from '../core/bed/timeline.ts';
import { dayOf, dayOfYear, isoOf } from '../core/calendar/day.ts';
import { dayLength_h } from '../core/calendar/sun.ts';
import { type Point } from '../core/ground/shape.ts';
import { jobsOf } from '../core/jobs/jobs.ts';
import { type QuestionKind, type RoundCover } from '../core/rounds/question.ts';
import { type Way, wayOf } from '../core/rounds/way.ts';
import type { Bed, Cover, Garden, Look, Planting, WeatherYear } from '../records/types.ts';
import { aheadOf, forecastInput, observedOf, plantBackDay } from './cover.ts';
import { meanOfMonth } from './work.ts';

/** Where a walk begins: where the tools are, else at the water. */
export const walkFrom = ({ marks }: Pick<Garden, 'marks'>): Point | undefined => {
  const at = marks.find((m) => m.kind === 'shed') ?? marks.find((m) => m.kind === 'water');
  return at && [at.x_m, at.y_m];
};

/** The way past what is due today, by where the beds lie and what the day's weather is. */
export function wayToday<T extends Parameters<typeof wayOf>[0][number]>(
  due: readonly T[],
  { garden, beds, weather }: Pick<Contents, 'garden' | 'beds' | 'weather'>,
  today: string,
): Way<T> {
  const now = dayOf(today);
  const days = weather.flatMap((w) => w.days);
  const [day, next] = [today, isoOf(now + 1)].map((on) => days.find((d) => d.on === on));
  return wayOf(
    due,
    new Map(beds.map((b) => [b.id, b.at && ([b.at.x_m, b.at.y_m] as const)])),
    walkFrom(garden),
    {
      low_c: day?.tmin_c,
      rain_mm: day?.rain_mm,
      rainNext_mm: next?.rain_mm,
      light_h: dayLength_h(garden.site.latitude_deg, dayOfYear(now)),
    },
  );
}

/** Years in which questions are weighed: enough to tell which is worth most, few enough for all beds within half a second. */
const ROUND_YEARS = 16;

interface Contents {
  garden: Garden;
  beds: Bed[];
  covers: Cover[];
  plantings: Planting[];
  looks: Look[];
  weather: WeatherYear[];
}

/** What was looked at in a look. */
export function kindsSeen(l: Look): QuestionKind[] {
  const kinds: QuestionKind[] = [];
  if (l.stage || l.members.some((m) => m.stage)) kinds.push('stage', 'seed');
  if (l.cover !== null) kinds.push('cover');
  if (l.height_m !== null) kinds.push('height');
  if (l.weeds) kinds.push('weeds');
  if (l.alive !== null || l.members.some((m) => m.alive !== null)) kinds.push('alive');
  if (l.emergence || l.members.some((m) => m.count)) kinds.push('emergence');
  if (l.members.some((m) => m.count)) kinds.push('frame');
  if (l.about) kinds.push(l.about);
  if (l.soil) kinds.push('soil');
  if (l.crowns) kinds.push('crowns', 'peek');
  return kinds;
}

/** Last day on which the soil of a bed was looked at, under whatever cover. */
function soilSeenOn(bed: Bed, { looks }: Contents, today: string): number | undefined {
  const days = looks.filter((l) => tellsOf(bed, l.bedId) && l.soil && l.on <= today).map((l) => dayOf(l.on));
  return days.length > 0 ? Math.max(...days) : undefined;
}

/** Covers that stand, in the order in which their beds are passed: block by block as the blocks begin, then as they are numbered. */
export function roundCovers(c: Contents, today: string, years = ROUND_YEARS): RoundCover[] {
  const now = dayOf(today);
  const blockAt = (block: string) => Math.min(...c.beds.filter((b) => b.block === block).map((b) => b.order));
  const place = new Map(
    [...c.beds]
      .sort((a, b) => blockAt(a.block) - blockAt(b.block) || a.order - b.order)
      .map((b, i) => [b.id, i]),
  );
  const due = new Set(
    jobsOf(c.plantings, c.covers, c.looks, now)
      .filter((j) => j.kind === 'look' && j.on <= today)
      .map((j) => j.refId),
  );
  const walked = c.covers
    .filter(
      (k) =>
        k.sownOn !== null &&
        k.sownOn <= today &&
        place.has(k.bedId) &&
        plantBackDay(k, c.plantings) >= now &&
        unknownKinds(k.parts).length === 0 &&
        !c.plantings.some((p) => p.id === k.nextPlantingId && p.plantedOn),
    )
    .sort((a, b) => place.get(a.bedId)! - place.get(b.bedId)!)
    .map((cover): RoundCover => {
      const bed = c.beds.find((b) => b.id === cover.bedId)!;
      const passes = endingPasses(cover).filter((p) => !p.kind.startsWith('check'));
      return {
        id: cover.id,
        bedId: bed.id,
        asked: {
          ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, years),
          observed: observedOf(c.weather, cover, today),
          ahead: aheadOf(c.weather, today),
        },
        sownDay: dayOf(cover.sownOn!),
        passes: passes.map((p) => ({ kind: p.kind, day: dayOf(p.doneOn ?? p.due), done: p.doneOn !== null })),
        deadDay: cover.verdict === 'dead' && cover.endedOn ? dayOf(cover.endedOn) : undefined,
        seen: c.looks
          .filter((l) => l.coverId === cover.id)
          .map((l) => ({
            day: dayOf(l.on),
            // What is looked at on a dead cover is its mulch.
            kinds: cover.endedOn && l.on >= cover.endedOn ? [...kindsSeen(l), 'gaps'] : kindsSeen(l),
          })),
        soilSeen: soilSeenOn(bed, c, today),
        lookDue: due.has(cover.id),
        mean_c: meanOfMonth(c.garden.site, now),
      };
    });
  // A spade goes into one bed a walk: that which has waited longest.
  const spade = [...walked].sort((a, b) => (a.soilSeen ?? -Infinity) - (b.soilSeen ?? -Infinity))[0]?.id;
  return walked.map((w) => ({ ...w, spade: w.id === spade }));
}
