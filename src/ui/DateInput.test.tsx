import { afterEach, expect, jest, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { DateInput } from './DateInput.tsx';

let language = 'en-GB';
Object.defineProperty(navigator, 'language', { get: () => language, configurable: true });
afterEach(() => {
  cleanup();
  language = 'en-GB';
});

const said = jest.fn<(iso: string) => void>();
function Field({ first = '2027-05-14' }: { first?: string }) {
  const [value, setValue] = useState(first);
  return (
    <>
      <DateInput
        label="Sown"
        value={value}
        onChange={(iso) => {
          said(iso);
          setValue(iso);
        }}
      />
      <button type="button" onClick={() => setValue('2028-01-02')}>
        elsewhere
      </button>
    </>
  );
}
const show = () => {
  said.mockClear();
  render(<Field />);
  return { user: userEvent.setup(), field: screen.getByLabelText<HTMLInputElement>('Sown') };
};

test.each([
  ['en-US', '09182026', '2026-09-18'],
  ['en-GB', '18092026', '2026-09-18'],
  ['en-GB', '5/6', '2027-06-05'],
  ['en-US', '5/6', '2027-05-06'],
  ['sv-SE', '2026-09-18', '2026-09-18'],
])('in %s, %s key by key is one day, said once on leaving: %s', async (lang, keys, iso) => {
  language = lang;
  const { user, field } = show();
  await user.clear(field);
  for (const key of keys) {
    await user.type(field, key);
    expect(said).not.toHaveBeenCalled();
  }
  await user.tab();
  expect(said.mock.calls).toEqual([[iso]]);
});

test('Enter says it too, and leaving afterwards does not say it again; the same day is no change', async () => {
  const { user, field } = show();
  expect(field.value).toBe('14 May 2027');
  await user.clear(field);
  await user.type(field, '15 May{Enter}');
  await user.tab();
  expect(said.mock.calls).toEqual([['2027-05-15']]);
  expect(field.value).toBe('15 May 2027');
  await user.clear(field);
  await user.type(field, '15.5.2027{Enter}');
  expect(said).toHaveBeenCalledTimes(1);
});

test('no day is none: it is said at the field with an example, nothing is saved, and emptied it is as it was', async () => {
  const { user, field } = show();
  for (const wrong of ['31 Feb 2027', '1.1.0007', '1.1.2107', 'soon']) {
    await user.clear(field);
    await user.type(field, wrong);
    await user.tab();
    expect(screen.getByRole('alert').textContent).toBe(
      'No such day between 1990 and 2100. Write for example 14 May 2027 or 14/5/2027.',
    );
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(field.value).toBe(wrong);
  }
  expect(said).not.toHaveBeenCalled();
  await user.clear(field);
  await user.tab();
  expect(screen.queryByRole('alert')).toBeNull();
  expect(field.value).toBe('14 May 2027');
});

test('what is wrong goes with the next key, so that nothing moves when a button is pressed', async () => {
  const { user, field } = show();
  await user.clear(field);
  await user.type(field, '31 Feb 2027');
  await user.tab();
  expect(field.validationMessage).not.toBe('');
  await user.click(field);
  await user.keyboard('1');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(field.validationMessage).toBe('');
});

test('a day said elsewhere stands, whatever was half typed', async () => {
  const { user, field } = show();
  await user.type(field, '3');
  await user.click(screen.getByRole('button', { name: 'elsewhere' }));
  expect(field.value).toBe('2 Jan 2028');
});
