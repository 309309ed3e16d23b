import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { WorkPlan } from './WorkPlan.tsx';

const kept = demoGarden();
const twice = kept.covers.find(
  (c) => c.sownOn && c.method === 'cut-twice' && c.passes.every((p) => !p.doneOn),
)!;
const lying = kept.covers.find(
  (c) =>
    c.passes.some((p) => p.kind === 'lift-sheet' && !p.doneOn) &&
    c.passes.some((p) => p.kind === 'lay-sheet' && p.doneOn),
)!;

function Plan({ id, now }: { id: string; now?: Pick<Forecast, 'under' | 'cutAgain'> }) {
  const cover = useGarden().covers.find((c) => c.id === id)!;
  return <WorkPlan cover={cover} ending={undefined} now={now} work={[]} bed="9" />;
}

test('the step that is next can be logged, and then the one after it; the second cut asks for a look first', async () => {
  const { user, db } = await renderInGarden(<Plan id={twice.id} now={{ cutAgain: 0.63 }} />, { kept });
  expect(screen.getAllByRole('button', { name: /^Log it done/ })).toHaveLength(1);
  const steps = screen.getAllByRole('listitem');
  expect(within(steps[0]!).queryByText(/Look at ten crowns first/)).toBeNull();
  expect(within(steps[1]!).getByText(/only where more than one of them is green/)).not.toBeNull();
  // How often it is needed is known once the first cut was made.
  expect(within(steps[1]!).queryByText(/years of 100/)).toBeNull();
  await user.click(screen.getByRole('button', { name: /^Log it done/ }));
  expect(await within(steps[1]!).findByText('Needed in 63 years of 100.')).not.toBeNull();
  const stored = (await db.covers.get(twice.id))!;
  expect(stored.passes.map((p) => p.doneOn)).toEqual([kept.garden.seasonClock, null]);
  expect(within(steps[0]!).getByText(/^done 13 Apr 2027/)).not.toBeNull();
});

test('a second pressing, days after the first, is one and the same blow: no look stands before it', async () => {
  const pressed = kept.covers.find(
    (c) => c.sownOn && c.method === 'crimp' && c.passes.every((p) => !p.doneOn),
  )!;
  await renderInGarden(<Plan id={pressed.id} now={{}} />, { kept });
  expect(screen.getAllByRole('listitem')).toHaveLength(2);
  expect(screen.queryByText(/Look at ten crowns first/)).toBeNull();
});

test('a sheet says how much heat has come under it', async () => {
  const day = 20_000;
  const under = { since: day, film: false, soFar: 17.6, needs: { low: 36, mid: 43, high: 51 } };
  await renderInGarden(<Plan id={lying.id} now={{ under }} />, { kept });
  expect(screen.getByText(/of 36 to 51 days at 20 °C have come under it since/).textContent).toMatch(
    /^18 of/,
  );
  expect(screen.getByRole('progressbar').getAttribute('value')).toBe('41');
});

test('crowns that were counted are a look; seen dead, nothing more is due', async () => {
  const { user, db } = await renderInGarden(<Plan id={lying.id} />, { kept });
  await user.selectOptions(screen.getByLabelText('Green among them'), '3');
  await user.click(screen.getByRole('button', { name: 'Log the count' }));
  await waitFor(async () => {
    const looks = (await db.looks.toArray()).filter((l) => l.coverId === lying.id && l.crowns);
    expect(looks.map((l) => l.crowns)).toContainEqual({ green: 3, of: 10 });
  });
  // What is green under a sheet may be dead when it comes off: nothing is said to have grown again.
  expect((await db.covers.get(lying.id))!.verdict).toBeNull();
  // It is dead is said once nothing is to be done any more.
  expect(screen.queryByRole('button', { name: 'It is dead' })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Log it done: lift the sheet' }));
  await user.click(await screen.findByRole('button', { name: 'It is dead' }));
  await user.click(await screen.findByRole('button', { name: 'It lives after all' }));
  expect(await screen.findByRole('button', { name: 'It is dead' })).not.toBeNull();
  expect(await db.covers.get(lying.id)).toMatchObject({ verdict: null, endedOn: null });
});

test('what is no day stands in the way of every step until it is one', async () => {
  const { user, db } = await renderInGarden(<Plan id={lying.id} />, { kept });
  const field = screen.getByLabelText('Day it was done or seen');
  await user.clear(field);
  await user.type(field, '30 Feb');
  const steps = () =>
    screen.getAllByRole<HTMLButtonElement>('button', { name: /^(Log|It is dead)/ }).map((b) => b.disabled);
  await user.click(screen.getByRole('button', { name: 'Log the count' }));
  expect(screen.getByRole('alert').textContent).toMatch(/^No such day/);
  expect(new Set(steps())).toEqual(new Set([true]));
  expect(await db.looks.count()).toBe(kept.looks.length);
  await user.clear(field);
  await user.type(field, '12 Apr{Enter}');
  expect(new Set(steps())).toEqual(new Set([false]));
  await user.click(screen.getByRole('button', { name: 'Log the count' }));
  await waitFor(async () => expect(await db.looks.count()).toBe(kept.looks.length + 1));
  const fresh = (await db.looks.toArray()).find((l) => !kept.looks.some((o) => o.id === l.id));
  expect(fresh!.on).toBe('2027-04-12');
});
