import { describe, expect, test } from '@jest/globals';
import { climates, speciesOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { GRASSES, limitOn, mowing, type MowingInput, type Neighbour } from './mowing.ts';

const TODAY = dayOf('2027-05-01');
const site = (id: string) => {
  const climate = climates.find((c) => c.id === id)!;
  return siteFromPattern(climate, climate.latitude_deg);
};
const steady: [number, number, number, number][] = Array.from({ length: 120 }, (_, i) => [
  TODAY - 90 + i,
  8,
  16,
  3,
]);
const ask = (part: Partial<MowingInput> = {}) =>
  mowing({
    site: site('cool-maritime'),
    soil: { texture: 'loam', fertility: 'fair' },
    sward: GRASSES,
    low_cm: 6,
    mownOn: [TODAY],
    sownOn: dayOf('2025-09-01'),
    today: TODAY,
    beside: [],
    observed: [],
    ahead: [],
    years: 40,
    ...part,
  });
const lettuce: Neighbour = {
  name: 'lettuce',
  from: dayOf('2027-04-25'),
  to: dayOf('2027-06-24'),
  height_m: 0.4,
};

describe('height at which a path is mown', () => {
  const at = (day: string, low = 6) => limitOn([lettuce], low, dayOf(day));
  test('20 cm where nothing grows beside it, half of the neighbour where that is less, never less than a mower takes', () => {
    expect(at('2027-04-24')).toEqual({ limit_cm: 20 });
    // A third grown after 12 of the 36 days in which it has its height.
    expect(at('2027-05-06').limit_cm).toBeCloseTo(10, 6);
    expect(at('2027-05-06').limit_cm).toBe(10);
    expect(at('2027-05-18').limit_cm).toBeCloseTo((20 * 24) / 36, 6);
    expect(at('2027-05-18').under).toBe('lettuce');
    expect(at('2027-06-20')).toEqual({ limit_cm: 20 });
    expect(at('2027-04-26', 8).limit_cm).toBe(12);
    expect(at('2027-06-24')).toEqual({ limit_cm: 20 });
  });
  test('the lowest neighbour sets it', () => {
    const tall = { ...lettuce, name: 'corn', height_m: 2, from: dayOf('2027-04-01') };
    expect(limitOn([tall, lettuce], 6, dayOf('2027-05-18')).under).toBe('lettuce');
    expect(limitOn([tall], 6, dayOf('2027-05-18'))).toEqual({ limit_cm: 20 });
  });
});

describe('when it is mown', () => {
  test('on bright moist days of 8 to 16 °C grasses rise eight millimetres a day', () => {
    const known = { observed: steady, mownOn: [TODAY] };
    const { low, mid, high } = ask({ ...known, today: TODAY + 14 }).height_cm;
    expect(mid).toBeCloseTo(6 + 15 * 0.8, 1);
    expect([low, high]).toEqual([mid, mid]);
    const due = ask({ ...known, today: TODAY + 18 });
    expect(due.height_cm.mid).toBeGreaterThan(20);
    expect(due.cuts[0]!.mid).toBe(TODAY + 18);
    expect(ask({ ...known, today: TODAY + 16 }).cuts[0]!.mid).toBe(TODAY + 17);
  });
  test('in May within four weeks, then further apart, and not at all in winter', () => {
    const { cuts } = ask();
    expect(cuts[0]!.mid - TODAY).toBeGreaterThan(10);
    expect(cuts[0]!.mid - TODAY).toBeLessThan(28);
    for (const [i, c] of cuts.entries()) {
      expect(c.low).toBeLessThanOrEqual(c.mid);
      expect(c.mid).toBeLessThanOrEqual(c.high);
      if (i > 0) expect(c.mid).toBeGreaterThan(cuts[i - 1]!.mid);
    }
    const winter = ask({ today: dayOf('2027-11-25'), mownOn: [dayOf('2027-11-01')] });
    expect(winter.cuts[0]!.mid).toBeGreaterThan(dayOf('2028-02-25'));
  });
  test('beside a low crop sooner, and it says so', () => {
    const beside = ask({ beside: [lettuce] });
    expect(beside.cuts[0]!.mid).toBeLessThan(ask().cuts[0]!.mid - 7);
    expect(beside.under).toBe('lettuce');
    expect(beside.limit_cm).toBeLessThan(20);
  });
  test('cuts are told in the order of their days, each later than the one before', () => {
    // Mown high and often, the last cuts are seen by warm years alone.
    for (const climate of ['humid-temperate', 'humid-subtropical', 'mediterranean'])
      for (const today of ['2027-04-13', '2027-05-01']) {
        const { cuts } = ask({
          site: site(climate),
          low_cm: 14,
          today: dayOf(today),
          mownOn: [dayOf(today)],
        });
        expect(cuts.length).toBeGreaterThan(2);
        for (let k = 1; k < cuts.length; k++) expect(cuts[k]!.mid).toBeGreaterThan(cuts[k - 1]!.mid);
      }
  });
  test('clover, which stays lower, later than grass; one that was never mown since autumn is due today', () => {
    const { thermal, growth, stages } = speciesOf('white-clover');
    const clover = {
      thermal,
      heightFlower_m: growth.heightFlower_m,
      flower_cd: stages.flower_cd,
      leafyPct: 4,
    };
    expect(ask({ sward: clover }).cuts[0]!.mid).toBeGreaterThan(ask().cuts[0]!.mid + 5);
    const wild = ask({ mownOn: [dayOf('2026-10-01')] });
    expect(wild.cuts[0]!.mid).toBe(TODAY);
    expect(wild.height_cm.mid).toBeGreaterThan(25);
  });
  test('a sowing begins at nothing', () => {
    const sown = ask({ observed: steady, sownOn: TODAY - 10, mownOn: [] });
    const cut = ask({ observed: steady, mownOn: [TODAY - 10] });
    expect(cut.height_cm.mid - sown.height_cm.mid).toBeCloseTo(6, 6);
  });
  test('in a dry summer it stands still', () => {
    const dry: [number, number, number, number][] = Array.from({ length: 100 }, (_, i) => [
      TODAY - 100 + i,
      14,
      28,
      0,
    ]);
    const moist = dry.map(([d, low, high]): [number, number, number, number] => [d, low, high, 6]);
    const rise = (observed: typeof dry) => ask({ observed, mownOn: [TODAY - 20] }).height_cm.mid - 6;
    expect(rise(dry)).toBeLessThan(rise(moist) * 0.4);
  });
});

describe('mowings as passes of its course', () => {
  const season = (mownOn: number[]) =>
    ask({ observed: steady, sownOn: TODAY - 400, mownOn, today: TODAY + 18 });
  test('mown at 20 cm down to 6, some 175 g of dry matter a square metre come off, with 3 % of it nitrogen', () => {
    const { passes, height_cm } = season([TODAY, TODAY + 18]);
    const last = passes.at(-1)!;
    expect(last.on).toBe(TODAY + 18);
    expect(last.height_cm.mid).toBeCloseTo(6 + 18 * 0.8, 1);
    expect(last.dm_g_m2.mid).toBeCloseTo(18 * 0.8 * 12.5, 0);
    expect(last.n_g_m2).toBeCloseTo(last.dm_g_m2.mid * 0.03, 6);
    // Mown this morning, it has risen one day.
    expect(height_cm.mid).toBeCloseTo(6.8, 1);
  });
  test('they are told in the order of their days, none from before the season, none that lies ahead', () => {
    const { passes, course } = season([TODAY + 10, TODAY - 20, TODAY + 40, TODAY - 300, TODAY + 10]);
    expect(passes.map((p) => p.on)).toEqual([TODAY - 20, TODAY + 10]);
    expect([course.from, course.height_cm.length]).toEqual([TODAY + 18 - 240, 241]);
    const on = (day: number) => course.height_cm[day - course.from]!;
    expect(on(TODAY + 9) - on(TODAY + 10)).toBeGreaterThan(10);
    expect(on(TODAY + 11) - on(TODAY + 10)).toBeCloseTo(0.8, 1);
  });
  test('mown before the book lets it be so high, nothing is told to come off, but it stood so high; clover gives more nitrogen than grass from the same height', () => {
    const { passes } = season([TODAY, TODAY]);
    expect(passes).toHaveLength(1);
    const twice = ask({ observed: steady, sownOn: TODAY - 2, mownOn: [TODAY - 1], today: TODAY });
    expect(twice.passes[0]!.dm_g_m2).toEqual({ low: 0, mid: 0, high: 0 });
    expect(twice.now.dm_g_m2.mid).toBeCloseTo(2 * 0.8 * 12.5, 1);
    const rich = ask({ observed: steady, sward: { ...GRASSES, leafyPct: 4 }, today: TODAY + 18 }).now;
    const poor = ask({ observed: steady, today: TODAY + 18 }).now;
    expect(rich.dm_g_m2).toEqual(poor.dm_g_m2);
    expect(rich.n_g_m2 / poor.n_g_m2).toBeCloseTo(4 / 3, 9);
  });
  test('a season begins at the height of the cut where it was mown before, and at nothing where it never was', () => {
    const first = (mownOn: number[]) => season(mownOn).course.height_cm[0]!;
    expect(first([TODAY - 300]) - first([])).toBeCloseTo(6, 6);
    expect(first([TODAY - 222])).toBeCloseTo(first([TODAY - 300]), 6);
    expect(first([])).toBeLessThan(1);
  });
});
