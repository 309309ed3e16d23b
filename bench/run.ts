import { cpus } from 'node:os';
import { Bench } from 'tinybench';
import {
  allCovers,
  climates,
  crops,
  findWay,
  membersOf,
  methods,
  mixes,
} from '../src/catalogue/catalogue.ts';
import { dayOf } from '../src/core/calendar/day.ts';
import { type ChooseInput, chooseSamples, gapEnsemble, rankSamples } from '../src/core/choose/choose.ts';
import { pickEnding } from '../src/core/choose/pick.ts';
import { answerEndings } from '../src/core/plan/endings.ts';
import { type CourseRoom, growPlan } from '../src/core/plan/grown.ts';
import { answerStand } from '../src/core/plan/standAnswer.ts';
import { viableRate_g_m2 } from '../src/core/seed/rate.ts';
import { siteFromPattern } from '../src/core/site/pattern.ts';
import { makeEnsemble } from '../src/core/stand/ensemble.ts';

/** Speed of the core. Figures are printed with the machine; nothing passes or fails here. */
const YEARS = 200;
const HAND_KIT = new Set(['cut', 'cut-twice', 'crimp', 'crimp-sheet', 'sheet', 'winterkill', 'summerkill']);
const site = siteFromPattern(climates[0]!);
const next = { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' as const };
const soil = { texture: 'loam', fertility: 'fair' } as const;
const way = findWay('raked')!;
const gap = { freeDay: dayOf('2026-09-05'), plantDay: dayOf('2027-05-14'), next };
const members = membersOf(mixes[0]!.members);
const here = methods.map((m) => ({
  ...m,
  minutesPer100m2: 60,
  missing: HAND_KIT.has(m.id) ? [] : ['not at hand'],
}));
const input: ChooseInput = {
  site,
  soil,
  way,
  watered: true,
  gap,
  candidates: allCovers(),
  methods: here,
  bed: { familiesBefore: [], troubles: [], shade: 'open' },
  keepsSafe: [],
  hazards: {},
  years: YEARS,
};
const ensemble = gapEnsemble(input);
const plan = {
  members,
  seed_g_m2: viableRate_g_m2(members, 1),
  way,
  soil,
  watered: true,
  sownAt: 35,
  freeAt: 35,
  plantAt: gap.plantDay - ensemble.fromDay,
  next,
};
const room: CourseRoom = new Map();
const usable = here.filter((m) => m.missing.length === 0);
const wholePlan = () => {
  const grown = growPlan(plan, ensemble, YEARS, room);
  return answerStand(grown, pickEnding(answerEndings(grown, usable.slice(0, 1))));
};
const samples = [...chooseSamples(input, ensemble)];

const bench = new Bench({ time: 1500, iterations: 3, warmup: true, warmupIterations: 2 });
bench
  .add(
    `weather of ${YEARS} seasons of ${ensemble.days} days`,
    () => void makeEnsemble(site, gap.freeDay, ensemble.days, YEARS, 1),
  )
  .add(
    `growing one plan of two species over ${YEARS} years`,
    () => void growPlan(plan, ensemble, YEARS, room),
  )
  .add(
    `one plan over ${YEARS} years, grown, ended one way on its best date, and answered`,
    () => void wholePlan(),
  )
  .add('first sample of a gap, weather included', () => void chooseSamples(input).next())
  .add(`half of a gap (one worker of two): ${input.candidates.length / 2} covers, ${YEARS} years`, () => {
    const half = { ...input, candidates: input.candidates.filter((_, i) => i % 2 === 0) };
    for (const sample of chooseSamples(half)) void sample;
  })
  .add('a change of aims', () => void rankSamples(samples, [{ id: 'feed', strands: 3 }]));
await bench.run();
console.log(`${cpus()[0]?.model}, ${cpus().length} cores, Node ${process.version}`);
for (const t of bench.tasks) {
  const ms = 'latency' in t.result ? t.result.latency.mean : Number.NaN;
  console.log(`${t.name}: ${ms.toFixed(2)} ms`);
  const least = 'latency' in t.result ? t.result.latency.min : Number.NaN;
  console.log(`  at best ${least.toFixed(2)} ms`);
  if (t.name.startsWith('growing'))
    console.log(
      `  ${((YEARS * ensemble.days * members.length) / ms / 1000).toFixed(1)} million plant-days a second`,
    );
}
// Buffers of what ran before are let go of late: wait for them, or they would be counted as less than nothing.
for (let i = 0; i < 4; i++) {
  wholePlan();
  globalThis.gc?.();
  await new Promise((resolve) => setTimeout(resolve, 300));
}
const before = process.memoryUsage();
wholePlan();
const after = process.memoryUsage();
const bytes = after.heapUsed - before.heapUsed + after.arrayBuffers - before.arrayBuffers;
console.log(`bytes allocated by one plan, rooms reused: ${Math.round(bytes / 1000)} kB`);
