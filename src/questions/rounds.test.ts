import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { BLANK_LOOK } from '../records/verbs/verbs.ts';
import { kindsSeen, roundCovers, walkFrom, wayToday } from './rounds.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;
const TODAY = c.garden.seasonClock!;
const soil = (bedId: string, on: string) => ({
  ...c.looks[0]!,
  id: `soil ${bedId}`,
  bedId,
  on,
  soil: { depth_cm: 20, worms: 3, crumb: 'crumbs' as const, smell: 'sweet' as const },
});

describe('the covers of a walk', () => {
  test('are those that stand: sown, not planted over, not past their planting day', () => {
    const covers = roundCovers(c, TODAY);
    expect(covers.length).toBeGreaterThan(5);
    for (const { id, sownDay, asked } of covers) {
      const cover = c.covers.find((k) => k.id === id)!;
      expect(cover.sownOn! <= TODAY).toBe(true);
      expect(sownDay).toBe(asked.sowDay);
      expect(c.plantings.some((p) => p.id === cover.nextPlantingId && p.plantedOn)).toBe(false);
    }
    expect(roundCovers(c, '2024-01-01')).toEqual([]);
  });
  test('go block by block, a block as early as its first bed, and within it as the beds are numbered', () => {
    const [a, b, d, e] = roundCovers(c, TODAY).map((k) => k.bedId) as [string, string, string, string];
    const place: Record<string, [block: string, order: number]> = {
      // The far block holds the first bed of all and a late one.
      [a]: ['near', 5],
      [b]: ['far', 9],
      [d]: ['far', 1],
      [e]: ['near', 4],
    };
    const beds = c.beds
      .filter((x) => place[x.id])
      .map((x) => ({ ...x, block: place[x.id]![0], order: place[x.id]![1] }));
    expect(roundCovers({ ...c, beds }, TODAY).map((k) => k.bedId)).toEqual([d, b, e, a]);
  });
  test('the one spadeful of a walk is for the bed that has waited longest, one never dug before all others', () => {
    const dug = (looks: typeof c.looks) =>
      roundCovers({ ...c, looks: [...c.looks, ...looks] }, TODAY).filter((k) => k.spade);
    const all = roundCovers(c, TODAY).map((k) => k.bedId);
    expect(dug([])).toHaveLength(1);
    const looks = all.map((bed, i) => soil(bed, `2026-${String(12 - (i % 6)).padStart(2, '0')}-10`));
    const oldest = looks.reduce((a, b) => (b.on < a.on ? b : a));
    expect(dug(looks).map((k) => k.bedId)).toEqual([oldest.bedId]);
    expect(dug(looks.slice(0, -1)).map((k) => k.bedId)).toEqual([all.at(-1)]);
  });
});

describe('the way of today', () => {
  const beds = ['1', '6', '7', '12'].map((name) => c.beds.find((b) => b.name === name)!.id);
  const due = beds.map((bedId) => ({ bedId, question: { kind: 'cover' as const, minutes: 2 } }));
  const weather = (days: [string, number, number][]) => [
    {
      ...c.weather[0]!,
      year: 2027,
      days: days.map(([on, tmin_c, rain_mm]) => ({ on, tmin_c, tmax_c: 12, rain_mm })),
    },
  ];
  test('begins at the shed, or at the water where there is none, and passes each bed once', () => {
    const shed = c.garden.marks.find((m) => m.kind === 'shed')!;
    expect(walkFrom(c.garden)).toEqual([shed.x_m, shed.y_m]);
    const marks = c.garden.marks.filter((m) => m.kind !== 'shed');
    const tap = marks.find((m) => m.kind === 'water')!;
    expect(walkFrom({ marks })).toEqual([tap.x_m, tap.y_m]);
    expect(walkFrom({ marks: [] })).toBeUndefined();
    const way = wayToday(due, c, TODAY);
    expect(way.order.map((s) => s.bedId).sort()).toEqual([...beds].sort());
    expect(way.length_m).toBeGreaterThan(10);
    expect(way.length_m).toBeLessThan(60);
  });
  test('weather is that of the day itself and of the next, not of the one before', () => {
    const said = (days: [string, number, number][]) =>
      wayToday(due, { ...c, weather: weather(days) }, '2027-04-13').notes;
    expect(said([['2027-04-12', 5, 30]])).toEqual([]);
    expect(said([['2027-04-13', 5, 3]])).toEqual([{ is: 'wet', mm: 3 }]);
    expect(said([['2027-04-14', 5, 8]])).toEqual([{ is: 'rain-ahead', mm: 8 }]);
    expect(said([['2027-04-15', 5, 8]])).toEqual([]);
  });
  test('light is that of the season here', () => {
    const winter = wayToday(due, { ...c, weather: [] }, '2026-12-21').notes;
    expect(winter).toEqual([{ is: 'short-day', light_h: expect.any(Number) }]);
    expect(wayToday(due, { ...c, weather: [] }, '2027-06-21').notes).toEqual([]);
  });
});

describe('what a look has seen', () => {
  const look = (part: Partial<(typeof c.looks)[number]>) =>
    kindsSeen({
      ...c.looks[0]!,
      ...BLANK_LOOK,
      members: [],
      ...part,
    });
  test('nothing but what was said, each as the kind of question that it answers', () => {
    const member = { speciesId: 'cereal-rye', stage: null, alive: null, count: null };
    expect(look({})).toEqual([]);
    expect(look({ cover: 0 })).toEqual(['cover']);
    expect(look({ height_m: 0 })).toEqual(['height']);
    expect(look({ alive: 0 })).toEqual(['alive']);
    expect(look({ weeds: 'few' })).toEqual(['weeds']);
    expect(look({ stage: 'bud' })).toEqual(['stage', 'seed']);
    expect(look({ members: [{ ...member, stage: 'bud' }] })).toEqual(['stage', 'seed']);
    expect(look({ members: [{ ...member, alive: 0.5 }] })).toEqual(['alive']);
    expect(look({ members: [{ ...member, count: { plants: 9, area_m2: 0.25 } }] })).toEqual([
      'emergence',
      'frame',
    ]);
    expect(look({ crowns: { green: 0, of: 10 } })).toEqual(['crowns', 'peek']);
    expect(look({ emergence: 'some', cover: 0.2 })).toEqual(['cover', 'emergence']);
  });
});
