import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { Mixes } from './Mixes.tsx';

const base = demoGarden();
const mix = {
  id: 'three',
  gardenId: base.garden.id,
  name: 'Hedge bottom',
  parts: [
    { speciesId: 'cereal-rye', share: 0.7 },
    { speciesId: 'hairy-vetch', share: 0.3 },
  ],
  ready: false,
  packs: [],
  rate_g_m2: null,
};
const kept = { ...base, recipes: [mix] };
const card = async () => (await screen.findByRole('heading', { name: 'Hedge bottom' })).closest('section')!;

test('a name that was half typed is there again, and makes a mix once', async () => {
  const first = await renderInGarden(<Mixes />, { kept });
  await first.user.type(await screen.findByLabelText('Name of a new mix'), 'Under the pear');
  await waitFor(async () => expect(await first.db.drafts.count()).toBe(1));
  first.unmount();
  const { user, db } = await renderInGarden(<Mixes />, { kept, again: true });
  const name = (await screen.findByLabelText('Name of a new mix')) as HTMLInputElement;
  await waitFor(() => expect(name.value).toBe('Under the pear'));
  await user.dblClick(screen.getByRole('button', { name: 'Keep a mix of this name' }));
  await screen.findByRole('heading', { name: 'Under the pear' });
  expect((await db.recipes.toArray()).filter((r) => r.name === 'Under the pear')).toHaveLength(1);
  await waitFor(() => expect(name.value).toBe(''));
});

test('a share by weight moves the shares by number of seeds, and the rest makes way in proportion', async () => {
  const { user, db } = await renderInGarden(<Mixes />, { kept });
  const seeds = within(await card()).getByLabelText(
    /rye in Hedge bottom, % of the seeds/,
  ) as HTMLInputElement;
  const [rye, vetch] = ['cereal-rye', 'hairy-vetch'].map((id) => speciesOf(id).seed.thousandSeed_g);
  expect(Number(seeds.value)).toBe(Math.round((100 * 0.7) / rye! / (0.7 / rye! + 0.3 / vetch!)));
  const weight = within(await card()).getByLabelText(/rye in Hedge bottom, % by weight/);
  await user.clear(weight);
  await user.type(weight, '50');
  await user.tab();
  await waitFor(async () =>
    expect((await db.recipes.get('three'))!.parts.map((p) => p.share)).toEqual([0.5, 0.5]),
  );
  // What is no share is put back.
  await waitFor(async () =>
    expect(
      (within(await card()).getByLabelText(/rye in Hedge bottom, % by weight/) as HTMLInputElement).value,
    ).toBe('50'),
  );
  const again = within(await card()).getByLabelText(/rye in Hedge bottom, % by weight/) as HTMLInputElement;
  await user.clear(again);
  await user.type(again, '140');
  await user.tab();
  await waitFor(async () =>
    expect(
      (within(await card()).getByLabelText(/rye in Hedge bottom, % by weight/) as HTMLInputElement).value,
    ).toBe('50'),
  );
  expect((await db.recipes.get('three'))!.parts[0]!.share).toBe(0.5);
});

test('a kind added takes its equal part, one dropped gives its part back', async () => {
  const { user, db } = await renderInGarden(<Mixes />, { kept });
  await user.selectOptions(within(await card()).getByLabelText('Add to Hedge bottom'), 'phacelia');
  await user.click(within(await card()).getByRole('button', { name: 'Add it' }));
  await waitFor(async () =>
    expect((await db.recipes.get('three'))!.parts.map((p) => Number(p.share.toFixed(4)))).toEqual([
      0.4667, 0.2, 0.3333,
    ]),
  );
  await user.click(await within(await card()).findByRole('button', { name: 'Drop phacelia' }));
  await waitFor(async () =>
    expect((await db.recipes.get('three'))!.parts.map((p) => Number(p.share.toFixed(4)))).toEqual([0.7, 0.3]),
  );
});

test('the rate on a bag that is quoted by the bed is taken where all beds are of one size, else it says what is wanting', async () => {
  const ready = { ...kept, recipes: [{ ...mix, ready: true }] };
  const { user, unmount } = await renderInGarden(<Mixes />, { kept: ready });
  const rate = async (text: string) => {
    const field = within(await card()).getByLabelText('Rate, as the bag says it');
    await user.clear(field);
    await user.type(field, text);
    await user.click(within(await card()).getByRole('button', { name: 'Keep the rate' }));
  };
  await rate('96 g per bed');
  expect((await screen.findByRole('alert')).textContent).toMatch(/no bed is chosen here/);
  await rate('96 g for 9.6 m²');
  await waitFor(async () => expect((await card()).textContent).toMatch(/Rate on its bag: 10 g\/m²/));
  unmount();
  const alike = {
    ...ready,
    beds: ready.beds.filter((b) => b.area_m2 === ready.beds[0]!.area_m2),
    plantings: [],
    covers: [],
    looks: [],
    notes: [],
  };
  const one = await renderInGarden(<Mixes />, { kept: alike as typeof ready });
  const field = within(await card()).getByLabelText('Rate, as the bag says it');
  await one.user.type(field, '48 g per bed');
  await one.user.click(within(await card()).getByRole('button', { name: 'Keep the rate' }));
  await waitFor(async () => expect((await one.db.recipes.get('three'))!.rate_g_m2).toBeCloseTo(5, 6));
});
