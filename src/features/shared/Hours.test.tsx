import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { dayOf } from '../../core/calendar/day.ts';
import { type WeekHours } from '../../core/share/types.ts';
import { Hours } from './Hours.tsx';

const week = (monday: string, hours: number, more: Partial<WeekHours> = {}): WeekHours => ({
  monday: dayOf(monday),
  hours,
  beds: ['1', '4'],
  ...more,
});
const show = (weeks: WeekHours[], have: number) =>
  render(
    <Hours
      weeks={weeks}
      have={have}
      busy={false}
      words={{} as never}
      take={() => Promise.resolve(true) as never}
    />,
  );

test('hours that are enough are enough, to the last of them; one week over is named by its Monday, several are counted', () => {
  const enough = show([week('2027-05-03', 4), week('2027-05-10', 2.5)], 4);
  expect(screen.getByText('The endings never ask for more than the 4 hours a week there are.')).toBeTruthy();
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
    'week of 3 May: 4.0 hours, beds 1, 4; week of 10 May: 2.5 hours, beds 1, 4',
  );
  enough.unmount();
  const over = show([week('2027-05-03', 4.1, { proposals: [] })], 4);
  expect(
    screen.getByText('In the week of 3 May the endings ask for more than the 4 hours there are.'),
  ).toBeTruthy();
  expect(screen.getByText('Week of 3 May: 4.1 hours, beds 1, 4.')).toBeTruthy();
  expect(screen.getByText(/^No other day or way was found/)).toBeTruthy();
  over.unmount();
  show([week('2027-05-03', 5), week('2027-05-10', 6), week('2027-05-17', 0.05)], 4);
  expect(screen.getByText('In 2 weeks the endings ask for more than the 4 hours there are.')).toBeTruthy();
  expect(screen.getByRole('img').getAttribute('aria-label')).not.toMatch(/17 May/);
});

test('where nothing is to be done nothing is shown', () => {
  const { container } = show([week('2027-05-03', 0.05)], 4);
  expect(container.textContent).toBe('');
});
