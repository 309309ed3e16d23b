import { describe, expect, test } from '@jest/globals';
import { schemas } from '../records/types.ts';
import { fieldWords, valueWords } from './fieldWords.ts';

describe('fields in words', () => {
  test('no field of any record is named as a programmer would', () => {
    const fields = Object.values(schemas).flatMap((s) => Object.keys((s as { shape: object }).shape));
    expect(fields.length).toBeGreaterThan(60);
    for (const f of fields) expect([f, fieldWords(f)]).toEqual([f, expect.not.stringMatching(/[A-Z_]/)]);
  });
  test('a part says which', () => {
    expect(fieldWords('passes.1')).toBe('steps of the ending, number 2');
    expect(fieldWords('rules.noFire')).toBe('house rules');
    expect(fieldWords('sownOn')).toBe('day it was sown');
  });
});

describe('values in words', () => {
  test.each([
    [null, 'nothing'],
    ['', 'nothing'],
    [[], 'nothing'],
    [true, 'yes'],
    [0.30000000000000004, '0.3'],
    ['2027-04-01', '1 Apr 2027'],
    ['stony', '"stony"'],
    [[1, 2, 3], 'a list of 3'],
    [{ a: 1 }, 'something else'],
  ])('%j is %s', (x, words) => expect(valueWords(x)).toBe(words));
  test('a long text is cut', () => expect(valueWords('x'.repeat(90)).length).toBeLessThan(45));
});
