import { type Day } from '../core/calendar/day.ts';

/** Days on a picture whose time runs downward. */
export interface Scale {
  from: Day;
  to: Day;
  height: number;
  y(day: Day): number;
  dayAt(y: number): Day;
  perDay: number;
}

export function scaleOf(from: Day, to: Day, height: number): Scale {
  const perDay = height / Math.max(1, to - from);
  return {
    from,
    to,
    height,
    perDay,
    y: (day) => Math.max(0, Math.min(height, (day - from) * perDay)),
    dayAt: (y) => Math.round(from + y / perDay),
  };
}

/** Days that get a mark: Mondays of every week, or every so many weeks where there is little room. */
export function marksOf({ from, to, perDay }: Scale): Day[] {
  const weeks = [1, 2, 4, 8].find((w) => w * 7 * perDay >= 34) ?? 8;
  // Day 0 was a Thursday.
  const monday = from + ((((4 - from) % 7) + 7) % 7);
  const marks: Day[] = [];
  for (let d = monday; d < to; d += 7 * weeks) marks.push(d);
  return marks;
}
