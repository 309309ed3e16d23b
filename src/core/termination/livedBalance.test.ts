import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { climates, crops, findWay, membersOf, mixes } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { growPlan } from '../plan/grown.ts';
import { freeOn, startFreeing } from '../residue/freeing.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { livedEnd } from './lived.ts';
import { newYearEnd } from './yearEnd.ts';
import { readyEnding } from './end.ts';
import { PASS_KINDS } from './method.ts';
import { type Task, workOf } from './work.ts';

// Whatever is done to a stand, in whatever order: nothing is made of nothing, and nothing goes unaccounted for.

const YEARS = 3;
const FROM = dayOf('2026-08-20');
const DAYS = 420;
const PLANT_AT = 285;
const MICROBE_CN = 6.5;
const grounds = climates.map((c, i) => makeEnsemble(siteFromPattern(c), FROM, DAYS, YEARS, 40 + i));

const task: fc.Arbitrary<Task> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.record({
      kind: fc.constantFrom(...PASS_KINDS),
      at: fc.integer({ min: 30, max: DAYS - 20 }),
      done: fc.boolean(),
      whenDead: fc.constantFrom(true, undefined),
      ifGreen: fc.constantFrom(0.1, undefined),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('crowns' as const),
      at: fc.integer({ min: 60, max: DAYS - 20 }),
      green: fc.integer({ min: 0, max: 10 }),
      of: fc.constant(10),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('seen-dead' as const),
      at: fc.integer({ min: 60, max: DAYS - 20 }),
    }),
  },
);
const season = fc.record({
  ground: fc.nat(grounds.length - 1),
  mix: fc.nat(mixes.length - 1),
  texture: fc.constantFrom('sand' as const, 'loam' as const, 'clay' as const),
  tasks: fc.array(task, { minLength: 1, maxLength: 6 }),
});

function live({ ground, mix, texture, tasks }: typeof season extends fc.Arbitrary<infer S> ? S : never) {
  const ensemble = grounds[ground]!;
  const members = membersOf(mixes[mix]!.members);
  const plan = {
    members,
    seed_g_m2: viableRate_g_m2(members, 1),
    way: findWay('raked')!,
    soil: { texture, fertility: 'fair' as const },
    watered: true,
    sownAt: 10,
    plantAt: PLANT_AT,
    next: { ...crops.find((c) => c.id === 'cabbage')!, way: 'transplant' as const },
  };
  const inOrder = [...tasks].sort((a, b) => a.at - b.at);
  const grown = growPlan(plan, ensemble, YEARS, undefined, (y) =>
    workOf(
      inOrder,
      { members, soil: plan.soil, cap_d: Infinity },
      ensemble.seasons[y]!,
      ensemble.variations[y]!,
    ),
  );
  return grown;
}

describe('a season as it is lived', () => {
  test('dry matter, water and nitrogen close through any passes in any order, with what was carried off', () => {
    fc.assert(
      fc.property(season, (s) => {
        for (const c of live(s).courses) {
          const end = c.days - 1;
          let stands = 0;
          for (let m = 0; m < c.members; m++) stands += c.dm_g_m2[end * c.members + m]!;
          expect(c.dmSown_g_m2 + c.dmMade_g_m2 - c.dmLost_g_m2).toBeCloseTo(stands, 2);
          const { water: w, soilNitrogen: n } = c;
          expect(w.start_mm + w.rain_mm + w.watered_mm - w.used_mm - w.drained_mm).toBeCloseTo(w.end_mm, 6);
          expect(
            n.start_g_m2 + n.mineralised_g_m2 + n.returned_g_m2 - n.taken_g_m2 - n.leached_g_m2,
          ).toBeCloseTo(n.end_g_m2, 5);
          // What lies and what was carried off was grown before, with no more nitrogen than came in.
          const laid = c.laid.reduce((sum, l) => sum + l.dm_g_m2, 0);
          const laidN = c.laid.reduce((sum, l) => sum + l.n_g_m2, 0);
          expect(laid + c.exported_g_m2).toBeLessThanOrEqual(c.dmSown_g_m2 + c.dmMade_g_m2 + 0.01);
          expect(laidN + c.exportedN_g_m2).toBeLessThanOrEqual(
            c.nSown_g_m2 + n.taken_g_m2 + n.fixed_g_m2 + n.returned_g_m2 + 0.01,
          );
          for (const x of [laid, laidN, c.exported_g_m2, c.exportedN_g_m2])
            expect(x).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 120, seed: 21 },
    );
  });

  test('no figure is NaN or below nothing, shares stay shares, and what was seen dead stays dead', () => {
    fc.assert(
      fc.property(season, (s) => {
        for (const c of live(s).courses) {
          for (const row of [c.dm_g_m2, c.n_g_m2, c.cover, c.stage, c.height_m, c.alive, c.dead_g_m2])
            for (const v of row) if (!(v >= 0)) throw new Error(`${v}`);
          for (let i = 0; i < c.days; i++)
            if (c.cover[i]! > 1 || c.alive[i * c.members]! > 1) throw new Error(`more than all on ${i}`);
          const seen = c.deeds.find((k) => k.kind === 'seen-dead');
          for (let d = seen ? seen.day + 1 : c.days; d < c.days; d++)
            for (let m = 0; m < c.members; m++)
              // Seed that had not come up by then still may.
              if (c.alive[d * c.members + m]! > 0 && c.emerged[m]! < seen!.day)
                throw new Error(`alive on ${d}, seen dead on ${seen!.day}`);
          for (const l of c.laid) if (!(l.day >= c.sownAt)) throw new Error(`laid on ${l.day}`);
        }
      }),
      { numRuns: 120, seed: 22 },
    );
  });

  test('what lies rots and frees no more nitrogen than it held, day by day to 120 days past planting', () => {
    fc.assert(
      fc.property(season, (s) => {
        const { courses, ensemble } = live(s);
        courses.forEach((c, y) => {
          for (const l of c.laid) {
            if (l.dm_g_m2 <= 0) continue;
            const f = startFreeing(l.dm_g_m2, l.n_g_m2, l.buried, l.times);
            for (let d = l.day; d < Math.min(c.days, PLANT_AT + 120); d++) {
              freeOn(f, ensemble.seasons[y]!, d);
              const there = f.n + f.microbes / MICROBE_CN + f.humus + f.free;
              if (Math.abs(there - l.n_g_m2) > 1e-6) throw new Error(`${there} of ${l.n_g_m2} on ${d}`);
              if (f.free > l.n_g_m2 + 1e-9) throw new Error(`frees ${f.free} of ${l.n_g_m2}`);
            }
          }
        });
      }),
      { numRuns: 60, seed: 23 },
    );
  });

  test('a bed is never ready before it is dead, nor warm enough before it is ready', () => {
    fc.assert(
      fc.property(season, (s) => {
        const { plan, courses, ensemble } = live(s);
        const ending = readyEnding(plan, {
          id: 'cut',
          passes: [{ kind: 'cut', after_d: 0 }],
          minutesPer100m2: 60,
          missing: [],
        });
        courses.forEach((c, y) => {
          const e = livedEnd(ending, c, ensemble.seasons[y]!, newYearEnd());
          expect(e.readyAt).toBeGreaterThanOrEqual(e.mellowsFrom);
          expect(e.plantableAt).toBeGreaterThanOrEqual(e.readyAt);
          if (e.deadAt < Infinity) expect(e.endsAt).toBeLessThanOrEqual(e.deadAt + 1);
          expect(e.surviving).toBeGreaterThanOrEqual(0);
          expect(e.surviving).toBeLessThanOrEqual(1);
        });
      }),
      { numRuns: 120, seed: 24 },
    );
  });
});
