import { describe, expect, test } from '@jest/globals';
import { allCovers, climates, crops, findWay, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { gapEnsemble } from './choose.ts';
import { Deal } from './deal.ts';
import { type ChooseInput } from './input.ts';
import { hang, rankSamples } from './rank.ts';
import { chooseAll, nextLooks, roughSamples, settleSamples } from './rounds.ts';
import { type Hint } from './sample.ts';

const input: ChooseInput = {
  site: siteFromPattern(climates[0]!),
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: true,
  gap: {
    freeDay: dayOf('2026-09-08'),
    plantDay: dayOf('2027-05-10'),
    next: { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' },
  },
  candidates: allCovers().filter(
    ({ id }, i) => i % 6 === 0 || id === 'winter-tares' || id === 'pearl-millet',
  ),
  methods: methods
    .filter((m) => ['cut', 'crimp', 'sheet', 'winterkill'].includes(m.id))
    .map((m) => ({ id: m.id, passes: m.passes, minutesPer100m2: 40, missing: [] })),
  aims: [
    { id: 'feed', strands: 2 },
    { id: 'hold', strands: 2 },
  ],
  bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
  keepsSafe: [],
  hazards: {},
  years: 60,
};
const ensemble = gapEnsemble(input);
const rough = [...roughSamples(input, ensemble)];

/** Hands that take a different time over every look, so that they come back out of order. */
async function worked(hands: number) {
  const deal = new Deal(input.aims, input.years);
  rough.forEach((s) => deal.hear(s));
  const dealt: Hint[] = [];
  const busy = new Set<string>();
  let most = 0;
  const look = async (hint: Hint) => {
    expect(busy.has(hint.id)).toBe(false);
    busy.add(hint.id);
    most = Math.max(most, busy.size);
    dealt.push(hint);
    for (let i = 0; i <= dealt.length % 3; i++) await new Promise((next) => setImmediate(next));
    for (const s of settleSamples(input, [hint], ensemble)) deal.hear(s);
    busy.delete(hint.id);
  };
  await Promise.all(Array.from({ length: hands }, () => deal.work(look)));
  return { deal, dealt, most };
}
const firstDozen = (samples: typeof rough) =>
  hang(rankSamples(samples, input.aims))
    .slice(0, 12)
    .map(({ sample: s }) => [s.id, s.years, s.best?.method, s.best?.startDay]);

describe('a gap dealt out to many hands', () => {
  test('ends with the same first dozen kinds of answer as one hand that goes round by round', async () => {
    const { deal, dealt, most } = await worked(4);
    expect(most).toBe(4);
    expect(nextLooks([...deal.found.values()], input.aims, input.years)).toEqual([]);
    expect(firstDozen([...deal.found.values()])).toEqual(firstDozen(chooseAll(input, ensemble)));
    expect([deal.done, deal.total]).toEqual([dealt.length, dealt.length]);
  });
  test('one hand alone is dealt the same looks as in rounds', async () => {
    const { deal } = await worked(1);
    expect(firstDozen([...deal.found.values()])).toEqual(firstDozen(chooseAll(input, ensemble)));
  });
  test('hands that are not to go on stop after the look they are at, and those at rest with them', async () => {
    const deal = new Deal(input.aims, input.years);
    rough.forEach((s) => deal.hear(s));
    let looks = 0;
    const goesOn = () => looks < 3;
    const look = () => {
      looks++;
      return new Promise<void>((next) => setImmediate(next));
    };
    await Promise.all(Array.from({ length: 40 }, () => deal.work(look, goesOn)));
    expect(looks).toBe(3);
  });
});

describe('at first sight', () => {
  test('what comes to less than half of the eighth best is told from five years, all else from ten', () => {
    const years = new Map(rough.map((s) => [s.id, s.years]));
    expect(new Set(years.values())).toEqual(new Set([5, 10]));
    // Tender in a winter gap, against what winter carries on.
    expect(['winter-tares', 'pearl-millet'].map((id) => years.get(id))).toEqual([10, 5]);
    const few = hang(rankSamples(rough, input.aims)).map((h) => h.sample.years);
    expect(few.slice(0, 8)).toEqual(Array(8).fill(10));
  });
});
