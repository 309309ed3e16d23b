import { expect, test } from '@jest/globals';
import { type Usual, warmerThan, winterAhead } from './usual.ts';

/** Sums of days whose mean temperatures are given. */
const usual = (mean: (d: number) => number, days = 200): Usual => {
  const warmth = new Float64Array(days + 1);
  for (let d = 0; d < days; d++) warmth[d + 1] = warmth[d]! + mean(d);
  return { days, warmth, chill: new Float64Array(days + 1), snow: new Float64Array(days + 1) };
};

test('a coldest month under 6 °C is a winter; what grows before it is counted over 3 °C', () => {
  const cold = (c: number) => usual((d) => (d >= 60 && d < 90 ? c : 13));
  expect(winterAhead(cold(6), 0, 200)).toBeUndefined();
  expect(winterAhead(cold(5.9), 0, 200)).toEqual({
    before_cd: expect.closeTo(60 * 10, 6),
    warming: false,
    firstMonth_cd: expect.closeTo(30 * 10, 6),
    overAt: 90,
  });
  // Sown into the cold, what follows is spring; a span under a month has none.
  expect(winterAhead(cold(2), 60, 200)).toMatchObject({ warming: true, before_cd: 0, firstMonth_cd: 0 });
  expect(winterAhead(cold(2), 60, 89)).toBeUndefined();
});

test('days warmer than a limit are those over it, first day in and last day out', () => {
  const rising = usual((d) => d);
  expect([warmerThan(rising, 0, 20, 9), warmerThan(rising, 10, 12, 9), warmerThan(rising, 9, 10, 9)]).toEqual(
    [10, 2, 0],
  );
});
