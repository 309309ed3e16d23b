import { describe, expect, test } from '@jest/globals';
import { membersOf, species } from '../../catalogue/catalogue.ts';
import { places } from '../../catalogue/places.ts';
import { dayOf } from '../calendar/day.ts';
import { gapEnsemble } from '../choose/choose.ts';
import { siteFromNormals } from '../climate/normals.ts';
import { type Factor } from './factor.ts';
import { inSeason } from './season.ts';

const alone = (speciesId: string) => membersOf([{ speciesId, share: 1 }]);

/** From 1 September to 28 May in a town: sown on the first day, ended on the last. */
function winterIn(town: string) {
  const fit = siteFromNormals(places.find((p) => p.name === town)!);
  if (!fit.ok) throw new Error(fit.failure.code);
  const gap = { freeDay: dayOf('2026-09-01'), plantDay: dayOf('2027-05-28'), next: undefined as never };
  const ensemble = gapEnsemble({ site: fit.value, gap, years: 10 });
  const at = (day: string) => dayOf(day) - ensemble.fromDay;
  return (id: string, end = '2027-05-28', byWeather = false) =>
    inSeason(alone(id), ensemble, at('2026-09-01'), at(end), false, byWeather).factors.find(
      (f) => f.code === 'long-under-snow',
    );
}

describe('months under snow', () => {
  const sapporo = winterIn('Sapporo');
  test('thin the tenderer kinds, by the days beyond what a kind bears', () => {
    const pea = sapporo('winter-field-pea')!;
    const days = Number(pea.facts['days']);
    // Hardened to -13 °C: 50 days and 5 for each degree below -8.
    expect(pea.facts['bears']).toBe(75);
    expect(days).toBeGreaterThan(95);
    expect(days).toBeLessThan(120);
    expect(pea.times).toBeCloseTo(1 - ((days - 75) / 45) * 0.75, 9);
    expect(sapporo('woollypod-vetch')!.times).toBeLessThan(pea.times);
    // A quarter is left however long it lies.
    expect(sapporo('barrel-medic')!.times).toBe(0.25);
  });
  test('spare rye, and perennials, which wait in their crowns; what frost is to end may rot', () => {
    expect(['cereal-rye', 'winter-wheat', 'red-clover', 'white-clover'].map((id) => sapporo(id))).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(sapporo('winter-field-pea', '2027-05-28', true)).toBeUndefined();
  });
  test('count only until it is ended, and are no matter where snow comes and goes', () => {
    expect(sapporo('winter-field-pea', '2026-12-31')).toBeUndefined();
    expect(winterIn('Lyon')('barrel-medic')).toBeUndefined();
  });
});

describe('a winter kind sown in spring', () => {
  const factorOf = (
    town: string,
    id: string,
    sow: string,
    end: string,
    code: Factor['code'] = 'summer-through',
  ) => {
    const fit = siteFromNormals(places.find((p) => p.name.startsWith(town))!);
    if (!fit.ok) throw new Error(fit.failure.code);
    const gap = { freeDay: dayOf('2027-04-10'), plantDay: dayOf('2028-05-25'), next: undefined as never };
    const ensemble = gapEnsemble({ site: fit.value, gap, years: 10 });
    const at = (day: string) => dayOf(day) - ensemble.fromDay;
    return inSeason(alone(id), ensemble, at(sow), at(end)).factors.find((f) => f.code === code);
  };
  test('has a hot summer to come through before its winter: days over what it is at home in, beyond six weeks', () => {
    const rye = factorOf('Baltimore', 'cereal-rye', '2027-05-01', '2028-05-05')!;
    const days = Number(rye.facts['days']);
    expect(days).toBeGreaterThan(110);
    expect(rye.times).toBe(0.25);
    // Sown as summer ends it meets fewer of them than it bears, and those of the next May are not counted.
    expect(factorOf('Baltimore', 'cereal-rye', '2027-08-28', '2028-05-25')).toBeUndefined();
    const early = factorOf('Baltimore', 'cereal-rye', '2027-07-25', '2028-05-05')!;
    expect(early.times).toBeCloseTo(1 - ((Number(early.facts['days']) - 45) / 45) * 0.75, 9);
    expect(early.times).toBeGreaterThan(0.25);
  });
  test('where summers are cool it stands for the next year, and perennials do everywhere', () => {
    expect(factorOf('Edinburgh', 'cereal-rye', '2027-06-24', '2028-05-05')).toBeUndefined();
    expect(factorOf('Baltimore', 'red-clover', '2027-05-01', '2028-05-05')).toBeUndefined();
  });
  test('and where they are cool too it waits too long when it is sown in April', () => {
    const late = (sow: string) =>
      factorOf('Edinburgh', 'cereal-rye', sow, '2028-05-05', 'long-before-winter');
    const april = late('2027-04-20')!;
    const days = Number(april.facts['days']);
    expect(days).toBeGreaterThan(150);
    expect(april.times).toBeCloseTo(1 - ((days - 140) / 60) * 0.75, 9);
    expect([late('2027-06-24'), late('2027-09-01')]).toEqual([undefined, undefined]);
    // Ended in December it has waited as long, whether its winter is over or not.
    const cut = factorOf('Edinburgh', 'cereal-rye', '2027-04-20', '2027-12-10', 'long-before-winter')!;
    expect(cut.facts['days']).toBe(days);
    // One that is ended before winter is told that it was never chilled, and no more.
    expect(
      factorOf('Edinburgh', 'cereal-rye', '2027-04-20', '2027-08-01', 'long-before-winter'),
    ).toBeUndefined();
  });
});

describe('a summer kind in a winter without frost', () => {
  const site = siteFromNormals(places.find((p) => p.name.startsWith('Porto Alegre'))!);
  if (!site.ok) throw new Error(site.failure.code);
  const gap = { freeDay: dayOf('2027-01-10'), plantDay: dayOf('2027-10-20'), next: undefined as never };
  const ensemble = gapEnsemble({ site: site.value, gap, years: 10 });
  const at = (day: string) => dayOf(day) - ensemble.fromDay;
  const factorOf = (id: string, sow: string, end: string, byWeather = false) =>
    inSeason(alone(id), ensemble, at(sow), at(end), false, byWeather).factors.find(
      (f) => f.code === 'winter-through',
    );
  test('lives and hardly grows: days two degrees under its first weeks, beyond six weeks of them', () => {
    const sorghum = factorOf('forage-sorghum', '2027-04-15', '2027-09-15')!;
    expect(sorghum.facts['under_c']).toBe(17);
    expect(Number(sorghum.facts['days'])).toBeGreaterThan(90);
    expect(sorghum.times).toBe(0.25);
    const june = factorOf('forage-sorghum', '2027-04-15', '2027-07-10')!;
    expect(june.times).toBeCloseTo(1 - ((Number(june.facts['days']) - 45) / 45) * 0.75, 9);
    expect(june.times).toBeGreaterThan(0.4);
  });
  test('is in place in its summer, and what frost is to end is not asked', () => {
    expect(factorOf('forage-sorghum', '2027-01-15', '2027-05-15')).toBeUndefined();
    expect(factorOf('forage-sorghum', '2027-04-15', '2027-09-15', true)).toBeUndefined();
    for (const id of ['black-oats', 'common-vetch', 'tillage-radish'])
      expect(factorOf(id, '2027-04-15', '2027-09-15')).toBeUndefined();
  });
});

describe('whatever the kind and the day', () => {
  const fit = siteFromNormals(places.find((p) => p.name === 'Lyon')!);
  if (!fit.ok) throw new Error(fit.failure.code);
  const gap = { freeDay: dayOf('2026-08-01'), plantDay: dayOf('2027-06-20'), next: undefined as never };
  const ensemble = gapEnsemble({ site: fit.value, gap, years: 10 });
  const at = (day: string) => dayOf(day) - ensemble.fromDay;
  const times = (id: string, sow: string) =>
    inSeason(alone(id), ensemble, at(sow), at('2027-06-20'), false, false).times;
  test('what is out of season takes and never gives', () => {
    for (const { id } of species)
      for (const sow of ['2026-08-01', '2026-10-05', '2026-11-20', '2027-03-01', '2027-05-10']) {
        expect(times(id, sow)).toBeGreaterThan(0);
        expect(times(id, sow)).toBeLessThanOrEqual(1);
      }
  });
  test('a clover sown too late to root before the cold is worth less than one sown in its time; rye hardly', () => {
    expect(times('crimson-clover', '2026-11-20')).toBeLessThan(0.8 * times('crimson-clover', '2026-09-05'));
    expect(times('cereal-rye', '2026-11-05')).toBeGreaterThan(0.8 * times('cereal-rye', '2026-09-25'));
  });
});
