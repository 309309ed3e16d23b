import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { gapAsSaid, nextGap } from './gapAsSaid.ts';

const read = readGardenFile(readFileSync('demo/north-shore.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;
const TODAY = '2027-04-13';
const bed = (name: string) => c.beds.find((b) => b.name === name)!;

describe('a gap as it is said', () => {
  const free = dayOf('2027-07-05');
  test('goes by what is planned, then by what was said, and asks with both', () => {
    const planned = gapAsSaid(c, bed('8'), free);
    expect(planned.question!.gap).toMatchObject({ freeDay: free, plantDay: dayOf(planned.plantOn) });
    expect(planned.question!.aims).toEqual(planned.offeredAims.map(({ id, strands }) => ({ id, strands })));
    const said = gapAsSaid(c, bed('8'), free, {
      free: '2027-07-12',
      nextId: 'leek',
      plantOn: '2027-09-20',
      aims: [{ id: 'flowers', strands: 3 }],
    });
    expect(said.question!.gap).toMatchObject({
      freeDay: dayOf('2027-07-12'),
      plantDay: dayOf('2027-09-20'),
      next: { id: 'leek' },
    });
    expect(said.question!.aims).toEqual([{ id: 'flowers', strands: 3 }]);
    expect([said.offer, said.offeredAims]).toEqual([undefined, []]);
  });
  test('is none where it is too short, too long or no day at all, and nothing is asked', () => {
    const until = (plantOn: string) => gapAsSaid(c, bed('8'), free, { plantOn }).question;
    expect(until(isoOf(free + 27))).toBeNull();
    expect(until(isoOf(free + 28))).not.toBeNull();
    expect(until(isoOf(free + 500))).not.toBeNull();
    expect(until(isoOf(free + 501))).toBeNull();
    expect(until('2027-02-30')).toBeNull();
    expect(gapAsSaid(c, bed('8'), free, { free: 'soon' }).question).toBeNull();
  });
  test('water is asked about where there is a hose, and given only where somebody says so or it is dry', () => {
    const kit = (has: boolean) => ({
      ...c,
      garden: { ...c.garden, kit: has ? [...new Set([...c.garden.kit, 'hose' as const])] : [] },
    });
    expect(gapAsSaid(kit(false), bed('8'), free, { irrigated: true })).toMatchObject({
      thirst: undefined,
      irrigated: false,
    });
    const wet = gapAsSaid(kit(true), bed('8'), free);
    expect(wet.irrigated).toBe(wet.thirst!.dry);
    expect(gapAsSaid(kit(true), bed('8'), free, { irrigated: true }).question!.irrigated).toBe(true);
  });
});

describe('the gap that opens first', () => {
  test('is asked for in the very words in which its own bed asks', () => {
    const asked = nextGap(
      c,
      c.beds.filter((b) => !b.piece),
      TODAY,
    )!;
    const own = c.beds
      .filter((b) => !b.piece)
      .map((b) => gapAsSaid(c, b, asked.gap.freeDay).question)
      .map((q) => JSON.stringify(q));
    expect(own).toContain(JSON.stringify(asked));
    // None opens before it that could be asked about.
    for (const b of c.beds.filter((k) => !k.piece)) {
      const q = nextGap(c, [b], TODAY);
      if (q) expect(q.gap.freeDay).toBeGreaterThanOrEqual(asked.gap.freeDay);
    }
  });
  test('is none in a garden without beds', () => expect(nextGap(c, [], TODAY)).toBeNull());
});
