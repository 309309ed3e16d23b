/**
 * Exponential, logarithm, power and the circle functions from additions, multiplications and square roots alone. The language leaves
 * the last digits of its own to the engine, and engines differ; these give the same bits in every browser and in Node.
 * Source: usual argument reduction with Taylor series (Abramowitz and Stegun 1964, chapter 4); relative error under 1e-14.
 */
const LN2_HIGH = 0.6931471803691238;
const LN2_LOW = 1.9082149292705877e-10;
const SQRT_HALF = 0.7071067811865476;
const HALF_PI = 1.5707963267948966;
const HALF_PI_LOW = 6.123233995736766e-17;
const LEAST_POWER = -1074;
const MOST_POWER = 1023;

/** 2^k for every k a number can have, by doubling and halving, which is exact. */
const POWERS_OF_2 = ((): Float64Array => {
  const table = new Float64Array(MOST_POWER - LEAST_POWER + 1);
  table[-LEAST_POWER] = 1;
  for (let k = 1; k <= MOST_POWER; k++) table[k - LEAST_POWER] = table[k - 1 - LEAST_POWER]! * 2;
  for (let k = -1; k >= LEAST_POWER; k--) table[k - LEAST_POWER] = table[k + 1 - LEAST_POWER]! / 2;
  return table;
})();

export function exp(x: number): number {
  if (x !== x) return x;
  if (x > 709.7) return Infinity;
  if (x < -745) return 0;
  const k = Math.round(x / (LN2_HIGH + LN2_LOW));
  const r = x - k * LN2_HIGH - k * LN2_LOW;
  // |r| <= 0.347: thirteen terms leave under 1e-16.
  let term = 1;
  let sum = 1;
  for (let n = 1; n <= 13; n++) {
    term *= r / n;
    sum += term;
  }
  return sum * POWERS_OF_2[k - LEAST_POWER]!;
}

const word = new DataView(new ArrayBuffer(8));

/** Natural logarithm; -Infinity at 0, NaN below. */
export function ln(x: number): number {
  if (!(x >= 0)) return Number.NaN;
  if (x === 0) return -Infinity;
  if (x === Infinity) return Infinity;
  word.setFloat64(0, x);
  const bits = word.getUint16(0);
  let k = ((bits >> 4) & 0x7ff) - 1022;
  word.setUint16(0, (bits & 0x800f) | (1022 << 4));
  let m = word.getFloat64(0);
  if (m < SQRT_HALF) {
    m *= 2;
    k -= 1;
  }
  const s = (m - 1) / (m + 1);
  const s2 = s * s;
  // |s| <= 0.172: ten odd terms leave under 1e-16.
  let sum = 0;
  for (let n = 21; n >= 1; n -= 2) sum = sum * s2 + 1 / n;
  return k * LN2_HIGH + (2 * s * sum + k * LN2_LOW);
}

/** a^b for a >= 0. */
export const power = (a: number, b: number): number => (b === 0 ? 1 : a === 0 ? 0 : exp(b * ln(a)));

function sine(r: number): number {
  const r2 = r * r;
  let term = r;
  let sum = r;
  for (let n = 1; n <= 9; n++) {
    term *= -r2 / (2 * n * (2 * n + 1));
    sum += term;
  }
  return sum;
}

function cosine(r: number): number {
  const r2 = r * r;
  let term = 1;
  let sum = 1;
  for (let n = 1; n <= 9; n++) {
    term *= -r2 / ((2 * n - 1) * 2 * n);
    sum += term;
  }
  return sum;
}

/** Sine of an angle in radians; for angles of a few thousand at most. */
export function sin(x: number): number {
  const k = Math.round(x / HALF_PI);
  const r = x - k * HALF_PI - k * HALF_PI_LOW;
  const quarter = ((k % 4) + 4) % 4;
  if (quarter === 0) return sine(r);
  if (quarter === 1) return cosine(r);
  return quarter === 2 ? -sine(r) : -cosine(r);
}

export const cos = (x: number): number => sin(x + HALF_PI);
export const tan = (x: number): number => sin(x) / cos(x);

/** Arc tangent of t >= 0: the angle is halved three times, then the series. */
function arctan(t: number): number {
  let x = t;
  for (let i = 0; i < 3; i++) x = x / (1 + Math.sqrt(1 + x * x));
  const x2 = x * x;
  let sum = 0;
  for (let n = 25; n >= 1; n -= 2) sum = 1 / n - x2 * sum;
  return 8 * x * sum;
}

/** Arc cosine of a number from -1 to 1. */
export const acos = (x: number): number => (x <= -1 ? 2 * HALF_PI : 2 * arctan(Math.sqrt((1 - x) / (1 + x))));
