import { useState } from 'react';
import { type ObservedDay } from '../../core/weather/generate.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { addWeather } from '../../records/commands/weather.ts';
import { useGarden } from '../../ring/garden.tsx';
import { WeatherFile } from '../../ring/WeatherFile.tsx';
import { showIsoYear } from '../../ui/dates.ts';

/** The weather of the season under way: what was measured, and a forecast for the days to come. Forecasts of covers go on from it. */
export function SeasonWeather() {
  const { garden, weather, today, hands, run } = useGarden();
  const [days, setDays] = useState<ObservedDay[] | null>(null);
  const known = weather.flatMap((w) => w.days).map((d) => d.on);
  const past = known.filter((on) => on <= today);
  const ahead = known.filter((on) => on > today);
  const fresh = days?.filter((d) => d.day <= dayOf(today)).length ?? 0;
  return (
    <section className="border-warp mt-6 border-t pt-3">
      <h2 className="font-display text-xl font-bold">The season’s weather</h2>
      <p>
        {past.length > 0
          ? `${past.length} days measured, to ${showIsoYear(past.reduce((a, b) => (a > b ? a : b)))}.`
          : 'Nothing measured yet: covers are followed through plausible years alone.'}{' '}
        {ahead.length > 0 && `${ahead.length} days of forecast ahead.`}
      </p>
      <p className="text-bark max-w-2xl text-sm">
        Give the days since your covers were sown, from your own thermometer or a station. Days after today
        are taken as a forecast, less surely the further off they lie.
      </p>
      <div className="mt-2 max-w-2xl">
        <WeatherFile onDays={setDays} hint="One row a day: date, lowest, highest, rain." />
      </div>
      {days && days.length > 0 && (
        <button
          type="button"
          className="btn btn-primary mt-2"
          onClick={() => void run(addWeather(hands, garden.id, days)).then((done) => done && setDays(null))}
        >
          Add {fresh} measured {fresh === 1 ? 'day' : 'days'}
          {days.length > fresh && ` and ${days.length - fresh} of forecast`}
        </button>
      )}
    </section>
  );
}
