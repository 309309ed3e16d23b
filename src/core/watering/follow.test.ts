import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { type Day, dayOf } from '../calendar/day.ts';
import { forecastCover } from '../forecast/forecast.ts';
import { type ForecastInput } from '../plan/standing.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { waterToday } from './follow.ts';

const SOWN = dayOf('2027-06-10');
const TODAY = SOWN + 8;
type Weather = [Day, number, number, number];
/** Warm days from three weeks before sowing to today, dry but for what is given. */
const days = (rain: Record<number, number> = {}): Weather[] =>
  Array.from({ length: 30 }, (_, i) => {
    const day = SOWN - 21 + i;
    return [day, 11, 26, rain[day - SOWN] ?? (day < SOWN - 10 ? 4 : 0)] as Weather;
  });
const base: ForecastInput = {
  site: siteFromPattern(climates.find((c) => c.id === 'humid-continental')!),
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: true,
  members: membersOf([{ speciesId: 'white-clover', share: 1 }]),
  seed_g_m2: [1.5],
  sowDay: SOWN,
  plantDay: SOWN + 120,
  next: { ...crops[0]!, way: 'transplant' },
  methods: [],
  looks: [],
  waterings: [],
  observed: days(),
  today: TODAY,
  years: 40,
};
const ask = (more: Partial<ForecastInput>) => waterToday({ ...base, ...more });
const dryAhead: Weather[] = [1, 2, 3].map((n) => [TODAY + n, 11, 26, 0]);

describe('water until it is up', () => {
  test('a dry week calls for water: a depth that a hose can give, not a flood', () => {
    const answer = ask({ ahead: dryAhead });
    expect(answer.verdict).toBe('water');
    expect(answer.wet).toBeLessThan(0.5);
    expect(answer.mm).toBeGreaterThanOrEqual(7);
    expect(answer.mm).toBeLessThanOrEqual(12);
  });
  test('what was watered today counts, and so does rain that was recorded: it takes the watering off by itself', () => {
    const dry = ask({ ahead: dryAhead });
    const watered = ask({ ahead: dryAhead, waterings: [[TODAY, 10]] });
    expect(watered.verdict).toBe('look-tomorrow');
    expect(watered.wet - dry.wet).toBeGreaterThan(0.4);
    expect(ask({ ahead: dryAhead, observed: days({ 8: 15 }) }).verdict).toBe('look-tomorrow');
    // Ten millimetres a week ago have gone.
    expect(ask({ ahead: dryAhead, waterings: [[TODAY - 7, 10]] }).verdict).toBe('water');
  });
  test('rain that is forecast leaves the hose where it is', () => {
    const wet: Weather[] = [[TODAY + 1, 11, 20, 12]];
    const answer = ask({ ahead: wet });
    expect(answer.verdict).toBe('rain-comes');
    expect(answer.rainAhead_mm).toBeGreaterThan(5);
  });
  test('a hose in the kit has watered nothing by itself: unwatered seed of a dry week comes later, and less of it', () => {
    const upBy = (waterings: ForecastInput['waterings']) =>
      forecastCover({ ...base, waterings, ahead: dryAhead }).stand.emerged.mid;
    const kept = upBy([0, 2, 4, 6, 8].map((n): [Day, number] => [SOWN + n, 6]));
    const dry = upBy([]);
    expect(kept).toBeLessThan(dry);
    // Without a word on water the gardener is taken to keep it moist.
    expect(upBy(undefined)).toBeLessThanOrEqual(kept + 1);
  });
});
