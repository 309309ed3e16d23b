import { expect, test } from '@jest/globals';
import { crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { inShape, type Plan } from './plan.ts';

test('a plan laid out anew says all that it said, and has one order of fields however it was put together', () => {
  // Each field by name: one that is added to plans must be added here, and then to the shape.
  const whole: Required<Plan> = {
    next: { ...crops[0]!, way: 'transplant' },
    plantAt: 200,
    freeAt: 30,
    sownAt: 40,
    canopy: { until: 60, lightThrough: 0.3 },
    surface: 'weedy',
    light: 0.65,
    growUntil: 220,
    irrigated: true,
    logged: { until: 50, mm: new Map([[41, 6]]) },
    watered: true,
    soil: { texture: 'clay', fertility: 'rich' },
    way: findWay('raked')!,
    seed_g_m2: [12],
    members: membersOf([{ speciesId: 'cereal-rye', share: 1 }]),
  };
  expect(inShape(whole)).toEqual(whole);
  const { members, seed_g_m2, way, soil, watered, sownAt, plantAt, next } = whole;
  const few: Plan = { plantAt, next, members, way, soil, watered, sownAt, seed_g_m2 };
  expect(Object.keys(inShape(few))).toEqual(Object.keys(inShape(whole)));
});
