import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import { gardenYears } from '../../core/years/years.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { YearLedger } from './YearLedger.tsx';

const base = demoGarden();
const years = gardenYears('2026-01-01', '2026-12-31', false);
const sown = base.covers.find((c) => c.sownOn?.startsWith('2026') && c.parts.length === 1)!;
const kind = sown.parts[0]!.speciesId;
const bed = base.beds.find((b) => b.id === sown.bedId)!;
const lot = { ...base.lots[0]!, id: 'gift', speciesId: kind, free: true };
/** One cover alone, sown with 500 g at 8 a kilogram, hoed and then dug. */
const garden = (lotId: string | null) => ({
  ...base,
  garden: { ...base.garden, seedPrices: { [kind]: 8 }, currency: '£' },
  lots: [lot],
  notes: [],
  covers: [
    {
      ...sown,
      seed: sown.seed.map((s) => ({ ...s, used_g: 500, lotId })),
      passes: [
        { kind: 'dig', due: '2026-11-01', doneOn: '2026-11-01', minutes: 40 },
        { kind: 'hoe', due: '2026-11-20', doneOn: '2026-11-20' },
      ],
    },
  ],
});
const row = async () =>
  within(await screen.findByRole('region', { name: 'The ledger' }))
    .getAllByRole('row')
    .map((r) => r.textContent)
    .find((t) => t!.startsWith(bed.name));

test('a year tells what its seed cost, how deep the ground was turned and how often, and a gift costs nothing', async () => {
  const bought = await renderInGarden(<YearLedger years={years} />, { kept: garden(null) });
  expect(await row()).toMatch(/40 min£4\.0025 cm deep, 3 times$/);
  expect(screen.getByText(/40 min of work, £4\.00 of seed/)).toBeTruthy();
  bought.unmount();
  await renderInGarden(<YearLedger years={years} />, { kept: garden('gift') });
  expect(await row()).toMatch(/40 min–25 cm deep, 3 times$/);
});
