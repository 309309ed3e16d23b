import { describe, expect, test } from '@jest/globals';
import { type Cut, type Ground } from '../core/bed/pieces.ts';
import { dayOf } from '../core/calendar/day.ts';
import { demoKept } from '../records/testStore.ts';
import { besideIn, pathKinds } from './strips.ts';
import { workAsk } from './work.ts';

const piece = (id: string, share: [number, number], more: Partial<Cut> = {}): Ground & { piece: Cut } => ({
  id,
  piece: { of: 'bed', from: '2027-03-01', until: null, side: 'along', share, use: 'bed', ...more },
});
const path = piece('path', [0.4, 0.6], { use: 'path' });
const on = dayOf('2027-05-10');
const beside = (...others: Ground[]) => besideIn(path, [path, ...others], on).map((b) => b.id);

describe('what lies beside a path', () => {
  test('the pieces that touch it on either side, and no others', () => {
    const [left, right] = [piece('left', [0.2, 0.4]), piece('right', [0.6, 1])];
    expect(beside(left, right, piece('far', [0, 0.2]), { id: 'whole' })).toEqual(['left', 'right']);
    expect(besideIn({ id: 'whole' } as Ground, [left], on)).toEqual([]);
  });
  test('on the days on which they are pieces, of its own bed, cut the same way', () => {
    const at: [number, number] = [0.6, 1];
    expect(beside(piece('next year', at, { from: '2028-03-01' }))).toEqual([]);
    expect(beside(piece('over', at, { until: '2027-05-10' }))).toEqual([]);
    expect(beside(piece('until tomorrow', at, { until: '2027-05-11' }))).toEqual(['until tomorrow']);
    expect(beside(piece('from today', at, { from: '2027-05-10' }))).toEqual(['from today']);
    expect(beside(piece('other bed', at, { of: 'other' }))).toEqual([]);
    expect(beside(piece('across', at, { side: 'across' }))).toEqual([]);
  });
});

describe('things that a cover has set aside', () => {
  const { garden, beds, covers } = demoKept();
  const cover = covers.find((c) => c.sownOn && c.verdict === null)!;
  const bed = beds.find((b) => b.id === cover.bedId)!;
  const things = (thingIds: string[]) =>
    workAsk(
      garden,
      bed,
      { ...cover, thingIds },
      covers,
      { id: cover.method, passes: [] },
      { startDay: 0, dryMatter_g_m2: { low: 0, mid: 0, high: 0 }, heightAtStart_m: 0, stageAtStart: 0 },
      [],
    );
  test('are those of their kind that the work is laid out with; of other kinds all are there', () => {
    const has = (ids: string[]) => {
      const { sheets, boards, pens } = things(ids);
      return [sheets.map((t) => t.name), boards.map((t) => t.name), pens.map((t) => t.name)];
    };
    expect(has([])).toEqual([['Long sheet', 'Second sheet', 'Short sheet'], ['Board'], ['Hen pen']]);
    expect(has(['short-sheet'])).toEqual([['Short sheet'], ['Board'], ['Hen pen']]);
    expect(has(['board'])).toEqual([['Long sheet', 'Second sheet', 'Short sheet'], ['Board'], ['Hen pen']]);
  });
});

test('a living path is of kinds that live for years', () => {
  expect(pathKinds.map((s) => s.id)).toEqual(expect.arrayContaining(['white-clover', 'red-clover']));
  expect(pathKinds.some((s) => ['buckwheat', 'cereal-rye', 'hairy-vetch'].includes(s.id))).toBe(false);
});
