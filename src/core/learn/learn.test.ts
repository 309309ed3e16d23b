import { describe, expect, test } from '@jest/globals';
import { findWay, membersOf } from '../../catalogue/catalogue.ts';
import { places } from '../../catalogue/places.ts';
import { crops, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { type LookSeen } from '../plan/weigh.ts';
import { forecastCover } from '../forecast/forecast.ts';
import { type ForecastInput, standOf } from '../plan/standing.ts';
import { streamOf } from '../random/stream.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { siteFromNormals } from '../climate/normals.ts';
import { drawVariation, NO_VARIATION } from '../stand/ensemble.ts';
import { STAGES } from '../stand/species.ts';
import { learn, learnFrom, type LookedAt, resultsOf, type TraitResult } from './learn.ts';
import { pool, type Result } from './pool.ts';
import { asLearnt, flowersBy_d, shifted, shiftFor, wayKey, wayOfKey } from '../stand/shift.ts';

const fit = siteFromNormals(places.find((p) => p.name.startsWith('Glasgow'))!);
if (!fit.ok) throw new Error('Glasgow');
const site = fit.value;

describe('partial pooling', () => {
  const SPLIT = { garden: 0.3, kind: 0.4, cover: 0.3 };
  const SD = 0.1;
  test('simulated gardens: ranges of eight in ten hold the truth in about eight of ten, for the garden and for each kind', () => {
    const stream = streamOf(7);
    let [gardens, kinds, heldGarden, heldKind] = [0, 0, 0, 0];
    for (let k = 0; k < 500; k++) {
      const g = SD * Math.sqrt(SPLIT.garden) * stream.normal();
      const truth = ['a', 'b', 'c'].map(() => SD * Math.sqrt(SPLIT.kind) * stream.normal());
      const results: Result[] = [];
      truth.forEach((t, i) => {
        for (let n = 0; n <= i * 2; n++) {
          const variance = (0.02 + 0.06 * ((k + n) % 3)) ** 2;
          const y =
            g + t + SD * Math.sqrt(SPLIT.cover) * stream.normal() + Math.sqrt(variance) * stream.normal();
          results.push({ kind: 'abc'[i]!, y, variance, ago_y: 0 });
        }
      });
      const p = pool(results, SD, SPLIT);
      gardens++;
      heldGarden += Number(Math.abs(p.garden.mean - g) < 1.2816 * p.garden.sd);
      truth.forEach((t, i) => {
        const at = p.kind('abc'[i]!);
        kinds++;
        heldKind += Number(Math.abs(at.mean - g - t) < 1.2816 * at.sd);
      });
    }
    expect(heldGarden / gardens).toBeGreaterThan(0.75);
    expect(heldGarden / gardens).toBeLessThan(0.85);
    expect(heldKind / kinds).toBeGreaterThan(0.75);
    expect(heldKind / kinds).toBeLessThan(0.85);
  });
  const of = (kind: string, y: number, ago_y = 0, variance = 0.001): Result => ({ kind, y, variance, ago_y });
  test('one result moves little, many alike move nearly all the way, and a kind without results leans on the garden', () => {
    const one = pool([of('a', 0.1)], SD, SPLIT);
    expect(one.kind('a').mean).toBeGreaterThan(0.03);
    expect(one.kind('a').mean).toBeLessThan(0.075);
    const many = pool(
      Array.from({ length: 30 }, () => of('a', 0.1)),
      SD,
      SPLIT,
    );
    expect(many.kind('a').mean).toBeCloseTo(0.1, 2);
    expect(many.kind('b').mean).toBe(many.garden.mean);
    expect(many.kind('b').sd).toBeGreaterThan(many.kind('a').sd);
    expect(many.next('a').sd).toBeGreaterThan(many.kind('a').sd);
  });
  test('one result is drawn in exactly as two normal spreads say, and one of six years ago as if it were twice as rough', () => {
    const [vg, vk, ve] = [0.3, 0.4, 0.3].map((x) => x * SD * SD) as [number, number, number];
    const p = pool([of('a', 0.1)], SD, SPLIT).kind('a');
    const total = 1 / (1 / (vg + vk) + 1 / (ve + 0.001));
    expect(p.sd).toBeCloseTo(Math.sqrt(total), 12);
    expect(p.mean).toBeCloseTo((0.1 * total) / (ve + 0.001), 12);
    const old = pool([of('a', 0.1, 6)], SD, SPLIT).kind('a');
    const rough = pool([of('a', 0.1, 0, ve + 0.002)], SD, SPLIT).kind('a');
    expect(old.mean).toBeCloseTo(rough.mean, 12);
    expect(old.sd).toBeCloseTo(rough.sd, 12);
  });
  test('old results count for less, rough ones too, and none at all is the book', () => {
    const now = pool([of('a', 0.1)], SD, SPLIT).kind('a').mean;
    expect(pool([of('a', 0.1, 6)], SD, SPLIT).kind('a').mean).toBeLessThan(now);
    expect(pool([of('a', 0.1, 0, 0.05)], SD, SPLIT).kind('a').mean).toBeLessThan(now / 2);
    const none = pool([], SD, SPLIT);
    expect(none.garden).toEqual({ mean: 0, sd: expect.closeTo(SD * Math.sqrt(0.3), 9) });
    expect(none.next('a').sd).toBeCloseTo(SD, 9);
  });
});

const asked = (id: string, sow: string, plant: string, years = 150): ForecastInput => {
  const members = membersOf([{ speciesId: id, share: 1 }]);
  return {
    site,
    soil: { texture: 'loam', fertility: 'fair' },
    way: findWay('raked')!,
    watered: true,
    members,
    seed_g_m2: viableRate_g_m2(members, 1),
    sowDay: dayOf(sow),
    plantDay: dayOf(plant),
    next: { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' },
    methods: methods
      .filter((m) => m.id === 'cut')
      .map((m) => ({
        id: m.id,
        passes: m.passes,
        minutesPer100m2: 100,
        missing: [],
        sheetCap_d: 180,
        proposed: true,
      })),
    looks: [],
    today: dayOf(plant),
    years,
  };
};

/** A year that came true in a garden whose plants ripen at this pace, with its weather measured, and looks at their stage every nine days. */
function lookedAt(k: number, id: string, pace: number): LookedAt {
  const question = asked(id, `20${21 + k}-09-10`, `20${22 + k}-06-20`);
  const book = standOf(question);
  const season = book.soFar.ensemble.seasons[k]!;
  const observed = Array.from(
    { length: season.days },
    (_, d) =>
      [book.fromDay + d, season.tmin_c[d]!, season.tmax_c[d]!, season.rain_mm?.[d] ?? 1] as [
        number,
        number,
        number,
        number,
      ],
  );
  const measured = { ...question, observed };
  const real = standOf({
    ...measured,
    years: 1,
    learnt: {
      stageRate: { mean: Math.log(pace), left: 0 },
      growth: { mean: 0, left: 0 },
      emergence: { mean: 0, left: 0 },
      hardiness_c: { mean: 0, left: 0 },
    },
  }).soFar;
  const course = real.courses[0]!;
  const looks: LookSeen[] = [];
  for (let day = dayOf(`20${22 + k}-04-05`); day < dayOf(`20${22 + k}-06-18`); day += 9)
    looks.push({ day, stage: STAGES[Math.max(1, Math.floor(course.stage[day - book.fromDay]!))]! });
  return { coverId: `c${k}`, kind: id, asked: { ...measured, looks }, ago_y: 0 };
}

describe('what a garden shows', () => {
  const early = [0, 1, 2, 3].map((k) => lookedAt(k, 'crimson-clover', 1.09));
  test('four covers that ripen a tenth sooner are seen to, with the right sign and most of the size; nothing else is made up of it', () => {
    const learnt = learn(early);
    const own = learnt.lessons.find((l) => l.trait === 'stageRate' && l.kind === 'crimson-clover')!;
    expect(own.results).toHaveLength(4);
    expect(own.at.mean).toBeGreaterThan(0.035);
    expect(own.at.mean).toBeLessThan(0.11);
    expect(flowersBy_d(own.at.mean, 800)).toBeLessThan(-2.5);
    const garden = learnt.lessons.find((l) => l.trait === 'stageRate' && l.kind === null)!;
    expect(garden.at.mean).toBeGreaterThan(0);
    expect(garden.at.mean).toBeLessThan(own.at.mean);
    for (const l of learnt.lessons.filter((x) => x.trait === 'hardiness_c'))
      expect(Math.abs(l.at.mean)).toBeLessThan(0.5);
    // Let into a forecast, it brings flowering forward and draws its range closer.
    const plain = forecastCover(asked('crimson-clover', '2030-09-10', '2031-06-20'));
    const moved = forecastCover({
      ...asked('crimson-clover', '2030-09-10', '2031-06-20'),
      learnt: learnt.shifts['crimson-clover'],
    });
    const flower = (f: ReturnType<typeof forecastCover>) => f.stand.stages[0]!.flower;
    expect(flower(moved).mid).toBeLessThan(flower(plain).mid - 1.5);
    expect(flower(moved).high - flower(moved).low).toBeLessThanOrEqual(
      flower(plain).high - flower(plain).low,
    );
  });
  test('nothing moves on one cover, however plain', () => {
    const learnt = learn(early.slice(0, 1));
    expect(learnt.lessons).toEqual([]);
    for (const s of Object.values(learnt.shifts)) expect(s.stageRate).toEqual({ mean: 0, left: 1 });
  });
  test('a cover that nobody looked at is no result', () =>
    expect(resultsOf({ ...early[0]!, asked: { ...early[0]!.asked, looks: [] } })).toEqual({}));
  test('two results of one cover are one cover', () => {
    const r: TraitResult = { coverId: 'x', kind: 'rye', y: 0.1, variance: 0.001, ago_y: 0 };
    expect(learnFrom([{ stageRate: r }, { stageRate: r }]).lessons).toEqual([]);
  });
});

describe('the plausible years of a garden', () => {
  const none = {
    stageRate: { mean: 0, left: 1 },
    growth: { mean: 0, left: 1 },
    emergence: { mean: 0, left: 1 },
    hardiness_c: { mean: 0, left: 1 },
  };
  test('without a lesson they are those of the book', () => {
    const v = drawVariation(streamOf(3));
    const same = shifted(v, none);
    for (const key of Object.keys(v) as (keyof typeof v)[]) expect(same[key]).toBeCloseTo(v[key], 12);
    const ensemble = { variations: [v] } as never;
    expect(asLearnt(ensemble, undefined)).toBe(ensemble);
  });
  test('softer plants are easier to kill and want less heat under a sheet', () => {
    const v = shifted(NO_VARIATION, { ...none, hardiness_c: { mean: 2, left: 0.5 } });
    expect(v.hardiness_c).toBe(2);
    expect(v.killOdds).toBeGreaterThan(1);
    expect(v.coverHeat).toBeLessThan(1);
  });
});

describe('coming up', () => {
  const result = (coverId: string, wayId: string, y: number): TraitResult => ({
    coverId,
    kind: wayKey(wayId),
    y,
    variance: 0.01,
    ago_y: 0,
  });
  const thin = ['a', 'b', 'c'].map((id) => ({ emergence: result(id, 'surface', -0.5) }));
  const full = ['d', 'e', 'f'].map((id) => ({ emergence: result(id, 'furrow', 0.2) }));
  test('is learnt by the way of sowing, and leans on what the garden shows in all', () => {
    const { lessons, shifts } = learnFrom([...thin, ...full]);
    const at = (id: string) => shifts[id]!.emergence.mean;
    expect(at(wayKey('surface'))).toBeLessThan(-0.15);
    expect(at(wayKey('furrow'))).toBeGreaterThan(at(''));
    expect(at('')).toBeLessThan(at(wayKey('furrow')));
    expect(lessons.filter((l) => l.trait === 'emergence').map((l) => l.kind)).toEqual([
      null,
      'way furrow',
      'way surface',
    ]);
  });
  test('holds of a kind as it is sown: the way for coming up, the kind for all else', () => {
    const trait = (mean: number) => ({ mean, left: 0.5 });
    const all = (n: number) => ({
      stageRate: trait(n),
      growth: trait(n),
      emergence: trait(n),
      hardiness_c: trait(n),
    });
    const shifts = { '': all(1), rye: all(2), [wayKey('surface')]: all(3) };
    expect(shiftFor(shifts, 'rye', 'surface')).toEqual({ ...all(2), emergence: trait(3) });
    expect(shiftFor(shifts, 'rye', 'raked')).toEqual(all(2));
    expect(shiftFor(shifts, 'oats', 'surface')).toEqual({ ...all(1), emergence: trait(3) });
    expect(shiftFor(undefined, 'rye', 'surface')).toBeUndefined();
    expect(shiftFor({}, 'rye', 'surface')).toBeUndefined();
    expect([wayOfKey(wayKey('raked')), wayOfKey('rye')]).toEqual(['raked', undefined]);
  });
  test('of covers with looks it goes by the way in which they were sown', () => {
    const k = lookedAt(0, 'crimson-clover', 1);
    const sown = { ...k.asked, looks: [], way: findWay('surface')! };
    // Counted at two thirds of what the book brings up.
    const book = standOf(sown)
      .soFar.courses.map((c) => c.plants_m2[0]!)
      .sort((x, y) => x - y);
    const count = { plants: Math.round((book[75]! * 8) / 3), area_m2: 4 };
    const seen = [25, 30, 35].map((d): LookSeen => ({
      day: k.asked.sowDay + d,
      members: [{ index: 0, count }],
    }));
    const counted = { ...sown, looks: seen };
    expect(resultsOf({ ...k, asked: counted }).emergence?.kind).toBe(wayKey('surface'));
    expect(resultsOf(k).stageRate?.kind).toBe('crimson-clover');
  });
});
