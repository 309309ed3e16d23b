import { kit as tools } from '../../catalogue/catalogue.ts';
import { isThingKind } from '../../core/work/things.ts';
import type { Bed, Garden } from '../../records/types.ts';
import { type Change } from './change.ts';
import { SchoolRules } from './SchoolRules.tsx';
import { Check, RangeField } from '../../ui/fields.tsx';

/** What is small, or there is enough of: a tick. What has a size is among the things. */
const kit = tools.filter((k) => !isThingKind(k.id));

const KEEPS: [Garden['keeps'][number], string][] = [
  ['children', 'Children'],
  ['dogs', 'Dogs or cats'],
  ['poultry', 'Hens or other birds'],
  ['horses', 'Horses'],
  ['stock', 'Other stock'],
];

/** Tools, those to be kept from harm, the house rules with the reasons of each side, units. */
export function Rules({ garden, beds, change }: { garden: Garden; beds: Bed[]; change: Change }) {
  const tick = (label: string, on: boolean, set: (on: boolean) => void) => (
    <Check key={label} label={label} checked={on} onChange={set} />
  );
  const swap = <T,>(list: T[], x: T, on: boolean) =>
    on ? [...list.filter((y) => y !== x), x] : list.filter((y) => y !== x);
  return (
    <div className="flex flex-col gap-5">
      <fieldset>
        <legend className="font-display text-lg font-bold">Tools at hand</legend>
        {kit.map((k) =>
          tick(k.name, garden.kit.includes(k.id), (on) =>
            change('the tools at hand', (g) => ({ kit: swap(g.kit, k.id, on) })),
          ),
        )}
      </fieldset>
      <fieldset>
        <legend className="font-display text-lg font-bold">To be kept from harm</legend>
        {KEEPS.map(([id, label]) =>
          tick(label, garden.keeps.includes(id), (on) =>
            change('who is kept from harm', (g) => ({ keeps: swap(g.keeps, id, on) })),
          ),
        )}
      </fieldset>
      <fieldset>
        <legend className="font-display text-lg font-bold">House rules</legend>
        {tick('No foot on a bed', garden.rules.noFootOnBed, (on) =>
          change('a house rule', (g) => ({ rules: { ...g.rules, noFootOnBed: on } })),
        )}
        <p className="text-bark mb-3 text-sm">
          One side never treads a bed, to spare its crumb. The other treads once a year over roots and residue
          and sees no harm. It rules crimping by foot out.
        </p>
        {tick('No digging', garden.rules.noDigging, (on) =>
          change('a house rule', (g) => ({ rules: { ...g.rules, noDigging: on } })),
        )}
        <p className="text-bark mb-3 text-sm">
          Digging in feeds fast and ends any cover; leaving roots keeps structure, fungi and carbon.
        </p>
        {tick('No plastic on the ground', garden.rules.noPlastic, (on) =>
          change('a house rule', (g) => ({ rules: { ...g.rules, noPlastic: on } })),
        )}
        <p className="text-bark mb-3 text-sm">
          A sheet kills without work or blade and lasts ten years; others will have no film on food soil, for
          its crumbs and its making.
        </p>
        {tick('No animals on beds', garden.rules.noAnimals, (on) =>
          change('a house rule', (g) => ({ rules: { ...g.rules, noAnimals: on } })),
        )}
        <p className="text-bark mb-3 text-sm">
          Animals eat, scratch and feed in one pass; raw manure then keeps salads off the bed for months.
        </p>
        {tick('No fire', garden.rules.noFire, (on) =>
          change('a house rule', (g) => ({ rules: { ...g.rules, noFire: on } })),
        )}
        <p className="text-bark mb-3 text-sm">
          Flame needs no blade and stirs no soil; it needs gas, calm and leave.
        </p>
        <RangeField
          label="Longest a sheet may lie"
          value={garden.rules.sheetCap_d}
          shown={`${garden.rules.sheetCap_d} days`}
          min={20}
          max={300}
          step={10}
          onChange={(d) => change('a house rule', (g) => ({ rules: { ...g.rules, sheetCap_d: d } }), true)}
        />
        <p className="text-bark mb-3 text-sm">
          Some want soil in the dark for weeks at most; others leave sheets over winter. Heat decides when the
          stand is dead; this only says when you lift regardless.
        </p>
        <RangeField
          label="Longest clear film may lie"
          value={garden.rules.filmCap_d}
          shown={`${garden.rules.filmCap_d} days`}
          min={7}
          max={63}
          step={7}
          onChange={(d) => change('a house rule', (g) => ({ rules: { ...g.rules, filmCap_d: d } }), true)}
        />
        <p className="text-bark mb-3 text-sm">
          One side lifts clear film after two hot weeks, before the life of the top soil bakes with the
          plants. The other leaves it four to six, to kill seed in the ground as well. In cool weather it only
          forces what lies under it.
        </p>
      </fieldset>
      <SchoolRules garden={garden} beds={beds} change={change} />
      <fieldset>
        <legend className="font-display text-lg font-bold">Units</legend>
        {tick('Feet and inches', garden.units.length === 'imperial', (on) =>
          change('units', (g) => ({ units: { ...g.units, length: on ? 'imperial' : 'metric' } })),
        )}
        {tick('Ounces and pounds', garden.units.mass === 'imperial', (on) =>
          change('units', (g) => ({ units: { ...g.units, mass: on ? 'imperial' : 'metric' } })),
        )}
        {tick('Degrees Fahrenheit', garden.units.temperature === 'fahrenheit', (on) =>
          change('units', (g) => ({ units: { ...g.units, temperature: on ? 'fahrenheit' : 'celsius' } })),
        )}
      </fieldset>
    </div>
  );
}
