import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { letsThrough, nitrogenDay, startSoil, waterDay } from './day.ts';
import { AVAILABLE_WATER_MM, SEED_ZONE_MM, START_NITROGEN_G_M2 } from './soil.ts';

const sky = (rain: number, et0: number) => ({ rain_mm: Float64Array.of(rain), et0_mm: Float64Array.of(et0) });
const loam = { texture: 'loam', fertility: 'fair' } as const;

test('what comes in is used, drained or kept, whatever the weather', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          rain: fc.double({ min: 0, max: 80, noNaN: true }),
          et0: fc.double({ min: 0, max: 9, noNaN: true }),
          fi: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        { minLength: 1, maxLength: 60 },
      ),
      (days) => {
        const st = startSoil(loam);
        const start = st.root_mm;
        for (const d of days) {
          st.intercepted = d.fi;
          waterDay(st, sky(d.rain, d.et0), 0);
          expect(st.root_mm).toBeGreaterThanOrEqual(-1e-9);
          expect(st.root_mm).toBeLessThanOrEqual(AVAILABLE_WATER_MM.loam + 1e-9);
          expect(st.seedZone_mm).toBeGreaterThanOrEqual(0);
          expect(st.seedZone_mm).toBeLessThanOrEqual(SEED_ZONE_MM);
        }
        expect(start + st.rain_mm - st.used_mm - st.drained_mm).toBeCloseTo(st.root_mm, 6);
      },
    ),
  );
});
test('a bed begins with seven tenths of the water it holds, wet on top, and with the nitrogen of its ground', () => {
  const st = startSoil(loam);
  expect(st.root_mm).toBeCloseTo(0.7 * AVAILABLE_WATER_MM.loam, 9);
  expect([st.seedZone_mm, st.mineral_g_m2, st.stress]).toEqual([
    SEED_ZONE_MM,
    START_NITROGEN_G_M2[loam.fertility],
    1,
  ]);
});
test('a bare seed bed dries in a hot week and is moister at dawn where the ground below is wet', () => {
  const after = (root: number) => {
    const st = startSoil(loam);
    st.root_mm = root;
    for (let d = 0; d < 6; d++) waterDay(st, sky(0, 5), 0);
    return st.seedZone_mm;
  };
  expect(after(110)).toBeLessThan(SEED_ZONE_MM * 0.6);
  expect(after(110)).toBeGreaterThan(after(25));
});
test('drainage carries nitrogen off, none drains none; rich ground frees more; frozen ground frees none', () => {
  const st = startSoil(loam);
  const before = st.mineral_g_m2;
  st.drainedToday_mm = 220;
  nitrogenDay(st, Float64Array.of(0), 0);
  expect(st.mineral_g_m2).toBeCloseTo(before * Math.exp(-1), 6);
  const freed = (fertility: 'lean' | 'rich') => {
    const s = startSoil({ texture: 'loam', fertility });
    nitrogenDay(s, Float64Array.of(1), 0);
    return s.mineralised_g_m2;
  };
  expect(freed('rich')).toBeGreaterThan(freed('lean') * 3);
});
test('five tonnes of straw keep 30 to 60 % of two weeks of evaporation in the ground, and none is kept where none lies', () => {
  const dried = (t_ha: number) => {
    const st = startSoil(loam);
    st.lets = letsThrough(t_ha);
    for (let d = 0; d < 14; d++) waterDay(st, sky(0, 4), 0);
    return st.used_mm;
  };
  expect(letsThrough(0)).toBe(1);
  expect(1 - dried(5) / dried(0)).toBeGreaterThan(0.3);
  expect(1 - dried(5) / dried(0)).toBeLessThan(0.6);
  expect(dried(10)).toBeLessThan(dried(5));
});
