import { afterAll, describe, expect, test } from '@jest/globals';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answerTo } from '../answer.ts';
import own from './situations.json' with { type: 'json' };

interface Advised {
  situations: {
    id: string;
    holds: boolean;
    expectations: { what: string; holds: boolean }[];
    first: object[];
  }[];
  held: number;
  of: number;
}

const folder = mkdtempSync(join(tmpdir(), 'kilim-'));
afterAll(() => rmSync(folder, { recursive: true }));
let files = 0;
const fileWith = (situations: unknown) => {
  const path = join(folder, `situations ${++files}.json`);
  writeFileSync(path, JSON.stringify({ situations }));
  return path;
};
const with_ = (more: object) => fileWith([{ ...own.situations[0]!, ...more }]);

describe('advice as a good adviser would give', () => {
  test('every expectation of our own situations holds, from the summer gap to the southern summer', () => {
    const file = fileWith(own.situations);
    const answer = JSON.parse(answerTo(['advise', '--file', file, '--years', '6', '--json'])) as Advised;
    const missed = answer.situations.flatMap((s) =>
      s.expectations.filter((e) => !e.holds).map((e) => `${s.id}: ${e.what}`),
    );
    expect(missed).toEqual([]);
    expect([answer.held, answer.of]).toEqual([own.situations.length, own.situations.length]);
    for (const s of answer.situations) expect(s.first).toHaveLength(5);
  });
  test('an expectation that cannot hold is said to be missed: the judge does not nod', () => {
    const [first] = own.situations;
    const impossible = {
      ...first!,
      expect: {
        goodInFirst5: ['velvet-bean'],
        poorInFirst5: ['buckwheat', 'buckwheat-phacelia', 'phacelia'],
        endingsNeverPutForward: ['cut', 'cut-twice', 'cut-plant', 'cut-rake', 'dig', 'bury-raised'],
        firstEnding: { startBefore: '2027-06-11' },
      },
    };
    const text = answerTo(['advise', '--file', fileWith([impossible]), '--years', '20']);
    expect(text.match(/^ {2}missed/gm)!.length).toBeGreaterThanOrEqual(4);
    expect(text).toMatch(/0 of 1 situations hold over 20 years$/);
  });
});

describe('what is wrong with a file is said in one line', () => {
  test.each([
    [
      { next: { crop: 'tomatoe', way: 'transplant' } },
      /summer-gap: next\.crop tomatoe is not known; there are tomato /,
    ],
    [{ site: { pattern: 'cool-maritime', latitude_deg: 80 } }, /latitude_deg 80 must lie between -66 and 66/],
    [{ site: { pattern: 'arctic', latitude_deg: 60 } }, /site\.pattern arctic is not known/],
    [{ freeOn: '2027-08-01', plantOn: '2027-07-01' }, /plantOn 2027-07-01 must come after freeOn 2027-08-01/],
    [{ plantOn: '2027-06-20' }, /are 10 days; a gap has 28 to 500/],
    [{ kit: ['shears', 'laser'] }, /kit laser is not known/],
    [{ aims: { bees: 3 } }, /aims: bees is not known; there are feed /],
    [{ sowing: 'by drone' }, /sowing by drone is not a known way/],
    [{ freeOn: 'soon' }, /freeOn must be a day such as 2026-09-15/],
  ])('%j', (more, words) => {
    let said = '';
    try {
      answerTo(['advise', '--file', with_(more)]);
    } catch (error) {
      said = (error as Error).message;
    }
    expect(said).toMatch(words);
    expect(said).not.toContain('\n');
  });
  test('a missing file, no file and a file of something else', () => {
    expect(() => answerTo(['advise'])).toThrow(/name a file of situations/);
    expect(() => answerTo(['advise', '--file', '/nowhere.json'])).toThrow(/nowhere/);
    expect(() => answerTo(['advise', '--file', 'package.json'])).toThrow(/a list "situations" is missing/);
  });
});

describe('usage', () => {
  test('is told for the whole and for each command', () => {
    expect(answerTo(['--help'])).toContain('kilim advise --file FILE');
    for (const name of ['choose', 'forecast', 'advise', 'calibrate', 'sow'])
      expect(answerTo([name, '--help'])).toMatch(new RegExp(`^kilim ${name} `));
    expect(() => answerTo(['chose'])).toThrow(/there is no command chose/);
  });
  test('choose names an unknown crop, an unknown aim and dates that cross', () => {
    const ask =
      (...more: string[]) =>
      () =>
        answerTo(['choose', 'demo/north-shore.kilim.json', 'R1', ...more]);
    expect(ask('--plant', '2028-05-01', '--from', '2027-09-01', '--next', 'tomatoe')).toThrow(
      /tomatoe is no crop/,
    );
    expect(ask('--plant', '2027-05-01', '--from', '2027-09-01')).toThrow(/must come after 2027-09-01/);
    expect(ask('--plant', '2028-05-01', '--from', '2027-09-01', '--aims', 'fede:3')).toThrow(
      /fede is no aim/,
    );
  });
});
