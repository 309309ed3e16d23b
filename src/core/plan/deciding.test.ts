import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { type Soil } from '../soil/soil.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { decidingWeeks } from './deciding.ts';
import { growPlan } from './grown.ts';

const YEARS = 20;
function weeks(
  climate: string,
  speciesId: string,
  sown: string,
  first: string,
  plant: string,
  texture: Soil['texture'] = 'loam',
) {
  const from = dayOf(sown) - 10;
  const pattern = climates.find((c) => c.id === climate)!;
  const ensemble = makeEnsemble(siteFromPattern(pattern), from, dayOf(plant) - from + 20, YEARS, 7);
  const grown = growPlan(
    {
      members: membersOf([{ speciesId, share: 1 }]),
      seed_g_m2: [8],
      way: findWay('raked')!,
      soil: { texture, fertility: 'fair' },
      watered: false,
      sownAt: 10,
      plantAt: dayOf(plant) - from,
      growUntil: dayOf(plant) - from + 20,
      next: { ...crops[0]!, way: 'transplant' },
    },
    ensemble,
  );
  return decidingWeeks(grown, dayOf(first) - from);
}
const most = (all: ReturnType<typeof weeks>, kind: 'frost' | 'heat' | 'wet') =>
  Math.max(...all.map((w) => w[kind]));

describe('the weeks in which the weather may decide', () => {
  test('run by sevens from the day asked about to planting, the last one as short as it is', () => {
    const all = weeks('cool-maritime', 'cereal-rye', '2026-09-15', '2027-03-01', '2027-05-05');
    expect(all[0]).toMatchObject({ from: dayOf('2027-03-01'), to: dayOf('2027-03-08') });
    expect(all.at(-1)!.to).toBe(dayOf('2027-05-05'));
    for (const [i, w] of all.entries()) {
      if (i > 0) expect(w.from).toBe(all[i - 1]!.to);
      for (const share of [w.frost, w.heat, w.wet]) {
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
      }
    }
  });
  test('oats are thinned by the frosts of a hard winter, rye hardly; buckwheat by the first frost of autumn', () => {
    const oats = weeks('humid-continental', 'spring-oats', '2026-08-25', '2026-10-20', '2027-04-20');
    expect(oats.reduce((sum, w) => sum + w.frost, 0)).toBeGreaterThan(0.6);
    expect(most(oats, 'heat')).toBeLessThan(0.3);
    const rye = weeks('humid-continental', 'cereal-rye', '2026-09-10', '2026-10-20', '2027-04-20');
    expect(rye.reduce((sum, w) => sum + w.frost, 0)).toBeLessThan(
      oats.reduce((sum, w) => sum + w.frost, 0) / 2,
    );
    const buckwheat = weeks('humid-continental', 'buckwheat', '2026-08-15', '2026-09-10', '2026-11-15');
    expect(most(buckwheat, 'frost')).toBeGreaterThan(0.2);
  });
  test('clay lies too wet for a spade through a maritime winter, sand seldom, and in May hardly any week', () => {
    const on = (texture: Soil['texture'], first: string, plant: string) =>
      weeks('cool-maritime', 'cereal-rye', '2026-09-15', first, plant, texture);
    const clay = most(on('clay', '2027-01-05', '2027-02-20'), 'wet');
    expect(clay).toBeGreaterThan(0.15);
    expect(most(on('sand', '2027-01-05', '2027-02-20'), 'wet')).toBeLessThan(clay);
    expect(most(on('loam', '2027-05-10', '2027-06-10'), 'wet')).toBeLessThan(0.2);
  });
});
