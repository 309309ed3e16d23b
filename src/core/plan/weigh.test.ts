import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { growPlan, type GrownPlan } from './grown.ts';
import { type Plan } from '../termination/plan.ts';
import { yearOf } from './year.ts';
import { meanOf } from '../random/quantile.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { type Course, dryMatterOn } from '../stand/course.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { workOf } from '../termination/work.ts';
import { fresh_kg_m2 } from '../stand/fresh.ts';
import { likelihoods, type LookSeen, weighByLooks } from './weigh.ts';

const FROM = dayOf('2026-09-01');
const YEARS = 80;
const site = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const ensemble = makeEnsemble(site, FROM, 330, YEARS, 5);
const plan: Plan = {
  members: membersOf([
    { speciesId: 'cereal-rye', share: 0.5 },
    { speciesId: 'crimson-clover', share: 0.5 },
  ]),
  seed_g_m2: [6, 1.5],
  way: findWay('raked')!,
  soil: { texture: 'loam', fertility: 'fair' },
  watered: true,
  sownAt: 10,
  plantAt: 280,
  next: { ...crops.find((c) => c.id === 'winter-squash')!, way: 'transplant' },
};
const grown = growPlan(plan, ensemble);
const AT = 245;
const mean = (look: Omit<LookSeen, 'day'>, f: (c: Course, y: number) => number, of: GrownPlan = grown) =>
  meanOf(of.courses.map(f), weighByLooks(of, [{ day: FROM + AT, ...look }]));
const even = (f: (c: Course, y: number) => number) => meanOf(grown.courses.map(f));
const member = (s: number) => (a: Float32Array) => a[AT * 2 + s]!;

describe('the likelihood of a look in one year', () => {
  const told = (look: Omit<LookSeen, 'day'>, at = AT) => likelihoods(grown, { day: FROM + at, ...look });
  const off = (x: number, sd: number) => -0.5 * (x / sd) ** 2;
  const each = (look: Omit<LookSeen, 'day'>, want: (c: Course, y: number) => number, at = AT) =>
    told(look, at).forEach((l, y) => expect(l).toBeCloseTo(want(grown.courses[y]!, y), 6));
  test('is normal in what was seen: cover by 0.12, height by a quarter in logs, plants alive by 0.15', () => {
    each({ cover: 0.6 }, (c) => off(c.cover[AT]! - 0.6, 0.12));
    each({ height_m: 0.5 }, (c) => off(Math.log(Math.max(0.005, c.height_m[AT]!) / 0.5), 0.25));
    each({ alive: 0.7 }, (c) => off(c.alive[AT * 2]! - 0.7, 0.15));
    each({ members: [{ index: 1, alive: 0.7 }] }, (c) => off(c.alive[AT * 2 + 1]! - 0.7, 0.15));
  });
  test('a stage counts by how far outside of it a year is, in 0.35 of a stage', () => {
    const outside = (x: number, low: number, high: number) => Math.max(0, low - x, x - high);
    each({ members: [{ index: 1, stage: 'bud' }] }, (c) => off(outside(c.stage[AT * 2 + 1]!, 2, 3), 0.35));
    each({ stage: 'flower' }, (c) => off(outside(c.stage[AT * 2]!, 3, 4), 0.35));
    each({ members: [{ index: 0, squeeze: 'paste' }] }, (c) => off(outside(c.stage[AT * 2]!, 4.4, 5), 0.35));
  });
  test('weeds count by how far outside of few, some or many they are, in 0.15 of all there could be', () => {
    const mass = (y: number) => yearOf(grown, y).reading.weedMass[AT - 1]!;
    each({ weeds: 'few' }, (_, y) => off(Math.max(0, mass(y) - 0.2), 0.15));
    each({ weeds: 'some' }, (_, y) => off(Math.max(0, 0.1 - mass(y), mass(y) - 0.55), 0.15));
    each({ weeds: 'many' }, (_, y) => off(Math.max(0, 0.4 - mass(y)), 0.15));
  });
  test('nothing up counts by the days since it was, something up by the days until it is, in threes and ten at most', () => {
    const up = (c: Course) => Math.min(...c.emerged);
    for (const at of [12, 18, 22, 40]) {
      each({ emergence: 'none' }, (c) => off(Math.min(10, Math.max(0, at - up(c))), 3), at);
      each({ emergence: 'some' }, (c) => off(Math.min(10, Math.max(0, up(c) - at)), 3), at);
    }
  });
  test('several things seen at once add up', () => {
    const [a, b, both] = [told({ cover: 0.6 }), told({ height_m: 0.5 }), told({ cover: 0.6, height_m: 0.5 })];
    both.forEach((l, y) => expect(l).toBeCloseTo(a[y]! + b[y]!, 9));
  });
});

describe('a look moves the years towards what was seen', () => {
  test('a member that lags is weighed by its own stage: clover in bud holds clover back, and rye hardly', () => {
    const clover = (c: Course) => member(1)(c.stage);
    const early = mean({ members: [{ index: 1, stage: 'leafy' }] }, clover);
    const late = mean({ members: [{ index: 1, stage: 'flower' }] }, clover);
    expect(early).toBeLessThan(even(clover));
    expect(late).toBeGreaterThan(even(clover));
    expect(late - early).toBeGreaterThan(0.25);
  });
  test('a count of ten tells how far a member is between two stages: more that have come to it, further on', () => {
    const clover = (c: Course) => member(1)(c.stage);
    const counted = (reached: number, f: (c: Course) => number) =>
      mean({ members: [{ index: 1, tens: { stage: 'flower', reached, of: 10 } }] }, f);
    const by = [0, 3, 7, 10].map((n) => counted(n, clover));
    // Where hardly any year is that far on, seven and ten come to the same years.
    for (let i = 1; i < by.length; i++) expect(by[i]!).toBeGreaterThan(by[i - 1]! - 0.03);
    expect(by[3]! - by[0]!).toBeGreaterThan(0.2);
  });
  test('a member seen mostly dead is believed of that member', () => {
    // Where winters kill some of it in some years.
    const cold = makeEnsemble(
      siteFromPattern(climates.find((c) => c.id === 'humid-continental')!),
      FROM,
      330,
      YEARS,
      5,
    );
    const there = growPlan(plan, cold);
    const alive = (c: Course) => member(1)(c.alive);
    const thin = mean({ members: [{ index: 1, alive: 0.3 }] }, alive, there);
    const full = mean({ members: [{ index: 1, alive: 1 }] }, alive, there);
    expect(thin).toBeLessThan(full - 0.1);
  });
  test('a squeezed kernel tells milk from paste: paste speaks for the years that are further, no mark for those past it', () => {
    // On a day on which the years lie on both sides of the milk.
    const at = Array.from({ length: 100 }, (_, i) => 220 + i).find(
      (d) => meanOf(grown.courses.map((c) => c.stage[d * 2]!)) > 4.3,
    )!;
    const stage = (c: Course) => c.stage[at * 2]!;
    const told = (squeeze: 'milk' | 'paste' | 'hard') =>
      meanOf(
        grown.courses.map(stage),
        weighByLooks(grown, [{ day: FROM + at, members: [{ index: 0, squeeze }] }]),
      );
    expect(told('milk')).toBeLessThan(told('paste'));
    expect(told('paste')).toBeLessThan(told('hard'));
    expect(told('milk')).toBeGreaterThan(3.4);
  });
  test('few plants counted mean fewer came up: by likelihood, not by taking the count for the truth', () => {
    const plants = (c: Course) => c.plants_m2[1]! * member(1)(c.alive);
    const usual = even(plants);
    const seen = (times: number, area_m2: number) =>
      mean(
        { members: [{ index: 1, count: { plants: Math.round(usual * times * area_m2), area_m2 } }] },
        plants,
      );
    const thin = seen(0.6, 1);
    expect(thin).toBeLessThan(usual * 0.95);
    expect(thin).toBeGreaterThan(usual * 0.6);
    expect(seen(1.4, 1)).toBeGreaterThan(usual * 1.05);
    // A hand's breadth of ground says less than a square metre.
    expect(seen(0.6, 0.01)).toBeGreaterThan(thin);
    // The other member is not blamed for it.
    const rye = (c: Course) => c.plants_m2[0]!;
    const ryeThen = mean(
      { members: [{ index: 1, count: { plants: Math.round(usual * 0.6), area_m2: 1 } }] },
      rye,
    );
    expect(ryeThen / even(rye)).toBeLessThan(1.05);
  });
  test('many weeds seen are weeds that are there', () => {
    const weeds = (_: Course, y: number) => yearOf(grown, y).reading.weedMass[AT - 1]!;
    const many = mean({ weeds: 'many' }, weeds);
    const few = mean({ weeds: 'few' }, weeds);
    expect(many).toBeGreaterThan(few);
  });
  test('it is weighed on the day it was made: the same cover a month earlier says another thing', () => {
    const cover = (c: Course) => c.cover[60]!;
    const on = (day: number) =>
      meanOf(grown.courses.map(cover), weighByLooks(grown, [{ day: FROM + day, cover: 0.5 }]));
    const middle = (day: number) => meanOf(grown.courses.map((c) => c.cover[day]!));
    // Half covered early is a fast stand, late a slow one.
    const early = [30, 35, 40, 45].find((d) => middle(d) > 0.1 && middle(d) < 0.45)!;
    const late = [60, 75, 90, 105, 120].find((d) => middle(d) > 0.6)!;
    expect(on(early)).toBeGreaterThan(on(late));
    // Moved as a whole with its span, it says the same.
    const later = makeEnsemble(site, FROM, 330, YEARS, 5);
    expect([...weighByLooks(growPlan(plan, later), [{ day: FROM + AT, cover: 0.7 }])]).toEqual([
      ...weighByLooks(grown, [{ day: FROM + AT, cover: 0.7 }]),
    ]);
  });
  test('up here and there is up: of a mix the first member to come tells', () => {
    const first = (c: Course) => Math.min(...c.emerged);
    const on = 20;
    const up = meanOf(grown.courses.map(first), weighByLooks(grown, [{ day: FROM + on, emergence: 'some' }]));
    const none = meanOf(
      grown.courses.map(first),
      weighByLooks(grown, [{ day: FROM + on, emergence: 'none' }]),
    );
    expect(up).toBeLessThanOrEqual(none);
  });
  test('green crowns speak for the years that left more alive, and ten brown ones for those that left few', () => {
    const cut = growPlan(plan, ensemble, YEARS, undefined, (y) =>
      workOf(
        [{ kind: 'cut', at: AT - 10, done: true }],
        { members: plan.members, soil: plan.soil, cap_d: Infinity },
        ensemble.seasons[y]!,
        ensemble.variations[y]!,
      ),
    );
    const left = (c: Course) => Math.max(member(0)(c.alive), member(1)(c.alive));
    const green = mean({ crowns: { green: 6, of: 10 } }, left, cut);
    const brown = mean({ crowns: { green: 0, of: 10 } }, left, cut);
    expect(green).toBeGreaterThan(meanOf(cut.courses.map(left)));
    expect(brown).toBeLessThan(meanOf(cut.courses.map(left)));
  });
});

describe('a weighed frame', () => {
  const dm = (c: Course) => dryMatterOn(c, AT);
  const fresh = (c: Course) => fresh_kg_m2(dm(c), c.stage[AT * c.members]!);
  const middle = even(fresh);
  const told = (times: number, area_m2: number) =>
    mean({ bulk: { fresh_kg: middle * times * area_m2, area_m2 } }, dm);
  test('heavier than expected moves the years towards more, lighter towards less, and a larger frame further', () => {
    const plain = even(dm);
    expect(told(1.5, 0.25)).toBeGreaterThan(plain * 1.02);
    expect(told(0.6, 0.25)).toBeLessThan(plain * 0.98);
    expect(told(1.5, 2)).toBeGreaterThan(told(1.5, 0.25));
    // As expected it says that the extremes are out, not that the middle has moved.
    expect(told(1, 1) / plain).toBeGreaterThan(0.95);
    expect(told(1, 1) / plain).toBeLessThan(1.05);
  });
  test('one year against another: the log of the ratio over the error of a quarter of a square metre', () => {
    const look = { day: FROM + AT, bulk: { fresh_kg: 1, area_m2: 0.25 } };
    const [a, b] = likelihoods(grown, look);
    const error2 = 0.15 * 0.15 + 0.3 * 0.3;
    const of = (c: Course) => -0.5 * (Math.log(fresh(c) / 4) ** 2 / error2);
    expect(a! - b!).toBeCloseTo(of(grown.courses[0]!) - of(grown.courses[1]!), 6);
  });
});
