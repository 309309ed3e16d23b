import { TROUBLES, type Trouble } from '../../core/stand/troubles.ts';
import type { Bed } from '../../records/types.ts';
import { Check, SelectField } from '../../ui/fields.tsx';
import { TROUBLE_WORDS } from '../../ui/troubleWords.ts';
import { Obstacles } from './Obstacles.tsx';

/** What is known of the bed's ground: soil, light, edges, plants to be kept, troubles. Choose and Terminate reckon with it. */
export function BedGround({ bed, save }: { bed: Bed; save(patch: (stands: Bed) => Partial<Bed>): void }) {
  const trouble = (t: Trouble, on: boolean) =>
    save((b) => ({ troubles: [...b.troubles.filter((x) => x !== t), ...(on ? [t] : [])] }));
  return (
    <details className="border-warp mt-6 border-t pt-3">
      <summary className="font-display cursor-pointer text-xl font-bold">The ground of this bed</summary>
      <div className="mt-3 grid max-w-3xl gap-4 sm:grid-cols-3">
        <SelectField<Bed['soil']['texture']>
          label="Soil"
          value={bed.soil.texture}
          options={[
            ['sand', 'Sand'],
            ['loam', 'Loam'],
            ['clay', 'Clay'],
          ]}
          onChange={(texture) => save((b) => ({ soil: { ...b.soil, texture } }))}
        />
        <SelectField<Bed['soil']['fertility']>
          label="What it gives"
          value={bed.soil.fertility}
          options={[
            ['lean', 'Lean'],
            ['fair', 'Fair'],
            ['rich', 'Rich'],
          ]}
          onChange={(fertility) => save((b) => ({ soil: { ...b.soil, fertility } }))}
        />
        <SelectField<Bed['shade']>
          label="Light"
          value={bed.shade}
          options={[
            ['open', 'Open sky'],
            ['part', 'Shade for half the day'],
            ['deep', 'Shade most of the day'],
          ]}
          onChange={(shade) => save(() => ({ shade }))}
        />
      </div>
      <div className="mt-3 grid max-w-3xl gap-x-6 sm:grid-cols-2">
        <Check
          label="It has raised edges"
          checked={bed.edged}
          onChange={(edged) => save(() => ({ edged }))}
        />
        <Check
          label="Plants stand in it that are to be kept"
          checked={bed.keptPlants}
          onChange={(keptPlants) => save(() => ({ keptPlants }))}
        />
      </div>
      <Obstacles bed={bed} save={save} />
      <fieldset className="mt-3">
        <legend className="font-semibold">Troubles seen on it</legend>
        <div className="flex flex-wrap gap-x-5">
          {TROUBLES.map((t) => (
            <Check
              key={t}
              label={TROUBLE_WORDS[t]}
              checked={bed.troubles.includes(t)}
              onChange={(on) => trouble(t, on)}
            />
          ))}
        </div>
      </fieldset>
    </details>
  );
}
