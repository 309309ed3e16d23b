import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { ThisWeek } from './ThisWeek.tsx';

const kept = demoGarden();
const TODAY = '2027-04-13';
const stands = kept.covers.find(
  (c) => c.sownOn && c.verdict === null && c.passes.every((p) => !p.doneOn) && c.bedId.endsWith('bed-4'),
)!;
const wants = (next: number) =>
  new Map([
    [
      stands.id,
      {
        weeks: [],
        waters: { next: { low: next, mid: next, high: next }, times: { low: 1, mid: 2, high: 3 }, mm: 15 },
      },
    ],
  ]) as unknown as ReadonlyMap<string, Forecast>;
const waterings = () => screen.queryAllByRole('link', { name: /^Water bed/ }).map((l) => l.textContent);

test('what its forecast says of water is in the week’s work; where rain will do, it is not', async () => {
  const dry = await renderInGarden(<ThisWeek forecasts={wants(dayOf(TODAY) + 3)} />, { kept });
  // 9.6 m² at fifteen millimetres.
  expect(waterings()).toEqual(['Water bed 4: 15 mm']);
  expect(screen.getByRole('region', { name: 'This week' }).textContent).toContain('144 litres');
  dry.unmount();
  const wet = await renderInGarden(<ThisWeek forecasts={wants(Infinity)} />, { kept });
  expect(waterings()).toEqual([]);
  wet.unmount();
});
