import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { OtherStep } from './OtherStep.tsx';

const kept = demoGarden();
const cover = kept.covers.find((c) => c.sownOn && c.endedOn === null)!;

test('hay that was taken is logged with what was carried off, and a weight that is none is not', async () => {
  const { user, db } = await renderInGarden(<OtherStep cover={cover} />, { kept });
  await user.click(await screen.findByText('Something else was done'));
  await user.type(screen.getByLabelText('Carried off, kg fresh'), 'a lot');
  await user.click(screen.getByRole('button', { name: 'Log it: take hay' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/a lot.* is no number/);
  expect((await db.covers.get(cover.id))!.passes).toEqual(cover.passes);
  await user.clear(screen.getByLabelText('Carried off, kg fresh'));
  await user.type(screen.getByLabelText('Carried off, kg fresh'), '12,5');
  await user.click(screen.getByRole('button', { name: 'Log it: take hay' }));
  await waitFor(() =>
    expect((screen.getByLabelText('Carried off, kg fresh') as HTMLInputElement).value).toBe(''),
  );
  const { passes } = (await db.covers.get(cover.id))!;
  expect(passes.find((p) => p.kind === 'take-hay')).toEqual({
    kind: 'take-hay',
    due: kept.garden.seasonClock,
    doneOn: kept.garden.seasonClock,
    took_kg: 12.5,
  });
  expect(passes).toHaveLength(cover.passes.length + 1);
});

test('what takes nothing away asks for no weight', async () => {
  const { user, db } = await renderInGarden(<OtherStep cover={cover} />, { kept });
  await user.click(await screen.findByText('Something else was done'));
  await user.selectOptions(screen.getByLabelText('What'), 'cut');
  expect(screen.queryByLabelText('Carried off, kg fresh')).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Log it: cut at soil level' }));
  const logged = async () =>
    (await db.covers.get(cover.id))!.passes.find((p) => p.kind === 'cut' && p.doneOn);
  await waitFor(async () => expect(await logged()).toBeDefined());
  expect(await logged()).not.toHaveProperty('took_kg');
});
