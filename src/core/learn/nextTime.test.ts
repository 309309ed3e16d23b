import { expect, test } from '@jest/globals';
import { type CameOf } from './came.ts';
import { nextTime } from './nextTime.ts';

const NONE = { rate: 0, age: 0, way: 0, date: 0, warmth: 0, rain: 0, rest: 0 };
const came = (
  what: CameOf['what'],
  expected: [number, number, number],
  seen: number,
  causes: Partial<CameOf['causes']>,
  rainTimes = 1,
): CameOf => ({
  what,
  expected: { low: expected[0], mid: expected[1], high: expected[2] },
  seen,
  causes: { ...NONE, ...causes },
  weather: { warmer_c: 0, rainTimes },
});
const said = (all: CameOf[], part: Partial<Parameters<typeof nextTime>[0]> = {}) =>
  nextTime({ came: all, sownLate_d: 0, begunLate_d: 0, overLate: false, ...part });
const light = (causes: Partial<CameOf['causes']>, rainTimes = 1) =>
  came('bulk', [300, 400, 500], 200, causes, rainTimes);

test('where all went as was to be expected, or better, there is nothing to do otherwise', () => {
  expect(said([came('bulk', [300, 400, 500], 301, { date: -99 })], { sownLate_d: 20 })).toBeUndefined();
  expect(said([came('bulk', [300, 400, 500], 600, { date: 200 })], { sownLate_d: 20 })).toBeUndefined();
  expect(said([came('flower', [100, 110, 120], 120, { date: 10 })], { sownLate_d: 20 })).toBeUndefined();
  expect(said([])).toBeUndefined();
});
test('the cause in the gardener’s hand that took most is named, with its days', () => {
  expect(said([light({ date: -120, rate: -70 })], { sownLate_d: 12.4 })).toEqual({
    code: 'sow-sooner',
    days: 12,
  });
  expect(said([light({ date: -70, rate: -120 })], { sownLate_d: 12 })).toEqual({ code: 'throw-it-all' });
  expect(said([light({ age: -80, rest: -120 })])).toEqual({ code: 'test-seed' });
  expect(said([light({ way: -80, rest: -120 })])).toEqual({ code: 'sow-as-planned' });
  // Flowers that came late, by the day on which it was sown.
  expect(said([came('flower', [100, 110, 120], 130, { date: 15 })], { sownLate_d: 9 })).toEqual({
    code: 'sow-sooner',
    days: 9,
  });
});
test('a cause that helped, or took little, or that nobody can help is none', () => {
  expect(said([light({ date: 120, rest: -300 })], { sownLate_d: 12 })).toBeUndefined();
  expect(said([light({ date: -59, rest: -141 })], { sownLate_d: 12 })).toBeUndefined();
  expect(said([light({ warmth: -200 })])).toBeUndefined();
  // Two days are no lesson.
  expect(said([light({ date: -120 })], { sownLate_d: 2 })).toBeUndefined();
});
test('water where it was dry, thicker seed where weeds came through for no other reason', () => {
  expect(said([light({ rain: -100 }, 0.5)])).toEqual({ code: 'water' });
  expect(said([light({ rain: -100 }, 1.4)])).toBeUndefined();
  const weedy = (causes: Partial<CameOf['causes']>) => came('weeds', [0.05, 0.1, 0.3], 0.7, causes);
  expect(said([weedy({ rest: 0.5 })])).toEqual({ code: 'sow-thicker' });
  expect(said([weedy({ rest: 0.3, rate: 0.3 })])).toEqual({ code: 'throw-it-all' });
});
test('an end that was begun late and was over late, where growth tells no other lesson', () => {
  const late = { begunLate_d: 6, overLate: true };
  expect(said([], late)).toEqual({ code: 'end-sooner', days: 6 });
  expect(said([], { ...late, overLate: false })).toBeUndefined();
  expect(said([], { ...late, begunLate_d: 2 })).toBeUndefined();
  expect(said([light({ rate: -150 })], late)).toEqual({ code: 'throw-it-all' });
});
