import { describe, expect, test } from '@jest/globals';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answerTo } from './answer.ts';

const SHORE = 'demo/north-shore.kilim.json';
const json = <T>(...argv: string[]) => JSON.parse(answerTo(argv)) as T;
const BARE = ['--pattern', 'humid-temperate', '--sow', '2026-09-20', '--years', '30'];

interface Range {
  p10: number;
  median: number;
  p90: number;
}
interface Bare {
  cover: { species: string; share: number; seed_g_m2: number }[];
  emerged: { median: string };
  stages: Record<string, { p10: string; median: string; p90: string } | string>[];
  on: ({ date: string; dryMatter_t_ha: Range } & Record<string, unknown>)[];
}

describe('a cover without a garden', () => {
  test('medians lie inside their ranges, dates run in order, and the same line gives the same answer', () => {
    const line = ['forecast', '--cover', 'cereal-rye:0.4,hairy-vetch:0.6', ...BARE];
    const text = answerTo(line);
    expect(answerTo(line)).toBe(text);
    const ranges: Range[] = [];
    JSON.parse(text, (_, v: unknown) => {
      if (v && typeof v === 'object' && 'p10' in v) ranges.push(v as Range);
      return v;
    });
    expect(ranges.length).toBeGreaterThan(20);
    const at = (x: unknown) => (x === 'never' ? '9999' : x) as number;
    for (const r of ranges) {
      expect(at(r.p10) <= at(r.median)).toBe(true);
      expect(at(r.median) <= at(r.p90)).toBe(true);
    }
    expect(text).not.toMatch(/NaN|null|undefined/);
    const { cover } = JSON.parse(text) as Bare;
    expect(cover.map((c) => [c.species, c.share])).toEqual([
      ['cereal-rye', 0.4],
      ['hairy-vetch', 0.6],
    ]);
  });
  test('a later sowing never flowers earlier, and a higher rate is taken as typed', () => {
    const flower = (sow: string) => {
      const found = /"flower": \{[^}]*"median": "([^"]+)"/.exec(
        answerTo(['forecast', '--cover', 'cereal-rye', ...BARE, '--sow', sow, '--rate', '18']),
      );
      return found![1]!;
    };
    expect(flower('2026-10-25') >= flower('2026-09-05')).toBe(true);
    const { cover } = json<Bare>('forecast', '--cover', 'cereal-rye', ...BARE, '--rate', '18');
    expect(cover[0]!.seed_g_m2).toBe(18);
  });
});

describe('a garden file', () => {
  test('seed: portions add up to the weight, for every cover that is to be sown', () => {
    const all = json<{ cover: string; species: { weigh_g: number; throws_g: number[] }[] }[]>('seed', SHORE);
    expect(all.length).toBeGreaterThan(0);
    for (const { species } of all)
      for (const s of species) expect(s.throws_g.reduce((a, b) => a + b, 0)).toBeCloseTo(s.weigh_g, 0);
    expect(json<object[]>('seed', SHORE, all[0]!.cover)).toEqual([all[0]]);
  });
  test('terminate: surest first, what is in the way named; jobs: soonest first', () => {
    const jobs = json<{ on: string; refId: string; kind: string }[]>('jobs', SHORE);
    expect(jobs.map((j) => j.on)).toEqual(jobs.map((j) => j.on).sort());
    const { refId } = jobs.find((j) => j.kind === 'look')!;
    const ways = json<{ method: string; inTheWay: string[]; odds: { inTime: number } }[]>(
      'terminate',
      SHORE,
      refId,
      '--years',
      '12',
    );
    const odds = ways.map((w) => w.odds.inTime);
    expect(odds).toEqual([...odds].sort((a, b) => b - a));
    expect(ways.some((w) => w.inTheWay.length > 0)).toBe(true);
    expect(ways.find((w) => w.method === 'cut')!.inTheWay).toEqual([]);
    expect(answerTo(['forecast', SHORE, refId, '--years', '12'])).toMatch(/"settled"|"best"/);
  });
  test('sow: a verdict with real days', () => {
    const [first] = json<{ cover: string }[]>('seed', SHORE);
    const today = json<{ verdict: { code: string }; worksUntil: string | null; stand: number }>(
      'sow',
      SHORE,
      first!.cover,
      '--years',
      '20',
    );
    expect(['sow', 'water-first', 'wait', 'hold', 'too-late']).toContain(today.verdict.code);
    expect(today.stand).toBeGreaterThanOrEqual(0);
    expect(today.stand).toBeLessThanOrEqual(1);
    if (today.worksUntil) expect(today.worksUntil).toMatch(/^\d{4}-\d\d-\d\d$/);
  });
  test('choose: best fit first, as many as asked, the sowing day not before the ground is free', () => {
    const top = json<{ fit: number; sow: string; reasons: unknown[] }[]>(
      'choose',
      SHORE,
      '8',
      '--from',
      '2027-08-20',
      '--plant',
      '2028-05-01',
      '--years',
      '6',
      '--top',
      '5',
    );
    expect(top).toHaveLength(5);
    expect(top.map((t) => t.fit)).toEqual(top.map((t) => t.fit).sort((a, b) => b - a));
    for (const t of top) expect(t.sow >= '2027-08-20').toBe(true);
    expect(top[0]!.reasons.length).toBeGreaterThan(1);
  });
});

describe('what is typed wrong is named', () => {
  test.each([
    [['dig'], /kilim choose FILE BED/],
    [['choose', SHORE, 'ninety-nine', '--plant', '2028-05-01'], /no bed ninety-nine; there are 1, 2/],
    [['choose', SHORE, '8', '--from', '2027-08-20', '--plant', '2027-09-01'], /at least 28 days/],
    [['choose', SHORE, '8', '--plant', 'May'], /--plant must be a day such as 2026-09-15, not May/],
    [['choose', SHORE, '8', '--plant', '2028-05-01', '--next', 'tulip'], /--next tulip is no crop/],
    [['forecast', SHORE, 'nothing'], /no cover nothing; there are /],
    [['forecast', '--cover', 'rye', ...BARE], /no known species: "rye"/],
    [['forecast', '--cover', 'cereal-rye', ...BARE, '--rate', '3,4'], /one figure in g\/m² for each species/],
    [['forecast', '--cover', 'cereal-rye', '--sow', '2026-09-01'], /give --site FILE or --pattern, one of/],
    [['calibrate', '--only', 'T99'], /no target T99; there are T01/],
  ])('%j', (argv, words) => {
    expect(() => answerTo(argv)).toThrow(words);
  });
  test('years must be a whole number', () => {
    expect(() => answerTo(['forecast', '--cover', 'cereal-rye', ...BARE, '--years', '0'])).toThrow(
      /1 to 5000/,
    );
  });
  test('one calibration target prints a line a figure and a tally', () => {
    const text = answerTo(['calibrate', '--only', 'T01', '--years', '20']);
    expect(text).toMatch(/^T01 +A +flowering +(hit|near|miss)/m);
    expect(text).toMatch(/^A dry matter: [01] of 1 hit$/m);
  });
  test('jobs: a path is mown on the day that its growth gives, film lifted when its years are over', () => {
    const garden = JSON.parse(readFileSync(SHORE, 'utf8')) as { beds: Record<string, unknown>[] };
    const whole = garden.beds.find((b) => b.name === '3')!;
    const strip = (use: string, share: [number, number], life: object) => ({
      ...whole,
      id: use,
      name: `3 ${use}`,
      piece: { of: whole.id, from: '2026-09-01', until: null, side: 'along', share, use },
      life: { since: '2026-09-01', done: [], ...life },
    });
    const folder = mkdtempSync(join(tmpdir(), 'kilim-'));
    const file = join(folder, 'strips.kilim.json');
    const mown = { what: 'white-clover', years: null, done: [{ kind: 'mow', on: '2027-04-10' }] };
    garden.beds.push(strip('path', [0, 0.5], mown), strip('film', [0.5, 1], { what: 'woven', years: 2 }));
    writeFileSync(file, JSON.stringify(garden));
    const jobs = json<{ kind: string; bedId: string; on: string }[]>('jobs', file);
    rmSync(folder, { recursive: true });
    const of = (kind: string) => jobs.find((j) => j.kind === kind)!;
    expect(of('lift')).toMatchObject({ bedId: 'film', on: '2028-09-01' });
    expect(of('mend')).toMatchObject({ bedId: 'film', on: '2027-04-01' });
    // Not four weeks after the last cut, which is said where nobody asked how it grows.
    expect(of('mow').on > '2027-04-20' && of('mow').on < '2027-07-01').toBe(true);
    expect(of('mow').on).not.toBe('2027-05-08');
    expect(jobs.map((j) => j.on)).toEqual(jobs.map((j) => j.on).sort());
  });
});
