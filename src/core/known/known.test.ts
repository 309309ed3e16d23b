import { describe, expect, test } from '@jest/globals';
import { crops, membersOf } from '../../catalogue/catalogue.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { product, whatIsKnown } from './known.ts';

type Asked = Parameters<typeof whatIsKnown>[0];
const next = (id: string, way: 'transplant' | 'seed' = 'transplant') => ({
  ...crops.find((c) => c.id === id)!,
  way,
});
const spread = (mid: number) => ({ low: mid, mid, high: mid });
const ended = (method: string, residue_g_m2 = 0, dryer_mm = 0) =>
  ({ method, residue_g_m2: spread(residue_g_m2), dryer_mm: spread(dryer_mm) }) as EndingAnswer;
const parts = (...ids: string[]) => membersOf(ids.map((speciesId) => ({ speciesId, share: 1 / ids.length })));
const asked = (ids: string[], more: Partial<Asked> = {}): Asked => ({
  members: parts(...ids),
  next: next('tomato'),
  soil: { texture: 'loam', fertility: 'fair' },
  bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
  best: ended('cut'),
  survives: ids.map(() => 1),
  season: { times: 1, factors: [] },
  watered: false,
  ...more,
});
const times = (a: Asked, code: string) =>
  whatIsKnown(a)
    .filter((f) => f.code === code)
    .map((f) => Number(f.times.toFixed(4)));

describe('families', () => {
  const ago = (family: string, yearsAgo: number) => ({
    bed: { ...asked([]).bed, families: [{ family, yearsAgo }] },
  });
  test('fade over four years; this year and last count in full', () => {
    const by = [0, 1, 2, 3, 4, 5].map((y) =>
      times(asked(['white-mustard'], ago('Brassicaceae', y)), 'family-before'),
    );
    expect(by).toEqual([[0.7], [0.7], [0.82], [0.895], [0.955], []]);
  });
  test('count by the share of the member; the latest of two counts', () => {
    const mix = parts('white-mustard', 'phacelia');
    const share = mix[0]!.share;
    const a = asked(['white-mustard', 'phacelia'], ago('Brassicaceae', 0));
    expect(times(a, 'family-before')[0]).toBeCloseTo(1 - 0.3 * share, 4);
    const both = {
      bed: {
        ...a.bed,
        families: [
          { family: 'Brassicaceae', yearsAgo: 4 },
          { family: 'Brassicaceae', yearsAgo: 2 },
        ],
      },
    };
    expect(times(asked(['white-mustard'], both), 'family-before')).toEqual([0.82]);
    expect(
      whatIsKnown(asked(['white-mustard'], both)).find((f) => f.code === 'family-before')!.facts,
    ).toEqual({
      species: 'White mustard',
      family: 'Brassicaceae',
      years: 2,
    });
  });
  test("a cover of the next crop's own family counts half and is not blamed twice; a grass before corn hardly", () => {
    const kale = asked(['white-mustard'], { next: next('kale') });
    expect(times(kale, 'same-family')).toEqual([0.5]);
    expect(times(kale, 'poor-before')).toEqual([]);
    expect(times(asked(['cereal-rye'], { next: next('sweet-corn', 'seed') }), 'same-family')).toEqual([0.85]);
  });
  test('a mix is told once of all its hosts together: four tenths of them are as bad as a whole stand, a fifth half so', () => {
    const mixed = (shares: Record<string, number>) => ({
      ...asked([], { next: next('kale') }),
      members: membersOf(Object.entries(shares).map(([speciesId, share]) => ({ speciesId, share }))),
    });
    expect(times(mixed({ phacelia: 0.8, 'white-mustard': 0.2 }), 'same-family')).toEqual([0.75]);
    expect(times(mixed({ phacelia: 0.5, 'white-mustard': 0.3, rapeseed: 0.2 }), 'same-family')).toEqual([
      0.5,
    ]);
    const told = whatIsKnown(mixed({ phacelia: 0.6, rapeseed: 0.1, 'white-mustard': 0.3 }));
    expect(told.find((f) => f.code === 'same-family')!.facts).toMatchObject({
      species: 'White mustard',
      family: 'Brassicaceae',
    });
    expect(times(mixed({ phacelia: 1 }), 'same-family')).toEqual([]);
  });
});

describe('what goes before what', () => {
  test('small seed after a checking residue is poor; a welcome by kind is said with the kind, one by way of planting is not', () => {
    const carrot = whatIsKnown(asked(['hairy-vetch'], { next: next('carrot', 'seed') }));
    expect(carrot.find((f) => f.code === 'poor-before')).toMatchObject({
      times: expect.closeTo(0.82, 9),
      facts: { group: 'small-seeded' },
    });
    const cabbage = whatIsKnown(asked(['spring-oats'], { next: next('cabbage') }));
    expect(cabbage.find((f) => f.code === 'good-before')).toMatchObject({
      times: 1.02,
      facts: { crop: 'Cabbage', group: 'brassicas' },
    });
    expect(times(asked(['teff'], { next: next('tomato') }), 'good-before')).toEqual([]);
  });
});

describe('what stands and lies', () => {
  test('members that die before their work is due leave gaps, unless frost was to end them', () => {
    const thin = { survives: [0.2] };
    expect(times(asked(['spring-oats'], thin), 'thinned')).toEqual([0.72]);
    expect(times(asked(['spring-oats'], { ...thin, best: ended('winterkill') }), 'thinned')).toEqual([]);
    expect(times(asked(['spring-oats'], { survives: [0.75] }), 'thinned')).toEqual([]);
  });
  test('residue is in the way of sown crops alone, by how much they bear; brittle residue costs two fifths of that', () => {
    const carrot = next('carrot', 'seed');
    const bears = 6 * carrot.residueTolerance;
    const t = (method: string, t_ha: number, n = carrot) =>
      times(asked(['spring-oats'], { next: n, best: ended(method, t_ha * 100) }), 'residue-in-the-way');
    expect(t('cut', bears - 0.1)).toEqual([]);
    expect(t('cut', bears + 2)).toEqual([0.8]);
    expect(t('cut', bears + 9)).toEqual([0.6]);
    expect(t('winterkill', bears + 9)).toEqual([0.84]);
    expect(t('cut', bears + 9, next('tomato'))).toEqual([]);
  });
  test('thirst costs by the share of what the ground holds: most on sand, a third of it where there is a hose', () => {
    const t = (texture: 'sand' | 'loam', mm: number, watered = false) =>
      times(
        asked(['cereal-rye'], {
          soil: { texture, fertility: 'fair' },
          best: ended('cut', 0, mm),
          watered,
        }),
        'thirsty',
      );
    expect(t('loam', 11)).toEqual([]);
    const [loam] = t('loam', 40);
    const [sand] = t('sand', 40);
    const [hose] = t('loam', 40, true);
    expect(loam).toBeLessThan(1);
    expect(sand).toBeLessThan(loam!);
    expect(1 - hose!).toBeCloseTo(0.3 * (1 - loam!), 3);
    expect(t('sand', 4000)).toEqual([0.7]);
  });
});

describe('the bed and the shelf', () => {
  const bed = asked([]).bed;
  test('sod, trouble, heavy ground and thin knowledge', () => {
    expect(times(asked(['buckwheat'], { bed: { ...bed, surface: 'sod' } }), 'sod')).toEqual([0.4]);
    expect(times(asked(['white-mustard'], { bed: { ...bed, troubles: ['clubroot'] } }), 'trouble')).toEqual([
      0.55,
    ]);
    expect(times(asked(['cereal-rye'], { bed: { ...bed, troubles: ['clubroot'] } }), 'trouble')).toEqual([]);
    expect(
      times(
        asked(['narrow-leaf-lupin'], { soil: { texture: 'clay', fertility: 'fair' } }),
        'wants-light-ground',
      ),
    ).toEqual([0.55]);
  });
  test('what the gardener has comes a little before its equal', () => {
    expect(times(asked(['buckwheat'], { from: 'shelf' }), 'own-seed')).toEqual([1.04]);
    expect(times(asked(['buckwheat']), 'own-seed')).toEqual([]);
  });
  test('shade is said and costs nothing here: light is taken from growth already', () => {
    const deep = asked(['sunn-hemp'], { bed: { ...bed, shade: 'deep' } });
    expect(times(deep, 'shaded')).toEqual([1]);
  });
  test('factors multiply', () => {
    const a = asked(['white-mustard'], { bed: { ...bed, surface: 'sod', troubles: ['clubroot'] } });
    expect(product(whatIsKnown(a))).toBeCloseTo(
      whatIsKnown(a).reduce((p, f) => p * f.times, 1),
      12,
    );
    expect(product(whatIsKnown(a))).toBeLessThan(0.4 * 0.55 * 1.03);
  });
});
