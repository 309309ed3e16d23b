import { describe, expect, test } from '@jest/globals';
import { places } from '../../catalogue/places.ts';
import { frostsOf, withFrosts } from './corrected.ts';
import { siteFromNormals } from './normals.ts';

const siteOf = (name: string) => {
  const fit = siteFromNormals(places.find((p) => p.name.startsWith(name))!);
  if (!fit.ok) throw new Error(name);
  return fit.value;
};

describe('frosts that a gardener knows', () => {
  test.each([
    ['Glasgow', 20, -15],
    ['Chicago', 12, -10],
    ['Christchurch', -12, 14],
  ])('%s: last frost %i days off, first frost %i days off come out within four days', (town, last, first) => {
    const site = siteOf(town);
    const usual = frostsOf(site);
    const known = {
      lastFrost_doy: (usual.lastFrost_doy! + last + 366) % 366,
      firstFrost_doy: (usual.firstFrost_doy! + first + 366) % 366,
    };
    const got = frostsOf(withFrosts(site, known));
    expect(Math.abs(got.lastFrost_doy! - known.lastFrost_doy)).toBeLessThanOrEqual(4);
    expect(Math.abs(got.firstFrost_doy! - known.firstFrost_doy)).toBeLessThanOrEqual(4);
  });
  test('only nights near the date are moved; afternoons and rain stay, and nights stay under afternoons', () => {
    const site = siteOf('Glasgow');
    const moved = withFrosts(site, { lastFrost_doy: 145, firstFrost_doy: null });
    expect(moved.tmax_c).toEqual(site.tmax_c);
    expect(moved.rain_mm).toEqual(site.rain_mm);
    expect(moved.tmin_c[4]!).toBeLessThan(site.tmin_c[4]! - 0.5);
    // Autumn and winter are further than the nights that were moved.
    for (const m of [8, 9, 10, 11]) expect(moved.tmin_c[m]).toBe(site.tmin_c[m]);
    moved.tmin_c.forEach((t, m) => expect(t).toBeLessThanOrEqual(moved.tmax_c[m]! - 2));
  });
  test('nothing known changes nothing', () => {
    const site = siteOf('Chicago');
    expect(withFrosts(site, { lastFrost_doy: null, firstFrost_doy: null })).toBe(site);
  });
});
