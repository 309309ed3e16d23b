import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Dexie from 'dexie';
import fc from 'fast-check';
import { METRIC } from '../../core/units/show.ts';
import { freshBed, freshGarden } from '../../questions/fresh.ts';
import { bringList } from '../commands/bringList.ts';
import { changeMark, orderBeds, placeBeds } from '../commands/ground.ts';
import { KilimDatabase } from '../db.ts';
import { type Hands, makeGarden } from '../verbs/verbs.ts';
import { undo } from '../write.ts';
import {
  BED_COLUMNS,
  cropOfWord,
  guessDayOrder,
  guessList,
  type List,
  type ListAsked,
  readBedList,
  readSeedList,
  SEED_COLUMNS,
} from './listIn.ts';
import { readTable } from './weatherCsv.ts';

const table = (text: string) => {
  const t = readTable(text);
  if (!t.ok) throw new Error(t.failure.code);
  return t.value;
};
function read(text: string, part: Partial<ListAsked> = {}): List {
  const t = table(text);
  return readBedList(t, {
    columns: guessList(t, BED_COLUMNS),
    order: 'dmy',
    unit: 'm',
    known: [],
    near: '2027-04-01',
    means: {},
    ...part,
  });
}

describe('columns are guessed', () => {
  test.each<[string, Record<string, number>]>([
    ['Bed,Size,Crop,Planted,Out', { bed: 0, size: 1, crop: 2, planted: 3, out: 4 }],
    [
      'Plot\tVegetable\tDate planted\tHarvested\tWidth\tLength',
      { bed: 0, crop: 1, planted: 2, out: 3, width: 4, length: 5 },
    ],
    ['name;size;block', { bed: 0, size: 1, block: 2, crop: -1 }],
  ])('%s', (headers, want) => {
    const columns = guessList(table(`${headers}\n${headers}`), BED_COLUMNS);
    expect(columns).toMatchObject(want);
  });
  test('no column is taken twice, whatever they are called', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('bed', 'name', 'crop', 'size', 'from', 'to', 'out', 'x'), {
          minLength: 2,
          maxLength: 8,
        }),
        (headers) => {
          const line = headers.join(',');
          const used = Object.values(guessList(table(`${line}\n${line}`), BED_COLUMNS)).filter((i) => i >= 0);
          expect(new Set(used).size).toBe(used.length);
        },
      ),
    );
  });
  test('order of days by what cannot be a month', () => {
    expect(guessDayOrder(['3/4/2027', '25/4/2027'])).toBe('dmy');
    expect(guessDayOrder(['3/4/2027', '4/25/2027'])).toBe('mdy');
    expect(guessDayOrder(['2027-04-25'])).toBe('ymd');
  });
});

describe('words for crops', () => {
  test.each([
    ['Tomatoes', 'tomato'],
    ['TOMATO', 'tomato'],
    ['leeks', 'leek'],
    ['garlic', 'garlic'],
    ['Skirret', undefined],
    ['b', undefined],
    ['Onion', undefined],
  ])('%s', (word, id) => expect(cropOfWord(word)).toBe(id));
});

test('a crop that goes out on the day it was planted is a slip', () =>
  expect(read('bed,size,crop,planted,out\nA,1 x 2,Leek,1.5.2026,1.5.2026').bad.map((b) => b.why)).toEqual([
    'order',
  ]));

describe('beds with their crops', () => {
  const list = read(
    'bed,size,crop,planted,out\nA,1.2 x 8,Tomato,21.5.2026,30.9.2026\nA,,Garlic,15 Oct 2026,\nB,6 m²,,,\nC,vast,Leek,1.5.2026,\nB,,Leek,1.13.2026,\nB,,Leek,1.5.2026,1.4.2026\nA,,Kale,1.8.2026,1.11.2026\n,1 x 1,,,',
  );
  test('a bed is read once, its crops on it', () => {
    expect(list.beds.map((b) => [b.name, Number(b.area_m2.toFixed(2))])).toEqual([
      ['A', 9.6],
      ['B', 6],
    ]);
    expect(list.crops.map((c) => [c.bed, c.cropId, c.plantOn, c.clearOn])).toEqual([
      ['A', 'tomato', '2026-05-21', '2026-09-30'],
      ['A', 'garlic', '2026-10-15', null],
    ]);
  });
  test('what cannot be read is named by its line and its reason, and left out', () =>
    expect(list.bad.map((b) => [b.line, b.why])).toEqual([
      [5, 'size'],
      [6, 'planted'],
      [7, 'order'],
      [8, 'overlap'],
      [9, 'bed'],
    ]));
  test('a bed of the garden needs no size; a word that is told stands for its crop, the others are kept', () => {
    const more = read('bed,crop,planted\nA,Skirret,2027-03-01\nA,Oca,2026-03-01', {
      known: ['a'],
      order: 'ymd',
      means: { Skirret: 'parsnip' },
    });
    expect(more.beds).toEqual([]);
    expect(more.crops.map((c) => [c.bed, c.cropId])).toEqual([
      ['a', 'parsnip'],
      ['a', 'oca'],
    ]);
    expect(more.unknown).toEqual(['Oca']);
  });
});

test('five hundred beds are the most at a time; the rest are named', () => {
  const rows = Array.from({ length: 503 }, (_, i) => `B${i},1 x 2`);
  const list = read(`bed,size\n${rows.join('\n')}`);
  expect(list.beds).toHaveLength(500);
  expect(list.bad.map((b) => [b.line, b.why])).toEqual([
    [502, 'many'],
    [503, 'many'],
    [504, 'many'],
  ]);
});

test('bags of seed: kind, weight in any unit, year', () => {
  const t = table(
    'kind,weight,year\nCrimson clover,250 g,2025\nHairy vetch,1/2 lb,\nMoss,1 kg,2025\nPhacelia,some,2025\nPhacelia,20 g,1066',
  );
  const list = readSeedList(t, guessList(t, SEED_COLUMNS), 'g', 2027);
  expect(list.seed).toEqual([
    { speciesId: 'crimson-clover', left_g: 250, year: 2025, label: '' },
    { speciesId: 'hairy-vetch', left_g: expect.closeTo(226.8, 1), year: 2027, label: '' },
  ]);
  expect(list.bad.map((b) => b.why)).toEqual(['kind', 'weight', 'year']);
});

describe('into the garden', () => {
  let db: KilimDatabase;
  let hands: Hands;
  let n = 0;
  beforeEach(async () => {
    db = new KilimDatabase(`list-${++n}`);
    let id = 0;
    hands = { db, now: () => '2027-04-01T08:00:00.000Z', newId: () => `id-${++id}` };
    const site = {
      latitude_deg: 47,
      coastal: false,
      tmax_c: Array(12).fill(15) as number[],
      tmin_c: Array(12).fill(5) as number[],
      rain_mm: Array(12).fill(60) as number[],
      wetShare: Array(12).fill(0.3) as number[],
      coldestNight_c: -8,
      sdCold_c: 4,
      sdWarm_c: 3,
    };
    await makeGarden(
      hands,
      freshGarden({ id: 'g', name: 'G', site, siteFrom: '', units: METRIC, tools: [], createdAt: '' }),
    );
  });
  afterEach(async () => {
    db.close();
    await Dexie.delete(db.name);
  });
  const bed = (b: List['beds'][number], order: number) =>
    freshBed({ ...b, id: `bed-${b.name}`, gardenId: 'g', order });
  const bring = (text: string, known: string[] = []) =>
    bringList(hands, 'g', read(text, { known }), bed, '2027-04-01');

  test('all in one write: what is past is done, what has no end made room for what came next; undo takes all of it', async () => {
    const done = await bring(
      'bed,size,crop,planted,out\nA,1 x 4,Lettuce,1.9.2026,\nA,,Garlic,20.9.2026,\nA,,Leek,1.8.2027,',
    );
    expect(done.ok).toBe(true);
    const stand = (await db.plantings.toArray()).sort((a, b) => a.plantOn.localeCompare(b.plantOn));
    expect(stand.map((p) => [p.cropId, p.plantedOn, p.clearOn, p.clearedOn])).toEqual([
      ['lettuce', '2026-09-01', '2026-09-20', '2026-09-20'],
      ['garlic', '2026-09-20', expect.stringMatching(/^2027-0[5-7]/), null],
      ['leek', null, expect.any(String), null],
    ]);
    await undo(db, 'g');
    expect(await db.beds.count()).toBe(0);
    expect(await db.plantings.count()).toBe(0);
  });
  test('the same list twice adds nothing; a crop where another stands is refused and nothing is written', async () => {
    const text = 'bed,size,crop,planted,out\nA,1 x 4,Leek,1.5.2026,1.12.2026';
    await bring(text);
    expect((await bring(text, ['A'])).ok).toBe(true);
    expect(await db.plantings.count()).toBe(1);
    const refused = await bring(
      'bed,size,crop,planted,out\nB,1 x 4,Kale,1.5.2026,1.6.2026\nA,,Kale,1.6.2026,1.9.2026',
      ['A'],
    );
    expect(refused).toMatchObject({ ok: false, failure: { code: 'crops-overlap' } });
    expect(await db.beds.count()).toBe(1);
  });
  test('beds are placed and ordered by their ids; what is gone is refused', async () => {
    await bring('bed,size\nA,1 x 4\nB,1 x 4\nC,1 x 4');
    const at = { x_m: 3, y_m: 4, turn_deg: 45 };
    expect((await placeBeds(hands, 'g', [{ id: 'bed-A', patch: { at } }], 'bed A')).ok).toBe(true);
    expect((await db.beds.get('bed-A'))!.at).toEqual(at);
    expect(
      await placeBeds(
        hands,
        'g',
        [
          { id: 'bed-B', patch: { at } },
          { id: 'no', patch: { at } },
        ],
        'x',
      ),
    ).toMatchObject({
      ok: false,
      failure: { code: 'bed-gone' },
    });
    expect((await db.beds.get('bed-B'))!.at).toBeNull();
    await orderBeds(hands, 'g', ['bed-C', 'bed-A']);
    const order = (await db.beds.toArray()).sort((a, b) => a.order - b.order).map((b) => b.name);
    expect(order).toEqual(['C', 'A', 'B']);
  });
  test('what stands beside the beds is put, changed and taken off; two at once both stay', async () => {
    const mark = {
      id: 'm',
      kind: 'tree' as const,
      name: 'Pear',
      x_m: 1,
      y_m: 1,
      width_m: 3,
      length_m: 3,
      turn_deg: 0,
      round: true,
      height_m: 4,
    };
    await Promise.all([
      changeMark(hands, 'g', 'm', mark, 'pear'),
      changeMark(hands, 'g', 'n', { ...mark, id: 'n', name: 'Plum' }, 'plum'),
    ]);
    await changeMark(hands, 'g', 'm', { height_m: 5 }, 'pear');
    await changeMark(hands, 'g', 'n', null, 'plum');
    expect((await db.gardens.get('g'))!.marks.map((m) => [m.name, m.height_m])).toEqual([['Pear', 5]]);
  });
});
