import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { Happenings } from './Happenings.tsx';
import { Years } from './Years.tsx';

const base = demoGarden();
// Two beds are enough, and what is looked for is found sooner.
const BEDS = ['north-shore-bed-4', 'north-shore-bed-5'];
const kept = {
  ...base,
  notes: [],
  covers: base.covers.filter((c) => BEDS.includes(c.bedId)),
  plantings: base.plantings.filter((p) => BEDS.includes(p.bedId)),
};
const open = async () => (await screen.findByText(/^Compost, mulch or feed on/)).closest('details')!;

test('compost by the barrow is written down, told in the notebook, and counted in the ledger of its year', async () => {
  const { user, db, unmount } = await renderInGarden(<Happenings />, { kept });
  const form = within(await open());
  await user.selectOptions(form.getByLabelText('On bed'), '4');
  await user.type(form.getByLabelText('How much, kg'), '30');
  await user.click(form.getByRole('button', { name: 'Write down' }));
  await waitFor(async () => expect(await db.notes.count()).toBe(1));
  const [note] = await db.notes.toArray();
  expect(note).toMatchObject({ bedId: 'north-shore-bed-4', text: '', moved: { what: 'compost', kg: 30 } });
  await screen.findByText('30 kg garden compost onto the bed');
  await waitFor(async () => expect(await db.drafts.count()).toBe(0));
  unmount();

  const year = { ...kept, notes: [{ ...note!, on: '2026-04-02' }] };
  const { user: later } = await renderInGarden(<Years />, { kept: year });
  const ledger = within(
    (await screen.findByRole('heading', { name: /^On and off the beds/ })).closest('section')!,
  );
  await later.selectOptions(ledger.getByLabelText('Year'), '2026');
  const row = (await ledger.findByRole('cell', { name: '4' })).closest('tr')!;
  // 30 kg at 0.8 % on 9.6 m².
  expect(row.textContent).toMatch(/30 kg \(18 kg dry\), 240 g nitrogen.*\+25/);
  await later.selectOptions(ledger.getByLabelText('Year'), '2027');
  expect(ledger.queryByRole('cell', { name: '4' })).toBeNull();
});

test('what the bag says of nitrogen is taken; what is no weight or no share is said, and nothing is written', async () => {
  const { user, db } = await renderInGarden(<Happenings />, { kept });
  const form = within(await open());
  await user.selectOptions(form.getByLabelText('What'), 'feed');
  await user.type(form.getByLabelText('How much, kg'), 'a handful');
  await user.click(form.getByRole('button', { name: 'Write down' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/a handful/);
  await user.clear(form.getByLabelText('How much, kg'));
  await user.type(form.getByLabelText('How much, kg'), '2.5 kg');
  await user.type(form.getByLabelText('Nitrogen on the bag, %'), '70');
  await user.click(form.getByRole('button', { name: 'Write down' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/0 to 50 %/);
  expect(await db.notes.count()).toBe(0);
  await user.clear(form.getByLabelText('Nitrogen on the bag, %'));
  await user.type(form.getByLabelText('Nitrogen on the bag, %'), '6,5');
  await user.click(form.getByRole('button', { name: 'Write down' }));
  await waitFor(async () => expect(await db.notes.count()).toBe(1));
  expect((await db.notes.toArray())[0]!.moved).toEqual({ what: 'feed', kg: 2.5, nitrogenPct: 6.5 });
});

test('half typed, it is there again; taken away, it is out of the notebook', async () => {
  const first = await renderInGarden(<Happenings />, { kept });
  await first.user.type(within(await open()).getByLabelText('How much, kg'), '12');
  await waitFor(async () => expect(await first.db.drafts.count()).toBe(1));
  first.unmount();
  const { user, db } = await renderInGarden(<Happenings />, { kept, again: true });
  const field = within(await open()).getByLabelText('How much, kg') as HTMLInputElement;
  await waitFor(() => expect(field.value).toBe('12'));
  await user.click(within(await open()).getByRole('button', { name: 'Write down' }));
  await user.click(await screen.findByLabelText(/^Take away: Carried of/));
  await waitFor(async () => expect(await db.notes.count()).toBe(0));
});

test('hours by way: what was logged at the steps of the demo garden, and how many steps have no time', async () => {
  const covers = kept.covers.map((c) =>
    c.id === 'north-shore-cover-5-2026-07'
      ? { ...c, passes: c.passes.map((p, i) => ({ ...p, minutes: i === 0 ? 9 : 6 })) }
      : { ...c, passes: c.passes.map((p) => ({ ...p, minutes: undefined })) },
  );
  const { user } = await renderInGarden(<Years />, { kept: { ...kept, covers } });
  const ledger = within(
    (await screen.findByRole('heading', { name: /^On and off the beds/ })).closest('section')!,
  );
  await user.selectOptions(ledger.getByLabelText('Year'), '2026');
  const row = (await ledger.findByRole('cell', { name: '5' })).closest('tr')!;
  expect(row.textContent).toMatch(/15 min/);
  // 15 minutes on 9.6 m².
  expect(ledger.getByText(/^Crimp.*: 1 bed, 15 min; 156 min on 100 m²$/)).toBeTruthy();
  expect(ledger.getByText(/steps have no time/)).toBeTruthy();
});
