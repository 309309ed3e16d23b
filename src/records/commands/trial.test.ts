import { expect, test } from '@jest/globals';
import { type KilimDatabase } from '../db.ts';
import { type Trial } from '../types.ts';
import { type Hands } from '../verbs/verbs.ts';
import { demoKept, inStore } from '../testStore.ts';
import { undo } from '../write.ts';
import { cutIntoPlots, measurePlot, removeTrial, setTrial } from './trial.ts';

let db: KilimDatabase;
let hands: Hands;
const base = demoKept();
const id = base.garden.id;
const trial: Trial = {
  id: 'mine',
  question: 'Crimp or cut?',
  treatments: ['cut', 'crimp'],
  measure: 'green-again',
  unit: 'of 10',
  lookOn: '2027-06-10',
  counts: 2,
  ends: ['wet end', 'tree'],
  drawnOn: '2027-05-01',
  planned: true,
  plots: [0, 1, 1, 0, 0, 1].map((treatment, i) => ({
    bedId: base.beds[0]!.id,
    block: Math.floor(i / 2),
    treatment,
    value: null,
  })),
};

inStore(base, async (h) => {
  hands = h;
  db = h.db;
  await setTrial(hands, id, trial);
});
const mine = async () => (await db.gardens.get(id))!.trials.find((t) => t.id === 'mine');

test('a trial is set beside the others; what is measured stands on its plot alone, and is taken back plot by plot', async () => {
  expect((await db.gardens.get(id))!.trials).toHaveLength(base.garden.trials.length + 1);
  await measurePlot(hands, id, 'mine', 1, 42);
  await measurePlot(hands, id, 'mine', 2, 17);
  expect((await mine())!.plots.map((p) => p.value).slice(0, 4)).toEqual([null, 42, 17, null]);
  await undo(db, id);
  expect((await mine())!.plots.map((p) => p.value).slice(0, 4)).toEqual([null, 42, null, null]);
  await measurePlot(hands, id, 'mine', 1, null);
  expect((await mine())!.plots[1]!.value).toBeNull();
});

test('a plot or a trial that is not there is refused, and nothing is written', async () => {
  const gone = { ok: false, failure: { code: 'trial-gone' } };
  expect(await measurePlot(hands, id, 'mine', trial.plots.length, 1)).toMatchObject(gone);
  expect(await measurePlot(hands, id, 'mine', -1, 1)).toMatchObject(gone);
  expect(await measurePlot(hands, id, 'other', 0, 1)).toMatchObject(gone);
  expect(await measurePlot(hands, 'no-garden', 'mine', 0, 1)).toMatchObject({
    failure: { code: 'garden-gone' },
  });
  expect(await mine()).toEqual(trial);
});

test('a trial that is taken away comes back with its undo', async () => {
  await removeTrial(hands, id, 'mine');
  expect(await mine()).toBeUndefined();
  expect((await db.gardens.get(id))!.trials).toHaveLength(base.garden.trials.length);
  await undo(db, id);
  expect(await mine()).toEqual(trial);
});

test('the bed of a trial is cut into its plots in their order, and each plot lies on its own piece; once', async () => {
  const bed = base.beds[0]!;
  let made = 0;
  hands.newId = () => `new-${++made}`;
  expect((await cutIntoPlots(hands, id, 'mine', '2027-05-05')).ok).toBe(true);
  const pieces = (await db.beds.filter((b) => b.piece?.of === bed.id).toArray()).sort(
    (a, b) => a.order - b.order,
  );
  expect(pieces.map((p) => p.name)).toEqual([1, 2, 3, 4, 5, 6].map((k) => `${bed.name} plot ${k}`));
  const plots = (await db.gardens.get(id))!.trials.find((t) => t.id === 'mine')!.plots;
  expect(plots.map((p) => p.bedId)).toEqual(pieces.map((p) => p.id));
  expect(plots.map((p) => p.treatment)).toEqual([0, 1, 1, 0, 0, 1]);
  expect(pieces.every((p) => p.area_m2 * 6 - bed.area_m2 < 1e-9)).toBe(true);
  await cutIntoPlots(hands, id, 'mine', '2027-05-06');
  expect(await db.beds.filter((b) => b.piece?.of === bed.id).count()).toBe(6);
  const none = await cutIntoPlots(hands, id, 'gone', '2027-05-06');
  expect(!none.ok && none.failure.code).toBe('trial-gone');
});
