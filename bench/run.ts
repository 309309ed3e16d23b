import { cpus } from 'node:os';
import { Worker } from 'node:worker_threads';
import { Bench } from 'tinybench';
import { membersOf, mixes } from '../src/catalogue/catalogue.ts';
import { gapEnsemble } from '../src/core/choose/choose.ts';
import { Deal } from '../src/core/choose/deal.ts';
import { chooseAll, roughSamples } from '../src/core/choose/rounds.ts';
import { type Hint, type Sample } from '../src/core/choose/sample.ts';
import { hang, rankSamples } from '../src/core/choose/rank.ts';
import { answerEndings, pickEnding } from '../src/core/plan/endings.ts';
import { type CourseRoom, growPlan } from '../src/core/plan/grown.ts';
import { answerStand } from '../src/core/plan/standAnswer.ts';
import { viableRate_g_m2 } from '../src/core/seed/rate.ts';
import { makeEnsemble } from '../src/core/stand/ensemble.ts';
import { halfOf, input } from './gap.ts';

/** Speed of the core. Figures are printed with the machine; nothing passes or fails here. */
const { gap, site, soil, way, years: YEARS } = input;
const members = membersOf(mixes[0]!.members);
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
  next: gap.next,
};
const room: CourseRoom = new Map();
const usable = input.methods.filter((m) => m.missing.length === 0);
const wholePlan = () => {
  const grown = growPlan(plan, ensemble, YEARS, room);
  const one = usable.slice(0, 1);
  return answerStand(grown, pickEnding(answerEndings(grown, one, 0, input.aims), [one[0]!.id], input.aims));
};
const samples = chooseAll(input, ensemble);

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
  .add('first sample of a gap, weather included', () => void roughSamples(input).next())
  .add(
    `half of a gap on its own, rounds and all: ${halfOf(0).candidates.length} covers, ${YEARS} years`,
    () => {
      void chooseAll(halfOf(0));
    },
  )
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
// The whole gap on two workers at once, as the browser shares it out; the first round also starts and warms them.
const ROUNDS = 16;
const workers = [0, 1].map((k) => new Worker(new URL('./half.mjs', import.meta.url), { workerData: k }));

/** Asks one worker and hears every sample until it is done. */
let asked = 0;
const hearFrom = (w: Worker, hear: (sample: Sample) => void, hint?: Hint) =>
  new Promise<void>((resolve) => {
    const id = ++asked;
    const onMessage = (m: { id: number; done?: boolean; sample?: Sample }) => {
      if (m.id !== id) return;
      if (m.sample) hear(m.sample);
      if (!m.done) return;
      w.off('message', onMessage);
      resolve();
    };
    w.on('message', onMessage);
    w.postMessage({ id, hint });
  });
const EIGHT = 8;
const IN_HAND = 2;
const rounds: { first: number; eight: number; whole: number }[] = [];
let settledOf = 0;
for (let i = 0; i < ROUNDS; i++) {
  const from = performance.now();
  const since = () => performance.now() - from;
  const deal = new Deal(input.aims, YEARS);
  let [first, eight] = [Infinity, Infinity];
  // The first eight kinds on the screen, as they stand at that moment, are all settled.
  const eightStand = () =>
    hang(rankSamples([...deal.found.values()], input.aims))
      .slice(0, EIGHT)
      .every((h) => h.sample.years === YEARS);
  // As the page does.
  await Promise.all(
    workers.map(async (w) => {
      await hearFrom(w, (sample) => {
        first = Math.min(first, since());
        deal.hear(sample);
      });
      const look = (hint: Hint) =>
        hearFrom(
          w,
          (sample) => {
            deal.hear(sample);
            if (eight === Infinity && sample.years === YEARS && eightStand()) eight = since();
          },
          hint,
        );
      await Promise.all(Array.from({ length: IN_HAND }, () => deal.work(look)));
    }),
  );
  settledOf = [...deal.found.values()].filter((s) => s.years === YEARS).length;
  rounds.push({ first, eight, whole: since() });
}
await Promise.all(workers.map((w) => w.terminate()));
const inOrder = (pick: (r: (typeof rounds)[0]) => number) =>
  rounds
    .slice(1)
    .map(pick)
    .sort((a, b) => a - b)
    .map((ms) => ms.toFixed(0));
console.log(
  `whole gap on two workers, ${input.candidates.length} covers, ${settledOf} of them settled on ${YEARS} years, weather included, by round:`,
);
console.log(`  complete: ${inOrder((r) => r.whole).join(', ')} ms (cold: ${rounds[0]!.whole.toFixed(0)} ms)`);
console.log(
  `  first eight settled: ${inOrder((r) => r.eight).join(', ')} ms (cold: ${rounds[0]!.eight.toFixed(0)} ms)`,
);
console.log(
  `  first sample: ${inOrder((r) => r.first).join(', ')} ms (cold: ${rounds[0]!.first.toFixed(0)} ms)`,
);

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
