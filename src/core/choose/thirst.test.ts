import { describe, expect, test } from '@jest/globals';
import { allCovers, crops, findWay } from '../../catalogue/catalogue.ts';
import { places } from '../../catalogue/places.ts';
import { methodsHere } from '../../questions/methods.ts';
import { forecastInput, sowTodayInput } from '../../questions/cover.ts';
import { coverOf } from '../../questions/draft.ts';
import { gapQuestion, watersThrough } from '../../questions/gap.ts';
import { demoKept } from '../../records/testStore.ts';
import { FREE_RULES } from '../../questions/rules.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromNormals } from '../climate/normals.ts';
import { forecastCover } from '../forecast/forecast.ts';
import { thirstOf } from './begin.ts';
import { gapEnsemble, sampleFor } from './choose.ts';
import { type ChooseInput } from './input.ts';

const siteOf = (town: string) => {
  const fit = siteFromNormals(places.find((p) => p.name.startsWith(town))!);
  if (!fit.ok) throw new Error(fit.failure.code);
  return fit.value;
};
const thirst = (town: string, from: string, to: string) => thirstOf(siteOf(town), dayOf(from), dayOf(to));

describe('a gap that rain leaves dry', () => {
  test.each([
    ['Phoenix', '2027-06-01', '2027-09-10', true],
    ['Lisbon', '2027-06-10', '2027-09-15', true],
    ['Cape Town', '2026-12-10', '2027-03-10', true],
    // Winter rain, monsoon, a short spring and summers with rain in them.
    ['Lisbon', '2026-10-15', '2027-04-15', false],
    ['Delhi', '2027-07-01', '2027-10-01', false],
    ['Phoenix', '2027-01-05', '2027-02-10', false],
    ['Manchester', '2027-05-01', '2027-09-01', false],
    ['Atlanta', '2027-06-01', '2027-09-01', false],
  ])('%s from %s to %s: %s', (town, from, to, dry) => {
    expect(thirst(town, from, to).dry).toBe(dry);
  });
  test('is told in millimetres: what falls in these months, and what a closed cover drinks in such weather', () => {
    const summer = thirst('Phoenix', '2027-06-01', '2027-09-01');
    // Normals of June to August: 1 + 23 + 24 mm.
    expect(Math.abs(summer.rain_mm - 48)).toBeLessThan(6);
    expect(summer.drinks_mm).toBeGreaterThan(550);
    expect(summer.drinks_mm).toBeLessThan(850);
    const half = thirst('Phoenix', '2027-06-01', '2027-07-17').drinks_mm;
    expect(half / summer.drinks_mm).toBeCloseTo(0.5, 1);
  });
  test('is watered through where there is a hose, and lives on rain where there is none', () => {
    const days = [dayOf('2027-06-01'), dayOf('2027-09-10')] as const;
    const site = siteOf('Phoenix');
    expect(watersThrough({ kit: ['hose'], site }, ...days)).toBe(true);
    expect(watersThrough({ kit: ['rake'], site }, ...days)).toBe(false);
    expect(watersThrough({ kit: ['hose'], site: siteOf('Manchester') }, ...days)).toBe(false);
  });
});

test('in a desert summer cowpea closes and feeds where it is watered, and starves where it is not', () => {
  const input: ChooseInput = {
    site: siteOf('Phoenix'),
    soil: { texture: 'loam', fertility: 'fair' },
    way: findWay('raked')!,
    watered: true,
    gap: {
      freeDay: dayOf('2027-06-01'),
      plantDay: dayOf('2027-09-10'),
      next: { ...crops.find((c) => c.id === 'broccoli')!, way: 'transplant' },
    },
    candidates: allCovers(),
    methods: methodsHere({ kit: ['flail-mower', 'rake', 'hose'], rules: FREE_RULES }),
    aims: [{ id: 'feed', strands: 3 }],
    bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
    keepsSafe: [],
    hazards: {},
    years: 20,
  };
  const cowpea = (more: Partial<ChooseInput>) => {
    const asked = { ...input, ...more };
    return sampleFor(
      asked.candidates.find((c) => c.id === 'cowpea')!,
      asked,
      gapEnsemble(asked),
    );
  };
  const [wet, dry] = [cowpea({ irrigated: true }), cowpea({})];
  expect(wet.irrigated).toBe(true);
  expect(wet.best!.odds.inTime).toBeGreaterThan(0.8);
  expect(wet.best!.dryMatter_g_m2.mid).toBeGreaterThan(350);
  expect(dry.best!.dryMatter_g_m2.mid).toBeLessThan(150);
  expect(wet.best!.serves.feed!).toBeGreaterThan(dry.best!.serves.feed! + 0.2);
});

describe('a question of a garden in the desert', () => {
  const kept = demoKept();
  const garden = { ...kept.garden, site: siteOf('Phoenix') };
  const bed = kept.beds[0]!;
  const asked = {
    wayId: 'raked',
    freeDay: dayOf('2027-06-01'),
    plantDay: dayOf('2027-09-10'),
    nextId: 'broccoli',
    nextWay: 'transplant' as const,
    aims: [],
    years: 10,
  };
  const irrigated = (more: { irrigated?: boolean }, kit = garden.kit) =>
    gapQuestion({ ...kept, garden: { ...garden, kit }, bed }, { ...asked, ...more }).irrigated;
  test('goes by the climate while nothing is said, and by what is said', () => {
    expect([irrigated({}), irrigated({ irrigated: false })]).toEqual([true, false]);
    const noHose = garden.kit.filter((k) => k !== 'hose');
    expect([irrigated({}, noHose), irrigated({ irrigated: true }, noHose)]).toEqual([false, true]);
  });
  test('whether today is good to sow is asked of the cover as it will be watered', () => {
    const cover = { ...kept.covers[0]!, irrigated: true };
    const of = (c: typeof cover) => sowTodayInput(garden, bed, c, [], [], [], '2027-06-01').irrigated;
    expect(of(cover)).toBe(true);
    expect(of({ ...cover, irrigated: false })).toBe(false);
  });
  test('what Choose says of a watered cover, the screens after it say too; on rain alone they tell of another', () => {
    const empty = { ...kept, garden, bed, plantings: [], covers: [] };
    const question = gapQuestion(empty, { ...asked, years: 20 });
    const cowpea = question.candidates.find((c) => c.id === 'cowpea')!;
    const sample = sampleFor(cowpea, question, gapEnsemble(question));
    const hung = coverOf(sample, bed, { wayId: 'raked', plantOn: '2027-09-10' }, [], garden, '2027-05-01');
    const stands = (c: typeof hung) => {
      const told = forecastCover(forecastInput(garden, bed, c, [], [], '2027-05-01', 20));
      return told.stand.closedBeforeFrost;
    };
    expect(hung.irrigated).toBe(true);
    expect(stands(hung)).toBeCloseTo(sample.stand.closedBeforeFrost, 9);
    expect(stands({ ...hung, irrigated: false })).toBeLessThan(stands(hung) - 0.3);
  });
});
