import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods, mixes, species } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { answerEnding, answerEndings } from '../plan/endings.ts';
import { growPlan } from '../plan/grown.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { leftAlive } from './left.ts';
import { type MethodHere, takeApart } from './method.ts';

const all: MethodHere[] = methods.map((m) => ({ ...m, minutesPer100m2: 60, missing: [] }));
const by = (id: string) => all.find((m) => m.id === id)!;
const sp = (id: string) => species.find((s) => s.id === id)!;
const left = (method: string, kind: string, stage: number) =>
  leftAlive(takeApart(by(method)).kills, sp(kind), stage, 300, 1);

const site = (id: string) => siteFromPattern(climates.find((c) => c.id === id)!);
const next = { ...crops.find((c) => c.id === 'winter-squash')!, way: 'transplant' as const };
function grown(
  climate: string,
  parts: { speciesId: string; share: number }[],
  sow: string,
  plantAt: number,
  years = 30,
) {
  const members = membersOf(parts);
  return growPlan(
    {
      members,
      seed_g_m2: viableRate_g_m2(members, 1),
      way: findWay('raked')!,
      soil: { texture: 'loam', fertility: 'fair' },
      watered: true,
      sownAt: 0,
      plantAt,
      next,
    },
    makeEnsemble(site(climate), dayOf(sow), plantAt + 60, years, 5),
  );
}
const endings = (...of: Parameters<typeof grown>) =>
  new Map(answerEndings(grown(...of), all).map((e) => [e.method, e]));

describe('methods', () => {
  test('every method on a third of the mixes gives odds between 0 and 1 and no NaN', () => {
    for (const mix of mixes.filter((_, i) => i % 3 === 0))
      for (const e of endings('cool-maritime', mix.members, '2026-09-08', 250).values()) {
        for (const odds of Object.values(e.odds)) expect(odds >= 0 && odds <= 1).toBe(true);
        for (const v of [e.nitrogen_g_m2.mid, e.residue_g_m2.mid, e.surviving, e.carbonToNitrogen])
          expect(Number.isNaN(v)).toBe(false);
        expect(e.surviving).toBeLessThanOrEqual(1 + 1e-9);
      }
  });
  test('a second pass after one that told leaves two fifths; after one that did not it weakens nothing', () => {
    expect(left('cut-twice', 'cereal-rye', 3) / left('cut', 'cereal-rye', 3)).toBeLessThanOrEqual(0.41);
    expect(left('crimp', 'hairy-vetch', 1.2)).toBeGreaterThan(0.7);
  });
  test('mowing leaves more rye alive than a cut at soil level before it flowers', () => {
    expect(left('mow', 'cereal-rye', 2)).toBeGreaterThan(left('cut', 'cereal-rye', 2) + 0.1);
  });
  test('crimped first, a tall stand needs less time under the sheet than trodden flat', () => {
    const e = endings('cool-maritime', [{ speciesId: 'cereal-rye', share: 1 }], '2026-09-08', 280);
    expect(e.get('crimp-sheet')!.odds.inTime).toBeGreaterThanOrEqual(e.get('sheet')!.odds.inTime);
    expect(e.get('cardboard')!.odds.inTime).toBeLessThanOrEqual(e.get('crimp-sheet')!.odds.inTime);
  });
  test('cut first, it is dead sooner under the sheet than trodden flat; both lie until their heat is full', () => {
    const plan = grown('cool-maritime', [{ speciesId: 'cereal-rye', share: 1 }], '2026-09-08', 290, 10);
    const day = dayOf('2027-05-05') - dayOf('2026-09-08');
    const [cut, flat] = ['cut-sheet', 'sheet'].map((id) => answerEnding(plan, by(id), day));
    expect(flat!.heightAtStart_m).toBeGreaterThan(0.4);
    expect(flat!.dead.mid - cut!.dead.mid).toBeGreaterThan(3);
    expect(cut!.dead.mid - cut!.startDay).toBeGreaterThan(14);
  });
  test('clear film fails in a cool summer and works in a hot one', () => {
    const cool = endings('cool-maritime', [{ speciesId: 'phacelia', share: 1 }], '2027-03-20', 75);
    const hot = endings('humid-subtropical', [{ speciesId: 'cowpea', share: 1 }], '2027-06-01', 90);
    expect(cool.get('clear-film')!.odds.dead).toBeLessThan(0.5);
    expect(hot.get('clear-film')!.odds.dead).toBeGreaterThan(0.9);
  });
  test('frost ends oats in a continental winter and spares rye; heat ends neither in a cool summer', () => {
    const oats = endings('humid-continental', [{ speciesId: 'spring-oats', share: 1 }], '2026-08-20', 250);
    const rye = endings('humid-continental', [{ speciesId: 'cereal-rye', share: 1 }], '2026-09-10', 230);
    expect(oats.get('winterkill')!.odds.dead).toBeGreaterThan(0.9);
    expect(rye.get('winterkill')!.odds.dead).toBeLessThan(0.1);
    expect(oats.get('summerkill')!.odds.dead).toBeLessThan(0.1);
  });
  test('hens bring nitrogen and leave half of the tops; pulling leaves none', () => {
    const e = endings('cool-maritime', [{ speciesId: 'phacelia', share: 1 }], '2027-04-10', 90);
    expect(e.get('hens')!.residue_g_m2.mid).toBeLessThan(e.get('cut')!.residue_g_m2.mid * 0.6);
    expect(e.get('pull')!.residue_g_m2.mid).toBe(0);
  });
  test('let to seed, an annual is over once ripe and a perennial never', () => {
    const phacelia = endings('cool-maritime', [{ speciesId: 'phacelia', share: 1 }], '2027-03-20', 190);
    const clover = endings('cool-maritime', [{ speciesId: 'white-clover', share: 1 }], '2027-03-20', 190);
    expect(phacelia.get('let-seed')!.odds.inTime).toBeGreaterThan(0.8);
    expect(clover.get('let-seed')!.odds.dead).toBe(0);
  });
  test('a spade alone turns in what is short, and nothing that stands higher than its blade; cut first, that is dug in too', () => {
    const plan = grown('cool-maritime', [{ speciesId: 'cereal-rye', share: 1 }], '2026-09-15', 250, 10);
    const day = (iso: string) => dayOf(iso) - dayOf('2026-09-15');
    const dead = (method: string, iso: string) => answerEnding(plan, by(method), day(iso)).odds.dead;
    expect(answerEnding(plan, by('dig'), day('2027-02-20')).heightAtStart_m).toBeLessThan(0.3);
    expect([dead('turn-in', '2027-02-20'), dead('dig', '2027-02-20')]).toEqual([1, 1]);
    expect(answerEnding(plan, by('dig'), day('2027-05-12')).heightAtStart_m).toBeGreaterThan(0.5);
    expect([dead('turn-in', '2027-05-12'), dead('dig', '2027-05-12')]).toEqual([0, 1]);
  });
  test('what ripened and died long before a hand came has shed its seed', () => {
    const plan = grown('cool-maritime', [{ speciesId: 'spring-oats', share: 1 }], '2027-03-20', 330, 10);
    const cutOn = (start: number) => answerEnding(plan, by('cut'), start).odds;
    expect(cutOn(300)).toMatchObject({ dead: 1, noSeed: 0 });
    expect(cutOn(90).noSeed).toBe(1);
  });
  test('the house rule lifts a sheet before a cold spring has killed', () => {
    const cold = (cap?: number) => {
      const members = membersOf([{ speciesId: 'white-clover', share: 1 }]);
      const grown = growPlan(
        {
          members,
          seed_g_m2: [1],
          way: findWay('raked')!,
          soil: { texture: 'loam', fertility: 'fair' },
          watered: true,
          sownAt: 0,
          plantAt: 250,
          next,
        },
        makeEnsemble(site('cool-maritime'), dayOf('2026-08-10'), 300, 20, 5),
      );
      return answerEndings(grown, [{ ...by('sheet'), sheetCap_d: cap }])[0]!.odds.dead;
    };
    expect(cold()).toBeGreaterThan(0.8);
    expect(cold(20)).toBe(0);
  });
});

test('only animals that are fed from outside bring nitrogen to a bed', () => {
  const brings = all.map((m) => [m.id, takeApart(m).manure_g_m2] as const).filter(([, g]) => g !== 0);
  expect(brings).toEqual([
    ['hens', 4],
    ['pigs', 5],
  ]);
});

describe('what a way does with what stands there', () => {
  const parts = new Map(methods.map((m) => [m.id, takeApart(by(m.id))]));
  const those = (holds: (id: string) => boolean) => [...parts.keys()].filter(holds).sort();
  const with_ = <K extends keyof ReturnType<typeof takeApart>>(
    key: K,
    value: ReturnType<typeof takeApart>[K],
  ) => those((id) => parts.get(id)![key] === value);
  test('it is left on top, buried, taken away, eaten, covered or left to the frost', () => {
    expect(with_('handling', 'buried')).toEqual(['bury-raised', 'dig', 'till', 'turn-in']);
    expect(with_('handling', 'removed')).toEqual(['cut-rake', 'pull']);
    expect(with_('handling', 'animals')).toEqual(['graze', 'hens', 'pigs']);
    expect(with_('handling', 'sheet')).toEqual([
      'cardboard',
      'clear-film',
      'crimp-sheet',
      'cut-sheet',
      'sheet',
    ]);
    expect(with_('handling', 'winterkilled')).toEqual(['winterkill']);
    expect(with_('handling', 'compost')).toEqual(['compost']);
    expect(with_('handling', 'surface')).toHaveLength(parts.size - 16);
  });
  test('it waits for frost, heat or seed, or for nobody', () => {
    expect(['frost', 'heat', 'seed'].map((w) => with_('waits', w as 'frost'))).toEqual([
      ['winterkill'],
      ['summerkill'],
      ['let-seed'],
    ]);
  });
  test('the spade and the tiller turn the ground, one of them with the stand upright on it', () => {
    expect(with_('digs', true)).toEqual(['bury-raised', 'dig', 'till', 'turn-in']);
    expect(with_('turnsStanding', true)).toEqual(['turn-in']);
  });
  test('transplants go into one of them at once; one of them ends nothing; one presses stems that must dry', () => {
    expect(with_('plantsAtOnce', true)).toEqual(['cut-plant']);
    expect(with_('keeps', true)).toEqual(['mow-keep']);
    expect(with_('presses', true)).toEqual(['crimp']);
  });
  test('so much of the tops stays: all, half under hens, two fifths under teeth, stubble behind a rake, nothing when pulled', () => {
    const stays = Object.fromEntries(
      [...parts].filter(([, p]) => p.stays < 1).map(([id, p]) => [id, p.stays]),
    );
    expect(stays).toEqual({ 'cut-rake': 0.12, hens: 0.5, pigs: 0.4, graze: 0.4, pull: 0 });
  });
});

test('a mix is over by its seed only when every member dies of it', () => {
  const over = (...ids: string[]) => {
    const parts = ids.map((speciesId) => ({ speciesId, share: 1 / ids.length }));
    const plan = grown('cool-maritime', parts, '2026-09-15', 330, 10);
    return answerEnding(plan, by('let-seed'), 300).odds.dead;
  };
  expect(over('cereal-rye')).toBe(1);
  expect(over('cereal-rye', 'white-clover')).toBe(0);
});
