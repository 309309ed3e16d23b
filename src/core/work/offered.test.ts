import { expect, test } from '@jest/globals';
import { offeredMinutes } from './offered.ts';

test('a step is offered half, all, half as much again and twice its usual minutes; a short one whole minutes that differ', () => {
  expect(offeredMinutes(40)).toEqual([20, 40, 60, 80]);
  expect(offeredMinutes(4)).toEqual([2, 4, 6, 8]);
  for (const short of [0, 0.4, 1, 3.9]) expect(offeredMinutes(short)).toEqual([1, 2, 5, 10]);
});
test('never the same twice', () => {
  for (let usual = 0; usual < 200; usual += 0.37)
    expect(new Set(offeredMinutes(usual)).size).toBe(offeredMinutes(usual).length);
});
