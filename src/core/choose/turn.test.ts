import { expect, test } from '@jest/globals';
import { coverOfId } from '../../catalogue/catalogue.ts';
import { asNext } from './turn.ts';

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
