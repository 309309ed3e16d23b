import { dayOf } from '../../core/calendar/day.ts';
import { type Result, fail, ok } from '../../core/result/result.ts';
import { brokenLink } from '../references.ts';
import { OWNED } from '../types.ts';
import { type GardenContents } from '../verbs/verbs.ts';

// What a form cannot say by itself: figures that no weather has, dates that no garden of today has, records that are there twice.

/** No record is dated outside these. */
const EARLIEST = '1990-01-01';
const LATEST = '2100-12-31';
const DATE = /^\d{4}-\d{2}-\d{2}$/;
/** The coldest and hottest air ever measured are -89.2 and 56.7 °C; a thermometer in the sun shows a little more. */
const COLDEST_C = -90;
const HOTTEST_C = 65;
/** The wettest day ever measured brought 1825 mm, the wettest places have months of 3000 on the mean. */
const MOST_RAIN_MM = 2000;
const MOST_RAIN_OF_MONTH_MM = 4000;
/** A cover stands on a bed for no longer than this: leys of four or five years are the longest. */
const LONGEST_COVER_D = 6 * 366;

/** Fails with `file-invalid` or `file-broken-link`, naming the place in the file. */
export function soundGarden(contents: GardenContents): Result<GardenContents> {
  const late = outsideDate(contents.garden, 'garden') ?? outsideDates(contents);
  if (late) return invalid(late.where, `${late.date} lies before 1990 or after 2100`);
  const site = badSite(contents.garden.site);
  if (site) return invalid(`garden › site › ${site.where}`, site.problem);
  for (const table of OWNED) {
    const ids = new Set<string>();
    for (const [i, r] of contents[table].entries()) {
      if (r.gardenId !== contents.garden.id) return fail('file-broken-link', `${table} › ${r.id}`);
      if (ids.has(r.id)) return invalid(`${table} › ${i} › id`, `"${r.id}" is there twice`);
      ids.add(r.id);
    }
  }
  const lost = brokenLink(contents);
  if (lost) return fail('file-broken-link', `${lost.table} › ${lost.id}`);
  const weather = badWeather(contents);
  if (weather) return invalid(weather.where, weather.problem);
  for (const [i, c] of contents.covers.entries()) {
    const days = [c.sowOn, c.sownOn, c.plantBackOn, c.endedOn, ...c.passes.map((p) => p.due)].flatMap((d) =>
      d ? [dayOf(d)] : [],
    );
    if (Math.max(...days) - Math.min(...days) > LONGEST_COVER_D)
      return invalid(`covers › ${i}`, 'its dates lie more than six years apart');
  }
  return ok(contents);
}

const invalid = (where: string, problem: string): Result<never> => fail('file-invalid', where, { problem });

function outsideDates(contents: GardenContents) {
  for (const table of OWNED)
    for (const [i, r] of contents[table].entries()) {
      const found = outsideDate(r, `${table} › ${i}`);
      if (found) return found;
    }
  return undefined;
}

/** The first date in a record, however deep, that lies outside. */
function outsideDate(value: unknown, where: string): { where: string; date: string } | undefined {
  if (typeof value === 'string')
    return DATE.test(value) && (value < EARLIEST || value > LATEST) ? { where, date: value } : undefined;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, part] of Object.entries(value)) {
    // What a gardener writes may name any year.
    if (key === 'note' || key === 'text' || key === 'name' || key === 'label') continue;
    const found = outsideDate(part, `${where} › ${key}`);
    if (found) return found;
  }
  return undefined;
}

function badSite(site: GardenContents['garden']['site']): { where: string; problem: string } | undefined {
  for (let m = 0; m < 12; m++) {
    const [low, high] = [site.tmin_c[m]!, site.tmax_c[m]!];
    if (low < COLDEST_C || low > HOTTEST_C)
      return { where: `tmin_c › ${m}`, problem: `${low} °C is no temperature of air` };
    if (high < COLDEST_C || high > HOTTEST_C)
      return { where: `tmax_c › ${m}`, problem: `${high} °C is no temperature of air` };
    if (low > high) return { where: `tmin_c › ${m}`, problem: 'the lowest is above the highest' };
    const rain = site.rain_mm[m]!;
    if (rain < 0 || rain > MOST_RAIN_OF_MONTH_MM)
      return { where: `rain_mm › ${m}`, problem: `${rain} mm is no rain of a month` };
    if (site.wetShare[m]! < 0 || site.wetShare[m]! > 1)
      return { where: `wetShare › ${m}`, problem: 'a share lies between 0 and 1' };
  }
  if (site.coldestNight_c < COLDEST_C || site.coldestNight_c > HOTTEST_C)
    return { where: 'coldestNight_c', problem: `${site.coldestNight_c} °C is no temperature of air` };
  for (const sd of ['sdCold_c', 'sdWarm_c', 'springWider_c', 'autumnWider_c'] as const)
    if (Math.abs(site[sd] ?? 0) > 20) return { where: sd, problem: 'no weather swings so far' };
  return undefined;
}

function badWeather({ weather }: GardenContents): { where: string; problem: string } | undefined {
  const years = new Set<number>();
  for (const [i, w] of weather.entries()) {
    if (years.has(w.year)) return { where: `weather › ${i} › year`, problem: `${w.year} is there twice` };
    years.add(w.year);
    let before = '';
    for (const [k, d] of w.days.entries()) {
      const where = `weather › ${i} › days › ${k}`;
      if (Number(d.on.slice(0, 4)) !== w.year) return { where, problem: `${d.on} is no day of ${w.year}` };
      if (d.on <= before) return { where, problem: `${d.on} is there twice or out of order` };
      before = d.on;
      if (d.tmin_c < COLDEST_C || d.tmax_c > HOTTEST_C)
        return { where, problem: 'no air is so cold or so hot' };
      if (d.tmin_c > d.tmax_c) return { where, problem: 'the lowest is above the highest' };
      if (d.rain_mm < 0 || d.rain_mm > MOST_RAIN_MM)
        return { where, problem: `${d.rain_mm} mm is no rain of a day` };
    }
  }
  return undefined;
}
