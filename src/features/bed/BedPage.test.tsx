import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { cropOf } from '../../catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../core/calendar/day.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import BedPage from './BedPage.tsx';

const kept = demoGarden();
const today = kept.garden.seasonClock!;
const bed = kept.beds.find((b) => b.name === '3')!;
const next = kept.plantings.filter((p) => p.bedId === bed.id).find((p) => !p.plantedOn)!;
const at = () => renderInGarden(<BedPage />, { kept, path: `/bed/${bed.id}`, pattern: '/bed/:bedId' });
const line = () => screen.getByText(cropOf(next.cropId).name, { selector: 'li b' }).closest('li')!;

test('each day of a crop is put right by itself; planted and cleared today are today', async () => {
  const { user, db, failures } = await at();
  const stored = async () => (await db.plantings.get(next.id))!;
  const clear = within(line()).getByLabelText('to clear');
  await user.clear(clear);
  await user.type(clear, `${isoOf(dayOf(next.clearOn) + 3)}{Enter}`);
  await waitFor(async () => expect((await stored()).clearOn).toBe(isoOf(dayOf(next.clearOn) + 3)));
  expect(await stored()).toEqual({ ...next, clearOn: isoOf(dayOf(next.clearOn) + 3) });
  const plant = within(line()).getByLabelText('to plant');
  await user.clear(plant);
  await user.type(plant, `${isoOf(dayOf(next.plantOn) + 1)}{Enter}`);
  await waitFor(async () => expect((await stored()).plantOn).toBe(isoOf(dayOf(next.plantOn) + 1)));
  expect((await stored()).clearOn).toBe(isoOf(dayOf(next.clearOn) + 3));
  // Cleared before it is planted is refused, and what stood stays.
  await user.clear(clear);
  await user.type(clear, `${isoOf(dayOf(next.plantOn) - 20)}{Enter}`);
  await waitFor(() => expect(failures.map((f) => f.code)).toEqual(['dates-out-of-order']));
  expect((await stored()).clearOn).toBe(isoOf(dayOf(next.clearOn) + 3));
  await user.click(within(line()).getByRole('button', { name: 'Planted today' }));
  await waitFor(async () => expect((await stored()).plantedOn).toBe(today));
});

test('a crop is put on the bed from its day, planted where that day has come, for as long as such crops stand; on another it is refused', async () => {
  const { user, db, failures } = await at();
  const before = await db.plantings.count();
  const day = await screen.findByLabelText('Planted or to plant on');
  const put = () => user.click(screen.getByRole('button', { name: `Put this crop on bed ${bed.name}` }));
  await user.selectOptions(screen.getByLabelText('Crop'), 'lettuce');
  await user.clear(day);
  await user.type(day, '1 Mar 2030');
  await put();
  await waitFor(async () => expect(await db.plantings.count()).toBe(before + 1));
  const made = (await db.plantings.toArray()).find((p) => p.plantOn === '2030-03-01')!;
  const { days, ways } = cropOf('lettuce');
  expect(made).toMatchObject({
    cropId: 'lettuce',
    bedId: bed.id,
    way: ways[0],
    plantedOn: null,
    clearedOn: null,
  });
  expect(dayOf(made.clearOn) - dayOf(made.plantOn)).toBe(Math.round((days[0] + days[1]) / 2));
  await user.clear(day);
  await user.type(day, '10 Mar 2030');
  await put();
  await waitFor(() => expect(failures.map((f) => f.code)).toEqual(['crops-overlap']));
  expect(await db.plantings.count()).toBe(before + 1);
});
