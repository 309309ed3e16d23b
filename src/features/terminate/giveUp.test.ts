import { describe, expect, test } from '@jest/globals';
import { methods } from '../../catalogue/catalogue.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { giveUpWords, whyNotWords } from './giveUp.ts';

const units = demoUnits();
function demoUnits() {
  return { area: 'metric', length: 'metric', mass: 'metric', temperature: 'celsius' } as never;
}
const spread = (mid: number) => ({ low: mid, mid, high: mid });
const PLANT = dayOf('2027-05-26');
const way = (method: string, part: Record<string, unknown> = {}): EndingAnswer =>
  ({
    method,
    startDay: dayOf('2027-05-04'),
    odds: { inTime: 0.9, warm: 0.9, dead: 0.9, noSeed: 1 },
    ready: spread(dayOf('2027-05-20')),
    nitrogen_g_m2: spread(6),
    residue_g_m2: spread(300),
    weedsHeld: spread(0.8),
    surviving: 0,
    keeps: 1,
    idle_d: 10,
    gap_d: 200,
    minutesPer100m2: 30,
    serves: { feed: 0.6, smother: 0.8 },
    ...part,
  }) as unknown as EndingAnswer;
const aims: AimStrands[] = [
  { id: 'feed', strands: 3 },
  { id: 'smother', strands: 1 },
];
const best = way('crimp');
const words = (e: EndingAnswer, minutes = 30) =>
  giveUpWords(e, best, aims, units, (x) => (x === best ? 30 : minutes));

describe('what a way gives up against the best', () => {
  test('nothing for the best itself, on about its day', () => {
    expect(words(best)).toBe('best for your aims');
    expect(words(way('crimp', { startDay: best.startDay + 3 }))).toBe('best for your aims');
    expect(words(way('crimp', { startDay: best.startDay + 4 }))).not.toBe('best for your aims');
  });
  test('the aim that loses most, by its strands, in its own figure', () => {
    const hay = way('cut', {
      serves: { feed: 0.3, smother: 0.2 },
      nitrogen_g_m2: spread(3.5),
      weedsHeld: spread(0.2),
    });
    // Three strands of 0.3 against one of 0.6.
    expect(words(hay)).toMatch(/^gives up 2\.5 g\/m² nitrogen$/);
    const weedy = way('cut', { serves: { feed: 0.6, smother: 0.4 }, weedsHeld: spread(0.4) });
    expect(words(weedy)).toBe('gives up 40 % of the weeds held');
  });
  test('odds before aims where they lose more; small differences are not worth a word', () => {
    expect(words(way('cut', { odds: { inTime: 0.6, warm: 0.6, dead: 1, noSeed: 1 } }))).toBe(
      'less sure by 30 years of 100',
    );
    expect(words(way('cut', { serves: { feed: 0.59, smother: 0.8 } }))).toBe('as good');
  });
  test('minutes of work, and ground that lies idle, where all else is alike', () => {
    expect(words(way('cut'), 41)).toBe('11 min more work');
    expect(words(way('cut'), 40)).toBe('as good');
    expect(words(way('cut', { keeps: 0.5 }))).toBe('the ground idle longer');
  });
});

describe('why a way fails', () => {
  const why = (id: string, part: Record<string, unknown>) =>
    whyNotWords({ ending: way(id, part), method: methods.find((m) => m.id === id)! as never }, PLANT);
  const odds = (inTime: number, noSeed = 1) => ({ odds: { inTime, warm: inTime, dead: inTime, noSeed } });
  test('it does not where it is in time in every other year', () => {
    expect(why('cut', odds(0.5))).toBe('');
    expect(why('winterkill', odds(0.5))).toBe('');
  });
  test('by what it waits for, what would live on, seed, or the day', () => {
    expect(why('winterkill', odds(0.49))).toBe('frost does not end it');
    expect(why('summerkill', odds(0.1))).toBe('heat does not end it');
    expect(why('let-seed', odds(0.1))).toBe('does not ripen in time');
    expect(why('cut', { ...odds(0.2), surviving: 0.3 })).toBe('30 of 100 plants would live');
    expect(why('cut', odds(0.2, 0.4))).toBe('sheds seed by then');
    expect(why('cut', { ...odds(0.2), ready: spread(PLANT + 5) })).toBe('too late: ready 31 May');
    expect(why('cut', { ...odds(0.2), ready: spread(PLANT) })).toBe('too late in most years');
  });
});
