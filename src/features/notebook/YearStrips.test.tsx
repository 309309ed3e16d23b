import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { Years } from './Years.tsx';

const kept = demoGarden();
const titles = () =>
  [...document.querySelectorAll('svg text[text-anchor="middle"]')].map((t) => t.textContent);

test('the years of a bed, a cover wherever it stood, or a crop are laid side by side, each with its bed and year', async () => {
  const { user } = await renderInGarden(<Years />, { kept });
  expect(screen.getByRole('img', { name: /^Bed 1 in \d years$/ })).toBeTruthy();
  const side = screen.getByLabelText('Side by side');
  await user.selectOptions(side, 'a cover');
  await user.selectOptions(screen.getByLabelText('Cover'), 'hairy-vetch');
  const sown = kept.covers.filter((c) => c.sownOn && c.parts.some((p) => p.speciesId === 'hairy-vetch'));
  expect(sown.length).toBeGreaterThan(1);
  expect(screen.getByRole('img', { name: `Hairy vetch on ${sown.length} beds and years` })).toBeTruthy();
  const named = (bedId: string, on: string) =>
    `${kept.beds.find((b) => b.id === bedId)!.name} · ${on.slice(0, 4)}`;
  const wanted = sown.map((c) => named(c.bedId, c.sownOn!)).sort();
  expect(
    titles()
      .filter((t) => t!.includes(' · '))
      .sort(),
  ).toEqual(wanted);
  // Oldest first.
  const years = titles()
    .filter((t) => t!.includes(' · '))
    .map((t) => Number(t!.slice(-4)));
  expect(years).toEqual([...years].sort((a, b) => a - b));

  await user.selectOptions(side, 'a crop');
  await user.selectOptions(screen.getByLabelText('Crop'), 'lettuce');
  const planted = kept.plantings.filter((p) => p.plantedOn && p.cropId === 'lettuce');
  expect(
    titles()
      .filter((t) => t!.includes(' · '))
      .sort(),
  ).toEqual(planted.map((p) => named(p.bedId, p.plantedOn!)).sort());
  // Nothing is said of a bed that nobody looks at.
  expect(screen.queryByLabelText('Bed')).toBeNull();
  expect(screen.queryByText('This bed bare')).toBeNull();
  expect(screen.queryByText('Soil tests of this bed')).toBeNull();
});

test('the weather of a year is told against the usual', async () => {
  await renderInGarden(<Years />, { kept });
  const table = screen.getByRole('region', { name: 'Year by year' });
  expect(table.textContent).toMatch(/\d+ mm, \d+ % of usual/);
  expect(table.textContent).toMatch(/\d+ °C, (\d\.\d (colder|warmer) than usual|as usual)/);
});
