import { describe, expect, test } from '@jest/globals';
import { splitOf } from './parts.ts';

const passes = Array.from({ length: 12 }, (_, i) => ({ kind: 'cut', due: `2027-05-${String(i + 10)}` }));

describe('fields that are made one part by part', () => {
  test('places of a list come back in their own order, the tenth after the ninth', () => {
    const split = splitOf('covers', 'passes', passes, passes)!;
    const parts = split.of(passes);
    expect([...parts.keys()].slice(8)).toEqual(['8', '9', '10', '11']);
    // However the parts come in, the list is what it was.
    expect(split.from(new Map([...parts].reverse()))).toEqual(passes);
    expect(split.from(new Map([...parts].sort(([a], [b]) => a.localeCompare(b))))).toEqual(passes);
  });
  test('lists that do not match place by place are one word', () => {
    expect(splitOf('covers', 'passes', passes, passes.slice(1))).toBeUndefined();
    expect(
      splitOf('covers', 'passes', passes, [{ ...passes[0]!, kind: 'dig' }, ...passes.slice(1)]),
    ).toBeUndefined();
    expect(splitOf('covers', 'passes', [], [])).toBeUndefined();
  });
});
