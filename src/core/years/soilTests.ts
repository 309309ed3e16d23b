import { dayOf } from '../calendar/day.ts';

/**
 * What a soil test says, and how far two samples of one bed on one day differ (one standard deviation, of a laboratory and of where the spade went in): pH and
 * humus by their own units, nutrients as a share of the figure. Middles of what ring tests and repeated sampling of gardens give; recalled, low confidence.
 */
export const SOIL_TESTS = {
  ph: { noise: 0.2, relative: false, from: 3, to: 10 },
  humus: { noise: 0.4, relative: false, from: 0, to: 60 },
  phosphorus: { noise: 0.2, relative: true, from: 0, to: 2000 },
  potassium: { noise: 0.15, relative: true, from: 0, to: 5000 },
  magnesium: { noise: 0.15, relative: true, from: 0, to: 5000 },
} as const;
export type SoilTestKind = keyof typeof SOIL_TESTS;
export const SOIL_TEST_KINDS = Object.keys(SOIL_TESTS) as [SoilTestKind, ...SoilTestKind[]];

export interface SoilTest {
  on: string;
  what: SoilTestKind;
  value: number;
}

export interface SoilTrend {
  what: SoilTestKind;
  tests: SoilTest[];
  /** Between the first and the last test, against what chance alone does between two samples in nine cases of ten; undefined for a single test. */
  change?: { by: number; noise: number; is: 'higher' | 'lower' | 'within-noise' };
}

/** Nine in ten differences of two equal samples lie within this many standard deviations of one. */
const NINE_IN_TEN = 1.645 * Math.SQRT2;

/** Tests of one bed by what they measured, oldest first; a change is only called one where chance would seldom make it. */
export function soilTrends(tests: readonly SoilTest[]): SoilTrend[] {
  return SOIL_TEST_KINDS.flatMap((what): SoilTrend[] => {
    const mine = tests.filter((t) => t.what === what).sort((a, b) => dayOf(a.on) - dayOf(b.on));
    const [first, last] = [mine[0], mine.at(-1)];
    if (!first || !last) return [];
    if (mine.length === 1) return [{ what, tests: mine }];
    const { noise, relative } = SOIL_TESTS[what];
    const sd = relative ? (noise * (first.value + last.value)) / 2 : noise;
    const by = last.value - first.value;
    const apart = NINE_IN_TEN * sd;
    const is = by > apart ? 'higher' : by < -apart ? 'lower' : 'within-noise';
    return [{ what, tests: mine, change: { by, noise: apart, is } }];
  });
}
