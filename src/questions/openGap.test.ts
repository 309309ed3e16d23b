import { expect, test } from '@jest/globals';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import type { Cover, Planting } from '../records/types.ts';
import { firstOpenGap, gapFrom } from './openGap.ts';

const crop = (id: string, plantOn: string, clearOn: string) =>
  ({ id, bedId: 'b', cropId: 'leek', plantOn, plantedOn: null, clearOn, clearedOn: null }) as Planting;
const cover = (sowOn: string, endOn: string, plantBackOn: string) =>
  ({
    id: 'c',
    bedId: 'b',
    sowOn,
    sownOn: null,
    passes: [{ kind: 'cut', due: endOn, doneOn: null }],
    endedOn: null,
    plantBackOn,
  }) as unknown as Cover;
const gap = (plantings: Planting[], covers: Cover[] = [], today = '2027-04-13') => {
  const g = firstOpenGap(plantings, covers, dayOf(today));
  return [isoOf(g.freeDay), g.before?.id, g.next?.id];
};

test('an empty bed is free today', () => expect(gap([])).toEqual(['2027-04-13', undefined, undefined]));
test('the gap between two crops is found when it is long enough', () => {
  expect(gap([crop('a', '2027-01-01', '2027-05-01'), crop('b', '2027-07-01', '2027-09-01')])).toEqual([
    '2027-05-01',
    'a',
    'b',
  ]);
  expect(gap([crop('a', '2027-01-01', '2027-05-01'), crop('b', '2027-05-20', '2027-09-01')])).toEqual([
    '2027-09-01',
    'b',
    undefined,
  ]);
});
test('when the day moves past a planned crop, that crop was there before and another or none follows', () => {
  const crops = [crop('b', '2027-07-01', '2027-09-01'), crop('a', '2027-01-01', '2027-05-01')];
  const round = (day: string) => {
    const g = gapFrom(crops, dayOf(day));
    return [g.before?.id, g.next?.id];
  };
  expect(round('2026-12-01')).toEqual([undefined, 'a']);
  expect(round('2027-05-01')).toEqual(['a', 'b']);
  expect(round('2027-07-01')).toEqual(['b', undefined]);
});
test('a gap that a cover has taken is passed over', () => {
  const crops = [crop('a', '2027-01-01', '2027-05-01'), crop('b', '2027-07-01', '2027-09-01')];
  expect(gap(crops, [cover('2027-05-02', '2027-06-20', '2027-07-01')])).toEqual([
    '2027-09-01',
    'b',
    undefined,
  ]);
});
test('a cover sown under the crop on the day that goes in leaves the gap before it open; one sown a day before takes it', () => {
  const crops = [crop('a', '2027-01-01', '2027-05-01'), crop('b', '2027-07-01', '2027-09-01')];
  expect(gap(crops, [cover('2027-07-01', '2027-11-01', '2027-11-10')])).toEqual(['2027-05-01', 'a', 'b']);
  expect(gap(crops, [cover('2027-06-30', '2027-11-01', '2027-11-10')])[0]).not.toBe('2027-05-01');
});
