import { type ForecastInput, standOf } from '../plan/standing.ts';
import { SPREAD } from '../stand/ensemble.ts';
import { type Variation } from '../stand/variation.ts';
import { ln } from '../units/exact.ts';
import { pool, type Pooled, type Result, type Split } from './pool.ts';
import { type Shift, type Trait, TRAITS, wayKey } from '../stand/shift.ts';

// What a garden's own results say about it. The plausible years of a cover differ in how fast its kind ripens here, how well it grows, comes up and
// bears cold; looks weigh those years. What the weights say of a cover is one result, and results are pooled.

export const SPREADS: Record<Trait, number> = {
  stageRate: SPREAD.stageRate,
  growth: SPREAD.growth,
  emergence: SPREAD.emergence,
  hardiness_c: SPREAD.hardiness_c,
};
/** Varieties are a kind's own; growth and emergence are mostly the ground's and the hand's. Judgement. */
const SPLITS: Record<Trait, Split> = {
  stageRate: { garden: 0.25, kind: 0.5, cover: 0.25 },
  growth: { garden: 0.45, kind: 0.2, cover: 0.35 },
  emergence: { garden: 0.4, kind: 0.25, cover: 0.35 },
  hardiness_c: { garden: 0.4, kind: 0.35, cover: 0.25 },
};

/** A cover that was looked at, as a question, with the kind that leads it. */
export interface LookedAt {
  coverId: string;
  kind: string;
  asked: ForecastInput;
  ago_y: number;
}

/** One cover's result for one trait; its `kind` is what it shares with others: the kind, or for coming up the way of sowing (see `wayKey`). */
export interface TraitResult extends Result {
  coverId: string;
}

export interface Lesson {
  trait: Trait;
  /** Null for the garden as a whole; for coming up a way of sowing. */
  kind: string | null;
  at: Pooled;
  /** Results behind it, of covers of this kind or way, or of all. */
  results: TraitResult[];
}

export interface Learnt {
  lessons: Lesson[];
  /** By kind, and for coming up by way, that has results of its own; under '' for all others. */
  shifts: Record<string, Shift>;
  covers: number;
}

/** Looks that say nothing of a trait leave its spread as wide as it was: under this much news they are no result. */
const LEAST_NEWS = 0.06;
/** A lesson from fewer covers than this moves nothing. */
export const LEAST_COVERS = 2;

/** What the looks of one cover say of each trait. */
export function resultsOf(c: LookedAt): Partial<Record<Trait, TraitResult>> {
  const { soFar } = standOf(c.asked);
  const { weights, ensemble } = soFar;
  if (!weights) return {};
  const out: Partial<Record<Trait, TraitResult>> = {};
  for (const trait of TRAITS) {
    const values = ensemble.variations.map((v) => onScale(trait, v));
    const all = moments(values, undefined);
    const seen = moments(values, weights);
    const news = 1 - seen.variance / all.variance;
    if (news < LEAST_NEWS) continue;
    // What the looks alone say: the posterior with the book taken out of it again.
    const precision = 1 / seen.variance - 1 / all.variance;
    const y = (seen.mean / seen.variance - all.mean / all.variance) / precision;
    const kind = trait === 'emergence' ? wayKey(c.asked.way.id) : c.kind;
    out[trait] = { coverId: c.coverId, kind, y, variance: 1 / precision, ago_y: c.ago_y };
  }
  return out;
}

const onScale = (trait: Trait, v: Variation): number =>
  trait === 'hardiness_c' ? v.hardiness_c : ln(v[trait]);

function moments(
  values: readonly number[],
  weights: Float64Array | undefined,
): { mean: number; variance: number } {
  const w = (i: number) => (weights ? weights[i]! : 1 / values.length);
  let mean = 0;
  values.forEach((x, i) => (mean += w(i) * x));
  let variance = 0;
  values.forEach((x, i) => (variance += w(i) * (x - mean) * (x - mean)));
  return { mean, variance: Math.max(1e-9, variance) };
}

/** Answers: what has this garden shown, against the book? Kinds, and ways of sowing, stand on their own results and lean on the garden's. */
export const learn = (covers: readonly LookedAt[]): Learnt => learnFrom(covers.map(resultsOf));

export function learnFrom(all: readonly Partial<Record<Trait, TraitResult>>[]): Learnt {
  const lessons: Lesson[] = [];
  const shifts: Record<string, Shift> = {};
  const kinds = [...new Set(all.flatMap((r) => Object.values(r).map((x) => x.kind)))].sort();
  const still = (): Shift =>
    Object.fromEntries(TRAITS.map((t) => [t, { mean: 0, left: 1 }])) as unknown as Shift;
  shifts[''] = still();
  for (const k of kinds) shifts[k] = still();
  for (const trait of TRAITS) {
    const results = all.flatMap((r) => (r[trait] ? [r[trait]] : []));
    if (new Set(results.map((r) => r.coverId)).size < LEAST_COVERS) continue;
    const spread = SPREADS[trait];
    const pooled = pool(results, spread, SPLITS[trait]);
    const shift = (id: string) => {
      const next = pooled.next(id);
      return { mean: next.mean, left: Math.min(1, next.sd / spread) };
    };
    shifts['']![trait] = shift('');
    lessons.push({ trait, kind: null, at: pooled.garden, results });
    for (const kind of kinds) {
      shifts[kind]![trait] = shift(kind);
      const own = results.filter((r) => r.kind === kind);
      if (own.length > 0) lessons.push({ trait, kind, at: pooled.kind(kind), results: own });
    }
  }
  return {
    lessons,
    shifts,
    covers: new Set(all.flatMap((r) => Object.values(r).map((x) => x.coverId))).size,
  };
}
