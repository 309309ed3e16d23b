import { useState } from 'react';
import { kit } from '../../catalogue/catalogue.ts';
import { type Failure } from '../../core/result/result.ts';
import { METRIC, IMPERIAL } from '../../core/units/show.ts';
import { BringBack } from '../../ring/BringBack.tsx';
import { hands, realToday } from '../../ring/garden.tsx';
import { GardenList } from '../../ring/GardenList.tsx';
import { weatherYears } from '../../records/files/weatherCsv.ts';
import { thingsOfKit, USUAL_PERSON, USUAL_WIND } from '../../records/things.ts';
import { makeGarden } from '../../records/verbs/verbs.ts';
import { USUAL_RULES } from '../../questions/rules.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { failureWords } from '../../ui/failureWords.ts';
import { Mark } from '../../ui/Mark.tsx';
import { Check } from '../../ui/fields.tsx';
import { Field } from '../../ui/parts.tsx';
import { ClimateFields } from './ClimateFields.tsx';
import { useClimate } from './useClimate.ts';

interface Props {
  openId: string | null;
  onMade(gardenId: string): void;
  onDemo(name: string): void;
  /** The open garden was put away. */
  onGone(): void;
  tell(f: Failure): void;
  say(text: string): void;
}
/** First screen: a garden from four questions, a climate pattern or a weather file; or a demo garden. */
export default function WelcomePage({ openId, onMade, onDemo, onGone, tell, say }: Props) {
  const [name, setName] = useState('');
  const [imperial, setImperial] = useState(false);
  const climate = useClimate(imperial);
  const [tools, setTools] = useState<string[]>(['shears', 'rake', 'scale']);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);

  async function make() {
    setProblem('');
    if (name.trim() === '') return setProblem('Give the garden a name.');
    setBusy(true);
    const fit = await climate.fitted();
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
        ...thingsOfKit(tools),
        people: [{ id: 'you', ...USUAL_PERSON }],
        wind: USUAL_WIND,
        choices: {},
        keeps: [],
        rules: USUAL_RULES,
        seedPrices: {},
        packs: {},
        watering: null,
        seasonClock: null,
        createdAt: hands.now(),
      },
      climate.way === 'file' && climate.days ? weatherYears(id, climate.days) : [],
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
          <Check label="Feet, ounces and °F" checked={imperial} onChange={setImperial} />
          <ClimateFields climate={climate} imperial={imperial} />
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
          <div className="mb-6 empty:hidden">
            <GardenList openId={openId} open={onMade} gone={onGone} tell={tell} />
          </div>
          <h2 className="font-display text-xl font-bold">Bring a garden back</h2>
          <div className="mt-1 mb-6">
            <BringBack
              done={(id, said) => {
                say(said);
                onMade(id);
              }}
            />
          </div>
          <h2 className="font-display text-xl font-bold">Or look around first</h2>
          <p className="mt-1">Two invented gardens, with a pretended date you can move.</p>
          <div className="mt-3 flex flex-col items-start gap-3">
            <button type="button" className="btn h-auto py-2 text-left" onClick={() => onDemo('north-shore')}>
              Open North Shore, a market garden
            </button>
            <button type="button" className="btn h-auto py-2 text-left" onClick={() => onDemo('two-gums')}>
              Open Two Gums, a home garden in the south
            </button>
          </div>
          <p className="text-bark mt-4 text-sm">
            Everything stays in this browser. Today is {showIsoYear(realToday())}.
          </p>
        </aside>
      </div>
    </main>
  );
}
