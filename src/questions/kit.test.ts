import { describe, expect, test } from '@jest/globals';
import { methods } from '../catalogue/catalogue.ts';
import { usualThing, type Thing } from '../records/things.ts';
import { methodsHere } from './methods.ts';
import { FREE_RULES } from './rules.ts';
import { loggedWork, stageOn } from './work.ts';
import { type Cover } from '../records/types.ts';

const asked = <T extends Thing['of']>(of: T, more: Partial<Thing> = {}): Thing =>
  ({ ...usualThing(of, of), asked: true, ...more }) as Thing;
const BED = { edged: false, keptPlants: false, width_m: 1.2, length_m: 8, area_m2: 9.6 };
const way = (id: string, things: Thing[], bed = BED) =>
  methodsHere({ kit: ['shears'], things, rules: FREE_RULES }, bed).find((m) => m.id === id)!;

describe('what things with sizes make of the ways of ending', () => {
  test('a sheet that is too small for the bed rules the sheet out and says what size would do', () => {
    const small = way('sheet', [asked('opaque-sheet', { width_m: 2, length_m: 5 })]);
    expect(small.missing).toEqual(['no sheet of 1.8 m x 8.6 m or more, nor two that lap']);
    expect(way('sheet', [asked('opaque-sheet', { width_m: 2, length_m: 9 })]).missing).toEqual([]);
    const two = [1, 2].map((i) => asked('opaque-sheet', { id: `s${i}`, width_m: 2, length_m: 5 }));
    expect(way('sheet', two).missing).toEqual([]);
    expect(way('cut', [asked('opaque-sheet', { width_m: 2, length_m: 5 })]).missing).toEqual([]);
  });
  test('plants that are kept in a bed rule out what would kill or spoil them, and nothing else', () => {
    const all = (keptPlants: boolean) =>
      methodsHere({ kit: ['shears'], things: [], rules: FREE_RULES }, { ...BED, keptPlants });
    for (const m of methods) {
      const said = (kept: boolean) => all(kept).find((w) => w.id === m.id)!.missing;
      const more = said(true).filter((words) => !said(false).includes(words));
      expect([m.id, more]).toEqual([
        m.id,
        m.keptPlants === 'safe'
          ? []
          : [`plants kept in this bed would ${m.keptPlants === 'killed' ? 'die' : 'be spoiled'}`],
      ]);
    }
  });
  test('a size that nobody was asked about rules nothing out', () => {
    expect(
      way('sheet', [{ ...usualThing('opaque-sheet', 's'), width_m: 1, length_m: 2 } as Thing]).missing,
    ).toEqual([]);
  });
  test('under the best sheet that fits it takes as long as its cloth lets light through', () => {
    const woven = asked('opaque-sheet', { sort: 'woven' });
    expect(way('sheet', [woven]).coverTimes).toBeCloseTo(1.3, 9);
    expect(way('sheet', [woven, asked('opaque-sheet', { id: 'f' })]).coverTimes).toBeUndefined();
  });
  test('rounds of hens last as long as pen, number and bed make them, the second begins when the first is over', () => {
    const hens = (n: number) =>
      way('hens', [asked('hen-pen', { hens: n } as Partial<Thing>)]).passes.filter((p) => p.kind === 'hens');
    // 9.6 m2 in four spots of 2.88 m2: 6 hens make 2.08 hen-days on a square metre each day.
    expect(hens(6)).toMatchObject([
      { after_d: 1, lasts_d: 14 },
      { after_d: 22, lasts_d: 14 },
    ]);
    expect(hens(2)).toMatchObject([
      { after_d: 1, lasts_d: 43 },
      { after_d: 51, lasts_d: 43 },
    ]);
    expect(way('hens', [usualThing('hen-pen', 'p')]).passes.every((p) => p.lasts_d === undefined)).toBe(true);
  });
  test('a tool counts whether it is ticked or has a size', () => {
    expect(way('crimp', []).missing).toEqual(['crimper board']);
    expect(way('crimp', [asked('crimper-board')]).missing).toEqual([]);
    const ticked = methodsHere({ kit: ['crimper-board'], rules: FREE_RULES }).find((m) => m.id === 'crimp')!;
    expect(ticked.missing).toEqual([]);
  });
});

test('the stage of a member on a day lies straight between its middle days', () => {
  const at = (mid: number) => ({ low: mid, mid, high: mid });
  const s = { up: at(0), bud: at(40), flower: at(60), milk: at(80), seed: at(Infinity) };
  expect([0, 20, 40, 50, 60, 70].map((d) => stageOn(s, d))).toEqual([1, 1.5, 2, 2.5, 3, 3.5]);
  expect(stageOn(s, -5)).toBe(0);
  expect(stageOn(s, 200)).toBe(4);
});

test('own minutes are those of steps that were done, said and worked out', () => {
  const pass = { kind: 'cut', due: '2027-05-01', doneOn: '2027-05-01' };
  const covers = [
    {
      passes: [
        { ...pass, minutes: 30, expected: 20 },
        { ...pass, minutes: 12 },
      ],
    },
    { passes: [{ ...pass, doneOn: null, minutes: 9, expected: 9 }, pass] },
  ] as unknown as Cover[];
  expect(loggedWork(covers)).toEqual([{ kind: 'cut', minutes: 30, expected: 20 }]);
});
