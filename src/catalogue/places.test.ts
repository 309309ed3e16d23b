import { describe, expect, test } from '@jest/globals';
import { siteFromNormals } from '../core/climate/normals.ts';
import { findPlaces, folded, places } from './places.ts';

const country = (code: string) => new Intl.DisplayNames(['en'], { type: 'region' }).of(code) ?? code;
const names = (typed: string) => findPlaces(typed, country).map((p) => p.name);

describe('places', () => {
  test('every place makes a site: twelve months, highs over lows, a coldest night under all of them', () => {
    expect(places.length).toBeGreaterThan(200);
    expect(new Set(places.map((p) => p.id)).size).toBe(places.length);
    for (const p of places) {
      for (let m = 0; m < 12; m++) expect(p.tmin_c[m]!).toBeLessThan(p.tmax_c[m]!);
      expect(p.rain_mm).toHaveLength(12);
      expect(p.coldestNight_c).toBeLessThan(Math.min(...p.tmin_c));
    }
    // Fitting takes a moment each: one in nine of them.
    for (const p of places.filter((_, i) => i % 9 === 0))
      expect([p.id, siteFromNormals(p).ok]).toEqual([p.id, true]);
  });
  test('a place is found with and without its accents, by any word of it, and by its country', () => {
    expect(names('zurich')).toContain('Zürich');
    expect(names('ZÜR')).toContain('Zürich');
    expect(names('sao')).toContain('São Paulo');
    expect(names('paulo')).toContain('São Paulo');
    expect(names('boston')[0]).toBe('Boston');
    expect(findPlaces('swit', country).every((p) => p.country === 'CH')).toBe(true);
    expect(names('')).toEqual([]);
    expect(names('qqqq')).toEqual([]);
  });
  test('what begins with the letters comes before what only holds them', () => {
    const found = names('ma');
    const begins = found.map((n) => folded(n).startsWith('ma'));
    expect(begins.indexOf(false) === -1 || begins.lastIndexOf(true) < begins.indexOf(false)).toBe(true);
  });
});
