import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seedOf, streamOf } from '../random/stream.ts';
import { countedRate, throwAdvice } from './count.ts';
import { countSquares, cvOfPasses, evennessOf, lostToUnevenness } from './evenness.ts';
import { CAREFUL_HAND, drift_m, fanSd_m, type Hand } from './hand.ts';
import { runOutAdvice } from './runOut.ts';
import { castsOf, crossedPortions, throwAll } from './walk.ts';

const bed = { length_m: 8, width_m: 1.2 };
const field = { length_m: 20, width_m: 5 };
const mean = (of: (k: number) => number, times: number) =>
  Array.from({ length: times }, (_, k) => of(k)).reduce((s, x) => s + x, 0) / times;
const cvOf = (hand: Hand, passes: number, ground = field, mg = 25, times = 10) =>
  mean(
    (k) =>
      evennessOf(
        throwAll(
          crossedPortions(200 * ground.length_m * ground.width_m, passes),
          ground,
          hand,
          mg,
          streamOf(k),
        ),
        ground,
      ).cv,
    times,
  );

describe('against theory', () => {
  test('a machine’s wide fan comes to counting noise alone inside the field: CV is 1/sqrt(mean) within a tenth', () => {
    const hand = { ...CAREFUL_HAND, unsteadiness: 0, reach_m: 4, stride_m: 0.25, lane_m: 0.25 };
    const wide = { length_m: 20, width_m: 20 };
    const ratio = mean((k) => {
      const places = throwAll(crossedPortions(24_000, 1), wide, hand, 25, streamOf(k));
      // The middle of the field, away from the edges where half of the fan is missing.
      const inner = places.map((p) => p - 5);
      const grid = countSquares(inner, { length_m: 10, width_m: 10 }, 0.5);
      const m = grid.counts.reduce((s, c) => s + c, 0) / grid.counts.length;
      const v = grid.counts.reduce((s, c) => s + (c - m) ** 2, 0) / grid.counts.length;
      return v / m;
    }, 4);
    expect(Math.abs(ratio - 1)).toBeLessThan(0.1);
  });
  test('seed lost over the edges of one lane is what the normal fan leaves outside, within half a point in a hundred', () => {
    const hand = { ...CAREFUL_HAND, unsteadiness: 0, lane_m: 2, stride_m: 0.5 };
    const long = { length_m: 200, width_m: 1.2 };
    const z = long.width_m / 2 / fanSd_m(hand);
    // Two tails of the normal law (Abramowitz and Stegun 1964, 26.2.17).
    const tail = (x: number) => {
      const t = 1 / (1 + 0.2316419 * x);
      const poly =
        t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
      return (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * poly;
    };
    const { lostShare } = evennessOf(throwAll(crossedPortions(60_000, 1), long, hand, 25, streamOf(3)), long);
    expect(Math.abs(lostShare - 2 * tail(z))).toBeLessThan(0.005);
  });
  test('what differs from throw to throw shrinks with their number: CV² falls on the line built-in + each-time/passes', () => {
    const squares = [1, 2, 4, 8].map(
      (n) => cvOf({ ...CAREFUL_HAND, reach_m: 2, lane_m: 1.2 }, n, field, 25, 12) ** 2,
    );
    const each = (squares[0]! - squares[3]!) / (1 - 1 / 8);
    const builtIn = squares[0]! - each;
    for (const [i, n] of [1, 2, 4, 8].entries())
      expect(
        Math.abs(Math.sqrt(squares[i]!) - cvOfPasses(Math.sqrt(Math.max(0, builtIn)), Math.sqrt(each), n)),
      ).toBeLessThan(0.03);
  });
});

describe('against what field trials count on quarter-metre squares', () => {
  test('a careful hand: one pass 0.35-0.50, two crossed 0.25-0.40, four 0.20-0.30; a first day 0.50-0.80', () => {
    for (const ground of [bed, field]) {
      const at = [1, 2, 4].map((n) => cvOf(CAREFUL_HAND, n, ground));
      expect(at[0]! > 0.35 && at[0]! < 0.5).toBe(true);
      expect(at[1]! > 0.25 && at[1]! < 0.4).toBe(true);
      expect(at[2]! > 0.2 && at[2]! < 0.3).toBe(true);
      const first = cvOf({ ...CAREFUL_HAND, unsteadiness: 0.5 }, 1, ground);
      expect(first > 0.5 && first < 0.8).toBe(true);
    }
  });
  test('wind of 4 m/s adds 8 to 25 points to seed of 2 mg on open ground and less to seed of 450 mg', () => {
    const windy = { ...CAREFUL_HAND, wind_m_s: 4 };
    const added = (mg: number) => cvOf(windy, 2, field, mg) - cvOf(CAREFUL_HAND, 2, field, mg);
    expect(added(2) > 0.08 && added(2) < 0.25).toBe(true);
    expect(added(450)).toBeLessThan(added(2));
    expect(drift_m(3, 2)).toBeCloseTo(0.46, 2);
  });
  test('CV 0.5 at twice the density of half yield costs 5.6 % of the stand', () => {
    expect(lostToUnevenness(0.5, 2)).toBeCloseTo(0.0556, 3);
  });
});

describe('seeds are neither made nor lost', () => {
  test('every seed of every portion lands somewhere, inside or outside, and the same stream lands it the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3000 }),
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (seeds, n, unsteadiness) => {
          const hand = { ...CAREFUL_HAND, unsteadiness };
          const portions = crossedPortions(seeds, n);
          const casts = castsOf(portions[0]!, bed, hand, streamOf(seeds));
          const places = throwAll(portions, bed, hand, 25, streamOf(seeds));
          const grid = countSquares(places, bed, 0.1);
          return (
            casts.reduce((s, c) => s + c.seeds, 0) === portions[0]!.seeds &&
            places.length === 2 * seeds &&
            grid.counts.reduce((s, c) => s + c, 0) + grid.outside === seeds &&
            throwAll(portions, bed, hand, 25, streamOf(seeds)).join() === places.join()
          );
        },
      ),
      { numRuns: 40 },
    );
  });
});

/** Counts of `n` hand-sized squares taken at random from thrown seed, and what the bed truly got. */
function countOn(k: number, n: number, passes: number, unsteadiness: number, side_m = 0.2) {
  const stream = streamOf(seedOf(`frames ${k} ${n} ${passes}`));
  const hand = { ...CAREFUL_HAND, unsteadiness };
  const grid = countSquares(throwAll(crossedPortions(2880, passes), bed, hand, 25, stream), bed, side_m);
  const counts = Array.from(
    { length: n },
    () => grid.counts[Math.floor(stream.uniform() * grid.counts.length)]!,
  );
  return { counts, truth_m2: grid.counts.reduce((s, c) => s + c, 0) / 9.6, frame_m2: grid.square_m2 };
}

describe('counting in a frame', () => {
  test('the stated range holds the truth in 86 to 99 of 100 beds for a careful hand, in 80 or more on a first day', () => {
    for (const n of [3, 8])
      for (const [passes, unsteadiness, least] of [
        [1, 0.3, 0.86],
        [2, 0.3, 0.86],
        [1, 0.5, 0.8],
      ] as const) {
        const held = mean((k) => {
          const c = countOn(k, n, passes, unsteadiness);
          const { low, high } = countedRate(c)!.seeds_m2;
          return low <= c.truth_m2 && c.truth_m2 <= high ? 1 : 0;
        }, 200);
        expect(
          held > least && held < 0.99 ? 'held' : `${n} frames, ${passes} throws, ${unsteadiness}: ${held}`,
        ).toBe('held');
      }
  });
  test('5, 9 and 7 seeds in frames of 10 x 10 cm: 700 a square metre, 380 to 1280', () => {
    const { low, mid, high } = countedRate({ frame_m2: 0.01, counts: [5, 9, 7] })!.seeds_m2;
    expect([low, mid, high].map((x) => Math.round(x / 10) * 10)).toEqual([380, 700, 1280]);
  });
  test('nothing counted is no rate; nothing found is no certainty', () => {
    expect(countedRate({ frame_m2: 0.01, counts: [] })).toBeUndefined();
    expect(countedRate({ frame_m2: 0.01, counts: [0, 0] })!.seeds_m2.high).toBeGreaterThan(20);
  });
  test('twelve counts after the first of three throws take a quarter or more off the error of the whole bed, for hands that miss by 30 %', () => {
    const stream = streamOf(77);
    const meant = 300;
    let plain = 0;
    let advised = 0;
    for (let k = 0; k < 160; k++) {
      const bias = Math.max(0.4, 1 + 0.3 * stream.normal());
      const seeds = Math.round((meant / 3) * bias * 9.6 * 1.2);
      const grid = countSquares(throwAll([{ seeds, along: true }], bed, CAREFUL_HAND, 25, stream), bed, 0.2);
      const truth = grid.counts.reduce((s, c) => s + c, 0) / 9.6;
      const counts = Array.from(
        { length: 12 },
        () => grid.counts[Math.floor(stream.uniform() * grid.counts.length)]!,
      );
      const { handful } = throwAdvice(countedRate({ frame_m2: grid.square_m2, counts })!, meant, 1 / 3);
      plain += Math.abs(truth * 3 - meant);
      advised += Math.abs(truth + 2 * truth * handful - meant);
    }
    expect(advised / plain).toBeLessThan(0.75);
  });
  test('a bed on the mark is left alone, twice the rate after one of two throws asks for small handfuls', () => {
    const rate = (x: number) => ({ seeds_m2: { low: x * 0.9, mid: x, high: x * 1.1 }, cv: 0.3 });
    expect(throwAdvice(rate(152), 300, 0.5)).toMatchObject({ say: 'on-the-mark', handful: 1 });
    expect(throwAdvice(rate(280), 300, 0.5)).toMatchObject({ say: 'heavy', handful: 0.4 });
    expect(throwAdvice(rate(90), 300, 0.5).handful).toBeGreaterThan(1.5);
  });
});

describe('a bag that ran out, or did not', () => {
  test('300 g in three, the second empty at three quarters: 25 g to the strip, 75 g over the bed', () => {
    expect(
      runOutAdvice({ meant_g: 300, portions: 3, done: 1, reached: 0.75, left_g: 0, shelf_g: 0 }),
    ).toMatchObject({
      say: 'strip-first',
      strip_g: 25,
      each_g: 75,
    });
  });
  test('no advice gives out more than there is', () => {
    fc.assert(
      fc.property(
        fc.record({
          meant_g: fc.double({ min: 5, max: 3000, noNaN: true }),
          portions: fc.integer({ min: 1, max: 6 }),
          reached: fc.double({ min: 0.05, max: 1, noNaN: true }),
          left_g: fc.double({ min: 0, max: 50, noNaN: true }),
          shelf_g: fc.double({ min: 0, max: 500, noNaN: true }),
        }),
        fc.integer({ min: 0, max: 5 }),
        (r, done) => {
          if (done >= r.portions) return true;
          const run = { ...r, left_g: r.reached < 1 ? 0 : r.left_g, done };
          const a = runOutAdvice(run);
          const toCome = r.portions - done - 1;
          const have = (r.meant_g / r.portions) * toCome + run.left_g + r.shelf_g;
          const given =
            a.say === 'leave-and-mark' || a.say === 'nothing-to-do'
              ? 0
              : a.strip_g + a.each_g * Math.max(1, toCome);
          return given <= have + 1e-6;
        },
      ),
    );
  });
  test('the last bag empty with little under the strip: it is marked, not stretched', () => {
    expect(runOutAdvice({ meant_g: 90, portions: 1, done: 0, reached: 0.6, left_g: 0, shelf_g: 0 }).say).toBe(
      'leave-and-mark',
    );
    expect(
      runOutAdvice({ meant_g: 90, portions: 1, done: 0, reached: 0.6, left_g: 0, shelf_g: 40 }),
    ).toMatchObject({ say: 'take-from-shelf', strip_g: 36 });
    expect(
      runOutAdvice({ meant_g: 90, portions: 2, done: 0, reached: 1, left_g: 15, shelf_g: 0 }),
    ).toMatchObject({ say: 'spread-left-over', each_g: 60 });
  });
});
