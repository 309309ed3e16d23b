import { PLENTY } from '../aims/aims.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type Spread } from '../random/quantile.ts';
import { type Day } from '../calendar/day.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { growingWait, inSeason } from '../known/season.ts';
import { type ChooseInput } from './input.ts';
import { type Candidate, type Sample } from './sample.ts';

/** Two covers that follow each other as one sample: the second's endings, with what the first brought beside them. */
export function inTurn(candidate: Candidate, before: Sample, after: Sample, { gap }: ChooseInput): Sample {
  const first = before.best;
  const length = gap.plantDay - gap.freeDay;
  const share = (after.sowDay - gap.freeDay) / length;
  const both = (e: EndingAnswer): EndingAnswer => {
    if (!first) return { ...e, odds: { ...e.odds, inTime: 0 } };
    const minutes = e.minutesPer100m2 + first.minutesPer100m2;
    const weigh = (a: number, b: number) => share * a + (1 - share) * b;
    return {
      ...e,
      odds: {
        inTime: e.odds.inTime * first.odds.inTime,
        warm: e.odds.warm * first.odds.inTime,
        dead: e.odds.dead,
        noSeed: e.odds.noSeed * first.odds.noSeed,
      },
      minutesPer100m2: minutes,
      flowerDays: sum(first.flowerDays, e.flowerDays),
      bareDays: sum(first.bareDays, e.bareDays),
      held: {
        low: weigh(first.held.low, e.held.low),
        mid: weigh(first.held.mid, e.held.mid),
        high: weigh(first.held.high, e.held.high),
      },
      serves: {
        ...e.serves,
        hold: weigh(first.serves.hold!, e.serves.hold!),
        flowers: Math.min(1, first.serves.flowers! + e.serves.flowers!),
        loosen: Math.max(first.serves.loosen!, e.serves.loosen!),
        ease: Math.max(0, 1 - minutes / PLENTY.minutes),
      },
    };
  };
  const endings = after.endings.map(both);
  const best = endings.find((e) => e.method === after.best?.method);
  return {
    ...after,
    id: candidate.id,
    name: candidate.name,
    first: first && {
      id: before.id,
      name: before.name,
      parts: before.parts,
      sowDay: before.sowDay,
      seed_g_m2: before.seed_g_m2,
      best: first,
    },
    stand: {
      ...after.stand,
      coverByDay: [...before.stand.coverByDay, ...after.stand.coverByDay],
      stand: Math.min(before.stand.stand, after.stand.stand),
    },
    endings,
    best,
    factors: [...before.factors.filter((f) => f.times < 1), ...after.factors],
    reasons: after.reasons,
    weeks: after.weeks.map((w) => ({ ...w, inTime: w.inTime * (first?.odds.inTime ?? 0) })),
    years: Math.min(before.years, after.years),
  };
}

/** Spreads of two parts of a season added up: as if they ran together, which is on the wide side. */
const sum = (a: Spread, b: Spread): Spread => ({
  low: a.low + b.low,
  mid: a.mid + b.mid,
  high: a.high + b.high,
});

/** Least growing time of the first of two, and of the second before planting, days. */
const FIRST_GROWS_D = 42;
const SECOND_GROWS_D = 50;
const TURN_STEP_D = 7;
/** A winter kind that follows another cover is sown towards its winter: it stands no more growing days than this before it (judgement: from high summer on). */
const TURN_WAIT_D = 100;
/** Where no later day is left, one before that is better than none. */
const TOO_EARLY_KEEPS = 0.5;

/** First day on which the second cover is as good as at home and the first has had its time. */
export function turnOf(second: Candidate, { gap }: ChooseInput, ensemble: Ensemble): Day {
  const from = gap.freeDay + FIRST_GROWS_D;
  const last = Math.max(from, gap.plantDay - SECOND_GROWS_D);
  const until = gap.plantDay - ensemble.fromDay;
  let best = from;
  let most = 0;
  for (let day = from; day <= last; day += TURN_STEP_D) {
    const { times } = inSeason(second.members, ensemble, day - ensemble.fromDay, until);
    const early = growingWait(second.members, ensemble, day - ensemble.fromDay, until) > TURN_WAIT_D;
    const worth = early ? times * TOO_EARLY_KEEPS : times;
    if (worth > most + 0.03) [best, most] = [day, worth];
  }
  return best;
}

/** Seed of a cover as what follows another: it asks little, and its size tells how long residue is in its way. */
export function asNext({ members }: Candidate): NextCrop {
  const lead = [...members].sort((a, b) => b.share - a.share)[0]!.species;
  return {
    id: 'cover',
    // Not that of both in turn: the first is told from what follows it.
    name: lead.name,
    family: lead.family,
    nitrogenNeed_g_m2: 0,
    fixesShare: 0,
    root: false,
    seedSize: lead.seed.thousandSeed_g > LARGE_SEED_G ? 'large' : 'medium',
    soilMin_c: lead.thermal.germMin_c,
    residueTolerance: 0.5,
    way: 'seed',
  };
}
const LARGE_SEED_G = 80;
