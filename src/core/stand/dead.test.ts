import { describe, expect, test } from '@jest/globals';
import { climates, findSpecies, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { addDead, layDown, noDeadMatter, rotDay } from './dead.ts';
import { gainShare, SURFACE_GIVES } from '../residue/nitrogen.ts';
import { makeCourse } from './course.ts';
import { makeEnsemble } from './ensemble.ts';
import { growStand } from './grow.ts';
import { traitsOf } from './traits.ts';

const traits = (id: string) => traitsOf(findSpecies(id)!);

describe('matter that frost killed', () => {
  test('radish keeps under half of its tops after the thaw and washes most of its nitrogen out; oats keep four fifths', () => {
    const radish = noDeadMatter();
    const washed = addDead(radish, traits('tillage-radish'), 400, 12);
    expect(radish.dm_g_m2).toBeCloseTo(180, 6);
    expect(washed).toBeCloseTo(12 * 0.55 * 0.8, 6);
    const oats = noDeadMatter();
    addDead(oats, traits('spring-oats'), 400, 8);
    expect(oats.dm_g_m2).toBeCloseTo(320, 6);
    expect(radish.rate).toBeGreaterThan(oats.rate * 1.5);
  });
  test('what rots gives the share of its nitrogen that ten warm weeks on the ground give, of which three quarters have rotted by then', () => {
    const dead = noDeadMatter();
    layDown(dead, 300, 10, 1, 1);
    const gain = SURFACE_GIVES * gainShare((0.43 * 300) / 10);
    expect(dead.gives).toBeCloseTo(gain / 0.75, 9);
    // Half of it rots in a day that is long enough.
    expect(rotDay(dead, 0.5 / dead.rate)).toBeCloseTo((5 * gain) / 0.75, 9);
    expect([dead.dm_g_m2, dead.n_g_m2]).toEqual([150, 5].map((x) => expect.closeTo(x, 6)));
  });
  test('what rots never gives more nitrogen than it held, and nothing is left below nought', () => {
    const dead = noDeadMatter();
    const held = 10;
    let given = addDead(dead, traits('hairy-vetch'), 300, held);
    for (let d = 0; d < 400; d++) given += rotDay(dead, 0.8);
    expect(given).toBeLessThan(held);
    expect(dead.dm_g_m2).toBeGreaterThanOrEqual(0);
    expect(dead.dm_g_m2).toBeLessThan(5);
  });
});

const grow = (id: string, climate: string, sow: string, days: number) => {
  const members = membersOf([{ speciesId: id, share: 1 }]);
  const ensemble = makeEnsemble(
    siteFromPattern(climates.find((c) => c.id === climate)!),
    dayOf(sow),
    days,
    8,
    3,
  );
  return ensemble.seasons.map((season, y) =>
    growStand(
      {
        members,
        seed_g_m2: viableRate_g_m2(members, 1),
        way: findWay('raked')!,
        soil: { texture: 'loam', fertility: 'fair' },
        sownAt: 0,
        watered: true,
      },
      season,
      ensemble.variations[y]!,
      makeCourse(days, members),
    ),
  );
};
const median = (xs: number[]) => [...xs].sort((a, b) => a - b)[xs.length >> 1]!;

describe('winters', () => {
  test('a radish killed in autumn still lies there in February, and in April less of it', () => {
    const courses = grow('tillage-radish', 'humid-temperate', '2026-08-25', 240);
    const on = (date: string) => median(courses.map((c) => c.dead_g_m2[dayOf(date) - dayOf('2026-08-25')]!));
    expect(on('2027-02-10')).toBeGreaterThan(80);
    expect(on('2027-04-10')).toBeLessThan(on('2027-02-10'));
  });
  test('the first frosts end buckwheat in autumn: no warm kind outlives them by weeks', () => {
    const courses = grow('buckwheat', 'humid-continental', '2026-08-10', 120);
    const last = courses.map((c) => c.alive.findLastIndex((a) => a > 0.1));
    expect(median(last) + dayOf('2026-08-10')).toBeLessThan(dayOf('2026-10-25'));
  });
  test('a clover ley sown in spring stands the next spring and shoots again from its crowns', () => {
    const courses = grow('red-clover', 'humid-continental', '2026-04-20', 420);
    const may = dayOf('2027-05-15') - dayOf('2026-04-20');
    expect(median(courses.map((c) => c.alive[may]!))).toBeGreaterThan(0.8);
    expect(median(courses.map((c) => c.dm_g_m2[may]!))).toBeGreaterThan(100);
    expect(median(courses.map((c) => c.stage[may - 30]!))).toBeLessThan(2);
  });
  test('a winter cereal sown in spring never flowers, and a spent annual does not flower for ever', () => {
    const vetch = grow('hairy-vetch', 'cool-maritime', '2026-04-01', 330);
    expect(Math.max(...vetch.map((c) => c.alive.at(-20)!))).toBeLessThan(0.1);
  });
});
