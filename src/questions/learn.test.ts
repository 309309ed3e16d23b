import { describe, expect, test } from '@jest/globals';
import { demoKept } from '../records/testStore.ts';
import type { Bed, Look } from '../records/types.ts';
import { lookedAt } from './learn.ts';

const kept = demoKept();
const cover = kept.covers.find((c) => c.id === 'north-shore-cover-6-2026-09')!;
const bed = kept.beds.find((b) => b.id === cover.bedId)!;
const mine = kept.looks.filter((l) => l.coverId === cover.id);
const CUT_ON = '2027-01-10';

/** The bed cut in two: both pieces carry the cover, with the looks so far. */
function cutInTwo(later: Look[] = []) {
  const piece = (k: number): Bed => ({
    ...bed,
    id: `piece-${k}`,
    name: `6.${k}`,
    order: bed.order + k / 100,
    piece: { of: bed.id, from: CUT_ON, until: null, side: 'across', share: [(k - 1) / 2, k / 2], use: 'bed' },
  });
  const covers = [1, 2].map((k) => ({ ...cover, id: `cover-${k}`, bedId: `piece-${k}` }));
  const before = mine.filter((l) => l.on < CUT_ON);
  const looks = [1, 2].flatMap((k) =>
    before.map((l) => ({ ...l, id: `${l.id}-${k}`, coverId: `cover-${k}`, bedId: `piece-${k}` })),
  );
  return { ...kept, beds: [...kept.beds, piece(1), piece(2)], covers, looks: [...looks, ...later] };
}
const lookOn = (on: string, k: number): Look => ({
  ...mine[0]!,
  id: `later-${k}`,
  coverId: `cover-${k}`,
  bedId: `piece-${k}`,
  on,
});

describe('covers that were looked at', () => {
  test('a cover sown on a piece after the cut is its own: all its looks are told of, on every piece', () => {
    const cut = cutInTwo();
    const covers = cut.covers.map((c) => ({ ...c, sownOn: CUT_ON }));
    const looks = [1, 2].flatMap((k) =>
      [lookOn('2027-02-20', k), lookOn(CUT_ON, k)].map((l, i) => ({ ...l, id: `own-${k}-${i}` })),
    );
    const told = lookedAt({ ...cut, covers, looks }, '2027-04-13', 8);
    expect(told.map((t) => [t.coverId, t.asked.looks!.length])).toEqual([
      ['cover-1', 2],
      ['cover-2', 2],
    ]);
  });
  test('looks from before a bed was cut are told of once, with the first piece', () => {
    const told = lookedAt(cutInTwo(), '2027-04-13', 8);
    expect(told.map((t) => t.coverId)).toEqual(['cover-1']);
    expect(told[0]!.asked.looks!.length).toBe(mine.filter((l) => l.on < CUT_ON).length);
  });
  test('what was seen on a piece since then is its own', () => {
    const told = lookedAt(cutInTwo([lookOn('2027-03-20', 2)]), '2027-04-13', 8);
    expect(told.map((t) => [t.coverId, t.asked.looks!.length])).toEqual([
      ['cover-1', mine.filter((l) => l.on < CUT_ON).length],
      ['cover-2', 1],
    ]);
  });
  test('a cover sown after the cut has all its looks, on whichever piece', () => {
    const cut = cutInTwo([lookOn('2027-03-20', 2)]);
    const covers = cut.covers.map((c) => ({ ...c, sownOn: '2027-02-20', sowOn: '2027-02-20' }));
    const told = lookedAt({ ...cut, covers, looks: cut.looks.filter((l) => l.on > CUT_ON) }, '2027-04-13', 8);
    expect(told.map((t) => t.coverId)).toEqual(['cover-2']);
  });
});
