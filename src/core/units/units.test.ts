import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseLength_m, parseSize_m } from './length.ts';
import {
  IMPERIAL,
  METRIC,
  showAreaImperial,
  showDepth,
  showFlow,
  showLength,
  showMass,
  showRain,
  showVolume,
} from './show.ts';

test.each([
  ['4 ft 6 in', 1.3716],
  ['4\'6"', 1.3716],
  ['1.2 m', 1.2],
  ['1,2 m', 1.2],
  ['45 in', 1.143],
  ['120cm', 1.2],
])('%s is %f m', (text, metres) => {
  expect(parseLength_m(text)).toEqual({ ok: true, value: expect.closeTo(metres, 6) });
});

test('sizes in mixed units multiply, and a missing unit is taken from the other side', () => {
  expect(parseSize_m('45 in x 50 ft')).toMatchObject({
    ok: true,
    value: { width_m: expect.closeTo(1.143, 6), length_m: expect.closeTo(15.24, 6) },
  });
  expect(parseSize_m('1.2 × 8 m')).toMatchObject({ ok: true, value: { width_m: 1.2, length_m: 8 } });
});

test.each([
  ['1.2', 'length-unit'],
  ['-3 m', 'length-unreadable'],
  ['3 parsecs', 'length-unreadable'],
  ['0 m', 'length-range'],
  ['9999 m', 'length-range'],
  ['', 'length-unreadable'],
])('%p is refused as %s', (text, code) => {
  expect(parseLength_m(text)).toMatchObject({ ok: false, failure: { code } });
});

test('reading never throws, whatever is typed', () => {
  fc.assert(fc.property(fc.string(), (text) => typeof parseSize_m(text, 'm').ok === 'boolean'));
});

test('masses, lengths and areas are shown as gardeners weigh and measure', () => {
  expect([
    showMass(12.34, METRIC),
    showMass(186.4, METRIC),
    showMass(30, IMPERIAL),
    showMass(1000, IMPERIAL),
    // No scale shows hundredths of an ounce.
    showMass(14.2, IMPERIAL),
    showMass(7.1, IMPERIAL),
    showMass(2.4, IMPERIAL),
  ]).toEqual(['12.3 g', '186 g', '1.1 oz', '2 lb 3.3 oz', '0.5 oz (14 g)', '0.3 oz (7.1 g)', '2.4 g']);
  expect([showLength(1.3716, IMPERIAL), showLength(1.2, METRIC), showAreaImperial(9.6)]).toEqual([
    '4 ft 6 in',
    '1.2 m',
    '103 ft²',
  ]);
});

test('depths, rain, volumes and flows in both systems; a shallow depth is never nothing', () => {
  expect([3, 12, 25, 80].map((mm) => showDepth(mm, METRIC))).toEqual(['3 mm', '12 mm', '25 mm', '8 cm']);
  expect([1, 3, 12.7, 25.4, 38].map((mm) => showDepth(mm, IMPERIAL))).toEqual([
    '⅛ in',
    '⅛ in',
    '½ in',
    '1 in',
    '1 ½ in',
  ]);
  expect([showRain(12, METRIC), showRain(12.7, IMPERIAL)]).toEqual(['12 mm', '0.50 in']);
  expect([showVolume(96, METRIC), showVolume(10, IMPERIAL), showVolume(96, IMPERIAL)]).toEqual([
    '96 litres',
    '2.6 gallons',
    '25 gallons',
  ]);
  expect([showFlow(12.34, METRIC), showFlow(18.927, IMPERIAL)]).toEqual([
    '12 litres a minute',
    '5 gallons a minute',
  ]);
});
