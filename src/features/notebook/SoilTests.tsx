import {
  SOIL_TEST_KINDS,
  SOIL_TESTS,
  type SoilTestKind,
  type SoilTrend,
  soilTrends,
} from '../../core/years/soilTests.ts';
import { useState } from 'react';
import { asOn } from '../../core/bed/pieces.ts';
import { saveNote } from '../../records/verbs/verbs.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';
import { SOIL_TEST_NAMES } from '../../ui/soilTestWords.ts';

/** Soil tests of one bed through the years, with what chance alone does between two samples; and one more to be written down. */
export function SoilTests({ bedId }: { bedId: string }) {
  const { beds, notes } = useGarden();
  const tests = asOn(bedId, beds, notes).flatMap((n) => (n.tested ? [{ on: n.on, ...n.tested }] : []));
  const trends = soilTrends(tests);
  return (
    <section className="mt-6" aria-label="Soil tests">
      <h2 className="font-display text-xl font-bold">Soil tests of this bed</h2>
      {trends.length === 0 && <p>None written down yet.</p>}
      <ul>
        {trends.map((t) => (
          <li key={t.what} className="border-linen border-t py-1">
            <b>{SOIL_TEST_NAMES[t.what]}</b>{' '}
            {t.tests.map((x) => `${x.value} (${showIsoYear(x.on)})`).join(', ')}. {changeWords(t)}
          </li>
        ))}
      </ul>
      <Another key={bedId} bedId={bedId} />
    </section>
  );
}

function changeWords({ change }: SoilTrend): string {
  if (!change) return '';
  const [by, noise] = [change.by, change.noise].map((x) => Number(Math.abs(x).toPrecision(2)));
  return change.is === 'within-noise'
    ? `No change to be told: two samples of one bed differ by up to ${noise} without any.`
    : `${change.is === 'higher' ? 'Higher' : 'Lower'} by ${by}, more than the ${noise} that chance makes.`;
}

function Another({ bedId }: { bedId: string }) {
  const { garden, today, hands, run } = useGarden();
  const [draft, setDraft, clear] = useDraft(`soil-test ${bedId} ${garden.id}`, {
    what: 'ph' as SoilTestKind,
    value: '',
    on: today,
  });
  const [problem, setProblem] = useState('');
  if (!draft) return null;
  const save = () => {
    const value = Number(draft.value.replace(',', '.'));
    const { from, to } = SOIL_TESTS[draft.what];
    if (!(value >= from && value <= to) || draft.value.trim() === '')
      return setProblem(`A figure from ${from} to ${to} is wanted here.`);
    setProblem('');
    const tested = { what: draft.what, value };
    void run(
      saveNote(hands, { id: hands.newId(), gardenId: garden.id, bedId, on: draft.on, text: '', tested }),
    ).then((ok) => ok && clear());
  };
  return (
    <form
      className="no-print mt-2 grid max-w-2xl items-end gap-3 sm:grid-cols-[1fr_8rem_12rem_auto]"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <SelectField
        label="Measured"
        value={draft.what}
        options={SOIL_TEST_KINDS.map((k) => [k, SOIL_TEST_NAMES[k]] as const)}
        onChange={(what) => setDraft({ ...draft, what })}
      />
      <TextField
        label="Figure"
        decimal
        value={draft.value}
        onChange={(value) => setDraft({ ...draft, value })}
      />
      <DateField label="Sampled on" value={draft.on} onChange={(on) => setDraft({ ...draft, on })} />
      <button type="submit" className="btn" disabled={draft.value.trim() === ''}>
        Write it down
      </button>
      {problem && (
        <p role="alert" className="text-madder font-semibold sm:col-span-4">
          {problem}
        </p>
      )}
    </form>
  );
}
