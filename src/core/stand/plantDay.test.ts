import { describe, expect, test } from '@jest/globals';
import { findSpecies } from '../../catalogue/catalogue.ts';
import { makePlant, type Plant } from './plant.ts';
import { afterNight, gainDay, lossDay, renewDay } from './plantDay.ts';
import { newToday, type Today } from './today.ts';
import { traitsOf } from './traits.ts';
import { type Variation } from './variation.ts';

// One plant through one day, so that every figure can be worked out on paper.
const plain: Variation = {
  stageRate: 1,
  growth: 1,
  emergence: 1,
  hardiness_c: 0,
  killOdds: 1,
  coverHeat: 1,
};
const kind = (id: string) => traitsOf(findSpecies(id)!);
const plant = (set: Partial<Plant> = {}): Plant => ({
  ...makePlant(),
  emergence: 1,
  alive: 1,
  stage: 1.5,
  lai: 2,
  dm: 100,
  n: 3,
  height: 0.6,
  plain_cd: 1000,
  ...set,
});
const day = (set: Partial<Today> = {}): Today => ({
  ...newToday(),
  mean_c: 15,
  tmin_c: 8,
  tmax_c: 22,
  ...set,
});

describe('a perennial begins a new shoot', () => {
  const clover = kind('red-clover');
  test('at rest after budding: half of the old one dies back, leaf, nitrogen and height with it, and is told as lost', () => {
    const q = plant({ effective_cd: clover.bud_cd, hardening: 0.51 });
    const today = day({ mean_c: 2 });
    renewDay(q, clover, today);
    expect([q.effective_cd, q.stage, q.dm, q.n, q.lai]).toEqual([0, 1, 50, 1.5, 1]);
    expect(q.height).toBeCloseTo(0.3, 9);
    expect([today.lost_g_m2, today.lostN_g_m2]).toEqual([50, 1.5]);
  });
  test('when its seed is ripe, however warm; not while it is growing, nor at rest before it budded', () => {
    const ripe = plant({ effective_cd: 5000, stage: 5 });
    renewDay(ripe, clover, day());
    expect(ripe.stage).toBe(1);
    for (const set of [
      { effective_cd: clover.bud_cd, hardening: 0.5 },
      { effective_cd: clover.bud_cd - 1, hardening: 0.9 },
    ]) {
      const q = plant(set);
      renewDay(q, clover, day({ mean_c: 2 }));
      expect([q.stage, q.dm]).toEqual([1.5, 100]);
    }
  });
  test('its crown pushes a fifth of leaf once it is warmer than 4 °C', () => {
    const leaf = (mean_c: number) => {
      const q = plant({ lai: 0.05, alive: 0.5 });
      renewDay(q, clover, day({ mean_c }));
      return q.lai;
    };
    expect([leaf(4), leaf(4.1)]).toEqual([0.05, 0.1]);
  });
});

describe('what a day takes', () => {
  test('five hot days are borne, from the sixth on fifteen plants of a hundred collapse a day; a cooler one takes one off the count', () => {
    const pea = kind('spring-field-pea');
    const q = plant();
    const hot = day({ tmax_c: pea.heatKill_c + 1 });
    const alive: number[] = [];
    for (let d = 0; d < 7; d++) {
      lossDay(q, pea, plain, hot);
      alive.push(q.alive);
    }
    expect(alive.slice(0, 5)).toEqual([1, 1, 1, 1, 1]);
    expect(alive[5]).toBeCloseTo(0.85, 9);
    expect(alive[6]).toBeCloseTo(0.85 ** 2, 9);
    expect([q.dm, q.n, q.lai].map((x) => x / 0.85 ** 2)).toEqual(
      [100, 3, 2].map((x) => expect.closeTo(x, 6)),
    );
    lossDay(q, pea, plain, day());
    expect([q.hot_d, q.alive]).toEqual([6, expect.closeTo(0.85 ** 3, 9)]);
    lossDay(q, pea, plain, day());
    expect([q.hot_d, q.alive]).toEqual([5, expect.closeTo(0.85 ** 3, 9)]);
  });
  test('an annual that has flowered for 110 days is spent: nine of ten are left each day after', () => {
    const rye = kind('cereal-rye');
    const q = plant({ stage: 3.2, flowered_d: 109 });
    lossDay(q, rye, plain, day());
    expect(q.alive).toBe(1);
    lossDay(q, rye, plain, day());
    expect(q.alive).toBeCloseTo(0.9, 9);
    expect(q.dm).toBeCloseTo(90, 6);
  });
  test('a frost that leaves none takes all, and says what stood there', () => {
    const q = plant();
    const today = day({ tmin_c: -12, tmax_c: -4, mean_c: -8 });
    lossDay(q, kind('buckwheat'), plain, today);
    expect([q.alive, q.dm, q.n, q.lai]).toEqual([0, 0, 0, 0]);
    expect([today.lost_g_m2, today.lostN_g_m2]).toEqual([100, 3]);
  });
  test('a night below -1 °C leaves 55 hundredths of the next day', () => {
    expect([-1, -1.1].map(afterNight)).toEqual([1, 0.55]);
  });
});

describe('what a day brings', () => {
  const rye = kind('cereal-rye');
  /** Alone in the light, well fed, warm. */
  const bright = { light_MJ: 4, perPull: 1, warmth: 1, critical: 1, mineral_g_m2: 10 };
  const grown = (set: Partial<Plant> = {}, today: Partial<Today> = {}, t = rye) => {
    const q = plant({ pull: 1, n: 6, ...set });
    const d = day({ ...bright, ...today });
    gainDay(q, t, plain, d, 4);
    return { q, today: d };
  };
  test('light times the yield of light, never more than a closed stand makes', () => {
    expect(grown().today.made_g_m2).toBeCloseTo(4 * rye.rue_g_MJ, 6);
    expect(grown({}, { light_MJ: 40 }).today.made_g_m2).toBeCloseTo(rye.cap_g_m2_d, 6);
    expect(grown({}, { afterNight: 0.55 }).today.made_g_m2).toBeCloseTo(0.55 * 4 * rye.rue_g_MJ, 6);
  });
  test('six tenths of it after flowering, three after milk, a twentieth when ripe', () => {
    const at = (stage: number) => grown({ stage }).today.made_g_m2 / grown().today.made_g_m2;
    expect([2.99, 3, 4, 5].map(at)).toEqual([1, 0.6, 0.3, 0.05].map((x) => expect.closeTo(x, 6)));
  });
  test('a hungry plant makes less, a starved one nothing', () => {
    expect(grown({ n: 0.5 }).today.made_g_m2).toBe(0);
    const half = grown({ n: 1.8 }).today.made_g_m2;
    expect(half).toBeGreaterThan(0);
    expect(half).toBeLessThan(grown().today.made_g_m2);
  });
  test('nitrogen comes out of the ground as far as it is there, an eighth of it a day at most', () => {
    const { q, today } = grown({ n: 1 });
    expect(today.taken_g_m2).toBeCloseTo(0.12 * 10, 6);
    expect(today.mineral_g_m2).toBeCloseTo(10 - today.taken_g_m2, 9);
    expect(q.n).toBeGreaterThan(2);
    expect(grown({ n: 1 }, { mineral_g_m2: 0 }).today.taken_g_m2).toBe(0);
  });
  test('a young clover puts 45 hundredths of what it makes into its tops, a grown one all', () => {
    const clover = kind('red-clover');
    const made = (plain_cd: number) => grown({ plain_cd }, {}, clover).today.made_g_m2;
    expect(made(0) / made(600)).toBeCloseTo(0.45, 6);
    expect(made(300) / made(600)).toBeCloseTo(0.725, 6);
    expect(made(900)).toBe(made(600));
  });
  test('while days shorten towards winter a clover that lives on feeds its root again, the more the shorter they are; an annual one does not', () => {
    const share = (id: string, daylength: number, shortens: number, plain_cd = 900) => {
      const made = (d: Partial<Today>) => grown({ plain_cd }, d, kind(id)).today.made_g_m2;
      return made({ daylength, shortens }) / made({ daylength: 1, shortens: 0 });
    };
    expect(share('red-clover', 0, 1)).toBeCloseTo(0.45, 6);
    expect(share('red-clover', 0.4, 1)).toBeCloseTo(0.45 + 0.55 * 0.4, 6);
    expect(share('red-clover', 0, 0)).toBe(1);
    expect(share('crimson-clover', 0, 1)).toBe(1);
    // Whichever holds a seedling back more.
    expect(share('red-clover', 0.8, 1, 300)).toBeCloseTo(1, 6);
    expect(share('red-clover', 0.2, 1, 300)).toBeCloseTo((0.45 + 0.55 * 0.2) / 0.725, 6);
  });
});
