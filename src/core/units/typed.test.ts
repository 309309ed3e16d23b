import { describe, expect, test } from '@jest/globals';
import { parseGround } from './length.ts';
import { parseMass_g } from './mass.ts';
import { parseRate_g_m2 } from './rate.ts';
import { IMPERIAL, METRIC, showSeed } from './show.ts';

const ground = (text: string, unit?: 'm' | 'ft') => {
  const r = parseGround(text, unit);
  if (!r.ok) return r.failure.code;
  const { width_m, length_m, area_m2 } = r.value;
  return [width_m, length_m, area_m2].map((x) => x && Number(x.toFixed(3)));
};

describe('sizes as gardeners write them', () => {
  test.each<[string, 'm' | 'ft' | undefined, unknown]>([
    ['4 x 8', 'ft', [1.219, 2.438, 2.973]],
    ['4 x 8 ft', undefined, [1.219, 2.438, 2.973]],
    ['4ft x 8', undefined, [1.219, 2.438, 2.973]],
    ['1.2 m x 8', 'ft', [1.2, 8, 9.6]],
    ['120 cm by 8 m', undefined, [1.2, 8, 9.6]],
    ['1,2 × 8', 'm', [1.2, 8, 9.6]],
    ['6 m²', 'ft', [null, null, 6]],
    ['6m2', undefined, [null, null, 6]],
    ['100 sq ft', 'm', [null, null, 9.29]],
    ['30 sq m', 'ft', [null, null, 30]],
    ['100 square feet', 'm', [null, null, 9.29]],
    ['10 sq yd', 'm', [null, null, 8.361]],
    ['2 ares', 'm', [null, null, 200]],
    ['0.25 acre', 'm', [null, null, 1011.714]],
    ['30 ft', 'ft', 'size-one-side'],
    ['30', 'ft', 'size-one-side'],
    ['big', 'm', 'size-unreadable'],
    ['4 x', 'm', 'size-unreadable'],
    ['12 ha', 'm', 'area-range'],
    ['4 x 8', undefined, 'length-unit'],
  ])('%s', (text, unit, want) => expect(ground(text, unit)).toEqual(want));
});

describe('weights as they are printed', () => {
  test.each<[string, 'g' | 'oz', number]>([
    ['100 g', 'oz', 100],
    ['100', 'g', 100],
    ['4', 'oz', 113.398],
    ['0,5 kg', 'g', 500],
    ['1/4 lb', 'g', 113.398],
    ['1 ½ oz', 'g', 42.524],
    ['1 lb 4 oz', 'g', 566.99],
    ['2 kilos', 'g', 2000],
  ])('%s', (text, unit, grams) => {
    const r = parseMass_g(text, unit);
    expect(r.ok && Number(r.value.toFixed(3))).toBe(grams);
  });
  test.each(['', 'a handful', '3 stone', '0 g', '-5 g', '1/0 lb', '1e99 kg'])('"%s" is no weight', (text) =>
    expect(parseMass_g(text, 'g').ok).toBe(false),
  );
});

test('a rate for a lawn: pounds on a thousand square feet', () => {
  const r = parseRate_g_m2('5 lb per 1000 sq ft');
  expect(r.ok && r.value).toBeCloseTo(24.41, 2);
});

test('no figure finer than a scale: under a gram or a tenth of an ounce it goes by the spoon', () => {
  expect(showSeed(12.34, METRIC)).toBe('12.3 g');
  expect(showSeed(0.9, METRIC)).toBe('¼ teaspoon (in a cup of dry sand)');
  expect(showSeed(0.1, METRIC)).toBe('a pinch (in a cup of dry sand)');
  expect(showSeed(0.57, IMPERIAL)).toBe('⅛ teaspoon (in a cup of dry sand)');
  expect(showSeed(3, IMPERIAL)).toBe('0.1 oz (3.0 g)');
});
