import { readFileSync } from 'node:fs';
import { dayOf } from '../src/core/calendar/day.ts';
import { dayOfLight } from '../src/core/ground/shade.ts';
import { outlineOf } from '../src/core/ground/shape.ts';
import { learn } from '../src/core/learn/learn.ts';
import { forecastCover } from '../src/core/forecast/forecast.ts';
import { tryEnding } from '../src/core/plan/lastWeeks.ts';
import { standOf } from '../src/core/plan/standing.ts';
import { planRotations } from '../src/core/rotation/rotation.ts';
import { roundsOf } from '../src/core/rounds/rounds.ts';
import { shareOut } from '../src/core/share/share.ts';
import { forecastInput } from '../src/questions/cover.ts';
import { lookedAt } from '../src/questions/learn.ts';
import { rotationQuestion } from '../src/questions/rotation.ts';
import { roundCovers } from '../src/questions/rounds.ts';
import { shareInput } from '../src/questions/share.ts';
import { readGardenFile } from '../src/records/files/gardenFile.ts';

/** Speed of what is asked of a whole garden, on the demo garden: each twice, cold and warm. Nothing passes or fails here. */
const read = readGardenFile(readFileSync(new URL('../demo/north-shore.kilim.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.failure.code);
const c = read.value;
const TODAY = '2027-04-13';
const LATE = '2027-05-10';

function timed(name: string, work: () => unknown): void {
  const ms = [0, 1].map(() => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  console.log(`${name}: ${ms[1]!.toFixed(0)} ms (cold ${ms[0]!.toFixed(0)})`);
}

const covers = roundCovers(c, LATE);
timed(`rounds of ${covers.length} covers`, () => roundsOf(covers, dayOf(LATE)));
timed('shared things, board and proposals', () => {
  for (const part of shareOut(shareInput(c, TODAY))) void part;
});
const cover = c.covers.find((x) => x.id === 'north-shore-cover-7-2026-09')!;
const bed = c.beds.find((b) => b.id === cover.bedId)!;
const asked = forecastInput(c.garden, bed, cover, c.plantings, c.looks, TODAY, 200);
const standing = standOf(asked);
const way = asked.methods.find((m) => m.id === cover.method)!;
let day = dayOf(cover.passes[0]!.due);
timed('a knot moved by a day, 200 years', () => tryEnding(standing, way, day++));
const pressed = { ...cover, passes: cover.passes.map((p, i) => (i === 0 ? { ...p, doneOn: LATE } : p)) };
for (const [name, one] of [
  ['uncut', cover],
  ['pressed once, the second pass to come', pressed],
] as const) {
  const input = forecastInput(c.garden, bed, one, c.plantings, c.looks, '2027-05-12', 200);
  timed(`forecast of a cover over 200 years, ${name}`, () => forecastCover(input));
}
const looked = lookedAt(c, TODAY, 100);
timed(`the garden against the book, ${looked.length} covers over 100 years`, () => learn(looked));
const rotation = rotationQuestion(c, TODAY, 5);
const many = {
  ...rotation,
  beds: Array.from({ length: 24 }, (_, i) => ({
    ...rotation.beds[i % rotation.beds.length]!,
    id: String(i),
  })),
  turns: Array.from({ length: 24 }, (_, i) => rotation.turns[i % rotation.turns.length]!),
  fixed: [],
};
timed('three plans for 24 beds and 5 years', () => planRotations(many));
const sky = { latitude_deg: c.garden.site.latitude_deg, north_deg: 0 };
timed('light of all beds on one day', () =>
  c.beds.map((b) => dayOfLight(outlineOf(b, b.at!), c.garden.marks, sky, 172)),
);
