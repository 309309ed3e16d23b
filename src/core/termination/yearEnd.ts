import { asFractions } from '../units/shape.ts';
import { type YearEnd } from './plan.ts';

/** How a year goes that has not been looked at: nothing is dead, ready or plantable. */
export const newYearEnd = (): YearEnd => ({
  deadAt: Infinity,
  readyAt: Infinity,
  plantableAt: Infinity,
  endsAt: Infinity,
  surviving: 1,
  stageAtEnd: 0,
  dm_g_m2: 0,
  n_g_m2: 0,
  mellowsFrom: Infinity,
  wait_d20: 0,
});
asFractions(newYearEnd());

/** The same, written over what stood there. */
export function never(out: YearEnd): void {
  out.deadAt = Infinity;
  out.readyAt = Infinity;
  out.plantableAt = Infinity;
  out.endsAt = Infinity;
  out.surviving = 1;
  out.stageAtEnd = 0;
  out.dm_g_m2 = 0;
  out.n_g_m2 = 0;
  out.mellowsFrom = Infinity;
  out.wait_d20 = 0;
}
