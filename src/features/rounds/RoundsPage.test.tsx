import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { coverTitle, endingFiguresOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { roundsOf } from '../../core/rounds/rounds.ts';
import { walkMinutes } from '../../core/rounds/way.ts';
import { roundCovers, wayToday } from '../../questions/rounds.ts';
import { BLANK_LOOK } from '../../records/verbs/verbs.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { STAGE_FORMS, stageFormOf } from '../../ui/drawings/stageForms.ts';
import { questionTitle } from '../../ui/questionWords.ts';
import RoundsPage from './RoundsPage.tsx';
import { type Stop } from './stop.ts';

const demo = demoGarden();
const today = '2027-04-20';
const kept = { ...demo, garden: { ...demo.garden, seasonClock: today } };
/** What the core asks of every bed today, in the order in which they are passed. */
const stops = wayToday(
  roundsOf(roundCovers(kept, today), dayOf(today)).flatMap((b) =>
    b.questions.map((question): Stop => ({ coverId: b.coverId, bedId: b.bedId, question })),
  ),
  kept,
  today,
).order;
const bedName = (id: string) => kept.beds.find((b) => b.id === id)!.name;
const coverOf = (s: Stop) => kept.covers.find((c) => c.id === s.coverId)!;

test('the walk lists what the core asks, in its order; a card answered is that look and no other, and the walk goes on where it was left', async () => {
  const { user, db, unmount } = await renderInGarden(<RoundsPage />, { kept });
  const begin = await screen.findByRole('button', { name: `Begin at bed ${bedName(stops[0]!.bedId)}` });
  expect(screen.getAllByRole('listitem').map((li) => within(li).getByRole('button').textContent)).toEqual(
    stops.map((s, i) =>
      expect.stringContaining(
        `${i + 1}Bed ${bedName(s.bedId)} · ${coverTitle(coverOf(s)).toLowerCase()}${questionTitle(s.question)}`,
      ),
    ),
  );
  const beds = new Set(stops.map((s) => s.bedId)).size;
  const { length_m } = wayToday(stops, kept, today);
  expect(
    screen.getByText((t) => t.startsWith(`${beds} beds, about ${walkMinutes(stops, length_m)} min`)),
  ).toBeTruthy();
  const k = stops.findIndex((s) => s.question.kind === 'stage' && coverOf(s).parts.length > 1);
  expect(k).toBeGreaterThanOrEqual(0);
  const speciesId = stops[k]!.question.speciesId ?? coverOf(stops[k]!).parts[0]!.speciesId;
  await user.click(begin);
  for (let i = 0; i < k; i++) {
    expect(await screen.findByRole('heading', { name: questionTitle(stops[i]!.question) })).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Skip' }));
  }
  await screen.findByText(`${k + 1} of ${stops.length}`);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
  const before = await db.looks.count();
  const words = STAGE_FORMS[stageFormOf(speciesId, endingFiguresOf(speciesId)?.group)].words;
  await user.click(screen.getByRole('button', { name: words.bud }));
  await user.click(screen.getByRole('button', { name: '7 of 10' }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(async () => expect(await db.looks.count()).toBe(before + 1));
  const { id, ...look } = (await db.looks.toArray()).find((l) => !kept.looks.some((o) => o.id === l.id))!;
  expect(id).toBeTruthy();
  expect(look).toEqual({
    ...BLANK_LOOK,
    gardenId: kept.garden.id,
    bedId: stops[k]!.bedId,
    coverId: stops[k]!.coverId,
    on: today,
    members: [
      { speciesId, stage: null, alive: null, count: null, tens: { stage: 'bud', reached: 7, of: 10 } },
    ],
  });
  // The page is shut in the middle of the walk.
  unmount();
  await renderInGarden(<RoundsPage />, { kept, again: true });
  await user.click(await screen.findByRole('button', { name: 'Finish later' }));
  const rows = screen.getAllByRole('listitem').map((li) => li.textContent!);
  expect(rows.filter((r) => / skipped/.test(r))).toHaveLength(k);
  expect(rows.filter((r) => / saved/.test(r))).toEqual([rows[k]]);
});
