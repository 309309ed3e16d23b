import { type Day } from '../calendar/day.ts';
import { type GrowthDay } from '../plan/growth.ts';
import { type Spread } from '../random/quantile.ts';

// Own seed: a strip of a cover is left to ripen, cut, dried, threshed and cleaned by hand.

/** What a kind gives as seed; recalled from yields of seed crops, of low to middling confidence. */
export interface SeedGiving {
  /** Share of the ripe tops' dry matter that is seed, from a poor to a good stand. */
  share: readonly [number, number];
  crosses: 'seldom' | 'some' | 'freely';
  /** Distance from others of its kind that keeps it true for a garden's own use, m. */
  apart_m: number;
  /** It drops its seed as soon as it is ripe. */
  shatters: boolean;
  /** Food plants that it crosses with. */
  kin?: string;
  /** Its seed does not come true: the bag was a hybrid. */
  untrue?: boolean;
}

export interface OwnSeed {
  /** Days on which it is ripe and dry; Infinity where some years never bring it. */
  ripe: Spread;
  /** Days between which it is cut; undefined where most years do not ripen it. */
  cut: [Day, Day] | undefined;
  /** Days under a roof before it is threshed. */
  dry_d: number;
  /** Clean seed off the strip, g. */
  grams: Spread;
}

/** Of the seed that stood, so much is in the bag after cutting, threshing and winnowing by hand; less of what drops (judgement). */
const KEPT = { holds: [0.5, 0.65, 0.8], drops: [0.25, 0.45, 0.65] } as const;
/** Seed can grow about two weeks before it is hard and dry on the plant (judgement; cereals from dough to dead ripe). */
const HARDENS_D = 14;
/** What drops is cut when the lowest pods are brown, up to nine days before the rest; what holds stands up to ten days longer. */
const BEFORE_RIPE_D = 9;
const AFTER_RIPE_D = 10;
const DRY_D = 10;
const DRY_LARGE_D = 21;
const LARGE_SEED_G = 100;

/** Dry matter of the whole stand on a day, g/m2, by straight lines between the days of the picture. */
function standsOn(growth: readonly GrowthDay[], day: Day): Spread {
  const after = growth.findIndex((g) => g.day >= day);
  // Before the first day and after the last those two hold.
  if (after <= 0) return growth.at(after)?.dryMatter_g_m2 ?? NOTHING;
  const [a, b] = [growth[after - 1]!, growth[after]!];
  const s = (day - a.day) / (b.day - a.day);
  const between = (k: 'low' | 'mid' | 'high') =>
    a.dryMatter_g_m2[k] + s * (b.dryMatter_g_m2[k] - a.dryMatter_g_m2[k]);
  return { low: between('low'), mid: between('mid'), high: between('high') };
}
const NOTHING: Spread = { low: 0, mid: 0, high: 0 };

/**
 * Answers: when is the seed of this kind ripe on this strip, and how much may come of it? Seed = dry matter of the stand when it ripens x the kind's share of
 * the stand x share of the tops that is seed x what hands keep of it.
 * @param viable days from which its seed can grow
 * @param member share of the stand that is this kind, 0..1
 */
export function ownSeedOf(
  kind: SeedGiving,
  seed: { thousandSeed_g: number },
  viable: Spread,
  growth: readonly GrowthDay[],
  member: number,
  area_m2: number,
): OwnSeed {
  const ripe = { low: viable.low + HARDENS_D, mid: viable.mid + HARDENS_D, high: viable.high + HARDENS_D };
  const dry_d = seed.thousandSeed_g >= LARGE_SEED_G ? DRY_LARGE_D : DRY_D;
  if (!Number.isFinite(ripe.mid)) return { ripe, cut: undefined, dry_d, grams: NOTHING };
  const kept = kind.shatters ? KEPT.drops : KEPT.holds;
  const [poor, good] = kind.share;
  const dm = standsOn(growth, viable.mid);
  const on = member * area_m2;
  return {
    ripe,
    cut: kind.shatters ? [ripe.mid - BEFORE_RIPE_D, ripe.mid] : [ripe.mid, ripe.mid + AFTER_RIPE_D],
    dry_d,
    grams: {
      low: dm.low * on * poor * kept[0],
      mid: dm.mid * on * ((poor + good) / 2) * kept[1],
      high: dm.high * on * good * kept[2],
    },
  };
}

/** A cover that has been on this ground. */
export interface Shed {
  speciesId: string;
  /** Day after which seed of it lay on the ground. */
  on: Day;
}

export interface Expected extends Shed {
  /** How readily it comes: of what fell, enough for a stand, for patches, or for single plants. */
  comes: 'stand' | 'patches' | 'few';
  /** It may still come in later years: part of its seed sleeps. */
  sleeps: boolean;
}

const YEAR_D = 365;
/** Hard seed keeps coming for some years (judgement: most of it in three). */
const SLEEPS_Y = 3;

/** Answers: which kinds may come by themselves here, from seed that fell within the last years? Newest first, each kind once. */
export function selfSown(
  sheds: readonly Shed[],
  kinds: (id: string) => { selfSeeding: number; hardSeed: boolean } | undefined,
  today: Day,
): Expected[] {
  const found = new Map<string, Expected>();
  for (const s of [...sheds].sort((a, b) => b.on - a.on)) {
    const kind = kinds(s.speciesId);
    if (!kind || s.on > today || found.has(s.speciesId)) continue;
    if (today - s.on > (kind.hardSeed ? SLEEPS_Y : 1) * YEAR_D) continue;
    const comes = kind.selfSeeding >= 0.6 ? 'stand' : kind.selfSeeding >= 0.3 ? 'patches' : 'few';
    found.set(s.speciesId, { ...s, comes, sleeps: kind.hardSeed });
  }
  return [...found.values()];
}
