import { describe, expect, test } from '@jest/globals';
import { IMPERIAL, METRIC } from '../core/units/show.ts';
import { type Shift } from '../core/stand/shift.ts';
import { killWords, shiftWords, traitWords } from './learntWords.ts';

const none: Shift = {
  stageRate: { mean: 0, left: 1 },
  growth: { mean: 0, left: 1 },
  emergence: { mean: 0, left: 1 },
  hardiness_c: { mean: 0, left: 1 },
};

describe('what a garden has shown, in words', () => {
  test.each([
    ['stageRate', 0.06, 'flowers 5 days before the book'],
    ['stageRate', -0.012, 'flowers 1 day after the book'],
    ['stageRate', 0.002, ''],
    ['growth', 0.1, 'grows 11 % more than the book'],
    ['growth', -0.25, 'grows 22 % less than the book'],
    ['growth', 0.02, ''],
    ['emergence', -0.2, 'comes up 18 % thinner than the book'],
    ['hardiness_c', 1.2, 'bears 1.2 °C less cold than the book'],
    ['hardiness_c', -0.8, 'bears 0.8 °C more cold than the book'],
    ['hardiness_c', 0.1, ''],
  ] as const)('%s %d: %s', (trait, mean, words) => expect(traitWords(trait, mean, 800, METRIC)).toBe(words));
  test('degrees of Fahrenheit are differences, without the thirty-two', () =>
    expect(traitWords('hardiness_c', 1, 800, IMPERIAL)).toBe('bears 1.8 °F less cold than the book'));
  test('one line for all of it, and none where it goes by the book', () => {
    expect(shiftWords(undefined, 800, METRIC)).toBe('');
    expect(shiftWords(none, 800, METRIC)).toBe('');
    expect(
      shiftWords(
        { ...none, growth: { mean: 0.1, left: 0.8 }, stageRate: { mean: 0.03, left: 0.9 } },
        800,
        METRIC,
      ),
    ).toBe('By what this garden has shown it flowers 3 days before the book, grows 11 % more than the book.');
  });
});

describe('what a garden has shown of a way', () => {
  test('is said against nine in ten, and not where it is as the book has it', () => {
    expect(killWords(0.29)).toBe('Where the book says 90 of 100 killed, this way came to 72 here.');
    expect(killWords(2)).toBe('Where the book says 90 of 100 killed, this way came to 95 here.');
    for (const none of [undefined, 1, 0.95, 1.05]) expect(killWords(none)).toBe('');
  });
});
