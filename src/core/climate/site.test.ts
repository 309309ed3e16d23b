import { describe, expect, test } from '@jest/globals';
import { climates } from '../../catalogue/catalogue.ts';
import { places } from '../../catalogue/places.ts';
import { dayOf } from '../calendar/day.ts';
import { streamOf } from '../random/stream.ts';
import { dailyClimate, smoothYear } from '../site/daily.ts';
import { daysOff, frostChances, frostRecord } from './frost.ts';
import { siteFromDaily } from './observed.ts';
import { siteFromNormals } from './normals.ts';
import { siteFromPattern } from './pattern.ts';
import { siteFromQuestions } from './questions.ts';
import { drawChances, generateWeather, nightsOf } from '../weather/generate.ts';

const maritime = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);

describe('site and weather', () => {
  test('a smooth year keeps its monthly means to 0.05 °C', () => {
    const months = [1, 2, 5, 8, 12, 16, 18, 17, 14, 9, 5, 2];
    const year = smoothYear(months);
    const july = year.slice(182, 213).reduce((s, t) => s + t, 0) / 31;
    expect(Math.abs(july - 18)).toBeLessThan(0.05);
  });
  test.each(climates.map((c) => [c.id, c] as const))(
    '%s gives back its coldest night to 1 °C',
    (_, pattern) => {
      const climate = dailyClimate(siteFromPattern(pattern));
      const { coldestNight_c } = frostRecord(climate, frostChances(climate, 120, 99));
      expect(Math.abs(coldestNight_c - pattern.coldestNight_c)).toBeLessThan(1);
    },
  );
  test('nights from kept chances are those of the whole weather, to the last bit', () => {
    const climate = dailyClimate(maritime);
    const from = dayOf('2023-11-20');
    const nights = nightsOf(climate, drawChances(climate, from, 900, streamOf(5)));
    expect(nights).toEqual(generateWeather(climate, from, 900, streamOf(5)).tmin_c);
  });
  test('four questions give back their frost dates within 2 days and coldest night within 1 °C, north and south, in hard frost and hardly any', () => {
    for (const q of [
      {
        latitude_deg: 54,
        lastFrost_doy: 120,
        firstFrost_doy: 290,
        coldestNight_c: -8,
        summerAfternoon_c: 20,
      },
      {
        latitude_deg: -38,
        lastFrost_doy: 270,
        firstFrost_doy: 140,
        coldestNight_c: -3,
        summerAfternoon_c: 27,
      },
      {
        latitude_deg: 37,
        lastFrost_doy: 45,
        firstFrost_doy: 340,
        coldestNight_c: -2,
        summerAfternoon_c: 30,
      },
    ]) {
      const fit = siteFromQuestions(q, climates);
      if (!fit.ok) throw new Error(fit.failure.code);
      const { gaveBack } = fit.value;
      expect(Math.abs(gaveBack.lastFrost_doy! - q.lastFrost_doy)).toBeLessThanOrEqual(2);
      expect(Math.abs(gaveBack.firstFrost_doy! - q.firstFrost_doy)).toBeLessThanOrEqual(2);
      expect(Math.abs(gaveBack.coldestNight_c - q.coldestNight_c)).toBeLessThan(1);
    }
  });
  test('frost dates of the other hemisphere are refused with a reason', () => {
    const fit = siteFromQuestions(
      {
        latitude_deg: -38,
        lastFrost_doy: 120,
        firstFrost_doy: 290,
        coldestNight_c: -3,
        summerAfternoon_c: 27,
      },
      climates,
    );
    expect(fit).toMatchObject({ ok: false, failure: { code: 'frost-order' } });
  });
  test('the same seed gives the same weather to the last bit, and generated rain keeps its yearly total within a tenth', () => {
    const climate = dailyClimate(maritime);
    const a = generateWeather(climate, 20000, 365 * 40, streamOf(5));
    expect(a).toEqual(generateWeather(climate, 20000, 365 * 40, streamOf(5)));
    const perYear = a.rain_mm.reduce((s, r) => s + r, 0) / 40;
    const wanted = maritime.rain_mm.reduce((s, r) => s + r, 0);
    expect(Math.abs(perYear / wanted - 1)).toBeLessThan(0.1);
  });
  test('a station record is fitted with gaps reported, and swapped columns are named', () => {
    const w = generateWeather(dailyClimate(maritime), dayOf('2020-01-01'), 1200, streamOf(3));
    const days = Array.from({ length: 1200 }, (_, i) => ({
      day: w.fromDay + i,
      tmin_c: w.tmin_c[i]!,
      tmax_c: w.tmax_c[i]!,
      rain_mm: w.rain_mm[i]!,
    }));
    const fit = siteFromDaily(
      51,
      days.filter((_, i) => i < 500 || i > 519),
      false,
    );
    if (!fit.ok) throw new Error(fit.failure.code);
    expect(fit.value.report).toMatchObject({ gaps: 20, longestGap_d: 20 });
    expect(Math.abs(fit.value.site.tmax_c[6]! - maritime.tmax_c[6]!)).toBeLessThan(2);
    const swapped = siteFromDaily(
      51,
      days.map((d) => ({ ...d, tmin_c: d.tmax_c, tmax_c: d.tmin_c })),
      false,
    );
    expect(swapped).toMatchObject({ ok: false, failure: { code: 'weather-swapped' } });
  });
  test('a season goes on from measured days, then the forecast, less sure day by day, then as any year might', () => {
    const climate = dailyClimate(maritime);
    const from = dayOf('2027-04-01');
    const known = new Map(
      Array.from({ length: 20 }, (_, i) => [
        from + i,
        { day: from + i, tmin_c: 12, tmax_c: 20, rain_mm: 0, lead_d: i >= 10 ? i - 9 : undefined },
      ]),
    );
    const years = Array.from({ length: 200 }, (_, y) =>
      generateWeather(climate, from, 60, streamOf(y), known),
    );
    const sd = (i: number) => {
      const v = years.map((w) => w.tmax_c[i]!);
      const mean = v.reduce((s, x) => s + x, 0) / v.length;
      return Math.sqrt(v.reduce((s, x) => s + (x - mean) ** 2, 0) / v.length);
    };
    expect(sd(5)).toBe(0);
    expect(sd(10)).toBeGreaterThan(0.7);
    expect(sd(19)).toBeGreaterThan(sd(10) * 2);
    // The day after a warm forecast is still warm; a month on it is forgotten.
    const mean = (i: number) => years.reduce((s, w) => s + w.tmax_c[i]!, 0) / 200;
    expect(mean(20)).toBeGreaterThan(climate.tmax_c[110]! + 1);
    expect(Math.abs(mean(55) - climate.tmax_c[145]!)).toBeLessThan(1);
  });
  test.each([
    'us-denver',
    'us-boston',
    'gb-london',
    'fr-paris',
    'nz-christchurch',
    'us-minneapolis',
    'pt-porto',
  ])(
    'the frosts that %s knows come back from its years within five days, its coldest night within two degrees',
    (id) => {
      const place = places.find((p) => p.id === id)!;
      const fit = siteFromNormals(place);
      if (!fit.ok) throw new Error(fit.failure.code);
      // The means are known best: only the spread from day to day is moved.
      expect([fit.value.tmin_c, fit.value.tmax_c]).toEqual([place.tmin_c, place.tmax_c]);
      const years = dailyClimate(fit.value);
      const got = frostRecord(years, frostChances(years, 600, 41));
      expect(Math.abs(daysOff(got.lastFrost_doy! - place.lastFrost_doy!))).toBeLessThanOrEqual(5);
      expect(Math.abs(daysOff(got.firstFrost_doy! - place.firstFrost_doy!))).toBeLessThanOrEqual(5);
      expect(Math.abs(got.coldestNight_c - place.coldestNight_c)).toBeLessThan(2);
    },
  );
  test('a place that knows no frosts keeps the spread of its coldest night', () => {
    const place = places.find((p) => p.id === 'us-denver')!;
    const { lastFrost_doy, firstFrost_doy, ...rest } = place;
    const [with_, without] = [siteFromNormals(place), siteFromNormals(rest)];
    if (!with_.ok || !without.ok) throw new Error('no site');
    expect(without.value.sdWarm_c).toBeCloseTo(0.55 * without.value.sdCold_c, 6);
    // Steady springs: frosts end sixteen days before the spread of its winters would have them end.
    expect(with_.value.sdWarm_c).toBeLessThan(without.value.sdWarm_c);
    for (const doy of [-1, 366, Number.NaN])
      expect(siteFromNormals({ ...rest, firstFrost_doy: doy })).toMatchObject({
        failure: { code: 'date-missing', where: 'the frosts' },
      });
    // Each end has a spread of its own: springs on the plains are steadier than a line from winter to summer, and so are its autumns.
    expect([without.value.springWider_c, without.value.autumnWider_c]).toEqual([undefined, undefined]);
    expect(with_.value.springWider_c).toBeLessThan(-1);
    expect(with_.value.autumnWider_c).toBeGreaterThan(with_.value.springWider_c!);
    // One end alone is enough to tell.
    const one = siteFromNormals({ ...rest, lastFrost_doy });
    if (!one.ok) throw new Error('no site');
    expect(one.value.sdWarm_c).toBeLessThan(without.value.sdWarm_c);
    expect(one.value.autumnWider_c).toBeUndefined();
    expect(firstFrost_doy).toBeGreaterThan(lastFrost_doy!);
  });
  test.each([50, -40])(
    'a spring wider than the line and an autumn narrower change the spread half way alone, at %s degrees',
    (latitude_deg) => {
      const site = siteFromPattern(
        climates.find((c) => c.id === 'humid-continental')!,
        latitude_deg,
      );
      const [line, bent] = [site, { ...site, springWider_c: 1, autumnWider_c: -0.5 }].map(dailyClimate);
      const off = line!.sd_c.map((sd, d) => bent!.sd_c[d]! - sd);
      const day = (month: number) => Math.round(((latitude_deg > 0 ? month : (month + 6) % 12) + 0.5) * 30.5);
      expect([Math.min(...off), Math.max(...off)]).toEqual([expect.closeTo(-0.5, 2), expect.closeTo(1, 2)]);
      expect([off[day(3)], off[day(9)]].map((x) => Math.sign(x!))).toEqual([1, -1]);
      for (const d of [line!.warmth.indexOf(0), line!.warmth.indexOf(1)]) expect(off[d]).toBeCloseTo(0, 9);
      // Nothing is steadier than a tenth of a degree.
      expect(Math.min(...dailyClimate({ ...site, springWider_c: -15 }).sd_c)).toBe(0.1);
    },
  );
  test('typed monthly normals come back from generated years, and swapped or missing months are named', () => {
    const { tmax_c, tmin_c, rain_mm } = climates.find((c) => c.id === 'humid-continental')!;
    const normals = { latitude_deg: 43, coastal: false, tmax_c, tmin_c, rain_mm, coldestNight_c: -24 };
    const fit = siteFromNormals(normals);
    if (!fit.ok) throw new Error(fit.failure.code);
    const w = generateWeather(dailyClimate(fit.value), dayOf('2001-01-01'), 365 * 60, streamOf(8));
    const mean = w.tmax_c.reduce((s, t) => s + t, 0) / w.tmax_c.length;
    expect(Math.abs(mean - tmax_c.reduce((s, t) => s + t, 0) / 12)).toBeLessThan(0.4);
    expect(siteFromNormals({ ...normals, tmax_c: tmin_c, tmin_c: tmax_c })).toMatchObject({
      failure: { code: 'normals-swapped' },
    });
    expect(siteFromNormals({ ...normals, rain_mm: rain_mm.slice(1) })).toMatchObject({
      failure: { code: 'normals-missing', facts: { month: 12 } },
    });
  });
});
