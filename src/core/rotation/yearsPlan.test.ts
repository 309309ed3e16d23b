import { describe, expect, test } from '@jest/globals';
import { changeTurn, cropAt, gridOf, hangCovers, type HungCover, planFrom, swapTurns } from './yearsPlan.ts';

const GRID = [
  [['pea', 'leek'], ['tomato'], []],
  [['tomato'], ['carrot'], ['pea', 'leek']],
];
const plan = planFrom(['a', 'b', 'c'], GRID, 2028);
const PROPOSED = [
  [['x'], ['y'], ['z']],
  [['x'], ['y'], ['z']],
  [['x'], ['y'], ['z']],
];

describe('the gardener’s own plan', () => {
  test('gives back the grid that it was made of, whatever the order of beds', () => {
    expect(gridOf(plan, ['a', 'b', 'c'], 2028, PROPOSED.slice(0, 2))).toEqual(GRID);
    expect(gridOf(plan, ['c', 'a'], 2028, [[['x'], ['y']]])).toEqual([[[], ['pea', 'leek']]]);
  });
  test('goes on when a year has begun: its second year is the first, and what it does not reach is proposed', () =>
    expect(gridOf(plan, ['a', 'b', 'c'], 2029, PROPOSED)).toEqual([GRID[1], PROPOSED[1], PROPOSED[2]]));
  test('a bed that it does not know is proposed for, and what is planned already comes first', () => {
    expect(gridOf(plan, ['a', 'new'], 2028, [[['x'], ['y']]])).toEqual([[['pea', 'leek'], ['y']]]);
    expect(gridOf(plan, ['a', 'b'], 2028, [[['x'], ['y']]], [[null, ['kale']]])).toEqual([
      [['pea', 'leek'], ['kale']],
    ]);
    // A plan of years that have not begun says nothing of those before it.
    expect(gridOf(plan, ['a'], 2027, [[['x']], [['x']]])).toEqual([[['x']], [['pea', 'leek']]]);
  });
  test('turns change places within their year, whole, and back again', () => {
    const swapped = swapTurns(plan, 2028, 'a', 'c');
    expect(gridOf(swapped, ['a', 'b', 'c'], 2028, PROPOSED.slice(0, 2))).toEqual([
      [[], ['tomato'], ['pea', 'leek']],
      GRID[1],
    ]);
    expect(swapTurns(swapped, 2028, 'c', 'a')).toEqual(plan);
    expect(swapTurns(plan, 2030, 'a', 'c')).toBe(plan);
    expect(swapTurns(plan, 2028, 'a', 'gone')).toBe(plan);
  });
  test('another turn stands on that bed in that year and nowhere else', () => {
    const set = changeTurn(plan, 2029, 'b', (t) => [...t, 'garlic']);
    expect(gridOf(set, ['a', 'b', 'c'], 2028, PROPOSED.slice(0, 2))).toEqual([
      GRID[0],
      [['tomato'], ['carrot', 'garlic'], ['pea', 'leek']],
    ]);
  });
  test('a crop of a turn is changed, added or taken away, the others stay in their order', () => {
    expect(cropAt(['pea', 'leek'], 0, 'bean')).toEqual(['bean', 'leek']);
    expect(cropAt(['pea', 'leek'], 2, 'garlic')).toEqual(['pea', 'leek', 'garlic']);
    expect(cropAt(['pea', 'leek'], 0, undefined)).toEqual(['leek']);
    expect(cropAt([], 0, 'pea')).toEqual(['pea']);
  });
  test('a cover that is hung takes the place of the one in its gap, and of no other', () => {
    const cover = (bedId: string, plantOn: string, coverId: string): HungCover => ({
      bedId,
      freeOn: '2027-10-01',
      plantOn,
      cropId: 'tomato',
      coverId,
      name: coverId,
    });
    const one = hangCovers(plan, [cover('a', '2028-05-10', 'rye'), cover('b', '2028-05-10', 'oats')]);
    const two = hangCovers(one, [cover('a', '2028-05-10', 'vetch'), cover('a', '2028-05-11', 'pea')]);
    expect(two.hung.map((h) => [h.bedId, h.plantOn, h.coverId])).toEqual([
      ['b', '2028-05-10', 'oats'],
      ['a', '2028-05-10', 'vetch'],
      ['a', '2028-05-11', 'pea'],
    ]);
    expect(one.hung).toHaveLength(2);
    expect(two.beds).toBe(plan.beds);
  });
});
