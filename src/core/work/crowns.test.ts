import { describe, expect, test } from '@jest/globals';
import { atCount, clock, lookDays, oddsOver, sureness, tenPlaces } from './crowns.ts';

const SURE = [0, 1] as const;

describe('ten crowns', () => {
  test('a sure look with crowns that are not alike is the Beta posterior: prior 0.10 of weight 8', () => {
    const over = (k: number, limit: number) => oddsOver(limit, 0.1, k, 10, SURE, 0);
    expect(over(0, 0.1)).toBeCloseTo(0.12, 1);
    expect(over(1, 0.1)).toBeCloseTo(0.42, 1);
    expect(over(3, 0.1)).toBeCloseTo(0.9, 1);
    expect(over(5, 0.2)).toBeCloseTo(0.87, 1);
  });
  test('ten green crowns of patches count for less, and a doubtful day hardly moves it', () => {
    const alike = oddsOver(0.1, 0.06, 2, 10, SURE, 0.1);
    expect(alike).toBeLessThan(oddsOver(0.1, 0.06, 2, 10, SURE, 0));
    const before = oddsOver(0.1, 0.1, 0, 0, SURE);
    const day3 = oddsOver(0.1, 0.1, 7, 10, sureness('crimped', 3));
    expect(Math.abs(day3 - before)).toBeLessThan(0.12);
    expect(oddsOver(0.1, 0.1, 7, 10, sureness('crimped', 14))).toBeGreaterThan(0.85);
  });
  test('more green never lowers the odds', () => {
    for (const way of ['cut', 'crimped', 'flamed', 'sheet', 'frost'] as const)
      for (const day of [3, 7, 10, 14, 30]) {
        const odds = Array.from({ length: 11 }, (_, k) => oddsOver(0.1, 0.1, k, 10, sureness(way, day)));
        for (let k = 1; k <= 10; k++) expect(odds[k]!).toBeGreaterThanOrEqual(odds[k - 1]! - 1e-12);
      }
  });
  test('the less time is left the fewer green crowns call for plan B; without time it is too late', () => {
    const first = (slack: number) => {
      for (let k = 0; k <= 10; k++)
        if (atCount(k, 10, 0.1, sureness('cut', 14), slack) === 'plan-b') return k;
      return 11;
    };
    const at = [20, 10, 5, 1].map(first);
    expect(at).toEqual([...at].sort((a, b) => b - a));
    expect(at[0]).toBeGreaterThan(at[3]!);
    expect(atCount(6, 10, 0.1, sureness('cut', 14), -2)).toBe('too-late');
    // None green is no failure, however little time there is.
    expect(atCount(0, 10, 0.16, sureness('sheet', 14), -2)).not.toBe('too-late');
  });
  test('none green is dead only once dying crowns have lost their green', () => {
    expect(atCount(0, 10, 0.05, sureness('crimped', 14), 10)).toBe('dead');
    expect(atCount(0, 10, 0.05, sureness('crimped', 4), 10)).toBe('look-again');
  });
  test('looks come later where it is cold: a fortnight at 19 °C is 26 days at 10', () => {
    expect(clock(19)).toBe(1);
    expect(lookDays('crimped', 19)).toEqual([7, 14]);
    expect(lookDays('crimped', 10)).toEqual([13, 26]);
    expect(lookDays('flamed', 25)[0]).toBeLessThan(4);
  });
  test('two of the ten places lie at an edge', () => {
    expect(tenPlaces().filter((p) => p.edge)).toHaveLength(2);
    expect(new Set(tenPlaces().map((p) => p.along)).size).toBe(10);
  });
});
