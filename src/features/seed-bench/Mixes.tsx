import { useRef, useState } from 'react';
import { coverName, findSpecies, species, speciesOf } from '../../catalogue/catalogue.ts';
import { countShares, massShares, withShare } from '../../core/seed/shares.ts';
import { parseRate_g_m2, rateIn } from '../../core/units/rate.ts';
import { changeRecipe, typedAnew } from '../../records/commands/seed.ts';
import { removeRecipe, saveRecipe } from '../../records/verbs/seed.ts';
import type { Recipe } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { Check, SelectField, TextField } from '../../ui/fields.tsx';
import { Answer } from '../../ui/parts.tsx';
import { PackList } from './ToBuy.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { readBy, someWords } from '../../ring/typedFigures.ts';
import { z } from 'zod';

/** Mixes under their names, with shares by weight and by number of seeds; changing one changes the other. */
export function Mixes() {
  const { recipes, hands, run } = useGarden();
  const sorted = [...recipes].sort((a, b) => a.name.localeCompare(b.name));
  return (
    <>
      <Answer
        big={
          recipes.length === 0
            ? 'No mix kept yet'
            : `${recipes.length} mix${recipes.length === 1 ? '' : 'es'} kept`
        }
      >
        Shares stand by weight, as a scale sees them, and by number of seeds, as the bed sees them.
      </Answer>
      {sorted.map((r) => (
        <MixCard
          key={r.id}
          recipe={r}
          onSave={(next) => void run(changeRecipe(hands, r, () => typedAnew(r, next)))}
          onRemove={() => void run(removeRecipe(hands, r))}
        />
      ))}
      <NewMix />
    </>
  );
}

const mixForm = z.object({ name: someWords('Give the mix a name.') });

function NewMix() {
  const { garden, hands, run } = useGarden();
  // The same mix however often it is clicked.
  const id = useRef(hands.newId());
  const form = useKeptForm(`new mix ${garden.id}`, mixForm, { name: '' }, async ({ name }) => {
    const kept = await run(
      saveRecipe(hands, {
        id: id.current,
        gardenId: garden.id,
        name,
        parts: [
          { speciesId: 'spring-oats', share: 0.5 },
          { speciesId: 'common-vetch', share: 0.5 },
        ],
        ready: false,
        packs: [],
        rate_g_m2: null,
      }),
    );
    if (kept) id.current = hands.newId();
    return kept;
  });
  if (!form) return null;
  return (
    <form
      className="border-walnut flex max-w-xl flex-wrap items-end gap-3 border-t pt-3"
      onSubmit={form.onSubmit}
    >
      <TextField label="Name of a new mix" {...form.field('name')} />
      <button type="submit" className="btn" disabled={!form.typed.name.trim()}>
        Keep a mix of this name
      </button>
    </form>
  );
}

interface OfMix {
  recipe: Recipe;
  onSave(r: Recipe): void;
}

function MixCard({ recipe, onSave, onRemove }: OfMix & { onRemove(): void }) {
  return (
    <section className="border-linen border-t py-3">
      <div className="flex flex-wrap items-baseline gap-3">
        <h2 className="font-display text-lg font-bold">{recipe.name}</h2>
        <span className="text-bark">{coverName(recipe.parts)}</span>
        <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={onRemove}>
          Take away
        </button>
      </div>
      <Shares recipe={recipe} onSave={onSave} />
      <div className="mt-2 flex max-w-2xl flex-wrap items-end gap-3">
        <AddKind recipe={recipe} onSave={onSave} />
        <Check
          label="Bought ready mixed"
          checked={recipe.ready}
          onChange={(ready) => onSave({ ...recipe, ready })}
        />
      </div>
      {recipe.ready && <Bought recipe={recipe} onSave={onSave} />}
    </section>
  );
}

/** The kinds of a mix with their shares, by weight and by number of seeds; changing one changes the other. */
function Shares({ recipe, onSave }: OfMix) {
  const sizes = recipe.parts.map((p) => findSpecies(p.speciesId)?.seed.thousandSeed_g ?? 10);
  const mass = recipe.parts.map((p) => p.share);
  const seeds = countShares(mass, sizes);
  const put = (shares: number[]) =>
    onSave({ ...recipe, parts: recipe.parts.map((p, i) => ({ ...p, share: shares[i]! })) });
  const drop = (i: number) => {
    const parts = recipe.parts.filter((_, k) => k !== i);
    const sum = parts.reduce((all, x) => all + x.share, 0);
    onSave({ ...recipe, parts: parts.map((x) => ({ ...x, share: x.share / sum })) });
  };
  const alone = recipe.parts.length < 2;
  return (
    <table className="text-left">
      <thead>
        <tr>
          <th className="pr-6">Kind</th>
          <th className="pr-6">% by weight</th>
          <th className="pr-6">% of the seeds</th>
          <th>
            <span className="sr-only">Drop</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {recipe.parts.map((p, i) => {
          const n = speciesOf(p.speciesId).name;
          return (
            <tr key={p.speciesId}>
              <td className="pr-6">{n}</td>
              <td className="pr-6">
                <ShareField
                  label={`${n} in ${recipe.name}, % by weight`}
                  share={mass[i]!}
                  fixed={alone}
                  set={(s) => put(withShare(mass, i, s))}
                />
              </td>
              <td className="pr-6">
                <ShareField
                  label={`${n} in ${recipe.name}, % of the seeds`}
                  share={seeds[i]!}
                  fixed={alone}
                  set={(s) => put(massShares(withShare(seeds, i, s), sizes))}
                />
              </td>
              <td>
                {!alone && (
                  <button type="button" className="btn btn-ghost btn-xs" onClick={() => drop(i)}>
                    Drop {n.toLowerCase()}
                  </button>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** A share in hundredths, set when the field is left; what is no share between nothing and all goes back to what it was. */
function ShareField({
  label,
  share,
  fixed,
  set,
}: {
  label: string;
  share: number;
  fixed: boolean;
  set(share: number): void;
}) {
  const shown = Math.round(share * 100);
  return (
    <input
      type="number"
      min={1}
      max={99}
      aria-label={label}
      className="input input-sm w-20!"
      key={share}
      defaultValue={shown}
      disabled={fixed}
      onBlur={(e) => {
        const v = Number(e.target.value) / 100;
        if (v > 0 && v < 1 && Math.round(v * 100) !== shown) set(v);
        else e.target.value = String(shown);
      }}
    />
  );
}

function AddKind({ recipe, onSave }: OfMix) {
  const [kind, setKind] = useState('phacelia');
  const add = () => {
    if (recipe.parts.some((p) => p.speciesId === kind)) return;
    const one = 1 / (recipe.parts.length + 1);
    const others = recipe.parts.map((p) => ({ ...p, share: p.share * (1 - one) }));
    onSave({ ...recipe, parts: [...others, { speciesId: kind, share: one }] });
  };
  return (
    <>
      <SelectField
        label={`Add to ${recipe.name}`}
        value={kind}
        options={species
          .filter((s) => !recipe.parts.some((p) => p.speciesId === s.id))
          .map((s) => [s.id, s.name] as const)}
        onChange={setKind}
      />
      <button type="button" className="btn" onClick={add}>
        Add it
      </button>
    </>
  );
}

/** What the bag of a ready mix says, and the bags there are. */
function Bought({ recipe, onSave }: OfMix) {
  const { ground: beds } = useGarden();
  // By the bed where all are of one size, by the bag where there is one.
  const bed_m2 = beds.every((b) => b.area_m2 === beds[0]!.area_m2) ? beds[0]?.area_m2 : undefined;
  const by = { bed_m2, packet_g: recipe.packs.length === 1 ? recipe.packs[0]!.size_g : undefined };
  return (
    <div className="mt-2 max-w-2xl">
      <p>
        Rate on its bag:{' '}
        {recipe.rate_g_m2
          ? `${Number(recipe.rate_g_m2.toPrecision(3))} g/m² (${Number(rateIn(recipe.rate_g_m2, 'lb/acre').toPrecision(3))} lb/acre)`
          : 'not entered'}
      </p>
      <BagRate recipe={recipe} by={by} onSave={onSave} />
      <PackList packs={recipe.packs} name={recipe.name} onChange={(packs) => onSave({ ...recipe, packs })} />
    </div>
  );
}

interface By {
  bed_m2: number | undefined;
  packet_g: number | undefined;
}
const rateForm = (by: By) => z.object({ rate: readBy((text) => parseRate_g_m2(text, by)) });

/** The rate that a bag of a ready mix names. */
function BagRate({ recipe, by, onSave }: { recipe: Recipe; by: By; onSave(r: Recipe): void }) {
  const form = useKeptForm(`bag rate ${recipe.id}`, rateForm(by), { rate: '' }, ({ rate: rate_g_m2 }) => {
    onSave({ ...recipe, rate_g_m2 });
    return Promise.resolve(true);
  });
  if (!form) return null;
  return (
    <form className="flex items-end gap-3" onSubmit={form.onSubmit}>
      <TextField
        label="Rate, as the bag says it"
        hint="15 g/m², 120 lb/acre, 3 oz/100 ft², a bag for 20 m²"
        {...form.field('rate')}
      />
      <button type="submit" className="btn">
        Keep the rate
      </button>
    </form>
  );
}
