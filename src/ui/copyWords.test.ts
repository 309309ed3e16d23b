import { expect, test } from '@jest/globals';
import { copyWords, urge } from './copyWords.ts';

test.each([
  [{ at: undefined, days: 0, entries: 0 }, 'No copy yet, and nothing written yet.'],
  [{ at: undefined, days: 3, entries: 1 }, 'No copy yet: 1 entry.'],
  [{ at: 'x', days: 0, entries: 0 }, 'Last copy today, nothing new since.'],
  [{ at: 'x', days: 1, entries: 2 }, 'Last copy yesterday, 2 entries new since.'],
  [{ at: 'x', days: 14, entries: 31 }, 'Last copy 14 days ago, 31 entries new since.'],
])('%j', (age, words) => expect(copyWords(age)).toBe(words));

test.each([
  [0, 0, 'none'],
  [400, 0, 'none'],
  [13, 39, 'none'],
  [14, 4, 'none'],
  [14, 5, 'quiet'],
  [0, 40, 'quiet'],
  [44, 31, 'quiet'],
  [45, 9, 'quiet'],
  [45, 10, 'plain'],
  [1, 150, 'plain'],
] as const)('%i days and %i entries: %s', (days, entries, how) =>
  expect(urge({ at: 'x', days, entries })).toBe(how),
);
