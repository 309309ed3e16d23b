import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { type TROUBLES } from '../core/stand/troubles.ts';
import { takeApart } from '../core/termination/method.ts';
import {
  aims,
  cautions,
  endingFigures,
  climates,
  crops,
  findSpecies,
  kit,
  methods,
  mixes,
  sowingWays,
  species,
} from './catalogue.ts';
import { ownSeeds } from './ownSeed.ts';
import { pageOf, sources } from './pages.ts';
import {
  aimSchema,
  climateSchema,
  cropSchema,
  endingFiguresSchema,
  ownSeedSchema,
  methodSchema,
  mixSchema,
  sowingWaySchema,
  speciesPageSchema,
  speciesSchema,
} from './schema.ts';

test('every data file has its form', () => {
  const read = <T>(schema: z.ZodType<T>, list: unknown) => z.array(schema).parse(list);
  expect(read(speciesSchema, species).length).toBeGreaterThanOrEqual(45);
  expect(read(mixSchema, mixes).length).toBeGreaterThanOrEqual(20);
  expect(read(cropSchema, crops)).toHaveLength(54);
  for (const [schema, list] of [
    [climateSchema, climates],
    [methodSchema, methods],
    [sowingWaySchema, sowingWays],
    [aimSchema, aims],
    [endingFiguresSchema, endingFigures],
    [ownSeedSchema, ownSeeds],
  ] as const)
    read(schema as z.ZodType, list);
});

test('figures of each species agree with each other and name known sources', () => {
  for (const s of species) {
    const { bud_cd, flower_cd, milk_cd, seed_cd } = s.stages;
    expect([bud_cd, flower_cd, milk_cd, seed_cd]).toEqual(
      [bud_cd, flower_cd, milk_cd, seed_cd].sort((a, b) => a - b),
    );
    expect(s.thermal.base_c).toBeLessThan(s.thermal.opt_c);
    expect(s.thermal.opt_c).toBeLessThan(s.thermal.max_c);
    expect(s.cold.hardened_c).toBeLessThanOrEqual(s.cold.tender_c);
    expect(s.nitrogen.leafyPct).toBeGreaterThan(s.nitrogen.seedPct);
    expect(s.seed.rateBroadcastLow_g_m2).toBeLessThan(s.seed.rateBroadcastHigh_g_m2);
    expect(s.thermal.germMin_c).toBeLessThan(s.thermal.germOpt_c);
    expect(s.growth.typical_g_m2).toBeLessThanOrEqual(s.growth.max_g_m2);
    expect(s.seed.depthMin_mm).toBeLessThanOrEqual(s.seed.depthMax_mm);
    // Deeper than seed of this weight can push up (Bond 1999: 27.3 mg^0.334) would be a slip of the unit.
    expect(s.seed.depthMax_mm).toBeLessThanOrEqual(27.3 * s.seed.thousandSeed_g ** 0.334);
    // Carbon is 43 % of dry matter: C:N from the nitrogen figures must rise with age and stay within what plants can have.
    const cn = [s.nitrogen.leafyPct, s.nitrogen.flowerPct, s.nitrogen.seedPct].map((n) => 43 / n);
    expect(cn[0]).toBeGreaterThan(8);
    expect(cn[2]).toBeLessThan(75);
    if (s.role !== 'legume') expect(s.nitrogen.fixedShare).toBe(0);
    // 6 to 4000 plants per m2 at the broadcast rate.
    const plants = (s.seed.rateBroadcastLow_g_m2 / s.seed.thousandSeed_g) * 1000 * 0.6;
    expect(plants).toBeGreaterThan(5);
    expect(plants).toBeLessThan(4000);
    const page = speciesPageSchema.parse(pageOf(s.id));
    const keys = [...page.sources, ...Object.values(page.provenance).flatMap((p) => p.sources)];
    for (const key of keys) expect(Object.keys(sources)).toContain(key);
    for (const l of page.lookAlikes) expect(findSpecies(l.speciesId)).toBeDefined();
  }
});

test('mixes name known species with shares that add up to one; methods name known tools and cautions', () => {
  for (const m of mixes) {
    for (const p of m.members) expect(findSpecies(p.speciesId)).toBeDefined();
    expect(m.members.reduce((s, p) => s + p.share, 0)).toBeCloseTo(1, 6);
  }
  for (const m of methods) {
    for (const c of m.cautions) expect(cautions[c]).toBeTruthy();
    // Every pass is known to the core: a method does something, waits for something, or lays something.
    const parts = takeApart(m);
    expect(parts.kills.length > 0 || parts.covering !== null || parts.waits !== null || parts.keeps).toBe(
      true,
    );
    expect(parts.keeps).toBe(m.id === 'mow-keep');
    for (const tool of m.needs.flat()) expect(kit.map((k) => k.id)).toContain(tool);
  }
});

test('every kind has figures for blades, boards and animals, and they agree with each other', () => {
  expect(endingFigures.map((f) => f.id).sort()).toEqual(species.map((s) => s.id).sort());
  expect(ownSeeds.map((f) => f.id)).toEqual(species.map((s) => s.id));
  for (const f of ownSeeds) expect(f.share[0]).toBeLessThan(f.share[1]);
  for (const f of endingFigures) {
    expect(f.stem_mm[0]).toBeLessThan(f.stem_mm[1]);
    for (const h of f.hardness) expect([1, 2, 3, 4]).toContain(h);
    expect(f.hardness[0]).toBeLessThanOrEqual(f.hardness[1]);
    // What a cut leaves standing to live is taller than what it leaves to die.
    if (f.stubble_cm !== null && f.stubbleKeep_cm !== null)
      expect(f.stubbleKeep_cm).toBeGreaterThan(f.stubble_cm);
    for (const [low, high] of f.press_N_cm ?? []) expect(low).toBeLessThan(high);
    const highs = (f.press_N_cm ?? []).map(([, high]) => high);
    expect(highs).toEqual([...highs].sort((a, b) => b - a));
  }
});

describe('troubles of a bed', () => {
  const that = (does: 'feeds' | 'starves', trouble: (typeof TROUBLES)[number]) =>
    species.filter((s) => s.troubles[does].includes(trouble));
  test('clubroot lives on every brassica and on nothing else; no kind feeds what it starves', () => {
    expect(that('feeds', 'clubroot').map((s) => s.id)).toEqual(
      species.filter((s) => s.family === 'Brassicaceae').map((s) => s.id),
    );
    for (const s of species)
      expect(s.troubles.feeds.filter((t) => s.troubles.starves.includes(t))).toEqual([]);
  });
  test('root-knot goes back under marigold, sorghum, rye, sunn hemp and velvet bean, and lives on the other legumes', () => {
    expect(
      that('starves', 'root-knot')
        .map((s) => s.id)
        .sort(),
    ).toEqual(['cereal-rye', 'french-marigold', 'sorghum-sudangrass', 'sunn-hemp', 'velvet-bean']);
    const fed = new Set(that('feeds', 'root-knot').map((s) => s.id));
    for (const s of species.filter((k) => k.role === 'legume'))
      expect([s.id, fed.has(s.id)]).toEqual([s.id, !['sunn-hemp', 'velvet-bean'].includes(s.id)]);
  });
  test('wireworm lives on grasses alone; slugs on clovers that stay; weeds of the year are kept down by what smothers', () => {
    expect(that('feeds', 'wireworm').every((s) => s.role === 'grass')).toBe(true);
    expect(that('feeds', 'wireworm').length).toBeGreaterThan(10);
    expect(that('feeds', 'slugs').every((s) => s.role === 'legume' && s.life === 'perennial')).toBe(true);
    for (const s of that('starves', 'annual-weeds')) expect(s.worth.weeds).toBeGreaterThanOrEqual(0.85);
    expect(that('feeds', 'annual-weeds')).toEqual([]);
  });
});

test('ways of sowing say what holds the seed: soil, the surface, or frost; one goes under a standing crop', () => {
  const that = (hold: string) => sowingWays.filter((w) => w.hold === hold).map((w) => w.id);
  expect(that('surface')).toEqual(['surface', 'standing-crop', 'cut-over', 'self-sown']);
  expect(that('frost')).toEqual(['frost-sown']);
  expect(sowingWays.filter((w) => w.undersown).map((w) => w.id)).toEqual(['standing-crop']);
  // What is covered is never found lying on top.
  for (const w of sowingWays) if (w.hold === 'covered') expect([w.id, w.onTop]).toEqual([w.id, false]);
});
test('most seed keeps nine tenths of its life from year to year, chicory and corn salad seven', () => {
  const keeps = (share: number) => species.filter((s) => s.seed.keepsPerYear === share).map((s) => s.id);
  expect(keeps(0.7).sort()).toEqual(['chicory', 'corn-salad']);
  expect(keeps(0.8).sort()).toEqual(['french-marigold', 'niger', 'phacelia', 'soybean', 'sunn-hemp']);
  expect(keeps(0.9)).toHaveLength(species.length - 7);
});
