import { cpus } from 'node:os';
import { Bench } from 'tinybench';
import { climates, crops, findWay, membersOf, methods, mixes, species } from '../src/catalogue/catalogue.ts';
import { dayOf } from '../src/core/calendar/day.ts';
import { chooseSamples, rankSamples } from '../src/core/choose/choose.ts';
import { answerEndings, growPlan } from '../src/core/plan/run.ts';
import { viableRate_g_m2 } from '../src/core/seed/rate.ts';
import { siteFromPattern } from '../src/core/site/pattern.ts';
import { makeEnsemble } from '../src/core/stand/ensemble.ts';

/** Speed of the core. Figures are printed with the machine; nothing passes or fails here. */
const site = siteFromPattern(climates[0]!);
const next = { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' as const };
const soil = { texture: 'loam', fertility: 'fair' } as const;
const way = findWay('raked')!;
const gap = { freeDay: dayOf('2026-09-05'), plantDay: dayOf('2027-05-14'), next };
const ensemble = makeEnsemble(site, gap.freeDay, 326, 60, 1);
const members = membersOf(mixes[0]!.members);
const plan = {
  members,
  seed_g_m2: viableRate_g_m2(members, 1),
  way,
  soil,
  watered: true,
  sownAt: 0,
  plantAt: 251,
  next,
};
const here = methods.map((m) => ({ id: m.id, minutesPer100m2: 60, missing: [] }));
const candidates = [
  ...mixes.map((m) => ({ id: m.id, name: m.name, members: membersOf(m.members) })),
  ...species.map((s) => ({ id: s.id, name: s.name, members: membersOf([{ speciesId: s.id, share: 1 }]) })),
];
const input = {
  site,
  soil,
  way,
  watered: true,
  gap,
  candidates,
  methods: here,
  familiesBefore: [],
  keepsSafe: [],
  hazards: {},
  years: 60,
};
const samples = [...chooseSamples(input)];
const ids = methods.map((m) => m.id);

const bench = new Bench({ time: 1500, iterations: 3, warmup: false });
bench
  .add('weather of 60 seasons of 326 days', () => void makeEnsemble(site, gap.freeDay, 326, 60, 1))
  .add('one plan of two species over 60 years', () => void growPlan(plan, ensemble))
  .add(
    'the same with every ending on its best date',
    () => void answerEndings(growPlan(plan, ensemble), ids, {}),
  )
  .add(`a whole gap: ${candidates.length} covers, 60 years`, () => void [...chooseSamples(input)])
  .add('a change of aims', () => void rankSamples(samples, [{ id: 'feed', strands: 3 }]));
await bench.run();
console.log(`${cpus()[0]?.model}, ${cpus().length} cores, Node ${process.version}`);
for (const t of bench.tasks) {
  const ms = 'latency' in t.result ? t.result.latency.mean.toFixed(2) : 'failed';
  console.log(`${t.name}: ${ms} ms`);
}
