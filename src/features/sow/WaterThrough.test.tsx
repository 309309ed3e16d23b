import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { places } from '../../catalogue/places.ts';
import { siteFromNormals } from '../../core/climate/normals.ts';
import { forecastInput } from '../../questions/cover.ts';
import { useGarden } from '../../ring/garden.tsx';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { WaterThrough } from './WaterThrough.tsx';

const base = demoGarden();
const of = base.covers.find((c) => c.sownOn && c.verdict === null)!;

/** The tick for one cover as the records have it now, and what its forecast is asked with. */
function Shown() {
  const { garden, beds, covers, plantings, today } = useGarden();
  const cover = covers.find((c) => c.id === of.id)!;
  const bed = beds.find((b) => b.id === cover.bedId)!;
  const { irrigated } = forecastInput(garden, bed, cover, plantings, [], today, 10);
  return (
    <>
      <WaterThrough cover={cover} />
      <p data-testid="asked">{String(irrigated)}</p>
    </>
  );
}
const asked = () => screen.getByTestId('asked').textContent;
const box = () =>
  screen.queryByRole('checkbox', { name: /Watered through dry weeks/ }) as HTMLInputElement | null;
const inTown = (town: string) => {
  const fit = siteFromNormals(places.find((p) => p.name === town)!);
  if (!fit.ok) throw new Error(fit.failure.code);
  return { ...base, garden: { ...base.garden, site: fit.value } };
};

test('on a dry site a cover is ticked as watered, its forecast goes by it, and the tick comes off again', async () => {
  const { user, db } = await renderInGarden(<Shown />, { kept: inTown('Phoenix') });
  await waitFor(() => expect(box()!.checked).toBe(false));
  expect(asked()).toBe('undefined');
  await user.click(box()!);
  await waitFor(() => expect(asked()).toBe('true'));
  expect((await db.covers.get(of.id))!.irrigated).toBe(true);
  await user.click(box()!);
  await waitFor(() => expect(asked()).toBe('false'));
  expect(box()!.checked).toBe(false);
});

test('where rain brings most of it nothing is asked, unless the cover is watered; nor of one that is dead', async () => {
  const rainy = inTown('Bergen (Florida)');
  const first = await renderInGarden(<Shown />, { kept: rainy });
  expect(box()).toBeNull();
  first.unmount();
  const with_ = (more: object) => ({
    ...rainy,
    covers: rainy.covers.map((c) => (c.id === of.id ? { ...c, ...more } : c)),
  });
  const watered = await renderInGarden(<Shown />, { kept: with_({ irrigated: true }) });
  await waitFor(() => expect(box()!.checked).toBe(true));
  watered.unmount();
  await renderInGarden(<Shown />, {
    kept: with_({ irrigated: true, verdict: 'dead', endedOn: '2027-04-01' }),
  });
  expect(box()).toBeNull();
});
