import { bareTwin } from '../plan/bare.ts';
import { LEGUME_ROOT_CN } from '../plan/outcome.ts';
import { type Plan, type YearEnd } from '../termination/plan.ts';
import { type Standing } from '../plan/standing.ts';
import { quantile, type Spread, spreadOf } from '../random/quantile.ts';
import { type Freeing, freeOn, startFreeing } from '../residue/freeing.ts';
import { MINERALISED_G_M2_D } from '../soil/soil.ts';
import { type Laid } from '../stand/course.ts';
import { type MethodParts } from '../termination/method.ts';
import { laidIn } from './lying.ts';
import { takenUp, type Uptake } from './uptake.ts';

/** What the bed gives a crop and what the crop takes, by days from planting. */
export interface Feeding {
  /** Every fifth day from planting to the crop's end. Nitrogen of the residue that is free since it was laid; below 0 while more is tied up. */
  days: {
    day: number;
    freed: Spread;
    /** Mineral nitrogen in the ground. */
    inGround: Spread;
    /** What the crop would take up by then, and what it gets. */
    wants: number;
    gets: Spread;
  }[];
  /** What the crop lacks by its end, g/m2, and days from planting on which it is first felt (middle of the years in which it is). */
  short_g_m2: Spread;
  feltFrom_d: number;
  /** Most that is tied up at once, g/m2, as a figure above 0; and the share of years in which it is more than a crop would notice. */
  tiedUp_g_m2: Spread;
  /** Day index from which the residue gives more than it took; Infinity where it does not within reach. */
  backAt: number[];
}

const STEP_D = 5;
/** Roots reach this share of what is in the ground at planting, and this much once they fill it (0.5-0.9 by depth). */
const REACH_YOUNG = 0.4;
const REACH_GROWN = 0.85;
/** Of what roots reach a day brings this much at most: diffusion and water (judgement). */
const BRINGS_PER_D = 0.2;
/** A crop feels a lack from here on, g/m2. */
const FELT_G_M2 = 0.5;
/** Residue that owes less than this owes nothing. */
const OWES_G_M2 = 0.3;

/** Follows every year from the day the cover ended to the crop's end. */
export function feedingOf(
  standing: Standing,
  ends: YearEnd[],
  parts: MethodParts,
  uptake: Uptake,
  fixesShare: number,
): Feeding {
  const { plan, onward } = standing;
  const { weights } = onward;
  const years = ends.map((end, y) =>
    follow(standing, y, laidIn(standing, y, end, parts), uptake, fixesShare),
  );
  const steps = years[0]!.freed.length;
  const at = (k: number, f: (y: Year) => Float64Array) =>
    spreadOf(
      years.map((y) => f(y)[k]!),
      weights,
    );
  const felt = years.map((y) => y.feltFrom_d);
  return {
    days: Array.from({ length: steps }, (_, k) => ({
      day: plan.plantAt + k * STEP_D,
      freed: at(k, (y) => y.freed),
      inGround: at(k, (y) => y.inGround),
      wants: uptake.total_g_m2 * (1 - fixesShare) * takenUp(uptake, k * STEP_D),
      gets: at(k, (y) => y.gets),
    })),
    short_g_m2: spreadOf(
      years.map((y) => y.short_g_m2),
      weights,
    ),
    feltFrom_d: quantile(felt, 0.5, weights),
    tiedUp_g_m2: spreadOf(
      years.map((y) => y.tiedUp_g_m2),
      weights,
    ),
    backAt: years.map((y) => y.backAt),
  };
}

interface Year {
  freed: Float64Array;
  inGround: Float64Array;
  gets: Float64Array;
  short_g_m2: number;
  feltFrom_d: number;
  tiedUp_g_m2: number;
  backAt: number;
}

function follow(standing: Standing, y: number, laid: Laid[], uptake: Uptake, fixesShare: number): Year {
  const { plan, onward } = standing;
  const { ensemble, courses } = onward;
  const season = ensemble.seasons[y]!;
  const course = courses[y]!;
  const bare = bareTwin(ensemble, plan).year(y);
  const last = Math.min(season.days - 1, plan.plantAt + uptake.end_d);
  const steps = Math.floor(uptake.end_d / STEP_D) + 1;
  const year: Year = {
    freed: new Float64Array(steps),
    inGround: new Float64Array(steps),
    gets: new Float64Array(steps),
    short_g_m2: 0,
    feltFrom_d: Infinity,
    tiedUp_g_m2: 0,
    backAt: -Infinity,
  };
  const from = laid.length > 0 ? laid[0]!.day : Math.min(plan.plantAt, last);
  const soilFrees = MINERALISED_G_M2_D[plan.soil.fertility];
  const need = uptake.total_g_m2 * (1 - fixesShare);
  const batches: Freeing[] = [];
  let next = 0;
  let mineral = course.mineral_g_m2[from]!;
  let gets = 0;
  let freed = 0;
  for (let d = from; d <= last; d++) {
    for (; next < laid.length && laid[next]!.day <= d; next++) {
      const l = laid[next]!;
      if (l.dm_g_m2 > 0) batches.push(startFreeing(l.dm_g_m2, l.n_g_m2, l.buried, l.times));
      const roots = rootsOf(plan, l);
      if (roots) batches.push(roots);
    }
    let now = 0;
    for (const b of batches) {
      freeOn(b, season, d);
      now += b.free;
    }
    const kept = d > 0 && bare.kept[d - 1]! > 0 ? bare.kept[d]! / bare.kept[d - 1]! : 1;
    mineral = Math.max(0, mineral * kept + soilFrees * season.soilTempo[d]! + now - freed);
    freed = now;
    if (-freed > year.tiedUp_g_m2) year.tiedUp_g_m2 = -freed;
    if (-freed > OWES_G_M2) year.backAt = Infinity;
    else if (year.backAt === Infinity && freed >= 0) year.backAt = d;
    const t = d - plan.plantAt;
    if (t < 0) continue;
    const owed = need * takenUp(uptake, t) - gets;
    const reach = REACH_YOUNG + (REACH_GROWN - REACH_YOUNG) * Math.min(1, t / uptake.half_d);
    const takes = Math.min(owed, mineral * reach * BRINGS_PER_D);
    mineral -= takes;
    gets += takes;
    if (owed - takes > FELT_G_M2 && year.feltFrom_d === Infinity) year.feltFrom_d = t;
    if (t % STEP_D === 0) {
      const k = t / STEP_D;
      year.freed[k] = freed;
      year.inGround[k] = mineral;
      year.gets[k] = gets;
    }
  }
  year.short_g_m2 = Math.max(0, need - gets);
  return year;
}

/** The roots of a legume that a pass killed, dug in by nature; those of others give nothing within a season. */
function rootsOf(plan: Plan, l: Laid): Freeing | undefined {
  const { role, nitrogen } = plan.members[l.member]!.species;
  const n_g_m2 = role === 'legume' ? l.killedN_g_m2 * nitrogen.belowShare : 0;
  return n_g_m2 > 0 ? startFreeing((n_g_m2 * LEGUME_ROOT_CN) / CARBON_SHARE, n_g_m2, true) : undefined;
}
const CARBON_SHARE = 0.43;
