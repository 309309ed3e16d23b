import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { type FailureCode } from '../core/result/codes.ts';
import { failureWords } from './failureWords.ts';

const codes = [...readFileSync('src/core/result/codes.ts', 'utf8').matchAll(/\| '([a-z-]+)'/g)].map(
  ([, code]) => code as FailureCode,
);
/** Any fact that a sentence asks for. */
const facts = new Proxy({}, { get: () => '7' }) as Record<string, string>;

test.each(codes.filter((c) => c !== 'cancelled'))('%s says what went wrong in whole sentences', (code) => {
  const words = failureWords({ code, where: 'bed 3', facts });
  // The facts are in it, and nothing that only a programmer would know.
  expect(words).toMatch(/^(["A-Z]|bed 3).*[.?]$/);
  expect(words).not.toMatch(/undefined|NaN|\[object/);
  expect(words).not.toContain(code);
  expect(words.length).toBeGreaterThan(25);
});

test('facts stand in the sentence, and it says what to do', () => {
  const words = failureWords({
    code: 'crops-overlap',
    where: 'Leek',
    facts: { from: '1 May 2027', to: '3 Oct 2027' },
  });
  expect(words).toMatch(/Leek .* 1 May 2027 to 3 Oct 2027/);
  expect(words).toMatch(/Move one of the dates/);
});
