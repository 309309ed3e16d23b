import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { streamOf } from '../random/stream.ts';
import { drawLots } from './lots.ts';
import { blocksToShow, type Measured, permutationP, spreadOfBlocks, verdictOf } from './verdict.ts';

const pairs = (...values: [number, number][]): Measured[] =>
  values.flatMap(([a, b], block) => [
    { block, treatment: 0, value: a },
    { block, treatment: 1, value: b },
  ]);

describe('lots', () => {
  test('every treatment once in every block; the same seed draws the same, others draw otherwise', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 4 }),
        fc.integer({ min: 1, max: 10 }),
        fc.integer(),
        (t, b, seed) => {
          const plots = drawLots(t, b, seed);
          expect(plots).toHaveLength(t * b);
          for (let k = 0; k < b; k++)
            expect(
              plots
                .filter((p) => p.block === k)
                .map((p) => p.treatment)
                .sort(),
            ).toEqual(Array.from({ length: t }, (_, i) => i));
          expect(drawLots(t, b, seed)).toEqual(plots);
        },
      ),
    );
    const first = Array.from({ length: 400 }, (_, s) => drawLots(2, 1, s)[0]!.treatment);
    const ones = first.filter((x) => x === 1).length;
    expect(ones).toBeGreaterThan(160);
    expect(ones).toBeLessThan(240);
  });
});

describe('the permutation test', () => {
  test('five pairs all one way: two of thirty-two drawings', () => {
    const v = verdictOf(pairs([14, 31], [9, 22], [17, 28], [12, 25], [10, 30]), 1)!;
    expect(v.p).toBeCloseTo(2 / 32, 12);
    expect(v.says).toBe('likely');
    expect(v.leastP).toBeCloseTo(2 / 32, 12);
    expect(v.difference).toBe(13);
    expect(v.low).toBeGreaterThan(0);
    expect(v.low).toBeLessThan(13);
    expect(v.high).toBeGreaterThan(13);
  });
  test('six pairs all one way are shown; unplanned they are only likely', () => {
    const six = pairs([14, 31], [9, 22], [17, 28], [12, 25], [10, 30], [11, 24]);
    expect(verdictOf(six, 1)!.p).toBeCloseTo(2 / 64, 12);
    expect(verdictOf(six, 1)!.says).toBe('shown');
    expect(verdictOf(six, 1, false)!.says).toBe('likely');
  });
  test('one pair is a description, three pairs cannot show anything, however plain', () => {
    expect(verdictOf(pairs([1, 100]), 1)!.says).toBe('description');
    expect(verdictOf(pairs([1, 100], [1, 100]), 1)!.says).toBe('cannot');
    expect(verdictOf(pairs([1, 100], [2, 90], [1, 95]), 1)!).toMatchObject({ says: 'cannot', leastP: 0.25 });
  });
  test('plots that differ as much within a block as between treatments give no sign', () => {
    const v = verdictOf(pairs([10, 12], [15, 11], [9, 13], [14, 10], [12, 12], [11, 12]), 1)!;
    expect(v.says).toBe('no-sign');
    expect(v.low).toBeLessThan(0);
    expect(v.high).toBeGreaterThan(0);
  });
  test('blocks of two and two go through all thirty-six drawings of two blocks', () => {
    expect(
      permutationP([
        { a: [1, 2], b: [5, 6] },
        { a: [1, 2], b: [5, 6] },
      ]),
    ).toBeCloseTo(2 / 36, 12);
  });
  test('a plot that was not measured leaves its block out; nothing measured is no verdict', () => {
    expect(verdictOf([{ block: 0, treatment: 0, value: 1 }], 1)).toBeUndefined();
    const v = verdictOf([...pairs([1, 5], [1, 5]), { block: 7, treatment: 1, value: 900 }], 1)!;
    expect(v.blocks).toBe(2);
    expect(v.difference).toBe(4);
  });
  test('where nothing differs, "shown" comes up about as seldom as it says', () => {
    const stream = streamOf(5);
    let shown = 0;
    for (let k = 0; k < 400; k++) {
      const plots = pairs(
        ...Array.from({ length: 7 }, () => [stream.normal(), stream.normal()] as [number, number]),
      );
      if (permutationP(blocks(plots)) <= 0.05) shown++;
    }
    expect(shown / 400).toBeLessThan(0.08);
    expect(shown / 400).toBeGreaterThan(0.01);
  });
  test('swapping the names turns the sign and nothing else', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 })), {
          minLength: 2,
          maxLength: 6,
        }),
        (values) => {
          const one = verdictOf(pairs(...values), 1)!;
          const other = verdictOf(pairs(...values.map(([a, b]) => [b, a] as [number, number])), 1)!;
          expect(other.difference).toBeCloseTo(-one.difference, 9);
          expect(other.p).toBeCloseTo(one.p, 12);
        },
      ),
    );
  });
});

const blocks = (plots: Measured[]) =>
  [...new Set(plots.map((p) => p.block))].map((block) => ({
    a: plots.filter((p) => p.block === block && p.treatment === 0).map((p) => p.value),
    b: plots.filter((p) => p.block === block && p.treatment === 1).map((p) => p.value),
  }));

describe('how many more', () => {
  test('a plain difference wants six blocks, since fewer can show nothing; a faint one more, none never', () => {
    expect(blocksToShow(20, 2)).toBe(6);
    const faint = blocksToShow(10, 10)!;
    expect(faint).toBeGreaterThan(7);
    expect(blocksToShow(1, 10)).toBeUndefined();
    expect(blocksToShow(0, 10)).toBeUndefined();
    expect(blocksToShow(20, 2, 9)).toBe(9);
  });
  test('the spread is that of differences from block to block', () => {
    expect(spreadOfBlocks(pairs([0, 1], [0, 3]), 1)).toBeCloseTo(Math.SQRT2, 12);
    expect(spreadOfBlocks(pairs([0, 1]), 1)).toBeNaN();
  });
});
