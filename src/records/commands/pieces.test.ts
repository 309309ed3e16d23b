import { beforeEach, describe, expect, test } from '@jest/globals';
import { coverTitle } from '../../catalogue/catalogue.ts';
import { type KilimDatabase } from '../db.ts';
import { cellsOf } from '../../core/bed/pieces.ts';
import { coverDays } from '../../core/bed/timeline.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { type Bed, type Cover } from '../types.ts';
import { changeCover, changePlanting } from './change.ts';
import { removeBed, savePlanting, type Hands } from '../verbs/verbs.ts';
import { demoKept, inStore } from '../testStore.ts';
import { undo } from '../write.ts';
import { cutBed, joinBed, type Wanted } from './pieces.ts';
import { orderBeds, placeBeds } from './ground.ts';

let db: KilimDatabase;
let hands: Hands;
const base = demoKept();
const gardenId = base.garden.id;
/** A bed whose cover stands, with looks, and a crop that is to follow. */
const standing = base.covers.find(
  (c) => c.sownOn && c.verdict === null && c.nextPlantingId && base.looks.some((l) => l.coverId === c.id),
)!;
const bed = base.beds.find((b) => b.id === standing.bedId)!;
const ON = '2027-04-13';
const halves: Wanted[] = [
  { name: 'north half', use: 'bed', share: 1 },
  { name: 'south half', use: 'bed', share: 1 },
];

inStore(base, (h) => {
  hands = h;
  db = h.db;
});

const piecesNow = async (of = bed.id) =>
  (await db.beds.filter((b) => b.piece?.of === of).toArray()).sort((a, b) => a.order - b.order);
const coversOf = (id: string) => db.covers.where({ bedId: id }).toArray();

describe('what stands in a bed that is cut', () => {
  const stone = { name: 'stone', width_m: 0.4, length_m: null };
  const tree = { name: 'tree', width_m: 1, length_m: null };
  const long: Bed = {
    ...bed,
    ...{ width_m: 1, length_m: 8, area_m2: 8, ring: null, at: { x_m: 20, y_m: 5, turn_deg: 30 } },
    obstacles: [
      {
        ...stone,
        count: 4,
        spots: [
          [0.2, -3],
          [-0.1, 1.5],
          [-0.05, 3],
        ],
      },
      { ...tree, count: 1 },
    ],
  };
  const cutIn = async (side: 'along' | 'across', ...shares: number[]) => {
    await db.beds.put(long);
    const pieces = shares.map((share, i): Wanted => ({ name: `p${i}`, use: 'bed', share }));
    expect((await cutBed(hands, long, { on: ON, today: ON, side, pieces })).ok).toBe(true);
    return piecesNow();
  };
  const things = (b: Bed) =>
    b.obstacles.map((o) => [
      o.name,
      o.count,
      (o.spots ?? []).map((at) => at.map((x) => Math.round(x * 1000) / 1000)),
    ]);

  test('stays where it was placed, seen from the middle of its piece; what nobody placed goes with the largest', async () => {
    // Of 8 m: 2 m with its middle at -3, 6 m with its middle at 1.
    const [short, rest] = await cutIn('across', 1, 3);
    expect(things(short!)).toEqual([['stone', 1, [[0.2, 0]]]]);
    expect(things(rest!)).toEqual([
      [
        'stone',
        3,
        [
          [-0.1, 0.5],
          [-0.05, 2],
        ],
      ],
      ['tree', 1, []],
    ]);
  });
  test('goes by the width where a bed is cut along, and on with a piece that is cut again', async () => {
    // A metre across: 0.25 m with its middle at -0.375, 0.75 m with its middle at 0.125.
    const [left, right] = await cutIn('along', 1, 3);
    expect(things(left!)).toEqual([]);
    expect(things(right!)).toEqual([
      [
        'stone',
        4,
        [
          [0.075, -3],
          [-0.225, 1.5],
          [-0.175, 3],
        ],
      ],
      ['tree', 1, []],
    ]);
    const on = isoOf(dayOf(ON) + 30);
    const again = [
      { name: 'q0', use: 'bed', share: 1 } as const,
      { name: 'q1', use: 'bed', share: 2 } as const,
    ];
    await cutBed(hands, right!, { on, today: ON, side: 'along', pieces: again });
    const [q0, q1] = (await piecesNow()).filter((b) => b.name.startsWith('q'));
    // A quarter of a metre from -0.25 with its middle at -0.125, half a metre with its middle at 0.25.
    expect(things(q0!)).toEqual([
      [
        'stone',
        2,
        [
          [0.025, 1.5],
          [0.075, 3],
        ],
      ],
    ]);
    expect(things(q1!)).toEqual([
      ['stone', 2, [[-0.05, -3]]],
      ['tree', 1, []],
    ]);
  });
});

describe('a bed is cut', () => {
  test('a piece takes the looks at what stands on it, and leaves those at what stood there before', async () => {
    const gone = { ...standing, id: 'gone', verdict: 'dead' as const, endedOn: '2026-05-01' };
    const past = { ...base.looks.find((l) => l.coverId === standing.id)!, id: 'past', coverId: 'gone' };
    await db.covers.put({
      ...gone,
      sowOn: '2025-09-01',
      sownOn: '2025-09-01',
      plantBackOn: '2026-05-10',
      passes: [],
    });
    await db.looks.put(past);
    const mine = base.looks.filter((l) => l.coverId === standing.id).length;
    const before = await db.looks.count();
    await cutBed(hands, bed, { on: ON, today: ON, side: 'across', pieces: halves });
    expect(await db.looks.get('past')).toEqual(past);
    // One of the two pieces keeps them, the other gets its like.
    expect(await db.looks.count()).toBe(before + mine);
  });
  test('what stands is on every piece, with its looks, its share of the seed and the crop that follows there; what was over stays', async () => {
    const before = await coversOf(bed.id);
    const over = before.filter((c) => c.verdict === 'dead').length;
    expect((await cutBed(hands, bed, { on: ON, today: ON, side: 'across', pieces: halves })).ok).toBe(true);
    const [a, b] = (await piecesNow()) as [Bed, Bed];
    expect([a.name, a.length_m, a.width_m, a.area_m2]).toEqual(['north half', 4, 1.2, bed.area_m2 / 2]);
    expect([b.piece!.share, b.order - bed.order]).toEqual([[0.5, 1], expect.closeTo(0.02, 9)]);
    const [one] = (await coversOf(a.id)) as [Cover];
    const [other] = (await coversOf(b.id)) as [Cover];
    expect([one.id, other.id === one.id]).toEqual([standing.id, false]);
    expect(other.parts).toEqual(standing.parts);
    const used = (c: Cover) => c.seed.map((s) => s.used_g);
    expect(used(one)).toEqual(used(standing).map((g) => g && g / 2));
    expect(used(other)).toEqual(used(one));
    const follows = await db.plantings.bulkGet([one.nextPlantingId!, other.nextPlantingId!]);
    expect(follows.map((p) => p?.bedId)).toEqual([a.id, b.id]);
    expect(one.nextPlantingId).toBe(standing.nextPlantingId);
    const looks = (id: string) => db.looks.where({ coverId: id }).toArray();
    expect((await looks(other.id)).map((l) => [l.on, l.bedId])).toEqual(
      (await looks(one.id)).map((l) => [l.on, b.id]),
    );
    expect((await looks(one.id)).length).toBe(base.looks.filter((l) => l.coverId === standing.id).length);
    expect((await coversOf(bed.id)).length).toBe(over);
  });
  test('a path takes no cover, and one undo makes all of it what it was', async () => {
    const was = {
      covers: await db.covers.toArray(),
      looks: await db.looks.toArray(),
      beds: await db.beds.toArray(),
    };
    await cutBed(hands, bed, {
      on: ON,
      today: ON,
      side: 'along',
      pieces: [
        { name: 'path', use: 'path', share: 0.4 },
        { name: 'rest', use: 'bed', share: 0.8 },
      ],
    });
    const [path, rest] = (await piecesNow()) as [Bed, Bed];
    expect([path.width_m, rest.width_m]).toEqual([0.4, 0.8]);
    expect([(await coversOf(path.id)).length, (await coversOf(rest.id)).length]).toEqual([0, 1]);
    expect(await db.plantings.where({ bedId: path.id }).count()).toBe(0);
    await undo(db, gardenId);
    expect({
      covers: await db.covers.toArray(),
      looks: await db.looks.toArray(),
      beds: await db.beds.toArray(),
    }).toEqual(was);
  });
  test('a strip that is left to ripen is not ended and takes no crop that is only planned; the crop goes with the rest', async () => {
    // One that nobody has begun to end.
    const left = base.covers.find(
      (c) => c.sownOn && c.verdict === null && c.nextPlantingId && c.passes.every((p) => !p.doneOn),
    )!;
    const its = base.beds.find((b) => b.id === left.bedId)!;
    await cutBed(hands, its, {
      on: ON,
      today: ON,
      side: 'along',
      pieces: [
        { name: 'seed strip', use: 'seed', share: 1 },
        { name: 'rest', use: 'bed', share: 3 },
      ],
    });
    const [strip, rest] = (await piecesNow(its.id)) as [Bed, Bed];
    const [ripens] = (await coversOf(strip.id)) as [Cover];
    const [ends] = (await coversOf(rest.id)) as [Cover];
    // Its seed is looked at two months after it would have been ended, and until then it stands.
    const due = isoOf(coverDays(left).endFrom + 60);
    expect([ripens.id, ripens.method, ripens.passes, ripens.plantBackOn, ripens.nextPlantingId]).toEqual([
      left.id,
      'let-seed',
      [{ kind: 'check-seed', due, doneOn: null }],
      isoOf(dayOf(due) + 14),
      null,
    ]);
    expect(coverDays(ripens).endFrom).toBe(dayOf(due));
    expect([ends.passes, ends.nextPlantingId]).toEqual([left.passes, left.nextPlantingId]);
    expect((await db.plantings.get(left.nextPlantingId!))!.bedId).toBe(rest.id);
    expect(await db.plantings.where({ bedId: strip.id }).count()).toBe(0);
    // Trims that were made stay with it; what has begun to be ended goes on as it was.
    const cutAgain = async (doneOn: string, kind: string) => {
      await undo(db, gardenId);
      const passes = [{ kind, due: doneOn, doneOn }, ...left.passes];
      await db.covers.update(left.id, { passes });
      await cutBed(hands, its, {
        on: ON,
        today: ON,
        side: 'along',
        pieces: [{ name: 's', use: 'seed', share: 1 }, halves[0]!],
      });
      const [s] = await piecesNow(its.id);
      return (await coversOf(s!.id))[0]!.passes.map((p) => p.kind);
    };
    expect(await cutAgain('2027-03-01', 'mow-high')).toEqual(['mow-high', 'check-seed']);
    expect(await cutAgain('2027-04-10', 'flatten')).toEqual(['flatten', ...left.passes.map((p) => p.kind)]);
  });
  test('a cut that is only planned takes nothing along that is over by then by the plan, and what goes on past it', async () => {
    const five = base.beds.find((b) => b.name === '5')!;
    const later = halves.map((h) => ({ ...h, name: `${h.name} 5` }));
    await cutBed(hands, five, { on: '2027-11-01', today: ON, side: 'along', pieces: later });
    const names = async (id: string) => [
      ...(await db.plantings.where({ bedId: id }).toArray()).filter((p) => !p.clearedOn).map((p) => p.cropId),
      ...(await coversOf(id)).filter((c) => c.verdict !== 'dead').map((c) => c.parts[0]!.speciesId),
    ];
    // Garlic stands until July, buckwheat comes after it, spinach in September.
    expect(await names(five.id)).toEqual(expect.arrayContaining(['garlic', 'buckwheat']));
    const pieces = await db.beds.filter((b) => b.piece?.of === five.id).toArray();
    const spinach = base.plantings.find((p) => p.bedId === five.id && p.cropId === 'spinach')!;
    const goes = spinach.clearOn > '2027-11-01' ? ['spinach'] : [];
    for (const p of pieces) expect(await names(p.id)).toEqual(goes);
    // A cover that stands now and is to be ended before the cut stays as well.
    const two = base.beds.find((b) => b.name === '2')!;
    const mine = await names(two.id);
    await cutBed(hands, two, {
      on: '2028-03-01',
      today: ON,
      side: 'along',
      pieces: halves.map((h) => ({ ...h, name: `${h.name} 2` })),
    });
    expect(mine).toContain('crimson-clover');
    expect(await names(two.id)).toEqual(mine);
    // The same cut today takes what stands although its day of clearing has gone by.
    await db.plantings.update(
      base.plantings.find((p) => p.bedId === bed.id && p.id !== standing.nextPlantingId)!.id,
      {
        plantedOn: '2027-01-01',
        plantOn: '2027-01-01',
        clearOn: '2027-03-01',
        clearedOn: null,
      },
    );
    await cutBed(hands, bed, { on: ON, today: ON, side: 'across', pieces: halves });
    for (const p of await piecesNow())
      expect((await db.plantings.where({ bedId: p.id }).toArray()).map((x) => x.clearOn)).toContain(
        '2027-03-01',
      );
  });
  test.each([
    ['one piece', [halves[0]!], 'pieces-few'],
    ['no size', [halves[0]!, { ...halves[1]!, share: 0 }], 'pieces-few'],
    ['nothing grown', halves.map((h) => ({ ...h, use: 'path' as const })), 'pieces-few'],
    ['the same name twice', [halves[0]!, halves[0]!], 'bed-twice'],
    [
      'the name of another bed',
      [halves[0]!, { ...halves[1]!, name: base.beds.find((b) => b.id !== bed.id)!.name }],
      'bed-twice',
    ],
    ['no name', [halves[0]!, { ...halves[1]!, name: ' ' }], 'bed-twice'],
  ])('it is refused with %s', async (_, pieces, code) => {
    const r = await cutBed(hands, bed, { on: ON, today: ON, side: 'along', pieces });
    expect(!r.ok && r.failure.code).toBe(code);
    expect(await piecesNow()).toEqual([]);
  });
  test('it is not cut twice, and neither is a piece', async () => {
    await cutBed(hands, bed, { on: ON, today: ON, side: 'along', pieces: halves });
    const others = halves.map((h) => ({ ...h, name: `${h.name} 2` }));
    const again = await cutBed(hands, bed, { on: '2027-05-01', today: ON, side: 'along', pieces: others });
    expect(!again.ok && again.failure.code).toBe('bed-cut');
    const [a] = await piecesNow();
    const piece = await cutBed(hands, a!, { on: ON, today: ON, side: 'along', pieces: others });
    expect(!piece.ok && piece.failure.code).toBe('bed-cut');
  });
});

describe('a piece is cut again', () => {
  const LATER = '2027-04-20';
  const again =
    (side: 'across' | 'along' = 'across', on = LATER) =>
    async (piece: Bed) =>
      cutBed(hands, piece, {
        on,
        today: LATER,
        side,
        pieces: [
          { name: 'upper', use: 'bed', share: 3 },
          { name: 'lower', use: 'path', share: 1 },
        ],
      });
  beforeEach(async () => {
    await cutBed(hands, bed, { on: ON, today: ON, side: 'across', pieces: halves });
  });

  test('its pieces lie in its part of the bed, take what stood on it with their share of its seed, and it is over', async () => {
    const [north, south] = (await piecesNow()) as [Bed, Bed];
    const [stood] = (await coversOf(south.id)) as [Cover];
    expect((await again()(south)).ok).toBe(true);
    const now = await piecesNow();
    expect(now.map((b) => [b.name, b.piece!.share, b.piece!.from, b.piece!.until])).toEqual([
      ['north half', [0, 0.5], ON, null],
      ['south half', [0.5, 1], ON, LATER],
      ['upper', [0.5, 0.875], LATER, null],
      ['lower', [0.875, 1], LATER, null],
    ]);
    const upper = now[2]!;
    expect([upper.length_m, upper.width_m]).toEqual([3, 1.2]);
    expect(upper.area_m2).toBeCloseTo(bed.area_m2 * 0.375, 6);
    const [stands] = (await coversOf(upper.id)) as [Cover];
    expect(stands.id).toBe(stood.id);
    expect(stands.seed.map((s) => s.used_g)).toEqual(stood.seed.map((s) => s.used_g && s.used_g * 0.75));
    expect(await coversOf(south.id)).toEqual([]);
    expect(await coversOf(now[3]!.id)).toEqual([]);
    expect((await coversOf(north.id)).length).toBe(1);
  });
  test('the cloth shows each piece on its days and nothing twice: what stood hangs on from before', async () => {
    const [, south] = (await piecesNow()) as [Bed, Bed];
    await again()(south);
    const all = await db.beds.where({ gardenId }).toArray();
    const covers = await db.covers.where({ gardenId }).toArray();
    const begins = (id: string) => {
      const days = covers.filter((c) => c.bedId === id).map((c) => coverDays(c).from);
      return days.length > 0 ? Math.min(...days) : undefined;
    };
    const cells = cellsOf(all, begins, dayOf('2026-11-01'), dayOf('2027-06-01')).filter(
      (c) => c.strip.id === bed.id,
    );
    for (let d = dayOf('2026-11-01'); d < dayOf('2027-06-01'); d += 7) {
      const on = cells.filter((c) => c.from <= d && d < c.to);
      expect(on.reduce((sum, c) => sum + c.width, 0)).toBeCloseTo(1, 6);
    }
    const hung = (name: string) => cells.filter((c) => c.bed.name === name);
    expect(hung('upper').some((c) => c.from < dayOf(ON))).toBe(true);
    expect(hung('lower').every((c) => c.from >= dayOf(LATER))).toBe(true);
  });
  test('not across what was cut along, not a path, not one that is over, and not on the day it began', async () => {
    const [, south] = (await piecesNow()) as [Bed, Bed];
    const refused = { ok: false, failure: { code: 'bed-cut' } };
    expect(await again('along')(south)).toMatchObject(refused);
    expect(await again('across', ON)(south)).toMatchObject(refused);
    await again()(south);
    const [, over, , path] = await piecesNow();
    expect(await again('across', '2027-04-25')(over!)).toMatchObject(refused);
    expect(await again('across', '2027-04-25')(path!)).toMatchObject(refused);
  });
  test('one undo makes it one piece again', async () => {
    const was = { beds: await db.beds.toArray(), covers: await db.covers.toArray() };
    const [, south] = (await piecesNow()) as [Bed, Bed];
    await again()(south);
    await undo(db, gardenId);
    expect({ beds: await db.beds.toArray(), covers: await db.covers.toArray() }).toEqual(was);
  });
});

describe('while it is cut', () => {
  beforeEach(async () => {
    await cutBed(hands, bed, { on: ON, today: ON, side: 'across', pieces: halves });
  });
  const lettuce = (bedId: string, plantOn: string, clearOn: string) =>
    savePlanting(hands, {
      ...base.plantings[0]!,
      id: `l-${plantOn}`,
      bedId,
      plantOn,
      plantedOn: null,
      clearOn,
      clearedOn: null,
    });
  test('nothing is put on the whole bed on those days, planned or moved there', async () => {
    const r = await lettuce(bed.id, '2028-05-01', '2028-07-01');
    expect(!r.ok && r.failure.code).toBe('bed-cut');
    // A crop that ran into the cut is named as well; one before it is not.
    expect((await lettuce(bed.id, '2019-05-01', '2019-07-01')).ok).toBe(true);
    const moved = await changePlanting(hands, { id: 'l-2019-05-01', gardenId }, 'move', () => ({
      plantOn: '2027-04-01',
      clearOn: '2027-06-01',
    }));
    expect(!moved.ok && moved.failure.code).toBe('bed-cut');
  });
  test('pieces go with their bed: its place, its shape and its place in the row', async () => {
    await placeBeds(
      hands,
      gardenId,
      [{ id: bed.id, patch: { at: { x_m: 50, y_m: 60, turn_deg: 0 }, length_m: 10, area_m2: 12 } }],
      'moved',
    );
    const [a, b] = (await piecesNow()) as [Bed, Bed];
    expect([a.at, a.length_m, a.area_m2]).toEqual([
      { x_m: 50, y_m: 57.5, turn_deg: 0 },
      5,
      expect.closeTo(6, 9),
    ]);
    expect(b.at!.y_m).toBe(62.5);
    await orderBeds(hands, gardenId, [bed.id]);
    expect((await piecesNow()).map((p) => p.order)).toEqual([
      expect.closeTo(0.01, 9),
      expect.closeTo(0.02, 9),
    ]);
  });
  test('a bed that is not there cannot become whole', async () => {
    const gone = { ...bed, id: 'nowhere', name: 'Nowhere' };
    expect(await joinBed(hands, gone, '2027-05-01', '2027-05-01')).toMatchObject({
      failure: { code: 'bed-gone' },
    });
  });
  test('it becomes whole when nothing is on its pieces, on a day from which pieces are no more', async () => {
    const used = await joinBed(hands, bed, '2027-05-01', '2027-05-01');
    expect(!used.ok && [used.failure.code, used.failure.where]).toEqual(['piece-in-use', 'north half']);
    const [piece] = await piecesNow();
    const [there] = await coversOf(piece!.id);
    expect(!used.ok && used.failure.facts).toEqual({ what: coverTitle(there!) });
    for (const p of await piecesNow()) {
      for (const c of await coversOf(p.id))
        await changeCover(hands, c, 'end', 'end', () => ({
          verdict: 'dead',
          endedOn: '2027-05-20',
          passes: [],
        }));
      await db.plantings.where({ bedId: p.id }).delete();
    }
    expect((await joinBed(hands, bed, '2027-06-01', '2027-06-01')).ok).toBe(true);
    expect((await piecesNow()).map((p) => p.piece!.until)).toEqual(['2027-06-01', '2027-06-01']);
    expect((await lettuce(bed.id, '2027-06-01', '2027-08-01')).ok).toBe(true);
    const [a] = await piecesNow();
    const late = await lettuce(a!.id, '2027-05-25', '2027-07-01');
    expect(!late.ok && [late.failure.code, late.failure.facts]).toEqual([
      'piece-ends',
      { until: '2027-06-01' },
    ]);
  });
  test('pieces that never held anything leave nothing behind; a bed that goes takes its pieces along', async () => {
    const other = base.beds.find(
      (b) => !base.covers.some((c) => c.bedId === b.id && c.verdict === null) && b.id !== bed.id,
    )!;
    await db.plantings.where({ bedId: other.id }).delete();
    await db.covers.where({ bedId: other.id }).delete();
    await cutBed(hands, other, {
      on: ON,
      today: ON,
      side: 'along',
      pieces: halves.map((h) => ({ ...h, name: `${h.name} x` })),
    });
    await joinBed(hands, other, ON, ON);
    expect(await db.beds.filter((b) => b.piece?.of === other.id).count()).toBe(0);
    // One of which something was noted stays, and ends on that day.
    await cutBed(hands, other, {
      on: ON,
      today: ON,
      side: 'along',
      pieces: halves.map((h) => ({ ...h, name: `${h.name} y` })),
    });
    const [noted] = (await db.beds.toArray()).filter((b) => b.piece?.of === other.id);
    await db.notes.put({ ...base.notes[0]!, id: 'on the piece', bedId: noted!.id, on: ON });
    await joinBed(hands, other, isoOf(dayOf(ON) + 5), ON);
    const left = (await db.beds.toArray()).filter((b) => b.piece?.of === other.id);
    expect(left.map((b) => [b.id, b.piece!.until])).toEqual([[noted!.id, isoOf(dayOf(ON) + 5)]]);
    await removeBed(hands, bed);
    expect(await piecesNow()).toEqual([]);
    const covers = await db.covers.toArray();
    expect(covers.some((c) => c.parts === standing.parts || c.id === standing.id)).toBe(false);
  });
});
