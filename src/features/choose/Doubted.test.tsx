import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { dayOf } from '../../core/calendar/day.ts';
import { type Change } from '../../core/choose/change.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { Doubted } from './Doubted.tsx';

const sample = (id: string, name: string, inTime: number, changes: Change[] = []) =>
  ({ id, name, best: { odds: { inTime } }, changes }) as unknown as Sample;
const later: Change = { kind: 'plant-later', days: 21, odds: 0.86, method: 'sheet', startDay: 0, serves: {} };

function show(doubted: Sample, better: Sample | undefined) {
  const said: string[] = [];
  render(
    <Doubted
      sample={doubted}
      better={better}
      plantDay={dayOf('2028-04-01')}
      crop="carrot"
      put={() => said.push('put')}
      plantOn={(day) => said.push(`plant on ${day - dayOf('2028-04-01')}`)}
      show={(id) => said.push(`show ${id}`)}
    />,
  );
  return { user: userEvent.setup(), said };
}

test('what hardly ever works is asked about: the planting day that would hold first, the better cover, or all the same', async () => {
  const { user, said } = show(sample('a', 'Field bean', 0.04, [later]), sample('b', 'White mustard', 0.99));
  expect(screen.getByRole('alert').textContent).toMatch(/in only 4 years of 100\. White mustard is in 99\./);
  expect(
    screen.getAllByRole('button').map((b) => [b.textContent, b.classList.contains('btn-primary')]),
  ).toEqual([
    ['Plant carrot on 22 Apr instead: 86 of 100', true],
    ['Show white mustard', false],
    ['Put field bean on all the same', false],
  ]);
  for (const b of screen.getAllByRole('button')) await user.click(b);
  expect(said).toEqual(['plant on 21', 'show b', 'put']);
});

test('without a later day the better cover leads; where it is itself the best there is nothing beside it', () => {
  show(sample('a', 'Field bean', 0), sample('b', 'White mustard', 0.5));
  expect(
    screen.getAllByRole('button').map((b) => [b.textContent, b.classList.contains('btn-primary')]),
  ).toEqual([
    ['Show white mustard', true],
    ['Put field bean on all the same', false],
  ]);
});

test('the best itself is no better choice than itself', () => {
  const only = sample('a', 'Field bean', 0.1);
  show(only, only);
  expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual(['Put field bean on all the same']);
});
