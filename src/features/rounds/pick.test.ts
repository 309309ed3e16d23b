import { expect, test } from '@jest/globals';
import { lookSchema } from '../../records/types.ts';
import { lookFrom, type Pick } from './pick.ts';

const cover = {
  id: 'c',
  bedId: 'b',
  gardenId: 'g',
  parts: [
    { speciesId: 'cereal-rye', share: 0.6 },
    { speciesId: 'hairy-vetch', share: 0.4 },
  ],
};
type Kind = Parameters<typeof lookFrom>[0]['kind'];
const look = (kind: Kind, pick: Pick, speciesId?: string) =>
  lookFrom({ kind, ...(speciesId ? { speciesId } : {}) }, pick, cover, 'l', '2027-05-10');

test('an unanswered card makes no look; every answered one a sound record with just that in it', () => {
  const picks: [Kind, Pick][] = [
    ['stage', { stage: 'bud', reached: 7 }],
    ['seed', { seed: 'some' }],
    ['cover', { cover: 0.71 }],
    ['height', { height_m: 0.8 }],
    ['weeds', { weeds: 'few' }],
    ['alive', { alive: 4 }],
    ['emergence', { emergence: 'even' }],
    ['gaps', { gaps: 'many' }],
    ['crowns', { green: 2 }],
    ['peek', { green: 0 }],
    ['frame', { plants: 12 }],
    ['washed', { washed: 'some' }],
    ['edges', { edges: 'none' }],
    ['pests', { pests: [] }],
    ['soil', { soil: { depth_cm: 20, worms: 0, crumb: 'clods', smell: 'sour' } }],
  ];
  for (const [kind, pick] of picks) {
    expect(look(kind, {})).toBeNull();
    expect(lookSchema.safeParse(look(kind, pick)).success).toBe(true);
  }
});
test('a count of ten is kept of the member that was asked for, with the stage it was counted at', () => {
  expect(look('stage', { stage: 'flower', reached: 3 }, 'hairy-vetch')!.members).toEqual([
    {
      speciesId: 'hairy-vetch',
      stage: null,
      alive: null,
      count: null,
      tens: { stage: 'flower', reached: 3, of: 10 },
    },
  ]);
  // Leaf only is seen at a glance: nothing to count.
  expect(look('stage', { stage: 'leafy', reached: 3 })!.members[0]).toMatchObject({
    speciesId: 'cereal-rye',
    stage: 'leafy',
  });
});
test('a squeezed kernel stands for the count: milk and paste are milk, no mark is seed, and the kernel is kept beside it', () => {
  const squeezed = (squeeze: 'milk' | 'paste' | 'hard') =>
    look('stage', { stage: 'milk', reached: 4, squeeze })!.members[0]!;
  expect(squeezed('paste')).toMatchObject({ speciesId: 'cereal-rye', stage: 'milk', squeeze: 'paste' });
  expect(squeezed('hard')).toMatchObject({ stage: 'seed', squeeze: 'hard' });
  expect(squeezed('milk').tens).toBeUndefined();
  expect(lookSchema.safeParse(look('stage', { stage: 'milk', squeeze: 'paste' })).success).toBe(true);
});
test('alive of ten is a share, crowns are counted, dark seed is a count of ripe heads', () => {
  expect(look('alive', { alive: 4 })!.members[0]!.alive).toBe(0.4);
  expect(look('crowns', { green: 2 })!.crowns).toEqual({ green: 2, of: 10 });
  expect(look('seed', { seed: 'none' })!.members[0]!.tens).toEqual({ stage: 'seed', reached: 0, of: 10 });
});
