import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from '../records/files/gardenFile.ts';
import type { Lot, Recipe } from '../records/types.ts';
import { METRIC } from '../core/units/show.ts';
import { seedHereWords } from '../ui/packetWords.ts';
import { seedHere } from './seedHere.ts';
import { weightsOf } from './weights.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;
const TODAY = '2027-04-13';
const cover = c.covers.find((k) => k.id === 'north-shore-cover-10-2027-04')!;
const bed = c.beds.find((b) => b.id === cover.bedId)!;
const need_g = weightsOf(cover, bed)[0]!.weigh_g;
const packet = (size_g: number | null): Recipe => ({
  id: 'p',
  gardenId: c.garden.id,
  name: 'A packet',
  parts: cover.parts,
  ready: true,
  packs:
    size_g === null
      ? []
      : [
          { size_g: size_g * 4, price: 9 },
          { size_g, price: 3 },
        ],
  rate_g_m2: 2,
});
const lot = (left_g: number, more: Partial<Lot> = {}): Lot => ({
  ...c.lots[0]!,
  id: `l${left_g}`,
  speciesId: 'phacelia',
  year: 2026,
  left_g,
  test: null,
  purity: 0.98,
  coating: 0,
  treated: false,
  ...more,
});
const own = { id: 'own-p' };

describe('what the seed that is here comes to', () => {
  test('a packet is held against all the beds it is for, by its smallest pack', () => {
    const one = seedHere(own, [{ cover, bed }], { recipes: [packet(need_g * 2)], lots: [] }, TODAY);
    expect(one.packet).toMatchObject({ verdict: 'enough', packets: 1 });
    expect(one.packet!.need_g).toBeCloseTo(need_g, 9);
    expect(one.packet!.throws_g).toHaveLength(cover.throws);
    const three = [1, 2, 3].map(() => ({ cover, bed }));
    expect(seedHere(own, three, { recipes: [packet(need_g * 2)], lots: [] }, TODAY).packet).toMatchObject({
      verdict: 'part',
      packets: 2,
    });
    // Another cover is not poured from it.
    expect(
      seedHere({ id: 'phacelia' }, [{ cover, bed }], { recipes: [packet(50)], lots: [] }, TODAY),
    ).toEqual({
      shelf: [],
    });
  });
  test('seed on the shelf is reckoned by what still lives of it: old seed is short where fresh would do', () => {
    const at = (lots: Lot[]) =>
      seedHere({ id: 'phacelia' }, [{ cover, bed }], { recipes: [], lots }, TODAY).shelf[0];
    expect(at([lot(need_g * 1.5)])!.buy_g).toBe(0);
    const old = at([lot(need_g * 1.2, { year: 2015 })])!;
    expect(old.buy_g).toBeGreaterThan(0);
    expect(old.need_g).toBeGreaterThan(need_g);
    // What is taken of it: the living seed that is wanted, at the share of this lot that lives.
    const tested = (sprouted: number) =>
      at([lot(need_g * 9, { test: { sown: 100, sprouted, on: TODAY } })])!.need_g;
    expect(tested(40) / tested(80)).toBeCloseTo(2, 1);
    // Two lots count together.
    expect(at([lot(need_g * 0.7), lot(need_g * 0.6)])!.buy_g).toBe(0);
    expect(at([lot(0)])).toBeUndefined();
    expect(at([lot(900, { speciesId: 'cereal-rye' })])).toBeUndefined();
  });
  test('of a mix each kind is held against its own seed', () => {
    const mix = {
      ...cover,
      parts: [
        { speciesId: 'cereal-rye', share: 0.5 },
        { speciesId: 'hairy-vetch', share: 0.5 },
      ],
      seed: [],
    };
    const [rye, vetch] = weightsOf(mix, bed);
    const lots = [lot(5000, { speciesId: 'cereal-rye' }), lot(1, { speciesId: 'hairy-vetch' })];
    const { shelf } = seedHere({ id: 'rye-vetch' }, [{ cover: mix, bed }], { recipes: [], lots }, TODAY);
    expect(shelf.map((s) => [s.speciesId, s.has_g, s.buy_g > 0])).toEqual([
      ['cereal-rye', 5000, false],
      ['hairy-vetch', 1, true],
    ]);
    // Fresh seed of the shelf lives about as the bag's: what is wanted of it is about what the scale is to show.
    expect(shelf[0]!.need_g / rye!.weigh_g).toBeCloseTo(1, 0);
    expect(shelf[1]!.need_g / vetch!.weigh_g).toBeCloseTo(1, 0);
  });
  test('it is said in packs and throws, with what to do', () => {
    const said = (size_g: number | null, beds = 1) =>
      seedHereWords(
        seedHere(
          own,
          Array.from({ length: beds }, () => ({ cover, bed })),
          { recipes: [packet(size_g)], lots: [] },
          TODAY,
        ),
        METRIC,
      ).join(' ');
    expect(said(need_g * 2)).toMatch(/^About half of the packet: .* in two halves of .* Keep the other /);
    expect(said(need_g * 0.5)).toMatch(/on 50 % of the bed.*One packet does not do for all of it: 2 do/);
    expect(said(null)).toMatch(/in two halves.*Write under Mixes in which packs it is sold/);
    const short = seedHereWords(
      seedHere({ id: 'phacelia' }, [{ cover, bed }], { recipes: [], lots: [lot(need_g * 0.4)] }, TODAY),
      METRIC,
    );
    expect(short).toHaveLength(1);
    expect(short[0]).toMatch(/^Phacelia: .* on the shelf, about .* short: buy it, or sow a smaller piece\.$/);
  });
});
