import { expect, jest, test } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { type ToWorker } from '../../workers/core/protocol.ts';
import { NextYears } from './NextYears.tsx';

const demo = demoGarden();
const beds = demo.beds.filter((b) => ['1', '3'].includes(b.name));
const ids = new Set(beds.map((b) => b.id));
const mine = <R extends { bedId: string }>(rows: R[]): R[] => rows.filter((r) => ids.has(r.bedId));
const kept = {
  ...demo,
  beds,
  plantings: mine(demo.plantings),
  covers: mine(demo.covers),
  looks: mine(demo.looks),
  notes: mine(demo.notes),
  weather: [],
};

test('two changes faster than the screen both stay in the gardener’s own plan, begun from the proposal that was shown', async () => {
  const { user, db } = await renderInGarden(<NextYears />, { kept });
  const plan = async () => (await db.gardens.get(kept.garden.id))!.yearsPlan;
  await user.selectOptions(screen.getByLabelText('Years'), '1');
  await user.click(await screen.findByRole('button', { name: /^With rests/ }));
  const grid = await screen.findByRole('region', { name: 'Crops of the coming years' });
  const cell = within(grid)
    .getAllByRole('button')
    .find((b) => b.dataset.cell === '0 0')!;
  // As Enter does.
  fireEvent.click(cell);
  const change = await screen.findByRole('region', { name: /^What grows on Bed 1, / });
  const fields = within(change);
  const shown = [...grid.querySelectorAll('[data-cell="0 1"]')].map((c) => c.textContent);
  // Both in the same breath.
  act(() => {
    const first = fields.getByLabelText('First') as HTMLSelectElement;
    first.value = 'carrot';
    first.dispatchEvent(new Event('change', { bubbles: true }));
    const [then] = fields.getAllByLabelText('Then') as HTMLSelectElement[];
    then!.value = 'garlic';
    then!.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await waitFor(async () =>
    expect((await plan())?.beds.find((b) => b.bedId === beds.find((x) => x.name === '1')!.id)?.years).toEqual(
      [['carrot', 'garlic']],
    ),
  );
  await screen.findByRole('button', { name: /^Yours/, pressed: true });
  // The other beds are as in the plan that was changed.
  expect([...grid.querySelectorAll('[data-cell="0 1"]')].map((c) => c.textContent)).toEqual(shown);
});

test('where crops go is asked of a worker that has no gap of a plan to work out', async () => {
  (await renderInGarden(<p />, { kept })).unmount();
  type Post = (m: ToWorker) => void;
  const { prototype } = globalThis.Worker as unknown as { prototype: { postMessage: Post } };
  const real = prototype.postMessage;
  const asked = new Map<string, Set<unknown>>();
  const post = jest.spyOn(prototype, 'postMessage').mockImplementation(function (this: unknown, m) {
    if (m.type === 'ask') asked.set(m.kind, (asked.get(m.kind) ?? new Set()).add(this));
    if (m.type !== 'ask' || m.kind !== 'planCovers') real.call(this, m);
  });
  try {
    await renderInGarden(<NextYears />, { again: true });
    await screen.findByRole('region', { name: 'Crops of the coming years' });
    await waitFor(() => expect(asked.has('planCovers')).toBe(true));
    const [crops, gaps] = [asked.get('rotate')!, asked.get('planCovers')!];
    expect(crops.size).toBe(1);
    expect([...gaps].filter((w) => crops.has(w))).toEqual([]);
  } finally {
    post.mockRestore();
  }
});
