import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf } from '../core/calendar/day.ts';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { type Sample } from '../core/choose/sample.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { schemas } from '../records/types.ts';
import { coverOf, firstOf, onBed } from './draft.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const { garden, beds, plantings } = read.value;
const bed = beds[0]!;
const spread = (mid: number) => ({ low: mid, mid, high: mid + 4 });
const ending = (method: string, start: string, dead: string): EndingAnswer =>
  ({
    method,
    startDay: dayOf(start),
    windowDays: [dayOf(start), dayOf(start)],
    odds: { inTime: 0.8, warm: 0.7, dead: 0.9, noSeed: 1 },
    dead: spread(dayOf(dead)),
    ready: spread(dayOf(dead) + 6),
    plantable: spread(dayOf(dead) + 9),
    readyMostly: dayOf(dead) + 8,
    nitrogen_g_m2: spread(5),
    residue_g_m2: spread(300),
    dryMatter_g_m2: spread(450),
    weedsHeld: spread(0.8),
    held: spread(0.7),
    flowerDays: spread(3),
    bareDays: spread(10),
    stageAtStart: 3,
  }) as unknown as EndingAnswer;
const sample = (more: Partial<Sample> = {}): Sample =>
  ({
    id: 'rye-vetch',
    name: 'Rye and vetch',
    from: undefined,
    parts: [
      { speciesId: 'cereal-rye', share: 0.6 },
      { speciesId: 'hairy-vetch', share: 0.4 },
    ],
    rateTimes: 1.25,
    sowDay: dayOf('2027-09-12'),
    seed_g_m2: [8, 3],
    first: undefined,
    usualRate_g_m2: undefined,
    best: ending('cut-twice', '2028-05-08', '2028-05-20'),
    stand: { closed: spread(dayOf('2027-11-01')), stages: [] },
    ...more,
  }) as unknown as Sample;
const form = { wayId: 'raked', plantOn: '2028-06-05' };
const aims = [{ id: 'feed', strands: 3 }];
const draft = (s = sample(), g = garden) => coverOf(s, bed, form, aims, g, '2027-08-01');

describe('a sample as it would stand in the records', () => {
  test('keeps that it is watered through dry weeks, and says nothing of it where it is not', () => {
    expect(draft({ ...sample(), irrigated: true }).irrigated).toBe(true);
    expect(draft()).not.toHaveProperty('irrigated');
  });
  test('keeps kinds, rate, day, way and its dated steps, with what was foretold on the day it was chosen', () => {
    const cover = draft();
    expect(cover).toMatchObject({
      bedId: bed.id,
      rateTimes: 1.25,
      sowOn: '2027-09-12',
      sownOn: null,
      method: 'cut-twice',
      called: '',
      plantBackOn: '2028-06-05',
      aims,
      verdict: null,
    });
    expect(cover.passes).toEqual([
      { kind: 'cut', due: '2028-05-08', doneOn: null },
      { kind: 'cut', due: '2028-05-18', doneOn: null },
    ]);
    expect(cover.predicted).toMatchObject({ on: '2027-08-01' });
    expect(cover.seed.map((s) => s.speciesId)).toEqual(['cereal-rye', 'hairy-vetch']);
    expect(schemas.covers.safeParse({ ...cover, id: 'x' }).success).toBe(true);
  });
  test('the steps are those of the way that is put forward, and of no other', () => {
    const dug = draft(sample({ best: ending('dig', '2028-05-01', '2028-05-04') }));
    expect([dug.method, dug.passes.map((p) => [p.kind, p.due])]).toEqual([
      'dig',
      [
        ['cut', '2028-05-01'],
        ['dig', '2028-05-02'],
      ],
    ]);
    const none = draft(sample({ best: undefined }));
    expect([none.method, none.passes, none.predicted]).toEqual(['cut', [], null]);
  });
  test('a packet is called by its name, and its seed is asked for at the rate on the bag, within what a record holds', () => {
    const packet = draft(sample({ from: 'packet', name: 'Winter guard', usualRate_g_m2: 10 }));
    expect([packet.called, packet.rateTimes]).toEqual(['Winter guard', 1.1]);
    expect(draft(sample({ from: 'mix', name: 'Mine' })).called).toBe('Mine');
    expect(draft(sample({ from: 'shelf', name: 'Rye' })).called).toBe('');
    expect(draft(sample({ from: 'packet', usualRate_g_m2: 1 })).rateTimes).toBe(4);
    expect(draft(sample({ from: 'packet', usualRate_g_m2: 500 })).rateTimes).toBe(0.2);
  });
  test('a hose keeps a seed bed moist; without one it is not counted on', () => {
    const kit = (...ids: string[]) => draft(sample(), { ...garden, kit: ids }).watered;
    expect([kit('hose', 'rake'), kit('rake')]).toEqual([true, false]);
  });
});

describe('two in turn', () => {
  const first = {
    id: 'buckwheat',
    name: 'Buckwheat',
    parts: [{ speciesId: 'buckwheat', share: 1 }],
    sowDay: dayOf('2027-06-10'),
    seed_g_m2: [8],
    best: ending('cut', '2027-08-20', '2027-08-24'),
  };
  test('the first is a record of its own, ended for the second, with no crop between', () => {
    const second = draft(sample({ first }));
    const [part] = firstOf(sample({ first }), second, bed, garden, () => 'new-1');
    expect(part!.plantings).toEqual([]);
    expect(part!.cover).toMatchObject({
      id: 'new-1',
      sowOn: '2027-06-10',
      method: 'cut',
      plantBackOn: '2027-09-12',
      nextPlantingId: null,
      predicted: { on: '2027-08-01' },
    });
    expect(part!.cover.parts).toEqual(first.parts);
    expect(part!.cover.passes).toEqual([{ kind: 'cut', due: '2027-08-20', doneOn: null }]);
    expect(firstOf(sample(), second, bed, garden, () => 'x')).toEqual([]);
  });
});

describe('on a bed', () => {
  const said = {
    plantOn: '2028-06-05',
    free: '2027-09-01',
    before: '',
    nextId: 'tomato',
    way: 'transplant' as const,
  };
  const ids = () => {
    let n = 0;
    return () => `new-${++n}`;
  };
  test('a crop that is not planned yet is planned with it, until it is usually out', () => {
    const { cover, plantings: made } = onBed(draft(), bed, {}, said, '2027-08-01', ids());
    expect(made).toHaveLength(1);
    expect(made[0]).toMatchObject({
      cropId: 'tomato',
      plantOn: '2028-06-05',
      plantedOn: null,
      bedId: bed.id,
    });
    expect(cover.nextPlantingId).toBe(made[0]!.id);
    expect(dayOf(made[0]!.clearOn) - dayOf(made[0]!.plantOn)).toBeGreaterThan(50);
  });
  test('one that is planned as said is pointed to; planned for another day or as another crop it is not', () => {
    const next = { ...plantings[0]!, id: 'there', cropId: 'tomato', plantOn: '2028-06-05' };
    const same = onBed(draft(), bed, { next }, said, '2027-08-01', ids());
    expect([same.plantings, same.cover.nextPlantingId]).toEqual([[], 'there']);
    for (const other of [
      { ...next, plantOn: '2028-06-06' },
      { ...next, cropId: 'leek' },
    ])
      expect(onBed(draft(), bed, { next: other }, said, '2027-08-01', ids()).plantings).toHaveLength(1);
  });
  test('what is said to leave the bed is written down: as planted where that lies behind, as cleared only once it is', () => {
    const before = (today: string) =>
      onBed(draft(), bed, {}, { ...said, before: 'lettuce' }, today, ids()).plantings[1]!;
    expect(before('2027-08-01')).toMatchObject({
      cropId: 'lettuce',
      plantOn: '2027-06-03',
      plantedOn: '2027-06-03',
      clearOn: '2027-09-01',
      clearedOn: null,
    });
    expect(before('2027-05-01').plantedOn).toBeNull();
    expect(before('2027-06-03').plantedOn).toBe('2027-06-03');
    expect(before('2027-09-01').clearedOn).toBe('2027-09-01');
    const known = onBed(
      draft(),
      bed,
      { before: plantings[0] },
      { ...said, before: 'lettuce' },
      '2027-08-01',
      ids(),
    );
    expect(known.plantings).toHaveLength(1);
  });
});
