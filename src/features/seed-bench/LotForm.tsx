import { z } from 'zod';
import { species } from '../../catalogue/catalogue.ts';
import { germinationRange } from '../../core/seed/viability.ts';
import { G_PER_OZ } from '../../core/units/show.ts';
import { changeLot, typedAnew } from '../../records/commands/seed.ts';
import { saveLot } from '../../records/verbs/seed.ts';
import type { Lot } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { figure, figureOrNone } from '../../ring/typedFigures.ts';
import { type KeptForm, useKeptForm } from '../../ring/useKeptForm.ts';
import { Check, SelectField, TextField } from '../../ui/fields.tsx';

const OLDEST_YEARS = 40;
const HEAVIEST = 1e7;
const percent = (x: number) => Math.round(x * 100);

const EMPTY = {
  speciesId: 'cereal-rye',
  label: '',
  year: '',
  left: '',
  treated: false,
  free: false,
  purity: '98',
  coating: '0',
  sown: '',
  sprouted: '',
};
type Typed = typeof EMPTY & { id?: string | undefined; opened?: typeof EMPTY | undefined };

const fields = {
  speciesId: z.string(),
  label: z.string().trim(),
  treated: z.boolean(),
  free: z.boolean(),
};
const texts = z.object({
  ...fields,
  year: z.string(),
  left: z.string(),
  purity: z.string(),
  coating: z.string(),
  sown: z.string(),
  sprouted: z.string(),
});

/** A lot as it is typed. @param thisYear the oldest bag is forty years older */
const lotForm = (thisYear: number) =>
  z
    .object({
      ...fields,
      year: figure(
        thisYear - OLDEST_YEARS,
        thisYear + 1,
        `Enter the year on the bag, ${thisYear - OLDEST_YEARS} to ${thisYear + 1}.`,
      ),
      left: figure(0, HEAVIEST, 'Enter the weight that is left.'),
      purity: figure(1, 100, 'Purity is between 1 and 100 %.'),
      coating: figure(0, 90, 'A coating is 0 to 90 % of the weight.'),
      sown: figureOrNone(1, 1e6, 'A test takes one seed or more.'),
      sprouted: figureOrNone(0, 1e6),
      id: z.string().optional(),
      opened: texts.optional(),
    })
    .refine(({ sown, sprouted = 0 }) => sown === undefined || sprouted <= sown, {
      path: ['sprouted'],
      message: 'No more seeds can sprout than were tested.',
    });

type Said = z.output<ReturnType<typeof lotForm>>;

/** The form of a lot and the way to put one into it that is on the shelf. */
export function useLotForm(): { form: KeptForm<Typed> | undefined; open(lot: Lot): void } {
  const { garden, today, hands, run } = useGarden();
  const per = garden.units.mass === 'imperial' ? G_PER_OZ : 1;
  const schema = lotForm(Number(today.slice(0, 4)));
  const lotOf = (f: Omit<Said, 'id' | 'opened'>, id: string): Lot => ({
    id,
    gardenId: garden.id,
    speciesId: f.speciesId,
    label: f.label,
    year: f.year,
    left_g: f.left * per,
    treated: f.treated,
    free: f.free,
    purity: f.purity / 100,
    coating: f.coating / 100,
    test: f.sown === undefined ? null : { sown: f.sown, sprouted: f.sprouted ?? 0, on: today },
  });
  const form = useKeptForm<Typed, Said>(`lot ${garden.id}`, schema, EMPTY, (said) => {
    const lot = lotOf(said, said.id ?? hands.newId());
    const before = said.opened && schema.safeParse(said.opened).data;
    // What a sowing took from it while the form lay open stays taken.
    return run(
      before ? changeLot(hands, lot, () => typedAnew(lotOf(before, lot.id), lot)) : saveLot(hands, lot),
    );
  });
  const open = (l: Lot) => {
    const opened = {
      speciesId: l.speciesId,
      label: l.label,
      year: String(l.year),
      left: String(Number((l.left_g / per).toFixed(2))),
      treated: l.treated,
      free: l.free,
      purity: String(percent(l.purity)),
      coating: String(percent(l.coating)),
      sown: l.test ? String(l.test.sown) : '',
      sprouted: l.test ? String(l.test.sprouted) : '',
    };
    form?.set({ ...opened, id: l.id, opened });
  };
  return { form, open };
}

/** Puts seed on the shelf, or changes what is there. */
export function LotForm({ form }: { form: KeptForm<Typed> }) {
  const { garden } = useGarden();
  const { typed } = form;
  const [sown, sprouted] = [typed.sown, typed.sprouted].map((t) => Number(t.replace(',', '.')));
  const range =
    sown! > 0 && sprouted! <= sown! ? germinationRange({ sown: sown!, sprouted: sprouted! }) : null;
  return (
    <form
      className="border-walnut mt-4 grid max-w-4xl gap-3 border-t pt-4 sm:grid-cols-4"
      onSubmit={form.onSubmit}
    >
      <h2 className="font-display text-lg font-bold sm:col-span-4">
        {typed.id ? 'Change this lot' : 'Put seed on the shelf'}
      </h2>
      <SelectField
        label="Kind"
        options={species.map((s) => [s.id, s.name] as const)}
        {...form.field('speciesId')}
      />
      <TextField label="What you call it" {...form.field('label')} />
      <TextField label="Year on the bag" decimal {...form.field('year')} />
      <TextField
        label={`Left, ${garden.units.mass === 'imperial' ? 'ounces' : 'grams'}`}
        decimal
        {...form.field('left')}
      />
      <TextField label="Purity %" decimal {...form.field('purity')} />
      <TextField label="Coating, % of weight" decimal {...form.field('coating')} />
      <TextField
        label="Seeds in the test"
        hint="50 is enough; empty without a test"
        decimal
        {...form.field('sown')}
      />
      <TextField label="Of these sprouted" decimal {...form.field('sprouted')} />
      <div className="flex flex-wrap gap-x-6 sm:col-span-4">
        <Check
          label="Treated (coloured seed)"
          checked={typed.treated}
          onChange={form.field('treated').onChange}
        />
        <Check label="It cost nothing" checked={typed.free} onChange={form.field('free').onChange} />
      </div>
      {range && (
        <p className="sm:col-span-4">
          Nine times in ten between <b>{percent(range.low)}</b> and <b>{percent(range.high)}</b> in 100 of
          this seed grow. Double the seeds of the test and the range narrows by a third.
        </p>
      )}
      <div className="flex items-center gap-3 sm:col-span-4">
        <button type="submit" className="btn btn-primary">
          {typed.id ? 'Save this lot' : 'Put it on the shelf'}
        </button>
        {typed.id && (
          <button type="button" className="btn" onClick={form.clear}>
            Leave it as it was
          </button>
        )}
      </div>
    </form>
  );
}
