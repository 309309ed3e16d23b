import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { SoilTests } from './SoilTests.tsx';

const base = demoGarden();
const bedId = base.beds[0]!.id;
const note = (id: string, on: string, value: number) => ({
  id,
  gardenId: base.garden.id,
  bedId,
  on,
  text: '',
  tested: { what: 'ph' as const, value },
});

test('a test is written down only where it can be one, and a change is told from what chance makes', async () => {
  const kept = { ...base, notes: [note('a', '2024-03-01', 6.2)] };
  const { user, db } = await renderInGarden(<SoilTests bedId={bedId} />, { kept });
  const region = await screen.findByRole('region', { name: 'Soil tests' });
  expect(region.textContent).toMatch(/pH 6\.2 \(1 Mar 2024\)\./);
  const field = await screen.findByLabelText('Figure');
  await user.type(field, '64{Enter}');
  expect((await screen.findByRole('alert')).textContent).toBe('A figure from 3 to 10 is wanted here.');
  await user.clear(field);
  const day = await screen.findByLabelText('Sampled on');
  await user.clear(day);
  await user.type(day, '12 Mar 2026{Enter}');
  await user.type(field, '6,4{Enter}');
  await waitFor(async () => expect(await db.notes.count()).toBe(2));
  await waitFor(() =>
    expect(region.textContent).toMatch(/No change to be told: two samples of one bed differ by up to 0\.47/),
  );
  expect((await db.notes.toArray()).find((n) => n.id !== 'a')).toMatchObject({
    bedId,
    on: '2026-03-12',
    tested: { what: 'ph', value: 6.4 },
  });
  await user.type(await screen.findByLabelText('Figure'), '7{Enter}');
  await waitFor(() =>
    expect(region.textContent).toMatch(/Higher by 0\.8, more than the 0\.47 that chance makes/),
  );
});
