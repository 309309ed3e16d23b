import { type CameOf } from './came.ts';

// What would be done otherwise the next time, told from what came of a cover and why.

/** A line for the next time, in a code and its figure. */
export type NextTimeLine =
  | { code: 'sow-sooner' | 'end-sooner'; days: number }
  | { code: 'throw-it-all' | 'test-seed' | 'sow-as-planned' | 'water' | 'sow-thicker' };

/** Fewer days than this are no lesson. */
const LEAST_D = 3;
/** A cause is a lesson where it made up so much of what was missed. */
const LEAST_PART = 0.3;

interface Lived {
  came: readonly CameOf[];
  /** Days by which it was sown, and its ending begun, later than was planned. */
  sownLate_d: number;
  begunLate_d: number;
  /** It was dead, or its crop went in, later than had been thought likely. */
  overLate: boolean;
}

/** How far what was seen lies on the wrong side of what was expected: later, lighter, weedier; 0 inside the range. */
function missed({ what, expected, seen }: CameOf): number {
  const less = what === 'bulk';
  if (less) return seen < expected.low ? expected.mid - seen : 0;
  return seen > expected.high ? seen - expected.mid : 0;
}

/**
 * Answers: what is worth doing otherwise? The cause in the gardener's hand that made up most of what went worse than was likely; nothing where all went as it
 * was to be expected, or where nobody can help it.
 */
export function nextTime({ came, sownLate_d, begunLate_d, overLate }: Lived): NextTimeLine | undefined {
  let best: { line: NextTimeLine; part: number } | undefined;
  const offer = (line: NextTimeLine, part: number) => {
    if (part >= LEAST_PART && part > (best?.part ?? 0)) best = { line, part };
  };
  for (const c of came) {
    const gap = missed(c);
    if (gap <= 0) continue;
    // Of bulk less is worse, of days and weeds more.
    const sign = c.what === 'bulk' ? -1 : 1;
    const part = (cause: number) => (sign * cause) / gap;
    if (sownLate_d >= LEAST_D)
      offer({ code: 'sow-sooner', days: Math.round(sownLate_d) }, part(c.causes.date));
    offer({ code: 'throw-it-all' }, part(c.causes.rate));
    offer({ code: 'test-seed' }, part(c.causes.age));
    offer({ code: 'sow-as-planned' }, part(c.causes.way));
    if (c.weather.rainTimes < 1) offer({ code: 'water' }, part(c.causes.rain));
    if (c.what === 'weeds') offer({ code: 'sow-thicker' }, Math.min(part(c.causes.rest), LEAST_PART));
  }
  if (best) return best.line;
  return overLate && begunLate_d >= LEAST_D
    ? { code: 'end-sooner', days: Math.round(begunLate_d) }
    : undefined;
}
