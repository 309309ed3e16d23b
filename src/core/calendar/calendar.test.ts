import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Day, type DayIndex, dayOf, isoOf, isIsoDate } from './day.ts';
import { dayLength_h, extraterrestrial_MJ } from './sun.ts';

describe('calendar and sun', () => {
  test('a day and its ISO date are one and the same, and unreal dates are refused', () => {
    fc.assert(fc.property(fc.integer({ min: -20000, max: 60000 }), (d) => dayOf(isoOf(d)) === d));
    expect(['2027-02-29', '2027-13-01', 'soon', '2027-1-1'].map(isIsoDate)).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });
  test('the compiler tells a day from an index into a span; differences of days are indices', () => {
    const warmth = [3, 5, 8];
    const on = (at: DayIndex) => warmth[at];
    const [first, day]: Day[] = [dayOf('2027-04-10'), dayOf('2027-04-12')];
    // @ts-expect-error a day since 1970 is no index
    expect(on(day!)).toBeUndefined();
    expect(on(day! - first!)).toBe(8);
  });
  test('radiation above the air at 20 S on 3 September is 32.2 MJ/m2/d (FAO-56 example 8)', () => {
    expect(extraterrestrial_MJ(-20, 245)).toBeCloseTo(32.2, 1);
  });
  test('day length mirrors between hemispheres half a year apart, within a tenth of an hour', () => {
    expect(dayLength_h(50, 171)).toBeCloseTo(dayLength_h(-50, 354), 1);
  });
});
