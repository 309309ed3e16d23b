import { describe, expect, test } from '@jest/globals';
import { dayOf } from '../../core/calendar/day.ts';
import { type CameOf } from '../../core/learn/came.ts';
import { METRIC } from '../../core/units/show.ts';
import type { Cover } from '../../records/types.ts';
import { cropAfterWords, endPairs, nextTimeWords, pairOf } from './cameWords.ts';

const NONE = { rate: 0, age: 0, way: 0, date: 0, warmth: 0, rain: 0, rest: 0 };
const came = (part: Partial<CameOf>, causes: Partial<CameOf['causes']> = {}): CameOf => ({
  what: 'flower',
  expected: { low: dayOf('2027-05-10'), mid: dayOf('2027-05-15'), high: dayOf('2027-05-21') },
  seen: dayOf('2027-05-24'),
  causes: { ...NONE, ...causes },
  weather: { warmer_c: 0, rainTimes: 1 },
  ...part,
});

describe('what came in words', () => {
  test('causes stand by their size, with the weather against the usual; what is under a day and a half is not named', () => {
    const c = came(
      { weather: { warmer_c: -1.24, rainTimes: 0.4 } },
      { date: 2, warmth: 6, rain: -3, age: 1.4, rest: -1.4 },
    );
    expect(pairOf(c, METRIC).why).toBe(
      '1.2 °C colder than usual: 6 d later; drier, 40 % of the usual rain: 3 d sooner; the day it was sown: 2 d later',
    );
    const us = pairOf(came({ weather: { warmer_c: 2, rainTimes: 1.5 } }, { warmth: -4, rain: 2 }), {
      ...METRIC,
      temperature: 'fahrenheit',
    });
    expect(us.why).toBe('3.6 °F warmer than usual: 4 d sooner; wetter, 150 % of the usual rain: 2 d later');
    expect(pairOf(came({}, { way: 4 }), METRIC).why).toBe('the way it was sown: 4 d later');
    expect(pairOf(came({}), METRIC).why).toBe('');
    // As warm as usual in all, and not when it was wanted.
    expect(pairOf(came({ weather: { warmer_c: -0.4, rainTimes: 1.09 } }, { warmth: 5 }), METRIC).why).toBe(
      'the weeks in which it was warm: 5 d later',
    );
  });
  test('weeds are called few, some and many, and a cause by its share of full weeds', () => {
    const c = came(
      { what: 'weeds', expected: { low: 0.05, mid: 0.2, high: 0.5 }, seen: 0.7 },
      { rest: 0.43, date: 0.049 },
    );
    const { title, show, low, mid, high, seen, why } = pairOf(c, METRIC);
    expect([title, ...[low, mid, high, seen].map(show)]).toEqual(['Weeds', 'few', 'some', 'many', 'many']);
    expect([0.1, 0.325, 0.7].map(show)).toEqual(['few', 'some', 'many']);
    expect(why).toBe('kind, ground, hand or chance: 43 % of full weeds more');
  });
  test('bulk is told by area; a twentieth of what was expected is not named', () => {
    const bulk = (rain: number, mid = 400) =>
      pairOf(came({ what: 'bulk', expected: { low: 300, mid, high: 500 }, seen: 370.4 }, { rain }), METRIC);
    expect(bulk(0).show(370.4)).toBe('370 g/m²');
    expect(bulk(-21).why).toBe('the weeks in which it rained: 21 g/m² less');
    expect(bulk(-19).why).toBe('');
    expect(bulk(-9, 100).why).toBe('');
  });
});

describe('the end beside what was predicted', () => {
  const cover = (part: object) =>
    ({
      verdict: 'dead',
      endedOn: '2027-05-14',
      passes: [{ kind: 'cut', due: '2027-05-01', doneOn: '2027-05-06' }],
      predicted: {
        startOn: '2027-05-01',
        dead: { low: '2027-05-06', mid: '2027-05-08', high: '2027-05-12' },
        ready: { low: '2027-05-16', mid: null, high: '2027-05-24' },
      },
      ...part,
    }) as unknown as Cover;
  const told = (c: Cover, planted: string | null = null) =>
    endPairs(c, planted).map((p) => [p.title, p.show(p.mid), p.show(p.seen), p.why]);
  const LATE = 'the day its ending was begun: 5 d later';
  test('dead and planted, with the days by which it was begun late', () => {
    expect(told(cover({}))).toEqual([['Dead', '8 May', '14 May', LATE]]);
    expect(told(cover({}), '2027-05-20')[1]).toEqual(['Ready, planted', '16 May', '20 May', LATE]);
    const onTime = cover({ passes: [{ kind: 'cut', due: '2027-05-01', doneOn: '2027-05-02' }] });
    expect(told(onTime)[0]![3]).toBe('');
  });
  test('nothing of what was not predicted, is not known, or is alive', () => {
    expect(told(cover({ predicted: null }), '2027-05-20')).toEqual([]);
    expect(told(cover({ verdict: 'grew-again' }))).toEqual([]);
    expect(told(cover({ endedOn: null }))).toEqual([]);
    const never = { ...cover({}).predicted!, dead: { low: null, mid: null, high: null } };
    expect(told(cover({ predicted: never }))).toEqual([]);
  });
});

test('the crop after it stands beside the middle of the others', () => {
  expect(cropAfterWords({ kg_m2: 2.54, others: [] }, METRIC)).toBe(
    '2.5 kg/m²; no other of its kind was weighed here',
  );
  expect(cropAfterWords({ kg_m2: 2.54, others: [3] }, METRIC)).toBe(
    '2.5 kg/m²; the other one that was weighed brought 3.0 kg/m²',
  );
  expect(cropAfterWords({ kg_m2: 1, others: [3, 1, 2] }, { ...METRIC, mass: 'imperial' })).toBe(
    '0.20 lb/ft²; the middle of the other 3 that were weighed is 0.41 lb/ft²',
  );
});

test('a lesson is a line that a gardener might write', () => {
  const words = (['throw-it-all', 'test-seed', 'water', 'sow-thicker'] as const).map((code) =>
    nextTimeWords({ code }),
  );
  expect(new Set(words).size).toBe(4);
  for (const w of words) expect(w).toMatch(/^[A-Z].*\.$/);
  expect(nextTimeWords({ code: 'sow-sooner', days: 8 })).toBe('Sow 8 days sooner.');
  expect(nextTimeWords({ code: 'end-sooner', days: 5 })).toBe('Begin its end 5 days sooner.');
});
