import { expect, test } from '@jest/globals';
import { cropOf } from '../../catalogue/catalogue.ts';
import { plantingMinutes } from './work.ts';

const on = (id: string, way: 'transplant' | 'seed') => plantingMinutes(cropOf(id).setOut, way, 9.6);

test('transplants take their time by the plant, seed by the metre of row, shrubs a hole of their own', () => {
  // 9.6 m² at 50 x 75 cm: 25.6 tomatoes, a third of a minute each.
  expect(on('tomato', 'transplant')).toBeCloseTo(25.6 * 0.35, 6);
  // Rows 30 cm apart: 32 m of them.
  const s = { row_m: 0.05, between_m: 0.3, perPlace: 1, hole_cm: null };
  expect(plantingMinutes(s, 'seed', 9.6)).toBeCloseTo(16, 6);
  // Four currants in holes of 40 cm, eleven times the soil of a hand's width.
  expect(on('currant', 'transplant')).toBeCloseTo((9.6 / (1.3 * 1.8)) * 0.35 * (40 / 12) ** 2, 6);
});
