import { z } from 'zod';
import { MOVED_KINDS } from '../../core/years/ledger.ts';
import { saveNote } from '../../records/verbs/verbs.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { MOVED_OPTIONS } from '../../ui/movedWords.ts';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { barrow, figureOrNone } from '../../ring/typedFigures.ts';

const MOST_PCT = 50;

const carriedForm = (imperial: boolean) =>
  z.object({
    bed: z.string(),
    what: z.enum(MOVED_KINDS),
    weight: barrow(imperial),
    nitrogen: figureOrNone(0, MOST_PCT, `Nitrogen is a share of the weight: 0 to ${MOST_PCT} %.`),
  });

/** Writes down what was carried onto a bed or off it today; the ledger of the years counts it. */
export function Carried() {
  const { garden, ground: beds, today, hands, run } = useGarden();
  const bedOf = (id: string) => (beds.some((b) => b.id === id) ? id : (beds[0]?.id ?? ''));
  const form = useKeptForm(
    `carried ${garden.id}`,
    carriedForm(garden.units.mass === 'imperial'),
    { bed: '', what: 'compost', weight: '', nitrogen: '' },
    ({ bed, what, weight, nitrogen: nitrogenPct }) => {
      const moved = { what, kg: weight / 1000, ...(nitrogenPct === undefined ? {} : { nitrogenPct }) };
      return run(
        saveNote(hands, {
          id: hands.newId(),
          gardenId: garden.id,
          bedId: bedOf(bed),
          on: today,
          text: '',
          moved,
        }),
      );
    },
  );
  if (!form || beds.length === 0) return null;
  return (
    <details className="mt-3" open={form.typed.weight !== ''}>
      <summary className="cursor-pointer font-semibold underline">
        Compost, mulch or feed on; harvest or hay off
      </summary>
      <form
        className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-[6rem_1fr_9rem_12rem_auto]"
        onSubmit={form.onSubmit}
      >
        <SelectField
          label="On bed"
          options={beds.map((b) => [b.id, b.name] as const)}
          {...form.field('bed')}
          value={bedOf(form.typed.bed)}
        />
        <SelectField label="What" options={MOVED_OPTIONS} {...form.field('what')} />
        <TextField
          label={`How much, ${garden.units.mass === 'imperial' ? 'lb' : 'kg'}`}
          {...form.field('weight')}
        />
        <TextField label="Nitrogen on the bag, %" decimal {...form.field('nitrogen')} />
        <button type="submit" className="btn" disabled={form.typed.weight.trim() === ''}>
          Write down
        </button>
      </form>
    </details>
  );
}
