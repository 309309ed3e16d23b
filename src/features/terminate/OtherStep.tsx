import { z } from 'zod';
import { addPass } from '../../records/commands/ending.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { figureOrNone } from '../../ring/typedFigures.ts';

/** Steps that are often taken between the planned ones. */
const KINDS = ['take-hay', 'pick-shoots', 'mow-high', 'rake-off', 'graze', 'hens', 'cut', 'mow'] as const;
const LEAVES = new Set<string>(['take-hay', 'pick-shoots', 'mow-high', 'rake-off', 'graze']);

const stepForm = z.object({
  kind: z.enum(KINDS),
  /** Empty for today. */
  on: z.string(),
  weight: figureOrNone(0, 100_000, 'The weight is a number of kilograms, such as 12 or 3.5.'),
});

/** Something that was done to a cover and stood in no plan; what was carried off is written down with it. */
export function OtherStep({ cover }: { cover: Cover }) {
  const { today, hands, run } = useGarden();
  const form = useKeptForm(
    `other step ${cover.id}`,
    stepForm,
    { kind: KINDS[0], on: '', weight: '' },
    ({ kind, on, weight }) =>
      run(
        addPass(
          hands,
          cover,
          { kind, on: on || today, took_kg: LEAVES.has(kind) ? weight : undefined },
          PASS_WORDS[kind]!.title.toLowerCase(),
        ),
      ),
    ['kind', 'on'],
  );
  if (!form) return null;
  const { kind, on } = form.typed;
  return (
    <details className="mt-4 max-w-2xl">
      <summary className="cursor-pointer font-semibold">Something else was done</summary>
      <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={form.onSubmit}>
        <SelectField
          label="What"
          options={KINDS.map((k) => [k, PASS_WORDS[k]!.title] as const)}
          {...form.field('kind')}
        />
        <DateField label="Day of it" {...form.field('on')} value={on || today} />
        {LEAVES.has(kind) && <TextField label="Carried off, kg fresh" decimal {...form.field('weight')} />}
        <button type="submit" className="btn">
          Log it: {PASS_WORDS[kind]!.title.toLowerCase()}
        </button>
      </form>
      <p className="mt-1">{PASS_WORDS[kind]!.how}</p>
    </details>
  );
}
