import { afterEach, describe, expect, test } from '@jest/globals';
import {
  allCovers,
  climates,
  endingFiguresOf,
  findSpecies,
  findWay,
  knowOwnKinds,
  madeFrom,
  membersOf,
  species,
} from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { makeCourse } from './course.ts';
import { makeEnsemble } from './ensemble.ts';
import { growStand } from './grow.ts';
import { type OwnKind, ownSpecies } from './ownKind.ts';

const vetch = findSpecies('hairy-vetch')!;
const kind = (more: Partial<OwnKind> = {}): OwnKind => ({
  id: 'kind-1',
  name: 'Barn vetch',
  like: 'hairy-vetch',
  later: 0,
  hardier_c: 0,
  thousandSeed_g: null,
  ...more,
});
afterEach(() => knowOwnKinds([]));

describe('a kind of one’s own', () => {
  test('unchanged it is its nearest by another name, less trusted, and a form of it', () => {
    const own = ownSpecies(kind(), vetch);
    expect(own).toEqual({
      ...vetch,
      id: 'kind-1',
      name: 'Barn vetch',
      formOf: 'hairy-vetch',
      confidence: 'low',
    });
    expect(ownSpecies(kind(), { ...vetch, formOf: 'x' }).formOf).toBe('x');
  });
  test('later by a tenth takes a tenth more warmth to every stage; hardier bears so much more cold; larger seed is sown in fewer', () => {
    const own = ownSpecies(
      kind({ later: 0.1, hardier_c: 3, thousandSeed_g: vetch.seed.thousandSeed_g * 2 }),
      vetch,
    );
    for (const s of ['bud_cd', 'flower_cd', 'milk_cd', 'seed_cd'] as const)
      expect(own.stages[s]).toBeCloseTo(vetch.stages[s] * 1.1, 9);
    expect(own.cold.hardened_c).toBe(vetch.cold.hardened_c - 3);
    expect(own.cold.tender_c).toBe(vetch.cold.tender_c);
    const grams = own.seed.rateBroadcastLow_g_m2 / vetch.seed.rateBroadcastLow_g_m2;
    expect(grams).toBeCloseTo(1.6245, 3);
    // More grams of larger seed, and fewer seeds.
    expect(grams / 2).toBeLessThan(1);
  });
  test('no change goes so far that it is another plant', () => {
    const own = ownSpecies(kind({ later: 5, hardier_c: -90, thousandSeed_g: 1e6 }), vetch);
    expect(own.stages.flower_cd).toBeCloseTo(vetch.stages.flower_cd * 1.4, 9);
    expect(own.cold.hardened_c).toBeLessThanOrEqual(own.cold.tender_c);
    expect(own.seed.thousandSeed_g).toBe(vetch.seed.thousandSeed_g * 4);
  });
});

describe('beside the catalogue', () => {
  const known = species.length;
  test('it can be found, sown, ended and chosen like any other; those of another garden take its place', () => {
    knowOwnKinds([kind()]);
    expect(species).toHaveLength(known + 1);
    expect(membersOf([{ speciesId: 'kind-1', share: 1 }])[0]!.species.name).toBe('Barn vetch');
    expect(endingFiguresOf('kind-1')).toBe(endingFiguresOf('hairy-vetch'));
    expect(madeFrom('kind-1')).toBe('hairy-vetch');
    expect(allCovers().some((c) => c.id === 'kind-1')).toBe(true);
    knowOwnKinds([kind({ id: 'kind-2', name: 'Other' })]);
    expect([findSpecies('kind-1'), findSpecies('kind-2')?.name, species.length]).toEqual([
      undefined,
      'Other',
      known + 1,
    ]);
    knowOwnKinds([]);
    expect([species.length, madeFrom('kind-2')]).toEqual([known, undefined]);
  });
  test('one whose nearest is not known, that is made from another own one, or that takes a name of the catalogue is left out', () => {
    knowOwnKinds([
      kind({ like: 'moon-clover' }),
      kind({ id: 'cereal-rye' }),
      kind(),
      kind({ id: 'kind-3', like: 'kind-1' }),
    ]);
    expect(species.slice(known).map((s) => s.id)).toEqual(['kind-1']);
    expect(findSpecies('cereal-rye')!.name).toBe('Cereal rye');
  });
});

test('grown beside its nearest, an earlier and hardier kind flowers sooner and comes through more winters', () => {
  const ensemble = makeEnsemble(
    siteFromPattern(climates.find((c) => c.id === 'cold-continental') ?? climates[1]!),
    dayOf('2026-08-25'),
    320,
    12,
    5,
  );
  const grown = (s: typeof vetch) =>
    ensemble.seasons.map((season, y) => {
      const members = [{ species: s, share: 1 }];
      const c = growStand(
        {
          members,
          seed_g_m2: viableRate_g_m2(members, 1),
          way: findWay('raked')!,
          soil: { texture: 'loam', fertility: 'fair' },
          sownAt: 2,
          watered: true,
        },
        season,
        ensemble.variations[y]!,
        makeCourse(320, members),
      );
      return { flower: c.stage.findIndex((x) => x >= 3), alive: c.alive[250]! };
    });
  const mean = (xs: number[]) => xs.reduce((a, b) => a + b, 0) / xs.length;
  const [usual, own] = [grown(vetch), grown(ownSpecies(kind({ later: -0.2, hardier_c: 4 }), vetch))];
  expect(mean(own.map((y) => y.alive))).toBeGreaterThan(mean(usual.map((y) => y.alive)));
  const both = usual.map((u, i) => [u.flower, own[i]!.flower] as const).filter(([a, b]) => a > 0 && b > 0);
  expect(both.length).toBeGreaterThan(2);
  for (const [a, b] of both) expect(b).toBeLessThan(a);
});
