import { describe, expect, test } from '@jest/globals';
import { endingFiguresOf } from '../../catalogue/catalogue.ts';
import { edgeForce_N_cm, kinked, pressing } from './board.ts';
import { fresh_kg_m2 } from '../stand/fresh.ts';
import { cutMinutes, mowingHeights, stubble_cm, toolsFor } from './cutting.ts';
import { biofumigantBatch_m2, cardboard, digMinutes, firstTrench_l, spread, wetting } from './loads.ts';
import { ownPace } from './ownMinutes.ts';
import { moveList, penPlan } from './pen.ts';
import { layings, neededFor, sheetTimes, together, weightsFor } from './sheets.ts';
import { USUAL_THINGS } from './things.ts';
import { workPlan } from './workPlan.ts';
import { type WorkAsk } from './workAsk.ts';

const kind = (id: string, stage: number) => ({ figures: endingFiguresOf(id)!, stage });
const BED = { width_m: 1.2, length_m: 8 };

describe('a board under a foot', () => {
  test('force is weight over length and edges: 80 kg on 90 cm 8.7 N/cm, stamped 14; three edges a third', () => {
    expect(edgeForce_N_cm(80, 0.9, 1)).toBeCloseTo(8.72, 2);
    expect(edgeForce_N_cm(80, 0.9, 3)).toBeCloseTo(2.91, 2);
    expect(edgeForce_N_cm(55, 0.5, 1)).toBeCloseTo(10.8, 1);
    const p = pressing(BED, { length_m: 0.9, edges: 1 }, 80, [kind('cereal-rye', 4)]);
    expect(p.stamped_N_cm).toBeCloseTo(14, 1);
  });
  test.each([
    [0.9, 2, 108],
    [1.2, 1, 54],
    [0.65, 2, 108],
    [0.5, 3, 162],
    [0.4, 4, 216],
  ])(
    'a board of %f m crosses a bed of 1.2 x 8 m in %i lanes and %i presses of 15 cm',
    (length_m, lanes, presses) => {
      const p = pressing(BED, { length_m, edges: 1 }, 80, [kind('cereal-rye', 3.5)]);
      expect([p.lanes, p.presses, p.step_cm]).toEqual([lanes, presses, 15]);
      expect(p.minutesAPass).toBeCloseTo((presses * 2.8) / 60, 6);
    },
  );
  test('in first flower steps are shorter and passes more; past milk longer', () => {
    const at = (stage: number) =>
      pressing(BED, { length_m: 0.65, edges: 1 }, 75, [kind('cereal-rye', stage)]);
    expect([at(3).step_cm, at(3).passes]).toEqual([10, 3]);
    expect([at(4.2).step_cm, at(4.2).passes]).toEqual([20, 2]);
    expect(at(3).needed_N_cm).toEqual([11, 21]);
    expect(at(4.2).needed_N_cm).toEqual([9, 18]);
  });
  test('the member that stands furthest back sets step and passes, the toughest the force', () => {
    const p = pressing(BED, { length_m: 0.65, edges: 1 }, 75, [
      kind('cereal-rye', 4),
      kind('hairy-vetch', 3),
    ]);
    expect([p.step_cm, p.needed_N_cm]).toEqual([10, [9, 18]]);
  });
  test('below half of what few stems need none kink, from what all need on every one', () => {
    expect([kinked(5, [11, 21]), kinked(21, [11, 21]), kinked(40, [11, 21])]).toEqual([0, 1, 1]);
    expect(kinked(13.25, [11, 21])).toBeCloseTo(0.5, 6);
  });
});

describe('sheets', () => {
  const s = (name: string, width_m: number, length_m: number) => ({ name, width_m, length_m });
  test('one sheet with a hand and a half over on all sides; the smallest that does is taken', () => {
    expect(neededFor(BED).width_m).toBeCloseTo(1.8, 9);
    expect(neededFor(BED).length_m).toBeCloseTo(8.6, 9);
    const found = layings(BED, [s('long', 4, 10), s('narrow', 1.8, 8.6), s('short', 2, 5)]);
    expect(found.map((f) => f.sheets.map((x) => x.name))).toEqual([['narrow'], ['long']]);
    expect(found[0]!.hang_m).toBeCloseTo(0.3, 6);
    expect(layings(BED, [s('a hair too small', 1.79, 8.6)])).toEqual([]);
  });
  test('a sheet is turned where only that fits', () => {
    const [laid] = layings({ width_m: 3.2, length_m: 1.2 }, [s('x', 2, 5)]);
    expect([laid!.turned, laid!.width_m, laid!.length_m]).toEqual([true, 5, 2]);
  });
  test('two sheets of 4 x 6 m over a bed of 10 m lap like tiles; without room for the lap they do not do', () => {
    const bed = { width_m: 0.9, length_m: 10 };
    const [laid] = layings(bed, [s('a', 4, 6), s('b', 4, 6)]);
    expect(laid!.sheets).toHaveLength(2);
    // 12 m of cloth over 10.6 m: the lap is held to a metre, the rest hangs over the ends.
    expect([laid!.lap_m, laid!.length_m]).toEqual([1, 11]);
    expect(laid!.hang_m).toBeCloseTo(0.5, 6);
    expect(layings({ width_m: 0.9, length_m: 11 }, [s('a', 1.6, 6), s('b', 1.6, 6)])).toEqual([]);
  });
  test('sheets in a row lie the way that gets farther along the bed', () => {
    // Either side of both is wide enough; laid the long way two of 5 m make 10 m less the lap.
    const [laid] = layings({ width_m: 1.2, length_m: 8.2 }, [s('a', 2.4, 5), s('b', 5, 2.4)]);
    expect(laid!.sheets).toHaveLength(2);
    expect([laid!.length_m, laid!.lap_m]).toEqual([expect.closeTo(9, 6), expect.closeTo(1, 6)]);
    expect(layings({ width_m: 1.2, length_m: 9.5 }, [s('a', 2.4, 5), s('b', 5, 2.4)])).toEqual([]);
  });
  test('one sheet of 4 x 10 m lies over two beds of 1.2 m and the path between', () => {
    const both = together(BED, BED, 0.5);
    expect(both).toEqual({ width_m: 2.9, length_m: 8 });
    expect(layings(both, [s('long', 4, 10)])).toHaveLength(1);
  });
  test('weights of a sheet of 4 x 10 m in gusts of 60 km/h by exposure', () => {
    const at = (exposure: 'open' | 'garden' | 'sheltered') => weightsFor(4, 10, 60, exposure);
    expect(at('open').edge_kg_m).toBeCloseTo(6.7, 1);
    expect([at('open').points, at('garden').points, at('sheltered').points]).toEqual([28, 24, 19]);
    expect(at('garden').each_kg).toBeCloseTo(4.4, 1);
    expect(at('open').total_kg).toBeGreaterThan(230);
    expect(at('sheltered').total_kg).toBeLessThan(80);
    expect(weightsFor(4, 10, 30, 'sheltered').edge_kg_m).toBe(2);
    expect(weightsFor(4, 10, 100, 'open').bury).toBe(true);
  });
  test('light that comes through makes it lie longer', () => {
    expect(sheetTimes({ sort: 'film', grade: 'sound' })).toBe(1);
    expect(sheetTimes({ sort: 'woven', grade: 'sound' })).toBe(1.3);
    expect(sheetTimes({ sort: 'woven', grade: 'light-through' })).toBeCloseTo(1.82, 2);
  });
});

describe('blades', () => {
  test('stubble: rye in flower 5 cm and no height while leafy; clover of crowns never; buckwheat 3 and 4', () => {
    expect(stubble_cm([kind('cereal-rye', 3)]).kill_cm).toBe(5);
    expect(stubble_cm([kind('cereal-rye', 1.5)]).kill_cm).toBeNull();
    expect(stubble_cm([kind('red-clover', 3)]).kill_cm).toBeNull();
    expect(stubble_cm([kind('buckwheat', 1.5)]).kill_cm).toBe(3);
    expect(stubble_cm([kind('cereal-rye', 3), kind('hairy-vetch', 3)]).kill_cm).toBe(3);
  });
  test('minutes grow with the stand and the hand, and are held where a stand is very light or very heavy', () => {
    expect(cutMinutes('scythe', 400, 'practised')).toBeCloseTo(18, 6);
    expect(cutMinutes('scythe', 800, 'practised')).toBeCloseTo(23.8, 1);
    expect(cutMinutes('scythe', 800, 'beginner')).toBeCloseTo(59.4, 1);
    expect(cutMinutes('shears', 1200, 'expert')).toBeCloseTo(226.6, 1);
    expect(cutMinutes('mower', 10, 'practised')).toBeCloseTo(7.2, 6);
  });
  test('the quickest blade that the stem allows comes first; shears refuse sunn hemp gone woody', () => {
    const rye = toolsFor(
      ['shears', 'sickle', 'hedge-trimmer'],
      [kind('cereal-rye', 3)],
      500,
      1.2,
      'practised',
      false,
    );
    expect(rye.map((f) => f.tool)).toEqual(['hedge-trimmer', 'sickle', 'shears']);
    expect(rye[0]!.fits).toBe('well');
    const hemp = toolsFor(['shears', 'hedge-trimmer'], [kind('sunn-hemp', 4.5)], 800, 2, 'practised', false);
    expect(hemp.find((f) => f.tool === 'shears')).toMatchObject({ fits: 'no', why: 'stem' });
  });
  test('a mower stalls in what is tall or heavy, and at a raised edge', () => {
    const mow = (height: number, dm: number, edged = false) =>
      toolsFor(['mower'], [kind('white-clover', 3)], dm, height, 'practised', edged)[0]!;
    expect(mow(0.3, 200)).toMatchObject({ fits: 'well' });
    expect(mow(0.9, 200)).toMatchObject({ fits: 'awkward', why: 'tall' });
    expect(mow(0.4, 900)).toMatchObject({ fits: 'awkward', why: 'heavy' });
    expect(mow(0.3, 200, true)).toMatchObject({ fits: 'awkward', why: 'edge' });
    expect(mow(0.9, 200).minutesPer100m2).toBeCloseTo(2 * cutMinutes('mower', 200, 'practised'), 6);
  });
  test('fresh mass by stage, and mowing from the top down', () => {
    expect(fresh_kg_m2(440, 3)).toBeCloseTo(2, 6);
    expect(mowingHeights(1.4, 5)).toEqual([56, 22, 5]);
    expect(mowingHeights(0.4, 5)).toEqual([5]);
  });
});

describe('hens in a pen', () => {
  const pen = { ...USUAL_THINGS['hen-pen'], hens: 4 };
  test('four hens in a pen of 1.2 x 2.4 m on 30 m2: 12 spots of 5.4 days', () => {
    const p = penPlan(30, pen);
    expect(p.spots).toBe(12);
    expect(p.daysASpot).toBeCloseTo(5.4, 6);
    expect(p.roundDays).toBeCloseTo(64.8, 6);
    expect(p.nitrogen_g_m2).toBeCloseTo(12, 6);
    expect([p.overManure, p.crowded]).toEqual([false, false]);
  });
  test('by day only they take longer; two rounds are over the manure that a year allows', () => {
    expect(penPlan(30, { ...pen, wholeDay: false }).daysASpot).toBeCloseTo(5.4 / 0.62, 6);
    expect(penPlan(30, pen, 15).overManure).toBe(true);
    expect(penPlan(30, { ...pen, hens: 9 }).crowded).toBe(true);
  });
  test('the list of moves begins each spot when the one before is over', () => {
    const list = moveList(penPlan(10, { ...pen, hens: 8 }));
    expect(list).toHaveLength(4);
    expect(list.map((m) => m.day)).toEqual([0, 3, 5, 8]);
    for (const [i, m] of list.entries()) if (i > 0) expect(m.day).toBe(list[i - 1]!.day + list[i - 1]!.days);
  });
});

test('loads: water, cardboard, compost, trench, spade and mustard in batches', () => {
  expect(wetting(9.6, 'loam', 15)).toMatchObject({ litres: 144, runs: 2, minutes: 9.6 });
  expect(wetting(9.6, 'sand', null).minutes).toBeNull();
  expect(cardboard(9.6).pieces).toBe(55);
  expect(spread(9.6, 10)).toMatchObject({ litres: 960, barrows: 14, kg: 576, minutes: 56 });
  expect(firstTrench_l(1.2)).toBeCloseTo(90, 6);
  expect(digMinutes(100, 'loam', false)).toBe(320);
  expect(biofumigantBatch_m2('loam')).toBeCloseTo(4.04, 2);
  expect(biofumigantBatch_m2('clay')).toBeLessThan(3.1);
});

test('own pace counts from the second logged step of a kind, and is held within bounds', () => {
  const one = { kind: 'cut', minutes: 40, expected: 20 };
  expect(ownPace('cut', [one])).toBeUndefined();
  expect(ownPace('cut', [one, one])).toBeCloseTo(2, 6);
  expect(ownPace('cut', [one, { ...one, minutes: 10 }])).toBeCloseTo(1, 6);
  expect(ownPace('dig', [one, one])).toBeUndefined();
  expect(
    ownPace('cut', [
      { ...one, minutes: 4000 },
      { ...one, minutes: 4000 },
    ]),
  ).toBe(5);
});

describe('the steps of an ending', () => {
  const ask = (more: Partial<WorkAsk>): WorkAsk => ({
    bed: { ...BED, area_m2: 9.6, edged: false, keptPlants: false, obstacles: 0, texture: 'loam' },
    passes: [],
    stand: [kind('cereal-rye', 3), kind('hairy-vetch', 2.5)],
    dm_g_m2: 500,
    height_m: 1.2,
    kit: ['shears', 'sickle', 'spade'],
    sheets: [],
    film: [],
    boards: [],
    pens: [],
    flocks: [],
    person: { mass_kg: 75, skill: 'practised' },
    wind: { exposure: 'garden', gust_km_h: 60 },
    flow_l_min: null,
    logged: [],
    ...more,
  });
  const step = (kindOf: string, more: Partial<WorkAsk> = {}) =>
    workPlan(ask({ passes: [{ kind: kindOf, minutesPer100m2: 100 }], ...more }))[0]!;

  test('a cut says stubble, blade and minutes, edges by hand only with a frame', () => {
    const cut = step('cut');
    expect(cut.facts.map((f) => f.is)).toEqual(['stubble', 'tool', 'other-tools']);
    expect(cut.minutes).toBeCloseTo((cutMinutes('sickle', 500, 'practised') * 9.6) / 100, 6);
  });
  test('along a frame a machine on wheels leaves the edge to the hand: its minutes are added to those of the machine', () => {
    const bed = { ...ask({}).bed, edged: true };
    const [open, framed] = [step('mow', { kit: ['mower'] }), step('mow', { kit: ['mower'], bed })];
    const edges = framed.facts.find((f) => f.is === 'edges')!;
    if (edges.is !== 'edges') throw new Error('no edges');
    expect(edges.metres).toBeCloseTo(2 * (bed.width_m + bed.length_m), 9);
    expect(edges.minutes).toBeGreaterThan(1);
    expect(framed.worked).toBeCloseTo(open.worked + edges.minutes, 6);
  });
  test('what just fills a barrow is one barrow', () => {
    expect([spread(0.7, 10).barrows, spread(0.701, 10).barrows, spread(1.4, 10).barrows]).toEqual([1, 2, 2]);
  });
  test('cardboard takes its pieces, and the walk to lap and wet them by the metre', () => {
    expect(step('lay-cardboard').worked).toBeCloseTo(cardboard(9.6).minutes + 0.4 * 9.6, 6);
    const more = step('lay-cardboard', { bed: { ...ask({}).bed, area_m2: 20 } });
    expect(more.worked).toBeCloseTo(cardboard(20).minutes + 0.4 * 20, 6);
  });
  test('own pace comes after what was worked out, and both are told', () => {
    const logged = [1, 2].map(() => ({ kind: 'cut', minutes: 30, expected: 10 }));
    const cut = step('cut', { logged });
    expect(cut.pace).toBeCloseTo(3, 6);
    expect(cut.minutes).toBeCloseTo(cut.worked * 3, 6);
  });
  test('a sheet that covers the bed is named with its weights; none says what size would', () => {
    const sheets = [{ ...USUAL_THINGS['opaque-sheet'], id: 's', name: 'Long sheet' }];
    expect(step('lay-sheet', { sheets }).facts[0]).toMatchObject({ is: 'sheets', names: ['Long sheet'] });
    expect(step('lay-sheet').facts[0]).toMatchObject({ is: 'no-sheet', length_m: 8.6 });
  });
  test('hens are told of plants that harm them, sheep of others', () => {
    const harms = (k: string) =>
      step(k)
        .facts.filter((f) => f.is === 'harm')
        .map((f) => f.is === 'harm' && [f.speciesId, f.harm]);
    expect(harms('hens')).toEqual([
      ['cereal-rye', 1],
      ['hairy-vetch', 3],
    ]);
    expect(harms('graze')).toEqual([
      ['cereal-rye', 1],
      ['hairy-vetch', 2],
    ]);
  });
  test('mustard under the spade goes in batches of twenty minutes', () => {
    const dig = step('dig', { stand: [kind('brown-mustard', 3)] });
    const batch = dig.facts.find((f) => f.is === 'biofumigate');
    expect(batch).toMatchObject({ batch_m2: biofumigantBatch_m2('loam') });
    expect(step('dig').facts.some((f) => f.is === 'biofumigate')).toBe(false);
    // What is turned in says how it rots, where that is known; a cut does not.
    const rots = { cn: 17, lies_d: 20 };
    for (const kind of ['dig', 'bury'] as const)
      expect(step(kind, { rots }).facts).toContainEqual({ is: 'rots', cn: 17, lies_d: 20 });
    expect(step('cut', { rots }).facts.some((f) => f.is === 'rots')).toBe(false);
    expect(step('dig').facts.some((f) => f.is === 'rots')).toBe(false);
    expect(step('dig', { rots: { cn: Infinity, lies_d: 0 } }).facts.some((f) => f.is === 'rots')).toBe(false);
    expect(step('lay-film', { film_d: 14, afternoon_c: 19 }).facts).toContainEqual({
      is: 'film-days',
      bright_d: 14,
      afternoon_c: 19,
    });
  });

  describe('care', () => {
    const told = (kindOf: string, more: Partial<WorkAsk> = {}) => step(kindOf, more).facts.map((f) => f.is);
    test('bees are told of where a kind they come to is in flower, not before and not after', () => {
      const vetch = (stage: number) => ({ stand: [{ ...kind('hairy-vetch', stage), flowers: 0.8 }] });
      expect([2, 3, 4.5].map((s) => told('cut', vetch(s)).includes('bees'))).toEqual([false, true, false]);
    });
    test('heavy work in warm months goes into the cool of the day; light months say nothing', () => {
      expect(told('dig', { afternoon_c: 24 })).not.toContain('heat');
      expect(step('dig', { afternoon_c: 27 }).facts).toContainEqual({
        is: 'heat',
        afternoon_c: 27,
        severe: false,
      });
      expect(step('cut', { afternoon_c: 31 }).facts).toContainEqual({
        is: 'heat',
        afternoon_c: 31,
        severe: true,
      });
    });
    test('dogs of the house are told of what lies cut, by kind and grade; others are not', () => {
      const harms = (keeps: ('dogs' | 'horses')[]) =>
        step('cut', {
          keeps,
          stand: [kind('narrow-leaf-lupin', 3), kind('winter-wheat', 3)],
        }).facts.filter((f) => f.is === 'harm');
      expect(harms(['dogs'])).toEqual([
        { is: 'harm', speciesId: 'narrow-leaf-lupin', animal: 'dogs', harm: 3 },
      ]);
      expect(harms([])).toEqual([]);
    });
    test('raw manure names the first days of harvest, 120 and 90 days on', () => {
      const hens = workPlan(ask({ passes: [{ kind: 'hens', minutesPer100m2: 60, day: 1000 }] }))[0]!;
      expect(hens.facts).toContainEqual({ is: 'manure', touching: 1120, other: 1090 });
    });
    test('kept plants and what stands in the bed are worked round; a flame has its gate, a sheet nothing under it', () => {
      const bed = { ...ask({}).bed, keptPlants: true, obstacles: 3 };
      expect(step('cut', { bed }).facts).toContainEqual({ is: 'by-hand', keptPlants: true, obstacles: 3 });
      expect(told('flame')).toContain('flame-gate');
      expect(told('lay-sheet')).toContain('nothing-between');
    });
  });
});
