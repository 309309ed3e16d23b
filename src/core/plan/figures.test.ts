import { describe, expect, test } from '@jest/globals';
import { crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { gainShare, SURFACE_GIVES } from '../residue/nitrogen.ts';
import { makeCourse } from '../stand/course.ts';
import { type Season } from '../weather/season.ts';
import { type BareYear } from './bare.ts';
import {
  figuresOf,
  type Laying,
  newOutcome,
  outcomeByHand,
  outcomeByWeather,
  type YearOfPlan,
} from './outcome.ts';
import { type Plan } from '../termination/plan.ts';
import { decayRate } from '../residue/decay.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { type GrownPlan } from './grown.ts';
import { answerStand } from './standAnswer.ts';
import { makeReading } from './reading.ts';

// One year made by hand, so that every figure can be worked out on paper: 100 days, free and sown on day 0, planting on day 90.
const DAYS = 100;
const PLANT = 90;
const AT = 60;
const top: Laying = { buried: false, covered: false, stays: 1, decayTimes: 1, manure_g_m2: 0 };

function year(kinds: string, set: (y: YearOfPlan) => void = () => undefined): YearOfPlan {
  const ids = kinds.split(' ');
  const members = membersOf(ids.map((speciesId) => ({ speciesId, share: 1 / ids.length })));
  const plan = {
    members,
    seed_g_m2: ids.map(() => 10),
    way: findWay('raked')!,
    soil: { texture: 'loam', fertility: 'fair' },
    watered: false,
    freeAt: 0,
    sownAt: 0,
    plantAt: PLANT,
    next: { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' },
  } as Plan;
  const course = makeCourse(DAYS, members);
  course.alive.fill(1);
  course.dm_g_m2.fill(400);
  course.n_g_m2.fill(12);
  course.soilShare.fill(1);
  course.root_mm.fill(60);
  course.mineral_g_m2.fill(3);
  const flat = (x: number) => new Float64Array(DAYS).fill(x);
  const bare = {
    mineral_g_m2: flat(3),
    kept: flat(1),
    root_mm: flat(100),
    drained_mm: flat(0),
    weeds: flat(0.8),
    free: undefined as never,
  } as BareYear;
  const none = new Float64Array(DAYS + 1);
  const season = { days: DAYS, decay: none, weedWarmth: none } as unknown as Season;
  const y = { plan, course, season, bare, reading: makeReading(DAYS), figures: figuresOf(plan) };
  set(y);
  return y;
}
const hand = (y: YearOfPlan, laying: Partial<Laying> = {}) => ({
  ...outcomeByHand(y, AT, { ...top, ...laying }, newOutcome()),
});
const weather = (y: YearOfPlan) => ({ ...outcomeByWeather(y, newOutcome()) });
const pea = membersOf([{ speciesId: 'spring-field-pea', share: 1 }])[0]!.species;
/** 400 g/m2 with 12 g of nitrogen: C:N 14.3. */
const GAIN = gainShare((0.43 * 400) / 12);
const ROOTS = 12 * pea.nitrogen.belowShare * gainShare(17);

describe('nitrogen for what follows', () => {
  test('is what tops and roots free, when the ground holds what it would have held bare', () => {
    expect(hand(year('spring-field-pea')).nitrogenNext_g_m2).toBeCloseTo(
      12 * GAIN * SURFACE_GIVES + ROOTS,
      5,
    );
    expect(hand(year('spring-field-pea'), { buried: true }).nitrogenNext_g_m2).toBeCloseTo(
      12 * GAIN + ROOTS,
      5,
    );
  });
  test('what the cover took out of the ground comes off, as far as the crop would have found it', () => {
    const whole = hand(year('spring-field-pea')).nitrogenNext_g_m2;
    const taken = hand(year('spring-field-pea', (y) => y.course.mineral_g_m2.fill(1))).nitrogenNext_g_m2;
    expect(whole - taken).toBeCloseTo(2 * 0.55, 5);
    // Half of it would have drained away by planting anyway.
    const drains = (y: YearOfPlan) => y.bare.kept.fill(0.5, AT + 1);
    const both = [3, 1].map(
      (m) =>
        hand(
          year('spring-field-pea', (y) => {
            y.course.mineral_g_m2.fill(m);
            drains(y);
          }),
        ).nitrogenNext_g_m2,
    );
    expect(both[0]! - both[1]!).toBeCloseTo(2 * 0.5 * 0.55, 5);
  });
  test('what rots free early drains with the rest of the ground; raked off, it never was there', () => {
    const rots = (y: YearOfPlan) => y.season.decay.forEach((_, d, a) => (a[d] = d * 5));
    const dry = hand(year('spring-field-pea', rots));
    const wet = hand(
      year('spring-field-pea', (y) => {
        rots(y);
        for (let d = AT; d < DAYS; d++) y.bare.kept[d] = 1 - (d - AT) / 40;
      }),
    );
    expect(wet.nitrogenNext_g_m2).toBeLessThan(dry.nitrogenNext_g_m2 - 0.5);
    expect(wet.caught_g_m2).toBeLessThan(dry.caught_g_m2 - 0.5);
    expect(dry.caught_g_m2).toBeCloseTo(12, 5);
    const off = hand(year('spring-field-pea'), { stays: 0 });
    expect(off.nitrogenNext_g_m2).toBeCloseTo(ROOTS, 5);
    expect([off.leaves_g_m2, off.leavesN_g_m2]).toEqual([400, 12]);
  });
  test('what the winter killed leaves its roots too: the most it held, less what has drained since', () => {
    const killed = (y: YearOfPlan) => {
      y.course.alive.fill(0, 30);
      y.course.n_g_m2.fill(2, 20);
      y.course.n_g_m2.fill(0, 30);
      y.course.dm_g_m2.fill(0, 30);
    };
    expect(weather(year('spring-field-pea', killed)).nitrogenNext_g_m2).toBeCloseTo(ROOTS, 5);
    const drained = year('spring-field-pea', (y) => {
      killed(y);
      y.bare.kept.fill(0.4, 31);
    });
    expect(weather(drained).nitrogenNext_g_m2).toBeCloseTo(0.4 * ROOTS, 5);
    // Roots of what lives on give nothing yet.
    expect(weather(year('spring-field-pea')).nitrogenNext_g_m2).toBe(0);
  });
});

describe('weeds', () => {
  const weedy = (y: YearOfPlan) => y.reading.weedMass.fill(0.4);
  test('a stand that falls on them presses them; nothing falls where it is raked off', () => {
    const still = { stays: 1 };
    expect(hand(year('spring-field-pea', weedy), still).weedsHeld).toBeCloseTo(
      1 - (0.4 * Math.exp(-0.6)) / 0.8,
      4,
    );
    expect(hand(year('spring-field-pea', weedy), { stays: 0 }).weedsHeld).toBeCloseTo(0.5, 4);
  });
  test('under a sheet or a spade the cover is held to what it had done by then', () => {
    const y = year('spring-field-pea', (x) => {
      weedy(x);
      x.bare.weeds.fill(0.5, 0, AT);
    });
    expect(hand(y, { covered: true }).weedsHeld).toBeCloseTo(0.2, 6);
    expect(hand(y, { buried: true }).weedsHeld).toBeCloseTo(0.2, 6);
  });
});

describe('water and ground', () => {
  test('dryer by what it drank, less what would have drained from bare ground since', () => {
    expect(hand(year('cereal-rye')).dryer_mm).toBeCloseTo(40, 5);
    const rained = year('cereal-rye', (y) => y.bare.drained_mm.fill(25, AT + 1));
    expect(hand(rained).dryer_mm).toBeCloseTo(15, 5);
    const more = year('cereal-rye', (y) => y.bare.drained_mm.fill(90, AT + 1));
    expect(hand(more).dryer_mm).toBe(0);
  });
  test('mulch is what lies on top at planting; a spade leaves none, a sheet holds half the ground it covers', () => {
    expect(hand(year('cereal-rye')).residueAtPlanting_g_m2).toBeCloseTo(400, 5);
    expect(hand(year('cereal-rye'), { buried: true }).residueAtPlanting_g_m2).toBe(0);
    const sheeted = year('cereal-rye', (y) => y.reading.held.fill(30));
    expect(hand(sheeted, { covered: true }).held).toBeCloseTo((30 + 0.5 * (PLANT - AT)) / PLANT, 6);
  });
});

describe('left standing until the crop goes in', () => {
  test('what is caught is in all that lives and all that died, as far as it came out of the soil', () => {
    const mix = year('cereal-rye spring-field-pea', (y) => {
      const at = (PLANT - 1) * 2;
      y.course.n_g_m2.fill(100);
      y.course.n_g_m2.set([7, 2], at);
      y.course.deadN_g_m2.fill(50);
      y.course.deadN_g_m2[PLANT - 1] = 3;
      y.course.soilShare[PLANT - 1] = 0.5;
    });
    expect(weather(mix).caught_g_m2).toBeCloseTo((7 + 2 + 3) / 2, 6);
  });
});

describe('ground day by day', () => {
  test('roots go as deep as the deepest of a mix', () => {
    const deep = answerStand(grown(year('spring-field-pea')), undefined).rootDepth_m;
    const y = year('spring-field-pea');
    const mixed = membersOf([
      { speciesId: 'white-clover', share: 0.5 },
      { speciesId: 'alfalfa', share: 0.5 },
    ]);
    const depths = mixed.map((m) => m.species.roots.depth_m);
    expect(depths[0]).toBeLessThan(depths[1]!);
    const both = answerStand(grown({ ...y, plan: { ...y.plan, members: mixed } }), undefined).rootDepth_m;
    expect([deep, both]).toEqual([y.plan.members[0]!.species.roots.depth_m, depths[1]]);
  });
  const grown = (y: YearOfPlan): GrownPlan => {
    y.course.cover.fill(0.9);
    y.season.decay.forEach((_, d, a) => (a[d] = d));
    Object.assign(y.season, { tmin_c: new Float64Array(DAYS) });
    return {
      plan: y.plan,
      courses: [y.course],
      readings: [y.reading],
      twin: { year: () => y.bare } as unknown as NonNullable<GrownPlan['twin']>,
      ensemble: { fromDay: 0, days: DAYS, seasons: [y.season], variations: [{}] } as unknown as Ensemble,
    };
  };
  const told = (laying: Partial<Laying>) =>
    answerStand(grown(year('spring-field-pea')), { startDay: AT, laying: { ...top, ...laying } }).coverByDay;
  const RATE = decayRate((0.43 * 400) / 12);
  /** 0.75 ha of ground a tonne: 400 g/m2 are 4 t/ha. */
  const under = (share: number) => 1 - Math.exp(-0.75 * 4 * share);
  test('is covered by what stands, then by what lies and rots at its own pace', () => {
    const days = told({});
    expect(days).toHaveLength(PLANT);
    expect(days[AT - 1]).toBeCloseTo(0.9, 6);
    expect(days[AT]).toBeCloseTo(under(1 - RATE), 3);
    expect(days[AT + 20]).toBeCloseTo(under((1 - RATE) ** 21), 3);
    expect(told({ decayTimes: 2 })[AT + 20]).toBeCloseTo(under((1 - 2 * RATE) ** 21), 3);
    expect(told({ stays: 0.25 })[AT + 20]).toBeCloseTo(under(0.25 * (1 - RATE) ** 21), 3);
  });
  test('a spade leaves it bare, and what was dead before lies on it all along', () => {
    expect(told({ buried: true })[AT + 1]).toBe(0);
    const frosted = grown(
      year('spring-field-pea', (y) => {
        y.course.dead_g_m2.fill(400, 10);
      }),
    );
    frosted.courses[0]!.cover.fill(0.2);
    expect(answerStand(frosted, undefined).coverByDay[20]).toBeCloseTo(under(1), 3);
  });
});
