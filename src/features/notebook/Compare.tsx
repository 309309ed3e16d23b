import { useMemo, useState } from 'react';
import { quantile } from '../../core/random/quantile.ts';
import {
  COMPARED,
  type Compared,
  compareGroups,
  type Group,
  groupsOf,
  TOLD_APART,
  type ToldApart,
} from '../../questions/compare.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField } from '../../ui/fields.tsx';
import { verdictWords } from './trialWords.ts';

const MEASURES: Record<Compared, { name: string; unit: string }> = {
  minutes: { name: 'Minutes to end it, on 100 m²', unit: 'min' },
  dead: { name: 'Days from its first pass to dead', unit: 'days' },
  weight: { name: 'Fresh weight, on a square metre', unit: 'kg' },
  harvest: { name: 'Harvest after it, on a square metre', unit: 'kg' },
};
const BY: Record<ToldApart, string> = { way: 'the way of ending', kind: 'what was sown' };

/** Covers of the records beside each other: nobody drew lots, so it is a hint and is said to be one. */
export function Compare() {
  const ring = useGarden();
  const [of, setOf] = useState<Compared>('dead');
  const [by, setBy] = useState<ToldApart>('way');
  const [picked, setPicked] = useState<[string, string]>(['', '']);
  const groups = useMemo(() => groupsOf(ring, of, by), [ring, of, by]);
  const at = (i: 0 | 1) => groups.find((g) => g.key === picked[i]) ?? groups[i];
  const [a, b] = [at(0), at(1)];
  const options = groups.map((g) => [g.key, `${g.name}, ${g.values.length}`] as const);
  return (
    <details className="border-warp mt-6 border-t pt-3">
      <summary className="font-display cursor-pointer text-xl font-bold">Compare what has been</summary>
      <p className="mt-2 max-w-2xl">
        Covers of your records, held beside each other. Beds, years and weather differed too, and nobody drew
        lots: take it as a question for a trial.
      </p>
      <div className="mt-3 grid max-w-3xl gap-3 sm:grid-cols-2">
        <SelectField<Compared>
          label="What is compared"
          value={of}
          options={COMPARED.map((m) => [m, MEASURES[m].name] as const)}
          onChange={setOf}
        />
        <SelectField<ToldApart>
          label="Told apart by"
          value={by}
          options={TOLD_APART.map((t) => [t, BY[t]] as const)}
          onChange={setBy}
        />
        {a && b && (
          <>
            <SelectField
              label="These"
              value={a.key}
              options={options}
              onChange={(k) => setPicked([k, b.key])}
            />
            <SelectField
              label="Beside these"
              value={b.key}
              options={options}
              onChange={(k) => setPicked([a.key, k])}
            />
          </>
        )}
      </div>
      {!a || !b ? (
        <p className="mt-3">
          The records hold this of {a ? 'one sort of cover' : 'no cover'} alone: there is nothing to compare
          yet.
        </p>
      ) : a.key === b.key ? (
        <p className="mt-3">Pick two that differ.</p>
      ) : (
        <Beside a={a} b={b} unit={MEASURES[of].unit} />
      )}
    </details>
  );
}

const round = (x: number): string => String(Number(x.toFixed(Math.abs(x) < 10 ? 1 : 0)));

function Beside({ a, b, unit }: { a: Group; b: Group; unit: string }) {
  const v = compareGroups(a, b);
  if (!v) return null;
  const trial = { treatments: [a.name.toLowerCase(), b.name.toLowerCase()], unit, counts: 0, planned: false };
  const { head, lines } = verdictWords(v, trial, 1, undefined);
  const all = [...a.values, ...b.values].map((x) => x.value);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const at = (x: number) => (high > low ? ((x - low) / (high - low)) * 100 : 50);
  return (
    <div className="bg-paper border-walnut mt-4 max-w-3xl border-l-4 p-4">
      <p className="font-display text-2xl font-bold">{head}</p>
      {lines.map((l) => (
        <p key={l}>{l}</p>
      ))}
      <ul className="mt-3">
        {[a, b].map((g) => (
          <li key={g.key} className="grid items-center gap-x-3 py-1 sm:grid-cols-[12rem_1fr]">
            <span>
              <b>{g.name}</b>, {g.values.length}: middle{' '}
              {round(
                quantile(
                  g.values.map((x) => x.value),
                  0.5,
                ),
              )}{' '}
              {unit}
            </span>
            <svg viewBox="0 0 108 12" className="h-6 w-full" preserveAspectRatio="none" aria-hidden="true">
              <rect x={0} y={5} width={108} height={2} fill="var(--color-linen)" />
              {g.values.map((x) => (
                <rect
                  key={x.coverId}
                  x={4 + at(x.value) - 0.6}
                  y={1}
                  width={1.2}
                  height={10}
                  fill="var(--color-indigo)"
                />
              ))}
            </svg>
          </li>
        ))}
      </ul>
    </div>
  );
}
