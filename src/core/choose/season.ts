import { type Ensemble } from '../stand/ensemble.ts';
import { type Member } from '../stand/species.ts';
import { type Factor } from './known.ts';

/**
 * Answers: is this the season for these kinds, sown on this day and ended on that one?
 * Every kind has a band of mean air temperature in which its first weeks belong (`home`): warm-season kinds sulk under it and cool-season kinds
 * above it, where mildews, rusts and mites take what growth leaves. A kind that waits for a winter and never meets one stays leafy and thin: it was sown in the wrong season, whatever it weighs.
 * The bands are judgement in the light of the usual sowing windows of each kind; the model of growth knows heat and cold, not disease.
 */
export interface InSeason {
  /** 0..1, by the shares of the members. */
  times: number;
  factors: Factor[];
}

const FIRST_WEEKS_D = 45;
/** Beyond its band a kind loses all but this over so many degrees. */
const FADES_OVER_C = 5;
const LEAST = 0.25;
/** A kind that needs a winter keeps this of its worth without one. */
const UNCHILLED_KEEPS = 0.45;
const YEARS = 10;
/** Least chilling that tells a winter from a cool September, days. */
const A_WINTER_D = 25;

/** @param endAt day index of the ending, or of planting where the weather ends it */
export function inSeason(members: Member[], ensemble: Ensemble, sownAt: number, endAt: number): InSeason {
  ensemble.upTo(YEARS);
  const seasons = ensemble.seasons.slice(0, YEARS);
  const mean = (of: (s: (typeof seasons)[0]) => number) =>
    seasons.reduce((sum, s) => sum + of(s), 0) / seasons.length;
  const until = Math.max(sownAt + 1, Math.min(sownAt + FIRST_WEEKS_D, endAt, ensemble.days));
  const warmth = mean((s) => average(s.mean_c, sownAt, until));
  const chilled = mean((s) => total(s.chill, sownAt, Math.min(endAt, ensemble.days)));
  const factors: Factor[] = [];
  let times = 1;
  for (const { species, share } of members) {
    const { from_c, to_c } = species.home;
    const off = warmth > to_c ? warmth - to_c : warmth < from_c ? from_c - warmth : 0;
    const band = Math.max(LEAST, 1 - (off / FADES_OVER_C) * (1 - LEAST));
    const need =
      species.life === 'winter-annual' ? Math.max(species.chilling?.required_d ?? 0, A_WINTER_D) : 0;
    const met = need > 0 ? Math.min(1, chilled / need) : 1;
    const winter = UNCHILLED_KEEPS + (1 - UNCHILLED_KEEPS) * met;
    const here = 1 - share * (1 - band * winter);
    times *= here;
    const facts = { species: species.name, mean_c: warmth, from_c, to_c };
    if (band < 1)
      factors.push({ code: warmth > to_c ? 'too-warm' : 'too-cool', times: 1 - share * (1 - band), facts });
    if (winter < 1)
      factors.push({
        code: 'never-chilled',
        times: here / (1 - share * (1 - band)),
        facts: { species: species.name, days: chilled, need },
      });
  }
  return { times, factors };
}

const total = (a: Float64Array, from: number, to: number): number => {
  let sum = 0;
  for (let d = from; d < to; d++) sum += a[d]!;
  return sum;
};

const average = (a: Float64Array, from: number, to: number): number =>
  total(a, from, to) / Math.max(1, to - from);
