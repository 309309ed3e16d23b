import { expect, test } from '@jest/globals';
import { confoundersOf, type PlotKnown } from './confounders.ts';

const plot = (treatment: number, more: Partial<PlotKnown> = {}): PlotKnown => ({
  treatment,
  sownOn: '2027-04-01',
  lots: ['a'],
  rate_g_m2: 10,
  endedFrom: null,
  ...more,
});
const kinds = (plots: PlotKnown[]) => confoundersOf(plots).map((c) => [c.treatment, c.kind]);

test('what goes with a treatment and is none is named, with what it was on both sides', () => {
  expect(
    confoundersOf([plot(0), plot(1, { sownOn: '2027-04-05' }), plot(0), plot(1, { sownOn: '2027-04-06' })]),
  ).toEqual([{ kind: 'sown', treatment: 1, here: ['2027-04-05', '2027-04-06'], control: ['2027-04-01'] }]);
  expect(kinds([plot(0), plot(1, { lots: ['b'] }), plot(2)])).toEqual([[1, 'seed']]);
  expect(kinds([plot(0, { endedFrom: '2027-05-01' }), plot(1, { endedFrom: '2027-05-09' })])).toEqual([
    [1, 'ended'],
  ]);
});

test('a difference that some plots of both share, or of which nothing is known on one side, is none', () => {
  expect(kinds([plot(0), plot(1, { sownOn: '2027-04-05' }), plot(1)])).toEqual([]);
  expect(kinds([plot(0, { lots: ['b', 'a'] }), plot(1, { lots: ['a', 'b'] })])).toEqual([]);
  expect(kinds([plot(0, { sownOn: null, lots: null, rate_g_m2: null }), plot(1)])).toEqual([]);
  expect(kinds([plot(1), plot(1, { sownOn: '2027-05-01' })])).toEqual([]);
});

test.each([
  [11.4, 10, []],
  [11.6, 10, [[1, 'rate']]],
  [8.6, 10, [[1, 'rate']]],
  [8.8, 10, []],
])('%d g/m2 against %d', (mine, theirs, want) => {
  expect(kinds([plot(0, { rate_g_m2: theirs }), plot(1, { rate_g_m2: mine })])).toEqual(want);
});
