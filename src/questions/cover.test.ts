import { describe, expect, test } from '@jest/globals';
import { isoOf, dayOf } from '../core/calendar/day.ts';
import { demoKept } from '../records/testStore.ts';
import { aheadOf, comingUp, forecastInput, observedOf } from './cover.ts';

const TODAY = '2027-04-13';
const kept = demoKept();
const cover = { ...kept.covers[0]!, sowOn: '2027-02-20', sownOn: '2027-03-01' };
const day = (on: string) => ({ on, tmin_c: 1, tmax_c: 9, rain_mm: 2 });
const weather = (...days: string[]) => [
  { id: 'w', gardenId: kept.garden.id, year: 2027, days: days.map(day) },
];

describe('measured weather of a cover', () => {
  test('is that of 120 days before it was sown, up to today; what lies ahead is a forecast', () => {
    const first = isoOf(dayOf('2027-03-01') - 120);
    const before = isoOf(dayOf('2027-03-01') - 121);
    const all = weather(before, first, '2027-03-20', TODAY, '2027-04-14');
    expect(observedOf(all, cover, TODAY)).toEqual(
      [first, '2027-03-20', TODAY].map((on) => [dayOf(on), 1, 9, 2]),
    );
    expect(aheadOf(all, TODAY)).toEqual([[dayOf('2027-04-14'), 1, 9, 2]]);
  });
  test('of one that is only planned, before the day that is planned', () => {
    const planned = { ...cover, sownOn: null };
    const first = isoOf(dayOf('2027-02-20') - 120);
    expect(observedOf(weather(isoOf(dayOf(first) - 1), first), planned, TODAY)).toHaveLength(1);
  });
});

test('a sowing is coming up for forty days from its day, and not before it', () => {
  const sown = (sownOn: string | null) => comingUp({ sownOn }, TODAY);
  expect([sown(TODAY), sown(isoOf(dayOf(TODAY) - 40))]).toEqual([true, true]);
  expect([sown(null), sown('2027-04-14'), sown(isoOf(dayOf(TODAY) - 41))]).toEqual([false, false, false]);
});

test('a look is asked of the core as it was entered: what was not said is not there, a nought is', () => {
  const bed = kept.beds.find((b) => b.id === cover.bedId)!;
  const look = { ...kept.looks[0]!, coverId: cover.id, bedId: bed.id, on: '2027-03-20' };
  const bare = {
    emergence: null,
    cover: null,
    height_m: null,
    stage: null,
    alive: null,
    weeds: null,
    crowns: null,
  };
  const nothing = { ...look, ...bare, bulk: undefined, members: [] };
  const [lead] = cover.parts;
  const full = {
    ...nothing,
    id: 'full',
    on: '2027-03-27',
    emergence: 'even' as const,
    cover: 0,
    height_m: 0,
    stage: 'bud' as const,
    alive: 0,
    weeds: 'some' as const,
    crowns: { green: 0, of: 10 },
    bulk: { fresh_kg: 0.4, area_m2: 0.25 },
    members: [
      { speciesId: lead!.speciesId, stage: 'leafy' as const, alive: 0, count: null },
      { speciesId: 'not-in-it', stage: 'leafy' as const, alive: 1, count: null },
    ],
  };
  const { looks } = forecastInput(
    kept.garden,
    bed,
    cover,
    kept.plantings,
    [nothing, full, { ...full, coverId: 'other' }],
    TODAY,
    5,
  );
  expect(looks).toEqual([
    { day: dayOf('2027-03-20'), members: [] },
    {
      day: dayOf('2027-03-27'),
      emergence: 'even',
      cover: 0,
      height_m: 0,
      stage: 'bud',
      alive: 0,
      weeds: 'some',
      crowns: { green: 0, of: 10 },
      bulk: { fresh_kg: 0.4, area_m2: 0.25 },
      members: [{ index: 0, stage: 'leafy', alive: 0 }],
    },
  ]);
});
