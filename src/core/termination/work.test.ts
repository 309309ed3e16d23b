import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { growPlan, type GrownPlan } from '../plan/grown.ts';
import { type Plan } from './plan.ts';
import { makeReading, readCourse } from '../plan/reading.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { type Course, dryMatterOn, nitrogenOn } from '../stand/course.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { newYearEnd } from './yearEnd.ts';
import { endStand, mostAlive, readyEnding } from './end.ts';
import { livedEnd } from './lived.ts';
import { type Method } from './method.ts';
import { deadAfter } from './sheet.ts';
import { type Task, workOf } from './work.ts';

const YEARS = 12;
const FROM = dayOf('2026-09-01');
const at = (iso: string) => dayOf(iso) - FROM;
const site = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const ensemble = makeEnsemble(site, FROM, at('2027-10-01'), YEARS, 7);

const planOf = (ids: string[], sown = '2026-09-10', plant = '2027-06-10'): Plan => ({
  members: membersOf(ids.map((speciesId) => ({ speciesId, share: 1 / ids.length }))),
  seed_g_m2: ids.map(() => 12 / ids.length),
  way: findWay('raked')!,
  soil: { texture: 'loam', fertility: 'fair' },
  watered: true,
  sownAt: at(sown),
  plantAt: at(plant),
  next: { ...crops.find((c) => c.id === 'winter-squash')!, way: 'transplant' },
});
const grow = (plan: Plan, tasks: Task[] = [], cap_d = Infinity): GrownPlan =>
  growPlan(plan, ensemble, YEARS, undefined, (y) =>
    workOf(
      tasks,
      { members: plan.members, soil: plan.soil, cap_d },
      ensemble.seasons[y]!,
      ensemble.variations[y]!,
    ),
  );
const ending = (plan: Plan, kinds: [Method['passes'][number]['kind'], number | null][]) =>
  readyEnding(plan, {
    id: 'x',
    passes: kinds.map(([kind, after_d]) => ({ kind, after_d })),
    minutesPer100m2: 60,
    missing: [],
  });
const done = (kind: Exclude<Task['kind'], 'seen-dead' | 'crowns'>, iso: string): Task => ({
  kind,
  at: at(iso),
  done: true,
});
const every = (grown: GrownPlan, holds: (c: Course, y: number) => void) => grown.courses.forEach(holds);

const both = planOf(['cereal-rye', 'crimson-clover']);

describe('one pass in the daily loop', () => {
  test('leaves the plants alive that the search for days reckons with, member by member, in every year', () => {
    for (const [kind, on] of [
      ['cut', '2027-05-20'],
      ['mow', '2027-05-20'],
      // A spade turns in what is short.
      ['dig', '2027-03-10'],
      ['flame', '2027-05-20'],
    ] as const) {
      const uncut = grow(both);
      const cut = grow(both, [done(kind, on)]);
      const d = at(on);
      const how = ending(both, [[kind, 0]]);
      every(cut, (c, y) => {
        const end = endStand(
          how,
          d,
          uncut.courses[y]!,
          ensemble.seasons[y]!,
          ensemble.variations[y]!,
          newYearEnd(),
        );
        expect(mostAlive(c, d)).toBe(mostAlive(uncut.courses[y]!, d));
        // What is left the next morning, but for what a night more has taken.
        expect(mostAlive(c, d + 1)).toBeCloseTo(end.surviving, 5);
      });
    }
  });
  test('lays down, leaves standing and carries off all that stood: no gram and no nitrogen more or less', () => {
    for (const kind of [
      'cut',
      'hens',
      'graze',
      'mow-high',
      'take-hay',
      'pick-shoots',
      'pull',
      'crimp',
    ] as const) {
      const d = at('2027-05-10');
      const after = grow(both, [done(kind, '2027-05-10')]);
      every(after, (c) => {
        const laid = c.laid.reduce((sum, l) => sum + l.dm_g_m2, 0);
        const laidN = c.laid.reduce((sum, l) => sum + l.n_g_m2, 0);
        const stubble: Record<string, number> = { crimp: 1, 'mow-high': 0.6, 'pick-shoots': 0.88 };
        const stoodN = nitrogenOn(c, d);
        const stood = dryMatterOn(c, d);
        // What lives on keeps its stubble; the rest is laid or gone.
        const killed = c.laid.reduce((sum, l) => sum + l.killedDm_g_m2, 0);
        const stands = stood - laid - c.exported_g_m2;
        expect(stands).toBeGreaterThanOrEqual(-1e-3);
        expect(stands).toBeLessThanOrEqual((stood - killed) * (stubble[kind] ?? 0.31) + 1e-3);
        expect(laid + c.exported_g_m2).toBeGreaterThanOrEqual(killed - 1e-3);
        expect((laidN + c.exportedN_g_m2) / stoodN).toBeCloseTo((laid + c.exported_g_m2) / stood, 1);
      });
    }
    // Hens eat and scratch in half, a pulled stand is gone altogether.
    every(grow(both, [done('hens', '2027-05-10')]), (c) =>
      expect(c.exported_g_m2 / c.laid.reduce((s, l) => s + l.dm_g_m2, 0)).toBeCloseTo(1, 6),
    );
    every(grow(both, [done('take-hay', '2027-05-10')]), (c) =>
      expect(c.exported_g_m2 / c.laid.reduce((s, l) => s + l.dm_g_m2, 0)).toBeCloseTo(9, 5),
    );
    every(grow(both, [done('pull', '2027-05-10')]), (c) =>
      expect(c.laid.reduce((s, l) => s + l.dm_g_m2, 0)).toBe(0),
    );
  });
  test('a stand pressed in December cannot dry: half of its plants live at least', () => {
    const d = at('2026-12-10');
    every(grow(both, [done('crimp', '2026-12-10')]), (c) =>
      expect(mostAlive(c, d + 1)).toBeGreaterThanOrEqual(0.5 * mostAlive(c, d) - 1e-6),
    );
  });
  test('pressed at flower in June it dries and dies in most years; a spade that is due waits for ground that can be dug', () => {
    const rye = planOf(['cereal-rye']);
    const d = at('2027-06-05');
    const pressed = grow(rye, [done('crimp', '2027-06-05')]);
    const left = pressed.courses.map((c) => mostAlive(c, d + 1) / mostAlive(c, d));
    expect(left.filter((x) => x < 0.45).length).toBeGreaterThan(YEARS / 2);
    const due = at('2027-01-10');
    const dug = grow(both, [{ kind: 'dig', at: due, done: false }]);
    const days = dug.courses.map((c) => c.turned[0]!);
    expect(Math.min(...days)).toBeGreaterThanOrEqual(due);
    expect(days.filter((x) => x > due).length).toBeGreaterThan(0);
    // What was logged was done, wet or not.
    every(grow(both, [done('dig', '2027-01-10')]), (c) => expect(c.turned[0]).toBe(due));
  });
  test('what is turned under is written down as buried, whether dug in or buried in the frame, and what is cut is not', () => {
    for (const [kind, buried] of [
      ['dig', true],
      ['bury', true],
      ['cut', false],
    ] as const)
      every(grow(both, [done(kind, '2027-03-10')]), (c) =>
        expect([...new Set(c.laid.map((l) => l.buried))]).toEqual([buried]),
      );
  });
  test('fewer green crowns than were to be expected leave fewer plants, and less leaf on the ground from that day on', () => {
    const seen = (green: number) =>
      grow(both, [done('cut', '2027-03-20'), { kind: 'crowns', at: at('2027-04-10'), green, of: 40 }]);
    const [few, many] = [seen(2), seen(38)];
    const d = at('2027-04-12');
    every(few, (c, y) => {
      expect(mostAlive(c, d)).toBeLessThan(mostAlive(many.courses[y]!, d));
      expect(c.cover[d]!).toBeLessThan(many.courses[y]!.cover[d]!);
    });
  });
  test('a sheet that is to be lifted when all under it is dead is lifted then, whatever else is still to be done', () => {
    const tasks: Task[] = [
      done('lay-sheet', '2027-04-01'),
      { kind: 'crowns', at: at('2027-04-03'), green: 0, of: 0 },
      { kind: 'lift-sheet', at: at('2027-04-05'), done: false, whenDead: true },
    ];
    every(grow(both, tasks), (c) => {
      const [laid, lifted] = c.covered[0]!;
      expect(laid).toBe(at('2027-04-01'));
      expect(lifted - laid).toBeGreaterThan(14);
      expect(lifted).toBeLessThan(at('2027-06-20'));
    });
  });
  test('what is raked off next day leaves an eighth of the cut on the bed', () => {
    const d = at('2027-05-21');
    const [cut, raked] = [
      grow(both, [done('cut', '2027-05-20')]),
      grow(both, [done('cut', '2027-05-20'), done('rake-off', '2027-05-21')]),
    ];
    every(raked, (c, y) => {
      const lies = cut.courses[y]!.dead_g_m2[d]!;
      expect(c.dead_g_m2[d + 1]! / lies).toBeLessThan(0.12001);
      expect(c.dead_g_m2[d + 1]! / lies).toBeGreaterThan(0.1);
      expect(c.exported_g_m2).toBeCloseTo(0.88 * lies, 3);
    });
  });
  test('what lies keeps the ground from drying: raked off, it holds less water three weeks on', () => {
    const cut = grow(both, [done('cut', '2027-05-20')]);
    const raked = grow(both, [done('cut', '2027-05-20'), done('rake-off', '2027-05-21')]);
    const mean = (g: GrownPlan) =>
      g.courses.reduce((sum, c) => sum + c.root_mm[at('2027-06-10')]!, 0) / g.courses.length;
    expect(mean(cut) - mean(raked)).toBeGreaterThan(3);
  });
  test('a kind that sprouts again does: mown sorghum-sudan stands two thirds as heavy again within ten weeks, dug rye never', () => {
    const sorghum = planOf(['sorghum-sudangrass'], '2027-05-25', '2027-09-20');
    const warm = makeEnsemble(
      siteFromPattern(climates.find((c) => c.id === 'humid-subtropical')!),
      FROM,
      at('2027-10-01'),
      YEARS,
      7,
    );
    const mown = growPlan(sorghum, warm, YEARS, undefined, (y) =>
      workOf(
        [done('mow', '2027-07-10')],
        { members: sorghum.members, soil: sorghum.soil, cap_d: Infinity },
        warm.seasons[y]!,
        warm.variations[y]!,
      ),
    );
    const d = at('2027-07-10');
    const grewTo = mown.courses.map((c) => dryMatterOn(c, d + 70) / dryMatterOn(c, d));
    expect(grewTo.filter((x) => x > 0.6).length).toBeGreaterThan(YEARS * 0.75);
    every(mown, (c) => expect(dryMatterOn(c, d + 1)).toBeLessThan(0.3 * dryMatterOn(c, d)));
    every(grow(both, [done('dig', '2027-04-01')]), (c) =>
      expect(mostAlive(c, at('2027-06-10'))).toBeLessThan(0.1),
    );
  });
  test('a second cut ten days on finds weaker plants and kills a fifth more of them; one two days on is the same blow', () => {
    const rye = planOf(['cereal-rye']);
    const d = at('2027-01-05');
    const once = grow(rye, [done('cut', '2027-01-05')]);
    const twice = grow(rye, [done('cut', '2027-01-05'), done('cut', '2027-01-15')]);
    const same = grow(rye, [done('cut', '2027-01-05'), done('cut', '2027-01-07')]);
    every(twice, (c, y) => {
      const dies = (day: number) => 1 - mostAlive(c, day + 1) / mostAlive(c, day);
      expect(dies(d)).toBeGreaterThan(0.02);
      // A fifth, and what ten days of growth towards bud add.
      expect(dies(d + 10) / dies(d)).toBeGreaterThan(1.18);
      expect(dies(d + 10) / dies(d)).toBeLessThan(1.5);
      // The better of the two counts, and two days hardly change it.
      expect(mostAlive(same.courses[y]!, d + 3)).toBeCloseTo(mostAlive(once.courses[y]!, d + 3), 2);
    });
  });
  test('rye cut to the ground in March shoots from its crowns: green again within five weeks', () => {
    const rye = planOf(['cereal-rye']);
    const d = at('2027-03-20');
    every(grow(rye, [done('cut', '2027-03-20')]), (c) => {
      expect(c.cover[d + 1]).toBeLessThan(0.12);
      expect(c.cover[d + 35]).toBeGreaterThan(0.2);
    });
  });
  test('an annual cut back after bud flowers later than it would have, and sooner than from seed', () => {
    const clover = planOf(['crimson-clover']);
    const d = at('2027-05-12');
    const uncut = grow(clover);
    every(grow(clover, [done('mow', '2027-05-12')]), (c, y) => {
      if (uncut.courses[y]!.stage[d]! < 2) return;
      expect(c.stage[d + 1]!).toBeLessThan(1.7);
      expect(c.stage[d + 1]!).toBeGreaterThan(1.4);
    });
  });
});

describe('under a sheet', () => {
  const rye = planOf(['cereal-rye']);
  const laid = (lift: Task): Task[] => [done('flatten', '2027-04-20'), done('lay-sheet', '2027-04-20'), lift];
  const whenDead: Task = { kind: 'lift-sheet', at: at('2027-04-20'), done: false, whenDead: true };
  const how = ending(rye, [
    ['flatten', 0],
    ['lay-sheet', 0],
    ['lift-sheet', null],
  ]);

  test('it is dead on the day that the search for days says', () => {
    const uncut = grow(rye);
    every(grow(rye, laid(whenDead)), (c, y) => {
      const says = endStand(
        how,
        at('2027-04-20'),
        uncut.courses[y]!,
        ensemble.seasons[y]!,
        ensemble.variations[y]!,
        newYearEnd(),
      );
      const lived = livedEnd(how, c, ensemble.seasons[y]!, newYearEnd());
      expect(lived.deadAt).toBe(says.deadAt);
      expect(lived.readyAt - says.readyAt).toBeLessThanOrEqual(2);
    });
  });
  test('nothing grows or ripens in the dark', () => {
    every(grow(rye, laid(whenDead)), (c) => {
      const d = at('2027-04-20');
      expect(c.stage[d + 15]).toBe(c.stage[d + 1]);
      expect(dryMatterOn(c, d + 10)).toBeLessThanOrEqual(dryMatterOn(c, d + 1));
      expect(c.cover[d + 10]).toBe(0);
    });
  });
  test('lifted after a fifth of its heat nearly all lives; the full heat leaves a tenth at most', () => {
    expect(deadAfter(0.2)).toBeCloseTo(0.018, 3);
    expect(deadAfter(0.5)).toBeCloseTo(0.25, 2);
    expect(deadAfter(1)).toBeCloseTo(0.9, 6);
    every(grow(rye, laid(done('lift-sheet', '2027-04-26'))), (c, y) => {
      expect(mostAlive(c, at('2027-04-28'))).toBeGreaterThan(0.8 * mostAlive(c, at('2027-04-20')));
      // It shoots again where it was let go.
      expect(c.cover[at('2027-06-01')]).toBeGreaterThan(0.2);
      expect(livedEnd(how, c, ensemble.seasons[y]!, newYearEnd()).deadAt).toBeGreaterThan(rye.plantAt + 30);
    });
  });
  test('a corner lifted and crowns counted in between are not skipped for the lifting', () => {
    const between: Task = { kind: 'crowns', at: at('2027-05-10'), green: 10, of: 10 };
    every(
      grow(
        rye,
        [...laid(whenDead).slice(0, 2), whenDead, between].sort((a, b) => a.at - b.at),
      ),
      (c) => {
        expect(c.deeds.map((k) => k.kind)).toContain('crowns');
        expect(c.deeds.map((k) => k.kind)).toContain('lift-sheet');
      },
    );
  });
  test('what frost killed goes under with what the spade met: its nitrogen is not lost', () => {
    const mustard = planOf(['white-mustard'], '2026-09-05', '2027-05-10');
    const cold = makeEnsemble(
      siteFromPattern(climates.find((c) => c.id === 'humid-continental')!),
      FROM,
      at('2027-10-01'),
      YEARS,
      7,
    );
    const d = at('2027-03-20');
    const dug = growPlan(mustard, cold, YEARS, undefined, (y) =>
      workOf(
        [done('dig', '2027-03-20')],
        { members: mustard.members, soil: mustard.soil, cap_d: Infinity },
        cold.seasons[y]!,
        cold.variations[y]!,
      ),
    );
    every(dug, (c) => {
      expect(mostAlive(c, d)).toBe(0);
      expect(c.laid).toHaveLength(1);
      expect(c.laid[0]!.buried).toBe(true);
      expect(c.laid[0]!.n_g_m2).toBeCloseTo(c.deadN_g_m2[d]!, 4);
      expect(c.dead_g_m2[d + 1]).toBe(0);
    });
  });
  test('seed that comes up under a sheet finds no light: nothing is made there', () => {
    const late = planOf(['spring-oats'], '2027-04-15', '2027-07-10');
    every(grow(late, [done('lay-sheet', '2027-04-17'), done('lift-sheet', '2027-05-25')]), (c) => {
      const under = at('2027-05-24');
      expect(c.cover[under]).toBe(0);
      expect(dryMatterOn(c, under)).toBeLessThan(dryMatterOn(grow(late).courses[0]!, under) * 0.1);
    });
  });
  test('weeds die under it and under the spade, and begin anew when it is off', () => {
    const read = (g: GrownPlan, y: number) =>
      readCourse(rye, g.courses[y]!, ensemble.seasons[y]!, makeReading(g.courses[y]!.days));
    const sheeted = grow(rye, laid(done('lift-sheet', '2027-05-20')));
    const dug = grow(rye, [done('dig', '2027-04-20')]);
    every(sheeted, (_, y) => {
      const under = read(sheeted, y);
      expect(under.weedMass[at('2027-04-18')]).toBeGreaterThan(0);
      expect(under.weedMass[at('2027-05-15')]).toBe(0);
      expect(under.weedMass[at('2027-06-09')]).toBeGreaterThan(0);
    });
    every(dug, (c, y) => {
      const turned = read(dug, y);
      expect(c.turned).toHaveLength(1);
      const on = c.turned[0]!;
      expect(turned.weedMass[on - 1]).toBeGreaterThan(0);
      expect(turned.weedMass[on]).toBe(0);
      // A clean start: seed enough in the ground for a full stand of them.
      expect(turned.weedSeeds[on]).toBe(1);
    });
  });
  test('a house rule takes it off after so many days, dead or not', () => {
    every(grow(rye, laid(whenDead), 12), (c) =>
      expect(c.covered).toEqual([[at('2027-04-20'), at('2027-05-03')]]),
    );
  });
});

describe('what was seen', () => {
  test('three green crowns of ten move each year between what it held likely and what was counted', () => {
    const cut = grow(both, [done('cut', '2027-05-20')]);
    const d = at('2027-05-30');
    const seen = grow(both, [done('cut', '2027-05-20'), { kind: 'crowns', at: d, green: 3, of: 10 }]);
    every(seen, (c, y) => {
      const met = c.deeds[0]!.met;
      const before = mostAlive(cut.courses[y]!, d) / met;
      expect(mostAlive(c, d + 1) / met).toBeCloseTo((10 * before + 3) / 20, 1);
    });
  });
  test('seen dead is dead from that day, whatever was expected', () => {
    const how = ending(both, [['cut', 0]]);
    const d = at('2027-04-15');
    every(grow(both, [done('cut', '2027-04-10'), { kind: 'seen-dead', at: d }]), (c, y) => {
      const end = livedEnd(how, c, ensemble.seasons[y]!, newYearEnd());
      expect(end.deadAt).toBe(d);
      expect(end.readyAt).toBeGreaterThan(d);
      expect(end.readyAt).toBeLessThan(d + 40);
      expect(mostAlive(c, d + 1)).toBe(0);
    });
  });
  test('dead after one look is dead from that look, though by itself it would have shown later', () => {
    const how = ending(both, [['dig', 0]]);
    const d = at('2027-05-20');
    every(grow(both, [done('dig', '2027-05-20'), { kind: 'seen-dead', at: d + 1 }]), (c, y) =>
      expect(livedEnd(how, c, ensemble.seasons[y]!, newYearEnd()).deadAt).toBe(d + 1),
    );
  });
  test('what winter had killed waits no longer than its dead straw does: as the search for days reckons', () => {
    const mustard: Plan = {
      ...planOf(['white-mustard'], '2026-09-05', '2027-05-10'),
      next: { ...crops.find((c) => c.id === 'carrot')!, way: 'seed' },
    };
    const cold = makeEnsemble(
      siteFromPattern(climates.find((c) => c.id === 'humid-continental')!),
      FROM,
      at('2027-10-01'),
      YEARS,
      7,
    );
    const how = ending(mustard, [['cut', 0]]);
    const d = at('2027-04-05');
    const uncut = growPlan(mustard, cold, YEARS);
    const dug = growPlan(mustard, cold, YEARS, undefined, (y) =>
      workOf(
        [done('cut', '2027-04-05')],
        { members: mustard.members, soil: mustard.soil, cap_d: Infinity },
        cold.seasons[y]!,
        cold.variations[y]!,
      ),
    );
    every(dug, (c, y) => {
      const says = endStand(how, d, uncut.courses[y]!, cold.seasons[y]!, cold.variations[y]!, newYearEnd());
      expect(mostAlive(c, d)).toBe(0);
      expect(livedEnd(how, c, cold.seasons[y]!, newYearEnd()).readyAt).toBe(says.readyAt);
    });
  });
  test('seed that ripens on what grew again counts as shed, before planting and not after', () => {
    const how = ending(both, [['cut', 0]]);
    const years = grow(both, [done('cut', '2027-04-10')]).courses.map((c, y) =>
      livedEnd(how, c, ensemble.seasons[y]!, newYearEnd()),
    );
    expect(years.some((y) => y.deadAt === Infinity)).toBe(true);
    for (const y of years) expect(y.stageAtEnd).toBeLessThan(5);
    const late = planOf(['cereal-rye'], '2026-09-10', '2027-09-20');
    const ripe = grow(late, [done('mow-high', '2027-04-10')]).courses.map((c, y) =>
      livedEnd(ending(late, [['mow-high', 0]]), c, ensemble.seasons[y]!, newYearEnd()),
    );
    expect(ripe.every((y) => y.stageAtEnd === 5)).toBe(true);
  });
});

describe('two blows within days', () => {
  test('are one: the better of them counts, whichever came first, and a weak second takes nothing back', () => {
    const left = (...tasks: Task[]) =>
      grow(planOf(['cereal-rye']), tasks).courses.map((c) => mostAlive(c, at('2027-05-30')));
    const day = { crimp: '2027-05-20', cut: '2027-05-22' } as const;
    const [crimped, cut] = [left(done('crimp', day.crimp)), left(done('cut', day.cut))];
    const both = left(done('crimp', day.crimp), done('cut', day.cut));
    both.forEach((alive, y) => {
      expect(alive).toBeLessThanOrEqual(Math.min(crimped[y]!, cut[y]!) + 0.02);
      // No third blow came of it.
      expect(alive).toBeGreaterThanOrEqual(Math.min(crimped[y]!, cut[y]!) * 0.9 - 0.02);
    });
    // The crimp alone left some standing, or nothing is told by this.
    expect(Math.max(...crimped)).toBeGreaterThan(0.05);
  });
});

describe('a stand that frost killed', () => {
  test('counts as far on as the member that was furthest on', () => {
    const plan = planOf(['buckwheat', 'spring-oats'], '2026-09-02', '2027-06-10');
    const cold = siteFromPattern(climates.find((c) => c.id === 'humid-continental')!);
    const winters = makeEnsemble(cold, FROM, at('2027-10-01'), YEARS, 7);
    const grown = growPlan(plan, winters, YEARS);
    const how = ending(plan, [['check', 0]]);
    let told = 0;
    every(grown, (c, y) => {
      const end = endStand(how, 0, c, winters.seasons[y]!, winters.variations[y]!, newYearEnd());
      if (!Number.isFinite(end.endsAt)) return;
      told++;
      const stages = [0, 1].map((s) =>
        Math.max(...Array.from({ length: end.endsAt }, (_, d) => c.stage[d * 2 + s]!)),
      );
      expect(end.stageAtEnd).toBeLessThanOrEqual(Math.max(...stages) + 1e-6);
      expect(end.stageAtEnd).toBeGreaterThan(Math.max(...stages) - 1);
      expect(Math.abs(stages[0]! - stages[1]!)).toBeGreaterThan(0);
    });
    expect(told).toBeGreaterThan(0);
  });
});

describe('a sheet over what stands', () => {
  const needs = (tasks: Task[]) =>
    grow(planOf(['cereal-rye']), tasks).courses.map((c) => c.coverHeat[0]!.needs);
  test('presses it down to where it lies', () => {
    const d = at('2027-05-20');
    const course = grow(planOf(['cereal-rye']), [done('lay-sheet', '2027-05-20')]).courses;
    for (const c of course) {
      expect(c.height_m[d]).toBeGreaterThan(0.4);
      expect(c.height_m[d + 1]).toBeLessThanOrEqual(0.0501);
    }
  });
  test('asks for less heat where it was cut, or crimped, before than where it stands tall', () => {
    const laid = done('lay-sheet', '2027-05-24');
    const tall = needs([laid]);
    const cut = needs([done('cut', '2027-05-20'), laid]);
    const crimped = needs([done('crimp', '2027-05-20'), laid]);
    for (let y = 0; y < YEARS; y++)
      for (const lowered of [cut[y]!, crimped[y]!]) {
        // Where nothing lives any more nothing is asked for.
        if (lowered > 0) expect(lowered).toBeLessThan(tall[y]! * 0.95);
      }
    expect(crimped.filter((n) => n > 0).length).toBeGreaterThan(YEARS / 2);
    expect(cut.filter((n) => n > 0).length).toBeGreaterThan(YEARS / 4);
  });
});
