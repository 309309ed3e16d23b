import { SOIL_TEST_KINDS, SOIL_TESTS, type SoilTrend, soilTrends } from '../../core/years/soilTests.ts';
import { z } from 'zod';
import { asOn } from '../../core/bed/pieces.ts';
import { parseNumber } from '../../core/units/number.ts';
import { saveNote } from '../../records/verbs/verbs.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
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

const testForm = z
  .object({ what: z.enum(SOIL_TEST_KINDS), value: z.string(), on: z.string() })
  .transform(({ what, value, on }, ctx) => {
    const { from, to } = SOIL_TESTS[what];
    const read = parseNumber(value, from, to);
    if (read.ok) return { on, tested: { what, value: read.value } };
    ctx.addIssue({
      code: 'custom',
      path: ['value'],
      message: `A figure from ${from} to ${to} is wanted here.`,
    });
    return z.NEVER;
  });

function Another({ bedId }: { bedId: string }) {
  const { garden, today, hands, run } = useGarden();
  const form = useKeptForm(
    `soil-test ${bedId} ${garden.id}`,
    testForm,
    { what: 'ph', value: '', on: today },
    (said) => run(saveNote(hands, { id: hands.newId(), gardenId: garden.id, bedId, text: '', ...said })),
  );
  if (!form) return null;
  return (
    <form
      className="no-print mt-2 grid max-w-2xl items-end gap-3 sm:grid-cols-[1fr_8rem_12rem_auto]"
      onSubmit={form.onSubmit}
    >
      <SelectField
        label="Measured"
        options={SOIL_TEST_KINDS.map((k) => [k, SOIL_TEST_NAMES[k]] as const)}
        {...form.field('what')}
      />
      <TextField label="Figure" decimal {...form.field('value')} />
      <DateField label="Sampled on" {...form.field('on')} />
      <button type="submit" className="btn" disabled={form.typed.value.trim() === ''}>
        Write it down
      </button>
    </form>
  );
}
