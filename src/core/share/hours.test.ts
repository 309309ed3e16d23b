import { describe, expect, test } from '@jest/globals';
import { dayOf } from '../calendar/day.ts';
import { overWeeks, weeksOf } from './hours.ts';
import { type Option } from './option.ts';
import { type ShareInput } from './types.ts';

// Wednesday.
const TODAY = dayOf('2027-04-14');
const MONDAY = dayOf('2027-04-12');
const UNTIL = dayOf('2027-05-05');
const at = (iso: string) => dayOf(iso);

/** Covers with their steps by day and kind, on beds of 20 m²; cut takes 90 minutes on 100 m², lay-sheet 60. */
const input = (covers: Record<string, [day: number, kind: string, done?: boolean][]>): ShareInput =>
  ({
    today: TODAY,
    until: UNTIL,
    covers: Object.entries(covers).map(([bed, passes]) => ({
      id: bed,
      bed,
      plan: { method: 'sheet' },
      asked: {
        methods: [
          {
            id: 'sheet',
            passes: [
              { kind: 'cut', minutesPer100m2: 90 },
              { kind: 'lay-sheet', minutesPer100m2: 60 },
            ],
          },
        ],
      },
      passes: passes.map(([day, kind, done = false]) => ({ day, kind, done })),
      work: { bed: { area_m2: 20 } },
    })),
  }) as unknown as ShareInput;
const told = (i: ShareInput, options: [string, Option][] = []) =>
  weeksOf(i, new Map(options)).map((w) => [w.monday, Math.round(w.hours * 60), w.beds]);

describe('hours of the weeks', () => {
  test('are those of steps not done, by the week they fall in; what was due before today is done this week', () => {
    const both = input({
      A: [
        [at('2027-04-18'), 'cut'],
        [at('2027-04-19'), 'lay-sheet'],
      ],
      B: [
        [at('2027-04-12'), 'cut'],
        [at('2027-04-13'), 'lay-sheet', true],
      ],
    });
    // 90 and 60 minutes on 100 m² are 18 and 12 on 20.
    expect(told(both)).toEqual([
      [MONDAY, 36, ['A', 'B']],
      [MONDAY + 7, 12, ['A']],
    ]);
  });
  test('a bed with two steps in a week is named once', () => {
    const two = input({
      A: [
        [at('2027-04-14'), 'cut'],
        [at('2027-04-15'), 'lay-sheet'],
      ],
    });
    expect(told(two)).toEqual([[MONDAY, 30, ['A']]]);
  });
  test('reach from six days ago to the last day looked at, and no further', () => {
    const days = (day: number) => told(input({ A: [[day, 'cut']] }));
    expect(days(TODAY - 6)).toEqual([[MONDAY, 18, ['A']]]);
    expect(days(TODAY - 7)).toEqual([]);
    expect(days(UNTIL)).toEqual([[at('2027-05-03'), 18, ['A']]]);
    expect(days(UNTIL + 1)).toEqual([]);
  });
  test('of a plan that was worked out are its own minutes; of one that has begun, those of its steps', () => {
    const option = (begun: boolean) =>
      ({ begun, minutes: [{ day: at('2027-04-20'), minutes: 45 }] }) as unknown as Option;
    const one = input({ A: [[at('2027-04-14'), 'cut']] });
    expect(told(one, [['A', option(false)]])).toEqual([[MONDAY + 7, 45, ['A']]]);
    expect(told(one, [['A', option(true)]])).toEqual([[MONDAY, 18, ['A']]]);
  });
  test('weeks are over when they ask for a tenth of an hour more than there is; the first four are looked at', () => {
    const weeks = [2, 2.1, 2.11, 3, 4, 5, 6].map((hours, i) => ({ monday: i * 7, hours, beds: [] }));
    expect(overWeeks(weeks, 2).map((w) => w.hours)).toEqual([2.11, 3, 4, 5]);
  });
});
