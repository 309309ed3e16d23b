import { spreadOfResidue } from '../plan/reading.ts';
import { carbonToNitrogen, DECAY_BY_CN } from '../residue/decay.ts';
import { coolerUnder_c } from '../residue/warmth.ts';
import { lightLeft } from '../stand/leaf.ts';
import { lookUp } from '../units/table.ts';
import { between, type Season } from '../weather/season.ts';
import { cleanGround, weedsGrow } from '../weeds/weeds.ts';
import { type YearEnd } from '../termination/plan.ts';
import { type Standing } from '../plan/standing.ts';
import { type Laid } from '../stand/course.ts';
import { type MethodParts } from '../termination/method.ts';

/** What an ending laid on a bed in year `y`, batch by batch: what passes laid, or what stood there on the day it ended. */
export function laidIn(standing: Standing, y: number, end: YearEnd, parts: MethodParts): Laid[] {
  const { onward, begun } = standing;
  const course = onward.courses[y]!;
  if (begun && course.laid.length > 0) return course.laid;
  const day = end.endsAt;
  if (day === Infinity) return [];
  const buried = parts.handling === 'buried';
  const { stays } = parts;
  const laid: Laid[] = [];
  const add = (member: number, dm: number, n: number, living: boolean) => {
    if (dm > 0)
      laid.push({
        day,
        member,
        dm_g_m2: dm * stays,
        n_g_m2: n * stays,
        killedDm_g_m2: living ? dm : 0,
        killedN_g_m2: living ? n : 0,
        buried,
        times: parts.decayTimes,
      });
  };
  const n = course.members;
  for (let s = 0; s < n; s++) add(s, course.dm_g_m2[day * n + s]!, course.n_g_m2[day * n + s]!, true);
  add(0, course.dead_g_m2[day]!, course.deadN_g_m2[day]!, false);
  return laid;
}

/** Mulch with less than this cover shows gaps where weeds come up. */
const GAPS_BELOW = 0.6;
const TONNE_G_M2 = 100;

/** What lies on top of a bed. */
export interface Lies {
  mass_g_m2: number;
  cover: number;
  gapsAt: number;
  cooler_c: number;
  /** Day index on which weeds ask for a hoe, through what lies and on bare ground. */
  weedsAt: number;
  weedsBareAt: number;
}

/** Weeds of this mass, share of a full stand, are thumb-high: hoed now they are gone in a morning. */
const ASKS_FOR_HOE = 0.05;
const WEEK_D = 7;

/** Planting cleans the ground; from then on a new flush comes up. */
function weedsAskFrom(season: Season, from: number, residue_t_ha: (d: number) => number): number {
  const weeds = cleanGround();
  for (let d = from; d + 1 < season.days; d++) {
    // What lies changes by the week.
    const lies = residue_t_ha(d - ((d - from) % WEEK_D));
    weedsGrow(weeds, between(season.weedWarmth, d, d + 1), 0, lies);
    if (weeds.mass >= ASKS_FOR_HOE) return d;
  }
  return Infinity;
}

/** What lies on top on planting day, and until when it covers. */
export function liesOn(standing: Standing, y: number, end: YearEnd, parts: MethodParts): Lies {
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
    mass_g_m2: mass,
    cover: coverOf(mass),
    gapsAt,
    cooler_c: coolerUnder_c(mass / TONNE_G_M2, season.radiation_MJ[at]!),
    weedsAt: weedsAskFrom(season, at, (d) => massOn(d) / TONNE_G_M2),
    weedsBareAt: weedsAskFrom(season, at, () => 0),
  };
}
