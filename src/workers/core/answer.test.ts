import { expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { siteFromPattern } from '../../core/climate/pattern.ts';
import { answer } from './answer.ts';
import { type FromWorker } from './protocol.ts';

const input = {
  site: siteFromPattern(climates[0]!),
  soil: { texture: 'loam', fertility: 'fair' } as const,
  way: findWay('raked')!,
  watered: true,
  gap: {
    freeDay: dayOf('2026-09-08'),
    plantDay: dayOf('2026-12-20'),
    next: { ...crops[0]!, way: 'transplant' as const },
  },
  candidates: ['spring-oats', 'phacelia', 'cereal-rye'].map((id) => ({
    id,
    name: id,
    members: membersOf([{ speciesId: id, share: 1 }]),
  })),
  methods: methods.map((m) => ({ id: m.id, passes: m.passes, minutesPer100m2: 30, missing: [] })),
  aims: [{ id: 'hold', strands: 2 }],
  bed: { families: [], troubles: [], shade: 'open' as const, surface: 'clean' as const },
  keepsSafe: [],
  hazards: {},
  years: 6,
};
const pause = () => Promise.resolve();

test('a question posts a part for each cover, then the whole, as plain data', async () => {
  const said: FromWorker[] = [];
  await answer(
    { type: 'ask', id: 7, kind: 'choose', input },
    (m) => said.push(m),
    () => false,
    pause,
  );
  expect(said.map((m) => m.type)).toEqual(['part', 'part', 'part', 'answer']);
  expect(said.every((m) => m.id === 7)).toBe(true);
  expect(structuredClone(said[3])).toEqual(said[3]);
});

test('the same question gives the same bits twice', async () => {
  const run = async () => {
    const said: FromWorker[] = [];
    await answer(
      { type: 'ask', id: 1, kind: 'choose', input },
      (m) => said.push(m),
      () => false,
      pause,
    );
    return JSON.stringify(said);
  };
  expect(await run()).toBe(await run());
});

test('called off after the first part, it stops and says so', async () => {
  const said: FromWorker[] = [];
  await answer(
    { type: 'ask', id: 2, kind: 'choose', input },
    (m) => said.push(m),
    () => said.length >= 1,
    pause,
  );
  expect(said.map((m) => m.type)).toEqual(['part', 'cancelled']);
});

test('a question that breaks the core comes back as a failure with its words, not as a lost worker', async () => {
  const said: FromWorker[] = [];
  await answer(
    { type: 'ask', id: 3, kind: 'choose', input: { ...input, site: null as never } },
    (m) => said.push(m),
    () => false,
    pause,
  );
  expect(said[0]).toMatchObject({ type: 'failed', id: 3, failure: { code: 'core-failed' } });
});
