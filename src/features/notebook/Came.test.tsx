import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { Came } from './Came.tsx';

const demo = demoGarden();
const cover = demo.covers.find(
  (c) =>
    c.predicted?.dead.low &&
    c.endedOn &&
    c.verdict === 'dead' &&
    c.note === '' &&
    demo.looks.some((l) => l.coverId === c.id),
)!;
const begun = cover.passes.find((p) => p.doneOn)!.doneOn!;
const sooner = (iso: string, days: number) => isoOf(dayOf(iso) - days);
/** The demo's cover alone, as if its end had been begun nine days late and been over late. */
const late = {
  ...demo,
  covers: [
    {
      ...cover,
      predicted: {
        ...cover.predicted!,
        startOn: sooner(begun, 9),
        dead: {
          low: sooner(cover.endedOn!, 12),
          mid: sooner(cover.endedOn!, 10),
          high: sooner(cover.endedOn!, 8),
        },
      },
    },
  ],
};

test('what came stands beside what was expected, and a lesson is kept with one tap', async () => {
  const { user, db } = await renderInGarden(<Came />, { kept: late });
  const keep = await screen.findByRole('button', { name: /^Keep: / });
  expect(screen.getByText('Dead').closest('div')!.textContent).toContain(
    'the day its ending was begun: 9 d later',
  );
  const line = keep.textContent!.replace('Keep: ', '');
  await user.click(keep);
  await waitFor(async () => expect((await db.covers.get(cover.id))!.note).toBe(line));
  await waitFor(() => expect(screen.queryByRole('button', { name: /^Keep: / })).toBeNull());
  expect((screen.getByLabelText('Next time') as HTMLInputElement).value).toBe(line);
});
