import { type LyingKind } from './types.ts';

/** The pass that sets a lying thing on a bed. */
export const LAYS: Record<string, LyingKind> = {
  'lay-sheet': 'opaque-sheet',
  'lay-film': 'clear-film',
  hens: 'hen-pen',
  pigs: 'pig-fence',
  graze: 'stock-fence',
};
