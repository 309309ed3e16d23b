import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from '../../records/files/gardenFile.ts';
import { tourSteps } from './tour.ts';

const garden = (name: string) => {
  const read = readGardenFile(readFileSync(`demo/${name}.kilim.json`, 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  return read.value;
};
const steps = (name: string, deeds: string[] = []) => {
  const c = garden(name);
  return tourSteps(c, new Set(deeds), c.garden.seasonClock!);
};

describe('what is worth trying in a made-up garden', () => {
  test('a season in its order, every step to a page of that garden', () => {
    const all = steps('north-shore');
    expect(all.map((s) => s.id)).toEqual(['hang', 'sow', 'look', 'share', 'end']);
    expect(all[0]!.words).toMatch(/^A hole opens on bed 8 on \d+ Jun: hang a cover/);
    expect(all[0]!.to).toMatch(/^\/bed\/north-shore-bed-8\/choose\?from=2027-06-\d\d$/);
    expect(all[1]!.to).toBe('/cover/north-shore-cover-10-2027-04/sow');
    expect(all.every((s) => !s.done)).toBe(true);
  });
  test('a hole is looked for in what hangs on the day: a piece has none before it is cut, a path never', () => {
    const c = garden('north-shore');
    const bed = c.beds.find((b) => b.name === '2')!;
    const piece = (id: string, use: 'bed' | 'path', from = '2027-08-01') => ({
      ...bed,
      id,
      name: id,
      piece: {
        of: bed.id,
        from,
        until: null,
        side: 'along' as const,
        share: (use === 'path' ? [0, 0.5] : [0.5, 1]) as [number, number],
        use,
      },
    });
    // Something stands on each of them later: the hole before it has an end.
    const later = {
      ...c.plantings[0]!,
      plantOn: '2027-10-01',
      plantedOn: null,
      clearOn: '2028-10-01',
      clearedOn: null,
    };
    const first = (pieces: typeof c.beds) =>
      tourSteps(
        {
          ...c,
          beds: [...c.beds, ...pieces],
          plantings: [...c.plantings, ...pieces.map((x) => ({ ...later, id: `${x.id} later`, bedId: x.id }))],
        },
        new Set(),
        c.garden.seasonClock!,
      )[0]!.words;
    expect(first([piece('a path', 'path'), piece('a piece', 'bed')])).toBe(first([]));
    expect(first([piece('a path', 'path', c.garden.seasonClock!)])).toBe(first([]));
    expect(first([piece('a piece', 'bed', c.garden.seasonClock!)])).toMatch(/on bed a piece on 13 Apr/);
  });
  test('each is done by a deed of its own kind alone', () => {
    const done = (deed: string) =>
      steps('north-shore', [deed])
        .filter((s) => s.done)
        .map((s) => s.id);
    expect(done('put-cover')).toEqual(['hang']);
    expect(done('sow')).toEqual(['sow']);
    for (const look of ['save-look', 'count-crowns']) expect(done(look)).toEqual(['look']);
    expect(done('share-things')).toEqual(['share']);
    expect(done('log-pass')).toEqual(['end']);
    expect(done('change-bed')).toEqual([]);
  });
  test('what a garden has nothing for is left out', () => {
    const c = garden('north-shore');
    const bare = { ...c, garden: { ...c.garden, things: [] }, covers: [], plantings: [] };
    expect(tourSteps(bare, new Set(), c.garden.seasonClock!).map((s) => s.id)).toEqual([]);
    expect(steps('two-gums').length).toBeGreaterThanOrEqual(3);
  });
});
