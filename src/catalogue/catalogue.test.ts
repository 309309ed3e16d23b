import { expect, test } from '@jest/globals';
import { z } from 'zod';
import { METHOD_IDS } from '../core/plan/plan.ts';
import {
  aims,
  cautions,
  climates,
  crops,
  findSpecies,
  kit,
  methods,
  mixes,
  sowingWays,
  species,
} from './catalogue.ts';
import sources from './data/sources.json' with { type: 'json' };
import {
  aimSchema,
  climateSchema,
  cropSchema,
  methodSchema,
  mixSchema,
  sowingWaySchema,
  speciesSchema,
} from './schema.ts';

test('every data file has its form', () => {
  const read = <T>(schema: z.ZodType<T>, list: unknown) => z.array(schema).parse(list);
  expect(read(speciesSchema, species).length).toBeGreaterThanOrEqual(14);
  expect(read(mixSchema, mixes).length).toBeGreaterThanOrEqual(6);
  expect(read(cropSchema, crops)).toHaveLength(50);
  for (const [schema, list] of [
    [climateSchema, climates],
    [methodSchema, methods],
    [sowingWaySchema, sowingWays],
    [aimSchema, aims],
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
    for (const key of s.sources) expect(Object.keys(sources)).toContain(key);
  }
});

test('mixes name known species with shares that add up to one; methods name known tools and cautions', () => {
  for (const m of mixes) {
    for (const p of m.members) expect(findSpecies(p.speciesId)).toBeDefined();
    expect(m.members.reduce((s, p) => s + p.share, 0)).toBeCloseTo(1, 6);
  }
  expect(methods.map((m) => m.id).sort()).toEqual([...METHOD_IDS].sort());
  for (const m of methods) {
    expect(cautions[m.caution]).toBeTruthy();
    for (const tool of m.needs.flat()) expect(kit.map((k) => k.id)).toContain(tool);
  }
});
