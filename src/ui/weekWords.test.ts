import { expect, test } from '@jest/globals';
import { dayOf } from '../core/calendar/day.ts';
import { IMPERIAL, METRIC } from '../core/units/show.ts';
import { weekWords } from './weekWords.ts';

const week = {
  days: 7,
  startDay: dayOf('2027-05-17'),
  inTime: 0.81,
  served: -0.03,
  nitrogen_g_m2: -1.2,
  residue_g_m2: 84,
  flowerDays: 6.6,
  weedsHeld: -0.05,
};

test('a week later says its odds and all that changes by enough to matter', () => {
  expect(weekWords(week, METRIC)).toBe(
    'A week later (17 May): out of the way in 81 years of 100; your aims 3 % worse served, 1.2 g/m² less nitrogen for what follows, 84 g/m² more mulch, 7 days more in flower, weeds 5 % worse held.',
  );
  expect(weekWords(week, IMPERIAL)).toMatch(/oz\/100 ft² less nitrogen/);
});
test('small differences are not spoken of, and a week earlier is called so', () => {
  const same = {
    ...week,
    days: -7,
    served: 0.009,
    nitrogen_g_m2: 0.2,
    residue_g_m2: -19,
    flowerDays: -1.9,
    weedsHeld: 0.02,
  };
  expect(weekWords(same, METRIC)).toBe(
    'A week earlier (17 May): out of the way in 81 years of 100; little else changes.',
  );
  expect(weekWords({ ...same, flowerDays: -3 }, METRIC)).toMatch(/; 3 days fewer in flower\.$/);
});
