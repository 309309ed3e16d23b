import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { still, watchPresses, whenStill } from './stillness.ts';

describe('nothing moves under a thumb', () => {
  const page = new EventTarget();
  const press = (type: string) => page.dispatchEvent(new Event(type));
  watchPresses(page);
  const done: string[] = [];
  const act = (name: string) => whenStill(() => done.push(name));
  beforeEach(() => {
    jest.useFakeTimers();
    done.length = 0;
  });
  afterEach(() => {
    jest.runAllTimers();
    jest.useRealTimers();
  });

  test('with nothing pressed it is done at once', () => {
    act('a');
    expect(done).toEqual(['a']);
  });
  test('while something is pressed it waits, in order, until the click has come', () => {
    press('pointerdown');
    act('a');
    act('b');
    jest.advanceTimersByTime(500);
    press('pointerup');
    // The click comes after the hand has let go.
    jest.advanceTimersByTime(20);
    expect(done).toEqual([]);
    jest.advanceTimersByTime(60);
    expect(done).toEqual(['a', 'b']);
    act('c');
    expect(done).toEqual(['a', 'b', 'c']);
  });
  test('a hand that rests for long, or a touch that became a scroll, holds nothing back for ever', async () => {
    press('pointerdown');
    act('a');
    jest.advanceTimersByTime(1001);
    expect(done).toEqual(['a']);
    press('pointerup');
    act('b');
    expect(done).toEqual(['a', 'b']);
    press('pointerdown');
    const waited = still().then(() => done.push('c'));
    press('pointercancel');
    jest.advanceTimersByTime(61);
    await waited;
    expect(done).toEqual(['a', 'b', 'c']);
  });
  test('a second press in the moment after the first goes on holding', () => {
    press('pointerdown');
    act('a');
    press('pointerup');
    jest.advanceTimersByTime(30);
    press('pointerdown');
    jest.advanceTimersByTime(100);
    expect(done).toEqual([]);
    press('pointerup');
    jest.advanceTimersByTime(61);
    expect(done).toEqual(['a']);
  });
});
