import type { useFirst } from './useFirst.ts';

export const PACKETS = [
  'crimson-clover',
  'phacelia',
  'buckwheat',
  'cereal-rye',
  'white-mustard',
  'hairy-vetch',
];

export type First = NonNullable<ReturnType<typeof useFirst>>;
