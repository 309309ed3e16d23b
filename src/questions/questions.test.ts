import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { methods } from '../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { gapEnsemble, sampleFor } from '../core/choose/choose.ts';
import { type EndingAnswer } from '../core/plan/answers.ts';
import { USUAL_SEED } from '../core/seed/weight.ts';
import { forecastCover } from '../core/forecast/forecast.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { aheadOf, forecastInput, observedOf } from './cover.ts';
import { bedNotes, gapQuestion } from './gap.ts';
import { methodsHere } from './methods.ts';
import { USUAL_RULES } from './rules.ts';
import { sownArea_m2, weightsOf } from './weights.ts';

test('the ground of a piece was free from the day on which the crop on its whole bed was cleared', () => {
  const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  const c = read.value;
  const cover = c.covers.find((k) => k.bedId === 'north-shore-bed-3' && k.sownOn && k.verdict === null)!;
  const bed = c.beds.find((b) => b.id === cover.bedId)!;
  const ask = (of: typeof bed, k: typeof cover) =>
    forecastInput(c.garden, of, k, c.plantings, c.looks, '2027-04-13', 8).freeDay;
  const whole = ask(bed, cover);
  expect(whole).toBe(dayOf('2026-09-05'));
  const piece = {
    ...bed,
    id: 'piece',
    piece: {
      of: bed.id,
      from: '2027-04-01',
      until: null,
      side: 'along' as const,
      share: [0, 0.5] as [number, number],
      use: 'bed' as const,
    },
  };
  expect(ask(piece, { ...cover, bedId: 'piece' })).toBe(whole);
  expect(
    ask({ ...piece, piece: { ...piece.piece, of: 'another' } }, { ...cover, bedId: 'piece' }),
  ).toBeUndefined();
  // Sown under a crop that was cleared before the bed was cut.
  const crop = c.plantings.find((p) => p.bedId === bed.id)!;
  const under = { ...crop, plantedOn: '2026-06-01', clearedOn: '2026-10-20' };
  const input = forecastInput(c.garden, piece, { ...cover, bedId: 'piece' }, [under], [], '2027-04-13', 8);
  expect(input.cropUntil).toBe(dayOf('2026-10-20'));
});

describe.each(['north-shore', 'two-gums'])('every cover of the demo garden %s', (name) => {
  const read = readGardenFile(readFileSync(`demo/${name}.kilim.json`, 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  const c = read.value;
  const today = c.garden.seasonClock!;
  const covers = c.covers.map((cover) => ({ cover, bed: c.beds.find((b) => b.id === cover.bedId)! }));

  test('is forecast: odds are shares, spreads are in order, ground covered is a share of it', () => {
    for (const { cover, bed } of covers) {
      const f = forecastCover({
        ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, 8),
        observed: observedOf(c.weather, cover, today),
        ahead: aheadOf(c.weather, today),
      });
      for (const e of f.endings) {
        for (const odds of Object.values(e.odds)) {
          expect(odds).toBeGreaterThanOrEqual(0);
          expect(odds).toBeLessThanOrEqual(1);
        }
        for (const s of [e.ready, e.plantable, e.nitrogen_g_m2, e.residue_g_m2, e.dryMatter_g_m2]) {
          expect(s.low).toBeLessThanOrEqual(s.mid);
          expect(s.mid).toBeLessThanOrEqual(s.high);
        }
        expect(e.startDay).toBeGreaterThanOrEqual(dayOf(cover.sownOn ?? cover.sowOn));
      }
      for (const share of f.stand.coverByDay) {
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
      }
    }
  });
  test('has a weight for each of its seeds, and no more ground than its bed', () => {
    for (const { cover, bed } of covers) {
      expect(sownArea_m2(cover, bed)).toBeLessThanOrEqual(bed.area_m2);
      const weights = weightsOf(cover, bed);
      expect(weights.map((w) => w.speciesId)).toEqual(cover.parts.map((p) => p.speciesId));
      for (const w of weights) expect(w.weigh_g).toBeGreaterThan(0);
    }
  });
  test('what a house rule forbids is in the way of every method that uses it, and of no other', () => {
    const free = { ...c.garden, rules: { ...c.garden.rules, noPlastic: false, noDigging: false } };
    const strict = { ...c.garden, rules: { ...c.garden.rules, noPlastic: true, noDigging: true } };
    const before = methodsHere(free);
    const added = methodsHere(strict).filter((m, i) => m.missing.length > before[i]!.missing.length);
    const forbidden = methods.filter((m) => m.uses.includes('plastic') || m.uses.includes('digging'));
    expect(added.map((m) => m.id)).toEqual(forbidden.map((m) => m.id));
    expect(forbidden.map((m) => m.id)).toContain('sheet');
  });
});

describe('one question, one answer', () => {
  const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  const c = read.value;
  const bed = c.beds.find((b) => b.name === 'R1')!;
  const years = 40;
  const freeDay = dayOf('2027-09-08');
  const plantDay = dayOf('2028-05-25');
  const aims = [
    { id: 'feed', strands: 3 },
    { id: 'hold', strands: 2 },
  ];
  const asked = {
    wayId: 'raked',
    freeDay,
    plantDay,
    nextId: 'winter-squash',
    nextWay: 'transplant' as const,
    aims,
    years,
  };
  const empty = { ...c, plantings: [], covers: [], bed };
  const question = gapQuestion(empty, asked);
  const sampleOf = (id: string) =>
    sampleFor(
      question.candidates.find((x) => x.id === id)!,
      question,
      gapEnsemble(question),
    );

  test.each(['rye-vetch', 'crimson-clover', 'oats-pea'])(
    'what Choose says of %s, End it, Look and Plant back say to the day and the odds, soil warmth included',
    (id) => {
      const sample = sampleOf(id);
      const before = {
        ...c.plantings[0]!,
        id: 'before',
        bedId: bed.id,
        clearOn: '2027-09-08',
        clearedOn: null,
      };
      const next = {
        ...before,
        id: 'next',
        cropId: 'winter-squash',
        way: 'transplant' as const,
        plantOn: '2028-05-25',
        plantedOn: null,
        clearOn: '2028-09-25',
      };
      const cover = {
        ...c.covers[0]!,
        id: 'put',
        bedId: bed.id,
        parts: sample.parts,
        aims,
        wayId: 'raked',
        rateTimes: 1,
        weeksLate: 0,
        strips: null,
        walk: null,
        watered: question.watered,
        sowOn: isoOf(sample.sowDay),
        sownOn: null,
        seed: sample.parts.map((p) => ({ speciesId: p.speciesId, ...USUAL_SEED, used_g: null, lotId: null })),
        method: 'cut',
        passes: [],
        nextPlantingId: 'next',
        plantBackOn: '2028-05-25',
        verdict: null,
        endedOn: null,
      };
      const f = forecastCover(forecastInput(c.garden, bed, cover, [before, next], [], '2027-06-01', years));
      const told = (e: EndingAnswer) => [e.method, isoOf(e.startDay), e.odds, isoOf(e.plantable.mid)];
      expect(told(f.best!)).toEqual(told(sample.best!));
      expect(f.best!.odds.warm).toBeLessThanOrEqual(f.best!.odds.inTime);
    },
  );

  test('kept mixes and packets hang with the rest, a packet at the rate on its bag in the shares it is sold in', () => {
    const recipe = {
      id: 'r1',
      gardenId: c.garden.id,
      name: 'Spring packet',
      parts: [
        { speciesId: 'spring-oats', share: 0.5 },
        { speciesId: 'common-vetch', share: 0.5 },
      ],
      ready: true,
      packs: [],
      rate_g_m2: 12,
    };
    const { candidates } = gapQuestion(
      { ...empty, recipes: [recipe, { ...recipe, id: 'r2', ready: false }] },
      asked,
    );
    const packet = candidates.find((x) => x.id === 'own-r1')!;
    // Of what the bag says, nine tenths of 98 % is living seed.
    expect(packet.from).toBe('packet');
    expect(packet.poured_g_m2).toEqual([expect.closeTo(5.292, 6), expect.closeTo(5.292, 6)]);
    const mixed = candidates.find((x) => x.id === 'own-r2')!;
    expect([mixed.from, mixed.poured_g_m2]).toEqual(['mix', undefined]);
    // Half and half by weight, small vetch seed against usual rates: more of the stand is vetch.
    expect(mixed.members[1]!.share).toBeGreaterThan(0.55);
  });

  test('seed on the shelf is known while there is any left; two in turn hang where the bed is raked in', () => {
    const lot = { ...c.lots[0]!, speciesId: 'buckwheat', left_g: 40 };
    const from = (lots: (typeof lot)[]) =>
      gapQuestion({ ...empty, lots }, asked).candidates.find((x) => x.id === 'buckwheat')!.from;
    expect([from([lot]), from([{ ...lot, left_g: 0 }]), from([])]).toEqual(['shelf', undefined, undefined]);
    const long = { ...asked, freeDay: dayOf('2027-06-01') };
    const turns = (wayId: string) =>
      gapQuestion(empty, { ...long, wayId }).candidates.filter((x) => x.first).length;
    expect(turns('raked')).toBeGreaterThan(0);
    expect(turns('standing-crop')).toBe(0);
    const own = gapQuestion(empty, { ...asked, wayId: 'self-sown' }).candidates;
    expect(own.length).toBeGreaterThan(0);
    expect(own.every((x) => x.members.every((m) => m.species.selfSeeding >= 0.4))).toBe(true);
  });

  test('a forecast is asked with the aims, the shade and surface of the bed, and the day the crop before left', () => {
    const cover = { ...c.covers[0]!, bedId: bed.id, sownOn: null, sowOn: '2027-09-20', aims };
    const before = {
      ...c.plantings[0]!,
      bedId: bed.id,
      plantOn: '2027-04-01',
      plantedOn: null,
      clearOn: '2027-09-08',
      clearedOn: null,
    };
    const shady = { ...bed, shade: 'part' as const, surface: 'weedy' as const };
    const f = forecastInput(c.garden, shady, cover, [before], [], '2027-06-01', years);
    expect([f.aims, f.shade, f.surface, f.freeDay]).toEqual([aims, 'part', 'weedy', freeDay]);
    // Ground that lay for most of a year before is no gap of this cover.
    const old = { ...before, clearOn: '2026-12-01' };
    expect(forecastInput(c.garden, bed, cover, [old], [], '2027-06-01', years).freeDay).toBeUndefined();
    // Sown under a crop, it waits for that to leave.
    const under = { ...before, clearOn: '2027-11-01' };
    expect(forecastInput(c.garden, bed, cover, [under], [], '2027-06-01', years).cropUntil).toBe(
      dayOf('2027-11-01'),
    );
  });

  test('families of crops and covers of the last four years are known with their age, older ones forgotten', () => {
    const at = (cropId: string, cleared: string) => ({
      ...c.plantings[0]!,
      id: cropId + cleared,
      bedId: bed.id,
      cropId,
      plantOn: `${Number(cleared.slice(0, 4))}-04-01`,
      plantedOn: `${Number(cleared.slice(0, 4))}-04-01`,
      clearOn: cleared,
      clearedOn: cleared,
    });
    const notes = bedNotes(
      {
        bed,
        plantings: [at('tomato', '2027-09-01'), at('cabbage', '2025-08-01'), at('carrot', '2022-08-01')],
        covers: [
          {
            ...c.covers[0]!,
            bedId: bed.id,
            parts: [{ speciesId: 'phacelia', share: 1 }],
            sowOn: '2024-04-01',
            sownOn: '2024-04-01',
            passes: [],
            endedOn: '2024-07-01',
          },
          {
            ...c.covers[0]!,
            bedId: bed.id,
            parts: [{ speciesId: 'flax', share: 1 }],
            sowOn: '2026-04-01',
            sownOn: null,
            passes: [],
            endedOn: null,
          },
        ],
      },
      freeDay,
      'bush-bean',
    );
    // A crop that leaves within the half year is as good as gone; one that stands for longer is no history yet.
    const standing = (cleared: string) =>
      bedNotes({ bed, plantings: [at('tomato', cleared)], covers: [] }, dayOf('2027-05-01')).families.length;
    expect([standing('2027-09-25'), standing('2027-10-30'), standing('2027-11-02')]).toEqual([1, 1, 0]);
    expect(notes.families).toEqual([
      { family: 'Fabaceae', yearsAgo: 0 },
      { family: 'Solanaceae', yearsAgo: 0 },
      { family: 'Brassicaceae', yearsAgo: 2 },
      { family: 'Boraginaceae', yearsAgo: 3 },
    ]);
  });

  test('many weeds at the last look are a trouble of the bed for a season; what was seen since, or elsewhere, stands against it', () => {
    const cover = { ...c.covers[0]!, id: 'seen', bedId: bed.id, endedOn: null };
    const look = (on: string, weeds: 'few' | 'many', coverId = 'seen') => ({
      ...c.looks[0]!,
      id: on + coverId,
      on,
      weeds,
      coverId,
    });
    const ask = (looks: ReturnType<typeof look>[], day: string, troubles = bed.troubles) =>
      bedNotes({ bed: { ...bed, troubles }, plantings: [], covers: [cover], looks }, dayOf(day)).troubles;
    const many = look('2026-06-01', 'many');
    expect(ask([many], '2026-08-01', [])).toEqual(['annual-weeds']);
    expect(ask([many], '2026-08-01', ['annual-weeds'])).toEqual(['annual-weeds']);
    expect(ask([look('2026-07-01', 'few'), many], '2026-08-01', [])).toEqual([]);
    expect(ask([many], '2027-03-01', [])).toEqual([]);
    expect(ask([many], '2026-05-20', [])).toEqual([]);
    expect(ask([look('2026-06-01', 'many', 'other')], '2026-08-01', [])).toEqual([]);
  });
});

describe('a cover that is lived with', () => {
  const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  const c = read.value;
  const today = c.garden.seasonClock!;
  const cover = c.covers.find(
    (x) => x.method === 'sheet' && x.sownOn && x.passes.every((p) => p.doneOn === null),
  )!;
  const bed = c.beds.find((b) => b.id === cover.bedId)!;
  const ask = (part: Partial<typeof cover>, on = today, looks = c.looks) =>
    forecastInput(c.garden, bed, { ...cover, ...part }, c.plantings, looks, on, 8);
  const due = cover.passes[0]!.due;

  test('a step that is overdue begins today at the earliest, one that is not on its day', () => {
    expect(ask({}).settled).toEqual({ method: 'sheet', startDay: dayOf(due) });
    const late = isoOf(dayOf(due) + 12);
    expect(ask({}, late)).toMatchObject({ settled: { method: 'sheet', startDay: dayOf(late) } });
    expect(ask({}, late).lived).toBeUndefined();
    // What was never sown is not overdue to be ended.
    expect(ask({ sownOn: null }, late).settled!.startDay).toBe(dayOf(due));
  });
  test('what was done goes into the course on its day; what lies comes off when it is dead; looks for frost are no work', () => {
    const passes = cover.passes.map((p, i) => ({ ...p, doneOn: i < 2 ? '2027-04-19' : null }));
    expect(ask({ passes })).toMatchObject({
      settled: { method: 'sheet', startDay: dayOf('2027-04-19') },
      lived: {
        passes: [
          { kind: 'flatten', on: dayOf('2027-04-19'), done: true, whenDead: false },
          { kind: 'lay-sheet', on: dayOf('2027-04-19'), done: true, whenDead: false },
          { kind: 'lift-sheet', done: false, whenDead: true },
        ],
        crowns: [],
      },
    });
    const checked = [{ kind: 'check', due: '2027-02-01', doneOn: '2027-02-02' }];
    const asked = ask({ method: 'winterkill', passes: checked });
    expect([asked.lived, asked.settled]).toEqual([undefined, undefined]);
  });
  test('seen dead counts from its day; some that grew again without a count are three crowns of ten', () => {
    expect(ask({ verdict: 'dead', endedOn: '2027-03-10', passes: [] })).toMatchObject({
      settled: { method: 'sheet', startDay: dayOf('2027-03-10') },
      lived: { deadOn: dayOf('2027-03-10'), passes: [] },
    });
    const passes = cover.passes.map((p) => ({ ...p, doneOn: '2027-04-02' }));
    expect(ask({ verdict: 'regrew', passes }).lived!.crowns).toEqual([
      { day: Math.min(dayOf(today), dayOf('2027-04-16')), green: 3, of: 10 },
    ]);
    const look = {
      ...c.looks[0]!,
      id: 'x',
      coverId: cover.id,
      on: '2027-04-12',
      crowns: { green: 1, of: 20 },
      members: [
        { speciesId: cover.parts.at(-1)!.speciesId, stage: 'bud' as const, alive: null, count: null },
      ],
    };
    const seen = ask({ verdict: 'regrew', passes }, today, [look]);
    expect(seen.lived!.crowns).toEqual([{ day: dayOf('2027-04-12'), green: 1, of: 20 }]);
    expect(seen.looks[0]).toMatchObject({
      day: dayOf('2027-04-12'),
      members: [{ index: cover.parts.length - 1, stage: 'bud' }],
      crowns: { green: 1, of: 20 },
    });
  });
  test('waterings decide while it comes up, added up by day with those of the sowing; later they are no question', () => {
    const walk = { prepared: [], portionsDone: 2, frame_m2: 0.04, counts: [], stopped: null, watered_mm: 12 };
    const waterings = [
      { on: '2027-04-11', mm: 5 },
      { on: '2027-04-11', mm: 3 },
    ];
    const sown = { sownOn: '2027-04-10', walk, waterings };
    expect(ask(sown).waterings).toEqual([
      [dayOf('2027-04-10'), 12],
      [dayOf('2027-04-11'), 8],
    ]);
    expect(ask(sown, '2027-05-25').waterings).toBeUndefined();
    expect(ask({}).waterings).toBeUndefined();
  });
});

test('clear film has a limit of its own: two hot weeks where nothing else was said, whatever a sheet may', () => {
  const cap = (id: string, rules = USUAL_RULES) =>
    methodsHere({ kit: [], rules }).find((m) => m.id === id)!.sheetCap_d;
  expect([cap('clear-film'), cap('sheet'), cap('crimp-sheet')]).toEqual([14, 180, 180]);
  expect(cap('clear-film', { ...USUAL_RULES, filmCap_d: 42, sheetCap_d: 30 })).toBe(42);
});

test('a ley that is mown goes into its years, and its ending begins with the pass that is more than mowing', () => {
  const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  const c = read.value;
  const cover = c.covers.find((k) => k.passes.some((p) => p.kind === 'mow-high'))!;
  const bed = c.beds.find((b) => b.id === cover.bedId)!;
  const mown = cover.passes.filter((p) => p.kind === 'mow-high');
  const ask = (passes: typeof cover.passes, today: string) =>
    forecastInput(c.garden, bed, { ...cover, passes }, c.plantings, [], today, 8);
  const planned = [...mown, { kind: 'flatten', due: '2027-02-24', doneOn: null }];
  const f = ask(planned, '2026-10-01');
  expect(f.settled!.startDay).toBe(dayOf('2027-02-24'));
  expect(f.lived!.passes.map((p) => [p.kind, p.done])).toEqual([
    ...mown.map(() => ['mow-high', true]),
    ['flatten', false],
  ]);
  const begun = ask([...mown, { kind: 'flatten', due: '2027-02-24', doneOn: '2027-03-01' }], '2027-03-05');
  expect(begun.settled!.startDay).toBe(dayOf('2027-03-01'));
});
