import { describe, expect, test } from '@jest/globals';
import { dayOf } from '../calendar/day.ts';
import { ageOf, endsOn, type LastingUse, type Strip, stripJobs, type StripLife, stripsOf } from './life.ts';

const life = (part: Partial<StripLife> = {}): StripLife => ({
  what: 'white-clover',
  since: '2026-04-10',
  years: null,
  done: [],
  ...part,
});
const strip = (use: LastingUse, part: Partial<StripLife> = {}, until = Infinity): Strip => ({
  id: use,
  use,
  life: life(part),
  from: dayOf('2026-04-10'),
  until,
});
const due = (s: Strip, today: string, south = false, mowOn?: ReadonlyMap<string, number>) =>
  stripJobs([s], dayOf(today), south, mowOn).map((j) => `${j.kind} ${j.on}`);

describe('what is due on strips that live for years', () => {
  test('a path is mown on the day that growth gives; where that is not known, four weeks after it was sown or last mown', () => {
    expect(due(strip('path'), '2026-05-01')).toEqual(['mow 2026-05-08']);
    const mown = strip('path', { done: [{ kind: 'mow', on: '2026-05-20' }] });
    expect(due(mown, '2026-05-21')).toEqual(['mow 2026-06-17']);
    expect(due(mown, '2026-05-21', false, new Map([['path', dayOf('2026-06-03')]]))).toEqual([
      'mow 2026-06-03',
    ]);
  });
  test('film is looked over every spring and lifted when its years are over; what was looked over is asked for next year', () => {
    const film = strip('film', { what: 'woven', years: 5 });
    expect(due(film, '2026-06-01')).toEqual(['mend 2027-04-01', 'lift 2031-04-10']);
    const seen = strip('film', { what: 'woven', years: 5, done: [{ kind: 'mend', on: '2027-03-28' }] });
    expect(due(seen, '2027-04-02')).toEqual(['mend 2028-04-01', 'lift 2031-04-10']);
  });
  test('in the south the year is turned round', () => {
    expect(due(strip('film', { years: null }), '2026-06-01', true)).toEqual(['mend 2027-10-01']);
    expect(due(strip('kept'), '2026-06-01', true)).toEqual(['straw 2027-05-01', 'trim 2027-08-15']);
  });
  test('a plant that stays is trimmed before spring and strawed before winter, and made anew at the end', () => {
    expect(due(strip('kept', { what: 'rhubarb', years: 8 }), '2026-06-01')).toEqual([
      'straw 2026-11-01',
      'trim 2027-02-15',
      'renew 2034-04-10',
    ]);
  });
  test('what comes every year is asked about when its day has long passed, a mowing never is', () => {
    const at = (use: LastingUse, today: string) =>
      stripJobs([strip(use)], dayOf(today), false).map((j) => `${j.kind} ${j.unsettled}`);
    expect(at('film', '2027-04-22')).toEqual(['mend false']);
    expect(at('film', '2027-04-23')).toEqual(['mend true']);
    expect(at('path', '2027-04-23')).toEqual(['mow false']);
  });
  test('nothing is due on what has ended, nor past its end', () => {
    const lifted = strip('film', { years: 5 }, dayOf('2028-01-01'));
    expect(due(lifted, '2027-01-01')).toEqual(['mend 2027-04-01']);
    expect(due(lifted, '2028-01-01')).toEqual([]);
  });
});

describe('its age', () => {
  test('whole years, and the day on which they are over', () => {
    const l = life({ years: 3 });
    expect(['2026-04-10', '2027-04-09', '2027-04-10', '2029-04-11'].map((d) => ageOf(l, dayOf(d)))).toEqual([
      0, 0, 1, 3,
    ]);
    expect(endsOn(l)).toBe(dayOf('2029-04-10'));
    expect(endsOn(life({ since: '2024-02-29', years: 1.5 }))).toBe(dayOf('2025-03-01') + 183);
    expect(endsOn(life())).toBeUndefined();
  });
  test('only pieces that last, and of which somebody said what they are', () => {
    const piece = (use: 'path' | 'bed') => ({ use, from: '2026-04-10', until: '2027-04-10' });
    expect(
      stripsOf([
        { id: 'a', piece: piece('path'), life: life() },
        { id: 'b', piece: piece('path') },
        { id: 'c', piece: piece('bed'), life: life() },
        { id: 'd' },
      ]),
    ).toEqual([
      { id: 'a', use: 'path', life: life(), from: dayOf('2026-04-10'), until: dayOf('2027-04-10') },
    ]);
  });
});
