import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { Compare } from './Compare.tsx';

test('ways of ending are held beside each other, told to be no trial, and what nobody recorded is said', async () => {
  const { user } = await renderInGarden(<Compare />, { kept: demoGarden() });
  await user.click(await screen.findByText('Compare what has been'));
  const these = screen.getByLabelText('These') as HTMLSelectElement;
  const beside = screen.getByLabelText('Beside these') as HTMLSelectElement;
  expect(these.value).not.toBe(beside.value);
  expect(screen.getByText(/^(With|.* came to the same as)/)).toBeTruthy();
  expect(
    screen.getByText('Nobody had set this comparison before looking, so it counts for less.'),
  ).toBeTruthy();
  expect(screen.queryByText(/drawing of the lots/)).toBeNull();
  await user.selectOptions(beside, these.value);
  expect(screen.getByText('Pick two that differ.')).toBeTruthy();
  await user.selectOptions(screen.getByLabelText('What is compared'), 'minutes');
  expect(screen.getByText(/there is nothing to compare yet/)).toBeTruthy();
});
