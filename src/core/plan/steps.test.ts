import { describe, expect, test } from '@jest/globals';
import { dayOf } from '../calendar/day.ts';
import { stepsAhead } from './steps.ts';

const pass = (kind: string, due: string, doneOn: string | null = null) => ({ kind, due, doneOn });
const dead = (low: string, high: string | null) => ({
  dead: { low: dayOf(low), mid: dayOf(low), high: high ? dayOf(high) : Infinity },
});

describe('steps still to be done', () => {
  test('keep their days while those lie ahead', () => {
    expect(
      stepsAhead([pass('cut', '2027-05-20'), pass('cut', '2027-05-30')], undefined, dayOf('2027-05-01')),
    ).toEqual([
      { index: 0, due: dayOf('2027-05-20'), late: false },
      { index: 1, due: dayOf('2027-05-30'), late: false },
    ]);
  });
  test('that are due today are due, and not late', () => {
    expect(stepsAhead([pass('cut', '2027-05-20')], undefined, dayOf('2027-05-20'))).toEqual([
      { index: 0, due: dayOf('2027-05-20'), late: false },
    ]);
  });
  test('that are overdue fall on today and move those after them along by as much', () => {
    expect(
      stepsAhead([pass('cut', '2027-05-20'), pass('cut', '2027-05-30')], undefined, dayOf('2027-05-24')),
    ).toEqual([
      { index: 0, due: dayOf('2027-05-24'), late: true },
      { index: 1, due: dayOf('2027-06-03'), late: false },
    ]);
  });
  test('leave out what was done', () => {
    expect(
      stepsAhead(
        [pass('flatten', '2027-04-01', '2027-04-03'), pass('lay-sheet', '2027-04-01')],
        undefined,
        dayOf('2027-04-03'),
      ).map((s) => s.index),
    ).toEqual([1]);
  });
  test('take a sheet off on the day nine years of ten have it dead, looked under from the first of ten', () => {
    const passes = [pass('lay-sheet', '2027-04-01', '2027-04-12'), pass('lift-sheet', '2027-05-01')];
    expect(stepsAhead(passes, dead('2027-05-06', '2027-05-21'), dayOf('2027-04-20'))).toEqual([
      { index: 1, due: dayOf('2027-05-21'), late: false, lookFrom: dayOf('2027-05-06') },
    ]);
    // The planned day has passed and it is not dead yet in most years: it is not late, it waits.
    expect(stepsAhead(passes, dead('2027-05-06', '2027-05-21'), dayOf('2027-05-10'))[0]).toMatchObject({
      due: dayOf('2027-05-21'),
      late: false,
      lookFrom: dayOf('2027-05-10'),
    });
    expect(stepsAhead(passes, dead('2027-05-06', null), dayOf('2027-04-20'))[0]!.due).toBe(
      dayOf('2027-05-01'),
    );
  });
});
