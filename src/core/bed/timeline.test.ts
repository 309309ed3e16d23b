import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { dayOf, isoOf } from '../calendar/day.ts';
import { jobsOf } from '../jobs/jobs.ts';
import { datedPasses } from '../plan/passes.ts';
import { bareDays, type CoverSpan, type PlantingSpan, stripOf } from './timeline.ts';

const crop = (id: string, plantOn: string, clearOn: string, done = true): PlantingSpan => ({
  id,
  bedId: 'b',
  cropId: 'leek',
  plantOn,
  plantedOn: done ? plantOn : null,
  clearOn,
  clearedOn: done ? clearOn : null,
});
const cover = (part: Partial<CoverSpan> = {}): CoverSpan & { verdict: string | null } => ({
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
const [from, to] = [dayOf('2026-06-01'), dayOf('2027-08-01')];

test('a strip has no holes in its data: pieces join from first to last day, whatever the records', () => {
  const day = fc.integer({ min: from - 50, max: to + 50 });
  fc.assert(
    fc.property(fc.array(fc.tuple(day, fc.integer({ min: 1, max: 200 })), { maxLength: 6 }), (spans) => {
      const crops = spans.map(([d, n], i) => crop(`p${i}`, isoOf(d), isoOf(d + n)));
      const strip = stripOf('b', crops, [cover()], from, to);
      expect(strip[0]!.from).toBe(from);
      expect(strip.at(-1)!.to).toBe(to);
      for (let i = 1; i < strip.length; i++) expect(strip[i]!.from).toBe(strip[i - 1]!.to);
    }),
  );
});

test('what is dug in, pulled or raked off leaves open ground from that day: a hole in the cloth', () => {
  const kinds = (passes: [string, string][]) =>
    stripOf(
      'b',
      [],
      [cover({ passes: passes.map(([kind, due]) => ({ kind, due, doneOn: null })) })],
      dayOf('2027-05-01'),
      dayOf('2027-05-20'),
    ).map((s) => [s.kind, isoOf(s.from).slice(5)]);
  expect(
    kinds([
      ['cut', '2027-05-05'],
      ['rake-off', '2027-05-07'],
    ]),
  ).toEqual([
    ['cover', '05-01'],
    ['residue', '05-05'],
    ['bare', '05-07'],
  ]);
  for (const kind of ['dig', 'bury', 'pull'])
    expect(kinds([[kind, '2027-05-05']])).toEqual([
      ['cover', '05-01'],
      ['bare', '05-05'],
    ]);
  expect(kinds([['cut', '2027-05-05']]).at(-1)).toEqual(['residue', '05-05']);
  expect(kinds([['compost-over', '2027-05-05']]).at(-1)).toEqual(['residue', '05-05']);
});
test('a spade opens the ground on the day it was used, not on the day it was planned for', () => {
  const dug = cover({ passes: [{ kind: 'dig', due: '2027-05-05', doneOn: '2027-05-09' }] });
  const strip = stripOf('b', [], [dug], dayOf('2027-05-01'), dayOf('2027-05-20'));
  expect(strip.map((s) => [s.kind, isoOf(s.from)])).toEqual([
    ['cover', '2027-05-01'],
    ['bare', '2027-05-09'],
  ]);
  // Under a sheet that was lifted before, mulch lies until the rake comes.
  const raked = cover({
    passes: [
      { kind: 'lay-sheet', due: '2027-05-01', doneOn: '2027-05-01' },
      { kind: 'lift-sheet', due: '2027-05-08', doneOn: '2027-05-08' },
      { kind: 'rake-off', due: '2027-05-09', doneOn: '2027-05-12' },
    ],
  });
  expect(
    stripOf('b', [], [raked], dayOf('2027-05-01'), dayOf('2027-05-20')).map((s) => [s.kind, isoOf(s.from)]),
  ).toEqual([
    ['sheet', '2027-05-01'],
    ['residue', '2027-05-08'],
    ['bare', '2027-05-12'],
  ]);
});

test('a sheeted cover is woven, then dark, then mulch until planting, and bare days are what is left', () => {
  const strip = stripOf(
    'b',
    [crop('p', '2026-06-01', '2026-09-01'), crop('q', '2027-05-20', '2027-08-01', false)],
    [cover()],
    from,
    to,
  );
  expect(strip.map((s) => [s.kind, s.to - s.from])).toEqual([
    ['crop', 92],
    ['bare', 9],
    ['cover', 212],
    ['sheet', 32],
    ['residue', 8],
    ['crop', 73],
  ]);
  expect(bareDays([strip])).toBe(9);
});

test('jobs follow what was done: sow, then look, then each pass, then the check, then nothing', () => {
  const kinds = (c: ReturnType<typeof cover>, today = '2027-04-01') =>
    jobsOf([], [c], [], dayOf(today)).map((j) => j.kind);
  expect(kinds(cover({ sownOn: null }))).toEqual(['sow']);
  expect(kinds(cover())).toEqual(['look', 'pass', 'pass', 'pass']);
  const done = cover().passes.map((p) => ({ ...p, doneOn: p.due }));
  expect(kinds(cover({ passes: [...done.slice(0, 2), cover().passes[2]!] }))).toEqual(['pass']);
  expect(kinds(cover({ passes: done }))).toEqual(['check']);
  expect(kinds({ ...cover({ passes: done }), verdict: 'dead' })).toEqual([]);
});

test('looks come weekly in the last month before an ending and wait before that', () => {
  const seen = [{ coverId: 'c', on: '2026-11-01' }];
  const look = (today: string, looks: typeof seen) =>
    jobsOf([], [cover()], looks, dayOf(today)).find((j) => j.kind === 'look')!.on;
  expect(look('2026-09-12', [])).toBe('2026-09-20');
  expect(look('2026-12-01', seen)).toBe('2027-03-13');
  expect(look('2027-04-02', [...seen, { coverId: 'c', on: '2027-04-01' }])).toBe('2027-04-08');
});

test('a sheet is lifted on the day by which the slow tenth of years is dead, and never after planting', () => {
  const start = dayOf('2027-04-10');
  const passes = cover().passes.map((p, i) => ({ kind: p.kind, after_d: i < 2 ? 0 : null }));
  const dead = { low: start + 20, mid: start + 25, high: start + 31 };
  expect(
    datedPasses(passes, { startDay: start, dead, method: 'sheet' }, start + 60).map((p) => p.due),
  ).toEqual(['2027-04-10', '2027-04-10', '2027-05-11']);
  expect(
    datedPasses(
      passes,
      { startDay: start, dead: { ...dead, high: Infinity }, method: 'sheet' },
      start + 22,
    )[2]!.due,
  ).toBe('2027-05-02');
});

test('a ley that is mown high lives on: it is woven until the pass that ends it, and looked at until then', () => {
  const mown = ['2027-05-20', '2027-07-01'].map((due) => ({ kind: 'mow-high', due, doneOn: due }));
  const ley = cover({
    passes: [...mown, ...cover().passes.map((p) => ({ ...p, due: p.due.replace('2027', '2028') }))],
    plantBackOn: '2028-05-20',
  });
  const strip = stripOf('b', [], [ley], dayOf('2027-04-01'), dayOf('2028-06-01'));
  expect(strip.map((s) => [s.kind, isoOf(s.to), s.planned])).toEqual([
    ['cover', '2028-04-10', false],
    ['sheet', '2028-05-12', true],
    ['residue', '2028-05-20', true],
    ['bare', '2028-06-01', false],
  ]);
  const look = jobsOf([], [ley], [{ coverId: 'c', on: '2027-07-10' }], dayOf('2027-07-12'));
  expect(look.find((j) => j.kind === 'look')!.on).toBe('2028-03-13');
});
