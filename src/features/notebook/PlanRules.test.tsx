import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { bentWords, PlanRules } from './PlanRules.tsx';

const kept = demoGarden();
const beds = kept.beds.slice(0, 3);
const CROPS = ['tomato', 'carrot', 'leek'];

test('a rule of the gardener’s own is kept once, told in words, and taken away', async () => {
  const { user, db } = await renderInGarden(<PlanRules beds={beds} cropIds={CROPS} />, { kept });
  const rules = async () => (await db.gardens.get(kept.garden.id))!.rotationRules;
  await user.click(await screen.findByText('Add a rule of your own'));
  await user.selectOptions(screen.getByLabelText('Crop'), 'carrot');
  await user.selectOptions(screen.getByLabelText('Bed'), beds[1]!.id);
  const keep = screen.getByRole('button', { name: 'Keep this rule' });
  await user.click(keep);
  await user.click(keep);
  await waitFor(async () =>
    expect(await rules()).toEqual([{ kind: 'not-on', cropId: 'carrot', than: beds[1]!.id, hard: true }]),
  );
  await user.selectOptions(screen.getByLabelText('Rule'), 'only-after');
  await user.selectOptions(screen.getByLabelText('Crop before it'), 'leek');
  await user.click(screen.getByLabelText('Bend every other rule before this one'));
  await user.click(keep);
  await waitFor(async () => expect(await rules()).toHaveLength(2));
  const items = () =>
    within(screen.getByRole('list'))
      .getAllByRole('listitem')
      .map((li) => li.textContent);
  await waitFor(() =>
    expect(items().slice(-2)).toEqual([
      `Carrot never on bed ${beds[1]!.name}. Take away`,
      'Carrot only after leek, where it can be had. Take away',
    ]),
  );
  await user.click(screen.getByRole('button', { name: `Take away: Carrot never on bed ${beds[1]!.name}` }));
  await waitFor(async () =>
    expect(await rules()).toEqual([{ kind: 'only-after', cropId: 'carrot', than: 'leek', hard: false }]),
  );
});

test('what is bent is said with the rule, and of a bed that is gone too', () => {
  const own = { kind: 'not-on', cropId: 'carrot', than: 'gone', hard: true } as const;
  const bent = { rule: 'own-hard', bedId: 'a', year: 0, cropId: 'carrot', own } as const;
  expect(bentWords(bent, new Map())).toBe('Carrot never on bed that is gone is your rule.');
  expect(bentWords({ ...bent, rule: 'family', after_y: 2 }, new Map())).toMatch(
    /^carrot 2 years after its family; \d are wanted between\.$/,
  );
});

test('a rule is given more weight, left out, and counted as usual again, and the others stay', async () => {
  const { user, db } = await renderInGarden(<PlanRules beds={beds} cropIds={CROPS} />, { kept });
  const forces = async () => (await db.gardens.get(kept.garden.id))!.rotationForces;
  await user.click(await screen.findByText('How much each of them counts'));
  const hungry = screen.getByLabelText(/^No hungry crop after a hungry one/);
  await user.selectOptions(hungry, 'not here');
  await user.selectOptions(screen.getByLabelText(/^Never the same family/), 'before all others');
  await waitFor(async () =>
    expect(await forces()).toEqual({ 'hungry-twice': 'off', 'family-at-once': 'hard' }),
  );
  await screen.findByText('Never the same family twice running. Before all others.');
  await user.selectOptions(hungry, 'as is usual');
  await waitFor(async () => expect(await forces()).toEqual({ 'family-at-once': 'hard' }));
  // What stands for years is none of these crops: its rule is not asked about.
  expect(screen.queryByLabelText(/^What lives for years/)).toBeNull();
});

test('where something lives for years, its one sentence counts for all that it says', async () => {
  const { user, db } = await renderInGarden(<PlanRules beds={beds} cropIds={['strawberry']} />, { kept });
  await user.click(await screen.findByText('How much each of them counts'));
  await user.selectOptions(screen.getByLabelText(/^What lives for years/), 'not here');
  await waitFor(async () =>
    expect((await db.gardens.get(kept.garden.id))!.rotationForces).toEqual({
      moved: 'off',
      'worn-out': 'off',
      'clean-first': 'off',
    }),
  );
});
