import { describe, expect, test } from '@jest/globals';
import { type Cut, type Ground } from '../core/bed/pieces.ts';
import { dayOf } from '../core/calendar/day.ts';
import { demoKept } from '../records/testStore.ts';
import { besideIn, mowingInput, pathKinds } from './strips.ts';
import { meanOfMonth, workAsk } from './work.ts';

const piece = (id: string, share: [number, number], more: Partial<Cut> = {}): Ground & { piece: Cut } => ({
  id,
  piece: { of: 'bed', from: '2027-03-01', until: null, side: 'along', share, use: 'bed', ...more },
});
const path = piece('path', [0.4, 0.6], { use: 'path' });
const on = dayOf('2027-05-10');
const beside = (...others: Ground[]) => besideIn(path, [path, ...others], on).map((b) => b.id);

describe('what lies beside a path', () => {
  test('the pieces that touch it on either side, and no others', () => {
    const [left, right] = [piece('left', [0.2, 0.4]), piece('right', [0.6, 1])];
    expect(beside(left, right, piece('far', [0, 0.2]), { id: 'whole' })).toEqual(['left', 'right']);
    expect(besideIn({ id: 'whole' } as Ground, [left], on)).toEqual([]);
  });
  test('on the days on which they are pieces, of its own bed, cut the same way', () => {
    const at: [number, number] = [0.6, 1];
    expect(beside(piece('next year', at, { from: '2028-03-01' }))).toEqual([]);
    expect(beside(piece('over', at, { until: '2027-05-10' }))).toEqual([]);
    expect(beside(piece('until tomorrow', at, { until: '2027-05-11' }))).toEqual(['until tomorrow']);
    expect(beside(piece('from today', at, { from: '2027-05-10' }))).toEqual(['from today']);
    expect(beside(piece('other bed', at, { of: 'other' }))).toEqual([]);
    expect(beside(piece('across', at, { side: 'across' }))).toEqual([]);
  });
});

describe('things that a cover has set aside', () => {
  const { garden, beds, covers } = demoKept();
  const cover = covers.find((c) => c.sownOn && c.verdict === null)!;
  const bed = beds.find((b) => b.id === cover.bedId)!;
  const things = (thingIds: string[]) =>
    workAsk(
      garden,
      bed,
      { ...cover, thingIds },
      covers,
      { id: cover.method, passes: [] },
      { startDay: 0, dryMatter_g_m2: { low: 0, mid: 0, high: 0 }, heightAtStart_m: 0, stageAtStart: 0 },
      [],
    );
  test('are those of their kind that the work is laid out with; of other kinds all are there', () => {
    const has = (ids: string[]) => {
      const { sheets, boards, pens } = things(ids);
      return [sheets.map((t) => t.name), boards.map((t) => t.name), pens.map((t) => t.name)];
    };
    expect(has([])).toEqual([['Long sheet', 'Second sheet', 'Short sheet'], ['Board'], ['Hen pen']]);
    expect(has(['short-sheet'])).toEqual([['Short sheet'], ['Board'], ['Hen pen']]);
    expect(has(['board'])).toEqual([['Long sheet', 'Second sheet', 'Short sheet'], ['Board'], ['Hen pen']]);
  });
});

describe('what stands when the work is laid out', () => {
  const { garden, beds, covers } = demoKept();
  const cover = { ...covers.find((c) => c.parts.length === 2)!, thingIds: [] };
  const bed = beds.find((b) => b.id === cover.bedId)!;
  const spread = { low: 0, mid: 0, high: 0 };
  const never = { low: Infinity, mid: Infinity, high: Infinity };
  const stands = (survives: [number, number]) =>
    workAsk(
      garden,
      bed,
      cover,
      covers,
      { id: 'cut', passes: [] },
      { startDay: 100, dryMatter_g_m2: spread, heightAtStart_m: 0, stageAtStart: 0 },
      cover.parts.map((p, i) => ({
        speciesId: p.speciesId,
        up: spread,
        bud: never,
        flower: never,
        milk: never,
        seed: never,
        survives: survives[i]!,
      })),
    ).stand.length;
  test('is every kind of which a tenth still lives, and none that is hardly there', () => {
    expect([stands([1, 1]), stands([0.1, 1]), stands([0.09, 1]), stands([0, 0.05])]).toEqual([2, 2, 1, 0]);
  });
});

test('a living path is of kinds that live for years', () => {
  expect(pathKinds.map((s) => s.id)).toEqual(expect.arrayContaining(['white-clover', 'red-clover']));
  expect(pathKinds.some((s) => ['buckwheat', 'cereal-rye', 'hairy-vetch'].includes(s.id))).toBe(false);
});

describe('what is asked of a path that is mown', () => {
  const kept = demoKept();
  const bed = {
    ...kept.beds[0]!,
    piece: { ...path.piece, of: 'bed' },
    life: { what: 'white-clover', since: '2026-04-10', years: 3, low_cm: null, hole_m: null, done: [] },
  } as unknown as Parameters<typeof mowingInput>[0];
  const day = (on: string) => ({ on, tmin_c: 4, tmax_c: 15, rain_mm: 1 });
  const asked = (done: { kind: string; on: string }[] = []) =>
    mowingInput(
      { ...bed, life: { ...bed.life!, done } } as typeof bed,
      {
        ...kept,
        weather: [
          {
            ...kept.weather[0]!,
            days: ['2026-09-11', '2026-09-12', '2027-05-10', '2027-05-11', '2027-05-14'].map(day),
          },
        ],
      },
      '2027-05-10',
      20,
    )!;
  test('the measured days of its season so far, and those that lie ahead', () => {
    expect(asked().observed!.map(([d]) => d)).toEqual(['2026-09-12', '2027-05-10'].map(dayOf));
    expect(asked().ahead!.map(([d]) => d)).toEqual(['2027-05-11', '2027-05-14'].map(dayOf));
  });
  test('it grows from its sowing through every mowing until today; what lies ahead is no mowing yet, and straw is none', () => {
    expect(asked()).toMatchObject({ sownOn: dayOf('2026-04-10'), mownOn: [] });
    const mown = ['2027-04-20', '2027-05-02', '2027-05-20'].map((on) => ({ kind: 'mow', on }));
    expect(asked(mown).mownOn).toEqual(['2027-04-20', '2027-05-02'].map(dayOf));
    expect(asked([{ kind: 'straw', on: '2027-05-05' }]).mownOn).toEqual([]);
  });
});

test('the warmth of a month is that of the month a day lies in, by the normals of the site', () => {
  const { site } = demoKept().garden;
  const of = (iso: string) => meanOfMonth(site, dayOf(iso));
  expect([of('2027-01-31'), of('2027-02-01'), of('2028-12-31')]).toEqual(
    [0, 1, 11].map((m) => (site.tmax_c[m]! + site.tmin_c[m]!) / 2),
  );
});
