import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { methods, species, speciesOf } from '../../catalogue/catalogue.ts';
import {
  crimpKills,
  cutKills,
  diesRipe,
  digKills,
  flameKills,
  grazeKills,
  henKills,
  hoeKills,
  mowKills,
  pigKills,
  pullKills,
  smotherKills,
  TRIM_KILLS,
} from './kill.ts';
import { killsWeakened, killTables, leftAlive, leftOf, lucky, passKills } from './left.ts';
import { STUBBLE } from './stubble.ts';
import { OPENS, PASS_KINDS, type PassKind, takeApart, TRIMS } from './method.ts';

const rye = speciesOf('cereal-rye');
const vetch = speciesOf('hairy-vetch');
const clover = speciesOf('white-clover');
const buckwheat = speciesOf('buckwheat');
const radish = speciesOf('tillage-radish');
const ryegrass = speciesOf('annual-ryegrass');
const round = (x: number) => Number(x.toFixed(3));

describe('a crimper', () => {
  test('hardly bends rye before its boot, takes three in ten at boot and nineteen of twenty at half anthesis', () => {
    expect([1, 2, 2.6, 3, 4].map((s) => crimpKills(rye, s))).toEqual([0.02, 0.3, 0.77, 0.95, 0.98]);
    expect(crimpKills(rye, 2.3)).toBeCloseTo(0.535, 9);
  });
  test('takes vetch by its early pods, and never what comes from crowns for ever', () => {
    expect([2, 3, 3.5, 4].map((s) => crimpKills(vetch, s))).toEqual([0.38, 0.8, 0.9, 0.96]);
    expect([1, 3, 4.6].map((s) => crimpKills(clover, s))).toEqual([0.25, 0.25, 0.25]);
  });
  test('takes broad plants with one catalogue stage from that stage on', () => {
    expect(crimpKills(buckwheat, 3)).toBe(0.85);
    expect(round(crimpKills(buckwheat, 2))).toBe(0.5);
    expect(crimpKills(buckwheat, 1)).toBeCloseTo(0.15, 9);
  });
});

describe('a blade', () => {
  test('takes rye at boot in half, in flower in nine of ten; ryegrass in flower in less than half', () => {
    expect([2, 3].map((s) => cutKills(rye, s))).toEqual([0.55, 0.93]);
    expect(cutKills(ryegrass, 3)).toBe(0.42);
  });
  test('takes no more than a few of a hundred of what shears for ever', () => {
    expect(cutKills(clover, 1)).toBeCloseTo(0.145, 9);
    expect(cutKills(clover, 5)).toBe(cutKills(clover, 1));
    // A kind that flowers in its second year keeps its crown until then: leafy it comes again as a grass does, and an annual with as much regrowth does not.
    const sweet = speciesOf('yellow-sweetclover');
    expect([1, 3].map((s) => round(cutKills(sweet, s)))).toEqual([0.28, 0.92]);
    expect(round(cutKills(radish, 1))).toBe(0.65);
  });
  test('a mower leaves a stubble: fifteen points less of a grass before it flowers, two after', () => {
    expect(round(cutKills(rye, 2) - mowKills(rye, 2))).toBe(0.15);
    expect(round(cutKills(rye, 3) - mowKills(rye, 3))).toBe(0.02);
    expect(round(cutKills(radish, 2) - mowKills(radish, 2))).toBe(0.1);
    expect(mowKills(ryegrass, 1)).toBe(0.02);
  });
  test('ruminants take three quarters of what a mower does', () => {
    expect(grazeKills(rye, 3)).toBeCloseTo(0.75 * 0.91, 9);
  });
  test('hay is cut at a hand’s height, and a trim loses the odd plant', () => {
    expect(passKills('take-hay', rye, 3, 500)).toBeCloseTo(0.5 * 0.91, 9);
    expect([passKills('mow-high', rye, 3, 500), TRIM_KILLS]).toEqual([0.03, 0.03]);
    expect(passKills('take-hay', ryegrass, 1, 500)).toBe(0.03);
  });
});

describe('seedlings and grown stands', () => {
  test('a flame takes tender broad seedlings, half of grass seedlings, and a third of what stands', () => {
    expect([flameKills(buckwheat, 1.2, 20), flameKills(rye, 1.2, 20)]).toEqual([0.92, 0.55]);
    expect([flameKills(buckwheat, 1.2, 25), flameKills(rye, 3, 400)]).toEqual([0.35, 0.25]);
  });
  test('a hoe takes seedlings and cuts what is grown', () => {
    expect([hoeKills(buckwheat, 1.3, 40), hoeKills(rye, 1.3, 40)]).toEqual([0.93, 0.8]);
    expect(hoeKills(rye, 3, 300)).toBe(cutKills(rye, 3));
    expect(hoeKills(buckwheat, 1.6, 40)).toBe(cutKills(buckwheat, 1.6));
  });
  test('hens take seedlings, most of soft annuals, few grasses before they flower, hardly a perennial', () => {
    expect(henKills(rye, 1.2, 20)).toBe(0.9);
    expect([henKills(vetch, 2, 300), henKills(buckwheat, 2, 300), henKills(radish, 2, 300)]).toEqual([
      0.65, 0.65, 0.55,
    ]);
    expect([henKills(rye, 2, 300), henKills(rye, 3, 300), henKills(clover, 3, 300)]).toEqual([
      0.18, 0.45, 0.12,
    ]);
  });
});

describe('turned, rooted out, smothered', () => {
  test('a spade takes taprooted kinds best and creeping ones least', () => {
    expect([digKills(buckwheat), digKills(clover)]).toEqual([0.95, 0.84]);
    expect([pigKills(buckwheat), pigKills(rye), pigKills(clover)]).toEqual([0.9, 0.8, 0.8]);
    expect([pullKills(rye), pullKills(clover), pullKills(ryegrass)]).toEqual([0.96, 0.75, 0.75]);
    expect([buckwheat, rye, clover].map(smotherKills)).toEqual([0.97, 0.92, 0.65]);
  });
  test('ripe annuals are dead ones; what shears, lasts or sprouts again in warmth is not', () => {
    expect([rye, vetch, buckwheat].map(diesRipe)).toEqual([true, true, true]);
    expect([clover, speciesOf('sorghum-sudangrass'), speciesOf('alfalfa')].map(diesRipe)).toEqual([
      false,
      false,
      false,
    ]);
  });
});

describe('any pass on any kind', () => {
  const kinds = fc.constantFrom(...species);
  const stage = fc.double({ min: 1, max: 5, noNaN: true });
  const mass = fc.double({ min: 1, max: 1500, noNaN: true });
  test('kills a share, and what stands later is no harder to press or to cut', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PASS_KINDS), kinds, stage, mass, (kind, sp, at, dm) => {
        const share = passKills(kind, sp, at, dm);
        return share >= 0 && share < 1;
      }),
      { numRuns: 400 },
    );
    fc.assert(
      fc.property(kinds, stage, stage, (sp, a, b) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        return (
          crimpKills(sp, high) >= crimpKills(sp, low) - 1e-9 &&
          cutKills(sp, high) >= cutKills(sp, low) - 1e-9 &&
          mowKills(sp, high) <= cutKills(sp, high) + 1e-9
        );
      }),
      { numRuns: 400 },
    );
  });
  test('the tables that the search goes by say what the passes say', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...methods),
        kinds,
        stage,
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (m, sp, at, odds) => {
          const { kills } = takeApart(m);
          // A pass that kills more from one stage on rises there within one step of the table, a hundredth of a stage.
          const near = [at - 0.01, at, at + 0.01].map((x) => leftAlive(kills, sp, x, 400, odds));
          const told = leftOf(kills, killTables(kills, sp), at, odds);
          return told > Math.min(...near) - 0.02 && told < Math.max(...near) + 0.02;
        },
      ),
      { numRuns: 3000 },
    );
  });
});

describe('passes in a row', () => {
  const kills = (...passes: [PassKind, number][]) => passes.map(([kind, after_d]) => ({ kind, after_d }));
  test('a second cut meets weakened plants: a fifth more of what one kills, and six in ten at the most', () => {
    expect(killsWeakened('cut', 0.42, false)).toBeCloseTo(0.504, 9);
    expect(killsWeakened('cut', 0.55, false)).toBeCloseTo(0.6, 9);
    expect(killsWeakened('cut', 0.9, false)).toBe(0.9);
    // What sprouts from crowns for ever loses a quarter at the most, but for a spade.
    expect(killsWeakened('cut', 0.24, true)).toBeCloseTo(0.25, 9);
    expect(killsWeakened('dig', 0.55, true)).toBeCloseTo(0.6, 9);
    const twice = leftAlive(kills(['cut', 0], ['cut', 14]), rye, 2, 400, 1);
    expect(twice).toBeCloseTo(0.45 * 0.4, 9);
  });
  test('within two days it is one and the same blow, the better of the two', () => {
    const both = leftAlive(kills(['crimp', 0], ['cut', 2]), rye, 2, 400, 1);
    expect(both).toBeCloseTo(1 - 0.55, 9);
    expect(leftAlive(kills(['crimp', 0], ['cut', 3]), rye, 2, 400, 1)).toBeLessThan(both);
  });
  test('luck moves the odds and never makes more than a whole or less than nothing', () => {
    expect(lucky(0.5, 2)).toBeCloseTo(2 / 3, 9);
    expect([lucky(0, 3), lucky(1, 0.3), lucky(0.9, 1)]).toEqual([0, 1, 0.9]);
  });
});

describe('a way taken apart', () => {
  const way = (id: string) => takeApart(methods.find((m) => m.id === id)!);
  test('says what covers, what waits, what is turned and what is carried off', () => {
    expect(way('sheet')).toMatchObject({
      covering: 'sheet',
      waits: null,
      digs: false,
      stays: 1,
      handling: 'sheet',
    });
    expect(way('winterkill')).toMatchObject({
      covering: null,
      waits: 'frost',
      handling: 'winterkilled',
      kills: [],
    });
    expect(way('dig')).toMatchObject({ digs: true, handling: 'buried' });
    expect(way('cut-rake')).toMatchObject({ stays: 0.12, handling: 'removed' });
    expect(way('cut-plant')).toMatchObject({ plantsAtOnce: true });
    expect(way('crimp')).toMatchObject({ presses: true, loweredFirst: true });
    expect(way('flail').decayTimes).toBe(1.45);
    expect(way('hens')).toMatchObject({ manure_g_m2: 4, stays: 0.5, handling: 'animals' });
  });
  test('trims end nothing, and only what is turned, pulled or raked off opens the ground', () => {
    for (const kind of TRIMS)
      expect(takeApart({ id: 'x', passes: [{ kind: kind as PassKind, after_d: 0 }] }).keeps).toBe(true);
    expect([...OPENS].sort()).toEqual(['bury', 'dig', 'pull', 'rake-off']);
    expect(way('cut').keeps).toBe(false);
  });
});

test('what cuts, eats, burns or turns a plant takes its growing tip; what bends or trims it, or picks its shoots, does not', () => {
  const tips = (gone: boolean) =>
    Object.entries(STUBBLE)
      .filter(([, s]) => s.tipsGone === gone)
      .map(([kind]) => kind);
  expect(tips(false).sort()).toEqual(['crimp', 'flatten', 'mow-high', 'pick-shoots']);
  expect(tips(true)).toEqual(
    expect.arrayContaining(['cut', 'mow', 'graze', 'take-hay', 'flame', 'hens', 'dig']),
  );
});
