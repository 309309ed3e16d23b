import { z } from 'zod';
import { membersOf } from '../../catalogue/catalogue.ts';
import { obstacleArea_m2, stripsArea_m2 } from '../../core/area/area.ts';
import { USUAL_SEED } from '../../core/seed/weight.ts';
import { latenessFactor } from '../../core/seed/lateness.ts';
import { parseLength_m } from '../../core/units/length.ts';
import { parseRate_g_m2, rateIn } from '../../core/units/rate.ts';
import { showArea, showLength, type UnitChoice } from '../../core/units/show.ts';
import { setEaten } from '../../records/commands/seed.ts';
import { saveRecipe } from '../../records/verbs/seed.ts';
import { sownArea_m2, weightsOf } from '../../questions/weights.ts';
import { type Patch } from '../../records/commands/change.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { Check, SelectField, TextField } from '../../ui/fields.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { figure, readBy, someWords } from '../../ring/typedFigures.ts';

interface Props {
  cover: Cover;
  bed: Bed;
  onChange(patch: Patch<Cover>, label: string): void;
}

/** What the weight also hangs on: the ground that is really sown, lateness, and whether anything of it will be eaten. */
export function SeedChoices({ cover, bed, onChange }: Props) {
  const { garden, lots, hands, run } = useGarden();
  const poisonous =
    cover.sownOn !== null && cover.seed.some((s) => lots.find((l) => l.id === s.lotId)?.treated);
  const taken = bed.obstacles.reduce((s, o) => s + obstacleArea_m2(o), 0);
  return (
    <section className="border-linen border-t py-4">
      <h2 className="font-display text-lg font-bold">The ground, and the time</h2>
      <p>
        {cover.strips
          ? `${cover.strips.count} strips of ${showLength(cover.strips.width_m, garden.units)} × ${showLength(cover.strips.length_m, garden.units)} = ${showArea(stripsArea_m2(cover.strips), garden.units)}.`
          : `Bed ${bed.name} ${showArea(bed.area_m2, garden.units)}${taken > 0 ? ` − ${bed.obstacles.map((o) => `${o.count > 1 ? `${o.count} × ` : ''}${o.name.toLowerCase()}`).join(', ')} ${taken.toFixed(2)} m²` : ', nothing in the way'}.`}
      </p>
      <div className="mt-2 grid max-w-3xl gap-4 sm:grid-cols-2">
        <SelectField
          label="Sown past its best time by"
          value={String(cover.weeksLate)}
          options={[0, 1, 2, 3, 4].map((w) => [
            String(w),
            w === 0
              ? 'not late'
              : `${w} week${w > 1 ? 's' : ''}${w === 4 ? ' or more' : ''}: ${Math.round((latenessFactor(w) - 1) * 100)} % more`,
          ])}
          onChange={(w) => onChange(() => ({ weeksLate: Number(w) }), 'lateness of a sowing')}
        />
        <div className="self-end">
          <Check
            label="Shoots or pods will be eaten, or animals feed on it"
            checked={cover.eaten}
            onChange={(eaten) => void run(setEaten(hands, cover, eaten))}
          />
        </div>
      </div>
      {poisonous && (
        <p className="mt-1 max-w-2xl">
          <b className="text-madder">Caution.</b> It was sown with treated seed, which is poisonous: eat
          nothing of it and let no animal on it.
        </p>
      )}
      {cover.weeksLate >= 3 && membersOf(cover.parts).some((m) => m.species.role === 'legume') && (
        <p className="text-bark mt-1 max-w-2xl text-sm">
          More seed helps little this late. A legume three weeks past its time is better swapped for rye,
          which still makes a stand.
        </p>
      )}
      <StripsForm cover={cover} bed={bed} onChange={onChange} />
      <OwnRate cover={cover} bed={bed} onChange={onChange} />
      <KeptMix cover={cover} bed={bed} onChange={onChange} />
    </section>
  );
}

/** What records take as a rate against the usual one. */
const LEAST_TIMES = 0.2;
const MOST_TIMES = 4;

/** @param times a rate in g/m2 against the usual one */
const ownRateForm = (bed_m2: number, times: (g_m2: number) => number) =>
  z.object({
    rate: readBy((text) => parseRate_g_m2(text, { bed_m2 })).refine(
      (rate) => times(rate) >= LEAST_TIMES && times(rate) <= MOST_TIMES,
      {
        error: ({ input }) =>
          `That is ${times(Number(input)).toFixed(1)} times the usual rate of this cover. Check the unit: between a fifth and four times is taken.`,
      },
    ),
  });

/** A rate of the gardener's own, in whatever unit it is quoted, in place of the catalogue's. */
function OwnRate({ cover, bed, onChange }: Props) {
  const { garden } = useGarden();
  const weights = weightsOf(cover, bed);
  const now_g_m2 = weights.reduce((s, w) => s + w.weigh_g / w.area_m2, 0);
  const unit = garden.units.mass === 'imperial' ? 'oz/100 ft²' : 'g/m²';
  const timesOf = (g_m2: number) => (cover.rateTimes * g_m2) / now_g_m2;
  const form = useKeptForm(
    `own rate ${cover.id}`,
    ownRateForm(sownArea_m2(cover, bed), timesOf),
    { rate: '' },
    ({ rate }) => {
      onChange(() => ({ rateTimes: Math.round(timesOf(rate) * 1000) / 1000 }), 'a rate of your own');
      return Promise.resolve(true);
    },
  );
  if (!form) return null;
  return (
    <details className="mt-2">
      <summary className="cursor-pointer underline">
        A rate of your own; now {Number(rateIn(now_g_m2, unit).toPrecision(3))} {unit} on the scale
        {cover.rateTimes !== 1 ? `, ${Math.round(cover.rateTimes * 100)} % of the usual` : ''}
      </summary>
      <form className="mt-2 flex max-w-xl items-end gap-3" onSubmit={form.onSubmit}>
        <TextField
          label="Weigh at this rate"
          hint="15 g/m², 120 lb/acre, 3 oz/100 ft², 40 g per bed"
          {...form.field('rate')}
        />
        <button type="submit" className="btn">
          Take this rate
        </button>
        {cover.rateTimes !== 1 && (
          <button
            type="button"
            className="btn"
            onClick={() => onChange(() => ({ rateTimes: 1 }), 'the usual rate')}
          >
            The usual rate again
          </button>
        )}
      </form>
    </details>
  );
}

const mixName = z.object({ name: someWords('Give the mix a name.') });

/** The mix of this cover from those kept under a name, or kept under one. */
function KeptMix({ cover, onChange }: Props) {
  const { garden, recipes, hands, run } = useGarden();
  const form = useKeptForm(`mix of ${cover.id}`, mixName, { name: '' }, ({ name }) =>
    run(
      saveRecipe(hands, {
        id: hands.newId(),
        gardenId: garden.id,
        name,
        parts: cover.parts,
        ready: false,
        packs: [],
        rate_g_m2: null,
      }),
    ),
  );
  if (!form || (cover.parts.length < 2 && recipes.length === 0)) return null;
  const take = (id: string) => {
    const recipe = recipes.find((r) => r.id === id);
    if (!recipe) return;
    onChange(
      (stands) => ({
        parts: recipe.parts,
        seed: recipe.parts.map(
          (p) =>
            stands.seed.find((s) => s.speciesId === p.speciesId) ?? {
              speciesId: p.speciesId,
              ...USUAL_SEED,
              used_g: null,
              lotId: null,
            },
        ),
      }),
      `the mix ${recipe.name}`,
    );
  };
  return (
    <details className="mt-2">
      <summary className="cursor-pointer underline">Mixes kept under a name</summary>
      <form className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-3" onSubmit={form.onSubmit}>
        {recipes.length > 0 && !cover.sownOn && (
          <SelectField
            label="Sow a kept mix instead"
            value=""
            options={[['', 'as chosen'] as const, ...recipes.map((r) => [r.id, r.name] as const)]}
            onChange={take}
          />
        )}
        <TextField label="Keep this mix as" {...form.field('name')} />
        <button type="submit" className="btn" disabled={!form.typed.name.trim()}>
          Keep it
        </button>
      </form>
    </details>
  );
}

const MOST_STRIPS = 500;

/** @param area_m2 of the bed, more than which no strips of it come to */
const stripsForm = (unit: 'ft' | 'm', area_m2: number, units: UnitChoice) =>
  z
    .object({
      count: figure(1, MOST_STRIPS, `Say how many strips there are, 1 to ${MOST_STRIPS}.`),
      width: readBy((text) => parseLength_m(text, unit)),
      length: readBy((text) => parseLength_m(text, unit)),
    })
    .transform(({ count, width, length }, ctx) => {
      const strips = { count: Math.round(count), width_m: width, length_m: length };
      const all_m2 = stripsArea_m2(strips);
      if (all_m2 > area_m2)
        ctx.addIssue({
          code: 'custom',
          path: ['width'],
          message: `These strips come to ${showArea(all_m2, units)}, more than the bed has. Check width and number.`,
        });
      return strips;
    });

/** Aisles and gaps: the area of strips worked out. */
function StripsForm({ cover, bed, onChange }: Props) {
  const { garden } = useGarden();
  const unit = garden.units.length === 'imperial' ? 'ft' : 'm';
  const form = useKeptForm(
    `strips of ${cover.id}`,
    stripsForm(unit, bed.area_m2, garden.units),
    {
      count: '2',
      width: '',
      length: bed.length_m ? String(Number((bed.length_m / (unit === 'ft' ? 0.3048 : 1)).toFixed(2))) : '',
    },
    (strips) => {
      onChange(() => ({ strips }), 'sowing strips');
      return Promise.resolve(true);
    },
  );
  if (!form) return null;
  if (cover.strips)
    return (
      <button
        type="button"
        className="btn btn-sm mt-2"
        onClick={() => onChange(() => ({ strips: null }), 'sowing the whole bed')}
      >
        Sow the whole bed again
      </button>
    );
  return (
    <details className="mt-2">
      <summary className="cursor-pointer underline">Only strips of it: aisles, gaps between rows</summary>
      <form className="mt-2 grid max-w-2xl items-end gap-3 sm:grid-cols-4" onSubmit={form.onSubmit}>
        <TextField label="How many" decimal {...form.field('count')} />
        <TextField label={`Width of one, ${unit}`} {...form.field('width')} />
        <TextField label={`Length, ${unit}`} {...form.field('length')} />
        <button type="submit" className="btn">
          Sow only these
        </button>
      </form>
    </details>
  );
}
