import { HEAT_PER_C, KILL_PER_C, type Ensemble } from './ensemble.ts';
import { type Variation } from './variation.ts';
import { exp, ln } from '../units/exact.ts';

/** What may be learnt: pace of ripening, growth and emergence on the log scale, hardiness in °C (above nought is softer). */
export const TRAITS = ['stageRate', 'growth', 'emergence', 'hardiness_c'] as const;
export type Trait = (typeof TRAITS)[number];

/** A change of the spread that the plausible years are drawn from, by trait: middle, and share of the book's spread that is left. */
export type Shift = Record<Trait, { mean: number; left: number }>;

/** Coming up is the ground's, the hand's and the way's: what a garden has shown of it stands under the way of sowing, all else under the kind. */
export const wayKey = (wayId: string): string => `way ${wayId}`;
/** The way of sowing that a key stands for; undefined for a kind. */
export const wayOfKey = (key: string): string | undefined =>
  key.startsWith('way ') ? key.slice('way '.length) : undefined;

/** What holds of a kind that is sown in a way; of one without results of its own, what holds of the garden. */
export function shiftFor<S extends Partial<Shift>>(
  shifts: Readonly<Record<string, S>> | undefined,
  kind: string,
  wayId: string,
): S | undefined {
  const ofKind = shifts?.[kind] ?? shifts?.[''];
  const emergence = shifts?.[wayKey(wayId)]?.emergence;
  return ofKind && emergence ? { ...ofKind, emergence } : ofKind;
}

/** Plausible years drawn from what the garden has shown instead of from the book: each moved and drawn closer, in the order they had. */
export function shifted(variation: Variation, shift: Shift): Variation {
  const log = (trait: 'stageRate' | 'growth' | 'emergence') =>
    exp(shift[trait].mean + ln(variation[trait]) * shift[trait].left);
  const hardiness_c = shift.hardiness_c.mean + variation.hardiness_c * shift.hardiness_c.left;
  const softer = hardiness_c - variation.hardiness_c;
  return {
    ...variation,
    stageRate: log('stageRate'),
    growth: log('growth'),
    emergence: log('emergence'),
    hardiness_c,
    killOdds: variation.killOdds * exp(KILL_PER_C * softer),
    coverHeat: variation.coverHeat * exp(-HEAT_PER_C * softer),
  };
}

/** The same seasons with the garden's own spread of plants; the ensemble itself where nothing was learnt. */
export const asLearnt = (ensemble: Ensemble, shift: Shift | undefined): Ensemble =>
  shift ? { ...ensemble, variations: ensemble.variations.map((v) => shifted(v, shift)) } : ensemble;

/** Days by which a pace of ripening moves flowering, at the usual warmth of the weeks before it. */
const USUAL_WARMTH_CD = 9;
export const flowersBy_d = (meanLog: number, flower_cd: number): number =>
  (flower_cd * (exp(-meanLog) - 1)) / USUAL_WARMTH_CD;
