import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isoOf } from '../core/calendar/day.ts';
import { showIsoYear } from './dates.ts';
import { type DayOrder, orderOf, readDay } from '../core/calendar/typedDay.ts';

const near = '2026-11-25';

test('the order is the language’s', () => {
  expect(['en-GB', 'en-US', 'de-DE', 'sv-SE', 'ja-JP'].map(orderOf)).toEqual([
    'dmy',
    'mdy',
    'dmy',
    'ymd',
    'ymd',
  ]);
});

describe('a day that was typed', () => {
  test.each<[string, DayOrder, string | undefined]>([
    ['09182026', 'mdy', '2026-09-18'],
    ['18092026', 'dmy', '2026-09-18'],
    ['20260918', 'ymd', '2026-09-18'],
    ['18.9.2026', 'dmy', '2026-09-18'],
    ['9/18/26', 'mdy', '2026-09-18'],
    ['18 Sep 2026', 'mdy', '2026-09-18'],
    ['September 18, 2026', 'dmy', '2026-09-18'],
    ['2026-09-18', 'mdy', '2026-09-18'],
    ['18 sep', 'dmy', '2026-09-18'],
    // Without a year: the one nearest to what stands there.
    ['4/5', 'dmy', '2027-05-04'],
    ['4/5', 'mdy', '2027-04-05'],
    ['0302', 'dmy', '2027-02-03'],
    ['31.2.2027', 'dmy', undefined],
    ['18/9/0007', 'dmy', undefined],
    ['18/9/1989', 'dmy', undefined],
    ['18/9/2101', 'dmy', undefined],
    ['2', 'dmy', undefined],
    ['', 'dmy', undefined],
    ['tomorrow', 'dmy', undefined],
    ['18 Sep 2026 or so 3', 'dmy', undefined],
  ])('%j, %s', (text, order, iso) => expect(readDay(text, order, near)).toBe(iso));

  test('as it is shown, and as it is kept, is read as itself in every order', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 7305, max: 47846 }),
        fc.constantFrom<DayOrder>('dmy', 'mdy', 'ymd'),
        (day, order) => {
          const iso = isoOf(day);
          expect(readDay(iso, order, near)).toBe(iso);
          expect(readDay(showIsoYear(iso), order, near)).toBe(iso);
        },
      ),
    );
  });
  test('key by key nothing is taken for a day of another century', () => {
    for (let n = 1; n < 8; n++) {
      const read = readDay('09182026'.slice(0, n), 'mdy', near);
      if (read) expect(Number(read.slice(0, 4))).toBeGreaterThan(2019);
    }
  });
});
