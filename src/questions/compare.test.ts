import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf } from '../core/calendar/day.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import type { Cover, Look, Note } from '../records/types.ts';
import { compareGroups, type Group, groupsOf } from './compare.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;
const group = (key: string, ...values: number[]): Group => ({
  key,
  name: key,
  values: values.map((value, i) => ({ coverId: `${key}${i}`, on: '2027-01-01', value })),
});

describe('covers of the records beside each other', () => {
  test('days from the first pass to dead, by way, the largest group first', () => {
    const groups = groupsOf(c, 'dead', 'way');
    const sizes = groups.map((g) => g.values.length);
    expect(new Set(sizes).size).toBeGreaterThan(1);
    expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
    const cut = groups.find((g) => g.key === 'cut')!;
    const cover = c.covers.find((k) => k.id === cut.values[0]!.coverId)!;
    expect(cut.values[0]!.value).toBe(dayOf(cover.endedOn!) - dayOf(cover.passes[0]!.doneOn!));
    expect(cut.name).not.toBe('cut');
    // What still stands has no such day.
    expect(
      groups
        .flatMap((g) => g.values)
        .some((v) => c.covers.find((k) => k.id === v.coverId)!.verdict !== 'dead'),
    ).toBe(false);
  });
  test('minutes on 100 m², only where every pass has its time', () => {
    const { id, bedId } = c.covers.find((k) => k.method === 'cut-twice' && k.verdict === 'dead')!;
    const timed = (minutes: (number | undefined)[]) =>
      groupsOf(
        {
          ...c,
          covers: c.covers.map((k): Cover =>
            k.id === id
              ? { ...k, passes: k.passes.map((p, i) => ({ ...p, minutes: minutes[i] })) }
              : { ...k, passes: k.passes.map((p) => ({ ...p, minutes: undefined })) },
          ),
        },
        'minutes',
        'way',
      );
    const area = c.beds.find((b) => b.id === bedId)!.area_m2;
    expect(timed([12, 6])[0]!.values).toEqual([
      { coverId: id, on: expect.any(String), value: (18 / area) * 100 },
    ]);
    expect(timed([12, undefined])).toEqual([]);
  });
  test('of a cover that is not done yet what was done counts; hay that was taken before is no work of its ending', () => {
    const cover = c.covers.find((k) => k.method === 'cut-twice' && k.verdict === 'dead')!;
    const [first, second] = cover.passes;
    const minutes = (passes: Cover['passes']) =>
      groupsOf({ ...c, covers: [{ ...cover, passes }] }, 'minutes', 'way').flatMap((g) =>
        g.values.map((v) => v.value),
      );
    const area = c.beds.find((b) => b.id === cover.bedId)!.area_m2;
    const cut = { ...first!, minutes: 12 };
    expect(minutes([cut, { ...second!, doneOn: null }])).toEqual([(12 / area) * 100]);
    expect(minutes([{ ...cut, kind: 'take-hay', minutes: 30 }, cut])).toEqual([(12 / area) * 100]);
  });
  test('the last weighed frame on a square metre, and the harvest of the crop after it', () => {
    const cover = c.covers.find((k) => c.plantings.some((p) => p.id === k.nextPlantingId && p.clearedOn))!;
    const next = c.plantings.find((p) => p.id === cover.nextPlantingId)!;
    const area = c.beds.find((b) => b.id === cover.bedId)!.area_m2;
    const look = c.looks[0]!;
    const weighed = (on: string, fresh_kg: number): Look => ({
      ...look,
      id: on,
      coverId: cover.id,
      bedId: cover.bedId,
      on,
      bulk: { fresh_kg, area_m2: 0.25 },
    });
    const looks = [weighed('2026-03-01', 0.4), weighed('2026-04-01', 1)];
    expect(groupsOf({ ...c, looks }, 'weight', 'kind')[0]!.values.map((v) => v.value)).toEqual([4]);
    const note = (on: string, kg: number, what: 'harvest' | 'compost' = 'harvest'): Note =>
      ({
        id: on + what,
        gardenId: c.garden.id,
        bedId: cover.bedId,
        on,
        text: '',
        moved: { what, kg },
      }) as Note;
    const notes = [
      note(next.plantedOn!, 10),
      note(next.clearedOn!, 4),
      note(next.clearedOn!, 90, 'compost'),
      note('2020-01-01', 50),
    ];
    const harvest = groupsOf({ ...c, notes }, 'harvest', 'way');
    expect(harvest.flatMap((g) => g.values)).toEqual([
      { coverId: cover.id, on: expect.any(String), value: 14 / area },
    ]);
  });
});

describe('what is said of it', () => {
  test('is never more than likely, however plain; one beside one is a description', () => {
    const plain = compareGroups(group('a', 1, 2, 3, 4, 5, 6), group('b', 11, 12, 13, 14, 15, 16))!;
    expect(plain.p).toBeCloseTo(2 / 924, 9);
    expect(plain.says).toBe('likely');
    expect(plain.difference).toBe(10);
    expect(compareGroups(group('a', 1), group('b', 9))!.says).toBe('description');
    expect(compareGroups(group('a', 1), group('b'))).toBeUndefined();
  });
  test('groups that overlap show no sign, and too few can show nothing', () => {
    expect(compareGroups(group('a', 1, 9, 4, 6), group('b', 2, 8, 5, 5))!.says).toBe('no-sign');
    expect(compareGroups(group('a', 1, 2), group('b', 9))!.says).toBe('cannot');
  });
  test('only the last six of each count: what is older was another garden', () => {
    const old = group('a', 90, 90, 90, 1, 2, 3, 4, 5, 6);
    expect(compareGroups(old, group('b', 11, 12, 13, 14, 15, 16))!.difference).toBe(10);
  });
});
