import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { crops, membersOf } from '../../catalogue/catalogue.ts';
import { type AimFigures, plentyOfNitrogen, served, serves, worthOf } from './aims.ts';

const next = (id: string) => ({ ...crops.find((c) => c.id === id)!, way: 'transplant' as const });
const squash = next('winter-squash');
const buckwheat = membersOf([{ speciesId: 'buckwheat', share: 1 }]);
const nothing: AimFigures = {
  nitrogenNext_g_m2: 0,
  held: 0,
  smothers: 0,
  residueAtPlanting_g_m2: 0,
  flower_d: 0,
  dm_g_m2: 0,
  caught_g_m2: 0,
  minutesPer100m2: 250,
};
const of = (more: Partial<AimFigures>) => serves(buckwheat, squash, { ...nothing, ...more });
const sure = { inTime: 1, dead: 1, noSeed: 1 };

describe('how far an aim is served', () => {
  test('each is its quantity over what would be plenty of it, and never more than whole', () => {
    expect(of({ residueAtPlanting_g_m2: 300 }).bulk).toBeCloseTo(0.5, 9);
    expect(of({ caught_g_m2: 2 }).catch).toBeCloseTo(0.25, 9);
    expect(of({ minutesPer100m2: 125 }).ease).toBeCloseTo(0.5, 9);
    expect(of({ flower_d: 10 }).flowers).toBeCloseTo(0.4 * buckwheat[0]!.species.worth.flowers, 9);
    expect(of({ dm_g_m2: 600 }).loosen).toBeCloseTo(buckwheat[0]!.species.worth.loosening, 9);
    expect(of({ residueAtPlanting_g_m2: 5000, caught_g_m2: 90 })).toMatchObject({ bulk: 1, catch: 1 });
  });
  test('feeding is six tenths of the need; what takes serves worse than nothing, down to half', () => {
    const plenty = squash.nitrogenNeed_g_m2 * 0.6;
    expect(of({ nitrogenNext_g_m2: plenty / 2 }).feed).toBeCloseTo(0.5, 9);
    expect(of({ nitrogenNext_g_m2: -plenty / 4 }).feed).toBeCloseTo(-0.25, 9);
    expect(of({ nitrogenNext_g_m2: -9 * plenty }).feed).toBe(-0.5);
  });
  test('a crop that asks for little has plenty with 2 g/m2, not with next to nothing', () => {
    expect(plentyOfNitrogen({ ...squash, nitrogenNeed_g_m2: 0 })).toBe(2);
    expect(plentyOfNitrogen({ ...squash, nitrogenNeed_g_m2: 3 })).toBe(2);
    expect(plentyOfNitrogen({ ...squash, nitrogenNeed_g_m2: 20 })).toBe(12);
  });
  test('strands weigh aims; without any, ground held counts', () => {
    const two = [
      { id: 'bulk', strands: 3 },
      { id: 'hold', strands: 1 },
    ];
    expect(served({ bulk: 1, hold: 0 }, two)).toBe(0.75);
    expect(served({ bulk: 1, hold: 0.4 }, [])).toBe(0.4);
  });
});

describe('what an ending is worth', () => {
  const aim = [{ id: 'hold', strands: 1 }];
  const worth = (odds: Partial<typeof sure>, minutes = 0, idle_d = 0, hold = 1) =>
    worthOf({ hold }, aim, { ...sure, ...odds }, minutes, idle_d);
  test('served times the odds; one that is never ready keeps a twentieth, for the ground it has held', () => {
    expect(worth({}) - worth({ dead: 0 })).toBeCloseTo(0.02, 9);
    expect(worth({ inTime: 0, dead: 0 })).toBeCloseTo(0.05, 9);
    expect(worth({ inTime: 0.5, dead: 0 })).toBeCloseTo(0.525, 9);
  });
  test('a year that sheds seed counts half', () => expect(worth({ noSeed: 0, dead: 0 })).toBeCloseTo(0.5, 9));
  test('an hour on 100 m2 costs a hundredth; a month idle past five weeks three and a third', () => {
    expect(worth({}) - worth({}, 60)).toBeCloseTo(0.01, 9);
    expect(worth({}) - worth({}, 0, 35)).toBe(0);
    expect(worth({}) - worth({}, 0, 65)).toBeCloseTo(30 / 900, 9);
  });
  test('of a gap under fifteen weeks a third is free, and each day past it costs by the square of how short it is', () => {
    const lost = (gap_d: number, idle_d: number) =>
      worth({}) - worthOf({ hold: 1 }, aim, sure, 0, idle_d, gap_d);
    expect(lost(45, 15)).toBeCloseTo(0, 9);
    expect(lost(45, 25)).toBeCloseTo((10 / 900) * (105 / 45) ** 2, 9);
    expect([lost(105, 65), lost(250, 65), lost(500, 65)].map((x) => x * 900)).toEqual(
      [30, 30, 30].map((x) => expect.closeTo(x, 6)),
    );
  });
  test('what takes more than it gives is made no better by seldom coming off', () => {
    expect(worth({ inTime: 0.1, dead: 0 }, 0, 0, -0.4)).toBeCloseTo(-0.4, 9);
  });
  test('better odds, less seed, less work and more served are never worth less', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, share, (a, b, seed, dead, hold) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const at = (inTime: number, noSeed: number, minutes: number, h: number) =>
          worth({ inTime, noSeed, dead }, minutes, 0, h);
        expect(at(high, seed, 30, hold)).toBeGreaterThanOrEqual(at(low, seed, 30, hold));
        expect(at(seed, high, 30, hold)).toBeGreaterThanOrEqual(at(seed, low, 30, hold));
        expect(at(seed, dead, 30, high)).toBeGreaterThanOrEqual(at(seed, dead, 30, low));
        expect(at(seed, dead, 30, hold)).toBeGreaterThanOrEqual(at(seed, dead, 90, hold));
      }),
    );
  });
});
