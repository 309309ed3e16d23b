import { type Day } from '../calendar/day.ts';
import { type EndingAnswer, type YearEnd } from '../plan/plan.ts';
import { type ForecastInput, standOf, type Standing } from '../plan/standing.ts';
import { quantile, shareOf, type Spread, spreadOf } from '../random/quantile.ts';
import { carbonToNitrogen, DECAY_BY_CN } from '../residue/decay.ts';
import { coolerUnder_c } from '../residue/warmth.ts';
import { type NextCrop, waitParts20 } from '../residue/wait.ts';
import { lightLeft } from '../stand/leaf.ts';
import { type Method, type MethodHere, takeApart } from '../termination/method.ts';
import { lookUp } from '../units/table.ts';
import { between, reaches } from '../weather/season.ts';
import { spreadOfResidue } from '../plan/reading.ts';
import { coolerUnder, warmFrom } from '../termination/end.ts';
import { answerOf, endsOf } from './ends.ts';
import { type Feeding, feedingOf } from './feeding.ts';
import { laidIn } from './lying.ts';
import { type Uptake } from './uptake.ts';

/** When can this crop, planted this way, go into the bed, what holds it back, and what would bring it forward? */
export interface PlantBackInput {
  /** The question of the forecast, so that both stand on the same years. */
  forecast: ForecastInput;
  /** The way of ending that counts, and the day it begins. */
  ending: { method: string; startDay: Day };
  uptake: Uptake;
  /** The same crop the other way, where it can be planted so. */
  otherWay?: NextCrop;
  /** Crops that might go in instead. */
  instead: NextCrop[];
}

export type StrandId = 'dead' | 'rots' | 'check' | 'warm';

export interface Strand {
  id: StrandId;
  /** Day on which it has run out. */
  over: Spread;
  /** Share of years in which it is the last to run out. */
  holdsBack: number;
}

export interface Remedy {
  id: 'other-way' | 'rake-off' | 'draw-back' | 'black-film' | 'instead';
  /** Crop of `instead`. */
  cropId?: string;
  /** Day ready in the middle of the years, days won against the plan, and odds of being ready on planting day. */
  readyDay: Day;
  daysWon: number;
  odds: number;
}

export interface PlantBack {
  ending: EndingAnswer;
  /** Days at 20 °C that what lies takes, and that small seed is held back; middles. */
  waits_d20: { rots: number; check: number };
  strands: Strand[];
  /** Ready and warm enough. */
  ready: Spread;
  readyMostly: Day;
  /** Odds of being ready and warm enough on planting day. */
  odds: number;
  feeding: Feeding;
  /** What lies on planting day, g/m2 and share of ground covered; and the day on which the mulch shows gaps. */
  lies_g_m2: Spread;
  covers: Spread;
  gapsOn: Spread;
  /** How much cooler the ground is under it than bare ground, °C. */
  cooler_c: Spread;
  remedies: Remedy[];
}

/** The crop is followed for so long past planting. */
export const FOLLOWED_D = 120;
/** Mulch with less than this cover shows gaps where weeds come up. */
const GAPS_BELOW = 0.6;
/** Most crops that are named to go in instead. */
const MOST_INSTEAD = 3;
/** Black film tight on a strip warms it by some 3 °C over bare ground in spring sun (Ham 1993; Lamont 2005: 2-5). */
const FILM_WARMS_C = 3;
/** A strip of 30-40 cm drawn bare gets back this share of what the mulch keeps from it: its edges stay cool. */
const STRIP_GETS_BACK = 0.7;

export function plantBack(input: PlantBackInput): PlantBack {
  const { forecast, ending, uptake } = input;
  const standing = standOf(forecast, Math.max(FOLLOWED_D, uptake.end_d + 1));
  const { plan, fromDay, onward } = standing;
  const { weights, ensemble } = onward;
  const method = forecast.methods.find((m) => m.id === ending.method)!;
  const start = ending.startDay - fromDay;
  const ends = endsOf(standing, method, start, plan.next);
  const parts = takeApart(method);
  const { seasons } = ensemble;
  const day = (d: number) => fromDay + d;
  const spread = (f: (e: YearEnd, y: number) => number) => spreadOf(ends.map(f), weights);
  const share = (holds: (e: YearEnd, y: number) => boolean) =>
    shareOf(ends.length, (y) => holds(ends[y]!, y), weights);
  const small = Math.max(...plan.members.map((m) => m.species.smallSeedWait_d * m.share));
  const cn = (e: YearEnd) => carbonToNitrogen(e.dm_g_m2, e.n_g_m2);
  const waits = ends.map((e) => waitParts20(parts.handling, cn(e), plan.next, small));
  // What runs out at a day of its own is dated as the core dates it: the wait of the year in its own warmth.
  const runsOut = ends.map((e, y) => {
    const from = e.mellowsFrom;
    const after = (wait: number) =>
      from === Infinity
        ? Infinity
        : Math.min(e.readyAt, reaches(seasons[y]!.mellowing, Math.min(from, seasons[y]!.days), wait));
    return {
      dead: e.deadAt,
      rots: waits[y]!.rots >= waits[y]!.check ? e.readyAt : after(waits[y]!.rots),
      check:
        waits[y]!.check === 0
          ? -Infinity
          : waits[y]!.check > waits[y]!.rots
            ? e.readyAt
            : after(waits[y]!.check),
      warm: e.plantableAt,
    };
  });
  const ids: StrandId[] = waits.some((w) => w.check > 0)
    ? ['dead', 'rots', 'check', 'warm']
    : ['dead', 'rots', 'warm'];
  const lastOf = (y: number): StrandId => {
    const r = runsOut[y]!;
    if (r.warm > ends[y]!.readyAt || r.dead === Infinity) return r.dead === Infinity ? 'dead' : 'warm';
    if (r.dead >= ends[y]!.readyAt) return 'dead';
    return r.check >= r.rots ? 'check' : 'rots';
  };
  const odds = (es: YearEnd[]) => shareOf(es.length, (y) => es[y]!.plantableAt <= plan.plantAt, weights);
  const lying = ends.map((e, y) => lies(standing, y, e, parts));
  return {
    ending: answerOf(standing, method, start),
    waits_d20: {
      rots: quantile(
        waits.map((w) => w.rots),
        0.5,
        weights,
      ),
      check: quantile(
        waits.map((w) => w.check),
        0.5,
        weights,
      ),
    },
    strands: ids.map((id) => ({
      id,
      over: spread((_, y) => day(runsOut[y]![id])),
      holdsBack: share((_, y) => lastOf(y) === id),
    })),
    ready: spread((e) => day(e.plantableAt)),
    readyMostly: quantile(
      ends.map((e) => day(e.plantableAt)),
      0.8,
      weights,
    ),
    odds: odds(ends),
    feeding: feedingOf(standing, ends, parts, uptake, plan.next.fixesShare),
    lies_g_m2: spreadOf(
      lying.map((l) => l.mass),
      weights,
    ),
    covers: spreadOf(
      lying.map((l) => l.cover),
      weights,
    ),
    gapsOn: spreadOf(
      lying.map((l) => day(l.gapsAt)),
      weights,
    ),
    cooler_c: spreadOf(
      lying.map((l) => l.cooler_c),
      weights,
    ),
    remedies: remediesFor(input, standing, method, start, ends, odds),
  };
}

interface Lies {
  mass: number;
  cover: number;
  gapsAt: number;
  cooler_c: number;
}

/** What lies on top on planting day, and until when it covers. */
function lies(standing: Standing, y: number, end: YearEnd, parts: ReturnType<typeof takeApart>): Lies {
  const { plan, onward } = standing;
  const season = onward.ensemble.seasons[y]!;
  const batches = laidIn(standing, y, end, parts).filter((l) => !l.buried && l.dm_g_m2 > 0);
  const spread = spreadOfResidue(plan);
  const rates = batches.map((l) => lookUp(DECAY_BY_CN, carbonToNitrogen(l.dm_g_m2, l.n_g_m2)) * l.times);
  const massOn = (d: number) =>
    batches.reduce(
      (sum, l, i) =>
        sum + (l.day <= d ? l.dm_g_m2 * lightLeft(rates[i]! * between(season.decay, l.day, d)) : 0),
      0,
    );
  const at = Math.min(plan.plantAt, season.days - 1);
  const mass = massOn(at);
  const coverOf = (m: number) => 1 - lightLeft(spread * m);
  let gapsAt = Infinity;
  for (let d = at; d < season.days; d += 3)
    if (coverOf(massOn(d)) < GAPS_BELOW) {
      gapsAt = d;
      break;
    }
  return {
    mass,
    cover: coverOf(mass),
    gapsAt,
    cooler_c: coolerUnder_c(mass / 100, season.radiation_MJ[at]!),
  };
}

/** What would bring planting forward, tried on the same years. */
function remediesFor(
  input: PlantBackInput,
  standing: Standing,
  method: MethodHere,
  start: number,
  ends: YearEnd[],
  odds: (ends: YearEnd[]) => number,
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
      odds: odds(es),
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
    .map((o) => ({ ...o, then: middle(o.es), odds: odds(o.es) }))
    .filter((o) => o.then < now && o.odds > odds(ends))
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
