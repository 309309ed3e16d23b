import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { dayOf } from '../../core/calendar/day.ts';
import { Strands, type StrandShown } from './Strands.tsx';

const d = dayOf;
const today = d('2027-05-01');
const strand = (
  id: StrandShown['id'],
  low: string,
  mid: string,
  high: string,
  more: Partial<StrandShown> = {},
): StrandShown => ({
  id,
  title: id,
  note: '',
  over: { low: d(low), mid: d(mid), high: d(high) },
  holdsBack: 0,
  ...more,
});
const show = (strands: StrandShown[], ready = '2027-06-10') =>
  render(
    <Strands strands={strands} motif="grass" today={today} ready={d(ready)} plantDay={d('2027-06-05')} />,
  ).container;

test('each strand is told with its range to who cannot see it, and both days are written beside their lines', () => {
  show([
    strand('dead', '2027-05-10', '2027-05-12', '2027-05-16'),
    strand('warm', '2027-05-20', '2027-06-10', '2027-06-14'),
  ]);
  expect(screen.getByText('dead: 10 May to 16 May. warm: 20 May to 14 Jun.')).not.toBeNull();
  expect(screen.getByText('meant for 5 Jun')).not.toBeNull();
  expect(screen.getByText('ready 10 Jun')).not.toBeNull();
});

test('a strand that has run out hangs no longer and says so; one that lasts hangs the longer the later it ends', () => {
  const page = show([
    strand('flat', '2027-04-20', '2027-04-22', '2027-04-25'),
    strand('dead', '2027-05-10', '2027-05-12', '2027-05-16'),
    strand('warm', '2027-05-20', '2027-05-30', '2027-06-04'),
  ]);
  expect(screen.getAllByText('no wait')).toHaveLength(1);
  const woven = [...page.querySelectorAll('figure svg rect:first-child')].map((r) =>
    Number(r.getAttribute('height')),
  );
  const long = woven.filter((h) => h > 20).sort((a, b) => a - b);
  expect(long).toHaveLength(2);
  expect(long[1]! / long[0]!).toBeGreaterThan(1.5);
});

test('a check that fades is woven ever thinner', () => {
  const left = [1, 0.6, 0.2, 0].map((share, i) => ({ day: d('2027-05-06') + i * 3, share }));
  const page = show([strand('check', '2027-05-12', '2027-05-15', '2027-05-18', { left })]);
  const opacities = [...page.querySelectorAll('rect[opacity]')].map((r) => Number(r.getAttribute('opacity')));
  expect(opacities).toEqual([1, 0.6, 0.2, 0]);
});
