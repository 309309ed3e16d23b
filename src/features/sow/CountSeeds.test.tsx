import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { type Cover, type Walk } from '../../records/types.ts';
import { FRESH_WALK, saveWalk } from '../../records/verbs/seed.ts';
import { weightsOf } from '../../questions/weights.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { CountSeeds } from './CountSeeds.tsx';
import { RanOut } from './RanOut.tsx';

const base = demoGarden();
const bed = {
  ...base.beds.find((b) => b.name === '12')!,
  area_m2: 8,
  width_m: 1,
  length_m: 8,
  obstacles: [],
};
const seed = { germination: 1, hard: 0, purity: 1, coating: 0, used_g: null, lotId: null };
/** Rye thrown alone on 8 m²: a thousand seeds weigh what the catalogue says. */
const planned = (walk: Partial<Walk>, more: Partial<Cover> = {}): Cover => ({
  ...base.covers.find((c) => c.sownOn)!,
  id: 'planned',
  bedId: bed.id,
  parts: [{ speciesId: 'cereal-rye', share: 1 }],
  seed: [{ speciesId: 'cereal-rye', ...seed }],
  sowOn: '2027-09-10',
  sownOn: null,
  passes: [],
  waterings: [],
  nextPlantingId: null,
  strips: null,
  rateTimes: 1,
  weeksLate: 0,
  throws: 2,
  walk: { ...FRESH_WALK, ...walk },
  ...more,
});
const [weight] = weightsOf(planned({}), bed);
const THOUSAND_G = 25;

function OnBed({ what }: { what: 'count' | 'ran-out' }) {
  const { covers, hands, run } = useGarden();
  const cover = covers.find((c) => c.id === 'planned')!;
  const part = {
    cover,
    walk: cover.walk!,
    weights: weightsOf(cover, bed),
    onWalk: (p: Partial<Walk>, label: string) => run(saveWalk(hands, cover.id, p, label)),
  };
  return what === 'count' ? <CountSeeds {...part} /> : <RanOut {...part} bed={bed} />;
}
const show = (what: 'count' | 'ran-out', cover: Cover, lots: typeof base.lots = []) =>
  renderInGarden(<OnBed what={what} />, {
    kept: { ...base, lots, beds: base.beds.map((b) => (b.id === bed.id ? bed : b)), covers: [cover] },
  });

test('seeds in a frame say what was thrown so far, and, once there are three counts, how the next handfuls should be', async () => {
  const frame = 0.04;
  const { user, db } = await show('count', planned({ portionsDone: 1, frame_m2: frame }));
  // Half of the bag is thrown after one of two portions.
  const meant = (weight!.weigh_g / THOUSAND_G) * 1000 * (1 / 8) * 0.5 * frame;
  expect(await screen.findByText(String(Math.round(meant)))).toBeTruthy();
  const twice = Math.round(meant * 2);
  const count = async (n: number) => {
    await user.type(screen.getByLabelText('Seeds in it'), String(n));
    await user.click(screen.getByRole('button', { name: 'Add the count' }));
  };
  await count(twice);
  expect((await screen.findByRole('status')).textContent).toBe('Count twice more, then it says something.');
  await count(twice);
  await screen.findByText(`Counted: ${twice}, ${twice}`, { exact: false });
  await count(twice);
  expect((await screen.findByText(/^Heavy/)).textContent).toMatch(/handfuls \d+ % smaller from here on/);
  expect(screen.getByText(/^Thrown so far:/).textContent).toMatch(/Even\.$/);
  await user.click(screen.getByRole('button', { name: 'Take the last back' }));
  expect(await screen.findByText(/^Count twice more/)).toBeTruthy();
  expect((await db.covers.get('planned'))!.walk!.counts).toEqual([
    { portions: 1, seeds: twice },
    { portions: 1, seeds: twice },
  ]);
});

test('half of what was meant is light; with all thrown the bed is told by its share, and before the first portion nothing is asked', async () => {
  const few = Array.from({ length: 5 }, () => ({ portions: 1, seeds: 3 }));
  const light = await show('count', planned({ portionsDone: 1, counts: few }));
  expect((await screen.findByText(/^Light/)).textContent).toMatch(/% bigger from here on/);
  light.unmount();
  const all = await show(
    'count',
    planned({ portionsDone: 2, counts: few.map((c) => ({ ...c, portions: 2 })) }),
  );
  expect((await screen.findByRole('status')).textContent).toMatch(/^The bed has \d+ % of what was meant\.$/);
  all.unmount();
  await show('count', planned({ portionsDone: 0 }));
  expect(await screen.findByText(/^After the first portion/)).toBeTruthy();
});

test('a bag that was empty at three quarters gives the strip a quarter of a portion from the next, and the rest over the whole bed', async () => {
  const { user, db } = await show('ran-out', planned({ portionsDone: 0 }, { throws: 2 }));
  await user.click(await screen.findByRole('button', { name: 'What now?' }));
  const portion = weight!.weigh_g / 2;
  const said = (await screen.findByText(/^Give/)).textContent!;
  const [strip, rest] = [...said.matchAll(/([\d.]+) g/g)].map((m) => Number(m[1]));
  expect(strip).toBeCloseTo(portion / 4, -0.5);
  expect(rest).toBeCloseTo((portion * 3) / 4, -0.5);
  expect(said).toMatch(/to the last 2 m, then/);
  expect((await db.covers.get('planned'))!.walk!.stopped).toEqual({ reached: 0.75, left_g: 0 });
  await user.click(screen.getByRole('button', { name: 'It is put right' }));
  expect((await db.covers.get('planned'))!.walk!.stopped).toBeNull();
});

test('after the last portion seed comes from the shelf where there is some, else the bare end is marked', async () => {
  const stopped = { portionsDone: 1, stopped: { reached: 0.5, left_g: 0 } };
  const one = planned(stopped, { throws: 1 });
  const marked = await show('ran-out', one);
  expect(await screen.findByText(/^Put a stick at 4 m: beyond it is bare\. It lacks/)).toBeTruthy();
  marked.unmount();
  const lot = { ...base.lots[0]!, id: 'rye', speciesId: 'cereal-rye', left_g: 5000 };
  await show('ran-out', { ...one, seed: [{ ...one.seed[0]!, lotId: 'rye' }] }, [lot]);
  expect(await screen.findByText(/^Weigh [\d.]+ g more from the shelf for the last 4 m\.$/)).toBeTruthy();
});
