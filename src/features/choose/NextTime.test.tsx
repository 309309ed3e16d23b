import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { dayOf } from '../../core/calendar/day.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { NextTime } from './NextTime.tsx';

const demo = demoGarden();
const ended = demo.covers.filter((c) => c.passes.some((p) => p.doneOn) && c.sownOn);
const [one, two, three] = ended;
const line = (c: (typeof ended)[number], note: string, bedId: string, speciesId: string, sownOn: string) => ({
  ...c,
  bedId,
  note,
  sownOn,
  parts: [{ speciesId, share: 1 }],
});
const covers = [
  ...demo.covers
    .map((c) => ({ ...c, note: '' }))
    .filter((c) => ![one, two, three].some((k) => k!.id === c.id)),
  line(one!, 'other time, other bed, same kind', 'north-shore-bed-1', 'phacelia', '2025-04-01'),
  line(two!, 'this bed', 'north-shore-bed-8', 'buckwheat', '2025-01-10'),
  line(three!, 'same time of year', 'north-shore-bed-2', 'white-mustard', '2024-09-20'),
];
const kept = { ...demo, covers };
const told = () => screen.queryAllByRole('listitem').map((li) => li.textContent!.replace(/^Bed .*?: /, ''));

test('lines come back for the bed, the kind and the time of year; the bed and the kind before the time alone', async () => {
  const at = (day: string, kinds: string[]) => (
    <NextTime bedId="north-shore-bed-8" kinds={kinds} sowDay={dayOf(day)} />
  );
  const first = await renderInGarden(at('2027-09-25', ['phacelia']), { kept });
  expect(told()).toEqual(['other time, other bed, same kind', 'this bed', 'same time of year']);
  first.unmount();
  // Three weeks to the day is the same time, a day more is not.
  const edge = await renderInGarden(at('2027-10-11', []), { kept });
  expect(told()).toEqual(['this bed', 'same time of year']);
  edge.unmount();
  await renderInGarden(at('2027-10-12', []), { kept });
  expect(told()).toEqual(['this bed']);
});

test('the turn of the year parts nothing', async () => {
  await renderInGarden(<NextTime bedId="none" kinds={[]} sowDay={dayOf('2026-12-28')} />, { kept });
  expect(told()).toEqual(['this bed']);
});
