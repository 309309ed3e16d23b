import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { dayOf, isoOf, monthOf } from '../../core/calendar/day.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { MeasuredWeather } from './MeasuredWeather.tsx';

const base = demoGarden();
const { site } = base.garden;
/** A year and a half up to today of nights so much colder than the site's. */
const weather = (night: number) =>
  [2025, 2026, 2027].map((year) => ({
    id: `w${year}`,
    gardenId: base.garden.id,
    year,
    days: Array.from({ length: 365 }, (_, i) => {
      const day = dayOf(`${year}-01-01`) + i;
      const m = monthOf(day);
      return {
        on: isoOf(day),
        tmin_c: site.tmin_c[m]! + night,
        tmax_c: site.tmax_c[m]!,
        rain_mm: site.rain_mm[m]! / 30.4,
      };
    }).filter((d) => d.on > '2025-10-01' && d.on <= '2027-04-13'),
  }));

test('colder nights are told, taken into the site once, and not counted again', async () => {
  const kept = { ...base, weather: weather(-1) };
  const { user, db } = await renderInGarden(<MeasuredWeather />, { kept });
  expect((await screen.findByText(/months measured/)).textContent).toBe(
    '18 months measured: nights 1.0 °C colder than the site’s, afternoons as the site has them, rain as usual.',
  );
  expect(screen.getByText(/is taken for the place’s own/).textContent).toMatch(
    /^Of that 0\.8 °C of the nights /,
  );
  await user.click(screen.getByRole('button', { name: 'Take it into the site' }));
  await waitFor(() => expect(screen.queryByText(/months measured/)).toBeNull());
  const now = (await db.gardens.get(base.garden.id))!;
  expect(now.measuredUntil).toBe('2027-04-13');
  expect(now.site.tmin_c[0]! - site.tmin_c[0]!).toBeCloseTo(-0.835, 2);
  expect(now.site.tmax_c).toEqual(site.tmax_c);
});

test('weather as the site has it is said to be so, and offers nothing', async () => {
  await renderInGarden(<MeasuredWeather />, { kept: { ...base, weather: weather(0) } });
  await screen.findByText('Too little apart to move the site.');
  expect(screen.queryByRole('button')).toBeNull();
});
