import { useState } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import { kit } from '../../catalogue/catalogue.ts';
import { type Failure } from '../../core/result/result.ts';
import { IMPERIAL, METRIC } from '../../core/units/show.ts';
import { freshGarden } from '../../questions/fresh.ts';
import { weatherYears } from '../../records/files/weatherCsv.ts';
import { makeGarden } from '../../records/verbs/verbs.ts';
import { ClimateFields } from '../../ring/climate/ClimateFields.tsx';
import { useClimate } from '../../ring/climate/useClimate.ts';
import { hands } from '../../ring/garden.tsx';
import { failureWords } from '../../ui/failureWords.ts';
import { Check, TextField } from '../../ui/fields.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { someWords } from '../../ring/typedFigures.ts';

interface Props {
  onMade(gardenId: string, path: string): void;
  tell(f: Failure): void;
}

const gardenForm = z.object({
  name: someWords('Give the garden a name.'),
  imperial: z.boolean(),
  tools: z.array(z.string()),
});
const UNNAMED = { name: '', imperial: false, tools: ['shears', 'rake', 'scale'] };

/** A garden from where it lies and what tools there are; its beds come next. */
export default function GardenPage({ onMade, tell }: Props) {
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const form = useKeptForm('new garden', gardenForm, UNNAMED, make);
  const { imperial, tools } = form?.typed ?? UNNAMED;
  const climate = useClimate(imperial);

  async function make(said: z.infer<typeof gardenForm>): Promise<boolean> {
    setProblem('');
    setBusy(true);
    const fit = await climate.fitted();
    setBusy(false);
    if (!fit.ok) {
      setProblem(failureWords(fit.failure));
      return false;
    }
    const id = hands.newId();
    const made = await makeGarden(
      hands,
      freshGarden({
        id,
        name: said.name,
        site: fit.value.site,
        siteFrom: fit.value.from,
        units: said.imperial ? IMPERIAL : METRIC,
        tools: said.tools,
        createdAt: hands.now(),
      }),
      climate.way === 'file' && climate.days ? weatherYears(id, climate.days) : [],
    );
    if (made.ok) onMade(id, '/ground');
    else tell(made.failure);
    return made.ok;
  }

  if (!form) return null;
  const tick = form.field('imperial');
  const toolField = form.field('tools');
  return (
    <main id="main" className="garden-touch mx-auto max-w-2xl px-4 py-5 sm:px-6">
      <Link to="/new" className="flex items-center gap-2">
        <Mark size={28} /> <span className="underline">Kilim, all ways in</span>
      </Link>
      <form className="mt-3 flex flex-col gap-4" onSubmit={form.onSubmit}>
        <h1 className="font-display text-3xl font-extrabold">Your garden</h1>
        <TextField label="Name of the garden" {...form.field('name')} />
        <Check label="Feet, ounces and °F" checked={imperial} onChange={tick.onChange} />
        <ClimateFields climate={climate} imperial={imperial} />
        <fieldset>
          <legend className="font-semibold">Tools at hand</legend>
          <div className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
            {kit.map((k) => (
              <Check
                key={k.id}
                label={k.name}
                checked={tools.includes(k.id)}
                onChange={(on) => toolField.onChange(on ? [...tools, k.id] : tools.filter((t) => t !== k.id))}
              />
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
    </main>
  );
}
