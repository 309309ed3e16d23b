import { describe, expect, test } from '@jest/globals';
import { type EndingAnswer, type WeekAway } from '../plan/answers.ts';
import { hang, rankOne, rankSamples } from './rank.ts';
import { type Sample } from './sample.ts';
import { inTurn } from './turn.ts';

const spread = (mid: number) => ({ low: mid, mid, high: mid });
const ending = (method: string, serves: Record<string, number>, inTime = 1): EndingAnswer =>
  ({
    method,
    startDay: 100,
    windowDays: [95, 105],
    odds: { inTime, warm: inTime, dead: 1, noSeed: 1 },
    serves: { hold: 0, flowers: 0, loosen: 0, ease: 1, ...serves },
    minutesPer100m2: 0,
    keeps: 1,
    idle_d: 0,
    gap_d: 200,
    held: spread(serves.hold ?? 0),
    flowerDays: spread(10),
    bareDays: spread(5),
  }) as unknown as EndingAnswer;
const week: WeekAway = {
  days: 7,
  startDay: 107,
  inTime: 0.8,
  served: 0,
  nitrogen_g_m2: 0,
  residue_g_m2: 0,
  flowerDays: 0,
  weedsHeld: 0,
};
function sample(id: string, endings: EndingAnswer[], more: Partial<Sample> = {}): Sample {
  return {
    id,
    name: id,
    lead: id,
    parts: [{ speciesId: id, share: 1 }],
    sowDay: 0,
    seed_g_m2: [1],
    endings,
    best: endings[0],
    usable: endings.map((e) => e.method),
    fixed: false,
    factors: [],
    reasons: [],
    changes: [],
    weeks: [week],
    years: 200,
    stand: { stand: 1, coverByDay: [1] },
    first: undefined,
    ...more,
  } as unknown as Sample;
}
const hold = [{ id: 'hold', strands: 3 }];
const bulk = [{ id: 'bulk', strands: 3 }];

describe('rank', () => {
  const two = sample('rye', [
    ending('cut', { hold: 0.9, bulk: 0.2 }),
    ending('crimp', { hold: 0.6, bulk: 0.8 }),
  ]);
  test('other aims pick another way out of the same sample; what was said of a week belongs to the first', () => {
    expect(rankOne(two, hold).sample).toBe(two);
    const other = rankOne(two, bulk).sample;
    expect([other.best!.method, other.weeks]).toEqual(['crimp', []]);
  });
  test('what frost is to end is not cut dead: the way counts with what is known of a cover ended so', () => {
    const known = { code: 'spring-kind' as const, times: 0.5, facts: {} };
    const cut = { ...ending('cut', { hold: 0.6 }), keeps: 0.5 };
    const radish = sample('radish', [cut, ending('winterkill', { hold: 0.5 })], { factors: [known] });
    const ranked = rankOne(radish, hold);
    expect(ranked.sample.best!.method).toBe('winterkill');
    const sure = sample('radish', [ending('winterkill', { hold: 0.5 })]);
    expect(ranked.fit).toBeCloseTo(rankOne(sure, hold).fit, 9);
  });
  test('a way the gardener fixed stays', () => {
    expect(rankOne({ ...two, fixed: true }, bulk).sample.best!.method).toBe('cut');
  });
  test('worth times the odds of a stand times what is known; no way at all comes last', () => {
    const even = rankOne(two, hold).fit;
    const thin = rankOne({ ...two, stand: { ...two.stand, stand: 0 } }, hold).fit;
    expect(thin).toBeCloseTo(even * 0.3, 9);
    const poor = { ...two, factors: [{ code: 'sod' as const, times: 0.4, facts: {} }] };
    expect(rankOne(poor, hold).fit).toBeCloseTo(even * 0.4, 9);
    expect(rankOne({ ...two, usable: [] }, hold).fit).toBe(-1);
  });
  test('what takes from the bed is not made better by a poor stand', () => {
    const takes = sample('rape', [ending('cut', { hold: -0.5 })], { stand: { stand: 0.1 } as never });
    const sure = sample('rape', [ending('cut', { hold: -0.5 })]);
    expect(rankOne(takes, hold).fit).toBeCloseTo(rankOne(sure, hold).fit, 9);
  });
  test('fits equal, the order is that of the names: always the same', () => {
    const ids = rankSamples(
      ['c', 'a', 'b'].map((id) => sample(id, [ending('cut', { hold: 0.5 })])),
      hold,
    );
    expect(ids.map((r) => r.sample.id)).toEqual(['a', 'b', 'c']);
  });
});

describe('late by days', () => {
  const late = (days: number, odds = 0.9) =>
    sample('vetch', [ending('crimp', { hold: 0.9 }, 0.1), ending('cut', { hold: 0.9 }, 0.1)], {
      changes: [{ kind: 'plant-later', days, odds, method: 'cut', startDay: 112, serves: { hold: 0.9 } }],
    });
  test('it hangs by the later day with the way that then ends it, for less the later', () => {
    const [near, far] = [rankOne(late(6), hold), rankOne(late(20), hold)];
    expect([near.late, near.sample.best!.method, near.sample.weeks]).toEqual([true, 'cut', []]);
    // On the day that belongs to the later planting, not on the one that failed.
    expect([near.sample.best!.startDay, near.sample.best!.windowDays]).toEqual([112, [112, 112]]);
    expect(near.fit).toBeGreaterThan(far.fit);
    // 0.9 served at 0.9 odds (a twentieth kept), 0.018 for being dead, times 0.82 less 0.012 a day.
    expect(near.fit).toBeCloseTo((0.9 * 0.905 + 0.02 * 0.9) * (0.82 - 0.072), 6);
  });
  test('not by more than 24 days, and not what is in time in half of the years', () => {
    expect(rankOne(late(25), hold).late).toBe(false);
    expect(rankOne(late(24), hold).late).toBe(true);
    const half = {
      ...late(6),
      best: undefined,
      endings: [ending('cut', { hold: 0.9 }, 0.5)],
      usable: ['cut'],
    };
    expect(rankOne(half, hold).late).toBe(false);
  });
  test('what is ready in time stands before what hangs late, however good that is', () => {
    const weak = sample('oats', [ending('cut', { hold: 0.2 })]);
    const heads = hang(rankSamples([late(3), weak], hold));
    expect(heads.map((h) => [h.sample.id, h.late])).toEqual([
      ['oats', false],
      ['vetch', true],
    ]);
  });
  test('what is ready in time because next to nothing grew is not put first', () => {
    const nothing = sample('radish', [ending('sheet', { hold: 0.03 })]);
    expect(hang(rankSamples([late(3), nothing], hold)).map((h) => h.sample.id)).toEqual(['vetch', 'radish']);
  });
  test('in a poor gap it is, when it is worth half of what leads there', () => {
    const order = (ofLate: number, inTime: number) =>
      hang([
        { sample: late(3), fit: ofLate, late: true },
        { sample: sample('oats', [ending('cut', { hold: 0.1 })]), fit: inTime, late: false },
      ])[0]!.sample.id;
    expect([order(0.12, 0.061), order(0.12, 0.059)]).toEqual(['oats', 'vetch']);
    // Where things are worth more, what covers the ground is enough; and nothing is half of nothing.
    expect([order(0.5, 0.081), order(0.5, 0.079), order(-0.1, -0.2)]).toEqual(['oats', 'vetch', 'vetch']);
  });
  test('nor is what is in time in one year of six: where nothing is, the way out stands first', () => {
    const seldom = sample('wheat', [ending('winterkill', { hold: 0.9 }, 0.17)]);
    expect(hang(rankSamples([late(3), seldom], hold)).map((h) => h.sample.id)).toEqual(['vetch', 'wheat']);
  });
});

describe('alike', () => {
  test('same lead and same way stand behind the best; another way or another lead is another answer', () => {
    const of = (id: string, lead: string, method: string, h: number) =>
      sample(id, [ending(method, { hold: h })], { lead });
    const heads = hang(
      rankSamples(
        [
          of('rye-vetch', 'rye', 'crimp', 0.7),
          of('rye', 'rye', 'crimp', 0.8),
          of('rye-sheet', 'rye', 'sheet', 0.6),
          of('oats', 'oats', 'crimp', 0.5),
        ],
        hold,
      ),
    );
    expect(heads.map((h) => [h.sample.id, h.behind.map((b) => b.sample.id)])).toEqual([
      ['rye', ['rye-vetch']],
      ['rye-sheet', []],
      ['oats', []],
    ]);
  });
});

describe('two in turn', () => {
  const first = sample('buckwheat', [ending('cut', { hold: 0.6, flowers: 0.7, loosen: 0.5 }, 0.8)]);
  const second = sample('rye', [ending('crimp', { hold: 0.9, flowers: 0.6, loosen: 0.3, feed: 0.2 }, 0.5)], {
    sowDay: 50,
  });
  const input = { gap: { freeDay: 0, plantDay: 200 } } as never;
  const both = inTurn({ id: 'b-then-r', name: 'B, then rye', members: [] }, first, second, input);
  test('both must come off; ground held counts by their days, bloom adds up, roots are the better of both', () => {
    const e = both.best!;
    expect([e.odds.inTime, e.odds.warm]).toEqual([0.4, 0.4]);
    expect(e.serves.hold).toBeCloseTo(0.25 * 0.6 + 0.75 * 0.9, 9);
    expect([e.serves.flowers, e.serves.loosen, e.serves.feed]).toEqual([1, 0.5, 0.2]);
    expect([e.flowerDays.mid, e.bareDays.mid]).toEqual([20, 10]);
    expect(both.weeks.map((w) => w.inTime)).toEqual([expect.closeTo(0.64, 9)]);
    expect([both.first!.id, both.id]).toEqual(['buckwheat', 'b-then-r']);
  });
  test('where the first cannot be ended, nothing is ready', () => {
    const none = inTurn({ id: 'x', name: 'x', members: [] }, { ...first, best: undefined }, second, input);
    expect([none.best!.odds.inTime, none.first]).toEqual([0, undefined]);
  });
});
