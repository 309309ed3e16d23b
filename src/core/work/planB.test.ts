import { describe, expect, test } from '@jest/globals';
import { type EndingAnswer } from '../plan/answers.ts';
import { planBOf } from './planB.ts';

const PLANT = 200;
const way = (method: string, startDay: number, readyMostly: number, more: Partial<EndingAnswer> = {}) =>
  ({
    method,
    startDay,
    readyMostly,
    odds: { inTime: 0.9, warm: 0.9, dead: 1, noSeed: 1 },
    dead: { low: 120, mid: 140, high: 160 },
    ...more,
  }) as EndingAnswer;
const pass = (kind: string, on: number, done = false) => ({ kind, on, done });
const sheet = way('sheet', 150, 185);
const ask = (passes: ReturnType<typeof pass>[], more: Partial<Parameters<typeof planBOf>[0]> = {}) =>
  planBOf({
    ending: way('winterkill', 140, 160),
    passes,
    others: [way('winterkill', 140, 160), sheet],
    plantDay: PLANT,
    today: 100,
    looks: [124, 130],
    rain_mm: new Map(),
    ...more,
  });

describe('plan B', () => {
  test('takes the days it takes from its own best day, and must begin that long before planting', () => {
    expect(ask([pass('check', 150)])).toMatchObject({ method: 'sheet', takes_d: 35, latest: 165, odds: 0.9 });
  });
  test('frost that has not come by the day on which it has come in nine years of ten is not waited for', () => {
    expect(ask([pass('check', 150)])).toMatchObject({ trigger: 'no-frost', decideOn: 160 });
    const late = way('winterkill', 140, 160, { dead: { low: 120, mid: 150, high: 190 } });
    expect(ask([pass('check', 150)], { ending: late })!.decideOn).toBe(165);
    const never = way('winterkill', 140, 160, { dead: { low: 120, mid: Infinity, high: Infinity } });
    expect(ask([pass('check-heat', 150)], { ending: never })).toMatchObject({
      trigger: 'no-heat',
      decideOn: 165,
    });
  });
  test.each([
    ['not-in-flower', [pass('crimp', 150), pass('crimp', 156)], 165],
    ['green-under', [pass('flatten', 120, true), pass('lay-sheet', 120, true), pass('lift-sheet', 160)], 160],
    ['ground-unfit', [pass('cut', 110, true), pass('dig', 111)], 165],
    ['green-crowns', [pass('cut', 118, true), pass('cut', 128)], 130],
    ['green-crowns', [pass('crimp', 118, true), pass('crimp', 124)], 130],
    ['not-ripe', [pass('check-seed', 170)], 160],
  ] as const)('%s', (trigger, passes, decideOn) => {
    expect(ask([...passes])).toMatchObject({ trigger, decideOn });
  });
  test('the day of decision is never in the past, and a plan B that is too late says since when', () => {
    expect(ask([pass('check', 150)], { today: 180 })).toMatchObject({ decideOn: 180, latest: 165 });
  });
  test('a way that must begin before the look that calls for it is no plan B; a quicker one is, though it is worth less', () => {
    const long = way('sheet', 130, 200);
    const quick = way('dig', 170, 184);
    const cut = [pass('cut', 150), pass('cut', 160)];
    const looks: [number, number] = [167, 174];
    expect(ask(cut, { others: [long, quick], looks })).toMatchObject({
      method: 'dig',
      latest: 186,
      fits: true,
    });
    expect(ask(cut, { others: [long], looks })).toMatchObject({ method: 'sheet', latest: 130, fits: false });
    // What is ready at once is ready because the first way had killed it.
    expect(ask(cut, { others: [way('crimp', 190, 190)], looks })).toBeUndefined();
  });
  test('under a sheet nothing can be said before the first year in ten has it dead', () => {
    const lies = [pass('lay-sheet', 110, true), pass('lift-sheet', 160)];
    const ending = way('sheet', 110, 165, { dead: { low: 148, mid: 155, high: 162 } });
    const soon = way('crimp', 110, 165);
    const dig = way('dig', 150, 170);
    expect(ask(lies, { ending, others: [soon, dig] })).toMatchObject({
      method: 'dig',
      decideOn: 162,
      fits: true,
    });
    expect(ask(lies, { ending, others: [soon] })).toMatchObject({
      method: 'crimp',
      latest: 145,
      fits: false,
    });
  });
  test('no other way, or none that is ever ready, is no plan B', () => {
    expect(ask([pass('check', 150)], { others: [way('winterkill', 1, 2)] })).toBeUndefined();
    expect(ask([pass('check', 150)], { others: [way('sheet', 150, Infinity)] })).toBeUndefined();
  });
  test('rain within three days after a pressing sets it back; less, later, or on a spade does not', () => {
    const after = (kind: string, ...rain: [number, number][]) =>
      ask([pass(kind, 118, true)], { rain_mm: new Map(rain) })!.rained_mm;
    expect(after('crimp', [118, 4], [120, 3])).toBe(7);
    expect(after('crimp', [118, 4])).toBe(0);
    expect(after('crimp', [121, 30])).toBe(0);
    expect(after('dig', [118, 30])).toBe(0);
    expect(after('cut', [119, 7])).toBe(0);
  });
});
