import { type Day } from '../calendar/day.ts';
import { type YearEnd } from '../termination/plan.ts';
import { type Standing } from '../plan/standing.ts';
import { quantile } from '../random/quantile.ts';
import { coolerUnder, warmFrom } from '../termination/warm.ts';
import { type Method, type MethodHere, takeApart } from '../termination/method.ts';
import { type NextCrop } from '../residue/wait.ts';
import { endsOf, oddsOf } from './ends.ts';

export interface Remedy {
  id: 'other-way' | 'rake-off' | 'draw-back' | 'black-film' | 'instead';
  /** Crop of `instead`. */
  cropId?: string;
  /** Day ready in the middle of the years, days won against the plan, and odds of being ready on planting day. */
  readyDay: Day;
  daysWon: number;
  odds: number;
}

/** What else could go in. */
export interface OtherCrops {
  /** The same crop the other way, where it can be planted so. */
  otherWay?: NextCrop;
  /** Crops that might go in instead. */
  instead: NextCrop[];
}

/** Most crops that are named to go in instead. */
const MOST_INSTEAD = 3;
/** Black film tight on a strip warms it by some 3 °C over bare ground in spring sun (Ham 1993; Lamont 2005: 2-5). */
const FILM_WARMS_C = 3;
/** A strip of 30-40 cm drawn bare gets back this share of what the mulch keeps from it: its edges stay cool. */
const STRIP_GETS_BACK = 0.7;

/** What would bring planting forward, tried on the same years. */
export function remediesFor(
  input: OtherCrops,
  standing: Standing,
  method: MethodHere,
  start: number,
  ends: YearEnd[],
): Remedy[] {
  const { plan, fromDay, onward } = standing;
  const { weights, ensemble } = onward;
  const middle = (es: YearEnd[]) =>
    quantile(
      es.map((e) => e.plantableAt),
      0.5,
      weights,
    );
  const now = middle(ends);
  const out: Remedy[] = [];
  const add = (id: Remedy['id'], es: YearEnd[], cropId?: string) => {
    const then = middle(es);
    out.push({
      id,
      cropId,
      readyDay: fromDay + then,
      daysWon: Number.isFinite(now) ? now - then : Infinity,
      odds: oddsOf(standing, es),
    });
  };
  if (input.otherWay) add('other-way', endsOf(standing, method, start, input.otherWay));
  const handling = takeApart(method).handling;
  if (handling === 'surface' && !method.passes.some((p) => p.kind === 'set-plants'))
    add('rake-off', endsOf(standing, raked(method), start, plan.next));
  if (handling === 'surface' || handling === 'sheet' || handling === 'winterkilled') {
    // Ready on the same day, in ground that is so much cooler or warmer than bare.
    const warmer = (cooler: (underMulch_c: number) => number) =>
      ends.map((e, y) => {
        const season = ensemble.seasons[y]!;
        if (e.readyAt === Infinity) return e;
        const needs = plan.next.soilMin_c + cooler(coolerUnder(season, e));
        return { ...e, plantableAt: warmFrom(season, e.readyAt, Math.round(needs * 2) / 2) };
      });
    const strip = warmer((under_c) => under_c * (1 - STRIP_GETS_BACK));
    add('draw-back', strip);
    const film = warmer(() => -FILM_WARMS_C);
    add('black-film', film);
  }
  const others = input.instead
    .map((next) => ({ next, es: endsOf(standing, method, start, next) }))
    .map((o) => ({ ...o, then: middle(o.es), odds: oddsOf(standing, o.es) }))
    .filter((o) => o.then < now && o.odds > oddsOf(standing, ends))
    .sort((a, b) => b.odds - a.odds || a.then - b.then)
    .slice(0, MOST_INSTEAD);
  for (const o of others) add('instead', o.es, o.next.id);
  return out;
}

/** The same way, and its tops raked off the day after. */
const raked = (method: MethodHere): MethodHere => {
  const last = Math.max(0, ...method.passes.map((p) => p.after_d ?? 0));
  const passes: Method['passes'] = [...method.passes, { kind: 'rake-off', after_d: last + 1 }];
  return { ...method, passes };
};
