import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { climates, findWay, membersOf, mixes, sowingWays, species } from '../../catalogue/catalogue.ts';
import { places } from '../../catalogue/places.ts';
import { dayOf } from '../calendar/day.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { siteFromNormals } from '../climate/normals.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { lightLeft } from './leaf.ts';
import { makeCourse } from './course.ts';
import { type Ensemble, makeEnsemble } from './ensemble.ts';
import { growStand, makeGrowRoom } from './grow.ts';

const DAYS = 300;
const sites = climates.map((c) => siteFromPattern(c));
const MONTHS = ['01-10', '03-10', '05-10', '07-10', '09-10', '11-10'];

function grow(
  ensemble: Ensemble,
  parts: { speciesId: string; share: number }[],
  sownAt = 2,
  wayId = 'raked',
) {
  const members = membersOf(parts);
  const way = findWay(wayId)!;
  return growStand(
    {
      members,
      seed_g_m2: viableRate_g_m2(members, way.rateFactor),
      way,
      soil: { texture: 'loam', fertility: 'fair' },
      sownAt,
      watered: true,
      irrigated: sownAt % 2 === 0,
      canopy: sownAt % 3 === 0 ? { until: sownAt + 30, lightThrough: 0.3 } : undefined,
    },
    ensemble.seasons[0]!,
    ensemble.variations[0]!,
    makeCourse(DAYS, members),
  );
}

describe('whole', () => {
  test('a stand that is watered in drought gets fifteen millimetres at a time and grows heavier for it', () => {
    const dry = siteFromPattern(climates.find((c) => c.id === 'hot-semi-arid')!);
    const ensemble = makeEnsemble(dry, dayOf('2026-06-01'), DAYS, 1, 3);
    const millet = [{ speciesId: 'pearl-millet', share: 1 }];
    // Sown on an even day it is watered, on an odd one it is not.
    const [wet, thirsty] = [grow(ensemble, millet, 4), grow(ensemble, millet, 5)];
    const most = (c: typeof wet) => Math.max(...c.dm_g_m2);
    expect(most(wet)).toBeGreaterThan(1.3 * most(thirsty));
    expect(wet.water.watered_mm - thirsty.water.watered_mm).toBeGreaterThanOrEqual(45);
  });
  test('spring peas that April frosts meet as seedlings on the high plains come again; without nodes in the ground half of them would be lost', () => {
    const denver = siteFromNormals(places.find((p) => p.id === 'us-denver')!);
    if (!denver.ok) throw new Error('no site');
    const ensemble = makeEnsemble(denver.value, dayOf('2027-03-20'), 70, 40, 3);
    const stand = (shootsAgain: boolean) => {
      const [pea] = membersOf([{ speciesId: 'spring-field-pea', share: 1 }]);
      const species = { ...pea!.species, cold: { ...pea!.species.cold, shootsAgain } };
      const members = [{ ...pea!, species }];
      const alive = ensemble.seasons.map((season, y) => {
        const input = {
          members,
          seed_g_m2: [20],
          way: findWay('raked')!,
          soil: { texture: 'loam', fertility: 'fair' } as const,
          sownAt: 5,
          watered: true,
        };
        return growStand(input, season, ensemble.variations[y]!, makeCourse(70, members)).alive[60]!;
      });
      return alive.filter((a) => a > 0.7).length;
    };
    expect(stand(true)).toBeGreaterThanOrEqual(30);
    expect(stand(false)).toBeLessThanOrEqual(20);
  });
  test('no stand is denser than 1.4 kg in a cubic metre: a sweetclover that has not shot is as tall as it has to be', () => {
    const ensemble = makeEnsemble(sites[0]!, dayOf('2026-08-15'), DAYS, 1, 3);
    const c = grow(ensemble, [{ speciesId: 'yellow-sweetclover', share: 1 }], 5);
    let leafy = 0;
    for (let d = 0; d < DAYS; d++) {
      expect(c.height_m[d]! * 1400).toBeGreaterThanOrEqual(c.dm_g_m2[d]! - 0.5);
      if (c.stage[d]! < 1.2 && c.dm_g_m2[d]! > 150) leafy++;
    }
    expect(leafy).toBeGreaterThan(20);
  });
  test('days shorten from the autumn equinox to midwinter; a summer day that is shorter than the last is none of them', () => {
    const ensemble = makeEnsemble(sites[0]!, dayOf('2026-05-01'), DAYS, 1, 3);
    const members = membersOf([{ speciesId: 'red-clover', share: 1 }]);
    const way = findWay('raked')!;
    const shortens = (iso: string) => {
      const plan = {
        ...{ members, seed_g_m2: [2], way, soil: { texture: 'loam', fertility: 'fair' } as const },
        ...{ sownAt: 0, watered: true, growUntil: dayOf(iso) - dayOf('2026-05-01') + 1 },
      };
      const room = makeGrowRoom(plan);
      growStand(plan, ensemble.seasons[0]!, ensemble.variations[0]!, makeCourse(DAYS, members), room);
      return room.today.shortens;
    };
    const days = ['2026-06-10', '2026-08-20', '2026-09-15', '2026-10-01', '2026-12-10', '2027-01-10'];
    expect(days.map(shortens)).toEqual([0, 0, 0, 1, 1, 0]);
  });
  test('in a mix all that stands needs room', () => {
    const ensemble = makeEnsemble(sites[0]!, dayOf('2026-09-15'), DAYS, 1, 3);
    const c = grow(
      ensemble,
      [
        { speciesId: 'white-clover', share: 0.5 },
        { speciesId: 'subterranean-clover', share: 0.5 },
      ],
      5,
    );
    for (let d = 0; d < DAYS; d++)
      expect(c.height_m[d]! * 1400).toBeGreaterThanOrEqual(c.dm_g_m2[2 * d]! + c.dm_g_m2[2 * d + 1]! - 0.5);
  });
  test.each(MONTHS)(
    'sown on %s in any climate pattern, no figure of any species is NaN or negative, and shares stay shares',
    (md) => {
      for (const site of sites) {
        const ensemble = makeEnsemble(site, dayOf(`2026-${md}`), DAYS, 1, 3);
        for (const s of species) {
          const c = grow(ensemble, [{ speciesId: s.id, share: 1 }]);
          for (const row of [c.dm_g_m2, c.n_g_m2, c.cover, c.stage, c.height_m, c.alive])
            for (const v of row) if (!(v >= 0)) throw new Error(`${s.id} ${md}: ${v}`);
          for (let d = 0; d < DAYS; d++) if (c.cover[d]! > 1 || c.alive[d]! > 1) throw new Error(s.id);
        }
      }
    },
  );

  test('water, soil nitrogen and dry matter balances close for any mix, way, sowing day and year', () => {
    const ensembles = sites.map((site, i) => makeEnsemble(site, dayOf('2026-08-20'), DAYS, 3, i));
    fc.assert(
      fc.property(
        fc.nat(sites.length - 1),
        fc.nat(mixes.length - 1),
        fc.nat(60),
        fc.constantFrom(...sowingWays.map((w) => w.id)),
        (site, mix, sownAt, way) => {
          const c = grow(ensembles[site]!, mixes[mix]!.members, sownAt, way);
          const { water: w, soilNitrogen: n } = c;
          expect(w.start_mm + w.rain_mm + w.watered_mm - w.used_mm - w.drained_mm).toBeCloseTo(w.end_mm, 6);
          expect(
            n.start_g_m2 + n.mineralised_g_m2 + n.returned_g_m2 - n.taken_g_m2 - n.leached_g_m2,
          ).toBeCloseTo(n.end_g_m2, 6);
          let standing = 0;
          for (let s = 0; s < c.members; s++) standing += c.dm_g_m2[(DAYS - 1) * c.members + s]!;
          expect(c.dmSown_g_m2 + c.dmMade_g_m2 - c.dmLost_g_m2).toBeCloseTo(standing, 2);
        },
      ),
      { numRuns: 60, seed: 11 },
    );
  });

  test('a course written over by the next plan is the same to the last bit as a fresh one', () => {
    const ensemble = makeEnsemble(sites[0]!, dayOf('2026-09-01'), DAYS, 1, 9);
    const members = membersOf(mixes[0]!.members);
    const kept = makeCourse(DAYS, members);
    const input = {
      members,
      seed_g_m2: viableRate_g_m2(members, 1),
      way: findWay('raked')!,
      soil: { texture: 'clay', fertility: 'rich' } as const,
      sownAt: 4,
      watered: false,
    };
    const once = growStand(input, ensemble.seasons[0]!, ensemble.variations[0]!, makeCourse(DAYS, members));
    growStand({ ...input, sownAt: 40 }, ensemble.seasons[0]!, ensemble.variations[0]!, kept);
    expect(growStand(input, ensemble.seasons[0]!, ensemble.variations[0]!, kept)).toEqual(once);
  });

  test('the table of light left follows exp(-x) within a hundred-thousandth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 11.9, noNaN: true }),
        (x) => Math.abs(lightLeft(x) - Math.exp(-x)) < 1e-5,
      ),
    );
  });

  test('under a crop a stand stays lighter than in the open, and frost-sown clover comes up where large seed fails', () => {
    const ensemble = makeEnsemble(sites[0]!, dayOf('2026-07-20'), DAYS, 1, 5);
    const shaded = grow(ensemble, [{ speciesId: 'crimson-clover', share: 1 }], 3);
    const open = grow(ensemble, [{ speciesId: 'crimson-clover', share: 1 }], 4);
    expect(shaded.dm_g_m2[60]!).toBeLessThan(open.dm_g_m2[60]! * 0.8);
    const winter = makeEnsemble(sites[0]!, dayOf('2027-02-10'), DAYS, 1, 5);
    const plants = (id: string) =>
      grow(winter, [{ speciesId: id, share: 1 }], 1, 'frost-sown').plants_m2[0]! /
      grow(winter, [{ speciesId: id, share: 1 }], 1, 'raked').plants_m2[0]!;
    expect(plants('red-clover')).toBeGreaterThan(0.4);
    expect(plants('winter-field-pea')).toBeLessThan(0.15);
  });
});
