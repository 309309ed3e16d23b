import { expect, test } from '@jest/globals';
import { type SoilTest, type SoilTestKind, soilTrends } from './soilTests.ts';

const t = (on: string, what: SoilTestKind, value: number): SoilTest => ({ on, what, value });
const changeOf = (what: SoilTestKind, a: number, b: number) =>
  soilTrends([t('2027-03-01', what, b), t('2024-03-01', what, a)])[0]!.change!.is;

test.each([
  // 1.645 x 1.414 x 0.2 = 0.465 of pH.
  ['ph', 6.2, 6.66, 'within-noise'],
  ['ph', 6.2, 6.67, 'higher'],
  ['ph', 6.7, 6.2, 'lower'],
  ['humus', 3, 3.9, 'within-noise'],
  ['humus', 3, 4, 'higher'],
  // A fifth of the mean of 40 and 60, times 2.33: 23.
  ['phosphorus', 40, 60, 'within-noise'],
  ['phosphorus', 40, 75, 'higher'],
  ['potassium', 150, 100, 'lower'],
  ['potassium', 150, 110, 'within-noise'],
] as const)('%s from %d to %d is %s', (what, a, b, want) => {
  expect(changeOf(what, a, b)).toBe(want);
});

test('by what was measured, oldest first, and one test alone says nothing of a change', () => {
  const trends = soilTrends([
    t('2026-03-01', 'ph', 6.5),
    t('2025-03-01', 'humus', 3),
    t('2024-03-01', 'ph', 6.4),
  ]);
  expect(trends.map((x) => [x.what, x.tests.map((y) => y.value), x.change?.is])).toEqual([
    ['ph', [6.4, 6.5], 'within-noise'],
    ['humus', [3], undefined],
  ]);
  expect(soilTrends([])).toEqual([]);
});
