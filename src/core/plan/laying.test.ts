import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { readyEnding, endStand } from '../termination/end.ts';
import { type Plan } from '../termination/plan.ts';
import { newYearEnd } from '../termination/yearEnd.ts';
import { answerLived } from './endings.ts';
import { growPlan } from './grown.ts';
import { growLived } from './lived.ts';
import { gainOf, outcomeByHand, layingOf, newOutcome, rootsLeft, type YearOfPlan } from './outcome.ts';
import { readYears, yieldOf } from './year.ts';

// What lies after an ending, by exact figures: what it still holds, frees and ties up by planting.

const way = (id: string) => ({ ...methods.find((m) => m.id === id)!, minutesPer100m2: 60, missing: [] });
const SOWN = '2026-09-10';
const day = (iso: string) => dayOf(iso) - dayOf(SOWN);
function grown(ids: string[], plant = '2027-09-20', next = 'leek') {
  const members = membersOf(ids.map((speciesId) => ({ speciesId, share: 1 / ids.length })));
  const plan: Plan = {
    members,
    seed_g_m2: viableRate_g_m2(members, 1),
    way: findWay('raked')!,
    soil: { texture: 'loam', fertility: 'fair' },
    watered: true,
    freeAt: 0,
    sownAt: 0,
    plantAt: day(plant),
    next: { ...crops.find((c) => c.id === next)!, way: 'transplant' },
  };
  const site = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
  return growPlan(plan, makeEnsemble(site, dayOf(SOWN), day(plant) + 60, 12, 5));
}
const outcomes = (
  g: ReturnType<typeof grown>,
  at: number,
  laying = layingOf(readyEnding(g.plan, way('cut')).course),
) => readYears(g).map((y) => ({ ...outcomeByHand(y, at, laying, newOutcome()) }));

describe('a cover cut by hand', () => {
  const vetch = grown(['hairy-vetch']);
  const rye = grown(['cereal-rye']);
  const cut = layingOf(readyEnding(vetch.plan, way('cut')).course);
  test('feed that animals bring is added to what it gives, gram for gram', () => {
    const [plain, fed] = [cut, { ...cut, manure_g_m2: 4 }].map((l) => outcomes(vetch, day('2027-05-20'), l));
    fed!.forEach((o, y) => expect(o.nitrogenNext_g_m2 - plain![y]!.nitrogenNext_g_m2).toBeCloseTo(4, 9));
  });
  test('lies ever thinner: of what was cut in May less is left in September than of the same cut in August', () => {
    const stood = vetch.courses.map((c) => c.dm_g_m2[day('2027-05-20')]!);
    outcomes(vetch, day('2027-05-20')).forEach((o, y) => {
      expect(o.residueAtPlanting_g_m2).toBeLessThan(0.6 * stood[y]!);
      expect(o.residueAtPlanting_g_m2).toBeGreaterThan(0);
    });
  });
  test('holds what it caught as long as it frees nothing: straw keeps all of it, soft tops lose a part with the rain', () => {
    const held = (g: typeof vetch, at: number) =>
      g.courses.map((c) => (c.n_g_m2[at]! + c.deadN_g_m2[at]!) * c.soilShare[at]!);
    const ripe = day('2027-07-25');
    const straw = outcomes(rye, ripe).filter((o, y) => {
      const frees = gainOf((0.42 * rye.courses[y]!.dm_g_m2[ripe]!) / rye.courses[y]!.n_g_m2[ripe]!);
      const all = held(rye, ripe)[y]!;
      if (frees === 0) expect(o.caught_g_m2).toBeCloseTo(all, 6);
      expect(o.caught_g_m2).toBeGreaterThanOrEqual(all * (1 - frees) - 1e-6);
      return frees === 0;
    });
    expect(straw.length).toBeGreaterThan(3);
    const soft = day('2027-04-20');
    outcomes(vetch, soft).forEach((o, y) => {
      expect(o.caught_g_m2).toBeLessThanOrEqual(held(vetch, soft)[y]!);
      expect(o.caught_g_m2).toBeGreaterThan(0.4 * held(vetch, soft)[y]!);
    });
  });
});

test('what is left to ripen yields as if it had been cut on the day it was over, and where it is not over as it stands', () => {
  const g = grown(['phacelia'], '2027-09-20');
  const ending = readyEnding(g.plan, way('let-seed'));
  const laying = layingOf(ending.course);
  let over = 0;
  for (const [y, year] of readYears(g).entries()) {
    const end = endStand(ending, 0, year.course, year.season, g.ensemble.variations[y]!, newYearEnd());
    const told = { ...yieldOf(year, ending, laying, end, 0, newOutcome()) };
    if (!(end.endsAt < g.plan.plantAt)) continue;
    over++;
    expect(told).toEqual({ ...outcomeByHand(year, end.endsAt, laying, newOutcome()) });
  }
  expect(over).toBeGreaterThan(3);
});

test('roots of what has died give by the most its own tops held, less what they tie up, and what lives gives nothing yet', () => {
  // Two members over three days: the first lives, the second dies after its second day.
  const year = {
    plan: { sownAt: 0 },
    course: {
      members: 2,
      alive: [1, 1, 1, 0.4, 1, 0],
      n_g_m2: [9, 5, 9, 2, 9, 0],
      dm_g_m2: [900, 100, 900, 60, 900, 0],
    },
    bare: { kept: [1, 0.8, 0.6] },
    figures: { rootGain: [0.5, 0.3], rootTies: [0.01, 0.002] },
  } as unknown as YearOfPlan;
  // 5 g of nitrogen times 0.3, of which 0.6 of 0.8 has not drained away; 100 g of tops tie up 0.2 g.
  expect(rootsLeft(year, 2)).toBeCloseTo((5 * 0.3 * 0.6) / 0.8 - 100 * 0.002, 12);
  expect(rootsLeft(year, 1)).toBe(0);
});

test('straw that passes laid ties up less the longer it has rotted before planting', () => {
  const g = grown(['cereal-rye'], '2027-10-20');
  const gives = (iso: string) =>
    answerLived(
      growLived(
        g.plan,
        g.ensemble,
        { passes: [{ kind: 'cut', on: dayOf(iso), done: true, whenDead: false }], crowns: [] },
        dayOf(iso),
        way('cut'),
      ).soFar,
      way('cut'),
      day(iso),
    ).nitrogen_g_m2.mid;
  const byHand = (iso: string) => {
    const all = outcomes(g, day(iso)).map((o) => o.nitrogenNext_g_m2);
    return all.sort((a, b) => a - b)[6]!;
  };
  for (const iso of ['2027-06-20', '2027-07-10']) {
    expect(gives(iso)).toBeLessThan(0);
    // The plan and the record of one and the same cut.
    expect(Math.abs(gives(iso) - byHand(iso))).toBeLessThan(0.25);
  }
});
