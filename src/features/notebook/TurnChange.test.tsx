import { expect, jest, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { TurnChange } from './TurnChange.tsx';
import { turnWords } from './turnWords.ts';

const NONE = '';

test('one crop is changed, another put after it, one of them taken away, and a year left to rest', async () => {
  const said = { put: jest.fn(), rest: jest.fn(), done: jest.fn() };
  const { rerender } = render(<TurnChange title="Bed 3, 2028" turn={['lettuce']} {...said} />);
  await userEvent.selectOptions(screen.getByLabelText('First'), 'carrot');
  expect(said.put).toHaveBeenLastCalledWith(0, 'carrot');
  await userEvent.selectOptions(screen.getByLabelText('Then'), 'leek');
  expect(said.put).toHaveBeenLastCalledWith(1, 'leek');
  await userEvent.selectOptions(screen.getByLabelText('First'), NONE);
  expect(said.rest).toHaveBeenCalledTimes(1);
  expect(said.put).toHaveBeenCalledTimes(2);
  rerender(<TurnChange title="Bed 3, 2028" turn={['lettuce', 'leek', 'garlic']} {...said} />);
  // Three are as many as a year is given.
  const [second, third, ...more] = screen.getAllByLabelText('Then');
  expect(more).toEqual([]);
  await userEvent.selectOptions(second!, NONE);
  expect(said.put).toHaveBeenLastCalledWith(1, undefined);
  await userEvent.selectOptions(third!, 'kale');
  expect(said.put).toHaveBeenLastCalledWith(2, 'kale');
  await userEvent.click(screen.getByRole('button', { name: 'Done' }));
  expect(said.done).toHaveBeenCalledTimes(1);
});

test('what a bed brings is said in its order', () => {
  expect(turnWords([])).toBe('rests in clover');
  expect(turnWords(['lettuce'])).toBe('Lettuce');
  expect(turnWords(['lettuce', 'bush-bean', 'an-unknown-crop'])).toBe(
    'Lettuce, then bush bean, then an-unknown-crop',
  );
});
