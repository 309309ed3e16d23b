import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { aims, climates, crops, findCrop, findWay, kit as kitList } from '../../src/catalogue/catalogue.ts';
import { dayOf, isIsoDate } from '../../src/core/calendar/day.ts';
import { siteFromNormals } from '../../src/core/climate/normals.ts';
import { siteFromPattern } from '../../src/core/climate/pattern.ts';
import { type Site } from '../../src/core/site/site.ts';

const date = z.string().refine(isIsoDate, 'must be a day such as 2026-09-15');
const monthly = z.array(z.number()).length(12);

/** A free bed, what follows it, the kit and the aims, with what a good adviser would answer. */
const situationSchema = z.object({
  id: z.string(),
  site: z.union([
    z.object({ pattern: z.string(), latitude_deg: z.number() }),
    z.object({
      latitude_deg: z.number(),
      coastal: z.boolean(),
      tmax_c: monthly,
      tmin_c: monthly,
      rain_mm: monthly,
      coldestNight_c: z.number().nullable(),
      lastFrost_doy: z.number().nullable().optional(),
      firstFrost_doy: z.number().nullable().optional(),
    }),
  ]),
  freeOn: date,
  plantOn: date,
  next: z.object({ crop: z.string(), way: z.enum(['transplant', 'seed']) }),
  kit: z.array(z.string()),
  aims: z.record(z.string(), z.number().min(0).max(3)),
  soil: z.object({ texture: z.enum(['sand', 'loam', 'clay']), fertility: z.enum(['lean', 'fair', 'rich']) }),
  sowing: z.string(),
  expect: z.object({
    goodInFirst5: z.array(z.string()),
    poorInFirst5: z.array(z.string()),
    endingsNeverPutForward: z.array(z.string()),
    firstEnding: z.object({
      oneOf: z.array(z.string()).optional(),
      notOneOf: z.array(z.string()).optional(),
      startAfter: date.optional(),
      startBefore: date.optional(),
    }),
  }),
});

export type Situation = z.infer<typeof situationSchema>;

const LONGEST_D = 500;
const SHORTEST_D = 28;

/** The situations of a file, each held to the catalogue. Throws an `Error` of one line that names the situation and what is wrong. */
export function situationsFrom(path: string | undefined): Situation[] {
  if (!path) throw new Error('name a file of situations: kilim advise --file FILE');
  let raw: unknown;
  try {
    raw = JSON.parse(readFileSync(path, 'utf8'));
  } catch (error) {
    throw new Error(`${path}: ${error instanceof Error ? error.message : 'cannot be read'}`, {
      cause: error,
    });
  }
  const list = (raw as { situations?: unknown[] } | null)?.situations;
  if (!Array.isArray(list)) throw new Error(`${path}: a list "situations" is missing`);
  return list.map((one, i) => {
    const read = situationSchema.safeParse(one);
    const name = String((one as { id?: unknown } | null)?.id ?? `number ${i + 1}`);
    if (!read.success) {
      const issue = read.error.issues[0]!;
      throw new Error(`${path}, situation ${name}: ${issue.path.join('.')} ${issue.message}`);
    }
    const wrong = whatIsWrong(read.data);
    if (wrong) throw new Error(`${path}, situation ${name}: ${wrong}`);
    return read.data;
  });
}

function whatIsWrong(s: Situation): string | undefined {
  const crop = findCrop(s.next.crop);
  if (!crop) return `next.crop ${s.next.crop} is not known; there are ${crops.map((c) => c.id).join(' ')}`;
  if (!crop.ways.includes(s.next.way))
    return `next.way: ${crop.id} is planted as ${crop.ways.join(' or ')}, not ${s.next.way}`;
  if (!findWay(s.sowing)) return `sowing ${s.sowing} is not a known way of sowing`;
  const tool = s.kit.find((k) => !kitList.some((known) => known.id === k));
  if (tool) return `kit ${tool} is not known; there are ${kitList.map((k) => k.id).join(' ')}`;
  const aim = Object.keys(s.aims).find((id) => !aims.some((a) => a.id === id));
  if (aim) return `aims: ${aim} is not known; there are ${aims.map((a) => a.id).join(' ')}`;
  const days = dayOf(s.plantOn) - dayOf(s.freeOn);
  if (days <= 0) return `plantOn ${s.plantOn} must come after freeOn ${s.freeOn}`;
  if (days < SHORTEST_D || days > LONGEST_D)
    return `from ${s.freeOn} to ${s.plantOn} are ${days} days; a gap has ${SHORTEST_D} to ${LONGEST_D}`;
  if ('pattern' in s.site && !climates.some((c) => c.id === (s.site as { pattern: string }).pattern))
    return `site.pattern ${s.site.pattern} is not known; there are ${climates.map((c) => c.id).join(' ')}`;
  if (!(Math.abs(s.site.latitude_deg) <= 66))
    return `site.latitude_deg ${s.site.latitude_deg} must lie between -66 and 66`;
  return undefined;
}

/** The fitted site of a situation; `known` keeps those that were fitted before. */
export function siteOf(s: Situation, known: Map<string, Site>): Site {
  const key = JSON.stringify(s.site);
  const kept = known.get(key);
  if (kept) return kept;
  const site = 'pattern' in s.site ? ofPattern(s.site.pattern, s.site.latitude_deg) : ofNormals(s, s.site);
  known.set(key, site);
  return site;
}

const ofPattern = (id: string, latitude_deg: number): Site =>
  siteFromPattern(
    climates.find((c) => c.id === id)!,
    latitude_deg,
  );

function ofNormals(s: Situation, normals: Parameters<typeof siteFromNormals>[0]): Site {
  const fit = siteFromNormals(normals);
  if (!fit.ok)
    throw new Error(`situation ${s.id}: site ${fit.failure.code} ${JSON.stringify(fit.failure.facts ?? {})}`);
  return fit.value;
}
