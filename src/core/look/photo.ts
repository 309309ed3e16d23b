// Ground cover from a picture taken straight down: green leaves, straw, and bare soil, as shares of the ground.

/** A picture as it comes from a canvas or a decoder: four bytes a pixel. */
export interface Picture {
  data: Uint8ClampedArray | Uint8Array;
  width: number;
  height: number;
}

export interface CoverReading {
  /** Shares of the ground, together 1. */
  green: number;
  straw: number;
  soil: number;
  /** Half the width of the range in which the green share lies in nine of ten pictures. */
  error: number;
  /** Shares that are so dark or so bright that little can be told. */
  shadow: number;
  glare: number;
  /** The line between green and not, as excess green; what a gardener shifts. */
  line: number;
  /** What each cell of the small picture was taken for: 0 soil, 1 straw, 2 green. */
  mask: Uint8Array;
  width: number;
  height: number;
}

/** Pictures are read at no more than so many pixels on the longer side: leaves of a finger's width are still several pixels wide. */
const LONGEST_PX = 320;
/** Excess green on chromatic coordinates: leaves lie above some 0.1, straw and soil about 0 (Woebbecke 1995 for the index). */
const LINE_LOW = 0.035;
const LINE_HIGH = 0.16;
const USUAL_LINE = 0.08;
/** A full shift of the slider moves the line by so much. */
const SHIFT = 0.08;
/** Darker than this nothing can be told; brighter and colourless is glare. */
const DARK = 0.09;
const BRIGHT = 0.96;
const BRIGHT_COLOUR = 0.06;

/**
 * Reads a picture. Light is balanced by its brightest tenth, leaves stand out by excess green with a line found between the two heaps of the picture itself (Otsu
 * 1979) within bounds, straw from soil by brightness and hue. Deep shade takes the answer of what lies round it.
 * @param shift moves the line, -1 to 1: higher takes less for green
 */
export function readCover(picture: Picture, shift = 0): CoverReading {
  const small = shrink(picture);
  const { width, height } = small;
  const n = width * height;
  const [wr, wg, wb] = white(small);
  const excess = new Float32Array(n);
  const light = new Float32Array(n);
  const raw = new Float32Array(n);
  let dark = 0;
  let glare = 0;
  const unknown = new Uint8Array(n);
  for (let i = 0; i < n; i++) {
    const r = small.data[i * 3]! / wr;
    const g = small.data[i * 3 + 1]! / wg;
    const b = small.data[i * 3 + 2]! / wb;
    const sum = r + g + b || 1e-6;
    excess[i] = (2 * g - r - b) / sum;
    light[i] = Math.min(1, 0.3 * r + 0.59 * g + 0.11 * b);
    raw[i] = (0.3 * r * wr + 0.59 * g * wg + 0.11 * b * wb) / 255;
    const most = Math.max(r, g, b);
    const least = Math.min(r, g, b);
    if (light[i]! < DARK) {
      dark++;
      unknown[i] = 1;
    } else if (light[i]! > BRIGHT && (most - least) / most < BRIGHT_COLOUR) {
      glare++;
      unknown[i] = 1;
    }
  }
  const found = between(excess, unknown, -0.1, 0.5, GREEN_APART);
  // One heap alone has no line of its own: then the usual one stands.
  const line =
    (found === undefined ? USUAL_LINE : Math.max(LINE_LOW, Math.min(LINE_HIGH, found))) + shift * SHIFT;
  const strawLine = strawLineOf(light, excess, raw, unknown, line);
  const mask = new Uint8Array(n);
  let near = 0;
  for (let i = 0; i < n; i++) {
    if (Math.abs(excess[i]! - line) < NEAR) near++;
    mask[i] = excess[i]! > line ? GREEN : strawFeature(light[i]!, excess[i]!) > strawLine ? STRAW : SOIL;
  }
  fillUnknown(mask, unknown, width, height);
  const share = [0, 0, 0];
  for (const m of mask) share[m]!++;
  const error = 0.03 + 0.35 * (near / n) + 0.2 * (dark / n) + 0.3 * (glare / n);
  return {
    green: share[GREEN]! / n,
    straw: share[STRAW]! / n,
    soil: share[SOIL]! / n,
    error: Math.min(0.3, error),
    shadow: dark / n,
    glare: glare / n,
    line,
    mask,
    width,
    height,
  };
}

const SOIL = 0;
const STRAW = 1;
const GREEN = 2;
/** Pixels so close to the line may fall on either side. */
const NEAR = 0.025;

interface Small {
  data: Float32Array;
  width: number;
  height: number;
}

/** Means over blocks: three channels, 0..255. */
function shrink({ data, width, height }: Picture): Small {
  const times = Math.max(1, Math.max(width, height) / LONGEST_PX);
  const w = Math.max(1, Math.floor(width / times));
  const h = Math.max(1, Math.floor(height / times));
  const out = new Float32Array(w * h * 3);
  for (let y = 0; y < h; y++) {
    const y0 = Math.floor(y * times);
    const y1 = Math.max(y0 + 1, Math.min(height, Math.floor((y + 1) * times)));
    for (let x = 0; x < w; x++) {
      const x0 = Math.floor(x * times);
      const x1 = Math.max(x0 + 1, Math.min(width, Math.floor((x + 1) * times)));
      let r = 0;
      let g = 0;
      let b = 0;
      for (let v = y0; v < y1; v++)
        for (let u = x0; u < x1; u++) {
          const i = (v * width + u) * 4;
          r += data[i]!;
          g += data[i + 1]!;
          b += data[i + 2]!;
        }
      const k = (y1 - y0) * (x1 - x0);
      const o = (y * w + x) * 3;
      out[o] = r / k;
      out[o + 1] = g / k;
      out[o + 2] = b / k;
    }
  }
  return { data: out, width: w, height: h };
}

/** Level of each channel that the brightest tenth reaches; a cast of evening or shade is taken out no further than by a third. */
function white({ data }: Small): [number, number, number] {
  const levels = [0, 1, 2].map((c) => {
    const heap = new Uint32Array(256);
    for (let i = c; i < data.length; i += 3) heap[Math.min(255, Math.round(data[i]!))]!++;
    const wanted = data.length / 3 / 10;
    let sum = 0;
    let level = 255;
    for (; level > 0 && sum < wanted; level--) sum += heap[level]!;
    return Math.max(DARKEST_WHITE, level);
  });
  const top = Math.max(...levels);
  return levels.map((l) => Math.max(l, top * LEAST_CAST)) as [number, number, number];
}
const LEAST_CAST = 0.75;
/** The brightest tenth of a picture that can be read is no darker than this; below it the picture is night. */
const DARKEST_WHITE = 70;

const BINS = 120;

/** The value between two heaps that sets them furthest apart; undefined where there is one heap. */
function between(
  values: Float32Array,
  skip: Uint8Array,
  low: number,
  high: number,
  leastApart: number,
): number | undefined {
  const heap = new Float64Array(BINS);
  let n = 0;
  for (let i = 0; i < values.length; i++) {
    if (skip[i]) continue;
    const k = Math.floor(((values[i]! - low) / (high - low)) * BINS);
    heap[Math.max(0, Math.min(BINS - 1, k))]!++;
    n++;
  }
  if (n === 0) return undefined;
  let total = 0;
  for (let k = 0; k < BINS; k++) total += k * heap[k]!;
  let count = 0;
  let sum = 0;
  let best = -1;
  let at = 0;
  let apart = 0;
  for (let k = 0; k < BINS - 1; k++) {
    count += heap[k]!;
    sum += k * heap[k]!;
    if (count === 0 || count === n) continue;
    const a = sum / count;
    const b = (total - sum) / (n - count);
    const score = count * (n - count) * (a - b) * (a - b);
    if (score > best) [best, at, apart] = [score, k + 1, b - a];
  }
  // Heaps closer than this are one.
  if ((apart / BINS) * (high - low) < leastApart) return undefined;
  return low + (at / BINS) * (high - low);
}
/** Leaf and ground closer than this are one heap. */
const GREEN_APART = 0.08;

/** Straw is brighter and yellower than soil: one feature of both, with a line between its two heaps. */
const strawFeature = (light: number, excess: number): number => light + YELLOW * excess;
const YELLOW = 3;
/** Soil alone is uneven too: heaps closer than this are all soil, or where everything is that bright, all straw. */
const STRAW_APART = 0.38;
const ALL_STRAW = 0.62;

function strawLineOf(
  light: Float32Array,
  excess: Float32Array,
  raw: Float32Array,
  unknown: Uint8Array,
  line: number,
): number {
  const feature = light.map((l, i) => strawFeature(l, excess[i]!));
  const skip = Uint8Array.from(unknown, (u, i) => (u || excess[i]! > line ? 1 : 0));
  const found = between(feature, skip, -0.3, 1.5, STRAW_APART);
  if (found !== undefined) return found;
  // One heap: what it is, only its brightness as it came tells.
  let sum = 0;
  let n = 0;
  for (let i = 0; i < raw.length; i++)
    if (!skip[i]) {
      sum += raw[i]!;
      n++;
    }
  return n > 0 && sum / n > ALL_STRAW ? -Infinity : Infinity;
}

/** What is too dark or too bright takes what most of its neighbours are, as far as two pixels away. */
function fillUnknown(mask: Uint8Array, unknown: Uint8Array, width: number, height: number): void {
  const known = Uint8Array.from(mask);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (!unknown[y * width + x]) continue;
      const votes = [0, 0, 0];
      for (let v = Math.max(0, y - REACH); v <= Math.min(height - 1, y + REACH); v++)
        for (let u = Math.max(0, x - REACH); u <= Math.min(width - 1, x + REACH); u++)
          if (!unknown[v * width + u]) votes[known[v * width + u]!]!++;
      const most = Math.max(...votes);
      if (most > 0) mask[y * width + x] = votes.indexOf(most);
    }
}
const REACH = 2;

/** Twenty points along a string: share with its range, eight in ten sure, when so many of them lay on leaf. */
export function pointCover(hits: number, points = 20): { share: number; error: number } {
  const share = (hits + 0.5) / (points + 1);
  return { share: hits / points, error: 1.28 * Math.sqrt((share * (1 - share)) / points) };
}
