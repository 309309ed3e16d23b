import { meanOf, quantile, shareOf, spreadOf } from '../random/quantile.ts';
import { residueCover, weedsThrough, areaPerTonne, carbonToNitrogen } from '../residue/decay.ts';
import { type Course, makeCourse } from '../stand/course.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { growStand } from '../stand/grow.ts';
import { endStand } from '../termination/end.ts';
import { between } from '../weather/season.ts';
import { type EndingAnswer, type MethodId, type Plan, type StandAnswer, type YearEnd } from './plan.ts';

/** Ground counts as closed at this cover. */
export const CLOSED = 0.8;
/** Start dates are tried this many days apart, or further where the gap is long. */
const START_STEP_D = 5;
const MOST_STARTS = 26;
/** A start date is inside the window when its odds come within this of the best. */
const WINDOW_SLACK = 0.05;
/** Least days of growth before an ending is worth anything. */
const LEAST_GROWTH_D = 35;
/** Flower-days count while between first flowers and the end of flowering. */
const FLOWERS_FROM = 2.7;
const FLOWERS_TO = 3.9;
const HARD_FROST_C = -4;

/** Grown years of one plan: the courses of all members of the ensemble, kept so that any ending can be tried on them. */
export interface GrownPlan {
  plan: Plan;
  ensemble: Ensemble;
  courses: Course[];
  weights?: Float64Array;
}

export function growPlan(plan: Plan, ensemble: Ensemble, years = ensemble.seasons.length): GrownPlan {
  const courses = ensemble.seasons.slice(0, years).map((season, y) => {
    const course = makeCourse(ensemble.days, plan.members);
    return growStand(
      {
        members: plan.members,
        seed_g_m2: plan.seed_g_m2,
        way: plan.way,
        soil: plan.soil,
        sownAt: plan.sownAt,
        watered: plan.watered,
      },
      season,
      ensemble.variations[y]!,
      course,
    );
  });
  return { plan, ensemble, courses };
}

/** All ways of ending in `methods` on their best dates. Ways that never work in this gap come back with odds near zero, not missing. */
export function answerEndings(
  grown: GrownPlan,
  methods: MethodId[],
  minutes: Partial<Record<MethodId, number>>,
  notBefore = 0,
): EndingAnswer[] {
  return methods.map((method) => bestStart(grown, method, minutes[method] ?? 0, notBefore));
}

interface Tried {
  start: number;
  inTime: number;
  years: YearEnd[];
}

function bestStart(
  grown: GrownPlan,
  method: MethodId,
  minutesPer100m2: number,
  notBefore: number,
): EndingAnswer {
  const { plan } = grown;
  const first = Math.max(plan.sownAt + LEAST_GROWTH_D, notBefore);
  const starts: number[] = [];
  if (method === 'winterkill') starts.push(Math.min(plan.plantAt, first));
  const step = Math.max(START_STEP_D, Math.ceil((plan.plantAt - first) / MOST_STARTS));
  if (method !== 'winterkill') for (let d = plan.plantAt - 1; d >= first; d -= step) starts.push(d);
  if (starts.length === 0) starts.push(Math.max(plan.sownAt, Math.min(first, plan.plantAt - 1)));
  const tried = starts.map((start) => tryStart(grown, method, start));
  const best = Math.max(...tried.map((t) => t.inTime));
  const near = tried.filter((t) => t.inTime >= best - WINDOW_SLACK && t.inTime > 0);
  // Among equally safe days the latest leaves the cover most time; the list runs from late to early.
  const chosen = near[0] ?? tried[tried.length - 1]!;
  return {
    ...summarise(grown, method, chosen),
    windowDays: windowOf(grown, near, chosen, step),
    minutesPer100m2,
  };
}

function windowOf(grown: GrownPlan, near: Tried[], chosen: Tried, step: number): [number, number] {
  const from = grown.ensemble.fromDay;
  // Only the run of dates that hangs together with the chosen one is a window.
  let early = chosen.start;
  for (const t of near) if (early - t.start <= step) early = Math.min(early, t.start);
  return [from + early, from + chosen.start];
}

/** One method begun on one day, over all years. */
export function tryStart(grown: GrownPlan, method: MethodId, start: number): Tried {
  const { plan, ensemble, courses } = grown;
  const years = courses.map((course, y) =>
    endStand(plan, method, start, course, ensemble.seasons[y]!, ensemble.variations[y]!),
  );
  const inTime = shareOf(
    years.length,
    (y) => years[y]!.readyAt <= plan.plantAt && years[y]!.stageAtEnd < 5,
    grown.weights,
  );
  return { start, inTime, years };
}

export function answerEnding(
  grown: GrownPlan,
  method: MethodId,
  start: number,
  minutesPer100m2: number,
): EndingAnswer {
  const tried = tryStart(grown, method, start);
  return {
    ...summarise(grown, method, tried),
    windowDays: [grown.ensemble.fromDay + start, grown.ensemble.fromDay + start],
    minutesPer100m2,
  };
}

function summarise(
  grown: GrownPlan,
  method: MethodId,
  tried: Tried,
): Omit<EndingAnswer, 'windowDays' | 'minutesPer100m2'> {
  const { ensemble, plan, weights, courses } = grown;
  const { years, start } = tried;
  const from = ensemble.fromDay;
  const pick = (f: (y: YearEnd) => number) => spreadOf(years.map(f), weights);
  const dead = pick((y) => from + y.deadAt);
  const startDay =
    method === 'winterkill'
      ? Number.isFinite(dead.mid)
        ? Math.round(dead.mid)
        : from + plan.plantAt
      : from + start;
  const lies = years.map((y) => (Number.isFinite(y.deadAt) ? Math.max(0, y.deadAt - start) : Infinity));
  return {
    method,
    startDay,
    odds: {
      inTime: tried.inTime,
      dead: shareOf(years.length, (y) => years[y]!.deadAt <= plan.plantAt, weights),
      noSeed: shareOf(years.length, (y) => years[y]!.stageAtEnd < 5, weights),
    },
    dead,
    ready: pick((y) => from + y.readyAt),
    plantable: pick((y) => from + y.plantableAt),
    lies_d: method === 'winterkill' ? 0 : quantile(lies, 0.5, weights),
    nitrogen_g_m2: pick((y) => y.nitrogenNext_g_m2),
    residue_g_m2: pick((y) => y.residueAtPlanting_g_m2),
    dryMatter_g_m2: pick((y) => y.dm_g_m2),
    carbonToNitrogen: carbonToNitrogen(
      meanOf(
        years.map((y) => y.dm_g_m2),
        weights,
      ),
      meanOf(
        years.map((y) => y.n_g_m2),
        weights,
      ),
    ),
    stageAtStart: quantile(
      courses.map((c) => c.stage[Math.min(c.days - 1, start) * c.members]!),
      0.5,
      weights,
    ),
    heightAtStart_m: quantile(
      courses.map((c) => c.height_m[Math.min(c.days - 1, start)]!),
      0.5,
      weights,
    ),
    surviving: meanOf(
      years.map((y) => y.surviving),
      weights,
    ),
  };
}

/** What the stand does between sowing and planting, with the residue of the chosen ending counted into cover and weeds. */
export function answerStand(grown: GrownPlan, ending: EndingAnswer | undefined): StandAnswer {
  const { plan, ensemble, courses, weights } = grown;
  const from = ensemble.fromDay;
  const last = Math.min(plan.plantAt, ensemble.days);
  const closed: number[] = [];
  const emerged: number[] = [];
  const beforeFrost: boolean[] = [];
  const weeds: number[] = [];
  const flowers: number[] = [];
  const caught: number[] = [];
  const bare: number[] = [];
  const coverByDay = new Array<number>(last).fill(0);
  let totalWeight = 0;
  courses.forEach((course, y) => {
    const season = ensemble.seasons[y]!;
    const w = weights ? weights[y]! : 1;
    totalWeight += w;
    const endAt = ending ? ending.startDay - from : Infinity;
    const lead = plan.members[0]!;
    const am = areaPerTonne(lead.species.role, lead.species.growth.heightFlower_m);
    let lying = 0;
    let closedAt = Infinity;
    let frostAt = Infinity;
    let weedHeat = 0;
    let weedAll = 0;
    let flowerDays = 0;
    let bareDays = 0;
    for (let d = 0; d < last; d++) {
      if (d === endAt) lying = mass(course, d);
      const living = d < endAt ? course.cover[d]! : 0;
      if (lying > 0) lying *= Math.exp(-0.02 * between(season.decay, d, d + 1));
      const covered = Math.max(living, lying > 0 ? residueCover(lying, am) : 0);
      coverByDay[d] = coverByDay[d]! + covered * w;
      if (d >= plan.sownAt) {
        const heat = between(season.weedWarmth, d, d + 1);
        weedAll += heat;
        weedHeat += heat * (lying > 0 ? Math.min(1 - 0.7 * covered, weedsThrough(lying)) : 1 - covered);
        if (covered < 0.3) bareDays++;
      } else bareDays++;
      if (closedAt === Infinity && living >= CLOSED) closedAt = d;
      if (frostAt === Infinity && d > plan.sownAt && season.tmin_c[d]! < HARD_FROST_C) frostAt = d;
      if (d < endAt && inFlower(course, d)) flowerDays++;
    }
    closed.push(from + closedAt);
    emerged.push(from + Math.min(...course.emerged));
    beforeFrost.push(closedAt <= Math.min(frostAt, plan.sownAt + 60));
    weeds.push(weedAll > 0 ? 1 - weedHeat / weedAll : 0);
    flowers.push(flowerDays);
    caught.push(course.soilNitrogen.taken_g_m2);
    bare.push(bareDays);
  });
  return {
    stand: shareOf(courses.length, (y) => peakCover(courses[y]!) >= 0.5, weights),
    emerged: spreadOf(emerged, weights),
    closed: spreadOf(closed, weights),
    closedBeforeFrost: shareOf(courses.length, (y) => beforeFrost[y]!, weights),
    coverByDay: coverByDay.map((c) => c / totalWeight),
    stages: stageSpreads(grown),
    weedsHeld: spreadOf(weeds, weights),
    flowerDays: spreadOf(flowers, weights),
    caught_g_m2: spreadOf(caught, weights),
    bareDays: spreadOf(bare, weights),
  };
}

/** Days on which each stage is reached, per species, over the years. A plant that has died reaches nothing more. */
export function stageSpreads(grown: GrownPlan): StandAnswer['stages'] {
  const { plan, ensemble, courses, weights } = grown;
  return plan.members.map((m, s) => {
    const reached = (mark: number) =>
      spreadOf(
        courses.map((c) => ensemble.fromDay + firstAt(c, s, mark)),
        weights,
      );
    return {
      speciesId: m.species.id,
      bud: reached(2),
      flower: reached(3),
      milk: reached(4),
      seed: reached(5),
      survives: meanOf(
        courses.map((c) => c.alive[(Math.min(plan.plantAt, c.days) - 1) * c.members + s]!),
        weights,
      ),
    };
  });
}

function firstAt(course: Course, s: number, mark: number): number {
  for (let d = 0; d < course.days; d++) {
    const i = d * course.members + s;
    if (course.stage[i]! >= mark && course.alive[i]! > 0.05) return d;
  }
  return Infinity;
}

function inFlower(course: Course, d: number): boolean {
  for (let s = 0; s < course.members; s++) {
    const i = d * course.members + s;
    if (course.alive[i]! > 0.2 && course.stage[i]! >= FLOWERS_FROM && course.stage[i]! <= FLOWERS_TO)
      return true;
  }
  return false;
}

const mass = (course: Course, d: number): number => {
  let sum = 0;
  for (let s = 0; s < course.members; s++) sum += course.dm_g_m2[d * course.members + s]!;
  return sum;
};

function peakCover(course: Course): number {
  let best = 0;
  for (let d = 0; d < course.days; d++) if (course.cover[d]! > best) best = course.cover[d]!;
  return best;
}
