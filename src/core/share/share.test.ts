import { beforeAll, describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from '../../records/files/gardenFile.ts';
import { type GardenContents } from '../../records/verbs/verbs.ts';
import { type Thing } from '../../records/things.ts';
import { shareInput } from '../../questions/share.ts';
import { dayOf } from '../calendar/day.ts';
import { isReliedOn } from '../known/ways.ts';
import { standOf } from '../plan/standing.ts';
import { freshly, optionOf } from './option.ts';
import { datedClashes, deal, neighbours, overlap, type Wanting } from './deal.ts';
import { shareOut } from './share.ts';
import { type ShareAnswer, type ShareThing, type Use } from './types.ts';

const YEARS = 12;

function garden(change: (c: GardenContents) => void = () => undefined): GardenContents {
  const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  const c = structuredClone(read.value);
  change(c);
  return c;
}
function shared(c: GardenContents, years = YEARS): ShareAnswer {
  let last: ShareAnswer | undefined;
  for (const part of shareOut(shareInput(c, c.garden.seasonClock!, years))) last = part;
  return last!;
}
const only = (c: GardenContents, ...ids: string[]) => {
  c.garden.things = c.garden.things.filter((t) => ids.includes(t.id));
};

describe('the question that all beds share', () => {
  test('steps after the first stand as far behind it as the plan has them, and where the plan is another way, as its way says', () => {
    const two = garden((c) => {
      const cover = c.covers.find((k) => k.id === 'north-shore-cover-9-2026-09')!;
      cover.method = 'cut-twice';
      cover.passes = [
        { kind: 'cut', due: '2027-05-03', doneOn: null },
        { kind: 'cut', due: '2027-05-20', doneOn: null },
      ];
    });
    const planned = (c: GardenContents) =>
      shareInput(c, c.garden.seasonClock!, 4).covers.find((k) => k.bed === '9')!.plan!;
    expect(planned(two).after_d).toEqual([0, 17]);
    const other = structuredClone(two);
    other.covers.find((k) => k.id === 'north-shore-cover-9-2026-09')!.passes[1]!.kind = 'dig';
    expect(planned(other).after_d).toEqual([0, 10]);
  });
});

test('a step that was done counts on the day it was done, one to come on the day it is due', () => {
  const c = garden((g) => {
    const cover = g.covers.find((k) => k.id === 'north-shore-cover-9-2026-09')!;
    cover.passes = [
      { kind: 'cut', due: '2027-04-01', doneOn: '2027-04-09' },
      { kind: 'cut', due: '2027-04-20', doneOn: null },
    ];
  });
  const { passes } = shareInput(c, c.garden.seasonClock!, 4).covers.find((k) => k.bed === '9')!;
  expect(passes.map((p) => [p.day, p.done])).toEqual([
    [dayOf('2027-04-09'), true],
    [dayOf('2027-04-20'), false],
  ]);
});

describe('dealing out', () => {
  const want = (coverId: string, from: number, to: number[], begun = false): Use => ({
    coverId,
    of: 'opaque-sheet',
    from,
    to: Float64Array.from(to),
    begun,
  });
  const wanting = (id: string, order: number, u: Use, thingIds: string[] = []): [string, Wanting] => [
    id,
    {
      cover: { id, bed: id, box: { width_m: 1.2, length_m: 8 }, block: 'A', order, thingIds },
      uses: [u],
    },
  ];
  const sheet = (id: string, width_m: number, length_m: number): ShareThing => ({
    id,
    name: id,
    of: 'opaque-sheet',
    width_m,
    length_m,
  });

  test('overlap counts the years in which both want it on one day', () => {
    expect(overlap(want('a', 0, [10, 20, 30, 40]), want('b', 25, [50, 50, 50, 50]))).toBe(0.5);
    expect(overlap(want('a', 0, [10]), want('b', 10, [20]))).toBe(0);
  });
  test('the smallest sheet that serves goes first, the larger one to who comes after; no clash', () => {
    const d = deal(new Map([wanting('a', 1, want('a', 0, [30])), wanting('b', 5, want('b', 5, [30]))]), [
      sheet('large', 4, 10),
      sheet('small', 2, 9),
    ]);
    expect(d.uses.map((u) => u.thingIds)).toEqual([['small'], ['large']]);
    expect(d.clashes).toEqual([]);
  });
  test('one sheet for two beds at once is a clash, told with thing, holder, day and odds', () => {
    const d = deal(
      new Map([wanting('a', 1, want('a', 0, [30, 10])), wanting('b', 5, want('b', 20, [50, 50]))]),
      [sheet('large', 4, 10)],
    );
    expect(d.clashes).toEqual([
      { thingId: 'large', of: 'opaque-sheet', holder: 'a', wants: 'b', day: 20, odds: 0.5 },
    ]);
  });
  test('a sheet that lies already keeps its place before one that is only planned earlier', () => {
    const d = deal(
      new Map([wanting('plan', 1, want('plan', 0, [30])), wanting('lies', 5, want('lies', 2, [30], true))]),
      [sheet('large', 4, 10)],
    );
    expect(d.clashes[0]).toMatchObject({ holder: 'lies', wants: 'plan' });
  });
  test('beds side by side under one sheet set aside for both do not clash; beds apart do', () => {
    const both = (order: number, aside = ['large']) =>
      deal(
        new Map([
          wanting('a', 1, want('a', 0, [30]), ['large']),
          wanting('b', order, want('b', 0, [30]), aside),
        ]),
        [sheet('large', 4, 10)],
      ).clashes.length;
    expect([both(2), both(3)]).toEqual([0, 1]);
    // Nobody has said that it lies over this one too.
    expect(both(2, [])).toBe(1);
    expect(
      neighbours(
        { block: 'A', order: 1, box: { length_m: 8 } },
        { block: 'B', order: 2, box: { length_m: 8 } },
      ),
    ).toBe(false);
  });
  test('a sheet over two beds and their path is laid on one day: laid on two it is wanted twice', () => {
    const laid = (second: number) =>
      deal(
        new Map([
          wanting('a', 1, want('a', 0, [30]), ['large']),
          wanting('b', 2, want('b', second, [30]), ['large']),
        ]),
        [sheet('large', 4, 10)],
      ).clashes.length;
    expect([laid(0), laid(5)]).toEqual([0, 1]);
  });
  test('nothing that fits is told as such', () => {
    const d = deal(new Map([wanting('a', 1, want('a', 3, [30]))]), [sheet('small', 2, 5)]);
    expect(d.clashes).toEqual([
      { thingId: null, of: 'opaque-sheet', holder: 'a', wants: 'a', day: 3, odds: 1 },
    ]);
  });
  test('by dates alone: from the day it is laid to the day it is lifted; lifted ones are free', () => {
    const cover = (id: string, order: number, from: number, to: number, lifted = false) => ({
      ...wanting(id, order, want(id, from, [to]))[1].cover,
      passes: [
        { kind: 'lay-sheet', day: from, done: lifted },
        { kind: 'lift-sheet', day: to, done: lifted },
      ],
    });
    const one = [sheet('large', 4, 10)];
    expect(datedClashes([cover('a', 1, 0, 30), cover('b', 5, 20, 50)], one)).toHaveLength(1);
    expect(datedClashes([cover('a', 1, 0, 20), cover('b', 5, 20, 50)], one)).toEqual([]);
    expect(datedClashes([cover('a', 1, 0, 30, true), cover('b', 5, 20, 50)], one)).toEqual([]);
  });
});

describe('eight beds, two sheets, a board and six hens', () => {
  let answer: ShareAnswer;
  let c: GardenContents;
  beforeAll(() => {
    c = garden((g) => only(g, 'long-sheet', 'second-sheet', 'board', 'pen'));
    answer = shared(c);
  });
  const bed = (coverId: string) =>
    c.beds.find((b) => b.id === c.covers.find((k) => k.id === coverId)!.bedId)!.name;

  test('the sheet on bed 12 lies there since February and is wanted for bed 2', () => {
    const second = answer.board.find((b) => b.thing.id === 'second-sheet')!;
    const lies = second.stretches.find((s) => s.bed === '12')!;
    expect(lies).toMatchObject({ from: dayOf('2027-02-24'), begun: true });
    expect(lies.until.low).toBeLessThanOrEqual(lies.until.mid);
    expect(lies.until.mid).toBeLessThanOrEqual(lies.until.high);
    expect(answer.clashes.map((k) => bed(k.clash.wants))).toEqual(['2']);
  });
  test('the first proposal lays the long sheet over beds 1 and 2 and their path, at no cost', () => {
    const [first] = answer.clashes[0]!.proposals;
    expect(first!.kind).toBe('one-over-both');
    expect(first!.changes.map((k) => k.bed).sort()).toEqual(['1', '2']);
    expect(first!.changes.every((k) => k.thingIds.join() === 'long-sheet')).toBe(true);
    expect(new Set(first!.changes.map((k) => k.startDay)).size).toBe(1);
    expect(first!.costs).toBeCloseTo(0, 2);
    expect(first!.left).toBe(0);
  });
  test('every proposal takes away its clash and makes none; the cheapest come first', () => {
    const { proposals } = answer.clashes[0]!;
    expect(new Set(proposals.map((p) => p.kind)).size).toBeGreaterThanOrEqual(3);
    for (const p of proposals) expect(p.left).toBeLessThan(answer.clashes.length);
    const costs = proposals.map((p) => p.costs);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });
  test('what a bed already has is never moved', () => {
    for (const p of answer.clashes.flatMap((k) => k.proposals))
      expect(p.changes.map((k) => k.bed)).not.toContain('12');
  });
  test('the odds that all are ready are those of the same years: never above the least sure bed', () => {
    for (const p of answer.clashes[0]!.proposals)
      for (const k of p.changes) expect(p.allReady).toBeLessThanOrEqual(k.after.inTime + 1e-9);
  });
  test('the same question has the same answer', () => {
    expect(shared(c)).toEqual(answer);
  });
  test('a board is used by the day, and days of beds that want it stand on its strip', () => {
    const board = answer.board.find((b) => b.thing.id === 'board')!;
    expect(board.stretches).toEqual([]);
    expect(new Set(board.days.map((d) => d.bed))).toEqual(new Set(['R1', 'R2', '3', '5', '7']));
  });
  test('a week sums the work of its beds', () => {
    const minutes = answer.weeks.reduce((s, w) => s + w.hours, 0);
    expect(minutes).toBeGreaterThan(1);
    for (const w of answer.weeks) expect(w.beds.length).toBeGreaterThan(0);
    expect(answer.hoursAWeek).toBe(5);
  });
});

test('what frost ends is held against its other ways as on the other screens: cut in April it would long be dead', () => {
  const c = garden((g) => {
    const cover = g.covers.find((k) => k.id === 'north-shore-cover-9-2026-09')!;
    cover.parts = [{ speciesId: 'cowpea', share: 1 }];
    cover.seed = [{ ...cover.seed[0]!, speciesId: 'cowpea' }];
    // So that what is left of its worth after months without roots is still some.
    cover.aims = [{ id: 'ease', strands: 3 }];
  });
  const cover = shareInput(c, '2026-11-01', YEARS).covers.find((k) => k.bed === '9')!;
  const standing = standOf({ ...cover.asked, years: YEARS });
  const { methods, plantDay } = cover.asked;
  expect(isReliedOn(standing.soFar, methods)).toBe(true);
  const of = (id: string, relied: boolean) => {
    const grown = { cover, standing, relied };
    freshly(grown);
    const method = methods.find((m) => m.id === id)!;
    return optionOf(
      grown,
      method,
      plantDay - 30,
      method.passes.map((p) => p.after_d),
    );
  };
  expect([of('cut', false).ending.keeps, of('winterkill', false).ending.keeps]).toEqual([1, 1]);
  const [cut, frost] = [of('cut', true), of('winterkill', true)];
  expect(cut.ending.keeps).toBeLessThan(0.8 * frost.ending.keeps);
  expect(of('cut', false).worth).toBeGreaterThan(0);
  expect(cut.worth).toBeCloseTo(of('cut', false).worth * cut.ending.keeps, 9);
});

test('planted later, the same sheet is dead in time in more of the same years, and its uses may last longer', () => {
  const question = shareInput(garden(), garden().garden.seasonClock!, YEARS);
  const cover = question.covers.find((k) => k.bed === '1')!;
  const grown = { cover, standing: standOf({ ...cover.asked, years: YEARS }), relied: false };
  const method = cover.asked.methods.find((m) => m.id === 'sheet')!;
  const late = cover.asked.plantDay - 38;
  const at = (by: number) => {
    freshly(grown);
    return optionOf(grown, method, late, [0, 0, null], by);
  };
  const [now, later] = [at(0), at(21)];
  const ready = (o: typeof now) => o.ready.reduce((a, b) => a + b, 0);
  expect(ready(later)).toBeGreaterThan(ready(now));
  expect(later.told.inTime).toBeGreaterThan(now.told.inTime);
  expect(Math.max(...later.uses[0]!.to)).toBeGreaterThan(cover.asked.plantDay - 1);
});

test('a bed that had a sheet set aside which another has is offered the free one', () => {
  const c = garden((g) => {
    for (const k of g.covers) if (k.id === 'north-shore-cover-1-2026-09') k.thingIds = ['second-sheet'];
    g.covers = g.covers.filter((k) => k.id !== 'north-shore-cover-2-2026-08');
  });
  const [clash] = shared(c).clashes;
  const other = clash!.proposals.find((p) => p.kind === 'other-thing')!;
  expect(other.changes).toMatchObject([{ bed: '1', thingIds: ['long-sheet'] }]);
  expect(other.costs).toBeCloseTo(0, 9);
});

test('with one sheet for all, everything is solved at once or said to be left', () => {
  const c = garden((g) => only(g, 'long-sheet', 'board'));
  const a = shared(c);
  expect(a.clashes.length).toBeGreaterThanOrEqual(2);
  expect(a.allAtOnce!.left).toBeLessThan(a.clashes.length);
  const beds = a.allAtOnce!.changes.map((k) => k.bed);
  expect(new Set(beds).size).toBe(beds.length);
});

test('without a clash nothing is proposed', () => {
  const wide: Thing[] = ['w1', 'w2', 'w3', 'w4'].map((id) => ({
    id,
    name: id,
    of: 'opaque-sheet',
    width_m: 4,
    length_m: 10,
    sort: 'film',
    grade: 'sound',
    since: null,
    borrowed: false,
    asked: true,
  }));
  const plenty = shared(
    garden((g) => {
      g.garden.things = [...wide];
    }),
  );
  expect([plenty.clashes, plenty.allAtOnce]).toEqual([[], undefined]);
});

describe('hours are few as well', () => {
  const work = (hours: number, years?: number) =>
    shared(
      garden((g) => {
        g.garden.people = [{ ...g.garden.people[0]!, hoursAWeek: hours }];
      }),
      years,
    );
  const plenty = work(40);
  const few = work(0.25);
  const over = few.weeks.filter((w) => w.proposals);
  test('with hours enough no week is looked at', () => {
    expect(plenty.weeks.every((w) => w.proposals === undefined)).toBe(true);
  });
  test('a week that asks for more is eased by one bed on another day or by another way, and no clash is made for it', () => {
    expect(over.length).toBeGreaterThan(0);
    const proposals = over.flatMap((w) => w.proposals!.map((p) => ({ w, p })));
    expect(proposals.length).toBeGreaterThan(0);
    const all = few.weeks.reduce((sum, w) => sum + Math.max(0, w.hours - few.hoursAWeek), 0);
    for (const { w, p } of proposals) {
      expect(['move', 'other-way']).toContain(p.kind);
      expect(p.changes).toHaveLength(1);
      expect(w.beds).toContain(p.changes[0]!.bed);
      expect(p.over_h).toBeLessThan(all);
      expect(p.left).toBeLessThanOrEqual(few.clashes.length);
    }
  });
  test('those that leave least over come first, and of those the cheapest', () => {
    for (const w of over) {
      // To the quarter of an hour; within one the cheaper first.
      const list = w.proposals!.map((p) => [Math.round(p.over_h! * 4), p.costs] as const);
      expect(list).toEqual([...list].sort((x, y) => x[0] - y[0] || x[1] - y[1]));
    }
  });
  test('what they cost is what the bed is then worth less, and the best of them hardly anything', () => {
    const costs = over.flatMap((w) => w.proposals!.map((p) => p.costs));
    expect(Math.min(...costs)).toBeLessThan(0.05);
    expect(Math.max(...costs)).toBeLessThan(0.6);
  });
  test('with hardly any hours there are more ways round, and still none that makes a clash over a thing', () => {
    // Bed 7 under a sheet would serve its week well, and want one that another bed has.
    const least = work(0.15, 20);
    const proposals = least.weeks.flatMap((w) => w.proposals ?? []);
    expect(proposals.length).toBeGreaterThan(5);
    for (const p of proposals) expect(p.left).toBeLessThanOrEqual(least.clashes.length);
  });
});
