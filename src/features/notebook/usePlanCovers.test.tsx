import { expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { useCallback, useState } from 'react';
import { hangCovers, type HungCover, planFrom } from '../../core/rotation/yearsPlan.ts';
import { plantingsFor } from '../../questions/coverPlan.ts';
import { isoOf } from '../../core/calendar/day.ts';
import { useGarden } from '../../ring/garden.tsx';
import { type ToWorker } from '../../workers/core/protocol.ts';
import { cellKey, usePlanCovers } from './usePlanCovers.ts';

const kept = demoGarden();
const beds = [kept.beds[0]!, kept.beds[3]!];
const GRID = [[['carrot'], ['tomato']]];
const YEAR = 2029;

function Shown() {
  const [hung, setHung] = useState<HungCover[]>([]);
  const hang = useCallback(
    (more: HungCover[]) => setHung((there) => hangCovers(planFrom([], [], YEAR, there), more).hung),
    [],
  );
  const covers = usePlanCovers(beds, GRID, YEAR, hung, hang);
  const keys = beds.map((b) => cellKey(b.id, 0, 0));
  return (
    <>
      {keys.map((k, i) => {
        const cell = covers.cells.get(k);
        return (
          <p key={k} data-testid={`gap ${i}`}>
            {cell?.covers === undefined ? 'awaited' : (cell.cover?.sample.id ?? 'none')}
            {cell?.unfit && ` not ${cell.unfit}`}
          </p>
        );
      })}
      <p data-testid="planting">
        {covers.sums.minutes.plant.reduce((sum, m) => sum + m, 0).toFixed(1)} by{' '}
        {covers.sums.minutes.sow.reduce((sum, m) => sum + m, 0).toFixed(1)}
      </p>
      <button type="button" onClick={() => covers.exchange(keys[0]!, keys[1]!)}>
        Exchange
      </button>
      <button type="button" onClick={() => covers.cells.get(keys[0]!)?.another()}>
        Another
      </button>
    </>
  );
}
const hung = (i: number) => screen.getByTestId(`gap ${i}`).textContent!;
const settled = () => waitFor(() => expect([hung(0), hung(1)]).not.toContain('awaited'));

test('covers of two gaps change places; one that cannot hang there is named, and the next is one tap away', async () => {
  const { user } = await renderInGarden(<Shown />, { kept });
  await settled();
  // On 9.6 m² each: rows of carrots, some 26 tomatoes, and two covers raked in at 90 minutes on 100 m².
  expect(screen.getByTestId('planting').textContent).toBe('30.8 by 17.3');
  // Two that differ, or nothing would be seen.
  if (hung(0) === hung(1)) {
    await user.click(screen.getByText('Another'));
    await settled();
  }
  const [a, b] = [hung(0), hung(1)];
  expect(a).not.toBe(b);
  await user.click(screen.getByText('Exchange'));
  await waitFor(() => {
    expect(hung(0) === b || / not /.test(hung(0))).toBe(true);
    expect(hung(1) === a || / not /.test(hung(1))).toBe(true);
  });
  const taken = hung(0);
  await user.click(screen.getByText('Another'));
  await waitFor(() => expect(hung(0)).not.toBe(taken));
  expect(hung(0)).not.toContain('awaited');
});

const NAMED = 'white-clover';
function ByHand() {
  const [hung, setHung] = useState<HungCover[]>([]);
  const { cells, waiting } = usePlanCovers(beds, GRID, YEAR, hung, setHung);
  const { gap, covers, cover } = cells.get(cellKey(beds[0]!.id, 0, 0)) ?? {};
  const drop = () => {
    const [freeOn, plantOn] = [gap!.freeDay, gap!.plantDay].map(isoOf) as [string, string];
    setHung([
      { bedId: beds[0]!.id, freeOn, plantOn, cropId: gap!.cropId, coverId: NAMED, name: 'White clover' },
    ]);
  };
  return (
    <button type="button" onClick={drop}>
      {covers === undefined ? 'awaited' : cover?.sample.id}, {waiting} waiting
    </button>
  );
}

test('what a hand hung is worked out ahead of all gaps that still wait, that gap’s own best among them', async () => {
  (await renderInGarden(<p />, { kept })).unmount();
  type Post = (m: ToWorker) => void;
  const { prototype } = globalThis.Worker as unknown as { prototype: { postMessage: Post } };
  const real = prototype.postMessage;
  const post = jest.spyOn(prototype, 'postMessage').mockImplementation(function (this: unknown, m) {
    // A gap's own question is never answered.
    if (m.type === 'ask' && m.kind === 'planCovers' && m.input.only === undefined) return;
    real.call(this, m);
  });
  try {
    const { user } = await renderInGarden(<ByHand />, { again: true });
    await user.click(await screen.findByText('awaited, 2 waiting'));
    await screen.findByText(`${NAMED}, 2 waiting`);
  } finally {
    post.mockRestore();
  }
});

const ROW = [['lettuce', 'garlic']];
const NOTHING: HungCover[] = [];
const keepNothing = () => undefined;
function Taken() {
  const ring = useGarden();
  const covers = usePlanCovers(beds.slice(0, 1), [ROW], YEAR, NOTHING, keepNothing);
  let n = 0;
  const plantings = plantingsFor(ring, beds.slice(0, 1), ROW, YEAR, () => `crop ${n++}`);
  return (
    <ol>
      {covers.waiting === 0 &&
        covers.coversFor(plantings).map((c) => (
          <li key={c.id}>
            {c.nextPlantingId}{' '}
            {plantings.find((p) => p.id === c.nextPlantingId)?.plantOn === c.plantBackOn && 'on its day'}
          </li>
        ))}
    </ol>
  );
}

test('each cover of a year with two crops is hung for the crop after it', async () => {
  await renderInGarden(<Taken />, { kept });
  await waitFor(() => expect(screen.getAllByRole('listitem')).toHaveLength(2));
  expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
    'crop 0 on its day',
    'crop 1 on its day',
  ]);
});

/** A crop of that year that is planned already, with its cover before it. */
const planned = {
  ...kept.plantings[0]!,
  id: 'crop',
  bedId: beds[0]!.id,
  cropId: 'leek',
  plantedOn: null,
  clearedOn: null,
};
const told = kept.covers.find((c) => c.predicted && c.predicted.nitrogen_g_m2.mid > 0)!;
const withKnown = {
  ...kept,
  plantings: [...kept.plantings, { ...planned, plantOn: `${YEAR}-06-01`, clearOn: `${YEAR}-10-01` }],
  covers: [
    ...kept.covers,
    {
      ...told,
      id: 'known',
      bedId: beds[0]!.id,
      sowOn: `${YEAR - 1}-10-15`,
      sownOn: null,
      verdict: null,
      endedOn: null,
      passes: [],
      plantBackOn: `${YEAR}-06-01`,
      nextPlantingId: 'crop',
    },
  ],
};
function Known() {
  const { sums } = usePlanCovers(beds.slice(0, 1), [[['leek']]], YEAR, NOTHING, keepNothing);
  return (
    <p data-testid="sums">
      {sums.gaps} {sums.nitrogen[0]!.given_g.toFixed(3)} {sums.most?.times}
    </p>
  );
}
test('a cover that is planned already counts for what was predicted of it', async () => {
  await renderInGarden(<Known />, { kept: withKnown });
  const given = told.predicted!.nitrogen_g_m2.mid * beds[0]!.area_m2;
  expect(screen.getByTestId('sums').textContent).toBe(`1 ${given.toFixed(3)} 1`);
});
