import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods, mixes } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { type ChooseInput } from './input.ts';
import { gapEnsemble, sampleFor } from './choose.ts';
import { chooseAll } from './rounds.ts';
import { rankSamples } from './rank.ts';
import { effective, weighByLooks } from '../plan/weigh.ts';
import { growPlan } from '../plan/grown.ts';
import { answerStand } from '../plan/standAnswer.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeEnsemble } from '../stand/ensemble.ts';

const maritime = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const raked = findWay('raked')!;
const loam = { texture: 'loam', fertility: 'fair' } as const;
const squash = { ...crops.find((c) => c.id === 'winter-squash')!, way: 'transplant' as const };

describe('choice and looks', () => {
  const input: ChooseInput = {
    site: maritime,
    soil: loam,
    way: raked,
    watered: true,
    gap: { freeDay: dayOf('2026-09-08'), plantDay: dayOf('2027-05-20'), next: squash },
    candidates: [
      ...mixes.slice(0, 1).map((m) => ({ id: m.id, name: m.name, members: membersOf(m.members) })),
      { id: 'cereal-rye', name: 'Rye', members: membersOf([{ speciesId: 'cereal-rye', share: 1 }]) },
      { id: 'cowpea', name: 'Cowpea', members: membersOf([{ speciesId: 'cowpea', share: 1 }]) },
    ],
    methods: methods.map((m) => ({
      id: m.id,
      passes: m.passes,
      minutesPer100m2: 50,
      missing: m.id === 'dig' ? ['spade'] : [],
    })),
    aims: [{ id: 'feed', strands: 3 }],
    bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
    keepsSafe: [],
    hazards: {},
    years: 20,
  };
  const samples = chooseAll(input);
  test('in an autumn gap rye stands and cowpea does not; what needs a missing tool is not put forward', () => {
    const by = (id: string) => samples.find((s) => s.id === id)!;
    expect(by('cereal-rye').stand.stand).toBeGreaterThan(0.9);
    expect(by('cowpea').stand.stand).toBeLessThan(0.4);
    for (const s of samples) expect(s.best?.method).not.toBe('dig');
    expect(by('cereal-rye').reasons.length).toBeGreaterThan(1);
  });
  test('a week earlier and a week later are told of the way that is put forward, and only once a cover is settled', () => {
    const candidate = input.candidates.find((c) => c.id === 'rye-vetch')!;
    const ensemble = gapEnsemble(input);
    const { best, weeks } = sampleFor(candidate, input, ensemble);
    expect(best!.method).not.toBe(input.methods[0]!.id);
    expect(weeks.map((w) => [w.days, w.startDay - best!.startDay])).toEqual([
      [-7, -7],
      [7, 7],
    ]);
    for (const w of weeks) {
      const then = sampleFor({ ...candidate, method: best!.method, endDay: w.startDay }, input, ensemble);
      expect([then.best!.odds.inTime, then.best!.method]).toEqual([w.inTime, best!.method]);
    }
    expect(sampleFor(candidate, input, ensemble, new Map(), { years: 10 }).weeks).toEqual([]);
  });
  test('a change of aims reorders without computing again', () => {
    const feed = rankSamples(samples, [{ id: 'feed', strands: 3 }]);
    expect(feed[0]!.sample.id).toBe('rye-vetch');
    expect(rankSamples(samples, []).map((r) => r.sample)).toHaveLength(3);
  });
  test('a look at flowering narrows the forecast of flowering and moves it towards what was seen', () => {
    const members = membersOf([{ speciesId: 'hairy-vetch', share: 1 }]);
    const ensemble = makeEnsemble(maritime, dayOf('2026-09-10'), 300, 80, 21);
    const grown = growPlan(
      {
        members,
        seed_g_m2: [4],
        way: raked,
        soil: loam,
        watered: true,
        sownAt: 0,
        plantAt: 270,
        next: squash,
      },
      ensemble,
    );
    const before = answerStand(grown, undefined).stages[0]!.flower;
    const bloom = (y: number) => grown.courses[y]!.stage.findIndex((x) => x >= 3);
    const truth = grown.courses
      .map((_, y) => y)
      .filter((y) => bloom(y) > 0)
      .sort((p, q) => bloom(p) - bloom(q))[3]!;
    const d = bloom(truth) - 12;
    const seen = grown.courses[truth]!;
    const weights = weighByLooks(grown, [
      { day: ensemble.fromDay + d, stage: 'bud', cover: seen.cover[d]!, height_m: seen.height_m[d]! },
    ]);
    const after = answerStand({ ...grown, weights }, undefined).stages[0]!.flower;
    expect(weights.reduce((s, w) => s + w, 0)).toBeCloseTo(1, 9);
    expect(effective(weights)).toBeGreaterThan(9);
    expect(after.high - after.low).toBeLessThan(before.high - before.low);
    expect(after.mid).toBeLessThan(before.mid);
  });
});
