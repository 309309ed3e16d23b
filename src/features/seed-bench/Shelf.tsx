import { species, speciesOf } from '../../catalogue/catalogue.ts';
import { germinationRange } from '../../core/seed/viability.ts';
import { G_PER_OZ, showMass } from '../../core/units/show.ts';
import { changeLot, typedAnew } from '../../records/commands/seed.ts';
import { removeLot, saveLot } from '../../records/verbs/seed.ts';
import type { Lot } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { Check, SelectField, TextField } from '../../ui/fields.tsx';
import { Answer } from '../../ui/parts.tsx';
import { germinationOf } from '../../questions/needs.ts';

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
type Form = typeof EMPTY;

/** Seed in the cupboard: how much, how old, how much of it lives. */
export function Shelf() {
  const { garden, lots, today, hands, run } = useGarden();
  const [form, setForm, clear] = useDraft<Form & { id?: string; opened?: Form }>(`lot ${garden.id}`, EMPTY);
  const imperial = garden.units.mass === 'imperial';
  const per = imperial ? G_PER_OZ : 1;
  const sorted = [...lots].sort((a, b) => a.speciesId.localeCompare(b.speciesId) || a.year - b.year);
  const percent = (x: number) => Math.round(x * 100);
  if (!form) return null;
  const set = (part: Partial<Form>) => setForm({ ...form, ...part });
  const number = (text: string) => Number(text.replace(',', '.'));
  const problem = problemOf(form, number, today);
  const lotOf = (f: Form, id: string): Lot => ({
    id,
    gardenId: garden.id,
    speciesId: f.speciesId,
    label: f.label.trim(),
    year: number(f.year),
    left_g: number(f.left) * per,
    treated: f.treated,
    free: f.free,
    purity: number(f.purity) / 100,
    coating: number(f.coating) / 100,
    test: f.sown ? { sown: number(f.sown), sprouted: number(f.sprouted), on: today } : null,
  });
  const open = (l: Lot) => {
    const opened: Form = {
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
    setForm({ ...opened, id: l.id, opened });
  };
  const save = async () => {
    if (problem) return;
    const lot = lotOf(form, form.id ?? hands.newId());
    // What a sowing took from it while the form lay open stays taken.
    const deed = form.opened
      ? changeLot(hands, lot, () => typedAnew(lotOf(form.opened!, lot.id), lot))
      : saveLot(hands, lot);
    if (await run(deed)) clear();
  };
  const range =
    form.sown && number(form.sprouted) <= number(form.sown) && number(form.sown) > 0
      ? germinationRange({ sown: number(form.sown), sprouted: number(form.sprouted) })
      : null;
  return (
    <>
      <Answer
        big={
          lots.length === 0
            ? 'The shelf is empty'
            : `${lots.length} lot${lots.length === 1 ? '' : 's'} on the shelf`
        }
      >
        A sowing takes its seed from the lot you name; undo puts it back. Treated seed is never offered where
        shoots are eaten or animals feed.
      </Answer>
      <ul>
        {sorted.map((l) => (
          <li key={l.id} className="border-linen flex flex-wrap items-baseline gap-x-4 border-t py-2">
            <b>{speciesOf(l.speciesId).name}</b>
            <span>
              {l.label && `${l.label}, `}
              {l.year}
            </span>
            <span className="font-bold">{showMass(l.left_g, garden.units)}</span>
            <span>
              {l.test
                ? `${l.test.sprouted} of ${l.test.sown} sprouted ${showIsoYear(l.test.on)}: ${percent(germinationRange(l.test).low)} to ${percent(germinationRange(l.test).high)} in 100 grow`
                : `not tested; by its age about ${percent(germinationOf(l, today))} in 100 grow`}
            </span>
            {l.treated && (
              <span className="text-madder font-bold">treated: poisonous, not for eating or animals</span>
            )}
            {l.free && <span>free</span>}
            <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={() => open(l)}>
              Change
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              onClick={() => void run(removeLot(hands, l))}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      <form
        className="border-walnut mt-4 grid max-w-4xl gap-3 border-t pt-4 sm:grid-cols-4"
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <h2 className="font-display text-lg font-bold sm:col-span-4">
          {form.id ? 'Change this lot' : 'Put seed on the shelf'}
        </h2>
        <SelectField
          label="Kind"
          value={form.speciesId}
          options={species.map((s) => [s.id, s.name] as const)}
          onChange={(speciesId) => set({ speciesId })}
        />
        <TextField label="What you call it" value={form.label} onChange={(label) => set({ label })} />
        <TextField label="Year on the bag" value={form.year} onChange={(year) => set({ year })} decimal />
        <TextField
          label={`Left, ${imperial ? 'ounces' : 'grams'}`}
          value={form.left}
          onChange={(left) => set({ left })}
          decimal
        />
        <TextField label="Purity %" value={form.purity} onChange={(purity) => set({ purity })} decimal />
        <TextField
          label="Coating, % of weight"
          value={form.coating}
          onChange={(coating) => set({ coating })}
          decimal
        />
        <TextField
          label="Seeds in the test"
          hint="50 is enough; empty without a test"
          value={form.sown}
          onChange={(sown) => set({ sown })}
          decimal
        />
        <TextField
          label="Of these sprouted"
          value={form.sprouted}
          onChange={(sprouted) => set({ sprouted })}
          decimal
        />
        <div className="flex flex-wrap gap-x-6 sm:col-span-4">
          <Check
            label="Treated (coloured seed)"
            checked={form.treated}
            onChange={(treated) => set({ treated })}
          />
          <Check label="It cost nothing" checked={form.free} onChange={(free) => set({ free })} />
        </div>
        {range && (
          <p className="sm:col-span-4">
            Nine times in ten between <b>{percent(range.low)}</b> and <b>{percent(range.high)}</b> in 100 of
            this seed grow. Double the seeds of the test and the range narrows by a third.
          </p>
        )}
        <div className="flex items-center gap-3 sm:col-span-4">
          <button type="submit" className="btn btn-primary" disabled={!!problem}>
            {form.id ? 'Save this lot' : 'Put it on the shelf'}
          </button>
          {form.id && (
            <button type="button" className="btn" onClick={clear}>
              Leave it as it was
            </button>
          )}
          {problem && <span className="text-bark">{problem}</span>}
        </div>
      </form>
      <details className="mt-4 max-w-3xl">
        <summary className="font-display cursor-pointer text-lg font-bold">
          A sprouting test, in a week
        </summary>
        <ol className="list-decimal space-y-1 pl-6">
          <li>Take seeds from all over the bag, not the best ones. Count out fifty.</li>
          <li>
            Lay them apart on a kitchen cloth wrung out in water. Roll it up, put it into a loose bag, keep it
            at room warmth.
          </li>
          <li>Open it after four days, wet it again if it dries, and take out and count what has a root.</li>
          <li>
            Count again on the seventh day; clovers and vetches on the tenth. Seeds still hard as stones sleep
            on: they do not count.
          </li>
        </ol>
      </details>
    </>
  );
}

const OLDEST_YEARS = 40;

function problemOf(form: Form, number: (t: string) => number, today: string): string {
  const year = Number(today.slice(0, 4));
  if (!(number(form.year) >= year - OLDEST_YEARS && number(form.year) <= year + 1))
    return `Enter the year on the bag, ${year - OLDEST_YEARS} to ${year + 1}.`;
  if (form.left === '' || !(number(form.left) >= 0 && number(form.left) <= 1e7))
    return 'Enter the weight that is left.';
  if (!(number(form.purity) > 0 && number(form.purity) <= 100)) return 'Purity is between 1 and 100 %.';
  if (!(number(form.coating) >= 0 && number(form.coating) <= 90))
    return 'A coating is 0 to 90 % of the weight.';
  if (
    form.sown !== '' &&
    !(number(form.sown) >= 1 && number(form.sprouted) >= 0 && number(form.sprouted) <= number(form.sown))
  )
    return 'No more seeds can sprout than were tested.';
  return '';
}
