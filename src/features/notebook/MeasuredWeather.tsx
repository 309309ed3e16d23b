import { useMemo } from 'react';
import { dayOf } from '../../core/calendar/day.ts';
import { measuredAgainst, withMeasured } from '../../core/climate/measured.ts';
import { type UnitChoice } from '../../core/units/show.ts';
import { changeGarden } from '../../records/commands/change.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIsoYear } from '../../ui/dates.ts';

/** Under so much the site is left as it is, °C and share of rain. */
const LEAST_C = 0.2;
const LEAST_RAIN = 0.05;
const FAHRENHEIT = 1.8;

const degrees = (by: number, units: UnitChoice): string =>
  units.temperature === 'fahrenheit'
    ? `${Math.abs(by * FAHRENHEIT).toFixed(1)} °F`
    : `${Math.abs(by).toFixed(1)} °C`;

/** What was measured in the garden against the figures of its site, and whether forecasts may go by it. */
export function MeasuredWeather() {
  const { garden, weather, today, hands, run } = useGarden();
  const since = garden.measuredUntil ?? '';
  const measured = useMemo(
    () =>
      measuredAgainst(
        garden.site,
        weather
          .flatMap((w) => w.days)
          .filter((d) => d.on <= today && d.on > since)
          .map((d) => ({ ...d, day: dayOf(d.on) })),
      ),
    [garden.site, weather, today, since],
  );
  if (!measured) return null;
  const { nights_c, afternoons_c, rain_times, months } = measured;
  const rain = Math.round((rain_times.seen - 1) * 100);
  const moves =
    Math.abs(nights_c.here) >= LEAST_C ||
    Math.abs(afternoons_c.here) >= LEAST_C ||
    Math.abs(rain_times.here - 1) >= LEAST_RAIN;
  const off = (by: number) =>
    Math.abs(by) < LEAST_C
      ? 'as the site has them'
      : `${degrees(by, garden.units)} ${by < 0 ? 'colder' : 'warmer'} than the site’s`;
  const take = () =>
    void run(
      changeGarden(hands, garden.id, 'the weather that was measured', (g) => ({
        site: withMeasured(g.site, measured),
        measuredUntil: today,
      })),
    );
  return (
    <section aria-label="Measured weather" className="border-linen mt-4 border-t pt-3">
      <h3 className="font-display text-lg font-bold">Your weather against the site</h3>
      <p>
        {months} months measured{since && ` since ${showIsoYear(since)}`}: nights {off(nights_c.seen)},
        afternoons {off(afternoons_c.seen)}, rain{' '}
        {Math.abs(rain) < 100 * LEAST_RAIN ? 'as usual' : `${Math.abs(rain)} % ${rain < 0 ? 'less' : 'more'}`}
        .
      </p>
      {moves ? (
        <>
          <p className="text-bark">
            Of that{' '}
            {[
              Math.abs(nights_c.here) >= LEAST_C && `${degrees(nights_c.here, garden.units)} of the nights`,
              Math.abs(afternoons_c.here) >= LEAST_C &&
                `${degrees(afternoons_c.here, garden.units)} of the afternoons`,
              Math.abs(rain_times.here - 1) >= LEAST_RAIN &&
                `${Math.abs(Math.round((rain_times.here - 1) * 100))} % of the rain`,
            ]
              .filter(Boolean)
              .join(', ')}{' '}
            is taken for the place’s own, the rest for the luck of the months.
          </p>
          <button type="button" className="btn mt-2 h-auto py-2" onClick={take}>
            Take it into the site
          </button>
        </>
      ) : (
        <p className="text-bark">Too little apart to move the site.</p>
      )}
    </section>
  );
}
