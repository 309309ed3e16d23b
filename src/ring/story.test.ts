import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf } from '../core/calendar/day.ts';
import { gardenYears } from '../core/years/years.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { readStory } from '../records/files/storyFile.ts';
import { storyOf, storyPage } from './story.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;
const year = gardenYears('2026-01-01', '2026-12-31', false)[0]!;
const ask = (more: Partial<Parameters<typeof storyOf>[1]> = {}) =>
  storyOf(c, { year, bedId: null, named: false, notes: false, ...more });
const bed8 = c.beds.find((b) => b.name === '8')!.id;

describe('a season’s story', () => {
  test('holds what was done in that season, bed by bed in their order, oldest first, and nothing of another', () => {
    const story = ask();
    expect(story.chapters.length).toBeGreaterThan(8);
    for (const ch of story.chapters) {
      const days = ch.lines.map((l) => l.on);
      expect(days).toEqual([...days].sort());
      for (const on of days) expect(dayOf(on) >= year.from && dayOf(on) < year.to).toBe(true);
    }
    const names = story.chapters.map((ch) => ch.bed);
    expect(names).toEqual(
      [...c.beds]
        .sort((a, b) => a.order - b.order)
        .map((b) => names.find((n) => n.startsWith(`Bed ${b.name},`)))
        .filter(Boolean),
    );
  });
  test('of one bed it tells that bed alone, and says so', () => {
    const story = ask({ bedId: bed8 });
    expect(story.title).toBe('Bed 8, 2026');
    expect(story.chapters.map((ch) => ch.bed)).toEqual(['Bed 8, 9.6 m²']);
    expect(story.chapters[0]!.lines.map((l) => l.text).join(' ')).toMatch(/Sowed tillage radish/i);
  });
  test('what was expected stands beside what came', () => {
    const came = ask({ bedId: bed8 }).chapters[0]!.came.join(' ');
    expect(came).toMatch(
      /^Tillage radish: by .* it was expected dead .* ready in time in \d+ years of 100.*seen dead \d+ \w+ 20\d\d\./,
    );
  });
  test('nothing private is in it unless it was chosen: no name, no notes, no place closer than five degrees', () => {
    const garden = {
      ...c,
      notes: [{ id: 'n', gardenId: c.garden.id, bedId: bed8, on: '2026-09-01', text: 'Secret of mine' }],
    };
    const look = { ...c.looks.find((l) => l.on.startsWith('2026'))!, note: 'Whispered' };
    const looked = { ...garden, looks: [...garden.looks.filter((l) => l.id !== look.id), look] };
    const plain = JSON.stringify(storyOf(looked, { year, bedId: null, named: false, notes: false }));
    expect(plain).not.toMatch(/Secret of mine|Whispered/);
    expect(plain).not.toContain(c.garden.name);
    expect(plain).not.toContain(String(c.garden.site.latitude_deg));
    const told = JSON.stringify(storyOf(looked, { year, bedId: null, named: true, notes: true }));
    for (const words of ['Secret of mine', 'Whispered', c.garden.name]) expect(told).toContain(words);
  });
  test('a cover belongs to every season in which it stood', () => {
    const radish = (y: number) =>
      storyOf(c, {
        year: gardenYears(`${y}-01-01`, `${y}-12-31`, false)[0]!,
        bedId: bed8,
        named: false,
        notes: false,
      })
        .chapters.flatMap((ch) => ch.came)
        .some((t) => t.startsWith('Tillage radish'));
    expect([radish(2025), radish(2026), radish(2028)]).toEqual([false, true, false]);
  });
  test('as a page, whatever was written is words and never code, and only pictures of this device’s making are in it', () => {
    const evil = '<script>alert(1)</script>&"';
    const story = {
      title: evil,
      lead: [evil],
      chapters: [
        {
          bed: evil,
          lines: [
            { on: '2026-05-01', text: evil, pictureOf: 'a' },
            { on: '2026-05-02', text: 'b', pictureOf: 'b' },
          ],
          came: [evil],
        },
      ],
      results: null,
    };
    const page = storyPage(
      story,
      new Map([
        ['a', 'data:image/jpeg;base64,AAAA'],
        ['b', 'https://elsewhere/x.jpg'],
      ]),
    );
    expect(page).not.toContain('<script>');
    expect(page.match(/&lt;script&gt;/g)).toHaveLength(6);
    expect(page.match(/<img/g)).toHaveLength(1);
    expect(page).toContain('src="data:image/jpeg;base64,AAAA"');
    expect(page).not.toContain('elsewhere');
  });
});

describe('a story is read by another Kilim', () => {
  test('its covers come back as they were told, whatever stands in the title, and with nothing that was not chosen', () => {
    const story = ask({ bedId: bed8 });
    const evil = '</script><script>alert(1)</script>';
    const page = storyPage({ ...story, title: evil, results: { ...story.results!, title: evil } });
    expect(page.match(/<script/g)).toHaveLength(1);
    const read = readStory(page);
    expect(read).toEqual({ ok: true, value: { ...story.results, title: evil } });
    const radish = story.results!.covers.find((k) => k.parts[0]!.speciesId === 'tillage-radish')!;
    const own = c.covers.find((k) => k.bedId === bed8 && k.sownOn === radish.sownOn)!;
    expect(radish).toEqual({
      parts: own.parts,
      sownOn: own.sownOn,
      method: own.method,
      deadOn: own.endedOn,
      foretold: own.predicted && {
        low: own.predicted.dead.low,
        high: own.predicted.dead.high,
        inTime: own.predicted.inTime,
      },
    });
    expect(story.results!.latitude_deg % 5).toBe(0);
    expect(JSON.stringify(story.results)).not.toContain(c.garden.name);
  });
  test('a season without covers holds nothing to read', () => {
    const page = storyPage(storyOf({ ...c, covers: [] }, { year, bedId: null, named: false, notes: false }));
    expect(page).not.toContain('<script');
    expect(readStory(page)).toEqual({ ok: false, failure: { code: 'story-none' } });
  });
});
