import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { readGardenFile } from '../src/records/files/gardenFile.ts';
import { type GardenContents } from '../src/records/verbs/verbs.ts';
import { climates, knowOwnKinds } from '../src/catalogue/catalogue.ts';
import { dayOf, isIsoDate } from '../src/core/calendar/day.ts';
import { siteFromNormals } from '../src/core/climate/normals.ts';
import { siteFromPattern } from '../src/core/climate/pattern.ts';
import { type Site } from '../src/core/site/site.ts';

const OPTIONS = [
  'only',
  'years',
  'today',
  'from',
  'plant',
  'next',
  'as',
  'way',
  'aims',
  'top',
  'site',
  'pattern',
  'latitude',
  'cover',
  'sow',
  'rate',
  'on',
  'soil',
  'fertility',
  'file',
] as const;
type Option = (typeof OPTIONS)[number];
const FLAGS = ['irrigated', 'unwatered', 'json', 'help'] as const;
type Flag = (typeof FLAGS)[number];

/** What was typed after the command: places by position, and options by name. */
export interface Typed {
  at: string[];
  get(option: Option): string | undefined;
  has(flag: Flag): boolean;
}

export function readArgs(argv: string[]): Typed {
  const { values, positionals } = parseArgs({
    args: argv,
    allowPositionals: true,
    options: {
      ...Object.fromEntries(OPTIONS.map((o) => [o, { type: 'string' as const }])),
      ...Object.fromEntries(FLAGS.map((f) => [f, { type: 'boolean' as const }])),
    },
  });
  const all = values as Record<string, string | boolean | undefined>;
  return {
    at: positionals,
    get: (o) => all[o] as string | undefined,
    has: (f) => all[f] === true,
  };
}

export const yearsOf = (typed: Typed, usual = 200): number => {
  const years = Number(typed.get('years') ?? usual);
  if (!Number.isInteger(years) || years < 1 || years > 5000)
    throw new Error(`--years ${typed.get('years')} must be a whole number from 1 to 5000`);
  return years;
};

/** A day given as an option; `fallback` when it is absent. */
export function dayOption(typed: Typed, option: Option, fallback?: string): number {
  const iso = typed.get(option) ?? fallback;
  if (!iso || !isIsoDate(iso)) throw new Error(`--${option} must be a day such as 2026-09-15, not ${iso}`);
  return dayOf(iso);
}

export function gardenFrom(path: string | undefined): GardenContents {
  if (!path) throw new Error('name a garden file, for example demo/north-shore.kilim.json');
  const read = readGardenFile(readFileSync(path, 'utf8'));
  if (!read.ok) throw new Error(`${path}: ${read.failure.code} ${read.failure.where ?? ''}`);
  knowOwnKinds(read.value.garden.ownKinds ?? []);
  return read.value;
}

/** The cover that a place names by its id, with its bed. */
export function coverFrom(c: GardenContents, id: string | undefined) {
  const cover = c.covers.find((x) => x.id === id);
  const bed = c.beds.find((b) => b.id === cover?.bedId);
  if (!cover || !bed) throw new Error(`no cover ${id}; there are ${c.covers.map((x) => x.id).join(' ')}`);
  return { cover, bed };
}

export const todayOf = (typed: Typed, c: GardenContents): string =>
  typed.get('today') ?? c.garden.seasonClock ?? new Date().toISOString().slice(0, 10);

/** A site from `--site FILE` (monthly normals as JSON) or `--pattern ID`, at `--latitude` where that is given. */
export function siteFrom(typed: Typed): Site {
  const file = typed.get('site');
  if (file) {
    const n = JSON.parse(readFileSync(file, 'utf8')) as Partial<Parameters<typeof siteFromNormals>[0]>;
    const fit = siteFromNormals({
      latitude_deg: Number(typed.get('latitude') ?? n.latitude_deg),
      coastal: n.coastal ?? false,
      tmax_c: n.tmax_c ?? [],
      tmin_c: n.tmin_c ?? [],
      rain_mm: n.rain_mm ?? [],
      coldestNight_c: n.coldestNight_c ?? null,
      lastFrost_doy: n.lastFrost_doy ?? null,
      firstFrost_doy: n.firstFrost_doy ?? null,
    });
    if (!fit.ok) throw new Error(`${file}: ${fit.failure.code} ${JSON.stringify(fit.failure.facts ?? {})}`);
    return fit.value;
  }
  const id = typed.get('pattern');
  const pattern = climates.find((c) => c.id === id);
  if (!pattern)
    throw new Error(`give --site FILE or --pattern, one of ${climates.map((c) => c.id).join(' ')}`);
  const latitude = typed.get('latitude');
  return siteFromPattern(pattern, latitude === undefined ? pattern.latitude_deg : Number(latitude));
}
