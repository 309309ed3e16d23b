import { describe, expect, test } from '@jest/globals';
import { type Verdict } from '../../core/trial/verdict.ts';
import type { Trial } from '../../records/types.ts';
import { MEASURE_WORDS, READY, verdictWords } from './trialWords.ts';

const trial = {
  treatments: ['cut', 'crimp'],
  unit: '%',
  counts: 10,
  planned: true,
} as Trial;
const verdict = (part: Partial<Verdict>): Verdict => ({
  difference: 14,
  low: 1,
  high: 26,
  p: 0.1,
  leastP: 0.0625,
  says: 'likely',
  blocks: 5,
  ...part,
});
const words = (part: Partial<Verdict>, more?: number, of: Partial<Trial> = {}) =>
  verdictWords(verdict(part), { ...trial, ...of }, 1, more);

describe('a verdict never claims more than the plots allow', () => {
  test('likely: the size, its range, the chance, and what would settle it', () =>
    expect(words({}, 9)).toEqual({
      head: 'Probably, but not yet shown.',
      lines: [
        'With crimp it was 14 points more than with cut, somewhere between 1 and 26.',
        'By chance alone so big a difference turns up in 10 of 100 drawings of the lots.',
        '4 more blocks like these would settle a difference of this size 8 times in 10.',
      ],
    }));
  test('shown, and less than would change what is done', () => {
    const w = words({ says: 'shown', difference: -6, low: -9, high: -2, p: 0.03 });
    expect(w.head).toBe('Shown: crimp is less.');
    expect(w.lines).toContain('It is less than the 10 points that would change what you do.');
    expect(w.lines[0]).toBe('With crimp it was 6 points less than with cut, somewhere between -9 and -2.');
  });
  test('one pair: no range, no chance, no number of blocks', () => {
    const w = words({ says: 'description', low: -Infinity, high: Infinity, p: 1, blocks: 1 }, 6);
    expect(w.head).toBe('One pair: a description, no verdict.');
    expect(w.lines.join(' ')).not.toMatch(/between|drawings|settle/);
  });
  test('too few plots say so and what they could at best have come to', () => {
    const w = words({ says: 'cannot', leastP: 0.25, blocks: 3 }, 6);
    expect(w.lines[1]).toContain('at best 25 of 100 drawings');
    expect(w.lines[2]).toBe('3 more blocks like these would settle a difference of this size 8 times in 10.');
  });
  test('no sign is not none; a difference too small to show says so; what nobody set counts for less', () => {
    const none = { says: 'no-sign', p: 0.6, difference: 1, low: -8, high: 9 } as const;
    const w = words(none, undefined, {});
    expect(w.head).toBe('No sign of a difference.');
    expect(w.lines).toContain('That is not the same as there being none.');
    expect(w.lines).toContain('A difference of this size would take more than a dozen blocks to show.');
    const unset = words(none, undefined, { planned: false });
    // No lots were drawn, and no blocks would be more of the same.
    expect(unset.lines.join()).not.toMatch(/lots\.|blocks/);
    expect(unset.lines).toContain('A trial with plots drawn by lot would tell.');
    expect(unset.lines.at(-1)).toBe('Nobody had set this comparison before looking, so it counts for less.');
  });
  test('kilograms with one decimal, an open end said as such', () => {
    const w = words({ difference: 0.63, low: 0.2, high: Infinity }, undefined, { unit: 'kg', counts: 0.5 });
    expect(w.lines[0]).toBe('With crimp it was 0.6 kg more than with cut, 0.2 or more.');
  });
  test('every ready question has a control, one difference and a measure with its unit', () => {
    for (const r of READY) {
      expect(r.treatments).toHaveLength(2);
      expect(r.treatments[0]).not.toBe(r.treatments[1]);
      expect(MEASURE_WORDS[r.measure][1]).not.toBe('');
      expect(r.counts).toBeGreaterThan(0);
    }
  });
});
