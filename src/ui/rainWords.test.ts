import { expect, test } from '@jest/globals';
import { climates } from '../catalogue/catalogue.ts';
import { IMPERIAL, METRIC } from '../core/units/show.ts';
import { rainWords } from './rainWords.ts';

const year = (more: Record<number, number> = {}) => Array.from({ length: 12 }, (_, m) => more[m] ?? 60);

test('an even year is called so; else the wettest and the driest month stand in it', () => {
  expect(rainWords(year(), METRIC)).toBe('720 mm of rain in a year, spread evenly over the year.');
  expect(rainWords(year({ 10: 119, 4: 60 }), METRIC)).toContain('spread evenly');
  expect(rainWords(year({ 10: 120, 4: 40 }), METRIC)).toBe(
    '760 mm of rain in a year, most in November (120 mm), least in May (40 mm).',
  );
  expect(rainWords(year({ 0: 254, 6: 25.4 }), IMPERIAL)).toContain(
    'most in January (10.00 in), least in July (1.00 in)',
  );
});
test('dry months are said, one by its name, more by their number', () => {
  expect(rainWords(year({ 6: 24.9 }), METRIC)).toMatch(
    /; in July seed waits for water unless it is watered\.$/,
  );
  expect(rainWords(year({ 6: 25 }), METRIC)).not.toContain('waits');
  expect(rainWords(year({ 5: 3, 6: 0, 7: 2 }), METRIC)).toContain('; in 3 months seed waits');
});
test('every climate pattern can be told', () => {
  for (const c of climates)
    expect(rainWords(c.rain_mm, METRIC)).toMatch(/^\d[\d,]* mm of rain in a year, .*\.$/);
});
