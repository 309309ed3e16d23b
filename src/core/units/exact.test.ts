import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { acos, cos, exp, ln, power, sin, tan } from './exact.ts';

const near = (got: number, want: number) => Math.abs(got - want) <= 1e-13 * Math.max(1, Math.abs(want));
const span = (min: number, max: number) => fc.double({ min, max, noNaN: true });

test('the exact functions agree with the engine’s to thirteen digits over all that the core asks of them', () => {
  fc.assert(fc.property(span(-700, 700), (x) => Math.abs(exp(x) / Math.exp(x) - 1) < 1e-12));
  fc.assert(fc.property(span(1e-300, 1e300), (x) => near(ln(x), Math.log(x))));
  fc.assert(fc.property(span(0.5, 2), (x) => Math.abs(ln(x) - Math.log(x)) < 1e-15));
  fc.assert(fc.property(span(-1000, 1000), (x) => near(sin(x), Math.sin(x)) && near(cos(x), Math.cos(x))));
  fc.assert(fc.property(span(-1.4, 1.4), (x) => near(tan(x), Math.tan(x))));
  fc.assert(fc.property(span(-1, 1), (x) => near(acos(x), Math.acos(x))));
  fc.assert(
    fc.property(span(1e-6, 1e4), span(-3, 3), (a, b) => Math.abs(power(a, b) / Math.pow(a, b) - 1) < 1e-12),
  );
});
test('at the ends they do what is expected', () => {
  expect([exp(0), exp(-800), exp(800), ln(1), ln(0), power(0, 0.5), power(7, 0)]).toEqual([
    1,
    0,
    Infinity,
    0,
    -Infinity,
    0,
    1,
  ]);
  expect([ln(-1), exp(Number.NaN)].every(Number.isNaN)).toBe(true);
});
