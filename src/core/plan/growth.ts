import { type DayIndex, type Day } from '../calendar/day.ts';
import { meanOf, quantile, type Spread, spreadOf } from '../random/quantile.ts';
import { type Course } from '../stand/course.ts';
import { type GrownPlan } from './grown.ts';

/** One day of the growth picture: as the looks leave it, and what was expected before anybody looked. */
export interface GrowthDay {
  day: Day;
  /** Daily means over freezing, added up since sowing; the middle of the years, °C d. */
  warmth_cd: number;
  cover: Spread;
  height_m: Spread;
  dryMatter_g_m2: Spread;
  coverExpected: Spread;
  /** By member, 0 sown to 5 seed. */
  stages: { now: number; expected: Spread }[];
}

const STEP_D = 5;

/** Every fifth day from sowing as spreads over the years. */
export function growthDays(grown: GrownPlan): GrowthDay[] {
  const { plan, ensemble, courses, weights } = grown;
  const { sownAt } = plan;
  const warm = ensemble.seasons.slice(0, courses.length).map((s) => warmthSince(s.mean_c, sownAt));
  const out: GrowthDay[] = [];
  for (let d = sownAt; d < ensemble.days; d += STEP_D) {
    const all = (f: (c: Course) => number) => courses.map(f);
    const cover = all((c) => c.cover[d]!);
    out.push({
      day: ensemble.fromDay + d,
      warmth_cd: meanOf(
        warm.map((w) => w[d - sownAt]!),
        weights,
      ),
      cover: spreadOf(cover, weights),
      height_m: spreadOf(
        all((c) => c.height_m[d]!),
        weights,
      ),
      dryMatter_g_m2: spreadOf(
        all((c) => dryMatter(c, d)),
        weights,
      ),
      coverExpected: spreadOf(cover),
      stages: plan.members.map((_, m) => {
        const stage = all((c) => c.stage[d * c.members + m]!);
        return { now: quantile(stage, 0.5, weights), expected: spreadOf(stage) };
      }),
    });
  }
  return out;
}

function dryMatter(c: Course, d: DayIndex): number {
  let sum = 0;
  for (let s = 0; s < c.members; s++) sum += c.dm_g_m2[d * c.members + s]!;
  return sum;
}

/** Sum of daily means over 0 °C from `from` on, by days since. */
function warmthSince(mean_c: Float64Array, from: DayIndex): Float64Array {
  const out = new Float64Array(Math.max(0, mean_c.length - from));
  let sum = 0;
  for (let d = 0; d < out.length; d++) {
    out[d] = sum;
    sum += Math.max(0, mean_c[from + d]!);
  }
  return out;
}

/** Where something seen stands against what was expected of its day. */
export type Against = { is: 'ahead' | 'behind' | 'as-expected'; days: number };

/** Days that are still called the same day. */
const SAME_DAY_D = 3;

/**
 * Answers: how far ahead or behind is a member that has come to `stage` on `day`, in days of the year as it usually runs?
 * A named stage lasts from its number to the next: a member is ahead when the stage was not expected to have begun, behind when it should have been over.
 * Undefined before the first and after the last day of the picture, and where the stage is not expected at all.
 */
export function againstExpected(
  growth: readonly GrowthDay[],
  member: number,
  stage: number,
  day: Day,
): Against | undefined {
  const first = growth[0];
  const last = growth.at(-1);
  if (!first || !last || day < first.day || day > last.day) return undefined;
  const reaches = (s: number) => growth.find((g) => g.stages[member]!.expected.mid >= s)?.day;
  const begins = reaches(stage);
  const ends = reaches(stage + 1);
  if (begins === undefined) return undefined;
  if (begins - day > SAME_DAY_D) return { is: 'ahead', days: begins - day };
  if (ends !== undefined && day - ends > SAME_DAY_D) return { is: 'behind', days: day - ends };
  return { is: 'as-expected', days: 0 };
}
