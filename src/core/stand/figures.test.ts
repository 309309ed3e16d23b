import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { findWay, species } from '../../catalogue/catalogue.ts';
import { hardenDay, lethal50_c, plantTemperature_c, survival } from './cold.ts';
import { moistureRate, moistureShare, temperatureShare, wayShare } from './emergence.ts';
import { criticalShare, heightOf, leafShare, ownNitrogenPct, winterLoss } from './leaf.ts';
import { crowdingOf } from './plant.ts';
import { laterBy } from './species.ts';
import { stageNumber } from './stage.ts';
import { traitsOf } from './traits.ts';

const of = (id: string) => species.find((s) => s.id === id)!;
const rye = of('cereal-rye');
const vetch = of('hairy-vetch');

describe('leaf and nitrogen', () => {
  test('4 t/ha of a C3 stand needs 3.08 % nitrogen (Lemaire and Gastal 1997)', () => {
    expect(4.8 * criticalShare(400)).toBeCloseTo(3.08, 2);
    expect(criticalShare(60)).toBe(1);
  });
  test('all dilute with mass: a grass at once, a legume, which feeds itself, from about 4 t/ha on', () => {
    const at = (sp: typeof rye, g: number) => ownNitrogenPct(traitsOf(sp), 1.2, criticalShare(g));
    expect(at(rye, 800)).toBeLessThan(at(rye, 200));
    expect(at(vetch, 200)).toBe(at(vetch, 100));
    expect(at(vetch, 600)).toBeCloseTo(1.15 * 4.8 * 6 ** -0.32, 2);
  });
  test('a night of -10 °C takes 0.7 % of grass leaf and 2 % of broad leaf, half of it under snow, nothing at -4 °C', () => {
    expect(winterLoss(traitsOf(rye), -10, 0)).toBeCloseTo(0.007, 4);
    expect(winterLoss(traitsOf(vetch), -10, 0)).toBeCloseTo(0.02, 4);
    expect(winterLoss(traitsOf(vetch), -10, 10)).toBeCloseTo(0.01, 4);
    expect(winterLoss(traitsOf(vetch), -4, 0)).toBe(0);
  });
  test('leaf share falls with stage for every kind and height rises', () => {
    for (const s of species.map(traitsOf))
      for (let k = 1; k < 4.8; k += 0.2) {
        expect(leafShare(s, k + 0.2)).toBeLessThanOrEqual(leafShare(s, k) + 1e-9);
        expect(heightOf(s, k + 0.2, 300)).toBeGreaterThanOrEqual(heightOf(s, k, 300) - 0.02);
      }
  });
  test('flat leaves cover more ground than upright ones of the same area', () => {
    expect(traitsOf(vetch).coverPerLeaf).toBeGreaterThan(traitsOf(rye).coverPerLeaf);
    expect(traitsOf(vetch).coverPerLeaf).toBeCloseTo(0.85, 9);
    expect(traitsOf(of('flax')).coverPerLeaf).toBeCloseTo((0.85 * 0.5) / 0.7, 9);
  });
});

describe('emergence', () => {
  test('moisture marks: whole speed at half full, half at 0.3, none under 0.15; a dry week keeps about a fifth', () => {
    expect([0.5, 0.3, 0.15].map(moistureRate)).toEqual([1, 0.5, 0]);
    expect(moistureShare(0)).toBeCloseTo(0.15, 6);
    expect(moistureShare(1)).toBeCloseTo(1, 6);
  });
  test('temperature marks of vetch: 0.6 at its least soil warmth, 1 four degrees above, none four below', () => {
    const low = vetch.thermal.germMin_c;
    expect(temperatureShare(vetch, low)).toBeCloseTo(0.6, 6);
    expect(temperatureShare(vetch, low + 4)).toBeCloseTo(1, 6);
    expect(temperatureShare(vetch, low - 4)).toBe(0);
  });
  test('no way brings more up than a furrow, and seed left on top pays by how well it takes there', () => {
    for (const s of species) {
      const furrow = wayShare(s, findWay('furrow')!);
      for (const id of ['raked', 'surface', 'standing-crop', 'cut-over', 'frost-sown', 'self-sown'])
        expect(wayShare(s, findWay(id)!)).toBeLessThanOrEqual(furrow);
    }
    expect(wayShare(of('white-clover'), findWay('surface')!)).toBeGreaterThan(
      wayShare(of('fava-bean'), findWay('surface')!),
    );
  });
  test('a stand of the recommended seed counts as full, half as many plants as less, none as none', () => {
    const m = [{ species: rye, share: 1 }];
    const full = ((rye.seed.rateBroadcastLow_g_m2 / rye.seed.thousandSeed_g) * 600) / 1;
    expect(crowdingOf(m, [full])).toBeCloseTo(1, 6);
    expect(crowdingOf(m, [full / 2])).toBeLessThan(1);
    expect(crowdingOf(m, [0])).toBe(0);
  });
});

describe('cold', () => {
  test('four weeks at 5 °C harden about whole, a warm week takes it back', () => {
    let h = 0;
    for (let d = 0; d < 26; d++) h = hardenDay(h, 5);
    expect(h).toBeCloseTo(1, 6);
    for (let d = 0; d < 7; d++) h = hardenDay(h, 16);
    expect(h).toBe(0);
  });
  test('hardened rye lives half at -29 °C at the crown; once stems shoot it is tender again', () => {
    expect(lethal50_c(traitsOf(rye), 1, 0, 600)).toBeCloseTo(rye.cold.hardened_c, 6);
    expect(lethal50_c(traitsOf(rye), 1, rye.stages.bud_cd, 600)).toBe(rye.cold.tender_c);
    expect(survival(0)).toBe(0.5);
  });
  test('snow and soil keep crowns warmer than air; tops under a clear sky are two degrees colder than it, under cloud as cold', () => {
    const at = (id: string, tmax_c: number, snow_cm = 0, plain_cd = 0) =>
      plantTemperature_c(traitsOf(of(id)), -8, tmax_c, snow_cm, plain_cd);
    expect([at('cereal-rye', 2), at('cereal-rye', 2, 8)]).toEqual([-4, -2]);
    expect([at('white-mustard', 4), at('white-mustard', -4)]).toEqual([-10, -8]);
    // Seedlings of peas and beans come again from nodes in the ground; past four leaves it is their tops that count. Lupins lift their seed leaves.
    for (const id of ['spring-field-pea', 'fava-bean'])
      expect([id, at(id, 4, 0, 274), at(id, 4, 0, 275)]).toEqual([id, -4, -10]);
    expect(at('narrow-leaf-lupin', 4, 0, 100)).toBe(-10);
  });
  test('warm-season kinds never harden; a perennial is as hardy in flower as in leaf', () => {
    const cowpea = of('cowpea');
    expect(lethal50_c(traitsOf(cowpea), 1, 0, 600)).toBe(lethal50_c(traitsOf(cowpea), 0, 0, 600));
    const clover = of('red-clover');
    expect(lethal50_c(traitsOf(clover), 1, clover.stages.flower_cd, 900)).toBe(clover.cold.hardened_c);
  });
  test('colder never kills less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (m, less) => survival(m - less) <= survival(m),
      ),
    );
  });
});

describe('species', () => {
  test('a later cultivar reaches each stage later by its degree-days and nothing else changes', () => {
    const late = laterBy(rye, 90);
    expect(stageNumber(traitsOf(late), rye.stages.flower_cd + 90)).toBeCloseTo(3, 9);
    expect({ ...late, stages: rye.stages }).toEqual(rye);
  });
});
