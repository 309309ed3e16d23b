import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { cropOf, feeds } from '../../catalogue/catalogue.ts';
import { isoOf, dayOf } from '../../core/calendar/day.ts';
import { showMass } from '../../core/units/show.ts';
import { plantBack } from '../../core/plantBack/plantBack.ts';
import { familiesBefore, plantBackInput } from '../../questions/plantBack.ts';
import { foretold } from '../../ring/foretold.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { showDay, showIso, showSpan } from '../../ui/dates.ts';
import { readyWords } from '../../ui/readyWords.ts';
import PlantBackPage from './PlantBackPage.tsx';

const kept = demoGarden();
const today = kept.garden.seasonClock!;
const cover = kept.covers.find(
  (c) =>
    c.method === 'cut-twice' &&
    c.sownOn &&
    c.verdict === null &&
    c.parts.length === 2 &&
    c.parts[0]!.speciesId === 'cereal-rye',
)!;
const bed = kept.beds.find((b) => b.id === cover.bedId)!;
const next = kept.plantings.find((p) => p.id === cover.nextPlantingId)!;
const crop = cropOf(next.cropId);
const at = () =>
  renderInGarden(<PlantBackPage />, {
    kept,
    path: `/cover/${cover.id}/plant`,
    pattern: '/cover/:coverId/plant',
  });

test('the day it is ready, what holds it back, what the bed lacks and what would be sooner are the core’s, and another crop is planned with one tap', async () => {
  const { forecast, asked } = foretold(kept, cover);
  const ending = forecast.settled!;
  const families = familiesBefore(
    { bed, plantings: kept.plantings, covers: kept.covers },
    next,
    asked.plantDay,
  );
  const answer = plantBack(
    plantBackInput(
      asked,
      ending,
      crop,
      next.way,
      families.map((f) => f.family),
    ),
  );
  const { user, db } = await at();
  expect(await screen.findByText(`Ready ${showDay(ending.plantable.mid)}`)).toBeTruthy();
  const last = [...answer.strands].sort((a, b) => b.holdsBack - a.holdsBack)[0]!;
  expect(last.id).toBe('warm');
  const held = `What holds it back: the soil, which must be warm enough (last in ${Math.round(last.holdsBack * 100)} years of 100).`;
  expect((await screen.findByText((t) => t.includes(held))).textContent).toBe(
    `${showSpan(ending.plantable.low, ending.plantable.high)} in 8 years of 10. ${readyWords(ending, asked.plantDay)} ${held}`,
  );
  const gives = screen.getByRole('region', { name: `What the bed gives ${crop.name.toLowerCase()}` });
  const grams = answer.feeding.short_g_m2.mid * bed.area_m2;
  expect(grams).toBeGreaterThan(5);
  const fed = within(gives).getAllByRole('listitem');
  expect(fed).toHaveLength(feeds.length);
  const [weighed, index] = [feeds.find((f) => f.by !== 'litre')!, feeds.findIndex((f) => f.by !== 'litre')];
  expect(fed[index]!.textContent).toContain(
    showMass(Math.round(grams / weighed.free_g / 10) * 10, kept.garden.units),
  );
  const sooner = screen.getByRole('region', { name: 'Sooner?' });
  const instead = answer.remedies.filter((r) => r.id === 'instead' && r.daysWon >= 1);
  expect(instead.length).toBeGreaterThan(0);
  for (const r of instead)
    expect(sooner.textContent).toContain(
      `${cropOf(r.cropId!).name} ${showDay(r.readyDay)}; in time in ${Math.round(r.odds * 100)} of 100`,
    );
  const other = cropOf(instead[0]!.cropId!);
  await user.click(within(sooner).getByRole('button', { name: `Plan ${other.name.toLowerCase()}` }));
  await waitFor(async () => expect((await db.plantings.get(next.id))!.cropId).toBe(other.id));
});

test('a planting is logged for the day it was done, and the time it stands stays', async () => {
  const { user, db } = await at();
  const field = await screen.findByLabelText<HTMLInputElement>('Planted on');
  expect(field.value).toBe(`${showIso(today)} 2027`);
  const log = screen.getByRole('button', { name: `Log planting of ${crop.name.toLowerCase()}` });
  // What is no day is not taken for the day that stood there before.
  await user.clear(field);
  await user.type(field, '31 Apr 2027');
  await user.click(log);
  expect((await screen.findByRole('alert')).textContent).toMatch(/^No such day/);
  expect((await db.plantings.get(next.id))!.plantedOn).toBeNull();
  await user.clear(field);
  await user.type(field, '12 Apr 2027');
  await user.click(log);
  expect(await screen.findByText('Planted 12 Apr 2027')).toBeTruthy();
  const stored = (await db.plantings.get(next.id))!;
  const stands = dayOf(next.clearOn) - dayOf(next.plantOn);
  expect(stored).toEqual({
    ...next,
    plantedOn: '2027-04-12',
    clearOn: isoOf(dayOf('2027-04-12') + stands),
  });
  // What was meant to bring it forward is no longer asked.
  expect(screen.queryByRole('region', { name: 'Sooner?' })).toBeNull();
});
