import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { methods } from '../../catalogue/catalogue.ts';
import { isoOf } from '../../core/calendar/day.ts';
import { keptWorth } from '../../core/plan/endings.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { methodsHere } from '../../questions/methods.ts';
import { predictedOf } from '../../questions/predicted.ts';
import { foretold } from '../../ring/foretold.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { showDay, showIsoYear } from '../../ui/dates.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { readyWords } from '../../ui/readyWords.ts';
import TerminatePage from './TerminatePage.tsx';

const kept = demoGarden();
const today = kept.garden.seasonClock!;
const stands = kept.covers.find((c) => c.method === 'crimp' && c.verdict === null && !c.passes[0]!.doneOn)!;
const bed = kept.beds.find((b) => b.id === stands.bedId)!;
const at = (cover: { id: string }, of = kept) =>
  renderInGarden(<TerminatePage />, {
    kept: of,
    path: `/cover/${cover.id}/terminate`,
    pattern: '/cover/:coverId/terminate',
  });

describe('the last weeks of a cover', () => {
  const { asked, forecast } = foretold(kept, stands);
  const here = methodsHere(kept.garden, bed);
  const can = here.filter((m) => m.missing.length === 0 && m.proposed !== false).map((m) => m.id);
  const ways = forecast.endings
    .map((e) => (e.method === stands.method ? { ...forecast.settled!, windowDays: e.windowDays } : e))
    .filter((e) => can.includes(e.method))
    .sort((a, b) => keptWorth(b, stands.aims) - keptWorth(a, stands.aims));
  const nameOf = (id: string) => methods.find((m) => m.id === id)!.name;

  test('say what is next and how sure that is, as the core has it; ways hang by what they are worth, and one taken is written with its days', async () => {
    const { user, db } = await at(stands);
    expect((await screen.findByText(readyWords(forecast.settled!, asked.plantDay))).textContent).toBeTruthy();
    expect(screen.getByText(`${nameOf('crimp')}, ${showDay(forecast.settled!.startDay)}`)).toBeTruthy();
    const board = await screen.findByRole('region', { name: 'Ways to end it' });
    const shown = within(board).getAllByRole('region');
    expect(shown.map((w) => w.getAttribute('aria-label')!.toLowerCase())).toEqual(
      ways.map((w) => METHOD_SHORT[w.method]),
    );
    // Under each its odds.
    expect(shown.map((w) => /(\d+) of 100 ready/.exec(w.textContent!)![1])).toEqual(
      ways.map((w) => String(Math.round(w.odds.inTime * 100))),
    );
    const k = ways.findIndex((w) => w.method !== stands.method);
    const other = ways[k]!;
    await user.click(within(shown[k]!).getAllByRole('button')[0]!);
    const plan = screen.getByRole('region', { name: `Plan: ${nameOf(other.method)}` });
    expect(within(plan).getByText(readyWords(other, asked.plantDay))).toBeTruthy();
    await user.click(within(plan).getByRole('button', { name: /^End it this way/ }));
    const passes = datedPasses(here.find((m) => m.id === other.method)!.passes, other, asked.plantDay);
    await waitFor(async () => expect((await db.covers.get(stands.id))!.method).toBe(other.method));
    const stored = (await db.covers.get(stands.id))!;
    expect(stored.passes).toEqual(passes);
    expect(stored.predicted).toEqual(predictedOf(other, today));
    expect(stored.formerPlans.at(-1)).toEqual({
      until: today,
      method: 'crimp',
      due: stands.passes[0]!.due,
      why: 'chosen-anew',
    });
    expect(await screen.findByText(/^Until 13 Apr 2027:/)).toBeTruthy();
  });

  test('that were let go by are overdue, and the forecast is that of beginning today', async () => {
    const late = { ...stands, passes: stands.passes.map((p) => ({ ...p, due: '2027-04-01' })) };
    const of = { ...kept, covers: kept.covers.map((c) => (c.id === late.id ? late : c)) };
    await at(late, of);
    expect(await screen.findByText('Crimp: overdue')).toBeTruthy();
    const sure = readyWords(foretold(of, late).forecast.settled!, asked.plantDay);
    await waitFor(() =>
      expect(screen.getByText(/That is with the work begun today/).textContent).toContain(sure),
    );
  });
});

test('a cover seen dead says so and leads to planting back, and asks for nothing more', async () => {
  const gone = kept.covers.find((c) => c.verdict === 'dead' && c.endedOn)!;
  await at(gone);
  expect(await screen.findByText(`Dead, seen ${showIsoYear(gone.endedOn!)}`)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'To planting back' }).getAttribute('href')).toBe(
    `/cover/${gone.id}/plant`,
  );
  expect(screen.queryByRole('region', { name: 'Ways to end it' })).toBeNull();
});

test('what was done and lives is treated again, planted among, or planted later, each with its odds', async () => {
  const done = {
    ...stands,
    verdict: 'regrew' as const,
    passes: stands.passes.map((p) => ({ ...p, due: '2027-03-20', doneOn: '2027-03-20' })),
  };
  const of = { ...kept, covers: kept.covers.map((c) => (c.id === done.id ? done : c)) };
  const { forecast, asked } = foretold(of, done);
  const { user, db } = await at(done, of);
  expect(await screen.findByText('Some grew again')).toBeTruthy();
  const now = await screen.findByRole('region', { name: 'What now?' });
  const offered = within(now)
    .getAllByRole('button', { name: /^Do this/ })
    .map((b) => b.textContent);
  const can = methodsHere(kept.garden, bed).filter((m) => m.missing.length === 0 && m.proposed !== false);
  const best = forecast.endings
    .filter((e) => can.some((m) => m.id === e.method) && e.odds.inTime >= 0.05)
    .sort((a, b) => keptWorth(b, done.aims) - keptWorth(a, done.aims))
    .slice(0, 3);
  const nameOf = (id: string) => methods.find((m) => m.id === id)!.name;
  expect(offered).toEqual(best.map((e) => `Do this: ${nameOf(e.method).toLowerCase()}`));
  expect(within(now).getByText(`Plant anyway on ${showDay(asked.plantDay)}`)).toBeTruthy();
  await user.click(within(now).getByRole('button', { name: offered[0]! }));
  await waitFor(async () => expect((await db.covers.get(done.id))!.method).toBe(best[0]!.method));
  const stored = (await db.covers.get(done.id))!;
  // What was done stays, and the new steps come after it.
  expect(stored.passes.slice(0, done.passes.length)).toEqual(done.passes);
  expect(stored.passes[done.passes.length]!.due).toBe(isoOf(best[0]!.startDay));
  expect(stored.formerPlans.at(-1)!.why).toBe('grew-again');
});
