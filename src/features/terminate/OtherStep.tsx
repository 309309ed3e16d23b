import { useState } from 'react';
import { parseNumber } from '../../core/units/number.ts';
import { addPass } from '../../records/commands/ending.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { PASS_WORDS } from '../../ui/methodWords.ts';

/** Steps that are often taken between the planned ones. */
const KINDS = ['take-hay', 'pick-shoots', 'mow-high', 'rake-off', 'graze', 'hens', 'cut', 'mow'] as const;
const LEAVES = new Set<string>(['take-hay', 'pick-shoots', 'mow-high', 'rake-off', 'graze']);

/** Something that was done to a cover and stood in no plan; what was carried off is written down with it. */
export function OtherStep({ cover }: { cover: Cover }) {
  const { today, hands, run } = useGarden();
  const [kind, setKind] = useState<string>(KINDS[0]);
  const [typed, setOn] = useState<string | null>(null);
  const [weight, setWeight] = useState('');
  const on = typed ?? today;
  const title = PASS_WORDS[kind]!.title;
  const took = weight.trim() === '' ? undefined : parseNumber(weight, 0, 100_000);
  return (
    <details className="mt-4 max-w-2xl">
      <summary className="cursor-pointer font-semibold">Something else was done</summary>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (took && !took.ok) return;
          const took_kg = LEAVES.has(kind) ? took?.value : undefined;
          void run(addPass(hands, cover, { kind, on, took_kg }, title.toLowerCase())).then(() =>
            setWeight(''),
          );
        }}
      >
        <SelectField
          label="What"
          value={kind}
          options={KINDS.map((k) => [k, PASS_WORDS[k]!.title] as const)}
          onChange={setKind}
        />
        <DateField label="Day of it" value={on} onChange={setOn} />
        {LEAVES.has(kind) && (
          <TextField label="Carried off, kg fresh" value={weight} onChange={setWeight} decimal />
        )}
        <button type="submit" className="btn">
          Log it: {title.toLowerCase()}
        </button>
        {took && !took.ok && (
          <p role="alert" className="text-madder w-full">
            The weight is a number of kilograms, such as 12 or 3.5.
          </p>
        )}
      </form>
      <p className="mt-1">{PASS_WORDS[kind]!.how}</p>
    </details>
  );
}
