import { describe, expect, test } from '@jest/globals';
import { isoOf, dayOf } from '../core/calendar/day.ts';
import { demoKept } from '../records/testStore.ts';
import { aheadOf, comingUp, observedOf } from './cover.ts';

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
