import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { answerEnding, answerEndings, pickEnding, weeksAway, worthOfEnding } from './endings.ts';
import { growPlan } from './grown.ts';
import { type Plan } from '../termination/plan.ts';
import { newYearEnd } from '../termination/yearEnd.ts';
import { idleDays } from './year.ts';

const site = (id: string) => siteFromPattern(climates.find((c) => c.id === id)!);
const way = (id: string) => ({ ...methods.find((m) => m.id === id)!, minutesPer100m2: 60, missing: [] });
const FREE = 35;

function grown(
  parts: { speciesId: string; share: number }[],
  climate: string,
  free: string,
  plant: string,
  next = 'winter-squash',
  nextWay: 'transplant' | 'seed' = 'transplant',
  years = 40,
  waits_d = 0,
) {
  const members = membersOf(parts);
  const from = dayOf(free) - FREE;
  const plantAt = dayOf(plant) - from;
  const plan: Plan = {
    members,
    seed_g_m2: viableRate_g_m2(members, 1),
    way: findWay('raked')!,
    soil: { texture: 'loam', fertility: 'fair' },
    watered: true,
    freeAt: FREE,
    sownAt: FREE + waits_d,
    plantAt,
    next: { ...crops.find((c) => c.id === next)!, way: nextWay },
  };
  return growPlan(plan, makeEnsemble(site(climate), from, plantAt + 60, years, 11));
}
const alone = (speciesId: string) => [{ speciesId, share: 1 }];
const at = (g: ReturnType<typeof grown>, date: string) => dayOf(date) - g.ensemble.fromDay;

describe('feeding is counted above the same bed left bare', () => {
  test('in a spring slot a pea gives, and a rape that held what the soil had anyway takes', () => {
    const pea = grown(alone('spring-field-pea'), 'cool-maritime', '2027-03-15', '2027-06-05');
    const rape = grown(alone('rapeseed'), 'cool-maritime', '2027-03-15', '2027-06-05');
    expect(answerEnding(pea, way('dig'), at(pea, '2027-05-20')).nitrogen_g_m2.mid).toBeGreaterThan(2);
    expect(answerEnding(rape, way('dig'), at(rape, '2027-05-20')).nitrogen_g_m2.mid).toBeLessThan(0.5);
  });
  test('straw of rye takes from what follows; raked off, it takes its nitrogen along and says how much', () => {
    const g = grown(alone('cereal-rye'), 'humid-temperate', '2026-09-20', '2027-06-01');
    const lies = answerEnding(g, way('cut'), at(g, '2027-05-18'));
    const off = answerEnding(g, way('cut-rake'), at(g, '2027-05-18'));
    expect(lies.nitrogen_g_m2.mid).toBeLessThan(-1);
    expect(lies.leaves_g_m2.mid).toBe(0);
    expect(off.leaves_g_m2.mid).toBeCloseTo(off.dryMatter_g_m2.mid * 0.88, 0);
    expect(off.leavesN_g_m2.mid).toBeGreaterThan(5);
    // What leaves takes the nitrogen of that much tops and no more: the C:N of what lies and of what left is one.
    expect(off.leavesN_g_m2.mid / off.leaves_g_m2.mid).toBeCloseTo(0.42 / off.carbonToNitrogen, 2);
    expect(off.residue_g_m2.mid).toBeLessThan(lies.residue_g_m2.mid * 0.2);
  });
  test('nitrogen that frost sets free in December is partly gone from a bed planted in June', () => {
    const early = grown(alone('tillage-radish'), 'humid-temperate', '2026-08-25', '2027-04-01');
    const late = grown(alone('tillage-radish'), 'humid-temperate', '2026-08-25', '2027-06-01');
    const n = (g: typeof early) => answerEnding(g, way('winterkill'), g.plan.plantAt - 1).nitrogen_g_m2.mid;
    expect(n(late)).toBeLessThan(n(early));
  });
  test('a vetch gives less on top than dug in, and caught nitrogen is what came out of the soil', () => {
    const g = grown(alone('hairy-vetch'), 'humid-temperate', '2026-09-20', '2027-06-01');
    const top = answerEnding(g, way('cut'), at(g, '2027-05-18'));
    const dug = answerEnding(g, way('dig'), at(g, '2027-05-18'));
    expect(dug.nitrogen_g_m2.mid).toBeGreaterThan(top.nitrogen_g_m2.mid + 0.5);
    expect(top.caught_g_m2.mid).toBeLessThan(6);
    const rye = grown(alone('cereal-rye'), 'humid-temperate', '2026-09-20', '2027-06-01');
    expect(answerEnding(rye, way('cut'), at(rye, '2027-05-18')).caught_g_m2.mid).toBeGreaterThan(6);
  });
});

describe('a mix is as dead as its worst living member', () => {
  test('rye with a clover that the winter took is no easier to end than rye', () => {
    const parts = [
      { speciesId: 'cereal-rye', share: 0.4 },
      { speciesId: 'berseem-clover', share: 0.6 },
    ];
    const mix = grown(parts, 'humid-continental', '2026-09-01', '2027-05-25');
    const rye = grown(alone('cereal-rye'), 'humid-continental', '2026-09-01', '2027-05-25');
    const dead = (g: typeof mix) => answerEnding(g, way('cut'), at(g, '2027-05-08')).odds.dead;
    expect(dead(mix)).toBeLessThanOrEqual(dead(rye) + 0.05);
    expect(dead(rye)).toBeLessThan(0.2);
  });
});

describe('the worst member and the warmth of the ground', () => {
  test('whichever is named first, clover under buckwheat lives on when the buckwheat is cut', () => {
    const dead = (...ids: string[]) => {
      const parts = ids.map((speciesId) => ({ speciesId, share: 1 / ids.length }));
      const g = grown(parts, 'cool-maritime', '2027-05-20', '2027-08-25');
      return answerEnding(g, way('cut'), at(g, '2027-07-20')).odds.dead;
    };
    expect(dead('buckwheat')).toBeGreaterThan(0.9);
    expect([dead('white-clover', 'buckwheat'), dead('buckwheat', 'white-clover')]).toEqual([0, 0]);
  });
  test('a cover that is out of the way in time may still wait for warm ground', () => {
    const g = grown(alone('spring-oats'), 'cool-maritime', '2027-03-01', '2027-05-20');
    const { odds } = answerEnding(g, way('dig'), at(g, '2027-04-20'));
    expect(odds.inTime).toBeGreaterThan(0.9);
    expect(odds.warm).toBeLessThan(odds.inTime - 0.3);
  });
});

describe('weeds are held against bare ground ended the same way', () => {
  test('a sheet laid on a stand of three weeks has smothered nothing by itself', () => {
    const g = grown(alone('spring-oats'), 'cool-maritime', '2027-06-20', '2027-09-10');
    const early = answerEnding(g, way('sheet'), at(g, '2027-07-10')).weedsHeld.mid;
    const late = answerEnding(g, way('sheet'), at(g, '2027-08-10')).weedsHeld.mid;
    expect(early).toBeLessThan(late - 0.2);
  });
  test('buckwheat of six weeks leaves under a fifth of the weeds', () => {
    const g = grown(alone('buckwheat'), 'cool-maritime', '2027-06-20', '2027-08-10');
    expect(answerEnding(g, way('cut'), at(g, '2027-08-04')).weedsHeld.mid).toBeGreaterThan(0.8);
  });
});

describe('the day of ending follows the aims', () => {
  const aim = (id: string) => [{ id, strands: 3 }];
  test('a short gap is searched to the day: buckwheat before lettuce ends in its last fortnight', () => {
    const g = grown(alone('buckwheat'), 'cool-maritime', '2027-07-01', '2027-08-15', 'lettuce');
    const [cut] = answerEndings(g, [way('cut')], 0, aim('flowers'));
    expect(cut!.odds.inTime).toBeGreaterThan(0.9);
    expect(cut!.startDay).toBeGreaterThanOrEqual(dayOf('2027-08-04'));
    const day = cut!.startDay - g.ensemble.fromDay;
    for (const other of [day - 2, day - 1, day + 1, day + 2]) {
      const e = answerEnding(g, way('cut'), other);
      expect(e.serves.flowers! * e.odds.inTime).toBeLessThanOrEqual(
        cut!.serves.flowers! * cut!.odds.inTime + 0.03,
      );
    }
  });
  test('stems pressed in midwinter do not dry and rise again; pressed in May, or cut in winter, they die', () => {
    const g = grown(alone('winter-field-bean'), 'cool-maritime', '2027-05-25', '2028-06-01');
    const dead = (id: string, date: string) => answerEnding(g, way(id), at(g, date)).odds.dead;
    const winter = answerEnding(g, way('crimp'), at(g, '2027-12-10'));
    expect(winter.odds.dead).toBeLessThan(0.1);
    expect(winter.surviving).toBeGreaterThan(0.4);
    const spring = grown(alone('winter-field-bean'), 'cool-maritime', '2027-09-20', '2028-06-20');
    expect(answerEnding(spring, way('crimp'), at(spring, '2028-05-20')).odds.dead).toBeGreaterThan(0.9);
    expect(dead('cut', '2027-12-10')).toBeGreaterThan(0.5);
  });
  test('a week earlier and later are that way begun on those days, and no better for the aim', () => {
    const g = grown(alone('crimson-clover'), 'humid-temperate', '2026-09-20', '2027-05-25');
    const [best] = answerEndings(g, [way('cut')], 0, aim('flowers'));
    const weeks = weeksAway(g, way('cut'), best!, aim('flowers'));
    expect(weeks.map((w) => [w.days, w.startDay - best!.startDay])).toEqual([
      [-7, -7],
      [7, 7],
    ]);
    for (const w of weeks) {
      const then = answerEnding(g, way('cut'), w.startDay - g.ensemble.fromDay);
      expect(w.inTime).toBe(then.odds.inTime);
      expect(w.served).toBe(then.serves.flowers! - best!.serves.flowers!);
      expect(w.flowerDays).toBe(then.flowerDays.mid - best!.flowerDays.mid);
      expect(w.residue_g_m2).toBe(then.residue_g_m2.mid - best!.residue_g_m2.mid);
    }
    expect(weeks[0]!.flowerDays).toBeLessThan(-3);
    expect(weeks[1]!.inTime).toBeLessThan(best!.odds.inTime);
  });
  test('a week that lies past planting or before sowing is not spoken of, nor any where frost decides', () => {
    const g = grown(alone('buckwheat'), 'cool-maritime', '2027-07-01', '2027-08-15', 'lettuce');
    const last = answerEnding(g, way('cut'), g.plan.plantAt - 3);
    expect(weeksAway(g, way('cut'), last, aim('hold')).map((w) => w.days)).toEqual([-7]);
    const early = answerEnding(g, way('cut'), g.plan.sownAt + 4);
    expect(weeksAway(g, way('cut'), early, aim('hold')).map((w) => w.days)).toEqual([7]);
    // Under a crop that still stands nothing is ended: a week before that is out is none.
    const under = { ...g, plan: { ...g.plan, freeAt: g.plan.sownAt + 20 } };
    const clear = answerEnding(under, way('cut'), g.plan.sownAt + 25);
    expect(weeksAway(under, way('cut'), clear, aim('hold')).map((w) => w.days)).toEqual([7]);
    const later = answerEnding(under, way('cut'), g.plan.sownAt + 28);
    expect(weeksAway(under, way('cut'), later, aim('hold')).map((w) => w.days)).toEqual([-7, 7]);
    const frost = answerEnding(g, way('winterkill'), g.plan.plantAt - 1);
    expect(weeksAway(g, way('winterkill'), frost, aim('hold'))).toEqual([]);
  });
  test('a way under eight odds in a hundred is put forward only where no other has better', () => {
    const g = grown(alone('buckwheat'), 'cool-maritime', '2027-07-01', '2027-08-15', 'lettuce');
    const [cut] = answerEndings(g, [way('cut')], 0, aim('bulk'));
    const rare = { ...cut!, method: 'flail', serves: { ...cut!.serves, bulk: 1 } };
    const at = (inTime: number) => ({ ...rare, odds: { ...rare.odds, inTime } });
    const pick = (e: typeof rare, more: (typeof rare)[]) =>
      pickEnding([e, ...more], ['flail', 'cut'], aim('bulk'))!.method;
    expect(pick(at(0.05), [{ ...cut!, serves: { bulk: 0 } }])).toBe('cut');
    expect(pick(at(0.9), [{ ...cut!, serves: { bulk: 0 } }])).toBe('flail');
    expect(pick(at(0.05), [])).toBe('flail');
  });
  test.each([
    ['buckwheat', 'cut', 'flowers'],
    ['spring-field-pea', 'dig', 'feed'],
    ['phacelia', 'cut-plant', 'flowers'],
    ['spring-oats', 'cut', 'catch'],
  ])('in a gap of 80 days no day next to that found for %s by %s serves %s better', (kind, by, id) => {
    const g = grown(alone(kind), 'humid-temperate', '2027-04-20', '2027-07-09', 'cabbage', 'transplant', 30);
    const [best] = answerEndings(g, [way(by)], 0, aim(id));
    const worth = (day: number) => worthOfEnding(answerEnding(g, way(by), day), aim(id));
    const day = best!.startDay - g.ensemble.fromDay;
    for (const other of [day - 1, day + 1].filter((d) => d < g.plan.plantAt))
      expect(worth(other)).toBeLessThanOrEqual(worth(day) + 1e-9);
  });
  test('of days worth the same, the latest: the next is worth less', () => {
    const g = grown(
      alone('spring-oats'),
      'humid-temperate',
      '2027-04-20',
      '2027-07-09',
      'cabbage',
      'transplant',
      30,
    );
    const [best] = answerEndings(g, [way('dig')], 0, aim('ease'));
    const worth = (day: number) => worthOfEnding(answerEnding(g, way('dig'), day), aim('ease'));
    const day = best!.startDay - g.ensemble.fromDay;
    expect(worth(day + 1)).toBeLessThan(worth(day));
    expect(worth(day - 1)).toBeCloseTo(worth(day), 9);
  });
  test('a way at hand is judged on all years, one that is not on thirty', () => {
    const g = grown(alone('crimson-clover'), 'humid-temperate', '2026-09-20', '2027-05-20');
    const away = { ...way('cut'), missing: ['a sickle'] };
    for (const [method, years] of [
      [way('cut'), 40],
      [away, 30],
    ] as const) {
      const [e] = answerEndings(g, [method], 0, aim('feed'));
      expect(e!.odds.inTime * years).toBeCloseTo(Math.round(e!.odds.inTime * years), 6);
      const all = answerEnding(g, method, e!.startDay - g.ensemble.fromDay);
      if (years === 40) expect(e!.odds).toEqual(all.odds);
      else expect(e!.dryMatter_g_m2.mid).not.toBe(all.dryMatter_g_m2.mid);
    }
  });
  test('where looks have spoken, days are looked for in the years they spoke for', () => {
    const g = grown(
      alone('buckwheat'),
      'cool-maritime',
      '2027-07-01',
      '2027-08-15',
      'lettuce',
      'transplant',
      60,
    );
    const seen = { ...g, weights: Float64Array.from(g.courses, (_, y) => (y < 45 ? 0 : 1)) };
    const [best] = answerEndings(seen, [way('cut')], 0, aim('flowers'));
    const worth = (day: number) => worthOfEnding(answerEnding(seen, way('cut'), day), aim('flowers'));
    const day = best!.startDay - g.ensemble.fromDay;
    expect(best!.odds.inTime).toBeGreaterThan(0.9);
    for (const other of [day - 3, day - 1, day + 1, day + 2])
      expect(worth(other)).toBeLessThanOrEqual(worth(day) + 1e-9);
  });
  test('at the edges of a window the way is worth nearly what it is on its best day', () => {
    const g = grown(
      alone('crimson-clover'),
      'humid-temperate',
      '2026-09-20',
      '2027-05-20',
      'cabbage',
      'transplant',
      30,
    );
    for (const e of answerEndings(g, ['cut', 'dig', 'sheet'].map(way), 0, aim('feed'))) {
      const at = (day: number) =>
        worthOfEnding(answerEnding(g, way(e.method), day - g.ensemble.fromDay), aim('feed'));
      const least = at(e.startDay) - Math.max(0.01, 0.07 * Math.abs(at(e.startDay)));
      for (const edge of e.windowDays) expect(at(edge)).toBeGreaterThanOrEqual(least - 1e-9);
    }
  });
  test('nothing is ended under the crop it was sown in, nor in the past', () => {
    const g = grown(alone('red-clover'), 'humid-temperate', '2027-05-01', '2027-10-20');
    const cleared = growPlan({ ...g.plan, freeAt: g.plan.plantAt - 8 }, g.ensemble);
    const [under] = answerEndings(cleared, [way('sheet')], 0, aim('hold'));
    expect(under!.startDay).toBeGreaterThan(g.ensemble.fromDay + g.plan.plantAt - 8);
    const today = at(g, '2027-10-05');
    const [late] = answerEndings(growPlan(g.plan, g.ensemble), [way('sheet')], today, aim('ease'));
    expect(late!.startDay).toBeGreaterThanOrEqual(dayOf('2027-10-05'));
  });
  test('rye grown for mulch is not sheeted in autumn; grown only to be little work it may be', () => {
    const g = grown(alone('cereal-rye'), 'humid-continental', '2026-08-20', '2027-06-05');
    const [bulk] = answerEndings(g, [way('sheet')], 0, aim('bulk'));
    expect(bulk!.startDay).toBeGreaterThan(dayOf('2027-04-01'));
  });
  test('a window holds the day it is put round', () => {
    const g = grown(alone('crimson-clover'), 'humid-temperate', '2026-09-20', '2027-05-20');
    for (const e of answerEndings(g, ['cut', 'mow', 'sheet', 'dig'].map(way), 0, aim('feed')))
      expect([e.windowDays[0] <= e.startDay, e.startDay <= e.windowDays[1]]).toEqual([true, true]);
  });
  test('frozen ground is not dug; cutting and planting the same day is for transplants alone', () => {
    const g = grown(alone('cereal-rye'), 'humid-continental', '2026-09-10', '2027-05-25', 'carrot', 'seed');
    const winter = answerEnding(g, way('dig'), at(g, '2027-01-20'));
    expect(winter.odds.dead).toBeLessThan(0.3);
    expect(answerEnding(g, way('cut-plant'), at(g, '2027-05-24')).odds.inTime).toBe(0);
  });
});

describe('what is not the cover’s doing', () => {
  const rye = (waits_d = 0) =>
    grown(
      alone('cereal-rye'),
      'humid-continental',
      '2026-08-25',
      '2027-06-10',
      undefined,
      undefined,
      20,
      waits_d,
    );
  test('weeds under a sheet are held by the sheet: laid in autumn on half the weeds’ season it is given half of that half', () => {
    const g = rye();
    const of = (day: string) => answerEnding(g, way('sheet'), at(g, day));
    const share = (day: string) => {
      const w = g.ensemble.seasons.slice(0, 20).map((s) => {
        const [from, to, last] = [
          s.weedWarmth[FREE]!,
          s.weedWarmth[at(g, day)]!,
          s.weedWarmth[g.plan.plantAt]!,
        ];
        return (to - from) / (last - from);
      });
      return w.reduce((a, b) => a + b, 0) / w.length;
    };
    for (const day of ['2026-11-20', '2027-04-10']) {
      const most = 1 - 0.5 * (1 - share(day));
      const { serves, weedsHeld } = of(day);
      expect(serves.smother).toBeLessThan(most + 0.01);
      expect(serves.smother).toBeGreaterThan(most - 0.2);
      // What is told of the weeds is what the stand had held by then.
      expect(weedsHeld.mid).toBeGreaterThan(serves.smother! + 0.05);
    }
    expect(of('2027-04-10').serves.smother!).toBeGreaterThan(of('2026-11-20').serves.smother! + 0.03);
  });
  test('ground is without roots from the day on which frost has ended the last kind, whenever its straw is cut', () => {
    const g = grown(alone('spring-oats'), 'humid-continental', '2026-08-20', '2027-06-05');
    const frost = answerEnding(g, way('winterkill'), at(g, '2027-06-05'));
    expect(frost.dead.high).toBeLessThan(dayOf('2027-02-01'));
    const cut = answerEnding(g, way('cut'), at(g, '2027-05-20'));
    expect(Math.abs(cut.idle_d - frost.idle_d)).toBeLessThan(3);
    expect(cut.idle_d).toBeGreaterThan(120);
    // Cut green, it is without roots from then on.
    expect(answerEnding(g, way('cut'), at(g, '2026-10-20')).idle_d).toBeGreaterThan(cut.idle_d + 20);
  });
  test('growing days that are left over past sixty count four more: cut in July for the next March it could have borne another cover', () => {
    const plan = { plantAt: 300, sownAt: 0 } as Plan;
    const ended = (endsAt: number, growing: (d: number) => number, livesUntil = 300) =>
      idleDays({ ...newYearEnd(), endsAt }, {
        plan,
        reading: { livesUntil },
        season: { days: 360, growing: Float64Array.from({ length: 361 }, (_, d) => growing(d)) },
      } as unknown as Parameters<typeof idleDays>[1]);
    const warm = (d: number) => d;
    // Growing days up to day 200, and a winter that has none.
    const untilWinter = (d: number) => Math.min(d, 200);
    expect(ended(240, warm)).toBe(60);
    expect(ended(230, warm)).toBe(70 + 4 * 10);
    expect(ended(140, untilWinter)).toBe(160);
    expect(ended(100, untilWinter)).toBe(200 + 4 * 40);
    // Dead by itself on day 150, cut on day 280.
    expect(ended(280, untilWinter, 150)).toBe(150);
    expect(ended(300, warm)).toBe(0);
  });
  test('ground that waits to be sown is ground without roots, and for more than ground that waits to be planted: nothing needs it', () => {
    const [now, later] = [rye(), rye(30)];
    const idle = (g: typeof now) => answerEnding(g, way('cut'), at(g, '2027-06-01')).idle_d;
    expect(idle(later) - idle(now)).toBeCloseTo(2.5 * 30, 6);
  });
});
