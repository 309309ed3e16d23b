import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { climates, findWay, membersOf, species } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { quantile } from '../random/quantile.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeCourse } from './course.ts';
import { makeEnsemble, NO_VARIATION } from './ensemble.ts';
import { growStand } from './grow.ts';
import { traitsOf } from './traits.ts';
import { stageNumber } from './stage.ts';
import { chillOfDay } from '../weather/chill.ts';
import { survival } from './cold.ts';
import { warmthOfDay } from './thermal.ts';

const maritime = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const rye = species.find((s) => s.id === 'cereal-rye')!;
const raked = findWay('raked')!;
const loam = { texture: 'loam', fertility: 'fair' } as const;

describe('stand', () => {
  test('rye on a steady 10 °C day earns half of its best warmth', () => {
    expect(warmthOfDay(rye.thermal, 10, 10)).toBeCloseTo(0.5, 10);
  });
  test('stage numbers rise with degree-days and pass 3 at half flower', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        (cd, more) => stageNumber(traitsOf(rye), cd + more) >= stageNumber(traitsOf(rye), cd),
      ),
    );
    expect(stageNumber(traitsOf(rye), rye.stages.flower_cd)).toBeCloseTo(3, 6);
    expect([-5, 4, 14].map(chillOfDay)).toEqual([0, 1, 0]);
  });
  test('half of a population lives at its LT50', () => {
    expect(survival(0)).toBe(0.5);
  });
  test('water and nitrogen balances close in every climate and no figure is NaN for any species', () => {
    for (const climate of climates) {
      const site = siteFromPattern(climate);
      const ensemble = makeEnsemble(site, dayOf('2026-09-01'), 300, 2, 17);
      for (const s of species) {
        const members = membersOf([{ speciesId: s.id, share: 1 }]);
        const course = growStand(
          {
            members,
            seed_g_m2: viableRate_g_m2(members, 1),
            way: raked,
            soil: loam,
            sownAt: 3,
            watered: true,
          },
          ensemble.seasons[0]!,
          ensemble.variations[0]!,
          makeCourse(300, members),
        );
        const { water: w, soilNitrogen: n } = course;
        expect(w.start_mm + w.rain_mm + w.watered_mm - w.used_mm - w.drained_mm).toBeCloseTo(w.end_mm, 6);
        expect(
          n.start_g_m2 + n.mineralised_g_m2 + n.returned_g_m2 - n.taken_g_m2 - n.leached_g_m2,
        ).toBeCloseTo(n.end_g_m2, 6);
        expect(
          [...course.dm_g_m2, ...course.n_g_m2, ...course.cover, ...course.stage].some(Number.isNaN),
        ).toBe(false);
        expect(Math.min(...course.dm_g_m2)).toBeGreaterThanOrEqual(0);
      }
    }
  });
  test('sown later in autumn a stand is lighter by winter', () => {
    const members = membersOf([{ speciesId: 'cereal-rye', share: 1 }]);
    const ensemble = makeEnsemble(maritime, dayOf('2026-08-20'), 100, 12, 9);
    const mass = (sownAt: number) =>
      quantile(
        ensemble.seasons.map((season) => {
          const c = growStand(
            { members, seed_g_m2: [12], way: raked, soil: loam, sownAt, watered: true },
            season,
            NO_VARIATION,
            makeCourse(100, members),
          );
          return c.dm_g_m2[90]!;
        }),
        0.5,
      );
    expect(mass(0)).toBeGreaterThan(mass(21) * 1.5);
  });
});

describe('legumes that live on build a root before they grow tall', () => {
  const days = (from: string, to: string) => dayOf(to) - dayOf(from);
  const mean = (id: string, sow: string, on: string) => {
    const members = membersOf([{ speciesId: id, share: 1 }]);
    const site = siteFromPattern(climates.find((c) => c.id === 'humid-continental')!);
    const ensemble = makeEnsemble(site, dayOf(sow), days(sow, on) + 1, 20, 5);
    const courses = ensemble.seasons.map((season, y) =>
      growStand(
        {
          members,
          seed_g_m2: viableRate_g_m2(members, 1),
          way: findWay('raked')!,
          soil: { texture: 'loam', fertility: 'fair' },
          watered: true,
          sownAt: 0,
        },
        season,
        ensemble.variations[y]!,
        makeCourse(season.days, members),
      ),
    );
    return courses.reduce((s, c) => s + c.dm_g_m2[days(sow, on)]!, 0) / courses.length;
  };
  test('red clover of late August goes small into its winter, with hardly more than half of what rye made', () => {
    const clover = mean('red-clover', '2026-08-25', '2026-11-10');
    expect(clover).toBeGreaterThan(60);
    expect(clover).toBeLessThan(260);
    expect(clover).toBeLessThan(mean('cereal-rye', '2026-08-25', '2026-11-10') * 0.6);
  });
  test('lucerne of May has 2 to 3.2 t/ha when it is first cut, after sixty days', () => {
    const lucerne = mean('alfalfa', '2027-05-01', '2027-06-30');
    expect(lucerne).toBeGreaterThan(200);
    expect(lucerne).toBeLessThan(320);
  });
});
