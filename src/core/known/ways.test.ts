import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { forecastCover } from '../forecast/forecast.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { byWeather, diesBy } from './ways.ts';
import { keptWorth, worthOfEnding } from '../plan/endings.ts';
import { type ForecastInput } from '../plan/standing.ts';

const KIT = new Set(['cut', 'cut-plant', 'winterkill', 'mow-keep']);
const aims = [
  { id: 'loosen', strands: 2 },
  { id: 'catch', strands: 2 },
];
const asked = (speciesId: string, today: string): ForecastInput => ({
  site: siteFromPattern(climates.find((c) => c.id === 'humid-continental')!),
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: true,
  members: membersOf([{ speciesId, share: 1 }]),
  seed_g_m2: [12],
  sowDay: dayOf('2026-08-20'),
  plantDay: dayOf('2027-05-10'),
  freeDay: dayOf('2026-08-20'),
  next: { ...crops.find((c) => c.id === 'beet')!, way: 'seed' },
  methods: methods.filter((m) => KIT.has(m.id)).map((m) => ({ ...m, minutesPer100m2: 60, missing: [] })),
  aims,
  looks: [],
  today: dayOf(today),
  years: 60,
});

test('frost or heat is counted on in four years of five, on its middle day; a blade is no weather', () => {
  const way = (id: string, inTime: number, mid: number) => ({
    method: methods.find((m) => m.id === id)!,
    ending: { odds: { inTime }, dead: { low: mid - 9, mid, high: mid + 9 } } as EndingAnswer,
  });
  expect(diesBy([way('cut', 1, 80), way('winterkill', 0.8, 100), way('summerkill', 0.9, 120)])).toBe(100);
  expect(diesBy([way('cut', 1, 80), way('winterkill', 0.79, 100)])).toBe(Infinity);
  expect(diesBy([])).toBe(Infinity);
  expect(
    ['winterkill', 'summerkill', 'cut'].map((id) => byWeather(methods.find((m) => m.id === id))),
  ).toEqual([true, true, false]);
  expect(byWeather(undefined)).toBe(false);
});

describe('ways of a cover that stands', () => {
  const oats = forecastCover(asked('spring-oats', '2026-10-01'));
  const of = (method: string) => oats.endings.find((e) => e.method === method)!;
  test('are held against each other with what is known of a cover ended so: frost before a blade that comes when it is dead', () => {
    expect(of('winterkill').odds.inTime).toBeGreaterThan(0.8);
    expect(of('winterkill').keeps).toBeGreaterThan(of('cut').keeps);
    expect(oats.best!.method).toBe('winterkill');
    // By what it brings alone the blade would lead.
    const leads = [...oats.endings].sort((a, b) => worthOfEnding(b, aims) - worthOfEnding(a, aims))[0]!;
    expect(leads.method).not.toBe('winterkill');
  });
  test('are worth what they bring times what is left of it; what costs is not made cheaper', () => {
    const cut = of('cut');
    expect(keptWorth(cut, aims)).toBeCloseTo(worthOfEnding(cut, aims) * cut.keeps, 12);
    const takes = { ...cut, serves: { loosen: -1, catch: -1 } };
    expect(keptWorth(takes, aims)).toBe(worthOfEnding(takes, aims));
  });
  test('are held against the way that was settled on alike', () => {
    const settled = { method: 'cut', startDay: dayOf('2027-04-02') };
    const f = forecastCover({ ...asked('spring-oats', '2026-10-01'), settled });
    expect(f.settled!.keeps).toBe(of('cut').keeps);
    expect(f.settled!.keeps).toBeLessThan(0.6);
    expect(keptWorth(f.settled!, aims)).toBeLessThan(keptWorth(of('winterkill'), aims));
  });
  test('do not differ where no frost is counted on', () => {
    const rye = forecastCover(asked('cereal-rye', '2026-10-01'));
    expect(rye.endings.map((e) => e.keeps)).toEqual(rye.endings.map(() => 1));
  });
});
