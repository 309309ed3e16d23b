import { coverTitle } from '../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { showArea, showPerArea, showRain, showTemperature } from '../core/units/show.ts';
import { type GardenYear, weatherOf } from '../core/years/years.ts';
import { STORY_MARK } from '../records/files/storyFile.ts';
import type { Cover, Reported } from '../records/types.ts';
import type { GardenContents } from '../records/verbs/verbs.ts';
import { showDay, showIso, showIsoYear } from '../ui/dates.ts';
import { METHOD_SHORT } from '../ui/methodWords.ts';
import { happenings } from './journal.ts';

/** What a season's story is to hold. Nothing private is in it unless it was chosen. */
export interface StoryAsked {
  year: GardenYear;
  /** One bed, or all. */
  bedId: string | null;
  /** The name of the garden, and notes as they were written. */
  named: boolean;
  notes: boolean;
}

export interface StoryLine {
  on: string;
  text: string;
  /** A picture taken on a look of that line, where pictures are in it. */
  pictureOf?: string;
}

export interface Chapter {
  bed: string;
  lines: StoryLine[];
  /** What was expected of the covers of this bed, and what came. */
  came: string[];
}

/** A season to read and to hand on. */
export interface Story {
  title: string;
  /** Where, how large, and what the weather was. */
  lead: string[];
  chapters: Chapter[];
  /** The same results for another Kilim to read; null where no cover is told of. */
  results: Reported | null;
}

/** Where a garden lies is told no closer than this. */
const BAND_DEG = 5;

const resultOf = (k: Cover): Reported['covers'][number] => ({
  parts: k.parts,
  sownOn: k.sownOn!,
  method: k.method,
  deadOn: k.verdict === 'dead' ? k.endedOn : null,
  foretold: k.predicted && {
    low: k.predicted.dead.low,
    high: k.predicted.dead.high,
    inTime: k.predicted.inTime,
  },
});

const sentence = (what: string, detail: string): string => (detail ? `${what}: ${detail}.` : `${what}.`);

/** The season of one bed or of the whole garden, told from the record: what was done and seen in order, and what was expected beside what came. */
export function storyOf(c: GardenContents, asked: StoryAsked): Story {
  const { year } = asked;
  const [from, to] = [isoOf(year.from), isoOf(year.to)];
  const within = (on: string) => on >= from && on < to;
  const beds = c.beds
    .filter((b) => asked.bedId === null || b.id === asked.bedId)
    .sort((a, b) => a.order - b.order);
  const all = happenings(c)
    .filter((h) => within(h.on) && (h.kind !== 'note' || asked.notes))
    .sort((a, b) => a.on.localeCompare(b.on));
  const chapters = beds.flatMap((bed): Chapter[] => {
    const lines = all
      .filter((h) => h.bedId === bed.id)
      .map((h) => ({
        on: h.on,
        text: sentence(h.what, withoutNotes(h.detail, h.refId, c, asked)),
        ...(h.kind === 'look' ? { pictureOf: h.refId } : {}),
      }));
    const covers = c.covers.filter((k) => k.bedId === bed.id && k.sownOn && lives(k, from, to));
    const came = covers.flatMap((k) => cameWords(k, c));
    return lines.length > 0 || came.length > 0
      ? [{ bed: `Bed ${bed.name}, ${showArea(bed.area_m2, c.garden.units)}`, lines, came }]
      : [];
  });
  const whose = [asked.named && c.garden.name, asked.bedId !== null && beds[0] && `bed ${beds[0].name}`];
  const title = [...whose, year.name].filter(Boolean).join(', ');
  const called = `${title.charAt(0).toUpperCase()}${title.slice(1)}`;
  const ids = new Set(beds.map((b) => b.id));
  const told = c.covers.filter((k) => ids.has(k.bedId) && k.sownOn && lives(k, from, to));
  return {
    title: called,
    lead: leadOf(c, year),
    chapters,
    results:
      told.length === 0
        ? null
        : {
            title: called,
            latitude_deg: Math.round(c.garden.site.latitude_deg / BAND_DEG) * BAND_DEG,
            covers: told.map(resultOf),
          },
  };
}

/** A look's own note is as private as a note. */
function withoutNotes(detail: string, refId: string, c: GardenContents, asked: StoryAsked): string {
  const note = c.looks.find((l) => l.id === refId)?.note;
  if (asked.notes || !note) return detail;
  return detail.replace(note, '').replace(/, $/, '');
}

/** Sown before the season's end, and not over before its beginning. */
function lives(k: Cover, from: string, to: string): boolean {
  const over = k.endedOn ?? k.passes.findLast((p) => p.doneOn)?.doneOn ?? null;
  return k.sownOn! < to && (over === null || over >= from);
}

function leadOf(c: GardenContents, year: GardenYear): string[] {
  const { site, units } = c.garden;
  // The band of latitude says what is needed to compare; where the garden lies is nobody's business.
  const band = Math.abs(Math.round(site.latitude_deg / BAND_DEG) * BAND_DEG);
  const lines = [`A garden at about ${band}° ${site.latitude_deg < 0 ? 'south' : 'north'}.`];
  const w = weatherOf(
    c.weather.flatMap((x) => x.days),
    year,
    site,
  );
  if (w)
    lines.push(
      `Weather, ${w.days} days measured: ${showRain(w.rain_mm, units)} of rain, ${showTemperature(w.mean_c, units)} in the mean${
        w.lastFrost ? `, last frost ${showIso(w.lastFrost)}` : ''
      }${w.firstFrost ? `, first ${showIso(w.firstFrost)}` : ''}${
        w.dryRun_d > 0 ? `, longest dry spell ${w.dryRun_d} days` : ''
      }.`,
    );
  return lines;
}

/** What was expected of a cover when its way was settled, and what came. */
function cameWords(k: Cover, c: GardenContents): string[] {
  const name = coverTitle(k);
  const seen = k.verdict === 'dead' && k.endedOn ? `seen dead ${showIsoYear(k.endedOn)}` : null;
  const p = k.predicted;
  if (!p) return seen ? [`${name}: ${seen}.`] : [];
  const day = (iso: string | null) => (iso ? showIso(iso) : 'not in time');
  const expected = `${name}: by ${METHOD_SHORT[p.method] ?? p.method} from ${showDay(dayOf(p.startOn))} it was expected dead ${day(p.dead.low)} to ${day(p.dead.high)}, ready in time in ${Math.round(p.inTime * 100)} years of 100, with ${showPerArea(p.dryMatter_g_m2.low, c.garden.units)} to ${showPerArea(p.dryMatter_g_m2.high, c.garden.units)} of dry matter`;
  const next = k.note ? [`For the next time: ${k.note}`] : [];
  return [`${expected}${seen ? `; ${seen}` : ''}.`, ...next];
}

const ESCAPES: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escaped = (text: string): string => text.replace(/[&<>"']/g, (ch) => ESCAPES[ch]!);

/** The story as one page that opens anywhere, pictures in it where they are given by the look they belong to. */
export function storyPage(story: Story, pictures: ReadonlyMap<string, string> = new Map()): string {
  const line = (l: StoryLine) => {
    const jpeg = l.pictureOf ? pictures.get(l.pictureOf) : undefined;
    const image = jpeg?.startsWith('data:image/jpeg;base64,')
      ? `<br><img src="${escaped(jpeg)}" alt="">`
      : '';
    return `<li><b>${escaped(showIsoYear(l.on))}</b> ${escaped(l.text)}${image}</li>`;
  };
  return `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${escaped(story.title)}</title>
<style>body{font:17px/1.5 system-ui,sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem;color:#3c2a20;background:#fbf6ec}li{margin:.25rem 0}img{max-width:20rem}</style>
<h1>${escaped(story.title)}</h1>
${story.lead.map((t) => `<p>${escaped(t)}</p>`).join('\n')}
${story.chapters
  .map(
    (ch) =>
      `<h2>${escaped(ch.bed)}</h2>\n<ul>\n${ch.lines.map(line).join('\n')}\n</ul>\n${ch.came.map((t) => `<p>${escaped(t)}</p>`).join('\n')}`,
  )
  .join('\n')}
${story.results ? `<script type="application/json" id="${STORY_MARK}">${JSON.stringify(story.results).replaceAll('<', '\\u003c')}</script>\n` : ''}</html>
`;
}
