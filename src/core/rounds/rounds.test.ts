import { beforeAll, describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { roundCovers } from '../../questions/rounds.ts';
import { readGardenFile } from '../../records/files/gardenFile.ts';
import { type GardenContents } from '../../records/verbs/verbs.ts';
import { type Day, dayOf } from '../calendar/day.ts';
import { standOf, type Standing } from '../plan/standing.ts';
import { type RoundCover } from './question.ts';
import { questionsOf, roundsOf } from './rounds.ts';
import { decisionOf, worthOfAsking } from './worth.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const garden: GardenContents = read.value;
const today = garden.garden.seasonClock!;
const now = dayOf(today);
const coverOn = (bed: string, on = today): RoundCover => {
  const id = garden.beds.find((b) => b.name === bed)!.id;
  return roundCovers(garden, on, 16).find((c) => c.bedId === id)!;
};
/** The walk as a plain stand would meet it: nothing seen, nothing begun. */
const unseen = (c: RoundCover): RoundCover => ({
  ...c,
  seen: [],
  soilSeen: now - 30,
  asked: { ...c.asked, looks: [] },
});

describe('fixed checks', () => {
  const sown = (daysAgo: number, more: Partial<RoundCover> = {}): RoundCover => ({
    ...unseen(coverOn('6')),
    sownDay: now - daysAgo,
    ...more,
  });
  const due = (c: RoundCover) => questionsOf(c, now)[0];
  test('emergence by the clock: on days 4, 7, 10 and 14, once each', () => {
    expect(due(sown(3))).toBeUndefined();
    expect(due(sown(4))).toMatchObject({ kind: 'emergence', why: { is: 'clock', at: 4 } });
    expect(due(sown(12))).toMatchObject({ why: { is: 'clock', sownDays: 12, at: 10 } });
    const looked = { day: now - 1, kinds: ['emergence' as const] };
    expect(due(sown(12, { seen: [looked] }))?.kind).not.toBe('emergence');
    expect(due(sown(14, { seen: [looked] }))).toMatchObject({ why: { is: 'clock', at: 14 } });
  });
  test('after a cut, crowns are asked for once a look is worth something, by warmth', () => {
    const cut = (daysAgo: number, mean_c = 19) =>
      sown(200, { passes: [{ kind: 'cut', day: now - daysAgo, done: true }], mean_c });
    expect(due(cut(6))).toBeUndefined();
    expect(due(cut(7))).toMatchObject({
      kind: 'crowns',
      why: { is: 'after-pass', pass: 'cut', sure: now + 7 },
    });
    // At 9 °C everything takes twice as long.
    expect(due(cut(13, 9))).toBeUndefined();
    expect(due(cut(14, 9))).toMatchObject({ kind: 'crowns' });
    expect(due({ ...cut(9), seen: [{ day: now - 1, kinds: ['crowns'] }] })).toBeUndefined();
  });
  test('once it is seen up, seedlings are counted in a frame while gaps can still be sown; once', () => {
    const up = (daysAgo: number, more: Partial<RoundCover> = {}): RoundCover => {
      const c = sown(daysAgo, { seen: [{ day: now, kinds: ['emergence'] }], ...more });
      return { ...c, asked: { ...c.asked, looks: [{ day: now, emergence: 'some' }] } };
    };
    const frame = (c: RoundCover) => questionsOf(c, now).find((q) => q.kind === 'frame');
    expect(frame(up(11))).toBeUndefined();
    expect(frame(up(12))).toMatchObject({
      speciesId: 'cereal-rye',
      why: { is: 'stand', sownDays: 12 },
    });
    expect(frame(up(28))).toBeDefined();
    expect(frame(up(29))).toBeUndefined();
    expect(frame(up(14, { seen: [{ day: now, kinds: ['emergence', 'frame'] }] }))).toBeUndefined();
    // What nobody has seen up is not counted.
    expect(frame(sown(14, { seen: [{ day: now, kinds: ['emergence'] }] }))).toBeUndefined();
  });
  test('rain of an inch within two days asks whether seed was moved, for four days and of fresh seed alone', () => {
    const wet = (daysAgo: number, rain: [number, number][], more: Partial<RoundCover> = {}) => {
      const c = sown(daysAgo, more);
      return {
        ...c,
        asked: {
          ...c.asked,
          observed: rain.map(([d, mm]): [number, number, number, number] => [now - d, 5, 15, mm]),
        },
      };
    };
    const asks = (c: RoundCover) => questionsOf(c, now).find((q) => q.kind === 'washed')?.why;
    expect(
      asks(
        wet(6, [
          [3, 14],
          [2, 12],
        ]),
      ),
    ).toEqual({ is: 'rain', mm: 26, day: now - 2 });
    expect(
      asks(
        wet(6, [
          [3, 14],
          [1, 12],
        ]),
      ),
    ).toBeUndefined();
    expect(
      asks(
        wet(9, [
          [6, 14],
          [5, 12],
        ]),
      ),
    ).toBeUndefined();
    expect(
      asks(
        wet(1, [
          [3, 14],
          [2, 12],
        ]),
      ),
    ).toBeUndefined();
    expect(
      asks(
        wet(40, [
          [3, 14],
          [2, 12],
        ]),
      ),
    ).toBeUndefined();
    expect(asks(wet(6, [[2, 30]], { seen: [{ day: now, kinds: ['washed'] }] }))).toBeUndefined();
  });
  test('edges are walked once a look after the pass is sure', () => {
    const cut = (daysAgo: number, seen: RoundCover['seen'] = []) =>
      questionsOf(
        sown(200, { passes: [{ kind: 'cut', day: now - daysAgo, done: true }], mean_c: 19, seen }),
        now,
      ).map((q) => q.kind);
    expect(cut(13)).toEqual(['crowns']);
    expect(cut(14)).toEqual(['crowns', 'edges']);
    expect(cut(16, [{ day: now - 1, kinds: ['edges', 'crowns'] }])).not.toContain('edges');
  });
  test('what lives in it is asked of seedlings and before the crop, soil once a year while it is neither cold nor hot; never before what has its day', () => {
    const kinds = (c: RoundCover) => questionsOf(c, now).map((q) => q.kind);
    const plantIn = (days: number, more: Partial<RoundCover> = {}) => {
      const c = sown(200, { passes: [{ kind: 'cut', day: now - 2, done: true }], mean_c: 25, ...more });
      return { ...c, asked: { ...c.asked, plantDay: now + days } };
    };
    expect(kinds(plantIn(22))).toEqual([]);
    expect(kinds(plantIn(21))).toEqual(['pests']);
    expect(kinds(plantIn(10, { seen: [{ day: now - 5, kinds: ['pests'] }] }))).toEqual([]);
    expect(kinds(plantIn(60, { mean_c: 12, soilSeen: undefined }))).toEqual(['soil']);
    expect(kinds(plantIn(60, { mean_c: 12, soilSeen: now - 300 }))).toEqual([]);
    expect(kinds(plantIn(60, { mean_c: 12, soilSeen: now - 331 }))).toEqual(['soil']);
    expect(kinds(plantIn(60, { mean_c: 6, soilSeen: undefined }))).toEqual([]);
  });
  test('a stand that doubles within three weeks is looked at every eight days', () => {
    const bed = unseen(coverOn('6'));
    const surge = (seen: RoundCover['seen']) =>
      questionsOf({ ...bed, seen }, now, standOf(bed.asked)).find((q) => q.why.is === 'surge');
    const [q] = [surge([])];
    expect(q).toMatchObject({ kind: 'stage' });
    if (q!.why.is === 'surge') expect(q!.why.times).toBeGreaterThan(1.5);
    expect(surge([{ day: now - 8, kinds: ['stage'] }])).toBeUndefined();
    expect(surge([{ day: now - 9, kinds: ['stage'] }])).toBeDefined();
    // In the depth of winter nothing surges.
    const winter = dayOf('2026-12-20');
    const asleep = unseen(coverOn('6', '2026-12-20'));
    expect(questionsOf(asleep, winter, standOf(asleep.asked)).some((k) => k.why.is === 'surge')).toBe(false);
  });
  test('under a sheet a corner is lifted from the day one year in ten is dead, not before', () => {
    const bed12 = coverOn('12');
    const standing = standOf(bed12.asked);
    expect(questionsOf(bed12, now, standing)).toEqual([]);
    const later = coverOn('12', '2027-05-28');
    const [q] = questionsOf(later, dayOf('2027-05-28'), standOf(later.asked));
    expect(q).toMatchObject({ kind: 'peek', why: { is: 'under-sheet', laid: dayOf('2027-02-24') } });
    if (q!.why.is !== 'under-sheet') throw new Error('not under a sheet');
    expect(q!.why.from).toBeLessThanOrEqual(dayOf('2027-05-28'));
    // On that very day, not the day before; and not again within days of a look.
    const kinds = (on: Day, seen: RoundCover['seen'] = []) =>
      questionsOf({ ...later, seen }, on, standOf(later.asked)).map((k) => k.kind);
    const { from } = q!.why;
    expect([kinds(from - 1), kinds(from)]).toEqual([[], ['peek']]);
    const peeked = [{ day: from, kinds: ['peek' as const] }];
    expect([kinds(from + 4, peeked), kinds(from + 5, peeked)]).toEqual([[], ['peek']]);
  });
  test('where no forecast stands, under a sheet is looked from the twelfth day it lies', () => {
    const laid = (daysAgo: number) =>
      due(sown(200, { passes: [{ kind: 'lay-sheet', day: now - daysAgo, done: true }] }));
    expect(laid(11)).toBeUndefined();
    expect(laid(12)).toMatchObject({
      kind: 'peek',
      why: { is: 'under-sheet', laid: now - 12, from: now, done: now + 13 },
    });
  });
  test('a night near what a kind bears asks alive or dead, once hurt tissue has had ten days to show', () => {
    const bean = unseen(coverOn('7'));
    const limit = bean.asked.members[0]!.species.cold.hardened_c;
    const night = (daysAgo: number, low: number): RoundCover => ({
      ...bean,
      asked: { ...bean.asked, observed: [[now - daysAgo, low, 2, 0]] },
    });
    const standing = standOf(bean.asked);
    const ask = (c: RoundCover) => questionsOf(c, now, standing).find((q) => q.why.is === 'frost');
    expect(ask(night(9, limit))).toBeUndefined();
    expect(ask(night(11, limit))).toMatchObject({
      kind: 'alive',
      speciesId: bean.asked.members[0]!.species.id,
      why: { low_c: limit, bears_c: limit, day: now - 11 },
    });
    expect(ask(night(11, limit + 5))).toBeUndefined();
    expect(ask(night(60, limit))).toBeUndefined();
  });
  test('mulch of what is dead is looked at every fortnight until planting', () => {
    const dead = sown(200, { deadDay: now - 20, seen: [] });
    expect(due(dead)).toMatchObject({ kind: 'gaps', why: { is: 'mulch', dead: now - 20 } });
    expect(due({ ...dead, seen: [{ day: now - 5, kinds: ['gaps'] }] })).toBeUndefined();
  });
});

describe('what asking is worth', () => {
  const cover = unseen(coverOn('7', '2027-04-13'));
  let standing: Standing;
  let weights: Float64Array;
  const way = () => cover.asked.methods.find((m) => m.id === cover.asked.settled!.method)!;
  beforeAll(() => {
    standing = standOf({ ...cover.asked, years: 60, looks: [] });
    weights = new Float64Array(60).fill(1 / 60);
  });
  const worth = (answers: Parameters<typeof worthOfAsking>[2]) =>
    worthOfAsking(standing, decisionOf(standing, [way()], cover.asked.aims!, now), answers, weights);

  test('a question with one answer settles nothing', () => {
    const w = worth([{ day: now, cover: 0.5 }]);
    expect(w.gain).toBeCloseTo(0, 9);
    expect(w.widthAfter_d).toBeCloseTo(w.widthNow_d, 9);
  });
  test('asking never makes the decision worse, whatever is asked', () => {
    for (const answers of [
      [0.1, 0.5, 0.9].map((c) => ({ day: now, cover: c })),
      [0, 0.5, 1].map((a) => ({ day: now, members: [{ index: 0, alive: a }] })),
      (['few', 'some', 'many'] as const).map((weeds) => ({ day: now, weeds })),
    ])
      expect(worth(answers).gain).toBeGreaterThanOrEqual(0);
  });
  test('where half of the years lost the bean and the decision hangs on it, whether it lives is worth a quarter, how high it stands nothing', () => {
    const { courses } = standing.soFar;
    const at = now - standing.fromDay;
    const lives = courses.map((_, y) => y % 2);
    courses.forEach((c, y) => {
      c.alive[at * c.members] = lives[y]!;
    });
    const decision = {
      options: [Float64Array.from(lives), new Float64Array(60).fill(0.5)],
      bestDay: Float64Array.from(lives, (l) => now + (l ? 30 : 0)),
      method: 'crimp',
    };
    const ask = (answers: Parameters<typeof worthOfAsking>[2]) =>
      worthOfAsking(standing, decision, answers, weights);
    const alive = ask([0, 1].map((a) => ({ day: now, members: [{ index: 0, alive: a }] })));
    expect(alive.gain).toBeCloseTo(0.25, 3);
    expect(alive.widthNow_d).toBe(30);
    expect(alive.widthAfter_d).toBeLessThan(1);
    const height = ask([0.1, 0.3].map((h) => ({ day: now, height_m: h })));
    expect(height.gain).toBeLessThan(0.05);
  });
});

describe('the walk', () => {
  test('mulch that was looked at, in words alone, is not asked for again the day after', () => {
    const c = structuredClone(garden);
    const cover = c.covers.find((k) => k.sownOn && k.verdict === null && k.id === coverOn('9').id)!;
    Object.assign(cover, { verdict: 'dead', endedOn: '2027-03-20' });
    const any = c.looks.find((l) => l.coverId === cover.id)!;
    c.looks = c.looks.filter((l) => l.coverId !== cover.id);
    const due = () =>
      roundsOf(
        roundCovers(c, today, 8).filter((r) => r.id === cover.id),
        now,
      );
    expect(due()[0]?.questions[0]?.kind).toBe('gaps');
    c.looks.push({
      ...any,
      id: 'mulch',
      on: '2027-04-12',
      cover: null,
      note: 'Gaps here and there.',
    });
    expect(due()).toEqual([]);
  });
  test('no more than two questions a bed, in the order of the beds, for covers that stand', () => {
    const on = '2027-05-10';
    const covers = roundCovers(garden, on, 16);
    const walk = roundsOf(covers, dayOf(on));
    expect(walk.length).toBeGreaterThan(4);
    for (const b of walk) expect(b.questions.length).toBeLessThanOrEqual(2);
    const place = (id: string) => covers.findIndex((c) => c.bedId === id);
    const order = walk.map((b) => place(b.bedId));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    // East, then west, then the raised ones, as they stand on the ground.
    const orders = covers.map((c) => garden.beds.find((b) => b.id === c.bedId)!.order);
    expect(orders).toEqual([...orders].sort((a, b) => a - b));
    const names = walk.map((b) => garden.beds.find((x) => x.id === b.bedId)!.name);
    expect(names).not.toContain('10');
  });
  test('what was looked at yesterday is not asked for today', () => {
    const on = '2027-05-10';
    const covers = roundCovers(garden, on, 16).map((c) => ({
      ...c,
      seen: [
        {
          day: dayOf(on) - 1,
          kinds: [
            'stage',
            'cover',
            'height',
            'weeds',
            'alive',
            'seed',
            'emergence',
            'crowns',
            'peek',
            'gaps',
            'frame',
            'edges',
            'pests',
          ] as never,
        },
      ],
      soilSeen: dayOf(on) - 40,
      lookDue: false,
    }));
    expect(roundsOf(covers, dayOf(on))).toEqual([]);
  });
});
