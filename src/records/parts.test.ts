import { describe, expect, test } from '@jest/globals';
import { splitOf } from './parts.ts';
import { type Stamp, stamped } from './stamps.ts';

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
  test('of a strip each deed is a word of its own, in the order of days however they come in', () => {
    const life = (done: object[], more = {}) => ({
      what: 'white-clover',
      since: '2026-09-01',
      years: 4,
      ...more,
      done,
    });
    const [mow, mend] = [
      { kind: 'mow', on: '2027-04-10', minutes: 8 },
      { kind: 'mend', on: '2027-03-02' },
    ];
    const split = splitOf('beds', 'life', life([mow]), life([mend]))!;
    const both = new Map([...split.of(life([mow])), ...split.of(life([mend], { low_cm: 8 }))]);
    expect(split.from(both)).toEqual(life([mend, mow], { low_cm: 8 }));
    expect(split.from(split.of(life([])))).toEqual(life([]));
    // A strip that has begun on one side alone is one word.
    expect(splitOf('beds', 'life', undefined, life([mow]))).toBeUndefined();
  });
});

describe('words of a record', () => {
  const cover = (done: (string | null)[]) =>
    ({
      id: 'c',
      passes: done.map((doneOn, i) => ({ kind: 'cut', due: `2027-05-${10 + i}`, doneOn })),
    }) as never;
  const word = (minute: number) => ({ at: `2027-05-01T08:0${minute}:00.000Z`, by: 'here' });
  const write = (old: Stamp | undefined, before: unknown, after: unknown, minute: number) =>
    stamped(
      old,
      { table: 'covers', id: 'c', before: before as never, after: after as never },
      'g',
      word(minute),
    );
  test('each step of a plan has its own; a plan that is written whole has one, and the words of its old steps go', () => {
    const two = cover([null, null]);
    const first = cover(['2027-05-10', null]);
    const step = write(undefined, two, first, 1);
    expect(step.fields).toEqual({ 'passes.0': word(1) });
    const second = write(step, first, cover(['2027-05-10', '2027-05-12']), 2);
    expect(second.fields).toEqual({ 'passes.0': word(1), 'passes.1': word(2) });
    const whole = write(second, cover(['2027-05-10', '2027-05-12']), cover([null]), 3);
    expect(whole.fields).toEqual({ passes: word(3) });
    expect(write(whole, cover([null]), null, 4)).toMatchObject({
      gone: { ...word(4), was: { id: 'c' } },
      fields: { passes: word(3) },
    });
  });
});
