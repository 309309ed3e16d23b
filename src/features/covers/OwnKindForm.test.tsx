import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { findSpecies } from '../../catalogue/catalogue.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import CoverPage from './CoverPage.tsx';

const kept = demoGarden();
const at = (id: string, garden = kept) =>
  renderInGarden(<CoverPage />, { kept: garden, path: `/covers/${id}`, pattern: '/covers/:id' });
const own = {
  id: 'kind-x',
  name: 'Barn vetch',
  like: 'hairy-vetch',
  later: 0.1,
  hardier_c: -2,
  thousandSeed_g: null,
};
const withOwn = { ...kept, garden: { ...kept.garden, ownKinds: [own] } };

test('a kind is made from the nearest with a few changes, and its page opens', async () => {
  const { user, db } = await at('hairy-vetch');
  await user.click(await screen.findByText(/Yours is another cultivar/));
  await user.type(await screen.findByLabelText('Its name'), 'Early Bird');
  await user.selectOptions(screen.getByLabelText('It flowers'), '-0.1');
  await user.type(screen.getByLabelText(/^A thousand seeds weigh/), '32');
  await user.click(screen.getByRole('button', { name: /Keep it as a kind/ }));
  expect(await screen.findByRole('heading', { level: 1, name: 'Early Bird' })).not.toBeNull();
  expect(
    screen.getByText(/It flowers earlier by 10 % of the warmth; it has seed of which a thousand weigh 32 g/),
  ).not.toBeNull();
  const [stored] = (await db.gardens.get(kept.garden.id))!.ownKinds!;
  expect(stored).toMatchObject({ name: 'Early Bird', like: 'hairy-vetch', later: -0.1, thousandSeed_g: 32 });
  expect(findSpecies(stored!.id)!.name).toBe('Early Bird');
});

test.each([
  ['', '', /Give it a name/],
  ['Big', '4000', /a quarter of that to four times/],
  ['Big', 'heavy', /is no number/],
])('%j with seed of %j is refused with what to do', async (name, seed, words) => {
  const { user, db } = await at('hairy-vetch');
  await user.click(await screen.findByText(/Yours is another cultivar/));
  if (name) await user.type(await screen.findByLabelText('Its name'), name);
  if (seed) await user.type(screen.getByLabelText(/^A thousand seeds weigh/), seed);
  await user.click(await screen.findByRole('button', { name: /Keep it as a kind/ }));
  expect((await screen.findByRole('alert')).textContent).toMatch(words);
  expect((await db.gardens.get(kept.garden.id))!.ownKinds).toBeUndefined();
});

test('what is not used can be taken away, what is used stays', async () => {
  const free = await at('kind-x', withOwn);
  expect(screen.getByText(/bears 2 °C less cold/)).not.toBeNull();
  await free.user.click(screen.getByRole('button', { name: 'Take Barn vetch away' }));
  await waitFor(async () => expect((await free.db.gardens.get(kept.garden.id))!.ownKinds).toEqual([]));
  free.unmount();
  const cover = kept.covers[0]!;
  await at('kind-x', {
    ...withOwn,
    covers: [{ ...cover, parts: [{ speciesId: 'kind-x', share: 1 }] }, ...kept.covers.slice(1)],
  });
  expect(screen.queryByRole('button', { name: /^Take Barn vetch/ })).toBeNull();
  expect(screen.getByText(/It is used in a cover/)).not.toBeNull();
});
