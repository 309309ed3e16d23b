import { beforeAll, expect, test } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { coverDays } from '../../core/bed/timeline.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { EdgeHandles } from './EdgeHandles.tsx';

const kept = demoGarden();
const now = dayOf(kept.garden.seasonClock!);
const cover = kept.covers.find((c) => c.sownOn && c.verdict === null && c.passes.every((p) => !p.doneOn))!;
const next = kept.plantings.find((p) => p.id === cover.nextPlantingId)!;
const bed = kept.beds.find((b) => b.id === cover.bedId)!;
const PER_DAY = 2;
const FROM = now - 60;

function Strip() {
  const { beds } = useGarden();
  return (
    <EdgeHandles
      bed={beds.find((b) => b.id === bed.id)!}
      x={0}
      width={40}
      from={FROM}
      to={now + 400}
      y={(day) => (day - FROM) * PER_DAY}
      perDay={PER_DAY}
      now={now}
    />
  );
}

beforeAll(() => {
  // The stand-in page knows no capture of a pointer.
  HTMLElement.prototype.setPointerCapture = () => undefined;
});
const ending = () => screen.getByRole('slider', { name: /^Ending of / });
const due = async (db: Awaited<ReturnType<typeof renderInGarden>>['db']) =>
  (await db.covers.get(cover.id))!.passes.map((p) => p.due);
const by = (days: number) => cover.passes.map((p) => isoOf(dayOf(p.due) + days));

test('an end is dragged in the direction of the hand, a day for its height on the cloth, and no further than planting', async () => {
  const { db } = await renderInGarden(<Strip />, { kept });
  const end = coverDays(cover).endFrom;
  expect(ending().getAttribute('aria-valuenow')).toBe(String(end));
  // The stand-in page knows pointers as mice.
  const hand = (type: string, clientY = 0) =>
    act(() => void fireEvent(ending(), new MouseEvent(type, { bubbles: true, clientY })));
  const drag = (px: number) => {
    hand('pointerdown', 300);
    hand('pointermove', 300 + px);
  };
  drag(-3 * PER_DAY);
  expect(ending().getAttribute('aria-valuenow')).toBe(String(end - 3));
  // It is only in the hand: nothing is written before it is let go.
  expect(await due(db)).toEqual(by(0));
  hand('pointerup');
  await waitFor(async () => expect(await due(db)).toEqual(by(-3)));
  await waitFor(() => expect(ending().getAttribute('aria-valuenow')).toBe(String(end - 3)));
  drag(5 * PER_DAY);
  hand('pointerup');
  await waitFor(async () => expect(await due(db)).toEqual(by(2)));
  drag(1000 * PER_DAY);
  expect(ending().getAttribute('aria-valuenow')).toBe(String(dayOf(cover.plantBackOn!) - 1));
  hand('pointercancel');
  expect(await due(db)).toEqual(by(2));
});

test('with the keys: days, weeks, Enter keeps, Escape leaves as it was; odds stand beside it meanwhile', async () => {
  const { user, db } = await renderInGarden(<Strip />, { kept });
  ending().focus();
  await user.keyboard('{ArrowUp}{PageUp}{ArrowDown}{ArrowDown}');
  expect(ending().getAttribute('aria-valuenow')).toBe(String(coverDays(cover).endFrom - 6));
  expect((await screen.findByText(/^Out of the way in time in/)).textContent).toMatch(
    /\d+ of 100 years; (ready about \d+ \w+|in most years)/,
  );
  await user.keyboard('{Escape}');
  expect(ending().getAttribute('aria-valuenow')).toBe(String(coverDays(cover).endFrom));
  expect(await due(db)).toEqual(by(0));
  await user.keyboard('{PageUp}{Enter}');
  await waitFor(async () => expect(await due(db)).toEqual(by(-7)));
  expect((await db.log.toArray()).map((l) => l.verb)).toEqual(['move-edge']);
});

test('a crop is planted later by its handle, and is cleared so much later; its clearing moves alone', async () => {
  const { user, db } = await renderInGarden(<Strip />, { kept });
  const stored = async () => (await db.plantings.get(next.id))!;
  screen.getByRole('slider', { name: /^Planting of / }).focus();
  await user.keyboard('{PageDown}{Enter}');
  await waitFor(async () => expect((await stored()).plantOn).toBe(isoOf(dayOf(next.plantOn) + 7)));
  expect((await stored()).clearOn).toBe(isoOf(dayOf(next.clearOn) + 7));
  const clearing = screen.getAllByRole('slider', { name: /^Clearing of / }).at(-1)!;
  const cleared = dayOf(next.clearOn) + 7;
  await waitFor(() => expect(clearing.getAttribute('aria-valuenow')).toBe(String(cleared)));
  clearing.focus();
  await user.keyboard('{ArrowDown}');
  expect(within(clearing).getByRole('status').textContent).toMatch(/^Clearing of .*The bed is free from /);
  await user.keyboard('{Enter}');
  await waitFor(async () => expect((await stored()).clearOn).toBe(isoOf(dayOf(next.clearOn) + 8)));
  expect((await stored()).plantOn).toBe(isoOf(dayOf(next.plantOn) + 7));
});
