import { describe, expect, test } from '@jest/globals';
import { climates, crops, findCrop, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { type ForecastInput } from '../plan/standing.ts';
import { forecastCover } from '../forecast/forecast.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { depthOf_m, plantsFor, rawManureWait_d, startPlants, strawToAdd_l } from './onTheDay.ts';
import { plantBack, type PlantBackInput } from './plantBack.ts';
import { takenUp } from './uptake.ts';

const YEARS = 24;
interface Case {
  cover: string[];
  sown: string;
  plant: string;
  crop: string;
  way: 'transplant' | 'seed';
  method: string;
  start: string;
  climate?: string;
}
function inputOf(c: Case, more: Partial<PlantBackInput> = {}, years = YEARS): PlantBackInput {
  const crop = findCrop(c.crop)!;
  const forecast: ForecastInput = {
    site: siteFromPattern(climates.find((k) => k.id === (c.climate ?? 'humid-continental'))!),
    soil: { texture: 'loam', fertility: 'fair' },
    way: findWay('raked')!,
    watered: true,
    members: membersOf(c.cover.map((speciesId) => ({ speciesId, share: 1 / c.cover.length }))),
    seed_g_m2: c.cover.map(() => 12 / c.cover.length),
    sowDay: dayOf(c.sown),
    plantDay: dayOf(c.plant),
    next: { ...crop, way: c.way },
    methods: methods.map((m) => ({ ...m, minutesPer100m2: 60, missing: [], sheetCap_d: 120 })),
    looks: [],
    today: dayOf(c.start),
    settled: { method: c.method, startDay: dayOf(c.start) },
    years,
  };
  return {
    forecast,
    ending: { method: c.method, startDay: dayOf(c.start) },
    uptake: crop.uptake,
    instead: [],
    ...more,
  };
}
const ask = (c: Case, more: Partial<PlantBackInput> = {}, years = YEARS) =>
  plantBack(inputOf(c, more, years));

const vetchDug: Case = {
  cover: ['hairy-vetch'],
  sown: '2026-09-01',
  plant: '2027-06-05',
  crop: 'cabbage',
  way: 'transplant',
  method: 'dig',
  start: '2027-05-15',
};
const ryeThenCarrot: Case = {
  cover: ['cereal-rye'],
  sown: '2026-09-10',
  plant: '2027-06-25',
  crop: 'carrot',
  way: 'seed',
  method: 'cut',
  start: '2027-06-01',
};

describe('planting back', () => {
  test.each([vetchDug, ryeThenCarrot])(
    '$crop after $cover is ready on the day every other screen says',
    (c) => {
      const answer = ask(c);
      const { settled } = forecastCover(inputOf(c).forecast);
      expect(answer.ending.ready).toEqual(settled!.ready);
      expect(answer.ready).toEqual(settled!.plantable);
      expect(answer.odds).toBeCloseTo(settled!.odds.warm, 9);
    },
  );
  test('the strand that runs out last ends on the ready day, and none ends after it', () => {
    for (const c of [vetchDug, ryeThenCarrot]) {
      const a = ask(c);
      // Nitrogen may be back later: a crop is fed.
      const ends = a.strands.filter((s) => s.id !== 'nitrogen').map((s) => s.over.mid);
      expect(Math.max(...ends)).toBe(a.ready.mid);
      expect(a.strands.reduce((sum, s) => sum + s.holdsBack, 0)).toBeCloseTo(1, 9);
    }
  });
  test('the wait that is shown is the wait that is computed, for every way of ending and both ways of planting', () => {
    for (const m of methods)
      for (const way of ['seed', 'transplant'] as const) {
        const a = ask({ ...ryeThenCarrot, crop: 'kale', way, method: m.id, start: '2027-06-05' }, {}, 3);
        if (!Number.isFinite(a.ending.wait_d20)) continue;
        const { flat, pests, rots, check } = a.waits_d20;
        const shown = Math.max(flat, pests, rots, check);
        expect([m.id, way, Math.abs(shown - a.ending.wait_d20) < 0.35]).toEqual([m.id, way, true]);
      }
  });
  test('carrots wait for what rye gives off and for it to rot, transplanted cabbage for neither of it as seed does', () => {
    const carrot = ask(ryeThenCarrot);
    expect(carrot.strands.map((s) => s.id)).toEqual([
      'dead',
      'flat',
      'pests',
      'rots',
      'check',
      'nitrogen',
      'warm',
    ]);
    expect([carrot.waits_d20.flat, carrot.waits_d20.pests]).toEqual([4, 10]);
    expect(carrot.waits_d20.check).toBe(21);
    expect(carrot.waits_d20.rots).toBeGreaterThanOrEqual(carrot.waits_d20.check);
    const plants = ask({ ...ryeThenCarrot, crop: 'cabbage', way: 'transplant' });
    expect(plants.strands.map((s) => s.id)).toEqual(['dead', 'flat', 'nitrogen', 'warm']);
    expect(plants.waits_d20).toEqual({ flat: 4, pests: 0, rots: 0, check: 0 });
    expect(plants.ready.mid).toBeLessThan(carrot.ready.mid - 10);
  });
  test('the check on small seed fades from all to nothing by the day its strand ends; nobody waits for nitrogen', () => {
    const { strands, ending } = ask(ryeThenCarrot);
    const check = strands.find((s) => s.id === 'check')!;
    const left = check.left!;
    expect(left[0]!.share).toBe(1);
    expect(left[0]!.day).toBeGreaterThanOrEqual(ending.startDay);
    left.slice(1).forEach((l, i) => expect(l.share).toBeLessThanOrEqual(left[i]!.share + 1e-9));
    // Half of it is gone about half way, and what is left when the strand ends in the middle of the years is little.
    const at = (day: number) => left.findLast((l) => l.day <= day)!.share;
    expect(at((left[0]!.day + check.over.mid) / 2)).toBeGreaterThan(0.3);
    expect(at((left[0]!.day + check.over.mid) / 2)).toBeLessThan(0.75);
    expect(at(check.over.mid)).toBeLessThan(0.15);
    expect(left.at(-1)!.share).toBe(0);
    const nitrogen = strands.find((s) => s.id === 'nitrogen')!;
    expect(nitrogen.holdsBack).toBe(0);
    expect(nitrogen.over.mid).toBeGreaterThan(ending.startDay + 14);
    // Soft vetch owes nothing that a crop would feel.
    expect(ask(vetchDug).strands.map((s) => s.id)).toEqual(['dead', 'rots', 'warm']);
  });
  test('beans meet the flies of green vetch for ten warm days, and frost-killed oats feed none', () => {
    const beans = ask({ ...vetchDug, crop: 'bush-bean', way: 'seed', plant: '2027-06-15' });
    expect(beans.waits_d20.pests).toBe(10);
    expect(beans.waits_d20.rots).toBeGreaterThan(10);
    const oats = ask({
      ...ryeThenCarrot,
      cover: ['spring-oats'],
      sown: '2026-08-15',
      method: 'winterkill',
      start: '2027-05-01',
      plant: '2027-05-10',
    });
    expect(oats.strands.map((s) => s.id)).not.toContain('pests');
  });
  test('weeds come through a mat of rye weeks after they would stand on bare ground; dug ground is bare', () => {
    const { weeds } = ask({ ...ryeThenCarrot, crop: 'winter-squash', way: 'transplant' });
    expect(weeds.bare.mid - dayOf('2027-06-25')).toBeGreaterThan(10);
    expect(weeds.bare.mid - dayOf('2027-06-25')).toBeLessThan(30);
    expect(weeds.through.mid).toBeGreaterThan(weeds.bare.mid + 7);
    const dug = ask(vetchDug).weeds;
    expect(dug.through).toEqual(dug.bare);
  });
  test('roots bring a fifth a day of what they reach: a hungry crop leaves some in the ground and is short all the same', () => {
    const { days, short_g_m2 } = ask({ ...ryeThenCarrot, crop: 'cabbage', way: 'transplant' }).feeding;
    expect(short_g_m2.mid).toBeGreaterThan(2);
    for (const d of days.slice(2).filter((k) => k.wants - k.gets.mid > 1)) {
      expect(d.inGround.mid).toBeGreaterThan(0.2);
      expect(d.gets.mid).toBeLessThan(d.wants);
    }
  });
  test('what is freed in autumn drains from sand before June: less is in the ground than was freed', () => {
    const input = inputOf({ ...vetchDug, climate: 'cool-maritime', sown: '2026-08-20', start: '2026-11-15' });
    const forecast = { ...input.forecast, soil: { texture: 'sand', fertility: 'lean' } as const };
    const [day] = plantBack({ ...input, forecast }).feeding.days;
    expect(day!.freed.mid).toBeGreaterThan(3);
    // With what lean soil frees by itself it would be well over twice as much.
    expect(day!.inGround.mid).toBeLessThan(day!.freed.mid * 1.7);
  });
  test('dug vetch feeds a cabbage grams before midsummer; rye left on top ties up and leaves carrots short', () => {
    const vetch = ask(vetchDug);
    const late = vetch.feeding.days.at(-1)!;
    expect(late.freed.mid).toBeGreaterThan(3);
    expect(vetch.feeding.tiedUp_g_m2.high).toBeLessThan(0.5);
    const rye = ask(ryeThenCarrot);
    expect(rye.feeding.days[4]!.freed.mid).toBeLessThan(-0.2);
    expect(rye.feeding.tiedUp_g_m2.mid).toBeGreaterThan(0.4);
    expect(rye.feeding.short_g_m2.mid).toBeGreaterThan(vetch.feeding.days.length > 0 ? 2 : 0);
  });
  test('roots of a legume feed the crop even where its tops are carried off; those of rye do not', () => {
    const late = (cover: string[]) =>
      ask({ ...vetchDug, cover, method: 'pull' }).feeding.days.at(-1)!.freed.mid;
    expect(late(['hairy-vetch'])).toBeGreaterThan(0.5);
    expect(late(['cereal-rye'])).toBe(0);
  });
  test('what a crop gets never passes what it wants, never falls, and what it lacks is the rest', () => {
    for (const c of [vetchDug, ryeThenCarrot]) {
      const { feeding } = ask(c);
      feeding.days.forEach((d, i) => {
        expect(d.gets.high).toBeLessThanOrEqual(d.wants + 1e-6);
        expect(d.gets.mid).toBeGreaterThanOrEqual(i > 0 ? feeding.days[i - 1]!.gets.mid - 1e-9 : 0);
        expect(d.inGround.low).toBeGreaterThanOrEqual(0);
      });
      const need = findCrop(c.crop)!;
      const total = need.uptake.total_g_m2 * (1 - need.fixesShare);
      expect(feeding.short_g_m2.mid).toBeCloseTo(total - feeding.days.at(-1)!.gets.mid, 0);
    }
  });
  test('a nitrogen-fixing crop asks the soil for its own share less', () => {
    const bean = ask({ ...vetchDug, crop: 'bush-bean', way: 'seed' });
    const u = findCrop('bush-bean')!;
    expect(bean.feeding.days.at(-1)!.wants).toBeCloseTo(u.uptake.total_g_m2 * (1 - u.fixesShare), 6);
    expect(bean.feeding.short_g_m2.mid).toBeLessThan(0.5);
  });
  test('nothing lies on top of a dug bed; a mat covers, cools, and shows gaps later than it is laid', () => {
    expect(ask(vetchDug)).toMatchObject({ lies_g_m2: { mid: 0 }, cooler_c: { mid: 0 } });
    const mat = ask({ ...ryeThenCarrot, crop: 'winter-squash', way: 'transplant' });
    expect(mat.lies_g_m2.mid).toBeGreaterThan(200);
    expect(mat.covers.mid).toBeGreaterThan(0.7);
    expect(mat.cooler_c.mid).toBeGreaterThan(0.8);
    expect(mat.cooler_c.mid).toBeLessThan(3);
    expect(mat.gapsOn.low).toBeGreaterThan(dayOf('2027-06-25'));
  });
  test('sooner: raking rye off saves carrots weeks, black film warms for squash, another crop goes in now', () => {
    const squash = findCrop('winter-squash')!;
    const carrot = ask(ryeThenCarrot, {
      instead: [{ ...crops.find((x) => x.id === 'lettuce')!, way: 'transplant' }],
    });
    const by = (a: typeof carrot, id: string) => a.remedies.find((r) => r.id === id);
    expect(by(carrot, 'rake-off')!.daysWon).toBeGreaterThan(10);
    expect(by(carrot, 'instead')).toMatchObject({ cropId: 'lettuce' });
    expect(by(carrot, 'instead')!.daysWon).toBeGreaterThan(10);
    // Cool ground: a strip helps, film more; nothing dug in has mulch to draw back.
    const cool = ask({
      ...ryeThenCarrot,
      crop: squash.id,
      way: 'transplant',
      climate: 'cool-maritime',
      start: '2027-05-25',
      plant: '2027-06-05',
    });
    expect(by(cool, 'draw-back')!.daysWon).toBeGreaterThan(0);
    expect(by(cool, 'black-film')!.daysWon).toBeGreaterThanOrEqual(by(cool, 'draw-back')!.daysWon);
    expect(by(ask(vetchDug), 'draw-back')).toBeUndefined();
  });
});

describe('on the day', () => {
  const cabbage = findCrop('cabbage')!;
  test('squash has taken a ninth of its nitrogen in four weeks and five eighths in eight', () => {
    const { uptake } = findCrop('winter-squash')!;
    expect(takenUp(uptake, 0)).toBe(0);
    expect(takenUp(uptake, 28)).toBeCloseTo(0.11, 2);
    expect(takenUp(uptake, 56)).toBeCloseTo(0.63, 2);
    expect(takenUp(uptake, 400)).toBe(1);
  });
  test('a bed of 1.2 by 8 m holds two rows of 17 cabbages; a bed of any shape goes by its area', () => {
    expect(plantsFor(cabbage.setOut, { area_m2: 9.6, width_m: 1.2, length_m: 8 })).toEqual({
      rows: 2,
      plants: 34,
    });
    expect(plantsFor(cabbage.setOut, { area_m2: 9.6, width_m: null, length_m: null })).toEqual({
      rows: null,
      plants: 42,
    });
    expect(plantsFor(cabbage.setOut, { area_m2: 0.02, width_m: 0.1, length_m: 0.2 }).plants).toBe(1);
  });
  test('a bed a hand short of another row or place still takes it, one that is shorter does not', () => {
    const set = { ...cabbage.setOut, row_m: 0.5, between_m: 0.6, perPlace: 2 };
    const at = (width_m: number, length_m: number) => plantsFor(set, { area_m2: 1, width_m, length_m });
    expect(at(1.15, 1.95)).toEqual({ rows: 2, plants: 16 });
    expect(at(1.13, 1.94)).toEqual({ rows: 1, plants: 6 });
    expect(at(0.3, 0.2)).toEqual({ rows: 1, plants: 2 });
    // By area alone: 3 m² at half by six tenths of a metre, two to a place.
    expect(plantsFor(set, { area_m2: 3, width_m: null, length_m: null }).plants).toBe(20);
  });
  test('cabbages set out on 5 June are sown five weeks before, three and a half at the latest; carrots are not raised', () => {
    expect(startPlants(cabbage.setOut, dayOf('2027-06-05'))).toEqual({
      usual: dayOf('2027-05-01'),
      last: dayOf('2027-05-11'),
    });
    expect(startPlants(findCrop('carrot')!.setOut, dayOf('2027-06-05'))).toBeNull();
  });
  test('raw manure waits 120 days for what touches the ground, 90 for what hangs above it', () => {
    expect(rawManureWait_d(findCrop('carrot')!.setOut)).toBe(120);
    expect(rawManureWait_d(findCrop('sweet-corn')!.setOut)).toBe(90);
  });
  test('300 g/m2 of settled mulch is a centimetre deep, and asks 55 litres of straw a square metre to hold weeds', () => {
    expect(depthOf_m(300)).toBeCloseTo(0.01, 9);
    expect(strawToAdd_l(300, 1)).toBeCloseTo(55, 6);
    expect(strawToAdd_l(2000, 1)).toBe(0);
  });
});
