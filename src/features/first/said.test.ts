import { describe, expect, test } from '@jest/globals';
import { BLANK, packetOf, sharesOf } from './said.ts';

const parts = (...printed: string[]) => printed.map((p, i) => ({ speciesId: `kind-${i}`, printed: p }));
const shares = (...printed: string[]) => {
  const r = sharesOf(parts(...printed));
  return r.ok ? r.value.map((x) => Math.round(x)) : r.failure.code;
};

describe('shares as printed', () => {
  test('what is blank takes what is left of a hundred', () => {
    expect(shares('', '')).toEqual([50, 50]);
    expect(shares('40 %', '', '')).toEqual([40, 30, 30]);
    expect(shares('62,5', '37.5')).toEqual([63, 38]);
  });
  test('where nothing is left, as much as the others have', () =>
    expect(shares('60', '60', '')).toEqual([60, 60, 60]));
  test('words and nothing are no share', () => {
    expect(shares('half', '')).toBe('share-unreadable');
    expect(shares('0', '')).toBe('share-unreadable');
  });
});

describe('the packet', () => {
  const packet = (part: Partial<typeof BLANK>) => packetOf({ ...BLANK, parts: parts(''), ...part });
  test('the ground it is for is a rate once its weight is known', () => {
    const r = packet({ weight: '100 g', rate: '20 m²' });
    expect(r.ok && r.value.rate_g_m2).toBeCloseTo(5, 9);
    expect(packet({ rate: '20 m²' })).toMatchObject({ ok: false, failure: { code: 'rate-wants-weight' } });
  });
  test('a rate, a price with its sign, an ounce where ounces are thought in', () => {
    const r = packet({ weight: '4', rate: '2 oz/100 ft²', price: '£3.50', imperial: true });
    expect(r.ok && r.value.weight_g).toBeCloseTo(113.4, 1);
    expect(r.ok && r.value.rate_g_m2).toBeCloseTo(6.1, 1);
    expect(r.ok && r.value.price).toBe(3.5);
  });
  test('one kind has no name of a mix', () => {
    const r = packet({ mixName: 'Bee mix' });
    expect(r.ok && r.value.name).toBe('');
  });
});
