import { exp, ln } from '../units/exact.ts';

/** A step that was logged with its minutes, beside what had been worked out for it. */
export interface LoggedWork {
  kind: string;
  minutes: number;
  expected: number;
}

/** A gardener's own pace counts from the second logged step of a kind on. */
export const FROM_LOGGED = 2;

/**
 * How much longer or shorter than worked out a kind of step takes here: the middle of what was logged, as a ratio held to a fifth and five times. Undefined
 * before two were logged.
 */
export function ownPace(kind: string, logged: readonly LoggedWork[]): number | undefined {
  const ratios = logged
    .filter((w) => w.kind === kind && w.minutes > 0 && w.expected > 0)
    .map((w) => ln(w.minutes / w.expected));
  if (ratios.length < FROM_LOGGED) return undefined;
  const mean = ratios.reduce((a, b) => a + b, 0) / ratios.length;
  return Math.max(0.2, Math.min(5, exp(mean)));
}
