import { kit } from '../../catalogue/catalogue.ts';
import { parseNumber } from '../../core/units/number.ts';
import { G_PER_LB } from '../../core/units/show.ts';
import { isThingKind, type ThingKind } from '../../core/work/things.ts';
import { type Thing, type Person, usualThing } from '../../records/things.ts';
import type { Garden } from '../../records/types.ts';
import { CommittedField } from '../../ui/CommittedField.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { type Change } from './change.ts';
import { Sizes } from './Sizes.tsx';

const KINDS = kit.filter((k): k is { id: ThingKind; name: string } => isThingKind(k.id));

const kindName = (of: ThingKind): string => KINDS.find((k) => k.id === of)?.name ?? of;

interface Props {
  garden: Garden;
  change: Change;
  newId(): string;
}

/** Sheets, boards, pens and machines with their sizes, the people and their hours, the wind: what the work of an ending is worked out from. */
export function Things({ garden, change, newId }: Props) {
  const edit = (thing: Thing, patch: Partial<Thing>) =>
    change(`the ${thing.name.toLowerCase()}`, (g) => ({
      things: g.things.map((t) => (t.id === thing.id ? ({ ...t, ...patch, asked: true } as Thing) : t)),
    }));
  const toAsk = garden.things.filter((t) => !t.asked).length;
  return (
    <section aria-labelledby="things-title" className="mt-8">
      <h2 id="things-title" className="font-display text-xl font-bold">
        Things there are few of
      </h2>
      <p className="text-bark max-w-2xl">
        How large and how many: sheets that fit, presses of a board, spots of a pen and what has to be shared
        out between beds follow from this.
        {toAsk > 0 && ' Sizes marked as usual are only taken for granted; say once what yours are.'}
      </p>
      <ul className="mt-2">
        {garden.things.map((t) => (
          <li key={t.id} className="border-linen grid items-start gap-3 border-t py-3 sm:grid-cols-4">
            <CommittedField
              label="Name"
              shown={t.name}
              read={(text) => ({ ok: true, value: text.slice(0, 60) || t.name })}
              onCommit={(name) => edit(t, { name })}
              hint={`${kindName(t.of)}${t.asked ? '' : ', a usual size'}`}
            />
            <Sizes thing={t} garden={garden} edit={(patch) => edit(t, patch)} />
            <div className="flex flex-wrap gap-2 sm:pt-6">
              {!t.asked && (
                <button type="button" className="btn btn-sm btn-primary" onClick={() => edit(t, {})}>
                  That is right: {t.name.toLowerCase()}
                </button>
              )}
              <button
                type="button"
                className="btn btn-sm btn-ghost"
                onClick={() =>
                  change(`the ${t.name.toLowerCase()}`, (g) => ({
                    things: g.things.filter((x) => x.id !== t.id),
                  }))
                }
              >
                Take {t.name.toLowerCase()} away
              </button>
            </div>
          </li>
        ))}
      </ul>
      <div className="border-linen flex flex-wrap gap-2 border-t pt-3">
        {KINDS.map((k) => (
          <button
            key={k.id}
            type="button"
            className="btn btn-sm"
            onClick={() =>
              change(`a ${k.name.toLowerCase()}`, (g) => ({
                things: [...g.things, usualThing(k.id, newId(), g.things)],
              }))
            }
          >
            Add: {k.name.toLowerCase()}
          </button>
        ))}
      </div>
      <People garden={garden} change={change} newId={newId} />
      <Wind garden={garden} change={change} />
    </section>
  );
}

function People({ garden, change, newId }: Props) {
  const pounds = garden.units.mass === 'imperial';
  const perKg = pounds ? 1000 / G_PER_LB : 1;
  const edit = (p: Person, patch: Partial<Person>) =>
    change('who gardens', (g) => ({ people: g.people.map((x) => (x.id === p.id ? { ...x, ...patch } : x)) }));
  return (
    <fieldset className="mt-4">
      <legend className="font-display text-lg font-bold">Who gardens</legend>
      {garden.people.map((p) => (
        <div key={p.id} className="border-linen grid items-end gap-3 border-t py-2 sm:grid-cols-5">
          <CommittedField
            label="Name"
            shown={p.name}
            read={(text) => ({ ok: true, value: text.slice(0, 60) || p.name })}
            onCommit={(name) => edit(p, { name })}
          />
          <CommittedField
            label="Hours a week"
            shown={String(p.hoursAWeek)}
            read={(text) => parseNumber(text, 0, 80)}
            onCommit={(hoursAWeek) => edit(p, { hoursAWeek })}
            decimal
          />
          <CommittedField
            label={`Weight on the board, ${pounds ? 'lb' : 'kg'}`}
            shown={String(Math.round(p.mass_kg * perKg))}
            read={(text) => parseNumber(text, 25 * perKg, 220 * perKg)}
            onCommit={(mass) => edit(p, { mass_kg: Math.min(220, Math.max(25, mass / perKg)) })}
            decimal
          />
          <SelectField
            label="With blades"
            value={p.skill}
            options={[
              ['beginner', 'A beginner'],
              ['practised', 'Practised'],
              ['expert', 'Expert'],
            ]}
            onChange={(skill) => edit(p, { skill })}
          />
          {garden.people.length > 1 && (
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              onClick={() =>
                change('who gardens', (g) => ({ people: g.people.filter((x) => x.id !== p.id) }))
              }
            >
              Take {p.name} off
            </button>
          )}
        </div>
      ))}
      <button
        type="button"
        className="btn btn-sm"
        onClick={() =>
          change('who gardens', (g) => ({
            people: [
              ...g.people,
              {
                id: newId(),
                name: `Helper ${g.people.length}`,
                hoursAWeek: 2,
                mass_kg: 70,
                skill: 'beginner' as const,
              },
            ],
          }))
        }
      >
        Add someone
      </button>
    </fieldset>
  );
}

function Wind({ garden, change }: Pick<Props, 'garden' | 'change'>) {
  const mph = garden.units.length === 'imperial';
  const per = mph ? 1 / 1.609344 : 1;
  return (
    <fieldset className="mt-4 grid max-w-2xl items-end gap-3 sm:grid-cols-2">
      <legend className="font-display text-lg font-bold">Wind</legend>
      <SelectField
        label="The beds lie"
        value={garden.wind.exposure}
        options={[
          ['open', 'in the open or on a hill'],
          ['garden', 'among fences and houses'],
          ['sheltered', 'behind a wall or hedge'],
        ]}
        onChange={(exposure) => change('the wind', (g) => ({ wind: { ...g.wind, exposure } }))}
      />
      <CommittedField
        label={`Strongest gust a sheet must stand, ${mph ? 'mph' : 'km/h'}`}
        shown={String(Math.round(garden.wind.gust_km_h * per))}
        read={(text) => parseNumber(text, 20 * per, 200 * per)}
        onCommit={(gust) =>
          change('the wind', (g) => ({
            wind: { ...g.wind, gust_km_h: Math.min(200, Math.max(20, gust / per)) },
          }))
        }
        decimal
      />
    </fieldset>
  );
}
