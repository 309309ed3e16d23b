import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { type ChooseInput } from '../choose/input.ts';
import { chooseAll } from '../choose/rounds.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { forecastCover } from './forecast.ts';
import { type ForecastInput } from '../plan/standing.ts';

const site = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const squash = { ...crops.find((c) => c.id === 'winter-squash')!, way: 'transplant' as const };
const here = methods
  .filter((m) => ['cut-twice', 'sheet', 'winterkill'].includes(m.id))
  .map((m) => ({ ...m, minutesPer100m2: 60, missing: [] }));
const AIMS = [
  { id: 'hold', strands: 2 },
  { id: 'bulk', strands: 1 },
];
const freeDay = dayOf('2026-09-20');
const plantDay = dayOf('2027-06-05');
const parts = [
  { speciesId: 'cereal-rye', share: 0.4 },
  { speciesId: 'hairy-vetch', share: 0.6 },
];

function chosen(wayId: string) {
  const input: ChooseInput = {
    site,
    soil: { texture: 'loam', fertility: 'fair' },
    way: findWay(wayId)!,
    watered: true,
    gap: { freeDay, plantDay, next: squash },
    candidates: [{ id: 'x', name: 'x', members: membersOf(parts) }],
    methods: here,
    aims: AIMS,
    bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
    keepsSafe: [],
    hazards: {},
    years: 120,
  };
  return chooseAll(input)[0]!;
}

const asForecast = (sample: ReturnType<typeof chosen>, wayId: string): ForecastInput => ({
  site,
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay(wayId)!,
  watered: true,
  members: membersOf(parts),
  seed_g_m2: sample.seed_g_m2,
  sowDay: sample.sowDay,
  plantDay,
  next: squash,
  methods: here,
  looks: [],
  aims: AIMS,
  freeDay,
  cropUntil: wayId === 'standing-crop' ? freeDay : undefined,
  today: sample.sowDay,
  years: 120,
});

describe('what Choose promises, the forecast of the cover on the bed repeats', () => {
  test.each(['raked', 'standing-crop'])('sown %s: closing, flowering, dry matter and odds', (wayId) => {
    const sample = chosen(wayId);
    const forecast = forecastCover(asForecast(sample, wayId));
    const [a, b] = [sample.stand.stages[1]!.flower.mid, forecast.stand.stages[1]!.flower.mid];
    expect(Math.abs(a - b)).toBeLessThanOrEqual(4);
    const promised = sample.endings.find((e) => e.method === 'sheet')!;
    const repeated = forecast.endings.find((e) => e.method === 'sheet')!;
    expect(Math.abs(promised.odds.inTime - repeated.odds.inTime)).toBeLessThan(0.15);
    expect(sample.stand.closed.mid).toBeGreaterThan(freeDay);
    expect(Math.abs(sample.stand.closed.mid - forecast.stand.closed.mid)).toBeLessThan(20);
  });

  test('undersown, it is sown before the ground is free, and shade holds it back', () => {
    const sample = chosen('standing-crop');
    expect(sample.sowDay).toBe(freeDay - 35);
    const shaded = asForecast(sample, 'standing-crop');
    const at = (input: ForecastInput) =>
      forecastCover(input).growth.find((g) => g.day >= freeDay)!.dryMatter_g_m2.mid;
    expect(at(shaded)).toBeLessThan(0.7 * at({ ...shaded, cropUntil: undefined }));
  });

  test('covers hung in the gap are woven from the first free day to planting', () => {
    for (const wayId of ['raked', 'standing-crop'])
      expect(chosen(wayId).stand.coverByDay).toHaveLength(plantDay - freeDay);
  });
});

describe('a season under way', () => {
  test('a warm measured spring brings flowering forward, a warm forecast too, but less surely', () => {
    const base = asForecast(chosen('raked'), 'raked');
    const today = dayOf('2027-04-20');
    const warm = (from: number, days: number): [number, number, number, number][] =>
      Array.from({ length: days }, (_, i) => [from + i, 10, 20, 1]);
    const flower = (input: ForecastInput) => forecastCover(input).stand.stages[0]!.flower;
    const usual = flower({ ...base, today });
    const measured = flower({ ...base, today, observed: warm(today - 30, 31) });
    const forecast = flower({ ...base, today, ahead: warm(today + 1, 10) });
    expect(measured.mid).toBeLessThan(usual.mid - 4);
    expect(forecast.mid).toBeLessThan(usual.mid);
    expect(measured.high - measured.low).toBeLessThan(usual.high - usual.low);
  });

  test('an ending that is settled is judged on its own day, and none is proposed before today', () => {
    const base = asForecast(chosen('raked'), 'raked');
    const today = dayOf('2027-05-10');
    const f = forecastCover({ ...base, today, settled: { method: 'sheet', startDay: today + 5 } });
    expect(f.settled!.windowDays).toEqual([today + 5, today + 5]);
    for (const e of f.endings.filter((x) => x.method !== 'winterkill'))
      expect(e.startDay).toBeGreaterThanOrEqual(today);
  });
});

test('a cover that is watered through dry weeks says when it wants water, until it is ended; one that lives on rain, or that is being ended, does not', () => {
  const dry = siteFromPattern(climates.find((c) => c.id === 'hot-semi-arid')!);
  const sowDay = dayOf('2027-06-01');
  const summer: ForecastInput = {
    ...asForecast(chosen('raked'), 'raked'),
    site: dry,
    members: membersOf([{ speciesId: 'cowpea', share: 1 }]),
    seed_g_m2: [6],
    sowDay,
    freeDay: sowDay,
    plantDay: dayOf('2027-09-15'),
    today: dayOf('2027-06-20'),
    irrigated: true,
    years: 30,
  };
  const { waters, settled, best } = forecastCover(summer);
  const end = (settled ?? best)!.startDay;
  expect(waters!.next.mid).toBeGreaterThanOrEqual(summer.today);
  expect(waters!.next.mid).toBeLessThan(end);
  expect(waters!.times.mid).toBeGreaterThanOrEqual(2);
  expect(waters!.times.mid).toBeLessThan((end - summer.today) / 2);
  // What was given yesterday puts the next one off.
  const given = forecastCover({ ...summer, waterings: [[summer.today - 1, 60]] });
  const bare = forecastCover({ ...summer, waterings: [] });
  expect(given.waters!.next.mid).toBeGreaterThan(bare.waters!.next.mid);
  expect(forecastCover({ ...summer, irrigated: false }).waters).toBeUndefined();
});
