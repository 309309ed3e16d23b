import { type YearEnd } from '../plan/plan.ts';
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
