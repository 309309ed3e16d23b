import { expect, test } from '@jest/globals';
import { dayOf } from '../calendar/day.ts';
import { builtBefore, type Stood } from './building.ts';

const TAKEN = dayOf('2027-03-01');
const stood = (from: string, to: string, feeds = true): Stood => ({
  from: dayOf(from),
  to: dayOf(to),
  feeds,
});

test('a clover ley of a year before the film is a rest; the same year of rye is none', () => {
  expect(builtBefore([stood('2026-03-01', '2027-03-01')], TAKEN)).toEqual({
    covered_d: 365,
    fed_d: 365,
    rested: true,
  });
  expect(builtBefore([stood('2026-03-01', '2027-03-01', false)], TAKEN)).toEqual({
    covered_d: 365,
    fed_d: 0,
    rested: false,
  });
});

test('covers that stood together count once, and only what lies in the three years before', () => {
  const two = [stood('2026-10-01', '2027-05-01'), stood('2026-12-01', '2027-03-01', false)];
  expect(builtBefore(two, TAKEN)).toEqual({ covered_d: 151, fed_d: 151, rested: false });
  expect(builtBefore([stood('2023-01-01', '2024-03-11')], TAKEN).fed_d).toBe(10 + 1);
  expect(builtBefore([stood('2027-03-01', '2028-03-01')], TAKEN).covered_d).toBe(0);
});

test('two winters of vetch add up to a rest, a day short of three hundred is none', () => {
  const winters = [stood('2024-10-01', '2025-03-30'), stood('2025-10-01', '2026-03-30')];
  expect(builtBefore(winters, TAKEN)).toMatchObject({ fed_d: 360, rested: true });
  expect(builtBefore([stood('2026-05-05', '2027-03-01')], TAKEN)).toMatchObject({ fed_d: 300, rested: true });
  expect(builtBefore([stood('2026-05-06', '2027-03-01')], TAKEN).rested).toBe(false);
});
