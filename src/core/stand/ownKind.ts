import { power } from '../units/exact.ts';
import { type Species } from './species.ts';

/** A kind or cultivar that the catalogue lacks, told from the nearest that it has. */
export interface OwnKind {
  id: string;
  name: string;
  /** The kind it is made from. */
  like: string;
  /** How much later (above nought) or earlier it buds, flowers and ripens, as a share of the warmth that takes. */
  later: number;
  /** How much more cold it bears than that kind, °C; below nought less. */
  hardier_c: number;
  /** Weight of a thousand seeds, g; that of the other where it is not known. */
  thousandSeed_g: number | null;
}

/** As far as one kind may be told from another: beyond this it is no longer like it. */
export const OWN_KIND = { later: 0.4, hardier_c: 6, seedTimes: 4 } as const;
/** Larger seed makes larger seedlings and is sown in fewer: grams go up by less than the seed's weight (judgement). */
const RATE_BY_SEED = 0.7;

const within = (x: number, most: number): number => Math.max(-most, Math.min(most, x));

/**
 * The kind as the core grows it: all of the one it is like, with its own days to bud, flower and seed, its own hardiness and its own seed. Nothing of it
 * has been held against published figures.
 */
export function ownSpecies<S extends Species>(k: OwnKind, base: S): S {
  const times = 1 + within(k.later, OWN_KIND.later);
  const colder = within(k.hardier_c, OWN_KIND.hardier_c);
  const weight = base.seed.thousandSeed_g;
  const seed_g = Math.max(
    weight / OWN_KIND.seedTimes,
    Math.min(weight * OWN_KIND.seedTimes, k.thousandSeed_g ?? weight),
  );
  const more = power(seed_g / weight, RATE_BY_SEED);
  const { bud_cd, flower_cd, milk_cd, seed_cd } = base.stages;
  return {
    ...base,
    id: k.id,
    name: k.name,
    formOf: base.formOf ?? base.id,
    confidence: 'low',
    stages: {
      bud_cd: bud_cd * times,
      flower_cd: flower_cd * times,
      milk_cd: milk_cd * times,
      seed_cd: seed_cd * times,
    },
    cold: { ...base.cold, hardened_c: Math.min(base.cold.tender_c, base.cold.hardened_c - colder) },
    seed: {
      ...base.seed,
      thousandSeed_g: seed_g,
      rateBroadcastLow_g_m2: base.seed.rateBroadcastLow_g_m2 * more,
      rateBroadcastHigh_g_m2: base.seed.rateBroadcastHigh_g_m2 * more,
    },
  };
}
