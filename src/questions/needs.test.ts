import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf } from '../core/calendar/day.ts';
import { gapEnsemble, sampleFor } from '../core/choose/choose.ts';
import { type Shift } from '../core/stand/shift.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { forecastInput } from './cover.ts';
import { gapQuestion } from './gap.ts';
import { livedThrough } from './learn.ts';
import { inTheWay } from './needs.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;

describe('what must be asked about before a sowing is logged', () => {
  const cover = c.covers.find((k) => !k.sownOn && k.plantBackOn)!;
  const crop = { ...c.plantings[0]!, bedId: cover.bedId, plantedOn: '2027-03-01', clearedOn: null };
  test('a crop that stands there, a planting that was to come before it, or nothing', () => {
    expect(inTheWay({ cover }, [], '2027-04-14')).toBeNull();
    expect(inTheWay({ cover }, [crop], '2027-04-14')).toBe('crop');
    expect(inTheWay({ cover }, [{ ...crop, clearedOn: '2027-04-10' }], '2027-04-14')).toBeNull();
    expect(inTheWay({ cover }, [{ ...crop, plantedOn: null }], '2027-04-14')).toBeNull();
    expect(inTheWay({ cover }, [{ ...crop, bedId: 'other' }], '2027-04-14')).toBeNull();
    expect(inTheWay({ cover }, [], cover.plantBackOn!)).toBe('late');
  });
});

describe('what the garden has shown reaches every answer, once it is let', () => {
  const shift = (pace: number): Shift => ({
    stageRate: { mean: pace, left: 0.5 },
    growth: { mean: 0, left: 1 },
    emergence: { mean: 0, left: 1 },
    hardiness_c: { mean: 0, left: 1 },
  });
  const learnt = { on: '2027-04-13', covers: 5, shifts: { 'crimson-clover': shift(0.2), '': shift(0.01) } };
  const garden = { ...c.garden, learnt };
  const cover = c.covers.find((k) => k.parts.length === 1 && k.parts[0]!.speciesId === 'crimson-clover')!;
  const bed = c.beds.find((b) => b.id === cover.bedId)!;
  const asked = (g: typeof c.garden, k = cover) =>
    forecastInput(g, bed, k, c.plantings, [], '2027-04-13', 10);
  test('a forecast takes the lesson of its own kind, another the garden’s, and by the book none', () => {
    expect(asked(garden).learnt).toEqual(shift(0.2));
    expect(asked(garden, { ...cover, parts: [{ speciesId: 'phacelia', share: 1 }] }).learnt).toEqual(
      shift(0.01),
    );
    expect(asked(c.garden).learnt).toBeUndefined();
  });
  test('Choose does too: a kind that ripens sooner here flowers sooner there', () => {
    const ask = (g: typeof c.garden) => {
      const question = gapQuestion(
        { ...c, garden: g, bed },
        {
          wayId: 'raked',
          freeDay: dayOf('2027-09-01'),
          plantDay: dayOf('2028-06-10'),
          nextId: 'tomato',
          nextWay: 'transplant',
          aims: [{ id: 'feed', strands: 2 }],
          years: 12,
        },
      );
      const clover = question.candidates.find((k) => k.id === 'crimson-clover')!;
      return sampleFor({ ...clover, sowDay: dayOf('2027-09-01') }, question, gapEnsemble(question));
    };
    const flower = (g: typeof c.garden) => ask(g).stand.stages[0]!.flower.mid;
    expect(flower(garden)).toBeLessThan(flower(c.garden) - 3);
  });
});

test('a cover that frost ended is not asked how much of it stood on the day somebody looked', () => {
  const frosted = c.covers.find((k) => k.method === 'winterkill' && k.verdict === 'dead')!;
  expect(livedThrough(c, frosted, '2027-04-13')!.endDay).toBeNull();
  const cut = c.covers.find((k) => k.id === 'north-shore-cover-3-2024-08')!;
  expect(livedThrough(c, cut, '2027-04-13')!.endDay).toBe(dayOf(cut.passes[0]!.doneOn!));
});
