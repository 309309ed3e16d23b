import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods, species } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { gapEnsemble, sampleFor } from './choose.ts';
import { type ChooseInput } from './input.ts';
import { roughSamples } from './rounds.ts';
import { type Candidate } from './sample.ts';
import { type TROUBLES } from '../stand/troubles.ts';

const maritime = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const next = (id: string, way: 'transplant' | 'seed') => ({ ...crops.find((c) => c.id === id)!, way });
const kit = (ids: string[]) =>
  methods.map((m) => ({ ...m, minutesPer100m2: 60, missing: ids.includes(m.id) ? [] : ['a tool'] }));
const alone = (id: string, more: Partial<Candidate> = {}): Candidate => ({
  id,
  name: id,
  members: membersOf([{ speciesId: id, share: 1 }]),
  ...more,
});
const base: ChooseInput = {
  site: maritime,
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: true,
  gap: {
    freeDay: dayOf('2026-09-08'),
    plantDay: dayOf('2027-06-01'),
    next: next('winter-squash', 'transplant'),
  },
  candidates: [],
  methods: kit(['cut', 'cut-twice', 'sheet', 'winterkill']),
  aims: [
    { id: 'hold', strands: 1 },
    { id: 'bulk', strands: 1 },
  ],
  bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
  keepsSafe: [],
  hazards: Object.fromEntries(species.map((s) => [s.id, s.hazards])),
  years: 24,
};
const sample = (candidate: Candidate, more: Partial<ChooseInput> = {}) => {
  const input = { ...base, ...more };
  return sampleFor(candidate, input, gapEnsemble(input));
};
const codes = (candidate: Candidate, more: Partial<ChooseInput> = {}) =>
  sample(candidate, more).reasons.map((r) => `${r.side} ${r.code}`);

describe('reasons', () => {
  test('straw that ties nitrogen up says how much and at what C:N, and what feeds does not say it', () => {
    const ripe = { gap: { ...base.gap, plantDay: dayOf('2027-07-05') }, methods: kit(['cut']) };
    const rye = sample(alone('cereal-rye', { method: 'cut', endDay: dayOf('2027-06-25') }), ripe);
    const told = rye.reasons.find((r) => r.code === 'ties-up-nitrogen')!;
    expect(told).toMatchObject({ side: 'against', facts: { cn: rye.best!.carbonToNitrogen } });
    expect(told.facts['nitrogen']).toBe(-rye.best!.nitrogen_g_m2.mid);
    expect(rye.best!.nitrogen_g_m2.mid).toBeLessThan(-0.4);
    expect(codes(alone('hairy-vetch'))).not.toContain('against ties-up-nitrogen');
  });
  test('a hazard speaks only where those it harms are kept', () => {
    expect(codes(alone('hairy-vetch'))).not.toContain('against hazard');
    expect(codes(alone('hairy-vetch'), { keepsSafe: ['poultry'] })).toContain('against hazard');
  });
  test('kin of what follows and of what stood before speaks against, grasses after crops do not', () => {
    const kale = { ...base.gap, next: next('kale', 'transplant') };
    expect(codes(alone('rapeseed'), { gap: kale })).toContain('against same-family');
    const before = {
      ...base.bed,
      families: ['Brassicaceae', 'Poaceae'].map((family) => ({ family, yearsAgo: 1 })),
    };
    expect(codes(alone('rapeseed'), { bed: before })).toContain('against family-before');
    expect(codes(alone('cereal-rye'), { bed: before })).not.toContain('against family-before');
  });
  test('a trouble of the bed speaks against what feeds it and for what starves it', () => {
    const with_ = (trouble: (typeof TROUBLES)[number]) => ({ bed: { ...base.bed, troubles: [trouble] } });
    expect(codes(alone('rapeseed'), with_('clubroot'))).toContain('against trouble');
    expect(codes(alone('cereal-rye'), with_('clubroot'))).toContain('for helps-against');
    expect(codes(alone('hairy-vetch'), with_('root-knot'))).toContain('against trouble');
    expect(codes(alone('cereal-rye'), with_('wireworm'))).toContain('against trouble');
  });
  test('deep shade speaks against sun-lovers and not against clovers that bear it', () => {
    const deep = { bed: { ...base.bed, shade: 'deep' as const } };
    expect(codes(alone('sunflower'), deep)).toContain('against shaded');
    expect(codes(alone('red-clover'), deep)).not.toContain('against shaded');
  });
  test('kinds listed as weeds somewhere say so; small seed after rye must wait', () => {
    expect(codes(alone('yellow-sweetclover'))).toContain('against restricted');
    const carrots = { ...base.gap, next: next('carrot', 'seed') };
    expect(codes(alone('cereal-rye'), { gap: carrots })).toContain('against poor-before');
  });
  test('without any tool no way is put forward and that is said', () => {
    const s = sample(alone('cereal-rye'), { methods: kit([]) });
    expect(s.best).toBeUndefined();
    expect(s.reasons[0]).toMatchObject({ side: 'against', code: 'no-kit' });
  });
});

describe('what would have to change', () => {
  test('a rye that only shears are there for names the sheet with what is in its way, and a later planting', () => {
    const early = { ...base.gap, plantDay: dayOf('2027-05-08') };
    const s = sample(alone('cereal-rye'), { gap: early, methods: kit(['cut', 'cut-twice']) });
    expect(s.best!.odds.inTime).toBeLessThan(0.5);
    const kinds = s.changes.map((c) => c.kind);
    expect(kinds).toContain('other-method');
    expect(s.changes.find((c) => c.kind === 'other-method')).toMatchObject({ missing: ['a tool'] });
    expect(kinds).toContain('plant-later');
    // By the day that is named it must hold, within what another draw of years may differ.
    const later = s.changes.find((c) => c.kind === 'plant-later')!;
    const moved = { ...early, plantDay: early.plantDay + ('days' in later ? later.days : 0) };
    const after = sample(alone('cereal-rye'), { gap: moved, methods: kit(['cut', 'cut-twice']) });
    expect(after.best!.odds.inTime).toBeGreaterThan(0.6);
  });
  test('small seed too soon after a mat is told to become transplants', () => {
    const s = sample(alone('cereal-rye'), {
      gap: { ...base.gap, plantDay: dayOf('2027-06-12'), next: next('lettuce', 'seed') },
      methods: kit(['cut-twice']),
    });
    expect(s.changes.map((c) => c.kind)).toContain('transplants');
  });
  test('a plan that holds asks for no change', () => {
    expect(sample(alone('cereal-rye')).changes).toEqual([]);
  });
});

describe('what the gardener has fixed stays fixed', () => {
  test('sowing day, method and day of ending are taken as given', () => {
    const sowDay = dayOf('2026-09-28');
    const endDay = dayOf('2027-04-10');
    const s = sample(alone('cereal-rye', { sowDay, method: 'sheet', endDay, rateTimes: 1.5 }));
    expect([s.sowDay, s.best!.method, s.best!.startDay]).toEqual([sowDay, 'sheet', endDay]);
    const usual = sample(alone('cereal-rye', { sowDay }));
    expect(s.seed_g_m2[0]! / usual.seed_g_m2[0]!).toBeCloseTo(1.5, 9);
  });
  test('thicker seed closes the ground no later', () => {
    const closed = (rateTimes: number) =>
      sample(alone('cereal-rye', { rateTimes, sowDay: base.gap.freeDay })).stand.closed.mid;
    expect(closed(1.6)).toBeLessThanOrEqual(closed(0.5));
  });
});

describe('ways of sowing', () => {
  test('frost sowing waits for weeks that freeze by night, and takes clover, not peas', () => {
    const frost = {
      way: findWay('frost-sown')!,
      gap: { ...base.gap, freeDay: dayOf('2026-12-20'), plantDay: dayOf('2027-09-01') },
    };
    const clover = sample(alone('red-clover'), frost);
    expect(clover.stand.stand).toBeGreaterThan(0.7);
    expect(sample(alone('winter-field-pea'), frost).stand.stand).toBeLessThan(0.3);
  });
  test('likely covers come first: in an autumn gap rye before cowpea', () => {
    const samples = [...roughSamples({ ...base, candidates: [alone('cowpea'), alone('cereal-rye')] })];
    expect(samples.slice(0, 2).map((s) => s.id)).toEqual(['cereal-rye', 'cowpea']);
  });
});

test('an ending that leaves it alive fails; one that kills and is not over by planting is late', () => {
  // Small seed waits until straw has mellowed.
  const before = { methods: kit(['cut']), gap: { ...base.gap, next: next('carrot', 'seed') } };
  const cutOn = (day: string) => codes(alone('cereal-rye', { method: 'cut', endDay: dayOf(day) }), before);
  const leafy = cutOn('2027-03-15');
  expect(leafy).toContain('against method-fails');
  expect(leafy).not.toContain('against late');
  const ripe = cutOn('2027-05-24');
  expect(ripe).toContain('against late');
  expect(ripe).not.toContain('against method-fails');
});
