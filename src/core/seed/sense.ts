import { type Member } from '../stand/species.ts';
import { rateParts } from './rate.ts';

export type RateSense = 'far-too-thin' | 'thin' | 'sensible' | 'thick' | 'wasteful';

/** Marks of a sensible rate against the range of the catalogue: below half of its low end is no stand, above twice its high end waste. */
const FAR_TOO_THIN = 0.5;
const THIN = 0.85;
const THICK = 1.25;
const WASTEFUL = 2;

/** Range of living seed that makes a stand of these members sown this way, g/m², all members together. */
export function sensibleRange_g_m2(members: Member[], wayFactor: number): { low: number; high: number } {
  const parts = rateParts(members);
  const sum = (of: (m: Member) => number) =>
    members.reduce((s, m, i) => s + of(m) * parts[i]!.share * parts[i]!.mixFactor * wayFactor, 0);
  return {
    low: sum((m) => m.species.seed.rateBroadcastLow_g_m2),
    high: sum((m) => m.species.seed.rateBroadcastHigh_g_m2),
  };
}

/** Answers: is this rate of living seed sensible? Worked figure: 150 g of rye on 10 m², nine tenths living, is 13.5 g/m²: sensible. */
export function senseOfRate(viable_g_m2: number, members: Member[], wayFactor: number): RateSense {
  const { low, high } = sensibleRange_g_m2(members, wayFactor);
  if (viable_g_m2 < low * FAR_TOO_THIN) return 'far-too-thin';
  if (viable_g_m2 < low * THIN) return 'thin';
  if (viable_g_m2 <= high * THICK) return 'sensible';
  return viable_g_m2 <= high * WASTEFUL ? 'thick' : 'wasteful';
}
