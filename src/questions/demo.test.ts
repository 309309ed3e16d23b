import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { dayOf } from '../core/calendar/day.ts';
import { stripOf } from '../core/bed/timeline.ts';
import { readGardenFile } from '../records/files/gardenFile.ts';

const gardenOf = (name: string) => {
  const read = readGardenFile(readFileSync(`demo/${name}.kilim.json`, 'utf8'));
  if (!read.ok) throw new Error(`${read.failure.code} ${read.failure.where}`);
  return read.value;
};

describe.each([
  ['north-shore', 3],
  ['two-gums', 1],
])('the made-up garden %s', (name, sheets) => {
  const c = gardenOf(name);
  const today = c.garden.seasonClock!;

  test('asks on no day for more sheets than it has', () => {
    const laid = c.covers.flatMap((k) => {
      const day = (kind: string) => {
        const p = k.passes.find((x) => x.kind === kind);
        return p && dayOf(p.doneOn ?? p.due);
      };
      const [from, to] = [day('lay-sheet'), day('lift-sheet')];
      return from !== undefined && to !== undefined ? [[from, to] as const] : [];
    });
    for (const [from] of laid)
      expect(laid.filter(([a, b]) => a <= from && b > from).length).toBeLessThanOrEqual(sheets);
  });
  test('chose what comes off: what was predicted is kept with every cover, and nearly all of it in time', () => {
    for (const k of c.covers) expect(k.predicted).not.toBeNull();
    const odds = c.covers.map((k) => k.predicted!.inTime);
    expect(odds.filter((o) => o < 0.5).length).toBe(0);
    expect(odds.filter((o) => o >= 0.9).length / odds.length).toBeGreaterThan(0.75);
  });
  test('has measured weather for every day of its history, up to yesterday', () => {
    const days = c.weather.flatMap((w) => w.days.map((d) => dayOf(d.on))).sort((a, b) => a - b);
    expect(days.at(-1)).toBe(dayOf(today) - 1);
    expect(days.at(-1)! - days[0]! + 1).toBe(days.length);
    expect(days.length).toBeGreaterThan(2 * 365);
    for (const k of c.covers) expect(dayOf(k.sownOn ?? k.sowOn)).toBeGreaterThanOrEqual(days[0]!);
  });
  test('what is planned for later is not done, what is done is not later than today', () => {
    for (const k of c.covers) {
      for (const p of k.passes) expect((p.doneOn ?? '') < today).toBe(true);
      expect((k.sownOn ?? '') < today).toBe(true);
    }
  });
});

test('North Shore has a bed that went wrong and was mended, a ley that is mown, hens, and two winters of covers ended', () => {
  const c = gardenOf('north-shore');
  const wrong = c.covers.find((k) => k.formerPlans.some((f) => f.why === 'grew-again'))!;
  expect(wrong.verdict).toBe('dead');
  expect(c.looks.find((l) => l.coverId === wrong.id && l.crowns)!.crowns).toEqual({ green: 6, of: 10 });
  const ley = c.covers.find((k) => k.passes.some((p) => p.kind === 'mow-high'))!;
  const strip = stripOf(ley.bedId, c.plantings, c.covers, dayOf('2026-06-01'), dayOf('2026-12-01'));
  expect(strip.map((s) => s.kind)).toEqual(['cover']);
  expect(c.covers.some((k) => k.passes.some((p) => p.kind === 'hens' && p.doneOn))).toBe(true);
  const ended = c.covers.filter((k) => k.verdict === 'dead').map((k) => k.sownOn!.slice(0, 4));
  for (const year of ['2024', '2025', '2026']) expect(ended).toContain(year);
});

test('what was weighed, carried, tested and tried is in the records of North Shore, a living path in those of Two Gums', () => {
  const shore = gardenOf('north-shore');
  const weighed = shore.looks.filter((l) => l.bulk);
  expect(weighed).toHaveLength(4);
  for (const { bulk } of weighed) {
    // A stand that was worth cutting, fresh: between half a kilogram and eight on a square metre.
    expect(bulk!.fresh_kg / bulk!.area_m2).toBeGreaterThan(0.5);
    expect(bulk!.fresh_kg / bulk!.area_m2).toBeLessThan(8);
  }
  const [answered, open] = shore.garden.trials;
  expect(answered!.plots.every((p) => p.value !== null && p.treatment < 2)).toBe(true);
  expect(open!.plots.every((p) => p.value === null)).toBe(true);
  expect(open!.lookOn > shore.garden.seasonClock!).toBe(true);
  expect(shore.notes.filter((n) => n.tested).map((n) => n.tested!.what)).toContain('humus');
  const gums = gardenOf('two-gums');
  const path = gums.beds.find((b) => b.life)!;
  expect([path.piece!.use, path.life!.what, path.life!.done.length]).toEqual(['path', 'white-clover', 1]);
  // What stands on the bed that was cut stands on its other piece.
  const tank = gums.beds.find((b) => b.piece?.use === 'bed')!;
  expect(gums.plantings.filter((p) => p.bedId === tank.id).map((p) => p.cropId)).toEqual(['broccoli']);
});
