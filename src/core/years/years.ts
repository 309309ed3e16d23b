import { bareDays, type CoverSpan, type PlantingSpan, type Segment, stripOf } from '../bed/timeline.ts';
import { type Day, dayOf, monthOf } from '../calendar/day.ts';

/** A day that was measured. */
export interface MeasuredDay {
  on: string;
  tmin_c: number;
  tmax_c: number;
  rain_mm: number;
}

/** A year of a garden, from the middle of its winter to the next: calendar years in the north, July to June in the south. */
export interface GardenYear {
  /** As it is called: "2026", or "2026/27" in the south. */
  name: string;
  from: Day;
  to: Day;
}

/** Years from the first day of the records to the last, whole ones. */
export function gardenYears(first: string, last: string, south: boolean): GardenYear[] {
  const start = (y: number) => dayOf(south ? `${y}-07-01` : `${y}-01-01`);
  const yearOf = (iso: string) => {
    const y = Number(iso.slice(0, 4));
    return south && iso.slice(5) < '07-01' ? y - 1 : y;
  };
  const years: GardenYear[] = [];
  for (let y = yearOf(first); y <= yearOf(last); y++)
    years.push({
      name: south ? `${y}/${String(y + 1).slice(2)}` : String(y),
      from: start(y),
      to: start(y + 1),
    });
  return years;
}

/** What the weather of a year was like, as far as it was measured. */
export interface YearWeather {
  days: number;
  rain_mm: number;
  /** Last frost before and first frost after the warm half of the year; none where no night of that half froze. */
  lastFrost: string | null;
  firstFrost: string | null;
  /** Longest run of days with less than 1 mm between April and September (October and March in the south). */
  dryRun_d: number;
  /** Mean temperature over the measured days. */
  mean_c: number;
  /** The same days against the usual of this site: °C warmer, and rain as so many times it. */
  warmer_c: number;
  rainTimes: number;
}

/** What is usual at a site, by month from January. */
export interface Usual {
  tmin_c: readonly number[];
  tmax_c: readonly number[];
  rain_mm: readonly number[];
}
/** Days of a month, so long as rain of a month is spread over them. */
const MONTH_D = 365.25 / 12;

const DRY_MM = 1;

/** @returns undefined where nothing of the year was measured */
export function weatherOf(
  days: readonly MeasuredDay[],
  year: GardenYear,
  usual: Usual,
): YearWeather | undefined {
  const mine = days
    .filter((d) => dayOf(d.on) >= year.from && dayOf(d.on) < year.to)
    .sort((a, b) => a.on.localeCompare(b.on));
  if (mine.length === 0) return undefined;
  const half = year.from + Math.round((year.to - year.from) / 2);
  const frosts = mine.filter((d) => d.tmin_c < 0).map((d) => d.on);
  const [warmFrom, warmTo] = [year.from + 90, year.from + 273];
  let [dry, longest] = [0, 0];
  let before: Day | undefined;
  for (const d of mine) {
    const day = dayOf(d.on);
    if (day < warmFrom || day >= warmTo) continue;
    // A gap in the record ends a run: nobody knows.
    if (before !== undefined && day !== before + 1) dry = 0;
    before = day;
    dry = d.rain_mm < DRY_MM ? dry + 1 : 0;
    longest = Math.max(longest, dry);
  }
  const mean = (d: MeasuredDay) => (d.tmin_c + d.tmax_c) / 2;
  const sum = (of: (d: MeasuredDay) => number) => mine.reduce((s, d) => s + of(d), 0);
  const month = (d: MeasuredDay) => monthOf(dayOf(d.on));
  const rain_mm = sum((d) => d.rain_mm);
  const usualRain_mm = sum((d) => usual.rain_mm[month(d)]! / MONTH_D);
  return {
    days: mine.length,
    rain_mm,
    lastFrost: frosts.filter((on) => dayOf(on) < half).at(-1) ?? null,
    firstFrost: frosts.find((on) => dayOf(on) >= half) ?? null,
    dryRun_d: longest,
    mean_c: sum(mean) / mine.length,
    warmer_c: sum((d) => mean(d) - (usual.tmin_c[month(d)]! + usual.tmax_c[month(d)]!) / 2) / mine.length,
    rainTimes: usualRain_mm > 0 ? rain_mm / usualRain_mm : 1,
  };
}

/** One bed in one year: what lay on it, and its bare days, as far as the year has gone. */
export interface BedYear {
  bedId: string;
  segments: Segment[];
  bare_d: number;
  /** Days of the year that lie behind today and after the records of the bed began. */
  known_d: number;
  /** How much of a whole bed it is. */
  share: number;
}

/**
 * What happened on a bed in a year, up to `now`. `there` are the days on which it was ground of its own (a bed that is not cut, a piece while it is
 * one), `share` how much of a bed it is.
 */
export function bedYear(
  bedId: string,
  plantings: PlantingSpan[],
  covers: CoverSpan[],
  year: GardenYear,
  now: Day,
  there: readonly { from: Day; to: Day }[] = [{ from: -Infinity, to: Infinity }],
  share = 1,
): BedYear {
  const starts = [
    ...plantings.filter((p) => p.bedId === bedId).map((p) => p.plantedOn ?? p.plantOn),
    ...covers.filter((c) => c.bedId === bedId).map((c) => c.sownOn ?? c.sowOn),
  ].map(dayOf);
  const began = starts.length > 0 ? Math.min(...starts) : Infinity;
  const [from, to] = [Math.max(year.from, began), Math.min(year.to, now)];
  const spans = there
    .map((s) => ({ from: Math.max(from, s.from), to: Math.min(to, s.to) }))
    .filter((s) => s.to > s.from);
  const segments = spans.flatMap((s) => stripOf(bedId, plantings, covers, s.from, s.to));
  const known_d = spans.reduce((sum, s) => sum + s.to - s.from, 0);
  return { bedId, segments, bare_d: bareDays([segments]), known_d, share };
}

/** Share of the known bed-days of a year that lay bare, 0..1; undefined where nothing is known. */
export function bareShare(beds: readonly BedYear[]): number | undefined {
  const known = beds.reduce((s, b) => s + b.known_d * b.share, 0);
  return known > 0 ? beds.reduce((s, b) => s + b.bare_d * b.share, 0) / known : undefined;
}

/** First day that the records tell of. */
export const firstDay = (plantings: PlantingSpan[], covers: CoverSpan[], today: string): string =>
  [
    today,
    ...plantings.map((p) => p.plantedOn ?? p.plantOn),
    ...covers.map((c) => c.sownOn ?? c.sowOn),
  ].sort()[0]!;
