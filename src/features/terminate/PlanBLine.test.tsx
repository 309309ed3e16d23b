import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { dayOf } from '../../core/calendar/day.ts';
import { METRIC } from '../../core/units/show.ts';
import { type PlanB } from '../../core/work/planB.ts';
import { PlanBLine } from './PlanBLine.tsx';

const planB: PlanB = {
  method: 'sheet',
  takes_d: 35,
  latest: dayOf('2027-05-02'),
  fits: true,
  odds: 0.87,
  trigger: 'no-frost',
  decideOn: dayOf('2027-04-20'),
  rained_mm: 0,
};
const show = (part: Partial<PlanB>, today = '2027-04-01') => {
  const { container, unmount } = render(
    <PlanBLine
      planB={{ ...planB, ...part }}
      plantDay={dayOf('2027-06-06')}
      today={dayOf(today)}
      units={METRIC}
    />,
  );
  const text = container.textContent;
  unmount();
  return text;
};

test('says what to look for, on which day, and until when the other way can begin', () => {
  const text = show({});
  expect(text).toMatch(/Look on 20 Apr\. If frost has not killed it/);
  expect(text).toMatch(/must begin by 2 May for planting on 6 Jun/);
  expect(text).toMatch(/ready in 87 years of 100/);
  expect(screen.queryByRole('alert')).toBeNull();
});
test.each(['not-in-flower', 'green-under', 'ground-unfit', 'green-crowns', 'not-ripe', 'no-heat'] as const)(
  '%s has words of its own',
  (trigger) => expect(show({ trigger })).not.toMatch(/frost has not|undefined/),
);
test('too late is said with the day on which it was', () =>
  expect(show({}, '2027-05-10')).toMatch(/would have had to begin by 2 May.*too late/));
test('what cannot wait for the look is no plan B, and says so', () => {
  const text = show({ fits: false });
  expect(text).toMatch(/^No plan B fits in after the looks/);
  expect(text).not.toMatch(/Look on/);
});
test('rain that came too soon is told with its sum', () =>
  expect(show({ rained_mm: 9 })).toMatch(/9 mm of rain came within three days/));
