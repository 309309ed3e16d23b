import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { dayOf } from '../calendar/day.ts';
import {
  hoursByWay,
  ledgerOf,
  MOVED,
  MOVED_KINDS,
  type MovedKind,
  type MovedNote,
  type WorkedCover,
} from './ledger.ts';

const year = { name: '2026', from: dayOf('2026-01-01'), to: dayOf('2027-01-01') };
const beds = [
  { id: 'a', area_m2: 10 },
  { id: 'b', area_m2: 5 },
];
const moved = (bedId: string, on: string, what: MovedKind, kg: number, nitrogenPct?: number): MovedNote => ({
  bedId,
  on,
  moved: { what, kg, nitrogenPct },
});
const cover = (bedId: string, method: string, passes: WorkedCover['passes']): WorkedCover => ({
  bedId,
  method,
  passes,
});

describe('the ledger of a year', () => {
  test('30 kg of compost on 10 m² bring 240 g of nitrogen and 18 kg of dry matter; 20 kg of harvest take 50 g', () => {
    const [a] = ledgerOf(
      beds,
      [moved('a', '2026-04-01', 'compost', 30), moved('a', '2026-08-01', 'harvest', 20)],
      [],
      year,
    );
    expect(a!.on).toEqual({ kg: 30, dry_kg: expect.closeTo(18, 9), nitrogen_g: expect.closeTo(240, 9) });
    expect(a!.off.nitrogen_g).toBeCloseTo(50, 9);
    expect(a!.balance_g_m2).toBeCloseTo(19, 9);
  });
  test('what the bag says goes before the table', () => {
    const [a] = ledgerOf(beds, [moved('a', '2026-04-01', 'feed', 2, 7)], [], year);
    expect(a!.on.nitrogen_g).toBeCloseTo(140, 9);
    expect(a!.on.dry_kg).toBeCloseTo(1.8, 9);
  });
  test('what a pass carried off leaves as tops, hay as hay; passes without a time are counted as such', () => {
    const passes = [
      { kind: 'cut', doneOn: '2026-05-01', minutes: 12 },
      { kind: 'rake-off', doneOn: '2026-05-02', took_kg: 40 },
    ];
    const [a, b] = ledgerOf(
      beds,
      [],
      [
        cover('a', 'cut-rake', passes),
        cover('b', 'hay', [{ kind: 'take-hay', doneOn: '2026-06-01', took_kg: 4, minutes: 5 }]),
      ],
      year,
    );
    expect([a!.minutes, a!.untimed, a!.off.nitrogen_g]).toEqual([12, 1, expect.closeTo(200, 9)]);
    expect(b!.off.nitrogen_g).toBeCloseTo(68, 9);
    expect(b!.balance_g_m2).toBeCloseTo(-13.6, 9);
  });
  test('clippings of a path leave it as fresh grass and come onto the bed they were carried to; its minutes are its own', () => {
    const path = {
      id: 'a',
      area_m2: 10,
      life: {
        done: [
          { kind: 'mow', on: '2026-05-01', minutes: 6, took_kg: 20, to: 'b' },
          { kind: 'mow', on: '2026-06-01', took_kg: 10 },
          { kind: 'mow', on: '2026-07-01', minutes: 5 },
          { kind: 'trim', on: '2026-08-01', minutes: 1, took_kg: 10, to: 'b' },
          { kind: 'mow', on: '2027-05-01', minutes: 9, took_kg: 9, to: 'b' },
        ],
      },
    } as const;
    const [a, b] = ledgerOf([path, beds[1]!], [], [], year);
    // 30 kg with 6 g of nitrogen in a kilogram, 10 kg with 5.
    expect(a!.off).toEqual({
      kg: 40,
      dry_kg: expect.closeTo(30 * 0.2 + 10 * 0.17, 9),
      nitrogen_g: expect.closeTo(230, 9),
    });
    expect([a!.on.kg, a!.minutes, a!.untimed]).toEqual([0, 12, 1]);
    expect(b!.on.nitrogen_g).toBeCloseTo(170, 9);
    expect(b!.balance_g_m2).toBeCloseTo(34, 9);
    expect([b!.off.kg, b!.minutes, b!.untimed]).toEqual([0, 0, 0]);
  });
  test('the first day of a year is in it and its last day too; a plan that nobody did is nowhere', () => {
    const days = ['2025-12-31', '2026-01-01', '2026-12-31', '2027-01-01'];
    const [a] = ledgerOf(
      beds,
      days.map((d) => moved('a', d, 'straw', 1)),
      [],
      year,
    );
    expect(a!.on.kg).toBe(2);
    expect(
      ledgerOf(beds, [], [cover('a', 'cut', [{ kind: 'cut', doneOn: null, minutes: 9 }])], year),
    ).toEqual([]);
    expect(ledgerOf(beds, [{ bedId: 'a', on: '2026-05-05' }], [], year)).toEqual([]);
  });
  test('every kind goes one way, holds less nitrogen than dry matter, and adds up whatever the order', () => {
    for (const k of MOVED_KINDS) expect(MOVED[k].nitrogen).toBeLessThan(MOVED[k].dry);
    const note = fc.record({
      what: fc.constantFrom(...MOVED_KINDS),
      kg: fc.double({ min: 0.1, max: 500, noNaN: true }),
      day: fc.integer({ min: 1, max: 28 }),
    });
    fc.assert(
      fc.property(fc.array(note, { minLength: 1, maxLength: 12 }), (all) => {
        const notes = all.map((n) => moved('a', `2026-03-${String(n.day).padStart(2, '0')}`, n.what, n.kg));
        const [one] = ledgerOf(beds, notes, [], year);
        const [other] = ledgerOf(beds, [...notes].reverse(), [], year);
        expect(other!.balance_g_m2).toBeCloseTo(one!.balance_g_m2, 6);
        expect(one!.on.kg + one!.off.kg).toBeCloseTo(
          all.reduce((s, n) => s + n.kg, 0),
          6,
        );
        expect(one!.balance_g_m2 * 10).toBeCloseTo(one!.on.nitrogen_g - one!.off.nitrogen_g, 6);
      }),
    );
  });
});

describe('hours by way', () => {
  const done = (kind: string, minutes?: number) => ({ kind, doneOn: '2026-05-01', minutes });
  test('dearest first, by a hundred square metres only where every pass was timed', () => {
    const covers = [
      cover('a', 'sheet', [done('flatten', 10), done('lay-sheet', 20), done('lift-sheet', 5)]),
      cover('b', 'sheet', [done('flatten', 5), done('lay-sheet')]),
      cover('b', 'cut', [done('cut', 6)]),
    ];
    expect(hoursByWay(beds, covers, year)).toEqual([
      { method: 'sheet', beds: 2, minutes: 40, minutesPer100m2: 350 },
      { method: 'cut', beds: 1, minutes: 6, minutesPer100m2: 120 },
    ]);
  });
  test('a way begun this year and not yet done has its minutes, and no figure for the whole of it', () => {
    const covers = [
      cover('a', 'sheet', [done('lay-sheet', 20), { kind: 'lift-sheet', doneOn: null, minutes: undefined }]),
    ];
    expect(hoursByWay(beds, covers, year)).toEqual([
      { method: 'sheet', beds: 1, minutes: 20, minutesPer100m2: undefined },
    ]);
  });
});

describe('what a year cost the ground and the purse', () => {
  const pass = (kind: string, doneOn: string | null) => ({ kind, doneOn });
  test('the deepest turn and how often; cutting and sheets leave the ground in peace, and so does a plan', () => {
    const covers = [
      cover('a', 'dig', [pass('cut', '2026-05-01'), pass('dig', '2026-05-02'), pass('hoe', '2026-05-03')]),
      cover('b', 'sheet', [pass('lay-sheet', '2026-05-01'), pass('dig', null)]),
    ];
    expect(ledgerOf(beds, [], covers, year).map((r) => r.turned)).toEqual([{ depth_cm: 25, times: 2 }, null]);
  });
  test('a seed bed that was loosened counts with its depth in the year it was sown; seed that was left on top loosens nothing', () => {
    const loosens = (wayId: string) => ({ raked: 3 })[wayId];
    const sown = (bedId: string, wayId: string, sownOn: string, ...passes: ReturnType<typeof pass>[]) => ({
      ...cover(bedId, 'dig', passes),
      wayId,
      sownOn,
    });
    const covers = [
      sown('a', 'raked', '2026-04-01', pass('dig', '2026-06-02')),
      sown('b', 'raked', '2026-08-20'),
      sown('b', 'surface', '2026-04-01'),
      sown('b', 'raked', '2025-08-20'),
    ];
    const turned = ledgerOf(beds, [], covers, year, undefined, loosens).map((r) => [r.bedId, r.turned]);
    expect(turned).toEqual([
      ['a', { depth_cm: 25, times: 2 }],
      ['b', { depth_cm: 3, times: 1 }],
    ]);
  });
  test('seed that was thrown in the year at its price, free lots at none, unknown prices left out', () => {
    const sown = (bedId: string, sownOn: string, lotId: string | null): WorkedCover => ({
      ...cover(bedId, 'cut', []),
      sownOn,
      seed: [
        { speciesId: 'rye', used_g: 250, lotId },
        { speciesId: 'vetch', used_g: null, lotId: null },
        { speciesId: 'odd', used_g: 100, lotId: null },
      ],
    });
    const price = (id: string, lotId: string | null) => (lotId === 'gift' ? 0 : id === 'odd' ? undefined : 4);
    const costs = (covers: WorkedCover[]) => ledgerOf(beds, [], covers, year, price).map((r) => r.seedCost);
    expect(costs([sown('a', '2026-09-01', null), sown('b', '2026-09-01', 'gift')])).toEqual([1]);
    expect(costs([sown('a', '2025-12-31', null)])).toEqual([]);
    expect(costs([sown('a', '2026-01-01', null), sown('a', '2026-12-31', null)])).toEqual([2]);
  });
});
