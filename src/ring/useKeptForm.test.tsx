import { expect, jest, test } from '@jest/globals';
import { act, screen, waitFor } from '@testing-library/react';
import { z } from 'zod';
import { TextField } from '../ui/fields.tsx';
import { hands } from './garden.tsx';
import { demoGarden, renderInGarden } from './renderInGarden.tsx';
import { figure, figureOrNone, someWords } from './typedFigures.ts';
import { useKeptForm } from './useKeptForm.ts';

const kept = demoGarden();
const schema = z.object({ name: someWords('Give it a name.'), size: figure(1, 10, 'From 1 to 10.') });
const saved: z.output<typeof schema>[] = [];
/** Saving waits until it is let go. */
let letGo: ((kept: boolean) => void) | undefined;

function AForm({ draft = 'a form', slow = false }: { draft?: string; slow?: boolean }) {
  const form = useKeptForm(
    draft,
    schema,
    { name: '', size: '3' },
    (said) => {
      saved.push(said);
      return slow ? new Promise((done) => (letGo = done)) : Promise.resolve(said.name !== 'refused');
    },
    ['size'],
  );
  if (!form) return null;
  return (
    <form onSubmit={form.onSubmit}>
      <TextField label="Name" {...form.field('name')} />
      <TextField label="Size" {...form.field('size')} />
      <button type="submit">Save</button>
      <button type="button" onClick={form.clear}>
        Anew
      </button>
    </form>
  );
}
const valueOf = (label: string) => (screen.getByLabelText(label) as HTMLInputElement).value;
const draftOf = async (id: string) => (await hands.db.drafts.get(id))?.text;

test('what is wrong is said at its field once saving was tried, goes as it is put right, and what was kept begins anew', async () => {
  saved.length = 0;
  const { user } = await renderInGarden(<AForm />, { kept });
  await user.clear(await screen.findByLabelText('Size'));
  await user.type(screen.getByLabelText('Size'), '12');
  expect(screen.queryByRole('alert')).toBeNull();
  await user.click(screen.getByText('Save'));
  await waitFor(() =>
    expect(screen.getAllByRole('alert').map((p) => p.textContent)).toEqual([
      'Give it a name.',
      'From 1 to 10.',
    ]),
  );
  expect(screen.getByLabelText('Size').getAttribute('aria-invalid')).toBe('true');
  await user.type(screen.getByLabelText('Name'), ' Oak ');
  await user.clear(screen.getByLabelText('Size'));
  await user.type(screen.getByLabelText('Size'), '2,5');
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  expect(saved).toEqual([]);
  await user.click(screen.getByText('Save'));
  await waitFor(() => expect(valueOf('Name')).toBe(''));
  expect(saved).toEqual([{ name: 'Oak', size: 2.5 }]);
  // A field that stays, stays.
  expect(valueOf('Size')).toBe('2,5');
  await waitFor(async () => expect(await draftOf('a form')).toBeUndefined());
});

test('half typed, it is there again on another visit, in its own draft; what is not kept is not lost', async () => {
  saved.length = 0;
  const first = await renderInGarden(<AForm />, { kept });
  await first.user.type(await screen.findByLabelText('Name'), 'half');
  await waitFor(async () =>
    expect(JSON.parse((await draftOf('a form'))!)).toEqual({ name: 'half', size: '3' }),
  );
  first.unmount();
  const again = await renderInGarden(<AForm key="again" />, { again: true, kept });
  expect(((await screen.findByLabelText('Name')) as HTMLInputElement).value).toBe('half');
  await again.user.clear(screen.getByLabelText('Name'));
  await again.user.type(screen.getByLabelText('Name'), 'refused');
  await again.user.click(screen.getByText('Save'));
  await waitFor(() => expect(saved).toHaveLength(1));
  expect(valueOf('Name')).toBe('refused');
  again.unmount();
  await renderInGarden(<AForm draft="another form" />, { again: true, kept });
  await screen.findByLabelText('Name');
  expect(valueOf('Name')).toBe('');
});

test('a second tap while it saves is no second saving; begun anew, all is as at first', async () => {
  saved.length = 0;
  const { user } = await renderInGarden(<AForm slow />, { kept });
  await user.type(await screen.findByLabelText('Name'), 'Oak');
  await user.click(screen.getByText('Save'));
  await waitFor(() => expect(letGo).toBeDefined());
  await user.click(screen.getByText('Save'));
  await act(() => Promise.resolve(letGo!(true)));
  await waitFor(() => expect(valueOf('Name')).toBe(''));
  expect(saved).toHaveLength(1);
  await user.clear(screen.getByLabelText('Size'));
  await user.click(screen.getByText('Anew'));
  await waitFor(() => expect(valueOf('Size')).toBe('3'));
});

test('a store that does not answer keeps nobody from typing', async () => {
  const table = hands.db.drafts;
  const get = jest.spyOn(table, 'get').mockReturnValue(new Promise(() => undefined) as never);
  await renderInGarden(<AForm draft="no answer" />, { kept });
  await screen.findByLabelText('Name');
  expect(valueOf('Size')).toBe('3');
  get.mockRestore();
});

test.each([
  ['2,5', 2.5],
  [' 7 ', 7],
  ['', 'From 1 to 10.'],
  ['seven', 'cannot'],
  ['11', 'From 1 to 10.'],
])('a figure typed as %j', (text, read) => {
  const got = figure(1, 10, 'From 1 to 10.').safeParse(text);
  if (typeof read === 'number') return expect(got.data).toBe(read);
  expect(got.success).toBe(false);
  if (read !== 'cannot') expect(got.error!.issues[0]!.message).toBe(read);
  else expect(got.error!.issues[0]!.message).toMatch(/is no number/);
  expect(figureOrNone(1, 10).safeParse('').data).toBeUndefined();
});

test('where nothing is typed nothing is called unreadable', () => {
  expect(figure(1, 10).safeParse('').error!.issues[0]!.message).toMatch(/^Write it in figures/);
});
