import { useState } from 'react';
import { climates, kit } from '../../catalogue/catalogue.ts';
import { dayOf, dayOfYear, isoOf } from '../../core/calendar/day.ts';
import { type Failure, type Result } from '../../core/result/result.ts';
import { type DailyReport, siteFromDaily } from '../../core/site/observed.ts';
import { type Site } from '../../core/site/site.ts';
import { type ObservedDay } from '../../core/weather/generate.ts';
import { METRIC, IMPERIAL } from '../../core/units/show.ts';
import { hands, realToday } from '../../ring/garden.tsx';
import { weatherYears } from '../../records/files/weatherCsv.ts';
import { makeGarden } from '../../records/verbs/verbs.ts';
import { showDay } from '../../ui/dates.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { Mark } from '../../ui/Mark.tsx';
import { Field } from '../../ui/parts.tsx';
import { ask } from '../../workers/core/client.ts';
import { WeatherFile } from './WeatherFile.tsx';

interface Props {
  onMade(gardenId: string): void;
  onDemo(name: string): void;
  tell(f: Failure): void;
}
type Way = 'questions' | 'pattern' | 'file';
const NAMES: Record<Way, string> = {
  questions: 'Answer four questions',
  pattern: 'Pick a climate',
  file: 'Give a weather file',
};

/** First screen: a garden from four questions, a climate pattern or a weather file; or a demo garden. */
export default function WelcomePage({ onMade, onDemo, tell }: Props) {
  const [name, setName] = useState('');
  const [imperial, setImperial] = useState(false);
  const [way, setWay] = useState<Way>('questions');
  const [latitude, setLatitude] = useState('');
  const [lastFrost, setLastFrost] = useState('');
  const [firstFrost, setFirstFrost] = useState('');
  const [noFrost, setNoFrost] = useState(false);
  const [coldest, setColdest] = useState('');
  const [afternoon, setAfternoon] = useState('');
  const [patternId, setPatternId] = useState(climates[0]!.id);
  const [days, setDays] = useState<ObservedDay[] | null>(null);
  const [tools, setTools] = useState<string[]>(['shears', 'rake', 'scale']);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);

  const toC = (t: string) => (imperial ? (Number(t) - 32) / 1.8 : Number(t));
  const unit = imperial ? '°F' : '°C';

  async function fitted(): Promise<Result<{ site: Site; from: string }>> {
    const latitude_deg = Number(latitude);
    if (latitude.trim() === '' || !(Math.abs(latitude_deg) <= 66))
      return { ok: false, failure: { code: 'latitude-range' } };
    if (way === 'file') {
      const fit: Result<{ site: Site; report: DailyReport }> = siteFromDaily(latitude_deg, days ?? [], false);
      if (!fit.ok) return fit;
      const r = fit.value.report;
      return {
        ok: true,
        value: {
          site: fit.value.site,
          from: `Measured: ${r.days} days from ${r.from} to ${r.to}, ${r.gaps} days missing.`,
        },
      };
    }
    if (way === 'pattern') {
      const fit = await ask('fitPattern', { patternId, latitude_deg }).answer;
      return fit.ok
        ? {
            ok: true,
            value: {
              site: fit.value,
              from: `Climate pattern: ${climates.find((c) => c.id === patternId)!.name}.`,
            },
          }
        : fit;
    }
    const doy = (iso: string) => (noFrost || !iso ? null : dayOfYear(dayOf(iso)));
    if (!noFrost && (!lastFrost || !firstFrost))
      return { ok: false, failure: { code: 'date-missing', where: 'the frosts' } };
    if (coldest === '' || afternoon === '') return { ok: false, failure: { code: 'site-range' } };
    const fit = await ask('fitQuestions', {
      latitude_deg,
      lastFrost_doy: doy(lastFrost),
      firstFrost_doy: doy(firstFrost),
      coldestNight_c: toC(coldest),
      summerAfternoon_c: toC(afternoon),
    }).answer;
    if (!fit.ok) return fit;
    if (!fit.value.ok) return fit.value;
    const { site, rainFrom, gaveBack } = fit.value.value;
    const day = (d: number | undefined) =>
      d === undefined ? 'none' : showDay(dayOf(isoOf(dayOf('2024-01-01') + d)));
    return {
      ok: true,
      value: {
        site,
        from: `Four questions. The fitted years give back last frost ${day(gaveBack.lastFrost_doy)}, first frost ${day(gaveBack.firstFrost_doy)}, coldest night ${Math.round(gaveBack.coldestNight_c)} °C. Rain is taken from the pattern "${rainFrom}".`,
      },
    };
  }

  async function make() {
    setProblem('');
    if (name.trim() === '') return setProblem('Give the garden a name.');
    setBusy(true);
    const fit = await fitted();
    setBusy(false);
    if (!fit.ok) return setProblem(failureWords(fit.failure));
    const id = hands.newId();
    const made = await makeGarden(
      hands,
      {
        id,
        name: name.trim(),
        site: fit.value.site,
        siteFrom: fit.value.from,
        units: imperial ? IMPERIAL : METRIC,
        currency: '',
        kit: tools,
        keeps: [],
        rules: { noFootOnBed: false, noDigging: false, sheetCap_d: 120 },
        seedPrices: {},
        seasonClock: null,
        createdAt: hands.now(),
      },
      way === 'file' && days ? weatherYears(id, days) : [],
    );
    if (made.ok) onMade(id);
    else tell(made.failure);
  }

  return (
    <main id="main" className="mx-auto max-w-5xl px-4 py-8 sm:px-6">
      <div className="flex items-center gap-3">
        <Mark size={40} />
        <h1 className="font-display text-4xl font-extrabold">Kilim</h1>
      </div>
      <p className="mt-2 max-w-2xl text-lg">
        A bare bed is a hole in the cloth. Tell Kilim where you garden; it works out what to sow, when, and
        how to end it in time.
      </p>
      <div className="mt-6 grid gap-8 lg:grid-cols-[1fr_18rem]">
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            void make();
          }}
        >
          <h2 className="font-display text-xl font-bold">Your garden</h2>
          <Field label="Name of the garden">
            {(id) => (
              <input id={id} className="input" value={name} onChange={(e) => setName(e.target.value)} />
            )}
          </Field>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={imperial}
              onChange={(e) => setImperial(e.target.checked)}
            />{' '}
            Feet, ounces and °F
          </label>
          <fieldset>
            <legend className="font-semibold">How should Kilim learn your climate?</legend>
            <div className="mt-1 flex flex-wrap gap-4">
              {(Object.keys(NAMES) as Way[]).map((w) => (
                <label key={w} className="flex items-center gap-2">
                  <input
                    type="radio"
                    name="way"
                    className="radio radio-sm"
                    checked={way === w}
                    onChange={() => setWay(w)}
                  />{' '}
                  {NAMES[w]}
                </label>
              ))}
            </div>
          </fieldset>
          <Field label="Latitude in degrees" hint="North is plus, south is minus: -37.5. Any map shows it.">
            {(id) => (
              <input
                id={id}
                className="input"
                inputMode="decimal"
                value={latitude}
                onChange={(e) => setLatitude(e.target.value)}
              />
            )}
          </Field>
          {way === 'questions' && (
            <div className="grid gap-4 sm:grid-cols-2">
              <Field label="Last frost of a usual spring" hint="The year does not matter.">
                {(id) => (
                  <input
                    id={id}
                    type="date"
                    disabled={noFrost}
                    className="input"
                    value={lastFrost}
                    onChange={(e) => setLastFrost(e.target.value)}
                  />
                )}
              </Field>
              <Field label="First frost of a usual autumn">
                {(id) => (
                  <input
                    id={id}
                    type="date"
                    disabled={noFrost}
                    className="input"
                    value={firstFrost}
                    onChange={(e) => setFirstFrost(e.target.value)}
                  />
                )}
              </Field>
              <Field label={`Coldest night of a usual winter, ${unit}`}>
                {(id) => (
                  <input
                    id={id}
                    className="input"
                    inputMode="decimal"
                    value={coldest}
                    onChange={(e) => setColdest(e.target.value)}
                  />
                )}
              </Field>
              <Field label={`A usual summer afternoon, ${unit}`}>
                {(id) => (
                  <input
                    id={id}
                    className="input"
                    inputMode="decimal"
                    value={afternoon}
                    onChange={(e) => setAfternoon(e.target.value)}
                  />
                )}
              </Field>
              <label className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={noFrost}
                  onChange={(e) => setNoFrost(e.target.checked)}
                />{' '}
                Frost does not come in a usual year
              </label>
            </div>
          )}
          {way === 'pattern' && (
            <Field label="Climate" hint={climates.find((c) => c.id === patternId)?.character}>
              {(id) => (
                <select
                  id={id}
                  className="select"
                  value={patternId}
                  onChange={(e) => setPatternId(e.target.value)}
                >
                  {climates.map((c) => (
                    <option key={c.id} value={c.id}>
                      {c.name}
                    </option>
                  ))}
                </select>
              )}
            </Field>
          )}
          {way === 'file' && <WeatherFile onDays={setDays} />}
          <fieldset>
            <legend className="font-semibold">Tools at hand</legend>
            <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
              {kit.map((k) => (
                <label key={k.id} className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    checked={tools.includes(k.id)}
                    onChange={(e) =>
                      setTools(e.target.checked ? [...tools, k.id] : tools.filter((t) => t !== k.id))
                    }
                  />
                  {k.name}
                </label>
              ))}
            </div>
          </fieldset>
          {problem && (
            <p role="alert" className="text-madder font-semibold">
              {problem}
            </p>
          )}
          <button type="submit" className="btn btn-primary self-start" disabled={busy}>
            {busy ? 'Fitting your years…' : 'Make this garden'}
          </button>
        </form>
        <aside className="border-linen lg:border-l lg:pl-6">
          <h2 className="font-display text-xl font-bold">Or look around first</h2>
          <p className="mt-1">Two invented gardens, with a pretended date you can move.</p>
          <div className="mt-3 flex flex-col items-start gap-3">
            <button type="button" className="btn" onClick={() => onDemo('north-shore')}>
              Open North Shore, a market garden
            </button>
            <button type="button" className="btn" onClick={() => onDemo('two-gums')}>
              Open Two Gums, a home garden in the south
            </button>
          </div>
          <p className="text-bark mt-4 text-sm">Everything stays in this browser. Today is {realToday()}.</p>
        </aside>
      </div>
    </main>
  );
}
