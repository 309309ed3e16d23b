import { type YearEnd } from './plan.ts';
import { type Course, dryMatterOn, nitrogenOn } from '../stand/course.ts';
import { type Season } from '../weather/season.ts';
import { never } from './yearEnd.ts';
import { DEAD_BELOW, type Ending, mostAlive, ready, whenWarm } from './end.ts';
import { type PassKind, SHOWS_D, TRIMS } from './method.ts';

/**
 * Answers: how did a year go whose passes acted in its course: when was the stand dead for good, and when is the bed ready?
 * A stand is dead from the day after which no member keeps more than a tenth of its plants; after a pass by hand death takes days to show. Seen dead is
 * dead from that day.
 */
export function livedEnd(ending: Ending, course: Course, season: Season, out: YearEnd): YearEnd {
  never(out);
  const first = course.deeds[0];
  if (!first) return out;
  // What only trims it does not end it.
  out.endsAt = (course.deeds.find((k) => !TRIMS.has(k.kind)) ?? first).day;
  const last = lastAlive(course);
  // What winter or heat ended between two passes was ended by that.
  out.endsAt = Math.min(out.endsAt, Math.max(first.day, last + 1));
  const planting = Math.min(course.days - 1, ending.plan.plantAt);
  for (const l of course.laid) {
    if (l.day > last || l.day > planting) continue;
    out.dm_g_m2 += l.dm_g_m2;
    out.n_g_m2 += l.n_g_m2;
  }
  out.dm_g_m2 += first.met <= DEAD_BELOW ? course.dead_g_m2[first.day]! : 0;
  out.n_g_m2 += first.met <= DEAD_BELOW ? course.deadN_g_m2[first.day]! : 0;
  out.stageAtEnd = ripestUntil(course, Math.min(last, planting));
  out.surviving = mostAlive(course, planting);
  if (last >= planting) {
    out.dm_g_m2 += dryMatterOn(course, planting);
    out.n_g_m2 += nitrogenOn(course, planting);
  }
  if (last >= course.days - 1) return out;
  const seen = course.deeds.find((k) => k.kind === 'seen-dead');
  // Winter or heat had done it before the first pass came.
  if (last < first.day)
    return whenWarm(ending, season, ready(ending, season, first.day, ending.waitsDead, out));
  const cause = course.deeds.filter((k) => k.day <= last).at(-1)!;
  const shows = cause.day === last ? (SHOWS_D[cause.kind as PassKind] ?? 0) : 0;
  const mellowsFrom = last;
  const deadAt = Math.min(last + shows, seen ? seen.day : Infinity);
  ready(ending, season, deadAt, ending.waits, out, Math.min(mellowsFrom, deadAt));
  return whenWarm(ending, season, out);
}

/** Last day on whose morning some member still had more than a tenth of its plants; -1 when there was none. */
function lastAlive(course: Course): number {
  for (let d = course.days - 1; d >= 0; d--) if (mostAlive(course, d) > DEAD_BELOW) return d;
  return -1;
}

function ripestUntil(course: Course, last: number): number {
  const n = course.members;
  let ripest = 0;
  for (let d = course.sownAt; d <= last; d++)
    for (let s = 0; s < n; s++) {
      const i = d * n + s;
      if (course.alive[i]! > DEAD_BELOW && course.stage[i]! > ripest) ripest = course.stage[i]!;
    }
  return ripest;
}
