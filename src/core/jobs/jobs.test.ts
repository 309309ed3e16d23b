import { describe, expect, test } from '@jest/globals';
import { type CoverSpan, isUnknown, type PlantingSpan, stripOf, unknownDays } from '../bed/timeline.ts';
import { dayOf } from '../calendar/day.ts';
import { byUrgency, jobsOf } from './jobs.ts';

const crop = (part: Partial<PlantingSpan> = {}): PlantingSpan => ({
  id: 'p',
  bedId: 'b',
  cropId: 'leek',
  plantOn: '2027-05-20',
  plantedOn: null,
  clearOn: '2027-09-20',
  clearedOn: null,
  ...part,
});
type Cover = CoverSpan & { verdict: string | null; nextPlantingId?: string | null };
const cover = (part: Partial<Cover> = {}): Cover => ({
  id: 'c',
  bedId: 'b',
  sowOn: '2026-09-10',
  sownOn: '2026-09-10',
  method: 'sheet',
  passes: [
    { kind: 'flatten', due: '2027-04-10', doneOn: null },
    { kind: 'lay-sheet', due: '2027-04-10', doneOn: null },
    { kind: 'lift-sheet', due: '2027-05-12', doneOn: null },
  ],
  endedOn: null,
  plantBackOn: '2027-05-20',
  verdict: null,
  ...part,
});
const kinds = (plantings: PlantingSpan[], covers: Cover[], today: string) =>
  jobsOf(plantings, covers, [], dayOf(today)).map((j) => `${j.refId}:${j.kind}`);

describe('a job whose time has passed because the record moved on', () => {
  test('a crop planned for May is not called for once another stands there, or a cover was sown', () => {
    expect(kinds([crop()], [], '2027-06-01')).toEqual(['p:plant']);
    const other = crop({ id: 'q', plantOn: '2027-05-25', plantedOn: '2027-05-25' });
    expect(kinds([crop(), other], [], '2027-06-01')).toEqual(['q:clear']);
    expect(kinds([crop()], [cover({ sownOn: '2027-05-28', passes: [] })], '2027-06-01')).toEqual(['c:look']);
  });
  test('a crop is cleared when the next was planted, or a cover was sown after its clearing day; one sown before grows under it', () => {
    const stands = crop({ plantOn: '2026-05-01', plantedOn: '2026-05-01', clearOn: '2026-09-01' });
    const under = cover({ sownOn: '2026-08-10', passes: [], bedId: 'b' });
    expect(kinds([stands], [under], '2026-08-20')).toContain('p:clear');
    expect(kinds([stands], [cover({ sownOn: '2026-09-10', passes: [] })], '2026-09-12')).toEqual(['c:look']);
  });
  test('a cover is worked no more when the crop after it stands, and is not sown when another was', () => {
    const next = crop({ plantedOn: '2027-05-21' });
    expect(kinds([next], [cover({ nextPlantingId: 'p' })], '2027-06-01')).toEqual(['p:clear']);
    const late = cover({ id: 'd', sownOn: '2026-09-20', passes: [] });
    expect(kinds([], [cover({ sownOn: null }), late], '2026-10-01')).toEqual(['d:look']);
  });
});

describe('this week', () => {
  const on = (today: string) => jobsOf([], [cover()], [], dayOf(today));
  test('what has long passed and nobody logged is asked about, what is a few days late is called for', () => {
    expect(
      on('2027-04-15')
        .filter((j) => j.kind === 'pass')
        .map((j) => j.unsettled),
    ).toEqual([false, false, false]);
    expect(
      on('2027-04-25')
        .filter((j) => j.kind === 'pass')
        .map((j) => j.unsettled),
    ).toEqual([true, true, false]);
    expect(on('2027-04-25').find((j) => j.kind === 'look')!.unsettled).toBe(false);
  });
  test('a step stands on the day the forecast gives it', () => {
    const days = new Map([['c', new Map([[2, dayOf('2027-05-27')]])]]);
    const jobs = jobsOf([], [cover()], [], dayOf('2027-04-11'), days);
    expect(jobs.filter((j) => j.kind === 'pass').map((j) => j.on)).toEqual([
      '2027-04-10',
      '2027-04-10',
      '2027-05-27',
    ]);
  });
  test('a cover is looked at for being dead two weeks after its last step, and not while a step is to come', () => {
    const cut = (...doneOn: (string | null)[]) =>
      cover({ passes: doneOn.map((on) => ({ kind: 'cut', due: '2027-04-10', doneOn: on })) });
    const told = (c: Cover) =>
      jobsOf([], [c], [], dayOf('2027-04-25')).map((j) => [j.kind, j.on, j.unsettled] as const);
    expect(told(cut('2027-04-10', '2027-04-21'))).toEqual([['check', '2027-05-05', false]]);
    expect(told(cut('2027-04-10', null))).toEqual([['pass', '2027-04-10', true]]);
  });
  test('a stand is looked at first on its tenth day; then once its ending is four weeks off, weekly from there, every three weeks where no end is known', () => {
    const look = (today: string, on: string[], part: Partial<Cover> = {}) =>
      jobsOf(
        [],
        [cover(part)],
        on.map((d) => ({ coverId: 'c', on: d })),
        dayOf(today),
      ).find((j) => j.kind === 'look')!.on;
    expect(look('2026-09-12', [])).toBe('2026-09-20');
    expect(look('2026-10-01', ['2026-09-22'])).toBe('2027-03-13');
    expect(look('2027-03-12', ['2027-03-01'])).toBe('2027-03-22');
    expect(look('2027-04-05', ['2027-04-01', '2027-03-20'])).toBe('2027-04-08');
    expect(look('2026-10-01', ['2026-09-22'], { passes: [] })).toBe('2026-10-13');
  });
  test('what cannot wait comes first, and two jobs of one bed and day stand together', () => {
    const jobs = jobsOf(
      [crop({ id: 'x', bedId: 'k', plantOn: '2026-06-01', plantedOn: '2026-06-01', clearOn: '2027-04-01' })],
      [
        cover(),
        cover({ id: 'e', bedId: 'z', passes: [{ kind: 'cut', due: '2027-04-02', doneOn: '2027-04-02' }] }),
      ],
      [{ coverId: 'c', on: '2027-03-25' }],
      dayOf('2027-04-08'),
    );
    const groups = byUrgency(jobs).map((g) => g.map((j) => `${j.refId}:${j.kind}:${j.pass ?? ''}`));
    expect(groups[0]).toEqual(['c:pass:0', 'c:pass:1']);
    expect(groups[1]).toEqual(['c:pass:2']);
    expect(groups.slice(2).flat()).toEqual(['x:clear:', 'e:check:', 'c:look:']);
  });
});

describe('a past that nobody logged', () => {
  const from = dayOf('2027-04-01');
  const now = dayOf('2027-05-01');
  test('is not known: a planned crop, a planned ending; what was logged is, and what lies ahead is a plan', () => {
    const strip = stripOf('b', [crop({ plantOn: '2027-04-20' })], [], from, dayOf('2027-06-01'));
    expect(strip.filter((s) => isUnknown(s, now)).map((s) => [s.kind, s.from])).toEqual([
      ['crop', dayOf('2027-04-20')],
    ]);
    expect(unknownDays([strip], now)).toBe(11);
    const planted = stripOf(
      'b',
      [crop({ plantOn: '2027-04-20', plantedOn: '2027-04-20' })],
      [],
      from,
      dayOf('2027-06-01'),
    );
    expect(unknownDays([planted], now)).toBe(0);
    const ending = stripOf('b', [], [cover()], from, dayOf('2027-06-01'));
    // Sown and logged to 10 April; whether the sheet was laid then nobody said.
    expect(unknownDays([ending], now)).toBe(21);
    expect(isUnknown({ ...ending[0]!, planned: true, from: now, to: now + 5 }, now)).toBe(false);
  });
});

test('a cover that wants water is watered on its day, today at the latest; not before it is sown nor once its ending has begun', () => {
  const today = dayOf('2027-03-20');
  const water = (c: Cover, day: string) =>
    jobsOf([], [c], [], today, new Map(), new Map([['c', dayOf(day)]])).filter((j) => j.kind === 'water');
  expect(water(cover(), '2027-03-25')).toMatchObject([
    { id: 'c:water', on: '2027-03-25', refId: 'c', waits: 'days', unsettled: false },
  ]);
  expect(water(cover(), '2027-03-01')[0]!.on).toBe('2027-03-20');
  expect(water(cover({ id: 'other' }), '2027-03-25')).toEqual([]);
  expect(water(cover({ sownOn: null }), '2027-03-25')).toEqual([]);
  const begun = cover({ passes: [{ kind: 'cut', due: '2027-03-18', doneOn: '2027-03-18' }] });
  expect(water(begun, '2027-03-25')).toEqual([]);
});
