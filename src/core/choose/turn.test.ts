import { expect, test } from '@jest/globals';
import { coverOfId } from '../../catalogue/catalogue.ts';
import { places } from '../../catalogue/places.ts';
import { dayOf, isoOf } from '../calendar/day.ts';
import { siteFromNormals } from '../climate/normals.ts';
import { gapEnsemble } from './choose.ts';
import { type ChooseInput } from './input.ts';
import { asNext, turnOf } from './turn.ts';

test('the cover that follows another is what comes next to it: by its leading kind, sown, and hungry for nothing', () => {
  const next = asNext({ ...coverOfId('oats-crimson')!, name: 'Cowpea, then oats and crimson clover' });
  expect(next).toMatchObject({
    name: 'Crimson clover',
    family: 'Fabaceae',
    way: 'seed',
    nitrogenNeed_g_m2: 0,
    seedSize: 'medium',
  });
  expect(asNext(coverOfId('fava-bean')!).seedSize).toBe('large');
});

test('a winter kind that follows another cover is sown from high summer on, a quick summer kind as soon as the first has had its six weeks', () => {
  const fit = siteFromNormals(places.find((p) => p.name.startsWith('Manchester'))!);
  if (!fit.ok) throw new Error(fit.failure.code);
  const gap = { freeDay: dayOf('2027-03-20'), plantDay: dayOf('2028-03-20'), next: undefined as never };
  const input = { site: fit.value, gap, years: 10 } as unknown as ChooseInput;
  const ensemble = gapEnsemble(input);
  const sown = (id: string) => isoOf(turnOf(coverOfId(id)!, input, ensemble));
  for (const id of ['rye-pea', 'cereal-rye', 'rye-vetch']) {
    expect([id, sown(id) > '2027-07-10', sown(id) < '2027-09-10']).toEqual([id, true, true]);
  }
  expect(sown('phacelia') < '2027-06-01').toBe(true);
});
