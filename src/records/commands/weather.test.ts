import { expect, test } from '@jest/globals';
import { dayOf } from '../../core/calendar/day.ts';
import { demoKept, inStore } from '../testStore.ts';
import { type Hands } from '../verbs/verbs.ts';
import { undo } from '../write.ts';
import { addWeather } from './weather.ts';

const kept = demoKept();
const { id } = kept.garden;
let hands: Hands;
inStore(kept, (h) => void (hands = h));
const day = (on: string, rain_mm: number) => ({ day: dayOf(on), tmin_c: 4, tmax_c: 12, rain_mm });
const rain = async () =>
  Object.fromEntries(
    (await hands.db.weather.toArray()).flatMap((w) => w.days.map((d) => [d.on, d.rain_mm] as const)),
  );

test('days from two tabs at the same moment both stay; a day given again is the later word, and undo puts it back', async () => {
  await Promise.all([
    addWeather(hands, id, [day('2031-12-30', 1), day('2031-12-31', 2)]),
    addWeather(hands, id, [day('2031-12-31', 3), day('2032-01-01', 4)]),
  ]);
  const all = await rain();
  expect([all['2031-12-30'], all['2031-12-31'], all['2032-01-01']]).toEqual([1, 3, 4]);
  await undo(hands.db, id);
  const before = await rain();
  expect([before['2031-12-30'], before['2031-12-31'], before['2032-01-01']]).toEqual([1, 2, undefined]);
});
