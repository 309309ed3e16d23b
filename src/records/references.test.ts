import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from './files/gardenFile.ts';
import { type AnyRecord } from './history.ts';
import {
  bedsNamed,
  brokenLink,
  REFERENCES,
  type Tables,
  withNewIds,
  withoutLoosePointers,
} from './references.ts';
import { OWNED } from './types.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const contents = read.value;
const tables = (): Tables =>
  Object.fromEntries(OWNED.map((t) => [t, [...(contents[t] as AnyRecord[])]])) as Tables;
const withSeed = (...lots: (string | null)[]) => {
  const t = tables();
  const [first, ...rest] = t.covers as (AnyRecord & { seed: object[] })[];
  const seed = lots.map((lotId) => ({ speciesId: 'cereal-rye', lotId }));
  t.covers = [{ ...first!, seed } as unknown as AnyRecord, ...rest];
  return t;
};
const lotsOf = (t: Tables) =>
  (t.covers[0] as unknown as { seed: { lotId: string | null }[] }).seed.map((s) => s.lotId);

describe('one table of how records name each other', () => {
  test('a sound garden has no broken link; what cannot be without another is named when that is gone', () => {
    expect(brokenLink(tables())).toBeUndefined();
    for (const ref of REFERENCES.filter((r) => r.needed)) {
      const t = tables();
      const named = t[ref.from].find((r) => ref.ids(r).length > 0);
      if (!named) continue;
      t[ref.to] = t[ref.to].filter((r) => r.id !== ref.ids(named)[0]);
      expect(brokenLink(t)).toMatchObject({ misses: ref.to });
    }
  });
  test('of several pointers only the loose one is let go', () => {
    const known = contents.lots[0]!.id;
    expect(lotsOf(withoutLoosePointers(withSeed(known, 'nowhere', null)))).toEqual([known, null, null]);
    expect(lotsOf(withoutLoosePointers(withSeed('nowhere', known)))).toEqual([null, known]);
    const sound = withSeed(known, null);
    expect(withoutLoosePointers(sound).covers[0]).toBe(sound.covers[0]);
  });
  test('clippings that were carried onto a bed: a new id is followed, and of a bed that is gone only the pointer is let go', () => {
    const [bed, other] = contents.beds;
    const done = (b?: AnyRecord) => (b as unknown as { life: { done: object[] } }).life.done;
    const t = tables();
    const life = {
      what: 'white-clover',
      since: '2026-04-10',
      years: null,
      done: [
        { kind: 'mow', on: '2026-06-01', took_kg: 3, to: other!.id },
        { kind: 'mow', on: '2026-07-01', took_kg: 2 },
        { kind: 'mow', on: '2026-08-01', took_kg: 1, to: 'nowhere' },
      ],
    };
    t.beds = [{ ...bed!, life } as unknown as AnyRecord, ...t.beds.slice(1)];
    const anew = withNewIds(t, { beds: new Map([[other!.id, 'anew']]) });
    expect(done(anew.beds[0]).map((d) => (d as { to?: string }).to)).toEqual(['anew', undefined, 'nowhere']);
    expect(done(withoutLoosePointers(t).beds[0])).toEqual([
      life.done[0],
      life.done[1],
      { kind: 'mow', on: '2026-08-01', took_kg: 1 },
    ]);
  });
  test('a new id stands wherever the old one was named, and nowhere else', () => {
    const [bed, other] = contents.beds;
    const t = withNewIds(tables(), { beds: new Map([[bed!.id, 'bed-anew']]) });
    const at = (table: 'covers' | 'plantings' | 'looks', id: string) =>
      t[table].filter((r) => (r as unknown as { bedId: string }).bedId === id).length;
    const was = (table: 'covers' | 'plantings' | 'looks', id: string) =>
      contents[table].filter((r) => r.bedId === id).length;
    for (const table of ['covers', 'plantings', 'looks'] as const) {
      expect(at(table, 'bed-anew')).toBe(was(table, bed!.id));
      expect(at(table, bed!.id)).toBe(0);
      expect(at(table, other!.id)).toBe(was(table, other!.id));
    }
    expect(t.beds.map((b) => b.id)).toEqual(contents.beds.map((b) => (b.id === bed!.id ? 'bed-anew' : b.id)));
    expect(brokenLink(t)).toBeUndefined();
  });
  test('a garden names its beds by their new ids in trials, rules and plans, and crops by what they were', () => {
    const garden = {
      trials: [{ plots: [{ bedId: 'a' }, { bedId: 'b' }] }],
      rotationRules: [
        { kind: 'not-on', than: 'a' },
        { kind: 'not-after', than: 'a' },
      ],
      yearsPlan: { beds: [{ bedId: 'a' }, { bedId: 'b' }], hung: [{ bedId: 'b' }, { bedId: 'a' }] },
    };
    expect(bedsNamed(garden, new Map([['a', 'z']]))).toEqual({
      trials: [{ plots: [{ bedId: 'z' }, { bedId: 'b' }] }],
      rotationRules: [
        { kind: 'not-on', than: 'z' },
        { kind: 'not-after', than: 'a' },
      ],
      yearsPlan: { beds: [{ bedId: 'z' }, { bedId: 'b' }], hung: [{ bedId: 'b' }, { bedId: 'z' }] },
    });
    expect(bedsNamed({ trials: [] }, new Map([['a', 'z']]))).toEqual({ trials: [] });
  });
});
