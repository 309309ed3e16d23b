import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { useGarden } from '../../ring/garden.tsx';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { LookForm } from './LookForm.tsx';

const kept = demoGarden();
const cover = kept.covers.find((c) => c.sownOn && c.endedOn === null && c.parts.length === 1)!;
function Form() {
  const { covers, beds } = useGarden();
  const now = covers.find((c) => c.id === cover.id)!;
  return <LookForm cover={now} bed={beds.find((b) => b.id === now.bedId)!} />;
}
const mine = async (db: Awaited<ReturnType<typeof renderInGarden>>['db']) =>
  (await db.looks.toArray()).filter((l) => l.coverId === cover.id && !kept.looks.some((k) => k.id === l.id));

test('what was seen is logged in the units it was typed in, and the form is empty again', async () => {
  const { user, db } = await renderInGarden(<Form />, { kept });
  await user.type(await screen.findByLabelText(/^Ground covered by leaves/), '65');
  await user.type(screen.getByLabelText('Height, cm'), '42');
  await user.selectOptions(screen.getByLabelText('Weeds'), 'many');
  await user.type(screen.getByLabelText('Note'), 'thin at the gate');
  await user.click(screen.getByRole('button', { name: 'Log this look' }));
  await waitFor(async () => expect(await mine(db)).toHaveLength(1));
  expect((await mine(db))[0]).toMatchObject({
    on: kept.garden.seasonClock,
    cover: 0.65,
    height_m: 0.42,
    weeds: 'many',
    note: 'thin at the gate',
    stage: null,
    crowns: null,
  });
  await waitFor(() => expect((screen.getByLabelText('Note') as HTMLTextAreaElement).value).toBe(''));
});

test('a frame that was weighed is logged by weight and ground, a look of its own, and half of it is asked for', async () => {
  const { user, db } = await renderInGarden(<Form />, { kept });
  await user.type(await screen.findByLabelText('Cut in a frame and weighed fresh'), '1,2');
  await user.click(screen.getByRole('button', { name: 'Log this look' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(
    /needs its weight and the ground it was cut on/,
  );
  await user.type(screen.getByLabelText('On so much ground'), '50 cm x 50 cm');
  await user.click(screen.getByRole('button', { name: 'Log this look' }));
  await waitFor(async () => expect(await mine(db)).toHaveLength(1));
  expect((await mine(db))[0]).toMatchObject({ bulk: { fresh_kg: 1.2, area_m2: 0.25 }, cover: null });
});

test.each([
  ['Alive after cold, % of plants', '140', /from 0 to 100/],
  ['Height, cm', '900', /taller than any cover/],
  ['Height, cm', 'knee', /cannot be read/],
])('%s: %s is refused with what to do, and nothing is written', async (label, typed, words) => {
  const { user, db } = await renderInGarden(<Form />, { kept });
  await user.type(await screen.findByLabelText(label), typed);
  await user.click(screen.getByRole('button', { name: 'Log this look' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(words);
  expect(await mine(db)).toEqual([]);
});

test('nothing said is no look', async () => {
  const { user, db, failures } = await renderInGarden(<Form />, { kept });
  await user.click(await screen.findByRole('button', { name: 'Log this look' }));
  await waitFor(() => expect(failures.map((f) => f.code)).toEqual(['look-empty']));
  expect(await mine(db)).toEqual([]);
});

test('what is half typed is there again when the page comes back', async () => {
  const first = await renderInGarden(<Form />, { kept });
  await first.user.type(await screen.findByLabelText('Note'), 'half a sent');
  await waitFor(async () =>
    expect((await first.db.drafts.get(`look ${cover.id}`))?.text).toContain('half a sent'),
  );
  first.unmount();
  await renderInGarden(<Form />, { kept, again: true });
  expect(((await screen.findByLabelText('Note')) as HTMLTextAreaElement).value).toBe('half a sent');
});
