import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { ln, power } from '../units/exact.ts';

/** A seeded source of chance, always passed as an argument. The same seed gives the same numbers on every machine. */
export interface Stream {
  /** In [0, 1). */
  uniform(): number;
  /** Mean 0, standard deviation 1. */
  normal(): number;
  /** Gamma with the given shape and scale 1. */
  gamma(shape: number): number;
}

/** Normal by the polar method of Marsaglia and Bray (1964); gamma by Marsaglia and Tsang (2000), ACM TOMS 26:363-372. */
export function streamOf(seed: number): Stream {
  const generator = xoroshiro128plus(seed | 0);
  let spare: number | undefined;
  const uniform = () => uniformFloat64(generator);
  const normal = () => {
    if (spare !== undefined) {
      const kept = spare;
      spare = undefined;
      return kept;
    }
    for (;;) {
      const x = 2 * uniform() - 1;
      const y = 2 * uniform() - 1;
      const s = x * x + y * y;
      if (s >= 1 || s === 0) continue;
      const r = Math.sqrt((-2 * ln(s)) / s);
      spare = y * r;
      return x * r;
    }
  };
  const gamma = (shape: number): number => {
    if (shape < 1) return gamma(shape + 1) * power(1 - uniform(), 1 / shape);
    const d = shape - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = normal();
      const root = 1 + c * x;
      const v = root * root * root;
      if (v > 0 && ln(1 - uniform()) < 0.5 * x * x + d - d * v + d * ln(v)) return d * v;
    }
  };
  return { uniform, normal, gamma };
}

/** Draws thrown away before a stream of a block is used: the generator's first draws still show the seed it was given. */
const WARM_UP_DRAWS = 20;

/** A stream of its own for each `part` of what one seed governs; neighbouring parts have nothing in common. */
export function partStream(seed: number, part: number): Stream {
  const stream = streamOf(scramble(seed ^ Math.imul(part + 1, 0x9e3779b1)));
  for (let i = 0; i < WARM_UP_DRAWS; i++) stream.uniform();
  return stream;
}

/** Every bit of the seed moves every bit of the result (finalizer of MurmurHash3, Appleby 2011). */
function scramble(seed: number): number {
  let h = seed | 0;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) | 0;
}

/** A stable 32-bit seed from any text, so that a bed and a season always draw the same years (FNV-1a). */
export function seedOf(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h | 0;
}
