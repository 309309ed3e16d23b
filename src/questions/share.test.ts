import { describe, expect, test } from '@jest/globals';
import { demoKept } from '../records/testStore.ts';
import { type Cover } from '../records/types.ts';
import { clashesByDates } from './share.ts';

const kept = demoKept();
const sheets = kept.garden.things.filter((t) => t.of === 'opaque-sheet');
const [one, two] = kept.beds.filter((b) => b.block === kept.beds[0]!.block) as [
  (typeof kept.beds)[0],
  (typeof kept.beds)[0],
];
const under = (bedId: string, laid: string, lifted: string, more: Partial<Cover> = {}): Cover => ({
  ...kept.covers.find((c) => c.sownOn && c.verdict === null)!,
  id: `on ${bedId}`,
  bedId,
  method: 'sheet',
  thingIds: [],
  passes: [
    { kind: 'lay-sheet', due: laid, doneOn: null },
    { kind: 'lift-sheet', due: lifted, doneOn: null },
  ],
  ...more,
});
const clashes = (covers: Cover[], things = sheets.slice(0, 1)) =>
  clashesByDates({ garden: { ...kept.garden, things }, beds: kept.beds, covers });

describe('a thing that is wanted twice, by the dates of the plans', () => {
  const first = under(one.id, '2027-05-01', '2027-05-25');
  const second = under(two.id, '2027-05-10', '2027-06-05');
  test('is told with the cover that wants it and the bed that has it; on other days, or of a cover that is dead, it is none', () => {
    const [clash, ...others] = clashes([first, second]);
    expect(others).toEqual([]);
    expect([clash!.cover.id, clash!.holder, clash!.thing!.id]).toEqual([second.id, one.name, sheets[0]!.id]);
    expect(clashes([first, under(two.id, '2027-05-26', '2027-06-20')])).toEqual([]);
    expect(clashes([first, { ...second, verdict: 'dead', endedOn: '2027-05-09' }])).toEqual([]);
    expect(clashes([first, { ...second, bedId: 'gone' }])).toEqual([]);
  });
  test('a sheet too small for the bed is told where the gardener gave its size, and not where it is only the usual one', () => {
    const small = { ...sheets[0]!, width_m: 0.5, length_m: 0.5, asked: true } as (typeof sheets)[0];
    const told = clashes([first], [small]);
    expect(told.map((t) => [t.cover.id, t.thing])).toEqual([[first.id, undefined]]);
    expect(clashes([first], [{ ...small, asked: false }])).toEqual([]);
  });
});
