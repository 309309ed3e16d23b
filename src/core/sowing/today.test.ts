import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { type SowToday, type SowTodayInput, sowToday } from './today.ts';

const site = (id: string) => siteFromPattern(climates.find((c) => c.id === id)!);
const ask = (
  climate: string,
  speciesId: string,
  on: string,
  plant: string,
  more: Partial<SowTodayInput> = {},
): SowToday => {
  const members = membersOf([{ speciesId, share: 1 }]);
  return sowToday({
    site: site(climate),
    soil: { texture: 'loam', fertility: 'fair' },
    way: findWay('raked')!,
    members,
    seed_g_m2: [members[0]!.species.seed.rateBroadcastHigh_g_m2],
    watered: true,
    today: dayOf(on),
    plantDay: dayOf(plant),
    next: { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' },
    observed: [],
    ahead: [],
    years: 30,
    ...more,
  });
};
/** Thirty days of the same weather round a day: measured up to it, forecast after it. */
const steady = (on: string, tmin: number, tmax: number, rain: number) => ({
  observed: Array.from(
    { length: 28 },
    (_, i) => [dayOf(on) - 27 + i, tmin, tmax, rain] as [number, number, number, number],
  ),
  ahead: Array.from(
    { length: 10 },
    (_, i) => [dayOf(on) + 1 + i, tmin, tmax, rain] as [number, number, number, number],
  ),
});

describe('is today good to sow?', () => {
  test('on dry sand in a rainless summer seed that is not kept moist stands the better for water on the standing cover', () => {
    const dry = (irrigated: boolean) =>
      ask('mediterranean', 'cowpea', '2027-06-10', '2027-09-20', {
        soil: { texture: 'sand', fertility: 'fair' },
        irrigated,
      }).stand;
    expect(dry(true)).toBeGreaterThan(dry(false) + 0.05);
  });
  test('rye in mid September in a cool maritime place: sow, with two months of slack', () => {
    const a = ask('cool-maritime', 'cereal-rye', '2026-09-15', '2027-05-14');
    expect(a.verdict).toEqual({ code: 'sow' });
    expect(a.worksUntil! - dayOf('2026-09-15')).toBeGreaterThanOrEqual(42);
    expect([a.goodUntil! <= a.worksUntil!, a.worksUntil! <= a.lastUntil!]).toEqual([true, true]);
  });
  test('windows end on the day that separates: sown then it still works, a week on it does not', () => {
    const a = ask('cool-maritime', 'buckwheat', '2027-07-01', '2027-11-20');
    expect(a.asLongAs).toBe(false);
    const on = (day: number) =>
      ask('cool-maritime', 'buckwheat', new Date(day * 86_400_000).toISOString().slice(0, 10), '2027-11-20')
        .stand;
    expect(on(a.worksUntil!)).toBeGreaterThan(0.5);
    expect(on(a.worksUntil! + 10)).toBeLessThan(0.6);
    // Best, works, last: three days, each with fewer stands than the one before.
    expect(a.goodUntil).toBeLessThan(a.worksUntil!);
    expect(a.worksUntil).toBeLessThan(a.lastUntil!);
    expect(on(a.goodUntil!)).toBeGreaterThan(0.7);
    expect(on(a.lastUntil!)).toBeGreaterThan(0.2);
    expect(on(a.lastUntil! + 7)).toBeLessThan(0.3);
  });
  test('where every day of a short gap does, the gap ends the window and no day tried is named as the last', () => {
    const a = ask('cool-maritime', 'phacelia', '2027-05-20', '2027-08-01');
    expect(a.asLongAs).toBe(true);
    expect(a.worksUntil).toBe(dayOf('2027-08-01') - 42);
  });
  test('seed that would fail on top is told to be raked in, not that it is too late', () => {
    const on = '2027-06-05';
    const dry = { ...steady(on, 12, 24, 0), watered: false };
    const way = findWay('surface')!;
    const raked = findWay('raked')!;
    const wet = { observed: steady(on, 10, 18, 4).observed, ahead: dry.ahead, watered: false };
    expect(ask('cool-maritime', 'spring-field-pea', on, '2027-09-20', { ...wet, way }).verdict.code).not.toBe(
      'sow',
    );
    const v = ask('cool-maritime', 'spring-field-pea', on, '2027-09-20', { ...wet, way, raked }).verdict;
    expect(v).toMatchObject({ code: 'rake-in' });
  });
  test('buckwheat in mid September, vetch in late November: too late', () => {
    expect(ask('cool-maritime', 'buckwheat', '2027-09-16', '2027-11-20').verdict.code).toBe('too-late');
    expect(ask('humid-continental', 'hairy-vetch', '2027-11-20', '2028-05-20').verdict.code).toBe('too-late');
  });
  test('cowpea in cold ground waits for warmth, on a day that is not past planting', () => {
    const a = ask('humid-continental', 'cowpea', '2027-04-08', '2027-09-01');
    expect(a.verdict).toMatchObject({ code: 'wait' });
    if (a.verdict.code === 'wait') expect(a.verdict.until - dayOf('2027-04-08')).toBeGreaterThan(6);
  });
  test('ground is never blamed when it is warm enough: under a crop it is the shade that is waited out', () => {
    const on = dayOf('2027-04-13');
    const under = ask('cool-maritime', 'spring-field-pea', '2027-04-13', '2028-04-22', {
      cropUntil: dayOf('2027-07-08'),
      seed_g_m2: [9],
    });
    expect(under.soil_c).toBeGreaterThan(under.needs_c);
    expect(under.verdict).toMatchObject({ code: 'wait', why: 'shade', until: under.opensOn });
    expect(under.opensOn).toBeGreaterThan(on);
    for (const speciesId of ['phacelia', 'cereal-rye', 'cowpea', 'buckwheat', 'white-clover'])
      for (const day of ['2027-03-01', '2027-04-20', '2027-06-10', '2027-09-10']) {
        const a = ask('cool-maritime', speciesId, day, '2028-05-01', { years: 12 });
        if (a.verdict.code === 'wait' && a.verdict.why === 'warmth') expect(a.soil_c).toBeLessThan(a.needs_c);
      }
  });
  test('dry ground and a dry forecast: water first with a hose, hold the seed without; rain in the forecast is waited for', () => {
    const on = '2027-06-05';
    const dry = steady(on, 12, 24, 0);
    expect(ask('cool-maritime', 'phacelia', on, '2027-09-20', dry).verdict).toEqual({
      code: 'water-first',
      mm: 12,
    });
    expect(
      ask('cool-maritime', 'phacelia', on, '2027-09-20', { ...dry, watered: false }).verdict,
    ).toMatchObject({ code: 'hold', why: 'drought' });
    const rain = dry.ahead.map(
      (d, i) => [d[0], d[1], d[2], i >= 5 ? 9 : 0] as [number, number, number, number],
    );
    const a = ask('cool-maritime', 'phacelia', on, '2027-09-20', {
      observed: dry.observed,
      ahead: rain,
      watered: false,
    });
    // Over the week 18 mm are forecast: enough to sow into.
    expect(a.verdict.code).toBe('sow');
    expect(a.rainNext7_mm).toBeGreaterThan(8);
  });
  test('frost sowing asks for nights that freeze: held in April, sown in late winter', () => {
    const way = findWay('frost-sown')!;
    expect(ask('humid-continental', 'red-clover', '2027-05-10', '2027-09-20', { way }).verdict).toMatchObject(
      { code: 'hold', why: 'thawed' },
    );
    expect(ask('humid-continental', 'red-clover', '2027-02-25', '2027-09-20', { way }).verdict).toEqual({
      code: 'sow',
    });
  });
  test('a forecast outranks the climate and the same question gets the same answer', () => {
    const on = '2027-05-01';
    const cold = ask('cool-maritime', 'buckwheat', on, '2027-08-20', steady(on, 1, 7, 1));
    const warm = ask('cool-maritime', 'buckwheat', on, '2027-08-20', steady(on, 10, 20, 1));
    expect(cold.soil_c).toBeLessThan(warm.soil_c);
    expect(ask('cool-maritime', 'buckwheat', on, '2027-08-20', steady(on, 10, 20, 1))).toEqual(warm);
  });
});
