import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { findSpecies, membersOf } from '../../catalogue/catalogue.ts';
import { ringArea_m2, sowableArea_m2 } from '../area/area.ts';
import { RATE_UNIT_NAMES, parseRate_g_m2, rateFrom_g_m2, rateIn } from '../units/rate.ts';
import { cupAnswer, flowSense, keepMoist, litresFor, minutesFor, nurseStraw } from '../watering/watering.ts';
import { inoculant_g } from './inoculant.ts';
import { latenessFactor } from './lateness.ts';
import { cheapestPacks } from './packs.ts';
import { senseOfRate } from './sense.ts';
import { countShares, massShares, withShare } from './shares.ts';
import { drawFromShelf } from './shelf.ts';
import { germinationNow, germinationRange } from './viability.ts';
import { weightFor } from './weight.ts';

const rye = membersOf([{ speciesId: 'cereal-rye', share: 1 }]);

describe('rates', () => {
  test('120 lb/acre is 13.45 g/m², 3 oz per 100 sq ft 9.15, 15 kg/ha 1.5; each unit there and back', () => {
    const read = (t: string) => {
      const r = parseRate_g_m2(t);
      return r.ok ? Math.round(r.value * 100) / 100 : r.failure.code;
    };
    expect(
      [
        '120 lb/acre',
        '3 oz per 100 sq ft',
        '15 kg/ha',
        '1,5 g/m2',
        '40 oz/1000 ft²',
        '12 bushels',
        'much',
        '9000 g/m2',
      ].map(read),
    ).toEqual([13.45, 9.15, 1.5, 1.5, 12.21, 'rate-unit', 'rate-unreadable', 'rate-range']);
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 200, noNaN: true }),
        fc.constantFrom(...RATE_UNIT_NAMES),
        (g, u) => Math.abs(rateFrom_g_m2(rateIn(g, u), u) / g - 1) < 1e-12,
      ),
    );
  });
  test('by the bed, by the packet, by any piece of ground: as bags print it', () => {
    const read = (t: string, by = { bed_m2: 8, packet_g: 50 } as Parameters<typeof parseRate_g_m2>[1]) => {
      const r = parseRate_g_m2(t, by);
      return r.ok ? Math.round(r.value * 100) / 100 : r.failure.code;
    };
    expect(
      ['40 g per bed', '40g/bed', '80 g for 2 beds', '1 packet per bed', 'a packet for 5 m²'].map((t) =>
        read(t),
      ),
    ).toEqual([5, 5, 5, 6.25, 10]);
    expect(
      ['2 packets for 10 m²', 'packet sows 25 sq ft', '1/4 lb/100 sq ft', '½ oz per 4 x 8 ft'].map((t) =>
        read(t),
      ),
    ).toEqual([10, 21.53, 12.21, 4.77]);
    expect(['1 lb per 2,000 sq ft', '20 g/10 m2', '2 kg/are'].map((t) => read(t))).toEqual([2.44, 2, 20]);
    expect(['40 g per bed', 'a packet for 5 m²'].map((t) => read(t, {}))).toEqual([
      'rate-wants-bed',
      'rate-wants-packet',
    ]);
    expect(
      ['40 per bed', '40 g per moon', '40 g', '40 stone per bed', '', 'per bed', '9 kg per bed'].map((t) =>
        read(t),
      ),
    ).toEqual([
      'rate-unit',
      'rate-unit',
      'rate-unit',
      'rate-unit',
      'rate-unreadable',
      'rate-unreadable',
      'rate-range',
    ]);
    // Whatever is typed is read or refused, never thrown at.
    fc.assert(
      fc.property(fc.string(), (t) => typeof read(t) === 'number' || String(read(t)).startsWith('rate-')),
    );
  });
  test('150 g of rye on 10 m² is sensible, 30 g far too thin, half a kilo wasteful', () => {
    expect([150, 30, 70, 500].map((g) => senseOfRate((g / 10) * 0.9, rye, 1))).toEqual([
      'sensible',
      'far-too-thin',
      'thin',
      'wasteful',
    ]);
  });
  test('two weeks late asks for a quarter more seed, no week for more than half more', () => {
    expect([latenessFactor(0), latenessFactor(2), latenessFactor(9), latenessFactor(-3)]).toEqual([
      1, 1.25, 1.5, 1,
    ]);
  });
});

describe('areas to the gram, in both systems', () => {
  const grams = (area_m2: number) =>
    weightFor({
      area_m2,
      rate_g_m2: 10,
      share: 1,
      wayFactor: 1.5,
      mixFactor: 1,
      germination: 0.8,
      hard: 0,
      purity: 0.95,
      coating: 0.34,
    }).weigh_g;
  test('1.2 m x 8 m with two plates and a tub leaves 9.22 m²; coated clover seed on it weighs 276 g', () => {
    const area = sowableArea_m2(
      9.6,
      [
        { width_m: 0.3, length_m: 0.3, count: 2 },
        { width_m: 0.5, length_m: null, count: 1 },
      ],
      null,
    );
    expect(area).toBeCloseTo(9.2237, 3);
    expect(Math.round(grams(area))).toBe(276);
  });
  test('4 ft x 20 ft is 7.43 m²: 222 g, that is 7.8 oz; a pot of 0.05 m² 1.5 g; an acre 121 kg', () => {
    const ft2 = 0.09290304;
    expect([80 * ft2, 0.05, 43_560 * ft2].map((a) => Math.round(grams(a) * 10) / 10)).toEqual([
      222.3, 1.5, 121_018.4,
    ]);
    expect(Math.round((grams(80 * ft2) / 28.349523125) * 10) / 10).toBe(7.8);
  });
  test('an L-shaped bed has the area of its two arms, whichever way round its corners are named; strips count alone', () => {
    const l: [number, number][] = [
      [0, 0],
      [4, 0],
      [4, 1],
      [1, 1],
      [1, 3],
      [0, 3],
    ];
    expect([ringArea_m2(l), ringArea_m2([...l].reverse())]).toEqual([6, 6]);
    expect(
      sowableArea_m2(60, [{ width_m: 1, length_m: 1, count: 1 }], { count: 4, width_m: 0.4, length_m: 10 }),
    ).toBe(16);
  });
});

describe('shares', () => {
  test('rye and vetch half and half by weight are 55 : 45 by seeds, and back', () => {
    expect(countShares([0.5, 0.5], [25, 30]).map((s) => Math.round(s * 100))).toEqual([55, 45]);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 2, maxLength: 5 }),
        (raw) => {
          const sum = raw.reduce((s, x) => s + x, 0);
          const tsw = raw.map((_, i) => 2 + i * 40);
          const back = massShares(
            countShares(
              raw.map((x) => x / sum),
              tsw,
            ),
            tsw,
          );
          return back.every((x, i) => Math.abs(x - raw[i]! / sum) < 1e-9);
        },
      ),
    );
    expect(withShare([0.4, 0.4, 0.2], 0, 0.7).map((s) => Math.round(s * 100))).toEqual([70, 20, 10]);
  });
});

describe('seed that lives', () => {
  test('40 of 50 sprouted: 0.80, between 0.69 and 0.88 nine times in ten', () => {
    const r = germinationRange({ sown: 50, sprouted: 40 });
    expect([r.low, r.mid, r.high].map((x) => Math.round(x * 100))).toEqual([69, 80, 88]);
  });
  test('the range holds the true share nine times in ten, give or take the steps of 50 seeds', () => {
    // Exact binomial sum, no chance: coverage at several true shares.
    for (const p of [0.3, 0.6, 0.8, 0.9]) {
      let held = 0;
      let term = (1 - p) ** 50;
      for (let k = 0; k <= 50; k++) {
        const r = germinationRange({ sown: 50, sprouted: k });
        if (r.low <= p && p <= r.high) held += term;
        term *= ((50 - k) / (k + 1)) * (p / (1 - p));
      }
      expect(held > 0.86 && held < 0.95).toBe(true);
    }
  });
  test('phacelia loses a fifth a year, rye a tenth, from fresh or from a test', () => {
    const of = (id: string) => findSpecies(id)!;
    expect(germinationNow(of('phacelia'), 2)).toBeCloseTo(0.512, 3);
    expect(germinationNow(of('cereal-rye'), 1, { sown: 50, sprouted: 45 })).toBeCloseTo(0.81, 3);
  });
});

describe('buying and drawing', () => {
  test('1200 g from packs of 250 g at 4 and 1 kg at 11: one of each, 50 g left', () => {
    expect(
      cheapestPacks(1200, [
        { size_g: 250, price: 4 },
        { size_g: 1000, price: 11 },
      ]),
    ).toEqual({ counts: [1, 1], bought_g: 1250, cost: 15, left_g: 50 });
    expect(cheapestPacks(100, [])).toBeUndefined();
  });
  test('packs always hold what is needed and no trial of counts is cheaper', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 2500 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
        (need, a, b) => {
          const packs = [
            { size_g: 100, price: a },
            { size_g: 450, price: b },
          ];
          const found = cheapestPacks(need, packs)!;
          let least = Infinity;
          for (let i = 0; i <= 25; i++)
            for (let j = 0; j <= 6; j++)
              if (i * 100 + j * 450 >= need) least = Math.min(least, i * a + j * b);
          return found.bought_g >= need && Math.abs(found.cost - least) < 1e-9;
        },
      ),
    );
  });
  test('old seed goes first, what one bed leaves goes to the next, treated seed not where it is eaten, and the rest is wanting', () => {
    const lots = [
      { id: 'new', speciesId: 'rye', left_g: 100, live: 0.9, treated: false },
      { id: 'old', speciesId: 'rye', left_g: 50, live: 0.5, treated: false },
      { id: 'red', speciesId: 'rye', left_g: 500, live: 0.9, treated: true },
    ];
    const need = (coverId: string, viable_g: number) => ({
      bedId: coverId,
      coverId,
      speciesId: 'rye',
      viable_g,
      untreatedOnly: true,
    });
    const { drawn, wanting_g } = drawFromShelf([need('a', 40), need('b', 90)], lots);
    expect(drawn.map((d) => [d.lotId, d.coverId, Math.round(d.take_g * 10) / 10])).toEqual([
      ['old', 'a', 50],
      ['new', 'a', 16.7],
      ['new', 'b', 83.3],
    ]);
    expect(wanting_g.get('rye')).toBeCloseTo(15, 9);
  });
  test('60 g of crimson clover takes 0.6 g of inoculant, a kilo of beans 2.5 g', () => {
    expect([inoculant_g(60, 4), inoculant_g(1000, 450)]).toEqual([0.6, 2.5]);
  });
});

describe('watering in', () => {
  test('12 mm on 9.6 m² is 115 litres, six and a half minutes at 18 l/min', () => {
    expect([Math.round(litresFor(12, 9.6)), Math.round(minutesFor(12, 9.6, 18) * 10) / 10]).toEqual([
      115, 6.4,
    ]);
  });
  test('cups of 4, 5, 6 and 5 mm in 15 minutes: 20 mm/h, uniformity 0.90, driest quarter 0.80; a claim of 480 l/min is no tap', () => {
    const a = cupAnswer({ cups_mm: [4, 5, 6, 5], minutes: 15 }, 9.6)!;
    expect([a.mm_h, a.uniformity, a.lowestQuarter]).toEqual([20, 0.9, 0.8]);
    expect([flowSense(a.flow_l_min), flowSense(480), flowSense(0.05)]).toEqual([
      'likely',
      'impossible',
      'trickle',
    ]);
    expect(cupAnswer({ cups_mm: [1, 2], minutes: 5 }, 9)).toBeUndefined();
  });
  test('warm days want water daily, cool ones every fourth; 9.6 m² take 1.2 kg of nurse straw', () => {
    expect([25, 18, 12, 8].map((t) => keepMoist(t).every_d)).toEqual([1, 2, 3, 4]);
    expect(Math.round(nurseStraw(9.6).kilograms * 100) / 100).toBe(1.25);
  });
});
