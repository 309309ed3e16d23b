import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { methods } from '../catalogue/catalogue.ts';
import { dayOf } from '../core/calendar/day.ts';
import { forecastCover } from '../core/plan/forecast.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { aheadOf, forecastInput, methodsHere, observedOf, sownArea_m2, weightsOf } from './asked.ts';

describe.each(['north-shore', 'two-gums'])('every cover of the demo garden %s', (name) => {
  const read = readGardenFile(readFileSync(`demo/${name}.kilim.json`, 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  const c = read.value;
  const today = c.garden.seasonClock!;
  const covers = c.covers.map((cover) => ({ cover, bed: c.beds.find((b) => b.id === cover.bedId)! }));

  test('is forecast: odds are shares, spreads are in order, ground covered is a share of it', () => {
    for (const { cover, bed } of covers) {
      const f = forecastCover({
        ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, 8),
        observed: observedOf(c.weather, cover, today),
        ahead: aheadOf(c.weather, today),
      });
      for (const e of f.endings) {
        for (const odds of Object.values(e.odds)) {
          expect(odds).toBeGreaterThanOrEqual(0);
          expect(odds).toBeLessThanOrEqual(1);
        }
        for (const s of [e.ready, e.plantable, e.nitrogen_g_m2, e.residue_g_m2, e.dryMatter_g_m2]) {
          expect(s.low).toBeLessThanOrEqual(s.mid);
          expect(s.mid).toBeLessThanOrEqual(s.high);
        }
        expect(e.startDay).toBeGreaterThanOrEqual(dayOf(cover.sownOn ?? cover.sowOn));
      }
      for (const share of f.stand.coverByDay) {
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
      }
    }
  });
  test('has a weight for each of its seeds, and no more ground than its bed', () => {
    for (const { cover, bed } of covers) {
      expect(sownArea_m2(cover, bed)).toBeLessThanOrEqual(bed.area_m2);
      const weights = weightsOf(cover, bed);
      expect(weights.map((w) => w.speciesId)).toEqual(cover.parts.map((p) => p.speciesId));
      for (const w of weights) expect(w.weigh_g).toBeGreaterThan(0);
    }
  });
  test('what a house rule forbids is in the way of every method that uses it, and of no other', () => {
    const free = { ...c.garden, rules: { ...c.garden.rules, noPlastic: false, noDigging: false } };
    const strict = { ...c.garden, rules: { ...c.garden.rules, noPlastic: true, noDigging: true } };
    const before = methodsHere(free);
    const added = methodsHere(strict).filter((m, i) => m.missing.length > before[i]!.missing.length);
    const forbidden = methods.filter((m) => m.uses.includes('plastic') || m.uses.includes('digging'));
    expect(added.map((m) => m.id)).toEqual(forbidden.map((m) => m.id));
    expect(forbidden.map((m) => m.id)).toContain('sheet');
  });
});
