import { expect, test } from '@jest/globals';
import { dayOf, isoOf } from '../calendar/day.ts';
import { windowsOf } from './alike.ts';

const stood = (refId: string, from: string, bedId = 'b') => ({ refId, bedId, from: dayOf(from) });
const starts = (...all: ReturnType<typeof stood>[]) => windowsOf(all).map((w) => [w.refId, isoOf(w.start)]);

test('what is mostly sown in autumn is laid from July to June, a late one of spring with the winter before it', () => {
  expect(starts(stood('b', '2026-09-10'), stood('a', '2025-07-01'), stood('c', '2027-03-01'))).toEqual([
    ['a', '2025-07-01'],
    ['b', '2026-07-01'],
    ['c', '2026-07-01'],
  ]);
});
test('what is mostly sown in spring is laid by calendar years; so is what is sown in both halves alike', () => {
  expect(starts(stood('a', '2026-06-30'), stood('b', '2025-04-01'), stood('c', '2026-08-01'))).toEqual([
    ['b', '2025-01-01'],
    ['a', '2026-01-01'],
    ['c', '2026-01-01'],
  ]);
  expect(starts(stood('a', '2026-03-01'), stood('b', '2026-09-01'))[0]).toEqual(['a', '2026-01-01']);
});
test('of one year the one that stood first comes first, and of one day by its bed', () => {
  const two = windowsOf([
    stood('x', '2026-04-02', 'a'),
    stood('y', '2026-04-01', 'c'),
    stood('z', '2026-04-01', 'b'),
  ]);
  expect(two.map((w) => w.refId)).toEqual(['z', 'y', 'x']);
  expect(windowsOf([])).toEqual([]);
});
