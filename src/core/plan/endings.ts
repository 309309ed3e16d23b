import { type DayIndex } from '../calendar/day.ts';
import { type AimFigures, type AimStrands, served, serves, USUAL_AIMS, worthOf } from '../aims/aims.ts';
import { meanOf, quantile, shareOf, spreadOf } from '../random/quantile.ts';
import { carbonToNitrogen } from '../residue/decay.ts';
import { newYearEnd } from '../termination/yearEnd.ts';
import { type Ending, endStand, readyEnding } from '../termination/end.ts';
import { livedEnd } from '../termination/lived.ts';
import { type MethodHere } from '../termination/method.ts';
import { type GrownPlan } from './grown.ts';
import { outcomeLived } from './livedOutcome.ts';
import { type Laying, layingOf, newOutcome, type YearOutcome } from './outcome.ts';
import { type EndingAnswer, type WeekAway } from './answers.ts';
import { type YearEnd } from '../termination/plan.ts';
import { ASIDE, type Effort, type Found, FULL, HOPELESS, lastStart, searchDays } from './search.ts';
import { gapOf, idleDays, inTime, readYears, type ReadYear, yieldOf } from './year.ts';

/** Ways that are not put forward are judged on so many years. */
const ASIDE_YEARS = 30;

/**
 * All ways of ending in `methods` on the day that serves the aims best. Ways that never work in this gap come back with odds near zero, not missing.
 * What was `looked` for already, in the same courses and for the same aims, is not looked for again.
 */
export function answerEndings(
  grown: GrownPlan,
  methods: MethodHere[],
  notBefore: DayIndex = 0,
  aims: AimStrands[] = USUAL_AIMS,
  effort: Effort = FULL,
  looked: Found[] = [],
): EndingAnswer[] {
  const from = grown.ensemble.fromDay;
  const atHand = (m: MethodHere) => m.missing.length === 0 && m.proposed !== false;
  const found = new Map(looked.map((f) => [f.method.id, f]));
  const unknown = methods.filter((m) => !found.has(m.id));
  for (const f of searchDays(grown, unknown.filter(atHand), notBefore, aims, effort))
    found.set(f.method.id, f);
  for (const f of searchDays(
    grown,
    unknown.filter((m) => !atHand(m)),
    notBefore,
    aims,
    ASIDE,
  ))
    found.set(f.method.id, f);
  const all = readYears(grown);
  const few = grown.weights || all.length <= ASIDE_YEARS ? all : all.slice(0, ASIDE_YEARS);
  return methods.map((method) => {
    const { ending, laying, best, early, late } = found.get(method.id)!;
    const years = method.missing.length === 0 ? all : few;
    const answer = summarise(grown, years, method, ending, laying, best);
    const day = answer.startDay;
    return {
      ...answer,
      windowDays: ending.course.waits !== null ? [day, day] : [from + early, from + late],
    };
  });
}

/** The way of ending that serves these aims best among those that can be used and may be proposed, with all that is known of a cover ended so. */
export function pickEnding(
  endings: EndingAnswer[],
  usable: readonly string[],
  aims: AimStrands[],
): EndingAnswer | undefined {
  let best: EndingAnswer | undefined;
  let most = -Infinity;
  const some = endings.some((e) => usable.includes(e.method) && e.odds.inTime >= HOPELESS);
  for (const e of endings) {
    if (some && e.odds.inTime < HOPELESS) continue;
    if (!usable.includes(e.method)) continue;
    const worth = keptWorth(e, aims);
    if (worth > most) [best, most] = [e, worth];
  }
  return best;
}

/** What an ending is worth for these aims. */
export const worthOfEnding = (
  e: EndingAnswer,
  aims: AimStrands[],
  odds: Pick<EndingAnswer['odds'], 'inTime' | 'dead' | 'noSeed'> = e.odds,
): number => worthOf(e.serves, aims, odds, e.minutesPer100m2, e.idle_d, e.gap_d);

/** What an ending is worth against the cover's other ways: with what is known of a cover ended so. What costs is not made better by it. */
export const keptWorth = (e: EndingAnswer, aims: AimStrands[]): number => {
  const worth = worthOfEnding(e, aims);
  return worth > 0 ? worth * e.keeps : worth;
};

/** One way of ending begun on one day. */
export function answerEnding(grown: GrownPlan, method: MethodHere, start: DayIndex): EndingAnswer {
  const ending = readyEnding(grown.plan, method);
  const answer = summarise(grown, readYears(grown), method, ending, layingOf(ending.course), start);
  const day = grown.ensemble.fromDay + start;
  return { ...answer, windowDays: [day, day] };
}

/** A way whose passes have acted in the course of every year, the first of them on day `start`. */
export function answerLived(lived: GrownPlan, method: MethodHere, start: DayIndex): EndingAnswer {
  const ending = readyEnding(lived.plan, method);
  const laying = layingOf(ending.course);
  const read = readYears(lived);
  const years = read.map((y) => livedEnd(ending, y.course, y.season, newYearEnd()));
  const out = read.map((y, i) => outcomeLived(y, years[i]!, laying, newOutcome()));
  const day = lived.ensemble.fromDay + start;
  return {
    ...tell(lived, read, method, ending, laying, start, years, out),
    startDay: day,
    windowDays: [day, day],
  };
}

/** How each year goes under a way begun on a day, for who has to count over the same years. */
export function yearEnds(grown: GrownPlan, method: MethodHere, start: DayIndex): YearEnd[] {
  const ending = readyEnding(grown.plan, method);
  const { ensemble, courses } = grown;
  return courses.map((c, y) =>
    endStand(ending, start, c, ensemble.seasons[y]!, ensemble.variations[y]!, newYearEnd()),
  );
}

const WEEK_D = 7;

/** What beginning a week earlier or later would come to, where such a day lies between sowing and planting; nothing for ways that wait for the weather. */
export function weeksAway(
  grown: GrownPlan,
  method: MethodHere,
  best: EndingAnswer,
  aims: AimStrands[],
): WeekAway[] {
  const { ensemble, plan } = grown;
  const at = best.startDay - ensemble.fromDay;
  if (readyEnding(plan, method).course.waits !== null) return [];
  const first = Math.max(plan.sownAt, plan.freeAt ?? 0) + 1;
  return [-WEEK_D, WEEK_D]
    .filter((days) => at + days >= first && at + days <= lastStart(grown))
    .map((days) => {
      const then = answerEnding(grown, method, at + days);
      return {
        days,
        startDay: then.startDay,
        inTime: then.odds.inTime,
        served: served(then.serves, aims) - served(best.serves, aims),
        nitrogen_g_m2: then.nitrogen_g_m2.mid - best.nitrogen_g_m2.mid,
        residue_g_m2: then.residue_g_m2.mid - best.residue_g_m2.mid,
        flowerDays: then.flowerDays.mid - best.flowerDays.mid,
        weedsHeld: then.weedsHeld.mid - best.weedsHeld.mid,
      };
    });
}

/** Room for the years of one ending; written over by the next. */
const endRoom: YearEnd[] = [];
const outcomeRoom: YearOutcome[] = [];

function summarise(
  grown: GrownPlan,
  read: ReadYear[],
  method: MethodHere,
  ending: Ending,
  laying: Laying,
  start: DayIndex,
): Omit<EndingAnswer, 'windowDays'> {
  while (endRoom.length < read.length) {
    endRoom.push(newYearEnd());
    outcomeRoom.push(newOutcome());
  }
  const years = read.map((y, i) => endStand(ending, start, y.course, y.season, y.variation, endRoom[i]!));
  const out = read.map((y, i) => yieldOf(y, ending, laying, years[i]!, start, outcomeRoom[i]!));
  return tell(grown, read, method, ending, laying, start, years, out);
}

/** An ending in odds and spreads, from its years and what each of them brought. */
function tell(
  grown: GrownPlan,
  read: ReadYear[],
  method: MethodHere,
  ending: Ending,
  laying: Laying,
  start: DayIndex,
  years: YearEnd[],
  out: YearOutcome[],
): Omit<EndingAnswer, 'windowDays'> {
  const { ensemble, plan, weights } = grown;
  const from = ensemble.fromDay;
  const { waits } = ending.course;
  const pick = (f: (y: YearEnd) => number) => spreadOf(years.map(f), weights);
  const mean = (f: (y: YearEnd) => number) => meanOf(years.map(f), weights);
  const share = (holds: (y: YearEnd) => boolean) => shareOf(years.length, (y) => holds(years[y]!), weights);
  const outcome = (f: (o: YearOutcome) => number) => spreadOf(out.map(f), weights);
  const meanOutcome = (f: (o: YearOutcome) => number) => meanOf(out.map(f), weights);
  const dead = pick((y) => from + y.deadAt);
  const at = Math.min(ensemble.days - 1, start);
  const lies = years.map((y) => (Number.isFinite(y.deadAt) ? Math.max(0, y.deadAt - start) : Infinity));
  const startDay = !waits
    ? from + start
    : Number.isFinite(dead.mid)
      ? Math.round(dead.mid)
      : from + plan.plantAt;
  const figures: AimFigures = {
    nitrogenNext_g_m2: meanOutcome((o) => o.nitrogenNext_g_m2),
    held: meanOutcome((o) => o.held),
    smothers: meanOutcome((o) => o.smothers),
    residueAtPlanting_g_m2: meanOutcome((o) => o.residueAtPlanting_g_m2),
    flower_d: meanOutcome((o) => o.flower_d),
    dm_g_m2: mean((y) => y.dm_g_m2),
    caught_g_m2: meanOutcome((o) => o.caught_g_m2),
    minutesPer100m2: method.minutesPer100m2,
  };
  return {
    method: method.id,
    startDay,
    odds: {
      inTime: share((y) => inTime(y, plan.plantAt, ending)),
      warm: share((y) => inTime(y, plan.plantAt, ending) && y.plantableAt <= plan.plantAt),
      dead: share((y) => y.deadAt <= plan.plantAt),
      noSeed: share((y) => y.stageAtEnd < 5),
    },
    dead,
    ready: pick((y) => from + y.readyAt),
    readyMostly: quantile(
      years.map((y) => from + y.readyAt),
      0.8,
      weights,
    ),
    plantable: pick((y) => from + y.plantableAt),
    idle_d: meanOf(
      years.map((y, i) => idleDays(y, read[i]!)),
      weights,
    ),
    gap_d: gapOf(plan),
    lies_d: waits ? 0 : quantile(lies, 0.5, weights),
    wait_d20: quantile(
      years.map((y) => (y.deadAt < Infinity ? y.wait_d20 : Infinity)),
      0.5,
      weights,
    ),
    nitrogen_g_m2: outcome((o) => o.nitrogenNext_g_m2),
    residue_g_m2: outcome((o) => o.residueAtPlanting_g_m2),
    dryMatter_g_m2: pick((y) => y.dm_g_m2),
    caught_g_m2: outcome((o) => o.caught_g_m2),
    weedsHeld: outcome((o) => o.weedsHeld),
    flowerDays: outcome((o) => o.flower_d),
    bareDays: outcome((o) => o.bare_d),
    held: outcome((o) => o.held),
    leaves_g_m2: outcome((o) => o.leaves_g_m2),
    leavesN_g_m2: outcome((o) => o.leavesN_g_m2),
    dryer_mm: outcome((o) => o.dryer_mm),
    serves: serves(plan.members, plan.next, figures),
    keeps: 1,
    laying,
    carbonToNitrogen: carbonToNitrogen(
      figures.dm_g_m2,
      mean((y) => y.n_g_m2),
    ),
    minutesPer100m2: method.minutesPer100m2,
    stageAtStart: quantile(
      read.map(({ course }) => course.stage[at * course.members]!),
      0.5,
      weights,
    ),
    heightAtStart_m: quantile(
      read.map(({ course }) => course.height_m[at]!),
      0.5,
      weights,
    ),
    surviving: mean((y) => y.surviving),
  };
}
