import { type Course, dryMatterOn, nitrogenOn } from '../stand/course.ts';
import { type Variation } from '../stand/grow.ts';
import { type Season, between, reaches } from '../weather/season.ts';
import { availableNitrogen_g_m2 } from '../residue/nitrogen.ts';
import { BURIED_TIMES, carbonToNitrogen, decayRate } from '../residue/decay.ts';
import { type Handling, waitDays20 } from '../residue/wait.ts';
import { type MethodId, type Plan, type YearEnd } from '../plan/plan.ts';
import { crimpKills, cutKills, digKills, SECOND_PASS_KEEPS } from './kill.ts';
import { FEWEST_SHEET_DAYS, sheetHeatNeeded } from './sheet.ts';

/** A stand counts as dead when no more than this share of its plants lives. */
export const DEAD_BELOW = 0.1;
/** Days after the last pass until a killed stand is seen to be dead. */
const SHOWS_AFTER_D = { cut: 4, crimp: 8, dig: 2 } as const;
const SECOND_CUT_AFTER_D = 10;
const SECOND_CRIMP_AFTER_D = 6;
/** Soil must have held the crop's least warmth for this many days. */
const WARM_DAYS = 5;
const NEVER: YearEnd = {
  deadAt: Infinity,
  readyAt: Infinity,
  plantableAt: Infinity,
  surviving: 1,
  stageAtEnd: 0,
  dm_g_m2: 0,
  n_g_m2: 0,
  nitrogenNext_g_m2: 0,
  residueAtPlanting_g_m2: 0,
};

/** Answers: in this year, begun on this day by this method, when is the stand dead, when is the bed ready, and what lies there? */
export function endStand(
  plan: Plan,
  method: MethodId,
  at: number,
  course: Course,
  season: Season,
  v: Variation,
): YearEnd {
  if (at < 0 || at >= season.days) return NEVER;
  const n = course.members;
  let surviving = 0;
  let plants = 0;
  let stage = 0;
  let deadAt = Infinity;
  let handling: Handling = 'surface';
  const luck = v.hardiness_c * 0.25;
  const killed = (p: number) => 1 / (1 + Math.exp(-(Math.log(p / (1 - p)) + luck)));

  if (method === 'winterkill') return byFrost(plan, course, season);
  for (let s = 0; s < n; s++) {
    const sp = plan.members[s]!.species;
    const i = at * n + s;
    const alive = course.alive[i]!;
    const stageHere = course.stage[i]!;
    if (alive > 0) stage = Math.max(stage, stageHere);
    const weight = plan.members[s]!.share;
    plants += weight;
    const once = (kill: number, then: number) => (1 - killed(kill)) * then;
    const left =
      method === 'cut'
        ? once(cutKills(sp, stageHere), 1)
        : method === 'cut-twice'
          ? once(cutKills(sp, stageHere), sp.ending.chopStage === 'never' ? 0.75 : SECOND_PASS_KEEPS)
          : method === 'crimp'
            ? once(crimpKills(sp, stageHere), SECOND_PASS_KEEPS)
            : method === 'dig'
              ? once(digKills(sp), 1)
              : 0.02;
    surviving += alive * left * weight;
  }
  surviving /= plants || 1;
  const dead = surviving <= DEAD_BELOW;
  if (method === 'sheet') {
    const species = plan.members.filter((_, s) => course.alive[at * n + s]! > 0.02).map((m) => m.species);
    const heat =
      species.length > 0
        ? sheetHeatNeeded(species, course.height_m[at]!) * Math.exp(-0.12 * v.hardiness_c)
        : 0;
    deadAt = Math.max(at + FEWEST_SHEET_DAYS, reaches(season.sheetHeat, at, heat));
    handling = 'sheet';
  } else if (dead) {
    const last =
      method === 'cut-twice' ? at + SECOND_CUT_AFTER_D : method === 'crimp' ? at + SECOND_CRIMP_AFTER_D : at;
    deadAt = last + SHOWS_AFTER_D[method === 'cut-twice' ? 'cut' : method];
    if (method === 'dig') handling = 'buried';
  }
  return afterDeath(plan, course, season, at, deadAt, surviving, stage, handling);
}

/** Winterkill: the stand is dead on the first day on which no member keeps a tenth of its plants. */
function byFrost(plan: Plan, course: Course, season: Season): YearEnd {
  const n = course.members;
  const last = Math.min(plan.plantAt, season.days - 1);
  for (let d = plan.sownAt + 20; d <= last; d++) {
    let left = 0;
    let up = false;
    for (let s = 0; s < n; s++) {
      left += course.alive[d * n + s]! * plan.members[s]!.share;
      if (course.stage[d * n + s]! >= 1) up = true;
    }
    if (!up || left > DEAD_BELOW) continue;
    // What stood three weeks before tells what now lies; tender tops lose about a fifth at once.
    const stood = Math.max(plan.sownAt, bestBefore(course, d));
    const stage = Math.max(...Array.from({ length: n }, (_, s) => course.stage[stood * n + s]!));
    const end = afterDeath(plan, course, season, stood, d, left, stage, 'winterkilled', d);
    return { ...end, residueAtPlanting_g_m2: end.residueAtPlanting_g_m2 * 0.8 };
  }
  let alive = 0;
  for (let s = 0; s < n; s++) alive += course.alive[last * n + s]! * plan.members[s]!.share;
  return { ...NEVER, surviving: alive };
}

/** Day of greatest dry matter in the four weeks before `d`. */
function bestBefore(course: Course, d: number): number {
  let best = d;
  for (let k = Math.max(0, d - 28); k <= d; k++)
    if (dryMatterOn(course, k) > dryMatterOn(course, best)) best = k;
  return best;
}

function afterDeath(
  plan: Plan,
  course: Course,
  season: Season,
  at: number,
  deadAt: number,
  surviving: number,
  stage: number,
  handling: Handling,
  liesFrom = at,
): YearEnd {
  const dm = dryMatterOn(course, at);
  const n = nitrogenOn(course, at);
  const cn = carbonToNitrogen(dm, n);
  const small = Math.max(...plan.members.map((m) => m.species.smallSeedWait_d * m.share));
  const wait = dm < 40 ? 2 : waitDays20(handling, cn, plan.next, small);
  const readyAt = Number.isFinite(deadAt)
    ? reaches(season.mellowing, Math.min(deadAt, season.days), wait)
    : Infinity;
  const plantableAt = Number.isFinite(readyAt) ? warmFrom(season, readyAt, plan.next.soilMin_c) : Infinity;
  const until = Math.min(season.days, Math.max(liesFrom, plan.plantAt));
  const rate = decayRate(cn) * (handling === 'buried' ? BURIED_TIMES : 1);
  return {
    deadAt,
    readyAt,
    plantableAt,
    surviving,
    stageAtEnd: stage,
    dm_g_m2: dm,
    n_g_m2: n,
    nitrogenNext_g_m2: availableNitrogen_g_m2(dm, n, handling === 'buried'),
    residueAtPlanting_g_m2:
      handling === 'buried' ? 0 : dm * Math.exp(-rate * between(season.decay, liesFrom, until)),
  };
}

/** First day from `from` on which the last days' soil was warm enough for the crop. */
function warmFrom(season: Season, from: number, soilMin_c: number): number {
  let run = 0;
  for (let d = Math.max(0, from - WARM_DAYS); d < season.days; d++) {
    run = season.soil_c[d]! >= soilMin_c ? run + 1 : 0;
    if (d >= from && run >= Math.min(WARM_DAYS, d + 1)) return d;
  }
  return Infinity;
}
