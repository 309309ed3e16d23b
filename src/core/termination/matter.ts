import { type DayIndex } from '../calendar/day.ts';
import { type Course } from '../stand/course.ts';
import { layDown } from '../stand/dead.ts';
import { type Plant } from '../stand/plant.ts';
import { type Standing } from '../stand/work.ts';
import { higher } from '../units/bounds.ts';

// Where the matter of a stand goes when something is done to it.

/** Only this share of the plants lives on; the others lie where they stood. */
export function lose(keeps: number, d: DayIndex, { plants, dead }: Standing, course: Course): void {
  for (let s = 0; s < plants.length; s++) {
    const q = plants[s]!;
    if (q.alive <= 0) continue;
    const dm = q.dm * (1 - keeps);
    const n = q.n * (1 - keeps);
    course.laid.push({
      day: d,
      member: s,
      dm_g_m2: dm,
      n_g_m2: n,
      killedDm_g_m2: dm,
      killedN_g_m2: n,
      buried: false,
      times: 1,
    });
    layDown(dead, dm, n, 1, 0);
    q.alive *= keeps;
    q.dm -= dm;
    q.n -= n;
    q.lai *= keeps;
  }
}

/** Share of plants alive of the member that holds out best. */
export function mostOf(plants: Plant[]): number {
  let most = 0;
  for (const q of plants) if (q.alive > most) most = q.alive;
  return most;
}

/** What lies on top is raked or carried off; this share of it stays. */
export function takeOff(stays: number, { dead }: Standing, course: Course): void {
  for (const l of course.laid)
    if (!l.buried) {
      l.dm_g_m2 *= stays;
      l.n_g_m2 *= stays;
    }
  course.exported_g_m2 += dead.dm_g_m2 * (1 - stays);
  course.exportedN_g_m2 += dead.n_g_m2 * (1 - stays);
  dead.dm_g_m2 *= stays;
  dead.n_g_m2 *= stays;
}

/** What lies on top goes under with the rest: what passes laid, and what frost or heat had killed. */
export function turnUnder(d: DayIndex, { dead }: Standing, course: Course): void {
  let laid = 0;
  let laidN = 0;
  for (const l of course.laid) {
    if (l.buried) continue;
    laid += l.dm_g_m2;
    laidN += l.n_g_m2;
    l.buried = true;
  }
  if (dead.dm_g_m2 > laid)
    course.laid.push({
      day: d,
      member: 0,
      dm_g_m2: dead.dm_g_m2 - laid,
      n_g_m2: higher(0, dead.n_g_m2 - laidN),
      killedDm_g_m2: 0,
      killedN_g_m2: 0,
      buried: true,
      times: 1,
    });
  dead.dm_g_m2 = 0;
  dead.n_g_m2 = 0;
  dead.rate = 0;
  dead.gives = 0;
}
