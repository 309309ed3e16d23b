import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { dayOf } from '../calendar/day.ts';
import { cutShape } from '../ground/cut.ts';
import { circle, inside, outlineOf, type Shape, triangle } from '../ground/shape.ts';
import { bareOf, clothOf, unknownOf } from './cloth.ts';
import {
  asOn,
  cellsOf,
  type Cut,
  type Ground,
  isCut,
  isGrown,
  sameGround,
  shareOf,
  worked,
} from './pieces.ts';

const cut = (from: string, until: string | null, share: [number, number], more: Partial<Cut> = {}): Cut => ({
  of: 'b',
  from,
  until,
  side: 'along',
  share,
  use: 'bed',
  ...more,
});
const beds: Ground[] = [
  { id: 'a' },
  { id: 'b' },
  { id: 'b1', piece: cut('2027-04-01', '2027-10-01', [0, 0.25]) },
  { id: 'b2', piece: cut('2027-04-01', '2027-10-01', [0.25, 1]) },
  { id: 'b3', piece: cut('2028-03-01', null, [0, 0.5], { use: 'path' }) },
  { id: 'b4', piece: cut('2028-03-01', null, [0.5, 1]) },
];
const on = (iso: string) => worked(beds, dayOf(iso)).map((b) => b.id);

test('a bed is worked as a whole until the day it is cut, in pieces up to the day before it is whole again', () => {
  expect([isCut('b', beds, dayOf('2027-03-31')), isCut('b', beds, dayOf('2027-04-01'))]).toEqual([
    false,
    true,
  ]);
  expect([isCut('b', beds, dayOf('2027-09-30')), isCut('b', beds, dayOf('2027-10-01'))]).toEqual([
    true,
    false,
  ]);
  // Pieces still to come are worked on ahead; joined ones are not.
  expect(on('2027-03-01')).toEqual(['a', 'b', 'b1', 'b2', 'b3', 'b4']);
  expect(on('2027-06-01')).toEqual(['a', 'b1', 'b2', 'b3', 'b4']);
  expect(on('2027-10-01')).toEqual(['a', 'b', 'b3', 'b4']);
  expect(on('2029-01-01')).toEqual(['a', 'b3', 'b4']);
  expect(beds.map(isGrown)).toEqual([true, true, true, true, false, true]);
  expect(beds.map(shareOf)).toEqual([1, 1, 0.25, 0.75, 0.5, 0.5]);
});

test('a piece goes by what was on its bed, a bed by what was on all its pieces, and a piece not by its neighbour', () => {
  expect([...sameGround('b1', beds)]).toEqual(['b1', 'b']);
  // Cut again, a piece goes by the pieces that lay there before; those that lay beside it are another story.
  expect([...sameGround('b4', beds)].sort()).toEqual(['b', 'b2', 'b4']);
  expect([...sameGround('b3', beds)].sort()).toEqual(['b', 'b1', 'b2', 'b3']);
  const across = beds.map((b) =>
    b.id === 'b4' ? { ...b, piece: { ...b.piece!, side: 'across' as const } } : b,
  );
  expect([...sameGround('b4', across)].sort()).toEqual(['b', 'b1', 'b2', 'b4']);
  expect([...sameGround('b', beds)].sort()).toEqual(['b', 'b1', 'b2', 'b3', 'b4']);
  expect([...sameGround('a', beds)]).toEqual(['a']);
});

test('the cloth hangs the whole bed, then its pieces beside each other, then the whole bed again', () => {
  const cells = (begins: Record<string, string> = {}) =>
    cellsOf(
      beds,
      (id) => (begins[id] ? dayOf(begins[id]) : undefined),
      dayOf('2027-01-01'),
      dayOf('2028-12-31'),
    ).map((c) => [c.bed.id, c.strip.id, c.from, c.to, c.left, c.width]);
  const d = dayOf;
  expect(cells()).toEqual([
    ['a', 'a', d('2027-01-01'), d('2028-12-31'), 0, 1],
    ['b', 'b', d('2027-01-01'), d('2027-04-01'), 0, 1],
    ['b1', 'b', d('2027-04-01'), d('2027-10-01'), 0, 0.25],
    ['b2', 'b', d('2027-04-01'), d('2027-10-01'), 0.25, 0.75],
    ['b', 'b', d('2027-10-01'), d('2028-03-01'), 0, 1],
    ['b3', 'b', d('2028-03-01'), d('2028-12-31'), 0, 0.5],
    ['b4', 'b', d('2028-03-01'), d('2028-12-31'), 0.5, 0.5],
  ]);
  // A cover that stood when the bed was cut hangs in the pieces from its sowing on, in all of them alike.
  expect(cells({ b2: '2027-02-10' }).slice(1, 4)).toEqual([
    ['b', 'b', d('2027-01-01'), d('2027-02-10'), 0, 1],
    ['b1', 'b', d('2027-02-10'), d('2027-10-01'), 0, 0.25],
    ['b2', 'b', d('2027-02-10'), d('2027-10-01'), 0.25, 0.75],
  ]);
  // Where a path is now, there was what the piece beside it went on with.
  expect(cells({ b4: '2028-02-01' }).slice(-3)).toEqual([
    ['b4', 'b', d('2028-02-01'), d('2028-03-01'), 0, 0.5],
    ['b4', 'b', d('2028-02-01'), d('2028-12-31'), 0.5, 0.5],
    ['b3', 'b', d('2028-03-01'), d('2028-12-31'), 0, 0.5],
  ]);
});

test('every day of every strip hangs once, however often its bed is cut', () => {
  const day = fc.integer({ min: 0, max: 400 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(day, fc.option(day, { nil: null }), fc.nat(3)), { maxLength: 3 }),
      (cuts) => {
        const iso = (n: number) => new Date(Date.UTC(2027, 0, 1) + n * 86_400_000).toISOString().slice(0, 10);
        const sorted = [...cuts].sort((x, y) => x[0] - y[0]);
        const all: Ground[] = [{ id: 'b' }];
        sorted.forEach(([from, until, n], k) => {
          // One cut after the other, as the records let them be.
          const next = sorted[k + 1]?.[0] ?? Infinity;
          const end = Math.min(until === null ? Infinity : Math.max(from, until), next);
          for (let i = 0; i <= n; i++)
            all.push({
              id: `${k}.${i}`,
              piece: cut(iso(from), end === Infinity ? null : iso(end), [i / (n + 1), (i + 1) / (n + 1)]),
            });
        });
        const from = dayOf('2027-01-01');
        const cells = cellsOf(all, () => undefined, from, from + 365);
        for (let at = from; at < from + 365; at += 7) {
          const here = cells.filter((c) => c.from <= at && at < c.to);
          expect(here.reduce((s, c) => s + c.width, 0)).toBeCloseTo(1, 9);
        }
      },
    ),
  );
});

const bed: Shape & { at: { x_m: number; y_m: number; turn_deg: number } } = {
  width_m: 1.2,
  length_m: 8,
  area_m2: 9.6,
  ring: null,
  at: { x_m: 10, y_m: 20, turn_deg: 90 },
};

test('a rectangle is cut into strips along its longer side or pieces across it, and they lie where they were cut', () => {
  const strip = cutShape(bed, 'along', [0, 0.25]);
  expect([strip.width_m, strip.length_m, strip.ring]).toEqual([0.3, 8, null]);
  expect(strip.area_m2).toBeCloseTo(2.4, 9);
  // Turned by 90 degrees clockwise, the left edge of a bed lies to the top.
  expect(strip.at!.x_m).toBeCloseTo(10, 9);
  expect(strip.at!.y_m).toBeCloseTo(20 - 0.45, 9);
  const far = cutShape(bed, 'across', [0.5, 1]);
  expect([far.width_m, far.length_m]).toEqual([1.2, 4]);
  expect(far.at!.x_m).toBeCloseTo(10 - 2, 9);
  // A bed that lies broad is cut along its breadth.
  expect(cutShape({ ...bed, width_m: 8, length_m: 1.2, at: null }, 'along', [0, 0.5])).toEqual({
    width_m: 8,
    length_m: 0.6,
    area_m2: 4.8,
    ring: null,
    at: null,
  });
});

test('beds of any shape come apart into pieces that hold their ground together and lie inside them', () => {
  const rings = [circle(3), triangle(4, 3, 0.3)];
  fc.assert(
    fc.property(
      fc.constantFrom(...rings),
      fc.constantFrom('along' as const, 'across' as const),
      fc.integer({ min: 2, max: 6 }),
      fc.integer({ min: 0, max: 359 }),
      (ring, side, n, turn_deg) => {
        const whole = { width_m: null, length_m: null, area_m2: 7, ring, at: { x_m: 3, y_m: 4, turn_deg } };
        const pieces = Array.from({ length: n }, (_, i) => cutShape(whole, side, [i / n, (i + 1) / n]));
        expect(pieces.reduce((s, p) => s + p.area_m2, 0)).toBeCloseTo(7, 6);
        const outline = outlineOf(whole, whole.at);
        for (const p of pieces) {
          const at = outlineOf({ ...p }, p.at!);
          const middle = [0, 1].map((k) => at.reduce((s, q) => s + q[k]!, 0) / at.length) as [number, number];
          expect(inside(middle, outline)).toBe(true);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('bare days of a piece count by its share, a path never; what was on the bed is known on the piece', () => {
  const on = (bedId: string, plantOn: string, clearOn: string) => ({
    id: `${bedId} ${plantOn}`,
    bedId,
    cropId: 'leek',
    plantOn,
    plantedOn: plantOn,
    clearOn,
    clearedOn: clearOn,
  });
  const ground: Ground[] = [
    { id: 'b' },
    { id: 'p', piece: cut('2027-04-01', null, [0, 0.25], { use: 'path' }) },
    { id: 'q', piece: cut('2027-04-01', null, [0.25, 1]) },
  ];
  const crops = [on('b', '2027-03-01', '2027-03-22'), on('q', '2027-04-11', '2027-05-01')];
  const cloth = clothOf(ground, crops, [], dayOf('2027-03-01'), dayOf('2027-05-01'));
  // Ten days of the whole bed, ten of three quarters of it.
  expect(bareOf(cloth)).toBe(Math.round(10 + 0.75 * 10));
  expect(unknownOf(cloth, dayOf('2027-05-01'))).toBe(0);
  const planned = [{ ...crops[1]!, plantedOn: null, clearedOn: null }];
  expect(
    unknownOf(clothOf(ground, planned, [], dayOf('2027-04-11'), dayOf('2027-05-01')), dayOf('2027-05-01')),
  ).toBe(15);
  expect(asOn('q', ground, crops).map((p) => [p.id, p.bedId])).toEqual([
    ['b 2027-03-01', 'q'],
    ['q 2027-04-11', 'q'],
  ]);
  expect(asOn('p', ground, crops).map((p) => p.id)).toEqual(['b 2027-03-01']);
});
