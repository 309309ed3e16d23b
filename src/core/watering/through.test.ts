import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { growPlan, type GrownPlan } from '../plan/grown.ts';
import { makeCourse } from '../stand/course.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { waterThrough } from './through.ts';

const FROM = dayOf('2027-06-01');
const DAYS = 120;
const members = membersOf([{ speciesId: 'cowpea', share: 1 }]);
const site = siteFromPattern(climates.find((c) => c.id === 'hot-semi-arid')!);

describe('watering through dry weeks', () => {
  /** A year whose root zone is dry on these evenings; alive until a day. */
  const year = (dry: number[], aliveUntil = DAYS) => {
    const c = makeCourse(DAYS, members);
    c.root_mm.fill(100);
    // 45 % of the 120 mm that a loam holds.
    for (const d of dry) c.root_mm[d] = 53.9;
    c.alive.fill(1, 0, aliveUntil);
    return c;
  };
  const of = (...years: ReturnType<typeof year>[]) =>
    ({
      plan: { soil: { texture: 'loam' }, sownAt: 0, members },
      ensemble: { fromDay: FROM, days: DAYS },
      courses: years,
    }) as unknown as GrownPlan;

  test('comes on the morning after an evening under 45 % of what the root zone holds, from today on and until it is ended', () => {
    const w = waterThrough(of(year([5, 20, 40, 60])), FROM + 10, FROM + 50);
    expect([w.next.mid, w.times.mid, w.mm]).toEqual([FROM + 21, 2, 15]);
    // An evening at just the mark is wet enough.
    const wet = year([]);
    wet.root_mm[20] = 54;
    expect(waterThrough(of(wet), FROM + 10, FROM + 50).times.mid).toBe(0);
  });
  test('today itself when yesterday evening was dry; not once it is dead', () => {
    expect(waterThrough(of(year([9])), FROM + 10, FROM + 50).next.mid).toBe(FROM + 10);
    expect(waterThrough(of(year([20, 30], 25)), FROM + 10, FROM + 50).times.mid).toBe(1);
  });
  test('is none where half of the years need none', () => {
    const two = waterThrough(of(year([20]), year([])), FROM + 10, FROM + 50);
    expect(two.next.mid).toBe(Infinity);
    const three = waterThrough(of(year([20]), year([30]), year([])), FROM + 10, FROM + 50);
    expect(three.next.mid).toBe(FROM + 31);
  });
  test('counts what the daily loop waters', () => {
    const plan = {
      members,
      seed_g_m2: [6],
      way: findWay('raked')!,
      soil: { texture: 'loam', fertility: 'fair' } as const,
      watered: false,
      irrigated: true,
      sownAt: 0,
      plantAt: 100,
      next: { ...crops.find((c) => c.id === 'broccoli')!, way: 'transplant' as const },
    };
    const grown = growPlan(plan, makeEnsemble(site, FROM, DAYS, 12, 5));
    const { times } = waterThrough(grown, FROM, FROM + DAYS);
    const given = grown.courses.map((c) => c.water.watered_mm / 15).sort((a, b) => a - b);
    expect(times.mid).toBeGreaterThan(3);
    expect(times.mid).toBeLessThanOrEqual(given[6]!);
    expect(times.mid).toBeGreaterThanOrEqual(given[6]! - 3);
  });
});
