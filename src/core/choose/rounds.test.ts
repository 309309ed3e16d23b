import { describe, expect, test } from '@jest/globals';
import { type EndingAnswer } from '../plan/answers.ts';
import { nextLooks } from './rounds.ts';
import { type Sample } from './sample.ts';

const aims = [{ id: 'hold', strands: 1 }];
/** A cover that is worth so much, seen on so many years; each is a kind of answer of its own unless a lead is given. */
const seen = (id: string, worth: number, years: number, lead = id): Sample =>
  ({
    id,
    name: id,
    lead,
    parts: [],
    sowDay: 7,
    endings: [
      {
        method: 'cut',
        startDay: 0,
        odds: { inTime: 1, warm: 1, dead: 0, noSeed: 1 },
        serves: { hold: worth },
        minutesPer100m2: 0,
        keeps: 1,
        idle_d: 0,
        gap_d: 200,
      } as unknown as EndingAnswer,
    ],
    best: undefined,
    usable: ['cut'],
    fixed: false,
    factors: [],
    changes: [],
    weeks: [],
    stand: { stand: 1 },
    years,
  }) as unknown as Sample;
/** Worth 0.90, 0.86, 0.82 ... in steps wider than half a margin. */
const row = (n: number, years: number) =>
  Array.from({ length: n }, (_, i) => seen(`k${String(i).padStart(2, '0')}`, 0.9 - 0.04 * i, years));
const told = (samples: Sample[], years = 200) => nextLooks(samples, aims, years).map((h) => [h.id, h.years]);
const settle = (samples: Sample[], upTo: number, years: number) =>
  samples.map((s, i) => (i < upTo ? { ...s, years } : s));

describe('what is looked at again', () => {
  test('first what could be among the first eight, a little longer: to seven hundredths under the eighth and no further; what stands as far above it, at once on all years', () => {
    expect(told(row(20, 10))).toEqual([
      ...['k06', 'k07', 'k08'].map((id) => [id, 30]),
      ...['k00', 'k01', 'k02', 'k03', 'k04', 'k05'].map((id) => [id, 200]),
    ]);
  });
  test('unless another of its kind may yet overtake it: both are looked at a little longer then', () => {
    const asked = told([...row(20, 10), seen('like', 0.84, 10, 'k00'), seen('far', 0.82, 10, 'k00')]);
    expect(asked.filter(([id]) => ['k00', 'like', 'far'].includes(String(id)))).toEqual([
      ['k00', 30],
      ['like', 30],
    ]);
    expect(asked).toContainEqual(['k01', 200]);
  });
  test('then the first eight on all years, and nothing beside them while they keep all hands busy', () => {
    expect(told(settle(row(20, 10), 9, 30))).toEqual(row(8, 0).map((s) => [s.id, 200]));
  });
  test('where few of the eight are left, what comes next is handed out beside them', () => {
    const samples = settle(settle(row(20, 10), 9, 30), 6, 200);
    expect(told(samples)).toEqual([
      ['k06', 200],
      ['k07', 200],
      ['k09', 30],
      ['k10', 30],
      ['k11', 30],
      ['k12', 30],
    ]);
  });
  test('then the rest of the dozen, and what comes within two hundredths of it; then nothing more', () => {
    const eight = settle(settle(row(20, 10), 13, 30), 8, 200);
    expect(told(eight)).toEqual(['k08', 'k09', 'k10', 'k11'].map((id) => [id, 200]));
    expect(told(settle(eight, 12, 200))).toEqual([]);
    const close = [...settle(eight, 12, 200).slice(0, 12), seen('close', 0.45, 30)];
    expect(told(close)).toEqual([['close', 200]]);
  });
  test('one that stands behind another of its kind has only that to overtake', () => {
    const samples = [
      ...settle(row(12, 200), 12, 200),
      seen('like', 0.85, 10, 'k00'),
      seen('far', 0.8, 10, 'k00'),
    ];
    expect(told(samples)).toEqual([['like', 30]]);
  });
  test('what is in other hands is not dealt twice, and is taken to come out as it stands: the next hand goes on behind it', () => {
    const samples = settle(row(20, 10), 9, 30);
    const inHand = new Map(row(8, 0).map((s) => [s.id, 200]));
    const next = nextLooks(samples, aims, 200, inHand).map((h) => [h.id, h.years]);
    expect(next).toEqual(['k09', 'k10', 'k11', 'k12'].map((id) => [id, 30]));
    const all = new Map(row(20, 0).map((s) => [s.id, 200]));
    expect(nextLooks(samples, aims, 200, all)).toEqual([]);
  });
  test('of few years none are left for a round between, and the day found goes with the question', () => {
    expect(told(row(3, 10), 60).every(([, years]) => years === 60)).toBe(true);
    expect(nextLooks(row(1, 10), aims, 40)).toEqual([{ id: 'k00', sowDay: 7, years: 40 }]);
    expect(told([])).toEqual([]);
  });
});
