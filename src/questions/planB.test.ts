import { expect, test } from '@jest/globals';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { dayOf } from '../core/calendar/day.ts';
import { lookDays } from '../core/work/crowns.ts';
import { planBHere } from './work.ts';

const PLANT = dayOf('2027-08-20');
const spread = (iso: string) => ({ low: dayOf(iso), mid: dayOf(iso), high: dayOf(iso) });
const way = (method: string): EndingAnswer =>
  ({
    method,
    startDay: dayOf('2027-05-04'),
    odds: { inTime: 0.9, warm: 0.9, dead: 0.9, noSeed: 1 },
    dead: spread('2027-05-10'),
    ready: spread('2027-05-14'),
    readyMostly: dayOf('2027-05-16'),
    stageAtStart: 3.5,
    serves: {},
    keeps: 1,
    idle_d: 1,
    gap_d: 100,
    surviving: 0,
  }) as unknown as EndingAnswer;
const decides = (kind: string, doneOn: string | null) =>
  planBHere({ passes: [{ kind, due: '2027-05-04', doneOn }] }, way(kind), [way('cut'), way('dig')], [], {
    plantDay: PLANT,
    today: '2027-05-06',
    mean_c: 15,
    weather: [],
  })!.decideOn;

test('plan B is decided on by the look that is sure after the pass that was made, counted from the day it was made', () => {
  const sure = (looked: Parameters<typeof lookDays>[0]) => lookDays(looked, 15)[1];
  expect(sure('flamed')).not.toBe(sure('cut'));
  expect(decides('flame', '2027-05-05')).toBe(dayOf('2027-05-05') + sure('flamed'));
  expect(decides('cut', '2027-05-05')).toBe(dayOf('2027-05-05') + sure('cut'));
});
