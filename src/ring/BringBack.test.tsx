import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { writeGardenFile } from '../records/files/gardenFile.ts';
import { onlyNew } from '../records/files/onlyNew.ts';
import { changeBed } from '../records/commands/change.ts';
import { type Kept, readKept } from '../records/verbs/verbs.ts';
import { BringBack } from './BringBack.tsx';
import { hands } from './garden.tsx';
import { demoGarden, renderOutside } from './renderInGarden.tsx';

const kept = demoGarden('two-gums');
const bed = kept.beds[0]!;
const asFile = (k: Kept, since?: string) =>
  new File([writeGardenFile(k, since)], 'copy.kilim.json', { type: 'application/json' });
const show = (here?: Kept) => {
  const said: string[] = [];
  return renderOutside(<BringBack done={(_, words) => said.push(words)} />, here).then((s) => ({
    ...s,
    said,
  }));
};
const choose = async (user: Awaited<ReturnType<typeof show>>['user'], file: File) => {
  await user.upload(screen.getByLabelText('A garden file'), file);
  return screen.findByRole('region', { name: 'What is in the file' });
};

test('nothing changes before the gardener has seen what is in the file; then it is brought in', async () => {
  const { user, db, said } = await show();
  const held = await choose(user, asFile(kept));
  expect(within(held).getByText('Not in this browser yet.')).not.toBeNull();
  expect(await db.beds.count()).toBe(0);
  await user.click(within(held).getByRole('button', { name: 'Bring it in' }));
  await waitFor(() => expect(said).toEqual([`${kept.garden.name} is back.`]));
  expect(await db.beds.count()).toBe(kept.beds.length);
});

test('a file of a garden that is here says what differs in words, and both are made one', async () => {
  const { user, db, said } = await show(kept);
  await changeBed(hands, bed, () => ({ shade: 'deep' }));
  const stamp = { id: `beds ${bed.id}`, gardenId: kept.garden.id, gone: null };
  const there: Kept = {
    ...kept,
    beds: kept.beds.map((b) => (b.id === bed.id ? { ...b, shade: 'part', note: 'of the phone' } : b)),
    stamps: [
      {
        ...stamp,
        fields: {
          shade: { at: '2099-01-01T00:00:00.000Z', by: 'phone' },
          note: { at: '2099-01-01T00:00:00.000Z', by: 'phone' },
        },
      },
    ],
  };
  const held = await choose(user, asFile(there));
  expect(held.textContent).toContain(
    `Bed ${bed.name}, shade: "deep" here, "part" in the file; the file’s word counts`,
  );
  await user.click(within(held).getByRole('button', { name: 'Make both one' }));
  await waitFor(() => expect(said).toEqual([`${kept.garden.name}: both made one.`]));
  expect(await db.beds.get(bed.id)).toMatchObject({ shade: 'part', note: 'of the phone' });
});

test('a file of what is new is never offered in place of the whole', async () => {
  const since = '2027-01-01T00:00:00.000Z';
  const first = await show(kept);
  await changeBed(hands, bed, () => ({ note: 'new' }));
  const part = asFile(onlyNew((await readKept(hands.db, kept.garden.id))!, since), since);
  const held = await choose(first.user, part);
  expect(held.textContent).toContain('only what is newer than 1 Jan 2027');
  expect(within(held).queryByRole('button', { name: /in place of/ })).toBeNull();
  expect(within(held).getByRole('button', { name: 'Make both one' })).not.toBeNull();
  first.unmount();
  const second = await show();
  const alone = await choose(second.user, part);
  expect(alone.textContent).toContain('bring in the whole garden first');
  expect((within(alone).getByRole('button', { name: 'Bring it in' }) as HTMLButtonElement).disabled).toBe(
    true,
  );
});

test('what is no garden is refused in a sentence, and nothing stands there to be taken', async () => {
  const { user } = await show();
  await user.upload(
    screen.getByLabelText('A garden file'),
    new File(['{"kilim":"garden","version":-1e308}'], 'x.json', { type: 'application/json' }),
  );
  expect((await screen.findByRole('alert')).textContent).toMatch(/\.$/);
  expect(screen.queryByRole('region', { name: 'What is in the file' })).toBeNull();
});
