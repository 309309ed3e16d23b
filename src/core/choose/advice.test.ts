import { FREE_RULES } from '../../questions/rules.ts';
import { describe, expect, test } from '@jest/globals';
import { allCovers, climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { methodsHere } from '../../questions/methods.ts';
import { turnsFor } from '../../questions/turns.ts';
import { dayOf, isoOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { siteFromNormals } from '../climate/normals.ts';
import { places } from '../../catalogue/places.ts';
import { offerAims, offerPlanting } from './begin.ts';
import { gapEnsemble, sampleFor } from './choose.ts';
import { type ChooseInput } from './input.ts';
import { chooseAll } from './rounds.ts';
import { type Sample } from './sample.ts';
import { groupsOf, product } from '../known/known.ts';
import { hang, rankSamples } from './rank.ts';
import { inSeason } from '../known/season.ts';
import { wakesFrom } from '../known/usual.ts';

const pattern = (id: string, latitude?: number) => {
  const p = climates.find((c) => c.id === id)!;
  return siteFromPattern(p, latitude ?? p.latitude_deg);
};
const maritime = pattern('cool-maritime');
const next = (id: string, way: 'transplant' | 'seed' = 'transplant') => ({
  ...crops.find((c) => c.id === id)!,
  way,
});
const question = (more: Partial<ChooseInput> & { kit?: string[] }): ChooseInput => ({
  site: maritime,
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: true,
  gap: { freeDay: dayOf('2027-07-01'), plantDay: dayOf('2027-08-15'), next: next('lettuce') },
  aims: [
    { id: 'smother', strands: 3 },
    { id: 'flowers', strands: 2 },
  ],
  candidates: allCovers(),
  methods: methodsHere({ kit: more.kit ?? ['shears', 'rake', 'hose'], rules: FREE_RULES }),
  bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
  keepsSafe: [],
  hazards: {},
  years: 30,
  ...more,
});
const alone = (id: string) => ({ id, name: id, members: membersOf([{ speciesId: id, share: 1 }]) });
const factor = (s: Sample, code: string) => s.factors.find((f) => f.code === code);
const sample = (id: string, more: Partial<ChooseInput> = {}) => {
  const input = question(more);
  return sampleFor(alone(id), input, gapEnsemble(input));
};

describe('six summer weeks', () => {
  const heads = hang(rankSamples(chooseAll(question({ years: 16 })), question({}).aims));
  const hung = heads.slice(0, 8).map((h) => h.sample);
  test('buckwheat comes first, cut in its last fortnight; no winter kind is among the first', () => {
    expect(hung[0]!.lead).toBe('buckwheat');
    expect(hung[0]!.best!.method).toMatch(/^cut/);
    expect(hung[0]!.best!.startDay).toBeGreaterThan(dayOf('2027-08-02'));
    for (const s of hung.slice(0, 5))
      expect(
        s.parts.some((p) => ['cereal-rye', 'hairy-vetch', 'winter-field-pea'].includes(p.speciesId)),
      ).toBe(false);
  });
  test('pulling is offered to a hand that chooses it, and never put forward', () => {
    const some = question({ kit: [], candidates: allCovers().filter((_, i) => i % 8 === 0), years: 10 });
    for (const s of chooseAll(some)) expect(s.best?.method).not.toBe('pull');
    const pulled = sampleFor(
      { ...alone('buckwheat'), method: 'pull' },
      question({}),
      gapEnsemble(question({})),
    );
    expect(pulled.best!.method).toBe('pull');
  });
  test('the first eight show at least five kinds of answer, and those behind a head are led by its kind and ended as it is', () => {
    expect(new Set(hung.map((s) => `${s.lead} ${s.best!.method}`)).size).toBeGreaterThanOrEqual(5);
    for (const h of heads)
      for (const b of h.behind) {
        expect([b.sample.lead, b.sample.best?.method]).toEqual([h.sample.lead, h.sample.best?.method]);
        expect(b.fit).toBeLessThanOrEqual(h.fit);
      }
  });
});

describe('what is settled early is what all years say', () => {
  test.each([
    ['cool-maritime', '2026-09-05', '2027-05-14', 'tomato'],
    ['humid-continental', '2027-04-20', '2027-07-10', 'cabbage'],
  ])(
    '%s, %s to %s before %s: the first dozen kinds are those, in that order, that settling every cover gives',
    (site, free, plant, crop) => {
      const input = question({
        site: pattern(site),
        gap: { freeDay: dayOf(free), plantDay: dayOf(plant), next: next(crop) },
        aims: [
          { id: 'feed', strands: 3 },
          { id: 'hold', strands: 2 },
        ],
        kit: ['sickle', 'spade', 'opaque-sheet', 'rake', 'hose'],
        candidates: allCovers().filter((_, i) => i % 3 === 0),
        years: 36,
      });
      const ensemble = gapEnsemble(input);
      const room = new Map();
      const whole = input.candidates.map((c) => sampleFor(c, input, ensemble, room));
      const ids = (samples: Sample[]) =>
        hang(rankSamples(samples, input.aims))
          .slice(0, 12)
          .map((h) => h.sample.id);
      expect(ids(chooseAll(input, ensemble, room))).toEqual(ids(whole));
    },
  );
});

describe('season', () => {
  const at = (id: string, site: string, sow: string, days: number, latitude?: number) => {
    const input = question({
      site: pattern(site, latitude),
      gap: { freeDay: dayOf(sow), plantDay: dayOf(sow) + days, next: next('lettuce') },
    });
    return inSeason(alone(id).members, gapEnsemble(input), 35, 35 + days);
  };
  test('rye sown at midsummer and cut in August never meets a winter; sown in September it does', () => {
    const summer = at('cereal-rye', 'cool-maritime', '2027-07-01', 45);
    expect(summer.factors.map((f) => f.code)).toContain('never-chilled');
    expect(summer.times).toBeLessThan(0.6);
    expect(at('cereal-rye', 'cool-maritime', '2026-09-10', 240).times).toBe(1);
  });
  test('cowpea in a cool autumn is too cool, mustard in a subtropical summer too warm, in both hemispheres', () => {
    expect(at('cowpea', 'cool-maritime', '2026-08-20', 90).factors[0]!.code).toBe('too-cool');
    expect(at('white-mustard', 'humid-subtropical', '2027-06-15', 60).factors[0]!.code).toBe('too-warm');
    expect(at('white-mustard', 'humid-subtropical', '2026-12-15', 60, -34).factors[0]!.code).toBe('too-warm');
  });
});

describe('before winter', () => {
  const late = (id: string, sow: string, frost = false) => {
    const input = question({
      site: pattern('cool-maritime'),
      gap: { freeDay: dayOf(sow), plantDay: dayOf(sow) + 200, next: next('lettuce') },
    });
    const { factors } = inSeason(alone(id).members, gapEnsemble(input), 35, 235, frost);
    return factors.find((f) => f.code === 'late-before-winter');
  };
  test('small seed is too late in November, a vetch only a little, a cereal and a bean not yet', () => {
    const clover = late('crimson-clover', '2026-11-10')!.times;
    expect(clover).toBeLessThan(0.75);
    expect(late('hairy-vetch', '2026-11-10')?.times ?? 1).toBeGreaterThan(clover);
    expect(late('cereal-rye', '2026-11-10')).toBeUndefined();
    expect(late('winter-field-bean', '2026-11-10')).toBeUndefined();
  });
  test('in September nothing is late; in the depth of winter the ground is cold, in spring it wakes', () => {
    expect(late('crimson-clover', '2026-09-05')).toBeUndefined();
    expect(late('crimson-clover', '2027-01-20')!.facts.spring).toBe(1);
    expect(late('crimson-clover', '2027-03-25')).toBeUndefined();
  });
  test('seed for spring waits for the day the ground wakes; where it is warm enough it need not', () => {
    const ask = (site: string, free: string) => {
      const gap = { freeDay: dayOf(free), plantDay: dayOf('2027-06-01'), next: next('lettuce') };
      const ensemble = gapEnsemble(question({ site: pattern(site), gap }));
      return (day: string) =>
        isoOf(wakesFrom(ensemble, dayOf(day) - ensemble.fromDay, ensemble.days) + ensemble.fromDay);
    };
    const cold = ask('humid-continental', '2026-11-20');
    const wakes = cold('2027-02-10');
    expect(wakes > '2027-03-01' && wakes < '2027-04-15').toBe(true);
    // Asked again, and of any day before, it is the same day; of one after it, that day.
    expect([cold('2027-02-10'), cold('2027-02-20'), cold('2027-04-25')]).toEqual([
      wakes,
      wakes,
      '2027-04-25',
    ]);
    // A day before the winter is not put off: what follows it is not spring yet.
    expect(cold('2026-11-25')).toBe('2026-11-25');
    expect(ask('mediterranean', '2026-11-20')('2027-02-10')).toBe('2027-02-10');
  });
  test('a spring kind is not put through a winter where a winter kind would stand it; left to frost, or ended before, it is in its place', () => {
    const spring = (id: string, sow: string, days: number, byWeather = false, site = 'cool-maritime') => {
      const gap = { freeDay: dayOf(sow), plantDay: dayOf(sow) + 220, next: next('lettuce') };
      const ensemble = gapEnsemble(question({ site: pattern(site), gap }));
      const { factors } = inSeason(alone(id).members, ensemble, 35, 35 + days, false, byWeather);
      return factors.find((f) => f.code === 'spring-kind')?.times;
    };
    expect(spring('spring-barley', '2026-10-20', 190)).toBeCloseTo(0.7, 9);
    expect(spring('winter-barley', '2026-10-20', 190)).toBeUndefined();
    expect(spring('red-clover', '2026-09-01', 200)).toBeUndefined();
    expect(spring('spring-oats', '2026-09-05', 210, true)).toBeUndefined();
    expect(spring('white-mustard', '2026-09-01', 70)).toBeUndefined();
    expect(spring('spring-barley', '2027-03-20', 80)).toBeUndefined();
    // Where winter is mild there is none to stand.
    expect(spring('fava-bean', '2026-10-20', 190, false, 'mediterranean')).toBeUndefined();
  });
  test('seed that is meant to lie on frozen ground is not told to wait', () =>
    expect(late('red-clover', '2027-01-20', true)).toBeUndefined());
});

describe('what is known ranks', () => {
  test('the water of the ground under a stand ranks: pea on soaked clay, not on sand; sorghum over buckwheat in a dry summer', () => {
    const winter = { freeDay: dayOf('2026-09-20'), plantDay: dayOf('2027-05-05'), next: next('tomato') };
    const pea = (texture: 'clay' | 'sand') =>
      factor(sample('winter-field-pea', { gap: winter, soil: { texture, fertility: 'fair' } }), 'wet-ground');
    expect(pea('clay')!.times).toBeLessThan(0.95);
    expect(pea('sand')).toBeUndefined();
    const dry = {
      site: pattern('mediterranean'),
      watered: false,
      soil: { texture: 'sand' as const, fertility: 'fair' as const },
      gap: { freeDay: dayOf('2027-06-01'), plantDay: dayOf('2027-09-01'), next: next('cabbage') },
    };
    expect(factor(sample('sorghum-sudangrass', dry), 'bears-drought')!.times).toBeGreaterThan(1.02);
    expect(factor(sample('buckwheat', dry), 'dry-ground')!.times).toBeLessThan(0.98);
  });
  const kale = { freeDay: dayOf('2026-08-20'), plantDay: dayOf('2027-05-05'), next: next('kale') };
  test('a brassica before kale counts half, and one that stood here two years ago less than one of last year', () => {
    expect(factor(sample('white-mustard', { gap: kale }), 'same-family')!.times).toBe(0.5);
    const ago = (yearsAgo: number) => {
      const bed = { ...question({}).bed, families: [{ family: 'Brassicaceae', yearsAgo }] };
      return (
        factor(sample('white-mustard', { bed, gap: { ...kale, next: next('tomato') } }), 'family-before')
          ?.times ?? 1
      );
    };
    expect(ago(0)).toBe(0.7);
    expect(ago(2)).toBeGreaterThan(ago(1));
    expect(ago(4)).toBeGreaterThan(ago(3));
    expect(ago(6)).toBe(1);
  });
  test('clubroot, sod, shade, heavy ground and thin knowledge each lower a cover or its growth', () => {
    const bed = question({}).bed;
    expect(
      factor(sample('white-mustard', { bed: { ...bed, troubles: ['clubroot'] } }), 'trouble')!.times,
    ).toBeLessThan(0.6);
    expect(product(sample('buckwheat', { bed: { ...bed, surface: 'sod' } }).factors)).toBeLessThan(0.5);
    expect(factor(sample('narrow-leaf-lupin'), 'wants-light-ground')!.times).toBe(0.75);
    expect(factor(sample('niger'), 'little-known')!.times).toBeLessThan(1);
    const dm = (shade: 'open' | 'deep') =>
      sample('buckwheat', { bed: { ...bed, shade } }).best!.dryMatter_g_m2.mid;
    expect(dm('deep')).toBeLessThan(dm('open') * 0.6);
  });
  test('straw in the way of sown carrots costs, under planted squash it does not', () => {
    const gap = (id: string, way: 'seed' | 'transplant') => ({
      freeDay: dayOf('2026-09-05'),
      plantDay: dayOf('2027-06-10'),
      next: next(id, way),
    });
    const kit = ['scythe', 'rake'];
    const m = { methods: methodsHere({ kit, rules: FREE_RULES }).filter((x) => x.id === 'cut') };
    expect(
      factor(sample('cereal-rye', { gap: gap('carrot', 'seed'), ...m }), 'residue-in-the-way')!.times,
    ).toBeLessThan(0.7);
    expect(
      factor(sample('cereal-rye', { gap: gap('winter-squash', 'transplant'), ...m }), 'residue-in-the-way'),
    ).toBeUndefined();
  });
  test('a crop is known by what the catalogue says of its kind', () => {
    expect([...groupsOf(next('carrot', 'seed'))].sort()).toEqual(['roots', 'small-seeded']);
    expect([...groupsOf(next('cabbage'))].sort()).toEqual(['brassicas', 'heavy-feeders', 'transplants']);
    expect(groupsOf(next('bush-bean', 'seed')).has('legumes')).toBe(true);
  });
});

describe('late by days, it hangs with its way out', () => {
  test('behind one that is ready, with the later day and its odds, by the way that then ends it', () => {
    const input = question({
      site: pattern('humid-continental', 45),
      gap: { freeDay: dayOf('2026-09-05'), plantDay: dayOf('2027-05-28'), next: next('tomato') },
      aims: [
        { id: 'feed', strands: 3 },
        { id: 'bulk', strands: 2 },
      ],
      kit: ['scythe', 'crimper-board', 'rake', 'hose'],
      candidates: allCovers().filter((c) => /rye|vetch|pea|crimson|wheat/.test(c.id)),
    });
    const heads = hang(rankSamples(chooseAll(input), input.aims));
    expect(heads[0]!.late).toBe(false);
    expect(heads[0]!.sample.best!.odds.inTime).toBeGreaterThanOrEqual(0.5);
    const late = heads.find((h) => h.late)!;
    const change = late.sample.changes.find((c) => c.kind === 'plant-later')!;
    expect(change.odds).toBeGreaterThanOrEqual(0.7);
    expect('days' in change && change.days).toBeLessThanOrEqual(24);
    expect(late.sample.best!.method).toBe('method' in change && change.method);
  });
});

describe('two in turn', () => {
  test('buckwheat, then rye and vetch: the second goes in when its season has come, the first is ended for it, both count', () => {
    const input = question({
      gap: { freeDay: dayOf('2027-06-15'), plantDay: dayOf('2028-05-25'), next: next('winter-squash') },
      candidates: turnsFor(dayOf('2027-06-15'), dayOf('2028-05-25')),
      kit: ['shears', 'sickle', 'opaque-sheet', 'rake', 'hose'],
    });
    const s = chooseAll(input).find((x) => x.id === 'buckwheat-then-rye-vetch')!;
    expect(s.first!.best.startDay).toBeLessThan(s.sowDay);
    expect(s.first!.best.ready.mid).toBeLessThanOrEqual(s.sowDay);
    expect(s.sowDay - s.first!.sowDay).toBeGreaterThanOrEqual(42);
    expect(s.stand.coverByDay).toHaveLength(dayOf('2028-05-25') - dayOf('2027-06-15'));
    expect(s.best!.flowerDays.mid).toBeGreaterThanOrEqual(s.first!.best.flowerDays.mid);
    expect(s.best!.odds.inTime).toBeLessThanOrEqual(s.first!.best.odds.inTime);
  });
  test('the first waits for its own season too: buckwheat where spring is late is not sown into frost', () => {
    const input = question({
      site: pattern('humid-continental', 44),
      gap: { freeDay: dayOf('2027-05-01'), plantDay: dayOf('2028-05-25'), next: next('winter-squash') },
      candidates: turnsFor(dayOf('2027-05-01'), dayOf('2028-05-25')),
      kit: ['shears', 'sickle', 'opaque-sheet', 'rake', 'hose'],
    });
    const s = chooseAll(input).find((x) => x.id === 'buckwheat-then-rye-vetch')!;
    expect(s.first!.sowDay).toBeGreaterThan(dayOf('2027-05-10'));
    expect(s.first!.sowDay).toBeLessThan(dayOf('2027-06-15'));
    expect(s.first!.best.odds.inTime).toBeGreaterThan(0.8);
    expect(s.first!.best.startDay).toBeLessThan(s.sowDay);
  });
  test('a gap of three months has no room for two', () => {
    expect(turnsFor(dayOf('2027-06-01'), dayOf('2027-09-01'))).toEqual([]);
  });
});

test('a summer gap is not left open for six weeks so that buckwheat is just done by its end', () => {
  const input = question({
    site: pattern('cool-maritime', 54),
    gap: { freeDay: dayOf('2027-06-25'), plantDay: dayOf('2027-10-20'), next: next('asparagus') },
    candidates: allCovers().filter((c) =>
      ['buckwheat', 'common-vetch', 'black-oats', 'phacelia'].includes(c.id),
    ),
    aims: [{ id: 'smother', strands: 3 }],
    kit: ['shears', 'sickle', 'rake', 'hose'],
  });
  const [first] = hang(rankSamples(chooseAll(input), input.aims));
  expect(first!.sample.sowDay - input.gap.freeDay).toBeLessThan(22);
  expect(first!.sample.best!.odds.inTime).toBeGreaterThan(0.9);
});

describe('beginning right', () => {
  const offer = (site: string, id: string, way: 'seed' | 'transplant', free: string, latitude?: number) =>
    offerPlanting(
      pattern(site, latitude),
      crops.find((c) => c.id === id)!,
      way,
      dayOf(free),
    );
  const monthOf = (o: { day: number } | undefined) => isoOf(o!.day).slice(0, 7);
  test('tomatoes wait for the last frost and warm ground, in either hemisphere', () => {
    expect(['2027-05', '2027-06']).toContain(
      monthOf(offer('humid-continental', 'tomato', 'transplant', '2026-09-10')),
    );
    expect(['2027-10', '2027-11', '2027-12']).toContain(
      monthOf(offer('humid-continental', 'tomato', 'transplant', '2027-03-10', -43)),
    );
  });
  test('tender crops wait for mild nights, in a place without frost for milder ones, and hardy ones do not', () => {
    const here = (name: string, id: string, way: 'seed' | 'transplant', free: string) => {
      const site = siteFromNormals(places.find((p) => p.name.startsWith(name))!);
      if (!site.ok) throw new Error(site.failure.code);
      const o = offerPlanting(
        site.value,
        crops.find((c) => c.id === id)!,
        way,
        dayOf(free),
      );
      return o && [isoOf(o.day), o.why];
    };
    // What gardeners there hold to, within about a week: after the ice saints, late in May, once March is out.
    expect(here('Zürich', 'tomato', 'transplant', '2026-10-15')).toEqual(['2027-05-16', 'mild-nights']);
    expect(here('London', 'tomato', 'transplant', '2026-10-15')).toEqual(['2027-05-16', 'mild-nights']);
    expect(here('Los Angeles', 'tomato', 'transplant', '2026-10-15')).toEqual(['2027-02-26', 'mild-nights']);
    expect(here('Miami', 'tomato', 'transplant', '2026-10-15')).toEqual(['2026-11-26', 'as-soon']);
    // Four springs in five are free of frost by then; one in three is not, a week after the usual last.
    expect(here('Atlanta', 'tomato', 'transplant', '2026-10-15')).toEqual(['2027-04-16', 'last-frost']);
    // Just after the first frost of autumn the next one is not a year away.
    expect(here('Austin', 'tomato', 'transplant', '2026-10-15')).toEqual(['2027-03-24', 'last-frost']);
    expect(here('Zürich', 'garden-pea', 'seed', '2026-10-15')![0]! < '2027-04-01').toBe(true);
  });
  test('peas go in early, garlic in autumn, and a crop that would not ripen is put off to next year', () => {
    expect(['2027-02', '2027-03', '2027-04']).toContain(
      monthOf(offer('humid-temperate', 'garden-pea', 'seed', '2026-11-01')),
    );
    expect(['2027-10', '2027-11']).toContain(
      monthOf(offer('humid-temperate', 'garlic', 'seed', '2027-07-01')),
    );
    expect(monthOf(offer('humid-continental', 'winter-squash', 'transplant', '2027-07-15')).slice(0, 4)).toBe(
      '2028',
    );
  });
  test('what lives for years goes in when it can root before winter, and is offered everywhere it can', () => {
    expect(['2027-03', '2027-04']).toContain(
      monthOf(offer('cool-maritime', 'strawberry', 'transplant', '2026-11-01')),
    );
    // With six weeks for a cover: in August there is time to root, in November it waits for spring.
    expect(monthOf(offer('humid-continental', 'strawberry', 'transplant', '2027-06-20'))).toBe('2027-08');
    expect(monthOf(offer('humid-continental', 'strawberry', 'transplant', '2027-09-20')).slice(0, 4)).toBe(
      '2028',
    );
  });
  test('a cover always has six weeks at least', () => {
    for (const c of crops.filter((_, i) => i % 4 === 0)) {
      const o = offer('cool-maritime', c.id, c.ways[0]!, '2027-04-01');
      if (o) expect(o.day).toBeGreaterThanOrEqual(dayOf('2027-04-01') + 42);
    }
  });
  test('aims follow the crop, the bed and the season, three at most', () => {
    const bed = { surface: 'clean' as const, troubles: [] };
    const soil = { texture: 'loam', fertility: 'fair' } as const;
    const ids = (
      id: string,
      way: 'seed' | 'transplant',
      from: string,
      to: string,
      b: Parameters<typeof offerAims>[3] = bed,
    ) => offerAims(maritime, next(id, way), soil, b, dayOf(from), dayOf(to)).map((a) => a.id);
    expect(ids('cabbage', 'transplant', '2026-09-10', '2027-05-10')).toEqual(['feed', 'hold']);
    // A long warm gap without a hungry crop holds no winter, and is not said to.
    const strands = (fertility: 'fair' | 'rich') =>
      offerAims(
        maritime,
        next('tomato'),
        { ...soil, fertility },
        bed,
        dayOf('2027-05-01'),
        dayOf('2027-06-10'),
      ).find((a) => a.id === 'feed')?.strands;
    // Rich ground feeds a hungry crop already.
    expect([strands('fair'), strands('rich')]).toEqual([3, 1]);
    const years = offerAims(
      maritime,
      next('strawberry'),
      soil,
      bed,
      dayOf('2027-05-10'),
      dayOf('2027-09-01'),
    );
    expect(years[0]).toEqual({ id: 'smother', strands: 3, why: 'long' });
    const warm = offerAims(maritime, next('lettuce'), soil, bed, dayOf('2027-05-10'), dayOf('2027-09-01'));
    expect(warm.map((a) => [a.id, a.why])).toEqual([['hold', 'bare']]);
    // Two cold but dry months wash nothing away.
    const short = offerAims(
      pattern('hot-semi-arid'),
      next('lettuce'),
      soil,
      bed,
      dayOf('2026-12-10'),
      dayOf('2027-01-20'),
    );
    expect(short.map((a) => a.why)).not.toContain('winter');
    expect(ids('bush-bean', 'seed', '2027-05-01', '2027-06-20')).toEqual(['smother']);
    expect(ids('carrot', 'seed', '2026-09-10', '2027-04-10')).toEqual(['hold', 'smother', 'ease']);
    expect(
      ids('cabbage', 'transplant', '2026-09-10', '2027-05-10', { surface: 'weedy', troubles: [] })[0],
    ).toBe('smother');
  });
});

test('every method of the catalogue is proposed but pulling', () => {
  expect(methods.filter((m) => !m.proposed).map((m) => m.id)).toEqual(['pull']);
});

describe('a kind that frost ends', () => {
  const autumn = {
    site: pattern('humid-continental'),
    gap: { freeDay: dayOf('2026-08-20'), plantDay: dayOf('2027-05-10'), next: next('beet', 'seed') },
    aims: [
      { id: 'loosen' as const, strands: 2 },
      { id: 'catch' as const, strands: 2 },
    ],
    kit: ['scythe', 'rake', 'hose'],
  };
  const keeps = (s: Sample, way: string) => s.endings.find((e) => e.method === way)!.keeps;
  test('is left to the frost, not cut when it has long been dead, and loses nothing for dying', () => {
    const radish = sample('tillage-radish', autumn);
    expect(radish.best!.method).toBe('winterkill');
    expect(radish.best!.odds.inTime).toBeGreaterThan(0.8);
    expect(factor(radish, 'thinned') ?? factor(radish, 'spring-kind')).toBeUndefined();
    expect(keeps(radish, 'winterkill')).toBeGreaterThan(keeps(radish, 'cut'));
  });
  test('a kind that lives through it is cut, and there the ways do not differ', () => {
    const rye = sample('cereal-rye', autumn);
    expect(rye.best!.method).not.toBe('winterkill');
    expect(rye.endings.map((e) => e.keeps)).toEqual(rye.endings.map(() => 1));
  });
  test('nobody counts on a frost that ends it in little more than half of the years', () => {
    const flailed = { ...autumn, aims: [{ id: 'hold' as const, strands: 3 }], kit: ['flail-mower', 'rake'] };
    const gap = { freeDay: dayOf('2026-09-20'), plantDay: dayOf('2027-05-20'), next: next('cabbage') };
    const clover = sample('crimson-clover', { ...flailed, gap });
    const frost = clover.endings.find((e) => e.method === 'winterkill')!.odds.inTime;
    expect(frost).toBeGreaterThan(0.5);
    expect(frost).toBeLessThan(0.8);
    expect(clover.best!.method).toMatch(/^flail/);
    expect(clover.endings.map((e) => e.keeps)).toEqual(clover.endings.map(() => 1));
  });
});

test('what would be done with long before planting is sown later, so that its ground is rooted until then', () => {
  const gap = { freeDay: dayOf('2027-06-01'), plantDay: dayOf('2027-10-10'), next: next('garlic') };
  const mustard = sample('white-mustard', { site: pattern('humid-continental'), gap });
  expect(mustard.sowDay).toBeGreaterThan(gap.freeDay);
  expect(gap.plantDay - mustard.best!.startDay).toBeLessThan(35);
});
