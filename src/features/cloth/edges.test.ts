import { describe, expect, test } from '@jest/globals';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { type Cover, type Planting } from '../../records/types.ts';
import { demoKept } from '../../records/testStore.ts';
import { coverMoved, edgesOf } from './edges.ts';

const kept = demoKept();
const NOW = dayOf('2027-04-13');
const pass = (due: string, doneOn: string | null = null) => ({ kind: 'cut', due, doneOn });
const cover = (part: Partial<Cover>): Cover => ({
  ...kept.covers[0]!,
  id: 'c',
  bedId: 'b',
  sowOn: '2027-05-01',
  sownOn: null,
  verdict: null,
  endedOn: null,
  plantBackOn: '2027-09-01',
  passes: [pass('2027-08-01'), pass('2027-08-11')],
  ...part,
});
const planting = (part: Partial<Planting>): Planting => ({
  ...kept.plantings[0]!,
  id: 'p',
  bedId: 'b',
  plantOn: '2027-09-01',
  plantedOn: null,
  clearOn: '2027-11-20',
  clearedOn: null,
  ...part,
});
const edges = (covers: Cover[], plantings: Planting[] = []) =>
  edgesOf('b', covers, plantings, NOW).map((e) => [e.key, ...[e.day, e.least, e.most].map(isoOf)]);

describe('edges that a hand can move', () => {
  test('a planned sowing, from today to twenty days before its end; its end, from twenty days after it to the eve of planting', () => {
    expect(edges([cover({})])).toEqual([
      ['c:sow', '2027-05-01', '2027-04-13', '2027-07-12'],
      ['c:end', '2027-08-01', '2027-05-21', '2027-08-31'],
    ]);
  });
  test('what is done stands fast: a sowing that was sown, an end that was begun, a cover that is dead', () => {
    const sown = cover({ sownOn: '2027-03-01' });
    expect(edges([sown])).toEqual([['c:end', '2027-08-01', '2027-04-13', '2027-08-31']]);
    const begun = [pass('2027-04-10', '2027-04-10'), pass('2027-04-20')];
    expect(edges([{ ...sown, passes: begun }])).toEqual([]);
    expect(edges([{ ...sown, verdict: 'dead', endedOn: '2027-04-12' }])).toEqual([]);
    expect(edges([{ ...cover({}), bedId: 'other' }])).toEqual([]);
  });
  test('a crop that is to be planted and cleared; planted, only its clearing, and cleared, nothing', () => {
    expect(edges([], [planting({})])).toEqual([
      ['p:plant', '2027-09-01', '2027-04-13', '2027-11-19'],
      ['p:clear', '2027-11-20', '2027-09-02', '2028-10-05'],
    ]);
    const stands = planting({ plantOn: '2027-03-20', plantedOn: '2027-03-22', clearOn: '2027-06-10' });
    expect(edges([], [stands])).toEqual([['p:clear', '2027-06-10', '2027-04-13', '2028-04-25']]);
    expect(edges([], [{ ...stands, clearedOn: '2027-04-01' }])).toEqual([]);
    // Its day has gone by: what happened is written down, not dragged.
    expect(edges([], [{ ...stands, clearOn: '2027-04-12' }])).toEqual([]);
  });
  test('an edge without room is none', () => {
    expect(edges([cover({ sowOn: '2027-07-20', plantBackOn: '2027-08-05' })]).map(([key]) => key)).toEqual([
      'c:sow',
    ]);
  });
});

describe('a cover with one edge moved', () => {
  test('its sowing moves alone; its end takes along what is still to be done, at its distance, and nothing that was done', () => {
    const c = cover({});
    expect(coverMoved(c, 'sow', dayOf('2027-05-04'))).toEqual({ ...c, sowOn: '2027-05-04' });
    expect(coverMoved(c, 'end', dayOf('2027-07-28')).passes.map((p) => p.due)).toEqual([
      '2027-07-28',
      '2027-08-07',
    ]);
    const begun = { ...c, passes: [pass('2027-08-01', '2027-08-02'), pass('2027-08-11')] };
    const later = coverMoved(begun, 'end', dayOf('2027-08-05'));
    expect(later.passes).toEqual([pass('2027-08-01', '2027-08-02'), pass('2027-08-14')]);
    expect(later.sowOn).toBe(c.sowOn);
  });
});
