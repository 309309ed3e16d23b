import { expect, test } from '@jest/globals';
import { climates, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { freezeNights, frostOdds } from './skies.ts';

const site = siteFromPattern(climates.find((c) => c.id === 'humid-continental')!);
const { seasons } = makeEnsemble(site, dayOf('2027-03-01'), 120, 60, 3);
const alone = (speciesId: string) => membersOf([{ speciesId, share: 1 }]);
const odds = (id: string, at: number) => frostOdds(seasons, at, alone(id));

test('early in spring frost meets seedlings that lift their leaves in most years, those that come again from the ground in few, and none in June', () => {
  const early = 25;
  expect(odds('buckwheat', early)).toBe(1);
  expect(odds('narrow-leaf-lupin', early)).toBeGreaterThan(0.5);
  expect(odds('fava-bean', early)).toBeLessThan(odds('narrow-leaf-lupin', early) / 2);
  expect(odds('cereal-rye', early)).toBeLessThan(0.3);
  for (const id of ['narrow-leaf-lupin', 'fava-bean']) expect(odds(id, 90)).toBe(0);
  // A mix is as tender as its tenderest.
  const mix = membersOf([
    { speciesId: 'cereal-rye', share: 0.5 },
    { speciesId: 'narrow-leaf-lupin', share: 0.5 },
  ]);
  expect(frostOdds(seasons, early, mix)).toBe(odds('narrow-leaf-lupin', early));
});

test('nights that freeze before days that thaw are counted over four weeks, and no others', () => {
  const [one] = seasons;
  const by = (tmin_c: number, tmax_c: number) => ({
    ...one!,
    tmin_c: one!.tmin_c.map(() => tmin_c),
    tmax_c: one!.tmax_c.map(() => tmax_c),
  });
  expect([by(-1, 3), by(-1, 0.5), by(1, 8)].map((s) => freezeNights(s, 10))).toEqual([28, 0, 0]);
});
