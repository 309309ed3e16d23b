import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { changeLot } from '../../records/commands/seed.ts';
import { hands } from '../../ring/garden.tsx';
import { Shelf } from './Shelf.tsx';

const base = demoGarden();
const lot = {
  id: 'rye-26',
  gardenId: base.garden.id,
  speciesId: 'cereal-rye',
  label: 'from the barn',
  year: 2026,
  left_g: 912.5,
  treated: false,
  free: false,
  purity: 0.98,
  coating: 0,
  test: null,
};
const kept = { ...base, lots: [lot] };

test('a lot that is changed keeps what a sowing took from it while its form lay open', async () => {
  const { user, db } = await renderInGarden(<Shelf />, { kept });
  const row = (await screen.findByText(/from the barn/)).closest('li')!;
  await user.click(within(row).getByRole('button', { name: 'Change' }));
  await changeLot(hands, lot, (l) => ({ left_g: l.left_g - 400 }));
  const name = screen.getByLabelText('What you call it');
  await user.clear(name);
  await user.type(name, 'winter rye');
  await user.click(screen.getByRole('button', { name: 'Save this lot' }));
  await waitFor(async () =>
    expect(await db.lots.get('rye-26')).toMatchObject({ label: 'winter rye', left_g: 512.5, year: 2026 }),
  );
});

test('what was weighed anew is what is left, to the gram', async () => {
  const { user, db } = await renderInGarden(<Shelf />, { kept });
  const row = (await screen.findByText(/from the barn/)).closest('li')!;
  await user.click(within(row).getByRole('button', { name: 'Change' }));
  const left = screen.getByLabelText('Left, grams');
  await user.clear(left);
  await user.type(left, '700');
  await user.click(screen.getByRole('button', { name: 'Save this lot' }));
  await waitFor(async () => expect((await db.lots.get('rye-26'))!.left_g).toBe(700));
});

test('seed of a year that has not come cannot be put on the shelf, and the form says why', async () => {
  const { user, db } = await renderInGarden(<Shelf />, { kept });
  const year = await screen.findByLabelText('Year on the bag');
  await user.clear(year);
  await user.type(year, '2099');
  await user.type(screen.getByLabelText('Left, grams'), '200');
  await user.click(screen.getByRole('button', { name: 'Put it on the shelf' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(
    /^Enter the year on the bag, \d{4} to \d{4}\.$/,
  );
  expect(await db.lots.count()).toBe(1);
});

test('a sprouting test shows its range: 43 of 50 is not 86 of 100 for sure', async () => {
  const { user } = await renderInGarden(<Shelf />, { kept });
  await user.type(await screen.findByLabelText(/^Seeds in the test/), '50');
  await user.type(screen.getByLabelText('Of these sprouted'), '43');
  const said = screen.getByText(/Nine times in ten between/).textContent!;
  const [low, high] = [...said.matchAll(/\d+/g)].map(Number);
  expect(low).toBeGreaterThan(70);
  expect(low).toBeLessThan(82);
  expect(high).toBeGreaterThan(88);
  expect(high).toBeLessThan(96);
});
