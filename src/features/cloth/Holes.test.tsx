import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { type Segment } from '../../core/bed/timeline.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { demoKept } from '../../records/testStore.ts';
import { Holes } from './Holes.tsx';

const bed = demoKept().beds[0]!;
const [FROM, END] = [dayOf('2027-04-13'), dayOf('2028-04-13')];
const bare = (from: string, to: string): Segment =>
  ({ kind: 'bare', from: dayOf(from), to: dayOf(to) }) as Segment;
const show = (segments: Segment[], width = 60, perDay = 2) =>
  render(
    <MemoryRouter>
      <Holes
        bed={bed}
        segments={segments}
        x={10}
        width={width}
        y={(day) => (day - FROM) * perDay}
        to={END}
        end={END}
      />
    </MemoryRouter>,
  );
const links = () =>
  screen.queryAllByRole('link').map((a) => [a.getAttribute('aria-label'), a.getAttribute('href')]);

test('a hole says how long it is and leads to what fits there; four weeks are one, a day less is none', () => {
  show([
    bare('2027-06-01', '2027-06-29'),
    bare('2027-08-01', '2027-08-28'),
    { ...bare('2027-09-01', '2027-10-20'), kind: 'cover' } as Segment,
  ]);
  expect(links()).toEqual([
    [`Bed ${bed.name}: what fits in 28 days from 1 Jun`, `/bed/${bed.id}/choose?from=2027-06-01`],
  ]);
  expect(screen.getByRole('link').textContent).toBe('what fitsin 28 d');
});

test('ground that nobody has planned on is open from its day', () => {
  show([bare('2027-10-01', '2028-04-13')]);
  expect(links()).toEqual([
    [`Bed ${bed.name}: what fits from 1 Oct on`, `/bed/${bed.id}/choose?from=2027-10-01`],
  ]);
  expect(screen.getByRole('link').textContent).toBe('open');
});

test('a hole too small for its words is not offered; on a narrow strip they run along it', () => {
  const small = show([bare('2027-06-01', '2027-07-01')], 60, 1);
  expect(links()).toEqual([]);
  small.unmount();
  const narrow = show([bare('2027-06-01', '2027-07-06')], 30, 2);
  expect(screen.getByRole('link').textContent).toBe('35 d free');
  narrow.unmount();
  show([bare('2027-06-01', '2027-07-05')], 30, 2);
  expect(links()).toEqual([]);
});
