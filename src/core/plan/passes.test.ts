import { describe, expect, test } from '@jest/globals';
import { dayOf } from '../calendar/day.ts';
import { datedPasses } from './passes.ts';

const plant = dayOf('2027-06-05');
const answer = (start: string, mid: string | null, high: string | null) => ({
  method: 'x',
  startDay: dayOf(start),
  dead: {
    low: dayOf(start),
    mid: mid ? dayOf(mid) : Infinity,
    high: high ? dayOf(high) : Infinity,
  },
});
const days = (passes: { kind: string; after_d: number | null }[], a: ReturnType<typeof answer>) =>
  datedPasses(passes, a, plant).map((p) => [p.kind, p.due, p.doneOn]);

describe('days of the passes of a way', () => {
  test('those with a distance stand so many days after the first', () =>
    expect(
      days(
        [
          { kind: 'cut', after_d: 0 },
          { kind: 'cut', after_d: 10 },
        ],
        answer('2027-05-08', '2027-05-12', '2027-05-20'),
      ),
    ).toEqual([
      ['cut', '2027-05-08', null],
      ['cut', '2027-05-18', null],
    ]));
  test('what lies comes off when nine years of ten have it dead; where that never comes, in the middle of the years; never after planting', () => {
    const sheet = [
      { kind: 'lay-sheet', after_d: 0 },
      { kind: 'lift-sheet', after_d: null },
    ];
    const lifted = (mid: string | null, high: string | null) =>
      days(sheet, answer('2027-04-10', mid, high))[1]![1];
    expect(lifted('2027-05-12', '2027-05-21')).toBe('2027-05-21');
    expect(lifted('2027-05-12', null)).toBe('2027-05-12');
    expect(lifted(null, null)).toBe('2027-06-05');
    expect(lifted('2027-06-10', '2027-06-20')).toBe('2027-06-05');
  });
  test('frost is looked for once it has done it in nine years of ten, three weeks before planting at the latest', () => {
    const check = [{ kind: 'check', after_d: 0 }];
    expect(days(check, answer('2027-01-02', '2027-01-02', '2027-02-14'))).toEqual([
      ['check', '2027-02-14', null],
    ]);
    expect(days(check, answer('2027-01-02', '2027-01-02', '2027-05-30'))).toEqual([
      ['check', '2027-05-15', null],
    ]);
    expect(days(check, answer('2027-01-02', null, null))).toEqual([['check', '2027-05-15', null]]);
  });
});
