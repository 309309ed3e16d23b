import { describe, expect, test } from '@jest/globals';
import { streamOf } from '../random/stream.ts';
import { type Picture, pointCover, readCover } from './photo.ts';

/** How a made picture is lit and held. */
interface Shot {
  cover: number;
  straw: number;
  seed: number;
  /** Light of the day: times on red, green, blue. */
  cast?: [number, number, number];
  /** A band of shade over part of it. */
  shade?: number;
  blur?: number;
  /** Leaves at the far side smaller, as from a slant. */
  tilt?: number;
  soil?: [number, number, number];
  leaf?: [number, number, number];
}

const W = 240;
const H = 180;

/** A picture with leaves over soil and straw, and the share that they really cover. */
function picture(shot: Shot): { picture: Picture; green: number; straw: number } {
  const s = streamOf(shot.seed);
  const rgb = new Float64Array(W * H * 3);
  const kind = new Uint8Array(W * H);
  const soil = shot.soil ?? [104, 78, 58];
  const leaf = shot.leaf ?? [72, 118, 46];
  const noise = () => 0.82 + 0.36 * s.uniform();
  for (let i = 0; i < W * H; i++) {
    const k = noise() * (0.85 + 0.3 * s.uniform());
    for (let c = 0; c < 3; c++) rgb[i * 3 + c] = soil[c]! * k;
  }
  const counts = [W * H, 0, 0];
  const count = (k: number) => counts[k]! / kind.length;
  const put = (x: number, y: number, k: number, colour: readonly number[], times: number) => {
    if (x < 0 || y < 0 || x >= W || y >= H) return;
    const i = Math.floor(y) * W + Math.floor(x);
    counts[kind[i]!]!--;
    counts[k]!++;
    kind[i] = k;
    for (let c = 0; c < 3; c++) rgb[i * 3 + c] = colour[c]! * times;
  };
  for (let guard = 0; count(1) < shot.straw && guard < 4000; guard++) {
    const [x, y, a, l] = [s.uniform() * W, s.uniform() * H, s.uniform() * Math.PI, 20 + s.uniform() * 50];
    const tone = 0.85 + 0.3 * s.uniform();
    for (let t = 0; t < l; t += 0.5)
      for (let w = -1; w <= 1; w++)
        put(
          x + Math.cos(a) * t - Math.sin(a) * w,
          y + Math.sin(a) * t + Math.cos(a) * w,
          1,
          [206, 178, 118],
          tone,
        );
  }
  for (let guard = 0; count(2) < shot.cover && guard < 8000; guard++) {
    const [x, y] = [s.uniform() * W, s.uniform() * H];
    const size = 1 - (shot.tilt ?? 0) * (1 - y / H);
    const [a, long, wide] = [
      s.uniform() * Math.PI,
      (5 + 9 * s.uniform()) * size,
      (2.5 + 4 * s.uniform()) * size,
    ];
    const tone = 0.7 + 0.5 * s.uniform();
    for (let v = -long; v <= long; v += 0.7)
      for (let u = -long; u <= long; u += 0.7) {
        const [p, q] = [
          (u * Math.cos(a) + v * Math.sin(a)) / long,
          (-u * Math.sin(a) + v * Math.cos(a)) / wide,
        ];
        if (p * p + q * q <= 1) put(x + u, y + v, 2, leaf, tone * (0.92 + 0.16 * s.uniform()));
      }
  }
  const lit = new Float64Array(rgb.length);
  const r = shot.blur ?? 0;
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++)
      for (let c = 0; c < 3; c++) {
        let sum = 0;
        let n = 0;
        for (let v = Math.max(0, y - r); v <= Math.min(H - 1, y + r); v++)
          for (let u = Math.max(0, x - r); u <= Math.min(W - 1, x + r); u++) {
            sum += rgb[(v * W + u) * 3 + c]!;
            n++;
          }
        const dim = shot.shade && x / W + 0.2 * Math.sin(y / 30) < shot.shade ? 0.45 : 1;
        lit[(y * W + x) * 3 + c] = (sum / n) * dim * (shot.cast?.[c] ?? 1);
      }
  const data = new Uint8ClampedArray(W * H * 4);
  for (let i = 0; i < W * H; i++) {
    for (let c = 0; c < 3; c++) data[i * 4 + c] = lit[i * 3 + c]!;
    data[i * 4 + 3] = 255;
  }
  return { picture: { data, width: W, height: H }, green: count(2), straw: count(1) };
}

const LIGHTS: Partial<Shot>[] = [
  {},
  { cast: [1.15, 1, 0.8] },
  { cast: [0.85, 0.95, 1.12] },
  { shade: 0.5 },
  { blur: 1 },
  { blur: 2, tilt: 0.5 },
  { tilt: 0.6, shade: 0.3 },
  { soil: [62, 48, 40] },
  { soil: [146, 122, 96] },
  { leaf: [96, 138, 74] },
  { leaf: [56, 92, 40], cast: [1.1, 1, 0.85] },
];
const shots: Shot[] = LIGHTS.flatMap((light, k) =>
  [0.05, 0.2, 0.4, 0.6, 0.8, 0.95].map((cover, i) => ({
    cover,
    straw: (k + i) % 2 === 0 ? 0.25 * (1 - cover) : 0,
    seed: 1000 + 17 * k + i,
    ...light,
  })),
);

describe('ground cover from pictures drawn with known cover', () => {
  const read = shots.map((s) => {
    const made = picture(s);
    return { s, made, got: readCover(made.picture) };
  });
  test('within six points in nine of ten: soil and straw, warm and blue light, shade, blur, tilt, dark and pale ground', () => {
    const close = read.filter(({ made, got }) => Math.abs(made.green - got.green) <= 0.06);
    expect(close.length / read.length).toBeGreaterThanOrEqual(0.9);
  });
  test('the error that is told holds the truth in nine of ten', () => {
    const held = read.filter(({ made, got }) => Math.abs(made.green - got.green) <= got.error);
    expect(held.length / read.length).toBeGreaterThanOrEqual(0.9);
  });
  test('straw is told from soil, more roughly than green: within twelve points in eight of ten plain pictures', () => {
    const plain = read.filter(({ s }) => !s.shade && !s.blur && !s.soil && s.cover < 0.7);
    const close = plain.filter(({ made, got }) => Math.abs(got.straw - made.straw) <= 0.12);
    expect(close.length / plain.length).toBeGreaterThanOrEqual(0.8);
  });
  test('shares add to one, and the mask counts to the same', () => {
    for (const { got } of read) {
      expect(got.green + got.straw + got.soil).toBeCloseTo(1, 9);
      expect(got.mask.filter((m) => m === 2).length / got.mask.length).toBeCloseTo(got.green, 9);
    }
  });
});

test('shifting the line takes less for green, or more', () => {
  const { picture: p } = picture({ cover: 0.5, straw: 0.1, seed: 7, blur: 1 });
  const at = (shift: number) => readCover(p, shift).green;
  expect(at(1)).toBeLessThan(at(0));
  expect(at(-1)).toBeGreaterThan(at(0));
});
test('deep shade and glare are said, and widen the error', () => {
  const dark: Picture = { width: 40, height: 40, data: new Uint8ClampedArray(40 * 40 * 4).fill(6) };
  expect(readCover(dark).shadow).toBe(1);
  expect(readCover(dark).error).toBeGreaterThan(0.2);
  const { picture: p } = picture({ cover: 0.4, straw: 0, seed: 9 });
  const half = {
    ...p,
    data: Uint8ClampedArray.from(p.data, (v, i) => (Math.floor(i / 4) % W < W / 2 ? v * 0.04 : v)),
  };
  const got = readCover(half);
  expect(got.shadow).toBeGreaterThan(0.3);
  expect(got.error).toBeGreaterThan(readCover(p).error);
});
test('a large picture reads as its small copy, and one pixel is read', () => {
  const { picture: p } = picture({ cover: 0.6, straw: 0, seed: 11 });
  const big: Picture = { width: W * 3, height: H * 3, data: new Uint8ClampedArray(W * H * 9 * 4) };
  for (let y = 0; y < H * 3; y++)
    for (let x = 0; x < W * 3; x++)
      for (let c = 0; c < 4; c++)
        big.data[(y * W * 3 + x) * 4 + c] = p.data[(Math.floor(y / 3) * W + Math.floor(x / 3)) * 4 + c]!;
  expect(Math.abs(readCover(big).green - readCover(p).green)).toBeLessThan(0.02);
  expect(readCover({ width: 1, height: 1, data: Uint8ClampedArray.of(60, 120, 40, 255) }).green).toBe(1);
});
test('twenty points along a string: share and its range', () => {
  expect(pointCover(10).share).toBe(0.5);
  expect(pointCover(10).error).toBeCloseTo(0.143, 2);
  expect(pointCover(15).error).toBeCloseTo(1.28 * Math.sqrt(((15.5 / 21) * (5.5 / 21)) / 20), 9);
  expect(pointCover(0).error).toBeGreaterThan(0);
  expect(pointCover(20).share).toBe(1);
});
