import { beforeAll, describe, expect, test } from '@jest/globals';
import { membersOf } from '../../catalogue/catalogue.ts';
import { climates, findWay } from '../../catalogue/catalogue.ts';
import { methodsHere, nextCropOf } from '../../questions/methods.ts';
import { FREE_RULES } from '../../questions/rules.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { type MethodHere } from '../termination/method.ts';
import { worthOfEnding } from './endings.ts';
import { takeApart } from '../termination/method.ts';
import { lanes } from './lanes.ts';
import { lastWeeks, type LastWeeks, tryEnding } from './lastWeeks.ts';
import { type ForecastInput, type Standing, standOf } from './standing.ts';

const site = siteFromPattern(climates.find((c) => c.id === 'maritime-cool') ?? climates[0]!, 48);
const cold = siteFromPattern(
  climates.find((c) => c.id === 'humid-continental')!,
  45,
);
const asked = (more: Partial<ForecastInput> = {}): ForecastInput => ({
  site,
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: false,
  members: membersOf([
    { speciesId: 'cereal-rye', share: 0.6 },
    { speciesId: 'hairy-vetch', share: 0.4 },
  ]),
  seed_g_m2: [9, 3],
  sowDay: dayOf('2026-09-15'),
  plantDay: dayOf('2027-06-15'),
  next: nextCropOf('winter-squash', 'transplant'),
  methods: methodsHere({ kit: ['shears', 'opaque-sheet', 'crimper-board'], rules: FREE_RULES }),
  aims: [
    { id: 'feed', strands: 2 },
    { id: 'flowers', strands: 1 },
  ],
  looks: [],
  today: dayOf('2027-04-10'),
  years: 24,
  ...more,
});
const way = (input: ForecastInput, id: string): MethodHere => input.methods.find((m) => m.id === id)!;

test('the stage an ending meets is that of the first kind of a mix, on the day it begins', () => {
  const standing = standOf(asked());
  const { soFar, plan, fromDay } = standing;
  const on = plan.plantAt - 40;
  const e = tryEnding(standing, way(asked(), 'cut'), fromDay + on);
  const stages = soFar.courses.map((c) => c.stage[on * c.members]!).sort((a, b) => a - b);
  expect(e.stageAtStart).toBeGreaterThan(2);
  expect(e.stageAtStart).toBeGreaterThanOrEqual(stages[Math.floor(stages.length / 2) - 1]!);
  expect(e.stageAtStart).toBeLessThanOrEqual(stages[Math.ceil(stages.length / 2)]!);
});

test('what frost has killed is told as dead: oats before winter all green, after it straw', () => {
  const members = membersOf([{ speciesId: 'spring-oats', share: 1 }]);
  const input = asked({ site: cold, members, seed_g_m2: [10], today: dayOf('2026-11-01') });
  const at = (iso: string) => last.days.reduce((a, d) => (d.day <= dayOf(iso) ? d : a));
  const last = lastWeeks(input, undefined);
  expect(at('2026-11-10').living).toBeGreaterThan(0.9);
  const march = at('2027-03-20');
  expect(march.living).toBeLessThan(0.15);
  expect(march.dryMatter_g_m2.mid).toBeGreaterThan(20);
});

describe('the last weeks of rye and vetch', () => {
  const input = asked();
  let standing: Standing;
  let last: LastWeeks;
  beforeAll(() => {
    standing = standOf(input);
    last = lastWeeks(input, way(input, 'cut-twice'), standing);
  });

  test('days run from today to the eve of planting, dry matter grows, and every range holds its middle', () => {
    expect(last.days[0]!.day).toBe(input.today);
    expect(last.days.at(-1)!.day).toBe(input.plantDay - 1);
    for (const d of last.days) {
      expect(d.dryMatter_g_m2.low).toBeLessThanOrEqual(d.dryMatter_g_m2.mid);
      expect(d.dryMatter_g_m2.mid).toBeLessThanOrEqual(d.dryMatter_g_m2.high);
    }
    expect(last.days.at(-1)!.dryMatter_g_m2.mid).toBeGreaterThan(1.3 * last.days[0]!.dryMatter_g_m2.mid);
    const flowers = last.days.map((d) => d.flowerDays.mid);
    expect(flowers).toEqual([...flowers].sort((a, b) => a - b));
  });
  test('what a day of waiting tells is what a cut on that day comes to', () => {
    for (const d of [last.days[3]!, last.days[9]!]) {
      const cut = tryEnding(standing, way(input, 'cut'), d.day);
      expect(cut.nitrogen_g_m2.mid).toBeCloseTo(d.nitrogen_g_m2.mid, 6);
      expect(cut.residue_g_m2.mid).toBeCloseTo(d.residue_g_m2.mid, 6);
    }
  });
  test('rye flowers before vetch by more than a week: three plans, by the first, by the last, in two steps', () => {
    expect(last.apart.map((a) => a.id)).toEqual(['first', 'last', 'two-stages']);
    const [first, second, two] = last.apart;
    expect(first!.speciesId).toBe('cereal-rye');
    expect(second!.speciesId).toBe('hairy-vetch');
    expect(second!.day - first!.day).toBeGreaterThanOrEqual(7);
    expect([two!.day, two!.then]).toEqual([first!.day, second!.day]);
    // Trimmed when the rye flowers there is less to lay down than had it stood.
    expect(two!.ending.dryMatter_g_m2.mid).toBeLessThan(second!.ending.dryMatter_g_m2.mid * 1.2);
  });
  test('now, best and latest: the best is worth most of all days, the latest nearly as much', () => {
    const t = last.timing!;
    const worth = (e: typeof t.now) => worthOfEnding(e, input.aims!);
    expect(t.now.startDay).toBe(input.today);
    expect(worth(t.best)).toBeGreaterThanOrEqual(worth(t.now));
    expect(t.latest.startDay).toBeGreaterThanOrEqual(t.best.startDay);
    expect(worth(t.latest)).toBeGreaterThanOrEqual(
      worth(t.best) - Math.max(0.011, Math.abs(worth(t.best)) * 0.071),
    );
  });
  test('seed begins after flower, later in the middle year than in the early one', () => {
    const flower = Math.min(...last.stages.map((s) => s.flower.mid));
    expect(last.seed.early).toBeGreaterThan(flower);
    expect(last.seed.early).toBeLessThanOrEqual(last.seed.usual);
  });
  test('a later second cut is asked as it hangs: its day moves, the first stays', () => {
    const start = input.plantDay - 24;
    const soon = tryEnding(standing, way(input, 'cut-twice'), start, [0, 6]);
    const late = tryEnding(standing, way(input, 'cut-twice'), start, [0, 18]);
    expect(soon.startDay).toBe(late.startDay);
    expect(late.dead.mid - soon.dead.mid).toBeGreaterThan(5);
  });
});

test('bloom for bees ends in thirds, the last before seed could ripen on a cut stem; rye that ripens meanwhile leaves no time for it', () => {
  const vetch = asked({
    members: membersOf([{ speciesId: 'hairy-vetch', share: 1 }]),
    seed_g_m2: [5],
    plantDay: dayOf('2027-07-20'),
    years: 16,
  });
  const { thirds, stages } = lastWeeks(vetch, way(vetch, 'cut-twice'));
  const days = thirds.map((t) => t.day);
  expect(days).toHaveLength(3);
  expect(days).toEqual([...days].sort((a, b) => a - b));
  expect(days[0]).toBe(Math.round(stages[0]!.flower.mid));
  for (const t of thirds) expect(t.ending.odds.noSeed).toBeGreaterThanOrEqual(0.85);
  const mixed = asked();
  expect(lastWeeks(mixed, way(mixed, 'cut-twice')).thirds).toEqual([]);
});

describe('in lanes', () => {
  const input = asked({ years: 16 });
  const standing = standOf(input);
  test('each lane has its own planting day, stands longer than the one before, and is ready no less surely', () => {
    const three = lanes(standing, way(input, 'cut-twice'), input.aims!, 3, 10, input.today);
    expect(three.map((l) => l.plantDay - input.plantDay)).toEqual([0, 10, 20]);
    const starts = three.map((l) => l.ending.startDay);
    expect(starts[2]!).toBeGreaterThan(starts[0]!);
    for (const l of three) {
      expect(l.ending.startDay).toBeLessThan(l.plantDay);
      expect(l.ending.startDay).toBeGreaterThanOrEqual(input.today);
    }
  });
  test('the first lane is the bed as it is planned', () => {
    const [one] = lanes(standing, way(input, 'cut'), input.aims!, 1, 7, input.today);
    const same = tryEnding(standing, way(input, 'cut'), one!.ending.startDay);
    expect(one!.ending.odds).toEqual(same.odds);
  });
  test('a way that waits for frost has no lanes', () => {
    expect(lanes(standing, way(input, 'winterkill'), input.aims!, 3, 7, input.today)).toEqual([]);
  });
});

describe('what does not ripen apart', () => {
  const apartOf = (ids: [string, string], more: Partial<ForecastInput> = {}) => {
    const input = asked({
      members: membersOf(ids.map((speciesId) => ({ speciesId, share: 0.5 }))),
      seed_g_m2: [7, 7],
      years: 12,
      ...more,
    });
    return lastWeeks(input, way(input, 'cut-twice'));
  };
  test('two kinds that flower within the week are one', () => {
    const last = apartOf(['winter-wheat', 'triticale']);
    const [a, b] = last.stages.map((s) => s.flower.mid);
    expect(Math.abs(a! - b!)).toBeLessThan(7);
    expect(last.apart).toEqual([]);
  });
  test('a member that the winter has taken decides nothing any more', () => {
    const last = apartOf(['cereal-rye', 'phacelia'], { sowDay: dayOf('2026-08-10'), site: cold });
    expect(last.stages[1]!.survives).toBeLessThan(0.3);
    expect(last.apart).toEqual([]);
  });
});

describe('things with sizes decide how long it takes', () => {
  const input = asked({ years: 16 });
  const standing = standOf(input);
  const start = input.plantDay - 60;
  test('under a sheet that lets light through the stand is dead later', () => {
    const dark = tryEnding(standing, way(input, 'sheet'), start);
    const glow = tryEnding(standing, { ...way(input, 'sheet'), coverTimes: 1.5 }, start);
    expect(glow.dead.mid - dark.dead.mid).toBeGreaterThan(5);
  });
  test('a round of hens is over when its last day is over', () => {
    const hens = way(input, 'hens');
    const slow = { ...hens, passes: hens.passes.map((p) => (p.kind === 'hens' ? { ...p, lasts_d: 12 } : p)) };
    expect(takeApart(slow).lastPass_d - takeApart(hens).lastPass_d).toBe(12);
    expect(takeApart(slow).shows_d - takeApart(hens).shows_d).toBe(12);
  });
});

test('one kind alone does not ripen apart, and without bees among the aims no bloom is left', () => {
  const input = asked({
    members: membersOf([{ speciesId: 'cereal-rye', share: 1 }]),
    seed_g_m2: [14],
    aims: [{ id: 'bulk', strands: 3 }],
    years: 10,
  });
  const last = lastWeeks(input, way(input, 'sheet'));
  expect([last.apart, last.thirds]).toEqual([[], []]);
});
test('a kind that frost kills is told to be at the mercy of frost', () => {
  const input = asked({
    members: membersOf([{ speciesId: 'buckwheat', share: 1 }]),
    seed_g_m2: [8],
    sowDay: dayOf('2026-08-20'),
    plantDay: dayOf('2027-04-20'),
    today: dayOf('2026-09-20'),
    years: 10,
  });
  const last = lastWeeks(input, way(input, 'cut'));
  expect(last.weather.frost).toBeGreaterThan(0.9);
  expect(last.weather.heat).toBeLessThan(0.1);
});
