import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { growPlan } from './grown.ts';
import { againstExpected, type GrowthDay, growthDays } from './growth.ts';

const FROM = dayOf('2026-09-01');
const ensemble = makeEnsemble(siteFromPattern(climates[0]!), FROM, 300, 12, 3);
const grown = growPlan(
  {
    members: membersOf([
      { speciesId: 'cereal-rye', share: 0.6 },
      { speciesId: 'hairy-vetch', share: 0.4 },
    ]),
    seed_g_m2: [7, 2],
    way: findWay('raked')!,
    soil: { texture: 'loam', fertility: 'fair' },
    watered: true,
    sownAt: 10,
    plantAt: 260,
    growUntil: 290,
    next: { ...crops[0]!, way: 'transplant' },
  },
  ensemble,
);

describe('the growth picture', () => {
  const days = growthDays(grown);
  test('runs from sowing on in steps of five days, every kind of its own, its warmth never falling', () => {
    expect(days[0]).toMatchObject({ day: FROM + 10, warmth_cd: 0 });
    expect(days[1]!.day).toBe(FROM + 15);
    // Five September days of a cool maritime climate.
    expect(days[1]!.warmth_cd).toBeGreaterThan(50);
    expect(days[1]!.warmth_cd).toBeLessThan(110);
    for (const [i, g] of days.entries()) {
      expect(g.stages).toHaveLength(2);
      if (i > 0) expect(g.warmth_cd).toBeGreaterThanOrEqual(days[i - 1]!.warmth_cd);
    }
    // Rye is ahead of the vetch beside it in spring.
    const may = days.find((g) => g.day >= dayOf('2027-05-15'))!;
    expect(may.stages[0]!.expected.mid).toBeGreaterThan(may.stages[1]!.expected.mid);
  });
  test('looks move what is expected now, never what was expected before anybody looked', () => {
    const order = grown.courses.map((_, y) => y);
    const at = 245;
    order.sort((a, b) => grown.courses[b]!.stage[at * 2]! - grown.courses[a]!.stage[at * 2]!);
    // Only the three quickest years have a say.
    const weights = new Float64Array(12);
    for (const y of order.slice(0, 3)) weights[y] = 1 / 3;
    const looked = growthDays({ ...grown, weights });
    const i = days.findIndex((g) => g.day === FROM + at);
    expect(looked[i]!.stages[0]!.expected).toEqual(days[i]!.stages[0]!.expected);
    expect(looked[i]!.coverExpected).toEqual(days[i]!.coverExpected);
    expect(looked[i]!.stages[0]!.now).toBeGreaterThan(days[i]!.stages[0]!.now);
  });
});

describe('what was seen against what was expected', () => {
  // A kind that comes to stage 1, 2, 3, 4 after 20, 60, 100 and 140 days.
  const growth = Array.from({ length: 30 }, (_, i): GrowthDay => {
    const mid = Math.min(4.4, i * 5 < 20 ? 0.5 : 1 + (i * 5 - 20) / 40);
    const spread = { low: mid - 0.4, mid, high: mid + 0.4 };
    return {
      day: 1000 + i * 5,
      warmth_cd: i * 60,
      cover: spread,
      height_m: spread,
      dryMatter_g_m2: spread,
      coverExpected: spread,
      stages: [{ now: mid, expected: spread }],
    };
  });
  test('a stage before its time is ahead, one after its time behind, in days', () => {
    expect(againstExpected(growth, 0, 3, 1090)).toEqual({ is: 'ahead', days: 10 });
    expect(againstExpected(growth, 0, 2, 1120)).toEqual({ is: 'behind', days: 20 });
    expect(againstExpected(growth, 0, 2, 1080)).toEqual({ is: 'as-expected', days: 0 });
    // Three days are the same day.
    expect(againstExpected(growth, 0, 3, 1097)).toEqual({ is: 'as-expected', days: 0 });
    expect(againstExpected(growth, 0, 2, 1103)).toEqual({ is: 'as-expected', days: 0 });
  });
  test('a stage that is not expected at all, and days outside the picture, tell nothing', () => {
    expect(againstExpected(growth, 0, 5, 1100)).toBeUndefined();
    expect(againstExpected(growth, 0, 3, 999)).toBeUndefined();
    expect(againstExpected(growth, 0, 3, 2000)).toBeUndefined();
    expect(againstExpected([], 0, 3, 1000)).toBeUndefined();
  });
});
