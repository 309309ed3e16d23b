import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from '../../records/files/gardenFile.ts';
import { forecastInput } from '../../questions/cover.ts';
import { endedBy } from '../../questions/learn.ts';
import { methodsHere } from '../../questions/methods.ts';
import { dayOf } from '../calendar/day.ts';
import { tryEnding } from '../plan/lastWeeks.ts';
import { forecastCover } from '../forecast/forecast.ts';
import { standOf } from '../plan/standing.ts';
import { byBlows, type EndedBy, learnKills } from './kills.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const garden = read.value;
const TODAY = '2027-04-13';
const methods = methodsHere(garden.garden);
const way = (id: string) => methods.find((m) => m.id === id)!;
const ended = (method: string, killed: boolean, ago_y = 0): EndedBy =>
  ({ coverId: 'c', method: way(method), killed, ago_y }) as EndedBy;
const learnt = (book: number, ...all: EndedBy[]) => learnKills(all, () => book);
const many = (n: number, killed: boolean, ago_y = 0) =>
  Array.from({ length: n }, () => ended('cut', killed, ago_y));

describe('how often a way kills at the first go', () => {
  test('the book weighs as eight endings: four failures where it gave eight in ten come to 53 of 100', () => {
    const [lesson] = learnt(0.8, ...many(4, false));
    expect(lesson).toMatchObject({ method: 'cut', covers: 4, killed: 0, book: 0.8 });
    expect(lesson!.here).toBeCloseTo(6.4 / 12, 9);
    expect(lesson!.times).toBeCloseTo(6.4 / 5.6 / 4, 9);
  });
  test('what comes as the book has it moves nothing', () =>
    expect(learnt(0.75, ...many(3, true), ...many(1, false))[0]!.times).toBeCloseTo(1, 9));
  test('one ending is no lesson, and ways are told apart', () => {
    expect(learnt(0.8, ended('cut', false))).toEqual([]);
    const two = learnt(0.8, ended('cut', false), ended('cut', false), ended('mow', true), ended('mow', true));
    expect(two.map((l) => [l.method, l.times < 1])).toEqual([
      ['cut', true],
      ['mow', false],
    ]);
  });
  test('six years ago counts half', () => {
    const old = learnt(0.8, ...many(4, false, 6))[0]!;
    expect(old.here).toBeCloseTo(6.4 / 10, 9);
  });
  test('however many fail, the odds are never moved beyond six times, and nothing is ever sure', () => {
    expect(learnt(0.9, ...many(200, false))[0]!.times).toBeCloseTo(1 / 6, 9);
    const sure = learnt(1, ...many(50, true))[0]!;
    expect([sure.book, sure.here, sure.times]).toEqual([0.98, 0.98, 1]);
  });
  test('gardens whose blades kill less are told from those whose blades kill as the book says', () => {
    // Every third of nine comes again, and every ninth.
    const blunt = learnt(0.9, ...many(6, true), ...many(3, false))[0]!;
    const sharp = learnt(0.9, ...many(8, true), ...many(1, false))[0]!;
    expect(blunt.times).toBeLessThan(0.6);
    expect(sharp.times).toBeGreaterThan(0.85);
  });
  test('sheets, frost and trims are no blows', () =>
    expect(
      ['cut', 'crimp', 'dig', 'hens', 'sheet', 'winterkill', 'mow-keep'].map((m) => byBlows(way(m))),
    ).toEqual([true, true, true, true, false, false, false]));
});

describe('endings of a garden', () => {
  const all = endedBy(garden, TODAY, 20);
  test('are those by blows of which somebody said what came of it, as they stood on the day', () => {
    expect(all.length).toBeGreaterThan(5);
    for (const e of all) {
      const cover = garden.covers.find((c) => c.id === e.coverId)!;
      expect(cover.verdict).toBe('dead');
      expect(e.method.id).toBe(cover.method);
      expect(e.asked.today).toBe(e.startDay);
      for (const look of e.asked.looks) expect(look.day).toBeLessThanOrEqual(e.startDay);
    }
  });
  test('a cover that a sheet killed tells nothing of blows, however dead it is', () => {
    const { coverId } = all[0]!;
    const asSheet = endedBy(
      {
        ...garden,
        covers: garden.covers.map((c) => (c.id === coverId ? { ...c, method: 'sheet' } : c)),
      },
      TODAY,
      20,
    );
    expect(asSheet.map((e) => e.coverId)).toEqual(all.map((e) => e.coverId).filter((id) => id !== coverId));
  });
  test('a pass more than the way has, or green again, is no kill at the first go', () => {
    const { coverId } = all.find((e) => e.method.id === 'cut')!;
    const killedAs = (part: (c: (typeof garden.covers)[0]) => object) =>
      endedBy(
        { ...garden, covers: garden.covers.map((c) => (c.id === coverId ? { ...c, ...part(c) } : c)) },
        TODAY,
        20,
      ).find((e) => e.coverId === coverId)?.killed;
    expect(killedAs(() => ({}))).toBe(true);
    expect(killedAs(() => ({ verdict: 'regrew' }))).toBe(false);
    expect(killedAs((c) => ({ passes: [...c.passes, c.passes[0]!] }))).toBe(false);
    expect(killedAs(() => ({ verdict: null }))).toBeUndefined();
  });
});

describe('forecasts that go by it', () => {
  const cover = garden.covers.find((c) => c.sownOn && !c.verdict && c.passes.every((p) => !p.doneOn))!;
  const bed = garden.beds.find((b) => b.id === cover.bedId)!;
  const odds = (times: number | undefined) => {
    const shown = {
      on: TODAY,
      covers: 4,
      shifts: {},
      ...(times === undefined ? {} : { kills: { cut: times } }),
    };
    const own = { ...garden.garden, learnt: shown };
    const asked = forecastInput(own, bed, cover, garden.plantings, garden.looks, TODAY, 60);
    const method = asked.methods.find((m) => m.id === 'cut')!;
    return tryEnding(standOf({ ...asked, looks: [] }), method, dayOf(TODAY) + 14).odds.dead;
  };
  test('of a cover whose first cut is made, the cut that was and the cut to come kill by it too', () => {
    const green = (times: number) => {
      const own = {
        ...garden.garden,
        learnt: { on: TODAY, covers: 4, shifts: {}, kills: { 'cut-twice': times } },
      };
      const begun = {
        ...cover,
        method: 'cut-twice',
        passes: [
          { kind: 'cut', due: '2027-04-03', doneOn: '2027-04-03' },
          { kind: 'cut', due: '2027-04-24', doneOn: null },
        ],
      };
      const asked = forecastInput(own, bed, begun, garden.plantings, [], TODAY, 40);
      return forecastCover(asked).settled!.surviving;
    };
    expect(green(0.2)).toBeGreaterThan(green(1) + 0.02);
    expect(green(5)).toBeLessThan(green(1));
  });
  test('a way that fails here is given worse odds, and one of which nothing was shown the same as before', () => {
    expect(odds(1)).toBe(odds(undefined));
    expect(odds(0.2)).toBeLessThan(odds(1) - 0.02);
    expect(odds(5)).toBeGreaterThan(odds(1));
  });
});
