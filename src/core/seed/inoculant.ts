/**
 * Peat inoculant for a weight of legume seed, g: small seed has more surface to the gram. Packets of 250 g are made for about 25 kg of
 * clover seed, 50 kg of vetch and 100 kg of peas or beans. Source: Drew 2012, figures recalled, medium confidence; the packet's own
 * word goes first. Worked figure: 60 g of crimson clover takes 0.6 g.
 */
const SMALL_SEED_G = 5;
const MEDIUM_SEED_G = 60;
const PER_KG = { small: 10, medium: 5, large: 2.5 } as const;

export function inoculant_g(seed_g: number, thousandSeed_g: number): number {
  const size = thousandSeed_g < SMALL_SEED_G ? 'small' : thousandSeed_g < MEDIUM_SEED_G ? 'medium' : 'large';
  return (seed_g / 1000) * PER_KG[size];
}
