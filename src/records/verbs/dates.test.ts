import { describe, expect, test } from '@jest/globals';
import { inOrder } from './dates.ts';

describe('pairs of days', () => {
  test('in order, on one day or with one not yet said pass', () => {
    for (const [a, b] of [
      ['2027-04-01', '2027-04-02'],
      ['2027-04-01', '2027-04-01'],
      [null, '2027-04-01'],
      ['2027-04-01', null],
      [null, null],
    ] as const)
      expect(inOrder([['sown', a, 'ended', b]])).toEqual({ ok: true, value: true });
  });
  test('turned round are refused by both names, whichever pair it is', () => {
    expect(
      inOrder([
        ['sown', '2027-04-01', 'ended', '2027-05-01'],
        ['planted', '2027-05-02', 'cleared', '2027-05-01'],
      ]),
    ).toMatchObject({
      ok: false,
      failure: {
        code: 'dates-out-of-order',
        where: 'planted and cleared',
        facts: { first: '2027-05-02', second: '2027-05-01' },
      },
    });
  });
  test.each(['', '2027-02-30', 'soon', '2027-4-1'])('%j is no day, first or second', (day) => {
    expect(inOrder([['sown', day, 'ended', null]])).toMatchObject({
      ok: false,
      failure: { code: 'date-missing', where: 'sown' },
    });
    expect(inOrder([['sown', '2027-04-01', 'ended', day]])).toMatchObject({
      ok: false,
      failure: { code: 'date-missing', where: 'ended' },
    });
  });
});
