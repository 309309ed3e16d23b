import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseGround, parseLength_m } from './length.ts';
import { parseMass_g } from './mass.ts';
import {
  IMPERIAL,
  METRIC,
  showArea,
  showCount,
  showDepth,
  showFlow,
  showLength,
  showMass,
  showPerArea,
  showRain,
  showTemperature,
  showVolume,
} from './show.ts';

describe('in metric', () => {
  test('weights: tenths under 20 g, whole grams, kilograms from two on', () => {
    expect([0.44, 19.94, 19.96, 20, 1999, 2000, 12_345].map((g) => showMass(g, METRIC))).toEqual([
      '0.4 g',
      '19.9 g',
      '20.0 g',
      '20 g',
      '1,999 g',
      '2.00 kg',
      '12.35 kg',
    ]);
  });
  test('lengths and areas: centimetres under a metre, no more digits than are known', () => {
    expect([0.45, 1, 1.2, 1.25, 8, 12.345].map((m) => showLength(m, METRIC))).toEqual([
      '45 cm',
      '1 m',
      '1.2 m',
      '1.25 m',
      '8 m',
      '12.35 m',
    ]);
    expect([2.88, 99.94, 100, 1234].map((a) => showArea(a, METRIC))).toEqual([
      '2.9 m²',
      '99.9 m²',
      '100 m²',
      '1,234 m²',
    ]);
  });
  test('depths, rain, water and counts', () => {
    expect([5, 29, 30, 104].map((d) => showDepth(d, METRIC))).toEqual(['5 mm', '29 mm', '3 cm', '10 cm']);
    expect([0.4, 12.5, 1008].map((r) => showRain(r, METRIC))).toEqual(['0 mm', '13 mm', '1,008 mm']);
    expect([showVolume(84.6, METRIC), showFlow(12.34, METRIC)]).toEqual(['85 litres', '12 litres a minute']);
    // What rounds to nothing has no sign.
    expect([showPerArea(-0.02, METRIC), showPerArea(-0.06, METRIC)]).toEqual(['0.0 g/m²', '-0.1 g/m²']);
    expect([showPerArea(5.26, METRIC), showPerArea(-2.64, METRIC), showPerArea(450.4, METRIC)]).toEqual([
      '5.3 g/m²',
      '-2.6 g/m²',
      '450 g/m²',
    ]);
    expect([showCount(238.4, METRIC), showTemperature(-2.5, METRIC), showTemperature(9.6, METRIC)]).toEqual([
      '238 a square metre',
      '-2 °C',
      '10 °C',
    ]);
  });
});

describe('in imperial', () => {
  test('weights: grams under a tenth of an ounce, both under an ounce, pounds from two on', () => {
    expect([2, 5, 20, 100, 907, 1000].map((g) => showMass(g, IMPERIAL))).toEqual([
      '2.0 g',
      '0.2 oz (5.0 g)',
      '0.7 oz (20 g)',
      '3.5 oz',
      '32.0 oz',
      '2 lb 3.3 oz',
    ]);
  });
  test('lengths: inches, feet, and feet with inches; never twelve inches', () => {
    expect([0.1, 0.3048, 0.45, 1.2, 8].map((m) => showLength(m, IMPERIAL))).toEqual([
      '4 in',
      '1 ft',
      '1 ft 6 in',
      '3 ft 11 in',
      '26 ft 3 in',
    ]);
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 400, noNaN: true }),
        (m) => !/\b12 in\b/.test(showLength(m, IMPERIAL)),
      ),
    );
  });
  test('depths to the eighth of an inch and never less than one; rain by the hundredth', () => {
    expect([1, 5, 13, 25.4, 38].map((d) => showDepth(d, IMPERIAL))).toEqual([
      '⅛ in',
      '¼ in',
      '½ in',
      '1 in',
      '1 ½ in',
    ]);
    expect([showRain(25.4, IMPERIAL), showRain(6, IMPERIAL)]).toEqual(['1.00 in', '0.24 in']);
    expect([showVolume(20, IMPERIAL), showVolume(85, IMPERIAL), showFlow(15, IMPERIAL)]).toEqual([
      '5.3 gallons',
      '22 gallons',
      '4 gallons a minute',
    ]);
  });
  test('per area, counts and degrees', () => {
    // 10 g/m² are 3.3 oz on a hundred square feet.
    expect(showPerArea(10, IMPERIAL)).toBe('3.3 oz/100 ft²');
    expect([showCount(60, IMPERIAL), showCount(240, IMPERIAL)]).toEqual([
      '5.6 a square foot',
      '22 a square foot',
    ]);
    expect([0, 100, -40, 21].map((c) => showTemperature(c, IMPERIAL))).toEqual([
      '32 °F',
      '212 °F',
      '-40 °F',
      '70 °F',
    ]);
    expect(showArea(9.6, IMPERIAL)).toBe('103 ft²');
  });
});

describe('what is shown can be typed', () => {
  const units = fc.constantFrom(METRIC, IMPERIAL);
  test('a length comes back to within what is shown of it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.12, max: 400, noNaN: true }), units, (m, u) => {
        const read = parseLength_m(showLength(m, u));
        return read.ok && Math.abs(read.value - m) < 0.013;
      }),
    );
  });
  test('a weight and an area do too', () => {
    fc.assert(
      fc.property(fc.double({ min: 30, max: 1900, noNaN: true }), units, (g, u) => {
        const read = parseMass_g(showMass(g, u).replace(/,|\s\(.*/g, ''), 'g');
        return read.ok && Math.abs(read.value - g) < 1.5;
      }),
    );
    fc.assert(
      fc.property(fc.double({ min: 1, max: 900, noNaN: true }), units, (a, u) => {
        const read = parseGround(showArea(a, u).replace(/,/g, ''));
        return read.ok && Math.abs(read.value.area_m2 - a) < 0.51;
      }),
    );
  });
});
