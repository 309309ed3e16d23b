import { isoOf } from '../core/calendar/day.ts';
import { MODEL_FORM } from '../core/plan/model.ts';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { type Spread } from '../core/random/quantile.ts';
import type { Prediction } from '../records/types.ts';

/** What an answer predicts, in the form in which it is kept with the cover. */
export const predictedOf = (e: EndingAnswer, on: string): Prediction => ({
  on,
  model: MODEL_FORM,
  method: e.method,
  startOn: isoOf(Math.round(e.startDay)),
  inTime: e.odds.inTime,
  dead: daysOf(e.dead),
  ready: daysOf(e.ready),
  dryMatter_g_m2: e.dryMatter_g_m2,
  nitrogen_g_m2: e.nitrogen_g_m2,
});

const daysOf = ({ low, mid, high }: Spread): Prediction['dead'] => {
  const day = (d: number) => (Number.isFinite(d) ? isoOf(Math.round(d)) : null);
  return { low: day(low), mid: day(mid), high: day(high) };
};
