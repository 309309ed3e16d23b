import { useState } from 'react';
import { dayOf } from '../../core/calendar/day.ts';
import { METRIC, showTemperature } from '../../core/units/show.ts';
import { changeGarden } from '../../records/commands/change.ts';
import { useAnswer } from '../../ring/answers.ts';
import { ClimateFields } from '../../ring/climate/ClimateFields.tsx';
import { useClimate } from '../../ring/climate/useClimate.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay } from '../../ui/dates.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { rainWords } from '../../ui/rainWords.ts';

/** Within so many degrees of the equator a year has no seasons that the covers here could tell by; beyond so many, hardly a summer. */
const TROPIC_DEG = 15;
const POLAR_DEG = 60;

/** What the climate of this garden comes to, and the way to tell it anew. */
export function ClimateHere() {
  const { garden, hands, run } = useGarden();
  const { site, units } = garden;
  const { answer: frosts } = useAnswer('frosts', JSON.stringify(site));
  const [changing, setChanging] = useState(false);
  const imperial = units.temperature !== METRIC.temperature;
  const climate = useClimate(imperial);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const temperature = (c: number) => showTemperature(c, units);
  const day = (doy: number | undefined) => (doy === undefined ? 'none' : showDay(dayOf('2024-01-01') + doy));
  const far = Math.abs(site.latitude_deg);

  async function take() {
    setProblem('');
    setBusy(true);
    const fit = await climate.fitted();
    setBusy(false);
    if (!fit.ok) return setProblem(failureWords(fit.failure));
    const done = await run(
      changeGarden(hands, garden.id, 'the climate', () => ({
        site: fit.value.site,
        siteFrom: fit.value.from,
      })),
    );
    if (done) setChanging(false);
  }
  return (
    <section className="border-warp mt-6 border-t pt-3">
      <h2 className="font-display text-xl font-bold">The climate here</h2>
      <p>{garden.siteFrom}</p>
      <p>
        {frosts &&
          (frosts.lastFrost_doy === undefined && frosts.firstFrost_doy === undefined
            ? 'No frost in a usual year. '
            : `Its years come to a last frost about ${day(frosts.lastFrost_doy)}, a first about ${day(frosts.firstFrost_doy)}. `)}
        Coldest night {temperature(site.coldestNight_c)}, afternoons of the warmest month{' '}
        {temperature(Math.max(...site.tmax_c))}. {rainWords(site.rain_mm, units)}
      </p>
      {far < TROPIC_DEG && (
        <p className="border-madder mt-2 border-l-4 pl-3">
          So near the equator the year goes by rain, not by warmth and day length. Kilim follows growth and
          water here, but its flowering days, made for places with seasons, are rough: trust what you see
          before them.
        </p>
      )}
      {far > POLAR_DEG && (
        <p className="border-madder mt-2 border-l-4 pl-3">
          So far north or south summer days never end; flowering of long-day kinds is rough here, and few
          covers live through winter. Hold what Kilim says beside your neighbours’ dates.
        </p>
      )}
      {changing ? (
        <form
          className="mt-3 flex max-w-2xl flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void take();
          }}
        >
          <ClimateFields climate={climate} imperial={imperial} />
          {problem && (
            <p role="alert" className="text-madder font-semibold">
              {problem}
            </p>
          )}
          <div className="flex gap-3">
            <button type="submit" className="btn btn-primary" disabled={busy}>
              {busy ? 'Fitting your years…' : 'Take this climate'}
            </button>
            <button type="button" className="btn btn-ghost" onClick={() => setChanging(false)}>
              Leave it as it is
            </button>
          </div>
        </form>
      ) : (
        <button type="button" className="btn mt-2" onClick={() => setChanging(true)}>
          Change the climate
        </button>
      )}
    </section>
  );
}
