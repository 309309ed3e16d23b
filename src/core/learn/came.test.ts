import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from '../../records/files/gardenFile.ts';
import { findWay, speciesOf } from '../../catalogue/catalogue.ts';
import { liveShare } from '../seed/weight.ts';
import { weightsOf } from '../../questions/weights.ts';
import { livedThrough, lookedAt } from '../../questions/learn.ts';
import { dayOf, monthOf } from '../calendar/day.ts';
import { cameOf as cameIn, dayBetween, type LivedThrough } from './came.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const garden = read.value;
const TODAY = '2027-04-13';
/** Fewer years than the notebook asks for are enough to tell one cause from another. */
const cameOf = (lived: LivedThrough) => cameIn(lived, 24);

describe('a day between two looks', () => {
  const has = (l: { day: number; stage?: string }) => (l.stage ? l.stage === 'flower' : undefined);
  const looks = (...l: [number, string?][]) => l.map(([day, stage]) => ({ day, stage })) as never;
  test('lies in the middle of the last without and the first with', () =>
    expect(dayBetween(looks([10, 'leafy'], [20, 'bud'], [30, 'flower'], [40, 'flower']), has as never)).toBe(
      25,
    ));
  test('is not told by looks too far apart, by one side alone, or by looks that say nothing of it', () => {
    expect(dayBetween(looks([10, 'leafy'], [60, 'flower']), has as never)).toBeUndefined();
    expect(dayBetween(looks([30, 'flower']), has as never)).toBeUndefined();
    expect(dayBetween(looks([10, 'leafy'], [20, 'bud']), has as never)).toBeUndefined();
    expect(dayBetween(looks([10, 'leafy'], [20], [30, 'flower']), has as never)).toBe(20);
  });
});

describe('what came of a cover', () => {
  const ended = garden.covers.find((c) => c.id === 'north-shore-cover-3-2024-08')!;
  const lived = livedThrough(garden, ended, TODAY)!;
  test('the causes add up to the whole difference', () => {
    const came = cameOf(lived);
    expect(came.length).toBeGreaterThan(0);
    for (const c of came) {
      const { rate, age, way, date, warmth, rain, rest } = c.causes;
      expect(c.expected.mid + rate + age + way + date + warmth + rain + rest).toBeCloseTo(c.seen, 6);
      expect(c.expected.low).toBeLessThanOrEqual(c.expected.mid);
    }
  });
  test('sown as planned, the date is no cause; planned three weeks sooner, it is, and costs bulk', () => {
    expect(cameOf(lived).find((c) => c.what === 'bulk')!.causes.date).toBeCloseTo(0, 6);
    const late = cameOf({ ...lived, plannedSowDay: lived.plannedSowDay - 21 }).find(
      (c) => c.what === 'bulk',
    )!;
    expect(late.causes.date).toBeLessThan(-10);
  });
  test('sown in the way that was planned, the way is no cause; planned to be raked in and left on top, it is, and of nothing else', () => {
    const bulk = (of: typeof lived) => cameOf(of).find((c) => c.what === 'bulk')!;
    expect(bulk(lived).causes.way).toBe(0);
    expect(bulk({ ...lived, plannedWay: lived.asked.way }).causes.way).toBe(0);
    const onTop = { ...lived, asked: { ...lived.asked, way: findWay('surface')! } };
    const [asPlanned, otherwise] = [bulk(onTop), bulk({ ...onTop, plannedWay: findWay('raked')! })];
    expect(otherwise.causes.way).toBeLessThan(-5);
    expect(otherwise.causes.way).toBeCloseTo(
      asPlanned.expected.mid +
        asPlanned.causes.rate +
        asPlanned.causes.age -
        (otherwise.expected.mid + otherwise.causes.rate + otherwise.causes.age),
      6,
    );
    expect(otherwise.causes.date).toBeCloseTo(asPlanned.causes.date, 9);
    expect(otherwise.causes.rain).toBeCloseTo(asPlanned.causes.rain, 9);
  });
  test('a cover that was sown otherwise than planned is asked of with both ways, its seed as it was planned for the first', () => {
    const other = livedThrough(garden, { ...ended, wayId: 'surface', plannedWayId: 'raked' }, TODAY)!;
    expect([other.plannedWay!.id, other.asked.way.id]).toEqual(['raked', 'surface']);
    expect(other.plannedSeed_g_m2).toEqual(
      livedThrough(garden, { ...ended, wayId: 'raked' }, TODAY)!.plannedSeed_g_m2,
    );
    expect(livedThrough(garden, ended, TODAY)!.plannedWay).toBeUndefined();
  });
  test('thrown as planned, the seed is no cause; half of what was planned costs bulk and nothing of the date', () => {
    const planned = { ...lived, plannedSeed_g_m2: lived.asked.seed_g_m2 };
    const bulk = (of: typeof lived) => cameOf(of).find((c) => c.what === 'bulk')!;
    expect(bulk(planned).causes.rate).toBe(0);
    const half = bulk({ ...planned, plannedSeed_g_m2: lived.asked.seed_g_m2.map((g) => g * 2) });
    expect(half.causes.rate).toBeLessThan(-1);
    expect(half.causes.date).toBe(bulk(planned).causes.date);
    expect(half.causes.warmth).toBe(bulk(planned).causes.warmth);
    expect(half.causes.rain).toBe(bulk(planned).causes.rain);
  });
  test('what was planned is the weight that the scale asked for, whatever was thrown', () => {
    const bed = garden.beds.find((b) => b.id === ended.bedId)!;
    const thrown = { ...ended, seed: ended.seed.map((s) => ({ ...s, used_g: 1 })) };
    const none = { ...ended, seed: ended.seed.map((s) => ({ ...s, used_g: null })) };
    const other = livedThrough(garden, thrown, TODAY)!;
    expect(other.plannedSeed_g_m2).toEqual(livedThrough(garden, none, TODAY)!.asked.seed_g_m2);
    expect(other.asked.seed_g_m2[0]).toBeCloseTo(
      liveShare(thrown.seed[0]!) / weightsOf(thrown, bed)[0]!.area_m2,
      9,
    );
  });
  test('seed of a lot that had aged is a cause; of a fresh lot, or where nobody knows the lot, it is none', () => {
    expect(cameOf(lived).find((c) => c.what === 'bulk')!.causes.age).toBe(0);
    const lot = { ...garden.lots[0]!, id: 'old', speciesId: ended.parts[0]!.speciesId };
    const from = (sprouted: number) => {
      const lots = [{ ...lot, test: { sown: 100, sprouted, on: ended.sownOn! } }];
      const sown = { ...ended, seed: ended.seed.map((s) => ({ ...s, lotId: 'old' })) };
      return livedThrough({ ...garden, lots }, sown, TODAY)!;
    };
    const reckoned = ended.seed[0]!.germination;
    expect(from(30).wokeSeed_g_m2[0]! / lived.asked.seed_g_m2[0]!).toBeCloseTo(0.3 / reckoned, 9);
    const old = cameOf(from(30)).find((c) => c.what === 'bulk')!;
    expect(old.causes.age).toBeLessThan(-1);
    expect(old.causes.rate).toBe(cameOf(lived).find((c) => c.what === 'bulk')!.causes.rate);
    expect(cameOf(from(Math.round(reckoned * 100))).find((c) => c.what === 'bulk')!.causes.age).toBeCloseTo(
      0,
      6,
    );
  });
  describe('the weather that came', () => {
    /** Days on every one of which it was so much warmer than the usual of the month, with so much rain. */
    const days = (from: string, until: string, warmer_c: number, rain: (usual_mm: number) => number) => {
      const { tmin_c, tmax_c, rain_mm } = lived.asked.site;
      const out: [number, number, number, number][] = [];
      for (let day = dayOf(from); day <= dayOf(until); day++) {
        const m = monthOf(day);
        out.push([day, tmin_c[m]! + warmer_c, tmax_c[m]! + warmer_c, rain(rain_mm[m]! / 30.4)]);
      }
      return out;
    };
    const looks = [
      { day: dayOf('2024-09-20'), emergence: 'even' as const, cover: 0.3, members: [] },
      { day: dayOf('2024-10-10'), cover: 0.9, weeds: 'many' as const, members: [] },
    ];
    const came = (observed: ReturnType<typeof days>) =>
      cameOf({ ...lived, asked: { ...lived.asked, observed, ahead: [], looks } });
    const through = (warmer_c: number, rain: (usual_mm: number) => number) =>
      came(days('2024-06-01', '2025-05-30', warmer_c, rain));
    test('nobody measured it: it is no cause, and is told as usual', () => {
      for (const c of came([])) {
        expect([c.causes.warmth, c.causes.rain]).toEqual([0, 0]);
        expect(c.weather).toEqual({ warmer_c: 0, rainTimes: 1 });
      }
    });
    test('warmth and rain are told apart, each with its size against the usual', () => {
      const cold = through(-4, (mm) => mm).find((c) => c.what === 'closed')!;
      expect(cold.weather.warmer_c).toBeCloseTo(-4, 0);
      // Later in the cold, and by the cold.
      expect(cold.causes.warmth).toBeGreaterThan(3);
      expect(Math.abs(cold.causes.rain)).toBeLessThan(cold.causes.warmth);
      const dry = through(0, () => 0).find((c) => c.what === 'bulk')!;
      expect(dry.weather.rainTimes).toBe(0);
      expect(dry.causes.rain).toBeLessThan(-10);
      expect(Math.abs(dry.causes.warmth)).toBeLessThan(-dry.causes.rain);
    });
    test('ground closed lies between the looks; weeds go by what the last look called them', () => {
      const all = came([]);
      expect(all.find((c) => c.what === 'closed')!.seen).toBe(dayOf('2024-09-30'));
      const weeds = all.find((c) => c.what === 'weeds')!;
      expect(weeds.seen).toBeCloseTo(0.7, 9);
      expect(weeds.expected.low).toBeGreaterThanOrEqual(0);
      expect(weeds.expected.high).toBeLessThanOrEqual(1);
      const later = { day: dayOf('2024-10-20'), weeds: 'few' as const, members: [] };
      const few = cameOf({ ...lived, asked: { ...lived.asked, observed: [], looks: [later, ...looks] } });
      expect(few.find((c) => c.what === 'weeds')!.seen).toBeCloseTo(0.1, 9);
      // Each run is read by itself: two that differ in nothing come to the same.
      expect(weeds.causes.warmth).toBe(0);
    });
  });
  test('in a mix the kind that leads tells when it flowered', () => {
    const { asked } = lived;
    const looked = (stage: 'bud' | 'flower', on: string) => ({ day: dayOf(on), stage, members: [] });
    const looks = [looked('bud', '2025-05-10'), looked('flower', '2025-05-24')];
    const flower = (members: typeof asked.members) => {
      const seed = members.map(() => asked.seed_g_m2[0]!);
      const mixed = { ...asked, looks, members, seed_g_m2: seed };
      const question = { ...lived, asked: mixed, plannedSeed_g_m2: seed, wokeSeed_g_m2: seed };
      return cameOf(question).find((c) => c.what === 'flower')!;
    };
    const [vetch] = asked.members;
    const alone = flower([vetch!]);
    expect(alone.seen).toBe(dayOf('2025-05-17'));
    const mixed = flower([
      { ...vetch!, share: 0.6 },
      { species: speciesOf('cereal-rye'), share: 0.4 },
    ]);
    expect(mixed.seen).toBe(alone.seen);
    expect(Math.abs(mixed.expected.mid - alone.expected.mid)).toBeLessThan(6);
  });
  test('what still stands has not come to anything yet, and what nobody looked at is no question', () => {
    const stands = garden.covers.find((c) => c.sownOn && c.passes.every((p) => !p.doneOn) && !c.endedOn)!;
    expect(livedThrough(garden, stands, TODAY)).toBeUndefined();
    expect(livedThrough({ ...garden, looks: [] }, ended, TODAY)).toBeUndefined();
  });
  test('covers are read again by the book, with the weather until their end and no look after it', () => {
    const all = lookedAt(
      { ...garden, garden: { ...garden.garden, learnt: { on: TODAY, covers: 3, shifts: {} } } },
      TODAY,
      10,
    );
    expect(all.length).toBeGreaterThan(20);
    for (const l of all) {
      expect(l.asked.learnt).toBeUndefined();
      expect(l.asked.lived).toBeUndefined();
      for (const look of l.asked.looks) expect(look.day).toBeLessThanOrEqual(l.asked.today);
      for (const [day] of l.asked.observed ?? []) expect(day).toBeLessThanOrEqual(l.asked.today);
      expect(l.asked.today).toBeLessThanOrEqual(dayOf(TODAY));
    }
  });
});
