import { describe, expect, test } from '@jest/globals';
import { findingIds, findings, tallyFindings } from './findings.ts';

describe('published findings', () => {
  const lines = findings(16);
  const line = (id: string) => lines.find((l) => l.id === id)!;

  test('every one of them is computed, and nine in ten lie in their range', () => {
    expect(lines.map((l) => l.id)).toEqual(findingIds());
    expect(new Set(findingIds()).size).toBe(findingIds().length);
    expect(lines.filter((l) => l.computed === 'NaN')).toEqual([]);
    const all = tallyFindings(lines).at(-1)!;
    expect(all).toMatchObject({ topic: 'all findings', of: findingIds().length });
    expect(all.hits).toBeGreaterThanOrEqual(95);
  });
  test('the judge does not nod: what misses is said to miss, and what lies near is near and no hit', () => {
    expect(line('W04').verdict).not.toBe('hit');
    expect(line('N15').verdict).toBe('miss');
    // No hit outside its range, and nothing inside it that is called otherwise.
    for (const l of lines.filter((l) => Number.isFinite(Number(l.computed)))) {
      const [low, high] = l.published.split(' to ').map(Number);
      const step = Math.abs(Number(l.computed)) < 10 ? 0.01 : 1;
      if (l.verdict === 'hit') {
        expect(Number(l.computed)).toBeGreaterThanOrEqual(low! - step);
        expect(Number(l.computed)).toBeLessThanOrEqual(high! + step);
      } else expect(Number(l.computed) < low! + step || Number(l.computed) > high! - step).toBe(true);
    }
    expect(lines.some((l) => l.verdict === 'near')).toBe(true);
  });
  test('courses through time: half of what vetch gives within four weeks, rye ties up for six, a mulch cools by one to three degrees', () => {
    expect(Number(line('N16a').computed)).toBeGreaterThan(45);
    expect(Number(line('N18').computed)).toBeGreaterThanOrEqual(28);
    expect(Number(line('R17').computed)).toBeCloseTo(1.55, 1);
    expect(Number(line('W09').computed)).toBeGreaterThan(30);
  });
  test('only those asked for are run', () => {
    expect(findings(4, ['P01', 'R17']).map((l) => l.id)).toEqual(
      ['R17', 'P01'].sort((a, b) => findingIds().indexOf(a) - findingIds().indexOf(b)),
    );
  });
});
