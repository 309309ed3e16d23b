import { logLook } from './commands/seed.ts';
import { kitOf } from './things.ts';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { bedsFromGeoJson } from './files/bedsFile.ts';
import { jobsCalendar } from './files/calendar.ts';
import { bringBack, readGardenFile, writeGardenFile } from './files/gardenFile.ts';
import { journalCsv } from './files/journalCsv.ts';
import { guessColumns, readDays, readTable } from './files/weatherCsv.ts';
import { KilimDatabase } from './db.ts';
import {
  type Hands,
  putCover,
  readGarden,
  readKept,
  putCoverOnBlock,
  saveBeds,
  saveCover,
  saveGarden,
  savePlanting,
  wipeGarden,
} from './verbs/verbs.ts';
import { logSowing, logSowings, saveWalk, tickStep } from './verbs/seed.ts';
import { type Cover } from './types.ts';
import { redo, storageFailure, undo } from './write.ts';

const file = (name: string) =>
  readFileSync(new URL(`../../demo/${name}.kilim.json`, import.meta.url), 'utf8');
let n = 0;
let db: KilimDatabase;
let hands: Hands;

beforeEach(async () => {
  db = new KilimDatabase(`test-${++n}`);
  let id = 0;
  hands = { db, now: () => '2027-04-13T08:00:00.000Z', newId: () => `id-${++id}` };
});
afterEach(async () => {
  db.close();
  await Dexie.delete(db.name);
});

async function demo(name = 'north-shore') {
  const read = readGardenFile(file(name));
  if (!read.ok) throw new Error(JSON.stringify(read.failure));
  await bringBack(db, read.value);
  return read.value;
}

describe('garden file', () => {
  test.each(['north-shore', 'two-gums'])('%s goes out, is wiped, and comes back identical', async (name) => {
    const contents = await demo(name);
    const out = writeGardenFile((await readKept(db, contents.garden.id))!);
    await wipeGarden(hands, contents.garden.id);
    expect(await readGarden(db, contents.garden.id)).toBeUndefined();
    const again = readGardenFile(out);
    if (!again.ok) throw new Error(again.failure.code);
    await bringBack(db, again.value);
    expect(writeGardenFile((await readKept(db, contents.garden.id))!)).toBe(out);
  });
  test.each([
    ['not json', 'file-not-json'],
    ['[]', 'file-not-garden'],
    ['{"kilim":"garden","version":99}', 'file-newer'],
    ['{"kilim":"garden","version":1,"garden":{}}', 'file-invalid'],
  ])('%s is refused as %s', (text, code) => {
    expect(readGardenFile(text)).toMatchObject({ ok: false, failure: { code } });
  });
  test('a hostile or broken file names the place and touches nothing', async () => {
    const contents = await demo();
    const before = await readGarden(db, contents.garden.id);
    const broken = JSON.parse(file('north-shore'));
    broken.beds[3].area_m2 = -4;
    expect(readGardenFile(JSON.stringify(broken))).toMatchObject({
      ok: false,
      failure: { code: 'file-invalid', where: 'beds › 3 › area_m2' },
    });
    const lost = JSON.parse(file('north-shore'));
    lost.covers[0].bedId = 'elsewhere';
    expect(readGardenFile(JSON.stringify(lost))).toMatchObject({
      ok: false,
      failure: { code: 'file-broken-link' },
    });
    expect(await readGarden(db, contents.garden.id)).toEqual(before);
  });
});

describe('verbs', () => {
  test('undo and redo take writes back and forth, across a closed and reopened database', async () => {
    const { garden, beds } = await demo();
    await saveGarden(hands, { ...garden, name: 'Renamed' });
    await saveBeds(hands, [{ ...beds[0]!, note: 'stony' }]);
    db.close();
    db = new KilimDatabase(db.name);
    expect((await undo(db, garden.id)).ok).toBe(true);
    expect((await db.beds.get(beds[0]!.id))!.note).toBe('');
    expect((await undo(db, garden.id)).ok).toBe(true);
    expect((await db.gardens.get(garden.id))!.name).toBe('North Shore');
    expect(await undo(db, garden.id)).toMatchObject({ ok: false, failure: { code: 'nothing-to-undo' } });
    expect((await redo(db, garden.id)).ok).toBe(true);
    expect((await db.gardens.get(garden.id))!.name).toBe('Renamed');
  });
  test('undo tells what it takes back: one bed by its name, several by their number', async () => {
    const some = (await demo()).beds.slice(0, 2);
    for (const [beds, label] of [
      [some.slice(0, 1), `bed ${some[0]!.name}`],
      [some, '2 beds'],
    ] as const) {
      await saveBeds(
        hands,
        beds.map((b) => ({ ...b, note: `${b.note} ${label}` })),
      );
      const back = await undo(db, some[0]!.gardenId);
      expect(back.ok && back.value.label).toBe(label);
    }
  });
  test('a cover is put on all beds of a block or on none', async () => {
    const { covers, beds, garden } = await demo();
    const planned = {
      ...covers.find((c) => c.sownOn)!,
      sowOn: '2030-09-01',
      sownOn: null,
      passes: [],
      waterings: [],
      walk: null,
      verdict: null,
      endedOn: null,
      nextPlantingId: null,
      plantBackOn: '2031-05-01',
    };
    const part = (k: number, more = {}) => ({
      cover: { ...planned, id: `block-${k}`, bedId: beds[k]!.id, ...more },
      plantings: [],
    });
    const there = async () =>
      (await db.covers.toArray()).filter((c) => c.id.startsWith('block-')).map((c) => c.bedId);
    const late = { passes: [{ kind: 'cut', due: '2031-04-01', doneOn: '2027-04-01' }] };
    expect((await putCoverOnBlock(hands, [part(0), part(1, late)])).ok).toBe(false);
    expect(await there()).toEqual([]);
    const put = await putCoverOnBlock(hands, [part(0), part(1), part(2)]);
    expect(put.ok && put.value.label).toMatch(/ on 3 beds$/);
    expect(await there()).toEqual(beds.slice(0, 3).map((b) => b.id));
    await undo(db, garden.id);
    expect(await there()).toEqual([]);
  });
  test('overlapping crops, dates out of order and impossible sizes are refused and change nothing', async () => {
    const { plantings, covers, beds, garden } = await demo();
    const before = await readGarden(db, garden.id);
    const p = plantings.find((x) => x.plantedOn && x.clearedOn)!;
    expect(await savePlanting(hands, { ...p, id: 'new' })).toMatchObject({
      ok: false,
      failure: { code: 'crops-overlap' },
    });
    expect(await savePlanting(hands, { ...p, clearedOn: '2020-01-01' })).toMatchObject({
      ok: false,
      failure: { code: 'dates-out-of-order' },
    });
    expect(await putCover(hands, { ...covers[0]!, id: 'new' })).toMatchObject({
      ok: false,
      failure: { code: 'covers-overlap' },
    });
    const ended = covers.find((c) => c.verdict === 'dead')!;
    expect(await saveCover(hands, { ...ended, sownOn: ended.endedOn }, 'x', 'x')).toMatchObject({
      ok: false,
      failure: { code: 'dates-out-of-order' },
    });
    // Steps are told by their place, the earlier first.
    const steps = ['2027-05-01', '2027-05-09', '2027-05-04'].map((on) => ({
      kind: 'cut',
      due: on,
      doneOn: on,
    }));
    const standing = covers.find((c) => c.sownOn && c.verdict === null)!;
    expect(await saveCover(hands, { ...standing, passes: steps } as Cover, 'x', 'x')).toMatchObject({
      failure: {
        code: 'dates-out-of-order',
        where: expect.stringMatching(/step 2.*step 3/),
        facts: { first: '2027-05-09', second: '2027-05-04' },
      },
    });
    expect(await saveBeds(hands, [{ ...beds[0]!, area_m2: -1 }])).toMatchObject({
      ok: false,
      failure: { code: 'record-invalid' },
    });
    expect(await readGarden(db, garden.id)).toEqual(before);
  });
  test('a cover goes in on the day the one before it is ended, and not a day sooner', async () => {
    const { covers } = await demo();
    const ended = covers.find(
      (c) => c.verdict === 'dead' && c.passes.every((p) => p.kind.startsWith('check')),
    )!;
    const after = (sowOn: string) =>
      putCover(hands, {
        ...ended,
        id: `after ${sowOn}`,
        sowOn,
        sownOn: null,
        endedOn: null,
        verdict: null,
        passes: [{ kind: 'cut', due: '2029-05-01', doneOn: null }],
        plantBackOn: '2029-06-01',
        nextPlantingId: null,
      });
    const dayBefore = new Date(Date.parse(ended.endedOn!) - 86_400_000).toISOString().slice(0, 10);
    expect(await after(dayBefore)).toMatchObject({ failure: { code: 'covers-overlap' } });
    for (const c of covers.filter((k) => k.bedId === ended.bedId && k.id !== ended.id))
      await db.covers.delete(c.id);
    expect(await after(ended.endedOn!)).toMatchObject({ ok: true });
  });
  test('a crop that is moved with a cover is held against the others as it will be, not as it was', async () => {
    const { plantings, covers, beds } = await demo();
    const bedId = beds[0]!.id;
    for (const p of plantings.filter((x) => x.bedId === bedId)) await db.plantings.delete(p.id);
    for (const c of covers.filter((x) => x.bedId === bedId)) await db.covers.delete(c.id);
    const crop = (id: string, plantOn: string, clearOn: string) => ({
      ...plantings[0]!,
      id,
      bedId,
      plantOn,
      clearOn,
      plantedOn: null,
      clearedOn: null,
    });
    await savePlanting(hands, crop('was', '2030-05-01', '2030-07-01'));
    await savePlanting(hands, crop('stays', '2030-10-01', '2030-11-01'));
    const cover = {
      ...covers[0]!,
      id: 'fresh',
      bedId,
      sowOn: '2030-01-10',
      sownOn: null,
      endedOn: null,
      verdict: null,
      passes: [],
      plantBackOn: '2030-04-01',
      nextPlantingId: null,
    };
    const moved = crop('was', '2030-07-05', '2030-09-01');
    expect(await putCover(hands, cover, [moved, crop('new', '2030-05-01', '2030-07-01')])).toMatchObject({
      ok: true,
    });
    // One that stays where it is still stands in the way.
    expect(
      await putCover(hands, { ...cover, note: 'again' }, [moved, crop('new', '2030-10-05', '2030-12-01')]),
    ).toMatchObject({ failure: { code: 'crops-overlap' } });
  });
  test('a look needs a sown cover and something seen', async () => {
    const { looks } = await demo();
    const look = looks[0]!;
    expect(await logLook(hands, { ...look, on: '2020-01-01' })).toMatchObject({
      failure: { code: 'look-before-sowing' },
    });
    const blank = {
      ...look,
      emergence: null,
      cover: null,
      height_m: null,
      stage: null,
      weeds: null,
      note: ' ',
    };
    expect(await logLook(hands, blank)).toMatchObject({ failure: { code: 'look-empty' } });
  });
  test('a write that fails midway leaves neither half nor log', async () => {
    const { garden, beds } = await demo();
    const before = await readGarden(db, garden.id);
    const add = db.log.add.bind(db.log);
    db.log.add = (() => Promise.reject(new DOMException('no room', 'QuotaExceededError'))) as never;
    expect(await saveBeds(hands, [{ ...beds[0]!, note: 'lost?' }])).toMatchObject({
      ok: false,
      failure: { code: 'storage-full' },
    });
    db.log.add = add;
    expect(await readGarden(db, garden.id)).toEqual(before);
    expect(await db.log.count()).toBe(0);
  });
  test('each storage fault has its own name', async () => {
    const named = (name: string) => storageFailure(Object.assign(new Error('x'), { name }));
    expect(
      ['QuotaExceededError', 'DatabaseClosedError', 'AbortError', 'VersionError', 'VersionChange', 'Odd'].map(
        (n) => {
          const f = named(n);
          return !f.ok && f.failure.code;
        },
      ),
    ).toEqual([
      'storage-full',
      'storage-closed',
      'storage-closed',
      'storage-outdated',
      'storage-blocked',
      'storage-failed',
    ]);
    const { beds } = await demo();
    db.close();
    expect(await saveBeds(hands, [beds[0]!])).toMatchObject({
      ok: false,
      failure: { code: 'storage-closed' },
    });
  });
  test('the first schema, frozen, opens with today’s code', async () => {
    const v1 = JSON.parse(readFileSync(new URL('./fixtures/v1.json', import.meta.url), 'utf8')) as {
      stores: Record<string, string>;
      rows: Record<string, object[]>;
    };
    const old = new Dexie('frozen-v1');
    old.version(1).stores(v1.stores);
    await old.open();
    for (const [table, rows] of Object.entries(v1.rows)) await old.table(table).bulkAdd(rows);
    old.close();
    const now = new KilimDatabase('frozen-v1');
    const garden = await readGarden(now, 'g1');
    expect(garden?.beds).toHaveLength(1);
    // What nobody was asked about then is what holds of most.
    expect(garden!.beds[0]).toMatchObject({
      edged: false,
      keptPlants: false,
      shade: 'open',
      troubles: [],
      obstacles: [],
      surface: 'clean',
    });
    expect(garden!.garden.rules).toMatchObject({ noPlastic: false, noAnimals: false, noFire: false });
    for (const c of garden!.covers)
      expect(c).toMatchObject({ rateTimes: 1, weeksLate: 0, strips: null, eaten: false, walk: null });
    expect(readGardenFile(writeGardenFile({ ...garden!, stamps: [] })).ok).toBe(true);
    now.close();
    await Dexie.delete('frozen-v1');
  });
  test('a garden file of form 2, frozen, comes forward with empty shelf, obstacles and walks', () => {
    const read = readGardenFile(readFileSync(new URL('./fixtures/v2.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(`${read.failure.code} ${read.failure.where}`);
    expect(read.value).toMatchObject({ lots: [], recipes: [], garden: { packs: {}, watering: null } });
    expect(read.value.beds.every((b) => b.obstacles.length === 0 && b.surface === 'clean')).toBe(true);
    expect(read.value.covers.every((c) => c.walk === null && c.seed.every((s) => s.lotId === null))).toBe(
      true,
    );
  });
});

describe('forms', () => {
  test('a garden file of form 3, frozen, comes forward with no hard seed and its shelf as it was', () => {
    const read = readGardenFile(readFileSync(new URL('./fixtures/v3.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(`${read.failure.code} ${read.failure.where}`);
    expect(read.value.covers.length).toBeGreaterThan(0);
    expect(read.value.covers.every((c) => c.seed.every((s) => s.hard === 0))).toBe(true);
    expect(read.value.lots).toMatchObject([{ label: 'tin', left_g: 240, test: { sprouted: 38 } }]);
  });
});

describe('form 5', () => {
  test('a garden file of form 4, frozen, comes forward with nothing predicted, no former plans, and looks of its lead alone', () => {
    const text = readFileSync(new URL('./fixtures/v4.json', import.meta.url), 'utf8');
    expect(JSON.parse(text)).toMatchObject({ version: 4 });
    const read = readGardenFile(text);
    if (!read.ok) throw new Error(`${read.failure.code} ${read.failure.where}`);
    expect(read.value.covers.length).toBeGreaterThan(0);
    expect(read.value.covers.every((c) => c.predicted === null && c.formerPlans.length === 0)).toBe(true);
    expect(read.value.looks.length).toBeGreaterThan(0);
    expect(read.value.looks.every((l) => l.crowns === null && l.members.length === 0)).toBe(true);
  });
});

describe('seed', () => {
  const sown = (cover: Cover, used_g: number) => ({
    on: '2027-04-13',
    seed: cover.seed.map((s) => ({ ...s, used_g, lotId: 'north-shore-lot-1' })),
  });
  const left = async () => (await db.lots.get('north-shore-lot-1'))!.left_g;

  test('a sowing takes its seed from the lot, a correction only the difference, undo gives it back', async () => {
    await demo();
    const cover = (await db.covers.get('north-shore-cover-10-2027-04'))!;
    expect(await logSowing(hands, cover, sown(cover, 14), '10')).toMatchObject({ ok: true });
    expect(await left()).toBe(46);
    await logSowing(hands, cover, sown(cover, 16.5), '10');
    expect(await left()).toBe(43.5);
    await undo(db, 'north-shore');
    expect(await left()).toBe(46);
    await undo(db, 'north-shore');
    expect([await left(), (await db.covers.get(cover.id))!.sownOn]).toEqual([60, null]);
  });
  test('a crop that went out for the sowing is cleared in the same write, and stands again with its undo', async () => {
    const { plantings } = await demo();
    const cover = (await db.covers.get('north-shore-cover-10-2027-04'))!;
    const crop = { ...plantings.find((p) => p.plantedOn && !p.clearedOn)! };
    expect(await logSowing(hands, cover, sown(cover, 14), '10', crop)).toMatchObject({ ok: true });
    expect((await db.plantings.get(crop.id))!.clearedOn).toBe('2027-04-13');
    await undo(db, 'north-shore');
    expect((await db.plantings.get(crop.id))!.clearedOn).toBeNull();
    expect((await db.covers.get(cover.id))!.sownOn).toBeNull();
  });
  test('all that a lot holds can be sown, to the hundredth that a scale rounds by, and leaves nothing', async () => {
    await demo();
    const cover = (await db.covers.get('north-shore-cover-10-2027-04'))!;
    expect(await logSowing(hands, cover, sown(cover, 60.04), '10')).toMatchObject({ ok: true });
    expect(await left()).toBe(0);
    await undo(db, 'north-shore');
    expect(await logSowing(hands, cover, sown(cover, 60.2), '10')).toMatchObject({ ok: false });
    expect(await left()).toBe(60);
  });
  test('more than the lot holds is refused and nothing is touched', async () => {
    await demo();
    const cover = (await db.covers.get('north-shore-cover-10-2027-04'))!;
    expect(await logSowing(hands, cover, sown(cover, 75), '10')).toMatchObject({
      ok: false,
      failure: { code: 'lot-short', where: 'Blue tin', facts: { left_g: 60, used_g: 75 } },
    });
    expect([await left(), (await db.covers.get(cover.id))!.sownOn]).toEqual([60, null]);
  });
  test('each step of a sowing is a write of its own; a wiped garden leaves no half-typed text behind', async () => {
    await demo();
    const cover = (await db.covers.get('north-shore-cover-10-2027-04'))!;
    const walk = {
      prepared: ['raked clear'],
      portionsDone: 1,
      frame_m2: 0.04,
      counts: [],
      stopped: null,
      watered_mm: 0,
    };
    // Both at once, as quick thumbs do: neither step overwrites the other.
    const { prepared, portionsDone } = walk;
    await Promise.all([
      saveWalk(hands, cover.id, { prepared }, 'a tick'),
      saveWalk(hands, cover.id, { portionsDone }, 'portion 1'),
    ]);
    await saveWalk(hands, cover.id, { counts: [{ portions: 1, seeds: 7 }] }, 'a count');
    await undo(db, 'north-shore');
    expect((await db.covers.get(cover.id))!.walk).toEqual(walk);
    // Two ticks within a moment both stay, one taken away among them.
    const tick = (step: string, done = true) => tickStep(hands, cover.id, step, done, 'a tick');
    await Promise.all([tick('raked loosen'), tick('raked cover'), tick('raked clear', false)]);
    expect((await db.covers.get(cover.id))!.walk!.prepared).toEqual(['raked loosen', 'raked cover']);
    await tick('raked loosen');
    expect((await db.covers.get(cover.id))!.walk!.prepared.toSorted()).toEqual([
      'raked cover',
      'raked loosen',
    ]);
    await db.drafts.bulkPut([
      { id: `sown ${cover.id}`, text: '{}' },
      { id: 'forecast north-shore', text: '{}' },
      { id: 'count of-another-garden', text: '""' },
    ]);
    await wipeGarden(hands, 'north-shore');
    expect((await db.drafts.toArray()).map((d) => d.id)).toEqual(['count of-another-garden']);
  });
});

describe('files of others', () => {
  test('a station file in °F and inches with other headers and order is understood, bad rows are listed', () => {
    const table = readTable(
      'Station,PRCP (in),Date,High (F),Low (F)\nX,0.5,07/15/2024,86,59\nX,,07/16/2024,88,\nX,0,13/45/2024,80,60\nX,0,07/15/2024,80,60\n',
    );
    if (!table.ok) throw new Error(table.failure.code);
    const read = readDays(table.value, guessColumns(table.value));
    if (!read.ok) throw new Error(read.failure.code);
    expect(read.value.days).toHaveLength(1);
    expect(read.value.days[0]).toMatchObject({ tmin_c: 15, tmax_c: 30, rain_mm: 12.7 });
    expect(read.value.bad.map((b) => [b.line, b.why])).toEqual([
      [3, 'temperature'],
      [4, 'date'],
      [5, 'twice'],
    ]);
  });
  test('beds come from GeoJSON, all or none', () => {
    const square = (d: number) => [
      [0, 50],
      [d, 50],
      [d, 50 + d],
      [0, 50 + d],
      [0, 50],
    ];
    const geo = (ring: unknown) =>
      JSON.stringify({
        type: 'FeatureCollection',
        features: [
          { type: 'Feature', properties: { name: 'G' }, geometry: { type: 'Polygon', coordinates: [ring] } },
        ],
      });
    const beds = bedsFromGeoJson(geo(square(0.0001)));
    expect(beds.ok && beds.value[0]!.area_m2).toBeCloseTo(79.6, 0);
    expect(bedsFromGeoJson(geo([[0, 0]]))).toMatchObject({ failure: { code: 'geojson-shape' } });
  });
  test('jobs keep their identity in the calendar and formulas are defused in the journal', () => {
    const calendar = jobsCalendar(
      'Here',
      [{ id: 'c1:sow', on: '2027-04-16', title: 'Sow bed 10', detail: 'phacelia' }],
      '2027-04-13T08:00:00Z',
    );
    expect(calendar).toContain('UID:c1:sow');
    expect(calendar).toContain('DTSTART;VALUE=DATE:20270416');
    expect(journalCsv([{ date: '2027-04-13', bed: '1', what: 'Note', detail: '=1+1' }])).toContain("'=1+1");
  });
});

describe('form 7', () => {
  test('a garden file of form 6, frozen, comes forward with one thing of a usual size for each tick that has a size, not asked about yet', () => {
    const text = readFileSync(new URL('./fixtures/v6.json', import.meta.url), 'utf8');
    expect(JSON.parse(text)).toMatchObject({ version: 6 });
    const read = readGardenFile(text);
    if (!read.ok) throw new Error(`${read.failure.code} ${read.failure.where}`);
    const { garden, beds, covers } = read.value;
    expect(garden.kit).toEqual(['shears', 'rake', 'scale', 'hose', 'spade']);
    expect(garden.things).toEqual([
      {
        id: 'opaque-sheet',
        name: 'Sheet',
        of: 'opaque-sheet',
        width_m: 4,
        length_m: 10,
        sort: 'film',
        grade: 'sound',
        since: null,
        borrowed: false,
        asked: false,
      },
    ]);
    expect(kitOf(garden).sort()).toEqual((JSON.parse(text) as typeof read.value).garden.kit.sort());
    expect(garden.people).toMatchObject([{ id: 'you', mass_kg: 75 }]);
    expect(beds.every((b) => Object.keys(b.choices).length === 0)).toBe(true);
    expect(covers.every((c) => c.thingIds.length === 0)).toBe(true);
  });
});

describe('form 6', () => {
  test('a garden file of form 5, frozen, comes forward with beds of no known place and no history', () => {
    const text = readFileSync(new URL('./fixtures/v5.json', import.meta.url), 'utf8');
    expect(JSON.parse(text)).toMatchObject({ version: 5 });
    const read = readGardenFile(text);
    if (!read.ok) throw new Error(`${read.failure.code} ${read.failure.where}`);
    expect(read.value.beds.length).toBeGreaterThan(0);
    expect(read.value.beds.every((b) => b.place === null)).toBe(true);
    expect(read.value.stamps).toEqual([]);
    expect(read.value.garden.rules.filmCap_d).toBe(14);
    expect(read.value.covers.some((c) => c.predicted !== null)).toBe(true);
  });
  test('every write says who and when, field by field; a second device keeps the words of the first', async () => {
    const { garden, beds } = await demo('two-gums');
    hands.device = 'phone';
    await saveBeds(hands, [{ ...beds[0]!, note: 'stony' }]);
    hands.device = 'laptop';
    await saveBeds(hands, [{ ...beds[0]!, note: 'stony', shade: 'part' }]);
    const { stamps } = (await readKept(db, garden.id))!;
    const at = hands.now();
    expect(stamps).toEqual([
      {
        id: `beds ${beds[0]!.id}`,
        gardenId: garden.id,
        fields: { note: { at, by: 'phone' }, shade: { at, by: 'laptop' } },
        gone: null,
      },
    ]);
  });
});

describe('a day of sowing', () => {
  test('all beds in one write, one lot less by all of them; too little for the last writes nothing', async () => {
    const base = await demo();
    const planned = base.covers.filter((c) => !c.sownOn).slice(0, 2);
    const lot = {
      id: 'lot',
      gardenId: planned[0]!.gardenId,
      speciesId: planned[0]!.parts[0]!.speciesId,
      label: 'Bag',
      year: 2026,
      left_g: 100,
      treated: false,
      purity: 0.98,
      coating: 0,
      test: null,
      free: false,
    };
    await db.lots.put(lot);
    const sowing = (i: number, used_g: number) => ({
      coverId: planned[i]!.id,
      seed: planned[i]!.seed.map((s, k) => ({ ...s, used_g, lotId: k === 0 ? 'lot' : null })),
    });
    const short = await logSowings(hands, lot.gardenId, planned[0]!.sowOn, [sowing(0, 60), sowing(1, 60)]);
    expect(short).toMatchObject({ ok: false, failure: { code: 'lot-short', facts: { used_g: 120 } } });
    expect((await db.covers.get(planned[0]!.id))!.sownOn).toBeNull();
    const on = planned.map((p) => p.sowOn).sort()[0]!;
    const done = await logSowings(hands, lot.gardenId, on, [sowing(0, 60), sowing(1, 30)]);
    expect(done.ok).toBe(true);
    expect((await db.lots.get('lot'))!.left_g).toBe(10);
    expect((await db.covers.get(planned[1]!.id))!.sownOn).toBe(on);
    await undo(db, lot.gardenId);
    expect((await db.lots.get('lot'))!.left_g).toBe(100);
    expect((await db.covers.get(planned[0]!.id))!.sownOn).toBeNull();
  });
});
