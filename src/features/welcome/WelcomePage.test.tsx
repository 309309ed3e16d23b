import { beforeEach, expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { demoGarden, renderOutside } from '../../ring/renderInGarden.tsx';
import { remember } from '../../ring/staying.ts';
import WelcomePage from './WelcomePage.tsx';

const nothing = () => undefined;
const page = (
  <WelcomePage
    openId={null}
    onMade={nothing}
    onDemo={nothing}
    onGone={nothing}
    tell={nothing}
    say={nothing}
  />
);
beforeEach(() => localStorage.clear());

test('three ways in, in plain words', async () => {
  await renderOutside(page);
  for (const way of ['I have a bed and a packet', 'I have a list of beds', 'Bring a garden back'])
    expect(screen.getByText(way)).not.toBeNull();
  expect(screen.queryByRole('alert')).toBeNull();
});

test('a browser that was cleared says what it held, and where a copy is', async () => {
  remember('Back Field', '2027-05-04', '2027-04-20');
  await renderOutside(page);
  const said = (await screen.findByRole('alert')).textContent!;
  expect(said).toContain('Back Field was kept in this browser, last on 4 May 2027, and is no longer here.');
  expect(said).toContain('A copy was taken out on 20 Apr 2027');
});

test('one that never had a copy says that too', async () => {
  remember('Back Field', '2027-05-04', null);
  await renderOutside(page);
  expect((await screen.findByRole('alert')).textContent).toContain('No copy of it was ever taken out here');
});

test('with a garden of one’s own here nothing is missed; a made-up one is none', async () => {
  remember('Back Field', '2027-05-04', null);
  const own = demoGarden();
  const first = await renderOutside(page, { ...own, garden: { ...own.garden, id: 'mine' } });
  await screen.findAllByText(own.garden.name);
  expect(screen.queryByRole('alert')).toBeNull();
  first.unmount();
  await renderOutside(page, own);
  expect((await screen.findByRole('alert')).textContent).toContain('Back Field');
});
