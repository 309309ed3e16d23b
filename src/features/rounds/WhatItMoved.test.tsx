import { describe, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { dayOf } from '../../core/calendar/day.ts';
import { type Question } from '../../core/rounds/question.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { type Pick } from './pick.ts';
import { type Standpoint, WhatItMoved } from './WhatItMoved.tsx';

const kept = demoGarden();
const cover = kept.covers.find((c) => c.method === 'crimp' && c.verdict === null && !c.passes[0]!.doneOn)!;
const d = dayOf;
const at = (part: Partial<Standpoint> = {}): Standpoint => ({
  method: 'crimp',
  from: d('2027-05-04'),
  to: d('2027-05-12'),
  odds: 0.83,
  ready: d('2027-05-20'),
  years: 120,
  of: 200,
  cover: [0.5, 0.7, 0.9],
  ...part,
});
const question = (kind: Question['kind']): Question => ({
  kind,
  minutes: 1,
  why: { is: 'worth', worth: { widthNow_d: 9, widthAfter_d: 3 } } as never,
});
const show = (
  kind: Question['kind'],
  pick: Pick,
  now: Standpoint | undefined,
  before: Standpoint | null = null,
) =>
  renderInGarden(
    <WhatItMoved cover={cover} before={before} now={now} pick={pick} question={question(kind)} />,
    { kept },
  );
const said = () => screen.getByRole('region', { name: 'What it moved' }).textContent!;

describe('what an answer moved', () => {
  test('the days before stand before those of now, each with its odds and the day it is ready', async () => {
    const before = at({ from: d('2027-04-28'), to: d('2027-05-16'), odds: 0.6, ready: d('2027-05-25') });
    await show('stage', { stage: 'bud' }, at(), before);
    expect(screen.getByRole('heading', { name: 'The days to crimp' })).toBeTruthy();
    const told = [...document.querySelectorAll('dl > div')].map((x) => x.textContent);
    expect(told).toEqual([
      'before28 Apr to 16 May, 60 of 100 in time, ready 25 May',
      'now4 May to 12 May, 83 of 100 in time, ready 20 May',
    ]);
    // Today is 13 April.
    expect(said()).toMatch(/Wait: 21 days until the first good day\.$/);
  });
  test('cover is held against what was expected: ahead, behind, or as most years', async () => {
    for (const [seen, words] of [
      [0.95, '95 covered, 70 expectedAhead of nine years in ten.'],
      [0.4, '40 covered, 70 expectedBehind nine years in ten.'],
      [0.9, '90 covered, 70 expectedAs most years: 50 to 90.'],
      [0.5, '50 covered, 70 expectedAs most years: 50 to 90.'],
    ] as const) {
      const { unmount } = await show('cover', { cover: seen }, at({ cover: [0.1, 0.2, 0.3] }), at());
      expect(said()).toContain(words);
      unmount();
    }
  });
  test('that hardly any year fits is said, and that the days have come', async () => {
    await show('stage', { stage: 'flower' }, at({ years: 25, from: d('2027-04-14'), to: d('2027-04-20') }));
    expect(said()).toMatch(/Hardly any plausible year looks like that\. Look once more/);
    expect(said()).toMatch(/The days to end it have come\./);
    expect(screen.getByRole('link', { name: 'End it' }).getAttribute('href')).toBe(
      `/cover/${cover.id}/terminate`,
    );
  });
  test('before the forecast is there it is awaited; days that have gone by ask for nothing', async () => {
    const waiting = await show('stage', { stage: 'bud' }, undefined);
    expect(screen.getByRole('status').textContent).toBe('Working out what it moves…');
    waiting.unmount();
    await show('stage', { stage: 'bud' }, at({ years: 26, from: d('2027-03-01'), to: d('2027-04-12') }));
    expect(said()).not.toMatch(/Hardly|Wait:|have come/);
  });
});

describe('what it means today', () => {
  test.each<[Question['kind'], Pick, RegExp]>([
    ['crowns', { green: 3 }, /3 of ten live on\.What now\?$/],
    ['peek', { green: 0 }, /Soft right through: it can come off once all three corners agree/],
    ['peek', { green: 1 }, /Not yet: look again in five days/],
    ['seed', { seed: 'some' }, /Seed is ripening: end it this week/],
    ['seed', { seed: 'none' }, /Wait: 21 days/],
    ['alive', { alive: 0 }, /Dead: what lies will rot from now on/],
    ['alive', { alive: 4 }, /Wait: 21 days/],
  ])('%s, %j', async (kind, pick, words) => {
    await show(kind, pick, at());
    expect(said()).toMatch(words);
  });
  test('plants in a frame are told on a square metre, as a share of the living seed, and thin is said', async () => {
    const few = await show('frame', { plants: 2 }, at());
    expect(said()).toMatch(/8 plants on a square metre, \d+ % of the living seed\. That is thin/);
    expect(screen.getByRole('link', { name: 'Gaps and seed for them' })).toBeTruthy();
    few.unmount();
    await show('frame', { plants: 40 }, at());
    expect(said()).toMatch(/160 plants on a square metre, 100 % of the living seed\.$/);
  });
});
