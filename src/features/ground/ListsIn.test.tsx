import { expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { ListsIn } from './ListsIn.tsx';

const base = demoGarden();
const here = base.beds.length;
const lists = <ListsIn tell={() => undefined} />;
const paste = async (text: string) =>
  fireEvent.change(await screen.findByLabelText('Paste it from a spreadsheet'), { target: { value: text } });
const understood = () => screen.getByRole('group', { name: 'What was understood' });

const BEDS = [
  'bed,size,crop,planted,out',
  'K1,1.2 m x 8 m,Tomato,13/5/2027,20/10/2027',
  'K1,,Zucchero,1/11/2027,',
  'K2,30 sq m,,,',
  'K3,,Leek,1/6/2027,',
  'K2,,Leek,31/2/2027,',
].join('\n');

test('a pasted list is shown as it was understood, survives a closed page, and is written as one deed', async () => {
  const before = await renderInGarden(lists);
  await paste(BEDS);
  await waitFor(() => understood());
  before.unmount();

  const { user, db } = await renderInGarden(lists, { again: true });
  const box = await screen.findByRole('group', { name: 'What was understood' });
  expect((screen.getByLabelText('Paste it from a spreadsheet') as HTMLTextAreaElement).value).toBe(BEDS);
  expect(box.textContent).toMatch(
    /Bed K1, 9\.6 m²; tomato 2027-05-13 to 2027-10-20; zucchero 2027-11-01 to \?/,
  );
  expect(within(box).getByRole('list', { name: 'Left out' }).textContent).toMatch(/Line 5 .*Line 6 /);
  expect(await db.beds.count()).toBe(here);

  await user.selectOptions(within(box).getByLabelText('"Zucchero" is'), 'garlic');
  await user.click(within(box).getByRole('button', { name: /^Put .* in the garden$/ }));
  await waitFor(async () => expect(await db.beds.count()).toBe(here + 2));
  const beds = (await db.beds.toArray()).filter((b) => b.name.startsWith('K'));
  expect(beds.map((b) => [b.name, b.width_m, b.area_m2]).sort()).toEqual([
    ['K1', 1.2, expect.closeTo(9.6, 9)],
    ['K2', null, 30],
  ]);
  const k1 = beds.find((b) => b.name === 'K1')!.id;
  const crops = (await db.plantings.toArray()).filter((p) => p.bedId === k1);
  expect(crops.map((p) => [p.cropId, p.plantOn]).sort()).toEqual([
    ['garlic', '2027-11-01'],
    ['tomato', '2027-05-13'],
  ]);
  // Written, it is no longer half typed.
  await waitFor(async () => expect(await db.drafts.count()).toBe(0));
  expect(screen.queryByRole('group', { name: 'What was understood' })).toBeNull();
});

test('plantings alone: rows that name a bed of the garden need no size', async () => {
  const { user, db } = await renderInGarden(lists);
  const had = await db.plantings.count();
  await paste('bed,crop,planted,out\n8,Spinach,1 Aug 2029,1 Oct 2029\n11,Kale,2 Aug 2029,\n');
  await user.click(await screen.findByRole('button', { name: /^Put .* in the garden$/ }));
  await waitFor(async () => expect(await db.plantings.count()).toBe(had + 2));
  expect(await db.beds.count()).toBe(here);
  const spinach = (await db.plantings.toArray()).find((p) => p.plantOn === '2029-08-01')!;
  expect([spinach.bedId, spinach.cropId, spinach.clearOn]).toEqual([
    'north-shore-bed-8',
    'spinach',
    '2029-10-01',
  ]);
});

test('seed for the shelf: weights as printed, a kind that is not known told by its line', async () => {
  const { user, db } = await renderInGarden(lists);
  const had = await db.lots.count();
  await user.selectOptions(await screen.findByLabelText('What is in it'), 'seed');
  await paste('kind,weight,year\nPhacelia,1/4 lb,2026\nMoonflower,20 g,2026\nBuckwheat,much,2026');
  const box = await screen.findByRole('group', { name: 'What was understood' });
  expect(within(box).getByRole('list', { name: 'Left out' }).textContent).toMatch(/Line 3 .*Line 4 /);
  await user.click(within(box).getByRole('button', { name: /^Put .* in the garden$/ }));
  await waitFor(async () => expect(await db.lots.count()).toBe(had + 1));
  const lot = (await db.lots.toArray()).find(
    (l) => l.speciesId === 'phacelia' && l.year === 2026 && Math.abs(l.left_g - 113.4) < 0.1,
  );
  expect(lot).toBeDefined();
});

test('what is no table is said, and nothing can be put', async () => {
  await renderInGarden(lists);
  await paste('just a word');
  await waitFor(() => expect(screen.queryByRole('button', { name: /^Put .* in the garden$/ })).toBeNull());
});
