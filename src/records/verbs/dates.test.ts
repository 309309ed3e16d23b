import { describe, expect, test } from '@jest/globals';
import type { Cover, Planting } from '../types.ts';
import { inOrder, noCoverOverlap, noOverlap } from './dates.ts';

const crop = (id: string, plantOn: string, clearOn: string, bedId = 'b') =>
  ({ id, bedId, cropId: id, plantOn, plantedOn: null, clearOn, clearedOn: null }) as Planting;
const cover = (id: string, sowOn: string, endOn: string, bedId = 'b') =>
  ({
    id,
    bedId,
    sowOn,
    sownOn: null,
    method: 'cut',
    passes: [{ kind: 'cut', due: endOn, doneOn: null }],
    endedOn: null,
    plantBackOn: null,
  }) as unknown as Cover;
const named = (p: { id: string }) => p.id;

describe('two on a bed at once', () => {
  const stands = crop('stands', '2027-05-01', '2027-07-01');
  const fits = (from: string, to: string, bedId = 'b') =>
    noOverlap(crop('x', from, to, bedId), [stands], named).ok;
  test('crops may share the day on which one goes out and the next goes in, and no other', () => {
    expect([fits('2027-07-01', '2027-09-01'), fits('2027-03-01', '2027-05-01')]).toEqual([true, true]);
    expect([fits('2027-06-30', '2027-09-01'), fits('2027-03-01', '2027-05-02')]).toEqual([false, false]);
    expect([fits('2027-05-20', '2027-06-01'), fits('2027-04-01', '2027-08-01')]).toEqual([false, false]);
    expect(fits('2027-05-20', '2027-06-01', 'other')).toBe(true);
    expect(noOverlap(stands, [stands], named).ok).toBe(true);
  });
  test('covers as well: the day on which one begins to be ended is free for the next', () => {
    const one = cover('stands', '2027-05-01', '2027-07-01');
    const may = (from: string, to: string) => noCoverOverlap(cover('x', from, to), [one], named);
    expect([may('2027-07-01', '2027-09-01').ok, may('2027-03-01', '2027-05-01').ok]).toEqual([true, true]);
    expect(may('2027-06-30', '2027-09-01')).toEqual({
      ok: false,
      failure: { code: 'covers-overlap', where: 'stands', facts: { from: '2027-05-01', to: '2027-07-01' } },
    });
    expect(may('2027-03-01', '2027-05-02').ok).toBe(false);
    expect(noCoverOverlap(cover('x', '2027-05-20', '2027-06-01', 'other'), [one], named).ok).toBe(true);
  });
});

test('dates stand in their order, on the same day at the least; one that is no day is named', () => {
  const pairs = (a: string | null, b: string | null) => inOrder([['sown', a, 'ended', b]]);
  expect([
    pairs('2027-05-01', '2027-05-01').ok,
    pairs(null, '2027-05-01').ok,
    pairs('2027-05-01', null).ok,
  ]).toEqual([true, true, true]);
  expect(pairs('2027-05-02', '2027-05-01')).toMatchObject({
    failure: { code: 'dates-out-of-order', where: 'sown and ended' },
  });
  expect(pairs('2027-02-30', null)).toMatchObject({ failure: { code: 'date-missing', where: 'sown' } });
  expect(pairs(null, 'soon')).toMatchObject({ failure: { code: 'date-missing', where: 'ended' } });
});
