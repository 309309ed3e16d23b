import { describe, expect, test } from '@jest/globals';
import { allCovers, climates, crops, findWay, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { bestWay } from '../plan/search.ts';
import { growPlan } from '../plan/grown.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { gapEnsemble } from './choose.ts';
import { bestSowing, earlier, onlyLater, type Seen, type Trial } from './trial.ts';

const raked = findWay('raked')!;
const gap = {
  freeDay: dayOf('2026-07-15'),
  plantDay: dayOf('2027-04-15'),
  next: { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' as const },
};
const ensemble = gapEnsemble({ site: siteFromPattern(climates[0]!), gap, years: 40 });
const usable = methods
  .filter((m) => ['cut', 'crimp', 'sheet', 'winterkill'].includes(m.id))
  .map((m) => ({ id: m.id, passes: m.passes, minutesPer100m2: 40, missing: [] }));
const aims = [
  { id: 'feed' as const, strands: 2 },
  { id: 'hold' as const, strands: 2 },
];

const trialOf = (members: Trial['base']['members']): Trial => ({
  base: {
    members,
    seed_g_m2: viableRate_g_m2(members, 1),
    way: raked,
    soil: { texture: 'loam', fertility: 'fair' },
    watered: true,
    freeAt: gap.freeDay - ensemble.fromDay,
    plantAt: gap.plantDay - ensemble.fromDay,
    growUntil: gap.plantDay - ensemble.fromDay + 21,
    next: gap.next,
  },
  usable,
  aims,
  ensemble,
  room: new Map(),
});

describe('the sowing day', () => {
  const found = allCovers().map(({ id, members }) => {
    const trial = trialOf(members);
    return { id, trial, ...bestSowing(trial, raked) };
  });
  test('of every kind comes with its own stand, whatever was grown into the same room before and after', () => {
    expect(found.filter((f) => f.screened).length).toBeGreaterThan(60);
    for (const { id, trial, sownAt, screened } of found) {
      if (!screened) continue;
      expect([id, screened.years, screened.sownAt]).toEqual([id, 10, sownAt]);
      const fresh = growPlan({ ...trial.base, sownAt }, ensemble, 10);
      const best = bestWay(fresh, usable, aims)!;
      const { method } = screened.best!;
      const way = best.looked.find((f) => f.method.id === method)!;
      // The way worth most, or the frost where that is relied on.
      if (method === 'winterkill' && best.method !== method) expect(way.inTime).toBeGreaterThanOrEqual(0.8);
      else expect([id, method]).toEqual([id, best.method]);
      expect([id, screened.best!.start]).toEqual([id, way.best]);
      expect(screened.best!.worth).toBeCloseTo(way.worth, 12);
    }
    // The last one still stands in its room.
    const { trial, sownAt, screened } = found.findLast((f) => f.screened)!;
    const fresh = growPlan({ ...trial.base, sownAt }, ensemble, 10);
    screened!.grown.courses.forEach((c, y) => expect(c.dm_g_m2).toEqual(fresh.courses[y]!.dm_g_m2));
  });
  test('of a summer cover is at once, of kinds that winter carries on some weeks into autumn', () => {
    const waits = (id: string) => found.find((f) => f.id === id)!.sownAt - found[0]!.trial.base.freeAt!;
    expect(['buckwheat', 'berseem-clover', 'winter-lentil'].map(waits)).toEqual([0, 0, 42]);
  });
  test('is judged with the frost where that ends a kind in every year, and not with a sheet over what is dead', () => {
    const way = (id: string) => found.find((f) => f.id === id)!.screened?.best?.method;
    expect(['cowpea', 'sunn-hemp', 'tillage-radish'].map(way)).toEqual(Array(3).fill('winterkill'));
    expect(['berseem-clover', 'winter-lentil'].map(way)).not.toContain('winterkill');
  });
  test('a frost that spares a kind in some years does not end the looking for a better day', () => {
    const f = found.find((x) => x.id === 'winter-lentil')!;
    const atOnce = growPlan({ ...f.trial.base, sownAt: f.trial.base.freeAt! }, ensemble, 5);
    const frost = bestWay(atOnce, usable, aims)!.looked.find((w) => w.method.id === 'winterkill')!.inTime;
    expect(frost).toBeLessThan(1);
    expect(f.sownAt).toBeGreaterThan(f.trial.base.freeAt!);
  });
  test('asked again in another order it is the same', () => {
    for (const f of found.slice(0, 12).reverse()) expect(bestSowing(f.trial, raked).sownAt).toBe(f.sownAt);
  });
});

test('under a standing crop it is sown at the last weeding, five weeks before the crop leaves, and no other day is tried', () => {
  const trial = trialOf(allCovers().find((c) => c.id === 'red-clover')!.members);
  const way = findWay('standing-crop')!;
  expect(bestSowing({ ...trial, base: { ...trial.base, way } }, way)).toEqual({
    sownAt: trial.base.freeAt! - 35,
  });
});

describe('a later day is left out', () => {
  const day = (sownAt: number, worth: number, not: Partial<Seen> = {}): Seen => ({
    sownAt,
    best: { worth },
    stand: 1,
    season: 1,
    alive: 1,
    spared: false,
    ...not,
  });
  test('where the one before it is a third short of the best for want of time alone', () => {
    expect(onlyLater([day(35, 0.4), day(56, 0.26)], 56, 77)).toBe(true);
    expect(onlyLater([day(35, 0.4), day(56, 0.27)], 56, 77)).toBe(false);
    expect(onlyLater([day(35, 0.4)], 35, 56)).toBe(false);
  });
  test('but not where waiting made the season or the stand better, or frost spared the one before', () => {
    const early = day(35, 0.4, { season: 0.6, stand: 0.6 });
    expect(onlyLater([early, day(56, 0.2, { season: 0.6, stand: 0.6 })], 56, 77)).toBe(true);
    expect(onlyLater([early, day(56, 0.2, { season: 0.7, stand: 0.6 })], 56, 77)).toBe(false);
    expect(onlyLater([early, day(56, 0.2, { season: 0.6, stand: 0.7 })], 56, 77)).toBe(false);
    expect(onlyLater([day(35, 0.4), day(56, 0.1, { spared: true })], 56, 77)).toBe(false);
  });
  test('and never a day of another run, nor one behind a day that was not looked at', () => {
    expect(onlyLater([day(35, 0.4), day(56, 0.1)], 56, 194)).toBe(false);
    expect(onlyLater([day(35, 0.4), day(56, 0.1)], 77, 98)).toBe(false);
    // The first of spring's days: what it lacks may be warmth.
    expect(onlyLater([day(35, 0.4), day(194, 0, { season: 0.6 })], 194, 216)).toBe(false);
    expect(onlyLater([day(35, 0.4), day(194, 0)], 194, 216)).toBe(true);
  });
});

describe('an earlier start', () => {
  const rye = trialOf(allCovers().find((c) => c.id === 'cereal-rye')!.members);
  const at = (iso: string) => dayOf(iso) - ensemble.fromDay;
  test('is told with its odds only where it would hold, and as late as it may be', () => {
    const odds = (trial: Trial, on: string) =>
      earlier(trial, at(on)).map((e) => [e.kind, (e as { days: number }).days]);
    const vetch = trialOf(allCovers().find((c) => c.id === 'hairy-vetch')!.members);
    expect(odds(vetch, '2027-03-10')).toEqual([['sow-earlier', 14]]);
    // Left to the frost, rye is not out of the way however early it is sown.
    const frost = { ...rye, usable: usable.filter((m) => m.id === 'winterkill') };
    expect(odds(frost, '2027-03-10')).toEqual([]);
    expect(odds(frost, '2026-10-01')).toEqual([]);
    // Before the ground is free there is no earlier.
    expect(earlier(rye, 5)).toEqual([]);
  });
});
