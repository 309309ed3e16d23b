import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { showMass } from '../../core/units/show.ts';
import { seedOnGround, weightsOf } from '../../questions/weights.ts';
import { type Cover } from '../../records/types.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import SeedPage from './SeedPage.tsx';

const base = demoGarden();
const bed = base.beds.find((b) => b.name === '12')!;
const seedOf = (speciesId: string) => ({
  speciesId,
  germination: 0.9,
  hard: 0,
  purity: 0.98,
  coating: 0,
  used_g: null,
  lotId: null,
});
const planned: Cover = {
  ...base.covers.find((c) => c.sownOn)!,
  id: 'planned',
  bedId: bed.id,
  parts: [
    { speciesId: 'cereal-rye', share: 0.5 },
    { speciesId: 'hairy-vetch', share: 0.5 },
  ],
  seed: ['cereal-rye', 'hairy-vetch'].map(seedOf),
  sowOn: '2027-09-10',
  sownOn: null,
  passes: [],
  waterings: [],
  verdict: null,
  endedOn: null,
  nextPlantingId: null,
  strips: null,
  rateTimes: 1,
  weeksLate: 0,
  eaten: false,
  throws: 2,
};
const lot = (id: string, treated: boolean, label: string) => ({
  ...base.lots[0]!,
  id,
  speciesId: 'cereal-rye',
  label,
  treated,
  year: 2026,
  left_g: 400,
  purity: 0.95,
  coating: 0,
  test: { sown: 50, sprouted: 40, on: '2027-04-01' },
});
const kept = {
  ...base,
  lots: [lot('clean', false, 'attic'), lot('pink', true, 'bought')],
  covers: [...base.covers, planned],
};
const at = () =>
  renderInGarden(<SeedPage />, { kept, path: '/cover/planned/seed', pattern: '/cover/:coverId/seed' });
const total = (cover: Cover) =>
  weightsOf(cover, bed)
    .map(
      (w) =>
        `${showMass(w.weigh_g, base.garden.units)} ${w.speciesId === 'cereal-rye' ? 'cereal rye' : 'hairy vetch'}`,
    )
    .join(' + ');

test('the weights are those of the working; a rate of one’s own is kept through another germination and another number of throws', async () => {
  const { user, db } = await at();
  expect(screen.getByText(total(planned))).toBeTruthy();
  const stored = async () => (await db.covers.get('planned'))!;
  await db.covers.put({ ...planned, rateTimes: 1.5 });
  const thick = { ...planned, rateTimes: 1.5 };
  expect(await screen.findByText(total(thick))).toBeTruthy();
  expect(weightsOf(thick, bed)[0]!.weigh_g / weightsOf(planned, bed)[0]!.weigh_g).toBeCloseTo(1.5, 9);
  const [germination] = screen.getAllByLabelText('Germination %');
  await user.clear(germination!);
  await user.type(germination!, '60');
  await user.tab();
  await waitFor(async () => expect((await stored()).seed[0]!.germination).toBe(0.6));
  expect((await stored()).seed[1]).toEqual(seedOf('hairy-vetch'));
  await user.selectOptions(screen.getByLabelText('Throws over the bed'), '3');
  await waitFor(async () => expect((await stored()).throws).toBe(3));
  expect((await stored()).rateTimes).toBe(1.5);
  // Half as much living seed again, whatever the bag holds.
  expect(seedOnGround(await stored(), bed)[0]! / seedOnGround(planned, bed)[0]!).toBeCloseTo(1.5, 9);
  expect(await screen.findByText(total(await stored()))).toBeTruthy();
});

test('a germination that no seed has goes back to what it was', async () => {
  const { user, db } = await at();
  const [germination] = screen.getAllByLabelText<HTMLInputElement>('Germination %');
  for (const wrong of ['0', '101', '4']) {
    await user.clear(germination!);
    await user.type(germination!, wrong);
    await user.tab();
    expect(germination!.value).toBe('90');
  }
  expect((await db.covers.get('planned'))!.seed[0]!.germination).toBe(0.9);
});

test('seed is taken from the shelf with what its test showed; treated seed is not offered where it will be eaten', async () => {
  const { user, db } = await at();
  const shelf = () => screen.getByLabelText<HTMLSelectElement>('From the shelf');
  const offered = () => [...shelf().options].map((o) => o.value);
  expect(offered()).toEqual(['', 'clean', 'pink']);
  expect(shelf().options[2]!.textContent).toBe('bought 2026, 400 g left, 80 in 100 grow, treated');
  await user.selectOptions(shelf(), 'clean');
  await waitFor(async () =>
    expect((await db.covers.get('planned'))!.seed).toEqual([
      { ...seedOf('cereal-rye'), lotId: 'clean', germination: 0.8, purity: 0.95 },
      seedOf('hairy-vetch'),
    ]),
  );
  await user.click(screen.getByLabelText(/eaten/));
  await waitFor(async () => expect((await db.covers.get('planned'))!.eaten).toBe(true));
  await waitFor(() => expect(offered()).toEqual(['', 'clean']));
  expect(
    screen.getByText('A treated lot is on the shelf; it is not offered for what will be eaten.'),
  ).toBeTruthy();
  // Set aside first, and said to be eaten then: it goes back on the shelf.
  await user.click(screen.getByLabelText(/eaten/));
  await waitFor(() => expect(offered()).toEqual(['', 'clean', 'pink']));
  await user.selectOptions(shelf(), 'pink');
  await waitFor(async () => expect((await db.covers.get('planned'))!.seed[0]!.lotId).toBe('pink'));
  await user.click(screen.getByLabelText(/eaten/));
  await waitFor(async () => expect((await db.covers.get('planned'))!.seed[0]!.lotId).toBeNull());
  await user.selectOptions(shelf(), 'clean');
  await waitFor(async () => expect((await db.covers.get('planned'))!.seed[0]!.lotId).toBe('clean'));
  await user.selectOptions(shelf(), '');
  await waitFor(async () => expect((await db.covers.get('planned'))!.seed[0]!.lotId).toBeNull());
});
